import { formatTime } from '@/core/units/date-words';
import { timeIn, type Zone } from '@/core/units/zone';
import type { ServerClock } from '@/contract/views/job';

let clock: ServerClock | undefined;

/** A house whose clock was set has its visitors live by that clock too, and by its firm's zone wherever they are. */
export const setClock = (of: ServerClock): void => void (clock = of);

/** The time by the house's clock, as far as this device's is right. */
export const now = (): string => new Date(Date.now() + (clock?.shiftMs ?? 0)).toISOString();

/** `16:20`, by the firm's zone. */
export const timeNow = (): string => formatTime(timeIn(officeZone(), now()));

/** The firm's zone; where nothing has come from the house yet, the device's own. */
export const officeZone = (): Zone => clock?.zone ?? new Intl.DateTimeFormat().resolvedOptions().timeZone;
