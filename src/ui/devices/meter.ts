import { seeded } from '@/core/units/seeded';

/**
 * A distance meter that sends what it measures. A real one and the simulated one are the same to the field that
 * listens.
 */
export interface Meter {
  /** Takes one reading. @param near what is expected there, in mm, where it is drawn */
  read: (near?: number) => Promise<{ mm: number }>;
  simulated: boolean;
}

const OFTEN_WITHIN_MM = 4;
/** Now and then a wall is not where it is drawn. */
const ODD_PART = 0.2;
const ODD_MM = 30;

/** The stand-in: repeatable for its seed, close to what is drawn, and at times off by as much as old houses are. */
export function simulatedMeter(seed: number): Meter {
  const random = seeded(seed);
  return {
    simulated: true,
    read: (near) =>
      Promise.resolve({
        mm: Math.round(
          near === undefined
            ? 600 + random() * 4200
            : near + (random() - 0.5) * 2 * (random() < ODD_PART ? ODD_MM : OFTEN_WITHIN_MM),
        ),
      }),
  };
}
