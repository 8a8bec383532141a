'use client';
import { useState, type KeyboardEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { NewObservation } from '@/core/walks/observation';
import { recordOf } from '@/core/walks/record-of';
import { readShorthand, writeShorthand } from '@/core/walks/shorthand';
import type { Phase } from '@/core/sequence/phases';
import type { Proposed } from './drafts';
import { keptWords } from './kept-words';
import type { Walking } from './use-walk';
import { Hidden } from '../kit/hidden';
import { Line } from '../kit/lines';

export const clockWords = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds) % 60).padStart(2, '0')}`;

interface RowTerms {
  one: Proposed;
  walking: Walking;
  /** @param words as they were said, or as they were put right */
  onAccept: (fresh: NewObservation, words: string) => void;
  onDrop: () => void;
  onMove: (from: HTMLElement, by: 1 | -1) => void;
  onPlay?: () => void;
}

/** Progress that would only be a note is asked for its step, where the room has any. */
const lacksStep = (kind: string, fresh: NewObservation | undefined, steps: number): boolean =>
  kind === 'progress' && fresh?.kind === 'note' && steps > 0;

/** What a draft lacks before it can be kept: one thing is asked, no more. */
function useRow({ draft, area: said }: Proposed, pack: Walking['pack']) {
  const { areas, job } = pack;
  const [roomId, setRoom] = useState(said?.id ?? '');
  const [phase, setPhase] = useState<Phase>();
  const room = areas.find(({ id }) => id === roomId);
  const steps = room?.steps ?? [];
  const terms = { steps, system: job.units };
  const [typed, setTyped] = useState<string>();
  const whole = phase ? { ...draft, phase, fraction: draft.fraction ?? 1 } : draft;
  const fresh = room && recordOf(whole, room.id, terms);
  const read =
    typed === undefined || !room
      ? undefined
      : readShorthand(typed, {
          area: room.id,
          areas,
          steps: (id) => areas.find((each) => each.id === id)?.steps ?? [],
          system: job.units,
          ...(job.client ? { client: job.client } : {}),
        });
  const now = read?.ok ? recordOf(read.value, read.value.area, terms) : fresh;
  const words = read?.ok ? read.value.subject : draft.words;
  const asks = !room ? 'room' : lacksStep(draft.kind, fresh, steps.length) ? 'step' : undefined;
  return {
    ...{ roomId, setRoom, setPhase, setTyped, typed, read, now, asks, steps },
    problem: read && !read.ok ? read.problem.message : undefined,
    edit: () => setTyped(writeShorthand(draft, steps, job.units)),
    // What it is can be said before it is known where.
    says: keptWords(now ?? recordOf(whole, '', terms), words, pack),
    words,
  } as const;
}
type Row = ReturnType<typeof useRow>;

/** One draft beside its words: accepted, put right or let go. */
export function DraftRow({ one, walking, onAccept, onDrop, onMove, onPlay }: RowTerms) {
  const { draft } = one;
  const row = useRow(one, walking.pack);
  const { asks, now, says, problem, typed } = row;
  const [tried, setTried] = useState(false);
  const keep = (): void => {
    setTried(true);
    if (now && problem === undefined && asks !== 'room') onAccept(now, row.words);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>): void => {
    const typing = event.target !== event.currentTarget;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    event.stopPropagation();
    if (typing) return;
    const acts: Record<string, () => void> = {
      Enter: () => {
        onMove(event.currentTarget, 1);
        keep();
      },
      x: () => {
        onMove(event.currentTarget, 1);
        onDrop();
      },
      e: row.edit,
      ArrowDown: () => onMove(event.currentTarget, 1),
      ArrowUp: () => onMove(event.currentTarget, -1),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <Line className="draft" tabIndex={0} aria-label={says} onKeyDown={onKeyDown}>
      <div className="fw-bold">{says}</div>
      <div className="small-text said-words">
        {onPlay ? (
          <button type="button" className="btn btn-link btn-sm p-0 mono" onClick={onPlay}>
            {clockWords(draft.start)}
            <Hidden> play</Hidden>
          </button>
        ) : (
          <span className="mono">{clockWords(draft.start)}</span>
        )}{' '}
        “{draft.words}”
      </div>
      {one.before.map((earlier) => (
        <div key={earlier.start} className="small-text soon">
          said before, {clockWords(earlier.start)}: “{earlier.words}”
        </div>
      ))}
      <Asked one={one} row={row} areas={walking.pack.areas} tried={tried} onEnter={keep} />
      <div className="verdicts">
        <Button onClick={keep}>
          Accept<Hidden>: {says}</Hidden>
        </Button>
        {typed === undefined && (
          <button type="button" onClick={row.edit}>
            Put right<Hidden>: {says}</Hidden>
          </button>
        )}
        <button type="button" onClick={onDrop}>
          Remove<Hidden>: {says}</Hidden>
        </button>
      </div>
    </Line>
  );
}

/** The one thing that is asked of a draft, or the line it is put right by. */
function Asked({
  one: { draft, area },
  row,
  areas,
  tried,
  onEnter,
}: {
  one: Proposed;
  row: Row;
  areas: Walking['pack']['areas'];
  tried: boolean;
  onEnter: () => void;
}) {
  const { asks, says, typed, problem } = row;
  const asksRoom = typed !== undefined || asks === 'room' || area === undefined;
  return (
    <>
      {asks === 'step' && typed === undefined && (
        <Form.Select
          className="mid-field mt-1"
          defaultValue=""
          aria-label={`Which step is: ${says}`}
          onChange={(event) => row.setPhase((event.target.value || undefined) as Phase | undefined)}
        >
          <option value="">Which step?</option>
          {row.steps.map((step) => (
            <option key={step.phase} value={step.phase}>
              {step.label}
            </option>
          ))}
        </Form.Select>
      )}
      {asksRoom && (
        <div className="d-flex gap-2 mt-1 flex-wrap">
          {typed !== undefined && (
            <Form.Control
              autoFocus
              value={typed}
              maxLength={620}
              aria-label={`Put right: ${says}`}
              isInvalid={problem !== undefined}
              onChange={(event) => row.setTyped(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                event.preventDefault();
                onEnter();
              }}
            />
          )}
          <Form.Select
            value={row.roomId}
            className="mid-field"
            isInvalid={tried && asks === 'room'}
            aria-label={`Room of: ${says}`}
            onChange={(event) => row.setRoom(event.target.value)}
          >
            <option value="">Which room?</option>
            {areas.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
                {each.name === draft.area && draft.unclear ? ' (likeliest)' : ''}
              </option>
            ))}
          </Form.Select>
          {tried && asks === 'room' && (
            <Form.Text className="bad d-block" role="alert">
              Say which room it belongs to, then keep it.
            </Form.Text>
          )}
          {problem !== undefined && (
            <Form.Text className="bad d-block" role="alert">
              {problem}
            </Form.Text>
          )}
        </div>
      )}
    </>
  );
}
