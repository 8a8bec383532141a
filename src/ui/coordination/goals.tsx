'use client';
import { weighGoals } from '@/contract/commands/schedule';
import type { CoordinationView } from '@/contract/views/coordination';
import { CommandForm, TextField } from '../kit/form';
import { FormEffect } from '../kit/effect';
import { FoldedBlock } from '../kit/page';

/** What a better plan is to this firm: after hard rules, lateness by job, then trips and the ends of jobs. */
export function Goals({ view }: { view: CoordinationView }) {
  return (
    <FoldedBlock heading="What counts" says="how a better plan is told from a worse one">
      <p className="soft small-text mt-2">
        First that nothing lies open and no rule is broken. Then a half-day after a promise counts 20 half-days, times
        its job’s weight; trips, days that visits move for each who has to hear of it, and half-days until jobs end
        count as said here.
      </p>
      <CommandForm
        kind={weighGoals}
        submit="Save"
        beside={<FormEffect kind={weighGoals} />}
        start={() => ({
          tripWeight: view.tripWeight,
          moveWeight: view.moveWeight,
          frozenDays: view.frozenDays,
          jobs: view.jobs.map((job) => ({ job: job.id, weight: job.weight })),
        })}
      >
        <TextField name="tripWeight" label="A trip weighs as much as so many half-days" type="number" />
        <TextField name="moveWeight" label="A visit moved by a day weighs as much as so many half-days" type="number" />
        <TextField
          name="frozenDays"
          label="Working days in which nothing moves without need"
          type="number"
          hint="Today is the first. Three are usual: people come on the day they were told."
        />
        {view.jobs.map((job, index) => (
          <TextField
            key={job.id}
            name={`jobs.${index}.weight`}
            label={`Weight of lateness, ${job.name}`}
            type="number"
          />
        ))}
      </CommandForm>
    </FoldedBlock>
  );
}
