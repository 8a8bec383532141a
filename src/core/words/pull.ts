import type { Give } from '../schedule/pull-forward';
import type { Day } from '../units/day';
import { phrase, type Phrase } from './phrase';
import { sayWait } from './wait';
import { sayWork } from './work';

/** What would have to be done for work to be pulled forward: `Two Buckets Paint sends one more`. */
export const sayGive = (give: Give, today: Day): Phrase => phrase(giveWords(give, today));

function giveWords(give: Give, today: Day): string {
  switch (give.kind) {
    case 'order':
      return `${sayWork(give.work)} goes without waiting for ${sayWork(give.before)} (${give.why})`;
    case 'pin':
      return `${sayWork(give.work)} is no longer fixed to its day`;
    case 'wait':
      return `${sayWork(give.work)} need not wait: ${sayWait(give.wait, today)}`;
    case 'present':
      return `${give.crew || 'the crew'} works on its days away`;
    case 'one-more':
      return `${give.crew || 'the crew'} sends one more`;
    case 'cover':
      return `${sayWork(give.work)} under a cover, whatever the weather`;
  }
}
