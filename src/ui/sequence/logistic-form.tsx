'use client';
import { useFormContext } from 'react-hook-form';
import { addLogistic, changeLogistic, settleLogistic } from '@/contract/commands/schedule';
import type { LogisticView, ProposalView, SequenceView } from '@/contract/views/plan';
import { LOGISTIC_FACTS, LOGISTIC_KINDS } from '@/core/sequence/logistics';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { newId } from '../offline/send';

/** Asks for something that has to be there; a proposal of the works fills the form. */
export function NewLogistic({
  view,
  proposal,
  onDone,
}: {
  view: SequenceView;
  proposal?: ProposalView | undefined;
  onDone: () => void;
}) {
  const { key, kind, label, area, phase, leadDays, place, howMuch, contact, phone } = proposal ?? {};
  return (
    <CommandForm
      kind={addLogistic}
      submit="Add it"
      onDone={onDone}
      start={() => ({
        id: newId(),
        job: view.job.id,
        kind: kind ?? ('bin' as const),
        label: label ?? '',
        area: area ?? view.areas[0]?.id ?? '',
        phase,
        leadDays: leadDays ?? 7,
        proposal: key ?? ('' as const),
        place: place ?? '',
        howMuch: howMuch ?? '',
        contact: contact ?? '',
        phone: phone ?? '',
        fromHour: '',
        toHour: '',
      })}
    >
      {!proposal && (
        <SelectField
          name="kind"
          label="Kind"
          options={LOGISTIC_KINDS.map((entry) => [entry, LOGISTIC_FACTS[entry].label])}
        />
      )}
      <TextField name="label" label="What" />
      <StepFields view={view} />
      <LogisticFields />
    </CommandForm>
  );
}

/** Changes what is known of it. */
export function ChangeLogistic({ logistic, onDone }: { logistic: LogisticView; onDone: () => void }) {
  const { id, version, label, leadDays, place, fromHour, toHour, howMuch, contact, phone } = logistic;
  return (
    <CommandForm
      kind={changeLogistic}
      submit="Save"
      onDone={onDone}
      start={() => ({ id, version, label, leadDays, place, fromHour, toHour, howMuch, contact, phone })}
    >
      <TextField name="label" label="What" />
      <LogisticFields />
    </CommandForm>
  );
}

/** The day it was booked for. */
export function BookLogistic({
  logistic,
  today,
  onDone,
}: {
  logistic: LogisticView;
  today: string;
  onDone: () => void;
}) {
  const { id, version, bookedOn, neededBy } = logistic;
  return (
    <CommandForm
      kind={settleLogistic}
      submit="Save"
      onDone={onDone}
      start={() => ({ id, version, state: 'booked' as const, bookedOn: bookedOn ?? neededBy ?? today })}
    >
      <TextField name="bookedOn" label="Booked for" type="date" />
    </CommandForm>
  );
}

/** How much of it, where and when it stands, and whom to call. */
const LogisticFields = () => (
  <>
    <TextField name="howMuch" label="How much" hint="like “2 bins of 6 m³” or “4 m³ of concrete, 30 m of hose”" />
    <TextField name="place" label="Where it stands" hint="like “on the street before the gate”" />
    <div className="form-pair">
      <TextField name="fromHour" label="From" hint="like 07:00" />
      <TextField name="toHour" label="Until" hint="like 09:00" />
    </div>
    <div className="form-pair">
      <TextField name="contact" label="Whom to call" />
      <TextField name="phone" label="Telephone" type="tel" />
    </div>
    <TextField name="leadDays" label="Days it takes from asking" type="number" />
  </>
);

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
