import type { Cause } from '@/core/schedule/cause';
import { object, string, ValidationError, type AnyObject } from 'yup';
import type { Affects, Command, CommandAnswer, ProblemDocument } from '@/contract/command';
import { COMMANDS, kindOf, type CommandType } from '@/contract/commands';
import * as field from '@/contract/fields';
import type { Problem } from '@/core/problem';
import { changesSince } from '../database/changes';
import { queryOne } from '../database/query';
import type { Installation } from '../installation';
import { HANDLERS } from './handlers';
import type { PlanContext } from '../door/handler';
import { keepInverse, writeLog } from '../door/log';
import { markPlan } from '../door/marks';
import type { Prepared } from '../door/prepared';
import { shaped } from '../door/shaped';
import { isPrepared, preparedFor } from './prepare';
import { Refusal } from '../refusal';
import { storageRefusal } from '../storage-fault';
import { needAllSeen, needSeen, seenBy } from '../rights/sees';
import { actorKey, permissionOf, type Actor } from '../door/actor';
import { noteAnswer } from '../news/links';
import { needShallow } from '../shallow';
import { today } from '../zone';
import { refuseFarDays } from './far-days';

const envelope = object({
  id: field.id(),
  type: string().required('the kind of command is missing').max(60),
  at: field.instant(),
  sent: field.optionalInstant(),
  payload: object().required('the payload is missing'),
}).noUnknown();
/** A phone's clock may run ahead by this much; more is taken for the time of arrival. */
const CLOCK_AHEAD_MS = 5 * 60_000;

interface Logged {
  seq: number;
  result: string;
  who: string;
  type: string;
}

/**
 * The one way in for every change: who, shape, once, apply in one transaction, log, tell.
 * Never throws for bad input: the answer says what was wrong and nothing has changed.
 * @param prepared what was worked out for its handler beforehand; where nothing is given, it is worked out here
 */
export function dispatch(
  installation: Installation,
  who: Actor,
  input: unknown,
  prepared?: Partial<Prepared>,
): CommandAnswer & { httpStatus: number } {
  const id =
    typeof input === 'object' && input !== null && typeof (input as { id?: unknown }).id === 'string'
      ? (input as { id: string }).id.slice(0, 64)
      : '';
  try {
    needShallow(input);
    const command = shaped<Command>(envelope, input);
    if (!isCommandType(command.type))
      throw new Refusal(400, {
        code: 'command-unknown',
        message: `There is no command “${command.type}”.`,
        field: 'type',
      });
    const kind = kindOf(command.type);
    const may = permissionOf(who);
    if (!kind.may.includes(may)) {
      throw new Refusal(who.kind === 'founder' ? 401 : 403, {
        code: 'not-allowed',
        message: who.kind === 'founder' ? 'Sign in first.' : `As ${may} one may not do this.`,
      });
    }
    needAllSeen(installation.db, seenBy(installation.db, who), command.payload);
    return apply(installation, who, { ...command, type: command.type }, prepared);
  } catch (error) {
    const { status, ...problem } = refusalOf(error);
    return {
      id,
      status: 'refused',
      httpStatus: status,
      problem: { type: `/problems/${problem.code}`, title: problem.message, status, ...withoutMessage(problem) },
    };
  }
}

const isCommandType = (type: string): type is CommandType => Object.hasOwn(COMMANDS, type);

type Answered = CommandAnswer & { httpStatus: number };
type KnownCommand = Command & { type: CommandType };

/** What a handler said while it ran. */
interface Noted {
  job: string | null;
  replans: { job: string; cause: Cause; walk?: string }[];
  planStays: boolean;
  wakes: boolean;
}

function apply(
  installation: Installation,
  who: Actor,
  command: KnownCommand,
  prepared: Partial<Prepared> | undefined,
): Answered {
  const noted: Noted = { job: null, replans: [], planStays: false, wakes: false };
  const known = prepared ?? preparedHere(installation, who, command);
  const answer = installation.db.transaction(() => applyOnce(installation, who, command, noted, known)).immediate();
  if (answer.status === 'applied') {
    installation.news.emit('log', answer.seq);
    if (noted.replans.length > 0 || noted.wakes) installation.news.emit('marked');
  }
  return answer;
}

/** What its handler wants to know, looked up before the lock is held; nothing for what was applied before. */
function preparedHere(installation: Installation, who: Actor, command: KnownCommand): Partial<Prepared> | undefined {
  if (!isPrepared(command.type) || appliedBefore(installation, who, command)) return undefined;
  return preparedFor(installation, who, command);
}

function applyOnce(
  installation: Installation,
  who: Actor,
  command: KnownCommand,
  noted: Noted,
  prepared: Partial<Prepared> | undefined,
): Answered {
  const { db } = installation;
  const before = appliedBefore(installation, who, command);
  if (before) return before;
  const kind = kindOf(command.type);
  const payload = shaped<AnyObject>(kind.schema, command.payload);
  const now = installation.clock.now().toISOString();
  if (kind.affects === 'plan') refuseFarDays(payload, today(installation));
  // What was written outside of any command is nobody's to take back.
  changesSince(db);
  const handle = HANDLERS[command.type] as (context: PlanContext, payload: AnyObject) => unknown;
  const result =
    handle({ ...contextOf(installation, who, command, now, noted), ...(prepared ? { prepared } : {}) }, payload) ??
    null;
  needSeen(seenBy(db, who), noted.job);
  if (result instanceof Promise) throw new Error(`The handler of ${command.type} is not synchronous.`);
  refuseForgotten(command.type, kind.affects, noted);
  const changes = changesSince(db);
  for (const { job, cause, walk } of noted.replans)
    markPlan(db, { job, causes: [{ ...cause, record: command.id }], walk: walk ?? null });
  const seq = writeLog(db, {
    id: command.id,
    type: command.type,
    at: command.at,
    applied_at: now,
    who: actorKey(who),
    job: noted.job,
    payload: JSON.stringify(withoutSecrets(payload, kind.secret)),
    result: JSON.stringify(result),
  });
  if (who.kind === 'link' && who.from)
    noteAnswer(db, who.id, { command: command.id, type: command.type, at: now, ...who.from });
  // What is kept out of the log is kept out of here too.
  const secret = kind.secret?.some((key) => payload[key] !== undefined);
  if (changes.length > 0 && !secret) keepInverse(db, seq, changes);
  return { id: command.id, status: 'applied', seq, result, httpStatus: 200 };
}

/** The answer given before, where this is sent again. */
function appliedBefore({ db }: Installation, who: Actor, { id, type }: KnownCommand): Answered | undefined {
  const known = queryOne<Logged>(db, 'SELECT seq, result, who, type FROM command_log WHERE id = @id', { id });
  if (!known) return undefined;
  // The same id from somebody else, or for something else, is not a retry; its result is none of theirs.
  if (known.who !== actorKey(who) || known.type !== type) {
    throw new Refusal(409, {
      code: 'id-taken',
      message: 'This id belongs to another command; make a new one.',
      field: 'id',
    });
  }
  return { id, status: 'repeated', seq: known.seq, result: JSON.parse(known.result) as unknown, httpStatus: 200 };
}

function contextOf(installation: Installation, who: Actor, command: Command, now: string, noted: Noted): PlanContext {
  return {
    installation,
    db: installation.db,
    command: command.id,
    who,
    now,
    ...timeOf(command, now),
    logFor: (job) => void (noted.job = job),
    wakePlanner: () => void (noted.wakes = true),
    replan: (job, cause, walk) => {
      noted.job = job;
      noted.replans.push({ job, cause, ...(walk ? { walk } : {}) });
    },
    replanAll: (jobs, cause) => {
      noted.planStays ||= jobs.length === 0;
      for (const job of jobs) noted.replans.push({ job, cause });
    },
    planStays: (job) => {
      noted.planStays = true;
      noted.job = job ?? noted.job;
    },
  };
}

/** A handler that forgot what its command affects is a programmer's mistake, found by the first test that gives it. */
function refuseForgotten(type: CommandType, affects: Affects, noted: Noted): void {
  if (affects === 'plan' && noted.replans.length === 0 && !noted.planStays)
    throw new Error(`${type} affects the plan; its handler said neither replan nor planStays.`);
  if (affects === 'job' && noted.job === null) throw new Error(`${type} affects a job; its handler named none.`);
}

/**
 * When it was made, by a clock that may be wrong. A device says what it takes the time for when it sends; what its
 * clock is off by is taken off what it wrote. Without that word, a time ahead of ours is taken for the time of arrival.
 */
function timeOf({ at, sent }: Command, now: string): { at: string; clock?: string } {
  const off = sent ? Date.parse(now) - Date.parse(sent) : 0;
  if (Math.abs(off) > CLOCK_AHEAD_MS)
    return { at: new Date(Math.min(Date.parse(now), Date.parse(at) + off)).toISOString(), clock: at };
  return Date.parse(at) > Date.parse(now) + CLOCK_AHEAD_MS ? { at: now, clock: at } : { at };
}

const withoutSecrets = (payload: AnyObject, secret: readonly string[] = []): AnyObject =>
  Object.fromEntries(
    Object.entries(payload).map(([key, value]: [string, unknown]) => [key, secret.includes(key) ? '•' : value]),
  );
const withoutMessage = ({
  message: _,
  ...rest
}: Omit<ProblemDocument, 'type' | 'title' | 'status'> & { message: string }): Omit<
  ProblemDocument,
  'type' | 'title' | 'status'
> => rest;

type Refused = Problem & { status: number; problems?: { field?: string; message: string }[]; current?: unknown };

function refusalOf(thrown: unknown): Refused {
  const error = storageRefusal(thrown) ?? thrown;
  if (error instanceof Refusal) return { ...error.problem, status: error.status };
  if (error instanceof ValidationError) {
    const problems = (error.inner.length > 0 ? error.inner : [error]).map((inner) => ({
      message: inner.message,
      ...(inner.path ? { field: inner.path } : {}),
    }));
    const first = problems[0] ?? { message: error.message };
    return { code: 'bad-input', ...first, status: 400, problems };
  }
  // The file's own rules (foreign keys, closed sets, one of a kind) are the last line; what they refuse is bad input
  // too.
  if (error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_CONSTRAINT')) {
    const twice = /UNIQUE|PRIMARYKEY/.test(String(error.code));
    return {
      code: twice ? 'exists-already' : 'unknown-id',
      message: twice ? 'This exists already.' : 'This names something that does not exist here.',
      status: twice ? 409 : 422,
    };
  }
  throw error;
}
