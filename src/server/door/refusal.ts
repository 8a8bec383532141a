import type { Problem } from '@/core/problem';

/** Thrown inside a handler to take its transaction back and tell the person why. Never for a programmer's mistake. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 422,
    readonly problem: Problem & { current?: unknown },
  ) {
    super(problem.message);
  }
}

export const notFound = (what: string, field?: string): Refusal =>
  new Refusal(404, { code: 'unknown-id', message: `There is no such ${what} here.`, ...(field ? { field } : {}) });
export const unfit = (code: string, message: string, field?: string): Refusal =>
  new Refusal(422, { code, message, ...(field ? { field } : {}) });
/** Somebody changed it meanwhile: both values are shown and nothing is lost. */
export const stale = (what: string, current: unknown): Refusal =>
  new Refusal(409, {
    code: 'changed-meanwhile',
    message: `Somebody changed this ${what} meanwhile. Look at both and say again what you want.`,
    field: 'version',
    current,
  });
