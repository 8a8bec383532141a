import { Link } from './link';
import { before, type Path } from '@/contract/routes';
import type { PastShown } from '@/contract/views/job';

/** The way back through a long past, and to its newest end again; nothing where all of it is shown. */
export function PastLinks({ past, page }: { past: PastShown; page: Path }) {
  if (past.newest && past.earlier === null) return null;
  return (
    <p className="actions small-text no-print">
      {!past.newest && (
        <Link href={page} scroll={false}>
          Newest
        </Link>
      )}
      {past.earlier !== null && (
        <Link href={before(page, past.earlier)} scroll={false}>
          Earlier
        </Link>
      )}
    </p>
  );
}
