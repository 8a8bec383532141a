'use client';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { addChange, editChange } from '@/contract/commands/changes';
import type { ChangeLineView, ChangesView, ChangeView } from '@/contract/views/changes';
import { lineNet, priceOf } from '@/core/money/price';
import { CheckField, CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { LinkButton } from '../kit/link-button';
import { MoneyField, PercentField } from '../kit/measure-fields';
import { useMoney } from '../kit/money';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from './line-fields';

const blankLine = (area: string) => ({
  id: newId(),
  area,
  verb: '',
  subject: '',
  quantity: 1,
  unit: 'pieces',
  halfDays: 0,
  priceOnly: false,
});

export const NewChange = ({ view, onDone }: { view: ChangesView; onDone: () => void }) => (
  <CommandForm
    kind={addChange}
    submit="Save as a draft"
    onDone={onDone}
    start={() => ({
      id: newId(),
      job: view.job.id,
      kind: 'addition' as const,
      title: '',
      why: '',
      lines: [blankLine(view.areas[0]?.id ?? '')],
      markup: view.terms.markup,
      taxRate: view.terms.taxRate,
      drops: [],
      omits: [],
    })}
  >
    <ChangeFields view={view} />
  </CommandForm>
);

/** A line as the form takes it: what is not said is left out. */
const lineStart = ({ areaName: _, net: _net, unitPrice, trade, after, ...line }: ChangeLineView) => ({
  ...line,
  ...(unitPrice === null ? {} : { unitPrice }),
  ...(trade === null ? {} : { trade }),
  ...(after === null ? {} : { after }),
});

export function EditChange({ view, change, onDone }: { view: ChangesView; change: ChangeView; onDone: () => void }) {
  const { id, version, kind, title, why, lines, markup, taxRate, drops, omits } = change;
  return (
    <CommandForm
      kind={editChange}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id,
        version,
        kind,
        title,
        why,
        lines: lines.map(lineStart),
        markup,
        taxRate,
        drops: drops.map(({ area, phase }) => ({ area, phase })),
        omits,
      })}
    >
      <ChangeFields view={view} />
    </CommandForm>
  );
}

interface Written {
  kind: string;
  lines: { area: string; quantity?: number; unitPrice?: number; halfDays?: number }[];
  markup?: number;
  taxRate?: number;
}

function ChangeFields({ view }: { view: ChangesView }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'lines', keyName: 'row' });
  const written = useWatch() as Written;
  const omission = written.kind === 'omission';
  const areas = [...new Set(written.lines.map((line) => line.area))];
  return (
    <>
      <SelectField
        name="kind"
        label="It is"
        options={[
          ['addition', 'an addition'],
          ['omission', 'an omission'],
        ]}
      />
      <TextField name="title" label="What changes" hint="like “two more sockets” or “the rear windows stay”" />
      <TextField name="why" label="Why" />
      {fields.map((field, index) => (
        <LineFields
          key={field.row}
          view={view}
          index={index}
          omission={omission}
          {...(fields.length > 1 ? { onRemove: () => remove(index) } : {})}
        />
      ))}
      <div>
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => append(blankLine(written.lines.at(-1)?.area ?? view.areas[0]?.id ?? ''))}
        >
          One more line
        </Button>
      </div>
      <div className="form-pair">
        <PercentField name="markup" label="Overhead and profit, %" />
        <PercentField name="taxRate" label="Tax, %" />
      </div>
      <Total written={written} view={view} />
      {omission && <Omitted view={view} areas={areas} />}
    </>
  );
}

/** What the client would be asked, while it is written. */
function Total({ written, view }: { written: Written; view: ChangesView }) {
  const money = useMoney();
  const { currency } = view.terms;
  const nets = written.lines.map(({ quantity, unitPrice }) =>
    lineNet({ quantity: Number(quantity) || 0, unitPrice: Number(unitPrice) || 0 }, currency),
  );
  const { total } = priceOf(nets, { markup: written.markup || 0, taxRate: written.taxRate || 0, currency });
  return (
    <p className="mb-0">
      The client pays <span className="mono fw-bold">{money(total)}</span>, everything included.
    </p>
  );
}

function LineFields({
  view,
  index,
  omission,
  onRemove,
}: {
  view: ChangesView;
  index: number;
  omission: boolean;
  onRemove?: () => void;
}) {
  const at = `lines.${index}`;
  const [area, halfDays, priceOnly] = useWatch({ name: [`${at}.area`, `${at}.halfDays`, `${at}.priceOnly`] }) as [
    string,
    number | undefined,
    boolean | undefined,
  ];
  const steps = view.areas.find((entry) => entry.id === area)?.phases ?? [];
  return (
    <fieldset className="option-fields">
      <legend className="form-label fs-6 mb-1 fw-bold">Line {index + 1}</legend>
      <SelectField name={`${at}.area`} label="Where" options={view.areas.map(({ id, name }) => [id, name])} />
      <div className="form-pair">
        <TextField name={`${at}.verb`} label="What happens" />
        <TextField name={`${at}.subject`} label="to what" />
      </div>
      <div className="form-pair">
        <TextField
          name={`${at}.quantity`}
          label="How many"
          type="number"
          {...(omission ? { hint: 'with a minus' } : {})}
        />
        <TextField name={`${at}.unit`} label="Unit" />
        <MoneyField name={`${at}.unitPrice`} label="Price of one" />
      </div>
      {!priceOnly && (
        <div className="form-pair">
          <SelectField name={`${at}.trade`} label="Whose work" none="nobody’s yet" options={TRADE_OPTIONS} />
          <TextField name={`${at}.halfDays`} label="Half-days" type="number" hint="0 where it adds none" />
        </div>
      )}
      {!priceOnly && Number(halfDays) > 0 && (
        <SelectField
          name={`${at}.after`}
          label="After"
          none="at any time"
          options={steps.map((step) => [step.phase, step.label])}
        />
      )}
      <CheckField name={`${at}.priceOnly`} label="Money alone: no work, no line of scope" />
      {onRemove && <LinkButton onClick={onRemove}>Take line {index + 1} away</LinkButton>}
    </fieldset>
  );
}

/** Steps and lines of the rooms that the omission is about. */
function Omitted({ view, areas }: { view: ChangesView; areas: string[] }) {
  return (
    <>
      {view.areas
        .filter((area) => areas.includes(area.id) && area.phases.length > 0)
        .map((area) => (
          <DropField key={area.id} area={area} />
        ))}
      <TicksField
        name="omits"
        label="Lines that are then not included"
        options={view.areas
          .filter((area) => areas.includes(area.id))
          .flatMap((area) => area.lines.map((line): [string, string] => [line.id, line.text]))}
      />
    </>
  );
}

type Drop = ChangeView['drops'][number];

/** Steps of one room that fall away; a change may drop some in several. */
function DropField({ area }: { area: ChangesView['areas'][number] }) {
  const { setValue } = useFormContext();
  const drops = (useWatch({ name: 'drops' }) ?? []) as Pick<Drop, 'area' | 'phase'>[];
  const isDropped = (phase: string): boolean => drops.some((drop) => drop.area === area.id && drop.phase === phase);
  return (
    <fieldset>
      <legend className="form-label fs-6 mb-1">Steps that fall away in {area.name}</legend>
      <div className="ticks">
        {area.phases.map(({ phase, label }) => (
          <Form.Check
            key={phase}
            id={`drop-${area.id}-${phase}`}
            label={label}
            checked={isDropped(phase)}
            onChange={() =>
              setValue(
                'drops',
                isDropped(phase)
                  ? drops.filter((drop) => drop.area !== area.id || drop.phase !== phase)
                  : [...drops, { area: area.id, phase }],
              )
            }
          />
        ))}
      </div>
    </fieldset>
  );
}
