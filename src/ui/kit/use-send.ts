'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { PayloadOf } from '@/contract/command';
import type { KnownKind } from '@/contract/commands';
import { undo } from '@/contract/commands/undo';
import { send } from '../offline/send';
import { useDelivery } from './delivery';
import { useToast } from './toast';

interface Told {
  text: string;
  /** What is said when it was taken back; without it there is no way back from here. */
  back?: string;
}

/** Sends it. @returns whether it was kept */
export type Give = <Kind extends KnownKind>(kind: Kind, payload: PayloadOf<Kind>, told?: Told) => Promise<boolean>;

/** Sends a change of one button: says what was kept, or why not, and has the screen look again. */
export function useSend() {
  const router = useRouter();
  const say = useToast();
  const delivery = useDelivery();
  const [busy, setBusy] = useState(false);
  const give = useCallback<Give>(
    async function give(kind, payload, told): Promise<boolean> {
      setBusy(true);
      const sent = await (delivery ? delivery.deliver(kind, payload) : send(kind, payload));
      setBusy(false);
      if (!sent.ok) say({ text: sent.problem.title });
      else if (told) {
        const { text, back } = told;
        const takeBack = () => void give(undo, { command: sent.command }, { text: back ?? '' });
        say({ text, ...(back ? { undo: takeBack } : {}) });
      }
      // What is kept on the device first is not at the server yet.
      if (!delivery) router.refresh();
      return sent.ok;
    },
    [delivery, router, say],
  );
  return { busy, give };
}
