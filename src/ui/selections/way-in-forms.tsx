'use client';
import { useWatch } from 'react-hook-form';
import { addLargePiece, addWayIn, changeLargePiece, changeWayIn, planCarrying } from '@/contract/commands/way-in';
import type { LargePieceView, WayInView, WayView } from '@/contract/views/way-in';
import { PIECE_KINDS, WAY_KINDS, type WayKind } from '@/core/fit/way-in';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { CheckField, CommandForm, SelectField, TextField } from '../kit/form';
import { AmountField, LengthField } from '../kit/measure-fields';
import { newId } from '../offline/send';
import { TRADE_OPTIONS } from '../scope/line-fields';

interface Terms {
  view: WayInView;
  onDone: () => void;
}

/** A length that is kept, as the form takes it. */
const typed = (mm: number, system: LengthSystem) => ({ mm, typed: formatLength(mm, system) });

/** Those that are known, as the form takes them. */
const sizes = <Name extends string>(of: Record<Name, number | null>, system: LengthSystem) =>
  Object.fromEntries(
    Object.entries<number | null>(of).flatMap(([name, mm]) => (mm === null ? [] : [[name, typed(mm, system)]])),
  );

export const NewWay = ({ view, onDone, from }: Terms & { from: WayInView['unmeasured'][number] | undefined }) => (
  <CommandForm
    kind={addWayIn}
    submit="Save"
    onDone={onDone}
    start={() => ({
      id: newId(),
      job: view.job.id,
      what: from?.text.slice(0, 80) ?? '',
      kind: 'opening' as const,
      beside: false,
      ...(from ? { finding: from.id } : {}),
      ...(from?.areaId ? { area: from.areaId } : {}),
    })}
  >
    <WayFields view={view} />
  </CommandForm>
);

export function ChangeWay({ view, way, onDone }: Terms & { way: WayView }) {
  const { id, version, what, kind, beside, areaId, finding, lifts } = way;
  const { width, height, before, behind, distance, reach } = way;
  return (
    <CommandForm
      kind={changeWayIn}
      submit="Save"
      onDone={onDone}
      start={() => ({
        ...{ id, version, what, kind, beside },
        ...sizes({ width, height, before, behind, distance, reach }, view.job.units),
        ...(lifts === null ? {} : { lifts }),
        ...(areaId === null ? {} : { area: areaId }),
        ...(finding === null ? {} : { finding }),
      })}
    >
      <WayFields view={view} />
    </CommandForm>
  );
}

function WayFields({ view }: { view: WayInView }) {
  const system = view.job.units;
  const kind = useWatch({ name: 'kind' }) as WayKind;
  return (
    <>
      <TextField name="what" label="What it is" hint="like “side gate” or “landing on the first floor”" />
      <SelectField name="kind" label="It is" options={Object.entries(WAY_KINDS)} />
      {(kind === 'opening' || kind === 'stair') && (
        <div className="form-pair">
          <LengthField name="width" label="Clear width" system={system} />
          <LengthField name="height" label={kind === 'stair' ? 'Headroom' : 'Clear height'} system={system} />
        </div>
      )}
      {kind === 'turn' && (
        <div className="form-trio">
          <LengthField name="before" label="Way before it" system={system} />
          <LengthField name="behind" label="Way behind it" system={system} />
          <LengthField name="height" label="Clear height" system={system} />
        </div>
      )}
      {(kind === 'carry' || kind === 'hose') && (
        <div className="form-pair">
          <LengthField name="distance" label={kind === 'hose' ? 'From the pump' : 'How far'} system={system} />
          {kind === 'hose' && <LengthField name="reach" label="Hose there is" system={system} />}
        </div>
      )}
      {kind === 'crane' && <AmountField name="lifts" label="Lifts at that reach" of="kg" system={system} />}
      <SelectField
        name="area"
        label="It leads to"
        none="the whole job"
        options={view.areas.map(({ id, name }) => [id, name])}
      />
      {kind !== 'crane' && <CheckField name="beside" label="Another way in, beside the usual one" />}
    </>
  );
}

export const NewPiece = ({ view, onDone }: Terms) => (
  <CommandForm
    kind={addLargePiece}
    submit="Save"
    onDone={onDone}
    start={() => ({
      id: newId(),
      job: view.job.id,
      what: '',
      kind: 'beam' as const,
      area: view.areas[0]?.id ?? '',
    })}
  >
    <PieceFields view={view} />
  </CommandForm>
);

export function ChangePiece({ view, piece, onDone }: Terms & { piece: LargePieceView }) {
  const { id, version, what, kind, areaId, selection, length, width, height, mass } = piece;
  const system = view.job.units;
  return (
    <CommandForm
      kind={changeLargePiece}
      submit="Save"
      onDone={onDone}
      start={() => ({
        ...{ id, version, what, kind, area: areaId },
        length: typed(length, system),
        width: typed(width, system),
        height: typed(height, system),
        ...(mass === null ? {} : { mass }),
        ...(selection === null ? {} : { selection }),
      })}
    >
      <PieceFields view={view} />
    </CommandForm>
  );
}

function PieceFields({ view }: { view: WayInView }) {
  const system = view.job.units;
  const area = useWatch({ name: 'area' }) as string;
  const goods = view.goods.filter(({ areaId }) => areaId === area);
  return (
    <>
      <TextField name="what" label="What it is" hint="like “steel beam”, “bath tub”, “small digger”" />
      <SelectField name="kind" label="It is" options={Object.entries(PIECE_KINDS)} />
      <SelectField name="area" label="It goes to" options={view.areas.map(({ id, name }) => [id, name])} />
      <div className="form-trio">
        <LengthField name="length" label="Length" system={system} />
        <LengthField name="width" label="Width" system={system} />
        <LengthField name="height" label="Height" system={system} />
      </div>
      <AmountField name="mass" label="It weighs" of="kg" system={system} hint="Empty while nobody knows." />
      {goods.length > 0 && (
        <SelectField
          name="selection"
          label="It is the chosen"
          none="nothing of Selections"
          options={goods.map(({ id, text }) => [id, text])}
        />
      )}
    </>
  );
}

/** Two of them are a working day. */
const HALF_DAY_HOURS = 4;

/** Carrying it in as work of the plan, for as long as it takes. */
export function PlanCarrying({ view, piece, onDone }: Terms & { piece: LargePieceView }) {
  const steps = view.areas.find(({ id }) => id === piece.areaId)?.phases ?? [];
  return (
    <CommandForm
      kind={planCarrying}
      submit="Put it in the plan"
      onDone={onDone}
      start={() => ({
        id: piece.id,
        version: piece.version,
        extraId: newId(),
        trade: 'structure' as const,
        halfDays: Math.max(1, Math.ceil((piece.hours ?? HALF_DAY_HOURS) / HALF_DAY_HOURS)),
      })}
    >
      <p className="mb-0">
        {piece.what}, {piece.text}, into {piece.area}.
      </p>
      <div className="form-pair">
        <SelectField name="trade" label="Whose work" options={TRADE_OPTIONS} />
        <TextField name="halfDays" label="Half-days" type="number" />
      </div>
      <SelectField
        name="after"
        label="After"
        none="before all that is not begun"
        options={steps.map(({ phase, label }) => [phase, label])}
      />
    </CommandForm>
  );
}
