import { visitor } from '@/server/access/visitor';
import { today } from '@/server/zone';
import { house } from '@/server/house';
import { NewJob } from '@/ui/sites/new-job';

export const metadata = { title: 'New job' };

export default async function NewJobPage() {
  await visitor();
  return <NewJob today={today(house())} />;
}
