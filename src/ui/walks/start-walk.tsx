'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { startWalk } from '@/contract/commands/walks';
import type { WalkKind } from '@/core/walks/observation';
import { useToast } from '../kit/toast';
import { beginHere } from '../offline/packs';
import { newId, send } from '../offline/send';

/** Begins a walk, or goes on with the one that is not finished. Without a connection it begins on this device. */
export function StartWalk({
  job,
  openWalk,
  kind = 'progress',
  small,
  words = 'Start a walk',
  area,
}: {
  job: string;
  openWalk: string | null;
  kind?: WalkKind;
  small?: boolean;
  words?: string;
  /** With which area it opens. */
  area?: string | undefined;
}) {
  const router = useRouter();
  const say = useToast();
  const [busy, setBusy] = useState(false);
  const size = small ? { size: 'sm' as const } : {};
  if (openWalk)
    return (
      <Link href={routes.walk(openWalk)} className={`btn btn-primary text-nowrap ${small ? 'btn-sm' : ''}`}>
        Go on walking
      </Link>
    );
  const begin = async (): Promise<void> => {
    setBusy(true);
    const id = newId();
    const sent = await send(startWalk, { id, job, kind });
    if (sent.ok) return router.push(routes.walk(id, area));
    const here = sent.problem.code === 'no-connection' ? await beginHere(job, kind) : undefined;
    if (here) return window.location.assign(routes.walk(here));
    say({ text: sent.problem.title });
    setBusy(false);
  };
  return (
    <Button {...size} className="text-nowrap" disabled={busy} onClick={() => void begin()}>
      {busy ? 'Starting…' : words}
    </Button>
  );
}
