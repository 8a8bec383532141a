import { addDays, type Day } from '@/core/units/day';
import type { Happened } from './happened';
import { demoId } from './ids';
import { JOB_MONEY, type DemoOrder } from './prices';
import type { DemoJob } from './scenario';

/** What was paid and spent at a job since it began. */
export function spendingOf({ key }: DemoJob, start: Day): Happened[] {
  const money = JOB_MONEY[key];
  const id = (...path: string[]): string => demoId(key, ...path);
  return [
    ...(money?.received ?? []).map(({ day, ...paid }, at): Happened => ({
      ...{ day, hour: 17 },
      said: {
        type: 'payment.add',
        payload: { ...paid, id: id('payment', String(at)), job: id(), day: addDays(start, day) },
      },
    })),
    ...(money?.spending ?? []).map(({ day, area, ...spent }, at): Happened => ({
      ...{ day, hour: 17, minute: at },
      said: {
        type: 'spending.add',
        payload: {
          ...spent,
          id: id('spending', String(at)),
          job: id(),
          day: addDays(start, day),
          ...(area ? { area: id('area', area) } : {}),
        },
      },
    })),
  ];
}

/** What went out to suppliers on paper, and what became of it. */
export const purchasesOf = ({ key }: DemoJob, start: Day): Happened[] =>
  (JOB_MONEY[key]?.orders ?? []).flatMap((order, at) => storyOf(key, order, { at, start }));

function storyOf(key: string, order: DemoOrder, { at, start }: { at: number; start: Day }): Happened[] {
  const id = (...path: string[]): string => demoId(key, ...path);
  const own = (...path: string[]): string => id('purchase-order', String(at), ...path);
  const on = (day: number): Day => addDays(start, day);
  const { lines, day, ...bill } = order.bill;
  const wrote: Happened['said'] = {
    type: 'purchase-order.add',
    payload: {
      id: own(),
      job: id(),
      supplier: order.supplier,
      deliverOn: on(order.wanted),
      place: id('area', order.place),
      contact: order.contact,
      carriage: order.carriage,
      lines: order.lines.map(({ came: _, calculation, ...line }, number) => ({
        ...line,
        id: own('line', String(number)),
        ...(calculation === undefined ? {} : { calculation: id('calculation', String(calculation)) }),
      })),
    },
  };
  const went = { day: order.day, hour: 11, minute: at };
  const came = { day: order.cameOn, hour: 9, minute: at };
  return [
    { ...went, said: wrote },
    { ...went, said: { type: 'purchase-order.send', payload: { id: own(), version: 1, day: on(order.day) } } },
    {
      ...came,
      said: {
        type: 'purchase-order.move',
        payload: {
          ...{ id: own(), kind: 'came', day: on(order.cameOn) },
          lines: order.lines.map((line, number) => ({ line: own('line', String(number)), quantity: line.came })),
        },
      },
    },
    {
      ...came,
      said: {
        type: 'purchase-order.bill',
        payload: {
          ...bill,
          ...{ id: own('bill'), purchaseOrder: own(), kind: 'bill', day: on(day) },
          lines: lines.map((line, number) => ({ ...line, line: own('line', String(number)) })),
        },
      },
    },
  ];
}
