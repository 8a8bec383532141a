import { sayBy } from '@/core/words/day';
import { publicRoutes } from '@/contract/routes';
import type { ClientShared } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { StateIcon } from '../kit/state-icon';
import { StatementBody, StatementChanges } from '../kit/statement-body';
import { sayChangeEffect } from '@/core/words/change-effect';
import { AgreeForm, AnswerForm, AnswerRequest, PickForm } from './answer-form';
import { ClientList } from './completion-forms';
import { Ask } from './ask';
import { House } from './house';
import { LetterHead } from './letter-head';
import { SharedUpdates } from './shared-updates';
import { Tour } from './tour';
import { Sheet } from '../kit/sheet';
import { Line, Lines } from '../kit/lines';
import { formatMoney, type Currency } from '@/core/units/money';

/** What a client reads: the news, what is next, what to decide, when it is over. No word of the trade unexplained. */
export function ClientPage({ view, token }: { view: ClientShared; token: string }) {
  return (
    <main className="letter">
      <LetterHead view={view} />
      <h1>{view.job.name}</h1>
      <p className="soft mb-1">{view.job.address}</p>
      <p className="opening">{view.now.opening}</p>
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
      <House house={view.house} />
      <Tour tour={view.tour} link={token} />
      <Points heading="What we found" points={view.now.found} />
      <Points heading="The next two weeks" points={view.now.weeks} after={view.now.ahead} />
      {view.now.meanings.length > 0 && (
        <details className="small-text">
          <summary>What these steps are</summary>
          <dl className="mt-2">
            {view.now.meanings.map(({ word, means }) => (
              <div key={word}>
                <dt>{word}</dt>
                <dd>{means}</dd>
              </div>
            ))}
          </dl>
        </details>
      )}
      {(view.decisions.length > 0 || view.choices.some((choice) => choice.alternatives.length === 0)) && (
        <>
          <h2>What we need from you</h2>
          <Lines>
            {view.choices
              .filter((choice) => choice.alternatives.length === 0)
              .map((choice) => (
                <Line key={choice.id} mark={<StateIcon kind="open" />}>
                  Choose: {choice.what}
                  {choice.by && <span className="soft"> {sayBy(choice.by, view.today)}</span>}
                </Line>
              ))}
            {view.decisions.map((decision) => (
              <Line key={decision.text} mark={<StateIcon kind="open" />}>
                {decision.text} <span className="soft">{sayBy(decision.by, view.today)}</span>
              </Line>
            ))}
          </Lines>
        </>
      )}
      <Household household={view.household} />
      <Ask view={view} token={token} />
      <SharedUpdates view={view} token={token} />
      <ClientList view={view} token={token} />
      {view.completion && (
        <p className="no-print">
          <a className="btn btn-outline-secondary" href={publicRoutes.copy(token)}>
            Your copy to keep: papers and pictures (ZIP)
          </a>
        </p>
      )}
      {view.statement && <StatementShared statement={view.statement} view={view} token={token} />}
      <Receipts receipts={view.receipts} />
      <ChangesAnswered changes={view.changes.filter((change) => change.answered)} currency={view.currency} />
      <p className="soft small-text mt-4">
        This page opens until {formatDay(view.expiresOn, view.today)}. It is yours: whoever has the link can read it.
        Dates are a plan and move with what is found; structure, gas and electricity are checked by licensed people and
        by the authority.
      </p>
    </main>
  );
}

/** Points under a heading, with a sentence beneath. */
function Points({ heading, points, after = '' }: { heading: string; points: readonly string[]; after?: string }) {
  if (points.length === 0) return null;
  return (
    <>
      <h2>{heading}</h2>
      <Lines>
        {points.map((text) => (
          <Line key={text}>{text}</Line>
        ))}
      </Lines>
      {after && <p className="mt-2">{after}</p>}
    </>
  );
}

/** What they settled here stands written, with its day. */
const Receipts = ({ receipts }: { receipts: ClientShared['receipts'] }) =>
  receipts.length > 0 && (
    <>
      <h2>What you settled</h2>
      <Lines>
        {receipts.map(({ key, text, when }) => (
          <Line
            key={key}
            mark={<StateIcon kind="done" silent />}
            beside={<span className="soft small-text text-nowrap">{when}</span>}
          >
            {text}
          </Line>
        ))}
      </Lines>
    </>
  );

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
          <StateIcon kind="checked" silent /> Agreed by {statement.agreed}.{' '}
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
      <AnswerRequest token={token} recipient={view.recipient} request={request} />
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
