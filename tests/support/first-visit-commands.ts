import { measured } from '@/core/layout/shape';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import type { Installation } from '@/server/installation';
import { demoId } from '../../demo/seed';
import { areaOf, must, newId } from './installations';

export interface Given {
  /** What must have happened before. */
  before?: (installation: Installation) => void;
  payload: object | ((installation: Installation) => object);
  /** What is there afterwards. */
  leaves: (installation: Installation) => unknown;
  expected: unknown;
  /** Whether the plan of the job has to follow. */
  plans?: boolean;
  who?: Actor;
}

const [id, other, third, link] = [newId(), newId(), newId(), newId()];
const dairy = demoId('dairy');
const dairyArea = (key: string): string => areaOf(key, 'dairy');
const row = (installation: Installation, table: string, key: string): Record<string, unknown> | undefined =>
  queryOne(installation.db, `SELECT * FROM ${table} WHERE id = @key`, { key });
const version = (installation: Installation, table: string, key: string): number =>
  Number(row(installation, table, key)?.version ?? 0);
const shapeVersion = (installation: Installation, area: string): number =>
  queryOne<{ version: number }>(installation.db, 'SELECT version FROM shape WHERE area = @area', { area })?.version ??
  0;
const client: Actor = { kind: 'link', id: link, audience: 'client', job: dairy, sub: null };
const sending = {
  updateId: other,
  messageId: third,
  linkId: link,
  name: 'Hesper',
  address: 'hesper@cowsliplane.example',
  expiresOn: '2027-06-01',
};
const square = (mm: number) => ({
  kind: 'room',
  height: measured(2400),
  spread: false,
  walls: [mm, mm, mm, mm].map((wall) => ({ ...measured(wall), turn: 90 })),
});
const window = {
  wall: 0,
  kind: 'window',
  name: 'W',
  width: measured(600),
  height: measured(800),
  sill: measured(900),
  along: measured(2900),
  count: 1,
  hinge: 'left',
  opensIn: true,
  clear: null,
};
const bed = {
  wall: 3,
  kind: 'bed',
  name: 'bed',
  along: measured(100),
  width: measured(900),
  depth: measured(2000),
  front: measured(0),
};
const assumption = demoId('dairy', 'assumption', '0');
const believed = {
  phase: 'strip',
  text: 'dry behind',
  why: '',
  fallback: 'dry it',
  fallbackTrade: 'carpentry',
  fallbackHalfDays: 2,
  fallbackPrice: 0,
};
const siteChoice = demoId('dairy', 'finding', '7');
const options = demoId('dairy', 'options', '0');
const change = {
  kind: 'addition' as const,
  title: 'a shelf',
  why: '',
  lines: [
    {
      id: other,
      area: dairyArea('workshop'),
      verb: 'build',
      subject: 'a shelf',
      quantity: 1,
      unit: 'pieces',
      unitPrice: 9000,
      trade: 'carpentry',
      halfDays: 2,
      after: 'trim',
    } as const,
  ],
  markup: 0.1,
  taxRate: 0,
};
const settle = (installation: Installation): unknown =>
  must(installation, 'assumption.settle', { id: assumption, verdict: 'wrong', found: 'black and soft', extraId: id });
const draftChange = (installation: Installation): unknown =>
  must(installation, 'change.add', { id, job: dairy, ...change });
const sentChange = (installation: Installation): void => {
  draftChange(installation);
  must(installation, 'change.send', { id, version: 1, ...sending });
};
const calculation = {
  calculator: 'boxes',
  product: 'Oak',
  input: { area: 1, waste: 0.1, perBox: 2 },
  fed: { area: 'floor' },
  unitPrice: 4000,
};

/** Every command of the first visit, with what it leaves. */
export const FIRST_VISIT: Record<string, Given> = {
  'scope.add-many': {
    payload: {
      job: dairy,
      lines: [
        { id, area: dairyArea('milk'), stance: 'in', verb: 'paint', subject: 'everything' },
        { id: other, area: dairyArea('milk'), stance: 'out', verb: 'paint', subject: 'the ceiling' },
      ],
    },
    leaves: (installation) => row(installation, 'scope_item', other),
    expected: { stance: 'out', subject: 'the ceiling' },
  },
  'line.remove': {
    payload: { of: 'scope', id: demoId('dairy', 'scope', '0') },
    leaves: (installation) => row(installation, 'scope_item', demoId('dairy', 'scope', '0')),
    expected: { removed: 1 },
  },
  'finding.add': {
    payload: { id, job: dairy, area: dairyArea('milk'), kind: 'service', subject: 'old pipe', live: false },
    leaves: (installation) => row(installation, 'finding', id),
    expected: { live: 0, kind: 'service', proved: null },
    plans: true,
  },
  'finding.change': {
    payload: {
      id: demoId('dairy', 'finding', '0'),
      version: 1,
      area: dairyArea('front'),
      kind: 'damage',
      subject: 'rot',
      quantity: 4,
      unit: 'm',
      cause: 'soil',
      remedy: 'dig it away',
      allowed: 2,
    },
    leaves: (installation) => row(installation, 'finding', demoId('dairy', 'finding', '0')),
    expected: { allowed: 2, remedy: 'dig it away', version: 2 },
  },
  'finding.prove': {
    before: (installation) =>
      void must(installation, 'finding.add', {
        id,
        job: demoId('dairy'),
        area: dairyArea('workshop'),
        kind: 'service',
        subject: 'an old lead pipe',
      }),
    payload: { id, version: 1, state: 'dead', by: 'Tidewell Plumbing' },
    leaves: (installation) => row(installation, 'finding', id),
    expected: { proved: 'dead', proved_by: 'Tidewell Plumbing', live: 0 },
    plans: true,
  },
  'finding.answer': {
    payload: { id: siteChoice, answer: 'under the work bench' },
    leaves: (installation) => row(installation, 'finding', siteChoice),
    expected: { answer: 'under the work bench' },
  },
  'area.copy': {
    payload: {
      from: dairyArea('east'),
      id,
      name: 'West gable',
      side: 'west',
      mirrored: true,
      parts: ['scope', 'findings', 'layout'],
    },
    leaves: (installation) => [
      row(installation, 'area', id)?.side,
      queryAll(installation.db, 'SELECT 1 FROM scope_item WHERE area = @id', { id }).length,
      queryAll(installation.db, 'SELECT 1 FROM opening WHERE area = @id', { id }).length,
    ],
    expected: ['west', 1, 1],
    plans: true,
  },
  'area.split': {
    payload: (installation) => ({
      id: dairyArea('front'),
      version: version(installation, 'area', dairyArea('front')),
      name: 'Lane face, left',
      secondId: id,
      secondName: 'Porch and right',
      fromSection: 2,
    }),
    leaves: (installation) => [
      queryAll(installation.db, 'SELECT 1 FROM opening WHERE area = @id', { id }).length,
      (
        JSON.parse(
          queryOne<{ shape: string }>(installation.db, 'SELECT shape FROM shape WHERE area = @id', { id })?.shape ??
            '{}',
        ) as { sections: unknown[] }
      ).sections.length,
    ],
    expected: [1, 2],
    plans: true,
  },
  'assumption.add': {
    payload: { id, job: dairy, area: dairyArea('front'), ...believed },
    leaves: (installation) => row(installation, 'assumption', id),
    expected: { state: 'open', fallback_half_days: 2 },
  },
  'assumption.probe': {
    payload: { id: assumption, extraId: id, text: 'a small opening at the head', trade: 'carpentry' },
    leaves: (installation) => row(installation, 'extra_work', id),
    expected: { half_days: 1, after_phase: null, probes: 1, state: 'open' },
    plans: true,
  },
  'assumption.change': {
    payload: { id: assumption, version: 1, ...believed },
    leaves: (installation) => row(installation, 'assumption', assumption),
    expected: { text: 'dry behind', version: 2 },
  },
  'assumption.settle': {
    payload: { id: assumption, verdict: 'wrong', found: 'black and soft', extraId: id },
    leaves: (installation) => row(installation, 'extra_work', id),
    expected: { half_days: 5, after_phase: 'strip', state: 'open', trade: 'carpentry' },
    plans: true,
  },
  'assumption.reopen': {
    before: settle,
    payload: { id: assumption },
    leaves: (installation) => [
      row(installation, 'assumption', assumption)?.state,
      row(installation, 'extra_work', id)?.state,
    ],
    expected: ['open', 'dropped'],
    plans: true,
  },
  'extra.leave': {
    payload: {
      id,
      area: dairyArea('back'),
      text: 'the old gate',
      until: 'face-paint',
      reason: 'it keeps the dog in',
      trade: 'tear-out',
      halfDays: 1,
    },
    leaves: (installation) => row(installation, 'extra_work', id),
    expected: { text: 'remove: the old gate', after_phase: 'face-paint', left_for: 'the old gate', state: 'open' },
    plans: true,
  },
  'extra.finish': {
    before: settle,
    payload: { id },
    leaves: (installation) => row(installation, 'extra_work', id),
    expected: { state: 'done' },
    plans: true,
  },
  'extra.reopen': {
    before: (installation) => {
      settle(installation);
      must(installation, 'extra.finish', { id });
    },
    payload: { id },
    leaves: (installation) => row(installation, 'extra_work', id),
    expected: { state: 'open' },
    plans: true,
  },
  'options.add': {
    payload: {
      id,
      job: dairy,
      area: dairyArea('back'),
      phase: 'face-paint',
      subject: 'paint or oil',
      options: ['a', 'b'].map((key) => ({ key, name: key, cost: 100, lifeYears: 8, leadDays: 3 })),
    },
    leaves: (installation) => row(installation, 'option_set', id),
    expected: { subject: 'paint or oil', chosen: null },
  },
  'options.change': {
    payload: {
      id: options,
      version: 1,
      phase: 'strip',
      subject: 'over or off',
      options: ['a', 'b'].map((key) => ({ key, name: key, cost: 100, lifeYears: 8, leadDays: 3 })),
    },
    leaves: (installation) => row(installation, 'option_set', options),
    expected: { subject: 'over or off', version: 2 },
  },
  'options.choose': {
    payload: { id: options, version: 1, key: 'overlay', reason: 'the money', decisionId: id },
    leaves: (installation) => [
      row(installation, 'area', dairyArea('front'))?.works,
      row(installation, 'decision', id)?.reason,
    ],
    expected: ['["overlay"]', 'the money'],
    plans: true,
  },
  'options.unchoose': {
    before: (installation) =>
      must(installation, 'options.choose', {
        id: options,
        version: 1,
        key: 'overlay',
        reason: 'the money',
        decisionId: id,
      }),
    payload: { id: options, version: 2 },
    leaves: (installation) => row(installation, 'area', dairyArea('front'))?.works,
    expected: '["reclad"]',
    plans: true,
  },
  'decision.add': {
    payload: { id, job: dairy, subject: 'the hatch stays visible', reason: 'the client likes it' },
    leaves: (installation) => row(installation, 'decision', id),
    expected: { area: null, made_by: demoId('person', 'maren') },
  },
  'statement.make': {
    payload: { id, job: dairy },
    leaves: (installation) => row(installation, 'statement', id),
    expected: { number: 1, state: 'made' },
  },
  'statement.send': {
    before: (installation) => must(installation, 'statement.make', { id, job: dairy }),
    payload: { id, version: 1, ...sending },
    leaves: (installation) => [row(installation, 'statement', id)?.state, row(installation, 'message', third)?.state],
    expected: ['sent', 'queued'],
  },
  'statement.agree': {
    before: (installation) => {
      must(installation, 'statement.make', { id, job: dairy });
      must(installation, 'statement.send', { id, version: 1, ...sending });
    },
    who: client,
    payload: { id, name: 'Hesper' },
    leaves: (installation) => row(installation, 'statement', id),
    expected: { state: 'agreed', agreed_by: 'Hesper' },
  },
  'change.add': {
    payload: { id, job: dairy, ...change },
    leaves: (installation) => row(installation, 'change_order', id),
    expected: { number: 1, state: 'draft', markup: 0.1 },
  },
  'change.edit': {
    before: draftChange,
    payload: { id, version: 1, ...change, title: 'two shelves' },
    leaves: (installation) => row(installation, 'change_order', id),
    expected: { title: 'two shelves', version: 2 },
  },
  'change.send': {
    before: draftChange,
    payload: { id, version: 1, ...sending },
    leaves: (installation) => row(installation, 'change_order', id),
    expected: { state: 'sent' },
  },
  'change.withdraw': {
    before: sentChange,
    payload: { id, version: 2 },
    leaves: (installation) => row(installation, 'change_order', id),
    expected: { state: 'draft', sent_at: null },
  },
  'change.answer': {
    before: sentChange,
    who: client,
    payload: { id, verdict: 'approved', name: 'Hesper' },
    leaves: (installation) => [
      queryAll(installation.db, 'SELECT half_days, after_phase FROM extra_work WHERE change_order = @id', { id }),
      queryAll(installation.db, 'SELECT stance, subject FROM scope_item WHERE change_order = @id', { id }),
    ],
    expected: [[{ half_days: 2, after_phase: 'trim' }], [{ stance: 'in', subject: 'a shelf' }]],
    plans: true,
  },
  'shape.set': {
    payload: (installation) => ({
      area: dairyArea('workshop'),
      version: shapeVersion(installation, dairyArea('workshop')),
      shape: square(5000),
    }),
    leaves: (installation) =>
      (
        JSON.parse(
          String(
            queryOne<{ output: string }>(
              installation.db,
              `SELECT output FROM calculation WHERE area = @area AND calculator = 'boxes'`,
              { area: dairyArea('workshop') },
            )?.output,
          ),
        ) as { boxes: number }
      ).boxes,
    expected: 9,
  },
  'shapes.import': {
    payload: { job: dairy, shapes: [{ area: dairyArea('milk'), shape: square(3000) }] },
    leaves: (installation) => shapeVersion(installation, dairyArea('milk')),
    expected: 2,
  },
  'opening.add': {
    payload: { id, area: dairyArea('workshop'), ...window },
    leaves: (installation) => row(installation, 'opening', id),
    expected: { area: dairyArea('workshop'), removed: 0 },
  },
  'opening.change': {
    payload: { id: demoId('dairy', 'opening', '0'), version: 1, ...window, name: 'moved' },
    leaves: (installation) =>
      String(row(installation, 'opening', demoId('dairy', 'opening', '0'))?.opening).includes('moved'),
    expected: true,
  },
  'openings.import': {
    payload: { job: dairy, openings: [{ id, area: dairyArea('workshop'), ...window }] },
    leaves: (installation) => row(installation, 'opening', id),
    expected: { version: 1 },
  },
  'fixture.add': {
    payload: { id, area: dairyArea('milk'), ...bed },
    leaves: (installation) => row(installation, 'fixture', id),
    expected: { removed: 0 },
  },
  'fixture.change': {
    payload: { id: demoId('dairy', 'fixture', '2'), version: 1, ...bed },
    leaves: (installation) =>
      String(row(installation, 'fixture', demoId('dairy', 'fixture', '2'))?.fixture).includes('"bed"'),
    expected: true,
  },
  'area.describe': {
    payload: { id: dairyArea('milk'), side: 'north', sleeping: true },
    leaves: (installation) => row(installation, 'area', dairyArea('milk')),
    expected: { side: 'north', sleeping: 1 },
  },
  'wall.share': {
    before: (installation) =>
      must(installation, 'shape.set', { area: areaOf('main'), version: 0, shape: square(4000) }),
    payload: { one: { area: areaOf('main'), wall: 1 }, other: { area: areaOf('guest'), wall: 3 } },
    leaves: (installation) =>
      queryAll(installation.db, 'SELECT other_wall FROM shared_wall WHERE one = @one', { one: areaOf('main') }),
    expected: [{ other_wall: 3 }],
    plans: true,
  },
  'wall.move': {
    payload: (installation) => ({
      area: dairyArea('workshop'),
      version: shapeVersion(installation, dairyArea('workshop')),
      wall: 1,
      by: 300,
      reason: 'a longer bench',
      decisionId: id,
    }),
    leaves: (installation) =>
      [
        JSON.parse(
          queryOne<{ shape: string }>(installation.db, 'SELECT shape FROM shape WHERE area = @area', {
            area: dairyArea('milk'),
          })?.shape ?? '{}',
        ),
      ].map(({ walls }: { walls: { mm: number }[] }) => Math.round(walls[0]?.mm ?? 0)),
    expected: [2750],
  },
  'level.add': {
    payload: { id, job: dairy, name: 'step', kind: 'step', level: measured(-90, '-90 mm') },
    leaves: (installation) => row(installation, 'level_mark', id),
    expected: { mm: -90, typed: '-90 mm' },
  },
  'level.change': {
    payload: {
      id: demoId('dairy', 'level-mark', '1'),
      version: 1,
      name: 'yard',
      kind: 'ground',
      level: measured(-200, '-200'),
    },
    leaves: (installation) => row(installation, 'level_mark', demoId('dairy', 'level-mark', '1')),
    expected: { mm: -200 },
  },
  'calculation.keep': {
    payload: { id, area: dairyArea('milk'), ...calculation },
    leaves: (installation) =>
      (JSON.parse(String(row(installation, 'calculation', id)?.output)) as { boxes: number }).boxes,
    expected: 8,
  },
  'calculation.change': {
    payload: (installation) => ({
      id: demoId('dairy', 'calculation', '3'),
      version: version(installation, 'calculation', demoId('dairy', 'calculation', '3')),
      ...calculation,
    }),
    leaves: (installation) => row(installation, 'calculation', demoId('dairy', 'calculation', '3')),
    expected: { calculator: 'boxes', product: 'Oak' },
  },
};
