'use client';
import { api } from '@/contract/routes';
import { useRef } from 'react';
import { Button } from 'react-bootstrap';
import type { NarrationView, WalkArea } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { readCaptions } from '@/core/narration/captions';
import { draftKeys, isRead, isSettled, SURE, type Draft } from '@/core/narration/draft';
import type { NewObservation } from '@/core/walks/observation';
import { recordOf } from '@/core/walks/record-of';
import { DraftRow } from './draft-row';
import { understood } from './line-form';
import { useReading } from './use-reader';
import type { Walking } from './use-walk';
import { Lines } from '../kit/lines';
import { useToast } from '../kit/toast';

/** A draft with the record it would become; without one, until it is said in which room. */
export interface Proposed {
  key: string;
  draft: Draft;
  area: WalkArea | undefined;
  fresh: NewObservation | undefined;
  sure: boolean;
}

/** What is open among drafts, each with the record it would become. */
function proposedOf(drafts: readonly Draft[], settled: readonly string[], { areas, job }: Walking['pack']): Proposed[] {
  const keys = draftKeys(drafts);
  return drafts.flatMap((draft, at): Proposed[] => {
    const key = keys[at] ?? '';
    if (isSettled(key, settled)) return [];
    const area = draft.unclear ? undefined : areas.find((room) => room.name === draft.area);
    const fresh = area && recordOf(draft, area.id, { steps: area.steps, system: job.units });
    // What would only become a note is asked for its step or its size.
    const whole = fresh !== undefined && fresh.kind === draft.kind;
    return [{ key, draft, area, fresh, sure: whole && draft.confidence >= SURE }];
  });
}

const headingOf = (proposed: Proposed): string =>
  proposed.area?.name ?? (proposed.draft.unclear ? 'Which room?' : 'Said of the job as a whole');

/**
 * What a narration proposes, by room, each draft beside its words and its second. Nothing is a record before somebody keeps
 * it: sure ones in one tap for all, others one by one.
 */
export function Drafts({ narration, walking }: { narration: NarrationView; walking: Walking }) {
  const reading = useReading(narration.text, walking.pack.areas);
  const player = useRef<HTMLAudioElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const settled = [...narration.dropped, ...narration.accepted];
  const drafts = reading.state === 'read' ? reading.heard.drafts : [];
  const open = proposedOf(drafts, settled, walking.pack);
  const sure = open.filter((one) => one.sure);
  const say = useToast();
  const accept = ({ key, draft }: Proposed, fresh: NewObservation, words: string): string =>
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
  const acceptSure = (): void => {
    const kept = sure.flatMap((one) => (one.fresh ? [{ area: one.fresh.area, id: accept(one, one.fresh, '') }] : []));
    // One tap keeps them all, and one takes all of them back.
    say({ text: `${kept.length} kept`, undo: () => kept.forEach(({ area, id }) => walking.withdraw(area, id)) });
  };
  const move = (from: HTMLElement, by: 1 | -1): void => {
    const rows = [...(list.current?.querySelectorAll<HTMLElement>('li') ?? [])];
    rows[rows.indexOf(from) + by]?.focus();
  };
  return (
    <section className="drafts" aria-label={`Drafts from ${narration.name}`}>
      <h2>
        {narration.name} ·{' '}
        {reading.state === 'reading'
          ? 'being read'
          : open.length === 0
            ? 'every draft settled'
            : `${open.length} to settle`}
      </h2>
      {reading.state === 'failed' && (
        <p role="alert" className="bad mb-1">
          This browser could not read it. The words are kept: open the walk again, or record it by line.
        </p>
      )}
      {narration.recording && (
        <audio ref={player} controls preload="none" src={api.recording(narration.recording)} className="w-100 mt-1" />
      )}
      {sure.length > 1 && (
        <Button className="mt-2" onClick={acceptSure}>
          Keep the {sure.length} that are sure
        </Button>
      )}
      {open.length > 0 && (
        <p className="keys soft small-text mb-0">
          Keys on a draft: Enter accept · e put right · x drop · ↑ ↓ to the next
        </p>
      )}
      <div ref={list}>
        {[...groupBy(open, headingOf)].map(([heading, some]) => (
          <div key={heading}>
            <h3 className="said-room">{heading}</h3>
            <Lines>
              {some.map((proposed) => (
                <DraftRow
                  key={proposed.key}
                  one={proposed}
                  walking={walking}
                  onAccept={(fresh) => accept(proposed, fresh, understood(fresh, walking.pack.areas))}
                  onDrop={() => walking.dropDraft(narration.id, proposed.key)}
                  onMove={move}
                  {...(narration.recording
                    ? {
                        onPlay: () => {
                          const audio = player.current;
                          if (!audio) return;
                          audio.currentTime = proposed.draft.start;
                          void audio.play().catch(() => undefined);
                        },
                      }
                    : {})}
                />
              ))}
            </Lines>
          </div>
        ))}
      </div>
      <Said narration={narration} drafts={drafts} />
    </section>
  );
}

/** All words of a narration: lines that no draft was read from stand out, so that nothing said is lost. */
function Said({ narration, drafts }: { narration: NarrationView; drafts: readonly Draft[] }) {
  const captions = readCaptions(narration.text);
  const lines = captions.ok ? captions.value.cues : [];
  const read = isRead(lines, drafts);
  return (
    <details className="mt-2">
      <summary>Every word that was said</summary>
      <p className="small-text said-words">
        {lines.map(({ start, text }, at) => (
          <span key={`${start} ${text}`} className={read[at] ? 'soft' : undefined}>
            {text}{' '}
          </span>
        ))}
      </p>
    </details>
  );
}

/** What is heard while somebody talks: under its room, to be looked at, not yet to be kept. */
export function Overheard({ drafts, walking }: { drafts: readonly Draft[]; walking: Walking }) {
  const open = proposedOf(drafts, [], walking.pack);
  return (
    <div className="drafts" role="log" aria-label="Heard so far">
      {[...groupBy(open, headingOf)].reverse().map(([heading, some]) => (
        <div key={heading}>
          <h3 className="said-room">{heading}</h3>
          <Lines>
            {some.map(({ key, draft, fresh, sure }) => (
              <li key={key} className="small-text">
                <span className={sure ? 'fw-bold' : undefined}>
                  {fresh ? understood(fresh, walking.pack.areas) : draft.subject}
                </span>
                {sure ? '' : ' ?'}
              </li>
            ))}
          </Lines>
        </div>
      ))}
    </div>
  );
}
