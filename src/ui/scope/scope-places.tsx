'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import type { ScopeCounts } from '@/contract/views/scope';

const PAGES: readonly { path: string; label: string; count?: keyof ScopeCounts }[] = [
  { path: '', label: 'By area' },
  { path: '/visit', label: 'First visit' },
  { path: '/assumptions', label: 'Assumptions', count: 'assumptions' },
  { path: '/options', label: 'Options', count: 'options' },
  { path: '/levels', label: 'Levels' },
  { path: '/materials', label: 'Materials' },
  { path: '/changes', label: 'Changes', count: 'changes' },
  { path: '/statement', label: 'Statement' },
];

/** The pages of Scope, in the order in which a job comes to need them. */
export function ScopePlaces({ job, counts }: { job: string; counts?: ScopeCounts }) {
  const pathname = usePathname();
  const nav = useRef<HTMLElement>(null);
  // On a phone the line is pulled: the page one is on must be in sight.
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>('[aria-current]');
    if (here && nav.current) nav.current.scrollLeft = here.offsetLeft - nav.current.clientWidth / 3;
  }, [pathname]);
  return (
    <nav ref={nav} className="sub-places no-print" aria-label="Pages of Scope">
      {PAGES.map(({ path, label, count }) => {
        const waiting = count && counts ? counts[count] : 0;
        return <Link key={path} href={`/jobs/${job}/scope${path}`} {...(pathname === `/jobs/${job}/scope${path}` ? { 'aria-current': 'page' as const } : {})}>{label}{waiting > 0 && <span className="soft"> {waiting}<span className="visually-hidden"> open</span></span>}</Link>;
      })}
    </nav>
  );
}
