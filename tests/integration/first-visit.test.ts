import { sendToClient } from '../support/client';
import { readFirm, readJob } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import { calculatorNamed } from '@/core/quantities/registry';
import { measured, type RoomShape } from '@/core/layout/shape';
import { queryAll, queryOne } from '@/server/database/query';
import type { Actor } from '@/server/door/actor';
import { areaPaper, jobPaper } from '@/server/papers/documents';
import type { Input } from '@/contract/commands';
import type { Installation } from '@/server/installation';
import { layoutView } from '@/server/views/layout';
import { materialsView } from '@/server/views/quantities';
import { renewOnce } from '@/server/plan/renew';
import { finishIf } from '@/server/plan/what-if';
import { readPlan } from '@/server/reading/plan';
import { optionsView, scopeView } from '@/server/views/scope';
import { statementView } from '@/server/views/statement';
import { openLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { tokenOf } from '@/server/tokens';
import { walkPack } from '@/server/views/pack';
import { demoId } from '../../demo/seed';
import { areaOf, command, demoHouse, giveRaw, MAREN, must, newId } from '../support/installations';
import { textOf } from '../support/pdf-text';
import { dispatch } from '@/server/dispatch/dispatch';

const dairy = demoId('dairy');
const dairyArea = (key: string): string => areaOf(key, 'dairy');
const square = (mm: number): RoomShape => ({
  kind: 'room',
  height: measured(2400),
  spread: false,
  walls: [mm, mm, mm, mm].map((wall) => ({ ...measured(wall), turn: 90 })),
});
const renew = (installation: Installation): void => void renewOnce(installation);
const opening = (over: Partial<Input<'opening.add'>> = {}) => ({
  wall: 0,
  kind: 'window' as const,
  name: 'W',
  width: measured(600),
  height: measured(800),
  sill: measured(900),
  along: measured(2900),
  count: 1,
  hinge: 'left' as const,
  opensIn: true,
  clear: null,
  ...over,
});
const refused = (
  installation: Installation,
  type: string,
  payload: unknown,
  who?: Actor,
): { code: string; field?: string; title: string } => {
  const answer = giveRaw(installation, type, payload, who);
  if (answer.status !== 'refused') throw new Error(`${type} was taken`);
  expect(answer.httpStatus).toBeLessThan(500);
  return answer.problem;
};
const calculationOf = (
  installation: Installation,
  id: string,
): { output: Record<string, number> | null; problem: string | null } => {
  const row = queryOne<{ output: string | null; problem: string | null }>(
    installation.db,
    'SELECT output, problem FROM calculation WHERE id = @id',
    { id },
  );
  return {
    output: row?.output ? (JSON.parse(row.output) as Record<string, number>) : null,
    problem: row?.problem ?? null,
  };
};
describe('what follows the drawing', () => {
  it('is computed again when the room changes, with the line of scope that is measured by it', () => {
    const installation = demoHouse();
    const [boards, line] = [demoId('dairy', 'calculation', '3'), newId()];
    must(installation, 'scope.add', {
      id: line,
      job: dairy,
      area: dairyArea('workshop'),
      stance: 'in',
      verb: 'paint',
      subject: 'the walls',
      measure: 'wallsNet',
    });
    const quantity = (): unknown =>
      queryOne<{ quantity: number; unit: string }>(
        installation.db,
        'SELECT quantity, unit FROM scope_item WHERE id = @line',
        {
          line,
        },
      );
    expect(quantity()).toEqual({ quantity: 53.9, unit: 'm²' });
    const before = calculationOf(installation, boards).output?.sheets ?? 0;
    must(installation, 'opening.add', {
      id: newId(),
      area: dairyArea('workshop'),
      ...opening({ width: measured(1600), height: measured(1500) }),
    });
    expect(quantity()).toEqual({ quantity: 51.5, unit: 'm²' });
    expect(calculationOf(installation, boards).output?.sheets).toBeLessThan(before);
    must(installation, 'line.remove', { of: 'opening', id: demoId('dairy', 'opening', '0') });
    expect(quantity()).toEqual({ quantity: 52.82, unit: 'm²' });
  });

  it('says so where the drawing measures it no longer, and is left out of the list until it does', () => {
    const installation = demoHouse();
    const planks = demoId('dairy', 'calculation', '0');
    const drawn = layoutView(readJob(installation, dairy), dairyArea('east'));
    const listed = (): boolean =>
      materialsView(readJob(installation, dairy)).lines.some((line) => line.what.startsWith('Larch'));
    expect(listed()).toBe(true);
    must(installation, 'shape.set', {
      area: dairyArea('east'),
      version: drawn.version,
      shape: { kind: 'face', sections: [{ width: measured(500), height: measured(400), gableRise: measured(0) }] },
    });
    // Its window is larger than the whole face now: the plan says so, and nothing is left to clad.
    expect(calculationOf(installation, planks)).toMatchObject({ output: null });
    expect(materialsView(readJob(installation, dairy)).problems.map((problem) => problem.id)).toContain(planks);
    expect(listed()).toBe(false);
  });

  it('is refused beside its field where the calculator refuses it', () => {
    const installation = demoHouse();
    const keep = { id: newId(), area: dairyArea('milk'), calculator: 'tiles', product: '', fed: {} };
    expect(
      refused(installation, 'calculation.keep', {
        ...keep,
        input: { area: 3, tileWidth: 0, tileHeight: 100, joint: 2, waste: 0 },
      }),
    ).toMatchObject({ field: 'input.tileWidth' });
    expect(
      refused(installation, 'calculation.keep', {
        ...keep,
        input: { tileWidth: 100, tileHeight: 100, joint: 2, waste: 0 },
        fed: { area: 'faceNet' },
      }),
    ).toMatchObject({ code: 'not-measured', field: 'input.area' });
    expect(refused(installation, 'calculation.keep', { ...keep, calculator: 'crystal-ball', input: {} })).toMatchObject(
      {
        field: 'calculator',
      },
    );
  });
});

describe('drawings at the door', () => {
  it(
    'refuse shapes that cross themselves, openings that do not fit and sizes that cannot be meant, beside their ' +
      'field',
    () => {
      const installation = demoHouse();
      const area = dairyArea('workshop');
      const { version } = layoutView(readJob(installation, dairy), area);
      const crossed = {
        ...square(3000),
        walls: [
          [3000, 90],
          [3000, 135],
          [4242.64, -135],
          [3000, -90],
          [3000, -135],
          [4242.64, 90],
        ].map(([mm = 0, turn = 0]) => ({ ...measured(mm), turn })),
      };
      expect(refused(installation, 'shape.set', { area, version, shape: crossed })).toMatchObject({
        code: 'walls-cross',
        field: expect.stringMatching(/^shape\.walls\[\d\]\.turn$/) as string,
      });
      expect(refused(installation, 'shape.set', { area, version: version + 1, shape: square(3000) })).toMatchObject({
        code: 'changed-meanwhile',
      });
      expect(
        refused(installation, 'shape.set', { area, version, shape: { kind: 'face', sections: [] } }),
      ).toMatchObject({
        field: 'shape.sections',
      });
      expect(
        refused(installation, 'shape.set', { area: dairyArea('roof'), version: 1, shape: square(3000) }),
      ).toMatchObject({
        code: 'shape-elsewhere',
      });
      expect(
        refused(installation, 'opening.add', {
          id: newId(),
          area,
          ...opening({ kind: 'door', height: measured(30_000) }),
        }),
      ).toMatchObject({ code: 'opening-absurd', field: 'height' });
      expect(
        refused(installation, 'opening.add', { id: newId(), area, ...opening({ width: measured(8000) }) }),
      ).toMatchObject({
        field: 'width',
      });
      expect(refused(installation, 'opening.add', { id: newId(), area: areaOf('boot'), ...opening() })).toMatchObject({
        code: 'not-drawn',
        field: 'wall',
      });
    },
  );

  it('import a list whole or not at all', () => {
    const installation = demoHouse();
    const count = (): number => queryAll(installation.db, 'SELECT 1 FROM opening').length;
    const before = count();
    const good = { id: newId(), area: dairyArea('workshop'), ...opening() };
    expect(
      refused(installation, 'openings.import', {
        job: dairy,
        openings: [good, { id: newId(), area: dairyArea('workshop'), ...opening({ along: measured(7300) }) }],
      }),
    ).toMatchObject({ field: 'openings[1].along' });
    expect(count()).toBe(before);
  });

  it('move a wall on both sides or on none', () => {
    const installation = demoHouse();
    const area = dairyArea('workshop');
    const view = layoutView(readJob(installation, dairy), area);
    expect(view.neighbours[0]).toMatchObject({ name: 'Milk store', wall: 1, otherWall: 3 });
    expect(
      refused(installation, 'wall.move', {
        area,
        version: view.version,
        wall: 1,
        by: 3500,
        reason: 'too far',
        decisionId: newId(),
      }).title,
    ).toMatch(/^Milk store: That is further/);
    expect(layoutView(readJob(installation, dairy), area).version).toBe(view.version);
    must(installation, 'wall.move', {
      area,
      version: view.version,
      wall: 1,
      by: 250,
      reason: 'the bench',
      decisionId: newId(),
    });
    const [mine, theirs] = [
      layoutView(readJob(installation, dairy), area),
      layoutView(readJob(installation, dairy), dairyArea('milk')),
    ];
    expect(Number(mine.measures.floor) - Number(view.measures.floor)).toBeCloseTo(0.25 * 4.2, 1);
    expect(theirs.measures.floor).toBeCloseTo((3.05 - 0.25) * 4.2, 3);
    expect(mine.decisions[0]).toMatchObject({
      reason: 'the bench',
      subject: 'Workshop: wall 2 moved out by 250 mm, Milk store gives way',
    });
  });
});

describe('an assumption', () => {
  const assumption = demoId('dairy', 'assumption', '0');
  it('that turns out wrong on a walk puts its work into the sequence, between what showed it and what comes next', () => {
    const installation = demoHouse();
    const [walk, extraId] = [newId(), newId()];
    must(installation, 'walk.start', { id: walk, job: dairy, kind: 'progress' });
    expect(
      walkPack(installation, walk).areas.find((area) => area.id === dairyArea('front'))?.assumptions,
    ).toMatchObject([{ state: 'open' }]);
    must(installation, 'assumption.settle', {
      id: assumption,
      verdict: 'wrong',
      found: 'black and soft',
      walk,
      extraId,
    });
    renew(installation);
    const plan = readPlan(installation.db, { job: dairy });
    const [strip, extra, next] = [
      `${dairyArea('front')}:strip`,
      `extra:${extraId}`,
      `${dairyArea('front')}:substrate`,
    ].map((id) => plan?.tasks.find((task) => task.id === id));
    expect(extra).toMatchObject({
      duration: 5,
      trade: 'carpentry',
      work: { kind: 'beside', area: 'Lane face', text: 'replace the sheathing of the lane face' },
    });
    expect(extra?.start).toBeGreaterThanOrEqual(strip?.finish ?? Infinity);
    expect(next?.start).toBeGreaterThanOrEqual(extra?.finish ?? Infinity);
    expect(plan?.links.find((link) => link.after === `extra:${extraId}`)?.reason).toContain(
      'turned out wrong: black and soft',
    );
    expect(scopeView(readJob(installation, dairy)).assumptions.find((entry) => entry.id === assumption)).toMatchObject({
      state: 'wrong',
      walk,
    });
    must(installation, 'extra.finish', { id: extraId });
    renew(installation);
    expect(readPlan(installation.db, { job: dairy })?.tasks.some((task) => task.id === `extra:${extraId}`)).toBe(false);
  });

  it('that is settled is not taken away, and not changed, until it is open again', () => {
    const installation = demoHouse();
    must(installation, 'assumption.settle', { id: assumption, verdict: 'held', found: '', extraId: newId() });
    expect(refused(installation, 'line.remove', { of: 'assumption', id: assumption })).toMatchObject({
      code: 'settled-already',
    });
    expect(
      refused(installation, 'assumption.change', {
        id: assumption,
        version: 2,
        phase: 'strip',
        text: 'x',
        fallback: 'y',
        fallbackTrade: 'paint',
        fallbackHalfDays: 1,
      }),
    ).toMatchObject({ code: 'settled-already' });
    must(installation, 'assumption.reopen', { id: assumption });
    must(installation, 'line.remove', { of: 'assumption', id: assumption });
    expect(scopeView(readJob(installation, dairy)).assumptions.some((entry) => entry.id === assumption)).toBe(false);
  });

  it('keeps the newest word, however late an older one arrives', () => {
    const installation = demoHouse();
    const say = (verdict: 'held' | 'wrong', at: string): unknown =>
      dispatch(installation, MAREN, {
        ...command('assumption.settle', { id: assumption, verdict, found: '', extraId: newId() }),
        at,
      });
    say('held', '2027-03-08T09:00:00.000Z');
    say('wrong', '2027-03-08T08:00:00.000Z');
    expect(queryOne(installation.db, 'SELECT state FROM assumption WHERE id = @assumption', { assumption })).toEqual({
      state: 'held',
    });
    expect(queryAll(installation.db, 'SELECT 1 FROM extra_work')).toEqual([]);
  });
});

describe('options', () => {
  it('are told apart by what they do to the area’s own finish, and the choice becomes its work', () => {
    const installation = demoHouse();
    renew(installation);
    const [set] = optionsView(readFirm(installation).job(dairy)).sets;
    const [overlay, strip] = set?.options ?? [];
    expect(overlay?.areaDone && strip?.areaDone && overlay.areaDone < strip.areaDone).toBe(true);
    must(installation, 'options.choose', {
      id: set!.id,
      version: 1,
      key: 'overlay',
      reason: 'the money',
      decisionId: newId(),
    });
    renew(installation);
    expect(finishIf(readFirm(installation), dairy).areas.get(dairyArea('front'))).toBe(overlay?.areaDone);
    expect(
      statementView(readJob(installation, dairy))
        .gaps.map((gap) => gap.text)
        .join(),
    ).not.toContain('overlay or strip is not decided');
  });
});

describe('a change', () => {
  const change = (area: string) => ({
    id: newId(),
    job: dairy,
    kind: 'addition' as const,
    title: 'a loft hatch',
    why: '',
    lines: [
      {
        id: newId(),
        area: dairyArea(area),
        verb: 'build',
        subject: 'a hatch',
        quantity: 1,
        unit: 'pieces',
        unitPrice: 48_000,
        trade: 'carpentry',
        halfDays: 8,
        after: 'trim',
      } as const,
    ],
    markup: 0.15,
    taxRate: 0.2,
  });

  it('moves the finish by what the client was told, once they approve it and not before', () => {
    const installation = demoHouse();
    renew(installation);
    const asked = change('workshop');
    must(installation, 'change.add', asked);
    const before = finishIf(readFirm(installation), dairy).job;
    const client = sendToClient(installation, dairy, 'change.send', asked.id, 1);
    const told = queryOne<{ finish_before: string; finish_after: string }>(
      installation.db,
      'SELECT finish_before, finish_after FROM change_order WHERE id = @id',
      { id: asked.id },
    );
    expect(told?.finish_before).toBe(before);
    expect(told && told.finish_after > told.finish_before).toBe(true);
    expect(finishIf(readFirm(installation), dairy).job).toBe(before);
    expect(
      refused(installation, 'change.answer', { id: asked.id, verdict: 'approved', name: 'Somebody' }, {
        ...client,
        job: demoId('signal'),
      } as Actor),
    ).toMatchObject({ code: 'not-allowed' });
    must(installation, 'change.answer', { id: asked.id, verdict: 'approved', name: 'Hesper' }, client);
    renew(installation);
    expect(finishIf(readFirm(installation), dairy).job).toBe(told?.finish_after);
    expect(
      refused(installation, 'change.answer', { id: asked.id, verdict: 'declined', name: 'Hesper' }, client),
    ).toMatchObject({ code: 'not-asked' });
    expect(statementView(readJob(installation, dairy)).content.changes).toMatchObject([
      { text: '1. a loft hatch', amount: 66_240 },
    ]);
  });

  it('that leaves something out takes its lines and steps with it, and must cost less', () => {
    const installation = demoHouse();
    const [line] = queryAll<{ id: string }>(installation.db, `SELECT id FROM scope_item WHERE area = @area`, {
      area: dairyArea('back'),
    });
    const asked = {
      ...change('back'),
      kind: 'omission' as const,
      title: 'the meadow face stays',
      lines: [
        {
          id: newId(),
          area: dairyArea('back'),
          verb: 'paint',
          subject: 'the meadow face',
          quantity: 44,
          unit: 'm²',
          unitPrice: 2_600,
        },
      ],
      drops: [{ area: dairyArea('back'), phase: 'face-paint' as const }],
      omits: [line!.id],
    };
    expect(refused(installation, 'change.add', asked)).toMatchObject({ code: 'omission-costs', field: 'lines' });
    must(installation, 'change.add', {
      ...asked,
      lines: asked.lines.map((each) => ({ ...each, quantity: -each.quantity })),
    });
    const client = sendToClient(installation, dairy, 'change.send', asked.id, 1);
    must(installation, 'change.answer', { id: asked.id, verdict: 'approved', name: 'Hesper' }, client);
    expect(queryOne(installation.db, 'SELECT stance FROM scope_item WHERE id = @id', { id: line?.id ?? '' })).toEqual({
      stance: 'out',
    });
    expect(
      queryOne(installation.db, `SELECT 1 FROM step WHERE area = @area AND phase = 'face-paint'`, {
        area: dairyArea('back'),
      }),
    ).toBeUndefined();
  });
});

describe('a statement', () => {
  it('is agreed on its link as it was sent; a later one says what changed, and what was agreed stays', () => {
    const installation = demoHouse();
    const [first, second] = [newId(), newId()];
    must(installation, 'statement.make', { id: first, job: dairy });
    const unsent: Actor = { kind: 'link', id: newId(), audience: 'client', job: dairy, sub: null };
    expect(refused(installation, 'statement.agree', { id: first, name: 'Hesper' }, unsent)).toMatchObject({
      code: 'not-sent',
    });
    const client = sendToClient(installation, dairy, 'statement.send', first, 1);
    const seen = (): ReturnType<typeof sharedView> => {
      const link = openLink(installation, tokenOf(installation, client.kind === 'link' ? client.id : ''));
      if (!link) throw new Error('the link is closed');
      return sharedView(installation, link);
    };
    expect(seen()).toMatchObject({ statement: { number: 1, agreed: null } });
    must(installation, 'statement.agree', { id: first, name: 'Hesper' }, client);
    expect(seen()).toMatchObject({ statement: { agreed: expect.stringMatching(/^Hesper, /) as string } });
    expect(refused(installation, 'statement.agree', { id: first, name: 'Lorn' }, client)).toMatchObject({
      code: 'agreed-already',
    });
    must(installation, 'scope.add', {
      id: newId(),
      job: dairy,
      area: dairyArea('milk'),
      stance: 'out',
      verb: 'paint',
      subject: 'the ceiling',
    });
    expect(statementView(readJob(installation, dairy))).toMatchObject({
      outdated: true,
      shown: { number: 1, state: 'agreed' },
    });
    must(installation, 'statement.make', { id: second, job: dairy });
    const view = statementView(readJob(installation, dairy));
    expect(view.diff).toMatchObject({
      against: 1,
      removed: [],
      added: [{ text: 'paint the ceiling', where: 'Milk store' }],
    });
    expect(view.outdated).toBe(false);
    // Not sent yet: the client still has what they agreed to.
    expect(seen()).toMatchObject({ statement: { number: 1 } });
    expect(
      statementView(readJob(installation, dairy), 1)
        .content.areas.find((area) => area.name === 'Milk store')
        ?.lines.some((line) => line.text === 'paint the ceiling'),
    ).toBe(false);
  });

  it('tells what is missing before it goes out, and where to put it right', () => {
    const installation = demoHouse();
    const gaps = statementView(readJob(installation, dairy)).gaps;
    expect(gaps.map((gap) => gap.text)).toEqual(
      expect.arrayContaining([
        'Workshop: no scope written yet. Write at least what is not included.',
        'Workshop: an old gas pipe under the window: nobody has proved whether it is live.',
        'Lane face: overlay or strip is not decided.',
      ]),
    );
    expect(gaps.every((gap) => gap.path.startsWith(`/jobs/${dairy}/scope`))).toBe(true);
    // Something is agreed there, and nobody would ever come to do it.
    const [shed, line] = [newId(), newId()];
    must(installation, 'areas.add', {
      job: dairy,
      levels: [],
      areas: [{ id: shed, name: 'Tool shed', kind: 'outbuilding', works: [], size: 1, shelters: [] }],
    });
    must(installation, 'scope.add', {
      id: line,
      job: dairy,
      area: shed,
      stance: 'in',
      verb: 'paint',
      subject: 'the doors',
    });
    expect(statementView(readJob(installation, dairy)).gaps).toContainEqual({
      text: 'Tool shed: there is work in it, but none was chosen to be planned.',
      path: `/jobs/${dairy}/areas`,
    });
    must(installation, 'line.remove', { of: 'scope', id: line });
    expect(statementView(readJob(installation, dairy)).gaps.map((gap) => gap.text)).not.toContain(
      'Tool shed: there is work in it, but none was chosen to be planned.',
    );
  });
});

describe('areas taken from others', () => {
  const sizeOf = (installation: Installation, id: string): number =>
    queryOne<{ size: number }>(installation.db, 'SELECT size FROM area WHERE id = @id', { id })?.size ?? 0;
  const version = (installation: Installation, id: string): number =>
    queryOne<{ version: number }>(installation.db, 'SELECT version FROM area WHERE id = @id', { id })?.version ?? 0;
  const linesIn = (installation: Installation, area: string): object[] =>
    queryAll(
      installation.db,
      `SELECT stance, verb, subject, quantity, unit, measure
        FROM scope_item
        WHERE area = @area AND removed = 0
        ORDER BY rowid`,
      { area },
    );
  const stepsIn = (installation: Installation, area: string): object[] =>
    queryAll(installation.db, 'SELECT phase, trade, half_days FROM step WHERE area = @area ORDER BY phase', { area });

  it('the same again, turned, measures what the first measures, says what it says, and is planned like it', () => {
    const installation = demoHouse();
    const twin = newId();
    must(installation, 'area.copy', {
      from: dairyArea('workshop'),
      id: twin,
      name: 'Far workshop',
      side: '',
      mirrored: true,
      parts: ['scope', 'findings', 'layout'],
    });
    const [first, second] = [
      layoutView(readJob(installation, dairy), dairyArea('workshop')),
      layoutView(readJob(installation, dairy), twin),
    ];
    // Its walls close to some 20 mm: what that makes of the floor depends on the corner one begins at.
    for (const [measure, value] of Object.entries(first.measures))
      if (typeof value === 'number')
        expect(second.measures[measure as keyof typeof second.measures], measure).toBeCloseTo(value, 1);
    expect(second.openings.map((kept) => [kept.name, kept.width.mm])).toEqual(
      first.openings.map((kept) => [kept.name, kept.width.mm]),
    );
    expect(second.openings.map((kept) => kept.wall)).not.toEqual(first.openings.map((kept) => kept.wall));
    expect(linesIn(installation, twin)).toEqual(linesIn(installation, dairyArea('workshop')));
    expect(stepsIn(installation, twin)).toEqual(stepsIn(installation, dairyArea('workshop')));
    renew(installation);
    expect(readPlan(installation.db, { job: dairy })?.tasks.some((task) => task.id.startsWith(twin))).toBe(true);
    // What is changed in one is not changed in the other.
    must(installation, 'scope.add', {
      id: newId(),
      job: dairy,
      area: twin,
      stance: 'out',
      verb: 'paint',
      subject: 'the beams',
    });
    expect(linesIn(installation, dairyArea('workshop'))).toHaveLength(linesIn(installation, twin).length - 1);
  });

  it('are given every section, opening and metre of the one that is split, and nothing twice', () => {
    const installation = demoHouse();
    const [front, second] = [dairyArea('front'), newId()];
    const before = layoutView(readJob(installation, dairy), front);
    const size = sizeOf(installation, front);
    for (const fromSection of [1, 4])
      expect(
        refused(installation, 'area.split', {
          id: front,
          version: version(installation, front),
          name: 'Left',
          secondId: second,
          secondName: 'Right',
          fromSection,
        }),
      ).toMatchObject({ field: 'fromSection' });
    expect(layoutView(readJob(installation, dairy), front)).toMatchObject({
      version: before.version,
      openings: before.openings,
    });
    must(installation, 'area.split', {
      id: front,
      version: version(installation, front),
      name: 'Left',
      secondId: second,
      secondName: 'Right',
      fromSection: 2,
    });
    const [left, right] = [
      layoutView(readJob(installation, dairy), front),
      layoutView(readJob(installation, dairy), second),
    ];
    for (const measure of ['faceGross', 'faceNet', 'width'] as const)
      expect(Number(left.measures[measure]) + Number(right.measures[measure]), measure).toBeCloseTo(
        Number(before.measures[measure]),
        6,
      );
    expect([...left.openings, ...right.openings].map((kept) => kept.id).sort()).toEqual(
      before.openings.map((kept) => kept.id).sort(),
    );
    expect(right.openings.every((kept) => kept.wall < 2)).toBe(true);
    expect(sizeOf(installation, front) + sizeOf(installation, second)).toBeCloseTo(size, 6);
    expect(
      refused(installation, 'area.split', {
        id: front,
        version: version(installation, front) - 1,
        name: 'L',
        secondId: newId(),
        secondName: 'R',
      }),
    ).toMatchObject({ code: 'changed-meanwhile' });
  });
});

describe('steps, work and decisions', () => {
  it.each<[string, object, string]>([
    [
      'assumption.add',
      {
        area: areaOf('roof', 'dairy'),
        phase: 'tiling',
        text: 'dry',
        why: '',
        fallback: 'dry it',
        fallbackTrade: 'carpentry',
        fallbackHalfDays: 1,
      },
      'phase',
    ],
    [
      'options.add',
      {
        area: areaOf('roof', 'dairy'),
        phase: 'tiling',
        subject: 'which',
        options: ['a', 'b'].map((key) => ({ key, name: key, cost: 1, lifeYears: 1, leadDays: 0 })),
      },
      'phase',
    ],
    [
      'options.add',
      {
        area: areaOf('front', 'dairy'),
        phase: 'strip',
        subject: 'which',
        options: [
          { key: 'a', name: 'a', cost: 1, lifeYears: 1, leadDays: 0 },
          { key: 'b', name: 'b', cost: 1, lifeYears: 1, leadDays: 0, works: ['bathroom'] },
        ],
      },
      'options[1].works',
    ],
  ])('%s is refused beside its field where the area has none such', (type, payload, field) => {
    const installation = demoHouse();
    const problem = refused(installation, type, { id: newId(), job: dairy, ...payload });
    expect(problem.field).toBe(field);
    expect(problem.code).toMatch(/phase-elsewhere|work-elsewhere/);
  });

  it('keep who decided, and that a moved wall was a decision with its reason', () => {
    const installation = demoHouse();
    const [choice, wall] = [newId(), newId()];
    must(installation, 'options.choose', {
      id: demoId('dairy', 'options', '0'),
      version: 1,
      key: 'overlay',
      reason: 'the money',
      decisionId: choice,
    });
    must(installation, 'wall.move', {
      area: dairyArea('workshop'),
      version: layoutView(readJob(installation, dairy), dairyArea('workshop')).version,
      wall: 2,
      by: 100,
      reason: 'the bench',
      decisionId: wall,
    });
    expect(
      queryAll(installation.db, 'SELECT reason, made_by FROM decision WHERE id IN (@choice, @wall) ORDER BY rowid', {
        choice,
        wall,
      }),
    ).toEqual([
      { reason: 'the money', made_by: demoId('person', 'maren') },
      { reason: 'the bench', made_by: demoId('person', 'maren') },
    ]);
  });
});

describe('papers', () => {
  it('carry the statement and the materials, in words that can be searched', async () => {
    const installation = demoHouse();
    const statement = await jobPaper(installation, dairy, 'statement.pdf');
    expect(statement).toMatchObject({ name: 'old-dairy-statement-draft.pdf', type: 'application/pdf' });
    const { pages, text } = await textOf(statement.body as Buffer);
    expect(pages).toBeGreaterThan(1);
    for (const words of [
      'Old Dairy: what we agree on',
      'Not included',
      'repair the slates',
      'more is extra at €204.24',
      'the sheathing behind the old boards is sound',
      'Agreed, name and date',
      `1 of ${pages}`,
    ])
      expect(text).toContain(words);
    const materials = await textOf((await jobPaper(installation, dairy, 'materials.pdf')).body as Buffer);
    for (const words of ['Larch plank, 180 mm', 'Cut list: Workshop', '2505 mm'])
      expect(materials.text).toContain(words);
    const change = await textOf(
      (await jobPaper(installation, demoId('tannery'), 'change.pdf', { version: 1 })).body as Buffer,
    );
    for (const words of [
      'Change 1: two more double sockets',
      'It costs, everything included',
      '€309.12',
      'Approved, name',
    ])
      expect(change.text).toContain(words);
    expect(change.text).not.toMatch(/224\.00|33\.60/);
    expect((await jobPaper(installation, dairy, 'statement.csv')).body).toContain(
      'Slate roof,not included,repair the slates',
    );
    expect((await jobPaper(installation, dairy, 'materials.csv')).body).toMatch(
      /"Larch plank, 180 mm",44,planks,31\.50,1386\.00,Fathom Timber,roofing,/,
    );
  });

  it('draw areas as SVG and DXF, and refuse what is not drawn', async () => {
    const installation = demoHouse();
    expect((await areaPaper(installation, dairyArea('front'), 'drawing.svg', '')).body).toContain(
      '<title>Lane face</title>',
    );
    const dxf = String((await areaPaper(installation, dairyArea('workshop'), 'wall-1.dxf', '')).body);
    expect(dxf).toMatch(/LWPOLYLINE[\s\S]*EOF/);
    expect(dxf).toContain('OPENINGS');
    await expect(areaPaper(installation, areaOf('boot'), 'drawing.svg', '')).rejects.toThrow('no such drawing');
    await expect(areaPaper(installation, dairyArea('front'), '../secret', '')).rejects.toThrow('no such drawing');
  });

  it('carry lists that are read back in as they were', async () => {
    const installation = demoHouse();
    const walls = String((await jobPaper(installation, dairy, 'walls-and-sections.csv')).body);
    expect(walls.split('\r\n')[1]).toBe('Lane face,section,6.40 m,4.62 m,,');
    await expect(jobPaper(installation, dairy, 'everything.zip')).rejects.toThrow('no such paper');
  });
});

describe('a job in feet and inches', () => {
  it('takes no first day of years ago, opens links until it is over, and measures and buys in feet', () => {
    const installation = demoHouse();
    const job = newId();
    const open = (startDay: string) =>
      giveRaw(installation, 'job.open', {
        id: job,
        name: 'Mill',
        units: 'imperial',
        startDay,
        promiseDay: '2027-09-30',
      });
    expect(open('1987-03-15')).toMatchObject({ problem: { code: 'long-ago', field: 'startDay' } });
    expect(open('2027-03-15').status).toBe('applied');
    const [level, area] = [newId(), newId()];
    must(installation, 'areas.add', {
      job,
      levels: [{ id: level, name: 'Ground', height: 0 }],
      areas: [{ id: area, level, name: 'Room', kind: 'room', works: ['redecorate'] }],
    });
    expect(statementView(readJob(installation, job)).job.linksUntil).toBe('2027-10-30');
    must(installation, 'shape.set', { area, version: 0, shape: square(3048) });
    must(installation, 'scope.add', {
      id: newId(),
      job,
      area,
      stance: 'in',
      verb: 'paint',
      subject: 'the floor',
      measure: 'floor',
    });
    expect(queryOne(installation.db, 'SELECT quantity, unit FROM scope_item WHERE area = @area', { area })).toEqual({
      quantity: 100,
      unit: 'sq ft',
    });
    must(installation, 'calculation.keep', {
      id: newId(),
      area,
      calculator: 'sheets',
      input: { ...calculatorNamed('sheets')?.example, sheetWidth: 1219.2, sheetLength: 2438.4 },
      fed: {},
      product: '',
    });
    expect(materialsView(readJob(installation, job)).lines.map((line) => line.what)).toContain(`Sheets 4' 0" × 8' 0"`);
  });
});
