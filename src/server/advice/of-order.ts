import type { Placed } from '@/core/schedule/plan';
import type { Task } from '@/core/schedule/network';
import { FORBIDDEN } from '@/core/sequence/forbidden';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { listed } from '@/core/words/count';
import { capital } from '@/core/words/letters';
import { uuid } from '../database/id';
import { areaNames } from '../reading/job';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** A step of an area, and one that slipped, which usually goes before it. */
interface Turned {
  step: Task & { area: string; phase: Phase };
  slipped: Task & { area: string; phase: Phase };
}

const isStep = (task: Task | undefined): task is Turned['step'] =>
  task !== undefined && task.area !== null && task.phase !== null;

/** What comes last for the whole house has nothing to gain from another order. */
const LAST: readonly Phase[] = ['snags', 'clean', 'hand-over'];

/**
 * What usually comes after it goes first, where only a preference orders the two: each such step by itself, and all of them.
 * What must never come out of it is refused by the door.
 */
export function otherOrder({ job, tasks }: Slip, { net }: Placed): Answer[] {
  const slipped = new Set(tasks.map(({ id }) => id));
  const hard = new Set(
    net.links.filter(({ strength }) => strength === 'hard').map(({ before, after }) => `${before} ${after}`),
  );
  const turned = net.links.flatMap(({ before, after, strength }): Turned[] => {
    if (strength !== 'soft' || !slipped.has(before) || slipped.has(after) || hard.has(`${before} ${after}`)) return [];
    const [first, then] = [before, after].map((id) => net.tasks[net.index.get(id) ?? -1]);
    if (!isStep(first) || !isStep(then) || then.state !== 'waiting' || LAST.includes(then.phase)) return [];
    const never = FORBIDDEN.some(
      ({ step, before: needed, where }) => where === 'here' && step === then.phase && needed === first.phase,
    );
    return never || first.area !== then.area ? [] : [{ step: then, slipped: first }];
  });
  const known = [...new Map(turned.map((one) => [`${one.slipped.id} ${one.step.id}`, one])).values()];
  const names = areaNames(job);
  const label = ({ step }: Turned): string => phaseFacts(step.phase).label;
  const places = (list: readonly Turned[]): string => said(list.map(({ step }) => names.get(step.area) ?? ''));
  const later = (list: readonly Turned[]): string =>
    said(list.map(({ slipped: { phase } }) => phaseFacts(phase).label));
  const answer = (list: readonly Turned[]): Answer => ({
    key: `order ${list.map(({ step }) => step.id).join(' ')}`,
    title: `${capital(said(list.map(label)))} first`,
    how: `${places(list)}: ahead of ${later(list)}, which usually comes before.`,
    steps: list.map(({ step, slipped: last }) => ({
      type: 'link.add' as const,
      payload: {
        ...{ id: uuid(), job: job.id, reason: `${phaseFacts(last.phase).label} slipped` },
        before: { area: step.area, phase: step.phase },
        after: { area: last.area, phase: last.phase },
      },
    })),
  });
  return [...known.map((one) => answer([one])), ...(known.length > 1 ? [answer(known)] : [])];
}

/** Each once, as they are listed. */
const said = (words: readonly string[]): string => listed([...new Set(words)]);
