import { createHash } from 'node:crypto';
import { arrival, orderDay } from '@/core/selections/order-by';
import { addDays, daysBetween, type Day } from '@/core/units/day';
import type { SupplierDesk } from '../ports';

const EXCUSES = [
  'the press broke down and a part for it is on its way',
  'one batch did not pass their own check',
  'their timber came in wet and has to dry',
  'two people are ill and the line runs on one shift',
];

/** A number from 0 to 1 that is the same for the same order and question. */
const chance = (id: string, question: string): number =>
  (createHash('sha256').update(`${id} ${question}`).digest()[0] ?? 0) / 256;

/**
 * A stand-in for suppliers: nothing leaves the machine. It confirms on the working day after the order with a day
 * within the lead time, starts making a third of the way in, slips in three of ten orders half way, sends one in six in
 * two parts, and ships two days before. Seeded by the order's id: the same order hears the same words.
 */
export const simulatedSuppliers: SupplierDesk = {
  next: ({ id, state, orderedOn, expectedOn, leadLow, leadHigh, quantity, closures, spoken }) => {
    if (state === 'ordered' || expectedOn === null) {
      const lead = Math.round(leadLow + (leadHigh - leadLow) * chance(id, 'lead'));
      const on = orderDay(addDays(orderedOn, 1), closures);
      return {
        on,
        says: 'confirms',
        day: orderDay(arrival(orderedOn, lead, closures), closures),
        text: 'Thank you for your order.',
      };
    }
    const whole = Math.max(1, daysBetween(orderedOn, expectedOn));
    const at = (part: number): Day => orderDay(addDays(orderedOn, Math.floor(whole * part)), closures);
    if (state === 'confirmed') return { on: at(0.33), says: 'in making', text: 'It is being made.' };
    if (state === 'in making') {
      if (spoken <= 2 && chance(id, 'slip') < 0.3)
        return {
          on: at(0.5),
          says: 'slips',
          day: orderDay(addDays(expectedOn, 3 + Math.floor(chance(id, 'days') * 10)), closures),
          text: EXCUSES[Math.floor(chance(id, 'excuse') * EXCUSES.length)] ?? '',
        };
      const part = quantity !== null && quantity >= 4 && Number.isInteger(quantity) && chance(id, 'part') < 0.17;
      return part
        ? {
            on: addDays(expectedOn, -2),
            says: 'ships part',
            quantity: Math.ceil(quantity * 0.75),
            day: orderDay(addDays(expectedOn, 7), closures),
            text: 'The rest follows.',
          }
        : { on: addDays(expectedOn, -2), says: 'ships', text: 'It is on the lorry.' };
    }
    return undefined;
  },
};
