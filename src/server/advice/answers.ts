import type { AnswerView } from '@/contract/views/advice';
import { METHODS, type Method, type Variant } from '@/core/sequence/methods';
import type { Phase } from '@/core/sequence/phases';
import { taskRef } from '@/core/sequence/site';
import { isOrdered, type Alternative } from '@/core/selections/states';
import { counted } from '@/core/words/count';
import { sayWork } from '@/core/words/work';
import { uuid } from '../database/id';
import { crewsByTrade } from '../reading/crews';
import { subRows } from '../reading/firm';
import { areaNames, partRows, stepsByArea } from '../reading/job';
import { choicesFor } from '../reading/knowledge';
import { wholePlan } from '../reading/plan';
import { pinRows } from '../reading/sequence';
import type { FirmReading } from '../reading/reading';
import { isVisit } from '@/core/schedule/visit';
import type { Slip } from './slip';

/** An answer before it is placed: what it is called, and the changes it is made of. */
export type Answer = Pick<AnswerView, 'key' | 'title' | 'how' | 'steps'>;

/** Every answer that may apply; what the door refuses, or what brings nothing, falls away when it is placed. */
export const answersTo = (firm: FirmReading, slip: Slip): Answer[] => [
  ...otherWays(firm, slip),
  ...fittedLater(slip),
  ...inStock(slip),
  ...withoutPins(slip),
  ...otherSubs(firm, slip),
  ...inTwoParts(slip),
];

/** Another way of working in each of the rooms concerned. */
function otherWays(firm: FirmReading, { job, areas }: Slip): Answer[] {
  return areas.flatMap((area) => {
    const open = new Set(
      (wholePlan(firm)?.tasks ?? []).flatMap((task) =>
        task.area === area && task.phase && task.state !== 'done' ? [task.phase] : [],
      ),
    );
    const choices = choicesFor(job, area);
    return METHODS.filter((method) => concerns(method, open)).flatMap((method) =>
      method.variants
        .filter(({ key }) => key !== choices[method.key])
        .map((variant): Answer => ({
          key: `method ${area} ${method.key} ${variant.key}`,
          title: upperFirst(variant.label),
          how: `${areaNames(job).get(area) ?? ''} alone. ${upperFirst(variant.why)}.`,
          steps: [
            {
              type: 'method.choose',
              payload: { id: uuid(), method: method.key, job: job.id, area, variant: variant.key },
            },
          ],
        })),
    );
  });
}

/** Whether a way of working is about two steps that are still open, or lengthens one. */
function concerns({ variants }: Method, open: ReadonlySet<Phase>): boolean {
  const about = (variant: Variant): boolean =>
    (variant.order ?? []).some(
      (effect) =>
        effect.form === 'order' &&
        effect.before.some((phase) => open.has(phase)) &&
        effect.after.some((phase) => open.has(phase)),
    ) ||
    (variant.drops ?? []).some(({ phase }) => open.has(phase)) ||
    (variant.stretch ?? []).some(({ phase }) => open.has(phase));
  return variants.some(about);
}

/** What is missing is fitted on a trip of its own; the work goes on without it. */
const fittedLater = ({ selection }: Slip): Answer[] =>
  selection && !selection.return_trip
    ? [
        {
          key: 'fit-later',
          title: 'Go on without it, fit it later',
          how: `Whoever fits ${selection.category.toLowerCase()} comes back for it when it is there.`,
          steps: [
            {
              type: 'selection.fit-later',
              payload: { id: selection.id, version: selection.version, returnTrip: true },
            },
          ],
        },
      ]
    : [];

/** What stands beside it and comes sooner. */
function inStock({ selection }: Slip): Answer[] {
  if (!selection || isOrdered(selection.state)) return [];
  return (JSON.parse(selection.alternatives) as Alternative[])
    .filter(({ leadHigh }) => leadHigh < selection.lead_high)
    .map(({ id, choice, supplier, leadHigh }) => ({
      key: `instead ${id}`,
      title: `Take ${choice} instead`,
      how: `${supplier ? `${supplier}: ` : ''}it comes in ${counted(leadHigh, 'day')} at most.`,
      steps: [
        {
          type: 'selection.choose' as const,
          payload: { id: selection.id, version: selection.version, alternative: id, reason: 'it comes sooner' },
        },
      ],
    }));
}

/** Work that somebody pinned to a day is let go. */
function withoutPins({ job, tasks, areas }: Slip): Answer[] {
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
function otherSubs(firm: FirmReading, { tasks, selection }: Slip): Answer[] {
  // Where goods are missing, other hands bring nothing.
  if (selection) return [];
  const subs = new Set<string>(subRows(firm).map(({ id }) => id));
  return tasks.filter(isVisit).flatMap((task) =>
    (crewsByTrade(firm).get(task.trade) ?? [])
      .filter(({ id }) => id !== task.crew && subs.has(id))
      .map(({ id, name }) => ({
        key: `sub ${task.id} ${id}`,
        title: `${name} instead`,
        how: `They come for ${sayWork(task.work)}.`,
        steps: [{ type: 'visit.give' as const, payload: { tasks: [task.id], sub: id } }],
      })),
  );
}

/** Half-days from which a step is worth being done in two goes. */
const LONG = 4;

/** A long step is done in two goes, so that what fits between them need not wait for all of it. */
function inTwoParts({ job, tasks, selection }: Slip): Answer[] {
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

const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
