'use client';
import { useRouter } from 'next/navigation';
import { discardWalk } from '@/contract/commands/walks';
import type { Path } from '@/contract/routes';
import { LinkButton } from '../kit/link-button';
import { useSend } from '../kit/use-send';

/** A walk begun by mistake goes, with a way back. */
export function Discard({ walk, to }: { walk: string; to?: Path }) {
  const router = useRouter();
  const { busy, give } = useSend();
  const discard = async (): Promise<void> => {
    const told = { text: 'The walk was thrown away.', back: 'The walk is back.' };
    if ((await give(discardWalk, { id: walk }, told)) && to) router.push(to);
  };
  return (
    <LinkButton className="small-text" disabled={busy} onClick={() => void discard()}>
      Throw this walk away
    </LinkButton>
  );
}
