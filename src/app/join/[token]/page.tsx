import { invitationOf } from '@/server/accounts/invitations';
import { installation } from '@/server/open-installation';
import { Join } from '@/ui/access/join';
import '../../../ui/look/office.scss';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Your password', robots: { index: false } };

export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const { db, clock } = installation();
  const known = invitationOf(db, token, clock.now().toISOString());
  return <Join token={token} known={known ? { name: known.name, email: known.email ?? '' } : null} />;
}
