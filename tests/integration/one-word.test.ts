import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { root } from '../support/installations';

/** The words of docs/glossary.md that are not said, by the word that is said instead. */
const unsaid = readFileSync(join(root, 'docs', 'glossary.md'), 'utf8')
  .split('\n## Said so, and not otherwise\n')[1]!
  .split('\n')
  .flatMap((line) => {
    const [, said = '', , not = ''] = line.split('|').map((cell) => cell.trim());
    return said === '' || said === 'said' || /^-+$/.test(said)
      ? []
      : not.split(', ').map((word) => ({ said, word, pattern: new RegExp(`\\b${word}\\b`, 'i') }));
  });

/** What people may read of a file: text of elements, and texts of more than one word. */
function texts(file: string): { text: string; line: number }[] {
  const source = ts.createSourceFile(file, readFileSync(join(root, file), 'utf8'), ts.ScriptTarget.Latest, true);
  const found: { text: string; line: number }[] = [];
  const look = (node: ts.Node): void => {
    const text = ts.isJsxText(node) || ts.isStringLiteralLike(node) || ts.isTemplateLiteralToken(node) ? node.text : '';
    const isRead =
      ts.isJsxText(node) || (/\p{L} \p{L}/u.test(text) && !/^\s*(SELECT|INSERT|UPDATE|DELETE|WITH)\b/.test(text));
    if (isRead && !ts.isImportDeclaration(node.parent))
      found.push({ text, line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1 });
    ts.forEachChild(node, look);
  };
  look(source);
  return found;
}

describe('one word for one thing', () => {
  it('is what screens, papers and messages say: none of the others of the glossary', () => {
    expect(unsaid.length).toBeGreaterThan(10);
    const files = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
      .map((file) => `src/${file}`)
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|core\/(narration|quantities|fit)\//.test(file));
    const offenders = files.flatMap((file) =>
      texts(file).flatMap(({ text, line }) =>
        unsaid
          // A value of the code is no text, whatever it is called.
          .filter(({ word, pattern }) => pattern.test(text) && text.trim() !== word)
          .map(({ said, word }) => `${file}:${line} says “${word}”, not “${said}”: ${text.trim().slice(0, 80)}`),
      ),
    );
    expect(offenders).toEqual([]);
  });
});
