import { addAssumption, changeAssumption } from '@/contract/commands/scope';
import type { AssumptionView } from '@/contract/views/scope';
import { CommandForm, SelectField, TextField } from '../kit/form';
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
    </>
  );
  if (assumption) {
    const { id, version, phase, text, why, fallback, fallbackTrade, fallbackHalfDays, fallbackPrice } = assumption;
    return (
      <CommandForm
        kind={changeAssumption}
        submit="Save"
        onDone={onDone}
        start={() => ({ id, version, phase, text, why, fallback, fallbackTrade, fallbackHalfDays, fallbackPrice })}
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
      })}
    >
      {fields}
    </CommandForm>
  );
}
