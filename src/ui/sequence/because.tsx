import type { StepView } from '@/contract/views/plan';
import { Means } from '../kit/means';
import { StateIcon } from '../kit/state-icon';

/** One link as a sentence: after what, why, by which rule. */
export function Because({ link }: { link: StepView['links'][number] }) {
  return (
    <div className="small-text soft">
      {link.done && (
        <>
          <StateIcon kind="done" />{' '}
        </>
      )}
      after <span className="fw-medium">{link.from}</span>
      {link.lag && ` and ${link.lag}`}: {link.reason}{' '}
      <span className="mono">
        <Means of={link.strength === 'hard' ? 'word.must' : 'word.preference'}>
          {link.strength === 'hard' ? 'must' : 'preference'}
        </Means>
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
