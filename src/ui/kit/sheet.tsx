import type { ComponentProps } from 'react';

/** White ground for what is drawn or typed as on paper. */
export const Sheet = ({ className, ...section }: ComponentProps<'section'>) => (
  <section className={className ? `sheet ${className}` : 'sheet'} {...section} />
);
