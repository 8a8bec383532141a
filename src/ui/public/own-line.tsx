'use client';
import { useState } from 'react';
import { api, routes } from '@/contract/routes';
import { LinkButton } from '../kit/link-button';

/** Who is signed in on their own page, and the way out. */
export function OwnLine({ name }: { name: string }) {
  const [busy, setBusy] = useState(false);
  const leave = async (): Promise<void> => {
    setBusy(true);
    await fetch(api.session(), { method: 'DELETE' }).catch(() => undefined);
    window.location.assign(routes.signIn());
  };
  return (
    <p className="small-text soft no-print">
      Signed in as {name}.{' '}
      <LinkButton disabled={busy} onClick={() => void leave()}>
        Sign out
      </LinkButton>
    </p>
  );
}
