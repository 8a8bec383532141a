import { routes } from '@/contract/routes';
import { redirect } from 'next/navigation';
import { isFounded } from '@/server/access/session';
import { Welcome } from '@/ui/access/welcome';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Welcome' };

export default function WelcomePage() {
  if (isFounded()) redirect(routes.today());
  return <Welcome />;
}
