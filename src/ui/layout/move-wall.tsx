'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { moveWallCommand, shareWall } from '@/contract/commands/layout';
import type { LayoutView } from '@/contract/views/layout';
import { planOf } from '@/core/layout/room-plan';
import { moveWall, type MovedRoom } from '@/core/layout/move-wall';
import { usualTerms, type PlanFinding } from '@/core/layout/fit/finding';
import { brokenBy, checkPlan } from '@/core/layout/plan-fit';
import type { Opening, Fixture, RoomShape } from '@/core/layout/shape';
import { sayAmount } from '@/core/quantities/units';
import { formatLength, parseLength, type LengthSystem } from '@/core/units/length';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { DrawingView } from './drawing-view';
import { Block } from '../kit/page';
import { Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

interface Side {
  name: string;
  shape: RoomShape;
  openings: readonly Opening[];
  fixtures: readonly Fixture[];
  sleeping: boolean;
  atGrade: boolean;
}

interface Effect {
  moved: MovedRoom | undefined;
  problem: string | undefined;
  breaks: PlanFinding[];
  cures: PlanFinding[];
}

/** What one room is after a wall of it has moved: what it wins, what no longer fits, what fits at last. */
function effectOn(side: Side, wall: number, by: number, system: LengthSystem): Effect {
  // Unmoved it stays as it was drawn, its closing error included.
  if (by === 0)
    return {
      moved: { shape: side.shape, openings: [...side.openings], fixtures: [...side.fixtures], gain: 0 },
      problem: undefined,
      breaks: [],
      cures: [],
    };
  const terms = usualTerms(system, side.sleeping, side.atGrade);
  const moved = moveWall(side.shape, side.openings, side.fixtures, wall, by, system);
  if (!moved.ok) return { moved: undefined, problem: moved.problem.message, breaks: [], cures: [] };
  const { breaks, cures } = brokenBy(
    checkPlan(side.shape, side.openings, side.fixtures, terms),
    checkPlan(moved.value.shape, moved.value.openings, moved.value.fixtures, terms),
  );
  return { moved: moved.value, problem: undefined, breaks, cures };
}

const STEP_MM = { metric: 50, imperial: 25.4 } as const;
const REACH = 24;

/** How far, as it is typed: a sign before a length moves the wall into the room. */
function movedBy(text: string, system: LengthSystem): { by: number; problem: string | undefined } {
  const into = /^\s*[-−]/.test(text);
  const read = parseLength(into ? text.replace(/^\s*[-−]/, '') : text, system);
  if (!read.ok) return { by: 0, problem: read.problem.message };
  return { by: into ? -read.value : read.value, problem: undefined };
}

/** The room on the other side, where it is drawn by its walls. */
function sideOf(neighbour: LayoutView['neighbours'][number] | undefined, atGrade: boolean): Side | undefined {
  if (neighbour?.shape.kind !== 'room') return undefined;
  const { name, shape, openings, fixtures, sleeping } = neighbour;
  return { name, shape, openings, fixtures, sleeping, atGrade };
}

/** Moves a wall on the plan: both sides follow at once; kept only with its reason. */
export function MoveWall({ view, shape, onDone }: { view: LayoutView; shape: RoomShape; onDone: () => void }) {
  const { give, busy } = useSend();
  const system = view.job.units;
  const [wall, setWall] = useState(0);
  const [text, setText] = useState('0');
  const [reason, setReason] = useState('');
  const [tried, setTried] = useState(false);
  const { by, problem: unread } = movedBy(text, system);
  const neighbour = view.neighbours.find((entry) => entry.wall === wall);
  const { name, sleeping, atGrade } = view.area;
  const mine: Side = { name, shape, openings: view.openings, fixtures: view.fixtures, sleeping, atGrade };
  const theirs = sideOf(neighbour, atGrade);
  const here = effectOn(mine, wall, by, system);
  const there = theirs && neighbour ? effectOn(theirs, neighbour.otherWall, -by, system) : undefined;
  const problem = unread ?? here.problem ?? there?.problem;
  const { shape: moved, openings, fixtures } = here.moved ?? mine;
  const drawing = planOf(name, moved, openings, fixtures, system);
  const step = STEP_MM[system];
  const put = (mm: number): void => setText(`${mm < 0 ? '-' : ''}${formatLength(Math.abs(mm), system)}`);
  const keep = async (): Promise<void> => {
    setTried(true);
    if (problem || by === 0 || reason.trim() === '') return;
    if (
      await give(
        moveWallCommand,
        { area: view.area.id, version: view.version, wall, by, reason: reason.trim(), decisionId: newId() },
        { text: 'The wall has moved; it is written down with its reason.' },
      )
    )
      onDone();
  };
  return (
    <Block
      aria-label="Move a wall"
      heading="Move a wall"
      beside={
        <LinkButton className="push" onClick={onDone}>
          Cancel
        </LinkButton>
      }
    >
      <div className="bench mt-2">
        <Form
          className="form-lines"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <WhichWall wall={wall} setWall={setWall} put={put} shape={shape} view={view} />
          <MoveBy text={text} problem={problem} setText={setText} step={step} by={by} put={put} system={system} />
          {!neighbour && <ShareWall view={view} wall={wall} />}
          <div aria-live="polite">
            <Told side={mine} effect={here} by={by} system={system} />
            {theirs && there && <Told side={theirs} effect={there} by={by} system={system} />}
          </div>
          <MoveReason reason={reason} tried={tried} setReason={setReason} />
          <div className="actions">
            <Button type="submit" disabled={busy || by === 0 || problem !== undefined}>
              Move it
            </Button>
          </div>
        </Form>
        <div className="sheet">
          {drawing && (
            <DrawingView
              drawing={drawing}
              ghost={planOf('', shape, [], [], system)}
              chosen={`wall ${wall + 1}`}
              label={`${view.area.name} with wall ${wall + 1} moved by ${text}`}
              onPick={(about) => {
                const picked = /^wall (\d+)$/.exec(about);
                if (picked) {
                  setWall(Number(picked[1]) - 1);
                  put(0);
                }
              }}
            />
          )}
        </div>
      </div>
    </Block>
  );
}

/** Why it moves. */
function MoveReason({
  reason,
  tried,
  setReason,
}: {
  reason: string;
  tried: boolean;
  setReason: (next: string) => void;
}) {
  return (
    <Form.Group controlId="move-reason">
      <Form.Label className="mb-1">Why</Form.Label>
      <Form.Control
        value={reason}
        maxLength={300}
        isInvalid={tried && reason.trim() === ''}
        onChange={(event) => setReason(event.target.value)}
      />
      {tried && reason.trim() === '' && (
        <Form.Text className="bad" role="alert">
          Say why, for whoever asks in half a year.
        </Form.Text>
      )}
    </Form.Group>
  );
}

/** Which wall moves. */
function WhichWall({
  wall,
  setWall,
  put,
  shape,
  view,
}: {
  wall: number;
  setWall: (next: number) => void;
  put: (mm: number) => void;
  shape: RoomShape;
  view: LayoutView;
}) {
  return (
    <Form.Group controlId="move-which">
      <Form.Label className="mb-1">Which</Form.Label>
      <Form.Select
        value={wall}
        onChange={(event) => {
          setWall(Number(event.target.value));
          put(0);
        }}
      >
        {shape.walls.map((entry, index) => (
          <option key={index} value={index}>
            wall {index + 1}, {entry.typed}
            {view.neighbours.some((other) => other.wall === index)
              ? `, to ${view.neighbours.find((other) => other.wall === index)?.name ?? ''}`
              : ''}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

/** How far it moves. */
function MoveBy({
  text,
  problem,
  setText,
  step,
  by,
  put,
  system,
}: {
  text: string;
  problem: string | undefined;
  setText: (next: string) => void;
  step: 50 | 25.4;
  by: number;
  put: (mm: number) => void;
  system: 'metric' | 'imperial';
}) {
  return (
    <Form.Group controlId="move-by">
      <Form.Label className="mb-1">Outward by (inward with a minus)</Form.Label>
      <Form.Control
        className="mono"
        autoComplete="off"
        value={text}
        isInvalid={problem !== undefined}
        aria-describedby="move-said"
        onChange={(event) => setText(event.target.value)}
      />
      <Form.Range
        className="mt-2"
        aria-label="How far it moves"
        min={-REACH * step}
        max={REACH * step}
        step={step}
        value={by}
        onChange={(event) => put(Number(event.target.value))}
      />
      <Form.Text id="move-said" className={problem ? 'bad d-block' : 'd-block'} {...(problem ? { role: 'alert' } : {})}>
        {problem ?? `in steps of ${formatLength(step, system)}`}
      </Form.Text>
    </Form.Group>
  );
}

function Told({ side, effect, by, system }: { side: Side; effect: Effect; by: number; system: LengthSystem }) {
  if (!effect.moved) return null;
  const gain = effect.moved.gain;
  return (
    <div className="mb-2">
      <p className="mb-1">
        <span className="fw-bold">{side.name}</span>{' '}
        {by === 0 ? (
          'stays as it is'
        ) : (
          <>
            {gain >= 0 ? 'gains' : 'loses'} <span className="mono">{sayAmount(Math.abs(gain), 'm²', system, 2)}</span>
          </>
        )}
      </p>
      <Lines className="small-text">
        {effect.breaks.map((broken) => (
          <li key={broken.key}>
            <StateIcon kind="stop" />
            <span className="what">{broken.text}</span>
          </li>
        ))}
        {effect.cures.map((cure) => (
          <li key={cure.key}>
            <StateIcon kind="done" />
            <span className="what">
              <span className="soft">no longer:</span> {cure.text}
            </span>
          </li>
        ))}
        {by !== 0 && effect.breaks.length + effect.cures.length === 0 && <li className="soft">nothing breaks</li>}
      </Lines>
    </div>
  );
}

/** Which room is behind a wall: then it follows when the wall moves. */
function ShareWall({ view, wall }: { view: LayoutView; wall: number }) {
  const { give, busy } = useSend();
  const [other, setOther] = useState('');
  const [otherWall, setOtherWall] = useState(0);
  const room = view.rooms.find((entry) => entry.id === other);
  if (view.rooms.length === 0)
    return (
      <p className="small-text soft mb-0">No other room is drawn yet: what is behind this wall does not follow.</p>
    );
  return (
    <fieldset>
      <legend className="form-label fs-6 mb-1">What is behind it is not said</legend>
      <div className="actions">
        <Form.Select
          className="w-auto"
          aria-label="Room behind the wall"
          value={other}
          onChange={(event) => {
            setOther(event.target.value);
            setOtherWall(0);
          }}
        >
          <option value="">outside, or not drawn</option>
          {view.rooms.map((entry) => (
            <option key={entry.id} value={entry.id}>
              {entry.name}
            </option>
          ))}
        </Form.Select>
        {room && (
          <Form.Select
            className="w-auto"
            aria-label="Its wall"
            value={otherWall}
            onChange={(event) => setOtherWall(Number(event.target.value))}
          >
            {Array.from({ length: room.walls }, (_, index) => (
              <option key={index} value={index}>
                its wall {index + 1}
              </option>
            ))}
          </Form.Select>
        )}
        {room && (
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={busy}
            onClick={() =>
              void give(
                shareWall,
                { one: { area: view.area.id, wall }, other: { area: room.id, wall: otherWall } },
                { text: `${room.name} is behind it.` },
              )
            }
          >
            That is it
          </Button>
        )}
      </div>
    </fieldset>
  );
}
