import { readBusyCalendar } from '@/core/schedule/busy-calendar';
import type { Zone } from '@/core/units/zone';

/**
 * The browser's thread for calendars of others: a hostile file can keep nothing but this thread busy, and that is
 * ended.
 */
self.onmessage = ({ data }: MessageEvent<{ text: string; from: string; days: number; zone: Zone }>) => {
  self.postMessage(readBusyCalendar(data.text, data.from, data.days, data.zone));
};
