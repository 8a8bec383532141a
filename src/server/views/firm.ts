import type { FirmView } from '@/contract/views/firm';
import { groupBy } from '@/core/group-by';
import { TRADE_KEYS } from '@/core/sequence/trades';
import { formatTime, monthName } from '@/core/units/date-words';
import { timeIn } from '@/core/units/zone';
import { publicRoutes } from '@/contract/routes';
import type { PersonView } from '@/contract/views/job';
import type { Installation } from '../installation';
import { invitationToken, openInvitations } from '../accounts/invitations';
import { liveSessions } from '../accounts/sessions';
import { newestSignIns, type Outcome } from '../accounts/sign-ins';
import { whenSeen } from '../words';
import { awayRows, tradesOfSubs, tradesUnserved } from '../reading/crews';
import {
  accountRows,
  erasureRows,
  firmRow,
  holidayRows,
  normalRows,
  keptJobs,
  jobsOfPeople,
  closedJobs,
  removedJobs,
  subRows,
} from '../reading/firm';
import { licenceRows, licensedTrades } from '../reading/licences';
import { hourRates } from '../reading/money';
import { wholePlan } from '../reading/plan';
import { readFirm, type FirmReading } from '../reading/reading';
import { machineView } from './machine';

const rulesOf = (row: ReturnType<typeof firmRow>): FirmView['rules'] => ({
  tellHour: row?.tell_hour ?? null,
  tellSoon: row?.tell_soon === 1,
  remindSubDays: row?.remind_sub_days ?? null,
  remindClientDays: row?.remind_client_days ?? null,
});

function licencesView(firm: FirmReading): FirmView['licences'] {
  const names = new Map(subRows(firm).map(({ id, name }) => [id as string, name]));
  return licenceRows(firm).map(({ id, version, sub, trade, holder, number, expires_on: expiresOn }) => ({
    ...{ id, version, sub: sub ?? '', trade, holder, number, expiresOn },
    of: names.get(sub ?? '') ?? 'our own people',
    over: expiresOn !== null && expiresOn < firm.today,
  }));
}

/** Who belongs to the firm and how they come in. */
function peopleView(installation: Installation, firm: FirmReading, isOwner: boolean): FirmView['people'] {
  const sessions = groupBy(liveSessions(installation), ({ person }) => person as string);
  const invitations = new Map(openInvitations(installation).map(({ id, person }) => [person as string, id]));
  const jobs = jobsOfPeople(firm);
  return accountRows(firm).map((row) => {
    const { id, version, name, role, email, phone, state, joined } = row;
    const theirs = sessions.get(id) ?? [];
    const invitation = isOwner ? invitations.get(id) : undefined;
    const [seen] = theirs
      .map(({ seen_at }) => seen_at)
      .sort()
      .reverse();
    return {
      ...{ id, version, name, role, sub: row.sub ?? '', email, phone, state, joined: joined === 1 },
      sessions: theirs.length,
      jobs: role === 'lead' ? (jobs.get(id) ?? []).map(({ job }) => job) : null,
      prices: role !== 'lead' || row.sees_prices === 1,
      seen: seen ? whenSeen(seen, firm) : '',
      invitation: invitation ? publicRoutes.join(invitationToken(installation, invitation)) : null,
    };
  });
}

const erasuresView = (firm: FirmReading): FirmView['erasures'] =>
  erasureRows(firm).map(({ id, at, stand_in: standIn, places, still }) => ({
    ...{ id, standIn, still, when: whenSeen(at, firm) },
    times: (JSON.parse(places) as { times: number }[]).reduce((sum, { times }) => sum + times, 0),
  }));

const DOOR = 40;
const HAPPENED: Record<Outcome, string> = {
  in: 'came in',
  out: 'went out',
  wrong: 'wrong password',
  'wrong code': 'wrong code',
  closed: 'tried, and is not let in',
  'new password': 'chose a password',
};

const doorView = ({ db }: Installation, firm: FirmReading): FirmView['door'] =>
  newestSignIns(db, DOOR).map(({ id, at, email, outcome, source, device }) => ({
    ...{ key: id, when: whenSeen(at, firm), who: email, how: HAPPENED[outcome], from: `${device}, ${source}` },
    bad: ['wrong', 'wrong code', 'closed'].includes(outcome),
  }));

type OfOffice = Pick<FirmView, 'money' | 'hours' | 'removed' | 'jobs' | 'closed'>;
const NOT_THEIRS: OfOffice = { money: null, hours: [], removed: [], jobs: [], closed: [] };

/** What only the contractor and the office read of the firm. */
function ofOffice(firm: FirmReading): OfOffice {
  const row = firmRow(firm);
  return {
    removed: removedJobs(firm).map(({ id, name }) => ({ id, name })),
    closed: closedJobs(firm).map(({ id, name }) => ({ id, name })),
    jobs: keptJobs(firm).map(({ id, name }) => ({ id, name })),
    money: {
      currency: row?.currency ?? '',
      markup: row?.markup ?? 0,
      taxRate: row?.tax_rate ?? 0,
      taxShown: row?.tax_shown ?? 'apart',
      tripCost: row?.trip_cost ?? null,
    },
    hours: [...hourRates(firm)].map(([trade, perHour]) => ({ trade, perHour })),
  };
}

/** By which clock it lives, and how it writes days and hours. */
function timeView(
  { clock }: Installation,
  firm: FirmReading,
): Pick<FirmView, 'zone' | 'time' | 'dates' | 'clockHours'> {
  const [row, { zone }] = [firmRow(firm), firm];
  return {
    ...{ zone, time: formatTime(timeIn(zone, clock.now())) },
    ...{ dates: row?.dates ?? 'en', clockHours: row?.clock_hours ?? 24 },
  };
}

/** Who the firm is and whom it calls in. */
export function firmView(installation: Installation, { role }: Pick<PersonView, 'role'>): FirmView {
  const isOwner = role === 'contractor';
  const firm = readFirm(installation);
  const { today: now } = firm;
  const row = firmRow(firm);
  const open = (wholePlan(firm)?.tasks ?? []).filter((task) => task.state !== 'done');
  const works = groupBy(open, (task) => task.crew ?? '');
  const away = awayRows(firm);
  const subs = [...subRows(firm)].sort((a, b) => (a.trade < b.trade ? -1 : a.trade > b.trade ? 1 : 0));
  return {
    name: row?.name ?? '',
    town: row?.town ?? '',
    today: now,
    ...timeView(installation, firm),
    people: peopleView(installation, firm, isOwner),
    door: isOwner ? doorView(installation, firm) : [],
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
    licensed: TRADE_KEYS.filter((trade) => licensedTrades(firm).has(trade)),
    licences: licencesView(firm),
    machine: isOwner && !installation.demo ? machineView(installation) : null,
    rules: rulesOf(row),
    retention: {
      ...{ recordings: row?.keep_recordings ?? null, origins: row?.keep_origins ?? null },
      neighbours: row?.keep_neighbours ?? null,
    },
    erasures: isOwner ? erasuresView(firm) : [],
    holidays: holidayRows(firm)
      .filter(({ day }) => day >= now)
      .map(({ day, name }) => ({ day, name })),
    normals: normalRows(firm).map((row) => ({ ...row, name: monthName(row.month) })),
    ...(role === 'lead' ? NOT_THEIRS : ofOffice(firm)),
    missing: tradesUnserved(firm),
  };
}
