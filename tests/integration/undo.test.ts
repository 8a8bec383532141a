import type { Statement } from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import type { CommandType } from '@/contract/commands';
import type { Connection } from '@/server/database/open';
import { execute, queryAll, queryOne } from '@/server/database/query';
import { dispatch } from '@/server/dispatch/dispatch';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import { GIVEN } from '../support/given';
import { demoHouse, giveRaw, MAREN, newId, raw, trying, type Answer } from '../support/installations';

/** What is only added to, and what the planner makes of everything else. */
const ASIDE = /^(command_.*|plan.*|calendar_event|walk_plan|sqlite_.*|observation|standing|projection)$/;

type Table = { name: string; rows: unknown[][] };

/** Everything the file holds but versions, which go on counting; each row as a list, since it is read a thousand times. */
function everything(db: Connection): Table[] {
  return readingsOf(db).map(({ name, read }) => ({ name, rows: read.all() as unknown[][] }));
}

const known = new WeakMap<Connection, { name: string; read: Statement }[]>();

function readingsOf(db: Connection): { name: string; read: Statement }[] {
  const before = known.get(db);
  if (before) return before;
  const tables = queryAll<{ name: string }>(db, `SELECT name FROM sqlite_schema WHERE type = 'table' ORDER BY name`);
  const readings = tables
    .filter(({ name }) => !ASIDE.test(name))
    .map(({ name }) => {
      const columns = queryAll<{ name: string }>(db, 'SELECT name FROM pragma_table_info(@name)', { name })
        .filter((column) => column.name !== 'version')
        .map((column) => `"${column.name}"`);
      return { name, read: db.prepare(`SELECT ${columns.join(', ')} FROM ${name}`).raw() };
    });
  known.set(db, readings);
  return readings;
}

const isSame = (one: unknown, other: unknown): boolean =>
  one === other || (one instanceof Buffer && other instanceof Buffer && one.equals(other));

/** The rows of one that the other has not, and the other way about; their order in the file is no matter. */
function unlike(one: readonly Table[], other: readonly Table[]): string[] {
  return one.flatMap(({ name, rows }, index) => {
    const others = other[index]?.rows ?? [];
    const same = (row: unknown[], at: number): boolean =>
      row.every((value, column) => isSame(value, others[at]?.[column]));
    if (rows.length === others.length && rows.every(same)) return [];
    const words = (row: unknown[]): string => `${name} ${row.join(' | ')}`;
    const [left, right] = [new Set(rows.map(words)), new Set(others.map(words))];
    return [
      ...[...left].filter((row) => !right.has(row)).map((row) => `− ${row}`),
      ...[...right].filter((row) => !left.has(row)).map((row) => `+ ${row}`),
    ];
  });
}

/** What stays, and why; everything else that can be given is taken back whole. */
const STAYS: Partial<Record<CommandType, string>> = {
  // What somebody outside said is theirs.
  'area.accept': 'not-allowed',
  'change.answer': 'not-allowed',
  'client.ask': 'not-allowed',
  'message.acknowledge': 'not-allowed',
  'question.ask': 'not-allowed',
  'question.answer': 'undo-told',
  'request.reply': 'not-allowed',
  'selection.pick': 'not-allowed',
  'statement.agree': 'not-allowed',
  // What was told was told, and what was recorded is withdrawn where it was recorded.
  'change.send': 'undo-told',
  'client.take-up': 'undo-told',
  'request.ask-client': 'undo-told',
  'statement.send': 'undo-told',
  'update.send': 'undo-told',
  'visit.tell': 'undo-told',
  'visit.remind': 'undo-told',
  'decision.remind': 'not-allowed',
  'request.ask-party': 'undo-told',
  'inspection.show': 'undo-told',
  'done.say': 'not-allowed',
  'done.take': 'undo-told',
  'step.tick': 'undo-told',
  'step.untick': 'undo-told',
  // What leaves nothing behind.
  'message.pass-on': 'undo-nothing',
  'message.retry': 'undo-nothing',
  'message.readdress': 'undo-nothing',
  'person.invite': 'undo-nothing',
  'person.sign-out': 'undo-nothing',
  // What time it is, nobody takes back.
  'clock.trust': 'undo-nothing',
  'plan.search': 'undo-nothing',
  'plan.search-stop': 'undo-nothing',
  'plan.take': 'undo-lasting',
  'walk.finish': 'undo-lasting',
};

const undo = (installation: Installation, command: string): Answer => giveRaw(installation, 'undo', { command });
const codeOf = (answer: Answer): string => (answer.status === 'refused' ? answer.problem.code : answer.status);

const payloadOf = (type: CommandType, installation: Installation): object => {
  const { payload } = GIVEN[type]!;
  return typeof payload === 'function' ? (payload as (of: Installation) => object)(installation) : payload;
};
const holdOn = (installation: Installation): object => ({ ...payloadOf('hold.add', installation), id: newId() });

describe('what was done', () => {
  it('is taken back whole, whatever it was, and stands again when that is taken back too', () => {
    const installation = demoHouse();
    const { db } = installation;
    const stays: Record<string, string> = {};
    let backAndForth = 0;
    for (const type of Object.keys(GIVEN) as CommandType[]) {
      const { before, payload, who = MAREN } = GIVEN[type]!;
      trying(installation, () => {
        before?.(installation);
        const stood = everything(db);
        const command = raw(type, typeof payload === 'function' ? payload(installation) : payload);
        expect(dispatch(installation, who, command).status, type).toBe('applied');
        const done = everything(db);
        const back = raw('undo', { command: command.id });
        const answer = dispatch(installation, MAREN, back);
        if (answer.status === 'refused') {
          stays[type] = answer.problem.code;
          expect(unlike(done, everything(db)), type).toEqual([]);
          return;
        }
        if (type === 'observation.record') {
          expect(codeOf(undo(installation, command.id))).toBe('undone-already');
          return;
        }
        expect(unlike(stood, everything(db)), type).toEqual([]);
        // What stands among the records of walks is said anew rather than taken back twice.
        if (type.startsWith('shortage.')) return;
        backAndForth += 1;
        expect(codeOf(undo(installation, command.id)), type).toBe('undone-already');
        expect(codeOf(undo(installation, back.id)), type).toBe('applied');
        expect(unlike(done, everything(db)), type).toEqual([]);
      });
    }
    expect(stays).toEqual(STAYS);
    expect(backAndForth).toBeGreaterThan(100);
    // Every command, its undo and the undo of that, each in a house of its own.
  }, 400_000);

  it('is not taken back where somebody has built on it since, and it is said who, when and what', () => {
    const installation = demoHouse();
    const add = raw('hold.add', holdOn(installation));
    const hold = (add.payload as { id: string }).id;
    expect(dispatch(installation, MAREN, add).status).toBe('applied');
    const version = queryOne<{ version: number }>(installation.db, 'SELECT version FROM hold WHERE id = @hold', {
      hold,
    });
    const expecting = raw('hold.expect', { id: hold, version: version!.version, expectedOn: '2027-04-01' });
    expect(dispatch(installation, MAREN, expecting)).toMatchObject({ status: 'applied' });
    expect(undo(installation, add.id)).toMatchObject({
      problem: {
        code: 'undo-later',
        field: 'command',
        title: expect.stringMatching(/^The hold was changed again by .+ on .+ at \d\d:\d\d; take that back first\.$/),
      },
    });
    expect(undo(installation, expecting.id).status).toBe('applied');
    expect(undo(installation, add.id).status).toBe('applied');
    expect(queryOne(installation.db, 'SELECT 1 FROM hold WHERE id = @hold', { hold })).toBeUndefined();
  });

  it('is not taken back where other rows name it', () => {
    const installation = demoHouse();
    const supplier = newId();
    const add = raw('supplier.add', { ...payloadOf('supplier.add', installation), id: supplier });
    expect(dispatch(installation, MAREN, add)).toMatchObject({ status: 'applied' });
    const selection = { ...payloadOf('selection.add', installation), supplier: 'New Kiln' };
    expect(giveRaw(installation, 'selection.add', selection)).toMatchObject({ status: 'applied' });
    expect(undo(installation, add.id)).toMatchObject({
      problem: {
        code: 'undo-stood-on',
        title: 'The supplier is used by a selection since. Take that away first.',
      },
    });
    expect(queryOne(installation.db, 'SELECT 1 FROM supplier WHERE id = @supplier', { supplier })).toBeDefined();
  });

  it('is taken back only by those who may do it', () => {
    const installation = demoHouse();
    const add = raw('person.add', payloadOf('person.add', installation));
    expect(dispatch(installation, MAREN, add).status).toBe('applied');
    const lead = { kind: 'person', id: demoId('person', 'tobin'), name: 'T', role: 'lead' } as const;
    expect(codeOf(giveRaw(installation, 'undo', { command: add.id }, lead))).toBe('not-allowed');
    expect(codeOf(undo(installation, newId()))).toBe('unknown-id');
    expect(codeOf(undo(installation, add.id))).toBe('applied');
  });

  it('keeps no password where it keeps what takes a change back', () => {
    const installation = demoHouse();
    const closed = raw('person.close', { id: demoId('person', 'tobin') });
    execute(installation.db, `UPDATE person SET password_hash = '$argon2id$v=19$x' WHERE name = 'Tobin'`);
    expect(dispatch(installation, MAREN, closed)).toMatchObject({ status: 'applied' });
    expect(queryAll(installation.db, `SELECT seq FROM command_inverse WHERE instr(rows, 'argon2id')`)).toEqual([]);
  });
});
