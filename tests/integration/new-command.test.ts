import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { exportName, layCommand, type Laying } from '../../scripts/lay-command';
import { root } from '../support/installations';

const files = new Map<string, string>(
  ['src/contract/commands', 'src/server', 'tests/support', 'tests/integration'].flatMap((folder) =>
    readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts'))
      .map((file) => [`${folder}/${file}`, readFileSync(join(root, folder, file), 'utf8')] as const),
  ),
);
const laying: Laying = { subject: 'selection', verb: 'send-back', affects: 'plan', table: 'selection' };

describe('a new command', () => {
  it('is laid in all five files, each of which still reads as code', () => {
    const laid = layCommand(files, laying);
    expect([...laid.keys()].sort()).toEqual([
      'src/contract/commands/index.ts',
      'src/contract/commands/selections.ts',
      'src/server/selections/commands.ts',
      'src/ui/selections/send-back-form.tsx',
      'tests/support/selection-commands.ts',
    ]);
    for (const [path, text] of laid) {
      const { diagnostics } = ts.transpileModule(text, {
        fileName: path,
        reportDiagnostics: true,
        compilerOptions: { jsx: ts.JsxEmit.ReactJSX },
      });
      expect(diagnostics, path).toEqual([]);
      // What stood there stands there still.
      for (const line of (files.get(path) ?? '').split('\n').filter((before) => !before.startsWith('import')))
        expect(text.includes(line), `${path}: ${line}`).toBe(true);
    }
    expect(laid.get('src/contract/commands/index.ts')).toContain(
      `  'selection.send-back': selections.${exportName(laying)},`,
    );
  });

  it('takes what its handler calls from where it is', () => {
    const laid = layCommand(files, { subject: 'standpoint', verb: 'rename', affects: 'job', table: 'standpoint' });
    const handlers = laid.get('src/server/walks/commands.ts') ?? '';
    expect(handlers).toMatch(/import \{[^}]*\bupdate\b[^}]*\} from '\.\.\/database\/query'/);
    expect(handlers).toMatch(/import \{[^}]*\brequireVersion\b[^}]*\} from '\.\.\/door\/handler'/);
  });

  it('is refused where there is one of that name, or the subject has no files yet', () => {
    expect(() => layCommand(files, { ...laying, verb: 'order' })).toThrow(
      'There is a command selection.order already.',
    );
    expect(() => layCommand(files, { ...laying, subject: 'crane' })).toThrow('speaks of crane yet');
  });
});
