'use client';
import { Button } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { addPayment, addSpending, setPayments, allowSelection } from '@/contract/commands/money';
import type { AllowanceView, MoneyView } from '@/contract/views/money';
import { paymentAmounts, type PaymentShare } from '@/core/money/payments';
import { SPENDING, SPENDING_KINDS } from '@/core/money/spending';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { Lines, Line } from '../kit/lines';
import { MoneyField } from '../kit/measure-fields';
import { Sum, useMoney } from '../kit/money';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

interface Terms {
  view: MoneyView;
  onDone: () => void;
}

type StepDue = MoneyView['payments']['steps'][number]['due'];
interface StepStart {
  id: string;
  text: string;
  share: { kind: PaymentShare['kind']; percent?: number; amount?: number };
  due: { kind: StepDue['kind']; area?: string; phase?: Extract<StepDue, { kind: 'step' }>['phase']; day?: string };
}

const step = (text: string, percent: number, kind: StepDue['kind']): StepStart => ({
  id: newId(),
  text,
  share: percent > 0 ? { kind: 'percent', percent } : { kind: 'rest' },
  due: { kind },
});
/** Where nobody has said anything: a usual way to begin with. */
const usual = (): StepStart[] => [
  step('Deposit', 20, 'agreed'),
  step('At the start', 30, 'begun'),
  step('At the end', 0, 'finished'),
];

/** All the parts in which the price is paid. */
export const PaymentsForm = ({ view, onDone }: Terms) => (
  <CommandForm
    kind={setPayments}
    submit="Save"
    onDone={onDone}
    start={() => ({
      job: view.job.id,
      steps:
        view.payments.steps.length > 0
          ? view.payments.steps.map(({ id, text, share, due }): StepStart => ({ id, text, share, due }))
          : usual(),
    })}
  >
    <StepFields view={view} />
  </CommandForm>
);

function StepFields({ view }: { view: MoneyView }) {
  const money = useMoney();
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'steps', keyName: 'row' });
  const steps = useWatch({ name: 'steps' }) as StepStart[];
  const total = view.agreed?.total ?? (view.estimated.total || null);
  const amounts = paymentAmounts(
    steps.map(({ share }) => ({ share: share as PaymentShare })),
    total,
    view.terms.currency,
  );
  return (
    <>
      {fields.map((field, index) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1 fw-bold">
            Step {index + 1}
            {total !== null && amounts.ok && <span className="mono ms-2">{money(amounts.value[index] ?? 0)}</span>}
          </legend>
          <StepField view={view} index={index} value={steps[index]} />
          <LinkButton onClick={() => remove(index)}>Take step {index + 1} away</LinkButton>
        </fieldset>
      ))}
      {!amounts.ok && <p className="bad mb-0">{amounts.problem.message}</p>}
      <div>
        <Button size="sm" variant="outline-secondary" onClick={() => append(step('', 10, 'begun'))}>
          One more step
        </Button>
      </div>
    </>
  );
}

function StepField({ view, index, value }: { view: MoneyView; index: number; value: StepStart | undefined }) {
  const at = `steps.${index}`;
  const phases = view.areas.find((area) => area.id === value?.due.area)?.phases ?? [];
  return (
    <>
      <TextField name={`${at}.text`} label="What it is for" />
      <div className="form-pair">
        <SelectField
          name={`${at}.share.kind`}
          label="How much"
          options={[
            ['percent', 'a part of the price'],
            ['sum', 'a sum'],
            ['rest', 'what is left'],
          ]}
        />
        {value?.share.kind === 'percent' && <TextField name={`${at}.share.percent`} label="Per cent" type="number" />}
        {value?.share.kind === 'sum' && <MoneyField name={`${at}.share.amount`} label="Sum" />}
      </div>
      <SelectField
        name={`${at}.due.kind`}
        label="Due"
        options={[
          ['agreed', 'when it is agreed'],
          ['begun', 'when the work begins'],
          ['step', 'when a step is done'],
          ['finished', 'when everything is handed over'],
          ['day', 'on a day'],
        ]}
      />
      {value?.due.kind === 'day' && <TextField name={`${at}.due.day`} label="Day" type="date" />}
      {value?.due.kind === 'step' && (
        <div className="form-pair">
          <SelectField
            name={`${at}.due.area`}
            label="Where"
            none="choose"
            options={view.areas.map(({ id, name }) => [id, name])}
          />
          <SelectField
            name={`${at}.due.phase`}
            label="Which step"
            none="choose"
            options={phases.map(({ phase, label }) => [phase, label])}
          />
        </div>
      )}
    </>
  );
}

export const PaymentForm = ({ view, onDone }: Terms) => (
  <CommandForm
    kind={addPayment}
    submit="Save"
    onDone={onDone}
    start={() => ({
      id: newId(),
      job: view.job.id,
      day: view.today,
      note: '',
      ...(view.payments.due > 0 ? { amount: view.payments.due } : {}),
    })}
  >
    <MoneyField name="amount" label="How much" />
    <TextField name="day" label="On" type="date" />
    <TextField name="note" label="Note (optional)" hint="like “deposit, by transfer”" />
  </CommandForm>
);

export const SpendingForm = ({ view, onDone }: Terms) => (
  <CommandForm
    kind={addSpending}
    submit="Save"
    onDone={onDone}
    start={() => ({ id: newId(), job: view.job.id, day: view.today, kind: 'material' as const, text: '' })}
  >
    <TextField name="text" label="What it was" hint="like “bill of the tile supplier”" />
    <div className="form-pair">
      <MoneyField name="amount" label="How much, without tax" />
      <TextField name="day" label="On" type="date" />
    </div>
    <SelectField name="kind" label="For" options={SPENDING_KINDS.map((kind) => [kind, SPENDING[kind]])} />
    <SelectField
      name="area"
      label="Where"
      none="the whole job"
      options={view.areas.map(({ id, name }) => [id, name])}
    />
    {view.goods.length > 0 && (
      <SelectField
        name="selection"
        label="It pays for the order of"
        none="no order"
        options={view.goods.map(({ id, text }) => [id, text])}
      />
    )}
  </CommandForm>
);

/** Which selections an allowance pays for. */
export function AllowForm({ view, allowance, onDone }: Terms & { allowance: AllowanceView }) {
  const { give, busy } = useSend();
  const held = new Set(allowance.choices.map(({ id }) => id));
  const put = async (item: MoneyView['goods'][number], to: string | null): Promise<void> => {
    const done = await give(
      allowSelection,
      { id: item.id, version: item.version, allowance: to },
      { text: to ? `${item.text} is held against the allowance.` : `${item.text} is held against no allowance.` },
    );
    if (done) onDone();
  };
  return (
    <>
      <p>
        {allowance.text}
        {allowance.allowed !== null && (
          <>
            , <Sum of={allowance.allowed} />
          </>
        )}
      </p>
      {view.goods.length === 0 && <p className="soft">There are no selections on this job yet.</p>}
      <Lines>
        {view.goods.map((item) => (
          <Line
            key={item.id}
            beside={
              <LinkButton disabled={busy} onClick={() => void put(item, held.has(item.id) ? null : allowance.id)}>
                {held.has(item.id) ? 'Let go' : 'Hold against it'}
                <Hidden>: {item.text}</Hidden>
              </LinkButton>
            }
          >
            {item.text}
          </Line>
        ))}
      </Lines>
    </>
  );
}
