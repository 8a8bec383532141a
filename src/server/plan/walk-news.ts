import type { Seen } from '@/core/news/news';
import { diffOf } from '@/core/walks/diff';
import { areaNames, jobRow } from '../reading/job';
import type { JobReading } from '../reading/reading';
import { recordsAround } from '../reading/records';
import { settledOn } from '../reading/scope';
import { selectionNames } from '../reading/selections';
import { weightsOf, workDoneOf } from '../reading/weights';
import type { Effect } from './effect';

/** What a walk has seen, and what that did to the plan. */
export function seenOnWalk(job: JobReading, walk: string, effect: Effect): Seen {
  const { promise_day: promised } = jobRow(job);
  return {
    diff: diffOf(recordsAround(job.firm.db, walk), walk, weightsOf(job)),
    areas: areaNames(job),
    selections: selectionNames(job),
    settled: settledOn(job, walk),
    done: workDoneOf(job).share,
    moved: effect.moved,
    finish: { ...effect.finish, ...(promised ? { promised } : {}) },
    causes: effect.causes ?? [],
  };
}
