'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { leaveUntil } from '@/contract/commands/scope';
import { addHold, changeStep, HOLD_KINDS } from '@/contract/commands/sites';
import type { RoomView } from '@/contract/views/job';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { addDays } from '@/core/units/day';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { useToast } from '../kit/toast';
import { SidePanel } from '../kit/side-panel';
import { ChangeArea } from './change-area';
import { newId } from '../offline/send';

type Open = 'area' | 'hold' | 'leave' | 'step';

/** What can be changed about one area, each in a slip of its own. */
export function AreaForms({ view }: { view: RoomView }) {
  const [open, setOpen] = useState<Open>();
  const say = useToast();
  const close = (): void => setOpen(undefined);
  const { area, job } = view;
  const steps = view.steps.map((step) => [step.phase, step.label] as const);
  const kept = (text: string) => () => {
    close();
    say({ text });
  };
  return (
    <>
      <Button variant="outline-secondary" onClick={() => setOpen('hold')} disabled={steps.length === 0}>
        Put it on hold
      </Button>
      <Button variant="link" className="px-1" onClick={() => setOpen('leave')} disabled={steps.length === 0}>
        Leave something until
      </Button>
      <Button variant="link" className="px-1" onClick={() => setOpen('step')} disabled={steps.length === 0}>
        Change a step
      </Button>
      <Button variant="link" className="px-1" onClick={() => setOpen('area')}>
        Change the area
      </Button>
      <SidePanel title={`What is done in ${area.name}`} open={open === 'area'} onClose={close}>
        <ChangeArea
          area={{ ...area, ...view.neighbours, called: view.called, level: area.levelId }}
          levels={view.levels}
          others={view.neighbours.all}
          onDone={kept('Saved; the plan follows.')}
        />
      </SidePanel>
      <SidePanel title={`Something holds ${area.name}`} open={open === 'hold'} onClose={close}>
        <CommandForm
          kind={addHold}
          submit="Hold the work"
          onDone={kept('Held; the plan follows.')}
          start={() => ({
            id: newId(),
            job: job.id,
            area: area.id,
            phase: view.steps.find((step) => step.fraction < 1)?.phase ?? view.steps[0]?.phase,
            kind: 'client' as const,
            label: '',
            text: '',
            expectedOn: addDays(view.today, 3),
          })}
        >
          <SelectField name="phase" label="Which step waits" options={steps} />
          <SelectField name="kind" label="For whom or what" options={HOLD_KINDS.map((kind) => [kind, kind])} />
          <TextField name="label" label="In a word" hint="Stands on the ladder, like “engineer” or “tile choice”." />
          <TextField name="text" label="What is waited for" rows={2} />
          <div className="form-pair">
            <TextField name="askedOn" label="Asked on" type="date" />
            <TextField name="expectedOn" label="Expected on" type="date" />
          </div>
        </CommandForm>
      </SidePanel>
      <SidePanel title={`Left on purpose in ${area.name}`} open={open === 'leave'} onClose={close}>
        <CommandForm
          kind={leaveUntil}
          submit="Leave it"
          onDone={kept('Everybody who works there reads it; taking it away is in the plan.')}
          start={() => ({
            id: newId(),
            area: area.id,
            text: '',
            until: view.steps.find((step) => step.fraction < 1)?.phase ?? view.steps[0]?.phase,
            reason: '',
            trade: 'tear-out' as const,
            halfDays: 1,
          })}
        >
          <TextField name="text" label="What is left" hint="like “the old half wall”" />
          <SelectField name="until" label="Until this is done" options={steps} />
          <TextField name="reason" label="What it protects" hint="like “it is the rail until the floor is in”" />
          <SelectField
            name="trade"
            label="Who takes it away"
            options={TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, TRADES[trade]])}
          />
          <TextField name="halfDays" label="Half-days that takes" type="number" />
        </CommandForm>
      </SidePanel>
      <SidePanel title={`A step in ${area.name}`} open={open === 'step'} onClose={close}>
        <CommandForm
          kind={changeStep}
          submit="Save"
          onDone={kept('Saved; the plan follows.')}
          start={() => {
            const step = view.steps.find((entry) => entry.fraction < 1) ?? view.steps[0];
            return { area: area.id, phase: step?.phase, trade: step?.trade, halfDays: step?.halfDays };
          }}
        >
          <SelectField name="phase" label="Step" options={steps} />
          <SelectField name="trade" label="Who does it" options={TRADE_KEYS.map((trade) => [trade, TRADES[trade]])} />
          <TextField name="halfDays" label="Half-days it takes" type="number" />
        </CommandForm>
      </SidePanel>
    </>
  );
}
