import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { after } from 'next/server';
import { routes } from '@/contract/routes';
import { installation } from '@/server/open-installation';
import { isLookedAhead } from '@/server/access/from';
import { linkOf } from '@/server/access/link';
import { OWN } from '@/server/public/own';
import { countOpening } from '@/server/public/links';
import { sharing } from '@/server/reading/kept';
import { sharedView } from '@/server/public/shared';
import { ClosedLink } from '@/ui/public/closed-link';
import { ClientPage } from '@/ui/public/client-page';
import { MoneyIn } from '@/ui/kit/money';
import { CrewPage } from '@/ui/public/crew-page';
import { NeighbourPage } from '@/ui/public/neighbour-page';
import { PartyPage } from '@/ui/public/party-page';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Shared with you', robots: { index: false } };

/** A guessed, revoked or expired link are told alike; the answer is 404 by the route beside it. */
export default async function SharedPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const link = await linkOf(token);
  if (!link && token === OWN) redirect(routes.signIn());
  if (!link) return <ClosedLink />;
  const read = installation();
  const view = read.db.transaction(() => sharedView(sharing(read), link))();
  // Nobody has opened it where a program only shows what the address leads to.
  if (!isLookedAhead(await headers())) after(() => countOpening(read, link));
  if (view.audience === 'party') return <PartyPage view={view} token={token} />;
  if (view.audience === 'neighbour') return <NeighbourPage view={view} token={token} />;
  return view.audience === 'client' ? (
    <MoneyIn currency={view.currency}>
      <ClientPage view={view} token={token} />
    </MoneyIn>
  ) : (
    <CrewPage view={view} token={token} own={token === OWN} />
  );
}
