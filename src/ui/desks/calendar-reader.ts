import { readBusyCalendar } from '@/core/schedule/busy-calendar';

/** An instant as the day and hour of whoever sits here. */
function localTime(date: Date): { day: string; hour: number } {
  const two = (number: number): string => String(number).padStart(2, '0');
  return { day: `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`, hour: date.getHours() + date.getMinutes() / 60 };
}

/** The browser's thread for calendars of others: a hostile file can keep nothing but this thread busy, and that is ended. */
self.onmessage = ({ data }: MessageEvent<{ text: string; from: string; days: number }>) => {
  self.postMessage(readBusyCalendar(data.text, data.from, data.days, localTime));
};
