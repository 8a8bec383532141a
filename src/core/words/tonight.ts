import type { Drying } from '../safety/drying';
import type { Day } from '../units/day';
import { dayOfSlot, isAfternoon } from '../units/slot';
import { sayHalfDay } from './visit-word';
import { sayWork } from './work';

/** `Bath · tape: still wet or curing; nothing on it before Thu 11 Mar, morning`. @param origin the day of slot 0 */
export const sayDrying = ({ work, isWait, until }: Drying, origin: Day, today: Day): string =>
  `${sayWork(work)}: ${isWait ? '' : 'still wet or curing; '}nothing on it before ` +
  sayHalfDay({ day: dayOfSlot(origin, until), half: isAfternoon(until) ? 1 : 0 }, today);
