import type Database from 'better-sqlite3';
import { PHASE_KEYS, phaseFacts } from '@/core/sequence/phases';

/**
 * Reads what a client would be sent as the client does, sentence by sentence, and holds every figure and day in it against the
 * rows of the file. It knows nothing of how a draft is made: what it cannot read at all it says too.
 */

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
const DAY = String.raw`\w{3} \d{1,2} \w{3}(?: \d{4})?`;

/** `Fri 8 Oct` as a day, with the year of today unless it says its own. */
function dayOf(text: string, today: string): string {
  const [, number = '', month = '', year] = /^\w{3} (\d{1,2}) (\w{3})(?: (\d{4}))?$/.exec(text) ?? [];
  return `${year ?? today.slice(0, 4)}-${String(MONTHS.indexOf(month) + 1).padStart(2, '0')}-${number.padStart(2, '0')}`;
}

const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 86_400_000;

interface Facts {
  db: Database.Database;
  job: string;
  today: string;
}

type Check = (match: RegExpExecArray, facts: Facts) => boolean;

const one = (db: Database.Database, sql: string, ...values: unknown[]): unknown =>
  db
    .prepare(sql)
    .pluck()
    .get(...values);

const finish = ({ db, job }: Facts): string =>
  String(one(db, 'SELECT finish_day FROM plan_part WHERE job = ? AND version = (SELECT max(version) FROM plan)', job));
const promise = ({ db, job }: Facts): string => String(one(db, 'SELECT promise_day FROM job WHERE id = ?', job));

/** Phases by how a client is told of them: two may be told alike. */
const phasesCalled = (plain: string): string[] => PHASE_KEYS.filter((phase) => phaseFacts(phase).plain === plain);

/** How far a step is: the newest word of a walk that stands, or the day on which an office passed it. */
function fraction({ db, job }: Facts, area: string, phase: string): number | undefined {
  const seen = db
    .prepare(
      `SELECT fraction
        FROM observation AS seen
        JOIN area ON area.id = seen.area
        WHERE seen.kind = 'progress' AND area.name = ? AND area.job = ? AND seen.phase = ?
          AND NOT EXISTS (SELECT 1 FROM observation AS back WHERE back.kind = 'withdrawal' AND back.about = seen.id)
        ORDER BY seen.at DESC, seen.rowid DESC
        LIMIT 1`,
    )
    .pluck()
    .get(area, job, phase) as number | undefined;
  const passed = one(
    db,
    `SELECT 1 FROM inspection JOIN area ON area.id = inspection.area
      WHERE area.name = ? AND area.job = ? AND phase = ? AND inspection.state = 'passed'`,
    area,
    job,
    phase,
  );
  return passed ? 1 : seen;
}

const isThere = (facts: Facts, area: string, plain: string, fits: (fraction: number) => boolean): boolean =>
  phasesCalled(plain).some((phase) => {
    const far = fraction(facts, area, phase);
    return far !== undefined && fits(far);
  });

/** Whether work called so is planned in a place in a week. */
function isPlanned({ db, job }: Facts, plain: string, area: string, from: string, until: string): boolean {
  const { origin, tasks } = db
    .prepare(
      `SELECT origin, tasks FROM plan_part JOIN plan ON plan.version = plan_part.version
        WHERE job = ? AND plan.version = (SELECT max(version) FROM plan)`,
    )
    .get(job) as { origin: string; tasks: string };
  const phases = new Set(phasesCalled(plain));
  const id = one(db, 'SELECT id FROM area WHERE job = ? AND name = ?', job, area);
  return plannedTasks(tasks).some((task) => {
    if (task.area !== id || task.phase === null || !phases.has(task.phase)) return false;
    const [first, last] = [task.start, task.finish - 1].map((slot) => Math.floor(slot / 2) + daysBetween(from, origin));
    return (first ?? 0) <= daysBetween(from, until) && (last ?? -1) >= 0;
  });
}

type PlannedTask = { area: string | null; phase: string | null; start: number; finish: number };
let parsed: { text: string; tasks: PlannedTask[] } | undefined;

/** A plan is asked of every word of a letter: it is parsed once. */
function plannedTasks(text: string): PlannedTask[] {
  if (parsed?.text !== text) parsed = { text, tasks: JSON.parse(text) as PlannedTask[] };
  return parsed.tasks;
}

/** `a, b and c` by its names, longest names first: a name may hold “and” itself. */
function namesIn(text: string, known: readonly string[]): string[] | undefined {
  if (text === '') return [];
  for (const name of [...known].sort((a, b) => b.length - a.length)) {
    if (!text.startsWith(name)) continue;
    const rest = text.slice(name.length).replace(/^(, | and )/, '');
    const others = rest === text.slice(name.length) && rest !== '' ? undefined : namesIn(rest, known);
    if (others) return [name, ...others];
  }
  return undefined;
}

const PLAINS = [...new Set(PHASE_KEYS.map((phase) => phaseFacts(phase).plain))];
const areasOf = ({ db, job }: Facts): string[] =>
  db.prepare<[string], string>('SELECT name FROM area WHERE job = ?').pluck().all(job);

function finishedHolds(facts: Facts, area: string, said: string): boolean {
  const many = /^\d+ steps finished, the last of them (.+)$/.exec(said);
  const plains = namesIn((many?.[1] ?? said).replace(/ finished$/, ''), PLAINS);
  return plains?.every((plain) => isThere(facts, area, plain, (far) => far >= 1)) ?? false;
}

const begunHolds = (facts: Facts, area: string, said: string): boolean => {
  const [, plain = '', percent = ''] =
    /^(.+?),? (\d+) % done(?:, less than we thought \(\d+ %\)| \(was \d+ %\))?$/.exec(said) ?? [];
  return isThere(facts, area, plain, (far) => Math.round(far * 100) === Number(percent));
};

/** Everything of a draft that states a fact, and whether it is one. What is not among them has no figure and no day. */
const SENTENCES: [RegExp, Check][] = [
  [new RegExp(`we finish on (${DAY})`), ([, day = ''], facts) => dayOf(day, facts.today) === finish(facts)],
  [
    new RegExp(`(\\d+) days? (before|after) the (${DAY}) we promised`),
    ([, count = '', side, day = ''], facts) =>
      dayOf(day, facts.today) === promise(facts) &&
      daysBetween(finish(facts), promise(facts)) === Number(count) * (side === 'before' ? 1 : -1),
  ],
  [
    new RegExp(`(?:more than on|moved since|^Done since) (${DAY})`),
    ([, day = ''], facts) =>
      String(one(facts.db, `SELECT at FROM told WHERE job = ? AND audience = 'client'`, facts.job)).startsWith(
        dayOf(day, facts.today),
      ),
  ],
  [/the day we promised/, (_, facts) => finish(facts) === promise(facts)],
  [
    /That is (\d+) days? (later|earlier) than we told you/,
    ([, count = '', side], facts) =>
      daysBetween(String(one(facts.db, 'SELECT day FROM end_day WHERE job = ?', facts.job)), finish(facts)) ===
      Number(count) * (side === 'later' ? 1 : -1),
  ],
  [
    new RegExp(`^- (.+), by (${DAY}), so that nothing has to wait`),
    ([, text = '', day = ''], facts) =>
      one(
        facts.db,
        `SELECT 1 FROM hold WHERE job = ? AND state = 'open' AND lower(text) = lower(?) AND expected_on = ?`,
        facts.job,
        text,
        dayOf(day, facts.today),
      ) !== undefined ||
      one(
        facts.db,
        `SELECT 1 FROM selection WHERE job = ? AND ? LIKE category || ', %' AND state = 'open'`,
        facts.job,
        text,
      ) !== undefined,
  ],
];

/** `- Tue 9 Mar to Fri 12 Mar: the drain (Yard and Boat store), …, and more.` */
function weekHolds(line: string, facts: Facts): boolean | undefined {
  const match = new RegExp(`^- (${DAY})(?: to (${DAY}))?: (.+ \\(.+\\).*)\\.$`).exec(line);
  if (!match) return undefined;
  const [, from = '', until = from, works = ''] = match;
  return [...works.matchAll(/(?:^|, )([^(]+?) \(([^)]+)\)/g)].every(([, plain = '', places = '']) => {
    if (/^\d+ places$/.test(places)) return true;
    const rooms = namesIn(places, areasOf(facts));
    return (
      rooms?.every((room) => isPlanned(facts, plain, room, dayOf(from, facts.today), dayOf(until, facts.today))) ??
      false
    );
  });
}

/** `- Kitchen: a and b finished; c 30 % done.` */
function roomHolds(line: string, facts: Facts): boolean | undefined {
  const room = areasOf(facts).find((name) => line.startsWith(`- ${name}: `));
  if (!room || !/ finished| % done|steps finished/.test(line)) return undefined;
  return line
    .slice(room.length + 4)
    .replace(/\.$/, '')
    .split('; ')
    .every((said) => (/% done/.test(said) ? begunHolds(facts, room, said) : finishedHolds(facts, room, said)));
}

/** What of a text is not so. */
export function contradictions(text: string, facts: Facts): string[] {
  return text.split('\n').filter((line) => {
    const week = weekHolds(line, facts);
    if (week !== undefined) return !week;
    const room = roomHolds(line, facts);
    if (room !== undefined) return !room;
    return SENTENCES.some(([pattern, holds]) => {
      const match = pattern.exec(line);
      return match !== null && !holds(match, facts);
    });
  });
}
