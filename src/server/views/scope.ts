import { sayMeasure } from '@/core/quantities/measured';
import type { AssumptionsView, OptionsView, OptionView, ScopeArea, ScopePageView } from '@/contract/views/scope';
import { groupBy } from '@/core/group-by';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { lineText } from '@/core/scope/brief';
import { registerOf } from '@/core/scope/register';
import { costPerYear, type Option } from '@/core/scope/option';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import { withWorks, workFacts, type Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { addDays, daysBetween, type Day } from '@/core/units/day';
import { formatLength } from '@/core/units/length';
import { slotOf } from '@/core/units/slot';
import { finishIf } from '../plan/what-if';
import { jobHead } from './job-head';
import { personNames } from '../reading/firm';
import { areasUpward, jobRow, levelRows, phasesOf, type AreaRow, type NamedPhase } from '../reading/job';
import { layoutOf, measuresIn } from '../reading/layouts';
import type { JobReading } from '../reading/reading';
import { optionRows } from '../reading/scope';
import { selectionRows } from '../reading/selections';
import { whenSeen } from '../words';
import { estimateOf } from './estimate';
import { assumptionsOf, decisionsOf, extrasOf, findingsOf, scopeCounts, scopeOf } from './scope-parts';

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
          MEASURES[measure].dimension === 'length' ? formatLength(value, system) : sayMeasure(measure, value, system),
      },
    ];
  });
}

/** What lines and findings cost, where it is known. */
const pricesOf = (job: JobReading): Record<string, number> =>
  Object.fromEntries(
    estimateOf(job).entries.flatMap(({ key, net, missing }) =>
      net === 0 || missing.length > 0 ? [] : [[key.slice(key.indexOf(' ') + 1), net]],
    ),
  );

/**
 * What was agreed, area by area, with what was found there and what is drawn of it.
 * @param seesPrices whoever looks may see what things cost
 */
export function scopeView(job: JobReading, seesPrices = false): ScopePageView {
  const { units } = jobRow(job);
  const lines = groupBy(scopeOf(job), (line) => line.areaId);
  const findings = findingsOf(job);
  const phases = phasesOf(job);
  return {
    job: jobHead(job),
    today: job.firm.today,
    areas: areasUpward(job).map((area): ScopeArea => {
      const layout = layoutOf(job, area.id);
      return {
        id: area.id,
        version: area.version,
        name: area.name,
        kind: area.kind,
        place: area.level_name ?? 'outside',
        side: area.side,
        works: JSON.parse(area.works) as Work[],
        phases: phases.get(area.id) ?? [],
        measures: measureWords(measuresIn(job, area.id), units),
        drawn: layout.shape !== null,
        sections: layout.shape?.kind === 'face' ? layout.shape.sections.length : 0,
        openings: layout.openings.reduce((sum, opening) => sum + opening.count, 0),
        lines: lines.get(area.id) ?? [],
        findings: findings.filter((finding) => finding.area === area.id),
      };
    }),
    findings: findings.filter((finding) => finding.area === null),
    assumptions: assumptionsOf(job),
    register: registerOf(scopeOf(job), findings),
    selections: selectionRows(job).map(({ id, area_name, category }) => ({ id, area: area_name, category })),
    levels: [...levelRows(job)].reverse().map(({ id, name, height }) => ({ id, name, height })),
    counts: scopeCounts(job),
    prices: seesPrices ? pricesOf(job) : {},
  };
}

/** Areas of which something can be said, with their steps. */
export const choosable = (job: JobReading): { id: string; name: string; kind: AreaKind; phases: NamedPhase[] }[] =>
  areasUpward(job).map(({ id, name, kind }) => ({ id, name, kind, phases: phasesOf(job).get(id) ?? [] }));

/** Lines of scope by their area, each as it is read out. */
const namedLines = (job: JobReading): ReadonlyMap<string, { id: string; text: string }[]> =>
  new Map(
    [...groupBy(scopeOf(job), (line) => line.areaId)].map(([area, lines]) => [
      area,
      lines.map((line) => ({ id: line.id, text: lineText(line) })),
    ]),
  );

export const assumptionsView = (job: JobReading): AssumptionsView => ({
  job: jobHead(job),
  today: job.firm.today,
  areas: choosable(job).filter((area) => area.phases.length > 0),
  assumptions: assumptionsOf(job),
  extras: extrasOf(job),
  counts: scopeCounts(job),
});

/** Options side by side, each with the finish that the plan of today gives it. */
export function optionsView(job: JobReading): OptionsView {
  const people = personNames(job.firm);
  const areas = areasUpward(job);
  const finish = finishIf(job.firm, job.id).job;
  const lines = namedLines(job);
  return {
    job: jobHead(job),
    today: job.firm.today,
    areas: choosable(job)
      .filter((area) => area.phases.length > 0)
      .map((area) => ({ ...area, lines: lines.get(area.id) ?? [] })),
    finish,
    decisions: decisionsOf(job).map(({ areaId: _, ...decision }) => decision),
    counts: scopeCounts(job),
    sets: optionRows(job).flatMap((row) => {
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
          lines: JSON.parse(row.lines) as string[],
          chosen: row.chosen,
          reason: row.reason,
          chosenWhen: row.chosen_at
            ? `${people.get(row.chosen_by ?? '') ?? ''}, ${whenSeen(row.chosen_at, job.firm)}`
            : null,
          options: (JSON.parse(row.options) as Option[]).map((option) =>
            optionView(job, area, row.phase, option, finish),
          ),
        },
      ];
    }),
  };
}

function optionView(job: JobReading, area: AreaRow, phase: Phase, option: Option, finish: Day | null): OptionView {
  const now = job.firm.today;
  const task = taskId(area.id, phase);
  const would = finishIf(job.firm, job.id, {
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
              wait: { kind: 'option' as const, name: option.name, days: option.leadDays },
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
