import type { Inclusion } from './area';

/** Six small drawn marks on a field of 16 by 16, the same on screen, on paper and in the statement. */
export const STANCE_PATHS: Record<Inclusion, string> = {
  in: 'M2 8h9M7.5 4.5 11 8l-3.5 3.5M14 2v12',
  out: 'M14 8H5M8.5 4.5 5 8l3.5 3.5M2 2v12',
  conditional: 'M8 14V8M8 8 3 2.5M8 8l5-5.5',
  protect: 'M2 6.5Q8 .5 14 6.5M4 8v6h8V8',
  'keep-live': 'M9.5 1 4 9h4l-1.5 6L12 7H8z',
  refit: 'M5 14V3M2 6l3-3 3 3M11 2v11M8 10l3 3 3-3',
};
