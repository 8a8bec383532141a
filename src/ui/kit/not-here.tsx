import { routes } from '@/contract/routes';
import { Link } from './link';

export function NotHere() {
  return (
    <>
      <h1>This page does not exist</h1>
      <p>The address is wrong, or what stood here was taken away.</p>
      <p>
        <Link href={routes.today()}>Back to today</Link>
      </p>
    </>
  );
}
