import { hashSync } from '@node-rs/argon2';
import {
  addHoliday,
  addPerson,
  addSub,
  changeSub,
  foundFirm,
  setZone,
  subAway,
  subBack,
} from '@/contract/commands/firm';
import { all, insert, one, run } from '../database/query';
import { handler, need, needVersion, type Handler, type Visit } from '../door/handler';
import { Refusal, unfit } from '../door/refusal';
import { zoneOf } from '../zone';

const addOnePerson = (
  visit: Visit,
  person: { id: string; name: string; role: string; email?: string | undefined; password?: string | undefined },
): void =>
  insert(visit.db, 'person', {
    id: person.id,
    name: person.name,
    role: person.role,
    email: person.email?.toLowerCase() || null,
    password_hash: person.password ? hashSync(person.password) : null,
  });

/** Crews over all jobs: every open plan may change. */
function markAll(visit: Visit, cause: string): void {
  for (const job of all<{ id: string }>(visit.db, `SELECT id FROM job WHERE state <> 'closed'`))
    visit.mark(job.id, cause);
}

export const firmHandlers: Handler[] = [
  handler(foundFirm, (visit, payload) => {
    if (one(visit.db, 'SELECT 1 FROM firm'))
      throw new Refusal(409, {
        code: 'firm-exists',
        message: 'This house has its firm already; ask its owner to let you in.',
      });
    insert(visit.db, 'firm', { id: 1, name: payload.name, town: payload.town, zone: payload.zone ?? zoneOf(visit.db) });
    addOnePerson(visit, {
      id: payload.personId,
      name: payload.ownerName,
      role: 'contractor',
      email: payload.email,
      password: payload.password,
    });
    return { person: payload.personId };
  }),
  handler(setZone, (visit, { zone }) => {
    run(visit.db, 'UPDATE firm SET zone = @zone', { zone });
    markAll(visit, `the firm works by the time of ${zone}`);
  }),
  handler(addPerson, (visit, payload) => addOnePerson(visit, payload)),
  handler(addSub, (visit, { id, trade, name, crews, leadName, email }) => {
    if (trade === 'nobody')
      throw unfit('trade-of-nobody', 'Waiting is no trade that a sub could do; choose one of the others.', 'trade');
    insert(visit.db, 'sub', { id, trade, name, crews, lead_name: leadName, email });
    markAll(visit, `${name} joined`);
  }),
  handler(changeSub, (visit, { id, version, name, crews, leadName, email }) => {
    needVersion(visit, 'sub', id, version);
    run(
      visit.db,
      `UPDATE sub
        SET name = @name, crews = @crews, lead_name = @leadName, email = @email, version = version + 1
        WHERE id = @id`,
      { id, name, crews, leadName, email },
    );
    markAll(visit, `${name} changed`);
  }),
  handler(subAway, (visit, { sub, firstDay, lastDay }) => {
    const { name } = need<{ name: string }>(visit, 'sub', sub, 'sub');
    const overlap = one<{ first_day: string; last_day: string }>(
      visit.db,
      'SELECT * FROM day_away WHERE sub = @sub AND first_day <= @lastDay AND last_day >= @firstDay',
      { sub, firstDay, lastDay },
    );
    if (overlap)
      throw unfit(
        'away-already',
        `They are away from ${overlap.first_day} to ${overlap.last_day} already.`,
        'firstDay',
      );
    insert(visit.db, 'day_away', { sub, first_day: firstDay, last_day: lastDay });
    markAll(visit, `${name} is away`);
  }),
  handler(subBack, (visit, { sub, firstDay }) => {
    const { name } = need<{ name: string }>(visit, 'sub', sub, 'sub');
    if (run(visit.db, 'DELETE FROM day_away WHERE sub = @sub AND first_day = @firstDay', { sub, firstDay }) === 0)
      throw unfit('not-away', 'They are not away from that day.', 'firstDay');
    markAll(visit, `${name} is back`);
  }),
  handler(addHoliday, (visit, { day, name }) => {
    insert(visit.db, 'holiday', { day, name });
    markAll(visit, `${name} is a holiday`);
  }),
];
