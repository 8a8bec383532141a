'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { wallName } from '@/core/layout/shape';
import { parseLength, type LengthSystem } from '@/core/units/length';
import { IN_WALL_KINDS, type InWallKind } from '@/core/walks/observation';
import { fixtureWords } from '@/core/walls/wall-record';
import type { Walking } from './use-walk';

const USUAL_WALLS = 4;

/**
 * What goes into a wall before it is closed: where from its left corner, how high, how far it reaches, with a picture.
 */
export function InWallForm({
  area,
  units,
  walking,
  onDone,
}: {
  area: WalkArea;
  units: LengthSystem;
  walking: Walking;
  onDone: () => void;
}) {
  const [wall, setWall] = useState(0);
  const [what, setWhat] = useState<InWallKind>('backing');
  const [text, setText] = useState('');
  const [sizes, setSizes] = useState({ along: '', height: '', length: '', rise: '' });
  const [picture, setPicture] = useState<File>();
  const [tried, setTried] = useState(false);
  const walls = area.walls.length > 0 ? area.walls : Array.from({ length: USUAL_WALLS }, (_, index) => wallName(index));
  const read = Object.fromEntries(
    Object.entries(sizes).map(([name, typed]) => [name, typed.trim() === '' ? undefined : parseLength(typed, units)]),
  );
  const problem = (name: keyof typeof sizes, must: boolean): string | undefined => {
    const one = read[name];
    if (one && !one.ok) return one.problem.message;
    return must && tried && !one
      ? units === 'imperial'
        ? `Write a length, like 2' 6".`
        : 'Write a length, like 760.'
      : undefined;
  };
  const value = (name: keyof typeof sizes): number => {
    const one = read[name];
    return one?.ok ? one.value : 0;
  };
  const keep = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (
      !read['along']?.ok ||
      !read['height']?.ok ||
      (['length', 'rise'] as const).some((name) => read[name] && !read[name].ok)
    )
      return;
    const thing = {
      wall,
      what,
      text: text.trim(),
      along: value('along'),
      height: value('height'),
      length: value('length'),
      rise: value('rise'),
    };
    walking.record({ kind: 'in-wall', area: area.id, ...thing }, fixtureWords(thing, units), picture);
    onDone();
  };
  const size = (name: keyof typeof sizes, label: string, must = false): React.ReactNode => {
    const wrong = problem(name, must);
    return (
      <Form.Group controlId={`in-wall-${name}`}>
        <Form.Label className="mb-1">{label}</Form.Label>
        <Form.Control
          className="mono"
          value={sizes[name]}
          maxLength={40}
          isInvalid={wrong !== undefined}
          onChange={(event) => setSizes({ ...sizes, [name]: event.target.value })}
        />
        {wrong && (
          <Form.Text className="bad d-block" role="alert">
            {wrong}
          </Form.Text>
        )}
      </Form.Group>
    );
  };
  return (
    <Form noValidate className="form-panel form-lines" onSubmit={keep}>
      <WallAndThing wall={wall} setWall={setWall} walls={walls} what={what} setWhat={setWhat} />
      <Form.Group controlId="in-wall-text">
        <Form.Label className="mb-1">For what</Form.Label>
        <Form.Control
          value={text}
          maxLength={200}
          placeholder="for the shelf rail"
          onChange={(event) => setText(event.target.value)}
        />
      </Form.Group>
      <div className="form-pair">
        {size('along', 'From the left corner', true)}
        {size('height', 'From the floor', true)}
      </div>
      <div className="form-pair">
        {size('length', 'How long (if it runs)')}
        {size('rise', 'How tall')}
      </div>
      <Form.Group controlId="in-wall-picture">
        <Form.Label className="mb-1">Picture</Form.Label>
        <Form.Control
          type="file"
          accept="image/*"
          capture="environment"
          onChange={(event) => setPicture((event.target as HTMLInputElement).files?.[0])}
        />
      </Form.Group>
      <div className="actions">
        <Button type="submit">Save</Button>
        <button type="button" className="btn btn-link" onClick={onDone}>
          Cancel
        </button>
      </div>
    </Form>
  );
}

/** In which wall, and what. */
function WallAndThing({
  wall,
  setWall,
  walls,
  what,
  setWhat,
}: {
  wall: number;
  setWall: (next: number) => void;
  walls: string[];
  what: 'backing' | 'pipe' | 'drain' | 'duct' | 'cable' | 'box' | 'valve' | 'steel' | 'other' | 'panel';
  setWhat: (
    next: 'backing' | 'pipe' | 'drain' | 'duct' | 'cable' | 'box' | 'valve' | 'steel' | 'other' | 'panel',
  ) => void;
}) {
  return (
    <div className="form-pair">
      <Form.Group controlId="in-wall-wall">
        <Form.Label className="mb-1">Which wall, facing it</Form.Label>
        <Form.Select value={wall} onChange={(event) => setWall(Number(event.target.value))}>
          {walls.map((name, index) => (
            <option key={name} value={index}>
              {name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="in-wall-what">
        <Form.Label className="mb-1">What is in it</Form.Label>
        <Form.Select value={what} onChange={(event) => setWhat(event.target.value as InWallKind)}>
          {Object.entries(IN_WALL_KINDS).map(([key, label]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
    </div>
  );
}
