import { visitor } from '@/server/access/visitor';
import { today } from '@/server/zone';
import { installation } from '@/server/open-installation';
import { NewJob } from '@/ui/sites/new-job';

export const metadata = { title: 'New job' };

export default async function NewJobPage() {
  await visitor('office');
  return <NewJob today={today(installation())} />;
}
