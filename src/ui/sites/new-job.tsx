'use client';
import { routes } from '@/contract/routes';
import { useRouter } from 'next/navigation';
import { openJob } from '@/contract/commands/sites';
import type { Day } from '@/core/units/day';
import { CommandForm } from '../kit/form';
import { newId } from '../offline/send';
import { JobFields } from './job-fields';

export function NewJob({ today }: { today: Day }) {
  const router = useRouter();
  return (
    <div className="page">
      <div className="page-head">
        <h1>New job</h1>
        <span className="soft">then its rooms, and a first plan</span>
      </div>
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
