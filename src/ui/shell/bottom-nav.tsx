'use client';
import { routes, type Path } from '@/contract/routes';
import { BrickWall, Ellipsis, Footprints, Send, Sun } from 'lucide-react';
import { Link } from '../kit/link';
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { LAST_JOB } from '../offline/seen';
import { SidePanel } from '../kit/side-panel';
import { HOUSE_PLACES, NEW_JOB } from './house-places';
import { PLACES, placeOf, type Place } from './places';
import { Lines } from '../kit/lines';

/** Four places at the thumb and the rest behind them; where no job is open they lead to the one that was looked at last. */
export function BottomNav({ job: open, jobs }: { job: string | null; jobs: readonly { id: string }[] }) {
  const job = useLastJob(open, jobs);
  const pathname = usePathname();
  const { place } = placeOf(pathname);
  const [more, setMore] = useState(false);
  const link = (name: Place['name'], path: (job: string) => Path) => ({
    href: job ? path(job) : routes.today(),
    ...(place === name ? { 'aria-current': 'page' as const } : {}),
  });
  return (
    <nav className="thumb-bar" aria-label="Places at the thumb">
      <Link href={routes.today()} {...(pathname === '/' ? { 'aria-current': 'page' as const } : {})}>
        <Sun aria-hidden="true" />
        Today
      </Link>
      <Link {...link('walks', routes.walks)}>
        <Footprints aria-hidden="true" />
        Walk
      </Link>
      <Link {...link('rooms', routes.rooms)}>
        <BrickWall aria-hidden="true" />
        Rooms
      </Link>
      <Link {...link('news', (id) => routes.news(id))}>
        <Send aria-hidden="true" />
        News
      </Link>
      <button type="button" onClick={() => setMore(true)}>
        <Ellipsis aria-hidden="true" />
        More
      </button>
      <SidePanel title="More" open={more} onClose={() => setMore(false)}>
        <Lines>
          {job &&
            PLACES.map((entry) => (
              <li key={entry.name}>
                <Link className="what py-2" href={entry.path(job)} onClick={() => setMore(false)}>
                  {entry.label}
                </Link>
              </li>
            ))}
          {[...HOUSE_PLACES, NEW_JOB].map(({ label, path }) => (
            <li key={path}>
              <Link className="what py-2" href={path} onClick={() => setMore(false)}>
                {label}
              </Link>
            </li>
          ))}
        </Lines>
      </SidePanel>
    </nav>
  );
}

/** The job that is open, else the one that was open last on this device, else the first of the firm. */
function useLastJob(open: string | null, jobs: readonly { id: string }[]): string | null {
  const [last, setLast] = useState<string | null>(null);
  useEffect(() => {
    if (open) window.localStorage.setItem(LAST_JOB, open);
    setLast(window.localStorage.getItem(LAST_JOB));
  }, [open]);
  const known = jobs.some(({ id }) => id === last) ? last : (jobs[0]?.id ?? null);
  return open ?? known;
}
