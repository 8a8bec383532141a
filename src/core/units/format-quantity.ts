import { OWN_UNIT, unitNamed, UNITS, type MeasuredKind, type UnitSystem } from './units';

/** Figures after the point that are worth reading, in the job's own unit. */
const DIGITS: Record<UnitSystem, Record<MeasuredKind, number>> = {
  metric: {
    length: 0,
    area: 2,
    volume: 3,
    liquid: 2,
    mass: 1,
    resistance: 2,
    density: 0,
    coverage: 1,
    airflow: 0,
    conductivity: 3,
    transmittance: 3,
  },
  imperial: {
    length: 2,
    area: 1,
    volume: 2,
    liquid: 2,
    mass: 1,
    resistance: 1,
    density: 1,
    coverage: 0,
    airflow: 0,
    conductivity: 3,
    transmittance: 3,
  },
};

/** A figure without needless noughts; from 100 on with at most one after the point. */
export const figure = (value: number, digits: number): string =>
  String(Number(value.toFixed(Math.abs(value) >= 100 ? Math.min(1, digits) : digits)));

/** A part of one as people say it: `12.5 %`. */
export const sayPercent = (fraction: number): string => `${Number((fraction * 100).toPrecision(6))} %`;

/** A kept value in the job's own unit, or in another of its kind, as a number. */
export const inOwnUnit = (
  kind: MeasuredKind,
  value: number,
  system: UnitSystem,
  unit: string = OWN_UNIT[system][kind],
): number => value / (unitNamed(unit, UNITS[kind])?.is ?? 1);

/** Writes a kept value as the job measures: `46 m²`, `495.1 sq ft`, `R-19`. Lengths have `formatLength`. */
export function formatQuantity(kind: Exclude<MeasuredKind, 'length'>, value: number, system: UnitSystem): string {
  const text = figure(inOwnUnit(kind, value, system), DIGITS[system][kind]);
  const unit = OWN_UNIT[system][kind];
  return unit === 'R' ? `R-${text}` : `${text} ${unit}`;
}
