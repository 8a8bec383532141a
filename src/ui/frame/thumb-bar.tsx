'use client';
import { BrickWall, Ellipsis, Footprints, Send, Sun } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useState } from 'react';
import { Slip } from '../kit/slip';
import { PLACES, placeOf } from './places';

/** Four places at the thumb and the rest behind them; without a job they lead to Today, where one is chosen. */
export function ThumbBar({ job }: { job: string | null }) {
  const pathname = usePathname();
  const { place } = placeOf(pathname);
  const [open, setOpen] = useState(false);
  const of = (path: string): string => (job ? `/jobs/${job}${path}` : '/');
  const current = (path: string) => (job && place === path ? { 'aria-current': 'page' as const } : {});
  return (
    <nav className="thumb-bar" aria-label="Places at the thumb">
      <Link href="/" {...(pathname === '/' ? { 'aria-current': 'page' as const } : {})}>
        <Sun aria-hidden="true" />
        Today
      </Link>
      <Link href={of('/walks')} {...current('/walks')}>
        <Footprints aria-hidden="true" />
        Walk
      </Link>
      <Link href={of('')} {...current('')}>
        <BrickWall aria-hidden="true" />
        Rooms
      </Link>
      <Link href={of('/updates')} {...current('/updates')}>
        <Send aria-hidden="true" />
        Updates
      </Link>
      <button type="button" onClick={() => setOpen(true)}>
        <Ellipsis aria-hidden="true" />
        More
      </button>
      <Slip title="More" open={open} onClose={() => setOpen(false)}>
        <ul className="lines">
          {job &&
            PLACES.map((one) => (
              <li key={one.path}>
                <Link className="what py-2" href={of(one.path)} onClick={() => setOpen(false)}>
                  {one.label}
                </Link>
              </li>
            ))}
          <li>
            <Link className="what py-2" href="/bench" onClick={() => setOpen(false)}>
              Bench, all calculators
            </Link>
          </li>
          <li>
            <Link className="what py-2" href="/schedule" onClick={() => setOpen(false)}>
              Schedule, all jobs
            </Link>
          </li>
          <li>
            <Link className="what py-2" href="/suppliers" onClick={() => setOpen(false)}>
              Suppliers
            </Link>
          </li>
          <li>
            <Link className="what py-2" href="/desks" onClick={() => setOpen(false)}>
              Inspections, weather, plant, calendars
            </Link>
          </li>
          <li>
            <Link className="what py-2" href="/firm" onClick={() => setOpen(false)}>
              Firm, subs and people
            </Link>
          </li>
          <li>
            <Link className="what py-2" href="/jobs/new" onClick={() => setOpen(false)}>
              New job
            </Link>
          </li>
        </ul>
      </Slip>
    </nav>
  );
}
