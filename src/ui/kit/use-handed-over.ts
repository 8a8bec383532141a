import { useState } from 'react';
import { upload } from '../offline/upload';

type What = Parameters<typeof upload>[0]['what'];

/**
 * A file of a form that is handed over as soon as it is chosen: whether it is on its way, and why it was not taken.
 * @param most the largest, in bytes
 * @param onKept told the hash under which it is kept, which the form names
 */
export function useHandedOver(
  what: What,
  most: number,
  onKept: (hash: string, file: File) => void,
): { busy: boolean; untaken: string | undefined; take: (file: File | undefined) => Promise<void> } {
  const [untaken, setUntaken] = useState<string>();
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > most) return setUntaken(`at most ${most / 1024 / 1024} MB; save it smaller`);
    setBusy(true);
    const kept = await upload({ what, content: file });
    setBusy(false);
    if (kept === 'later') return setUntaken('no connection: it was not kept; choose it again');
    if (kept === 'failed') return setUntaken('the server did not get through with it; try another');
    if (!('hash' in kept)) return setUntaken(kept.title);
    setUntaken(undefined);
    onKept(kept.hash, file);
  };
  return { busy, untaken, take };
}
