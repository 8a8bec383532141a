'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Button } from 'react-bootstrap';
import { startWalk } from '@/contract/commands/walks';
import type { WalkKind } from '@/core/walks/observation';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

/** Begins a walk, or goes on with the one that is not finished. */
export function StartWalk({ job, openWalk, kind = 'progress', small }: { job: string; openWalk: string | null; kind?: WalkKind; small?: boolean }) {
  const router = useRouter();
  const { busy, give } = useSend();
  const size = small ? { size: 'sm' as const } : {};
  if (openWalk) return <Link href={`/walk/${openWalk}`} className={`btn btn-primary text-nowrap ${small ? 'btn-sm' : ''}`}>Go on walking</Link>;
  const begin = async (): Promise<void> => {
    const id = newId();
    if (await give(startWalk, { id, job, kind })) router.push(`/walk/${id}`);
  };
  return <Button {...size} className="text-nowrap" disabled={busy} onClick={() => void begin()}>{busy ? 'Starting…' : 'Start a walk'}</Button>;
}
