import type { Day } from '@/core/units/day';

/** A place one may have to go to today. */
export interface RoutePlace {
  id: string;
  name: string;
  /** `47.5, 8.25`; empty where nobody has said where it is. */
  spot: string;
  /** Why one would go there: who looks, what comes, what is to be bought. */
  why: string[];
  /** When one has to be there, where something is booked. */
  from: string;
  until: string;
}

/** A stop as it is kept, with where the route has it. */
export interface RouteStop {
  place: string;
  name: string;
  stays: number;
  from: string;
  until: string;
}

export interface RouteView {
  day: Day;
  label: string;
  starts: string;
  places: RoutePlace[];
  stops: RouteStop[];
  /** The best order, with times: what nobody can reach in its time stands in `missed`. */
  route: {
    place: string;
    name: string;
    arrives: string;
    begins: string;
    leaves: string;
    travels: number;
    guessed: boolean;
  }[];
  missed: { name: string; why: string }[];
  travels: number;
  ends: string;
  /** Ways whose minutes are guessed, so that they can be said. */
  guesses: { one: string; other: string; name: string; minutes: number }[];
  /** One trip for what is left, by trade. */
  trips: {
    trade: string;
    crew: string;
    trips: number;
    apart: number;
    proven: boolean;
    days: { day: Day; label: string; houses: { name: string; items: { task: string; text: string }[] }[] }[];
  }[];
}
