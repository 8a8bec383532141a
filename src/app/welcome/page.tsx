import { routes } from '@/contract/routes';
import { redirect } from 'next/navigation';
import { isFounded } from '@/server/access/session';
import { Welcome } from '@/ui/access/welcome';
import '../../ui/look/office.scss';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Welcome' };

export default async function WelcomePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  if (isFounded()) redirect(routes.today());
  const { code } = await searchParams;
  return <Welcome code={typeof code === 'string' ? code.slice(0, 20) : ''} />;
}
