import type { WorkName } from '../schedule/work-name';
import { phaseFacts, shortLabel } from '../sequence/phases';
import { phrase, type Phrase } from './phrase';

/** A piece of work with its place: `Kitchen · beam`, `Kitchen · tiling (Tide Tiling), splashback`. */
export function sayWork(work: WorkName): Phrase {
  const place = sayPlace(work);
  return phrase(place === '' ? sayWorkHere(work) : `${place} · ${sayWorkHere(work)}`);
}

/** The same said where its place is known: `beam`. */
export const sayWorkHere = (work: WorkName): Phrase => phrase(workHere(work));

function workHere(work: WorkName): string {
  switch (work.kind) {
    case 'step': {
      const others = work.others ? ` (${work.others})` : '';
      return `${phaseFacts(work.phase).label}${others}${work.part ? `, ${work.part}` : ''}`;
    }
    case 'proof':
      return `${work.text}: proved dead, or marked`;
    case 'beside':
    case 'called':
      return work.text;
    case 'site-setup':
      return 'Site set-up';
    case 'dust-doors':
      return 'Dust doors and filter fan';
    case 'finished':
      return 'All rooms ready for the punch list';
    case 'alarms':
      return 'Smoke and gas alarms, tried';
    case 'start-up':
      return 'Heat and gas started and tried';
    case 'final-inspection':
      return 'Final inspection';
    case 'tight':
      return 'weather-tight';
  }
}

/** The shortest that says it, where there is little room: `check`. */
export const sayWorkShort = (work: WorkName): Phrase =>
  work.kind === 'step' && !work.part && !work.others ? phrase(shortLabel(work.phase)) : sayWorkHere(work);

/** Where it is done: the area or the storey; nothing for what belongs to the whole job. */
export const sayPlace = (work: WorkName): Phrase =>
  phrase(
    work.kind === 'step' || work.kind === 'beside' || work.kind === 'proof'
      ? work.area
      : work.kind === 'tight'
        ? work.level
        : '',
  );
