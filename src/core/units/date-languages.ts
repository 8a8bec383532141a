import { ENGLISH, type DateWords } from './date-words';

/**
 * Languages in which a firm may write its days: of Latin letters, which all papers can set, with one word for a month alone
 * and in a date. `en-US` is English with the month first.
 */
export const DATE_LANGUAGES = ['en', 'en-US', 'da', 'de', 'es', 'fr', 'it', 'nb', 'nl', 'pt', 'sv'] as const;
export type DateLanguage = (typeof DATE_LANGUAGES)[number];

const WEEK = Array.from({ length: 7 }, (_, at) => new Date(Date.UTC(2000, 0, 2 + at)));
const YEAR = Array.from({ length: 12 }, (_, at) => new Date(Date.UTC(2000, at, 9)));

/**
 * The words of a language, as this machine knows them. Where they are needed elsewhere they are handed over: two machines may
 * abbreviate otherwise.
 */
export function dateWordsOf(language: DateLanguage, clockHours: 12 | 24): DateWords {
  const twelveHours = clockHours === 12;
  if (language === 'en' || language === 'en-US') return { ...ENGLISH, monthFirst: language === 'en-US', twelveHours };
  const say = (dates: readonly Date[], how: Intl.DateTimeFormatOptions): string[] => {
    const words = new Intl.DateTimeFormat(language, { ...how, timeZone: 'UTC' });
    return dates.map((date) => words.format(date).replace(/\.$/, ''));
  };
  return {
    ...{ weekdays: say(WEEK, { weekday: 'long' }), shortWeekdays: say(WEEK, { weekday: 'short' }) },
    ...{ months: say(YEAR, { month: 'long' }), shortMonths: say(YEAR, { month: 'short' }) },
    ...{ monthFirst: false, twelveHours },
  };
}
