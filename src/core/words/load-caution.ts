import type { LoadCaution } from '../selections/load-cautions';
import { formatDay, type Day } from '../units/day';
import { sayAmount } from '../quantities/units';
import type { UnitSystem } from '../units/units';
import { capital } from './letters';
import { phrase, type Phrase } from './phrase';

/** What is wrong, or not said, about a delivery, as a sentence. */
export const sayLoadCaution = (caution: LoadCaution, today: Day, system: UnitSystem): Phrase =>
  phrase(words(caution, today, system));

function words(caution: LoadCaution, today: Day, system: UnitSystem): string {
  const squares = (area: number): string => sayAmount(area, 'm²', system, 1);
  const weight = (kg: number): string => sayAmount(kg, 'kg', system, 0);
  const on = (day: Day): string => formatDay(day, today);
  switch (caution.kind) {
    case 'not-heard':
      return `It was to come ${on(caution.day)} and nobody has said that it did.`;
    case 'not-ordered':
      return `${caution.thing}: not ordered yet.`;
    case 'promised-later':
      return `${caution.thing}: promised for ${on(caution.day)}, after this day.`;
    case 'needed-earlier':
      return `${caution.thing}: needed by ${on(caution.day)}.`;
    case 'in-the-way': {
      const when =
        caution.from === caution.until ? `on ${on(caution.from)}` : `from ${on(caution.from)} to ${on(caution.until)}`;
      const free = caution.freeFrom
        ? `not before ${on(caution.freeFrom)}`
        : 'there is no day on which it can stand there until it is used; choose another place';
      return `${caution.work} ${when} needs the room${caution.more > 0 ? `, and ${caution.more} more` : ''}: ${free}.`;
    }
    case 'no-floor':
      return (
        `It takes ${squares(caution.takes)} and only ${squares(caution.free)} are free: half the floor stays clear to ` +
        'walk and work.'
      );
    case 'carry-unsaid':
      return (
        `The heaviest piece weighs ${weight(caution.heaviest)}: say how it is carried; ${caution.people} people or a machine ` +
        'by usual guidance.'
      );
    case 'too-few':
      return (
        `The heaviest piece weighs ${weight(caution.heaviest)}: ${caution.people} people or a machine, and ${caution.there} ` +
        'are there. Your health and safety rules and a risk assessment decide.'
      );
    case 'not-got-in':
      return `${capital(caution.piece)} does not come in by the usual way: see Way in for what follows.`;
    case 'protection-unsaid':
      return 'Nobody has said how the way in and the floor are protected.';
  }
}
