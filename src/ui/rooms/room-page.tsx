'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { RoomView } from '@/contract/views/job';
import { TRADES } from '@/core/sequence/trades';
import { followsWords, orderWords, stateWords } from '@/core/selections/states';
import { workFacts } from '@/core/sequence/works';
import { FINDING_KINDS } from '@/core/scope/finding';
import { AREA_KINDS } from '@/core/sites/area';
import { formatDay } from '@/core/units/day';
import { Attachments } from '../attachments/attachments';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { Pictures } from '../kit/pictures';
import { PrintButton } from '../kit/print-button';
import { InclusionIcon } from '../kit/inclusion-icon';
import { AssumptionLine } from '../scope/assumption-line';
import { Extras } from '../scope/assumptions';
import { AreaForms } from '../sites/area-forms';
import { StartWalk } from '../walks/start-walk';
import { KIND_WORDS } from '@/core/walks/record-words';
import { Compare } from '../pictures/compare';
import { Conflicts } from './conflicts';
import { WideLadder } from './wide-ladder';
import { Block, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { PastLinks } from '../kit/past-links';

/** The clipboard of one area. */
export function RoomPage({ view }: { view: RoomView }) {
  const { area, job } = view;
  const cautions = view.remarks.filter((remark) => remark.kind === 'caution');
  const rest = view.remarks.filter((remark) => remark.kind !== 'caution');
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <p className="mb-1 small-text">
          <Link href={routes.rooms(job.id)} className="soft">
            {job.name}
          </Link>{' '}
          <span className="soft">· {area.level ?? AREA_KINDS[area.kind]}</span>
        </p>
        <PageHead heading={area.name}>
          <span className="soft">
            {area.caption} · {area.works.map((work) => workFacts(work).label).join(', ')}
          </span>
          <span className="push actions no-print">
            <StartWalk job={job.id} openWalk={job.openWalk} />
            <Link className="btn btn-outline-secondary" href={routes.layout(job.id, area.id)}>
              {view.drawn ? 'To scale' : 'Draw it'}
            </Link>
            <a className="btn btn-outline-secondary" href={api.areaFile(view.area.id, 'sheet.pdf')}>
              Room sheet
            </a>
            <PrintButton>Print page</PrintButton>
            <AreaForms view={view} />
          </span>
        </PageHead>
        {cautions.map((caution) => (
          <div key={caution.id} className="notice bad">
            <StateIcon kind="hazard" />
            <div>
              {caution.text}{' '}
              <span className="soft small-text">
                {caution.by}, {caution.when}
              </span>
            </div>
          </div>
        ))}
        <div className="main-and-aside room">
          <div>
            <Block
              heading={<Means of="mark.front">How far</Means>}
              beside={<span className="push small-text soft">first step at the foot</span>}
            >
              <WideLadder view={view} />
            </Block>
            <Seen view={view} />
          </div>
          <div>
            <OpenItems view={view} />
            <Chosen view={view} />
            <Agreed view={view} />
            <Believed view={view} />
            {view.extras.length > 0 && <Extras extras={view.extras} />}
            {view.walls && <InTheWalls view={view} walls={view.walls} />}
            <Quantities view={view} />
            {view.conflicts.length > 0 && <Conflicts view={view} />}
            {rest.length > 0 && (
              <Block heading="Measures and notes">
                <Lines>
                  {rest.map((remark) => (
                    <li key={remark.id}>
                      <div className={`what ${remark.kind === 'measurement' ? 'mono' : ''}`}>
                        {remark.kind !== 'note' && remark.kind !== 'measurement' && (
                          <span className="soft small-text">{KIND_WORDS[remark.kind]} </span>
                        )}
                        {remark.text}
                      </div>
                      <span className="soft small-text">
                        {remark.by}, {remark.when}
                      </span>
                    </li>
                  ))}
                </Lines>
              </Block>
            )}
            <Attachments of={{ job: job.id, area: area.id, name: area.name }} papers={view.attachments} />
            <PastLinks past={view.past} page={routes.room(job.id, area.id)} />
          </div>
        </div>
      </div>
    </>
  );
}

/** How it looks: what was taken from the same spot laid over each other, and the other pictures, a few of them. */
const Seen = ({ view }: { view: RoomView }) => (
  <div className="seen">
    {view.pictures.length > 0 && (
      <Block heading="Pictures">
        <Pictures pictures={view.pictures} shown={PICTURES_SHOWN} />
      </Block>
    )}
    {view.standpoints.length > 0 && (
      <Block heading="From the same spot">
        {view.standpoints.map((spot) => (
          <Compare key={spot.id} spot={spot} />
        ))}
      </Block>
    )}
  </div>
);

/** Pictures that are shown before one asks for more: a row of them. */
const PICTURES_SHOWN = 4;

function InTheWalls({ view, walls }: { view: RoomView; walls: NonNullable<RoomView['walls']> }) {
  return (
    <Block
      heading={<Means of="word.check-before-cover">Inside the walls</Means>}
      beside={
        <Link href={routes.walls(view.job.id, view.area.id)} className="push small-text">
          check and record
        </Link>
      }
    >
      <p className="mt-2 mb-0">
        <StateIcon kind={walls.closed ? 'checked' : 'open'} silent />{' '}
        {walls.closed ? 'Closed.' : `${walls.open} of ${walls.lines} checks left before the walls are closed.`}{' '}
        {walls.things > 0 && `${walls.things} ${walls.things === 1 ? 'thing' : 'things'} recorded with their place.`}
      </p>
    </Block>
  );
}

function OpenItems({ view }: { view: RoomView }) {
  return (
    <Block heading={<Means of="word.remaining">Still to do</Means>}>
      {view.open.length === 0 && <p className="soft mt-2">Nothing was left open on the last walks.</p>}
      <Lines>
        {view.open.map((item) => (
          <Line key={item.id} mark={<StateIcon kind={item.worse ? 'stop' : 'open'} />}>
            {item.text}
            <div className="small-text soft">
              {TRADES[item.trade].toLowerCase()}, since {item.since}
              {item.putOff > 0 ? `, found open ${item.putOff + 1} times` : ''}
              {item.worse ? ', and it got worse' : ''}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Chosen({ view }: { view: RoomView }) {
  if (view.selections.length === 0) return null;
  return (
    <Block
      heading="Chosen for it"
      beside={
        <Link href={routes.selections(view.job.id)} className="push small-text">
          all selections
        </Link>
      }
    >
      <Lines>
        {view.selections.map((item) => (
          <Line
            key={item.id}
            mark={
              <StateIcon
                kind={
                  item.found && item.found.verdict !== 'right'
                    ? 'stop'
                    : item.due.what === 'settled'
                      ? 'done'
                      : 'waiting'
                }
              />
            }
          >
            <Link href={routes.selection(view.job.id, item.id)} className="fw-bold">
              {item.category}
            </Link>{' '}
            {orderWords({ ...item, code: '' }) || <span className="soft">not chosen yet</span>}{' '}
            {item.code && <span className="mono">{item.code}</span>}
            <div className="small-text soft">
              {item.follows ? `${followsWords(item.follows.as, item.state)}, ` : ''}
              {stateWords(item)}
              {item.keptAt && item.due.what === 'settled' ? `, kept ${item.keptAt}` : ''}
              {item.needBy && item.due.what !== 'settled' ? `, needed ${formatDay(item.needBy, view.today)}` : ''}
            </div>
            {item.found && (
              <div className={`small-text ${item.found.verdict === 'right' ? 'good' : 'bad'}`}>
                on site: {item.found.text}
              </div>
            )}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Agreed({ view }: { view: RoomView }) {
  if (view.scope.length + view.findings.length === 0) return null;
  return (
    <Block
      heading={<Means of="word.scope">Scope</Means>}
      beside={
        <Link href={routes.scope(view.job.id)} className="push small-text">
          whole scope
        </Link>
      }
    >
      <Lines>
        {view.scope.map((line) => (
          <Line
            key={line.id}
            beside={
              <span className="small-text">
                <InclusionIcon stance={line.stance} />
              </span>
            }
          >
            {line.verb} {line.subject}
            {line.quantity ? `, ${line.quantity} ${line.unit ?? ''}` : ''}
            {line.dependsOn && <div className="small-text soft">depends on {line.dependsOn}</div>}
          </Line>
        ))}
        {view.findings.map((finding) => (
          <Line key={finding.id} mark={<StateIcon kind={finding.gap ? 'open' : 'checked'} silent />}>
            <span className="soft small-text">{FINDING_KINDS[finding.kind].label}</span> {finding.text}
            {finding.gap && <div className="small-text soon">{finding.gap}</div>}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Believed({ view }: { view: RoomView }) {
  if (view.assumptions.length === 0) return null;
  return (
    <Block
      heading={<Means of="word.assumption">Assumptions</Means>}
      beside={
        <Link href={routes.assumptions(view.job.id)} className="push small-text">
          all assumptions
        </Link>
      }
    >
      <Lines>
        {view.assumptions.map((assumption) => (
          <AssumptionLine key={assumption.id} assumption={assumption} today={view.today} />
        ))}
      </Lines>
    </Block>
  );
}

function Quantities({ view }: { view: RoomView }) {
  if (view.quantities.length === 0) return null;
  return (
    <Block
      heading="Quantities"
      beside={
        <Link href={routes.materials(view.job.id)} className="push small-text">
          all materials
        </Link>
      }
    >
      <Lines>
        {view.quantities.map((quantity) => (
          <Line key={quantity.id} mark={<StateIcon kind={quantity.problem ? 'stop' : 'checked'} silent />}>
            <Link href={routes.calculator(quantity.calculator, { kept: quantity.id })}>
              {quantity.product || quantity.title}
            </Link>
            : {quantity.problem ?? quantity.answer}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
