import { addAssumption, changeAssumption } from '@/contract/commands/scope';
import type { AssumptionView } from '@/contract/views/scope';
import { BEARING_SIGN_KEYS, BEARING_SIGNS } from '@/core/scope/bearing-signs';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { MoneyField } from '../kit/measure-fields';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from './line-fields';

interface Terms {
  job: string;
  area: string;
  phases: { phase: string; label: string }[];
  assumption?: AssumptionView;
  onDone: () => void;
}

/** What is believed, which step will show it, and what follows if it is otherwise. */
export function AssumptionForm({ job, area, phases, assumption, onDone }: Terms) {
  const fields = (
    <>
      <TextField
        name="text"
        label="We assume that"
        hint="like “the sheathing is sound” or “the wall carries nothing”"
      />
      <TextField name="why" label="Why we think so" />
      <SelectField
        name="phase"
        label="The step that will show it"
        options={phases.map((step) => [step.phase, step.label])}
      />
      <TextField name="fallback" label="If not, we" hint="like “replace the sheathing”" />
      <div className="form-pair">
        <SelectField name="fallbackTrade" label="Whose work it is then" options={TRADE_OPTIONS} />
        <TextField name="fallbackHalfDays" label="Half-days it then takes" type="number" />
      </div>
      <MoneyField name="fallbackPrice" label="What it then costs" />
      <TextField name="sure" label="How sure we are, %" type="number" hint="may stay open" />
      <details>
        <summary>Signs that a wall carries, or not</summary>
        <div className="mt-2">
          <TicksField
            name="signs"
            label="Seen"
            options={BEARING_SIGN_KEYS.map((sign) => [
              sign,
              `${BEARING_SIGNS[sign].label} (${BEARING_SIGNS[sign].carries ? 'it may carry' : 'it may not'})`,
            ])}
          />
          <p className="small-text soon mb-0">
            Signs make it likely, never certain: what carries is an engineer’s to say before it is cut.
          </p>
        </div>
      </details>
    </>
  );
  if (assumption) {
    const { id, version, phase, text, why, fallback, fallbackTrade, fallbackHalfDays, fallbackPrice, sure, signs } =
      assumption;
    return (
      <CommandForm
        kind={changeAssumption}
        submit="Save"
        onDone={onDone}
        start={() => ({
          id,
          version,
          phase,
          text,
          why,
          fallback,
          fallbackTrade,
          fallbackHalfDays,
          fallbackPrice,
          sure,
          signs,
        })}
      >
        {fields}
      </CommandForm>
    );
  }
  return (
    <CommandForm
      kind={addAssumption}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: newId(),
        job,
        area,
        phase: phases[0]?.phase as never,
        text: '',
        why: '',
        fallback: '',
        fallbackTrade: 'carpentry' as const,
        fallbackHalfDays: 2,
        fallbackPrice: 0,
        sure: null,
        signs: [],
      })}
    >
      {fields}
    </CommandForm>
  );
}
