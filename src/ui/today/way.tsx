import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { DayOutlook, TodayView } from '@/contract/views/today';
import { counted } from '@/core/words/count';
import { Block } from '../kit/page';
import { Phone } from '../kit/phone';
import { WeatherSign } from '../kit/weather-sign';
import { StartWalk } from '../walks/start-walk';

/** Where to go today, in which order and why; whom to call there, and the weather of the next days. */
export function Way({ view }: { view: TodayView }) {
  return (
    <Block
      className="way"
      heading="Walk today"
      beside={
        <Link href={routes.route()} className="push small-text">
          {view.sites.some(({ arrives }) => arrives !== null) ? 'Trips and route' : 'Set out the route'}
        </Link>
      }
    >
      {view.sites.length === 0 && (
        <p className="soft mt-2">Every site was walked lately. The next is due when its work has moved on.</p>
      )}
      <ol className="stops">
        {view.sites.map((site, at) => {
          const call = view.calls.find(({ job, phone }) => job === site.job && phone !== '');
          return (
            <li key={site.job}>
              <span className="number" aria-hidden="true">
                {at + 1}
              </span>
              <div className="what">
                <Link href={routes.rooms(site.job)} className="where">
                  {site.arrives && <span className="time">{site.arrives}</span>} {site.name}
                </Link>
                {site.why.length > 0 && (
                  <div className={`small-text ${site.urgent ? 'bad' : ''}`}>{site.why.slice(0, 2).join(' · ')}</div>
                )}
                <div className="soft small-text">
                  {site.address ? `${site.address} · ` : ''}
                  {site.walked === 'never' ? 'not walked yet' : `last walked ${site.walked}`}
                </div>
                {call && (
                  <div className="small-text">
                    Call <Phone number={call.phone} /> <span className="soft">{call.text}</span>
                  </div>
                )}
              </div>
              <StartWalk job={site.job} openWalk={site.openWalk} small />
            </li>
          );
        })}
      </ol>
      <Outlook days={view.outlook} />
      <OnSite view={view} />
    </Block>
  );
}

const Outlook = ({ days }: { days: DayOutlook[] }) =>
  days.length === 0 ? null : (
    <ol className="outlook-days" aria-label="Weather of the next days">
      {days.map((day) => (
        <li key={day.day} className={day.rain >= 1 ? 'wet' : ''}>
          <span className="day">{day.label.replace(/ [A-Z][a-z]+$/, '')}</span>
          <WeatherSign {...day} />
          <span>{Math.round(day.low)}°</span>
        </li>
      ))}
    </ol>
  );

/** Who is on which site today, folded where there is more than can be taken in at a look. */
function OnSite({ view }: { view: TodayView }) {
  const crews = view.onSite.reduce((sum, row) => sum + new Set([...row.morning, ...row.afternoon]).size, 0);
  return (
    <details className="on-site">
      <summary>
        <span className="fw-bold">On site today</span>{' '}
        <span className="soft">
          {crews === 0
            ? 'nobody is planned'
            : `${counted(crews, 'piece')} of work at ${counted(view.onSite.length, 'site')}`}
        </span>
      </summary>
      {view.onSite.map((row) => (
        <div key={row.job} className="mt-2">
          <Link href={routes.schedule(row.job)} className="fw-bold">
            {row.name}
          </Link>
          <Half name="all day" works={row.morning.filter((work) => row.afternoon.includes(work))} />
          <Half name="morning" works={row.morning.filter((work) => !row.afternoon.includes(work))} />
          <Half name="afternoon" works={row.afternoon.filter((work) => !row.morning.includes(work))} />
        </div>
      ))}
      <Link href={routes.board()} className="small-text">
        whole schedule
      </Link>
    </details>
  );
}

function Half({ name, works }: { name: string; works: string[] }) {
  return works.length === 0 ? null : (
    <div className="small-text d-flex gap-2">
      <span className="soft flex-shrink-0" style={{ width: '4.6rem' }}>
        {name}
      </span>
      <span>
        {works.map((work) => (
          <span key={work} className="d-block">
            {work}
          </span>
        ))}
      </span>
    </div>
  );
}
