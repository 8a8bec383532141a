export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** `January` for 1. */
export const monthName = (month: number): string => MONTHS[month - 1] ?? '';
