import { addDays } from '@/core/units/day';
import { COAST } from '@/server/outside/simulated/weather';
import { FIRM, LICENCES, OFFICES, PEOPLE, PLANT, SUBS, SUPPLIERS } from '../firm';
import { demoId } from '../ids';
import { HOURS, MONEY } from '../prices';
import type { Teller } from './teller';

/** Numbers that ring nowhere. */
const phoneOf = (number: number): string => `0555 01${String(number).padStart(2, '0')}`;

/** The firm with its people, money, subs, offices, plant and suppliers. */
export function foundFirm(teller: Teller): void {
  teller.at(teller.when(-130, 8));
  const [owner, ...others] = PEOPLE;
  if (!owner) throw new Error('The demo firm has no owner.');
  teller.say(
    'firm.found',
    {
      ...FIRM,
      personId: demoId('person', owner.key),
      ownerName: owner.name,
      email: owner.email,
      password: 'mist over the harbour',
    },
    { kind: 'founder' },
  );
  teller.say('person.set-phone', { id: demoId('person', owner.key), phone: phoneOf(0) });
  others.forEach((person, index) =>
    teller.say('person.add', {
      id: demoId('person', person.key),
      name: person.name,
      role: person.role,
      email: person.email,
      phone: phoneOf(index + 1),
    }),
  );
  teller.say('firm.set-money', MONEY);
  for (const [trade, perHour] of HOURS) teller.say('rate.set-hour', { trade, perHour });
  for (const [at, sub] of SUBS.entries()) {
    teller.say('sub.add', {
      id: demoId('sub', sub.trade),
      name: sub.name,
      trade: sub.trade,
      also: sub.also ?? [],
      crews: sub.crews,
      leadName: sub.lead,
      email: `${sub.lead.toLowerCase()}@${sub.trade}.example`,
      phone: phoneOf(20 + at),
    });
    for (const [first, last] of sub.away ?? [])
      teller.say('sub.away', {
        sub: demoId('sub', sub.trade),
        firstDay: addDays(teller.start, first),
        lastDay: addDays(teller.start, last),
      });
  }
  for (const { trade, holder, number, days } of LICENCES)
    teller.say('licence.set', {
      ...{ id: demoId('licence', trade), sub: demoId('sub', trade), trade, holder, number },
      expiresOn: addDays(teller.start, days),
    });
  OFFICES.forEach(({ key, ...office }, index) =>
    teller.say('office.set', {
      ...{ id: demoId('office', key), ...office, phone: phoneOf(60 + index) },
      email: `desk@${key}-office.example`,
    }),
  );
  for (const { key, down, ...plant } of PLANT) {
    teller.say('plant.set', { id: demoId('plant', key), ...plant });
    if (down)
      teller.say('plant.break', {
        id: demoId('plant', key, 'down'),
        plant: demoId('plant', key),
        firstDay: addDays(teller.start, down.from),
        lastDay: addDays(teller.start, down.to),
        units: down.units,
        reason: down.reason,
      });
  }
  teller.say('normals.set', { months: COAST.map(({ month, wet, windy, frosty }) => ({ month, wet, windy, frosty })) });
  for (const { name, email = '', desk = false, closed, prices } of SUPPLIERS) {
    const id = demoId('supplier', name);
    teller.say('supplier.add', {
      id,
      name,
      email,
      desk,
      phone: phoneOf(70 + SUPPLIERS.findIndex((demoSupplier) => demoSupplier.name === name)),
    });
    if (closed)
      teller.say('supplier.close', {
        supplier: id,
        firstDay: addDays(teller.start, closed.from),
        lastDay: addDays(teller.start, closed.to),
        why: closed.why,
      });
    if (prices)
      teller.say('supplier.prices', {
        supplier: id,
        lines: prices.map(({ lead: [leadLow, leadHigh], ...line }) => ({ ...line, leadLow, leadHigh })),
      });
  }
}

/** Whoever leads sites sees those, and not what they cost. */
export function letLead(teller: Teller): void {
  for (const { key, leads } of PEOPLE)
    if (leads)
      teller.say('person.set-sees', {
        id: demoId('person', key),
        version: 1,
        jobs: leads.map((job) => demoId(job)),
        prices: false,
      });
}
