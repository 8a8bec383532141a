'use client';
import { useWatch } from 'react-hook-form';
import { billPurchases, movePurchases, sendPurchaseOrder, substitutePurchase } from '@/contract/commands/purchasing';
import type { OrderLineView, PurchaseOrderView } from '@/contract/views/purchasing';
import { BILL_KINDS, type BillKind } from '@/core/purchasing/bills';
import { sumOf } from '@/core/purchasing/order-line';
import { DECIDER_KEYS, DECIDERS } from '@/core/selections/states';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { MoneyField } from '../kit/measure-fields';
import { useCurrency } from '../kit/money';
import { Notice } from '../kit/notice';
import { newId } from '../offline/send';

interface Terms {
  view: PurchaseOrderView;
  onDone: () => void;
}

/** It goes out: on paper, by mail or by telephone, as the firm does it. */
export const SendOrder = ({ view, onDone }: Terms) => (
  <CommandForm
    kind={sendPurchaseOrder}
    submit="It went out"
    onDone={onDone}
    start={() => ({ id: view.order.id, version: view.order.version, day: view.today, despite: '' })}
  >
    <p className="mb-0">
      Print the paper or take the list along, and send it to {view.order.supplier}
      {view.order.email ? `, ${view.order.email}` : ''}. What is chosen counts as ordered from that day
      {view.order.deliverOn ? ', and the delivery is planned for the day it is wanted' : ''}.
    </p>
    {view.unpriced > 0 && <Notice>Not every line has a price: the paper asks the supplier for it.</Notice>}
    <TextField name="day" label="It went out on" type="date" />
    {view.order.waitsFor.length > 0 && (
      <TextField
        name="despite"
        label={`Why before ${view.order.waitsFor.join(' and ')}`}
        hint="It waits for that. Ordering all the same is at our own risk; the reason is kept."
      />
    )}
  </CommandForm>
);

/** What came, line by line, with what is still to come written in already; or what went back. */
export function MoveForm({ view, kind, onDone }: Terms & { kind: 'came' | 'went back' }) {
  const lines = view.lines.filter((line) => kind === 'came' || line.came > line.wentBack);
  return (
    <CommandForm
      kind={movePurchases}
      submit={kind === 'came' ? 'It came' : 'It went back'}
      onDone={onDone}
      start={() => ({
        id: view.order.id,
        kind,
        day: view.today,
        note: '',
        lines: lines.map(({ id, toCome }) => ({
          line: id,
          ...(kind === 'came' && toCome > 0 ? { quantity: toCome } : {}),
        })),
      })}
    >
      {kind === 'came' && (
        <p className="mb-0">Count what stands there; leave a line empty where nothing of it came today.</p>
      )}
      {lines.map((line, at) => (
        <TextField
          key={line.id}
          name={`lines.${at}.quantity`}
          label={line.text}
          type="number"
          hint={
            kind === 'came'
              ? `${line.unit}; ${line.ordered} ordered, ${line.came} came before`
              : `${line.unit}; ${line.came - line.wentBack} are here`
          }
        />
      ))}
      <TextField name="day" label="On" type="date" />
      <TextField name="note" label="Note" />
    </CommandForm>
  );
}

/** Something else in place of a line, and who accepts it. */
export const SubstituteForm = ({ line, onDone }: { line: OrderLineView; onDone: () => void }) => (
  <CommandForm
    kind={substitutePurchase}
    submit="It is accepted"
    onDone={onDone}
    start={() => ({
      line: line.id,
      code: '',
      text: line.instead,
      accepts: 'client' as const,
      name: '',
      reason: '',
      ...(line.unitPrice === null ? {} : { unitPrice: line.unitPrice }),
    })}
  >
    <p className="mb-0">
      In place of {line.text}
      {line.code && `, ${line.code}`}. The quantity stays; what comes is held against the new words.
    </p>
    <div className="form-pair">
      <TextField name="text" label="What comes instead" />
      <TextField name="code" label="Code" />
    </div>
    <MoneyField name="unitPrice" label={line.pricedBy === 'pack' ? 'Price of a pack' : 'Price of one'} />
    <div className="form-pair">
      <SelectField name="accepts" label="Who accepts it" options={DECIDER_KEYS.map((key) => [key, DECIDERS[key]])} />
      <TextField name="name" label="Their name" />
    </div>
    <TextField name="reason" label="Why" />
  </CommandForm>
);

/** A supplier's bill: what it says of each line, with what is here and not billed yet written in already. */
export function BillForm({ view, onDone }: Terms) {
  const currency = useCurrency();
  const { order } = view;
  const deposit = view.bills.length === 0 ? order.deposit : null;
  const kind: BillKind = deposit === null ? 'bill' : 'deposit';
  return (
    <CommandForm
      kind={billPurchases}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: newId(),
        purchaseOrder: order.id,
        kind,
        number: '',
        day: view.today,
        other: deposit ?? 0,
        lessDeposit: view.depositLeft,
        lines: view.lines.map((line) => ({
          line: line.id,
          ...(line.toBill > 0 ? { quantity: line.toBill, amount: sumOf(line, line.toBill, currency) ?? 0 } : {}),
        })),
      })}
    >
      <BillFields view={view} />
    </CommandForm>
  );
}

function BillFields({ view }: { view: PurchaseOrderView }) {
  const kind = useWatch({ name: 'kind' }) as BillKind;
  return (
    <>
      <SelectField name="kind" label="It is" options={Object.entries(BILL_KINDS)} />
      <div className="form-pair">
        <TextField name="number" label="Its number" />
        <TextField name="day" label="The day on it" type="date" />
      </div>
      {kind !== 'deposit' &&
        view.lines.map((line, at) => (
          <fieldset key={line.id} className="option-fields">
            <legend className="form-label fs-6 mb-1">{line.text}</legend>
            <div className="form-pair">
              <TextField
                name={`lines.${at}.quantity`}
                label="How many"
                type="number"
                hint={`${line.unit}; ${line.came} came, ${line.billed} billed before`}
              />
              <MoneyField name={`lines.${at}.amount`} label="It says for that" />
            </div>
          </fieldset>
        ))}
      <div className="form-pair">
        <MoneyField name="other" label={kind === 'deposit' ? 'What was paid' : 'Carriage and other'} />
        {kind === 'bill' && view.depositLeft > 0 && <MoneyField name="lessDeposit" label="Less the deposit" />}
      </div>
      <p className="small-text soft mb-0">Before tax, as everything that is spent.</p>
    </>
  );
}
