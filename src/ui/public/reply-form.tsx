'use client';
import { useRouter } from 'next/navigation';
import { createContext, useContext, useState, type ReactNode } from 'react';
import type { ProblemDocument } from '@/contract/command';
import type { CommandType, Input } from '@/contract/commands';
import { publicRoutes } from '@/contract/routes';
import { sentence } from '@/core/words/letters';
import { commandOf, post } from '../offline/send';
import { Notice } from '../kit/notice';

type Given = Readonly<Record<string, unknown>>;

interface ReplyTerms<Type extends CommandType> {
  type: Type;
  /** What the form does not show (ids, versions), and what stands in its fields before anybody types. */
  start: () => Partial<Input<Type>>;
  /** The words of the button, or the buttons themselves where there is more than one way to end it. */
  submit: ReactNode;
  /** What it is about: the fields of several forms are told apart by it. */
  about: string;
  /** The secret of the link by which the page was opened. */
  link: string;
  className?: string;
  onDone?: (payload: Given) => void;
  beside?: ReactNode;
  children: ReactNode;
}

interface Standing {
  about: string;
  first: Given;
  busy: boolean;
  /** What the door says is wrong, by field. */
  wrong: ReadonlyMap<string, string>;
}
const Replying = createContext<Standing>({ about: '', first: {}, busy: false, wrong: new Map() });

/** What is wrong, by field as far as the form shows it; what belongs to no field of it is told beneath them all. */
function told(problem: ProblemDocument, form: HTMLFormElement): { wrong: Map<string, string>; rest?: string } {
  const all = problem.problems ?? [{ message: problem.title, ...(problem.field ? { field: problem.field } : {}) }];
  const wrong = new Map<string, string>();
  let rest: string | undefined;
  for (const { field, message } of all) {
    if (field && form.elements.namedItem(field)) wrong.set(field, message);
    else rest ??= message;
  }
  return { wrong, ...(rest === undefined ? {} : { rest }) };
}

/**
 * One command as a form for somebody outside. Their phone is sent no schema and no library of forms: fields are the
 * browser's own, and the door says what is wrong, beside its field. Nothing typed is lost.
 */
export function ReplyForm<Type extends CommandType>({
  type,
  start,
  submit,
  about,
  link,
  className = '',
  onDone,
  beside,
  children,
}: ReplyTerms<Type>) {
  const router = useRouter();
  const [first] = useState<Given>(start);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<ReturnType<typeof told>>();
  const answer = async (element: HTMLFormElement, button: HTMLElement | null): Promise<void> => {
    const typed = [...new FormData(element)].filter(([name, value]) => value !== '' || name in first);
    // The button that was pressed says more than an empty field of the same name.
    const pressed = button instanceof HTMLButtonElement && button.name ? { [button.name]: button.value } : {};
    const payload = { ...first, ...Object.fromEntries(typed), ...pressed };
    setBusy(true);
    const sent = await post(commandOf(type, payload), { link });
    setBusy(false);
    setProblem(sent.ok ? undefined : told(sent.problem, element));
    if (sent.ok) {
      onDone?.(payload);
      router.refresh();
      return;
    }
    const [field] = told(sent.problem, element).wrong.keys();
    if (field) element.querySelector<HTMLElement>(`[name="${CSS.escape(field)}"]`)?.focus();
  };
  return (
    <form
      noValidate
      className={`form-lines ${className}`.trim()}
      onSubmit={(event) => {
        event.preventDefault();
        void answer(event.currentTarget, event.nativeEvent.submitter);
      }}
    >
      <Replying value={{ about, first, busy, wrong: problem?.wrong ?? new Map<string, string>() }}>
        {children}
        {problem?.rest && <Notice bad>{sentence(problem.rest)}</Notice>}
        <div className="actions">
          {typeof submit === 'string' ? <ReplyAs>{submit}</ReplyAs> : submit}
          {beside}
        </div>
      </Replying>
    </form>
  );
}

/** One of several ways to end a form: the same fields with this answer. The first of them is what Enter does. */
export function ReplyAs({
  name,
  value,
  quiet = false,
  disabled = false,
  children,
}: {
  name?: string;
  value?: string;
  quiet?: boolean;
  disabled?: boolean;
  children: ReactNode;
}) {
  const { busy } = useContext(Replying);
  return (
    <button
      type="submit"
      className={`btn ${quiet ? 'btn-outline-secondary' : 'btn-primary'}`}
      disabled={disabled || busy}
      {...{ name, value }}
    >
      {children}
    </button>
  );
}

interface FieldTerms {
  name: string;
  label: string;
}

/** A field's id, what stands in it first, and what is wrong with it. */
function useReplyField(name: string) {
  const { about, first, wrong } = useContext(Replying);
  const id = `field-${about}-${name}`;
  const error = wrong.get(name);
  const start = first[name];
  return {
    error,
    said: `${id}-said`,
    field: {
      ...{ id, name, 'aria-invalid': error !== undefined },
      defaultValue: typeof start === 'string' || typeof start === 'number' ? start : '',
      ...(error === undefined ? {} : { 'aria-describedby': `${id}-said` }),
    },
  };
}

const Wrong = ({ id, error }: { id: string; error: string | undefined }) =>
  error !== undefined && (
    <div id={id} className="form-text bad" role="alert">
      {sentence(error)}
    </div>
  );

export function ReplyText({
  name,
  label,
  rows,
  type = 'text',
  autoComplete = 'off',
  onType,
}: FieldTerms & {
  rows?: number;
  type?: 'text' | 'date';
  autoComplete?: string;
  onType?: (typed: string) => void;
}) {
  const { field, error, said } = useReplyField(name);
  const shared = {
    ...field,
    autoComplete,
    className: error === undefined ? 'form-control' : 'form-control is-invalid',
    onChange: (event: { target: { value: string } }) => onType?.(event.target.value),
  };
  return (
    <div>
      <label htmlFor={field.id} className="form-label mb-1">
        {label}
      </label>
      {rows ? <textarea rows={rows} {...shared} /> : <input type={type} {...shared} />}
      <Wrong id={said} error={error} />
    </div>
  );
}

export function ReplySelect({
  name,
  label,
  options,
  none,
}: FieldTerms & { options: readonly (readonly [string, string])[]; none?: string }) {
  const { field, error, said } = useReplyField(name);
  return (
    <div>
      <label htmlFor={field.id} className="form-label mb-1">
        {label}
      </label>
      <select {...field} className={error === undefined ? 'form-select' : 'form-select is-invalid'}>
        {none !== undefined && <option value="">{none}</option>}
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      <Wrong id={said} error={error} />
    </div>
  );
}

/** A picture taken or chosen: handed in at once, the form then names it by its hash. */
export function ReplyPicture({ name, label, link }: FieldTerms & { link: string }) {
  const { field, error, said } = useReplyField(name);
  const [hash, setHash] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    const kept = await handIn(link, file);
    setBusy(false);
    setHash(typeof kept === 'string' ? '' : kept.hash);
    setProblem(typeof kept === 'string' ? kept : undefined);
  };
  return (
    <div>
      <label htmlFor={`${field.id}-file`} className="form-label mb-1">
        {label}
      </label>
      <input
        id={`${field.id}-file`}
        type="file"
        accept="image/*"
        className="form-control"
        disabled={busy}
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <input type="hidden" name={name} value={hash} />
      {busy && <div className="form-text">It is on its way…</div>}
      <Wrong id={said} error={problem ?? error} />
    </div>
  );
}

/** @returns the hash that a picture is kept under, or in words why it was not kept */
async function handIn(link: string, file: File): Promise<{ hash: string } | string> {
  try {
    const response = await fetch(publicRoutes.pictures(link), { method: 'POST', body: file });
    const answer = (await response.json()) as { hash: string } | ProblemDocument;
    return 'hash' in answer ? answer : answer.title;
  } catch {
    return 'no connection: the picture was not kept; choose it again';
  }
}

/** One of several, each with what is known of it. */
export function ReplyChoice({
  name,
  label,
  options,
}: FieldTerms & { options: readonly { value: string; shown: ReactNode }[] }) {
  const { field, error, said } = useReplyField(name);
  return (
    <fieldset>
      <legend className="visually-hidden">{label}</legend>
      {options.map(({ value, shown }) => (
        <div key={value} className="form-check">
          <input className="form-check-input" type="radio" name={name} id={`${field.id}-${value}`} value={value} />
          <label className="form-check-label" htmlFor={`${field.id}-${value}`}>
            {shown}
          </label>
        </div>
      ))}
      <Wrong id={said} error={error} />
    </fieldset>
  );
}
