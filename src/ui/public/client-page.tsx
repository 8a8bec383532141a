import { sayBy, sayHowFar } from '@/core/words/day';
import { publicRoutes } from '@/contract/routes';
import type { ClientShared } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { StateIcon } from '../kit/state-icon';
import { Pictures } from '../kit/pictures';
import { StatementBody, StatementChanges } from '../kit/statement-body';
import { sayChangeEffect } from '@/core/words/change-effect';
import { AgreeForm, AnswerForm, PickForm, ReplyForm } from './answer-form';
import { ClientList } from './completion-forms';
import { SharedUpdates } from './shared-updates';
import { Sheet } from '../kit/sheet';
import { Line, Lines } from '../kit/lines';
import { formatMoney, type Currency } from '@/core/units/money';

/** What a client reads: the news, what is next, what to decide, when it is over. No word of the trade unexplained. */
export function ClientPage({ view, token }: { view: ClientShared; token: string }) {
  return (
    <main className="letter">
      <p className="soft mb-0">
        {view.firm}, for {view.recipient}
      </p>
      <h1>{view.job.name}</h1>
      <p className="soft">{view.job.address}</p>
      <p className="fs-5 mb-1">
        {Math.round(view.done * 100)} % of the work is done
        {view.finish
          ? `, and we expect to finish on ${formatDay(view.finish, view.today)}, ${sayHowFar(view.finish, view.today)}`
          : ''}
        .
      </p>
      <p className="soft small-text">
        By the hours of work it takes. Much of it is inside walls and floors, where you cannot see it.
      </p>
      {view.changes
        .filter((change) => change.state === 'sent')
        .map((change) => (
          <ChangeAsked key={change.id} change={change} view={view} token={token} />
        ))}
      {view.choices
        .filter((choice) => choice.alternatives.length > 0)
        .map((choice) => (
          <ChoiceAsked key={choice.id} choice={choice} view={view} token={token} />
        ))}
      {view.requests.map((request) => (
        <RequestAsked key={request.id} request={request} view={view} token={token} />
      ))}
      {view.updates.length === 0 && <p>There is no news yet.</p>}
      <SharedUpdates view={view} token={token} />
      {(view.decisions.length > 0 || view.choices.some((choice) => choice.alternatives.length === 0)) && (
        <>
          <h2>What we need from you</h2>
          <Lines>
            {view.choices
              .filter((choice) => choice.alternatives.length === 0)
              .map((choice) => (
                <Line key={choice.id} mark={<StateIcon kind="waiting" />}>
                  Choose: {choice.what}
                  {choice.by && <span className="soft"> {sayBy(choice.by, view.today)}</span>}
                </Line>
              ))}
            {view.decisions.map((decision) => (
              <Line key={decision.text} mark={<StateIcon kind="waiting" />}>
                {decision.text} <span className="soft">{sayBy(decision.by, view.today)}</span>
              </Line>
            ))}
          </Lines>
        </>
      )}
      {view.next.length > 0 && (
        <>
          <h2>What comes next</h2>
          <Lines>
            {view.next.map((next) => (
              <Line
                key={next.when + next.text}
                beside={<span className="soft small-text text-nowrap">{next.when}</span>}
              >
                {next.text}
                {next.means && <div className="small-text soft">{next.means}</div>}
              </Line>
            ))}
          </Lines>
        </>
      )}
      <Household household={view.household} />
      {view.pictures.length > 0 && (
        <>
          <h2>Pictures</h2>
          <Pictures pictures={view.pictures} link={token} />
        </>
      )}
      <ClientList view={view} token={token} />
      {view.statement && <StatementShared statement={view.statement} view={view} token={token} />}
      <ChangesAnswered changes={view.changes.filter((change) => change.answered)} currency={view.currency} />
      <p className="soft small-text mt-4">
        This page opens until {formatDay(view.expiresOn, view.today)}. It is yours: whoever has the link can read it.
        Dates are a plan and move with what is found; structure, gas and electricity are checked by licensed people and
        by the authority.
      </p>
    </main>
  );
}

/** What those who live there are without and when, with the hours on which something is off. */
function Household({ household: { gaps, off } }: { household: ClientShared['household'] }) {
  if (gaps.length + off.length === 0) return null;
  return (
    <>
      <h2>Living in the house</h2>
      <Lines>
        {off.map(({ when, text }) => (
          <Line key={when + text} mark={<StateIcon kind="waiting" />}>
            <span className="fw-bold">{when}</span>: {text}
          </Line>
        ))}
        {gaps.map(({ when, text }) => (
          <Line key={when + text}>
            <span className="fw-bold">{when}</span>: {text}
          </Line>
        ))}
      </Lines>
    </>
  );
}

function ChangesAnswered({ changes, currency }: { changes: ClientShared['changes']; currency: Currency }) {
  const money = (minor: number): string => formatMoney(minor, currency);
  if (changes.length === 0) return null;
  return (
    <>
      <h2>Changes you answered</h2>
      <Lines>
        {changes.map((change) => (
          <Line key={change.id} mark={<StateIcon kind={change.state === 'approved' ? 'done' : 'stop'} />}>
            {change.title} <span className="mono">{money(change.total)}</span>
            <div className="small-text soft">{change.answered}</div>
          </Line>
        ))}
      </Lines>
    </>
  );
}

type Statement = NonNullable<ClientShared['statement']>;

function StatementShared({ statement, view, token }: { statement: Statement; view: ClientShared; token: string }) {
  return (
    <section id="statement">
      <h2>What we agree on, version {statement.number}</h2>
      {statement.agreed ? (
        <p className="good">
          <StateIcon kind="done" silent /> Agreed by {statement.agreed}.{' '}
          <a href={publicRoutes.statement(token)}>As a paper (PDF)</a>
        </p>
      ) : (
        <p>Please read it and agree to it below. Ask us about anything that is not as you expect.</p>
      )}
      {statement.diff && <StatementChanges diff={statement.diff} against={statement.diff.against} />}
      <StatementBody content={statement.content} />
      {!statement.agreed && <AgreeForm token={token} recipient={view.recipient} statement={statement} />}
    </section>
  );
}

function ChoiceAsked({
  choice,
  view,
  token,
}: {
  choice: ClientShared['choices'][number];
  view: ClientShared;
  token: string;
}) {
  return (
    <Sheet className="mb-3">
      <h2 className="mt-0">Which do you choose?</h2>
      <p className="mb-1">
        <span className="fw-bold">{choice.what}</span>
        {choice.by ? `, ${sayBy(choice.by, view.today)}, or it comes later than planned` : ''}.
      </p>
      <PickForm token={token} recipient={view.recipient} choice={choice} />
    </Sheet>
  );
}

function RequestAsked({
  request,
  view,
  token,
}: {
  request: ClientShared['requests'][number];
  view: ClientShared;
  token: string;
}) {
  return (
    <Sheet className="mb-3">
      <h2 className="mt-0">We need your {request.kind === 'approval' ? 'approval' : 'word'}</h2>
      <p className="mb-1">
        <span className="fw-bold">{capital(request.subject)}</span>
        {request.by ? `, ${sayBy(request.by, view.today)}` : ''}.
        {request.waits.length > 0 ? ` Without it this stands still: ${request.waits.join(', ')}.` : ''}
      </p>
      <ReplyForm token={token} recipient={view.recipient} request={request} />
    </Sheet>
  );
}

function ChangeAsked({
  change,
  view,
  token,
}: {
  change: ClientShared['changes'][number];
  view: ClientShared;
  token: string;
}) {
  const money = (minor: number): string => formatMoney(minor, view.currency);
  return (
    <Sheet className="mb-3">
      <h2 className="mt-0">Do you approve this change?</h2>
      <p className="mb-1">
        <span className="fw-bold">{change.title}</span>, {change.places}. {change.why}
      </p>
      <Lines>
        {change.lines.map((line, index) => (
          <Line key={index} beside={line.amount !== null && <span className="mono">{money(line.amount)}</span>}>
            {line.text}
          </Line>
        ))}
      </Lines>
      <p className="mt-2 mb-1">
        {change.total < 0 ? 'It saves' : 'It costs'}{' '}
        <span className="mono fw-bold">{money(Math.abs(change.total))}</span>, everything included
        {change.tax === 0 ? '' : `, ${money(Math.abs(change.tax))} of it tax`}. {sayChangeEffect(change, view.today)}
      </p>
      <AnswerForm token={token} recipient={view.recipient} change={change} />
    </Sheet>
  );
}
