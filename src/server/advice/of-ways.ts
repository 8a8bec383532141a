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

/** Another way of working in each of the rooms concerned, where it is about what slipped. */
export function otherWays(firm: FirmReading, { job, areas, tasks }: Slip): Answer[] {
  const slipped = new Set(tasks.flatMap(({ phase }) => phase ?? []));
  return areas.flatMap((area) => {
    const open = new Set(
      (wholePlan(firm)?.tasks ?? []).flatMap((task) =>
        task.area === area && task.phase && task.state !== 'done' ? [task.phase] : [],
      ),
    );
    const choices = choicesFor(job, area);
    return METHODS.filter((method) => concerns(method, slipped, open)).flatMap((method) =>
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

/** Whether a way of working orders what slipped against a step that is still open, or leaves it out or lengthens it. */
function concerns({ variants }: Method, slipped: ReadonlySet<Phase>, open: ReadonlySet<Phase>): boolean {
  const both = (some: readonly Phase[], others: readonly Phase[]): boolean =>
    some.some((phase) => slipped.has(phase)) && others.some((phase) => open.has(phase));
  const about = (variant: Variant): boolean =>
    (variant.order ?? []).some(
      (effect) => effect.form === 'order' && (both(effect.before, effect.after) || both(effect.after, effect.before)),
    ) ||
    (variant.drops ?? []).some(({ phase }) => slipped.has(phase)) ||
    (variant.stretch ?? []).some(({ phase }) => slipped.has(phase));
  return variants.some(about);
}
