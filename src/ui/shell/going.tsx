'use client';
import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { isPage } from '@/contract/routes';

/** How long a page may take before it is said that it comes; a quick one shows no line. */
const SOON_MS = 150;
/** Where a link led nowhere else, the line goes away by itself. */
const MOST_MS = 15_000;

/** A line over the page from the press on a link until the page is there: on a slow line nothing stands still unsaid. */
export function Going() {
  const here = `${usePathname()}?${useSearchParams().toString()}`;
  const [from, setFrom] = useState<string>();
  useEffect(() => {
    let timers: ReturnType<typeof setTimeout>[] = [];
    const onClick = (event: MouseEvent): void => {
      const link = event.target instanceof Element ? event.target.closest('a') : null;
      if (!link || !leadsOn(link, event)) return;
      timers = [setTimeout(() => setFrom(here), SOON_MS), setTimeout(() => setFrom(undefined), MOST_MS)];
    };
    document.addEventListener('click', onClick);
    return () => {
      timers.forEach(clearTimeout);
      document.removeEventListener('click', onClick);
    };
  }, [here]);
  return from === here ? <div className="going" role="status" aria-label="The page is coming" /> : null;
}

function leadsOn(link: HTMLAnchorElement, { button, ctrlKey, metaKey, shiftKey }: MouseEvent): boolean {
  if (button !== 0 || ctrlKey || metaKey || shiftKey || link.target === '_blank' || link.hasAttribute('download'))
    return false;
  const to = new URL(link.href, window.location.href);
  return (
    to.origin === window.location.origin &&
    isPage(to.pathname) &&
    `${to.pathname}${to.search}` !== `${window.location.pathname}${window.location.search}`
  );
}
