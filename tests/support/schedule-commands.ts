import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import type { Given } from './first-visit-commands';
import { areaOf, must, newId, signalHouse, TODAY } from './installations';

const [id, other, third] = [newId(), newId(), newId()];
const row = (installation: Installation, table: string, key: string): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const version = (installation: Installation, table: string, key: string): number =>
  Number(row(installation, table, key)?.version ?? 0);
const rule = {
  before: 'tape',
  after: 'flooring',
  within: 'area',
  kind: 'FS',
  lag: 2,
  lagUnit: 'elapsed',
  strength: 'soft',
  reason: 'dust settles',
} as const;
const rules = (installation: Installation): unknown =>
  queryOne(installation.db, 'SELECT before_phase, lag, removed FROM own_rule WHERE id = @id', { id });
const write = (installation: Installation): void => void must(installation, 'rule.write', { id, ...rule });
const off = { id, rule: 24, job: signalHouse, holds: false, reason: 'two visits suit us here' };
const method = { id, method: 'cabinets-paint', job: signalHouse, variant: 'paint-first' } as const;
/** Two steps of one room that are ticked, and which of them stand as done. */
const ticks = {
  ...{ walk: newId(), job: signalHouse, by: '' },
  steps: (['wiring-finish', 'board'] as const).map((phase) => ({ id: newId(), area: areaOf('boot'), phase })),
};
const farOf =
  (room: string) =>
  (installation: Installation): unknown =>
    queryAll<{ phase: string }>(
      installation.db,
      `SELECT phase FROM standing_observation
        WHERE area = @area AND kind = 'progress' AND walk = @walk ORDER BY phase DESC`,
      { area: areaOf(room), walk: ticks.walk },
    ).map(({ phase }) => phase);
const gate = {
  id,
  job: signalHouse,
  label: 'Ready for paint',
  reason: 'one visit',
  before: [{ area: areaOf('boot'), phase: 'tape' }],
  after: [
    { area: areaOf('boot'), phase: 'first-coats' },
    { area: areaOf('guest'), phase: 'first-coats' },
  ],
  together: true,
} as const;
const halves = (installation: Installation, table: string): number =>
  queryAll(installation.db, `SELECT 1 FROM ${table}`).length;
const study = demoId('signal', 'inspection', 'study', 'rough-inspection');
const bin = demoId('signal', 'logistic', '2');
const saw = demoId('plant', 'saw');
const paint = demoId('sub', 'paint');
const pinned = `${areaOf('guest')}:flooring`;
const pin = { task: pinned, day: '2027-05-03', half: 1, reason: 'the client wants to see it begin' };
const hold = { area: areaOf('guest'), phase: 'rough-inspection' };

/**
 * Every command of rules, methods, times, parts, pins, inspections, plant, weather, calendars and plans, with what it
 * leaves.
 */
/** The visit of the study is on the day of the tests. */
const lookToday = (installation: Installation): void =>
  void installation.db.prepare('UPDATE inspection SET day = ? WHERE id = ?').run(TODAY, study);

export const SCHEDULE: Record<string, Given> = {
  'rule.write': {
    payload: { id, ...rule },
    leaves: rules,
    expected: { before_phase: 'tape', lag: 2, removed: 0 },
    plans: true,
  },
  'rule.rewrite': {
    before: write,
    payload: { id, version: 1, ...rule, lag: 4 },
    leaves: rules,
    expected: { lag: 4 },
    plans: true,
  },
  'rule.drop': { before: write, payload: { id, version: 1 }, leaves: rules, expected: { removed: 1 }, plans: true },
  'rule.switch': {
    payload: off,
    leaves: (installation) => row(installation, 'rule_switch', id),
    expected: { holds: 0, area: null, reason: off.reason },
    plans: true,
  },
  'rule.unswitch': {
    before: (installation) => must(installation, 'rule.switch', off),
    payload: { rule: 24, job: signalHouse },
    leaves: (installation) => row(installation, 'rule_switch', id),
    expected: undefined,
    plans: true,
  },
  'method.choose': {
    payload: method,
    leaves: (installation) =>
      queryOne(installation.db, `SELECT trade FROM step WHERE area = @area AND phase = 'touch-up'`, {
        area: areaOf('kitchen'),
      }),
    expected: { trade: 'paint' },
    plans: true,
  },
  'answer.take': {
    payload: {
      ...{ id: other, job: signalHouse, task: `${areaOf('kitchen')}:cabinets`, title: 'Paint first, touch up after' },
      ...{ steps: [{ type: 'method.choose', payload: method }], ends: '2027-10-01', wouldEnd: '2027-10-08' },
    },
    leaves: (installation) => [
      row(installation, 'slip_answer', other)?.ends,
      queryOne(installation.db, `SELECT trade FROM step WHERE area = @area AND phase = 'touch-up'`, {
        area: areaOf('kitchen'),
      }),
    ],
    expected: ['2027-10-01', { trade: 'paint' }],
    plans: true,
  },
  'rate.set': {
    before: (installation) =>
      must(installation, 'step.time', { area: areaOf('guest'), phase: 'board', basis: 'quantity', crews: 1 }),
    payload: { phase: 'board', perHalfDay: 9 },
    leaves: (installation) => queryOne(installation.db, `SELECT per_half_day FROM rate WHERE phase = 'board'`),
    expected: { per_half_day: 9 },
    plans: true,
  },
  'step.time': {
    payload: { area: areaOf('boot'), phase: 'board', basis: 'hand', halfDays: 6, crews: 2 },
    leaves: (installation) =>
      queryOne(installation.db, `SELECT half_days, crews, basis FROM step WHERE area = @area AND phase = 'board'`, {
        area: areaOf('boot'),
      }),
    expected: { half_days: 6, crews: 2, basis: 'hand' },
    plans: true,
  },
  'step.split': {
    payload: {
      area: areaOf('boot'),
      phase: 'flooring',
      parts: [
        { label: 'by the door', halfDays: 1 },
        { label: 'the rest', halfDays: 1 },
      ],
    },
    leaves: (installation) => halves(installation, 'step_part'),
    expected: 2,
    plans: true,
  },
  'step.tick': { payload: ticks, leaves: farOf('boot'), expected: ['wiring-finish', 'board'], plans: true },
  'step.untick': {
    before: (installation) => must(installation, 'step.tick', ticks),
    payload: { walk: ticks.walk, steps: [{ id: other, area: areaOf('boot'), about: ticks.steps[1]?.id ?? '' }] },
    leaves: farOf('boot'),
    expected: ['wiring-finish'],
    plans: true,
  },
  'step.others': {
    payload: {
      steps: [{ area: areaOf('boot'), phase: 'wiring-finish' }],
      who: 'the client’s electrician',
      expectedOn: '2027-04-20',
    },
    leaves: (installation) =>
      queryOne(installation.db, `SELECT others, others_on FROM step WHERE area = @area AND phase = 'wiring-finish'`, {
        area: areaOf('boot'),
      }),
    expected: { others: 'the client’s electrician', others_on: '2027-04-20' },
    plans: true,
  },
  'gate.set': { payload: gate, leaves: (installation) => halves(installation, 'gate_end'), expected: 3, plans: true },
  'gate.drop': {
    before: (installation) => must(installation, 'gate.set', gate),
    payload: { id },
    leaves: (installation) => halves(installation, 'gate_end'),
    expected: 0,
    plans: true,
  },
  'logistic.add': {
    payload: {
      id,
      job: signalHouse,
      kind: 'neighbours',
      label: 'Word to number 5',
      area: areaOf('land'),
      phase: 'face-paint',
      leadDays: 7,
    },
    leaves: (installation) => row(installation, 'logistic', id),
    expected: { state: 'open', lead_days: 7 },
    plans: true,
  },
  'logistic.change': {
    payload: (installation) => ({
      ...{ id: bin, version: version(installation, 'logistic', bin), label: 'Bin for the slab, 6 m³', leadDays: 2 },
      ...{ place: 'before the gate', fromHour: '07:00', toHour: '09:00', howMuch: '1 bin of 6 m³' },
      ...{ contact: 'the yard', phone: '+41 44 000 00 00' },
    }),
    leaves: (installation) => row(installation, 'logistic', bin),
    expected: { place: 'before the gate', from_hour: '07:00', to_hour: '09:00', phone: '+41 44 000 00 00' },
  },
  'logistics.take': {
    payload: { job: signalHouse, taken: [{ id, proposal: 'drop-cabinets' }] },
    leaves: (installation) => row(installation, 'logistic', id),
    expected: { state: 'open', kind: 'drop', lead_days: 2, proposal: 'drop-cabinets' },
    plans: true,
  },
  'logistic.settle': {
    payload: (installation) => ({ id: bin, version: version(installation, 'logistic', bin), state: 'here' }),
    leaves: (installation) => row(installation, 'logistic', bin),
    expected: { state: 'here', booked_on: null },
    plans: true,
  },
  'pin.set': {
    payload: pin,
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT day, half, reason FROM pin WHERE task = @pinned', { pinned }),
    expected: { day: '2027-05-03', half: 1, reason: pin.reason },
    plans: true,
  },
  'trip.pin': {
    payload: { pins: [{ task: pin.task, day: pin.day, half: pin.half }], reason: pin.reason },
    leaves: (installation) =>
      queryOne(installation.db, 'SELECT day, half, reason FROM pin WHERE task = @pinned', { pinned }),
    expected: { day: '2027-05-03', half: 1, reason: pin.reason },
    plans: true,
  },
  'pin.drop': {
    before: (installation) => must(installation, 'pin.set', pin),
    payload: { task: pinned },
    leaves: (installation) => halves(installation, 'pin'),
    expected: 0,
    plans: true,
  },
  'office.set': {
    payload: { id, name: 'Fire office', phases: ['rough-inspection'], weekdays: [5], noticeDays: 3, visitsADay: 1 },
    leaves: (installation) => row(installation, 'office', id),
    expected: { weekdays: '[5]', notice_days: 3 },
    plans: true,
  },
  'inspection.book': {
    payload: { id, ...hold },
    leaves: (installation) => row(installation, 'inspection', id),
    expected: { day: '2027-03-11', half: 0, state: 'booked' },
    plans: true,
  },
  'inspection.cancel': {
    payload: { id: study, version: 1 },
    leaves: (installation) => row(installation, 'inspection', study),
    expected: { state: 'cancelled' },
    plans: true,
  },
  'inspection.pass': {
    before: lookToday,
    payload: { id: study, version: 1, by: 'Inspector Quill', words: 'tidy work' },
    leaves: (installation) => row(installation, 'inspection', study),
    expected: { state: 'passed', words: 'tidy work', by: 'Inspector Quill' },
    plans: true,
  },
  'opening.allow': {
    payload: { id, area: areaOf('lroof'), phase: 'roof-strip', reason: 'it leaks already' },
    leaves: (installation) =>
      installation.db
        .prepare('SELECT phase, reason FROM opened_anyway JOIN decision ON decision.id = decision WHERE decision = ?')
        .get(id),
    expected: { phase: 'roof-strip', reason: 'it leaks already' },
    plans: true,
  },
  'job-task.settle': {
    payload: { job: signalHouse, task: 'alarms', by: 'Halyard Wiring' },
    leaves: (installation) =>
      installation.db.prepare(`SELECT task, by FROM job_task_done WHERE job = ?`).get(signalHouse),
    expected: { task: 'alarms', by: 'Halyard Wiring' },
    plans: true,
  },
  'inspection.fail': {
    before: lookToday,
    payload: {
      id: study,
      version: 1,
      again: other,
      fixes: [{ id: third, text: 'a box without its clamp', trade: 'wiring', halfDays: 1 }],
    },
    leaves: (installation) => [
      row(installation, 'inspection', other)?.state,
      row(installation, 'extra_work', third)?.text,
    ],
    expected: ['booked', 'a box without its clamp'],
    plans: true,
  },
  'plant.set': {
    payload: { id, name: 'Hoist', units: 2, phases: ['covering'] },
    leaves: (installation) => row(installation, 'plant', id),
    expected: { units: 2, phases: '["covering"]' },
    plans: true,
  },
  'plant.break': {
    payload: { id, plant: saw, firstDay: '2027-03-10', lastDay: '2027-03-12', units: 1, reason: 'the blade is worn' },
    leaves: (installation) => row(installation, 'plant_down', id),
    expected: { units: 1, reason: 'the blade is worn' },
    plans: true,
  },
  'plant.mend': {
    payload: { id: demoId('plant', 'digger', 'down') },
    leaves: (installation) => halves(installation, 'plant_down'),
    expected: 0,
    plans: true,
  },
  'outlook.say': {
    payload: { halves: [{ day: '2027-03-09', half: 1, rain: 12, wind: 4, low: 3 }] },
    leaves: (installation) =>
      queryOne(installation.db, `SELECT rain FROM outlook WHERE day = '2027-03-09' AND half = 1`),
    expected: { rain: 12 },
    plans: true,
  },
  'normals.set': {
    payload: { months: [{ month: 3, wet: 20, windy: 9, frosty: 1 }] },
    leaves: (installation) => queryOne(installation.db, 'SELECT wet FROM normal WHERE month = 3'),
    expected: { wet: 20 },
  },
  'sub.busy': {
    payload: { sub: paint, name: 'linnet.ics', events: 1, halves: [{ day: '2027-03-15', half: 0, words: 'dentist' }] },
    leaves: (installation) => queryAll(installation.db, 'SELECT day, half FROM busy'),
    expected: [{ day: '2027-03-15', half: 0 }],
    plans: true,
  },
  'baseline.keep': {
    payload: { id, job: signalHouse, name: 'after the surprise' },
    leaves: (installation) => row(installation, 'baseline', id),
    expected: { name: 'after the surprise', origin: '2027-03-09' },
  },
  'feed.open': {
    payload: { id, kind: 'sub', target: paint },
    leaves: (installation) => row(installation, 'feed', id),
    expected: { kind: 'sub', closed_at: null },
  },
  'feed.close': {
    before: (installation) => must(installation, 'feed.open', { id, kind: 'job', target: signalHouse }),
    payload: { id },
    leaves: (installation) => row(installation, 'feed', id)?.closed_at !== null,
    expected: true,
  },
  'plan.search': {
    payload: { schedules: 50, seed: 3 },
    leaves: (installation) => queryOne(installation.db, 'SELECT state, schedules FROM plan_search'),
    expected: { state: 'asked', schedules: 50 },
  },
  'plan.search-stop': {
    before: (installation) => must(installation, 'plan.search', { schedules: 50, seed: 3 }),
    payload: {},
    leaves: (installation) => queryOne(installation.db, 'SELECT state FROM plan_search'),
    expected: { state: 'done' },
  },
  'goals.weigh': {
    payload: { tripWeight: 5, moveWeight: 7, frozenDays: 2, jobs: [{ job: signalHouse, weight: 3 }] },
    leaves: (installation) => [
      queryOne(installation.db, 'SELECT trip_weight, move_weight, frozen_days FROM firm'),
      row(installation, 'job', signalHouse)?.weight,
    ],
    expected: [{ trip_weight: 5, move_weight: 7, frozen_days: 2 }, 3],
    plans: true,
  },
};
