import { headers } from 'next/headers';
import { visitor } from '@/server/access/visitor';
import { originIn } from '@/server/http';
import { installation } from '@/server/open-installation';
import { phoneView } from '@/server/views/phone';
import { OnYourPhone } from '@/ui/access/on-your-phone';

export const metadata = { title: 'On your phone' };

export default async function PhonePage() {
  await visitor('person');
  return <OnYourPhone view={await phoneView(originIn(await headers()), installation().demo)} />;
}
