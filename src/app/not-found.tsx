import { NotHere } from '@/ui/kit/not-here';

export default function NotFound() {
  return (
    <main className="letter">
      <NotHere />
    </main>
  );
}
