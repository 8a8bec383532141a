import { Button, type ButtonProps } from 'react-bootstrap';

/** Something to do that stands as words in a line: less than the one thing that a page or a block is there for. */
export const LinkButton = ({ className, ...button }: ButtonProps) => (
  <Button size="sm" variant="link" className={className ? `p-0 ${className}` : 'p-0'} {...button} />
);
