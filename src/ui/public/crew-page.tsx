import type { CrewShared } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SharedUpdates } from './shared-updates';

/** What a crew reads: where, when, in which rooms, what must be ready before, who needs the room next. */
export function CrewPage({ view, token }: { view: CrewShared; token: string }) {
  return (
    <main className="letter">
      <p className="soft mb-0">
        {view.firm}, for {view.recipient}
      </p>
      <div className="page-head">
        <h1>{view.title}</h1>
        <span className="push">
          <PrintButton>Print</PrintButton>
        </span>
      </div>
      {view.cautions.length > 0 && (
        <ul className="lines mb-3">
          {view.cautions.map((caution) => (
            <li key={caution.area + caution.text} className="bad">
              <StateIcon kind="hazard" />
              <div className="what">
                <span className="fw-bold">{caution.area}</span>: {caution.text}
              </div>
            </li>
          ))}
        </ul>
      )}
      {view.days.length === 0 && <p>No work is planned for you in the next two weeks.</p>}
      {view.days.map((day) => (
        <section key={day.day}>
          <h2>{formatDay(day.day, view.today)}</h2>
          <ul className="lines">
            {day.works.map((work) => (
              <li key={work.what + work.crew}>
                <StateIcon kind="not-begun" silent />
                <div className="what">
                  <span className="fw-bold">{work.what}</span> <span className="soft">{work.half}</span>
                  <div className="small-text">
                    {work.crew} · {work.job}
                    {work.address && `, ${work.address}`}
                  </div>
                  {work.ready.length > 0 && <div className="small-text soft">before you: {work.ready.join(', ')}</div>}
                  {work.leaves.length > 0 && <div className="small-text soft">after you: {work.leaves.join(', ')}</div>}
                </div>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {view.leftovers.length > 0 && (
        <>
          <h2>Left to do</h2>
          <ul className="lines">
            {view.leftovers.map((left) => (
              <li key={left.area + left.text}>
                <StateIcon kind="waiting" />
                <div className="what">
                  <span className="fw-bold">{left.area}</span>: {left.text}{' '}
                  <span className="soft small-text">{left.trade.toLowerCase()}</span>
                </div>
              </li>
            ))}
          </ul>
        </>
      )}
      <SharedUpdates view={view} token={token} />
      <p className="soft small-text mt-4">
        This page opens until {formatDay(view.expiresOn, view.today)} and always shows the plan of today. Local code and
        your own licence decide how the work is done.
      </p>
    </main>
  );
}
