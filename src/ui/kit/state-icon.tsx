import type { ReactNode } from 'react';

/**
 * The marks of state, drawn from the section of a house: how far a bay has come up out of the mist, what is set up before it,
 * and whether it keeps its promise. The same on screen, on paper and in every legend; the shape says it, the colour repeats it.
 */
export type StateIconKind = keyof typeof MARKS;

const wave = (y: number) => (
  <path key={y} d={`M.4 ${y}q3.3-2.5 6.6 0t6.6 0`} fill="none" stroke="var(--mist-mark)" strokeWidth="1.35" />
);
const FLOOR = <path key="floor" d="M0 12h14v2H0z" fill="var(--ink)" />;
const BAY = <path key="bay" d="M1 0h12v12H1z" fill="currentColor" />;
const LEGS = <path key="legs" d="M2.5 8.5h1.8V14H2.5zM9.7 8.5h1.8V14H9.7z" fill="currentColor" />;
const TAG = 'M4.5 0h5L13 3.5V14H1V3.5z';

/** The level line, what stands under it, and the mist that is left. */
function underWay(fraction: number): ReactNode {
  const level = fraction < 0.34 ? 8 : fraction < 0.67 ? 6 : 3;
  return (
    <>
      {level > 7 ? [wave(1.7), wave(5)] : level > 4 ? [wave(1.6), wave(4.5)] : wave(1.6)}
      <path d={`M0 ${level}h14v2H0z`} fill="var(--ink)" />
      <path d={`M1 ${level + 3}h12V12H1z`} fill="currentColor" />
      {FLOOR}
    </>
  );
}

interface Mark {
  words: string;
  colour: string;
  drawn: (fraction: number) => ReactNode;
}
const mark = (words: string, colour: string, drawn: Mark['drawn']): Mark => ({ words, colour, drawn });

const MARKS = {
  // How far it is
  'not-begun': mark('not begun', '--mist-mark', () => [wave(1.8), wave(5.3), wave(8.8), FLOOR]),
  'under-way': mark('under way', '--spruce', underWay),
  done: mark('done', '--spruce', () => [BAY, FLOOR]),
  checked: mark('checked', '--spruce', () => [
    BAY,
    <path key="datum" d="M3 1.8h8L7 7zM1 7.5h12V9H1z" fill="var(--on-mark)" />,
    FLOOR,
  ]),
  // Nobody has ticked it yet
  open: mark('open', '--ink-soft', () => (
    <path d="M1.75 1.75h10.5v10.5H1.75z" fill="none" stroke="currentColor" strokeWidth="1.5" />
  )),
  // What holds it
  waiting: mark('waiting', '--ochre', () => (
    <path
      d="M0 0h3.5v2.4H0zM5 0h4v2.4H5zM10.5 0H14v2.4h-3.5zM4 3h6v1.6H4zM6 4h2v4H6zM4.2 7h5.6v1.8H4.2zM5.5 8h3v4h-3zM2 12h10v2H2z"
      fill="currentColor"
    />
  )),
  'will-stop': mark('will stop', '--ochre', () => [
    <path key="board" d="M0 2h14v7H0zM1.6 3.6v3.8h10.8V3.6z" fillRule="evenodd" fill="currentColor" />,
    LEGS,
  ]),
  stop: mark('stopped', '--clay-fill', () => [
    <path key="board" d="M0 2h14v7H0z" fill="currentColor" />,
    <path key="stripes" d="M.9 8 3.4 3h1.9L2.8 8zM5 8l2.5-5h1.9L6.9 8zM9.1 8l2.5-5h1.9L11 8z" fill="var(--on-mark)" />,
    LEGS,
  ]),
  hazard: mark('caution', '--clay-fill', () => [
    <path key="sign" d="M7 .4 14 13.6H0z" fill="currentColor" />,
    <path key="call" d="M6.2 5h1.6v4.2H6.2zM6.2 10.2h1.6v1.6H6.2z" fill="var(--on-mark)" />,
  ]),
  // The promise, and who comes
  late: mark('late', '--clay-fill', () => [
    <path key="post" d="M1 0h7L5.25 4.6V14h-1.5V4.6zM0 8h3v2H0z" fill="var(--ink)" />,
    <path key="over" d="M6 6.5h8v5H6z" fill="currentColor" />,
  ]),
  confirmed: mark('confirmed', '--spruce', () => [
    <path key="tag" d={TAG} fill="currentColor" />,
    <path key="written" d="M5.8 2h2.4v2.4H5.8zM3.5 7h7v1.5h-7zM3.5 10h5v1.5h-5z" fill="var(--on-mark)" />,
  ]),
  delivery: mark('delivery', '--ink', () => (
    <path
      d="M0 2h14v11H0zM1.5 6.5v5h11v-5H8.8v2.3H5.2V6.5zM1.5 3.5v1.6h3.7V3.5zM8.8 3.5v1.6h3.7V3.5z"
      fillRule="evenodd"
      fill="currentColor"
    />
  )),
  unconfirmed: mark('not confirmed', '--ochre', () => (
    <path
      d={`${TAG}M5.1 1.6 2.6 4.1v8.3h8.8V4.1L8.9 1.6zM5.8 3.8h2.4v1.6H5.8z`}
      fillRule="evenodd"
      fill="currentColor"
    />
  )),
} satisfies Record<string, Mark>;

/** Its shape alone, for a drawing in which it stands; its colour is the drawing's. */
export const shapeOf = (kind: StateIconKind): ReactNode => MARKS[kind].drawn(0.5);

/** What it says. */
export const wordsOfIcon = (kind: StateIconKind): string => MARKS[kind].words;

export const STATE_ICONS = Object.keys(MARKS) as StateIconKind[];

/**
 * Said aloud with its own word, unless the text beside it says the same.
 * @param fraction 0…1, of what is under way
 */
export function StateIcon({
  kind,
  silent,
  fraction = 0.5,
}: {
  kind: StateIconKind;
  silent?: boolean | undefined;
  fraction?: number;
}) {
  const { words, colour, drawn } = MARKS[kind];
  return (
    <svg
      className="state-mark"
      viewBox="0 0 14 14"
      style={{ color: `var(${colour})` }}
      {...(silent ? { 'aria-hidden': true } : { role: 'img', 'aria-label': words })}
    >
      {drawn(fraction)}
    </svg>
  );
}
