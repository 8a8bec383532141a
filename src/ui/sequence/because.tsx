'use client';
import { createContext, useContext } from 'react';
import type { StepLink } from '@/contract/views/plan';
import { Means } from '../kit/means';
import { StateIcon } from '../kit/state-icon';

/** What the links of the page say, by its place. */
export const Said = createContext<readonly string[]>([]);

/** One link as a sentence: after what, why, by which rule. */
export function Because({ link }: { link: StepLink }) {
  const said = useContext(Said);
  return (
    <div className="small-text soft">
      {link.done && (
        <>
          <StateIcon kind="done" />{' '}
        </>
      )}
      after <span className="fw-medium">{said[link.from]}</span>
      {link.lag && ` and ${link.lag}`}: {said[link.reason]}{' '}
      <span className="mono">
        <Means of={link.must ? 'word.must' : 'word.preference'}>{link.must ? 'must' : 'preference'}</Means>
        {link.rule > 0 && link.rule < 100 && (
          <>
            {' '}
            <Means of={`rule.${link.rule}`}>rule {link.rule}</Means>
          </>
        )}
        {link.rule >= 200 && ` rule ${link.rule}`}
      </span>
    </div>
  );
}
