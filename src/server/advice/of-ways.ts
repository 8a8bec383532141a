import { METHODS, type Method, type Variant } from '@/core/sequence/methods';
import type { Phase } from '@/core/sequence/phases';
import { capital } from '@/core/words/letters';
import { uuid } from '../database/id';
import { areaNames } from '../reading/job';
import { choicesFor } from '../reading/knowledge';
import { wholePlan } from '../reading/plan';
import type { FirmReading } from '../reading/reading';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** Another way of working in each of the rooms concerned. */
export function otherWays(firm: FirmReading, { job, areas }: Slip): Answer[] {
  return areas.flatMap((area) => {
    const open = new Set(
      (wholePlan(firm)?.tasks ?? []).flatMap((task) =>
        task.area === area && task.phase && task.state !== 'done' ? [task.phase] : [],
      ),
    );
    const choices = choicesFor(job, area);
    return METHODS.filter((method) => concerns(method, open)).flatMap((method) =>
      method.variants
        .filter(({ key }) => key !== choices[method.key])
        .map((variant): Answer => ({
          key: `method ${area} ${method.key} ${variant.key}`,
          title: capital(variant.label),
          how: `${areaNames(job).get(area) ?? ''} alone. ${capital(variant.why)}.`,
          steps: [
            {
              type: 'method.choose',
              payload: { id: uuid(), method: method.key, job: job.id, area, variant: variant.key },
            },
          ],
        })),
    );
  });
}

/** Whether a way of working is about two steps that are still open, or lengthens one. */
function concerns({ variants }: Method, open: ReadonlySet<Phase>): boolean {
  const about = (variant: Variant): boolean =>
    (variant.order ?? []).some(
      (effect) =>
        effect.form === 'order' &&
        effect.before.some((phase) => open.has(phase)) &&
        effect.after.some((phase) => open.has(phase)),
    ) ||
    (variant.drops ?? []).some(({ phase }) => open.has(phase)) ||
    (variant.stretch ?? []).some(({ phase }) => open.has(phase));
  return variants.some(about);
}
