'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import {
  bookInspection,
  cancelInspection,
  failInspection,
  passInspection,
  setOffice,
  showInspection,
} from '@/contract/commands/schedule';
import type { CoordinationView, InspectionView, OfficeView, UnbookedView } from '@/contract/views/coordination';
import { routes } from '@/contract/routes';
import { taskId } from '@/core/sequence/site';
import { INSPECTION_KIND_KEYS, INSPECTION_KINDS } from '@/core/sequence/inspections';
import { PHASE_KEYS, phaseFacts } from '@/core/sequence/phases';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { newSending } from '../kit/new-sending';
import { PictureField } from '../kit/picture-field';
import { SendFields } from '../kit/send-fields';
import { TRADE_OPTIONS } from '../scope/line-fields';
import { StateIcon } from '../kit/state-icon';
import { Phone } from '../kit/phone';
import { SidePanel } from '../kit/side-panel';
import { useSend, type Give } from '../kit/use-send';
import { useIsDemo } from '../shell/demo';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Folded } from '../kit/folded';
import { Block, FoldedBlock } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type Open =
  | { what: 'book'; of: UnbookedView }
  | { what: 'passed' | 'failed' | 'show'; of: InspectionView }
  | { what: 'office'; of: OfficeView | null };
const MARKS = { booked: 'waiting', passed: 'checked', failed: 'stop', cancelled: 'open' } as const;
/** Visits that are shown before one asks for more. */
const SHOWN = 4;
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;

/** Visits that are booked and how they went; what still has to be booked, and by when. */
export function Inspections({ view, office }: { view: CoordinationView; office: boolean }) {
  const isDemo = useIsDemo();
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const { busy, give } = useSend();
  return (
    <Block
      heading="Inspections"
      beside={
        office && (
          <LinkButton className="push" onClick={() => setOpen({ what: 'office', of: null })}>
            Add an office
          </LinkButton>
        )
      }
    >
      {view.inspections.length === 0 && <p className="soft mt-2">None is booked.</p>}
      <Visits view={view} busy={busy} give={give} setOpen={setOpen} />
      {view.unbooked.length > 0 && (
        <>
          <h3 className="mt-3">
            To be booked <span className="soft">{roomsInVisits(view.unbooked)}</span>
          </h3>
          <Folded of={view.unbooked} shown={SHOWN}>
            {(unbooked) => (
              <Line
                key={`${unbooked.area}${unbooked.phase}`}
                mark={<StateIcon kind={unbooked.late ? 'hazard' : 'waiting'} />}
                small
                beside={
                  unbooked.office && (
                    <LinkButton onClick={() => setOpen({ what: 'book', of: unbooked })}>
                      Book
                      <Hidden>
                        : {unbooked.areaName} · {unbooked.label}
                      </Hidden>
                    </LinkButton>
                  )
                }
              >
                <span className="fw-bold">
                  {[unbooked.areaName, ...unbooked.also.map((room) => room.areaName)].join(', ')} · {unbooked.label}
                </span>{' '}
                <span className="soft">{unbooked.jobName}</span>
                <div className={unbooked.late ? 'bad' : 'soft'}>
                  {unbooked.also.length > 0 && `${unbooked.also.length + 1} rooms in one visit; `}
                  ready {formatDay(unbooked.ready, view.today)},{' '}
                  {unbooked.office
                    ? unbooked.late
                      ? `ask ${unbooked.office} today`
                      : `ask ${unbooked.office} by ${formatDay(unbooked.askBy, view.today)}`
                    : 'no office is known for it'}
                </div>
              </Line>
            )}
          </Folded>
        </>
      )}
      <FoldedBlock heading="Offices" says={view.offices.map(({ name }) => name).join(', ') || 'none yet'}>
        <Lines>
          {view.offices.map((entry) => (
            <Line
              key={entry.id}
              small
              beside={
                office && (
                  <LinkButton onClick={() => setOpen({ what: 'office', of: entry })}>
                    Change<Hidden> {entry.name}</Hidden>
                  </LinkButton>
                )
              }
            >
              <span className="fw-bold">{entry.name}</span>: {entry.weekdays.map((day) => WEEKDAYS[day]).join(', ')};{' '}
              {entry.noticeDays} working {entry.noticeDays === 1 ? 'day' : 'days'} of notice, {entry.visitsADay} visits
              a day <Phone number={entry.phone} />
              <div className="soft">{entry.phases.map((phase) => phaseFacts(phase).label).join(', ')}</div>
            </Line>
          ))}
        </Lines>
      </FoldedBlock>
      <Forms open={open} isDemo={isDemo} onClose={close} />
    </Block>
  );
}

/** What is written down of a visit or an office. */
function Forms({ open, isDemo, onClose: close }: { open: Open | undefined; isDemo: boolean; onClose: () => void }) {
  return (
    <SidePanel title={titleOf(open)} open={open !== undefined} onClose={close}>
      {open?.what === 'book' && (
        <CommandForm
          kind={bookInspection}
          submit="Book the visit"
          onDone={close}
          start={() => ({
            id: newId(),
            area: open.of.area,
            phase: open.of.phase,
            wishedOn: open.of.ready,
            kinds: [],
            also: open.of.also.map(({ area }) => ({ id: newId(), area })),
          })}
        >
          <p>
            {isDemo
              ? `${open.of.office} gives the first of its days that is free after its notice. The demo plays its answer.`
              : `Ring ${open.of.office} and write down the day they give you.`}
          </p>
          <TextField name="wishedOn" label={isDemo ? 'Not before' : 'The day they gave'} type="date" />
          {open.of.phase === 'rough-inspection' && (
            <TicksField name="kinds" label="What is looked at (nothing ticked: all)" options={KINDS} />
          )}
        </CommandForm>
      )}
      {open?.what === 'passed' && (
        <CommandForm
          kind={passInspection}
          submit="It passed"
          onDone={close}
          start={() => ({ id: open.of.id, version: open.of.version, by: '', words: '' })}
        >
          <TextField name="by" label="Who passed it" hint="the inspector’s name, as on the paper" />
          <TextField name="words" label="What was said" rows={2} />
          <PictureField name="slip" label="Picture of the paper, if there is one" />
        </CommandForm>
      )}
      {open?.what === 'failed' && <Failed of={open.of} onDone={close} />}
      {open?.what === 'show' && (
        <CommandForm
          kind={showInspection}
          submit="Send it"
          onDone={close}
          start={() => ({ id: open.of.id, ...newSending(open.of.office, '', open.of.pageUntil) })}
        >
          <p className="soft mb-0">
            Whoever comes reads when and where, what is finished there, pictures, measures and the drawings.
          </p>
          <SendFields />
        </CommandForm>
      )}
      {open?.what === 'office' && <OfficeForm of={open.of} onDone={close} />}
    </SidePanel>
  );
}

/** How many visits the rooms take, where some are looked at together; none of it ends later for it by more than a day. */
function roomsInVisits(visits: CoordinationView['unbooked']): string {
  const rooms = visits.reduce((sum, visit) => sum + 1 + visit.also.length, 0);
  return rooms > visits.length ? `${rooms} rooms in ${visits.length} visits` : '';
}

/** The visits that are booked, and those that were. */
function Visits({
  view,
  busy,
  give,
  setOpen,
}: {
  view: CoordinationView;
  busy: boolean;
  give: Give;
  setOpen: (next: Open | undefined) => void;
}) {
  return (
    <Folded of={view.inspections} shown={SHOWN}>
      {(inspection) => (
        <Line
          key={inspection.id}
          mark={<StateIcon kind={MARKS[inspection.state]} />}
          beside={
            inspection.state === 'failed' ? (
              <Link href={routes.slip(inspection.job, { task: taskId(inspection.area, inspection.phase) })}>
                What can be done?
                <Hidden>
                  : {inspection.areaName} · {inspection.label}
                </Hidden>
              </Link>
            ) : (
              inspection.state === 'booked' && (
                <span className="text-nowrap">
                  {inspection.due && (
                    <>
                      <LinkButton className="me-2" onClick={() => setOpen({ what: 'passed', of: inspection })}>
                        Passed
                        <Hidden>
                          : {inspection.areaName} · {inspection.label}
                        </Hidden>
                      </LinkButton>
                      <LinkButton className="me-2" onClick={() => setOpen({ what: 'failed', of: inspection })}>
                        Failed
                        <Hidden>
                          : {inspection.areaName} · {inspection.label}
                        </Hidden>
                      </LinkButton>
                    </>
                  )}
                  <LinkButton className="me-2" onClick={() => setOpen({ what: 'show', of: inspection })}>
                    Send a page
                    <Hidden>
                      : {inspection.areaName} · {inspection.label}
                    </Hidden>
                  </LinkButton>
                  <LinkButton
                    disabled={busy}
                    onClick={() =>
                      void give(
                        cancelInspection,
                        { id: inspection.id, version: inspection.version },
                        { text: 'Cancelled; it has to be booked again.' },
                      )
                    }
                  >
                    Cancel
                    <Hidden>
                      : {inspection.areaName} · {inspection.label}
                    </Hidden>
                  </LinkButton>
                </span>
              )
            )
          }
        >
          <span className="fw-bold">
            {inspection.areaName} · {inspection.label}
          </span>{' '}
          <span className="soft">{inspection.jobName}</span>
          <div className="small-text">
            {inspection.when}, {inspection.office}
            {inspection.state === 'booked' ? '' : `: ${inspection.state}${inspection.by ? ` by ${inspection.by}` : ''}`}
            {inspection.words && `: ${inspection.words}`}
          </div>
          {inspection.unkept && <div className="small-text bad">{inspection.unkept}</div>}
        </Line>
      )}
    </Folded>
  );
}

function titleOf(open: Open | undefined): string {
  if (!open) return '';
  if (open.what === 'office') return open.of ? open.of.name : 'An inspection office';
  return `${open.of.areaName} · ${open.of.label}`;
}

/**
 * What failed, by whom it is put right and how long that takes: the work comes into the plan, and the office is asked
 * again.
 */
const Failed = ({ of, onDone }: { of: InspectionView; onDone: () => void }) => (
  <CommandForm
    kind={failInspection}
    submit="It failed"
    onDone={onDone}
    start={() => ({ id: of.id, version: of.version, by: '', again: newId(), fixes: [newFault()] })}
  >
    <p className="soft mb-0">Each thing becomes work before the office looks again.</p>
    <TextField name="by" label="Who looked" />
    <PictureField name="slip" label="The paper they left, if there is one" />
    <Faults />
  </CommandForm>
);

const newFault = () => ({ id: newId(), text: '', trade: 'wiring' as const, halfDays: 1 });
/** An office writes no more on one paper. */
const MOST_FAULTS = 20;

function Faults() {
  const { control } = useFormContext();
  const { fields, append } = useFieldArray({ control, name: 'fixes', keyName: 'row' });
  return (
    <>
      {fields.map(({ row }, index) => (
        <fieldset key={row}>
          <legend className="visually-hidden">Fault {index + 1}</legend>
          <TextField name={`fixes.${index}.text`} label="What was wrong" />
          <div className="form-pair mt-1">
            <SelectField name={`fixes.${index}.trade`} label="Who puts it right" options={TRADE_OPTIONS} />
            <TextField name={`fixes.${index}.halfDays`} label="Half-days it takes" type="number" />
          </div>
        </fieldset>
      ))}
      {fields.length < MOST_FAULTS && (
        <LinkButton className="align-self-start" onClick={() => append(newFault())}>
          One more fault
        </LinkButton>
      )}
    </>
  );
}

const INSPECTED = PHASE_KEYS.filter(
  (phase) => phaseFacts(phase).hold === 'inspection' || phaseFacts(phase).hold === 'water-test',
).map((phase) => [phase, phaseFacts(phase).label] as const);

const KINDS = INSPECTION_KIND_KEYS.map((kind) => [kind, INSPECTION_KINDS[kind].label] as const);

const NEW_OFFICE = {
  ...{ version: 0, name: '', phone: '', email: '', phases: [], kinds: [] },
  ...{ weekdays: [1, 2, 3, 4, 5], noticeDays: 2, visitsADay: 2 },
};

const OfficeForm = ({ of, onDone }: { of: OfficeView | null; onDone: () => void }) => (
  <CommandForm
    kind={setOffice}
    submit="Save"
    onDone={onDone}
    start={() => {
      const { weekdays, ...office } = of ?? { ...NEW_OFFICE, id: newId() };
      return { ...office, weekdays: weekdays.map(String) as never };
    }}
  >
    <TextField name="name" label="Name" />
    <div className="form-pair">
      <TextField name="phone" label="Telephone" type="tel" />
      <TextField name="email" label="E-mail" type="email" />
    </div>
    <TicksField name="phases" label="What it inspects" options={INSPECTED} />
    <TicksField name="kinds" label="Of rough inspections only (nothing ticked: all)" options={KINDS} />
    <TicksField
      name="weekdays"
      label="Days on which it comes"
      options={WEEKDAYS.map((day, index) => [String(index), day])}
    />
    <div className="form-pair">
      <TextField name="noticeDays" label="Working days of notice" type="number" />
      <TextField name="visitsADay" label="Visits a day" type="number" />
    </div>
  </CommandForm>
);
