import type { SlipOf } from '@/contract/routes';
import type { AnswerView, SlipView } from '@/contract/views/advice';
import type { PlannedTask } from '@/core/schedule/plan';
import { isVisit } from '@/core/schedule/visit';
import type { Phase } from '@/core/sequence/phases';
import { TRADE_KEYS } from '@/core/sequence/trades';
import type { Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { addDays, type Day } from '@/core/units/day';
import { seeded } from '@/core/units/seeded';
import { dayOfSlot, isAfternoon, lastDay } from '@/core/units/slot';
import { advise } from '@/server/advice/advice';
import type { Actor } from '@/server/door/actor';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { renewOnce } from '@/server/plan/renew';
import { readPlan, type StoredPlan } from '@/server/reading/plan';
import { EMPTY, ranked, withPart } from '@/ui/advice/sheet';
import { give, must, newId, TODAY } from './installations';

/** Areas as they come up in renovations: what kind, what is done there, and what comes from a shop. */
const PLACES: readonly { kind: AreaKind; works: Work[]; goods?: [Phase, string] }[] = [
  { kind: 'room', works: ['kitchen'], goods: ['cabinets', 'Cabinets'] },
  { kind: 'wet', works: ['bathroom'], goods: ['tiling', 'Tiles'] },
  { kind: 'room', works: ['redecorate'] },
  { kind: 'room', works: ['redecorate', 'floor'], goods: ['flooring', 'Floor boards'] },
  { kind: 'room', works: ['rebuild'], goods: ['flooring', 'Floor boards'] },
  { kind: 'face', works: ['repaint'] },
];

/** A slip and its answers, all of them placed. */
export type Advised = ReturnType<typeof ranked> & { slip: SlipView; all: readonly AnswerView[] };
export function advised(installation: Installation, who: Actor, of: SlipOf): Advised {
  let sheet = EMPTY;
  advise(installation, who, of, (part) => (sheet = withPart(sheet, part)));
  const { slip } = sheet;
  if (!slip) throw new Error('nothing was said of the slip');
  return { slip, all: sheet.placed, ...ranked({ ...sheet, slip }) };
}

/** A firm with something that slipped. */
export interface SlippedFirm {
  installation: Installation;
  owner: Actor;
  job: string;
  of: SlipOf;
  /** What happened, for a table. */
  what: string;
}

interface Drawn {
  installation: Installation;
  owner: Actor;
  upTo: (most: number) => number;
  one: <Entry>(list: readonly Entry[]) => Entry;
}

/**
 * A firm at work and one thing that slips in it, drawn by its seed; all comes in by the door, as a person enters it.
 * @param installation an empty one
 */
export function slippedFirm(installation: Installation, seed: number, jobs = 3): SlippedFirm {
  const random = seeded(seed * 7919 + 13);
  const upTo = (most: number): number => Math.floor(random() * most);
  const one = <Entry>(list: readonly Entry[]): Entry => list[upTo(list.length)] as Entry;
  const owner: Actor = { kind: 'person', id: newId(), name: 'Ida', role: 'contractor' };
  const drawn: Drawn = { installation, owner, upTo, one };
  const founding = { name: 'Own', personId: owner.id, ownerName: 'Ida', email: 'ida@own.example' };
  must(installation, 'firm.found', { ...founding, password: 'long enough for it' }, { kind: 'founder' });
  for (const trade of TRADE_KEYS.filter((key) => key !== 'nobody'))
    for (let number = 0; number < 1 + upTo(2); number++)
      must(installation, 'sub.add', { id: newId(), trade, name: `${trade} ${number + 1}`, crews: 1 }, owner);
  for (let number = 0; number < jobs; number++) openJob(drawn, number);
  renewOnce(installation);
  promise(drawn);
  renewOnce(installation);
  for (;;) {
    const slip = one(SLIPS)(drawn);
    if (!slip) continue;
    renewOnce(installation);
    const task = 'task' in slip.of ? slip.of.task : undefined;
    // What is over by now, or holds up nothing, is no slip.
    if (task === undefined || planOf(drawn).tasks.some(({ id, state }) => id === task && state !== 'done'))
      return { installation, owner, ...slip };
  }
}

function openJob({ installation, owner, upTo, one }: Drawn, number: number): void {
  const [job, level] = [newId(), newId()];
  must(installation, 'job.open', { id: job, name: `House ${number}`, units: 'metric', startDay: TODAY }, owner);
  const places = Array.from({ length: 2 + upTo(3) }, () => ({ id: newId(), ...one(PLACES) }));
  must(
    installation,
    'areas.add',
    {
      job,
      levels: [{ id: level, name: 'Ground', height: 0 }],
      areas: places.map(({ id, kind, works }, at) => ({
        ...{ id, name: `Room ${number}${at}`, kind, works: [...works] },
        ...(kind === 'face' ? {} : { level }),
      })),
    },
    owner,
  );
  changeJob({ installation, owner }, job, { state: 'active' });
  for (const { id: area, goods } of places)
    if (goods && upTo(4) > 0) {
      const [phase, category] = goods;
      const ordered = upTo(3) > 0;
      const selection = { id: newId(), job, area, phase, category, choice: 'as chosen', quantity: 1, unit: 'set' };
      must(
        installation,
        'selection.add',
        {
          ...selection,
          leadLow: 10,
          leadHigh: 20,
          ...(ordered ? { state: 'ordered', expectedOn: addDays(TODAY, 14 + upTo(30)) } : {}),
        },
        owner,
      );
    }
}

function changeJob({ installation, owner }: Pick<Drawn, 'installation' | 'owner'>, job: string, over: object): void {
  const row = queryOne<{ version: number; name: string; state: 'active' }>(
    installation.db,
    'SELECT version, name, state FROM job WHERE id = @job',
    { job },
  );
  if (!row) throw new Error('no job');
  must(
    installation,
    'job.change',
    { id: job, ...row, units: 'metric', startDay: TODAY, leaves: 'week', ...over } as never,
    owner,
  );
}

/** Each job is promised some days after its end as it is planned. */
function promise(drawn: Drawn): void {
  const plan = planOf(drawn);
  for (const job of new Set(plan.tasks.map((task) => task.job))) {
    const end = Math.max(...plan.tasks.filter((task) => task.job === job).map(({ finish }) => finish));
    changeJob(drawn, job, { promiseDay: addDays(lastDay(plan.origin, end), drawn.upTo(8)) });
  }
}

const planOf = ({ installation }: Pick<Drawn, 'installation'>): StoredPlan => {
  const plan = readPlan(installation.db);
  if (!plan) throw new Error('no plan');
  return plan;
};

type Slip = (drawn: Drawn) => { of: SlipOf; job: string; what: string } | undefined;

/** Work of the weeks to come, as it is planned. */
const near = (drawn: Drawn, are: (task: PlannedTask) => boolean): PlannedTask[] =>
  planOf(drawn).tasks.filter((task) => task.state === 'waiting' && task.start < 60 && are(task));

const goodsLate: Slip = (drawn) => {
  const { installation, owner, upTo, one } = drawn;
  const plan = planOf(drawn);
  const rows = queryAll<{ id: string; job: string; version: number; category: string }>(
    installation.db,
    `SELECT id, job, version, category FROM selection WHERE state = 'ordered' ORDER BY rowid`,
  );
  if (rows.length === 0) return undefined;
  const { id, job, version, category } = one(rows);
  const waits = plan.notBefore.filter((wait) => wait.selection === id).map(({ task }) => task);
  const task = plan.tasks.find((planned) => waits.includes(planned.id));
  if (!task) return undefined;
  const expectedOn = addDays(dayOfSlot(plan.origin, task.start), 4 + upTo(20));
  const said = give(installation, 'selection.expect', { id, version, expectedOn, note: 'late' }, owner);
  return said.status === 'applied' ? { of: { selection: id }, job, what: `${category} late` } : undefined;
};

const saysNo: Slip = (drawn) => {
  const tasks = near(drawn, (task) => isVisit(task) && task.duration > 0);
  if (tasks.length === 0) return undefined;
  const task = drawn.one(tasks);
  const { origin } = planOf(drawn);
  const visits = [{ task: task.id, day: dayOfSlot(origin, task.start), half: isAfternoon(task.start) ? 1 : 0 }];
  const answer = { visits, answer: 'no' as const, by: 'the lead', note: 'another house runs over' };
  if (give(drawn.installation, 'visit.answer', answer, drawn.owner).status !== 'applied') return undefined;
  return { of: { task: task.id }, job: task.job, what: 'sub says no' };
};

const away: Slip = (drawn) => {
  const tasks = near(drawn, (task) => isVisit(task) && task.duration > 0 && task.crew !== null);
  if (tasks.length === 0) return undefined;
  const task = drawn.one(tasks);
  const firstDay: Day = dayOfSlot(planOf(drawn).origin, task.start);
  const terms = { sub: task.crew ?? '', firstDay, lastDay: addDays(firstDay, 4 + drawn.upTo(10)) };
  if (give(drawn.installation, 'sub.away', terms, drawn.owner).status !== 'applied') return undefined;
  return { of: { task: task.id }, job: task.job, what: 'sub away' };
};

const takesLonger: Slip = (drawn) => {
  const tasks = near(drawn, ({ area, phase, duration }) => area !== null && phase !== null && duration > 1);
  if (tasks.length === 0) return undefined;
  const { id, job, area, phase, duration } = drawn.one(tasks);
  if (!area || !phase) return undefined;
  const halfDays = duration + 2 + drawn.upTo(8);
  const said = give(drawn.installation, 'step.time', { area, phase, basis: 'hand', halfDays, crews: 1 }, drawn.owner);
  return said.status === 'applied' ? { of: { task: id }, job, what: 'takes longer' } : undefined;
};

const surprise: Slip = (drawn) => {
  const tasks = near(drawn, ({ area, phase }) => area !== null && phase !== null);
  if (tasks.length === 0) return undefined;
  const { id, job, area, phase, start } = drawn.one(tasks);
  if (!area || !phase) return undefined;
  const expectedOn = addDays(dayOfSlot(planOf(drawn).origin, start), 3 + drawn.upTo(12));
  const found = { id: newId(), job, area, phase, kind: 'unknown' as const, label: 'rot', text: 'rot found' };
  const said = give(drawn.installation, 'hold.add', { ...found, expectedOn }, drawn.owner);
  return said.status === 'applied' ? { of: { task: id }, job, what: 'surprise' } : undefined;
};

const SLIPS: readonly Slip[] = [goodsLate, goodsLate, saysNo, away, takesLonger, surprise];
