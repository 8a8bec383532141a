import { addOpening, addFixture, changeOpening, changeFixture } from '@/contract/commands/layout';
import type { KeptOpening, KeptFixture } from '@/contract/views/layout';
import { measured, OPENING_KINDS, PLACED_KINDS, type FixtureKind, type Shape } from '@/core/layout/shape';
import type { LengthSystem } from '@/core/units/length';
import { useFormContext, useWatch } from 'react-hook-form';
import { CheckField, CommandForm, SelectField, TextField } from '../kit/form';
import { LengthField } from '../kit/measure-fields';
import { newId } from '../offline/send';

interface Terms {
  area: string;
  shape: Shape;
  system: LengthSystem;
  onDone: () => void;
}

const zero = { mm: 0, typed: '0' };
const wallsOf = (shape: Shape): [string, string][] =>
  shape.kind === 'room'
    ? shape.walls.map((wall, index) => [String(index), `wall ${index + 1}, ${wall.typed}`])
    : shape.kind === 'face'
      ? shape.sections.map((section, index) => [String(index), `section ${index + 1}, ${section.width.typed}`])
      : [];

/** A door, a window or a passage, by its size and its place on its wall. */
export function OpeningForm({ area, shape, system, opening, onDone }: Terms & { opening?: KeptOpening }) {
  const fields = <OpeningFields shape={shape} system={system} />;
  if (opening)
    return (
      <CommandForm
        kind={changeOpening}
        submit="Save"
        onDone={onDone}
        start={() => ({ ...opening, id: opening.id, version: opening.version })}
      >
        {fields}
      </CommandForm>
    );
  return (
    <CommandForm
      kind={addOpening}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: newId(),
        area,
        wall: 0,
        kind: 'window' as const,
        name: '',
        sill: shape.kind === 'face' ? measured(900, system === 'metric' ? '900 mm' : `3' 0"`) : zero,
        along: null,
        count: 1,
        hinge: 'left' as const,
        opensIn: true,
        clear: null,
      })}
    >
      {fields}
    </CommandForm>
  );
}

function OpeningFields({ shape, system }: { shape: Shape; system: LengthSystem }) {
  const kind = useWatch({ name: 'kind' }) as string;
  const { setValue } = useFormContext();
  const clear = useWatch({ name: 'clear' }) as object | null;
  return (
    <>
      <div className="form-pair">
        <SelectField name="kind" label="It is" options={Object.entries(OPENING_KINDS)} />
        <SelectField name="wall" label="In" options={wallsOf(shape)} />
      </div>
      <TextField name="name" label="Name" hint="like “yard door” or “W2”" />
      <div className="form-pair">
        <LengthField name="width" label="Width" system={system} />
        <LengthField name="height" label="Height" system={system} />
      </div>
      <div className="form-pair">
        <LengthField name="sill" label="Sill over the floor" system={system} />
        <LengthField
          name="along"
          label="From the left end"
          system={system}
          none
          hint="Empty: only size and count are known."
        />
      </div>
      <TextField
        name="count"
        label="How many alike"
        type="number"
        hint="More than one only where their place is not given."
      />
      {kind !== 'window' && shape.kind === 'room' && (
        <>
          <SelectField
            name="hinge"
            label="Hangs on the"
            options={[
              ['left', 'left, seen from inside'],
              ['right', 'right, seen from inside'],
            ]}
          />
          <CheckField name="opensIn" label="Opens into this room" />
        </>
      )}
      {kind === 'window' && shape.kind === 'room' && (
        <>
          <div className="form-check">
            <input
              className="form-check-input"
              type="checkbox"
              id="field-clear"
              checked={clear !== null}
              onChange={(event) => setValue('clear', event.target.checked ? {} : null)}
            />
            <label className="form-check-label" htmlFor="field-clear">
              What is clear when it stands open is known
            </label>
          </div>
          {clear !== null && (
            <div className="form-pair">
              <LengthField name="clear.width" label="Clear width" system={system} />
              <LengthField name="clear.height" label="Clear height" system={system} />
            </div>
          )}
        </>
      )}
    </>
  );
}

const PLACED_OPTIONS = Object.entries(PLACED_KINDS).map(([kind, { label }]) => [kind, label] as const);
const NOWHERE = { along: zero, away: zero, bottom: zero, front: zero, hinge: 'none' as const, handle: zero };

/** Cabinets and appliances: which way their door hangs, and how far its handle stands out. */
function DoorFields({ system }: { system: LengthSystem }) {
  const kind = useWatch({ name: 'kind' }) as FixtureKind;
  if (kind !== 'cabinet' && kind !== 'appliance') return null;
  return (
    <div className="form-pair">
      <SelectField
        name="hinge"
        label="Door hangs"
        options={[
          ['none', 'drawers, or no door'],
          ['left', 'on the left'],
          ['right', 'on the right'],
        ]}
      />
      <LengthField name="handle" label="Handle stands out" system={system} />
    </div>
  );
}

/** A bed, a table, a cabinet, an appliance against a wall. */
export function FixtureForm({ area, shape, system, thing, onDone }: Terms & { thing?: KeptFixture }) {
  const fields = (
    <>
      <div className="form-pair">
        <SelectField name="kind" label="It is" options={PLACED_OPTIONS} />
        <TextField name="name" label="Name" hint="like “bed” or “base cabinet 2”" />
      </div>
      <SelectField name="wall" label="Measured from" options={wallsOf(shape)} />
      <div className="form-pair">
        <LengthField name="along" label="From the left end" system={system} />
        <LengthField
          name="away"
          label="Out from the wall"
          system={system}
          hint="0 against it; an island stands free."
        />
      </div>
      <div className="form-pair">
        <LengthField name="width" label="Width, along the wall" system={system} />
        <LengthField name="depth" label="Depth" system={system} />
      </div>
      <div className="form-pair">
        <LengthField name="bottom" label="Over the floor" system={system} hint="0 where it stands on it." />
        <LengthField name="tall" label="How tall" system={system} none hint="Empty: as its kind usually is." />
      </div>
      <DoorFields system={system} />
      <LengthField
        name="front"
        label="Clear space in front"
        system={system}
        hint="0 where nobody has to stand there."
      />
    </>
  );
  if (thing)
    return (
      <CommandForm
        kind={changeFixture}
        submit="Save"
        onDone={onDone}
        start={() => ({ ...thing, id: thing.id, version: thing.version })}
      >
        {fields}
      </CommandForm>
    );
  return (
    <CommandForm
      kind={addFixture}
      submit="Save"
      onDone={onDone}
      start={() => ({ id: newId(), area, wall: 0, kind: 'cabinet' as const, name: '', ...NOWHERE })}
    >
      {fields}
    </CommandForm>
  );
}
