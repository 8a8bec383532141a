import type { FirmView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import { monthName } from '@/core/units/month';
import { timeIn } from '@/core/units/zone';
import type { Installation } from '../installation';
import { awayRows, tradesOfSubs } from '../reading/crews';
import {
  firmRow,
  holidayRows,
  normalRows,
  peopleOf,
  keptJobs,
  removedJobs,
  subRows,
  tradesNeeded,
} from '../reading/firm';
import { hourRates } from '../reading/money';
import { wholePlan } from '../reading/plan';
import { readFirm } from '../reading/reading';

/** Who the firm is and whom it calls in. */
export function firmView(installation: Installation): FirmView {
  const firm = readFirm(installation);
  const { zone, today: now } = firm;
  const row = firmRow(firm);
  const open = (wholePlan(firm)?.tasks ?? []).filter((task) => task.state !== 'done');
  const works = groupBy(open, (task) => task.crew ?? '');
  const away = awayRows(firm);
  const subs = [...subRows(firm)].sort((a, b) => (a.trade < b.trade ? -1 : a.trade > b.trade ? 1 : 0));
  const known = new Set([...tradesOfSubs(firm).values()].flat());
  return {
    name: row?.name ?? '',
    town: row?.town ?? '',
    zone,
    today: now,
    time: timeIn(zone, installation.clock.now()),
    people: peopleOf(firm),
    subs: subs.map((sub) => ({
      id: sub.id,
      version: sub.version,
      name: sub.name,
      trade: sub.trade,
      also: (tradesOfSubs(firm).get(sub.id) ?? []).slice(1),
      crews: sub.crews,
      leadName: sub.lead_name,
      email: sub.email,
      phone: sub.phone,
      away: (away.get(sub.id) ?? []).map((row) => ({ firstDay: row.first_day, lastDay: row.last_day })),
      works: works.get(sub.id)?.length ?? 0,
    })),
    holidays: holidayRows(firm)
      .filter(({ day }) => day >= now)
      .map(({ day, name }) => ({ day, name })),
    normals: normalRows(firm).map((row) => ({ ...row, name: monthName(row.month) })),
    removed: removedJobs(firm).map(({ id, name }) => ({ id, name })),
    jobs: keptJobs(firm).map(({ id, name }) => ({ id, name })),
    money: {
      currency: row?.currency ?? '',
      markup: row?.markup ?? 0,
      taxRate: row?.tax_rate ?? 0,
      taxShown: row?.tax_shown ?? 'apart',
      tripCost: row?.trip_cost ?? null,
    },
    hours: [...hourRates(firm)].map(([trade, perHour]) => ({ trade, perHour })),
    missing: tradesNeeded(firm).flatMap((trade) => (known.has(trade) ? [] : [trade])),
  };
}
