'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { formatLength, parseLength, type LengthSystem } from '@/core/units/length';
import { answer, refuse, type Outcome } from '@/core/problem';
import { readAmount, sayAmount } from '@/core/quantities/units';
import { plainSigns, readNumber } from '@/core/units/number';
import { readQuantity } from '@/core/units/quantity';
import { described, FieldFrame, useFieldId, type FieldTerms } from './form';

function Typed({
  name,
  label,
  hint,
  mono,
  text,
  error,
  onText,
  onBlur,
  inputRef,
}: FieldTerms & {
  mono?: boolean;
  text: string;
  error: string | undefined;
  onText: (text: string) => void;
  onBlur: () => void;
  inputRef: React.Ref<HTMLInputElement>;
}) {
  return (
    <FieldFrame {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      <Form.Control
        ref={inputRef}
        name={name}
        className={mono ? 'mono' : ''}
        inputMode={mono ? 'text' : 'decimal'}
        autoComplete="off"
        value={text}
        isInvalid={error !== undefined}
        aria-invalid={error !== undefined}
        {...described(useFieldId(name), hint, error)}
        onChange={(event) => onText(event.target.value)}
        onBlur={onBlur}
      />
    </FieldFrame>
  );
}

/** The message of a field whatever depth it was found at: a length is an object of two. */
function messageOf(error: unknown): string | undefined {
  if (typeof error !== 'object' || error === null) return undefined;
  const { message, mm, typed } = error as {
    message?: unknown;
    mm?: { message?: string };
    typed?: { message?: string };
  };
  return typeof message === 'string' && message !== '' ? message : (mm?.message ?? typed?.message);
}

/**
 * A length as the job writes it, kept in mm with its text. With `none` it may be left empty; `signed` takes a minus.
 */
export function LengthField({
  system,
  none,
  signed,
  ...terms
}: FieldTerms & { system: LengthSystem; none?: boolean; signed?: boolean }) {
  const { control, setError, clearErrors } = useFormContext();
  const { field, fieldState } = useController({ name: terms.name, control });
  const [text, setText] = useState(() => (field.value as { typed?: string } | null | undefined)?.typed ?? '');
  const [unread, setUnread] = useState<string>();
  const put = (next: string): void => {
    setText(next);
    const under = signed === true && /^\s*[-−]/.test(next);
    const read = parseLength(under ? next.replace(/^\s*[-−]/, '') : next, system);
    const message = next.trim() === '' || read.ok ? undefined : read.problem.message;
    setUnread(message);
    field.onChange(
      next.trim() === ''
        ? none
          ? null
          : undefined
        : read.ok
          ? { mm: under ? -read.value : read.value, typed: next.trim() }
          : // What was not understood is no empty field: the form stays until it is put right.
            { mm: Number.NaN, typed: next.trim() },
    );
    if (message) setError(terms.name, { message });
    else clearErrors(terms.name);
  };
  return (
    <Typed
      {...terms}
      mono
      text={text}
      error={unread ?? messageOf(fieldState.error)}
      onText={put}
      onBlur={field.onBlur}
      inputRef={field.ref}
    />
  );
}

/** A number that is kept otherwise than it is typed: how it is shown, and how what is typed is read. */
function ReadField({
  shown,
  read,
  ...terms
}: FieldTerms & { shown: (value: number) => string; read: (text: string) => Outcome<number> }) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name: terms.name, control });
  const [text, setText] = useState(() => (typeof field.value === 'number' ? shown(field.value) : ''));
  const [unread, setUnread] = useState<string>();
  const put = (next: string): void => {
    setText(next);
    const outcome = next.trim() === '' ? undefined : read(next);
    setUnread(outcome && !outcome.ok ? outcome.problem.message : undefined);
    // What was not understood is no empty field: the form stays until it is put right.
    field.onChange(outcome ? (outcome.ok ? outcome.value : Number.NaN) : undefined);
  };
  return (
    <Typed
      {...terms}
      text={text}
      error={unread ?? messageOf(fieldState.error)}
      onText={put}
      onBlur={field.onBlur}
      inputRef={field.ref}
    />
  );
}

/** What was worked out is kept without the last figures of its arithmetic. */
const rounded = (outcome: Outcome<number>, figures: number): Outcome<number> =>
  outcome.ok ? answer(Number(outcome.value.toPrecision(figures))) : outcome;

/** An area in m² or a weight in kg, read and shown as the job writes it; either way of measuring is understood. */
export const AmountField = ({ system, of, ...terms }: FieldTerms & { system: LengthSystem; of: 'm²' | 'kg' }) => (
  <ReadField
    {...terms}
    shown={(value) => sayAmount(value, of, system, 2)}
    read={(text) => rounded(readAmount(text, of, system), 8)}
  />
);

/** A length as the job writes it, kept in metres. */
export const LengthInMetres = ({ system, ...terms }: FieldTerms & { system: LengthSystem }) => (
  <ReadField
    {...terms}
    shown={(value) => (system === 'metric' ? `${value} m` : formatLength(value * 1000, system))}
    read={(text) => {
      const read = readQuantity('length', text, system, { shown: system === 'metric' ? 'm' : 'ft' });
      return read.ok ? answer(read.value / 1000) : read;
    }}
  />
);

/** A sum, kept in minor units. */
export const MoneyField = (terms: FieldTerms) => (
  <ReadField
    {...terms}
    shown={(value) => (value / 100).toFixed(2)}
    read={(text) => readQuantity('money', text, 'metric', { signed: true })}
  />
);

/** Hours of work, with their fractions. */
export const HoursField = (terms: FieldTerms) => (
  <ReadField
    {...terms}
    // Hours of a foot that were hours of a metre have more figures than anybody reads.
    shown={(value) => String(Number(value.toPrecision(4)))}
    read={(text) => {
      const read = readNumber(plainSigns(text), { commaIs: 'decimals' });
      return read && 'value' in read
        ? answer(read.value)
        : refuse({ code: 'hours-unread', message: `“${text.trim()}” is no number of hours; write it like 1.5.` });
    }}
  />
);

/** A part of the whole, typed in per cent. */
export const PercentField = (terms: FieldTerms) => (
  <ReadField
    {...terms}
    shown={(value) => String(Number((value * 100).toPrecision(10)))}
    read={(text) => rounded(readQuantity('fall', text, 'metric', { shown: '%' }), 12)}
  />
);
