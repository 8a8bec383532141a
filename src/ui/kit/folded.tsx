import type { ReactNode } from 'react';
import { Lines } from './lines';

/** What is one press away, under the words that say how much or what it is. */
export const More = ({ words, children }: { words: ReactNode; children: ReactNode }) => (
  <details className="more">
    <summary>{words}</summary>
    {children}
  </details>
);

/** A list of which the first stand open and the rest are one press away. */
export function Folded<Item>({
  of,
  shown,
  small,
  children,
}: {
  of: readonly Item[];
  shown: number;
  small?: boolean;
  children: (item: Item) => ReactNode;
}) {
  const look = small ? { className: 'small-text' } : {};
  return (
    <>
      <Lines {...look}>{of.slice(0, shown).map(children)}</Lines>
      {of.length > shown && (
        <More words={`${of.length - shown} more`}>
          <Lines {...look}>{of.slice(shown).map(children)}</Lines>
        </More>
      )}
    </>
  );
}
