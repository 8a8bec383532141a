'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { dropGate, setGate } from '@/contract/commands/schedule';
import type { SequenceView } from '@/contract/views/plan';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { FormEffect } from '../kit/effect';
import { CheckField, CommandForm, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { FoldedBlock } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

/** Areas brought to one gate together, milestones, and several steps joined into one visit. */
export function Gates({ view }: { view: SequenceView }) {
  const [adding, setAdding] = useState(false);
  const { busy, give } = useSend();
  return (
    <FoldedBlock
      heading="Gates and milestones"
      of="word.gate"
      says={view.gates.length > 0 ? view.gates.map(({ label }) => label).join(', ') : 'none'}
      beside={
        <LinkButton className="push" disabled={view.areas.length === 0} onClick={() => setAdding(true)}>
          Set one
        </LinkButton>
      }
    >
      {view.gates.length === 0 && (
        <p className="soft mt-2 small-text">
          None. A gate waits until several rooms are ready; then one trade comes, once.
        </p>
      )}
      <Lines>
        {view.gates.map((gate) => (
          <Line
            key={gate.id}
            small
            beside={
              <LinkButton
                disabled={busy}
                onClick={() => void give(dropGate, { id: gate.id }, { text: `${gate.label} is dropped.` })}
              >
                Remove<Hidden> {gate.label}</Hidden>
              </LinkButton>
            }
          >
            <span className="fw-bold">{gate.label}</span> <span className="soft">{gate.when}</span>
            {gate.before.length > 0 && <div>after {gate.before.join(', ')}</div>}
            {gate.after.length > 0 && (
              <div>
                before {gate.after.join(', ')}
                {gate.together && ', in one visit'}
              </div>
            )}
            <div className="soft">{gate.reason}</div>
          </Line>
        ))}
      </Lines>
      <SidePanel title="Set a gate or milestone" open={adding} onClose={() => setAdding(false)}>
        {adding && <GateForm view={view} onDone={() => setAdding(false)} />}
      </SidePanel>
    </FoldedBlock>
  );
}

type End = { area: string; phase: Phase };

/** One step of the work in several areas, before or after the gate. */
function GateForm({ view, onDone }: { view: SequenceView; onDone: () => void }) {
  const [before, setBefore] = useState<{ phase: string; areas: Set<string> }>({ phase: '', areas: new Set() });
  const [after, setAfter] = useState<{ phase: string; areas: Set<string> }>({ phase: '', areas: new Set() });
  const ends = (side: typeof before): End[] => [...side.areas].map((area) => ({ area, phase: side.phase as Phase }));
  return (
    <>
      <Side view={view} label="Ready before it" side={before} onChange={setBefore} />
      <Side view={view} label="Comes after it" side={after} onChange={setAfter} />
      <CommandForm
        key={`${before.phase}${[...before.areas].join()}${after.phase}${[...after.areas].join()}`}
        kind={setGate}
        submit="Set it"
        onDone={onDone}
        beside={<FormEffect kind={setGate} />}
        start={() => ({
          id: newId(),
          job: view.job.id,
          label: after.phase ? `Ready for ${phaseFacts(after.phase as Phase).label}` : '',
          reason: '',
          before: ends(before),
          after: ends(after),
          together: false,
        })}
      >
        <TextField name="label" label="Name" />
        <CheckField
          name="together"
          label="One room after the other (leave it off for inspections: they look at all rooms at once)"
        />
        <TextField name="notBefore" label="Not before" type="date" hint="Where it has a day of its own." />
        <TextField name="reason" label="Because" />
      </CommandForm>
    </>
  );
}

function Side({
  view,
  label,
  side,
  onChange,
}: {
  view: SequenceView;
  label: string;
  side: { phase: string; areas: Set<string> };
  onChange: (side: { phase: string; areas: Set<string> }) => void;
}) {
  const phases = [
    ...new Map(view.areas.flatMap((area) => area.steps.map((step) => [step.phase, step.label] as const))),
  ];
  const areas = view.areas.filter((area) => area.steps.some((step) => step.phase === side.phase));
  return (
    <fieldset className="mb-3">
      <legend className="form-label fs-6 mb-1">{label}</legend>
      <Form.Select
        aria-label={`${label}: which step`}
        value={side.phase}
        onChange={(event) =>
          onChange({
            phase: event.target.value,
            areas: new Set(
              view.areas
                .filter((area) => area.steps.some((step) => step.phase === event.target.value))
                .map((area) => area.id),
            ),
          })
        }
      >
        <option value="">nothing</option>
        {phases.map(([phase, text]) => (
          <option key={phase} value={phase}>
            {text}
          </option>
        ))}
      </Form.Select>
      <div className="ticks mt-1">
        {areas.map((area) => (
          <Form.Check
            key={area.id}
            id={`${label}-${area.id}`}
            label={area.name}
            checked={side.areas.has(area.id)}
            onChange={() =>
              onChange({
                ...side,
                areas: new Set(
                  side.areas.has(area.id)
                    ? [...side.areas].filter((entry) => entry !== area.id)
                    : [...side.areas, area.id],
                ),
              })
            }
          />
        ))}
      </div>
    </fieldset>
  );
}
