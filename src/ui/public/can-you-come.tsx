'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { answerVisits } from '@/contract/commands/visits';
import type { SubVisit } from '@/contract/views/news';
import { CommandForm, SelectField, SubmitAs, TextField } from '../kit/form';
import { LinkButton } from '../kit/link-button';

const SAYS = {
  pencil: 'In pencil',
  asked: 'Can you come?',
  confirmed: 'You said yes',
  declined: 'You said no',
} as const;

/** Each visit with its question first; a day is a promise once they said yes. */
export function CanYouCome({ visits, token, recipient }: { visits: SubVisit[]; token: string; recipient: string }) {
  if (visits.length === 0) return null;
  return (
    <section aria-label="Your visits">
      {visits.map((visit) => (
        <OneVisit key={visit.key} visit={visit} token={token} recipient={recipient} />
      ))}
    </section>
  );
}

function OneVisit({ visit, token, recipient }: { visit: SubVisit; token: string; recipient: string }) {
  const [again, setAgain] = useState(false);
  const [other, setOther] = useState(false);
  const open = visit.said === 'asked' || again;
  return (
    <article className={`visit ${visit.said}`}>
      <p className="mb-0">
        <span className="fw-bold">{SAYS[visit.said]}</span> {visit.when}
      </p>
      <p className="small-text mb-0">
        {visit.job}
        {visit.address && (
          <>
            , <a href={`geo:0,0?q=${encodeURIComponent(visit.address)}`}>{visit.address}</a>
          </>
        )}
      </p>
      <p className="small-text mb-0">{visit.works.join(' · ')}</p>
      {visit.ready.length > 0 && <p className="small-text soft mb-0">before you: {visit.ready.join(', ')}</p>}
      {visit.words && <p className="small-text soft mb-0">{visit.words}</p>}
      {open ? (
        <CommandForm
          kind={answerVisits}
          link={token}
          about={visit.key}
          className="my-2 no-print"
          start={() => ({ visits: visit.halves, answer: 'yes' as const, by: recipient, note: '', wishHalf: 0 })}
          onDone={() => {
            setAgain(false);
            setOther(false);
          }}
          submit={
            other ? (
              <SubmitAs name="answer" value="another day">
                Say that day
              </SubmitAs>
            ) : (
              <span className="actions">
                <SubmitAs name="answer" value="yes">
                  Yes, we come
                </SubmitAs>
                <SubmitAs name="answer" value="no" variant="outline-secondary">
                  No, I can’t
                </SubmitAs>
              </span>
            )
          }
          beside={
            <Button variant={other ? 'link' : 'outline-secondary'} onClick={() => setOther(!other)}>
              {other ? 'Back' : 'Another day'}
            </Button>
          }
        >
          {other && (
            <div className="form-pair">
              <TextField name="wishDay" label="The day on which you could" type="date" />
              <SelectField
                name="wishHalf"
                label="Morning or afternoon"
                options={[
                  ['0', 'morning'],
                  ['1', 'afternoon'],
                ]}
              />
            </div>
          )}
          <div className="form-pair">
            <TextField name="by" label="Your name" autoComplete="name" />
            <TextField name="note" label="Anything to say" />
          </div>
        </CommandForm>
      ) : (
        <p className="no-print mb-0">
          <LinkButton onClick={() => setAgain(true)}>
            {visit.said === 'pencil' ? 'Answer already' : 'Answer again'}
          </LinkButton>
        </p>
      )}
    </article>
  );
}
