'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ClientShared } from '@/contract/views/news';
import { ReplyForm, ReplySelect, ReplyText } from './reply-form';
import { StateIcon } from '../kit/state-icon';
import { makeCommand, newId, post } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';

/** The client's own list, and the rooms they accept: at the end of a job, on their page. */
export function ClientList({ view, token }: { view: ClientShared; token: string }) {
  const router = useRouter();
  // The next thing is asked on a form of its own: what was sent is on the list below.
  const [asked, setAsked] = useState(0);
  const [problem, setProblem] = useState<string>();
  if (!view.completion) return null;
  const { areas, items } = view.completion;
  const accept = async (area: string): Promise<void> => {
    const sent = await post(makeCommand('area.accept', { id: newId(), area, name: view.recipient, words: '' }), {
      link: token,
    });
    setProblem(sent.ok ? undefined : sent.problem.title);
    if (sent.ok) router.refresh();
  };
  return (
    <section>
      <h2>What you want put right</h2>
      <ReplyForm
        key={asked}
        type="client.ask"
        link={token}
        about="ask"
        className="my-2 no-print"
        submit="Put it on the list"
        start={() => ({ id: newId(), text: '', name: view.recipient })}
        onDone={() => setAsked(asked + 1)}
      >
        <ReplyText name="text" label="What it is" />
        <div className="form-pair">
          <ReplySelect
            name="area"
            label="Where"
            none="anywhere"
            options={areas.map((area) => [area.id, area.name] as const)}
          />
          <ReplyText name="name" label="Your name" autoComplete="name" />
        </div>
      </ReplyForm>
      <Lines>
        {items.map((item) => (
          <Line key={item.id} mark={<StateIcon kind={item.state === 'asked' ? 'waiting' : 'done'} />}>
            {item.text}
            {item.area && <span className="soft"> · {item.area}</span>}
            <div className="small-text soft">
              {item.state === 'asked'
                ? 'we will look at it'
                : item.state === 'taken up'
                  ? 'it is on our list'
                  : item.answer}
            </div>
          </Line>
        ))}
      </Lines>
      <h2>Rooms that are as you want them</h2>
      {problem && (
        <p className="bad" role="alert">
          {problem}
        </p>
      )}
      <Lines>
        {areas.map((entry) => (
          <Line
            key={entry.id}
            mark={<StateIcon kind={entry.accepted ? 'checked' : 'open'} />}
            beside={
              !entry.accepted && (
                <button
                  type="button"
                  className="btn btn-sm btn-outline-secondary no-print"
                  onClick={() => void accept(entry.id)}
                >
                  Accept<Hidden> {entry.name}</Hidden>
                </button>
              )
            }
          >
            {entry.name}
            {entry.accepted && <div className="small-text soft">{entry.accepted}</div>}
          </Line>
        ))}
      </Lines>
    </section>
  );
}
