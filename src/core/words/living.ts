import { dateWords, formatTime } from '../units/date-words';
import { HOUSEHOLD_NEEDS, type HouseholdNeed } from '../sites/household-needs';

/** From one day to another, as it is told a household. @param until the first day on which it is over; null while nothing ends it */
export const sayPeriod = (from: string, until: string | null): string =>
  until === null ? `from ${from} on` : from === until ? `on ${from}` : `${from} to ${until}`;

/** What is missing, and what stands in: `No kitchen sink (Kitchen); instead: a sink in the laundry`. */
export const sayGap = (need: HouseholdNeed, places: string, instead: string | null): string =>
  `No ${HOUSEHOLD_NEEDS[need]} (${places})${instead === null ? '' : `; instead: ${instead}`}`;

/** What nobody should be left with. */
export const sayConflict = (need: HouseholdNeed | 'water', nights: number): string => {
  const what = need === 'water' ? 'water' : HOUSEHOLD_NEEDS[need];
  return nights > 0 ? `${nights} ${nights === 1 ? 'night' : 'nights'} with no ${what}` : `No ${what} for part of a day`;
};

/** Half-days as hours people live by: `8 to 12`. */
export const hoursOfHalf = (isLater: boolean): string =>
  isLater ? `${formatTime('12:30')} to ${formatTime('16:30')}` : dateWords().twelveHours ? '8 am to noon' : '8 to 12';
