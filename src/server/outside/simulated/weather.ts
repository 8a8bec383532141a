import type { HalfDayOutlook } from '@/core/schedule/weather';
import { seeded } from '@/core/units/seeded';
import { addDays, daysBetween } from '@/core/units/day';
import { OUTLOOK_DAYS, type WeatherService } from '../ports';

/** By month, of a cool coast: usual low, days with rain, with strong wind, with frost. */
export const COAST: readonly { month: number; wet: number; windy: number; frosty: number; low: number }[] = [
  [1, 14, 8, 9, 0],
  [2, 11, 7, 8, 1],
  [3, 11, 6, 4, 3],
  [4, 9, 4, 1, 5],
  [5, 8, 3, 0, 9],
  [6, 8, 2, 0, 12],
  [7, 9, 2, 0, 14],
  [8, 10, 2, 0, 14],
  [9, 11, 4, 0, 11],
  [10, 13, 6, 1, 8],
  [11, 14, 7, 4, 4],
  [12, 15, 8, 8, 1],
].map(([month = 1, wet = 0, windy = 0, frosty = 0, low = 0]) => ({ month, wet, windy, frosty, low }));

/**
 * The simulated weather service: ten days by half-day, made from the day alone so that every installation hears the
 * same. Wet spells hang together as real ones do: what one half-day is like leans on the half-day before.
 */
export const simulatedWeather: WeatherService = {
  outlook: (today) =>
    Array.from({ length: OUTLOOK_DAYS }, (_, index) => addDays(today, index)).flatMap((day): HalfDayOutlook[] => {
      const number = daysBetween('2020-01-01', day);
      const spell = seeded(Math.floor(number / 3) * 7 + 11)();
      const random = seeded(number);
      const normal = COAST[Number(day.slice(5, 7)) - 1];
      return ([0, 1] as const).map((half) => {
        const wet = 0.65 * spell + 0.35 * random() > 1 - (normal?.wet ?? 10) / 30;
        return {
          day,
          half,
          rain: wet ? Math.round((1 + 11 * random()) * 10) / 10 : 0,
          wind: Math.round((3 + 7 * random() + (wet ? 4 * random() : 0)) * 10) / 10,
          low: Math.round(((normal?.low ?? 5) + 6 * (random() - 0.4) + (half === 1 ? 3 : 0)) * 10) / 10,
        };
      });
    }),
};
