'use client';
import { useState } from 'react';
import type { CrewShared } from '@/contract/views/news';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { StateIcon } from '../kit/state-icon';
import { newId } from '../offline/send';
import { pictureRoute } from '@/contract/routes';
import { ReplyAs, ReplyForm, ReplyPicture, ReplySelect, ReplyText } from './reply-form';

/** A sub's work that has begun: each can be said to be done, with a picture; the office looks and takes it. */
export function SayDone({ begun, token, recipient }: { begun: CrewShared['begun']; token: string; recipient: string }) {
  if (begun.length === 0) return null;
  return (
    <section aria-label="Is it done?">
      <h2>Is it done?</h2>
      <Lines>
        {begun.map((work) => (
          <Line key={work.task} mark={<StateIcon kind={work.said ? 'done' : 'open'} silent />}>
            <span className="fw-bold">{work.what}</span> <span className="soft small-text">{work.job}</span>
            {work.answer && <div className="small-text bad">Not yet: {work.answer}</div>}
            {work.said ? (
              <div className="small-text soft">You said it is done; they look at it.</div>
            ) : (
              <Say work={work} token={token} recipient={recipient} />
            )}
          </Line>
        ))}
      </Lines>
    </section>
  );
}

function Say({ work, token, recipient }: { work: CrewShared['begun'][number]; token: string; recipient: string }) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <div className="no-print">
        <button type="button" className="btn btn-link btn-sm p-0" onClick={() => setOpen(true)}>
          It is done<Hidden>: {work.what}</Hidden>
        </button>
      </div>
    );
  return (
    <ReplyForm
      type="done.say"
      link={token}
      about={work.task}
      className="my-2 no-print"
      start={() => ({ id: newId(), task: work.task, name: recipient })}
      submit={
        <ReplyAs>
          Say that it is done<Hidden>: {work.what}</Hidden>
        </ReplyAs>
      }
    >
      {work.spot && (
        <figure className="same-spot">
          <img
            src={pictureRoute(token, work.spot.picture.hash, 240)}
            alt={work.spot.picture.alt}
            loading="lazy"
            width={160}
            height={120}
          />
          <figcaption className="small-text soft">
            {work.spot.picture.when}. From the same spot, both can be laid over each other.
          </figcaption>
        </figure>
      )}
      <ReplyPicture name="picture" label="A picture of it" link={token} />
      {work.spot && (
        <ReplySelect
          name="standpoint"
          label="Taken"
          none="from elsewhere"
          options={[[work.spot.id, 'from the same spot']]}
        />
      )}
      <div className="form-pair">
        <ReplyText name="note" label="Anything to say" />
        <ReplyText name="name" label="Your name" autoComplete="name" />
      </div>
    </ReplyForm>
  );
}
