'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import type { AnyObject, ObjectSchema } from 'yup';
import type { CommandKind, PayloadOf } from '@/contract/command';
import { send } from '../offline/send';
import { useSay } from './said';

interface Told {
  text: string;
  undo?: () => void;
}

/** Sends a change of one button: says what was kept, or why not, and has the screen look again. */
export function useSend() {
  const router = useRouter();
  const say = useSay();
  const [busy, setBusy] = useState(false);
  const give = useCallback(
    async <Kind extends CommandKind<ObjectSchema<AnyObject>>>(
      kind: Kind,
      payload: PayloadOf<Kind>,
      told?: Told,
    ): Promise<boolean> => {
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
