import { isComing, isOrdered, type Alternative } from '@/core/selections/states';
import { formatDay } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { partRows, stepsByArea } from '../reading/job';
import type { FirmReading } from '../reading/reading';
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

/** What is ready is shipped by the day that was promised first, and begun with; the rest comes when it comes. */
export function shippedInPart({ today }: FirmReading, { job, selection }: Slip): Answer[] {
  if (!selection?.area || !selection.expected_on || !selection.promised_on) return [];
  const { id, area, phase, quantity, unit, expected_on: rest, promised_on: first, category, state } = selection;
  const step = stepsByArea(job)
    .get(area)
    ?.find((row) => row.phase === phase);
  const parted = partRows(job).some((part) => part.area === area && part.phase === phase);
  if (!step || parted || step.half_days < 2 || !isComing(state) || quantity === null || quantity < 2) return [];
  if (first <= today || rest <= first) return [];
  const [now, halfDays] = [Math.ceil(quantity / 2), Math.ceil(step.half_days / 2)];
  return [
    {
      key: `in-part ${id}`,
      title: `Have what is ready shipped`,
      how:
        `${now} of ${quantity} ${unit} ${category.toLowerCase()} by ${formatDay(first, today)}, the rest on ` +
        `${formatDay(rest, today)}: ask the supplier first, and take this once they have said yes.`,
      steps: [
        { type: 'supplier.say', payload: { selection: id, says: 'confirms', text: 'a part first', day: first } },
        { type: 'supplier.say', payload: { selection: id, says: 'ships part', text: '', day: rest, quantity: now } },
        {
          type: 'step.split',
          payload: {
            ...{ area, phase },
            parts: [
              { label: 'what comes first', halfDays },
              { label: 'the rest', halfDays: step.half_days - halfDays },
            ],
          },
        },
      ],
    },
  ];
}

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
