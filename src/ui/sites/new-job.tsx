'use client';
import { routes } from '@/contract/routes';
import { useRouter } from 'next/navigation';
import { openJob } from '@/contract/commands/sites';
import type { Day } from '@/core/units/day';
import { CommandForm } from '../kit/form';
import { newId } from '../offline/send';
import { JobFields } from './job-fields';
import { PageHead } from '../kit/page';

export function NewJob({ today }: { today: Day }) {
  const router = useRouter();
  return (
    <div className="page">
      <PageHead heading="New job">
        <span className="soft">then its rooms, and a first plan</span>
      </PageHead>
      <CommandForm
        kind={openJob}
        submit="Open the job"
        onDone={({ id }) => router.push(routes.areas(id))}
        start={() => ({ id: newId(), name: '', units: 'metric' as const, startDay: today, livedIn: false })}
      >
        <JobFields />
      </CommandForm>
    </div>
  );
}
