import type { LicenceStanding } from '../safety/licence';
import { formatDay, type Day } from '../units/day';

/** `licence of Orla Fen, No. 41, until Fri 30 Apr`; what is missing, where something is. */
export function sayLicence(standing: LicenceStanding, today: Day): string {
  switch (standing.kind) {
    case 'none':
      return 'needs a licence, and none of theirs is on record: ask to see it';
    case 'over':
      return standing.expiresOn < today
        ? `the licence of ${standing.holder} ran out ${formatDay(standing.expiresOn, today)}: ask for the new one`
        : `the licence of ${standing.holder} runs out ${formatDay(standing.expiresOn, today)}, before this is finished`;
    case 'held': {
      const { holder, number, expiresOn } = standing;
      const until = expiresOn ? `until ${formatDay(expiresOn, today)}` : '';
      return [`licence of ${holder}`, number && `No. ${number}`, until].filter(Boolean).join(', ');
    }
  }
}
