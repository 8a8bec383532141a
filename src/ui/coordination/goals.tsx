'use client';
import { weighGoals } from '@/contract/commands/schedule';
import type { CoordinationView } from '@/contract/views/coordination';
import { CommandForm, TextField } from '../kit/form';
import { FormEffect } from '../kit/effect';
import { Block } from '../kit/page';

/** What a better plan is to this firm: after hard rules, lateness by job, then trips and the ends of jobs. */
export function Goals({ view }: { view: CoordinationView }) {
  return (
    <Block heading="What counts">
      <p className="soft small-text mt-2">
        First that nothing lies open and no rule is broken; then half-days after a promise, each times its job’s weight;
        then trips, and half-days until jobs end.
      </p>
      <CommandForm
        kind={weighGoals}
        submit="Save"
        beside={<FormEffect kind={weighGoals} />}
        start={() => ({
          tripWeight: view.tripWeight,
          jobs: view.jobs.map((job) => ({ job: job.id, weight: job.weight })),
        })}
      >
        <TextField name="tripWeight" label="A trip weighs as much as so many half-days" type="number" />
        {view.jobs.map((job, index) => (
          <TextField
            key={job.id}
            name={`jobs.${index}.weight`}
            label={`Weight of lateness, ${job.name}`}
            type="number"
          />
        ))}
      </CommandForm>
    </Block>
  );
}
