import type { ClientShared, CrewShared, SharedView } from '@/contract/views/news';
import type { Audience } from '@/contract/commands/news';
import { groupBy } from '@/core/group-by';
import { statementDiff } from '@/core/scope/statement';
import { phaseFacts } from '@/core/sequence/phases';
import { TRADES, type Trade } from '@/core/sequence/trades';
import { formatDay, type Day } from '@/core/units/day';
import { capital } from '@/core/words';
import { workDone } from '@/core/walks/diff';
import { notWithdrawn } from '@/core/walks/observation';
import { openCautions, openItems } from '@/core/walks/open-items';
import { progressOf } from '@/core/walks/progress';
import { countedWords } from '@/core/walks/record-words';
import { hashOf } from '../access/tokens';
import { firmTime, today, type FirmTime } from '../zone';
import { queryAll, queryOne, execute } from '../database/query';
import type { Installation } from '../installation';
import { nextWork } from '../schedule/effect';
import { readPlan, type StoredPlan } from '../schedule/read-plan';
import type { ChangeRow } from '../scope/changes';
import { changeView } from '../scope/queries';
import { contentOf, statementsOf, type StatementRow } from '../scope/statements';
import { alternativesOf, selectionsOf } from '../selections/queries';
import { requestViews } from '../selections/request-views';
import { holdsOf, requireJob } from '../sites/queries';
import { picturesOf } from '../sites/room';
import { clientItems } from '../walks/completion-view';
import { observationsOf } from '../walks/queries';
import { whenSeen } from '../words';
import { weightsOf } from '../news/compose-drafts';
import { linkState } from '../news/queries';

export interface OpenLink {
  id: string;
  job: string | null;
  sub: string | null;
  audience: Audience;
  recipient: string;
  expires_on: Day;
  revoked_at: string | null;
}

/** The link of a secret, if it opens today: guessed, revoked and expired ones are all alike to whoever holds them. */
export function openLink(installation: Installation, token: string): OpenLink | undefined {
  const link = queryOne<OpenLink>(installation.db, 'SELECT * FROM share_link WHERE token_hash = @hash', {
    hash: hashOf(token),
  });
  return link && linkState(link, today(installation)) === 'open' ? link : undefined;
}

/** Whether a picture belongs to what a link shows. */
export const sharesPicture = (installation: Installation, link: OpenLink, hash: string): boolean =>
  link.audience === 'client' &&
  (queryOne(
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
    ) !== undefined);

/** What a link shows, counted as an opening. */
export function sharedView(installation: Installation, link: OpenLink): SharedView {
  execute(installation.db, 'UPDATE share_link SET opened = opened + 1, opened_at = @now WHERE id = @id', {
    id: link.id,
    now: installation.clock.now().toISOString(),
  });
  return link.audience === 'client' && link.job
    ? clientShared(installation, link, link.job)
    : crewShared(installation, link);
}

function base(
  installation: Installation,
  link: OpenLink,
): Omit<
  ClientShared,
  | 'audience'
  | 'job'
  | 'done'
  | 'finish'
  | 'updates'
  | 'next'
  | 'decisions'
  | 'choices'
  | 'requests'
  | 'pictures'
  | 'completion'
  | 'statement'
  | 'changes'
> {
  const time = firmTime(installation);
  const now = time.today;
  const message = queryOne<{ acknowledged_at: string | null; acknowledged_by: string | null }>(
    installation.db,
    'SELECT acknowledged_at, acknowledged_by FROM message WHERE share_link = @id',
    { id: link.id },
  );
  return {
    firm: queryOne<{ name: string }>(installation.db, 'SELECT name FROM firm')?.name ?? '',
    recipient: link.recipient,
    today: now,
    expiresOn: link.expires_on,
    acknowledged: message?.acknowledged_at
      ? `${message.acknowledged_by ?? ''}, ${whenSeen(message.acknowledged_at, time)}`
      : null,
    canAcknowledge: message !== undefined,
  };
}

/** Updates that were sent for this audience, the newest first. */
const sentUpdates = (
  installation: Installation,
  job: string,
  audience: 'client' | 'crew',
): { title: string; body: string; when: string }[] =>
  queryAll<{ title: string; body: string; sent_at: string }>(
    installation.db,
    `SELECT title, body, sent_at
      FROM job_update
      WHERE job = @job AND audience = @audience AND state = 'sent' AND sent_at IS NOT NULL
      ORDER BY sent_at DESC
      LIMIT 10`,
    { job, audience },
  ).map(({ title, body, sent_at }) => ({ title, body, when: whenSeen(sent_at, firmTime(installation)) }));

function clientShared(installation: Installation, link: OpenLink, job: string): ClientShared {
  const time = firmTime(installation);
  const now = time.today;
  const { name, address } = requireJob(installation.db, job);
  const seen = notWithdrawn(observationsOf(installation.db, job));
  const progress = progressOf(seen);
  const plan = readPlan(installation.db, { job });
  const names = new Map(
    queryAll<{ id: string; name: string }>(installation.db, 'SELECT id, name FROM area WHERE job = @job', { job }).map(
      (area) => [area.id, area.name],
    ),
  );
  return {
    ...base(installation, link),
    audience: 'client',
    job: { name, address },
    done: workDone(weightsOf(installation.db, job), (task) => progress.get(task)?.fraction ?? 0),
    finish:
      queryOne<{ finish_day: Day | null }>(
        installation.db,
        'SELECT finish_day FROM plan_part WHERE job = @job ORDER BY version DESC',
        { job },
      )?.finish_day ?? null,
    updates: sentUpdates(installation, job, 'client'),
    next: plan
      ? nextWork(plan, new Set([job]), now, 7, (task) => task.crew !== null && task.phase !== null)
          .slice(0, 10)
          .map((work) => ({
            when: `${formatDay(work.day, now)}${work.afternoon ? ', afternoon' : ''}`,
            text: capital(
              `${work.phase ? phaseFacts(work.phase).plain : work.label}${work.area ? ` — ${names.get(work.area) ?? ''}` : ''}`,
            ),
          }))
      : [],
    decisions: holdsOf(installation.db, job, now)
      .filter((hold) => hold.kind === 'client' && hold.request === null)
      .map((hold) => ({ text: capital(hold.text), by: hold.expectedOn })),
    choices: choicesOf(installation, job),
    requests: requestViews(installation, job)
      .filter((request) => request.party === 'client' && request.standing === 'sent')
      .map((request) => ({
        id: request.id,
        kind: request.kind,
        subject: request.subject,
        by: request.neededBy,
        waits: request.waits.map((wait) => wait.text),
      })),
    pictures: picturesOf(installation.db, seen, time).slice(0, 8),
    completion: completionShared(installation, job, time),
    statement: statementShared(installation, job, time),
    changes: queryAll<ChangeRow>(
      installation.db,
      `SELECT * FROM change_order WHERE job = @job AND state <> 'draft' ORDER BY number DESC`,
      { job },
    ).map((row) => changeView(installation, row, names.get(row.area) ?? '', time)),
  };
}

/** What is open and the client's to choose. Prices are for all of it, where it is known how many. */
function choicesOf(installation: Installation, job: string): ClientShared['choices'] {
  return selectionsOf(installation, job)
    .filter((item) => item.state === 'open' && item.decides === 'client')
    .map((item) => ({
      id: item.id,
      what: `${item.category}, ${item.area}`,
      by: item.decideBy,
      alternatives: alternativesOf(installation.db, item.id).map(
        ({ id, choice, unitPrice, look, upkeep, picture }) => ({
          id,
          choice,
          look,
          upkeep,
          picture,
          price: unitPrice === null ? null : Math.round(unitPrice * (item.quantity ?? 1)),
        }),
      ),
    }));
}

/** The newest statement that the client was sent. */
export const sentStatement = (installation: Installation, job: string): StatementRow | undefined =>
  statementsOf(installation.db, job).find((row) => row.state !== 'made');

/** Their list and their rooms, once the job comes to its end. */
function completionShared(installation: Installation, job: string, time: FirmTime): ClientShared['completion'] {
  if (!['completing', 'closed'].includes(requireJob(installation.db, job).state)) return null;
  const accepted = new Map(
    queryAll<{ area: string; name: string; at: string }>(
      installation.db,
      'SELECT area, name, at FROM sign_off WHERE job = @job AND removed = 0',
      { job },
    ).map((row) => [row.area, `${row.name}, ${whenSeen(row.at, time)}`]),
  );
  return {
    items: clientItems(installation.db, job, time).map(({ id, text, area, state, answer }) => ({
      id,
      text,
      area,
      state,
      answer,
    })),
    areas: queryAll<{ id: string; name: string }>(
      installation.db,
      'SELECT id, name FROM area WHERE job = @job ORDER BY position',
      {
        job,
      },
    ).map((area) => ({ ...area, accepted: accepted.get(area.id) ?? null })),
  };
}

function statementShared(installation: Installation, job: string, time: FirmTime): ClientShared['statement'] {
  const row = sentStatement(installation, job);
  if (!row) return null;
  // What they see as changed is against what they were sent before.
  const former = statementsOf(installation.db, job).find(
    (statement) => statement.number < row.number && statement.state !== 'made',
  );
  return {
    id: row.id,
    number: row.number,
    content: contentOf(row),
    diff: former ? { ...statementDiff(contentOf(former), contentOf(row)), against: former.number } : null,
    agreed: row.agreed_at ? `${row.agreed_by ?? ''}, ${whenSeen(row.agreed_at, time)}` : null,
  };
}

/**
 * A job's crews, or one sub over all its jobs: who, where, when, what must be ready before, and who needs the room
 * next.
 */
function crewShared(installation: Installation, link: OpenLink): CrewShared {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const plan = readPlan(db, link.job ? { job: link.job } : {});
  const jobs = new Map(
    queryAll<{ id: string; name: string; address: string }>(db, 'SELECT id, name, address FROM job').map((job) => [
      job.id,
      job,
    ]),
  );
  const mine = (plan?.tasks ?? []).filter(
    (task) => task.crew !== null && (link.sub === null || task.crew === link.sub),
  );
  const jobIds = new Set(link.job ? [link.job] : mine.map((task) => task.job));
  const areas = new Map(
    queryAll<{ id: string; name: string; job: string }>(db, 'SELECT id, name, job FROM area').map((area) => [
      area.id,
      area,
    ]),
  );
  const seen = [...jobIds].flatMap((job) => notWithdrawn(observationsOf(db, job)));
  const trade = link.sub
    ? queryOne<{ trade: Trade }>(db, 'SELECT trade FROM sub WHERE id = @id', { id: link.sub })?.trade
    : undefined;
  const inMyRooms = new Set(mine.filter((task) => task.state !== 'done').map((task) => task.area));
  return {
    ...base(installation, link),
    audience: link.audience === 'sub' ? 'sub' : 'crew',
    title: link.job
      ? (jobs.get(link.job)?.name ?? '')
      : (queryOne<{ name: string }>(db, 'SELECT name FROM sub WHERE id = @id', { id: link.sub })?.name ?? ''),
    updates: link.job ? sentUpdates(installation, link.job, 'crew') : [],
    days: plan ? daysOf(plan, jobIds, now, link.sub, jobs) : [],
    cautions: openCautions(seen)
      .filter((caution) => inMyRooms.has(caution.area))
      .map((caution) => ({ area: areas.get(caution.area)?.name ?? '', text: caution.text })),
    leftovers: openItems(seen)
      .filter(({ item }) => !trade || item.trade === trade)
      .map(({ item }) => ({
        area: areas.get(item.area)?.name ?? '',
        text: countedWords(item),
        trade: TRADES[item.trade],
      })),
  };
}

function daysOf(
  plan: StoredPlan,
  jobIds: ReadonlySet<string>,
  now: Day,
  sub: string | null,
  jobs: Map<string, { name: string; address: string }>,
): CrewShared['days'] {
  const after = groupBy(plan.links, (link) => link.before);
  const byLabel = new Map(plan.tasks.map((task) => [`${task.job}|${task.label}`, task]));
  const byId = new Map(plan.tasks.map((task) => [task.id, task]));
  const works = [...jobIds].flatMap((job) =>
    nextWork(plan, new Set([job]), now, 14, (task) => task.crew !== null && (sub === null || task.crew === sub)).map(
      (work) => ({ job, work }),
    ),
  );
  const days = groupBy(works, ({ work }) => work.day);
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .slice(0, 10)
    .map(([day, list]) => ({
      day,
      works: list.map(({ job, work }) => {
        const task = byLabel.get(`${job}|${work.label}`);
        const followers = (task ? (after.get(task.id) ?? []) : []).flatMap((link) =>
          link.strength === 'hard' ? (byId.get(link.after)?.label ?? []) : [],
        );
        return {
          crew: work.crew,
          job: jobs.get(job)?.name ?? '',
          address: jobs.get(job)?.address ?? '',
          what: work.label,
          half: work.afternoon ? 'from noon' : 'from the morning',
          ready: work.after,
          leaves: followers.slice(0, 3),
        };
      }),
    }));
}
