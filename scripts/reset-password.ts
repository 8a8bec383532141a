import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { databaseFile } from '@/server/installation';
import { uuid } from '@/server/database/id';
import { queryOne } from '@/server/database/query';
import { invitationToken, invite } from '@/server/accounts/invitations';
import { openInstallation } from '@/server/open-installation';
import { publicRoutes } from '@/contract/routes';

// A way in for somebody of the firm who has lost their password, for whoever has the machine: used once, within a week.
const [email = ''] = process.argv.slice(2);
const folder = process.env.AFTERMIST_DATA ?? join(process.cwd(), 'var', 'firm');
if (!existsSync(databaseFile(folder))) {
  console.error(`There is no firm in ${folder}; name its folder with AFTERMIST_DATA.`);
  process.exit(1);
}
const installation = openInstallation({ folder });
const person = queryOne<{ id: string; name: string; state: string }>(
  installation.db,
  'SELECT id, name, state FROM person WHERE email = @email',
  { email: email.trim().toLowerCase() },
);
if (!person || person.state !== 'active') {
  console.error(
    person
      ? `${person.name} is not let in; the contractor lets them in again, under Firm.`
      : `Nobody signs in with “${email}” here. Write it like: npm run reset-password -- name@firm.example`,
  );
  process.exit(1);
}
const id = uuid();
invite(installation, { id, person: person.id }, installation.clock.now().toISOString());
const path = publicRoutes.join(invitationToken(installation, id));
console.log(
  `${person.name} chooses a new password at ${installation.address || 'the address of the house, then '}${path}`,
);
installation.db.close();
