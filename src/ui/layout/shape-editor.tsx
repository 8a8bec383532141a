'use client';
import { sayAmount } from '@/core/quantities/units';
import type { Drawing } from '@/core/layout/stroke';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { setShape } from '@/contract/commands/layout';
import { blankShape, readShape, typedOf, type TypedShape } from '@/core/layout/typed-shape';
import { drawingOf } from '@/core/layout/drawing';
import { CLOSES_WITHIN, outlineOf } from '@/core/layout/room-outline';
import type { Shape } from '@/core/layout/shape';
import type { AreaKind } from '@/core/sites/area';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { useSend } from '../kit/use-send';
import { Rectangle, RoomHeight, ShapeLines, SizeFields, SlopeLines } from './shape-fields';
import { DrawingView } from './drawing-view';
import type { Outline } from '@/core/layout/room-outline';

interface Terms {
  area: { id: string; name: string; kind: AreaKind };
  shape: Shape | null;
  version: number;
  system: LengthSystem;
  onDone: () => void;
}

const KINDS: Record<AreaKind, readonly Shape['kind'][]> = {
  room: ['room'],
  wet: ['room'],
  outbuilding: ['room', 'face'],
  face: ['face'],
  roof: ['roof', 'face'],
  ground: ['run', 'room'],
};
const NAMES: Record<Shape['kind'], string> = {
  room: 'a room by its walls',
  face: 'a face by its sections',
  roof: 'a roof by its plan',
  run: 'a drain by its legs',
};
/** An area drawn by typing what was measured; the drawing follows every key. */
export function ShapeEditor({ area, shape, version, system, onDone }: Terms) {
  const { give, busy } = useSend();
  const kinds = KINDS[area.kind];
  const [typed, setTyped] = useState<TypedShape>(() => (shape ? typedOf(shape) : blankShape(kinds[0] ?? 'room')));
  const [tried, setTried] = useState(false);
  const outcome = readShape(typed, system);
  const drawn = 'shape' in outcome ? outcome.shape : undefined;
  const outline = drawn?.kind === 'room' ? outlineOf(drawn, system) : undefined;
  const drawing = drawn && drawingOf(area.name, drawn, [], [], system);
  const wrong = (field: string): string | undefined =>
    tried && 'field' in outcome && outcome.field === field ? outcome.message : undefined;
  const keep = async (): Promise<void> => {
    setTried(true);
    if (!drawn || (outline && !outline.ok)) return;
    if (
      await give(
        setShape,
        { area: area.id, version, shape: drawn },
        { text: `${area.name} is drawn; what follows from it is computed again.` },
      )
    )
      onDone();
  };
  return (
    <div className="bench">
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
        aria-label={`Measures of ${area.name}`}
      >
        {kinds.length > 1 && (
          <div className="chips mb-3" role="group" aria-label="Draw it as">
            {kinds.map((kind) => (
              <button
                key={kind}
                type="button"
                className="chip"
                aria-pressed={typed.kind === kind}
                onClick={() => setTyped(blankShape(kind))}
              >
                {NAMES[kind]}
              </button>
            ))}
          </div>
        )}
        {typed.kind === 'room' && (
          <Rectangle
            system={system}
            onRectangle={(width, length) =>
              setTyped({
                ...typed,
                lines: [
                  [width, '90'],
                  [length, '90'],
                  [width, '90'],
                  [length, '90'],
                ],
              })
            }
          />
        )}
        {typed.kind === 'room' && <RoomHeight typed={typed} wrong={wrong} setTyped={setTyped} />}
        <SizeFields typed={typed} setTyped={setTyped} wrong={wrong} />
        <ShapeLines typed={typed} setTyped={setTyped} wrong={wrong} />
        {typed.kind === 'room' && <SlopeLines typed={typed} setTyped={setTyped} wrong={wrong} />}
        {outline && !outline.ok && (
          <p className="bad mt-2 mb-0" role="alert">
            {outline.problem.message}
          </p>
        )}
        {outline?.ok && outline.value.closing > CLOSES_WITHIN && (
          <ClosingError outline={outline} system={system} typed={typed} setTyped={setTyped} />
        )}
        {tried && 'field' in outcome && (
          <p className="bad mt-2 mb-0" role="alert">
            Something cannot be read; it is said beside its field.
          </p>
        )}
        <EditorActions busy={busy} shape={shape} onDone={onDone} />
      </Form>
      <ShapeSheet name={area.name} drawing={drawing} outline={outline} system={system} />
    </div>
  );
}

/** What the measures make so far, with its floor and its length all round. */
function ShapeSheet({
  name,
  drawing,
  outline,
  system,
}: {
  name: string;
  drawing: Drawing | undefined;
  outline: ReturnType<typeof outlineOf> | undefined;
  system: LengthSystem;
}) {
  return (
    <div className="sheet">
      {drawing ? (
        <DrawingView drawing={drawing} label={`${name} as typed so far`} />
      ) : (
        <p className="soft mb-0">
          It is drawn as soon as every measure can be read. Read the walls of a room off clockwise: face each from
          inside, left to right, then turn right to the next.
        </p>
      )}
      {outline?.ok && (
        <p className="small-text soft mb-0 mt-2">
          floor <span className="mono">{sayAmount(outline.value.area, 'm²', system, 2)}</span>, perimeter{' '}
          <span className="mono">{formatLength(outline.value.perimeter, system)}</span>
        </p>
      )}
    </div>
  );
}

/** Keeping it, or leaving it. */
function EditorActions({ busy, shape, onDone }: { busy: boolean; shape: Shape | null; onDone: () => void }) {
  return (
    <div className="actions mt-3">
      <Button type="submit" disabled={busy}>
        Save the drawing
      </Button>
      {shape && (
        <Button variant="link" onClick={onDone}>
          Cancel
        </Button>
      )}
    </div>
  );
}

/** Where walls miss their beginning: by how much, and whether it is shared out. */
function ClosingError({
  outline,
  system,
  typed,
  setTyped,
}: {
  outline: { ok: true; value: Outline };
  system: LengthSystem;
  typed: TypedShape;
  setTyped: (next: TypedShape) => void;
}) {
  return (
    <div className="notice mt-3 mb-0" role="status">
      <div>
        The walls miss their beginning by <span className="mono">{formatLength(outline.value.closing, system)}</span>.
        Measure the longest again, or share it out over all of them.
        <Form.Check
          id="shape-spread"
          className="mt-1"
          label="Share it out"
          checked={typed.spread}
          onChange={(event) => setTyped({ ...typed, spread: event.target.checked })}
        />
      </div>
    </div>
  );
}
