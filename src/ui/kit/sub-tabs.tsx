'use client';
import { type Path } from '@/contract/routes';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { Hidden } from './hidden';

export interface SubPlace {
  path: Path;
  label: string;
  /** What wants attention there. */
  waiting?: number;
}

/** The pages of one of a job's places, in the order in which a job comes to need them. */
export function SubTabs({ of, places }: { of: string; places: readonly SubPlace[] }) {
  const pathname = usePathname();
  const nav = useRef<HTMLElement>(null);
  // On a phone the line is pulled: the page one is on must be in sight.
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>('[aria-current]');
    if (here && nav.current) nav.current.scrollLeft = here.offsetLeft - nav.current.clientWidth / 3;
  }, [pathname]);
  return (
    <nav ref={nav} className="sub-places no-print" aria-label={`Pages of ${of}`}>
      {places.map(({ path, label, waiting = 0 }) => (
        <Link key={path} href={path} {...(pathname === path ? { 'aria-current': 'page' as const } : {})}>
          {label}
          {waiting > 0 && (
            <span className="soft">
              {' '}
              {waiting}
              <Hidden> open</Hidden>
            </span>
          )}
        </Link>
      ))}
    </nav>
  );
}
