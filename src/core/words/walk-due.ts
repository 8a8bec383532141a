import type { Day } from '../units/day';
import type { WalkDue } from '../walks/walk-due';
import { counted } from './count';
import { phrase, type Phrase } from './phrase';
import { sayWork } from './work';

/** Why a job should be walked today, as one of several: `not walked yet`. */
export const sayWalkDue = (due: WalkDue, today: Day): Phrase => phrase(words(due, today));

function words(due: WalkDue, today: Day): string {
  switch (due.kind) {
    case 'check':
      return `${due.area}: check before cover ${due.day <= today ? 'today' : 'tomorrow'}`;
    case 'check-planned':
      return `${sayWork(due.work)} is due`;
    case 'left-unsaid':
      return 'nobody wrote down how the site was left';
    case 'never-walked':
      return 'not walked yet';
    case 'long-ago':
      return `last walk ${counted(due.days, 'day')} ago`;
    case 'work-begins':
      return `${counted(due.pieces, 'piece of work begins', 'pieces of work begin')} today`;
  }
}
