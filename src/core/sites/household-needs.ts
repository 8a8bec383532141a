/** What people who stay in a house need, by the word that areas have it under, as a client says it. */
export const HOUSEHOLD_NEEDS = {
  toilet: 'toilet',
  shower: 'shower',
  bath: 'bath',
  sink: 'kitchen sink',
  cooking: 'cooking',
  'cold food': 'fridge and freezer',
  laundry: 'washing machine',
  heat: 'heating',
  'hot water': 'hot water',
  'way in': 'way in',
  beds: 'beds',
  parking: 'parking',
} as const;
export type HouseholdNeed = keyof typeof HOUSEHOLD_NEEDS;
export const HOUSEHOLD_NEED_KEYS = Object.keys(HOUSEHOLD_NEEDS) as HouseholdNeed[];
export const isHouseholdNeed = (word: string): word is HouseholdNeed => Object.hasOwn(HOUSEHOLD_NEEDS, word);
