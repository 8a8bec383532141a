'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { BLANK_LINES, type TypedShape } from '@/core/layout/typed-shape';
import type { Shape } from '@/core/layout/shape';
import { parseLength, type LengthSystem } from '@/core/units/length';
import { Hidden } from '../kit/hidden';

const HEADS: Record<Shape['kind'], readonly string[]> = {
  room: ['Length', 'Angle at the end (right +, left −)'],
  face: ['Width', 'To the eaves', 'Gable rise'],
  roof: [],
  run: ['Length', 'Fall'],
};
/** What the sizes of a shape are that has no lines, or has some beside them. */
const SIZES: Partial<Record<Shape['kind'], readonly string[]>> = {
  roof: ['Width on the plan, eaves in', 'Length', 'Rises in 12'],
  run: [
    'Bottom of the pipe at the outlet, against the datum',
    'Highest it may start',
    'Pipe, its bore (may be left empty)',
  ],
};

interface Terms {
  typed: TypedShape;
  setTyped: (typed: TypedShape) => void;
  /** Why a field cannot be read, once it was tried. */
  wrong: (field: string) => string | undefined;
}

/** The sizes of a roof or of a drain. */
export function SizeFields({ typed, setTyped, wrong }: Terms) {
  const sizes = SIZES[typed.kind];
  return sizes ? (
    <div className="form-pair mb-3">
      {sizes.map((label, at) => (
        <Cell
          key={label}
          id={`size-${at}`}
          label={label}
          text={typed.sizes[at] ?? ''}
          error={wrong(`size ${at}`)}
          onText={(text) => setTyped({ ...typed, sizes: typed.sizes.map((old, index) => (index === at ? text : old)) })}
        />
      ))}
    </div>
  ) : null;
}

/** The measures of what is drawn, a line for each wall, section or leg. */
export function ShapeLines({ typed, setTyped, wrong }: Terms) {
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
            Remove
            <Hidden>
              {' '}
              {plural} {at + 1}
            </Hidden>
          </Button>
        </div>
      ))}
      {typed.kind !== 'roof' && (
        <Button
          size="sm"
          variant="outline-secondary"
          onClick={() => setTyped({ ...typed, lines: [...typed.lines, [...(BLANK_LINES[typed.kind][0] ?? [])]] })}
        >
          One more {plural}
        </Button>
      )}
    </>
  );
}

/** Where the ceiling comes down towards a wall. */
export function SlopeLines({ typed, setTyped, wrong }: Terms) {
  const put = (at: number, part: number, text: string): void =>
    setTyped({
      ...typed,
      slopes: typed.slopes.map((slope, index) =>
        index === at ? slope.map((old, where) => (where === part ? text : old)) : slope,
      ),
    });
  return (
    <fieldset className="mt-3">
      <legend className="form-label fs-6 mb-1">Ceiling</legend>
      {typed.slopes.length === 0 && <p className="soft small-text mb-1">Level at the room’s height.</p>}
      {typed.slopes.map((slope, at) => (
        <div key={at} className="shape-line">
          {['Comes down to wall', 'Height at that wall', 'Slope ends, from the wall'].map((label, part) => (
            <Cell
              key={label}
              id={`slope-${at}-${part}`}
              label={label}
              text={slope[part] ?? ''}
              error={wrong(`slope ${at} ${part}`)}
              onText={(text) => put(at, part, text)}
            />
          ))}
          <Button
            size="sm"
            variant="link"
            className="px-1"
            onClick={() => setTyped({ ...typed, slopes: typed.slopes.filter((_, index) => index !== at) })}
          >
            Remove<Hidden> slope {at + 1}</Hidden>
          </Button>
        </div>
      ))}
      <Button
        size="sm"
        variant="outline-secondary"
        onClick={() => setTyped({ ...typed, slopes: [...typed.slopes, ['1', '', '']] })}
      >
        A slope
      </Button>
    </fieldset>
  );
}

/** How high a room is. */
export function RoomHeight({ typed, setTyped, wrong }: Terms) {
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
export function Rectangle({
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
        label="Rectangle: length"
        text={width}
        error={undefined}
        onText={(text) => setBoth([text, length])}
      />
      <Cell
        id="rectangle-length"
        label="width"
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
