'use client';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { routes } from '@/contract/routes';
import type { PurchaseOrderHead, PurchasingView, ToOrder } from '@/contract/views/purchasing';
import { packWord } from '@/core/scope/materials';
import { formatDay } from '@/core/units/day';
import { sum } from '@/core/units/rounding';
import { counted } from '@/core/words/count';
import { orderName } from '@/core/words/purchase-order';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { Sum, useMoney } from '../kit/money';
import { Block, BlockHead, Empty, PageHead } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { StateIcon, type StateIconKind } from '../kit/state-icon';
import { SelectionTabs } from '../selections/selection-tabs';
import { JobTabs } from '../shell/job-tabs';
import { NewOrder } from './order-fields';

/** What goes to suppliers as one paper each, and what is to be ordered next. */
export function Purchasing({ view }: { view: PurchasingView }) {
  const router = useRouter();
  const money = useMoney();
  const [open, setOpen] = useState<{ group?: ToOrder }>();
  const sent = view.orders.filter(({ state }) => state === 'sent' || state === 'ended');
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.purchase-order">Purchase orders</Means>}>
          <span className="soft">
            {sent.length === 0
              ? 'none went out yet'
              : [
                  `${counted(sent.length, 'order')} went out`,
                  view.office && `${money(sum(sent.map(({ total }) => total)))} before tax`,
                ]
                  .filter(Boolean)
                  .join(', ')}
          </span>
          {view.office && (
            <span className="push no-print">
              <Button variant="outline-secondary" onClick={() => setOpen({})}>
                New order
              </Button>
            </span>
          )}
        </PageHead>
        <div className="main-and-aside">
          {view.office && (
            <Block heading="To be ordered">
              {view.toOrder.length === 0 && (
                <p className="soft mt-2">
                  Nothing: all that is chosen, and all that kept results buy, is ordered or stands on a draft.
                </p>
              )}
              {view.toOrder.map((group) => (
                <Group key={group.supplier} group={group} view={view} onOrder={() => setOpen({ group })} />
              ))}
            </Block>
          )}
          <Block heading="Orders">
            {view.orders.length === 0 && (
              <Empty>
                <p className="mb-0">
                  No order yet. An order gathers what one supplier brings: codes, packs, prices, the day and the place.
                  It goes out as a paper or a list, and what comes and is billed is held against it.
                </p>
              </Empty>
            )}
            <Lines>
              {view.orders.map((order) => (
                <OrderLine key={order.id} order={order} view={view} />
              ))}
            </Lines>
          </Block>
        </div>
        <SidePanel title="A purchase order" open={open !== undefined} onClose={() => setOpen(undefined)}>
          {open && (
            <NewOrder
              view={view}
              group={open.group}
              onDone={(id) => router.push(routes.purchaseOrder(view.job.id, id))}
            />
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** What is to be ordered of one supplier; what must go out first stands first. */
function Group({ group, view, onOrder }: { group: ToOrder; view: PurchasingView; onOrder: () => void }) {
  const name = group.supplier || 'No supplier yet';
  return (
    <section className="mt-3">
      <BlockHead heading={name}>
        {group.orderBy && (
          <span className={`small-text ${group.late ? 'bad' : 'soft'}`}>
            order by {formatDay(group.orderBy, view.today)}
          </span>
        )}
        <Button size="sm" className="push no-print" onClick={onOrder}>
          Write the order<Hidden> to {name}</Hidden>
        </Button>
      </BlockHead>
      <Lines>
        {group.lines.map((line) => (
          <Line
            key={line.key}
            mark={<StateIcon kind={line.waitsFor.length > 0 ? 'waiting' : 'not-begun'} />}
            beside={
              <span className="text-end small-text">
                {line.quantity === null ? (
                  <span className="soon">how many?</span>
                ) : (
                  <>
                    <span className="mono">{line.quantity}</span> {packWord(line.quantity, line.unit)}
                  </>
                )}
              </span>
            }
          >
            {line.text} {line.code && <span className="mono small-text soft">{line.code}</span>}
            <div className="small-text soft">
              {[
                line.area,
                line.orderBy && line.orderBy !== group.orderBy && `order by ${formatDay(line.orderBy, view.today)}`,
                line.waitsFor.length > 0 && `waits for ${line.waitsFor.join(' and ')}`,
              ]
                .filter(Boolean)
                .join('; ')}
            </div>
          </Line>
        ))}
      </Lines>
    </section>
  );
}

/** How an order stands, as a mark and in words. */
function standing(order: PurchaseOrderHead, today: string): { kind: StateIconKind; text: string; bad?: true } {
  if (order.state === 'draft') return { kind: 'not-begun', text: 'a draft' };
  if (order.state === 'cancelled') return { kind: 'not-begun', text: 'cancelled' };
  if (order.mismatches > 0)
    return { kind: 'stop', text: `${counted(order.mismatches, 'thing')} to look into`, bad: true };
  if (order.late) return { kind: 'stop', text: `was wanted ${formatDay(order.deliverOn ?? today, today)}`, bad: true };
  if (order.toCome)
    return {
      kind: 'waiting',
      text: order.deliverOn ? `wanted ${formatDay(order.deliverOn, today)}` : 'on its way',
    };
  return { kind: 'done', text: 'all of it came' };
}

function OrderLine({ order, view }: { order: PurchaseOrderHead; view: PurchasingView }) {
  const { kind, text, bad } = standing(order, view.today);
  return (
    <Line mark={<StateIcon kind={kind} />} beside={view.office && <Sum of={order.total} />}>
      <Link href={routes.purchaseOrder(view.job.id, order.id)}>
        {orderName(order.number)}, {order.supplier}
      </Link>
      <div className="small-text soft">{order.what}</div>
      <div className={`small-text ${bad ? 'bad' : 'soft'}`}>
        {text}
        {order.unpriced > 0 ? `; ${counted(order.unpriced, 'line')} without a price` : ''}
      </div>
    </Line>
  );
}
