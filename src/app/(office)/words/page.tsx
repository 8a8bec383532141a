import { visitor } from '@/server/access/visitor';
import { Words } from '@/ui/words/words';

export const metadata = { title: 'Words and marks' };

export default async function WordsPage() {
  await visitor('person');
  return <Words />;
}
