'use client';
import { useState } from 'react';
import { api } from '@/contract/routes';
import type { LinkView } from '@/contract/views/news';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { useToast } from '../kit/toast';
import { CopyLink } from './copy-link';

/** Asks for the address of a link; that it was shown is written down. @returns undefined where it did not come */
export const addressOf = (link: string): Promise<string | undefined> =>
  fetch(api.link(link), { method: 'POST' }).then(
    async (response) => (response.ok ? ((await response.json()) as { path: string }).path : undefined),
    () => undefined,
  );

/** The address of a link, once somebody asks for it. */
export function ShowLink({ link: { id, recipient } }: { link: Pick<LinkView, 'id' | 'recipient'> }) {
  const say = useToast();
  const [busy, setBusy] = useState(false);
  const [path, setPath] = useState<string>();
  const show = async (): Promise<void> => {
    setBusy(true);
    const address = await addressOf(id);
    setBusy(false);
    if (address === undefined) say({ text: 'The address did not come; try again once there is a connection.' });
    setPath(address);
  };
  return path === undefined ? (
    <LinkButton disabled={busy} onClick={() => void show()}>
      Show its address<Hidden> for {recipient}</Hidden>
    </LinkButton>
  ) : (
    <>
      <a href={path} target="_blank" rel="noreferrer">
        Look at it<Hidden> as {recipient}</Hidden>
      </a>
      {' · '}
      <CopyLink path={path} />
    </>
  );
}
