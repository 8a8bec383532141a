'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { routes } from '@/contract/routes';
import { addSub, changeSub, subAway, subBack } from '@/contract/commands/firm';
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
import { Folded } from '../kit/folded';
import { Block, BlockHead, FoldedBlock, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { FirmTabs } from './firm-tabs';
import { Licences } from './licences';
import { MissingTrades } from './missing-trades';
import { People } from './people';

type Open = { what: 'sub' } | { what: 'change' | 'away'; sub: SubView };
const TITLES = {
  sub: 'One more sub',
  change: 'Change a sub',
  away: 'Days away',
} as const;

/** Who belongs to the firm, and whom it calls in. */
export function Firm({ view, role }: { view: FirmView; role: Role }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const { busy, give } = useSend();
  const office = role !== 'lead';
  return (
    <>
      <FirmTabs />
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
        {view.closed.length > 0 && (
          <FoldedBlock heading="Closed jobs" says={`${view.closed.length}, kept with all that was recorded`}>
            <Folded of={view.closed} shown={CLOSED_SHOWN}>
              {({ id, name }) => (
                <Line key={id}>
                  <Link href={routes.rooms(id)}>{name}</Link>
                </Line>
              )}
            </Folded>
          </FoldedBlock>
        )}
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
          <Licences view={view} office={office} role={role} />
        </div>
        <SidePanel title={open ? TITLES[open.what] : ''} open={open !== undefined} onClose={close}>
          {open && <OneForm open={open} view={view} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

/** Closed jobs that are shown before one asks for more. */
const CLOSED_SHOWN = 12;

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
  const [all, setAll] = useState(false);
  return (
    <>
      <table className={all ? 'table-lines subs' : 'table-lines subs is-short'}>
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
                {sub.email ? <a href={`mailto:${sub.email}`}>{sub.leadName || sub.email}</a> : sub.leadName}{' '}
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
              <td>
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
      {!all && view.subs.length > SUBS_ON_A_PHONE && (
        <LinkButton className="show-subs" onClick={() => setAll(true)}>
          Show the other {view.subs.length - SUBS_ON_A_PHONE}
        </LinkButton>
      )}
    </>
  );
}

/** What is shown on a phone before one asks for more; the style says the same. */
const SUBS_ON_A_PHONE = 6;

function OneForm({ open, view, onDone }: { open: Open; view: FirmView; onDone: () => void }) {
  const { today } = view;
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
  }
}

const SubFields = () => (
  <>
    <TextField name="name" label="Name" />
    <TextField name="crews" label="Crews it can send at once" type="number" />
    <div className="form-pair">
      <TextField name="leadName" label="Whom to call" />
      <TextField name="phone" label="Telephone" type="tel" />
    </div>
    <TextField name="email" label="E-mail" type="email" />
    <details className="mb-3">
      <summary>Other trades they do</summary>
      <TicksField name="also" label="Other trades" options={OF_SUBS} />
    </details>
  </>
);

const OF_SUBS = TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, TRADES[trade]] as const);
