import { phaseFacts, phaseOrder, type Phase } from './phases';
import { RULES, type Preference, type Rule } from './rules';
import type { SiteArea } from './site';

/** How much one preference weighs against the next: the earlier named decides, the later break its ties. */
const SCALE: Record<Preference, number> = {
  'loud-and-dusty-first': 100_000,
  'same-gate-together': 1_000,
  'top-down': 100,
  'back-to-front': 1,
  'costly-late': 10_000,
};
const COSTLY: readonly Phase[] = ['flooring', 'trim', 'glass', 'plumbing-finish', 'worktops'];

function points(by: Preference, area: SiteArea, phase: Phase): number {
  const facts = phaseFacts(phase);
  switch (by) {
    case 'loud-and-dusty-first':
      return facts.loud || facts.dusty ? 0 : 1;
    case 'costly-late':
      return COSTLY.includes(phase) ? 1 : 0;
    case 'same-gate-together':
      return phaseOrder(phase) / 100;
    case 'top-down':
      return 9 - Math.min(9, area.level?.height ?? 0);
    case 'back-to-front':
      return 99 - Math.min(99, area.position);
  }
}

const known = new WeakMap<readonly Rule[], Preference[]>();

/** Asked for every step of a job, so each list of rules is read once. */
function preferences(rules: readonly Rule[]): Preference[] {
  const found =
    known.get(rules) ??
    rules.flatMap((rule) => rule.effects.flatMap((effect) => (effect.form === 'prefer' ? [effect.by] : [])));
  known.set(rules, found);
  return found;
}

/** The soft rules' word on which of two equally urgent tasks goes first: lower is earlier. */
export function rankOf(area: SiteArea, phase: Phase, rules: readonly Rule[] = RULES): number {
  return preferences(rules).reduce((rank, by) => rank + SCALE[by] * points(by, area, phase), 0);
}
