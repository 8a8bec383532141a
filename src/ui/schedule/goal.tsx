'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Button } from 'react-bootstrap';
import { searchPlan, stopSearch, takePlan } from '@/contract/commands/schedule';
import type { GoalView } from '@/contract/views/plan';
import { counted } from '@/core/words/count';
import { useSend } from '../kit/use-send';
import { Means } from '../kit/means';
import { FoldedBlock } from '../kit/page';

const SCHEDULES = 3_000;
/** How often one looks how far a search is. */
const LOOK_MS = 1_500;

const standing = ({ jobs, trips }: GoalView): string => {
  const late = jobs.filter((job) => job.late > 0).length;
  return `${late > 0 ? `${counted(late, 'job')} late` : 'every promise kept'}, crews travel ${counted(trips, 'time')}`;
};

/** How far from best the plan can be, and a longer look for a better one. */
export function Goal({ goal }: { goal: GoalView }) {
  const { busy, give } = useSend();
  const { search } = goal;
  const looking = search.state === 'asked' || search.state === 'running' || search.state === 'stopping';
  const router = useRouter();
  useEffect(() => {
    if (!looking) return undefined;
    const timer = setInterval(() => router.refresh(), LOOK_MS);
    return () => clearInterval(timer);
  }, [looking, router]);
  return (
    <FoldedBlock
      className="goal"
      heading="How good is this plan?"
      says={standing(goal)}
      open={looking || search.found !== null}
    >
      <table className="table-lines small-text">
        <thead>
          <tr>
            <th>Job</th>
            <th>
              <Means of="figure.ends">Ends</Means>
            </th>
            <th>
              <Means of="figure.cannot-before">Cannot end before</Means>
            </th>
            <th>
              <Means of="figure.between">Between</Means>
            </th>
            <th>Against promise</th>
          </tr>
        </thead>
        <tbody>
          {goal.jobs.map((job) => (
            <tr key={job.id}>
              <td className="fw-bold">{job.name}</td>
              <td>{job.finish}</td>
              <td data-label="No plan before:">{job.bound}</td>
              <td data-label="Between:">
                {job.room === 0
                  ? 'nothing: it cannot end sooner as it is set up'
                  : `${job.room} worked ${job.room === 1 ? 'day' : 'days'}`}
              </td>
              <td className={job.late > 0 ? 'bad' : ''} data-label="Promise:">
                {job.late > 0 ? `${job.late} worked ${job.late === 1 ? 'day' : 'days'} late` : 'kept'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="small-text mt-2 mb-1">
        <Means of="figure.trips">Crews travel {goal.trips} times.</Means> {search.words}
        {looking &&
          search.state !== 'asked' &&
          ` ${search.made.toLocaleString('en')} of ${search.schedules.toLocaleString('en')} orders tried.`}
      </p>
      <div className="actions no-print">
        {looking ? (
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={busy || search.state === 'stopping'}
            onClick={() => void give(stopSearch, {}, { text: 'Stopping; the best so far is proposed.' })}
          >
            Stop, show the best so far
          </Button>
        ) : search.found !== null ? (
          <>
            <Button
              size="sm"
              disabled={busy}
              onClick={() => void give(takePlan, { version: search.found ?? 0 }, { text: 'The better plan is kept.' })}
            >
              Keep the better plan
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={busy}
              onClick={() => void give(stopSearch, {}, { text: 'The plan stays as it is.' })}
            >
              Leave it as it is
            </Button>
          </>
        ) : (
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={busy}
            onClick={() =>
              void give(
                searchPlan,
                { schedules: SCHEDULES, seed: Date.now() % 1_000_000 },
                { text: 'Looking for a better order in the background.' },
              )
            }
          >
            Look longer for a better plan
          </Button>
        )}
        {looking && <span className="small-text soft">Looking…</span>}
      </div>
    </FoldedBlock>
  );
}
