'use client';
import { useRouter } from 'next/navigation';
import { removeJob } from '@/contract/commands/sites';
import { routes } from '@/contract/routes';
import type { JobHead } from '@/contract/views/job';
import { LinkButton } from '../kit/link-button';
import { useSend } from '../kit/use-send';

/** A job that was set up by mistake goes; it can be brought back at once, or later from Firm. */
export function RemoveJob({ job, version }: { job: JobHead; version: number }) {
  const router = useRouter();
  const { busy, give } = useSend();
  const remove = async (): Promise<void> => {
    const told = { text: `${job.name} was removed; it can be brought back from Firm.`, back: `${job.name} is back.` };
    if (await give(removeJob, { id: job.id, version }, told)) router.push(routes.today());
  };
  return (
    <p className="small-text mt-4 mb-0">
      <span className="soft">
        A job that is over is closed by its status. One that was set up by mistake can be removed: nothing recorded is
        lost.
      </span>{' '}
      <LinkButton disabled={busy} onClick={() => void remove()}>
        Remove this job
      </LinkButton>
    </p>
  );
}
