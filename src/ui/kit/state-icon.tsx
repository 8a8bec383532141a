/** The marks of state, the same on screen, on paper and in every legend. Never colour alone. */
export type StateIconKind = 'waiting' | 'under-way' | 'done' | 'stop' | 'hazard' | 'not-begun';

const WORDS: Record<StateIconKind, string> = {
  waiting: 'waiting',
  'under-way': 'under way',
  done: 'done',
  stop: 'stopped',
  hazard: 'caution',
  'not-begun': 'not begun',
};
const COLOURS: Record<StateIconKind, string> = {
  waiting: 'var(--ochre)',
  'under-way': 'var(--spruce)',
  done: 'var(--spruce)',
  stop: 'var(--clay-fill)',
  hazard: 'var(--clay-fill)',
  'not-begun': 'var(--mist-line)',
};

/** Said aloud with its own word, unless the text beside it says the same. */
export function StateIcon({ kind, silent }: { kind: StateIconKind; silent?: boolean }) {
  return (
    <svg
      className="state-mark"
      viewBox="0 0 16 16"
      style={{ color: COLOURS[kind] }}
      {...(silent ? { 'aria-hidden': true } : { role: 'img', 'aria-label': WORDS[kind] })}
    >
      <Shape kind={kind} />
    </svg>
  );
}

function Shape({ kind }: { kind: StateIconKind }) {
  switch (kind) {
    case 'waiting':
      return <circle cx="8" cy="8" r="5.6" fill="none" stroke="currentColor" strokeWidth="2.4" />;
    case 'under-way':
      return (
        <>
          <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" strokeWidth="1.6" />
          <path d="M8 2a6 6 0 0 1 0 12z" fill="currentColor" />
        </>
      );
    case 'done':
      return <path d="M2.5 8.5 6.2 12.4 13.5 3.6" fill="none" stroke="currentColor" strokeWidth="2.4" />;
    case 'stop':
      return <rect x="0.5" y="5.5" width="15" height="5" fill="currentColor" />;
    case 'hazard':
      return <path d="M8 1.8 15 14H1z" fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />;
    case 'not-begun':
      return <path d="M1 5q3.5-2 7 0t7 0M1 10q3.5-2 7 0t7 0" fill="none" stroke="currentColor" strokeWidth="1.5" />;
  }
}
