import { FORBIDDEN, type Forbidden } from '@/core/sequence/forbidden';
import { phaseFacts } from '@/core/sequence/phases';
import { groupBy } from '@/core/group-by';

const WHERE: Record<Forbidden['where'], string> = {
  here: 'in one area',
  'on the way': 'in a passage on the way',
  'in a passage': 'in what is reached through it',
  'made one': 'in the room it becomes one with',
  'under it': 'on the faces and roofs over it',
  'along the drain': 'anywhere along the drain',
};

/** What must never come out of a plan, as a page: `docs/forbidden-orders.md`. */
export function forbiddenDocument(): string {
  const lines = [...groupBy(FORBIDDEN, ({ step, where, why }) => `${step}|${where}|${why}`).values()].flatMap(
    (group) => {
      const [first] = group;
      return first
        ? [
            `| ${phaseFacts(first.step).label} | ${group.map(({ before }) => phaseFacts(before).label).join(', ')} | ` +
              `${WHERE[first.where]} | ${first.why} |`,
          ]
        : [];
    },
  );
  return [
    '# Orders that never come out of a plan',
    '',
    'Made by `npm run calculations` from `src/core/sequence/forbidden.ts`. Whatever is chosen, switched or agreed: a step never',
    `begins before these have ended. ${FORBIDDEN.length} pairs. A rule, a way of working, a gate or an order of one's own that would`,
    'bring one about is refused; what no rule keeps any more is kept as “never the other way round”. A reader that knows no',
    'link looks for them in every plan that the tests make.',
    '',
    '| Never | before | where | because |',
    '|---|---|---|---|',
    ...lines,
    '',
  ].join('\n');
}
