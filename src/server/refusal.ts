import type { Problem } from '@/core/problem';

/** Thrown inside a handler to take its transaction back and tell the person why. Never for a programmer's mistake. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 422 | 429 | 503 | 507,
    readonly problem: Problem & { current?: unknown },
    /** Seconds after which it is worth another try. */
    readonly retryAfter?: number,
  ) {
    super(problem.message);
  }
}

export const notFound = (what: string, field?: string): Refusal =>
  new Refusal(404, { code: 'unknown-id', message: `There is no such ${what} here.`, ...(field ? { field } : {}) });
export const unprocessable = (code: string, message: string, field?: string): Refusal =>
  new Refusal(422, { code, message, ...(field ? { field } : {}) });
/** A row as forms name its fields: `lead_name` is `leadName`, and what is kept as JSON is what it says. */
function asFormsHaveIt(row: object): Record<string, unknown> {
  const read = (value: unknown): unknown => {
    if (typeof value !== 'string' || !/^[[{]/.test(value)) return value;
    try {
      return JSON.parse(value) as unknown;
    } catch {
      // A text of somebody's own that begins with a bracket.
      return value;
    }
  };
  const named = (column: string): string => column.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
  return Object.fromEntries(Object.entries(row).map(([column, value]) => [named(column), read(value)]));
}

/** Somebody changed it meanwhile: both values are shown and nothing is lost. */
export const conflict = (what: string, current: object | undefined): Refusal =>
  new Refusal(409, {
    code: 'changed-meanwhile',
    message: `Somebody changed this ${what} meanwhile. Look at both and say again what you want.`,
    field: 'version',
    current: current && asFormsHaveIt(current),
  });
