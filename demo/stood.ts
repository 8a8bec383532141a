import { isPhase, phaseOrder, type Phase } from '@/core/sequence/phases';
import { trackOf } from '@/core/sequence/works';
import type { DemoArea } from './scenario';

/** What a walk found changed in an area's track: phases with their new fraction, against the walk before. */
export function changes(area: DemoArea, number: number): [Phase, number][] {
  const [now, before] = [standing(area, number), number > 0 ? standing(area, number - 1) : new Map<Phase, number>()];
  return [...now].filter(([phase, fraction]) => before.get(phase) !== fraction);
}

function standing(area: DemoArea, number: number): Map<Phase, number> {
  const track = trackOf(area.works);
  const [first = '', ...extras] = (area.stood[number] ?? '').split(' +');
  const result = new Map<Phase, number>();
  const [upTo = '', part = '1'] = first.split('=');
  if (isPhase(upTo))
    for (const phase of track)
      if (phaseOrder(phase) <= phaseOrder(upTo)) result.set(phase, phase === upTo ? Number(part) : 1);
  for (const extra of extras) {
    const [phase = '', fraction = '1'] = extra.split('=');
    if (isPhase(phase) && track.includes(phase)) result.set(phase, Number(fraction));
    else throw new Error(`${area.key} has no ${phase}.`);
  }
  return result;
}
