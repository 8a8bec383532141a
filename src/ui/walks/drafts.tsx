'use client';
import { api } from '@/contract/routes';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { NarrationView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { readCaptions } from '@/core/narration/captions';
import { draftKeys, type Draft } from '@/core/narration/draft';
import { readNarration } from '@/core/narration/read';
import type { NewObservation } from '@/core/walks/observation';
import { recordOf } from '@/core/walks/record-of';
import { KIND_WORDS } from '@/core/walks/record-words';
import { readShorthand, writeShorthand } from '@/core/walks/shorthand';
import { understood } from './line-form';
import type { Walking } from './use-walk';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';

interface Proposed {
  key: string;
  draft: Draft;
  fresh: NewObservation;
}

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds) % 60).padStart(2, '0')}`;

/**
 * What a narration proposes, each draft beside its words and its second. Nothing is a record before somebody accepts
 * it.
 */
export function Drafts({
  narration,
  here,
  walking,
  reading = false,
}: {
  narration: NarrationView;
  here: string;
  walking: Walking;
  reading?: boolean;
}) {
  const { pack } = walking;
  const { areas } = pack;
  const player = useRef<HTMLAudioElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const drafts = useMemo(() => {
    const captions = readCaptions(narration.text);
    return captions.ok
      ? readNarration(
          captions.value.cues,
          areas.map((area) => ({ name: area.name, synonyms: area.called })),
        )
      : [];
    // Names do not change during a walk; records do, and must not have all of it read again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [narration.text, pack.areas]);
  const keys = useMemo(() => draftKeys(drafts), [drafts]);
  const settled = useMemo(() => new Set([...narration.dropped, ...narration.accepted]), [narration]);
  const open = drafts.flatMap((draft, at): Proposed[] => {
    const key = keys[at] ?? '';
    if (settled.has(key)) return [];
    const area = areas.find((room) => room.name === draft.area) ?? areas.find((room) => room.id === here);
    return area ? [{ key, draft, fresh: recordOf(draft, area.id, { steps: area.steps, system: pack.job.units }) }] : [];
  });
  const accept = ({ key, draft, fresh }: Proposed, words = understood(fresh, areas)): void => {
    walking.record(
      {
        ...fresh,
        said: {
          narration: narration.id,
          draft: key,
          words: draft.words.slice(0, 2000),
          start: draft.start,
          end: draft.end,
        },
      },
      words,
    );
  };
  const byKind = groupBy(open, (proposed) => proposed.draft.kind);
  const move = (from: HTMLElement, by: 1 | -1): void => {
    const rows = [...(list.current?.querySelectorAll<HTMLElement>(':scope > li') ?? [])];
    rows[rows.indexOf(from) + by]?.focus();
  };
  return (
    <section className="drafts" aria-label={`Drafts from ${narration.name}`}>
      <h2>
        {narration.name} · {open.length === 0 ? 'every draft settled' : `${open.length} to settle`}
      </h2>
      {narration.recording && (
        <audio ref={player} controls preload="none" src={api.recording(narration.recording)} className="w-100 mt-1" />
      )}
      {!reading && open.length > 1 && (
        <div className="chips mt-2" role="group" aria-label="Accept all of a kind">
          {[...byKind]
            .filter(([, some]) => some.length > 1)
            .map(([kind, some]) => (
              <button
                key={kind}
                type="button"
                className="chip"
                onClick={() =>
                  some.forEach((proposed) => accept(proposed, `${some.length} × ${KIND_WORDS[kind]} kept`))
                }
              >
                accept all {some.length} {KIND_WORDS[kind]}
              </button>
            ))}
        </div>
      )}
      {!reading && open.length > 0 && (
        <p className="keys soft small-text mb-0">
          Keys on a draft: Enter accept · e put right · x drop · ↑ ↓ to the next
        </p>
      )}
      <Lines ref={list}>
        {open.map((proposed) => (
          <Row
            key={proposed.key}
            one={proposed}
            reading={reading}
            walking={walking}
            onAccept={(fresh) => accept({ ...proposed, fresh })}
            onDrop={() => walking.dropDraft(narration.id, proposed.key)}
            onMove={move}
            {...(narration.recording
              ? {
                  onPlay: () => {
                    const audio = player.current;
                    if (audio) {
                      audio.currentTime = proposed.draft.start;
                      void audio.play().catch(() => undefined);
                    }
                  },
                }
              : {})}
          />
        ))}
      </Lines>
    </section>
  );
}

interface RowTerms {
  one: Proposed;
  reading: boolean;
  walking: Walking;
  onAccept: (fresh: NewObservation) => void;
  onDrop: () => void;
  onMove: (from: HTMLElement, by: 1 | -1) => void;
  onPlay?: () => void;
}

function Row({ one: { draft, fresh }, reading, walking, onAccept, onDrop, onMove, onPlay }: RowTerms) {
  const { pack } = walking;
  const { areas } = pack;
  const [editing, setEditing] = useState(false);
  const [area, setArea] = useState(fresh.area);
  const steps = areas.find((room) => room.id === area)?.steps ?? [];
  const [typed, setTyped] = useState(() => writeShorthand(draft, steps, pack.job.units));
  const read = editing
    ? readShorthand(typed, {
        area,
        areas,
        steps: (id) => areas.find((room) => room.id === id)?.steps ?? [],
        system: pack.job.units,
        ...(pack.job.client ? { client: pack.job.client } : {}),
      })
    : undefined;
  const now = read?.ok ? recordOf(read.value, read.value.area, { steps, system: pack.job.units }) : { ...fresh, area };
  const name = areas.find((room) => room.id === area)?.name ?? '';
  const keep = (): void => {
    if (!read || read.ok) onAccept(now);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>): void => {
    const typing = event.target !== event.currentTarget;
    if (event.ctrlKey || event.metaKey || event.altKey || reading) return;
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
      e: () => setEditing(true),
      ArrowDown: () => onMove(event.currentTarget, 1),
      ArrowUp: () => onMove(event.currentTarget, -1),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <Line className="draft" tabIndex={reading ? -1 : 0} aria-label={understood(now, areas)} onKeyDown={onKeyDown}>
      <div>
        <span className="fw-bold">{understood(now, areas)}</span>{' '}
        <span className="soft small-text">
          {name}
          {draft.area === null ? ' (room not clear: choose)' : ''}
        </span>
      </div>
      <div className="small-text said-words">
        {onPlay ? (
          <button type="button" className="btn btn-link btn-sm p-0 mono" onClick={onPlay}>
            {clock(draft.start)}
            <Hidden> play</Hidden>
          </button>
        ) : (
          <span className="mono">{clock(draft.start)}</span>
        )}{' '}
        “{draft.words}”
      </div>
      {editing && (
        <div className="d-flex gap-2 mt-1 flex-wrap">
          <Form.Control
            autoFocus
            value={typed}
            maxLength={620}
            aria-label={`Put right: ${understood(fresh, areas)}`}
            isInvalid={read !== undefined && !read.ok}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                keep();
              }
            }}
          />
          <Form.Select
            value={area}
            className="mid-field"
            aria-label={`Room of: ${understood(fresh, areas)}`}
            onChange={(event) => setArea(event.target.value)}
          >
            {areas.map((room) => (
              <option key={room.id} value={room.id}>
                {room.name}
              </option>
            ))}
          </Form.Select>
          {read && !read.ok && (
            <Form.Text className="bad d-block" role="alert">
              {read.problem.message}
            </Form.Text>
          )}
        </div>
      )}
      {!reading && (
        <div className="verdicts">
          <Button onClick={keep}>
            Accept<Hidden>: {understood(now, areas)}</Hidden>
          </Button>
          {!editing && (
            <button type="button" onClick={() => setEditing(true)}>
              Put right<Hidden>: {understood(now, areas)}</Hidden>
            </button>
          )}
          <button type="button" onClick={onDrop}>
            Remove<Hidden>: {understood(now, areas)}</Hidden>
          </button>
        </div>
      )}
    </Line>
  );
}
