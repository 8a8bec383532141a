'use client';
import { useRouter } from 'next/navigation';
import { removeJob } from '@/contract/commands/sites';
import { routes } from '@/contract/routes';
import type { JobHead } from '@/contract/views/job';
import { LinkButton } from '../kit/link-button';
import { useSend } from '../kit/use-send';

/** What stands on every page of a job that is an example. */
export function ExampleNotice({ job, version }: { job: JobHead; version: number }) {
  const router = useRouter();
  const { busy, give } = useSend();
  const remove = async (): Promise<void> => {
    const told = { text: 'The example is gone.', back: 'The example is back.' };
    if (await give(removeJob, { id: job.id, version }, told)) router.push(routes.today());
  };
  return (
    <p className="example-notice no-print">
      An example to look around in: nothing of it is real. Beside a job of your own it is not planned.{' '}
      <LinkButton disabled={busy} onClick={() => void remove()}>
        Throw it away
      </LinkButton>
    </p>
  );
}
