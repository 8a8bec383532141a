import type { ClientShared, CrewShared, NeighbourShared, PartyShared, SharedView } from '@/contract/views/news';
import type { Reader } from '@/contract/commands/news';
import { groupBy } from '@/core/group-by';
import { lineNet, wholePrice } from '@/core/money/price';
import { statementDiff } from '@/core/scope/statement';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { sayLicence } from '@/core/words/licence';
import { sayWork } from '@/core/words/work';
import type { NextWork } from '@/core/news/news';
import { countedWords } from '@/core/walks/record-words';
import { isEmptyBrief } from '@/core/scope/brief';
import type { PlannedTask } from '@/core/schedule/plan';
import type { Trade } from '@/core/sequence/trades';
import { addDays } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import type { Installation } from '../installation';
import { stepMeaning } from '@/core/words/meanings';
import { nextWork } from '../plan/effect';
import { clientChange, liveChanges } from '../views/changes';
import { contentOf } from '../views/statement';
import { alternativesOf, selectionsOf } from '../views/selection';
import { requestViews } from '../views/requests';
import { holdsOf } from '../views/holds';
import { livingGaps, livingOff } from '../views/living';
import { draftOfNow, thereAt } from '../views/draft';
import { leftAloneTonight } from '../views/tonight';
import { houseOf } from '../views/house';
import { tourOf } from '../views/tour';
import { settledByClient } from '../reading/history';
import { papersForCrews } from '../views/attachments';
import { begunBySub, subVisits } from '../views/sub-visits';
import { briefIn, briefOfJob, findingsOf } from '../views/scope-parts';
import { firmRow, subRows, writerOf } from '../reading/firm';
import { areaNames, areaRows, jobRow } from '../reading/job';
import { licenceFor } from '../reading/licences';
import { planOf, wholePlan, type StoredPlan } from '../reading/plan';
import { ofJob, readFirm, readJob, type FirmReading, type JobReading } from '../reading/reading';
import { carriedOf } from '../reading/standing';
import { currencyOfFirm, priceTerms } from '../reading/money';
import { statementRows, type StatementRow } from '../reading/statements';
import { messageOfLink, questionsOfLink, sentUpdates } from '../reading/updates';
import { signOffRows } from '../reading/walks';
import { assemblyCautions } from '../reading/assemblies';
import { clientItems } from '../views/completion';
import { whenSeen } from '../words';
import type { OpenLink } from './links';
import { partyShared } from './party';

/** What a link shows. */
export const sharedView = (installation: Installation, link: OpenLink): SharedView =>
  link.audience === 'client' && link.job
    ? clientShared(readJob(installation, link.job), link)
    : link.audience === 'neighbour' && link.job
      ? neighbourShared(readJob(installation, link.job), link)
      : link.audience === 'party' && link.job
        ? partyPage(readJob(installation, link.job), link)
        : crewShared(link.job ? readJob(installation, link.job).firm : readFirm(installation), link);

type Base = Pick<
  SharedView,
  'firm' | 'recipient' | 'today' | 'expiresOn' | 'acknowledged' | 'canAcknowledge' | 'call' | 'questions' | 'askAbout'
>;

/** @param jobs those one may ask about */
function base(firm: FirmReading, link: OpenLink, jobs: readonly string[]): Base {
  const message = messageOfLink(firm.db, link.id);
  const { name, phone } = writerOf(firm);
  return {
    firm: firmRow(firm)?.name ?? '',
    recipient: link.recipient,
    today: firm.today,
    expiresOn: link.expires_on,
    acknowledged: message?.acknowledged_at
      ? `${message.acknowledged_by ?? ''}, ${whenSeen(message.acknowledged_at, firm)}`
      : null,
    canAcknowledge: message !== undefined,
    call: { name, phone },
    questions: questionsOfLink(firm, link.id).map((row) => ({
      ...{ id: row.id, name: row.name, text: row.text, when: whenSeen(row.asked_at, firm), answer: row.answer },
      answered: row.answered_at ? [row.answered_by, whenSeen(row.answered_at, firm)].filter(Boolean).join(', ') : '',
    })),
    askAbout: jobs.map((id) => ({ id, name: jobRow(firm.job(id)).name })),
  };
}

function neighbourShared(job: JobReading, link: OpenLink): NeighbourShared {
  const { title, parts } = draftOfNow(job, 'neighbour');
  return {
    ...base(job.firm, link, [job.id]),
    audience: 'neighbour',
    ...{ title, parts },
    updates: updatesFor(job, 'neighbour'),
  };
}

const partyPage = (job: JobReading, link: OpenLink): PartyShared => ({
  ...base(job.firm, link, [job.id]),
  ...partyShared(job, link),
});

/** How many updates a link shows: the newest. */
const UPDATES = 4;

const updatesFor = (job: JobReading, audience: Reader): { title: string; body: string; when: string }[] =>
  sentUpdates(job, audience, UPDATES).map(({ title, body, sent_at }) => ({
    title,
    body,
    when: sent_at ? whenSeen(sent_at, job.firm) : '',
  }));

/** What the steps of the next two weeks are, for somebody who is not of the trade. */
function meaningsOf(job: JobReading): ClientShared['now']['meanings'] {
  const plan = planOf(job);
  const works = plan ? nextWork(plan, new Set([job.id]), job.firm.today, MEANT_DAYS) : [];
  const phases = new Set(works.flatMap(({ phase }) => (phase && !phaseFacts(phase).hold ? [phase] : [])));
  return [...phases].map((phase) => ({ word: capital(phaseFacts(phase).plain), means: stepMeaning(phase).means }));
}
const MEANT_DAYS = 12;

/** As much as somebody reads of what was found of late, the newest; the rest is in the letters beneath, or in the next. */
const MOST_FOUND = 8;

/** How things stand, in the words of a client’s news. */
function nowOf(job: JobReading): ClientShared['now'] {
  const { parts } = draftOfNow(job, 'client');
  const texts = (key: string): string[] => parts.find((part) => part.key === key)?.lines.map(({ text }) => text) ?? [];
  return {
    opening: texts('opening').join(' '),
    found: texts('found').slice(-MOST_FOUND),
    weeks: texts('next'),
    ahead: texts('ahead').join(' '),
    meanings: meaningsOf(job),
  };
}

const clientShared = (job: JobReading, link: OpenLink): ClientShared => ({
  ...base(job.firm, link, [job.id]),
  ...forClients(job),
});

/** What every client's page of a job shows. A part of the reading: whoever looks before anything is written is shown the same. */
const forClients = ofJob((job): Omit<ClientShared, keyof Base> => {
  const { name, address } = jobRow(job);
  return {
    audience: 'client',
    job: { name, address },
    now: nowOf(job),
    house: houseOf(job),
    tour: tourOf(job),
    updates: updatesFor(job, 'client'),
    household: {
      gaps: livingGaps(job),
      off: livingOff(job)
        .slice(0, 12)
        .map(({ when, text }) => ({ when, text })),
    },
    decisions: holdsOf(job)
      .filter((hold) => hold.kind === 'client' && hold.request === null)
      .map((hold) => ({ text: capital(hold.text), by: hold.expectedOn })),
    receipts: receiptsOf(job),
    choices: choicesOf(job),
    requests: requestViews(job)
      .filter((request) => request.party === 'client' && request.standing === 'sent')
      .map((request) => ({
        id: request.id,
        kind: request.kind,
        subject: request.subject,
        by: request.neededBy,
        waits: request.waits.map((wait) => wait.text),
      })),
    completion: completionShared(job),
    statement: statementShared(job),
    changes: liveChanges(job)
      .filter((row) => row.state !== 'draft')
      .map((row) => clientChange(job, row)),
    currency: currencyOfFirm(job.firm),
  };
});

/** What they settled on their pages, each with its time. */
const receiptsOf = (job: JobReading): ClientShared['receipts'] =>
  settledByClient(job).map(({ id, at, text, category, subject }) => ({
    ...{ key: id, when: whenSeen(at, job.firm) },
    text: `${capital(category ?? subject ?? '')}: ${text}`,
  }));

/**
 * What is open and the client's to choose. Prices are for all of it where it is known how many, everything included; what
 * is held against an allowance says what it is above or below that.
 */
function choicesOf(job: JobReading): ClientShared['choices'] {
  const terms = priceTerms(job);
  const allowed = new Map(
    findingsOf(job).flatMap(({ id, quantity, unitPrice }) =>
      unitPrice === null
        ? []
        : [[id, wholePrice(lineNet({ quantity: quantity ?? 1, unitPrice }, terms.currency), terms)] as const],
    ),
  );
  return selectionsOf(job)
    .filter((item) => item.state === 'open' && item.decides === 'client')
    .map((item) => ({
      id: item.id,
      what: `${item.category}, ${item.area}`,
      by: item.decideBy,
      allowed: item.allowance === null ? null : (allowed.get(item.allowance) ?? null),
      alternatives: alternativesOf(job, item.id).map(({ id, choice, unitPrice, look, upkeep, picture }) => ({
        id,
        choice,
        look,
        upkeep,
        picture,
        price:
          unitPrice === null
            ? null
            : wholePrice(lineNet({ quantity: item.quantity ?? 1, unitPrice }, terms.currency), terms),
      })),
    }));
}

/** The newest statement that the client was sent. */
export const sentStatement = (job: JobReading): StatementRow | undefined =>
  statementRows(job).find((row) => row.state !== 'made');

/** Their list and their rooms, once the job comes to its end. */
function completionShared(job: JobReading): ClientShared['completion'] {
  if (!['completing', 'closed'].includes(jobRow(job).state)) return null;
  const accepted = new Map<string, string>(
    signOffRows(job).map((row) => [row.area, `${row.name}, ${whenSeen(row.at, job.firm)}`]),
  );
  return {
    items: clientItems(job).map(({ id, text, area, state, answer }) => ({ id, text, area, state, answer })),
    areas: areaRows(job).map(({ id, name }) => ({ id, name, accepted: accepted.get(id) ?? null })),
  };
}

function statementShared(job: JobReading): ClientShared['statement'] {
  const row = sentStatement(job);
  if (!row) return null;
  // What they see as changed is against what they were sent before.
  const former = statementRows(job).find((statement) => statement.number < row.number && statement.state !== 'made');
  return {
    id: row.id,
    number: row.number,
    content: contentOf(row),
    diff: former ? { ...statementDiff(contentOf(former), contentOf(row)), against: former.number } : null,
    agreed: row.agreed_at ? `${row.agreed_by ?? ''}, ${whenSeen(row.agreed_at, job.firm)}` : null,
  };
}

/**
 * A job's crews, or one sub over all its jobs: who, where, when, what must be ready before, and who needs the room
 * next.
 * @param only of one job alone
 */
function crewShared(firm: FirmReading, link: OpenLink, only?: string): CrewShared {
  const plan = link.job ? planOf(firm.job(link.job)) : wholePlan(firm);
  const mine = (plan?.tasks ?? []).filter(
    (task) =>
      task.crew !== null && (link.sub === null || task.crew === link.sub) && (only === undefined || task.job === only),
  );
  const jobIds = new Set<string>(link.job ? [link.job] : mine.map((task) => task.job));
  const jobs = new Map([...jobIds].map((id) => [id, jobRow(firm.job(id))]));
  const carried = [...jobIds].flatMap((id) => carriedOf(firm.job(id)).map(({ item }) => item));
  // A kitchen of two houses is no place: where a page is of several jobs each area says whose it is.
  const nameOf = (item: { job: string; area: string }): string =>
    [jobIds.size > 1 && jobs.get(item.job)?.name, areaNames(firm.job(item.job)).get(item.area)]
      .filter(Boolean)
      .join(', ');
  const sub = subRows(firm).find(({ id }) => id === link.sub);
  const inMyRooms = new Set(mine.filter((task) => task.state !== 'done').map((task) => task.area));
  return {
    ...base(firm, link, [...jobIds]),
    audience: link.audience === 'sub' ? 'sub' : 'crew',
    title: link.job ? (jobs.get(link.job)?.name ?? '') : (sub?.name ?? ''),
    updates: link.job ? updatesFor(firm.job(link.job), 'crew') : [],
    days: plan ? daysOf(firm, plan, jobIds, link.sub, jobs) : [],
    visits: plan && link.sub ? subVisits(firm, plan, link.sub, only) : [],
    begun: plan && link.sub ? begunBySub(firm, plan, link.sub) : [],
    rooms: link.job ? roomsOf(firm.job(link.job), plan) : plan ? roomsOfSub(firm, plan, mine, sub?.trade) : [],
    around: [...jobIds].flatMap((id) => {
      const [brief, papers] = [briefOfJob(firm.job(id)), papersForCrews(firm.job(id), null)];
      return isEmptyBrief(brief) && papers.length === 0 ? [] : [{ job: jobs.get(id)?.name ?? '', brief, papers }];
    }),
    there: [...jobIds].flatMap((id) =>
      thereAt(firm.job(id)).map((thing) => ({ ...thing, job: jobRow(firm.job(id)).name })),
    ),
    tonight: tonightFor(firm, link),
    cautions: [
      ...carried.filter((item) => item.kind === 'caution'),
      ...[...jobIds].flatMap((id) => assemblyCautions(firm.job(id))),
    ].flatMap((item) => (inMyRooms.has(item.area) ? [{ area: nameOf(item), text: item.text }] : [])),
    leftovers: carried.flatMap((item) =>
      item.kind === 'remaining' && (!sub || item.trade === sub.trade)
        ? [{ area: nameOf(item), text: countedWords(item), trade: TRADES[item.trade] }]
        : [],
    ),
  };
}

/** What is left alone this evening, for whoever leads the site; a sub reads what concerns their rooms. */
const tonightFor = (firm: FirmReading, { audience, job }: OpenLink): CrewShared['tonight'] =>
  audience === 'crew' && job ? leftAloneTonight(firm.job(job)) : [];

/** The areas in which a crew or a sub still has work: those whose sheets they may have. */
export function areasOfCrew(firm: FirmReading, { job, sub }: Pick<OpenLink, 'job' | 'sub'>): ReadonlySet<string> {
  const plan = job ? planOf(firm.job(job)) : wholePlan(firm);
  return new Set(
    (plan?.tasks ?? []).flatMap(({ crew, state, area }) =>
      area && state !== 'done' && crew !== null && (sub === null || crew === sub) ? [area] : [],
    ),
  );
}

/** What a sub’s own page shows of one job, for a paper of it. */
export const subShared = (
  installation: Installation,
  { id, name }: { id: string; name: string },
  job: JobReading,
): CrewShared => {
  const firm = readFirm(installation);
  const link = {
    ...{ id: '', job: null, sub: id, audience: 'sub' as const, recipient: name, expires_on: firm.today },
    ...{ revoked_at: null, request: null, inspection: null },
  };
  return crewShared(firm, link, job.id);
};

/** How far ahead a crew's page looks. */
const AHEAD_DAYS = 14;

type Room = CrewShared['rooms'][number];

/** What is agreed in an area; nothing where nothing is. @param first the piece of work that begins there next */
function roomOf(job: JobReading, area: string, first: PlannedTask | undefined, last: number, trade?: Trade): Room[] {
  const brief = briefIn(job, area, trade);
  const papers = papersForCrews(job, area);
  if (isEmptyBrief(brief) && papers.length === 0) return [];
  const soon = first !== undefined && first.start < last;
  return [{ area, name: areaNames(job).get(area) ?? '', job: jobRow(job).name, soon, brief, papers }];
}

/** The piece of work that begins next in each area, in the order in which they begin. */
function nextIn(tasks: readonly PlannedTask[]): Map<string, PlannedTask> {
  const next = new Map<string, PlannedTask>();
  for (const task of [...tasks].sort((a, b) => a.start - b.start))
    if (task.area && task.state !== 'done' && !next.has(task.area)) next.set(task.area, task);
  return next;
}

const ahead = (plan: StoredPlan, now: Day): number => slotOf(plan.origin, addDays(now, AHEAD_DAYS));

/** What is agreed on a job: where work begins next first, then where none is planned. */
function roomsOf(job: JobReading, plan: StoredPlan | undefined): Room[] {
  const next = nextIn((plan?.tasks ?? []).filter((task) => task.job === job.id));
  const last = plan ? ahead(plan, job.firm.today) : 0;
  const others = areaRows(job).flatMap(({ id }) => (next.has(id) ? [] : [id as string]));
  return [...next.keys(), ...others].flatMap((area) => roomOf(job, area, next.get(area), last));
}

/** What is agreed in the rooms that a sub still comes to, in the order in which they come. */
function roomsOfSub(
  firm: FirmReading,
  plan: StoredPlan,
  mine: readonly PlannedTask[],
  trade: Trade | undefined,
): Room[] {
  const last = ahead(plan, firm.today);
  return [...nextIn(mine)].flatMap(([area, task]) => roomOf(firm.job(task.job), area, task, last, trade));
}

type Licence = CrewShared['days'][number]['works'][number]['licence'];

/** Of the licence that a piece of work needs; null where it needs none. */
function licenceWords(firm: FirmReading, { trade, crewKey: crew, until }: NextWork): Licence {
  const standing = licenceFor(firm, { trade, crew }, until);
  return standing && { words: sayLicence(standing, firm.today), missing: standing.kind !== 'held' };
}

function daysOf(
  firm: FirmReading,
  plan: StoredPlan,
  jobIds: ReadonlySet<string>,
  sub: string | null,
  jobs: ReadonlyMap<string, { name: string; address: string }>,
): CrewShared['days'] {
  const after = groupBy(plan.links, (link) => link.before);
  const byId = new Map(plan.tasks.map((task) => [task.id, task]));
  const works = [...jobIds].flatMap((job) =>
    nextWork(
      plan,
      new Set([job]),
      firm.today,
      AHEAD_DAYS,
      (task) => task.crew !== null && (sub === null || task.crew === sub),
    ).map((work) => ({ job, work })),
  );
  const days = groupBy(works, ({ work }) => work.day);
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .slice(0, 10)
    .map(([day, list]) => ({
      day,
      works: list.map(({ job, work }) => {
        const followers = (after.get(work.task) ?? []).flatMap((link) => {
          const follower = byId.get(link.after);
          return link.strength === 'hard' && follower ? [sayWork(follower.work)] : [];
        });
        return {
          crew: work.crew,
          job: jobs.get(job)?.name ?? '',
          address: jobs.get(job)?.address ?? '',
          what: sayWork(work.work),
          half: work.afternoon ? 'from noon' : 'from the morning',
          ready: work.after.map(sayWork),
          leaves: followers.slice(0, 3),
          licence: licenceWords(firm, work),
        };
      }),
    }));
}
