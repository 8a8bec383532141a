/** `10 to 14 days`, `14 days`, `a day`. */
export const leadWords = (low: number, high: number): string =>
  low !== high ? `${low} to ${high} days` : high === 1 ? 'a day' : `${high} days`;
