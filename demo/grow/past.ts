import { createHash } from 'node:crypto';
import { addDays, weekday, type Day } from '@/core/units/day';
import type { Connection } from '@/server/database/open';
import { idAt } from './ids';

/** What a walk of the past leaves in each table, by the table's name. */
type Writers = Record<string, (row: Record<string, string | number | null>) => void>;

/** How much one walk of the past records; every number is of a usual day on a site. */
export const RECORDS_A_WALK = 12;

interface Step {
  area: string;
  phase: string;
  fraction: number;
}

/** A job as its past is made up for it: what of it can be walked. */
interface Walked {
  job: string;
  areas: string[];
  /** Steps that were looked at, each with the first word on it: the past may not say more than that. */
  steps: Step[];
  selections: string[];
  standpoints: { id: string; area: string }[];
  pictures: string[];
  people: string[];
  tasks: string[];
}

function walked(db: Connection, job: string): Walked {
  const all = <Row>(sql: string): Row[] => db.prepare(sql).all({ job }) as Row[];
  return {
    job,
    areas: all<{ id: string }>('SELECT id FROM area WHERE job = @job ORDER BY position').map(({ id }) => id),
    steps: all<Step>(
      `SELECT area, phase, fraction
        FROM standing_observation
        WHERE job = @job AND kind = 'progress' AND phase <> 'close-in'
        GROUP BY area, phase
        HAVING at = min(at)
        ORDER BY area, phase`,
    ),
    selections: all<{ id: string }>('SELECT id FROM selection WHERE job = @job ORDER BY rowid').map(({ id }) => id),
    standpoints: all('SELECT id, area FROM standpoint WHERE job = @job ORDER BY rowid'),
    pictures: (db.prepare('SELECT hash FROM picture ORDER BY hash').all() as { hash: string }[]).map(
      ({ hash }) => hash,
    ),
    people: (db.prepare('SELECT id FROM person ORDER BY rowid').all() as { id: string }[]).map(({ id }) => id),
    tasks: all<{ task: string }>('SELECT task FROM calendar_event WHERE job = @job ORDER BY task').map(
      ({ task }) => task,
    ),
  };
}

function writersOf(db: Connection): Writers {
  const made = new Map<string, (row: Record<string, string | number | null>) => void>();
  return new Proxy(
    {},
    {
      get: (_, table: string) => (row: Record<string, string | number | null>) => {
        const columns = Object.keys(row);
        const key = `${table} ${columns.join()}`;
        let write = made.get(key);
        if (!write) {
          const statement = db.prepare(
            `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((column) => `@${column}`).join(', ')})`,
          );
          write = (values) => void statement.run(values);
          made.set(key, write);
        }
        write(row);
      },
    },
  );
}

const WORKDAYS = 5;

/** Workdays before a day, the last first. */
function* daysBefore(last: Day): Generator<Day> {
  for (let day = addDays(last, -1); ; day = addDays(day, -1)) if (weekday(day) < WORKDAYS) yield day;
}

/**
 * Gives a job a past: walks on the workdays before its first one, each with what a walk records, says and sends. What is
 * there now stays as it is: the past says no more than the first word that was kept.
 * @param walks how many
 * @returns how many records were made
 */
export function addPast(db: Connection, job: string, walks: number): number {
  const site = walked(db, job);
  const first = (
    db.prepare('SELECT min(started_at) AS at FROM walk WHERE job = ?').get(job) as { at: string | null }
  ).at?.slice(0, 10);
  const begin = first ?? (db.prepare('SELECT start_day AS day FROM job WHERE id = ?').get(job) as { day: Day }).day;
  const days: Day[] = [];
  for (const day of daysBefore(begin)) {
    if (days.length === walks) break;
    days.push(day);
  }
  const write = writersOf(db);
  let records = 0;
  for (const [number, day] of days.reverse().entries()) records += addWalk(write, site, day, number);
  return records;
}

/** One walk of the past: deterministic by its number alone. @returns how many records it made */
function addWalk(write: Writers, site: Walked, day: Day, number: number): number {
  const { job, areas, steps, people } = site;
  const pick = <Thing>(list: readonly Thing[], nth: number): Thing | undefined => list[nth % Math.max(1, list.length)];
  const start = Date.parse(`${day}T15:00:00.000Z`);
  const at = (minute: number): string => new Date(start + minute * 60_000).toISOString();
  const id = (minute: number, ...name: (string | number)[]): string =>
    idAt(start + minute * 60_000, job, number, ...name);
  const walk = id(0, 'walk');
  const person = pick(people, number) ?? '';
  write.walk?.({ id: walk, job, kind: 'progress', person, started_at: at(0), finished_at: at(50) });
  let made = 0;
  const record = (name: string, row: Record<string, string | number | null>): string => {
    made++;
    const own = id(made, name);
    write.observation?.({ id: own, walk, job, area: pick(areas, number) ?? '', person, at: at(made), ...row });
    return own;
  };
  for (let nth = 0; nth < 4; nth++) {
    const step = pick(steps, number * 4 + nth);
    if (step) record(`step ${nth}`, { kind: 'progress', ...step });
  }
  const item = record('item', {
    kind: 'remaining',
    text: `patch the hole left by visit ${number}`,
    trade: 'plaster',
  });
  // Found on this walk, put off on the next, done after that: within the same walk here, so that none is left over.
  record('put off', { kind: 'recheck', about: item, verdict: 'still open' });
  record('done', { kind: 'recheck', about: item, verdict: 'done', text: 'patched and rubbed down' });
  record('note', { kind: 'note', text: `left tidy after visit ${number}; nothing else to say` });
  const spot = number % 5 === 0 ? pick(site.standpoints, number / 5) : undefined;
  const picture = pick(site.pictures, number);
  if (picture)
    record('picture', {
      kind: 'picture',
      picture,
      ...(spot ? { area: spot.area, facts: JSON.stringify({ standpoint: spot.id }) } : {}),
    });
  record('size', { kind: 'measurement', text: 'opening', mm: 800 + (number % 90), typed: String(800 + (number % 90)) });
  const short = record('short', { kind: 'short', text: 'filler', quantity: 2, unit: 'tubs' });
  write.purchased?.({ observation: short, at: at(60), person });
  if (number % 2 === 0) {
    const said = record('surprise', { kind: 'surprise', text: `an old pipe behind visit ${number}` });
    write.filing?.({ observation: said, filed_as: 'remark', target: null, at: at(61), person });
  } else {
    const wrong = record('slip', { kind: 'note', text: 'said of the wrong room' });
    record('withdrawal', { kind: 'withdrawal', about: wrong });
  }
  write.site_close_down?.({
    id: id(62, 'left'),
    job,
    walk,
    person,
    at: at(62),
    items: '[]',
    bin: null,
    note: '',
  });
  addNews(write, site, { day, walk, number, at, id });
  return made;
}

interface WalkOfPast {
  day: Day;
  walk: string;
  number: number;
  at: (minute: number) => string;
  id: (minute: number, ...name: (string | number)[]) => string;
}

/** What a walk of the past sent, ordered and moved, and what the log has of it. */
function addNews(write: Writers, { job, selections, tasks }: Walked, { day, walk, number, at, id }: WalkOfPast): void {
  for (const audience of ['client', 'crew'] as const) {
    const update = id(70, audience);
    const sent = { state: 'sent', made_at: at(70), sent_at: at(71) };
    write.job_update?.({ id: update, job, walk, audience, title: `News of ${day}`, body: BODY, ...sent });
    const link = id(71, 'link', audience);
    write.share_link?.({
      id: link,
      job,
      sub: null,
      audience,
      recipient: 'Somebody',
      token_hash: createHash('sha256').update(link).digest('hex'),
      made_at: at(71),
      expires_on: addDays(day, 60),
      revoked_at: null,
    });
    write.message?.({
      id: id(72, 'message', audience),
      job_update: update,
      share_link: link,
      recipient: 'Somebody',
      address: 'somebody@past.example',
      state: 'delivered',
      tries: 1,
      queued_at: at(71),
      settled_at: at(72),
      failure: null,
      acknowledged_at: null,
      acknowledged_by: null,
    });
  }
  const selection = selections[number % Math.max(1, selections.length)];
  if (selection)
    write.history?.({
      id: id(73, 'history'),
      job,
      selection,
      request: null,
      at: at(73),
      who: 'office',
      text: `asked after it on ${day}`,
      desk: 0,
    });
  for (let nth = 0; nth < 6; nth++) {
    const task = tasks[(number * 6 + nth) % Math.max(1, tasks.length)];
    if (task !== undefined)
      write.plan_move?.({
        version: 0,
        made_at: at(74),
        job,
        task,
        halves: (nth % 3) - 1 || 2,
        cause: `a walk was finished on ${day}`,
      });
  }
  for (const type of ['walk.start', 'observation.record', 'walk.finish', 'plan.renewed'])
    write.command_log?.({
      id: id(75, 'log', type),
      type,
      at: at(75),
      applied_at: at(75),
      who: type === 'plan.renewed' ? 'planner' : 'person',
      job,
      payload: JSON.stringify({ walk, number }),
      result: 'null',
    });
}

const BODY = 'What was done today, what comes next and who comes for it; what we need from you and by when. '
  .repeat(6)
  .trim();
