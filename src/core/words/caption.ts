import { shortLabel, phaseFacts } from '../sequence/phases';
import type { Caption } from '../sites/caption';
import { formatDate, type Day } from '../units/day';
import { sayDay } from './day';
import { phrase, type Phrase } from './phrase';

/** What stands under the name of an area: `tiling, tomorrow`. */
export const sayCaption = (caption: Caption, today: Day): Phrase => phrase(words(caption, today));

function words(caption: Caption, today: Day): string {
  const on = (day: Day): string => (day <= today ? 'today' : sayDay(day, today));
  switch (caption.kind) {
    case 'no-work':
      return caption.livedIn ? 'lived in, no work' : 'no work here';
    case 'done':
      return 'done';
    case 'waits':
      return `waits: ${caption.label}`;
    case 'not-planned':
      return 'not planned yet';
    case 'only-toilet':
      return `the only toilet until ${formatDate(caption.until)}`;
    case 'begins':
      return `from ${on(caption.day)}`;
    case 'next': {
      const name = phaseFacts(caption.phase).label;
      return `${name.length > 18 ? shortLabel(caption.phase) : name}, ${on(caption.day)}`;
    }
  }
}
