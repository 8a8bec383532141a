'use client';
import { sayPercent } from '@/core/units/format-quantity';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { dropChange, sendChange, withdrawChange } from '@/contract/commands/changes';
import type { ChangesView, ChangeView } from '@/contract/views/changes';
import { phaseFacts } from '@/core/sequence/phases';
import { api } from '@/contract/routes';
import { TRADES } from '@/core/sequence/trades';
import { sum } from '@/core/units/rounding';
import { daysOf } from '@/core/words/count';
import { JobTabs } from '../shell/job-tabs';
import { sayChangeEffect } from '@/core/words/change-effect';
import { CommandForm } from '../kit/form';
import { StateIcon, type StateIconKind } from '../kit/state-icon';
import { useMoney } from '../kit/money';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newSending } from '../kit/new-sending';
import { EditChange, NewChange } from './change-fields';
import { ScopeTabs } from './scope-tabs';
import { SendFields } from '../kit/send-fields';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';
import { Notice } from '../kit/notice';

const MARKS: Record<ChangeView['state'], StateIconKind> = {
  draft: 'not-begun',
  sent: 'waiting',
  approved: 'done',
  declined: 'stop',
};
type Open = { form: 'new' } | { form: 'edit' | 'send'; change: ChangeView };

/** What is added or left out after all: priced by lines, with what it does to the finish, approved by the client. */
export function Changes({ view }: { view: ChangesView }) {
  const [open, setOpen] = useState<Open>();
  const { give, busy } = useSend();
  const close = (): void => setOpen(undefined);
  const money = useMoney();
  const total = (state: ChangeView['state']): string =>
    money(sum(view.changes.filter((change) => change.state === state).map((change) => change.price.total)));
  const count = (state: ChangeView['state']): number => view.changes.filter((change) => change.state === state).length;
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.change">Changes</Means>}>
          <span className="soft">
            {count('approved') + count('sent') > 0
              ? [
                  count('approved') > 0 && `${count('approved')} approved, ${total('approved')}`,
                  count('sent') > 0 && `${count('sent')} asked, ${total('sent')}`,
                ]
                  .filter(Boolean)
                  .join('; ')
              : 'additions and omissions, approved before they are done'}
          </span>
          <span className="push no-print">
            <Button onClick={() => setOpen({ form: 'new' })} disabled={view.areas.length === 0}>
              New change
            </Button>
          </span>
        </PageHead>
        {view.changes.length === 0 && (
          <Empty>
            <p className="mb-0">
              No change so far. When the client wants something else, price it here by lines: the days come from the
              plan, and nothing is done before they have approved it.
            </p>
          </Empty>
        )}
        {view.changes.map((change) => (
          <article key={change.id} className="change">
            <BlockHead
              heading={
                <>
                  <StateIcon kind={MARKS[change.state]} silent /> {change.number}. {change.title}
                </>
              }
            >
              <span className="soft small-text">
                {change.places}, {change.kind}, {change.state === 'sent' ? 'asked, not answered' : change.state}
              </span>
              <span className="push d-flex gap-2 no-print">
                <a className="btn btn-link btn-sm p-0" href={api.jobFile(view.job.id, 'change.pdf', change.number)}>
                  PDF<Hidden> of {change.title}</Hidden>
                </a>
                {(change.state === 'draft' || change.state === 'declined') && (
                  <LinkButton onClick={() => setOpen({ form: 'edit', change })}>
                    Change<Hidden> {change.title}</Hidden>
                  </LinkButton>
                )}
                {change.state === 'draft' && (
                  <LinkButton
                    disabled={busy}
                    onClick={() =>
                      void give(
                        dropChange,
                        { id: change.id, version: change.version },
                        { text: `“${change.title}” is no change any more.`, back: 'It is a draft again.' },
                      )
                    }
                  >
                    Drop<Hidden> {change.title}</Hidden>
                  </LinkButton>
                )}
                {change.state === 'draft' && (
                  <Button
                    size="sm"
                    disabled={change.lines.some((line) => line.unitPrice === null)}
                    onClick={() => setOpen({ form: 'send', change })}
                  >
                    Send for approval<Hidden>: {change.title}</Hidden>
                  </Button>
                )}
                {change.state === 'sent' && (
                  <LinkButton
                    disabled={busy}
                    onClick={() =>
                      void give(
                        withdrawChange,
                        { id: change.id, version: change.version },
                        { text: 'Taken back; it is a draft again.' },
                      )
                    }
                  >
                    Take back<Hidden> {change.title}</Hidden>
                  </LinkButton>
                )}
              </span>
            </BlockHead>
            {change.answered && (
              <p className={`mt-2 mb-1 ${change.state === 'approved' ? 'good' : 'bad'}`}>{change.answered}</p>
            )}
            {change.why && <p className="soft mt-2 mb-1">{change.why}</p>}
            {change.state === 'draft' && change.lines.some((line) => line.unitPrice === null) && (
              <Notice bad>Not priced yet: give every line its price, then it can be sent.</Notice>
            )}
            <div className="main-and-aside">
              <ChangesTable change={change} />
              <Effect change={change} today={view.today} />
            </div>
          </article>
        ))}
        <ChangesPanel open={open} close={close} view={view} />
      </div>
    </>
  );
}

/** A new change, beside the list. */
function ChangesPanel({ open, close, view }: { open: Open | undefined; close: () => void; view: ChangesView }) {
  const money = useMoney();
  return (
    <SidePanel
      title={open?.form === 'send' ? 'Send for approval' : open?.form === 'edit' ? 'Change it' : 'New change'}
      open={open !== undefined}
      onClose={close}
    >
      {open?.form === 'new' && <NewChange view={view} onDone={close} />}
      {open?.form === 'edit' && <EditChange view={view} change={open.change} onDone={close} />}
      {open?.form === 'send' && (
        <CommandForm
          kind={sendChange}
          submit="Send"
          onDone={close}
          start={() => ({
            id: open.change.id,
            version: open.change.version,
            ...newSending(view.client.name, view.client.address, view.job.linksUntil),
          })}
        >
          <p className="mb-0">
            {open.change.title}: {money(open.change.price.total)}. {sayChangeEffect(open.change, view.today)}
          </p>
          <SendFields />
        </CommandForm>
      )}
    </SidePanel>
  );
}

/** The lines of a change with their prices; the rooms stand over their lines where there are several. */
function ChangesTable({ change }: { change: ChangeView }) {
  const money = useMoney();
  const several = new Set(change.lines.map((line) => line.area)).size > 1;
  return (
    <table className="table-lines price-lines">
      <thead>
        <tr>
          <th>Line</th>
          <th className="text-end" style={{ width: '22%' }}>
            Quantity
          </th>
          <th className="text-end" style={{ width: '18%' }}>
            One
          </th>
          <th className="text-end" style={{ width: '20%' }}>
            All
          </th>
        </tr>
      </thead>
      <tbody>
        {change.lines.map((line) => (
          <tr key={line.id}>
            <td>
              {several && <span className="fw-bold">{line.areaName}: </span>}
              {line.verb} {line.subject}
              {line.trade && line.halfDays > 0 && (
                <div className="small-text soft">
                  {TRADES[line.trade].toLowerCase()}, {daysOf(line.halfDays)}
                  {line.after ? `, after ${phaseFacts(line.after).label}` : ''}
                </div>
              )}
            </td>
            <td className="text-end" data-label="Quantity">
              <span className="mono">{line.quantity}</span> {line.unit}
            </td>
            <td className="text-end mono" data-label="One">
              {line.unitPrice === null ? <span className="soon small-text">no price</span> : money(line.unitPrice)}
            </td>
            <td className="text-end mono" data-label="All">
              {line.net === null ? '' : money(line.net)}
            </td>
          </tr>
        ))}
        {change.price.markup !== 0 && (
          <tr>
            <td colSpan={3} className="soft">
              overhead and profit, {sayPercent(change.markup)}
            </td>
            <td className="text-end mono">{money(change.price.markup)}</td>
          </tr>
        )}
        {change.price.tax !== 0 && (
          <tr>
            <td colSpan={3} className="soft">
              tax, {sayPercent(change.taxRate)}
            </td>
            <td className="text-end mono">{money(change.price.tax)}</td>
          </tr>
        )}
        <tr>
          <td colSpan={3} className="fw-bold">
            in all
          </td>
          <td className="text-end mono fw-bold">{money(change.price.total)}</td>
        </tr>
      </tbody>
    </table>
  );
}

function Effect({ change, today }: { change: ChangeView; today: string }) {
  return (
    <div className="small-text">
      <p className={change.before && change.after && change.after > change.before ? 'bad' : ''}>
        {sayChangeEffect(change, today)}
        {change.state === 'draft'
          ? ' By the plan of today.'
          : change.state === 'sent'
            ? ' As the client was told.'
            : ''}
      </p>
      {change.drops.length > 0 && <p>Falls away: {change.drops.map((drop) => drop.text).join('; ')}.</p>}
    </div>
  );
}
