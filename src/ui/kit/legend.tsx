import { Means } from './means';
import { StateIcon, wordsOfIcon, type StateIconKind } from './state-icon';

/** The marks of a page with what they mean, each one tap from its meaning. */
export const Legend = ({ of }: { of: readonly StateIconKind[] }) => (
  <ul className="legend">
    {of.map((mark) => (
      <li key={mark}>
        <StateIcon kind={mark} silent />{' '}
        <Means of={`mark.${mark === 'not-begun' ? 'mist' : mark}`}>{wordsOfIcon(mark)}</Means>
      </li>
    ))}
  </ul>
);
