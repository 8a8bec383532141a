'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { dropOwnAssembly, writeAssembly } from '@/contract/commands/assemblies';
import type { AssembliesView } from '@/contract/views/assemblies';
import type { Amount, AssemblyGoods, AssemblyLine } from '@/core/assemblies/assembly';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { LinkButton } from '../kit/link-button';
import { PercentField } from '../kit/measure-fields';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from '../scope/line-fields';

type Offered = AssembliesView['catalogue'][number];

/** An assembly as the firm has it: its hours, its goods, its lines; in place of what ships or as another one. */
export function OwnForm({ assembly, onDone }: { assembly: Offered; onDone: () => void }) {
  const [another, setAnother] = useState(false);
  const { give, busy } = useSend();
  const drop = async (): Promise<void> => {
    const words = assembly.own === 'made' ? 'is gone' : 'is as it ships again';
    if (
      await give(dropOwnAssembly, { key: assembly.key }, { text: `“${assembly.title}” ${words}.`, back: 'It is back.' })
    )
      onDone();
  };
  return (
    <>
      <Form.Check
        id="assembly-another"
        className="mb-2"
        label="Keep it as another one, beside this"
        checked={another}
        onChange={(event) => setAnother(event.target.checked)}
      />
      <CommandForm
        key={String(another)}
        kind={writeAssembly}
        submit={another ? 'Save as another' : 'Save for the firm'}
        onDone={onDone}
        start={() => ({
          key: another ? newId() : assembly.key,
          base: assembly.base ?? assembly.key,
          title: another ? `${assembly.title}, ours`.slice(0, 60) : assembly.title,
          says: assembly.says,
          lines: assembly.lines.map(({ key, verb, subject, of, unit, trade, hours }) => ({
            ...{ key, verb, subject, unit, trade, hours },
            of: [...of],
          })),
          goods: assembly.goods.map((goods) => ({ ...goods, of: [...goods.of] })),
        })}
        beside={
          assembly.own && (
            <LinkButton disabled={busy} onClick={() => void drop()}>
              {assembly.own === 'made' ? 'Remove it' : 'Back to what ships'}
            </LinkButton>
          )
        }
      >
        <p className="soft mb-0">
          What is set already stays as it is. What it asks, plans and warns of is that of the assembly it begins from.
        </p>
        <TextField name="title" label="Name" />
        <TextField name="says" label="The sentence that means it" />
        <LineRows assembly={assembly} />
        <GoodsRows assembly={assembly} />
      </CommandForm>
    </>
  );
}

/** What an amount goes by, in words: “the face × 2.5”. */
const amountWords = (asks: Offered['asks'], of: Amount): string =>
  of.map((part) => (typeof part === 'number' ? String(part) : (asks[part]?.label ?? part).toLowerCase())).join(' × ');

const firstAsk = (asks: Offered['asks']): { name: string; unit: AssemblyGoods['unit'] } => {
  const [[name, ask] = ['', undefined]] = Object.entries(asks);
  return { name, unit: ask?.unit ?? 'pieces' };
};

function LineRows({ assembly }: { assembly: Offered }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'lines', keyName: 'row' });
  const lines = useWatch({ name: 'lines' }) as AssemblyLine[];
  return (
    <>
      <h3 className="mb-0">Lines</h3>
      {fields.map((field, at) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1">
            by {amountWords(assembly.asks, lines[at]?.of ?? [])}, {lines[at]?.unit}
          </legend>
          <div className="form-pair">
            <TextField name={`lines.${at}.verb`} label="What happens" />
            <TextField name={`lines.${at}.subject`} label="to what" />
          </div>
          <div className="form-pair">
            <SelectField name={`lines.${at}.trade`} label="Whose work" options={TRADE_OPTIONS} />
            <TextField name={`lines.${at}.hours`} label={`Hours for one ${lines[at]?.unit ?? ''}`} type="number" />
          </div>
          {fields.length > 1 && (
            <LinkButton onClick={() => remove(at)}>
              Take it away<Hidden>: {lines[at]?.subject}</Hidden>
            </LinkButton>
          )}
        </fieldset>
      ))}
      <div>
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => {
            const { name, unit } = firstAsk(assembly.asks);
            append({ key: newId(), verb: '', subject: '', of: [name], unit, trade: 'carpentry', hours: 0.5 });
          }}
        >
          One more line
        </Button>
      </div>
    </>
  );
}

function GoodsRows({ assembly }: { assembly: Offered }) {
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: 'goods', keyName: 'row' });
  const [goods, lines] = useWatch({ name: ['goods', 'lines'] }) as [AssemblyGoods[], AssemblyLine[]];
  return (
    <>
      <h3 className="mb-0">Goods</h3>
      {fields.map((field, at) => (
        <fieldset key={field.row} className="option-fields">
          <legend className="form-label fs-6 mb-1">by {amountWords(assembly.asks, goods[at]?.of ?? [])}</legend>
          <TextField name={`goods.${at}.what`} label="What is bought" />
          <SelectField
            name={`goods.${at}.line`}
            label="For the line"
            options={lines.map(({ key, verb, subject }) => [key, `${verb} ${subject}`])}
          />
          <div className="form-pair">
            <TextField
              name={`goods.${at}.pack`}
              label={goods[at]?.unit === 'pieces' ? 'Pieces with each' : `One holds, ${goods[at]?.unit ?? ''}`}
              type="number"
            />
            <PercentField name={`goods.${at}.waste`} label="Waste, %" />
          </div>
          <LinkButton onClick={() => remove(at)}>
            Take it away<Hidden>: {goods[at]?.what}</Hidden>
          </LinkButton>
        </fieldset>
      ))}
      <div>
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => {
            const { name, unit } = firstAsk(assembly.asks);
            append({ what: '', line: lines[0]?.key ?? '', of: [name], unit, waste: 0.1, pack: 1 });
          }}
        >
          More goods
        </Button>
      </div>
    </>
  );
}
