'use client';
import type { SharedView } from '@/contract/views/news';
import { ReplyForm, ReplySelect, ReplyText } from './reply-form';
import { Line, Lines } from '../kit/lines';
import { newId } from '../offline/send';

/** What was asked on this page and what was answered, and one more question. */
export function Ask({ view, token }: { view: SharedView; token: string }) {
  const [first, ...more] = view.askAbout;
  if (!first) return null;
  return (
    <section id="ask" aria-label="Ask us">
      <h2>Ask us</h2>
      <Lines>
        {view.questions.map(({ id, name, text, when, answer, answered }) => (
          <Line key={id}>
            <span className="fw-bold">{name}</span> <span className="soft small-text">{when}</span>
            <div className="update-text plain">{text}</div>
            {answered ? (
              <div className="mt-1">
                <span className="fw-bold">{answered}</span>
                <div className="update-text plain">{answer}</div>
              </div>
            ) : (
              <div className="soft small-text">We have it, and answer here.</div>
            )}
          </Line>
        ))}
      </Lines>
      <ReplyForm
        key={view.questions.length}
        type="question.ask"
        link={token}
        about="question"
        className="my-2 no-print"
        start={() => ({ id: newId(), job: first.id, name: view.recipient, text: '' })}
        submit={view.audience === 'neighbour' ? 'Send' : 'Ask'}
      >
        {more.length > 0 && (
          <ReplySelect name="job" label="About" options={view.askAbout.map(({ id, name }) => [id, name])} />
        )}
        <ReplyText
          name="text"
          label={view.audience === 'neighbour' ? 'Your question, or what you wish' : 'Your question'}
          rows={3}
        />
        <ReplyText name="name" label="Your name" autoComplete="name" />
      </ReplyForm>
    </section>
  );
}
