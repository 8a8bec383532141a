import type { ClientShared, CrewShared, NeighbourShared, SharedView } from '@/contract/views/news';
import type { Audience, Reader } from '@/contract/commands/news';
import { groupBy } from '@/core/group-by';
import { lineNet, wholePrice } from '@/core/money/price';
import { statementDiff } from '@/core/scope/statement';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES } from '@/core/sequence/trades';
import type { Day } from '@/core/units/day';
import { capital } from '@/core/words/letters';
import { sayWork } from '@/core/words/work';
import { countedWords } from '@/core/walks/record-words';
import { isEmptyBrief } from '@/core/scope/brief';
import type { PlannedTask } from '@/core/schedule/plan';
import type { Trade } from '@/core/sequence/trades';
import { addDays } from '@/core/units/day';
import { slotOf } from '@/core/units/slot';
import { hashOf } from '../tokens';
import { today } from '../zone';
import { queryOne } from '../database/query';
import { countOpened } from '../news/links';
import type { Installation } from '../installation';
import { stepMeaning } from '@/core/words/meanings';
import { nextWork } from '../plan/effect';
import { clientChange, liveChanges } from '../views/changes';
import { contentOf } from '../views/statement';
import { alternativesOf, selectionsOf } from '../views/selection';
import { requestViews } from '../views/requests';
import { holdsOf } from '../views/holds';
import { livingGaps, livingOff } from '../views/living';
import { draftOfNow, thereAt, writerOf } from '../views/draft';
import { tourOf } from '../views/tour';
import { settledByClient } from '../reading/history';
import { subVisits } from '../views/sub-visits';
import { briefIn, briefOfJob, findingsOf } from '../views/scope-parts';
import { firmRow, subRows } from '../reading/firm';
import { areaNames, areaRows, jobRow } from '../reading/job';
import { planOf, wholePlan, type StoredPlan } from '../reading/plan';
import { readFirm, readJob, type FirmReading, type JobReading } from '../reading/reading';
import { carriedOf } from '../reading/standing';
import { currencyOfFirm, priceTerms } from '../reading/money';
import { statementRows, type StatementRow } from '../reading/statements';
import { linkState, messageOfLink, questionsOfLink, sentUpdates } from '../reading/updates';
import { signOffRows } from '../reading/walks';
import { assemblyCautions } from '../reading/assemblies';
import { clientItems } from '../views/completion';
import { whenSeen } from '../words';

export interface OpenLink {
  id: string;
  job: string | null;
  sub: string | null;
  audience: Audience;
  recipient: string;
  expires_on: Day;
  revoked_at: string | null;
}

/**
 * The link of a secret, if it opens today: guessed, revoked and expired ones, and those of a job that was taken away,
 * are all alike to whoever holds them.
 */
export function openLink(installation: Installation, token: string): OpenLink | undefined {
  const link = queryOne<OpenLink>(
    installation.db,
    `SELECT *
      FROM share_link
      WHERE token_hash = @hash AND (job IS NULL OR job IN (SELECT id FROM job WHERE removed = 0))`,
    { hash: hashOf(token) },
  );
  return link && linkState(link, today(installation)) === 'open' ? link : undefined;
}

/** Whether a picture belongs to what a link shows. */
export const sharesPicture = (installation: Installation, link: OpenLink, hash: string): boolean =>
  link.audience === 'client'
    ? isClients(installation, link, hash)
    : link.audience !== 'neighbour' && isOfFinding(installation, link, hash);

/** A picture of a finding where a crew works, or a sub has a step. */
const isOfFinding = ({ db }: Installation, { job, sub }: OpenLink, hash: string): boolean =>
  queryOne(
    db,
    `SELECT 1
      FROM finding
      WHERE picture = @hash AND removed = 0 AND (job = @job OR job IN (
        SELECT area.job FROM step JOIN area ON area.id = step.area JOIN sub ON sub.trade = step.trade
          WHERE sub.id = @sub))`,
    { hash, job, sub },
  ) !== undefined;

const isClients = (installation: Installation, link: OpenLink, hash: string): boolean =>
  queryOne(
    installation.db,
    `SELECT 1 FROM standing_observation WHERE job = @job AND kind = 'picture' AND picture = @hash`,
    {
      job: link.job,
      hash,
    },
  ) !== undefined ||
  queryOne(
    installation.db,
    `SELECT 1
      FROM selection
      WHERE job = @job AND removed = 0 AND state = 'open' AND instr(alternatives, @hash) > 0`,
    { job: link.job, hash },
  ) !== undefined;

/** Counts an opening of a link. What it shows does not wait for that, nor fail with it. */
export function countOpening(installation: Installation, link: OpenLink): void {
  try {
    countOpened(installation.db, link.id, installation.clock.now().toISOString());
  } catch (error) {
    console.error('An opening was not counted:', error);
  }
}

/** What a link shows. */
export const sharedView = (installation: Installation, link: OpenLink): SharedView =>
  link.audience === 'client' && link.job
    ? clientShared(readFirm(installation).job(link.job), link)
    : link.audience === 'neighbour' && link.job
      ? neighbourShared(readFirm(installation).job(link.job), link)
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

/** How many updates a link shows: the newest. */
const UPDATES = 10;

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

/** How things stand, in the words of a client’s news. */
function nowOf(job: JobReading): ClientShared['now'] {
  const { parts } = draftOfNow(job, 'client');
  const texts = (key: string): string[] => parts.find((part) => part.key === key)?.lines.map(({ text }) => text) ?? [];
  return {
    opening: texts('opening').join(' '),
    found: texts('found'),
    weeks: texts('next'),
    ahead: texts('ahead').join(' '),
    meanings: meaningsOf(job),
  };
}

function clientShared(job: JobReading, link: OpenLink): ClientShared {
  const { name, address } = jobRow(job);
  return {
    ...base(job.firm, link, [job.id]),
    audience: 'client',
    job: { name, address },
    now: nowOf(job),
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
}

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
 */
function crewShared(firm: FirmReading, link: OpenLink): CrewShared {
  const now = firm.today;
  const plan = link.job ? planOf(firm.job(link.job)) : wholePlan(firm);
  const mine = (plan?.tasks ?? []).filter(
    (task) => task.crew !== null && (link.sub === null || task.crew === link.sub),
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
    days: plan ? daysOf(plan, jobIds, now, link.sub, jobs) : [],
    visits: plan && link.sub ? subVisits(firm, plan, link.sub) : [],
    rooms: link.job ? roomsOf(firm.job(link.job), plan) : plan ? roomsOfSub(firm, plan, mine, sub?.trade) : [],
    around: [...jobIds].flatMap((id) => {
      const brief = briefOfJob(firm.job(id));
      return isEmptyBrief(brief) ? [] : [{ job: jobs.get(id)?.name ?? '', brief }];
    }),
    there: [...jobIds].flatMap((id) =>
      thereAt(firm.job(id)).map((thing) => ({ ...thing, job: jobRow(firm.job(id)).name })),
    ),
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

/** What a sub’s own page shows, for a paper of it. */
export const subShared = (installation: Installation, { id, name }: { id: string; name: string }): CrewShared => {
  const firm = readFirm(installation);
  return crewShared(firm, {
    ...{ id: '', job: null, sub: id, audience: 'sub', recipient: name, expires_on: firm.today, revoked_at: null },
  });
};

/** How far ahead a crew's page looks. */
const AHEAD_DAYS = 14;

type Room = CrewShared['rooms'][number];

/** What is agreed in an area; nothing where nothing is. @param first the piece of work that begins there next */
function roomOf(job: JobReading, area: string, first: PlannedTask | undefined, last: number, trade?: Trade): Room[] {
  const brief = briefIn(job, area, trade);
  if (isEmptyBrief(brief)) return [];
  const soon = first !== undefined && first.start < last;
  return [{ area, name: areaNames(job).get(area) ?? '', job: jobRow(job).name, soon, brief }];
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

function daysOf(
  plan: StoredPlan,
  jobIds: ReadonlySet<string>,
  now: Day,
  sub: string | null,
  jobs: ReadonlyMap<string, { name: string; address: string }>,
): CrewShared['days'] {
  const after = groupBy(plan.links, (link) => link.before);
  const byId = new Map(plan.tasks.map((task) => [task.id, task]));
  const works = [...jobIds].flatMap((job) =>
    nextWork(
      plan,
      new Set([job]),
      now,
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
        };
      }),
    }));
}
