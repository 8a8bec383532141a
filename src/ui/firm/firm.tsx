'use client';
import { useState } from 'react';
import { addHoliday, addSub, changeSub, setZone, subAway, subBack } from '@/contract/commands/firm';
import { restoreJob } from '@/contract/commands/sites';
import type { Role } from '@/contract/command';
import type { FirmView, SubView } from '@/contract/views/firm';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { Phone } from '../kit/phone';
import { SidePanel } from '../kit/side-panel';
import { useSend, type Give } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Block, BlockHead, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Machine } from './machine';
import { FirmMoney, HourForm, MoneyForm } from './firm-money';
import { Archives } from './archives';
import { KeptOfPeople } from './kept-of-people';
import { Licences } from './licences';
import { MissingTrades } from './missing-trades';
import { NewsRules, NewsRulesForm } from './news-rules';
import { People } from './people';
import { UsualWeather } from './usual-weather';

type Open =
  { what: 'sub' | 'holiday' | 'zone' | 'money' | 'hour' | 'rules' } | { what: 'change' | 'away'; sub: SubView };
const TITLES = {
  sub: 'One more sub',
  holiday: 'A holiday',
  change: 'Change a sub',
  away: 'Days away',
  zone: 'The firm’s time',
  money: 'The firm’s money',
  hour: 'What an hour costs',
  rules: 'What is told by itself',
} as const;

/** Who belongs to the firm, whom it calls in, and on which days nobody comes. */
export function Firm({ view, role }: { view: FirmView; role: Role }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const { busy, give } = useSend();
  const office = role !== 'lead';
  return (
    <div className="page">
      <PageHead heading={view.name}>
        <span className="soft">{view.town}</span>
      </PageHead>
      {office && <MissingTrades trades={view.missing} />}
      <BlockHead heading="Subs">
        {office && (
          <LinkButton className="push" onClick={() => setOpen({ what: 'sub' })}>
            Add a sub
          </LinkButton>
        )}
      </BlockHead>
      {view.subs.length === 0 && (
        <p className="soft mt-2">
          None yet. The plan needs to know who does which trade and how many crews they can send.
        </p>
      )}
      <SubsTable view={view} office={office} busy={busy} give={give} setOpen={setOpen} />
      {view.removed.length > 0 && (
        <Block heading="Removed jobs">
          <Lines>
            {view.removed.map((job) => (
              <Line
                key={job.id}
                beside={
                  office && (
                    <LinkButton
                      disabled={busy}
                      onClick={() => void give(restoreJob, { id: job.id }, { text: `${job.name} is back.` })}
                    >
                      Bring back<Hidden> {job.name}</Hidden>
                    </LinkButton>
                  )
                }
              >
                {job.name}
              </Line>
            ))}
          </Lines>
        </Block>
      )}
      <div className="columns mt-4">
        <People view={view} role={role} />
        <Block
          heading="Holidays"
          beside={
            office && (
              <LinkButton className="push" onClick={() => setOpen({ what: 'holiday' })}>
                Add a holiday
              </LinkButton>
            )
          }
        >
          {view.holidays.length === 0 && <p className="soft mt-2">None ahead.</p>}
          <Lines>
            {view.holidays.map((holiday) => (
              <Line key={holiday.day} beside={<span>{formatDay(holiday.day, view.today)}</span>}>
                {holiday.name}
              </Line>
            ))}
          </Lines>
          <BlockHead className="mt-4" heading="Time">
            {role === 'contractor' && (
              <LinkButton className="push" onClick={() => setOpen({ what: 'zone' })}>
                Change<Hidden> the time zone</Hidden>
              </LinkButton>
            )}
          </BlockHead>
          <p className="soft mt-2">
            {view.zone.replaceAll('_', ' ')}: it is {formatDay(view.today)}, {view.time} there.
          </p>
        </Block>
      </div>
      <Licences view={view} office={office} role={role} />
      <NewsRules rules={view.rules} onOpen={role === 'contractor' ? () => setOpen({ what: 'rules' }) : undefined} />
      <UsualWeather view={view} office={office} />
      {role === 'contractor' && <KeptOfPeople view={view} />}
      {view.machine && <Machine machine={view.machine} />}
      {office && <Archives jobs={view.jobs} owner={role === 'contractor'} />}
      {view.money && (
        <FirmMoney money={view.money} hours={view.hours} role={role} onOpen={(what) => setOpen({ what })} />
      )}
      <SidePanel title={open ? TITLES[open.what] : ''} open={open !== undefined} onClose={close}>
        {open && <OneForm open={open} view={view} onDone={close} />}
      </SidePanel>
    </div>
  );
}

/** The subs with their trades and crews. */
function SubsTable({
  view,
  office,
  busy,
  give,
  setOpen,
}: {
  view: FirmView;
  office: boolean;
  busy: boolean;
  give: Give;
  setOpen: (next: Open | undefined) => void;
}) {
  return (
    <table className="table-lines">
      <thead>
        <tr>
          <th style={{ width: '18%' }}>Sub</th>
          <th style={{ width: '18%' }}>Trade</th>
          <th style={{ width: '7%' }}>Crews</th>
          <th style={{ width: '20%' }}>Lead</th>
          <th style={{ width: '15%' }}>Away</th>
          <th style={{ width: '8%' }}>Open work</th>
          <th>
            <Hidden>Change</Hidden>
          </th>
        </tr>
      </thead>
      <tbody>
        {view.subs.map((sub) => (
          <tr key={sub.id}>
            <td className="fw-bold">{sub.name}</td>
            <td>{[sub.trade, ...sub.also].map((trade) => TRADES[trade]).join(', ')}</td>
            <td data-label="Crews:">{sub.crews}</td>
            <td data-label="Lead:">
              {sub.leadName}
              {sub.email && <div className="small-text soft">{sub.email}</div>}
              <Phone number={sub.phone} />
            </td>
            <td data-label="Away:">
              {sub.away.map((away) => (
                <div key={away.firstDay} className="small-text">
                  {formatDay(away.firstDay, view.today)}
                  {away.lastDay !== away.firstDay && ` to ${formatDay(away.lastDay, view.today)}`}
                  {office && (
                    <LinkButton
                      className="ms-2"
                      disabled={busy}
                      onClick={() =>
                        void give(
                          subBack,
                          { sub: sub.id, firstDay: away.firstDay },
                          {
                            text: `${sub.name} is back.`,
                            back: 'Away again.',
                          },
                        )
                      }
                    >
                      Back<Hidden>: {sub.name}</Hidden>
                    </LinkButton>
                  )}
                </div>
              ))}
            </td>
            <td data-label="Open work:">{sub.works}</td>
            <td className="text-nowrap">
              {office && (
                <>
                  <LinkButton className="me-2" onClick={() => setOpen({ what: 'away', sub })}>
                    Days away<Hidden> of {sub.name}</Hidden>
                  </LinkButton>
                  <LinkButton onClick={() => setOpen({ what: 'change', sub })}>
                    Change<Hidden> {sub.name}</Hidden>
                  </LinkButton>
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function OneForm({ open, view, onDone }: { open: Open; view: FirmView; onDone: () => void }) {
  const { today, zone } = view;
  switch (open.what) {
    case 'sub':
      return (
        <CommandForm
          kind={addSub}
          submit="Add"
          onDone={onDone}
          start={() => ({
            id: newId(),
            name: '',
            trade: 'carpentry' as const,
            also: [],
            crews: 1,
            leadName: '',
            email: '',
            phone: '',
          })}
        >
          <SelectField name="trade" label="Trade" options={OF_SUBS} />
          <SubFields />
        </CommandForm>
      );
    case 'change':
      return (
        <CommandForm
          kind={changeSub}
          submit="Save"
          onDone={onDone}
          start={() => {
            const { id, version, name, also, crews, leadName, email, phone } = open.sub;
            return { id, version, name, also, crews, leadName, email, phone };
          }}
        >
          <SubFields />
        </CommandForm>
      );
    case 'away':
      return (
        <CommandForm
          kind={subAway}
          submit="Save"
          onDone={onDone}
          start={() => ({ sub: open.sub.id, firstDay: today, lastDay: today })}
        >
          <p>{open.sub.name}</p>
          <div className="form-pair">
            <TextField name="firstDay" label="First day away" type="date" />
            <TextField name="lastDay" label="Last day away" type="date" />
          </div>
        </CommandForm>
      );
    case 'zone':
      return (
        <CommandForm kind={setZone} submit="Save" onDone={onDone} start={() => ({ zone })}>
          <SelectField
            name="zone"
            label="Time zone"
            hint="What is today, morning and afternoon goes by it, wherever somebody looks from."
            options={zones(zone)}
          />
        </CommandForm>
      );
    case 'rules':
      return <NewsRulesForm rules={view.rules} onDone={onDone} />;
    case 'money':
      return <MoneyForm view={view} onDone={onDone} />;
    case 'hour':
      return <HourForm view={view} onDone={onDone} />;
    case 'holiday':
      return (
        <CommandForm kind={addHoliday} submit="Add" onDone={onDone} start={() => ({ day: today, name: '' })}>
          <TextField name="name" label="Name" />
          <TextField name="day" label="Day" type="date" />
        </CommandForm>
      );
  }
}

/** All zones that this browser knows, and the one that is set. */
const zones = (set: string): [string, string][] =>
  [...new Set([set, ...Intl.supportedValuesOf('timeZone')])].sort().map((name) => [name, name.replaceAll('_', ' ')]);

const SubFields = () => (
  <>
    <TextField name="name" label="Name" />
    <TextField name="crews" label="Crews it can send at once" type="number" />
    <div className="form-pair">
      <TextField name="leadName" label="Whom to call" />
      <TextField name="phone" label="Telephone" type="tel" />
    </div>
    <TextField name="email" label="Address for news" type="email" />
    <details className="mb-3">
      <summary>Other trades they do</summary>
      <TicksField name="also" label="Other trades" options={OF_SUBS} />
    </details>
  </>
);

const OF_SUBS = TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, TRADES[trade]] as const);
