import { counted, daysOf } from './count';

/** What a better plan brings against the one there is. */
export interface Gain {
  jobs: { name: string; halves: number }[];
  trips: number;
  visits: number;
  people: number;
}

/** `A better plan was found: Tannery Row ends 2 days sooner, 3 trips fewer. 4 visits would move, 3 people to tell.` */
export function sayBetterPlan({ jobs, trips, visits, people }: Gain): string {
  const gains = [
    ...jobs.map(({ name, halves }) => `${name} ends ${daysOf(Math.abs(halves))} ${halves < 0 ? 'sooner' : 'later'}`),
    ...(trips === 0 ? [] : [`${counted(Math.abs(trips), 'trip')} ${trips < 0 ? 'fewer' : 'more'}`]),
  ];
  const what = gains.length > 0 ? gains.join(', ') : 'less lies open';
  const moves =
    visits === 0
      ? 'Nothing of the next two weeks would move.'
      : `${counted(visits, 'visit')} would move, ${counted(people, 'person', 'people')} to tell.`;
  return `A better plan was found: ${what}. ${moves}`;
}
