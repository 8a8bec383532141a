'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { draftChange } from '@/contract/commands/changes';
import { routes } from '@/contract/routes';
import type { Against, AllowanceView, MoneyView } from '@/contract/views/money';
import { SPENDING } from '@/core/money/spending';
import { formatDay } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { orderName } from '@/core/words/purchase-order';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Means } from '../kit/means';
import { Sum, useMoney } from '../kit/money';
import { Notice } from '../kit/notice';
import { Block, PageHead } from '../kit/page';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useRemove } from '../kit/use-remove';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { ScopeTabs } from '../scope/scope-tabs';
import { JobTabs } from '../shell/job-tabs';
import { MoneyBars } from './money-bars';
import { AllowForm, PaymentForm, PaymentsForm, SpendingForm } from './money-forms';

export type MoneyOpen =
  { form: 'payments' } | { form: 'payment' } | { form: 'spending' } | { form: 'allow'; allowance: AllowanceView };
const TITLES: Record<MoneyOpen['form'], string> = {
  payments: 'When it is paid',
  payment: 'The client paid',
  spending: 'Spent',
  allow: 'What is held against it',
};

/** A job's money: what is agreed, asked, approved, paid and spent, and what it comes to. */
export function Money({ view }: { view: MoneyView }) {
  const money = useMoney();
  const [open, setOpen] = useState<MoneyOpen>();
  const close = (): void => setOpen(undefined);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.money">Money</Means>}>
          <span className="soft">
            {view.agreed
              ? `${money(view.agreed.total)} agreed with version ${view.agreed.number}, ${view.agreed.when}`
              : view.estimated.total === 0
                ? 'no price yet'
                : `no price agreed yet; today’s lines come to ${money(view.estimated.total)}`}
          </span>
          <span className="push no-print">
            <PrintButton>Print</PrintButton>
          </span>
        </PageHead>
        <Warnings view={view} />
        <MoneyBars view={view} />
        <div className="columns mt-4">
          <Otherwise view={view} onOpen={setOpen} />
          <Payments view={view} onOpen={setOpen} />
        </div>
        <Spending view={view} onOpen={setOpen} />
        <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
          {open?.form === 'payments' && <PaymentsForm view={view} onDone={close} />}
          {open?.form === 'payment' && <PaymentForm view={view} onDone={close} />}
          {open?.form === 'spending' && <SpendingForm view={view} onDone={close} />}
          {open?.form === 'allow' && <AllowForm view={view} allowance={open.allowance} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

/** What keeps the figures below from being whole. */
function Warnings({ view }: { view: MoneyView }) {
  const money = useMoney();
  const { agreed, estimated } = view;
  return (
    <>
      {estimated.missing > 0 && (
        <Notice>
          {estimated.missing} {estimated.missing === 1 ? 'line has' : 'lines have'} no price yet and{' '}
          {estimated.missing === 1 ? 'counts' : 'count'} nothing here.{' '}
          <Link href={routes.prices(view.job.id)}>To the prices</Link>
        </Notice>
      )}
      {agreed && agreed.total !== estimated.total && (
        <Notice>
          Today’s lines and prices come to {money(estimated.total)}, not the {money(agreed.total)} that were agreed.
          What was added is not paid for before it is agreed: make it a change, or a new version of the statement.
        </Notice>
      )}
    </>
  );
}

const numbers = (changes: Against['changes']): string =>
  changes.map(({ number, state }) => `change ${number}, ${state}`).join('; ');

/** How far something is above or below the price, and in no change yet; else how it stands. */
function Difference({ open, changes, none }: { open: number | null; changes: Against['changes']; none: string }) {
  const money = useMoney();
  if (open === null) return <span className="soon small-text">no price</span>;
  if (open === 0) {
    const asked = changes.some(({ state }) => state !== 'approved');
    return <span className="soft small-text">{asked ? 'in a change' : changes.length > 0 ? 'settled' : none}</span>;
  }
  return (
    <span className={`mono ${open > 0 ? 'bad' : 'good'}`}>
      {open > 0 ? '+' : ''}
      {money(open)}
    </span>
  );
}

/** What was found or chosen otherwise than the price has it: each becomes a change in one step. */
function Otherwise({ view, onOpen }: { view: MoneyView; onOpen: (open: MoneyOpen) => void }) {
  const money = useMoney();
  const { give, busy } = useSend();
  const draft = (of: Against['of'], from: string, text: string): void =>
    void give(
      draftChange,
      { id: newId(), of, from },
      { text: `“${text}” is a draft change now; send it from Changes.` },
    );
  const nothing = view.against.length + view.allowances.length + view.unpaid.length === 0;
  return (
    <Block heading="Otherwise than priced">
      {nothing && <p className="soft mt-2">Nothing was found or chosen otherwise than the price has it.</p>}
      <Lines>
        {view.against.map((item) => (
          <Line
            key={item.id}
            mark={<StateIcon kind={item.draftable ? 'stop' : 'done'} />}
            beside={
              <span className="text-end">
                <Difference open={item.open} changes={item.changes} none="as priced" />
                {item.draftable && (
                  <LinkButton className="d-block" disabled={busy} onClick={() => draft(item.of, item.id, item.text)}>
                    Make it a change<Hidden>: {item.text}</Hidden>
                  </LinkButton>
                )}
              </span>
            }
          >
            {item.text}
            <div className="small-text soft">{item.note}</div>
            {item.changes.length > 0 && <div className="small-text">{numbers(item.changes)}</div>}
          </Line>
        ))}
        {view.allowances.map((item) => (
          <Line
            key={item.id}
            mark={<StateIcon kind={item.open !== 0 ? 'stop' : item.chosen === null ? 'waiting' : 'done'} />}
            beside={
              <span className="text-end">
                <Difference
                  open={item.allowed === null ? null : item.open}
                  changes={item.changes}
                  none={item.chosen === null ? 'open' : 'as allowed'}
                />
                {item.open !== 0 && (
                  <LinkButton className="d-block" disabled={busy} onClick={() => draft('finding', item.id, item.text)}>
                    Make it a change<Hidden>: {item.text}</Hidden>
                  </LinkButton>
                )}
              </span>
            }
          >
            {item.text}
            <div className="small-text soft">
              {item.allowed === null ? 'allowed, but for no sum' : `${money(item.allowed)} allowed`}
              {item.chosen === null ? '; nothing with a price is chosen yet' : `; ${money(item.chosen)} chosen`}
              {item.unsure && item.chosen !== null ? ', and not all of it' : ''}
              {item.choices.length > 0 && `: ${item.choices.map(({ text }) => text).join('; ')}`}
            </div>
            {item.changes.length > 0 && <div className="small-text">{numbers(item.changes)}</div>}
            <LinkButton className="small-text" onClick={() => onOpen({ form: 'allow', allowance: item })}>
              Hold a selection against it<Hidden>: {item.text}</Hidden>
            </LinkButton>
          </Line>
        ))}
        {view.unpaid.map((item) => (
          <Line key={item.id} mark={<StateIcon kind="waiting" />} beside={<Sum of={item.price} />}>
            {item.text}
            <div className="small-text soft">
              chosen, but no line of scope and no allowance covers it: name it on a line, or charge it to an allowance
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Payments({ view, onOpen }: { view: MoneyView; onOpen: (open: MoneyOpen) => void }) {
  const money = useMoney();
  const remove = useRemove();
  const { steps, problem, due, received } = view.payments;
  return (
    <Block
      heading="Paid by the client"
      beside={
        <span className="push d-flex gap-3 no-print">
          <LinkButton onClick={() => onOpen({ form: 'payments' })}>
            {steps.length === 0 ? 'Set the steps' : 'Change the steps'}
          </LinkButton>
          <LinkButton onClick={() => onOpen({ form: 'payment' })}>Add a payment</LinkButton>
        </span>
      }
    >
      {problem && <Notice bad>{problem}</Notice>}
      {steps.length === 0 && (
        <p className="soft mt-2">No steps yet: say in which parts the price is paid, and the statement says so too.</p>
      )}
      <Lines>
        {steps.map((step) => (
          <Line
            key={step.id}
            mark={<StateIcon kind={step.isDue ? 'waiting' : 'not-begun'} />}
            beside={
              step.amount === null ? <span className="soft small-text">no price yet</span> : <Sum of={step.amount} />
            }
          >
            {step.text}
            {step.share.kind === 'percent' && <span className="soft"> {step.share.percent} %</span>}
            <div className="small-text soft">
              {step.when}
              {step.on && step.due.kind !== 'day'
                ? `; ${step.isDue ? '' : 'by today’s plan '}${formatDay(step.on, view.today)}`
                : ''}
            </div>
          </Line>
        ))}
        {view.received.map((paid) => (
          <Line
            key={paid.id}
            mark={<StateIcon kind="done" />}
            beside={
              <span className="text-end">
                <Sum of={paid.amount} />
                <LinkButton
                  className="d-block no-print"
                  onClick={() => remove('payment', paid.id, `What was paid on ${formatDay(paid.day, view.today)}`)}
                >
                  Remove<Hidden> what was paid on {formatDay(paid.day, view.today)}</Hidden>
                </LinkButton>
              </span>
            }
          >
            Paid {formatDay(paid.day, view.today)}
            {paid.note && <span className="soft">, {paid.note}</span>}
          </Line>
        ))}
      </Lines>
      <p className={`mt-2 mb-0 ${due > 0 ? 'bad' : 'soft'}`}>
        {money(received)} paid
        {due > 0 ? `; ${money(due)} due now` : due < 0 ? `; ${money(-due)} ahead of what is due` : '; nothing due now'}
      </p>
    </Block>
  );
}

function Spending({ view, onOpen }: { view: MoneyView; onOpen: (open: MoneyOpen) => void }) {
  const remove = useRemove();
  const money = useMoney();
  const billed = view.orders.filter(({ bills }) => bills > 0);
  return (
    <Block
      heading="Spent"
      beside={
        <span className="push d-flex gap-3 align-items-baseline no-print">
          <Link href={routes.purchasing(view.job.id)}>Purchase orders</Link>
          <Button size="sm" variant="outline-secondary" onClick={() => onOpen({ form: 'spending' })}>
            Add what was spent
          </Button>
        </span>
      }
    >
      {view.spending.length + billed.length === 0 && (
        <p className="soft mt-2">
          Nothing yet: bills of subs, hours, rent, small purchases. Bills of suppliers are written beside their orders.
        </p>
      )}
      <Lines>
        {billed.map((order) => (
          <Line key={order.id} beside={<Sum of={order.billed} />}>
            <Link href={routes.purchaseOrder(view.job.id, order.id)}>
              {orderName(order.number)}, {order.supplier}
            </Link>{' '}
            <span className="small-text soft">
              {counted(order.bills, 'bill')}
              {order.toPay > 0 ? `; ${money(order.toPay)} still to be paid` : ''}
            </span>
          </Line>
        ))}
        {view.spending.map((item) => (
          <Line
            key={item.id}
            beside={
              <span className="d-flex gap-3">
                <Sum of={item.amount} />
                <LinkButton className="no-print" onClick={() => remove('spending', item.id, item.text)}>
                  Remove<Hidden> {item.text}</Hidden>
                </LinkButton>
              </span>
            }
          >
            {item.text}{' '}
            <span className="small-text soft">
              {[formatDay(item.day, view.today), SPENDING[item.kind].split(':')[0], item.area]
                .filter(Boolean)
                .join(', ')}
            </span>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
