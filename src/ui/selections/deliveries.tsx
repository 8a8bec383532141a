'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useFormContext, useWatch } from 'react-hook-form';
import {
  addDelivery,
  addSpare,
  changeDelivery,
  dropDelivery,
  keepSalvage,
  receiveDelivery,
  settleSpare,
} from '@/contract/commands/selections';
import type { DeliveriesView, DeliveryView, StoredThing } from '@/contract/views/selections';
import { ONE_PERSON_KG, peopleFor } from '@/core/selections/storage';
import { capital } from '@/core/words/letters';
import { sayAmount } from '@/core/quantities/units';
import { addDays, formatDay, type Day } from '@/core/units/day';
import { AmountField } from '../kit/measure-fields';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { ArrivalFields } from './arrival-fields';
import { SelectionTabs } from './selection-tabs';
import { Hidden } from '../kit/hidden';
import { Block, BlockHead, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

type Open = { form: 'new' | 'spare' } | { form: 'change' | 'came'; delivery: DeliveryView };
const TITLES: Record<Open['form'], string> = {
  new: 'A delivery',
  change: 'Change it',
  came: 'It came',
  spare: 'Something is kept',
};

/**
 * How things come on the site, where they are put, and what stands there: things to fit, what is left, what was
 * salvaged.
 */
export function Deliveries({ view, left }: { view: DeliveriesView; left: string | undefined }) {
  const [open, setOpen] = useState<Open | undefined>(left ? { form: 'spare' } : undefined);
  const close = (): void => setOpen(undefined);
  const planned = view.deliveries.filter((delivery) => delivery.state === 'planned');
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.delivery">Deliveries and storage</Means>}>
          <span className="soft">{planned.length === 0 ? 'nothing is on its day' : `${planned.length} to come`}</span>
          <span className="push actions no-print">
            <PrintButton>Print</PrintButton>
            <Button onClick={() => setOpen({ form: 'new' })} disabled={view.loose.length === 0}>
              A delivery
            </Button>
          </span>
        </PageHead>
        <div className="main-and-aside">
          <div>
            {view.deliveries.length === 0 && (
              <Empty>
                <p className="mb-0">
                  No delivery has its day yet. Say what comes together, on which day and into which room: whether it can
                  stand there until it is used follows from the plan and the drawing.
                </p>
              </Empty>
            )}
            {view.deliveries.map((delivery) => (
              <Delivery key={delivery.id} delivery={delivery} view={view} onOpen={setOpen} />
            ))}
            {view.loose.length > 0 && <Loose view={view} />}
          </div>
          <div>
            <StoreMap view={view} />
            <Storage view={view} onKeep={() => setOpen({ form: 'spare' })} />
          </div>
        </div>
        <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
          {open?.form === 'new' && (
            <CommandForm
              kind={addDelivery}
              submit="Save"
              onDone={close}
              start={() => ({
                id: newId(),
                job: view.job.id,
                day: firstDay(view),
                placeNote: '',
                protection: '',
                carry: '',
                selections: [],
              })}
            >
              <DeliveryFields view={view} />
            </CommandForm>
          )}
          {open?.form === 'change' && <ChangeDelivery view={view} delivery={open.delivery} onDone={close} />}
          {open?.form === 'came' && (
            <CommandForm
              kind={receiveDelivery}
              submit="It came"
              onDone={close}
              start={() => ({ id: open.delivery.id, version: open.delivery.version, day: view.today })}
            >
              <p className="mb-0">
                Look at each thing before the lorry leaves; what is not right is said in its selection.
              </p>
              <TextField name="day" label="On" type="date" />
            </CommandForm>
          )}
          {open?.form === 'spare' && <SpareForm view={view} left={left} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

const firstDay = (view: DeliveriesView): Day =>
  view.loose
    .map((entry) => entry.expectedOn)
    .filter((day) => day !== null)
    .sort()[0] ?? addDays(view.today, 7);

function Delivery({
  delivery,
  view,
  onOpen,
}: {
  delivery: DeliveryView;
  view: DeliveriesView;
  onOpen: (open: Open) => void;
}) {
  const { give, busy } = useSend();
  const day = (value: Day): string => formatDay(value, view.today);
  const heavy = [
    delivery.heaviest !== null && `heaviest piece ${sayAmount(delivery.heaviest, 'kg', view.job.units, 0)}`,
    delivery.people !== null && `${delivery.people} ${delivery.people === 1 ? 'person' : 'people'}`,
    delivery.carry,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <article className="request">
      <BlockHead
        heading={
          <>
            <StateIcon
              kind={delivery.state === 'came' ? 'done' : delivery.warnings.length > 0 ? 'stop' : 'waiting'}
              silent
            />{' '}
            {delivery.state === 'came'
              ? `Came ${delivery.cameOn ? day(delivery.cameOn) : ''}`
              : `${day(delivery.day)}${delivery.half ? `, ${delivery.half}` : ''}`}
          </>
        }
      >
        <span className="soft small-text">
          {delivery.place
            ? `into ${delivery.place}${delivery.placeNote ? `, ${delivery.placeNote}` : ''}`
            : 'place not said'}
        </span>
        {delivery.state === 'planned' && (
          <span className="push d-flex gap-3 no-print">
            <Button size="sm" onClick={() => onOpen({ form: 'came', delivery })}>
              It came
            </Button>
            <LinkButton onClick={() => onOpen({ form: 'change', delivery })}>Change</LinkButton>
            <LinkButton
              disabled={busy}
              onClick={() =>
                void give(
                  dropDelivery,
                  { id: delivery.id, version: delivery.version },
                  { text: 'The delivery was dropped; what was in it is loose again.' },
                )
              }
            >
              Remove
            </LinkButton>
          </span>
        )}
      </BlockHead>
      <Lines>
        {delivery.items.map((item) => (
          <Line key={item.id}>
            <Link href={routes.selection(view.job.id, item.id)}>{item.text}</Link>{' '}
            <span className="soft">
              {item.area}
              {item.needBy ? `, needed ${day(item.needBy)}` : ''}
            </span>
          </Line>
        ))}
      </Lines>
      {heavy && <p className="small-text mb-0 mt-1">{heavy}</p>}
      {delivery.protection && <p className="small-text mb-0">Protected: {delivery.protection}</p>}
      {delivery.room && delivery.room.left !== null && (
        <p className="small-text soft mb-0">
          {delivery.floorArea === null
            ? ''
            : `Takes ${sayAmount(delivery.floorArea, 'm²', view.job.units, 1)} of floor; `}
          {sayAmount(Math.max(0, delivery.room.left), 'm²', view.job.units, 1)} are free there with half kept clear.
        </p>
      )}
      {delivery.warnings.map((warning) => (
        <p key={warning} className="small-text bad mb-0">
          {warning}
        </p>
      ))}
    </article>
  );
}

function Loose({ view }: { view: DeliveriesView }) {
  return (
    <Block heading="Not in a delivery yet">
      <Lines>
        {view.loose.map((entry) => (
          <Line
            key={entry.id}
            mark={<StateIcon kind="waiting" silent />}
            beside={
              <span className="small-text soft text-nowrap">
                {entry.expectedOn
                  ? `comes ${formatDay(entry.expectedOn, view.today)}`
                  : entry.needBy
                    ? `needed ${formatDay(entry.needBy, view.today)}`
                    : ''}
              </span>
            }
          >
            <Link href={routes.selection(view.job.id, entry.id)}>{entry.text}</Link>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/**
 * The house as places to keep things, storey over storey: hatched where somebody works, with the floor that is free.
 */
function StoreMap({ view }: { view: DeliveriesView }) {
  if (view.map.length === 0) return null;
  return (
    <Block heading="Where there is room">
      <div className="store-map">
        {view.map.map(({ level, rooms }) => (
          <div key={level} className="store-level">
            <div className="small-text soft">{level}</div>
            <ul>
              {rooms.map((room) => (
                <li key={room.id} className={room.kept || (room.busy && room.busy.from <= view.today) ? 'busy' : ''}>
                  <Link href={routes.room(view.job.id, room.id)} className="plain fw-bold">
                    {room.name}
                  </Link>
                  <span className="d-block">
                    {room.kept
                      ? room.kept
                      : room.busy
                        ? room.busy.from <= view.today
                          ? `free after ${formatDay(room.busy.until, view.today)}`
                          : `free until ${formatDay(room.busy.from, view.today)}`
                        : 'free'}
                    {!room.kept && room.left !== null ? `, ${sayAmount(room.left, 'm²', view.job.units, 1)}` : ''}
                  </span>
                  {room.things.map((thing) => (
                    <span key={thing} className="d-block thing">
                      {thing}
                    </span>
                  ))}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
      <p className="small-text soft mb-0">
        Hatched: somebody works or lives there today. Half of a drawn floor stays clear.
      </p>
    </Block>
  );
}

/** What stands where on the site, place by place. */
function Storage({ view, onKeep }: { view: DeliveriesView; onKeep: () => void }) {
  return (
    <Block
      heading="What stands where"
      beside={
        <span className="push no-print">
          <LinkButton onClick={onKeep}>Something is kept</LinkButton>
        </span>
      }
    >
      {view.storage.length === 0 && <p className="soft mt-2">Nothing stands on the site.</p>}
      {view.storage.map(({ place, things }) => (
        <div key={place} className="storage-place">
          <h3>{place}</h3>
          <Lines>
            {things.map((thing) => (
              <Stored key={thing.id} thing={thing} today={view.today} />
            ))}
          </Lines>
        </div>
      ))}
    </Block>
  );
}

function Stored({ thing, today }: { thing: StoredThing; today: Day }) {
  const { give, busy } = useSend();
  const { id, version, what, from, over } = thing;
  const told = { text: `${what}: ${over ?? ''}.`, back: `${what} is kept again.` };
  const settle = (): void => {
    if (from === 'spare') void give(settleSpare, { id, version, state: 'gone' }, told);
    if (from === 'finding' || from === 'scope')
      void give(keepSalvage, { of: from, id, version, kept: 'back', place: '' }, told);
  };
  return (
    <Line
      mark={
        <StateIcon kind={thing.kind === 'wrong part' ? 'stop' : from === 'selection' ? 'under-way' : 'done'} silent />
      }
      beside={
        over && (
          <LinkButton className="no-print" disabled={busy} onClick={settle}>
            {capital(over)}
            <Hidden>: {what}</Hidden>
          </LinkButton>
        )
      }
    >
      {thing.href ? <Link href={thing.href}>{what}</Link> : what}
      <div className="small-text soft">
        {[thing.kind, thing.text].filter(Boolean).join(', ')}
        {thing.until ? ` by ${formatDay(thing.until, today)}` : ''}
      </div>
    </Line>
  );
}

function ChangeDelivery({
  view,
  delivery,
  onDone,
}: {
  view: DeliveriesView;
  delivery: DeliveryView;
  onDone: () => void;
}) {
  const { id, version, day, half, placeId, placeNote, protection, floorArea, heaviest, people, carry } = delivery;
  const own = delivery.items.map((item) => ({ id: item.id, text: `${item.text}, ${item.area}` }));
  return (
    <CommandForm
      kind={changeDelivery}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id,
        version,
        day,
        placeNote,
        protection,
        carry,
        selections: own.map((entry) => entry.id),
        ...(half ? { half } : {}),
        ...(placeId ? { place: placeId } : {}),
        ...(floorArea === null ? {} : { floorArea }),
        ...(heaviest === null ? {} : { heaviest }),
        ...(people === null ? {} : { people }),
      })}
    >
      <DeliveryFields view={view} own={own} />
    </CommandForm>
  );
}

function DeliveryFields({ view, own = [] }: { view: DeliveriesView; own?: { id: string; text: string }[] }) {
  return (
    <>
      <TicksField
        name="selections"
        label="What comes"
        options={[...own, ...view.loose].map((entry) => [entry.id, entry.text] as const)}
      />
      <ArrivalFields
        day="day"
        dayLabel="On"
        rooms={view.places.map((place) => [
          place.id,
          place.floor === null ? place.name : `${place.name}, ${sayAmount(place.floor, 'm²', view.job.units, 1)}`,
        ])}
      />
      <AmountField
        name="floorArea"
        label="Floor it takes"
        of="m²"
        system={view.job.units}
        hint={`like ${view.job.units === 'metric' ? '4 m²' : '40 sq ft'}; half of a room stays clear`}
      />
      <TextField name="protection" label="What is protected on the way" />
      <div className="form-pair">
        <AmountField
          name="heaviest"
          label="Heaviest piece"
          of="kg"
          system={view.job.units}
          hint={view.job.units === 'metric' ? 'like 45 kg' : 'like 100 lb'}
        />
        <TextField name="people" label="People there to carry" type="number" />
      </div>
      <People />
      <TextField name="carry" label="How it is carried" hint="by hand, two people, a crane" />
    </>
  );
}

/** How many people a heavy piece takes, while it is typed. */
function People() {
  const heaviest = Number(useWatch({ name: 'heaviest' }));
  const { watch } = useFormContext();
  const there = Number(watch('people'));
  if (!(heaviest > ONE_PERSON_KG)) return null;
  const people = peopleFor(heaviest);
  return (
    <p className={`small-text mb-0 ${there && there < people ? 'bad' : 'soft'}`}>
      {people} people by usual guidance, or a machine.{' '}
      <Link href={routes.calculator('lift')}>Work it out for a piece</Link>; your health and safety rules decide.
    </p>
  );
}

function SpareForm({ view, left, onDone }: { view: DeliveriesView; left: string | undefined; onDone: () => void }) {
  return (
    <CommandForm
      kind={addSpare}
      submit="Save"
      onDone={onDone}
      start={() => ({
        id: newId(),
        job: view.job.id,
        kind: 'touch-up kit' as const,
        what: '',
        unit: '',
        keptAt: '',
        ...(left && view.fitted.some((entry) => entry.id === left) ? { selection: left } : {}),
      })}
    >
      <SelectField name="kind" label="It is" options={view.spareKinds.map((kind) => [kind, kind])} />
      <TextField name="what" label="What it is" />
      <div className="form-pair">
        <TextField name="quantity" label="How many" type="number" />
        <TextField name="unit" label="Unit" />
      </div>
      <SelectField
        name="selection"
        label="Left over from"
        none="nothing in the list"
        options={view.fitted.map((entry) => [entry.id, entry.text])}
      />
      <div className="form-pair">
        <SelectField
          name="place"
          label="In which room"
          none="elsewhere"
          options={view.places.map((place) => [place.id, place.name])}
        />
        <TextField name="keptAt" label="Where it is kept" />
      </div>
    </CommandForm>
  );
}
