import type { Role } from '@/contract/command';
import type { Sees } from './sees';

/**
 * What a page or a route asks of whoever comes. Each says one of them; nothing is open because nobody thought of it.
 * `nobody`: whoever comes. `link`: whoever has its secret, which the route looks at itself. `person`: whoever is signed in,
 * for the jobs that are theirs. `prices`: who sees what things cost. `all jobs`: who sees every job. `office`: whoever runs
 * the firm or its office. `owner`: whoever runs the firm.
 */
export type Need = 'nobody' | 'link' | 'person' | 'prices' | 'all jobs' | 'office' | 'owner';

export function isMet(need: Need, { role }: { role: Role }, sees: Sees): boolean {
  switch (need) {
    case 'nobody':
    case 'link':
    case 'person':
      return true;
    case 'prices':
      return sees.prices;
    case 'all jobs':
      return sees.jobs === null;
    case 'office':
      return role !== 'lead';
    case 'owner':
      return role === 'contractor';
  }
}

/** What is said to whoever may not. */
export const NEED_WORDS: Readonly<Record<Need, string>> = {
  nobody: '',
  link: '',
  person: '',
  prices: 'This holds prices: ask the contractor or the office.',
  'all jobs': 'This is of all jobs: ask the contractor or the office.',
  office: 'This is for the contractor and the office.',
  owner: 'This is for whoever runs the firm.',
};
