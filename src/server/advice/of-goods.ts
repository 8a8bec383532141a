import { isOrdered, type Alternative } from '@/core/selections/states';
import { counted } from '@/core/words/count';
import type { Answer } from './answers';
import type { Slip } from './slip';

/** What is missing is fitted on a trip of its own; the work goes on without it. */
export const fittedLater = ({ selection }: Slip): Answer[] =>
  selection && !selection.return_trip
    ? [
        {
          key: 'fit-later',
          title: 'Go on without it, fit it later',
          how: `Whoever fits ${selection.category.toLowerCase()} comes back for it when it is there.`,
          steps: [
            {
              type: 'selection.fit-later',
              payload: { id: selection.id, version: selection.version, returnTrip: true },
            },
          ],
        },
      ]
    : [];

/** What stands beside it and comes sooner. */
export function inStock({ selection }: Slip): Answer[] {
  if (!selection || isOrdered(selection.state)) return [];
  return (JSON.parse(selection.alternatives) as Alternative[])
    .filter(({ leadHigh }) => leadHigh < selection.lead_high)
    .map(({ id, choice, supplier, leadHigh }) => ({
      key: `instead ${id}`,
      title: `Take ${choice} instead`,
      how: `${supplier ? `${supplier}: ` : ''}it comes in ${counted(leadHigh, 'day')} at most.`,
      steps: [
        {
          type: 'selection.choose' as const,
          payload: { id: selection.id, version: selection.version, alternative: id, reason: 'it comes sooner' },
        },
      ],
    }));
}
