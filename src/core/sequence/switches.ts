import { RULES, type Rule } from './rules';
import type { Site } from './site';

/**
 * Whether a rule counts in an area (or, without one, in the job): the word on the area goes before the word on the job.
 */
export function ruleHolds(site: Pick<Site, 'switches'>, rule: Rule, area?: string): boolean {
  if (rule.only && (area === undefined || !rule.only.has(area))) return false;
  const said = (site.switches ?? []).filter((entry) => entry.rule === rule.number);
  const narrow = area === undefined ? undefined : said.find((entry) => entry.area === area);
  return (narrow ?? said.find((entry) => entry.area === undefined))?.holds ?? true;
}

/** The rules that count somewhere in the job. */
export const rulesOf = (site: Pick<Site, 'rules'>): readonly Rule[] => site.rules ?? RULES;
