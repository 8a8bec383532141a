'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { expectRequest, remindRequest, reopenRequest } from '@/contract/commands/selections';
import type { RequestsView, RequestView } from '@/contract/views/selections';
import { leadWords } from '@/core/selections/lead-words';
import { PARTIES } from '@/core/selections/requests';
import { formatDay, type Day } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { AttachmentLines } from '../attachments/attachments';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, TextField } from '../kit/form';
import { StateIcon, type StateIconKind } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { useSend } from '../kit/use-send';
import { AnswerRequest, AskClient, AskParty, RequestForm, SendRequest } from './request-forms';
import { byWords } from './due-words';
import { SelectionTabs } from './selection-tabs';
import { History } from './history';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';
import { mailTo } from '../kit/mail';

type Open = { form: 'new' } | { form: 'change' | 'send' | 'ask' | 'answer' | 'expect'; request: RequestView };
const TITLES: Record<Open['form'], string> = {
  new: 'What is asked for',
  change: 'Change it',
  send: 'It was sent',
  ask: 'Ask the client',
  answer: 'The answer',
  expect: 'The day they named',
};
const markOf = (request: RequestView): StateIconKind =>
  request.standing === 'answered'
    ? 'done'
    : request.standing === 'refused' || request.late
      ? 'stop'
      : request.standing === 'sent'
        ? 'under-way'
        : 'waiting';

/**
 * Approvals, answers and drawings as their own chain: what was asked of whom, what comes first, and what stands still
 * without it.
 */
export function Requests({ view }: { view: RequestsView }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const waiting = view.requests.filter((request) => request.standing !== 'answered');
  const late = waiting.filter((request) => request.late).length;
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.request">Approvals and answers</Means>}>
          <span className={late > 0 ? 'bad' : 'soft'}>
            {waiting.length === 0
              ? 'nothing is waited for'
              : `${waiting.length} open${late > 0 ? `, ${late} late for what waits` : ''}`}
          </span>
          <span className="push no-print">
            <Button onClick={() => setOpen({ form: 'new' })}>New approval or question</Button>
          </span>
        </PageHead>
        {view.requests.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nothing is asked for. Write down what must be granted before an order goes out, and what the designer, the
              engineer, the client or we ourselves owe: by when it must be asked follows from the plan.
            </p>
          </Empty>
        )}
        {view.requests.map((request) => (
          <Item key={request.id} request={request} job={view.job.id} today={view.today} onOpen={setOpen} />
        ))}
        <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
          {open?.form === 'new' && <RequestForm view={view} onDone={close} />}
          {open?.form === 'change' && <RequestForm view={view} request={open.request} onDone={close} />}
          {open?.form === 'send' && <SendRequest request={open.request} today={view.today} onDone={close} />}
          {open?.form === 'ask' &&
            (open.request.party === 'client' ? (
              <AskClient view={view} request={open.request} onDone={close} />
            ) : (
              <AskParty view={view} request={open.request} onDone={close} />
            ))}
          {open?.form === 'answer' && <AnswerRequest request={open.request} today={view.today} onDone={close} />}
          {open?.form === 'expect' && (
            <CommandForm
              kind={expectRequest}
              submit="Save"
              onDone={close}
              start={() => ({ id: open.request.id, version: open.request.version, expectedOn: open.request.expected })}
            >
              <TextField name="expectedOn" label="They answer on" type="date" />
            </CommandForm>
          )}
        </SidePanel>
      </div>
    </>
  );
}

function Item({
  request,
  job,
  today,
  onOpen,
}: {
  request: RequestView;
  job: string;
  today: Day;
  onOpen: (open: Open) => void;
}) {
  const { standing } = request;
  const may: May = (form) => () => onOpen({ form, request });
  return (
    <article className="request" id={request.id}>
      <BlockHead
        heading={
          <>
            <StateIcon kind={markOf(request)} silent /> {capital(request.subject)}
          </>
        }
      >
        <span className="soft small-text">
          {request.kind} {request.kind === 'approval' ? 'by' : 'of'} {PARTIES[request.party]}
          {request.who ? `, ${request.who}` : ''}
        </span>
        <NextSteps request={request} may={may} />
      </BlockHead>
      <p className={`mb-1 mt-2 ${request.late || standing === 'refused' ? 'bad' : ''}`}>
        {standingWords(request, today)}
      </p>
      {request.conditions && (
        <p className={`mb-1 ${standing === 'refused' ? 'bad' : 'soon'}`}>
          {request.outcome === 'conditions' ? 'On condition: ' : ''}
          {request.conditions}
        </p>
      )}
      {request.waits.length > 0 && (
        <p className="mb-1">
          <span className="soft">Waits for it: </span>
          {request.waits.map((wait, index) => (
            <span key={`${wait.href}${wait.text}`}>
              {index > 0 && ', '}
              <Link href={wait.href}>{wait.text}</Link>
              {wait.by && standing !== 'answered' && <span className="soft"> {byWords(wait.by, today)}</span>}
            </span>
          ))}
        </p>
      )}
      <Besides request={request} today={today} may={may} />
      <details className="mt-1">
        <summary className="small-text">
          Drawings and papers that go with it{request.attachments.length > 0 && `, ${request.attachments.length}`}
        </summary>
        <AttachmentLines of={{ job, request: request.id, name: request.subject }} papers={request.attachments} />
      </details>
      <details className="mt-1">
        <summary className="small-text">What happened</summary>
        <History lines={request.history} />
      </details>
    </article>
  );
}

type May = (form: Exclude<Open['form'], 'new'>) => () => void;

/** What is most likely done with it next. */
function NextSteps({ request, may }: { request: RequestView; may: May }) {
  const { standing } = request;
  const client = request.party === 'client';
  const toSend = standing === 'to send' || standing === 'refused';
  return (
    <span className="push d-flex gap-3 no-print">
      {toSend && request.party !== 'us' && (
        <Button size="sm" onClick={may('ask')}>
          {client ? 'Ask on their page' : 'Ask on a page'}
          <Hidden>: {request.subject}</Hidden>
        </Button>
      )}
      {toSend && (
        <Button size="sm" variant={request.party === 'us' ? 'primary' : 'outline-secondary'} onClick={may('send')}>
          {standing === 'refused' ? 'It was sent again' : 'It was sent'}
          <Hidden>: {request.subject}</Hidden>
        </Button>
      )}
      {standing !== 'answered' && standing !== 'waits for another' && (
        <Button size="sm" variant={standing === 'sent' ? 'primary' : 'outline-secondary'} onClick={may('answer')}>
          {request.kind === 'approval' ? 'They answered' : 'It is here'}
          <Hidden>: {request.subject}</Hidden>
        </Button>
      )}
    </span>
  );
}

/** What can be done with it besides. */
function Besides({ request, today, may }: { request: RequestView; today: Day; may: May }) {
  const { give, busy } = useSend();
  const take = useRemove();
  const day = (value: Day): string => formatDay(value, today);
  const { id, version, standing } = request;
  return (
    <div className="d-flex gap-3 small-text no-print">
      {standing === 'sent' && request.party !== 'client' && request.party !== 'us' && (
        <LinkButton onClick={may('ask')}>
          Give them a page<Hidden> of {request.subject}</Hidden>
        </LinkButton>
      )}
      {standing === 'sent' && (
        <LinkButton onClick={may('expect')}>
          They named a day<Hidden> for {request.subject}</Hidden>
        </LinkButton>
      )}
      {standing === 'sent' && (
        <LinkButton
          disabled={busy}
          onClick={() => void give(remindRequest, { id, version }, { text: 'Reminded today.' })}
        >
          I reminded them<Hidden> of {request.subject}</Hidden>
        </LinkButton>
      )}
      {standing === 'sent' && (
        <a href={mailTo({ subject: request.subject, body: reminder(request, day) })}>
          Write a reminder<Hidden> about {request.subject}</Hidden>
        </a>
      )}
      {request.outcome && (
        <LinkButton
          disabled={busy}
          onClick={() => void give(reopenRequest, { id, version }, { text: 'It is open again.' })}
        >
          Take the answer back<Hidden> of {request.subject}</Hidden>
        </LinkButton>
      )}
      <LinkButton onClick={may('change')}>
        Change<Hidden> {request.subject}</Hidden>
      </LinkButton>
      <LinkButton onClick={() => take('request', id, request.subject)}>
        Remove<Hidden> {request.subject}</Hidden>
      </LinkButton>
    </div>
  );
}

function standingWords(request: RequestView, today: Day): string {
  const day = (value: Day): string => formatDay(value, today);
  const need = request.neededBy ? `needed ${byWords(request.neededBy, today)}` : 'nothing planned waits for it';
  const takes = `takes ${leadWords(request.takesLow, request.takesHigh)}`;
  switch (request.standing) {
    case 'answered':
      return (
        `${request.kind === 'approval' ? 'Granted' : 'Here'}${request.answeredBy ? ` by ${request.answeredBy}` : ''}, ` +
        `${day(request.expected)}.`
      );
    case 'sent': {
      const named = request.named ? `on ${day(request.named)}` : 'by now';
      const answer = request.overdue
        ? `They should have answered ${named}; ask after it`
        : `Expected ${day(request.expected)}`;
      const reminded = request.remindedOn ? `, reminded ${day(request.remindedOn)}` : '';
      return `Sent ${request.sentOn ? day(request.sentOn) : ''}: ${request.sent}. ${answer}, ${need}${reminded}.`;
    }
    case 'refused':
      return `Not granted. What waits for it stands still until it is asked anew; it ${takes}, ${need}.`;
    case 'waits for another':
      return (
        `Not sent: it comes after ${request.afterText ?? 'another'}. It ${takes}, so ${day(request.expected)} at ` +
        `the earliest, ${need}.`
      );
    default:
      return (
        `Not sent. ${request.sendBy ? `To be sent ${byWords(request.sendBy, today)}` : 'To be sent'}: it ${takes}, ` +
        `${need}.`
      );
  }
}

function reminder(request: RequestView, day: (value: Day) => string): string {
  const by = request.neededBy ? ` by ${day(request.neededBy)}` : '';
  const waits = request.waits.map((wait) => wait.text).join(', ');
  return [
    `On ${request.sentOn ? day(request.sentOn) : ''} we sent you: ${request.sent}.`,
    `We need your ${request.kind} on “${request.subject}”${by}.${waits ? ` Without it this stands still: ${waits}.` : ''}`,
    'Please tell us on which day we can count on it.',
  ].join('\n');
}
