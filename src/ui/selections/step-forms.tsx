'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useFormContext, useWatch } from 'react-hook-form';
import {
  checkSelection,
  expectSelection,
  fitLater,
  hearSupplier,
  orderSelection,
  stepSelection,
  SUPPLIER_SAYS,
  supplierSays,
} from '@/contract/commands/selections';
import type { SelectionPageView } from '@/contract/views/selections';
import { orderWords, SELECTION_STATES } from '@/core/selections/states';
import { SELECTION_VERDICTS } from '@/core/walks/observation';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Notice } from '../kit/notice';
import { useSend } from '../kit/use-send';
import { send } from '../offline/send';
import { PictureField } from '../kit/picture-field';
import { LinkButton } from '../kit/link-button';

interface Terms {
  view: SelectionPageView;
  onDone: () => void;
}

export function OrderForm({ view, onDone }: Terms) {
  const { item, today } = view;
  return (
    <CommandForm
      kind={orderSelection}
      submit="It is ordered"
      onDone={onDone}
      start={() => ({
        id: item.id,
        version: item.version,
        day: today,
        unit: item.unit,
        orderNumber: '',
        despite: '',
        note: '',
        ...(item.quantity === null ? {} : { quantity: item.quantity }),
      })}
    >
      <p className="mb-0">
        {item.supplier || 'No supplier yet'}: {orderWords(item)}. What comes is held against these words.
      </p>
      <div className="form-pair">
        <TextField name="quantity" label="How many" type="number" />
        <TextField name="unit" label="Unit" />
      </div>
      <div className="form-pair">
        <TextField name="day" label="Ordered on" type="date" />
        <TextField name="orderNumber" label="Order number" />
      </div>
      <TextField
        name="expectedOn"
        label="Promised to arrive"
        type="date"
        hint="Leave it empty until they confirm a day: the longest lead time counts until then."
      />
      {item.waitsFor.length > 0 && (
        <TextField
          name="despite"
          label={`Why before ${item.waitsFor.map((wait) => wait.text).join(' and ')}`}
          hint="It waits for that. Ordering all the same is at our own risk; the reason is kept."
        />
      )}
      <TextField name="note" label="Note" />
      {view.desk && (
        <p className="small-text soft mb-0">
          The demo plays the answers of {item.supplier}: nothing leaves this machine.
        </p>
      )}
    </CommandForm>
  );
}

export function ExpectForm({ view, onDone }: Terms) {
  const { item, today } = view;
  return (
    <CommandForm
      kind={expectSelection}
      submit="Save"
      onDone={onDone}
      start={() => ({ id: item.id, version: item.version, expectedOn: item.expectedOn ?? today, note: '' })}
    >
      <TextField name="expectedOn" label="It comes on" type="date" />
      <TextField name="note" label="Why" hint="Told wherever the day shows." />
    </CommandForm>
  );
}

export function StepForm({ view, onDone }: Terms) {
  const { item, today } = view;
  return (
    <CommandForm
      kind={stepSelection}
      submit="Save"
      onDone={onDone}
      start={() => ({ id: item.id, version: item.version, to: item.state, day: today, note: '', place: item.keptAt })}
    >
      <SelectField
        name="to"
        label="It is"
        options={SELECTION_STATES.filter((state) => state !== 'left over').map((state) => [state, state])}
        hint="Back before “ordered” takes the order back."
      />
      <TextField name="day" label="Since" type="date" />
      <TextField name="place" label="Where it is kept" />
      <TextField name="note" label="Note" />
    </CommandForm>
  );
}

export function CheckForm({ view, onDone }: Terms) {
  const { item } = view;
  return (
    <CommandForm
      kind={checkSelection}
      submit="Save"
      onDone={onDone}
      start={() => ({ id: item.id, version: item.version, verdict: 'right' as const, text: '' })}
    >
      <p className="mb-0">
        Ordered as {item.orderedAs || item.choice}
        {item.quantity === null ? '' : `, ${item.quantity} ${item.unit}`}.
      </p>
      <SelectField
        name="verdict"
        label="What came is"
        options={SELECTION_VERDICTS.map((verdict) => [verdict, verdict])}
      />
      <CheckWords unit={item.unit} />
      <PictureField name="picture" label="Picture" />
    </CommandForm>
  );
}

function CheckWords({ unit }: { unit: string }) {
  const verdict = useWatch({ name: 'verdict' }) as string;
  if (verdict === 'right') return <TextField name="text" label="Note (optional)" />;
  return (
    <>
      <div className="form-pair">
        <TextField
          name="quantity"
          label={`How many are ${verdict}`}
          type="number"
          hint={`${unit ? `in ${unit}; ` : ''}empty means all`}
        />
        <TextField
          name="text"
          label={verdict === 'wrong' ? 'Came as' : verdict === 'missing' ? 'What is missing' : 'What is damaged'}
        />
      </div>
      <p className="small-text soft mb-0">
        That part is ordered again with dates of its own
        {verdict === 'missing' ? '' : ', and what came waits to go back'}.
      </p>
    </>
  );
}

const SAYS_WORDS: Record<(typeof SUPPLIER_SAYS)[number], string> = {
  confirms: 'they confirm a day',
  'in making': 'it is being made',
  slips: 'it slips',
  ships: 'it is shipped',
  'ships part': 'a part is shipped',
  cannot: 'it cannot be had',
};

/** Their word as it was heard; in the demo also what is played for them next. */
export function SayForm({ view, onDone }: Terms) {
  const { item } = view;
  const router = useRouter();
  const [heard, setHeard] = useState<string>();
  const hear = async (): Promise<void> => {
    const sent = await send(hearSupplier, { selection: item.id });
    const result = sent.ok ? (sent.result as { says: keyof typeof SAYS_WORDS; text: string }) : undefined;
    setHeard(sent.ok ? `${SAYS_WORDS[result?.says ?? 'confirms']}: ${result?.text ?? ''}` : sent.problem.title);
    router.refresh();
  };
  return (
    <>
      {view.desk && (
        <div className="mb-3">
          <Button variant="outline-secondary" onClick={() => void hear()}>
            Play their next answer
          </Button>
          <p className="small-text soft mt-1 mb-0">
            The demo says now what it would say next. Nothing leaves this machine.
          </p>
          {heard && <Notice>{heard}</Notice>}
        </div>
      )}
      <CommandForm
        kind={supplierSays}
        submit="Save their answer"
        onDone={onDone}
        start={() => ({
          selection: item.id,
          says: 'confirms' as const,
          text: '',
          ...(item.expectedOn ? { day: item.expectedOn } : {}),
        })}
      >
        <SelectField name="says" label="They say" options={SUPPLIER_SAYS.map((says) => [says, SAYS_WORDS[says]])} />
        <SaidFields quantity={item.quantity} unit={item.unit} />
        <TextField name="text" label="In their words" hint="Why it slips is told wherever the day shows." />
      </CommandForm>
    </>
  );
}

function SaidFields({ quantity, unit }: { quantity: number | null; unit: string }) {
  const { watch } = useFormContext();
  const says = watch('says') as string;
  if (says === 'in making' || says === 'cannot') return null;
  return (
    <div className="form-pair">
      {says === 'ships part' && (
        <TextField
          name="quantity"
          label="How many come now"
          type="number"
          hint={quantity === null ? '' : `of ${quantity} ${unit}`}
        />
      )}
      <TextField
        name="day"
        label={says === 'ships part' ? 'The rest comes on' : says === 'slips' ? 'It comes now on' : 'It comes on'}
        type="date"
      />
    </div>
  );
}

/** Whether the work waits for what was ordered again. */
export function FitLater({ view }: { view: SelectionPageView }) {
  const { item, today } = view;
  const { give, busy } = useSend();
  const put = (returnTrip: boolean): void =>
    void give(
      fitLater,
      { id: item.id, version: item.version, returnTrip },
      { text: returnTrip ? 'It is fitted on a return trip; the work goes on.' : 'The work waits for it.' },
    );
  return (
    <p className="mb-0">
      {item.returnTrip
        ? `Fitted on a return trip${item.expectedOn ? ` after ${formatDay(item.expectedOn, today)}` : ''}.`
        : `${item.step} waits for it.`}{' '}
      <LinkButton className="align-baseline no-print" disabled={busy} onClick={() => put(!item.returnTrip)}>
        {item.returnTrip ? 'Let the work wait' : 'Fit it on a return trip'}
      </LinkButton>
    </p>
  );
}
