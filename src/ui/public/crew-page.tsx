import { OwnLine } from './own-line';
import { publicRoutes } from '@/contract/routes';
import type { CrewShared } from '@/contract/views/news';
import { briefWarning, type SiteChoice } from '@/core/scope/brief';
import { formatDay } from '@/core/units/day';
import { BriefLines } from '../scope/brief';
import { Ask } from './ask';
import { CanYouCome } from './can-you-come';
import { SayDone } from './say-done';
import { ChooseOnSite } from './choose-on-site';
import { LetterHead } from './letter-head';
import { Hidden } from '../kit/hidden';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SharedUpdates } from './shared-updates';
import { PageHead } from '../kit/page';
import { SharedPapers } from '../attachments/shared-papers';
import { Line, Lines } from '../kit/lines';

/** What a crew reads: where, when, in which rooms, what must be ready before, who needs the room next. */
export function CrewPage({ view, token, own = false }: { view: CrewShared; token: string; own?: boolean }) {
  return (
    <main className="letter">
      <LetterHead view={view} />
      <PageHead heading={view.title}>
        <span className="push">
          <PrintButton>Print</PrintButton>
        </span>
      </PageHead>
      {view.cautions.length > 0 && (
        <Lines className="mb-3">
          {view.cautions.map((caution) => (
            <Line key={caution.area + caution.text} className="bad" mark={<StateIcon kind="hazard" />}>
              <span className="fw-bold">{caution.area}</span>: {caution.text}
            </Line>
          ))}
        </Lines>
      )}
      {view.tonight.length > 0 && (
        <section>
          <h2>Not to be touched tonight</h2>
          <Lines>
            {view.tonight.map(({ key, text }) => (
              <Line key={key} mark={<StateIcon kind="stop" silent />}>
                {text}
              </Line>
            ))}
          </Lines>
        </section>
      )}
      <Licences days={view.days} />
      <CanYouCome visits={view.visits} token={token} recipient={view.recipient} />
      <SayDone begun={view.begun} token={token} recipient={view.recipient} />
      {view.days.length > 0 && view.rooms.length + view.around.length > 0 && (
        <p className="no-print">
          <a href="#agreed">What is agreed, room by room</a>
        </p>
      )}
      {view.days.length === 0 && <p>No work is planned for you in the next two weeks.</p>}
      {view.days.map((day) => (
        <section key={day.day}>
          <h2>{formatDay(day.day, view.today)}</h2>
          <Lines>
            {day.works.map((work) => (
              <Line key={work.what + work.crew} mark={<StateIcon kind="not-begun" silent />}>
                <span className="fw-bold">{work.what}</span> <span className="soft">{work.half}</span>
                <div className="small-text">
                  {work.crew} · {work.job}
                  {work.address && `, ${work.address}`}
                </div>
                {work.ready.length > 0 && <div className="small-text soft">before you: {work.ready.join(', ')}</div>}
                {work.licence?.missing && <div className="small-text bad">{work.licence.words}</div>}
                {work.leaves.length > 0 && <div className="small-text soft">after you: {work.leaves.join(', ')}</div>}
              </Line>
            ))}
          </Lines>
        </section>
      ))}
      <Agreed view={view} token={token} />
      {view.there.length > 0 && (
        <>
          <h2>What stands where</h2>
          <Lines>
            {view.there.map((thing) => (
              <Line key={thing.key}>
                <span className="fw-bold">{thing.what}</span>: {thing.text}{' '}
                <span className="soft small-text">{thing.job}</span>
              </Line>
            ))}
          </Lines>
        </>
      )}
      {view.leftovers.length > 0 && (
        <>
          <h2>Left to do</h2>
          <Lines>
            {view.leftovers.map((left) => (
              <Line key={left.area + left.text} mark={<StateIcon kind="open" />}>
                <span className="fw-bold">{left.area}</span>: {left.text}{' '}
                <span className="soft small-text">{left.trade.toLowerCase()}</span>
              </Line>
            ))}
          </Lines>
        </>
      )}
      <Ask view={view} token={token} />
      <SharedUpdates view={view} token={token} />
      {own && <OwnLine name={view.recipient} />}
      <p className="soft small-text mt-4">
        {own ? 'This page' : `This page opens until ${formatDay(view.expiresOn, view.today)} and`} always shows the plan
        of today. Local code and your own licence decide how the work is done.
      </p>
    </main>
  );
}

/** Whoever comes for work that needs a licence, each once. */
function Licences({ days }: Pick<CrewShared, 'days'>) {
  const held = days.flatMap(({ works }) =>
    works.flatMap(({ crew, licence }) => (licence && !licence.missing ? [`${crew}: ${licence.words}`] : [])),
  );
  if (held.length === 0) return null;
  return (
    <section>
      <h2>Licences needed</h2>
      <Lines>
        {[...new Set(held)].map((text) => (
          <Line key={text}>{text}</Line>
        ))}
      </Lines>
    </section>
  );
}

/** What is agreed where they work: room by room, those of the next days open, the others folded. */
function Agreed({ view, token }: { view: CrewShared; token: string }) {
  const several = new Set(view.rooms.map((room) => room.job)).size > 1;
  const choose = (choice: SiteChoice) => <ChooseOnSite token={token} recipient={view.recipient} choice={choice} />;
  if (view.rooms.length + view.around.length === 0) return null;
  return (
    <section id="agreed" aria-label="What is agreed">
      <h2>What is agreed</h2>
      {view.around.map(({ job, brief, papers }) => (
        <details key={job} className="brief-room" open>
          <summary>On the whole site{view.around.length > 1 ? `, ${job}` : ''}</summary>
          <BriefLines brief={brief} link={token} choose={choose} />
          <SharedPapers papers={papers} token={token} />
        </details>
      ))}
      {view.rooms.map((room) => (
        <details key={room.area} className="brief-room" open={room.soon}>
          <summary>
            {room.name}
            {several && <span className="soft small-text">{room.job}</span>}
            <span className="push small-text soon">{briefWarning(room.brief)}</span>
          </summary>
          <BriefLines brief={room.brief} link={token} choose={choose} />
          <SharedPapers papers={room.papers} token={token} />
          <p className="small-text mb-0">
            <a href={publicRoutes.sheet(token, room.area)}>
              Sheet of the room with its drawings (PDF)<Hidden>: {room.name}</Hidden>
            </a>
          </p>
        </details>
      ))}
    </section>
  );
}
