import type { Connection } from './open';

/**
 * Which tables belong to a job, found by the file’s own shape: their rows name the job, or name what belongs to it.
 */

/** Computed from the rest, or the diary of the house it was made in: each with why it is not carried. */
export const NOT_CARRIED: Readonly<Record<string, string>> = {
  command_log: 'the diary of its own house',
  command_inverse: 'the diary of its own house',
  plan: 'made anew',
  plan_part: 'made anew',
  plan_mark: 'made anew',
  plan_move: 'of plans that are made anew',
  plan_problem: 'made anew',
  plan_search: 'made anew',
  walk_plan: 'of plans that are made anew',
  standing: 'computed from what walks recorded',
  projection: 'computed',
  calendar_event: 'computed from the plan',
  narration_reading: 'computed from what was said',
  migration: 'the form of the file',
  firm: 'every house has its own',
  holiday: 'of the firm',
  session: 'of its own house',
  person_job: 'who sees what is of its own house',
  house_secret: 'of its own house',
  trusted_clock: 'of its own house',
  erasure: 'the diary of its own house',
  link_answer: 'the diary of its own house',
  share_showing: 'the diary of its own house',
  invitation: 'of its own house',
  sign_in: 'the diary of its own house',
  second_factor: 'a secret of its own house',
  licence: 'of the firm',
  licensed_trade: 'of the firm',
  day_away: 'of the firm',
  busy: 'of the firm',
  busy_source: 'of the firm',
  feed: 'secrets of its own house',
  supplier_closure: 'of the firm',
  price: 'of the firm',
  rate: 'of the firm',
  hour_rate: 'of the firm',
  plant: 'of the firm',
  plant_down: 'of the firm',
  outlook: 'of the firm',
  normal: 'of the firm',
  travel: 'of the firm',
  spot: 'of the firm',
  route_stop: 'of the firm',
  route_day: 'of the firm',
};

/** Of the firm, and carried where something of the job names it; whoever has it already keeps their own. */
export const OF_FIRM: readonly string[] = [
  ...['person', 'sub', 'sub_trade', 'supplier', 'office', 'picture', 'recording', 'pdf', 'own_assembly'],
];

/** What an archive of the whole firm carries besides its jobs. */
export const firmTables = (db: Connection): string[] =>
  allTables(db).filter((table) => table === 'firm' || OF_FIRM.includes(table) || NOT_CARRIED[table] === 'of the firm');

interface Reference {
  from: string;
  table: string;
  to: string;
}

export const allTables = (db: Connection): string[] =>
  (db.pragma('main.table_list') as { name: string; type: string }[])
    .filter(({ name, type }) => type === 'table' && !name.startsWith('sqlite_'))
    .map(({ name }) => name)
    .sort();

export const columnsOf = (db: Connection, table: string): string[] =>
  (db.pragma(`table_xinfo(${table})`) as { name: string; hidden: number }[])
    .filter(({ hidden }) => hidden === 0)
    .map(({ name }) => name);

export function referencesOf(db: Connection, table: string): Reference[] {
  // A step is named by its area and itself: the area alone says whose it is.
  const declared = (
    db.pragma(`foreign_key_list(${table})`) as { seq: number; table: string; from: string; to: string | null }[]
  ).flatMap(({ seq, table: to, from, to: column }) => (seq === 0 ? [{ from, table: to, to: column ?? 'id' }] : []));
  const named = columnsOf(db, table).includes('job') && !declared.some(({ from }) => from === 'job');
  return named ? [...declared, { from: 'job', table: 'job', to: 'id' }] : declared;
}

/** Tables of a job, those that are named before those that name them. */
export function jobTables(db: Connection): string[] {
  const open = allTables(db).filter((table) => !(table in NOT_CARRIED) && !OF_FIRM.includes(table));
  const found = ['job'];
  for (let more = true; more;) {
    const next = open.filter(
      (table) => !found.includes(table) && referencesOf(db, table).some((reference) => found.includes(reference.table)),
    );
    found.push(...next);
    more = next.length > 0;
  }
  return found;
}
