import { dryingOver } from '@/core/safety/drying';
import { triggersOf } from '@/core/safety/triggers';
import { findingText } from '@/core/scope/finding';
import { slotOf } from '@/core/units/slot';
import { addDays } from '@/core/units/day';
import { sayDrying } from '@/core/words/tonight';
import { areaNames } from '../reading/job';
import { planOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { carriedOf } from '../reading/standing';
import { findingsOf } from './scope-parts';

/** Something that nobody may touch, lean on or walk on this evening. */
export interface LeftAlone {
  key: string;
  text: string;
}

/** Cautions of these kinds are about a thing that is there after work too. */
const STAYS = new Set(['live', 'gas', 'fibres', 'structure', 'edge', 'trench', 'height', 'monoxide']);

/** What of a job is wet or curing, or live, this evening: by the plan and by what was found. */
export const leftAloneTonight = ofJob((job): LeftAlone[] => [...drying(job), ...live(job)]);

function drying(job: JobReading): LeftAlone[] {
  const plan = planOf(job);
  if (!plan) return [];
  const { today } = job.firm;
  return dryingOver(plan, job.id, slotOf(plan.origin, addDays(today, 1))).map((fresh) => ({
    key: `fresh:${JSON.stringify(fresh.work)}`,
    text: sayDrying(fresh, plan.origin, today),
  }));
}

/** Services that nobody has proved dead, and those that are kept live. */
const live = (job: JobReading): LeftAlone[] =>
  findingsOf(job).flatMap((finding) =>
    finding.kind === 'service' && finding.live !== false
      ? [{ key: `live:${finding.id}`, text: `${placed(job, finding.area)}${findingText(finding)}` }]
      : [],
  );

/** What walks found open to a fall, carrying a load, live, and nobody found done. @param said what the reader is told of anyway */
export const cautionsTonight = (job: JobReading, said: readonly { id: string }[]): LeftAlone[] =>
  carriedOf(job).flatMap(({ item }) =>
    item.kind === 'caution' &&
    !said.some(({ id }) => id === item.id) &&
    triggersOf(item).some(({ id }) => STAYS.has(id))
      ? [{ key: `tonight:${item.id}`, text: `${placed(job, item.area)}${item.text}` }]
      : [],
  );

const placed = (job: JobReading, area: string | null): string =>
  area === null ? '' : `${areaNames(job).get(area) ?? ''}: `;
