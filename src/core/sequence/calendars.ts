import type { AreaId, JobId } from '../ids';
import type { Forbids } from '../schedule/weather';

/** What narrows the days of a job: the hours told to the neighbours, times of quiet, and what outdoor work cannot have. */
export type Narrowing = 'loud' | QuietOf | Forbids;

/** The times of quiet that loud work of an area keeps, or all of its work. */
type QuietOf = `quiet-${'loud' | 'all'}@${AreaId}`;

export const quietOf = (area: AreaId, loud: boolean): QuietOf => `quiet-${loud ? 'loud' : 'all'}@${area}`;

/** Of what area, and whether of loud work; undefined where a narrowing is no time of quiet. */
export function asQuiet(narrowing: Narrowing): { area: AreaId; loud: boolean } | undefined {
  const [kind = '', area] = narrowing.split('@');
  return area !== undefined && kind.startsWith('quiet-') ? { area, loud: kind === 'quiet-loud' } : undefined;
}

/** Whether a narrowing is of the weather. */
export const isWeather = (narrowing: Narrowing): narrowing is Forbids =>
  narrowing !== 'loud' && asQuiet(narrowing) === undefined;

/** On which half-days a piece of work can go on. */
export type WorkCalendar =
  /** Always: concrete cures on Sundays. */
  | { of: 'always' }
  /** The days on which an office comes to look, whatever the job's own. */
  | { of: 'office'; office: string }
  /** The worked days of a job, without those that are narrowed away. */
  | { of: 'job'; job: JobId; without: readonly Narrowing[] };

/** The name under which a plan keeps a calendar; only this file makes and reads it. */
export type CalendarKey = string & { readonly keyOf?: 'calendar' };

export const ALWAYS: CalendarKey = 'always';
export const officeCalendar = (office: string): CalendarKey => `office:${office}`;
export const jobCalendar = (job: JobId, ...without: Narrowing[]): CalendarKey => ['job', job, ...without].join(':');

/** The calendar that a key stands for. Keys of plans made otherwise, as in tests of the schedule alone, are read as a job's. */
export function calendarOf(key: CalendarKey): WorkCalendar {
  const [of, id = '', ...without] = key.split(':');
  if (of === 'always') return { of };
  return of === 'office' ? { of, office: id } : { of: 'job', job: id, without: without as Narrowing[] };
}

export const isOfficeCalendar = (key: CalendarKey): boolean => calendarOf(key).of === 'office';

/** What a calendar is narrowed by; nothing where it is no job's. */
export function narrowingsOf(key: CalendarKey): readonly Narrowing[] {
  const calendar = calendarOf(key);
  return calendar.of === 'job' ? calendar.without : [];
}
