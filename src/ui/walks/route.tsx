import { routes } from '@/contract/routes';
import type { WalkArea } from '@/contract/views/walk';
import { StateIcon } from '../kit/state-icon';
import { Discard } from './discard';
import { LeaveForm } from './leave-form';
import type { Walking } from './use-walk';

/** Where the walk leads, what was recorded where, how the site is left, and its end. */
export function Route({
  walking,
  at,
  finished,
  finishing,
  onGo,
}: {
  walking: Walking;
  at: number;
  finished: boolean;
  finishing: boolean;
  onGo: (at: number) => void;
}) {
  return (
    <>
      <div className="d-flex align-items-baseline justify-content-between gap-2">
        <h1>The walk</h1>
        <button type="button" className="btn btn-link p-0" onClick={() => onGo(at)}>
          Back to {walking.pack.areas[at]?.name}
        </button>
      </div>
      <ul className="route mt-2">
        {walking.pack.areas.map((area, index) => (
          <Stop key={area.id} area={area} here={index === at} onGo={() => onGo(index)} />
        ))}
      </ul>
      {!finished && <LeaveForm walking={walking} />}
      {!finished && (
        <div className="form-panel">
          <p className="mb-0">
            Everything seen? Then comes the review: what changed, what it does to the plan, and the news ready to send.
          </p>
          {finishing && (
            <p className="soft small-text mt-2 mb-0">
              Without a connection it stays here and is finished as soon as there is one.
            </p>
          )}
          <p className="small-text mt-3 mb-0">
            <span className="soft">Begun by mistake?</span>{' '}
            <Discard walk={walking.pack.walk.id} to={routes.walks(walking.pack.job.id)} />
          </p>
        </div>
      )}
    </>
  );
}

function Stop({ area, here, onGo }: { area: WalkArea; here: boolean; onGo: () => void }) {
  const open = area.open.filter((item) => item.verdict === null).length;
  return (
    <li>
      <button type="button" onClick={onGo} {...(here ? { 'aria-current': 'true' as const } : {})}>
        <span className={here ? 'fw-bold' : ''}>
          {area.name} <span className="soft small-text">{area.place}</span>
        </span>
        <span className="small-text soft">
          {[open > 0 ? `${open} to look at` : '', area.recorded.length > 0 ? `${area.recorded.length} recorded` : '']
            .filter(Boolean)
            .join(' · ')}{' '}
          {open > 0 && <StateIcon kind="waiting" silent />}
        </span>
      </button>
    </li>
  );
}
