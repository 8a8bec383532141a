'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { cancelPurchaseOrder, endPurchaseOrder } from '@/contract/commands/purchasing';
import { api, routes } from '@/contract/routes';
import type { OrderLineView, PurchaseOrderView } from '@/contract/views/purchasing';
import { BILL_KINDS } from '@/core/purchasing/bills';
import { formatDay } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { orderLetter, orderName } from '@/core/words/purchase-order';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { mailTo } from '../kit/mail';
import { Sum, useCurrency, useMoney } from '../kit/money';
import { Phone } from '../kit/phone';
import { Block, PageHead } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { useSend } from '../kit/use-send';
import { SelectionTabs } from '../selections/selection-tabs';
import { JobTabs } from '../shell/job-tabs';
import { ChangeOrder } from './order-fields';
import { BillForm, MoveForm, SendOrder, SubstituteForm } from './order-forms';

type Open = { form: 'change' | 'send' | 'came' | 'went back' | 'bill' } | { form: 'instead'; line: OrderLineView };
const TITLES: Record<Open['form'], string> = {
  change: 'Change the order',
  send: 'Send it',
  came: 'It came',
  'went back': 'It went back',
  bill: 'A bill',
  instead: 'Something else instead',
};
const STATES: Record<PurchaseOrderView['order']['state'], string> = {
  draft: 'a draft, not sent',
  sent: 'sent',
  ended: 'sent; nothing more is to come',
  cancelled: 'cancelled',
};

/** One order: what was asked for, and what came, went back and was billed of it. */
export function PurchaseOrder({ view }: { view: PurchaseOrderView }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  const { order, job } = view;
  const isLive = order.state === 'sent' || order.state === 'ended';
  return (
    <>
      <JobTabs job={job} />
      <SelectionTabs job={job.id} counts={view.counts} />
      <div className="page">
        <PageHead
          heading={
            <>
              {orderName(order.number)}: {order.supplier}
            </>
          }
        >
          <span className="soft">
            {STATES[order.state]}
            {order.sentOn ? ` ${formatDay(order.sentOn, view.today)}` : ''}
          </span>
          <span className="push actions no-print">
            {view.office && <Papers view={view} />}
            <Acts view={view} onOpen={setOpen} />
          </span>
        </PageHead>
        <Facts view={view} />
        <OrderLines view={view} isLive={isLive} onReplace={(line) => setOpen({ form: 'instead', line })} />
        {isLive && (
          <div className="columns mt-4">
            <Movements view={view} onBack={() => setOpen({ form: 'went back' })} />
            {view.office && <Bills view={view} onBill={() => setOpen({ form: 'bill' })} />}
          </div>
        )}
        <p className="mt-4 no-print">
          <Link href={routes.purchasing(job.id)}>All purchase orders</Link>
        </p>
        <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
          {open?.form === 'change' && <ChangeOrder view={view} onDone={close} />}
          {open?.form === 'send' && <SendOrder view={view} onDone={close} />}
          {(open?.form === 'came' || open?.form === 'went back') && (
            <MoveForm view={view} kind={open.form} onDone={close} />
          )}
          {open?.form === 'bill' && <BillForm view={view} onDone={close} />}
          {open?.form === 'instead' && <SubstituteForm line={open.line} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

/** The order as paper, as a list, and as a letter. */
function Papers({ view: { order, lines, job } }: { view: PurchaseOrderView }) {
  const currency = useCurrency();
  const place = [order.placeName, order.placeNote].filter(Boolean).join(', ');
  const letter = mailTo({
    address: order.email,
    subject: `${orderName(order.number)}, ${job.name}`,
    body: orderLetter(order, lines, { to: job.name, place, currency }),
  });
  return (
    <>
      <a className="btn btn-outline-secondary" href={api.jobFile(job.id, 'purchase-order.pdf', order.number)}>
        PDF
      </a>
      <a className="btn btn-outline-secondary" href={api.jobFile(job.id, 'purchase-order.csv', order.number)}>
        CSV
      </a>
      {order.state !== 'cancelled' && (
        <a className="btn btn-outline-secondary" href={letter}>
          E-mail
        </a>
      )}
    </>
  );
}

/** What can be done with it now. */
function Acts({ view, onOpen }: { view: PurchaseOrderView; onOpen: (open: Open) => void }) {
  const { give, busy } = useSend();
  const { id, version, state, number } = view.order;
  const cancel = (): void =>
    void give(
      cancelPurchaseOrder,
      { id, version },
      { text: `${orderName(number)} is cancelled.`, back: `${orderName(number)} stands again.` },
    );
  if (state === 'draft')
    return (
      <>
        <Button variant="outline-secondary" disabled={busy} onClick={cancel}>
          Cancel the order
        </Button>
        <Button variant="outline-secondary" onClick={() => onOpen({ form: 'change' })}>
          Change
        </Button>
        <Button onClick={() => onOpen({ form: 'send' })}>Send it</Button>
      </>
    );
  if (state !== 'sent') return null;
  const begun = view.bills.length > 0 || view.lines.some(({ came }) => came > 0);
  return (
    <>
      {view.office && begun && view.lines.some(({ toCome }) => toCome > 0) && (
        <Button
          variant="outline-secondary"
          disabled={busy}
          onClick={() =>
            void give(
              endPurchaseOrder,
              { id, version },
              { text: `Nothing more is to come of ${orderName(number)}.`, back: 'The rest is expected again.' },
            )
          }
        >
          Nothing more comes
        </Button>
      )}
      {view.office && !begun && (
        <Button variant="outline-secondary" disabled={busy} onClick={cancel}>
          Cancel the order
        </Button>
      )}
      <Button onClick={() => onOpen({ form: 'came' })}>It came</Button>
    </>
  );
}

/** When, where to and with whom. */
function Facts({ view: { order, today, lines } }: { view: PurchaseOrderView }) {
  const place = [order.placeName, order.placeNote].filter(Boolean).join(', ');
  const overdue = order.deliverOn !== null && order.deliverOn < today && lines.some(({ toCome }) => toCome > 0);
  const facts = [
    order.deliverOn
      ? `wanted ${formatDay(order.deliverOn, today)}${order.half ? `, in the ${order.half}` : ''}`
      : 'wanted as soon as it is there',
    place && `into ${place}`,
    order.contact && `taken in by ${order.contact}`,
  ].filter(Boolean);
  return (
    <>
      <p className={`mt-3 mb-1 ${overdue ? 'bad' : ''}`}>{capital(facts.join('; '))}.</p>
      {(order.email || order.phone) && (
        <p className="mb-1 small-text">
          {order.supplier}: {order.email} <Phone number={order.phone} />
        </p>
      )}
      {order.note && <p className="soft mb-1">{order.note}</p>}
      {order.state === 'draft' && order.waitsFor.length > 0 && (
        <p className="soon mb-1">It waits for {order.waitsFor.join(' and ')}.</p>
      )}
    </>
  );
}

interface LinesTerms {
  view: PurchaseOrderView;
  isLive: boolean;
  onReplace: (line: OrderLineView) => void;
}

function OrderLines({ view, isLive, onReplace }: LinesTerms) {
  const money = useMoney();
  const { order, lines } = view;
  const blank = isLive ? 5 : 3;
  const { office } = view;
  return (
    <table className="table-lines price-lines mt-3">
      <thead>
        <tr>
          <th>What</th>
          <th className="text-end" style={{ width: '14%' }}>
            Ordered
          </th>
          {isLive && (
            <>
              <th className="text-end" style={{ width: '10%' }}>
                Came
              </th>
              {office && (
                <th className="text-end" style={{ width: '10%' }}>
                  Billed
                </th>
              )}
            </>
          )}
          {office && (
            <>
              <th className="text-end" style={{ width: '13%' }}>
                Price
              </th>
              <th className="text-end" style={{ width: '13%' }}>
                Sum
              </th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.id}>
            <td>
              <What line={line} view={view} onReplace={onReplace} />
            </td>
            <td className="text-end" data-label="Ordered">
              <span className="mono">{line.ordered}</span> {line.unit}
              {line.packs !== null && (
                <div className="small-text soft">
                  {line.packs} × {line.perPack}
                </div>
              )}
            </td>
            {isLive && (
              <>
                <td className="text-end" data-label="Came">
                  <span className="mono">{line.came}</span>
                  {line.wentBack > 0 && <div className="small-text soft">{line.wentBack} back</div>}
                </td>
                {office && (
                  <td className="text-end" data-label="Billed">
                    <span className="mono">{line.billed}</span>
                  </td>
                )}
              </>
            )}
            {office && (
              <>
                <td className="text-end mono" data-label="Price">
                  {line.unitPrice === null ? <span className="soon small-text">no price</span> : money(line.unitPrice)}
                  {line.pricedBy === 'pack' && <div className="small-text soft">a pack</div>}
                </td>
                <td className="text-end mono" data-label="Sum">
                  {line.sum === null ? '' : money(line.sum)}
                </td>
              </>
            )}
          </tr>
        ))}
        {order.carriage !== null && (
          <tr>
            <td colSpan={blank} className="soft">
              carriage
            </td>
            <td className="text-end mono">{money(order.carriage)}</td>
          </tr>
        )}
        {office && (
          <tr>
            <td colSpan={blank} className="fw-bold">
              {view.unpriced > 0 ? 'so far, before tax' : 'in all, before tax'}
            </td>
            <td className="text-end mono fw-bold">{money(view.total)}</td>
          </tr>
        )}
        {order.deposit !== null && (
          <tr>
            <td colSpan={blank} className="soft">
              of which a deposit, before anything is made
            </td>
            <td className="text-end mono">{money(order.deposit)}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** A line in words: what it is, where for, what does not agree about it. */
function What({
  line,
  view,
  onReplace,
}: { line: OrderLineView; view: PurchaseOrderView } & Pick<LinesTerms, 'onReplace'>) {
  return (
    <>
      {line.selection === null ? (
        line.text
      ) : (
        <Link href={routes.selection(view.job.id, line.selection)}>{line.text}</Link>
      )}
      {line.code && <span className="mono small-text soft"> {line.code}</span>}
      <div className="small-text soft">
        {[
          line.area,
          line.replaces && `instead of ${line.replaces}`,
          line.instead && `may be sent instead: ${line.instead}`,
          line.toCome > 0 && line.came > 0 && `${line.toCome} ${line.unit} still to come`,
          view.order.state === 'ended' &&
            line.ordered > line.came &&
            `${Number((line.ordered - line.came).toFixed(4))} ${line.unit} never came`,
          view.office && line.toBill > 0 && `${line.toBill} ${line.unit} not billed yet`,
        ]
          .filter(Boolean)
          .join('; ')}
      </div>
      {line.mismatches.map((text) => (
        <div key={text} className="small-text bad">
          {capital(text)}.
        </div>
      ))}
      {view.office && line.canReplace && (
        <LinkButton className="small-text no-print" onClick={() => onReplace(line)}>
          Something else instead<Hidden> of {line.text}</Hidden>
        </LinkButton>
      )}
    </>
  );
}

/** What was written down of comings and goings; chosen things tell their own on their page. */
function Movements({ view, onBack }: { view: PurchaseOrderView; onBack: () => void }) {
  const remove = useRemove();
  const moves = view.lines.flatMap((line) => line.movements.map((move) => ({ ...move, line })));
  const here = view.lines.some((line) => line.came > line.wentBack);
  return (
    <Block
      heading="Came and went back"
      beside={
        here && (
          <LinkButton className="push no-print" onClick={onBack}>
            Something went back
          </LinkButton>
        )
      }
    >
      {moves.length === 0 && <p className="soft mt-2">Nothing of it came yet.</p>}
      <Lines>
        {moves.map(({ id, kind, day, quantity, note, line }) => {
          const on = day === null ? '' : ` ${formatDay(day, view.today)}`;
          const text = `${line.text}: ${quantity} ${line.unit} ${kind}${on}`;
          return (
            <Line
              key={id ?? `${line.id} ${day} ${quantity}`}
              beside={
                id !== null && (
                  <LinkButton className="no-print" onClick={() => remove('purchase-movement', id, text)}>
                    Remove<Hidden>: {text}</Hidden>
                  </LinkButton>
                )
              }
            >
              {text}
              {note && <span className="soft">, {note}</span>}
            </Line>
          );
        })}
      </Lines>
    </Block>
  );
}

function Bills({ view, onBill }: { view: PurchaseOrderView; onBill: () => void }) {
  const money = useMoney();
  const remove = useRemove();
  return (
    <Block
      heading="Billed"
      beside={
        <Button size="sm" variant="outline-secondary" className="push no-print" onClick={onBill}>
          Add a bill
        </Button>
      }
    >
      {view.bills.length === 0 && <p className="soft mt-2">No bill yet. Bills count as spent on Money.</p>}
      <Lines>
        {view.bills.map((bill) => {
          const [kind = ''] = BILL_KINDS[bill.kind].replace(/^an? /, '').split(/[,:]/);
          const text = `${capital(kind)} ${bill.number}`.trim();
          return (
            <Line
              key={bill.id}
              beside={
                <span className="d-flex gap-3">
                  <Sum of={bill.sum} />
                  <LinkButton className="no-print" onClick={() => remove('purchase-bill', bill.id, text)}>
                    Remove<Hidden> {text}</Hidden>
                  </LinkButton>
                </span>
              }
            >
              {text}, {formatDay(bill.day, view.today)}
              {bill.what && <div className="small-text soft">{bill.what}</div>}
            </Line>
          );
        })}
      </Lines>
      <p className="soft mt-2 mb-0">
        {money(view.billed)} billed{view.toPay > 0 ? `; ${money(view.toPay)} still to be paid` : ''}
        {view.depositLeft > 0 ? `; ${money(view.depositLeft)} of the deposit is not taken off yet` : ''}
      </p>
    </Block>
  );
}
