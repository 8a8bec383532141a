'use client';
import { api } from '@/contract/routes';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** Changes come in bursts; screens look again once for all of them. */
const GATHER_MS = 250;

/** Listens to the change stream and has the screen look again. */
export function Live({ seq }: { seq: number }) {
  const router = useRouter();
  const drawn = useRef(seq);
  useEffect(() => {
    drawn.current = Math.max(drawn.current, seq);
  }, [seq]);
  useEffect(() => {
    const stream = new EventSource(api.changes());
    let timer: ReturnType<typeof setTimeout> | undefined;
    const soon = (event: MessageEvent<string>): void => {
      // The stream begins with the newest number: what happened before it was open is not missed.
      if (Number(event.data) <= drawn.current) return;
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
