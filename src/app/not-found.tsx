import { connection } from 'next/server';
import { NotHere } from '@/ui/kit/not-here';

export default async function NotFound() {
  // Drawn for each request: its scripts carry the word of this one answer, without which no browser runs them.
  await connection();
  return (
    <main className="letter">
      <NotHere />
    </main>
  );
}
