'use client';
import { useState } from 'react';
import { answerQuestion } from '@/contract/commands/questions';
import type { NewsView, OpenQuestion } from '@/contract/views/news';
import { CommandForm, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Block } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { newId } from '../offline/send';

/** What was asked on the pages of this job: answered here, it stands beside the question on theirs. */
export function Questions({ view }: { view: NewsView }) {
  const [answering, setAnswering] = useState<OpenQuestion>();
  if (view.questions.length === 0) return null;
  return (
    <Block heading={<span id="asked">Asked of you</span>}>
      <Lines>
        {view.questions.map((question) => (
          <Line
            key={question.id}
            mark={<StateIcon kind="waiting" silent />}
            beside={
              <LinkButton onClick={() => setAnswering(question)}>
                Answer<Hidden> {question.name}</Hidden>
              </LinkButton>
            }
          >
            <span className="fw-bold">{question.name}</span>{' '}
            <span className="soft small-text">
              {question.audience}, {question.when}
            </span>
            <div className="update-text plain">{question.text}</div>
          </Line>
        ))}
      </Lines>
      <SidePanel
        title={answering ? `Answer ${answering.name}` : ''}
        open={answering !== undefined}
        onClose={() => setAnswering(undefined)}
      >
        {answering && (
          <>
            <p className="update-text plain">{answering.text}</p>
            <CommandForm
              key={answering.id}
              kind={answerQuestion}
              submit="Answer"
              onDone={() => setAnswering(undefined)}
              start={() => ({
                ...{ id: answering.id, version: answering.version, answer: '' },
                ...{ updateId: newId(), messageId: newId() },
              })}
            >
              <TextField name="answer" label="Your answer, as they read it" rows={5} />
            </CommandForm>
          </>
        )}
      </SidePanel>
    </Block>
  );
}
