import { Refusal } from './refusal';

/** Nothing that is sent is nested deeper; whoever goes through it by calling itself runs out of room far beyond that. */
const DEEPEST = 60;

/** Refuses what is nested deeper than anything of ours. */
export function needShallow(value: unknown): void {
  let level: unknown[] = [value];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST)
      throw new Refusal(400, { code: 'too-deep', message: 'This is nested deeper than anything is here.' });
    level = level.flatMap((one) => (typeof one === 'object' && one !== null ? (Object.values(one) as unknown[]) : []));
  }
}
