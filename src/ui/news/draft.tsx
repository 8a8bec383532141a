'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { unwriteLine, writeLine } from '@/contract/commands/news';
import type { DraftView, NewsView } from '@/contract/views/news';
import type { MovedDay, ShownLine, ShownPart } from '@/core/news/own-words';
import { sayAnotherDay } from '@/core/news/said-days';
import { formatDay, longDay, type Day } from '@/core/units/day';
import { CommandForm, TextField } from '../kit/form';
import { LinkButton } from '../kit/link-button';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

interface Editing {
  line: ShownLine;
  /** A line of one’s own. */
  own: boolean;
}

/**
 * What somebody would be told now, as they read it. Any line can be written anew or left out; what somebody wrote stays as
 * they wrote it, and what no longer fits it is said beneath.
 */
export function Draft({ view }: { view: NewsView }) {
  const { draft } = view;
  const [editing, setEditing] = useState<Editing>();
  const isEmpty = draft.parts.every(({ lines }) => lines.length === 0);
  return (
    <>
      <article className="sheet mt-3 draft">
        {isEmpty && <p className="soft mb-0">There is nothing to tell yet: set out the rooms, or walk the site.</p>}
        {draft.parts.map((part) => (
          <DraftPart
            key={part.key}
            part={part}
            draft={draft}
            view={view}
            onEdit={(line) => setEditing({ line, own: line.composed === '' })}
          />
        ))}
      </article>
      <LinkButton className="mt-2 no-print" onClick={() => setEditing({ line: newLine(), own: true })}>
        Add a line of your own
      </LinkButton>
      <SidePanel
        title={editing?.own ? 'A line of your own' : 'Write this line anew'}
        open={editing !== undefined}
        onClose={() => setEditing(undefined)}
      >
        {editing && (
          <LineForm key={editing.line.key} editing={editing} view={view} onDone={() => setEditing(undefined)} />
        )}
      </SidePanel>
    </>
  );
}

const newLine = (): ShownLine => ({
  ...{ key: `own:${newId()}`, text: '', state: 'composed', composed: '', written: null, changed: null, moved: [] },
});

interface PartTerms {
  part: ShownPart;
  draft: DraftView;
  view: NewsView;
  onEdit: (line: ShownLine) => void;
}

function DraftPart({ part, onEdit, ...terms }: PartTerms) {
  const lines = part.lines.map((line) => (
    <DraftLine key={line.key} line={line} onEdit={() => onEdit(line)} {...terms} />
  ));
  return part.heading === '' ? (
    <div className="draft-part">{lines}</div>
  ) : (
    <section className="draft-part">
      <h3>{part.heading}</h3>
      <div className="draft-points">{lines}</div>
    </section>
  );
}

function DraftLine({
  line,
  draft,
  view,
  onEdit,
}: {
  line: ShownLine;
  draft: DraftView;
  view: NewsView;
  onEdit: () => void;
}) {
  const { busy, give } = useSend();
  const at = { job: view.job.id, audience: draft.audience, line: line.key };
  const write = (words: string, text: string): void =>
    void give(writeLine, { ...at, words, was: line.composed }, { text, back: 'As before.' });
  const drop = (text: string): void => void give(unwriteLine, at, { text, back: 'Your words are back.' });
  const leaveOut = (): void => (line.composed === '' ? drop('Taken away.') : write('', 'Left out.'));
  return (
    <div
      className={line.state === 'composed' ? 'draft-line' : `draft-line is-${line.state === 'written' ? 'own' : 'out'}`}
    >
      <button type="button" className="draft-words" onClick={onEdit} title="Write it anew, or leave it out">
        {line.text || line.composed}
      </button>
      {line.state === 'left out' && <span className="soft small-text"> left out</span>}
      {line.changed && (
        <Unsure words={changedWords(line.changed)}>
          {line.composed !== '' && (
            <Button size="sm" disabled={busy} onClick={() => drop('It says what is so now.')}>
              Say what is so now
            </Button>
          )}
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={busy}
            onClick={() => write(line.state === 'left out' ? '' : line.text, 'It stays.')}
          >
            {line.state === 'left out' ? 'Leave it out still' : 'Keep mine'}
          </Button>
          {line.state === 'written' && (
            <Button size="sm" variant="outline-secondary" disabled={busy} onClick={leaveOut}>
              Leave it out
            </Button>
          )}
        </Unsure>
      )}
      {line.moved.map((day) => (
        <Unsure key={day.what} words={movedWords(day, view.today)}>
          {day.to && (
            <Button
              size="sm"
              disabled={busy}
              onClick={() => write(withDay(line, day, view.today), 'It says the new day.')}
            >
              Say {longDay(day.to)}
            </Button>
          )}
          <Button size="sm" variant="outline-secondary" disabled={busy} onClick={() => write(line.text, 'It stays.')}>
            Keep mine
          </Button>
          <Button size="sm" variant="outline-secondary" disabled={busy} onClick={leaveOut}>
            Leave it out
          </Button>
        </Unsure>
      ))}
    </div>
  );
}

/** What no longer fits what somebody wrote, and what can be done about it. */
const Unsure = ({ words, children }: { words: string; children: React.ReactNode }) => (
  <div className="unsure no-print">
    <p className="mb-1">
      <span className="fw-bold">No longer sure:</span> {words}
    </p>
    <div className="actions">{children}</div>
  </div>
);

const changedWords = ({ was, now }: { was: string; now: string }): string =>
  now === ''
    ? `you wrote in place of “${was}”, which is no longer so.`
    : `you wrote in place of “${was}”. Now: “${now}”`;

const movedWords = ({ what, from, to }: MovedDay, today: Day): string =>
  to
    ? `${formatDay(from, today)} was the day of ${what}; now it is ${formatDay(to, today)}.`
    : `${formatDay(from, today)} was the day of ${what}, which is planned no more.`;

const withDay = ({ text, written }: ShownLine, { from, to }: MovedDay, today: Day): string =>
  to ? sayAnotherDay(text, from, to, written ?? today) : text;

function LineForm({ editing, view, onDone }: { editing: Editing; view: NewsView; onDone: () => void }) {
  const { line, own } = editing;
  const { busy, give } = useSend();
  const at = { job: view.job.id, audience: view.draft.audience, line: line.key };
  const then = (sent: Promise<boolean>): void => void sent.then((kept) => kept && onDone());
  return (
    <>
      {!own && (
        <p className="small-text soft">
          It says by itself: {line.composed} <br />
          What you write stays as you wrote it. If what it stands for changes, you are asked.
        </p>
      )}
      <CommandForm
        kind={writeLine}
        submit="Save"
        onDone={onDone}
        start={() => ({ ...at, words: line.text || line.composed, was: line.composed })}
        beside={
          <>
            {!own && line.state !== 'left out' && (
              <Button
                variant="outline-secondary"
                disabled={busy}
                onClick={() =>
                  then(
                    give(
                      writeLine,
                      { ...at, words: '', was: line.composed },
                      { text: 'Left out.', back: 'It is back.' },
                    ),
                  )
                }
              >
                Leave it out
              </Button>
            )}
            {line.state !== 'composed' && (
              <Button
                variant="link"
                disabled={busy}
                onClick={() =>
                  then(
                    give(unwriteLine, at, { text: own ? 'Taken away.' : 'As it was composed.', back: 'It is back.' }),
                  )
                }
              >
                {own ? 'Take it away' : 'As composed'}
              </Button>
            )}
          </>
        }
      >
        <TextField name="words" label={own ? 'What you want to say' : 'In your words'} rows={6} />
      </CommandForm>
    </>
  );
}
