'use client';
import { useState } from 'react';
import { addLogistic, LOGISTIC_KINDS, settleLogistic } from '@/contract/commands/schedule';
import type { LogisticView, SequenceView } from '@/contract/views/plan';
import { formatDay } from '@/core/units/day';
import { useFormContext } from 'react-hook-form';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

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
    <Block
      heading={<Means of="word.logistic">What has to be there</Means>}
      beside={
        <LinkButton className="push" disabled={view.areas.length === 0} onClick={() => setOpen('new')}>
          Add
        </LinkButton>
      }
    >
      {view.logistics.length === 0 && (
        <p className="soft mt-2 small-text">
          Nothing yet: bins, scaffold, a crane, a permit to park, a word to the neighbours.
        </p>
      )}
      <Lines>
        {view.logistics.map((logistic) => (
          <Line
            key={logistic.id}
            small
            beside={
              <span className="text-nowrap">
                {logistic.state !== 'here' && (
                  <>
                    <LinkButton className="me-2" onClick={() => setOpen(logistic)}>
                      {logistic.state === 'open' ? 'Booked' : 'Other day'}
                      <Hidden>: {logistic.label}</Hidden>
                    </LinkButton>
                    <LinkButton
                      disabled={busy}
                      onClick={() =>
                        void give(
                          settleLogistic,
                          { id: logistic.id, version: logistic.version, state: 'here' },
                          { text: `${logistic.label} is there.` },
                        )
                      }
                    >
                      It is there<Hidden>: {logistic.label}</Hidden>
                    </LinkButton>
                  </>
                )}
              </span>
            }
          >
            <span className="fw-bold">{logistic.label}</span> for {logistic.step}
            <div className={logistic.late ? 'bad' : 'soft'}>{standing(logistic, view.today)}</div>
          </Line>
        ))}
      </Lines>
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
              submit="Save"
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
    </Block>
  );
}

function StepFields({ view }: { view: SequenceView }) {
  const area = useFormContext().watch('area') as string;
  return (
    <div className="form-pair">
      <SelectField name="area" label="For the work in" options={view.areas.map((entry) => [entry.id, entry.name])} />
      <SelectField
        name="phase"
        label="Before"
        none="choose"
        options={(view.areas.find((entry) => entry.id === area)?.steps ?? []).map((step) => [step.phase, step.label])}
      />
    </div>
  );
}

function standing(logistic: LogisticView, today: string): string {
  if (logistic.state === 'here') return 'is there';
  const needed = logistic.neededBy ? `, needed ${formatDay(logistic.neededBy, today)}` : '';
  if (logistic.state === 'booked' && logistic.bookedOn)
    return `booked for ${formatDay(logistic.bookedOn, today)}${needed}`;
  const takes = `takes ${logistic.leadDays} ${logistic.leadDays === 1 ? 'day' : 'days'}${needed}`;
  if (!logistic.askBy) return takes;
  return `${takes}: ${logistic.late ? 'ask at once, the step waits for it' : `ask by ${formatDay(logistic.askBy, today)}`}`;
}
