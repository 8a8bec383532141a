'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { routes } from '@/contract/routes';
import type { Day } from '@/core/units/day';
import { useToast } from '../kit/toast';
import { makeCommand, newId, post } from '../offline/send';
import { exampleJob } from '../sites/example-job';

/** Sets up a made-up house to look around in; it says of itself that it is one, and is thrown away as a whole. */
export function LookAround({ today }: { today: Day }) {
  const router = useRouter();
  const say = useToast();
  const [at, setAt] = useState<number>();
  const begin = async (): Promise<void> => {
    const { job, commands } = exampleJob(today, newId);
    for (const [index, { type, payload }] of commands.entries()) {
      setAt(Math.round((100 * index) / commands.length));
      const sent = await post(makeCommand(type, payload));
      if (!sent.ok) {
        say({ text: sent.problem.title });
        return setAt(undefined);
      }
    }
    router.push(routes.rooms(job));
    router.refresh();
  };
  return (
    <Button variant="outline-secondary" disabled={at !== undefined} onClick={() => void begin()}>
      {at === undefined ? 'Look around in an example' : `Setting it up, ${at} %`}
    </Button>
  );
}
