'use client';
import { routes, type Path } from '@/contract/routes';
import { BrickWall, Ellipsis, Footprints, Send, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { SidePanel } from '../kit/side-panel';
import { PLACES, placeOf, type Place } from './places';
import { Lines } from '../kit/lines';

/** Four places at the thumb and the rest behind them; without a job they lead to Today, where one is chosen. */
export function BottomNav({ job }: { job: string | null }) {
  const pathname = usePathname();
  const { place } = placeOf(pathname);
  const [open, setOpen] = useState(false);
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
      <button type="button" onClick={() => setOpen(true)}>
        <Ellipsis aria-hidden="true" />
        More
      </button>
      <SidePanel title="More" open={open} onClose={() => setOpen(false)}>
        <Lines>
          {job &&
            PLACES.map((entry) => (
              <li key={entry.name}>
                <Link className="what py-2" href={entry.path(job)} onClick={() => setOpen(false)}>
                  {entry.label}
                </Link>
              </li>
            ))}
          <li>
            <Link className="what py-2" href={routes.bench()} onClick={() => setOpen(false)}>
              Bench, all calculators
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.board()} onClick={() => setOpen(false)}>
              Schedule, all jobs
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.account()} onClick={() => setOpen(false)}>
              Your account
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.suppliers()} onClick={() => setOpen(false)}>
              Suppliers
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.coordination()} onClick={() => setOpen(false)}>
              Inspections, weather, plant, calendars
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.firm()} onClick={() => setOpen(false)}>
              Firm, subs and people
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.told()} onClick={() => setOpen(false)}>
              Who was told what
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.words()} onClick={() => setOpen(false)}>
              Words and marks
            </Link>
          </li>
          <li>
            <Link className="what py-2" href={routes.newJob()} onClick={() => setOpen(false)}>
              New job
            </Link>
          </li>
        </Lines>
      </SidePanel>
    </nav>
  );
}
