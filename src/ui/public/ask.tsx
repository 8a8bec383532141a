'use client';
import { askQuestion } from '@/contract/commands/questions';
import type { SharedView } from '@/contract/views/news';
import { CommandForm, SelectField, TextField } from '../kit/form';
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
      <CommandForm
        key={view.questions.length}
        kind={askQuestion}
        link={token}
        about="question"
        className="my-2 no-print"
        start={() => ({ id: newId(), job: first.id, name: view.recipient, text: '' })}
        submit="Ask"
      >
        {more.length > 0 && (
          <SelectField name="job" label="About" options={view.askAbout.map(({ id, name }) => [id, name])} />
        )}
        <TextField name="text" label="Your question" rows={3} />
        <TextField name="name" label="Your name" autoComplete="name" />
      </CommandForm>
    </section>
  );
}
