'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

/** Changes come in bursts; screens look again once for all of them. */
const GATHER_MS = 250;

/** Listens to the change stream and has the screen look again. */
export function Live() {
  const router = useRouter();
  useEffect(() => {
    const stream = new EventSource('/api/changes');
    let timer: ReturnType<typeof setTimeout> | undefined;
    const soon = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => router.refresh(), GATHER_MS);
    };
    stream.onmessage = soon;
    return () => {
      clearTimeout(timer);
      stream.close();
    };
  }, [router]);
  return null;
}
