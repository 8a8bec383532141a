'use client';
import { Button } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { addPurchaseOrder, changePurchaseOrder } from '@/contract/commands/purchasing';
import type { PayloadOf } from '@/contract/command';
import type {
  OrderLineFields,
  PurchaseOrderView,
  PurchasingView,
  ToOrder,
  ToOrderLine,
} from '@/contract/views/purchasing';
import { lineSum, orderedOf, packsOf, PRICED_BY } from '@/core/purchasing/order-line';
import { sum } from '@/core/units/rounding';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { MoneyField } from '../kit/measure-fields';
import { useCurrency, useMoney } from '../kit/money';
import { newId } from '../offline/send';
import { ArrivalFields } from '../selections/arrival-fields';

type Terms = Pick<PurchasingView, 'suppliers' | 'areas'>;
type Fields = Omit<OrderLineFields, 'id'>;

type LineStart = PayloadOf<typeof addPurchaseOrder>['lines'][number];

/** A line as the form takes it: what nobody said is left out, also how many, which the form then asks for. */
function lineStart(line: Fields, id = newId()): LineStart {
  const { selection, calculation, purchase, quantity, perPack, unitPrice, code, text, unit, pricedBy, instead } = line;
  return {
    ...{ id, code, text, unit, pricedBy, instead },
    ...(selection === null ? {} : { selection }),
    ...(calculation === null ? {} : { calculation, purchase: purchase ?? 0 }),
    ...(quantity === null ? {} : { quantity }),
    ...(perPack === null ? {} : { perPack }),
    ...(unitPrice === null ? {} : { unitPrice }),
  } as LineStart;
}

const BLANK: Fields = {
  selection: null,
  calculation: null,
  purchase: null,
  code: '',
  text: '',
  unit: 'pieces',
  quantity: null,
  perPack: null,
  unitPrice: null,
  pricedBy: 'one',
  instead: '',
};

/** What is not said is left out of the form. */
const head = (terms: Partial<Omit<PurchaseOrderView['order'], 'id' | 'version' | 'state'>>) => {
  const { supplier = '', deliverOn, half, place, placeNote = '', contact = '', deposit, carriage, note = '' } = terms;
  return {
    ...{ supplier, placeNote, contact, note },
    ...(deliverOn ? { deliverOn } : {}),
    ...(half ? { half } : {}),
    ...(place ? { place } : {}),
    ...(deposit ? { deposit } : {}),
    ...(carriage ? { carriage } : {}),
  };
};

/** A new order: with all that is to be ordered of one supplier, or empty. */
export const NewOrder = ({
  view,
  group,
  onDone,
}: {
  view: PurchasingView;
  group: ToOrder | undefined;
  onDone: (id: string) => void;
}) => (
  <CommandForm
    kind={addPurchaseOrder}
    submit="Save as a draft"
    onDone={({ id }) => onDone(id)}
    start={() => ({
      id: newId(),
      job: view.job.id,
      ...head(group ?? {}),
      lines: group ? group.lines.map((line) => lineStart(line)) : [lineStart(BLANK)],
    })}
  >
    <OrderFields view={view} more={group?.lines ?? []} />
  </CommandForm>
);

export function ChangeOrder({ view, onDone }: { view: PurchaseOrderView; onDone: () => void }) {
  const { id, version, number: _, state: _state, sentOn: _sentOn, ...order } = view.order;
  return (
    <CommandForm
      kind={changePurchaseOrder}
      submit="Save"
      onDone={onDone}
      start={() => ({ id, version, ...head(order), lines: view.lines.map((line) => lineStart(line, line.id)) })}
    >
      <OrderFields view={view} more={view.more} />
    </CommandForm>
  );
}

function OrderFields({ view, more }: { view: Terms; more: readonly ToOrderLine[] }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'lines', keyName: 'row' });
  const written = (useWatch({ name: 'lines' }) ?? []) as LineStart[];
  const left = more.filter(
    (line) =>
      !written.some(
        ({ selection, calculation, purchase }) =>
          (line.selection !== null && selection === line.selection) ||
          (line.calculation !== null && calculation === line.calculation && purchase === line.purchase),
      ),
  );
  return (
    <>
      <TextField
        name="supplier"
        label="From whom"
        list={view.suppliers}
        hint="A name that is new becomes a supplier."
      />
      <ArrivalFields day="deliverOn" dayLabel="Wanted on" rooms={view.areas.map(({ id, name }) => [id, name])} />
      <TextField name="contact" label="Who takes it in" hint="Name and telephone: it stands on the paper." />
      {fields.map((field, index) => (
        <LineFields
          key={field.row}
          index={index}
          line={written[index]}
          {...(fields.length > 1 ? { onRemove: () => remove(index) } : {})}
        />
      ))}
      <div className="actions">
        <Button size="sm" variant="outline-secondary" onClick={() => append(lineStart(BLANK))}>
          One more line
        </Button>
        {left.map((line) => (
          <LinkButton key={line.key} onClick={() => append(lineStart(line))}>
            Put {line.text} in
          </LinkButton>
        ))}
      </div>
      <div className="form-pair">
        <MoneyField name="carriage" label="Carriage" />
        <MoneyField name="deposit" label="Deposit" hint="Paid before anything is made." />
      </div>
      <TextField name="note" label="Note to the supplier" rows={2} />
      <Total lines={written} />
    </>
  );
}

function LineFields({
  index,
  line,
  onRemove,
}: {
  index: number;
  line: Partial<LineStart> | undefined;
  onRemove?: () => void;
}) {
  const at = `lines.${index}`;
  return (
    <fieldset className="option-fields">
      <legend className="form-label fs-6 mb-1 fw-bold">Line {index + 1}</legend>
      <TextField name={`${at}.text`} label="What it is" />
      <div className="form-trio">
        <TextField name={`${at}.code`} label="Code" />
        <TextField name={`${at}.quantity`} label="How many" type="number" />
        <TextField name={`${at}.unit`} label="Unit" />
      </div>
      <div className="form-trio">
        <MoneyField name={`${at}.unitPrice`} label="Price" />
        <TextField name={`${at}.perPack`} label="In a pack" type="number" />
        {Number(line?.perPack) > 0 && (
          <SelectField name={`${at}.pricedBy`} label="The price is" options={Object.entries(PRICED_BY)} />
        )}
      </div>
      <Ordered line={line} />
      <TextField name={`${at}.instead`} label="May be sent instead" hint="Accepted where the first cannot be had." />
      {onRemove && (
        <LinkButton onClick={onRemove}>
          Remove<Hidden>: line {index + 1}</Hidden>
        </LinkButton>
      )}
    </fieldset>
  );
}

const asLine = (line: Partial<LineStart>) => ({
  quantity: Number(line.quantity) || 0,
  perPack: Number(line.perPack) > 0 ? Number(line.perPack) : null,
  unitPrice: line.unitPrice ?? null,
  pricedBy: line.pricedBy ?? ('one' as const),
});

/** What a line comes to while it is written: whole packs are ordered. */
function Ordered({ line = {} }: { line: Partial<LineStart> | undefined }) {
  const [money, currency] = [useMoney(), useCurrency()];
  const terms = asLine(line);
  if (terms.quantity <= 0) return null;
  const [packs, all] = [packsOf(terms), lineSum(terms, currency)];
  return (
    <p className="small-text soft mb-0">
      {packs === null ? '' : `${packs} ${packs === 1 ? 'pack' : 'packs'}, ${orderedOf(terms)} ${line.unit ?? ''}; `}
      {all === null ? 'no price yet' : money(all)}
    </p>
  );
}

function Total({ lines }: { lines: readonly Partial<LineStart>[] }) {
  const [money, currency] = [useMoney(), useCurrency()];
  const carriage = Number(useWatch({ name: 'carriage' })) || 0;
  const sums = lines.map((line) => lineSum(asLine(line), currency));
  return (
    <p className="mb-0">
      In all <span className="mono fw-bold">{money(sum(sums.map((amount) => amount ?? 0)) + carriage)}</span> before tax
      {sums.includes(null) ? '; not every line has a price' : ''}.
    </p>
  );
}
