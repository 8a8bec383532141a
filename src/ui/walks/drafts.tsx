'use client';
import { api } from '@/contract/routes';
import { useRef } from 'react';
import { Button } from 'react-bootstrap';
import type { NarrationView, WalkArea } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { readCaptions, standpointIn } from '@/core/narration/captions';
import { draftKeys, isRead, isSettled, SURE, unplaced, type Draft } from '@/core/narration/draft';
import { saidAgain } from '@/core/narration/said-again';
import type { NewObservation, WalkKind } from '@/core/walks/observation';
import { recordOf } from '@/core/walks/record-of';
import { clockWords, DraftRow } from './draft-row';
import { keptWords, placedHere } from './kept-words';
import { useReading } from './use-reader';
import type { Walking } from './use-walk';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { useToast } from '../kit/toast';

/** A draft with the record it would become; without one, until it is said in which room. */
export interface Proposed {
  key: string;
  draft: Draft;
  area: WalkArea | undefined;
  fresh: NewObservation | undefined;
  sure: boolean;
  /** What was said of the same before, otherwise. */
  before: readonly Draft[];
}

/** What a first visit hears of the whole job: an approval, the neighbours. It asks for no room. */
const isOfJob = ({ area, kind }: Draft, walk: WalkKind): boolean =>
  walk === 'scope' && area === null && (kind === 'gate' || kind === 'household');

/** What is open among drafts, each with the record it would become. */
function proposedOf(
  drafts: readonly Draft[],
  settled: readonly string[],
  { areas, job, walk }: Walking['pack'],
): Proposed[] {
  const keys = draftKeys(drafts);
  const again = saidAgain(drafts);
  return drafts.flatMap((draft, at): Proposed[] => {
    const key = keys[at] ?? '';
    const word = again[at];
    // What was said again otherwise stands beside its last word, and is not proposed by itself.
    if (word === 'later' || isSettled(key, settled)) return [];
    const area = draft.unclear
      ? undefined
      : (areas.find((room) => room.name === draft.area) ?? (isOfJob(draft, walk.kind) ? areas[0] : undefined));
    const fresh = area && recordOf(draft, area.id, { steps: area.steps, system: job.units });
    // What would only become a note is asked for its step or its size.
    const whole = fresh !== undefined && fresh.kind === draft.kind;
    return [{ key, draft, area, fresh, sure: whole && draft.confidence >= SURE, before: word?.before ?? [] }];
  });
}

const headingOf = ({ area, draft }: Proposed): string =>
  draft.unclear ? 'Which room?' : draft.area === null ? 'Said of the job as a whole' : (area?.name ?? 'Which room?');

/**
 * What a narration proposes, by room, each draft beside its words and its second. Nothing is a record before somebody keeps
 * it: sure ones in one tap for all, others one by one.
 */
export function Drafts({
  narration,
  walking,
  onLine,
}: {
  narration: NarrationView;
  walking: Walking;
  /** Words that found no place are written as a line. */
  onLine: (words: string) => void;
}) {
  const reading = useReading(narration.text, walking.pack.areas);
  const player = useRef<HTMLAudioElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const settled = [...narration.dropped, ...narration.accepted];
  const drafts = reading.state === 'read' ? reading.heard.drafts : [];
  const open = proposedOf(drafts, settled, walking.pack);
  const sure = open.filter((one) => one.sure);
  const say = useToast();
  const accept = ({ key, draft }: Proposed, fresh: NewObservation, spoken: string, words: string): (() => void) =>
    walking.put(placedHere(fresh, spoken, walking.pack), words, {
      ...{ narration: narration.id, draft: key, words: draft.words.slice(0, 2000) },
      ...{ start: draft.start, end: draft.end },
    });
  const acceptSure = (): void => {
    const backs = sure.flatMap((one) => (one.fresh ? [accept(one, one.fresh, one.draft.words, '')] : []));
    // One tap keeps them all, and one takes all of them back.
    say({ text: `${backs.length} kept`, undo: () => backs.forEach((back) => back()) });
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
                  onAccept={(fresh, spoken) =>
                    void accept(proposed, fresh, spoken, keptWords(fresh, spoken, walking.pack))
                  }
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
      {reading.state === 'read' && (
        <Said
          narration={narration}
          drafts={drafts}
          names={walking.pack.areas.flatMap(({ name, called }) => [name, ...called])}
          onLine={onLine}
        />
      )}
    </section>
  );
}

/** All words of a narration; what found no place stands by itself, to be written as a line: nothing said is lost. */
function Said({
  narration,
  drafts,
  names,
  onLine,
}: {
  narration: NarrationView;
  drafts: readonly Draft[];
  /** What areas are called. */
  names: readonly string[];
  onLine: (words: string) => void;
}) {
  const captions = readCaptions(narration.text);
  const lines = captions.ok ? captions.value.cues : [];
  const read = isRead(lines, drafts);
  const left = unplaced(
    lines.filter(({ text }) => standpointIn(text) === undefined),
    drafts,
    names,
  );
  return (
    <>
      {left.length > 0 && (
        <details className="mt-2">
          <summary>Heard and not placed: {left.length === 1 ? '1 line' : `${left.length} lines`}</summary>
          <Lines>
            {left.map(({ start, text }) => (
              <Line
                key={`${start} ${text}`}
                beside={
                  <LinkButton onClick={() => onLine(text)}>
                    Make it a line<Hidden>: {text}</Hidden>
                  </LinkButton>
                }
              >
                <span className="mono small-text soft">{clockWords(start)}</span> {text}
              </Line>
            ))}
          </Lines>
        </details>
      )}
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
    </>
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
                  {fresh ? keptWords(fresh, draft.words, walking.pack) : draft.subject}
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
