/** What money is spent on. */
export const SPENDING = {
  material: 'goods',
  work: 'work: hours, bills of subs',
  other: 'other: rent, fees, trips',
} as const;
export type SpendingKind = keyof typeof SPENDING;
export const SPENDING_KINDS = Object.keys(SPENDING) as SpendingKind[];
