'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { keepRoute, setSpot, setTravel } from '@/contract/commands/route';
import { pinTrip } from '@/contract/commands/schedule';
import type { RoutePlace, RouteStop, RouteView } from '@/contract/views/route';
import { formatTime } from '@/core/units/date-words';
import { counted } from '@/core/words/count';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { useSend } from '../kit/use-send';

/** The order of a day's stops, and one trip for what is left. */
export function RoutePage({ view }: { view: RouteView }) {
  return (
    <div className="page">
      <PageHead heading="Trips and route">
        <span className="soft">{view.label}</span>
      </PageHead>
      <div className="columns">
        <div>
          <Order view={view} />
          <Guesses view={view} />
          <Spots view={view} />
        </div>
        <Stops view={view} key={JSON.stringify(view.stops)} />
      </div>
      <Trips view={view} />
    </div>
  );
}

function Order({ view }: { view: RouteView }) {
  return (
    <Block heading="In this order">
      {view.route.length === 0 && view.missed.length === 0 && (
        <p className="soft mt-2">Tick where you go today; the quickest order is worked out for you.</p>
      )}
      <Lines>
        {view.route.map(({ place, name, arrives, begins, leaves, travels, guessed }) => (
          <Line key={place} beside={<span className="mono">{leaves}</span>}>
            <span className="mono">{begins}</span> <span className="fw-bold">{name}</span>{' '}
            <span className="soft small-text">
              {guessed ? 'about ' : ''}
              {counted(travels, 'minute')} on the way
              {arrives !== begins && `, there at ${arrives}`}
            </span>
          </Line>
        ))}
      </Lines>
      {view.missed.map(({ name, why }) => (
        <Notice bad key={name}>
          {name}: {why}.
        </Notice>
      ))}
      {view.route.length > 0 && (
        <p className="soft small-text mt-2">
          From the yard at {formatTime(view.starts)}; over at {view.ends}, {counted(view.travels, 'minute')} on the way.
          No other order of these stops is quicker.
        </p>
      )}
    </Block>
  );
}

/** The stops as they are typed, kept together. */
function Stops({ view }: { view: RouteView }) {
  const [stops, setStops] = useState<readonly RouteStop[]>(view.stops);
  const [starts, setStarts] = useState(view.starts);
  const { busy, give } = useSend();
  const of = (id: string): RouteStop | undefined => stops.find(({ place }) => place === id);
  const change = (place: string, over: Partial<RouteStop>): void =>
    setStops(stops.map((stop) => (stop.place === place ? { ...stop, ...over } : stop)));
  const tick = ({ id, name, from, until }: RoutePlace, on: boolean): void =>
    setStops(on ? [...stops, { place: id, name, stays: 30, from, until }] : stops.filter(({ place }) => place !== id));
  return (
    <Block heading="Where to">
      <Form.Group controlId="starts" className="mb-2 mt-2">
        <Form.Label>Start from the yard at</Form.Label>
        <Form.Control type="time" value={starts} onChange={({ target }) => setStarts(target.value)} className="time" />
      </Form.Group>
      <Lines>
        {view.places.slice(1).map((place) => {
          const stop = of(place.id);
          return (
            <Line key={place.id}>
              <Form.Check
                id={`go-${place.id}`}
                checked={stop !== undefined}
                onChange={({ target }) => tick(place, target.checked)}
                label={
                  <>
                    {place.name} <span className="soft small-text">{place.why.join(', ')}</span>
                  </>
                }
              />
              {stop && <StopFields stop={stop} change={(over) => change(place.id, over)} />}
            </Line>
          );
        })}
      </Lines>
      <p className="mt-2">
        <Button
          disabled={busy}
          onClick={() =>
            void give(
              keepRoute,
              { day: view.day, starts, stops: stops.map(({ name: _, ...stop }) => stop) },
              { text: 'The route is kept.' },
            )
          }
        >
          Find the best order
        </Button>
      </p>
    </Block>
  );
}

function StopFields({ stop, change }: { stop: RouteStop; change: (over: Partial<RouteStop>) => void }) {
  const field = (label: string, type: 'number' | 'time', value: string | number, take: (text: string) => void) => (
    <Form.Group controlId={`${label} ${stop.place}`}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Control
        size="sm"
        type={type}
        {...(type === 'number' ? { min: 1, max: 600 } : {})}
        value={value}
        onChange={({ target }) => take(target.value)}
      />
    </Form.Group>
  );
  return (
    <div className="stop-fields small-text">
      {field('Minutes there', 'number', stop.stays, (text) => change({ stays: Number(text) }))}
      {field('Not before', 'time', stop.from, (from) => change({ from }))}
      {field('Not after', 'time', stop.until, (until) => change({ until }))}
    </div>
  );
}

/** Ways whose minutes nobody has said. */
function Guesses({ view }: { view: RouteView }) {
  const { busy, give } = useSend();
  if (view.guesses.length === 0) return null;
  return (
    <details className="small-text mt-3">
      <summary>{counted(view.guesses.length, 'way is', 'ways are')} guessed; say how long they take</summary>
      <Lines className="small-text">
        {view.guesses.map(({ one, other, name, minutes }) => (
          <Line key={name}>
            <label className="way">
              {name}{' '}
              <Form.Control
                size="sm"
                type="number"
                min={0}
                max={600}
                defaultValue={minutes}
                disabled={busy}
                onBlur={({ target }) => {
                  if (Number(target.value) !== minutes)
                    void give(setTravel, { one, other, minutes: Number(target.value) }, { text: 'Kept.' });
                }}
              />{' '}
              minutes
            </label>
          </Line>
        ))}
      </Lines>
    </details>
  );
}

/** Where places are: ways that nobody said are guessed from it. */
function Spots({ view }: { view: RouteView }) {
  const { busy, give } = useSend();
  const [wrong, setWrong] = useState<string>();
  const keep = (place: string, typed: string): void => {
    const [north, east, ...more] = typed.split(',').map((part) => Number(part.trim()));
    const isSpot = north !== undefined && east !== undefined && more.length === 0 && !Number.isNaN(north + east);
    setWrong(isSpot ? undefined : place);
    if (isSpot) void give(setSpot, { place, north, east }, { text: 'Kept.' });
  };
  return (
    <details className="small-text mt-2">
      <summary>Where the places are</summary>
      <Lines className="small-text">
        {view.places.map(({ id, name, spot }) => (
          <Line key={id}>
            <label className="way">
              {name}{' '}
              <Form.Control
                size="sm"
                className="spot"
                placeholder="47.61, 8.52"
                defaultValue={spot}
                disabled={busy}
                isInvalid={wrong === id}
                onBlur={({ target }) => target.value.trim() !== spot && keep(id, target.value)}
              />
            </label>
            {wrong === id && <div className="bad">Write latitude and longitude in degrees, like 47.61, 8.52.</div>}
          </Line>
        ))}
      </Lines>
    </details>
  );
}

function Trips({ view }: { view: RouteView }) {
  const { busy, give } = useSend();
  const pin = (days: RouteView['trips'][number]['days']): Promise<unknown> =>
    give(
      pinTrip,
      {
        pins: days.flatMap(({ day, houses }) =>
          houses.flatMap(({ items }) => items.map(({ task }) => ({ task, day, half: 0 as const }))),
        ),
        reason: 'one trip for what is left',
      },
      { text: 'The trip stands; whom to ask is under To ask.', back: 'The trip is taken back.' },
    );
  return (
    <Block heading="One trip for what is left">
      {view.trips.length === 0 && <p className="soft mt-2">No trade has anything left to come back for.</p>}
      <Lines>
        {view.trips.map(({ trade, crew, trips, apart, proven, days }) => (
          <Line
            key={trade + crew}
            beside={
              <LinkButton disabled={busy} onClick={() => void pin(days)}>
                Pin these days<Hidden> for {crew}</Hidden>
              </LinkButton>
            }
          >
            <span className="fw-bold">{crew}</span> <span className="soft">{trade}</span>: {counted(trips, 'trip')}
            {apart > trips && ` instead of ${apart}`}
            {proven && trips > 1 && <span className="soft">; fewer would cost more than they save</span>}
            {days.map(({ day, label, houses }) => (
              <div key={day} className="small-text">
                <span className="fw-bold">{label}</span>:{' '}
                {houses.map(({ name, items }) => `${name} (${items.map(({ text }) => text).join('; ')})`).join(' · ')}
              </div>
            ))}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
