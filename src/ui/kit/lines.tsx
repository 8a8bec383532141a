import type { ComponentProps, ReactNode } from 'react';

/** A list of things, one under the other with a rule between. */
export const Lines = ({ className, ...list }: ComponentProps<'ul'>) => (
  <ul className={className ? `lines ${className}` : 'lines'} {...list} />
);

type LineTerms = ComponentProps<'li'> & {
  /** The sign of how it stands, before its words. */
  mark?: ReactNode;
  /** What is known or can be done at its end. */
  beside?: ReactNode;
  small?: boolean;
};

/** One thing of a list: its sign, its words, what stands beside them. */
export const Line = ({ mark, beside, small, children, ...item }: LineTerms) => (
  <li {...item}>
    {mark}
    <div className={small ? 'what small-text' : 'what'}>{children}</div>
    {beside}
  </li>
);
