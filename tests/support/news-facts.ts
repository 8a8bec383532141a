import type { Draft, News } from '@/core/news/news';
import { draftText, withOwnWords } from '@/core/news/own-words';
import type { WalkDiff } from '@/core/walks/diff';

/** Facts of a job’s news for tests of what is made of them. */

export const told = (draft: Draft): string => draftText(withOwnWords(draft, [], []));

export const nothing: WalkDiff = {
  surprises: [],
  decisions: [],
  household: [],
  shorts: [],
  inWalls: [],
  checks: [],
  progress: [],
  remaining: [],
  closed: [],
  selections: [],
  notes: [],
  cautions: [],
  pictures: [],
  measurements: [],
  gain: 0,
  visibleGain: 0,
};
export const news = (over: Partial<News> = {}): News => ({
  job: 'Signal House',
  today: '2027-03-09',
  since: '2027-03-02',
  off: [],
  address: '1 Quay',
  there: [],
  loudHalf: null,
  from: { firm: 'Harrow', name: 'Maren', phone: '0555 0100' },
  livedIn: false,
  diff: nothing,
  areas: new Map([
    ['k', 'Kitchen'],
    ['s', 'Study'],
  ]),
  selections: new Map([['t', { area: 'k', category: 'Wall tiles', choice: 'Sage' }]]),
  done: 0.4,
  moved: [],
  finish: {},
  causes: [],
  hangsOn: [],
  changes: new Map(),
  next: [],
  decisions: [],
  cautions: [],
  leftAlone: [],
  needed: [],
  daysMoved: [],
  settled: [],
  ...over,
});
