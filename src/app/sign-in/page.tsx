import { routes } from '@/contract/routes';
import { redirect } from 'next/navigation';
import { isFounded, signedIn } from '@/server/access/session';
import { SignIn } from '@/ui/access/sign-in';
import '../../ui/look/office.scss';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (!isFounded()) redirect(routes.welcome());
  if (await signedIn()) redirect(routes.today());
  return <SignIn />;
}
