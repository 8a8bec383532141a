'use client';
import { yupResolver } from '@hookform/resolvers/yup';
import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useRef, useState, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  FormProvider,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldValues,
  type Resolver,
} from 'react-hook-form';
import type { AnyObject, ObjectSchema } from 'yup';
import type { PayloadOf, ProblemDocument } from '@/contract/command';
import type { KnownKind } from '@/contract/commands';
import { plainSigns, readNumber } from '@/core/units/number';
import { sentence } from '@/core/words/letters';
import { send, type Sent } from '../offline/send';
import { HeldPictureContext, useDelivery } from './delivery';
import { Notice } from './notice';

interface FormTerms<Kind extends KnownKind> {
  kind: Kind;
  /** Starting values and those the form does not show (ids, versions). */
  start: () => Partial<PayloadOf<Kind>> & FieldValues;
  /** The words of the button, or the buttons themselves where there is more than one way to end it. */
  submit: ReactNode;
  /** What it is about, where a page has several such forms: their fields are told apart by it. */
  about?: string;
  /** Of a page that is opened by a link. */
  link?: string;
  className?: string;
  onDone?: (payload: PayloadOf<Kind>) => void;
  /** Another way than straight to the door, such as a walk's outbox. */
  deliver?: (payload: PayloadOf<Kind>) => Promise<Sent>;
  beside?: ReactNode;
  children: ReactNode;
}

/**
 * One command as a form: the same schema that the door checks says what is wrong, beside its field; what the door
 * itself refuses stands beside its field too. Nothing typed is lost.
 */
export function CommandForm<Kind extends KnownKind>({
  kind,
  start,
  submit,
  about = '',
  link,
  className = '',
  onDone,
  deliver,
  beside,
  children,
}: FormTerms<Kind>) {
  const router = useRouter();
  const [problem, setProblem] = useState<ProblemDocument>();
  const [first] = useState(start);
  const form = useForm({
    resolver: yupResolver(kind.schema as unknown as ObjectSchema<AnyObject>) as unknown as Resolver,
    defaultValues: first as unknown as DefaultValues<FieldValues>,
    mode: 'onTouched',
  });
  const [labels] = useState(() => new Map<string, string>());
  const [element, setElement] = useState<HTMLFormElement | null>(null);
  const delivery = useDelivery();
  const picture = useRef<File>(undefined);
  const [holding] = useState(() => ({ hold: (file: File | undefined): void => void (picture.current = file) }));
  const onItsWay = (given: PayloadOf<Kind>): Promise<Sent> =>
    deliver ? deliver(given) : delivery ? delivery.deliver(kind, given, picture.current) : send(kind, given, link);
  const onSubmit = form.handleSubmit(async (payload) => {
    setProblem(undefined);
    const sent = await onItsWay(payload as PayloadOf<Kind>);
    if (sent.ok) {
      onDone?.(payload as PayloadOf<Kind>);
      // What went another way is not at the server yet, and without a signal looking there would lose the page.
      if (!deliver && !delivery) router.refresh();
      return;
    }
    // A place in a list is called by the form as its fields are: lines.2.quantity.
    const field = sent.problem.field?.replaceAll(/\[(\d+)\]/g, '.$1');
    // Beside its field where the form shows it; a version that is old has no field of its own.
    if (field && (labels.has(field) || element?.elements.namedItem(field)))
      form.setError(field, { message: sent.problem.title }, { shouldFocus: true });
    else setProblem(sent.problem);
  });
  return (
    <FormProvider {...form}>
      <Form
        ref={setElement}
        noValidate
        onSubmit={(event) => void onSubmit(event)}
        className={`form-lines ${className}`.trim()}
      >
        <About value={about}>
          <Labels value={labels}>
            <HeldPictureContext value={delivery && holding}>{children}</HeldPictureContext>
          </Labels>
        </About>
        {problem && (
          <Notice bad>
            {problem.title}
            <Theirs
              problem={problem}
              labels={labels}
              mine={form.getValues()}
              onKeepMine={(version) => {
                form.setValue('version', version);
                void onSubmit();
              }}
            />
          </Notice>
        )}
        <div className="actions">
          {typeof submit === 'string' ? (
            <Button type="submit" disabled={form.formState.isSubmitting}>
              {form.formState.isSubmitting ? 'Saving…' : submit}
            </Button>
          ) : (
            submit
          )}
          {beside}
        </div>
      </Form>
    </FormProvider>
  );
}

/** One of several ways to end a form: the same fields with this answer. The first of them is what Enter does. */
export function SubmitAs({
  name,
  value,
  variant = 'primary',
  disabled = false,
  children,
}: {
  name?: string;
  value?: string;
  variant?: 'primary' | 'outline-secondary';
  disabled?: boolean;
  children: ReactNode;
}) {
  const { setValue, formState } = useFormContext();
  return (
    <Button
      type="submit"
      variant={variant}
      disabled={disabled || formState.isSubmitting}
      onClick={() => name !== undefined && setValue(name, value)}
    >
      {children}
    </Button>
  );
}

const About = createContext('');
/** The id of a field in its form; labels and what is said beside it refer to it. */
export const useFieldId = (name: string): string => {
  const about = useContext(About);
  return about === '' ? `field-${name}` : `field-${about}-${name}`;
};

/** The fields that a form shows, by name, with their labels: what is refused is told by them. */
const Labels = createContext(new Map<string, string>());

/** How a value reads beside a form: what is not there is nothing, ticks are yes and no. */
function valueWords(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (value === true || value === 1) return value === true ? 'yes' : '1';
  if (value === false) return 'no';
  return typeof value === 'string' ? value : JSON.stringify(value);
}
const isSame = (entry: unknown, other: unknown): boolean => {
  const plain = (value: unknown): string => valueWords(typeof value === 'boolean' ? Number(value) : value);
  return plain(entry) === plain(other);
};

/** Where somebody changed it meanwhile: what it says now, beside what was typed here, and the choice between them. */
function Theirs({
  problem,
  labels,
  mine,
  onKeepMine,
}: {
  problem: ProblemDocument;
  labels: ReadonlyMap<string, string>;
  mine: FieldValues;
  onKeepMine: (version: number) => void;
}) {
  const theirs = problem.current as Record<string, unknown> | undefined;
  if (problem.code !== 'changed-meanwhile' || !theirs) return null;
  const other = Object.keys(mine).filter(
    (name) => labels.has(name) && name in theirs && !isSame(theirs[name], mine[name]),
  );
  return (
    <>
      <ul className="mb-1">
        {other.map((name) => (
          <li key={name}>
            {labels.get(name)}: {valueWords(theirs[name])}
          </li>
        ))}
      </ul>
      <Button size="sm" variant="outline-secondary" onClick={() => onKeepMine(Number(theirs.version))}>
        Save mine all the same
      </Button>
    </>
  );
}

/** An empty field is one that was not filled in. */
const emptyIsNone = (value: unknown): unknown => (value === '' ? undefined : value);

/** Has the form know a field that stands in it, by the label that people see. */
function useLabel(name: string, label: string): void {
  const labels = useContext(Labels);
  useEffect(() => {
    labels.set(name, label);
    return () => void labels.delete(name);
  }, [labels, name, label]);
}

export interface FieldTerms {
  name: string;
  label: string;
  hint?: string;
}

/**
 * A number as people write it: `1 200`, `2½`, `12.5`. What cannot be read, or can be read in two ways, stays as it is
 * typed, and the schema says so beside the field.
 */
function numberTyped(value: unknown): unknown {
  if (typeof value !== 'string') return value;
  const plain = plainSigns(value);
  if (plain === '') return undefined;
  const read = readNumber(plain.replace(/^-/, ''));
  return read && 'value' in read ? (plain.startsWith('-') ? -read.value : read.value) : value;
}

function useField(
  name: string,
  isNumber = false,
): {
  error: string | undefined;
  register: ReturnType<ReturnType<typeof useFormContext>['register']>;
} {
  const { register, formState, getFieldState } = useFormContext();
  const error = getFieldState(name, formState).error?.message;
  return { error, register: register(name, { setValueAs: isNumber ? numberTyped : emptyIsNone }) };
}

/** A field between its label and what is said beside it: what is wrong, or how it is meant. */
export function FieldFrame({
  name,
  label,
  hint,
  error,
  children,
}: FieldTerms & { error: string | undefined; children: ReactNode }) {
  const id = useFieldId(name);
  return (
    <Form.Group controlId={id}>
      <Form.Label className="mb-1">{label}</Form.Label>
      {children}
      {error ? (
        <Form.Text id={`${id}-said`} className="bad d-block" role="alert">
          {sentence(error)}
        </Form.Text>
      ) : (
        hint && (
          <Form.Text id={`${id}-said`} className="d-block">
            {hint}
          </Form.Text>
        )
      )}
    </Form.Group>
  );
}

/** The frame of a field whose value can be read out beside somebody else's. */
function Around(terms: FieldTerms & { error: string | undefined; children: ReactNode }) {
  useLabel(terms.name, terms.label);
  return <FieldFrame {...terms} />;
}

export const described = (id: string, hint: string | undefined, error: string | undefined) =>
  hint || error ? { 'aria-describedby': `${id}-said` } : {};

export function TextField({
  name,
  label,
  hint,
  type = 'text',
  rows,
  autoComplete = 'off',
  list,
}: FieldTerms & {
  type?: 'text' | 'number' | 'date' | 'email' | 'tel' | 'password';
  rows?: number;
  autoComplete?: string;
  list?: readonly string[];
}) {
  const { error, register } = useField(name, type === 'number');
  const id = useFieldId(name);
  const shared = {
    isInvalid: error !== undefined,
    'aria-invalid': error !== undefined,
    autoComplete,
    ...described(id, hint, error),
    ...register,
  };
  return (
    <Around {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      {rows ? (
        <Form.Control as="textarea" rows={rows} {...shared} />
      ) : (
        <Form.Control
          type={type === 'number' ? 'text' : type}
          {...(type === 'number' ? { inputMode: 'decimal' as const } : {})}
          {...(list ? { list: `list-${id}` } : {})}
          {...shared}
        />
      )}
      {list && (
        <datalist id={`list-${id}`}>
          {list.map((entry) => (
            <option key={entry} value={entry} />
          ))}
        </datalist>
      )}
    </Around>
  );
}

export function SelectField({
  name,
  label,
  hint,
  options,
  none,
}: FieldTerms & { options: readonly (readonly [string, string])[]; none?: string }) {
  const { error, register } = useField(name);
  const id = useFieldId(name);
  return (
    <Around {...{ name, label, error, ...(hint ? { hint } : {}) }}>
      <Form.Select
        isInvalid={error !== undefined}
        aria-invalid={error !== undefined}
        {...described(id, hint, error)}
        {...register}
      >
        {none !== undefined && <option value="">{none}</option>}
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </Form.Select>
    </Around>
  );
}

export function CheckField({ name, label }: FieldTerms) {
  const { register } = useFormContext();
  useLabel(name, label);
  return <Form.Check id={useFieldId(name)} label={label} {...register(name)} />;
}

/** Several of a list, as ticks. */
export function TicksField({ name, label, options }: FieldTerms & { options: readonly (readonly [string, string])[] }) {
  const { error } = useField(name);
  const { register } = useFormContext();
  useLabel(name, label);
  const id = useFieldId(name);
  return (
    <fieldset>
      <legend className="form-label fs-6 mb-1">{label}</legend>
      <div className="ticks">
        {options.map(([value, text]) => (
          <Form.Check key={value} id={`${id}-${value}`} value={value} label={text} {...register(name)} />
        ))}
      </div>
      {error && (
        <Form.Text className="bad d-block" role="alert">
          {sentence(error)}
        </Form.Text>
      )}
    </fieldset>
  );
}

/** One of several, each with what is known of it. */
export function ChoiceField({
  name,
  label,
  options,
}: {
  name: string;
  label: string;
  options: readonly { value: string; shown: ReactNode }[];
}) {
  const { error, register } = useField(name);
  useLabel(name, label);
  const id = useFieldId(name);
  return (
    <fieldset>
      <legend className="visually-hidden">{label}</legend>
      {options.map(({ value, shown }) => (
        <Form.Check key={value} type="radio" id={`${id}-${value}`} value={value} label={shown} {...register} />
      ))}
      {error && (
        <Form.Text className="bad d-block" role="alert">
          {sentence(error)}
        </Form.Text>
      )}
    </fieldset>
  );
}
