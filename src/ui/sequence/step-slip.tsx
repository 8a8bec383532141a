'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { timeStep } from '@/contract/commands/knowledge';
import { giveToOthers, splitStep } from '@/contract/commands/schedule';
import type { StepView } from '@/contract/views/plan';
import { FormEffect } from '../kit/effect';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { useSend } from '../kit/use-send';
import { OthersFields } from './others-fields';

/** How long a step takes and from what, in which parts, and whether somebody else does it. */
export function StepSlip({ step, onDone }: { step: StepView; onDone: () => void }) {
  const { time, area, phase } = step;
  if (!time || !area || !phase) return null;
  return (
    <>
      <h3>How long</h3>
      <CommandForm
        kind={timeStep}
        submit="Save"
        onDone={onDone}
        beside={<FormEffect kind={timeStep} />}
        start={() => ({ area, phase, basis: time.basis, halfDays: time.halfDays, crews: time.crews })}
      >
        <SelectField
          name="basis"
          label="The time comes from"
          options={[
            ['size', 'the size of the room'],
            [
              'quantity',
              time.measured === null
                ? 'the drawing (not drawn or not measured)'
                : `the drawing: ${time.measured} half-days of one crew`,
            ],
            ['hand', 'what I say here'],
          ]}
        />
        <div className="form-pair">
          <TextField name="halfDays" label="Half-days of one crew" type="number" hint="Counts where you say it." />
          <TextField name="crews" label="Crews at once" type="number" />
        </div>
      </CommandForm>
      <Parts step={step} onDone={onDone} />
      <h3 className="mt-4">Who does it</h3>
      <CommandForm
        kind={giveToOthers}
        submit="Save"
        onDone={onDone}
        start={() => ({
          steps: [{ area, phase }],
          who: time.others ?? '',
          ...(time.othersOn ? { expectedOn: time.othersOn } : {}),
        })}
      >
        <OthersFields />
      </CommandForm>
    </>
  );
}

/** A step cut in two or more, each to be placed by itself; or joined again. */
function Parts({ step, onDone }: { step: StepView; onDone: () => void }) {
  const whole = step.time?.halfDays ?? 1;
  const [parts, setParts] = useState(
    step.time?.parts.length
      ? step.time.parts
      : [
          { label: 'first half', halfDays: Math.ceil(whole / 2) },
          { label: 'second half', halfDays: Math.floor(whole / 2) },
        ],
  );
  const { busy, give } = useSend();
  const sum = parts.reduce((total, part) => total + part.halfDays, 0);
  const { area, phase } = step;
  if (!area || !phase) return null;
  const change = (at: number, part: Partial<(typeof parts)[number]>): void =>
    setParts(parts.map((entry, place) => (place === at ? { ...entry, ...part } : entry)));
  const keep = async (list: typeof parts): Promise<void> => {
    if (
      await give(
        splitStep,
        { area, phase, parts: list },
        { text: list.length > 0 ? 'It is done in parts now.' : 'It is one piece again.' },
      )
    )
      onDone();
  };
  if (whole < 2 && !step.time?.parts.length) return null;
  return (
    <section className="mt-4">
      <h3>In parts</h3>
      {parts.map((part, index) => (
        <div className="form-pair mb-2" key={index}>
          <Form.Group controlId={`part-${index}`}>
            <Form.Label className="mb-1">Part {index + 1}</Form.Label>
            <Form.Control
              value={part.label}
              maxLength={60}
              onChange={(event) => change(index, { label: event.target.value })}
            />
          </Form.Group>
          <Form.Group controlId={`part-${index}-time`}>
            <Form.Label className="mb-1">Half-days</Form.Label>
            <Form.Control
              inputMode="numeric"
              value={part.halfDays}
              onChange={(event) => change(index, { halfDays: Number(event.target.value.replace(/\D/g, '')) })}
            />
          </Form.Group>
        </div>
      ))}
      {sum !== whole && (
        <p className="bad small-text" role="alert">
          The parts make {sum} half-days, and the step has {whole}: together they have to make the whole.
        </p>
      )}
      <div className="actions">
        <Button size="sm" disabled={busy || sum !== whole} onClick={() => void keep(parts)}>
          Do it in parts
        </Button>
        {parts.length < Math.min(9, whole) && (
          <Button
            size="sm"
            variant="link"
            onClick={() => setParts([...parts, { label: `part ${parts.length + 1}`, halfDays: 1 }])}
          >
            One more part
          </Button>
        )}
        {(step.time?.parts.length ?? 0) > 0 && (
          <Button size="sm" variant="link" disabled={busy} onClick={() => void keep([])}>
            Join it again
          </Button>
        )}
      </div>
    </section>
  );
}
