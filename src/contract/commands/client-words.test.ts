import { ValidationError } from 'yup';
import { describe, expect, it } from 'vitest';
import { COMMANDS } from '.';

/** What a client who filled in nothing is told, by field; the form itself brings the id of what it is about. */
function toldOf(schema: (typeof COMMANDS)[keyof typeof COMMANDS]['schema']): [string, string][] {
  try {
    schema.validateSync({}, { abortEarly: false });
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return error.inner.flatMap(({ path, errors }) => (path === 'id' ? [] : [[path ?? '', errors[0] ?? '']]));
  }
}

const byLink = Object.values(COMMANDS).filter((kind) => (kind.may as readonly string[]).includes('link'));

describe('what a client is told on their page', () => {
  it.each(byLink.map((kind) => [kind.type, kind.schema] as const))(
    '%s: says each thing that is missing by its name',
    (_, schema) => {
      for (const [field, words] of toldOf(schema)) {
        expect(words, field).toMatch(/ (?:is|are) missing$|must be|is one of|: /);
        expect(words, `${field} is told in words of the house’s own`).not.toMatch(
          /\bid\b|required|undefined|\bfield\b/,
        );
      }
    },
  );

  it('is asked for a choice where nothing was chosen', () => {
    expect(toldOf(COMMANDS['selection.pick'].schema)).toContainEqual(['alternative', 'your choice is missing']);
  });
});
