import { utc } from '@date-fns/utc';

/** Days are reckoned in UTC inside the core, so that no machine's time zone can move one. */
export const tz = utc;
