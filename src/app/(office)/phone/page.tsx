import { headers } from 'next/headers';
import { visitor } from '@/server/access/visitor';
import { installation } from '@/server/open-installation';
import { phoneView } from '@/server/views/phone';
import { OnYourPhone } from '@/ui/access/on-your-phone';

export const metadata = { title: 'On your phone' };

export default async function PhonePage() {
  await visitor('person');
  const sent = await headers();
  const asked = {
    host: sent.get('x-forwarded-host') ?? sent.get('host') ?? '',
    protocol: sent.get('x-forwarded-proto') ?? 'http',
  };
  return <OnYourPhone view={await phoneView(asked, installation().demo)} />;
}
