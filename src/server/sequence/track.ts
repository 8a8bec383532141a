import type { Phase } from '@/core/sequence/phases';
import { execute, insert, queryAll, type NewRow } from '../database/query';
import type { Connection } from '../database/open';
import type { Rows } from '../database/rows';

/** One step of the track of an area. */
interface Step {
  area: string;
  phase: Phase;
}

export const addStep = (db: Connection, step: NewRow<'step'>): void => insert(db, 'step', step);

export const dropStep = (db: Connection, step: Step): void =>
  void execute(db, 'DELETE FROM step WHERE area = @area AND phase = @phase', { ...step });

/** What somebody has worked on stays, whatever is left out. */
export const dropStepUnlessBegun = (db: Connection, step: Step): void =>
  void execute(
    db,
    `DELETE
      FROM step
      WHERE area = @area AND phase = @phase AND NOT EXISTS (SELECT 1 FROM standing_observation AS seen
        WHERE seen.matter = 'step:' || @area || ':' || @phase AND fraction > 0)`,
    { ...step },
  );

/** Who does it, how long it takes and what that follows from, how many crews, and who else does it instead. */
export function changeStep(
  db: Connection,
  { area, phase }: Step,
  changed: Partial<Pick<Rows['step'], 'trade' | 'half_days' | 'basis' | 'crews' | 'others' | 'others_on'>>,
): void {
  const columns = Object.keys(changed).map((column) => `${column} = @${column}`);
  execute(db, `UPDATE step SET ${columns.join(', ')} WHERE area = @area AND phase = @phase`, {
    area,
    phase,
    ...changed,
  });
}

/** @returns whether it took another time before */
export const timeStep = (db: Connection, { area, phase }: Step, halfDays: number): boolean =>
  execute(
    db,
    `UPDATE step
      SET half_days = @halfDays
      WHERE area = @area AND phase = @phase AND half_days <> @halfDays`,
    { area, phase, halfDays },
  ) > 0;

/** Another area gets the same steps, as if nobody had said anything of their times. */
export function copyTrack(db: Connection, from: string, to: string): void {
  for (const step of queryAll<Pick<Rows['step'], 'phase' | 'trade' | 'half_days'>>(
    db,
    'SELECT phase, trade, half_days FROM step WHERE area = @from',
    { from },
  ))
    addStep(db, { area: to, ...step });
}
