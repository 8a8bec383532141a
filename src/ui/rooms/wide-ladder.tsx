import type { RoomView } from '@/contract/views/job';
import { TRADES } from '@/core/sequence/trades';
import { counted, daysOf } from '@/core/words/count';
import { thickness } from '../kit/ladder';
import { Means } from '../kit/means';
import { StateIcon } from '../kit/state-icon';

type Step = RoomView['steps'][number];

const percent = (fraction: number): string => (fraction >= 1 ? 'done' : `${Math.round(fraction * 100)} %`);

/** So many steps that come next stand open; what comes later is folded over them, what is done under them. */
const NEXT = 5;

/**
 * The ladder opened wide, where the work is: the step that is under way with those that come next over it, each with its
 * trade, its date and the reason for it; the first at the foot.
 */
export function WideLadder({ view }: { view: RoomView }) {
  if (view.steps.length === 0) return <p className="soft mt-2">No work is agreed here.</p>;
  const done = view.steps.filter(({ fraction }) => fraction >= 1);
  const open = view.steps.filter(({ fraction }) => fraction < 1);
  const [next, later] = [open.slice(0, NEXT), open.slice(NEXT)];
  const last = later.at(-1);
  return (
    <>
      {later.length > 0 && last && (
        <details className="rest-of-ladder">
          <summary>
            <StateIcon kind="not-begun" silent /> {counted(later.length, 'later step')}, up to {last.label}{' '}
            <span className="soft">{last.when}</span>
          </summary>
          <Steps of={later} />
        </details>
      )}
      {next.length > 0 && <Steps of={next} />}
      {done.length > 0 && (
        <details className="rest-of-ladder" open={open.length === 0}>
          <summary>
            <StateIcon kind="done" silent /> {counted(done.length, 'step')} done
          </summary>
          <Steps of={done} />
        </details>
      )}
    </>
  );
}

const Steps = ({ of }: { of: readonly Step[] }) => (
  <ol className="wide-ladder list-unstyled mb-0" reversed>
    {[...of].reverse().map((step) => (
      <Line key={step.phase} step={step} />
    ))}
  </ol>
);

function Line({ step }: { step: Step }) {
  const { fraction } = step;
  return (
    <li>
      <div className="bar" role="img" aria-label={fraction === 0 ? 'not begun' : percent(fraction)}>
        {fraction >= 1 ? (
          <span className="full" />
        ) : (
          <>
            {fraction > 0 && <span className="clear" style={{ width: `${fraction * 100}%` }} />}
            <span className={`misted mist-${thickness(fraction)}`} />
          </>
        )}
      </div>
      <div className="step">
        <span className={fraction > 0 && fraction < 1 ? 'fw-bold' : ''}>
          <Means of={`step.${step.phase}`}>{step.label}</Means>
        </span>
        {fraction > 0 && fraction < 1 && <span className="ms-2">{percent(fraction)}</span>}
        <div className="small-text soft">
          {step.trade === 'nobody' ? 'wait' : TRADES[step.trade].toLowerCase()}
          {fraction < 1 ? `, ${daysOf(step.halfDays)}` : ''}
        </div>
      </div>
      <div className="why small-text">
        {fraction >= 1 ? (
          <span className="soft">seen done {step.seen ?? ''}</span>
        ) : (
          <>
            <span className={step.held ? 'bad fw-bold' : 'fw-bold'}>{step.when || 'not planned'}</span>
            {step.crew && <span className="soft"> · {step.crew}</span>}
            {step.reason && <div className={step.held ? 'bad' : 'soft'}>{step.reason}</div>}
          </>
        )}
      </div>
    </li>
  );
}
