import type { ReactNode } from 'react';
import { Lines } from './lines';

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
        <details className="more">
          <summary>{of.length - shown} more</summary>
          <Lines {...look}>{of.slice(shown).map(children)}</Lines>
        </details>
      )}
    </>
  );
}
