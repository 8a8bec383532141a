import type { WorkName } from '../schedule/work-name';
import { phaseFacts } from '../sequence/phases';

/** A piece of work with its place: `Kitchen · beam`, `Kitchen · tiling (Tide Tiling), splashback`. */
export function sayWork(work: WorkName): string {
  const place = sayPlace(work);
  return place === '' ? sayWorkHere(work) : `${place} · ${sayWorkHere(work)}`;
}

/** The same said where its place is known: `beam`. */
export function sayWorkHere(work: WorkName): string {
  switch (work.kind) {
    case 'step': {
      const others = work.others ? ` (${work.others})` : '';
      return `${phaseFacts(work.phase).label}${others}${work.part ? `, ${work.part}` : ''}`;
    }
    case 'beside':
    case 'called':
      return work.text;
    case 'site-setup':
      return 'Site set-up';
    case 'final-inspection':
      return 'Final inspection';
    case 'tight':
      return 'weather-tight';
  }
}

/** Where it is done: the area or the storey; nothing for what belongs to the whole job. */
export function sayPlace(work: WorkName): string {
  if (work.kind === 'step' || work.kind === 'beside') return work.area;
  return work.kind === 'tight' ? work.level : '';
}
