import { signedIn } from '@/server/access/session';
import { shown } from '@/server/access/visitor';
import { accountView } from '@/server/views/account';
import { Account } from '@/ui/access/account';

export const metadata = { title: 'Your account' };

export default async function AccountPage() {
  const here = await signedIn();
  const { view } = await shown('person', (installation, { id }) => accountView(installation, id, here?.session));
  return <Account view={view} />;
}
