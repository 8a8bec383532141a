import type {
  AssumptionsView,
  ChangesView,
  ChangeView,
  OptionsView,
  OptionView,
  ScopeArea,
  ScopePageView,
} from '@/contract/views/scope';
import { groupBy } from '@/core/group-by';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { costPerYear, type Option } from '@/core/scope/option';
import { phaseFacts, phaseOrder, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { withWorks, workFacts, type Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { addDays, daysBetween, type Day } from '@/core/units/day';
import { formatLength } from '@/core/units/length';
import { slotOf } from '@/core/units/slot';
import { firmTime, today, type FirmTime } from '../zone';
import { queryAll } from '../database/query';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { measuresIn, readLayout } from '../layout/read-layout';
import { finishIf } from '../schedule/what-if';
import { jobHead, requireJob } from '../sites/queries';
import { whenSeen } from '../words';
import { dropsOfChange, effectOfChange, linesOfChange, priceOfChange, workOfChange, type ChangeRow } from './changes';
import { assumptionsOf, decisionsOf, extrasOf, findingsOf, scopeCounts, scopeOf } from './read-scope';
import type { Rows } from '../database/rows';

type AreaRow = Pick<Rows['area'], 'id' | 'version' | 'name' | 'kind' | 'works' | 'size' | 'side'> & {
  place: string | null;
};

export const areasOf = (db: Connection, job: string): AreaRow[] =>
  queryAll<AreaRow>(
    db,
    `SELECT area.id, area.version, area.name, kind, works, size, side, level.name AS place
      FROM area
      LEFT JOIN level ON level.id = area.level
      WHERE area.job = @job
      ORDER BY coalesce(level.height, -99), area.position`,
    { job },
  );

/** The steps of every area of a job, in their usual order. */
export function phasesOf(db: Connection, job: string): Map<string, { phase: Phase; label: string }[]> {
  const steps = queryAll<{ area: string; phase: Phase }>(
    db,
    'SELECT area, phase FROM step JOIN area ON area.id = step.area WHERE area.job = @job',
    { job },
  );
  return new Map(
    [...groupBy(steps, (step) => step.area)].map(([area, list]) => [
      area,
      list
        .map(({ phase }) => phase)
        .sort((a, b) => phaseOrder(a) - phaseOrder(b))
        .map((phase) => ({ phase, label: phaseFacts(phase).label })),
    ]),
  );
}

/** The measures that are one figure, as the job writes them. */
export function measureWords(
  measures: Partial<Record<Measure, unknown>>,
  system: 'metric' | 'imperial',
): { measure: Measure; value: string }[] {
  return (Object.keys(MEASURES) as Measure[]).flatMap((measure) => {
    const value = measures[measure];
    if (typeof value !== 'number' || value <= 0) return [];
    return [
      {
        measure,
        value:
          MEASURES[measure].dimension === 'area'
            ? `${Math.round(value * 100) / 100} m²`
            : MEASURES[measure].dimension === 'length'
              ? formatLength(value, system)
              : String(value),
      },
    ];
  });
}

/** What was agreed, area by area, with what was found there and what is drawn of it. */
export function scopeView(installation: Installation, job: string): ScopePageView {
  const { db } = installation;
  const { units } = requireJob(db, job);
  const lines = groupBy(scopeOf(db, job), (line) => line.areaId);
  const findings = findingsOf(db, job);
  const phases = phasesOf(db, job);
  return {
    job: jobHead(installation, job),
    today: today(installation),
    areas: areasOf(db, job).map((area): ScopeArea => {
      const layout = readLayout(db, area.id);
      return {
        id: area.id,
        version: area.version,
        name: area.name,
        kind: area.kind,
        place: area.place ?? 'outside',
        side: area.side,
        works: JSON.parse(area.works) as Work[],
        phases: phases.get(area.id) ?? [],
        measures: measureWords(measuresIn(db, area.id), units),
        drawn: layout.shape !== null,
        sections: layout.shape?.kind === 'face' ? layout.shape.sections.length : 0,
        openings: layout.openings.reduce((sum, opening) => sum + opening.count, 0),
        lines: lines.get(area.id) ?? [],
        findings: findings.filter((finding) => finding.area === area.id),
      };
    }),
    findings: findings.filter((finding) => finding.area === null),
    assumptions: assumptionsOf(installation, job),
    selections: queryAll(
      db,
      `SELECT selection.id, area.name AS area, category
        FROM selection
        JOIN area ON area.id = selection.area
        WHERE selection.job = @job AND selection.removed = 0
        ORDER BY selection.rowid`,
      { job },
    ),
    levels: queryAll(db, 'SELECT id, name, height FROM level WHERE job = @job ORDER BY height', { job }),
    counts: scopeCounts(db, job),
  };
}

const choosable = (
  db: Connection,
  job: string,
): { id: string; name: string; kind: AreaKind; phases: { phase: Phase; label: string }[] }[] => {
  const phases = phasesOf(db, job);
  return areasOf(db, job).map(({ id, name, kind }) => ({ id, name, kind, phases: phases.get(id) ?? [] }));
};

export function assumptionsView(installation: Installation, job: string): AssumptionsView {
  return {
    job: jobHead(installation, job),
    today: today(installation),
    areas: choosable(installation.db, job).filter((area) => area.phases.length > 0),
    assumptions: assumptionsOf(installation, job),
    extras: extrasOf(installation, job),
    counts: scopeCounts(installation.db, job),
  };
}

type OptionRow = Rows['option_set'] & { name: string | null };

/** Options side by side, each with the finish that the plan of today gives it. */
export function optionsView(installation: Installation, job: string): OptionsView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const areas = areasOf(db, job);
  const finish = finishIf(db, now, job).job;
  const rows = queryAll<OptionRow>(
    db,
    `SELECT option_set.*, person.name
      FROM option_set
      LEFT JOIN person ON person.id = chosen_by
      WHERE option_set.job = @job
      ORDER BY chosen IS NOT NULL, option_set.rowid`,
    { job },
  );
  return {
    job: jobHead(installation, job),
    today: now,
    areas: choosable(db, job).filter((area) => area.phases.length > 0),
    finish,
    decisions: decisionsOf(installation, job),
    counts: scopeCounts(db, job),
    sets: rows.flatMap((row) => {
      const area = areas.find((entry) => entry.id === row.area);
      if (!area) return [];
      return [
        {
          id: row.id,
          version: row.version,
          areaId: row.area,
          area: area.name,
          kind: area.kind,
          phase: row.phase,
          phaseLabel: phaseFacts(row.phase).label,
          subject: row.subject,
          chosen: row.chosen,
          reason: row.reason,
          chosenWhen: row.chosen_at ? `${row.name ?? ''}, ${whenSeen(row.chosen_at, time)}` : null,
          options: (JSON.parse(row.options) as Option[]).map((option) =>
            optionView(installation, job, area, row.phase, option, finish, now),
          ),
        },
      ];
    }),
  };
}

function optionView(
  installation: Installation,
  job: string,
  area: AreaRow,
  phase: Phase,
  option: Option,
  finish: Day | null,
  now: Day,
): OptionView {
  const task = taskId(area.id, phase);
  const would = finishIf(installation.db, now, job, {
    site: (site) =>
      option.works.length === 0
        ? site
        : {
            ...site,
            areas: site.areas.map((room) => (room.id === area.id ? withWorks(room, option.works, area.size) : room)),
          },
    notBefore:
      option.leadDays > 0
        ? [
            {
              task,
              slot: slotOf(now, addDays(now, option.leadDays)) + 2,
              because: `${option.name} takes ${option.leadDays} days to come`,
              open: true,
            },
          ]
        : [],
  });
  return {
    ...option,
    costPerYear: costPerYear(option),
    workLabels: option.works.map((work) => workFacts(work).label),
    finish: would.job,
    areaDone: would.areas.get(area.id) ?? null,
    moves: finish && would.job ? daysBetween(finish, would.job) : null,
  };
}

export function changesView(installation: Installation, job: string): ChangesView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const names = new Map(areasOf(db, job).map((area) => [area.id, area.name]));
  const lines = groupBy(
    scopeOf(db, job).filter((line) => line.stance !== 'out'),
    (line) => line.areaId,
  );
  const { client, client_email } = requireJob(db, job);
  return {
    job: jobHead(installation, job),
    today: now,
    counts: scopeCounts(db, job),
    client: { name: client || 'Client', address: client_email },
    areas: choosable(db, job).map(({ id, name, phases }) => ({
      id,
      name,
      phases,
      lines: (lines.get(id) ?? []).map((line) => ({ id: line.id, text: `${line.verb} ${line.subject}` })),
    })),
    changes: queryAll<ChangeRow>(db, 'SELECT * FROM change_order WHERE job = @job ORDER BY number DESC', { job }).map(
      (row) => changeView(installation, row, names.get(row.area) ?? '', time),
    ),
  };
}

/** While it is a draft its effect is the plan's of today; once sent, what the client was told. */
export function changeView(installation: Installation, row: ChangeRow, area: string, time: FirmTime): ChangeView {
  const effect =
    row.state === 'draft'
      ? effectOfChange(installation.db, time.today, row)
      : { before: row.finish_before, after: row.finish_after };
  return {
    id: row.id,
    version: row.version,
    areaId: row.area,
    area,
    number: row.number,
    kind: row.kind,
    title: row.title,
    why: row.why,
    lines: linesOfChange(row),
    markup: row.markup,
    taxRate: row.tax_rate,
    price: priceOfChange(row),
    work: workOfChange(row),
    drops: dropsOfChange(row),
    omits: JSON.parse(row.omits) as string[],
    state: row.state,
    ...effect,
    answered: row.answered_at
      ? `${row.state} by ${row.answered_by ?? ''}, ` +
        `${whenSeen(row.answered_at, time)}${row.answer ? `: ${row.answer}` : ''}`
      : null,
  };
}
