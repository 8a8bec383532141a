'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { PayloadOf } from '@/contract/command';
import type { KnownKind } from '@/contract/commands';
import { send } from '../offline/send';
import { useToast } from './toast';

interface Told {
  text: string;
  undo?: () => void;
}

/** Sends it. @returns whether it was kept */
export type Give = <Kind extends KnownKind>(kind: Kind, payload: PayloadOf<Kind>, told?: Told) => Promise<boolean>;

/** Sends a change of one button: says what was kept, or why not, and has the screen look again. */
export function useSend() {
  const router = useRouter();
  const say = useToast();
  const [busy, setBusy] = useState(false);
  const give = useCallback<Give>(
    async (kind, payload, told) => {
      setBusy(true);
      const sent = await send(kind, payload);
      setBusy(false);
      if (!sent.ok) say({ text: sent.problem.title });
      else if (told) say(told);
      router.refresh();
      return sent.ok;
    },
    [router, say],
  );
  return { busy, give };
}
