'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { addLogistic, LOGISTIC_KINDS, settleLogistic } from '@/contract/commands/schedule';
import type { LogisticView, SequenceView } from '@/contract/views/plan';
import { formatDay } from '@/core/units/day';
import { useFormContext } from 'react-hook-form';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

const KIND_WORDS = {
  bin: 'bin',
  scaffold: 'scaffold',
  crane: 'crane',
  pump: 'concrete pump',
  parking: 'permit to park',
  neighbours: 'word to the neighbours',
  other: 'something else',
} as const;

/** What has to stand, be allowed or be told before the work it serves, with the day by which to ask. */
export function Logistics({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<LogisticView | 'new'>();
  const close = (): void => setOpen(undefined);
  const { busy, give } = useSend();
  return (
    <section>
      <div className="block-head">
        <h2>What has to be there</h2>
        <Button
          size="sm"
          variant="link"
          className="push p-0"
          disabled={view.areas.length === 0}
          onClick={() => setOpen('new')}
        >
          Add
        </Button>
      </div>
      {view.logistics.length === 0 && (
        <p className="soft mt-2 small-text">
          Nothing yet: bins, scaffold, a crane, a permit to park, a word to the neighbours.
        </p>
      )}
      <ul className="lines">
        {view.logistics.map((one) => (
          <li key={one.id}>
            <div className="what small-text">
              <span className="fw-bold">{one.label}</span> for {one.step}
              <div className={one.late ? 'bad' : 'soft'}>{standing(one, view.today)}</div>
            </div>
            <span className="text-nowrap">
              {one.state !== 'here' && (
                <>
                  <Button size="sm" variant="link" className="p-0 me-2" onClick={() => setOpen(one)}>
                    {one.state === 'open' ? 'Booked' : 'Other day'}
                    <span className="visually-hidden">: {one.label}</span>
                  </Button>
                  <Button
                    size="sm"
                    variant="link"
                    className="p-0"
                    disabled={busy}
                    onClick={() =>
                      void give(
                        settleLogistic,
                        { id: one.id, version: one.version, state: 'here' },
                        { text: `${one.label} is there.` },
                      )
                    }
                  >
                    It is there<span className="visually-hidden">: {one.label}</span>
                  </Button>
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
      <SidePanel
        title={open === 'new' ? 'What has to be there' : (open?.label ?? '')}
        open={open !== undefined}
        onClose={close}
      >
        {open === 'new' ? (
          <CommandForm
            kind={addLogistic}
            submit="Add"
            onDone={close}
            start={() => ({
              id: newId(),
              job: view.job.id,
              kind: 'bin' as const,
              label: '',
              area: view.areas[0]?.id ?? '',
              phase: undefined,
              leadDays: 7,
            })}
          >
            <SelectField name="kind" label="Kind" options={LOGISTIC_KINDS.map((kind) => [kind, KIND_WORDS[kind]])} />
            <TextField name="label" label="What" />
            <StepFields view={view} />
            <TextField name="leadDays" label="Days it takes from asking" type="number" />
          </CommandForm>
        ) : (
          open && (
            <CommandForm
              kind={settleLogistic}
              submit="Keep"
              onDone={close}
              start={() => ({
                id: open.id,
                version: open.version,
                state: 'booked' as const,
                bookedOn: open.bookedOn ?? open.neededBy ?? view.today,
              })}
            >
              <TextField name="bookedOn" label="Booked for" type="date" />
            </CommandForm>
          )
        )}
      </SidePanel>
    </section>
  );
}

function StepFields({ view }: { view: SequenceView }) {
  const area = useFormContext().watch('area') as string;
  return (
    <div className="form-pair">
      <SelectField name="area" label="For the work in" options={view.areas.map((one) => [one.id, one.name])} />
      <SelectField
        name="phase"
        label="Before"
        none="choose"
        options={(view.areas.find((one) => one.id === area)?.steps ?? []).map((step) => [step.phase, step.label])}
      />
    </div>
  );
}

function standing(one: LogisticView, today: string): string {
  if (one.state === 'here') return 'is there';
  const needed = one.neededBy ? `, needed ${formatDay(one.neededBy, today)}` : '';
  if (one.state === 'booked' && one.bookedOn) return `booked for ${formatDay(one.bookedOn, today)}${needed}`;
  const takes = `takes ${one.leadDays} ${one.leadDays === 1 ? 'day' : 'days'}${needed}`;
  if (!one.askBy) return takes;
  return `${takes}: ${one.late ? 'ask at once, the step waits for it' : `ask by ${formatDay(one.askBy, today)}`}`;
}
