'use client';
import { routes } from '@/contract/routes';
import { useState } from 'react';
import { Link } from '../kit/link';
import { sayOutlook } from '@/contract/commands/schedule';
import type { CoordinationView } from '@/contract/views/coordination';
import { LIMITS } from '@/core/schedule/weather';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { SidePanel } from '../kit/side-panel';
import { Folded } from '../kit/folded';
import { WeatherSign } from '../kit/weather-sign';
import { Block, FoldedBlock } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

/**
 * Ten days of outlook, what the plan keeps off because of them, and what the usual weather of later months would take.
 */
export function Weather({ view }: { view: CoordinationView }) {
  const [typing, setTyping] = useState(false);
  return (
    <Block
      heading="Weather"
      beside={
        <LinkButton className="push" onClick={() => setTyping(true)}>
          Type an outlook
        </LinkButton>
      }
    >
      {view.outlook.length === 0 ? (
        <p className="soft mt-2 small-text">No outlook yet: outdoor work is planned as if it stayed dry.</p>
      ) : (
        <>
          <p className="small-text soft mt-2 mb-1">
            Said {view.saidAt}. Work outside stops at {LIMITS.rain} mm of rain in half a day, work at heights at{' '}
            {LIMITS.wind} m/s of wind, wet work below {LIMITS.frost} °C.
          </p>
          <Outlook view={view} />
        </>
      )}
      {view.kept.length > 0 && (
        <>
          <h3 className="mt-3">Moved by it</h3>
          <Folded small of={view.kept} shown={3}>
            {(entry) => (
              <Line
                key={entry.task}
                beside={
                  <Link href={routes.slip(entry.job, { task: entry.task })}>
                    What can be done?<Hidden> {entry.label}</Hidden>
                  </Link>
                }
              >
                <Link href={routes.schedule(entry.job, { task: entry.task })} className="fw-bold">
                  {entry.label}
                </Link>{' '}
                <span className="soft">{entry.jobName}</span>
                <div>{entry.text}</div>
              </Line>
            )}
          </Folded>
        </>
      )}
      {view.expected.length > 0 && (
        <FoldedBlock heading="After the outlook" says="what the usual weather takes, by month">
          <Lines className="small-text">
            {view.expected.map((entry) => (
              <Line key={entry.month}>
                <span className="fw-bold">{entry.month}</span>: {entry.halfDays} half-days of outdoor work; the usual
                weather takes about {entry.lost} of them
              </Line>
            ))}
          </Lines>
        </FoldedBlock>
      )}
      {view.normals.length > 0 && (
        <details className="small-text mt-2">
          <summary className="soft">Usual weather by month</summary>
          <table className="table-lines">
            <thead>
              <tr>
                <th>Month</th>
                <th>Wet days</th>
                <th>Windy</th>
                <th>Frost</th>
              </tr>
            </thead>
            <tbody>
              {view.normals.map((normal) => (
                <tr key={normal.month}>
                  <td>{normal.month}</td>
                  <td>{normal.wet}</td>
                  <td>{normal.windy}</td>
                  <td>{normal.frosty}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
      <WeatherPanel typing={typing} setTyping={setTyping} view={view} />
    </Block>
  );
}

/** Day by day, its morning over its afternoon: a sign, and a figure only where it keeps work off. */
const Outlook = ({ view }: { view: CoordinationView }) => (
  <ol className="outlook" aria-label="The outlook, day by day">
    {view.outlook.map((day) => (
      <li key={day.day}>
        <span className="fw-bold small-text">{formatDay(day.day, view.today)}</span>
        {([0, 1] as const).map((half) => {
          const one = day.halves.find((each) => each.half === half);
          return one ? <HalfDay key={half} half={half} one={one} /> : <span key={half} />;
        })}
      </li>
    ))}
  </ol>
);

function HalfDay({ half, one }: { half: 0 | 1; one: CoordinationView['outlook'][number]['halves'][number] }) {
  const { rain, wind, low, forbids } = one;
  const figures = [
    ...(rain >= LIMITS.rain ? [`${rain} mm`] : []),
    ...(wind >= LIMITS.wind ? [`${wind} m/s`] : []),
    ...(low <= LIMITS.frost ? [`${low} °C`] : []),
  ];
  return (
    <span
      className={forbids.length > 0 ? 'half bad' : 'half'}
      title={`${half === 0 ? 'morning' : 'afternoon'}: ${rain} mm, ${wind} m/s, ${low} °C`}
    >
      <Hidden>{half === 0 ? 'morning' : 'afternoon'}</Hidden>
      <WeatherSign rain={rain} wind={wind} low={low} />
      {figures.map((figure) => (
        <span key={figure} className="mono">
          {figure}
        </span>
      ))}
    </span>
  );
}

/** The outlook as somebody types it. */
function WeatherPanel({
  typing,
  setTyping,
  view,
}: {
  typing: boolean;
  setTyping: (next: boolean) => void;
  view: CoordinationView;
}) {
  return (
    <SidePanel title="Outlook for half a day" open={typing} onClose={() => setTyping(false)}>
      <CommandForm
        kind={sayOutlook}
        submit="Save"
        onDone={() => setTyping(false)}
        start={() => ({ halves: [{ day: view.today, half: 0, rain: 0, wind: 5, low: 8 }] })}
      >
        <div className="form-pair">
          <TextField name="halves.0.day" label="Day" type="date" />
          <SelectField
            name="halves.0.half"
            label="Half"
            options={[
              ['0', 'morning'],
              ['1', 'afternoon'],
            ]}
          />
        </div>
        <div className="form-pair">
          <TextField name="halves.0.rain" label="Rain, mm" type="number" />
          <TextField name="halves.0.wind" label="Wind, m/s" type="number" />
        </div>
        <TextField name="halves.0.low" label="Lowest, °C" type="number" />
      </CommandForm>
    </SidePanel>
  );
}
