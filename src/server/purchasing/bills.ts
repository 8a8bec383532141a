import { depositLeft } from '@/core/purchasing/bills';
import { insert } from '../database/query';
import { handlers, requireRow } from '../door/handler';
import { notFound, unprocessable } from '../refusal';
import { formatMoney } from '@/core/units/money';
import { currencyOfFirm } from '../reading/money';
import { ordersOf } from '../reading/purchasing';
import { readJob } from '../reading/reading';
import { requirePastDay } from '../selections/days';

export const billHandlers = handlers({
  'purchase-order.bill': (context, { id, purchaseOrder, kind, number, day, lines, other, lessDeposit }) => {
    const { job, state } = requireRow(context, 'purchase_order', purchaseOrder, 'purchaseOrder');
    if (state !== 'sent' && state !== 'ended')
      throw unprocessable('order-state', 'This order was not sent: nothing of it can be billed.', 'purchaseOrder');
    requirePastDay(context, day, 'day');
    const reading = readJob(context.installation, job);
    const order = ordersOf(reading).find(({ row }) => row.id === purchaseOrder);
    if (!order) throw notFound('purchase order', 'purchaseOrder');
    if (number !== '' && order.bills.some((bill) => bill.kind === kind && bill.number === number))
      throw unprocessable('billed-already', `${number} is written down already.`, 'number');
    const left = depositLeft(order.bills);
    if (kind === 'bill' && lessDeposit > left)
      throw unprocessable(
        'no-such-deposit',
        `Only ${formatMoney(left, currencyOfFirm(reading.firm))} of a deposit is left to take off.`,
        'lessDeposit',
      );
    insert(context.db, 'purchase_bill', {
      ...{ id, job, kind, number, day, other },
      purchase_order: purchaseOrder,
      less_deposit: kind === 'bill' ? lessDeposit : 0,
    });
    lines.forEach(({ line, quantity, amount }, at) => {
      if (quantity === undefined || kind === 'deposit') return;
      const found = order.lines.find(({ row }) => row.id === line);
      if (!found) throw notFound('line of this order', `lines[${at}].line`);
      if (kind === 'credit' && quantity > found.matched.billed)
        throw unprocessable(
          'more-than-billed',
          `Only ${found.matched.billed} ${found.row.unit} of it were billed.`,
          `lines[${at}].quantity`,
        );
      insert(context.db, 'purchase_bill_line', { bill: id, line, job, quantity, amount: amount ?? 0 });
    });
    context.logFor(job);
  },
});
