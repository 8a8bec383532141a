import type { Fixture, Opening, Shape } from '@/core/layout/shape';
import { execute, insert, update } from '../database/query';
import type { Connection } from '../database/open';

/** Keeps how an area is drawn, in place of what was drawn before. */
export const putShape = (db: Connection, area: string, shape: Shape): void =>
  void execute(
    db,
    `INSERT INTO shape (area, shape)
      VALUES (@area, @shape)
      ON CONFLICT (area) DO UPDATE SET shape = excluded.shape, version = version + 1`,
    { area, shape: JSON.stringify(shape) },
  );

export const addOpening = (db: Connection, area: string, { id, ...opening }: Opening): void =>
  insert(db, 'opening', { id, area, opening: content(opening) });

/** @param area where it is now, if it goes elsewhere */
export const changeOpening = (db: Connection, { id, ...opening }: Opening, area?: string): void =>
  update(db, 'opening', id, { opening: content(opening), ...(area === undefined ? {} : { area }) });

export const addFixture = (db: Connection, area: string, { id, ...fixture }: Fixture): void =>
  insert(db, 'fixture', { id, area, fixture: content(fixture) });

export const changeFixture = (db: Connection, { id, ...fixture }: Fixture): void =>
  update(db, 'fixture', id, { fixture: content(fixture) });

/** What is drawn of a thing; its version is its row's. */
const content = (thing: object): string => JSON.stringify({ ...thing, version: undefined });

/** Takes out what is drawn of an area but its outline. */
export function dropDrawing(db: Connection, area: string): void {
  execute(db, 'DELETE FROM opening WHERE area = @area', { area });
  execute(db, 'DELETE FROM fixture WHERE area = @area', { area });
  execute(db, 'DELETE FROM shared_wall WHERE @area IN (one, other)', { area });
}
