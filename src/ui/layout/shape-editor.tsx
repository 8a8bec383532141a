'use client';
import type { Drawing } from '@/core/layout/drawing';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { setShape } from '@/contract/commands/layout';
import { drawingOf } from '@/core/layout/drawing';
import { formatFall, parseFall } from '@/core/layout/fall';
import { CLOSES_WITHIN, outlineOf } from '@/core/layout/room-outline';
import type { Measured, Shape } from '@/core/layout/shape';
import type { AreaKind } from '@/core/sites/area';
import { formatLength, parseLength, type LengthSystem } from '@/core/units/length';
import { useSend } from '../kit/use-send';
import { DrawingView } from './drawing-view';
import type { Outline } from '@/core/layout/room-outline';
import type { Dispatch, SetStateAction } from 'react';

interface Terms {
  area: { id: string; name: string; kind: AreaKind };
  shape: Shape | null;
  version: number;
  system: LengthSystem;
  onDone: () => void;
}

interface Typed {
  kind: Shape['kind'];
  height: string;
  spread: boolean;
  /** Walls: length, turn. Sections: width, height, gable. Legs: length, fall. */
  lines: string[][];
  /** Roof: width, length, rise in 12. Drain: outlet, highest head. */
  sizes: string[];
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
const HEADS: Record<Shape['kind'], readonly string[]> = {
  room: ['Length', 'Then turn'],
  face: ['Width', 'To the eaves', 'Gable rise'],
  roof: [],
  run: ['Length', 'Fall'],
};
const BLANK: Record<Shape['kind'], string[][]> = {
  room: [
    ['', '90'],
    ['', '90'],
    ['', '90'],
    ['', '90'],
  ],
  face: [['', '', '']],
  roof: [],
  run: [['', '1:80']],
};
const blank = (kind: Shape['kind']): Typed => ({
  kind,
  height: '',
  spread: false,
  lines: BLANK[kind],
  sizes: ['', '', ''],
});

function typedOf(shape: Shape): Typed {
  switch (shape.kind) {
    case 'room':
      return {
        ...blank('room'),
        height: shape.height.typed,
        spread: shape.spread,
        lines: shape.walls.map((wall) => [wall.typed, String(wall.turn)]),
      };
    case 'face':
      return {
        ...blank('face'),
        lines: shape.sections.map((section) => [
          section.width.typed,
          section.height.typed,
          section.gableRise.mm > 0 ? section.gableRise.typed : '',
        ]),
      };
    case 'roof':
      return { ...blank('roof'), sizes: [shape.width.typed, shape.length.typed, String(shape.riseIn12)] };
    case 'run':
      return {
        ...blank('run'),
        sizes: [shape.outletInvert.typed, shape.headMaxInvert.typed, ''],
        lines: shape.legs.map((leg) => [leg.length.typed, formatFall(leg.fall)]),
      };
  }
}

/**
 * The shape of what is typed, or the first field that cannot be read. Fields are named `height`, `line 2 1`, `size 0`.
 */
function read(typed: Typed, system: LengthSystem): { shape: Shape } | { field: string; message: string } {
  let wrong: { field: string; message: string } | undefined;
  const fail = (field: string, message: string): Measured => {
    wrong ??= { field, message };
    return { mm: 0, typed: '' };
  };
  const length = (
    text: string | undefined,
    field: string,
    terms: { zero?: boolean; signed?: boolean } = {},
  ): Measured => {
    const plain = (text ?? '').trim();
    if (plain === '') return terms.zero ? { mm: 0, typed: '' } : fail(field, 'This is missing.');
    const under = terms.signed === true && /^[-−]/.test(plain);
    const outcome = parseLength(under ? plain.slice(1) : plain, system);
    if (!outcome.ok) return fail(field, outcome.problem.message);
    if (outcome.value === 0 && !terms.zero && !terms.signed) return fail(field, 'A length is over 0.');
    return { mm: under ? -outcome.value : outcome.value, typed: plain };
  };
  const number = (text: string | undefined, field: string, most: number, message: string): number => {
    const value = Number((text ?? '').replace(',', '.').replace('−', '-'));
    if ((text ?? '').trim() === '' || !Number.isFinite(value) || Math.abs(value) > most) fail(field, message);
    return value;
  };
  const shape = ((): Shape => {
    switch (typed.kind) {
      case 'room':
        return {
          kind: 'room',
          walls: typed.lines.map((line, index) => ({
            ...length(line[0], `line ${index} 0`),
            turn: number(line[1], `line ${index} 1`, 179, 'A turn is in degrees: 90 to the right, −90 to the left.'),
          })),
          height: length(typed.height, 'height'),
          spread: typed.spread,
        };
      case 'face':
        return {
          kind: 'face',
          sections: typed.lines.map((line, index) => ({
            width: length(line[0], `line ${index} 0`),
            height: length(line[1], `line ${index} 1`),
            gableRise: length(line[2], `line ${index} 2`, { zero: true }),
          })),
        };
      case 'roof':
        return {
          kind: 'roof',
          width: length(typed.sizes[0], 'size 0'),
          length: length(typed.sizes[1], 'size 1'),
          riseIn12: number(typed.sizes[2], 'size 2', 60, 'How much it rises in 12, like 7.'),
        };
      case 'run':
        return {
          kind: 'run',
          outletInvert: length(typed.sizes[0], 'size 0', { signed: true }),
          headMaxInvert: length(typed.sizes[1], 'size 1', { signed: true }),
          legs: typed.lines.map((line, index) => ({
            length: length(line[0], `line ${index} 0`),
            fall: parseFall(line[1] ?? '') ?? (fail(`line ${index} 1`, 'A fall like 1:80 or 1.25 %.'), 0),
          })),
        };
    }
  })();
  return wrong ?? { shape };
}

/** An area drawn by typing what was measured; the drawing follows every key. */
export function ShapeEditor({ area, shape, version, system, onDone }: Terms) {
  const { give, busy } = useSend();
  const kinds = KINDS[area.kind];
  const [typed, setTyped] = useState<Typed>(() => (shape ? typedOf(shape) : blank(kinds[0] ?? 'room')));
  const [tried, setTried] = useState(false);
  const outcome = read(typed, system);
  const drawn = 'shape' in outcome ? outcome.shape : undefined;
  const outline = drawn?.kind === 'room' ? outlineOf(drawn) : undefined;
  const drawing = drawn && drawingOf(area.name, drawn, [], [], system);
  const wrong = (field: string): string | undefined =>
    tried && 'field' in outcome && outcome.field === field ? outcome.message : undefined;
  const size = (at: number, text: string): void =>
    setTyped({ ...typed, sizes: typed.sizes.map((old, index) => (index === at ? text : old)) });
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
                onClick={() => setTyped(blank(kind))}
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
        {typed.kind === 'roof' && <RoofFields typed={typed} wrong={wrong} size={size} />}
        {typed.kind === 'run' && <DrainFields typed={typed} wrong={wrong} size={size} />}
        <ShapeLines typed={typed} setTyped={setTyped} wrong={wrong} />
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

/** The measures of what is drawn, a line for each wall, section or leg. */
function ShapeLines({
  typed,
  setTyped,
  wrong,
}: {
  typed: Typed;
  setTyped: (typed: Typed) => void;
  wrong: (field: string) => string | undefined;
}) {
  const plural = typed.kind === 'room' ? 'wall' : typed.kind === 'face' ? 'section' : 'leg';
  const line = (at: number, part: number, text: string): void =>
    setTyped({
      ...typed,
      lines: typed.lines.map((entry, index) =>
        index === at ? entry.map((old, where) => (where === part ? text : old)) : entry,
      ),
    });
  return (
    <>
      {typed.lines.map((parts, at) => (
        <div key={at} className="shape-line">
          <span className="soft mono" aria-hidden="true">
            {at + 1}
          </span>
          {parts.map((text, part) => (
            <Cell
              key={part}
              id={`line-${at}-${part}`}
              label={`${HEADS[typed.kind][part] ?? ''}, ${plural} ${at + 1}`}
              head={at === 0 ? (HEADS[typed.kind][part] ?? '') : undefined}
              text={text}
              error={wrong(`line ${at} ${part}`)}
              onText={(next) => line(at, part, next)}
            />
          ))}
          <Button
            size="sm"
            variant="link"
            className="px-1"
            disabled={typed.lines.length <= (typed.kind === 'room' ? 3 : 1)}
            onClick={() => setTyped({ ...typed, lines: typed.lines.filter((_, index) => index !== at) })}
          >
            Take away
            <span className="visually-hidden">
              {' '}
              {plural} {at + 1}
            </span>
          </Button>
        </div>
      ))}
      {typed.kind !== 'roof' && (
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => setTyped({ ...typed, lines: [...typed.lines, [...(BLANK[typed.kind][0] ?? [])]] })}
        >
          One more {plural}
        </Button>
      )}
    </>
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
          floor <span className="mono">{outline.value.area.toFixed(2)} m²</span>, all round{' '}
          <span className="mono">{formatLength(outline.value.perimeter, system)}</span>
        </p>
      )}
    </div>
  );
}

/** How high a room is. */
function RoomHeight({
  typed,
  wrong,
  setTyped,
}: {
  typed: Typed;
  wrong: (field: string) => string | undefined;
  setTyped: Dispatch<SetStateAction<Typed>>;
}) {
  return (
    <div className="form-pair mb-3">
      <Cell
        id="shape-height"
        label="Height"
        text={typed.height}
        error={wrong('height')}
        onText={(text) => setTyped({ ...typed, height: text })}
      />
    </div>
  );
}

/** Keeping it, or leaving it. */
function EditorActions({ busy, shape, onDone }: { busy: boolean; shape: Shape | null; onDone: () => void }) {
  return (
    <div className="actions mt-3">
      <Button type="submit" disabled={busy}>
        Keep the drawing
      </Button>
      {shape && (
        <Button variant="link" onClick={onDone}>
          Leave it as it was
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
  typed: Typed;
  setTyped: Dispatch<SetStateAction<Typed>>;
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

/** The levels of a drain. */
function DrainFields({
  typed,
  wrong,
  size,
}: {
  typed: Typed;
  wrong: (field: string) => string | undefined;
  size: (at: number, text: string) => void;
}) {
  return (
    <div className="form-pair mb-3">
      <Cell
        id="size-0"
        label="Invert at the outlet, against the datum"
        text={typed.sizes[0] ?? ''}
        error={wrong('size 0')}
        onText={(text) => size(0, text)}
      />
      <Cell
        id="size-1"
        label="Highest the head may lie"
        text={typed.sizes[1] ?? ''}
        error={wrong('size 1')}
        onText={(text) => size(1, text)}
      />
    </div>
  );
}

/** The sizes of a roof. */
function RoofFields({
  typed,
  wrong,
  size,
}: {
  typed: Typed;
  wrong: (field: string) => string | undefined;
  size: (at: number, text: string) => void;
}) {
  return (
    <div className="form-pair mb-3">
      <Cell
        id="size-0"
        label="Width on the plan, eaves in"
        text={typed.sizes[0] ?? ''}
        error={wrong('size 0')}
        onText={(text) => size(0, text)}
      />
      <Cell
        id="size-1"
        label="Length"
        text={typed.sizes[1] ?? ''}
        error={wrong('size 1')}
        onText={(text) => size(1, text)}
      />
      <Cell
        id="size-2"
        label="Rises in 12"
        text={typed.sizes[2] ?? ''}
        error={wrong('size 2')}
        onText={(text) => size(2, text)}
      />
    </div>
  );
}

function Cell({
  id,
  label,
  head,
  text,
  error,
  onText,
}: {
  id: string;
  label: string;
  head?: string | undefined;
  text: string;
  error: string | undefined;
  onText: (text: string) => void;
}) {
  return (
    <Form.Group controlId={id}>
      {head !== undefined && (
        <div className="small-text soft" aria-hidden="true">
          {head}
        </div>
      )}
      <Form.Label className={/, (wall|section|leg) \d/.test(label) ? 'visually-hidden' : 'mb-1'}>{label}</Form.Label>
      <Form.Control
        className="mono"
        autoComplete="off"
        value={text}
        isInvalid={error !== undefined}
        aria-invalid={error !== undefined}
        {...(error ? { 'aria-describedby': `${id}-said` } : {})}
        onChange={(event) => onText(event.target.value)}
      />
      {error && (
        <Form.Text id={`${id}-said`} className="bad d-block" role="alert">
          {error}
        </Form.Text>
      )}
    </Form.Group>
  );
}

/** Most rooms are rectangles: two measures make four walls. */
function Rectangle({
  system,
  onRectangle,
}: {
  system: LengthSystem;
  onRectangle: (width: string, length: string) => void;
}) {
  const [[width, length], setBoth] = useState<readonly [string, string]>(['', '']);
  const ready = parseLength(width, system).ok && parseLength(length, system).ok;
  return (
    <fieldset className="shape-line mb-3">
      <legend className="visually-hidden">A rectangle, quickly</legend>
      <Cell
        id="rectangle-width"
        label="Rectangle: this way"
        text={width}
        error={undefined}
        onText={(text) => setBoth([text, length])}
      />
      <Cell
        id="rectangle-length"
        label="and that way"
        text={length}
        error={undefined}
        onText={(text) => setBoth([width, text])}
      />
      <Button
        variant="outline-secondary"
        className="align-self-end"
        disabled={!ready}
        onClick={() => onRectangle(width, length)}
      >
        Four walls
      </Button>
    </fieldset>
  );
}
