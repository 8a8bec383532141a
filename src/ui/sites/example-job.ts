import type { CommandType, Input } from '@/contract/commands';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { trackOf } from '@/core/sequence/works';
import { setOut } from '@/core/sites/set-out';
import { TEMPLATES } from '@/core/sites/templates';
import { addDays, type Day } from '@/core/units/day';

/** One command with what it says. */
type Given = { [Type in CommandType]: { type: Type; payload: Input<Type> } }[CommandType];

/** Weeks from the first day of work to what is promised. */
const WEEKS = 14;

/** How far a walk finds the first steps of a room that are seen by looking. */
const SEEN: Readonly<Record<string, readonly number[]>> = {
  Kitchen: [1, 1, 0.4],
  'Living room': [1, 0.6],
  Bath: [1],
};

/**
 * A small made-up house as somebody would have entered it: its rooms, one walk, what was found and what is to be chosen.
 * Everything is entered as anybody could, and goes with the job.
 */
export function exampleJob(today: Day, newId: () => string): { job: string; commands: Given[] } {
  const [job, walk] = [newId(), newId()];
  const draft = TEMPLATES.find(({ key }) => key === 'house') ?? TEMPLATES[0];
  if (!draft) throw new Error('There is no pattern of a house.');
  const set = setOut(draft, [], newId);
  const area = (name: string): string => set.areas.find((one) => one.name === name)?.id ?? '';
  const steps = set.areas.flatMap(({ id, name, works }) => {
    const seen = trackOf(works).filter(isSeen);
    return (SEEN[name] ?? []).flatMap((fraction, at) => (seen[at] ? [{ area: id, phase: seen[at], fraction }] : []));
  });
  return {
    job,
    commands: [
      {
        type: 'job.open',
        payload: {
          ...{ id: job, name: 'Example: the mill cottage', address: 'Mill Lane 3 (made up)', client: 'Example client' },
          ...{ units: 'metric', startDay: addDays(today, -7), promiseDay: addDays(today, 7 * WEEKS) },
          example: true,
        },
      },
      { type: 'areas.add', payload: { job, ...set } },
      { type: 'walk.start', payload: { id: walk, job, kind: 'progress' } },
      ...steps.map((step): Given => ({
        type: 'observation.record',
        payload: { observation: { id: newId(), walk, kind: 'progress', ...step } },
      })),
      {
        type: 'observation.record',
        payload: {
          observation: {
            ...{ id: newId(), walk, area: area('Kitchen'), kind: 'remaining' },
            ...{ text: 'backing for the wall cabinets', trade: 'carpentry', quantity: 4, unit: 'pieces' },
          },
        },
      },
      {
        type: 'observation.record',
        payload: {
          observation: {
            id: newId(),
            walk,
            area: area('Hall and stairs'),
            kind: 'caution',
            text: 'loose tread, third from below',
          },
        },
      },
      { type: 'walk.finish', payload: { id: walk } },
      ...CHOICES.map(({ where, ...choice }): Given => ({
        type: 'selection.add',
        payload: { id: newId(), job, area: area(where), ...choice },
      })),
    ],
  };
}

/** What somebody sees by looking: nothing that is passed by a name, no wait, no check. */
const isSeen = (phase: Phase): boolean => {
  const { hold, trade, elapsed } = phaseFacts(phase);
  return !hold && !elapsed && trade !== 'nobody';
};

const CHOICES = [
  {
    where: 'Kitchen',
    phase: 'cabinets',
    category: 'Kitchen cabinets',
    quantity: 9,
    unit: 'pieces',
    ...{ leadLow: 40, leadHigh: 55 },
  },
  { where: 'Bath', phase: 'tiling', category: 'Bath tiles', quantity: 14, unit: 'm²', leadLow: 14, leadHigh: 21 },
] as const;
