import type { PlannedTask } from '@/core/schedule/plan';
import type { WorkName } from '@/core/schedule/work-name';
import { isVisit } from '@/core/schedule/visit';
import { taskRef } from '@/core/sequence/site';
import { counted } from '@/core/words/count';
import { sayWork } from '@/core/words/work';
import type { Rows } from '../database/rows';
import { crewsByTrade } from '../reading/crews';
import { subRows } from '../reading/firm';
import { answerRows } from '../reading/answers';
import { partRows, stepsByArea } from '../reading/job';
import { pinRows } from '../reading/sequence';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** Work that somebody pinned to a day is let go. */
export function withoutPins({ job, tasks, areas }: Slip): Answer[] {
  const mine = new Set(tasks.map(({ id }) => id));
  return pinRows(job)
    .filter(({ task }) => mine.has(task) || areas.includes(taskRef(task).area))
    .map(({ task, reason }) => ({
      key: `pin ${task}`,
      title: 'Let go of a pin',
      how: `It was pinned because: ${reason}`,
      steps: [{ type: 'pin.drop' as const, payload: { task } }],
    }));
}

/** Another sub of the trade comes for it. */
export function otherSubs(firm: FirmReading, { tasks, selection }: Slip): Answer[] {
  // Where goods are missing, other hands bring nothing.
  if (selection) return [];
  const subs = new Set<string>(subRows(firm).map(({ id }) => id));
  return tasks.filter(isVisit).flatMap((task) =>
    (crewsByTrade(firm).get(task.trade) ?? [])
      .filter(({ id }) => id !== task.crew && subs.has(id))
      .map(({ id, name }) => ({
        key: `sub ${task.id} ${id}`,
        title: `${name} instead`,
        named: true,
        how: `They come for ${sayWork(task.work)}.`,
        steps: [{ type: 'visit.give' as const, payload: { tasks: [task.id], sub: id } }],
      })),
  );
}

/** Half-days from which a step is worth being done in two goes. */
const LONG = 4;

/** A long step is done in two goes, so that what fits between them need not wait for all of it. */
export function inTwoParts({ job, tasks, selection }: Slip): Answer[] {
  if (selection) return [];
  const parted = new Set(partRows(job).map(({ area, phase }) => `${area}:${phase}`));
  return tasks.flatMap(({ id, area, phase, state, work }): Answer[] => {
    const step = stepsByArea(job)
      .get(area ?? '')
      ?.find((row) => row.phase === phase);
    if (!area || !phase || !step || state !== 'waiting' || step.half_days < LONG || parted.has(id)) return [];
    const first = Math.ceil(step.half_days / 2);
    return [
      {
        key: `parts ${id}`,
        title: 'Do it in two goes',
        how: `${sayWork(work)}: ${counted(first, 'half-day')} first, the rest when there is room.`,
        steps: [
          {
            type: 'step.split',
            payload: {
              ...{ area, phase },
              parts: [
                { label: 'first go', halfDays: first },
                { label: 'second go', halfDays: step.half_days - first },
              ],
            },
          },
        ],
      },
    ];
  });
}

/** The step that a part is of. */
const wholeOf = (work: WorkName): WorkName => {
  if (work.kind !== 'step') return work;
  const { part: _, ...whole } = work;
  return whole;
};

/** What was to be done in two goes is done in one. */
export function inOneGo({ job, tasks }: Slip): Answer[] {
  const parted = new Set(partRows(job).map(({ area, phase }) => `${area}:${phase}`));
  return tasks.flatMap(({ area, phase, state, work }): Answer[] =>
    area && phase && state === 'waiting' && parted.has(`${area}:${phase}`)
      ? [
          {
            key: `one-go ${area} ${phase}`,
            title: 'Do it in one go',
            how: `${sayWork(wholeOf(work))}: one visit instead of several.`,
            steps: [{ type: 'step.split', payload: { area, phase, parts: [] } }],
          },
        ]
      : [],
  );
}

/** The step that a piece of work is, where it is one that somebody can time. */
function stepOf({ job }: Slip, { area, phase, state }: PlannedTask): Rows['step'] | undefined {
  if (!area || !phase || state === 'done') return undefined;
  return stepsByArea(job)
    .get(area)
    ?.find((row) => row.phase === phase);
}

/** Who does it comes with two crews at once. */
export function moreHands(firm: FirmReading, slip: Slip): Answer[] {
  // Where goods are missing, more hands bring nothing.
  if (slip.selection) return [];
  const subs = new Map<string, Rows['sub']>(subRows(firm).map((sub) => [sub.id, sub]));
  return slip.tasks.flatMap((task): Answer[] => {
    const [step, sub] = [stepOf(slip, task), subs.get(task.crew ?? '')];
    if (!step || !sub || task.duration < 2 || step.crews >= sub.crews) return [];
    return [
      {
        key: `hands ${task.id}`,
        title: 'More hands',
        how: `${sub.name} ${step.crews === 1 ? 'comes with two crews' : 'comes with one crew more'} for ${sayWork(task.work)}.`,
        steps: [
          {
            type: 'step.time',
            payload: {
              ...{ area: step.area, phase: step.phase, basis: step.basis, crews: step.crews + 1 },
              ...(step.basis === 'hand' ? { halfDays: step.half_days } : {}),
            },
          },
        ],
      },
    ];
  });
}

/** Ten hours instead of eight: so much of the time is left. */
export const LONG_DAYS = 0.8;
const LONGER = 'Longer days';

/** Long days while it lasts. */
export function longerDays(slip: Slip): Answer[] {
  if (slip.selection) return [];
  const taken = new Set(answerRows(slip.job).map(({ task, title }) => `${task} ${title}`));
  return slip.tasks.flatMap((task): Answer[] => {
    const step = stepOf(slip, task);
    // A step is not shortened twice.
    if (!step || task.crew === null || task.duration < LONG || taken.has(`${task.id} ${LONGER}`)) return [];
    const halfDays = Math.ceil(step.half_days * LONG_DAYS);
    return [
      {
        key: `longer ${task.id}`,
        title: LONGER,
        how:
          `Ten hours a day instead of eight for ${sayWork(task.work)}: ` +
          `${counted(halfDays, 'half-day')} for ${step.half_days}. Ask them first.`,
        steps: [
          {
            type: 'step.time',
            payload: { area: step.area, phase: step.phase, basis: 'hand', halfDays, crews: step.crews },
          },
        ],
      },
    ];
  });
}
