import type { AssembliesView } from '@/contract/views/assemblies';
import { ASSEMBLIES } from '@/core/assemblies/catalogue';
import { drawnAnswers } from '@/core/assemblies/set';
import { groupBy } from '@/core/group-by';
import { lineText } from '@/core/scope/brief';
import { assemblyRows, catalogueOf, lastPrices } from '../reading/assemblies';
import { areaNames, areasUpward, jobRow } from '../reading/job';
import { measuresIn } from '../reading/layouts';
import { hourRates, priceTerms } from '../reading/money';
import type { JobReading } from '../reading/reading';
import { scopeRows } from '../reading/scope';
import { notFound } from '../refusal';
import { jobHead } from './job-head';
import { scopeCounts } from './scope-parts';

/** What can be set in an area with one sentence, and what was set in the job. @param at an area; the first without one */
export function assembliesView(job: JobReading, at?: string): AssembliesView {
  const areas = areasUpward(job);
  const area = at === undefined ? areas[0] : areas.find(({ id }) => id === at);
  if (at !== undefined && !area) throw notFound('area of this job', 'area');
  const lines = groupBy(scopeRows(job), (row) => row.assembly ?? '');
  const names = areaNames(job);
  const catalogue = catalogueOf(job.firm);
  const shipped = new Set(ASSEMBLIES);
  const own = new Map(
    catalogue.flatMap((assembly) =>
      shipped.has(assembly)
        ? []
        : [
            [
              assembly.key,
              ASSEMBLIES.some(({ key }) => key === assembly.key) ? ('changed' as const) : ('made' as const),
            ],
          ],
    ),
  );
  const known = new Set(catalogue.flatMap(({ goods }) => goods.map(({ what }) => what)));
  return {
    job: jobHead(job),
    counts: scopeCounts(job),
    units: jobRow(job).units,
    terms: priceTerms(job),
    areas: areas.map(({ id, name, kind }) => ({ id, name, kind })),
    area: area?.id ?? '',
    catalogue: area
      ? catalogue
          .filter(({ kinds }) => kinds.includes(area.kind))
          .map((assembly) => {
            const { answers, fed } = drawnAnswers(assembly.asks, measuresIn(job, area.id));
            return { ...assembly, drawn: answers, fed, own: own.get(assembly.key) ?? null };
          })
      : [],
    rates: [...hourRates(job.firm)].map(([trade, perHour]) => ({ trade, perHour })),
    prices: Object.fromEntries([...lastPrices(job.firm)].filter(([what]) => known.has(what))),
    set: assemblyRows(job).map((row) => ({
      id: row.id,
      version: row.version,
      area: names.get(row.area) ?? '',
      title: row.title,
      lines: (lines.get(row.id) ?? []).map((line) => lineText(line)),
      cautions: JSON.parse(row.cautions) as string[],
    })),
  };
}
