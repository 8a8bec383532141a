import type { StepView } from '@/contract/views/plan';
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
        {link.strength === 'hard' ? 'must' : 'prefer'}
        {link.rule > 0 && (link.rule < 100 || link.rule >= 200) ? ` ${link.rule}` : ''}
      </span>
    </div>
  );
}
