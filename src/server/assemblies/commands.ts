import { wrongOwn } from '@/core/assemblies/own';
import type { Assembly } from '@/core/assemblies/assembly';
import { drawnAnswers, setAssembly, type SetAssembly } from '@/core/assemblies/set';
import type { Measure } from '@/core/layout/measures';
import { AREA_KINDS } from '@/core/sites/area';
import type { Work } from '@/core/sequence/works';
import { execute, insert, queryAll, queryOne, update } from '../database/query';
import { uuid } from '../database/id';
import type { Rows } from '../database/rows';
import { carryOut, handlers, requireRow, requireVersion, type PlanContext } from '../door/handler';
import { Refusal, unprocessable } from '../refusal';
import { catalogueOf } from '../reading/assemblies';
import { readHouse } from '../reading/reading';
import { measuresNow } from '../reading/layouts';
import { quantityHandlers } from '../quantities/commands';
import { changeLine, dropGoodsOfAssembly, ofAssembly } from '../quantities/lines';
import { addExtraWork, dropExtraWorkOf } from '../schedule/extra-work';
import { scopeHandlers } from '../scope/commands';
import { selectionHandlers } from '../selections/commands';
import { layTrack } from '../sequence/lay-track';
import { changeArea } from '../sites/areas';

function assemblyFor(context: PlanContext, area: Rows['area'], key: string): Assembly {
  const assembly = catalogueOf(readHouse(context.installation)).find((each) => each.key === key);
  if (!assembly)
    throw unprocessable('no-such-assembly', 'There is no such assembly; choose one of the list.', 'assembly');
  if (!assembly.kinds.includes(area.kind))
    throw unprocessable(
      'assembly-elsewhere',
      `“${assembly.title}” is done in: ${assembly.kinds.map((kind) => AREA_KINDS[kind]).join(', ')}; ` +
        `${area.name} is none of them.`,
      'assembly',
    );
  return assembly;
}

/** Works are added to what is planned there; where nothing was to be done, something is now. */
function addWorks(context: PlanContext, area: Rows['area'], works: readonly Work[]): void {
  const planned = (JSON.parse(area.works) as Work[]).filter((work) => work !== 'none');
  const all = [...new Set([...planned, ...works])];
  changeArea(context.db, area.id, { works: JSON.stringify(all) });
  layTrack(context.installation, area.id);
}

type Prices = Readonly<Record<string, number>>;

/** Its lines, each with what is bought for it. */
function addLines(
  context: PlanContext,
  { id, job, area }: Pick<Rows['assembly'], 'id' | 'job' | 'area'>,
  set: SetAssembly,
  prices: Prices,
): void {
  for (const { key, stance = 'in', verb, subject, trade, quantity, unit, hours, measure } of set.lines) {
    const line = uuid();
    carryOut(context, 'scope.add', scopeHandlers['scope.add'], {
      ...{ id: line, job, area, stance, verb, subject, trade, quantity, unit },
      ...(measure ? { measure } : {}),
    });
    changeLine(context.db, line, { assembly: id, price_way: 'parts', hours });
    for (const goods of set.goods.filter((each) => each.line === key)) {
      const calculation = uuid();
      const price = prices[goods.what];
      carryOut(context, 'calculation.keep', quantityHandlers['calculation.keep'], {
        id: calculation,
        area,
        calculator: goods.calculator,
        product: goods.what,
        input: goods.input,
        fed: goods.fed,
        scopeItem: line,
        trade,
        ...(price === undefined ? {} : { unitPrice: price }),
      });
      ofAssembly(context.db, calculation, id);
    }
  }
}

/** What has to be chosen for it, where that is not on the list of the area already, and where its step is there. */
function addChoices(context: PlanContext, area: Rows['area'], { choices }: Assembly): void {
  for (const { category, phase, lead, decides } of choices) {
    const known = queryOne(
      context.db,
      'SELECT 1 FROM selection WHERE area = @area AND category = @category AND removed = 0',
      { area: area.id, category },
    );
    const step = queryOne(context.db, 'SELECT 1 FROM step WHERE area = @area AND phase = @phase', {
      area: area.id,
      phase,
    });
    if (known || !step) continue;
    carryOut(context, 'selection.add', selectionHandlers['selection.add'], {
      ...{ id: uuid(), job: area.job, area: area.id, phase, category, decides },
      leadLow: lead[0],
      leadHigh: lead[1],
    });
  }
}

function addQuestions(context: PlanContext, area: Rows['area'], { questions }: Assembly): void {
  for (const { subject, options } of questions)
    carryOut(context, 'finding.add', scopeHandlers['finding.add'], {
      ...{ id: uuid(), job: area.job, area: area.id, kind: 'site-choice', subject, options: [...options] },
    });
}

/** Steps that no track knows are work beside it: one behind the other, and after the step they follow where that is there. */
function addSteps(
  context: PlanContext,
  row: Pick<Rows['assembly'], 'id' | 'job' | 'area' | 'title'>,
  set: SetAssembly,
): void {
  let follows: string | null = null;
  for (const { text, trade, halfDays, after } of set.steps) {
    const id = uuid();
    const there =
      after &&
      queryOne(context.db, 'SELECT 1 FROM step WHERE area = @area AND phase = @after', { area: row.area, after });
    addExtraWork(context.db, {
      id,
      job: row.job,
      area: row.area,
      text,
      trade,
      half_days: halfDays,
      after_phase: there ? after : null,
      reason: `it is part of “${row.title}”`,
      assumption: null,
      change_order: null,
      assembly: row.id,
      follows,
    });
    follows = id;
  }
}

export const assemblyHandlers = handlers({
  'assembly.set': (context, { id, area: areaId, assembly: key, answers, fed, prices }) => {
    const area = requireRow(context, 'area', areaId, 'area');
    const assembly = assemblyFor(context, area, key);
    const { units } = requireRow(context, 'job', area.job, 'job');
    const drawn = drawnAnswers(assembly.asks, measuresNow(context.installation, area.id));
    // What follows the drawing is what the drawing says now, whatever it said when the form was opened.
    const followed = Object.fromEntries(
      Object.entries(fed).filter(([name, measure]) => drawn.fed[name] === measure),
    ) as Record<string, Measure>;
    const answered = {
      ...answers,
      ...Object.fromEntries(Object.keys(followed).map((name) => [name, drawn.answers[name] ?? 0])),
    };
    const set = setAssembly(assembly, answered, followed, units);
    if (!set.ok) throw new Refusal(422, set.problem);
    const row = { id, job: area.job, area: area.id, title: assembly.title };
    insert(context.db, 'assembly', {
      ...row,
      kind: key,
      answers: JSON.stringify(answered),
      fed: JSON.stringify(followed),
      cautions: JSON.stringify(assembly.cautions),
    });
    addWorks(context, area, assembly.works);
    addLines(context, row, set.value, prices);
    addChoices(context, area, assembly);
    addQuestions(context, area, assembly);
    addSteps(context, row, set.value);
    context.replan(area.job, { kind: 'area', area: area.id, place: area.name, what: 'changed' });
  },
  'assembly.write': (context, own) => {
    const wrong = wrongOwn(own);
    if (wrong) throw unprocessable('assembly-broken', wrong.message, wrong.field);
    execute(context.db, 'DELETE FROM own_assembly WHERE key = @key', { key: own.key });
    insert(context.db, 'own_assembly', {
      ...own,
      lines: JSON.stringify(own.lines),
      goods: JSON.stringify(own.goods),
    });
  },
  'assembly.drop-own': (context, { key }) => {
    if (execute(context.db, 'DELETE FROM own_assembly WHERE key = @key', { key }) === 0)
      throw unprocessable('not-own', 'The firm says nothing otherwise of this one.', 'key');
  },
  'assembly.remove': (context, { id, version }) => {
    const row = requireVersion(context, 'assembly', id, version);
    if (row.removed) throw unprocessable('so-already', 'This was taken away already.', 'id');
    update(context.db, 'assembly', id, { removed: 1 });
    const lines = queryAll<{ id: string }>(
      context.db,
      'SELECT id FROM scope_item WHERE assembly = @id AND removed = 0',
      { id },
    );
    for (const line of lines) changeLine(context.db, line.id, { removed: 1 });
    dropGoodsOfAssembly(context.db, id);
    dropExtraWorkOf(context.db, 'assembly', id);
    context.replan(row.job, {
      kind: 'area',
      area: row.area,
      place: requireRow(context, 'area', row.area).name,
      what: 'changed',
    });
  },
});
