import { array, number, object } from 'yup';
import { MOST_STOPS } from '@/core/trips/route';
import { command, EVERYBODY } from '../command';
import * as field from '../fields';

const place = (what: string) => field.line(what, 160);

/** How long the way between two places takes, there and back alike. */
export const setTravel = command(
  'travel.set',
  EVERYBODY,
  'firm',
  object({
    one: place('the one place'),
    other: place('the other place').test('two', 'a way leads from one place to another', function (other) {
      return other !== (this.parent as { one: string }).one;
    }),
    minutes: field.whole('the minutes on the way', 0, 600),
  }).noUnknown(),
);

const degrees = (what: string, most: number) =>
  number()
    .typeError(`${what} is in degrees, like 47.61`)
    .required(`${what} is missing`)
    .min(-most, `${what} is from −${most} to ${most} degrees`)
    .max(most, `${what} is from −${most} to ${most} degrees`);

/** Where a place is. */
export const setSpot = command(
  'spot.set',
  EVERYBODY,
  'firm',
  object({
    place: place('the place'),
    north: degrees('the latitude', 90),
    east: degrees('the longitude', 180),
  }).noUnknown(),
);

/** The stops of a day and when it starts, in place of those kept before. */
export const keepRoute = command(
  'route.keep',
  EVERYBODY,
  'firm',
  object({
    day: field.day('the day'),
    starts: field.optionalHour('the start').required('say when the day starts'),
    stops: array(
      object({
        place: place('the stop'),
        stays: field.whole('the minutes there', 1, 600),
        from: field.optionalHour('the earliest').default(''),
        until: field
          .optionalHour('the latest')
          .default('')
          .test('later', 'the latest is not before the earliest', function (until) {
            const { from } = this.parent as { from?: string };
            return !until || !from || until >= from;
          }),
      }).noUnknown(),
    )
      .default([])
      .max(MOST_STOPS, `a route takes ${MOST_STOPS} stops at most; leave the rest for another day`),
  }).noUnknown(),
);
