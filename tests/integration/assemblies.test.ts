import { describe, expect, it } from 'vitest';
import { ASSEMBLIES } from '@/core/assemblies/catalogue';
import type { Assembly } from '@/core/assemblies/assembly';
import { drawnAnswers, setAssembly, type SetGoods } from '@/core/assemblies/set';
import { readScopeLine } from '@/core/scope/scope-line';
import { isPhase } from '@/core/sequence/phases';
import { TRADE_KEYS } from '@/core/sequence/trades';
import { workFacts } from '@/core/sequence/works';
import { sum } from '@/core/units/rounding';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { measuresNow } from '@/server/reading/layouts';
import { readJob } from '@/server/reading/reading';
import { estimateOf } from '@/server/views/estimate';
import { assembliesView } from '@/server/views/assemblies';
import { statementView } from '@/server/views/statement';
import { WORKED, type Worked } from '../fixtures/assemblies';
import { demoHouse, giveRaw, must, newId } from '../support/installations';

const mm = (metres: number) => ({ mm: Math.round(metres * 1000), typed: `${metres} m` });
const named = (key: string): Assembly => {
  const assembly = ASSEMBLIES.find((each) => each.key === key);
  if (!assembly) throw new Error(`There is no assembly ${key}.`);
  return assembly;
};

/** A shape of an area of its kind whose drawing answers what is first asked, where a drawing can. */
function shapeFor(assembly: Assembly, answers: Worked['answers']) {
  const [name = '', ask] = Object.entries(assembly.asks)[0] ?? [];
  const value = answers[name] ?? 1;
  switch (ask?.drawn?.[0]) {
    case 'faceNet':
      return { kind: 'face', sections: [{ width: mm(value / 4), height: mm(4), gableRise: mm(0) }] };
    case 'width':
      return { kind: 'face', sections: [{ width: mm(value), height: mm(3), gableRise: mm(0) }] };
    case 'roofSlope':
      // 9 in 12: a quarter more along the slope than on the plan.
      return { kind: 'roof', width: mm(value / 12.5), length: mm(10), riseIn12: 9 };
    case 'floor':
      return {
        kind: 'room',
        height: mm(2.4),
        spread: false,
        walls: [value / 2, 2, value / 2, 2].map((length) => ({ ...mm(length), turn: 90 })),
      };
    default:
      return undefined;
  }
}

/** A job of its own for each way of measuring. */
function openJob(installation: Installation, units: 'metric' | 'imperial'): string {
  const job = newId();
  must(installation, 'job.open', {
    id: job,
    name: `House in ${units}`,
    units,
    startDay: '2027-04-05',
    promiseDay: '2027-12-01',
  });
  return job;
}

function setOn(installation: Installation, job: string, { key, answers }: Worked): { id: string; area: string } {
  const assembly = named(key);
  const [id, area] = [newId(), newId()];
  must(installation, 'areas.add', {
    job,
    levels: [],
    areas: [{ id: area, name: `${key} ${id.slice(-6)}`, kind: assembly.kinds[0]!, works: [], size: 1 }],
  });
  const shape = shapeFor(assembly, answers);
  if (shape) must(installation, 'shape.set', { area, version: 0, shape });
  const drawn = drawnAnswers(assembly.asks, measuresNow(installation, area));
  const [first = ''] = Object.keys(assembly.asks);
  must(installation, 'assembly.set', {
    ...{ id, area, assembly: key },
    answers,
    fed: drawn.fed[first] ? { [first]: drawn.fed[first] } : {},
    prices: Object.fromEntries([...assembly.goods.map(({ what }) => what), 'Our paint'].map((what) => [what, 1000])),
  });
  return { id, area };
}

interface Read {
  lines: { quantity: number; unit: string; hours: number; measure: string | null; trade: string }[];
  goods: number[];
  steps: number[];
  net: number;
}

function readBack(installation: Installation, job: string, assembly: string, area: string): Read {
  const lines = queryAll<Read['lines'][number]>(
    installation.db,
    'SELECT quantity, unit, hours, measure, trade FROM scope_item WHERE assembly = @assembly ORDER BY rowid',
    { assembly },
  );
  const goods = queryAll<{ purchases: string }>(
    installation.db,
    `SELECT purchases FROM calculation WHERE assembly = @assembly ORDER BY rowid`,
    { assembly },
  ).map(({ purchases }) => (JSON.parse(purchases) as { quantity: number }[])[0]?.quantity ?? 0);
  const steps = queryAll<{ half_days: number }>(
    installation.db,
    'SELECT half_days FROM extra_work WHERE assembly = @assembly ORDER BY rowid',
    { assembly },
  ).map(({ half_days }) => half_days);
  const { entries } = estimateOf(readJob(installation, job));
  const mine = entries.filter((entry) => entry.area === area && entry.kind === 'line');
  expect(mine.flatMap(({ missing }) => missing)).toEqual([]);
  return { lines, goods, steps, net: sum(mine.map(({ net }) => net)) };
}

describe('the catalogue', () => {
  it('has at least 25 assemblies, each under a name of its own, each worked by hand', () => {
    expect(ASSEMBLIES.length).toBeGreaterThanOrEqual(25);
    expect(new Set(ASSEMBLIES.map(({ key }) => key)).size).toBe(ASSEMBLIES.length);
    expect(ASSEMBLIES.map(({ key }) => key).sort()).toEqual(WORKED.map(({ key }) => key).sort());
  });

  it.each(ASSEMBLIES.map((assembly) => [assembly.key, assembly] as const))('%s holds together', (_, assembly) => {
    const { asks, lines, goods, steps, works, kinds, choices, cautions, source } = assembly;
    const known = new Set(Object.keys(asks));
    for (const { of } of [...lines, ...goods, ...steps])
      for (const part of of) expect(typeof part === 'number' || known.has(part), String(part)).toBe(true);
    for (const { line } of goods) expect(lines.map(({ key }) => key)).toContain(line);
    for (const { verb, subject, trade } of lines) {
      expect(readScopeLine(`${verb} ${subject}`).ok).toBe(true);
      expect(TRADE_KEYS.filter((each) => each !== 'nobody')).toContain(trade);
    }
    for (const work of works)
      expect(
        kinds.some((kind) => workFacts(work).kinds.includes(kind)),
        work,
      ).toBe(true);
    for (const { phase, lead } of choices) expect(isPhase(phase) && lead[0] <= lead[1]).toBe(true);
    expect(source).not.toBe('');
    expect(works.length + steps.length).toBeGreaterThan(0);
    if (lines.some(({ trade }) => ['structure', 'ground', 'roofing'].includes(trade)))
      expect(cautions.length).toBeGreaterThan(0);
  });
});

/** A house in which every hour costs 40.00, with a job of its own. */
function house(units: 'metric' | 'imperial' = 'metric'): { installation: Installation; job: string } {
  const installation = demoHouse();
  for (const trade of TRADE_KEYS.filter((each) => each !== 'nobody'))
    must(installation, 'rate.set-hour', { trade, perHour: 4000 });
  return { installation, job: openJob(installation, units) };
}

describe('an assembly on a drawn area', () => {
  it.each(['metric', 'imperial'] as const)(
    'is scope, steps, goods, hours and a price as worked by hand, each of them, %s',
    (units) => {
      const { installation, job } = house(units);
      const read = WORKED.map((worked) => {
        const { id, area } = setOn(installation, job, worked);
        const { lines, goods, steps, net } = readBack(installation, job, id, area);
        const [first] = lines;
        const hours = sum(lines.map((line) => line.quantity * line.hours));
        return {
          key: worked.key,
          first: `${first?.quantity} ${first?.unit}`,
          hours: Math.round(hours * 100) / 100,
          goods,
          steps,
          net,
        };
      });
      expect(read).toEqual(
        WORKED.map(({ key, first, hours, goods, steps, net }) => ({
          ...{ key, goods, steps, net, hours: Math.round(hours * 100) / 100 },
          first: first[units === 'metric' ? 0 : 1],
        })),
      );
      const { content } = statementView(readJob(installation, job));
      expect(content.sums?.unpriced).toBe(0);
      expect(sum(content.sums!.rows.map(({ amount }) => amount))).toBe(content.sums!.sum);
    },
  );

  it('follows the drawing from then on: lines, goods and price', () => {
    const { installation, job } = house();
    const worked = WORKED.find(({ key }) => key === 'reclad')!;
    const { id, area } = setOn(installation, job, worked);
    must(installation, 'shape.set', {
      area,
      version: 1,
      shape: { kind: 'face', sections: [{ width: mm(20), height: mm(4), gableRise: mm(0) }] },
    });
    const { lines, goods } = readBack(installation, job, id, area);
    expect(lines.map(({ quantity }) => quantity)).toEqual([80, 80, 80, 20, 2]);
    // 80·1.15/75; 200·1.1/4.8; 80·1.1/2
    expect(goods.slice(0, 3)).toEqual([2, 46, 44]);
  });

  it('brings what has to be chosen and asked, once, with its usual days', () => {
    const { installation, job } = house();
    const worked = WORKED.find(({ key }) => key === 'kitchen')!;
    const { area } = setOn(installation, job, worked);
    const choices = () =>
      queryAll(
        installation.db,
        'SELECT category, lead_low, lead_high FROM selection WHERE area = @area ORDER BY rowid',
        { area },
      );
    expect(choices()).toEqual([
      { category: 'Kitchen cabinets', lead_low: 35, lead_high: 56 },
      { category: 'Worktop', lead_low: 8, lead_high: 14 },
      { category: 'Wall tiles', lead_low: 5, lead_high: 15 },
      { category: 'Kitchen tap', lead_low: 5, lead_high: 15 },
    ]);
    expect(queryAll(installation.db, 'SELECT kind, subject FROM finding WHERE area = @area', { area })).toEqual([
      { kind: 'site-choice', subject: 'the wall end of the run' },
    ]);
    must(installation, 'assembly.set', { id: newId(), area, assembly: 'kitchen', answers: { run: 2, splash: 0 } });
    expect(choices().length).toBe(4);
  });

  it('goes whole, with what it brought and nobody has begun', () => {
    const { installation, job } = house();
    const worked = WORKED.find(({ key }) => key === 'retaining-wall')!;
    const { id, area } = setOn(installation, job, worked);
    must(installation, 'assembly.remove', { id, version: 1 });
    const left = (table: string, there: string) =>
      queryOne<{ count: number }>(
        installation.db,
        `SELECT count(*) AS count FROM ${table} WHERE assembly = @id AND ${there}`,
        { id },
      )?.count;
    expect([
      left('scope_item', 'removed = 0'),
      left('calculation', 'removed = 0'),
      left('extra_work', `state = 'open'`),
    ]).toEqual([0, 0, 0]);
    expect(estimateOf(readJob(installation, job)).entries.some((entry) => entry.area === area)).toBe(false);
    // Nothing was recorded there: the area goes too.
    must(installation, 'area.remove', { id: area, version: 2 });
  });

  it('is refused where it cannot be, and asks for what it was not told, beside the field', () => {
    const { installation, job } = house();
    const area = newId();
    must(installation, 'areas.add', {
      job: job,
      levels: [],
      areas: [{ id: area, name: 'Den', kind: 'room', works: [], size: 1 }],
    });
    const refused = (over: object) => {
      const answer = giveRaw(installation, 'assembly.set', {
        id: newId(),
        area,
        assembly: 'partition',
        answers: {},
        ...over,
      });
      if (answer.status !== 'refused') throw new Error('It was taken.');
      return answer.problem;
    };
    expect(refused({ assembly: 'reclad', answers: { face: 3 } })).toMatchObject({
      code: 'assembly-elsewhere',
      field: 'assembly',
      title: expect.stringMatching(/outside face, outbuilding; Den is none of them/),
    });
    expect(refused({ assembly: 'palace' })).toMatchObject({ field: 'assembly' });
    expect(refused({})).toMatchObject({ field: 'answers.run', title: 'How long is missing.' });
    expect(refused({ answers: { run: -2, high: 2, doors: 0 } })).toMatchObject({ field: 'answers.run' });
    expect(refused({ answers: { run: 2, high: 2, doors: 1.5 } })).toMatchObject({ field: 'answers.doors' });
    expect(refused({ answers: { run: 2, high: 90, doors: 1 } })).toMatchObject({
      title: expect.stringMatching(/over 8 m cannot/),
    });
    expect(refused({ answers: { run: 'long' } })).toMatchObject({ field: 'answers.run' });
    expect(refused({ answers: { run: 2, high: 2, doors: 0 }, prices: { 'Wall boards': -4 } })).toMatchObject({
      field: 'prices.Wall boards',
    });
  });
});

describe('an assembly of the firm', () => {
  const own = {
    key: 'repaint-face',
    base: 'repaint-face',
    title: 'Our painting',
    says: 'Wash and paint it once',
    lines: [
      { key: 'paint', verb: 'paint', subject: 'the face once', of: ['face'], unit: 'm²', trade: 'paint', hours: 0.25 },
    ],
    goods: [{ what: 'Our paint', line: 'paint', of: ['face'], unit: 'm²', waste: 0, pack: 40 }],
  } as const;

  it('takes the place of the one that ships, or stands beside it, and goes back', () => {
    const { installation, job } = house();
    const read = (key: string) => {
      const { id, area } = setOn(installation, job, { ...WORKED.find((each) => each.key === 'repaint-face')!, key });
      return readBack(installation, job, id, area);
    };
    must(installation, 'assembly.write', own);
    // 50 m² at a quarter of an hour, and two cans that nobody has priced
    expect(read('repaint-face')).toMatchObject({ lines: [{ quantity: 50, hours: 0.25 }], goods: [2] });
    must(installation, 'assembly.write', { ...own, key: newId(), title: 'Another' });
    const view = assembliesView(readJob(installation, job));
    expect(view.catalogue.flatMap(({ title, own: kind }) => (kind ? [[title, kind]] : []))).toEqual([
      ['Our painting', 'changed'],
      ['Another', 'made'],
    ]);
    must(installation, 'assembly.drop-own', { key: 'repaint-face' });
    expect(read('repaint-face').lines.length).toBe(2);
  });

  it('that does not hold together is refused beside the field', () => {
    const { installation } = house();
    const refused = (over: object) => {
      const answer = giveRaw(installation, 'assembly.write', { ...own, ...over });
      if (answer.status !== 'refused') throw new Error('It was taken.');
      return answer.problem;
    };
    expect(refused({ base: 'palace' })).toMatchObject({ field: 'base' });
    expect(refused({ lines: [{ ...own.lines[0], of: ['moon'] }] })).toMatchObject({ field: 'lines[0].of' });
    expect(refused({ lines: [{ ...own.lines[0], hours: -1 }] })).toMatchObject({ field: 'lines[0].hours' });
    expect(refused({ goods: [{ ...own.goods[0], line: 'roof' }] })).toMatchObject({ field: 'goods[0].line' });
    expect(refused({ goods: [{ ...own.goods[0], pack: 0 }] })).toMatchObject({ field: 'goods[0].pack' });
  });
});

describe('goods', () => {
  it('follow the drawing by the calculator that asks for what it measures', () => {
    const set = setAssembly(
      named('reclad'),
      { face: 40, trim: 20, through: 0 },
      { face: 'faceNet', trim: 'openingTrim' },
      'metric',
    );
    const of = (what: string): SetGoods | undefined =>
      set.ok ? set.value.goods.find((goods) => goods.what === what) : undefined;
    expect(of('Battens')).toMatchObject({
      calculator: 'lengths-over-area',
      input: { area: 40, perArea: 2.5, stick: 4800 },
      fed: { area: 'faceNet' },
    });
    expect(of('Trim boards')).toMatchObject({ calculator: 'running-lengths', fed: { run: 'openingTrim' } });
    expect(of('Cladding boards')).toMatchObject({ calculator: 'boxes', fed: { area: 'faceNet' } });
  });
});
