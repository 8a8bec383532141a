'use client';
import { routes } from '@/contract/routes';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { changeCalculation, keepCalculation } from '@/contract/commands/quantities';
import type { CalculationView } from '@/contract/views/scope';
import type { Measure } from '@/core/layout/measures';
import type { AnyCalculator } from '@/core/quantities/calculator';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { MoneyField } from '../kit/measure-fields';
import { useToast } from '../kit/toast';
import { newId } from '../offline/send';
import type { areasOfBench } from './calculator';

interface Terms {
  calculator: AnyCalculator;
  input: Record<string, unknown>;
  fed: Record<string, Measure>;
  areas: ReturnType<typeof areasOfBench>;
  area: string | undefined;
  kept: CalculationView | undefined;
  onDone: () => void;
}

/** Where the result belongs, what is bought by it, and which work uses it. */
export function KeepForm({ calculator, input, fed, areas, area: start, kept, onDone }: Terms) {
  const router = useRouter();
  const say = useToast();
  const [areaId, setAreaId] = useState(start ?? '');
  const area = areas.find((entry) => entry.id === areaId);
  const shared = { calculator: calculator.name, input, fed: areaId === start ? fed : {} };
  const done = (): void => {
    onDone();
    say({ text: `Saved in ${area?.name ?? 'the area'}; it follows the drawing from now on.` });
    if (area) router.push(routes.materials(area.job));
  };
  const fields = (
    <>
      <TextField
        name="product"
        label="What is bought"
        hint="As it stands on the list, like “fibre plank, grey”. Empty: as computed."
      />
      <SelectField
        name="phase"
        label="Which work uses it"
        none="not said"
        options={(area?.phases ?? []).map((step) => [step.phase, step.label])}
        hint="Its first day is the day by which it is needed."
      />
      <SelectField
        name="scopeItem"
        label="For which line of scope"
        none="none in particular"
        options={(area?.lines ?? []).map((line) => [line.id, line.text])}
      />
      <div className="form-pair">
        <MoneyField name="unitPrice" label="Price of one" />
        <TextField name="supplier" label="From" />
      </div>
      <SelectField
        name="trade"
        label="Whose delivery"
        none="whoever does the work"
        options={TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, TRADES[trade]])}
      />
    </>
  );
  const given = kept && {
    product: kept.product,
    supplier: kept.supplier,
    ...(kept.unitPrice === null ? {} : { unitPrice: kept.unitPrice }),
    ...(kept.trade ? { trade: kept.trade } : {}),
    ...(kept.phase ? { phase: kept.phase } : {}),
    ...(kept.scopeItem ? { scopeItem: kept.scopeItem } : {}),
  };
  if (kept)
    return (
      <CommandForm
        kind={changeCalculation}
        submit="Save"
        onDone={done}
        start={() => ({ id: kept.id, version: kept.version, ...shared, ...given })}
      >
        {fields}
      </CommandForm>
    );
  return (
    <>
      <Form.Group controlId="keep-area" className="mb-3">
        <Form.Label className="mb-1">In which area</Form.Label>
        <Form.Select value={areaId} onChange={(event) => setAreaId(event.target.value)}>
          <option value="">choose one</option>
          {areas.map((entry) => (
            <option key={entry.id} value={entry.id}>
              {entry.name}, {entry.jobName}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {area && (
        <CommandForm
          key={areaId}
          kind={keepCalculation}
          submit="Save"
          onDone={done}
          start={() => ({ id: newId(), area: areaId, ...shared, product: '', supplier: '' })}
        >
          {fields}
        </CommandForm>
      )}
    </>
  );
}
