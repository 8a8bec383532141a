import type { AccountRole } from '@/contract/command';
import { execute, orNull, queryOne } from '../database/query';
import { handlers, requireRow, requireVersion, type CommandContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { invite } from './invitations';
import { addPerson, needOwnerBesides, setSees, shutOut } from './people';
import { endSessions } from './sessions';

/** An address belongs to one account. */
function needFreeAddress({ db }: CommandContext, id: string, email: string | undefined): void {
  if (
    email &&
    queryOne(db, 'SELECT 1 FROM person WHERE email = @email AND id <> @id', { email: email.toLowerCase(), id })
  )
    throw unprocessable('address-taken', 'Somebody else signs in with this address; take another.', 'email');
}

/** Whoever is of a sub names which one, and nobody else does. */
function needSub(context: CommandContext, role: AccountRole, sub: string | undefined): void {
  if (role === 'sub' && !sub) throw unprocessable('no-sub', 'Choose whose work they see.', 'sub');
  if (role !== 'sub' && sub) throw unprocessable('not-of-sub', 'Only whoever is of a sub sees the work of one.', 'sub');
  if (sub) requireRow(context, 'sub', sub, 'sub');
}

export const accountHandlers = handlers({
  'person.add': (context, payload) => {
    needFreeAddress(context, payload.id, payload.email);
    needSub(context, payload.role, payload.sub);
    addPerson(context.db, payload);
  },
  'person.change': (context, { id, version, name, role, sub, email, phone }) => {
    const person = requireVersion(context, 'person', id, version);
    needSub(context, role, sub);
    needFreeAddress(context, id, email);
    if (person.role === 'contractor' && role !== 'contractor') needOwnerBesides(context.db, id);
    execute(
      context.db,
      `UPDATE person SET name = @name, role = @role, sub = @sub, email = @email, phone = @phone, version = version + 1
        WHERE id = @id`,
      { id, name, role, sub: orNull(sub), email: email ? email.toLowerCase() : null, phone },
    );
  },
  'person.set-sees': (context, { id, version, jobs, prices }) => {
    const { role } = requireVersion(context, 'person', id, version);
    if (role !== 'lead')
      throw unprocessable(
        'sees-all',
        'Whoever runs the firm or its office sees every job; make them a lead first.',
        'id',
      );
    for (const job of jobs) requireRow(context, 'job', job, 'jobs');
    setSees(context.db, id, { jobs, prices });
  },
  'person.set-phone': (context, { id, phone }) => {
    requireRow(context, 'person', id, 'id');
    execute(context.db, 'UPDATE person SET phone = @phone, version = version + 1 WHERE id = @id', { id, phone });
  },
  'person.invite': (context, { id, person }) => {
    const { email, state } = requireRow(context, 'person', person, 'person');
    if (state !== 'active') throw unprocessable('not-let-in', 'Let them in again first.', 'person');
    if (!email) throw unprocessable('no-address', 'Give them an address to sign in with first.', 'person');
    invite(context.installation, { id, person }, context.now);
  },
  'person.suspend': (context, { id }) => {
    if (requireRow(context, 'person', id).state !== 'active')
      throw unprocessable('out-already', 'They are not let in as it is.', 'id');
    needOwnerBesides(context.db, id);
    shutOut(context.db, id, 'suspended');
  },
  'person.return': (context, { id }) => {
    if (requireRow(context, 'person', id).state === 'active')
      throw unprocessable('in-already', 'They are let in as it is.', 'id');
    execute(context.db, `UPDATE person SET state = 'active', version = version + 1 WHERE id = @id`, { id });
  },
  'person.close': (context, { id }) => {
    if (requireRow(context, 'person', id).state === 'closed')
      throw unprocessable('out-already', 'This account is closed as it is.', 'id');
    needOwnerBesides(context.db, id);
    shutOut(context.db, id, 'closed');
    // Who comes back is invited anew and chooses a password anew.
    execute(context.db, 'UPDATE person SET password_hash = NULL WHERE id = @id', { id });
  },
  'person.sign-out': (context, { id }) => {
    requireRow(context, 'person', id);
    endSessions(context.db, id);
  },
});
