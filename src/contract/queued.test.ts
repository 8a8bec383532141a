import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { kindOf, type CommandType } from './commands';

/**
 * What lay on telephones when a version went out: it comes in after any later one. A command that changes its shape so that
 * one of these is refused has to go on taking the old one too; what a later version sends is added in a file of its own.
 */
const FIXTURES = join(import.meta.dirname, '..', '..', 'tests', 'fixtures');
const QUEUES = readdirSync(FIXTURES).filter((name) => /^queued-[\d-]+\.json$/.test(name));

interface Queued {
  type: CommandType;
  payload: unknown;
}

describe.each(QUEUES)('%s', (name) => {
  const queued = JSON.parse(readFileSync(join(FIXTURES, name), 'utf8')) as Queued[];

  it('is of every kind that a walk keeps on its telephone', () => {
    const kinds = queued.map(({ type, payload }) => {
      const { observation } = payload as { observation?: { kind: string } };
      return observation ? `${type} ${observation.kind}` : type;
    });
    expect(new Set(kinds).size).toBeGreaterThan(28);
  });

  it.each(queued)('is taken as it is: $type %#', ({ type, payload }) => {
    expect(kindOf(type).schema.validateSync(payload, { strict: false, stripUnknown: false })).toMatchObject(
      payload as object,
    );
  });
});
