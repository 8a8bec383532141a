import type { ClientShared } from '@/contract/views/updates';
import { formatDay } from '@/core/units/day';
import { Mark } from '../kit/mark';
import { Pictures } from '../kit/pictures';
import { SharedUpdates } from './shared-updates';

/** What a client reads: the news, what is next, what to decide, when it is over. No word of the trade unexplained. */
export function ClientPage({ view, token }: { view: ClientShared; token: string }) {
  return (
    <main className="letter">
      <p className="soft mb-0">{view.firm}, for {view.recipient}</p>
      <h1>{view.job.name}</h1>
      <p className="soft">{view.job.address}</p>
      <p className="fs-5 mb-1">{Math.round(view.done * 100)} % of the work is done{view.finish ? `, and we expect to finish on ${formatDay(view.finish, view.today)}` : ''}.</p>
      <p className="soft small-text">By the hours of work it takes. Much of it is inside walls and floors, where you cannot see it.</p>
      {view.updates.length === 0 && <p>There is no news yet.</p>}
      <SharedUpdates view={view} token={token} />
      {view.decisions.length > 0 && <><h2>What we need from you</h2><ul className="lines">{view.decisions.map((decision) => <li key={decision.text}><Mark kind="waiting" /><div className="what">{decision.text} <span className="soft">by {formatDay(decision.by, view.today)}</span></div></li>)}</ul></>}
      {view.next.length > 0 && <><h2>What comes next</h2><ul className="lines">{view.next.map((next) => <li key={next.when + next.text}><div className="what">{next.text}</div><span className="soft small-text text-nowrap">{next.when}</span></li>)}</ul></>}
      {view.pictures.length > 0 && <><h2>Pictures</h2><Pictures pictures={view.pictures} from={`/s/${token}/pictures`} /></>}
      <p className="soft small-text mt-4">This page opens until {formatDay(view.expiresOn, view.today)}. It is yours: whoever has the link can read it. Dates are a plan and move with what is found; structure, gas and electricity are checked by licensed people and by the authority.</p>
    </main>
  );
}
