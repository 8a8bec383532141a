'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { chooseAlternative, keepAlternatives } from '@/contract/commands/selections';
import type { SelectionPageView } from '@/contract/views/selections';
import { leadWords } from '@/core/selections/lead-words';
import { formatDay } from '@/core/units/day';
import { CommandForm, TextField } from '../kit/form';
import { MoneyField } from '../kit/measure-fields';
import { SidePanel } from '../kit/side-panel';
import { newId } from '../offline/send';
import { PictureField } from '../kit/picture-field';
import { alternativeOf, type Alternative } from '@/core/selections/states';
import type { Day } from '@/core/units/day';
import type { SelectionView } from '@/contract/views/selections';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { LinkButton } from '../kit/link-button';
import { useMoney } from '../kit/money';

/** Choices side by side: what each costs, how long it takes, what it asks for later and how it looks. */
export function Alternatives({ view }: { view: SelectionPageView }) {
  const money = useMoney();
  const { item, today, alternatives } = view;
  // `change`, or the one to be chosen.
  const [open, setOpen] = useState<string>();
  const taken = alternatives.find((alternative) => alternative.id === open);
  const all = (price: number | null): string =>
    price === null
      ? 'price not asked'
      : item.quantity === null
        ? `${money(price)} each`
        : `${money(Math.round(price * item.quantity))} in all`;
  const rows: [string, (entry: (typeof alternatives)[number]) => React.ReactNode][] = [
    [
      'Price',
      (entry) =>
        entry.unitPrice === null || item.quantity === null ? (
          all(entry.unitPrice)
        ) : (
          <>
            <span className="mono">{money(Math.round(entry.unitPrice * item.quantity))}</span>
            <span className="small-text soft d-block">in all, {money(entry.unitPrice)} each</span>
          </>
        ),
    ],
    ['Takes', (entry) => leadWords(entry.leadLow, entry.leadHigh)],
    [
      'Comes',
      (entry) => (
        <>
          {formatDay(entry.there, today)}
          {entry.after !== null && (
            <span className={`small-text d-block ${entry.after > 0 ? 'bad' : 'good'}`}>
              {entry.after > 0
                ? `${entry.after} ${entry.after === 1 ? 'day' : 'days'} late`
                : 'in time if ordered today'}
            </span>
          )}
        </>
      ),
    ],
    ['From', (entry) => entry.supplier],
    ['Upkeep', (entry) => entry.upkeep],
    ['Look', (entry) => entry.look],
  ];
  return (
    <AlternativesTable
      setOpen={setOpen}
      alternatives={alternatives}
      rows={rows}
      item={item}
      open={open}
      view={view}
      taken={taken}
      all={all}
    />
  );
}

/** Side by side. */
function AlternativesTable({
  setOpen,
  alternatives,
  rows,
  item,
  open,
  view,
  taken,
  all,
}: {
  setOpen: (next: string | undefined) => void;
  alternatives: (Alternative & { there: Day; after: number | null })[];
  rows: [string, (entry: Alternative & { there: Day; after: number | null }) => React.ReactNode][];
  item: SelectionView;
  open: string | undefined;
  view: SelectionPageView;
  taken: (Alternative & { there: Day; after: number | null }) | undefined;
  all: (price: number | null) => string;
}) {
  return (
    <Block
      heading="Side by side"
      beside={
        <span className="push no-print">
          <LinkButton onClick={() => setOpen('change')}>
            {alternatives.length === 0 ? 'Put alternatives beside each other' : 'Change them'}
          </LinkButton>
        </span>
      }
    >
      {alternatives.length > 0 && (
        <div
          className="side-by-side"
          style={{ '--options': alternatives.length } as React.CSSProperties}
          tabIndex={0}
          role="region"
          aria-label="Alternatives side by side"
        >
          <ComparedRows alternatives={alternatives} rows={rows} item={item} setOpen={setOpen} />
        </div>
      )}
      <SidePanel
        title={open === 'change' ? 'Alternatives' : 'Choose'}
        open={open !== undefined}
        onClose={() => setOpen(undefined)}
      >
        {open === 'change' && (
          <CommandForm
            kind={keepAlternatives}
            submit="Save"
            onDone={() => setOpen(undefined)}
            start={() => ({
              id: item.id,
              version: item.version,
              alternatives:
                alternatives.length > 0
                  ? alternatives.map(({ there: _, after: __, ...one }) => one)
                  : [{ ...blank(), ...alternativeOf(item) }],
            })}
          >
            <Fields suppliers={view.suppliers} />
          </CommandForm>
        )}
        {taken && (
          <CommandForm
            kind={chooseAlternative}
            submit="Choose it"
            onDone={() => setOpen(undefined)}
            start={() => ({ id: item.id, version: item.version, alternative: taken.id, reason: '' })}
          >
            <p className="mb-0">
              {taken.choice}, {all(taken.unitPrice)}, {leadWords(taken.leadLow, taken.leadHigh)}.
            </p>
            <TextField name="reason" label="Why this one" hint="Kept as a decision." />
          </CommandForm>
        )}
      </SidePanel>
    </Block>
  );
}

/** The alternatives, a column each. */
function ComparedRows({
  alternatives,
  rows,
  item,
  setOpen,
}: {
  alternatives: (Alternative & { there: Day; after: number | null })[];
  rows: [string, (entry: Alternative & { there: Day; after: number | null }) => React.ReactNode][];
  item: SelectionView;
  setOpen: (next: string | undefined) => void;
}) {
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">
            <Hidden>What is compared</Hidden>
          </th>
          {alternatives.map((alternative) => (
            <th key={alternative.id} scope="col">
              {alternative.picture && (
                <img
                  src={api.picture(alternative.picture, 240)}
                  alt=""
                  width={120}
                  height={90}
                  className="d-block mb-1 object-fit-cover"
                />
              )}
              {alternative.choice}
              <div className="mono small-text soft">{alternative.code}</div>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, show]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {alternatives.map((alternative) => (
              <td key={alternative.id}>{show(alternative)}</td>
            ))}
          </tr>
        ))}
        <tr className="no-print">
          <th scope="row">
            <Hidden>Choose</Hidden>
          </th>
          {alternatives.map((alternative) => (
            <td key={alternative.id}>
              {item.code === alternative.code && item.choice === alternative.choice ? (
                <span className="good">chosen</span>
              ) : (
                <Button size="sm" onClick={() => setOpen(alternative.id)}>
                  Choose<Hidden> {alternative.choice}</Hidden>
                </Button>
              )}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}

const blank = () => ({
  id: newId(),
  choice: '',
  code: '',
  colour: '',
  finish: '',
  supplier: '',
  unitPrice: null,
  leadLow: 10,
  leadHigh: 14,
  upkeep: '',
  look: '',
  picture: null,
});

function Fields({ suppliers }: { suppliers: readonly string[] }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'alternatives', keyName: 'row' });
  return (
    <>
      {fields.map((field, index) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1 fw-bold">Alternative {index + 1}</legend>
          <TextField name={`alternatives.${index}.choice`} label="What it is" />
          <div className="form-pair">
            <TextField name={`alternatives.${index}.code`} label="Code" />
            <TextField name={`alternatives.${index}.colour`} label="Colour" />
            <TextField name={`alternatives.${index}.finish`} label="Finish" />
          </div>
          <div className="form-pair">
            <TextField name={`alternatives.${index}.supplier`} label="From whom" list={suppliers} />
            <MoneyField name={`alternatives.${index}.unitPrice`} label="Price of one" />
          </div>
          <div className="form-pair">
            <TextField name={`alternatives.${index}.leadLow`} label="Days, at best" type="number" />
            <TextField name={`alternatives.${index}.leadHigh`} label="at worst" type="number" />
          </div>
          <TextField name={`alternatives.${index}.upkeep`} label="Upkeep" />
          <TextField name={`alternatives.${index}.look`} label="Look" />
          <PictureField name={`alternatives.${index}.picture`} label="Picture" />
          <LinkButton onClick={() => remove(index)}>Take alternative {index + 1} away</LinkButton>
        </fieldset>
      ))}
      <div>
        <Button size="sm" variant="outline-secondary" onClick={() => append(blank())}>
          One more
        </Button>
      </div>
    </>
  );
}
