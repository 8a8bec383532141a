import { reachOf } from '@/core/news/address';
import { addDays, type Day } from '@/core/units/day';
import { hourIn } from '@/core/units/zone';
import type { CommandType, Input } from '@/contract/commands';
import type { MovedNearby, MovedOffice } from '@/contract/views/visits';
import { dispatch } from '../dispatch/dispatch';
import type { Installation } from '../installation';
import { quietUntil } from '../news/outbox';
import { firmRow, subRows } from '../reading/firm';
import { wholePlan } from '../reading/plan';
import { jobRow } from '../reading/job';
import { readFirm, type FirmReading } from '../reading/reading';
import { remindedRows } from '../reading/updates';
import { unansweredVisits } from '../reading/visits';
import { dueDecisions } from '../views/draft';
import { linksUntil } from '../views/job-head';
import { movedView, subLinksUntil } from '../views/moved';

/** What the firm wished to go out without anybody pressing. */
type Rules = NonNullable<ReturnType<typeof firmRow>>;

const anyRule = ({ tell_hour, tell_soon, remind_sub_days, remind_client_days }: Rules): boolean =>
  tell_hour !== null || tell_soon === 1 || remind_sub_days !== null || remind_client_days !== null;

/** So long a plan has stood before it is told: what is typed wrong and put right in the next minutes is told to nobody. */
const STOOD_MS = 10 * 60_000;

/** One command in the name of the rules, through the one door. @returns whether it was taken */
const give = <Type extends CommandType>(installation: Installation, type: Type, payload: Input<Type>): boolean =>
  dispatch(
    installation,
    { kind: 'desk', id: 'news' },
    { id: crypto.randomUUID(), type, at: installation.clock.now().toISOString(), payload },
  ).status === 'applied';

const sendingTo = (name: string, address: string, expiresOn: Day) => ({
  ...{ updateId: crypto.randomUUID(), messageId: crypto.randomUUID(), linkId: crypto.randomUUID() },
  ...{ name, address, expiresOn },
});

/**
 * Tells and reminds by the firm's rules, whoever has an address; who has none stays on the list of those to be told.
 * @returns how many commands it gave
 */
export function newsByRule(installation: Installation): number {
  const firm = readFirm(installation);
  const rules = firmRow(firm);
  if (!rules || !anyRule(rules) || quietUntil(installation)) return 0;
  return [
    tellMoved(installation, firm, rules),
    remindSubs(installation, readFirm(installation), rules),
    remindClients(installation, readFirm(installation), rules),
  ].reduce((sum, count) => sum + count, 0);
}

/** What moved: at the hour of the rule everything, at any time what is of today or tomorrow. */
function tellMoved(installation: Installation, firm: FirmReading, rules: Rules): number {
  const now = installation.clock.now();
  const isTime = rules.tell_hour !== null && hourIn(firm.zone, now) >= rules.tell_hour;
  const byHour = isTime && rules.told_on !== firm.today;
  if (!byHour && rules.tell_soon === 0) return 0;
  const madeAt = wholePlan(firm)?.madeAt;
  if (!madeAt || now.getTime() - Date.parse(madeAt) < STOOD_MS) return 0;
  const tomorrow = addDays(firm.today, 1);
  const texts = installation.outside.texts !== 'by hand';
  const { concerned, ends, offices, neighbours } = movedView(firm);
  const telling = concerned.flatMap((one) => {
    const address = reachOf(one, texts);
    const visits = one.visits.filter(
      ({ said, fromDay, day }) =>
        // Who said no knows; another day is told as soon as there is one.
        (said !== 'declined' || fromDay !== day) && (byHour || fromDay <= tomorrow || day <= tomorrow),
    );
    return one.sub && address && visits.length > 0 ? [{ ...one, address, visits }] : [];
  });
  const told = byHour ? ends.filter(({ email }) => email) : [];
  const others = othersOf(firm, texts, byHour ? offices : [], byHour ? neighbours : []);
  if (telling.length + told.length + others.offices.length + others.near.length === 0) return 0;
  const given = give(installation, 'visit.tell', {
    visits: telling.flatMap(({ visits }) => visits.map(({ task, day, half }) => ({ task, day, half }))),
    subs: telling.map(({ crew, name, address }) => ({
      sub: crew,
      ...sendingTo(name, address, subLinksUntil(firm.today)),
    })),
    ends: told.map(({ job, day }) => ({ job, day })),
    clients: told.map(({ job, client, email }) => ({
      job,
      ...sendingTo(client || 'the client', email, linksUntil(firm.job(job))),
    })),
    ...others,
    byHour,
  });
  return given ? 1 : 0;
}

/** Offices and neighbours who have an address. A street is told where everybody of it who is listed can be written to. */
function othersOf(firm: FirmReading, texts: boolean, offices: readonly MovedOffice[], nearby: readonly MovedNearby[]) {
  const reached = offices.filter(({ email }) => email !== '');
  const streets = nearby.filter(({ people }) => people.every((one) => reachOf(one, texts)));
  return {
    offices: reached.map(({ inspection, off }) => ({ inspection, off })),
    officeLetters: reached.map(({ inspection, office, email, pageUntil }) => ({
      ...{ inspection, ...sendingTo(office, email, pageUntil) },
    })),
    near: streets.map(({ job }) => ({ job })),
    neighbours: streets.flatMap(({ job, people }) =>
      people.map((one) => ({
        neighbour: one.id,
        ...sendingTo(one.name, reachOf(one, texts), linksUntil(firm.job(job))),
      })),
    ),
  };
}

/** Subs who were asked and have not answered for so many days: once for each time they were asked. */
function remindSubs(installation: Installation, firm: FirmReading, { remind_sub_days: days }: Rules): number {
  if (days === null) return 0;
  const before = new Date(installation.clock.now().getTime() - days * 24 * 3_600_000).toISOString();
  const late = new Set(
    unansweredVisits(firm.db, firm.today)
      .filter(({ said_at, reminded }) => said_at !== null && said_at <= before && (reminded ?? '') < said_at)
      .map(({ crew }) => crew),
  );
  const texts = installation.outside.texts !== 'by hand';
  const subs = subRows(firm).flatMap((sub) => {
    const address = reachOf(sub, texts);
    return late.has(sub.id) && address
      ? [{ sub: sub.id, ...sendingTo(sub.name, address, subLinksUntil(firm.today)) }]
      : [];
  });
  return subs.length > 0 && give(installation, 'visit.remind', { subs }) ? 1 : 0;
}

/** Clients of what is theirs to decide in so many days, each thing once for its day. */
function remindClients(installation: Installation, firm: FirmReading, { remind_client_days: days }: Rules): number {
  if (days === null) return 0;
  return firm.jobs.filter((id) => {
    const job = firm.job(id);
    const { client, client_email: address } = jobRow(job);
    if (!address) return false;
    const known = new Set(remindedRows(job).map(({ about }) => about));
    const decisions = dueDecisions(job, days).filter(({ key }) => !known.has(key));
    return (
      decisions.length > 0 &&
      give(installation, 'decision.remind', {
        ...{ job: id, decisions },
        ...sendingTo(client || 'the client', address, linksUntil(job)),
      })
    );
  }).length;
}

const EVERY_MS = 3 * 60_000;

/** Looks every few minutes; a firm without such rules has nothing looked for. */
export function startNewsRules(installation: Installation): void {
  setInterval(() => {
    try {
      newsByRule(installation);
    } catch (error) {
      console.error('News could not be told by rule; it is tried again:', error);
    }
  }, EVERY_MS).unref();
}
