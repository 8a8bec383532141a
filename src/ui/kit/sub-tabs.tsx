'use client';
import { type Path } from '@/contract/routes';
import { Link } from './link';
import { usePathname } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Hidden } from './hidden';

/** So near to its end a line counts as pulled all the way. */
const EDGE_PX = 6;

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
  // What lies beyond an edge is said by that edge fading.
  const [more, setMore] = useState<'none' | 'left' | 'right' | 'both'>('none');
  const look = useCallback((): void => {
    const line = nav.current;
    if (!line) return;
    const left = line.scrollLeft > EDGE_PX;
    const right = line.scrollLeft + line.clientWidth < line.scrollWidth - EDGE_PX;
    setMore(left && right ? 'both' : left ? 'left' : right ? 'right' : 'none');
  }, []);
  // On a phone the line is pulled: the page one is on must be in sight.
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>('[aria-current]');
    if (here && nav.current) nav.current.scrollLeft = here.offsetLeft - nav.current.clientWidth / 3;
    const watch = new ResizeObserver(look);
    if (nav.current) watch.observe(nav.current);
    return () => watch.disconnect();
  }, [pathname, look]);
  return (
    <nav ref={nav} className="sub-places no-print" aria-label={`Pages of ${of}`} data-more={more} onScroll={look}>
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
