'use client';
import { useFormContext, useWatch } from 'react-hook-form';
import { Form } from 'react-bootstrap';
import { addFinding, changeFinding } from '@/contract/commands/scope';
import type { FindingView } from '@/contract/views/scope';
import { FINDING_KINDS, type FindingField, type FindingKind } from '@/core/scope/finding';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { LinesField } from '../kit/lines-field';
import { TRADE_OPTIONS } from './line-fields';
import { PictureField } from '../kit/picture-field';
import { MoneyField } from '../kit/measure-fields';
import { newId } from '../offline/send';
import type { JSX } from 'react';

interface Terms {
  job: string;
  area: string | null;
  kind: FindingKind;
  finding?: FindingView;
  onDone: () => void;
}

/** One finding: asks what matters for its kind and nothing else. */
export function FindingForm({ job, area, kind, finding, onDone }: Terms) {
  const fields = <FindingFields kind={kind} />;
  return finding ? (
    <ChangeFinding finding={finding} kind={kind} fields={fields} onDone={onDone} />
  ) : (
    <NewFinding onDone={onDone} job={job} kind={kind} area={area} fields={fields} />
  );
}

/** What is asked of a finding of this kind. */
function FindingFields({ kind }: { kind: FindingKind }) {
  const { asks, subject } = FINDING_KINDS[kind];
  const asked = (name: FindingField): boolean => (asks as readonly FindingField[]).includes(name);
  return (
    <>
      <TextField name="subject" label="What it is" hint={`like “${subject}”`} />
      {(asked('quantity') || asked('unit')) && (
        <div className="form-pair">
          {asked('quantity') && (
            <TextField name="quantity" label={kind === 'damage' ? 'How far it reaches' : 'How many'} type="number" />
          )}
          {asked('unit') && <TextField name="unit" label="Unit" hint="m, m², ft, sq ft, pieces" />}
        </div>
      )}
      {asked('live') && <LiveField />}
      {asked('need') && (
        <TextField
          name="need"
          label={kind === 'service' ? 'How it is marked' : 'What it needs'}
          hint={kind === 'service' ? 'like “red tape, do not cut”' : 'like “an extension box” or “a flashing”'}
        />
      )}
      {asked('trade') && (
        <SelectField name="trade" label="Whose it is" none="as its name says" options={TRADE_OPTIONS} />
      )}
      {asked('cause') && <TextField name="cause" label="Cause" hint="like “soil too high” or “no flashing”" />}
      {asked('remedy') && <TextField name="remedy" label="Fix for the cause" hint="Or it comes again." />}
      {asked('place') && <TextField name="place" label={kind === 'approval' ? 'From whom' : 'Where it is kept'} />}
      {asked('leadDays') && <TextField name="leadDays" label="Days it takes" type="number" />}
      {(asked('allowed') || asked('unitPrice')) && <PriceFields kind={kind} asked={asked} />}
      <PictureField name="picture" label="Picture" />
      {asked('options') && <LinesField name="options" label="The ways to do it, one a line" />}
    </>
  );
}

/** How much of it the price holds, and what more of it costs. */
const PriceFields = ({ kind, asked }: { kind: FindingKind; asked: (name: FindingField) => boolean }) => (
  <div className="form-pair">
    {asked('allowed') && <TextField name="allowed" label="Included in the price" type="number" hint="More is extra." />}
    {asked('unitPrice') && (
      <MoneyField name="unitPrice" label={kind === 'damage' ? 'Extra price each' : 'Price each'} />
    )}
  </div>
);

/** A finding that is there already. */
function ChangeFinding({
  finding,
  kind,
  fields,
  onDone,
}: {
  finding: FindingView;
  kind: FindingKind;
  fields: JSX.Element;
  onDone: () => void;
}) {
  const { id, version, subject, unit, need, place, cause, remedy, options } = finding;
  const { area, quantity, live, trade, allowed, unitPrice, leadDays, picture } = finding;
  const numbers = Object.fromEntries(
    Object.entries({ area, quantity, live, trade, allowed, unitPrice, leadDays, picture }).filter(
      ([, value]) => value !== null,
    ),
  );
  return (
    <CommandForm
      kind={changeFinding}
      submit="Save"
      onDone={onDone}
      start={() => ({ id, version, kind, subject, unit, need, place, cause, remedy, options, ...numbers })}
    >
      {fields}
    </CommandForm>
  );
}

/** A finding that is written down for the first time. */
function NewFinding({
  onDone,
  job,
  kind,
  area,
  fields,
}: {
  onDone: () => void;
  job: string;
  kind: FindingKind;
  area: string | null;
  fields: JSX.Element;
}) {
  return (
    <CommandForm
      kind={addFinding}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: newId(),
        job,
        kind,
        subject: '',
        options: kind === 'site-choice' ? ['', ''] : [],
        ...(area ? { area } : {}),
      })}
    >
      {fields}
    </CommandForm>
  );
}

/** Live, dead, or not known: what is not known is taken for live. */
function LiveField() {
  const { setValue } = useFormContext();
  const live = useWatch({ name: 'live' }) as boolean | undefined;
  return (
    <fieldset>
      <legend className="form-label fs-6 mb-1">It is</legend>
      <div className="d-flex flex-wrap gap-3">
        {(
          [
            ['live', true],
            ['dead, proved so', false],
            ['not known: taken for live', undefined],
          ] as const
        ).map(([words, value]) => (
          <Form.Check
            key={words}
            type="radio"
            id={`live-${String(value)}`}
            name="live-choice"
            label={words}
            checked={live === value}
            onChange={() => setValue('live', value)}
          />
        ))}
      </div>
      <Form.Text>Electricity and gas are proved dead by licensed people.</Form.Text>
    </fieldset>
  );
}

/** Which kind, first; then its form. */
export const FINDING_ORDER: readonly (readonly [string, readonly FindingKind[]])[] = [
  ['Here', ['damage', 'penetration', 'service', 'refit', 'salvage', 'allowance', 'site-choice']],
  ['Around', ['access', 'neighbour', 'boundary', 'approval', 'parking', 'animals']],
];
