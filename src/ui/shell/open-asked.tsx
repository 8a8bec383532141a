'use client';
import { usePathname } from 'next/navigation';
import { useEffect } from 'react';

/** Opens whatever is folded around the place that the address points at, and goes there. */
function openAsked(): void {
  const at = document.getElementById(decodeURIComponent(window.location.hash.slice(1)));
  const folds: HTMLDetailsElement[] = [];
  for (let fold = at?.closest('details'); fold; fold = fold.parentElement?.closest('details')) folds.push(fold);
  const inside = at?.querySelector<HTMLDetailsElement>(':scope > details');
  if (inside) folds.push(inside);
  const closed = folds.filter(({ open }) => !open);
  for (const fold of closed) fold.open = true;
  if (closed.length > 0) at?.scrollIntoView();
}

/** What is folded on a page is no obstacle to an address that leads into it. */
export function OpenAsked() {
  const pathname = usePathname();
  useEffect(() => {
    openAsked();
    window.addEventListener('hashchange', openAsked);
    return () => window.removeEventListener('hashchange', openAsked);
  }, [pathname]);
  return null;
}
