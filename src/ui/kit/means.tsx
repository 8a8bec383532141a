'use client';
import { Link } from './link';
import { useCallback, useState, type ReactNode } from 'react';
import { routes } from '@/contract/routes';
import type { Explained, Meaning } from '@/core/words/meanings';

/**
 * A mark, a word or a figure that says what it means when it is tapped. The meanings come only then: no page carries a
 * glossary that nobody asked for.
 */
export function Means({ of, children }: { of: Explained; children: ReactNode }) {
  const [meaning, setMeaning] = useState<Meaning | null>();
  const show = useCallback((shown: HTMLElement | null) => shown?.showPopover(), []);
  const look = (): void =>
    void import('@/core/words/meanings').then(({ meaningOf }) => setMeaning(meaningOf(of) ?? null));
  return (
    <>
      <button type="button" className="means" aria-expanded={meaning !== undefined} onClick={look}>
        {children}
      </button>
      {meaning !== undefined && (
        <span
          ref={show}
          popover="auto"
          className="meaning"
          role="note"
          onToggle={(event) => event.newState === 'closed' && setMeaning(undefined)}
        >
          {meaning && (
            <>
              <strong>{meaning.name}</strong>
              <span>{meaning.means}</span>
            </>
          )}
          <Link href={routes.words(of)}>All words and marks</Link>
        </span>
      )}
    </>
  );
}
