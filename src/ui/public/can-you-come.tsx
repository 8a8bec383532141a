'use client';
import { useState } from 'react';
import type { SubVisit } from '@/contract/views/news';
import { ReplyAs, ReplyForm, ReplySelect, ReplyText } from './reply-form';

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
        <span className="fw-bold">{SAYS[visit.said]}</span> {visit.when} <span className="soft">({visit.long})</span>
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
      {visit.leaves.length > 0 && <p className="small-text mb-0">leave ready for: {visit.leaves.join(', ')}</p>}
      {visit.gettingIn && <p className="small-text mb-0">getting in: {visit.gettingIn}</p>}
      {visit.words && <p className="small-text soft mb-0">{visit.words}</p>}
      {open ? (
        <ReplyForm
          type="visit.answer"
          link={token}
          about={visit.key}
          className="my-2 no-print"
          start={() => ({ visits: visit.halves, by: recipient, note: '' })}
          onDone={() => {
            setAgain(false);
            setOther(false);
          }}
          submit={
            other ? (
              <ReplyAs name="answer" value="another day">
                Say that day
              </ReplyAs>
            ) : (
              <span className="actions">
                <ReplyAs name="answer" value="yes">
                  Yes, we come
                </ReplyAs>
                <ReplyAs name="answer" value="no" quiet>
                  No, I can’t
                </ReplyAs>
              </span>
            )
          }
          beside={
            <button
              type="button"
              className={`btn ${other ? 'btn-link' : 'btn-outline-secondary'}`}
              onClick={() => setOther(!other)}
            >
              {other ? 'Back' : 'Another day'}
            </button>
          }
        >
          {other && (
            <div className="form-pair">
              <ReplyText name="wishDay" label="The day on which you could" type="date" />
              <ReplySelect
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
            <ReplyText name="by" label="Your name" autoComplete="name" />
            <ReplyText name="note" label="Anything to say" />
          </div>
        </ReplyForm>
      ) : (
        <p className="no-print mb-0">
          <button type="button" className="btn btn-link btn-sm p-0" onClick={() => setAgain(true)}>
            {visit.said === 'pencil' ? 'Answer already' : 'Answer again'}
          </button>
        </p>
      )}
    </article>
  );
}
