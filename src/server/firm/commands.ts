import type { Trade } from '@/core/sequence/trades';
import { columnsOf } from '../database/job-tables';
import { execute, flag, insert, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { handlers, openJobs, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';
import { addPerson } from '../accounts/people';
import { zoneOf } from '../zone';

/** What trips and moved visits count against half-days, and in how many working days nothing moves without need. */
export const weighPlans = (
  db: Connection,
  firm: { tripWeight: number; moveWeight: number; frozenDays: number },
): void =>
  void execute(
    db,
    'UPDATE firm SET trip_weight = @tripWeight, move_weight = @moveWeight, frozen_days = @frozenDays',
    firm,
  );

/** The firm that was founded here becomes the one that was packed elsewhere; whether it is made up stays as it is. */
export function becomeFirm(db: Connection, row: Readonly<Record<string, string | number | null>>): void {
  const columns = columnsOf(db, 'firm').filter((name) => !['id', 'demo', 'version'].includes(name) && name in row);
  if (columns.length === 0) return;
  execute(
    db,
    `UPDATE firm SET ${columns.map((name) => `"${name}" = @${name}`).join(', ')}`,
    Object.fromEntries(columns.map((name) => [name, row[name] ?? null])),
  );
}

/** Trades that a sub does besides the one they are listed under. */
function keepTrades({ db }: CommandContext, sub: string, trades: readonly Trade[]): void {
  if (trades.includes('nobody'))
    throw unprocessable('trade-of-nobody', 'Waiting is no trade that a sub could do; choose others.', 'also');
  execute(db, 'DELETE FROM sub_trade WHERE sub = @sub', { sub });
  for (const trade of new Set(trades)) insert(db, 'sub_trade', { sub, trade });
}

export const firmHandlers = handlers({
  'firm.found': (context, payload) => {
    if (queryOne(context.db, 'SELECT 1 FROM firm'))
      throw new Refusal(409, {
        code: 'firm-exists',
        message: 'This installation has its firm already; ask its owner to let you in.',
      });
    insert(context.db, 'firm', {
      id: 1,
      name: payload.name,
      town: payload.town,
      zone: payload.zone ?? zoneOf(context.db),
      currency: payload.currency || null,
      demo: flag(context.installation.demo),
    });
    addPerson(context.db, {
      id: payload.personId,
      name: payload.ownerName,
      role: 'contractor',
      email: payload.email,
      password: payload.password,
    });
    return { person: payload.personId };
  },
  'firm.set-zone': (context, { zone }) => {
    execute(context.db, 'UPDATE firm SET zone = @zone', { zone });
    context.replanAll(openJobs(context), { kind: 'zone', zone });
  },
  'firm.set-dates': (context, { dates, clockHours }) =>
    void execute(context.db, 'UPDATE firm SET dates = @dates, clock_hours = @clockHours', { dates, clockHours }),
  'firm.set-money': (context, { currency, markup, taxRate, taxShown, tripCost }) =>
    void execute(
      context.db,
      `UPDATE firm
        SET currency = @currency, markup = @markup, tax_rate = @taxRate, tax_shown = @taxShown, trip_cost = @tripCost`,
      { currency, markup, taxRate, taxShown, tripCost },
    ),
  'sub.add': (context, { id, trade, also, name, crews, leadName, email, phone }) => {
    if (trade === 'nobody')
      throw unprocessable(
        'trade-of-nobody',
        'Waiting is no trade that a sub could do; choose one of the others.',
        'trade',
      );
    insert(context.db, 'sub', { id, trade, name, crews, lead_name: leadName, email, phone });
    keepTrades(context, id, also);
    context.replanAll(openJobs(context), { kind: 'sub', sub: id, name, what: 'joined' });
  },
  'sub.change': (context, { id, version, also, name, crews, leadName, email, phone }) => {
    requireVersion(context, 'sub', id, version);
    keepTrades(context, id, also);
    execute(
      context.db,
      `UPDATE sub
        SET name = @name, crews = @crews, lead_name = @leadName, email = @email, phone = @phone, version = version + 1
        WHERE id = @id`,
      { id, name, crews, leadName, email, phone },
    );
    context.replanAll(openJobs(context), { kind: 'sub', sub: id, name, what: 'changed' });
  },
  'sub.away': (context, { sub, firstDay, lastDay }) => {
    const { name } = requireRow(context, 'sub', sub, 'sub');
    const overlap = queryOne<{ first_day: string; last_day: string }>(
      context.db,
      'SELECT * FROM day_away WHERE sub = @sub AND first_day <= @lastDay AND last_day >= @firstDay',
      { sub, firstDay, lastDay },
    );
    if (overlap)
      throw unprocessable(
        'away-already',
        `They are away from ${overlap.first_day} to ${overlap.last_day} already.`,
        'firstDay',
      );
    insert(context.db, 'day_away', { sub, first_day: firstDay, last_day: lastDay });
    context.replanAll(openJobs(context), { kind: 'away', sub, name, what: 'away', from: firstDay, until: lastDay });
  },
  'sub.back': (context, { sub, firstDay }) => {
    const { name } = requireRow(context, 'sub', sub, 'sub');
    const away = queryOne<{ last_day: string }>(
      context.db,
      'DELETE FROM day_away WHERE sub = @sub AND first_day = @firstDay RETURNING last_day',
      { sub, firstDay },
    );
    if (!away) throw unprocessable('not-away', 'They are not away from that day.', 'firstDay');
    context.replanAll(openJobs(context), {
      kind: 'away',
      sub,
      name,
      what: 'back',
      from: firstDay,
      until: away.last_day,
    });
  },
  'holiday.add': (context, { day, name }) => {
    insert(context.db, 'holiday', { day, name });
    context.replanAll(openJobs(context), { kind: 'holiday', day, name });
  },
});
