import { leadWords } from '../selections/lead-words';
import type { DateWhy } from '../selections/date-why';
import { formatDay, type Day } from '../units/day';
import { sayCauses } from './cause';
import { counted } from './count';
import { phrase, type Phrase } from './phrase';
import { sayReason } from './reason';
import { sayWork } from './work';

/** Why a selection has the days it has, as sentences. */
export const sayDateWhy = (why: DateWhy, today: Day): Phrase => phrase(words(why, today).trim());

function words(why: DateWhy, today: Day): string {
  const on = (day: Day): string => formatDay(day, today);
  const days = (count: number): string => counted(count, 'day');
  switch (why.kind) {
    case 'nothing-waits':
      return 'The plan has no work that waits for it.';
    case 'not-planned':
      return 'It is not planned yet.';
    case 'needed': {
      const lie = why.lieDays > 0 ? ` and ${days(why.lieDays)} to lie in the room` : '';
      return (
        `Needed on site by ${on(why.by)}: ${why.area} · ${why.step} would start ${why.start ? on(why.start) : 'then'} if ` +
        `everything that was chosen were there; ${days(why.checkDays)} to unpack and look${lie} before that.`
      );
    }
    case 'order':
      return (
        `Order by ${on(why.by)}: it takes ${leadWords(why.leadLow, why.leadHigh)}, counted at the longest, with ` +
        `${days(why.inHand)} in hand; closed days of the supplier do not count and orders go out on working days.`
      );
    case 'decide':
      return `Decide by ${on(why.by)}: ${days(why.thinkDays)} to think before that.`;
    case 'granted':
      return (
        `The order waits for ${why.waits}, expected ${on(why.expected)}; what must be granted counts back to ` +
        `${on(why.by)}.`
      );
    case 'in-time':
      return `It comes in time: ${why.because}.`;
    case 'too-late':
      return (
        `It comes ${days(why.days)} after that: ${why.because}. So ${sayWork(why.work)} starts ${on(why.start)}. ` +
        (why.reason ? sayReason(why.reason, today) : '')
      );
    case 'became-late':
      return `It became late with the newest plan. ${sayCauses(why.causes, today)}`;
    case 'need-moved':
      return `It was needed by ${on(why.before)} until the newest plan. ${sayCauses(why.causes, today)}`;
  }
}
