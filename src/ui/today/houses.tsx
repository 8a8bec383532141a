import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { TodayHouse } from '@/contract/views/today';
import { formatDay, type Day } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { SmallSection } from '../kit/small-section';
import { StateIcon } from '../kit/state-icon';

/** Every job as a house on one ground, whoever needs somebody first stands first. */
export const Houses = ({ houses, today }: { houses: TodayHouse[]; today: Day }) => (
  <ul className="houses">
    {houses.map((house) => (
      <li key={house.job}>
        <h2>
          <Link href={routes.rooms(house.job)}>{house.name}</Link>
        </h2>
        <Lateness house={house} />
        <EndLine house={house} today={today} />
        <Link href={routes.rooms(house.job)} className="cut" aria-label={`${house.name}, room by room`}>
          <SmallSection section={house.section} pointAt={house.stopper?.area} />
        </Link>
        <Stopper house={house} />
      </li>
    ))}
  </ul>
);

function Lateness({ house: { late, finish, job } }: { house: TodayHouse }) {
  if (late !== null && late > 0)
    return (
      <Link href={routes.progress(job)} className="lateness late">
        <StateIcon kind="late" silent /> {counted(late, 'day')} late
      </Link>
    );
  return (
    <Link href={routes.progress(job)} className="lateness">
      {late === null
        ? finish
          ? 'nothing promised'
          : 'no plan yet'
        : late === 0
          ? 'on the day'
          : `${counted(-late, 'day')} to spare`}
    </Link>
  );
}

const WIDE = 290;
/** The promise stands at the same place in every tile: whoever runs past it is late. */
const POST = 166;
/** Points to a day, less where a job is so late that its end would leave the tile. */
const perDay = (late: number): number => Math.min(5, 110 / Math.max(1, Math.abs(late)));

/**
 * The end against the promise: a line up to the end, drawn through as far as its visits are confirmed and in strokes where nobody
 * has said yes; a thick bar where it runs past the post.
 */
function EndLine({ house: { finish, promise, late, sure }, today }: { house: TodayHouse; today: Day }) {
  if (!finish) return <div className="end-line" />;
  const end = late === null ? POST : POST + late * perDay(late);
  const confirmed = (Math.min(end, POST) * sure.confirmed) / Math.max(1, sure.visits);
  return (
    <div className="end-line">
      <svg viewBox={`0 0 ${WIDE} 22`} aria-hidden="true">
        <path d={`M0 4v14M0 11H${confirmed}`} stroke="var(--ink)" strokeWidth="1.5" fill="none" />
        <path
          d={`M${confirmed} 11H${Math.min(end, POST)}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
          strokeDasharray="7 4"
        />
        {late !== null && late > 0 && (
          <rect x={POST} y="6" width={Math.max(3, end - POST)} height="10" fill="var(--clay-fill)" />
        )}
        {late !== null && late < 0 && (
          <path d={`M${end} 11H${POST}`} stroke="var(--mist-line)" strokeWidth="1.5" strokeDasharray="2 3" />
        )}
        {(late === null || late <= 0) && <path d={`M${end} 5v12`} stroke="var(--ink)" strokeWidth="2.5" />}
        {promise && <path d={`M${POST - 5} 0h10l-5 6zM${POST} 4v18`} fill="var(--ink)" stroke="var(--ink)" />}
      </svg>
      <span className="small-text">
        <span className={late !== null && late > 0 ? 'bad fw-bold' : 'fw-bold'}>ends {formatDay(finish, today)}</span>
        {promise && <span className="soft"> · promised {formatDay(promise, today)}</span>}
        {sure.visits > 0 && (
          <span className="soft sure">
            {sure.confirmed} of {counted(sure.visits, 'visit')} confirmed
          </span>
        )}
      </span>
    </div>
  );
}

/** The one thing that stops the job, and why it ends late. */
function Stopper({ house: { stopper, because } }: { house: TodayHouse }) {
  return (
    <div className={`stopper ${stopper?.mark ?? 'none'}`}>
      {stopper ? (
        <>
          <div className="when">
            <StateIcon kind={stopper.mark} silent /> {stopper.when}
          </div>
          <Link href={stopper.href} className="what">
            {stopper.text}
          </Link>
        </>
      ) : (
        <div className="soft">Nothing stops it.</div>
      )}
      {because && <div className="because">Late because: {because}</div>}
    </div>
  );
}
