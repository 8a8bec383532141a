'use client';
import { createContext, use } from 'react';
import { Button, Form } from 'react-bootstrap';
import { isAsk, type Ask, type Asks } from '@/core/quantities/ask';
import { useCurrency } from '../kit/money';
import { understoodAs } from '@/core/quantities/understood';
import { shownUnit } from '@/core/quantities/units';
import type { UnitSystem } from '@/core/units/units';
import { emptyLine, emptyNamed, textOf, type Typed, type TypedInput } from '@/core/quantities/typed';
import type { Problem } from '@/core/problem';
import { capital } from '@/core/words/letters';
import { Hidden } from '../kit/hidden';

interface Terms {
  path: string;
  ask: Ask<unknown>;
  value: Typed | undefined;
  problem: Problem | undefined;
  onChange: (value: Typed) => void;
  /** Inside a list the label is the column's head. */
  bare?: boolean;
}

/** How the job measures; a field that asks for an area says in what. */
const System = createContext<UnitSystem>('metric');

const labelOf = (ask: Ask<unknown>, system: UnitSystem): string => {
  const unit = ask.kind === 'fraction' ? '%' : ask.unit ? shownUnit(ask.unit, system) : '';
  return `${capital(ask.label)}${unit ? `, ${unit}` : ''}`;
};

/** What a calculator asks, as fields: made from its own description. */
export function AskFields({
  asks,
  values,
  problem,
  fed,
  given,
  system,
  onChange,
}: {
  asks: Asks;
  system: UnitSystem;
  values: TypedInput;
  problem: Problem | undefined;
  fed?: (name: string) => React.ReactNode;
  given?: (name: string) => string | undefined;
  onChange: (values: TypedInput) => void;
}) {
  const put = (name: string, value: Typed): void => onChange({ ...values, [name]: value });
  return (
    <System value={system}>
      <div className="ask-fields">
        {Object.entries(asks).map(([name, ask]) => {
          const drawn = given?.(name);
          return (
            <div key={name} className={ask.kind === 'list' || ask.kind === 'variants' ? 'ask-wide' : ''}>
              {drawn === undefined ? (
                <AskField
                  path={name}
                  ask={ask}
                  value={values[name]}
                  problem={problem}
                  onChange={(value) => put(name, value)}
                />
              ) : (
                <Form.Group controlId={`ask-${name}`}>
                  <Form.Label className="mb-1">{labelOf(ask, system)}</Form.Label>
                  <Form.Control className="mono" readOnly value={drawn} />
                </Form.Group>
              )}
              {fed?.(name)}
            </div>
          );
        })}
      </div>
    </System>
  );
}

function Said({ path, problem, hint }: { path: string; problem: Problem | undefined; hint?: string | undefined }) {
  if (problem?.field === path)
    return (
      <Form.Text className="bad d-block" role="alert" id={`ask-${path}-said`}>
        {capital(problem.message)}.
      </Form.Text>
    );
  return hint ? (
    <Form.Text className="d-block" id={`ask-${path}-said`}>
      {hint}
    </Form.Text>
  ) : null;
}

function AskField({ path, ask, value, problem, onChange, bare }: Terms) {
  const id = `ask-${path}`;
  const system = use(System);
  const currency = useCurrency();
  const wrong = problem?.field === path;
  if (ask.kind === 'list' || ask.kind === 'variants') return <Lines {...{ path, ask, value, problem, onChange }} />;
  if (ask.kind === 'flag')
    return (
      <Form.Check
        id={id}
        className="mt-4"
        label={capital(ask.label)}
        checked={value === true}
        onChange={(event) => onChange(event.target.checked)}
      />
    );
  const hint = typeof value === 'string' ? understoodAs(ask, value, system, currency) : undefined;
  const shown = hint ?? (bare ? undefined : ask.hint);
  const field = {
    value: textOf(value),
    isInvalid: wrong,
    'aria-invalid': wrong,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
    ...(wrong || shown ? { 'aria-describedby': `${id}-said` } : {}),
  };
  return (
    <Form.Group controlId={id}>
      <Form.Label className={bare ? 'visually-hidden' : 'mb-1'}>{labelOf(ask, system)}</Form.Label>
      {ask.kind === 'choice' ? (
        <Form.Select {...field}>
          {Object.entries(ask.choices ?? {}).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Form.Select>
      ) : (
        <Form.Control
          type={ask.kind === 'day' ? 'date' : 'text'}
          {...(DECIMAL.has(ask.kind) ? { inputMode: 'decimal' as const } : {})}
          className={ask.kind === 'length' ? 'mono' : ''}
          autoComplete="off"
          {...field}
        />
      )}
      <Said path={path} problem={problem} hint={shown} />
    </Form.Group>
  );
}

const DECIMAL: ReadonlySet<Ask<unknown>['kind']> = new Set(['amount', 'count', 'fraction', 'money']);

/** Lines of alike things, one under the other, with their heads above them. */
function Lines({ path, ask, value, problem, onChange }: Terms) {
  const lines = Array.isArray(value) ? value : [];
  const put = (at: number, line: Typed): void => onChange(lines.map((typed, index) => (index === at ? line : typed)));
  return (
    <fieldset>
      <legend className="form-label fs-6 mb-1">{capital(ask.label)}</legend>
      {lines.map((line, at) => (
        <div key={at} className="ask-line">
          <LineParts
            {...{ ask, problem }}
            path={`${path}[${at}]`}
            line={line}
            first={at === 0}
            onChange={(next) => put(at, next)}
          />
          <Button
            size="sm"
            variant="link"
            className="px-1"
            onClick={() => onChange(lines.filter((_, index) => index !== at))}
          >
            Remove
            <Hidden>
              {' '}
              line {at + 1} of {ask.label}
            </Hidden>
          </Button>
        </div>
      ))}
      <Said path={path} problem={problem} hint={ask.hint} />
      <Button size="sm" variant="outline-secondary" onClick={() => onChange([...lines, emptyLine(ask)])}>
        One more<Hidden> in {ask.label}</Hidden>
      </Button>
    </fieldset>
  );
}

function LineParts({
  ask,
  path,
  line,
  first,
  problem,
  onChange,
}: {
  ask: Ask<unknown>;
  path: string;
  line: Typed;
  first: boolean;
  problem: Problem | undefined;
  onChange: (line: Typed) => void;
}) {
  const system = use(System);
  const of = ask.of ?? {};
  if (ask.kind === 'list' && isAsk(of))
    return <AskField path={path} ask={of} value={line} problem={problem} onChange={onChange} bare />;
  const parts = line as TypedInput;
  const kind = textOf(parts.kind);
  const asks = ask.kind === 'variants' ? (ask.variants?.[kind] ?? {}) : (of as Asks);
  return (
    <>
      {ask.kind === 'variants' && (
        <Form.Group controlId={`ask-${path}.kind`}>
          <Form.Label className="mb-1 small-text">Kind</Form.Label>
          <Form.Select
            value={kind}
            onChange={(event) =>
              onChange({ kind: event.target.value, ...emptyNamed(ask.variants?.[event.target.value] ?? {}) })
            }
          >
            {Object.entries(ask.choices ?? {}).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {Object.entries(asks).map(([name, part]) => (
        <div key={name}>
          {/* Each line of variants has heads of its own; alike lines share those of the first. */}
          <div className="small-text soft" aria-hidden="true">
            {first || ask.kind === 'variants' ? labelOf(part, system) : ''}
          </div>
          <AskField
            path={`${path}.${name}`}
            ask={part}
            value={parts[name]}
            problem={problem}
            onChange={(value) => onChange({ ...parts, [name]: value })}
            bare
          />
        </div>
      ))}
    </>
  );
}
