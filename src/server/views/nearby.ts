import {
  movedDays,
  neighbourDays,
  sayMovedDays,
  toldUntil,
  type NeededOf,
  type NeighbourDays,
} from '@/core/news/neighbour-days';
import { phaseFacts } from '@/core/sequence/phases';
import { daysBetween } from '@/core/units/day';
import { dayOfSlot } from '@/core/units/slot';
import { sayWork } from '@/core/words/work';
import { nextWork } from '../plan/effect';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob } from '../reading/reading';
import { neighbourRows, toldOf } from '../reading/updates';

/** Who comes as far ahead as is told, the job's own. */
export const workAhead = ofJob((job) => {
  const plan = planOf(job);
  const { today } = job.firm;
  return plan ? nextWork(plan, new Set([job.id]), today, daysBetween(today, toldUntil(today))) : [];
});

/** What of neighbours is needed for work that is not done. */
export const neededOf = ofJob((job): NeededOf[] => {
  const plan = planOf(job);
  return neighbourRows(job).flatMap(({ id, name, needed: what, needed_for }) => {
    const task = tasksOf(job).get(needed_for ?? '');
    if (what === '' || !plan || !task || task.state === 'done') return [];
    const work = task.phase ? phaseFacts(task.phase).plain : sayWork(task.work);
    const days = { from: dayOfSlot(plan.origin, task.start), until: dayOfSlot(plan.origin, task.finish - 1) };
    return [{ ...{ id, name, what, work }, ...days }];
  });
});

/** The days that neighbours of a job hear of, by the plan of now. */
export const daysNearby = ofJob((job): NeighbourDays => neighbourDays(workAhead(job), neededOf(job), job.firm.today));

/** What is otherwise than neighbours were told; nothing where they were not told yet, or all is as it was. */
export const daysMoved = ofJob((job): string[] => {
  const told = toldOf(job, 'neighbour');
  if (!told || told.days === '') return [];
  const { today } = job.firm;
  return sayMovedDays(movedDays(JSON.parse(told.days) as NeighbourDays, daysNearby(job), today), neededOf(job), today);
});
