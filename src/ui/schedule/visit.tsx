'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { answerVisits, freeVisits, giveVisits, NOBODY_TOLD, tellVisits } from '@/contract/commands/visits';
import type { BoardBlock, BoardVisit } from '@/contract/views/plan';
import { newSending } from '../kit/new-sending';
import { CommandForm, TextField } from '../kit/form';
import { Phone } from '../kit/phone';
import { useSend } from '../kit/use-send';

/** Who comes, what was said of the day, and what can be said next: asked, yes, no, or another sub. */
export function Visit({ block, visit, linksUntil }: { block: BoardBlock; visit: BoardVisit; linksUntil: string }) {
  const { busy, give } = useSend();
  const [answer, setAnswer] = useState<'yes' | 'no'>();
  const half = { task: block.task, day: block.day, half: block.half };
  const ask = () =>
    void give(
      tellVisits,
      {
        ...NOBODY_TOLD,
        visits: [half],
        subs: visit.email ? [{ sub: visit.crew, ...newSending(visit.name, visit.email, linksUntil) }] : [],
      },
      { text: visit.email ? `${visit.name} is asked; a message goes out.` : `Kept: ${visit.name} is asked.` },
    );
  return (
    <section aria-label="Who comes">
      <h3>Who comes</h3>
      <p className="mb-1">
        <span className="fw-bold">{visit.name}</span> <Phone number={visit.phone} />
      </p>
      <p className={visit.tone}>{visit.words}</p>
      {answer ? (
        <CommandForm
          kind={answerVisits}
          submit={answer === 'yes' ? 'Keep the yes' : 'Keep the no'}
          onDone={() => setAnswer(undefined)}
          start={() => ({ visits: [half], answer, by: visit.lead, note: '' })}
        >
          <TextField name="by" label="Who said it" />
          <TextField name="note" label="What they said" hint="If it matters." />
        </CommandForm>
      ) : (
        <div className="actions mb-2">
          {visit.said !== 'asked' && visit.said !== 'confirmed' && (
            <Button size="sm" variant="outline-secondary" disabled={busy} onClick={ask}>
              Ask for this day
            </Button>
          )}
          {visit.said !== 'confirmed' && (
            <Button size="sm" variant="outline-secondary" onClick={() => setAnswer('yes')}>
              They said yes
            </Button>
          )}
          {visit.said === 'nothing' && (
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={busy}
              onClick={() =>
                void give(
                  freeVisits,
                  { tasks: [block.task] },
                  { text: 'It may come sooner; the plan follows.', back: 'It stands where it stood.' },
                )
              }
            >
              May come sooner
            </Button>
          )}
          {visit.said !== 'declined' && (
            <Button size="sm" variant="outline-secondary" onClick={() => setAnswer('no')}>
              They said no
            </Button>
          )}
        </div>
      )}
      {visit.others.length > 0 && <GiveTo block={block} visit={visit} />}
    </section>
  );
}

function GiveTo({ block, visit }: { block: BoardBlock; visit: BoardVisit }) {
  const { busy, give } = useSend();
  return (
    <Form.Select
      size="sm"
      className="mb-2"
      aria-label="Give it to another sub"
      disabled={busy}
      value=""
      onChange={({ target }) => {
        const other = visit.others.find(({ id }) => id === target.value);
        if (other)
          void give(
            giveVisits,
            { tasks: [block.task], sub: other.id },
            { text: `${other.name} comes for it; the plan follows.`, back: `${visit.name} comes for it again.` },
          );
      }}
    >
      <option value="">Give it to another sub …</option>
      {visit.others.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Form.Select>
  );
}
