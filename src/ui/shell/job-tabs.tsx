'use client';
import { Link } from '../kit/link';
import { usePathname } from 'next/navigation';
import type { JobHead } from '@/contract/views/job';
import { ExampleNotice } from './example-notice';
import { PLACES, placeOf } from './places';
import { Hidden } from '../kit/hidden';

/** The job's seven places as plain words, with what needs attention. */
export function JobTabs({ job }: { job: JobHead }) {
  const { place } = placeOf(usePathname());
  return (
    <>
      {job.example !== null && <ExampleNotice job={job} version={job.example} />}
      <nav className="places" aria-label={`Places of ${job.name}`}>
        {PLACES.map(({ name, path, label, count }) => {
          const waiting = count ? job.counts[count] : 0;
          return (
            <Link key={name} href={path(job.id)} {...(place === name ? { 'aria-current': 'page' as const } : {})}>
              {label}
              {waiting > 0 && (
                <span className="count">
                  {waiting}
                  <Hidden> need attention</Hidden>
                </span>
              )}
            </Link>
          );
        })}
      </nav>
    </>
  );
}
