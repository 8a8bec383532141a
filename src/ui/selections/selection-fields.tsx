'use client';
import { useFormContext, useFormState } from 'react-hook-form';
import { DECIDER_KEYS, DECIDERS } from '@/core/selections/states';
import { CheckField, SelectField, TextField } from '../kit/form';
import { MoneyField } from '../kit/measure-fields';
import { PictureField } from '../kit/picture-field';

/** What a selection is, from whom, how long it takes and whose word settles it. */
export function SelectionFields({
  suppliers,
  calculations = [],
}: {
  suppliers: readonly string[];
  calculations?: readonly { id: string; text: string }[];
}) {
  return (
    <>
      <TextField name="choice" label="What was chosen" />
      <div className="form-pair">
        <TextField name="code" label="Code" />
        <TextField name="colour" label="Colour" />
        <TextField name="finish" label="Finish" />
      </div>
      <CodeMeant />
      <div className="form-pair">
        <TextField name="quantity" label="How many" type="number" />
        <TextField name="unit" label="Unit" hint="m², sq ft, pieces" />
        <MoneyField name="unitPrice" label="Price of one" />
      </div>
      {calculations.length > 0 && (
        <SelectField
          name="calculation"
          label="Its quantity follows"
          none="nothing: it is typed"
          options={calculations.map((calculation) => [calculation.id, calculation.text])}
        />
      )}
      <TextField name="supplier" label="From whom" list={suppliers} hint="A name that is new becomes a supplier." />
      <div className="form-pair">
        <TextField name="leadLow" label="Days to come, at best" type="number" />
        <TextField name="leadHigh" label="at worst" type="number" hint="dates count on this one" />
      </div>
      <div className="form-pair">
        <SelectField name="decides" label="Who decides" options={DECIDER_KEYS.map((key) => [key, DECIDERS[key]])} />
        <TextField name="approves" label="Who approves" hint="if anybody" />
      </div>
      <details>
        <summary>Days kept for it</summary>
        <div className="form-pair mt-2">
          <TextField name="thinkDays" label="To decide" type="number" />
          <TextField name="bufferDays" label="In hand" type="number" />
          <TextField name="checkDays" label="To unpack, look" type="number" />
          <TextField name="acclimatiseDays" label="To lie in the room" type="number" />
        </div>
      </details>
      <PictureField name="picture" label="Picture" />
      <TextField name="note" label="Note" rows={2} />
    </>
  );
}

/** A code that is built otherwise than its kind is asked about, not forbidden. */
function CodeMeant() {
  const { errors } = useFormState();
  const asked = useFormContext().watch('codeMeant') as boolean | undefined;
  const unlike = [errors.code, errors.colour].some(
    (error) => typeof error?.message === 'string' && error.message.includes('built otherwise'),
  );
  return unlike || asked ? <CheckField name="codeMeant" label="It is meant like this" /> : null;
}
