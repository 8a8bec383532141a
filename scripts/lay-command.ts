/** What `npm run new -- command <subject>.<verb>` lays: one command through every layer, ready to be filled in. */

export interface Laying {
  /** Of the name of the command: `selection.return` is `selection` and `return`. */
  subject: string;
  verb: string;
  affects: 'plan' | 'job' | 'firm';
  /** The table whose row it changes. */
  table: string;
}

/** Every file of the project that matters here, by its path. */
export type Files = ReadonlyMap<string, string>;

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
const camel = (words: string): string => words.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());
export const exportName = ({ subject, verb }: Pick<Laying, 'subject' | 'verb'>): string =>
  `${camel(verb)}${capital(camel(subject))}`;

const CONTRACT = /^src\/contract\/commands\/(?!index)[^.]+\.ts$/;
const HANDLERS = /^src\/server\/[^.]+\.ts$/;
const TABLES = /^tests\/(support|integration)\/[^.]*commands(\.test)?\.ts$/;

/** The file of a kind that speaks of the subject most. @throws where none does: then the subject is new, and its files come first */
function home(files: Files, kind: RegExp, subject: string, what: string): string {
  const said = (text: string): number => text.split(`'${subject}.`).length - 1;
  const [best] = [...files]
    .filter(([path, text]) => kind.test(path) && said(text) > 0)
    .sort(([, a], [, b]) => said(b) - said(a));
  if (!best) throw new Error(`No ${what} speaks of ${subject} yet: make its file first, as its neighbours are made.`);
  return best[0];
}

/** After the last entry of the subject in a list of entries that are indented by two. */
function afterLast(text: string, subject: string, entry: string): string {
  const lines = text.split('\n');
  const last = lines.findLastIndex((line) => line.startsWith(`  '${subject}.`));
  let end = last;
  // An entry ends with the first line that is indented like its beginning and closes it.
  while (!/^ {2}\S.*,$/.test(lines[end] ?? '') || (end === last && lines[end]?.endsWith('{'))) end++;
  return [...lines.slice(0, end + 1), ...entry.split('\n'), ...lines.slice(end + 1)].join('\n');
}

/** The text with a name more in what it takes from another file; a text that has the name, or no such import, stays. */
const importing = (text: string, name: string, from: string): string =>
  new RegExp(`\\b${name}\\b`).test(text)
    ? text
    : text.replace(
        new RegExp(`import \\{([^}]*?),?\\s*\\} from '${from.replaceAll('.', '\\.')}';`),
        `import {$1, ${name} } from '${from}';`,
      );

const follow = { plan: 'context.replan(row.job, `${row.id} changed`);', job: 'context.logFor(row.job);', firm: '' };

/** @returns the files that change, whole, by their path */
export function layCommand(files: Files, laying: Laying): Map<string, string> {
  const { subject, verb, affects, table } = laying;
  const [name, type] = [exportName(laying), `${subject}.${verb}`];
  const contract = home(files, CONTRACT, subject, 'file of commands');
  const handlers = home(files, HANDLERS, subject, 'file of handlers');
  const given = home(files, TABLES, subject, 'table of commands');
  const index = 'src/contract/commands/index.ts';
  const text = (path: string): string => files.get(path) ?? '';
  if (text(index).includes(`'${type}'`)) throw new Error(`There is a command ${type} already.`);
  const group = new RegExp(
    `import \\* as (\\w+) from './${contract.split('/').at(-1)?.replace('.ts', '') ?? ''}'`,
  ).exec(text(index))?.[1];
  const folder = contract.split('/').at(-1)?.replace('.ts', '') ?? subject;
  return new Map<string, string>([
    [
      contract,
      `${text(contract).trimEnd()}\n\n/** What it does, in a sentence. */\nexport const ${name} = command(\n  '${type}',\n` +
        `  OFFICE,\n  '${affects}',\n  object({ id: field.id(), version: field.version() }).noUnknown(),\n);\n`,
    ],
    [index, afterLast(text(index), subject, `  '${type}': ${group ?? subject}.${name},`)],
    [
      handlers,
      afterLast(
        importing(importing(text(handlers), 'requireVersion', '../door/handler'), 'update', '../database/query'),
        subject,
        `  '${type}': (context, { id, version }) => {\n    const row = requireVersion(context, '${table}', id, version);\n` +
          `    update(context.db, '${table}', row.id, {});\n    ${follow[affects]}\n  },`,
      ),
    ],
    [
      given,
      afterLast(
        text(given),
        subject,
        `  '${type}': {\n    payload: (installation) => at(installation, '${table}', id),\n` +
          `    leaves: (installation) => row(installation, '${table}', id),\n    expected: { version: 2 },\n` +
          `${affects === 'plan' ? '    plans: true,\n' : ''}  },`,
      ),
    ],
    [
      `src/ui/${folder}/${verb}-form.tsx`,
      `'use client';\nimport { ${name} } from '@/contract/commands/${folder}';\nimport { CommandForm } from '../kit/form';\n\n` +
        `/** What it asks, in a sentence. */\nexport function ${capital(camel(verb))}Form({ id, version, onDone }: ` +
        `{ id: string; version: number; onDone: () => void }) {\n  return (\n    <CommandForm kind={${name}} ` +
        `start={() => ({ id, version })} submit="${capital(verb)}" onDone={onDone}>\n      {null}\n    </CommandForm>\n  );\n}\n`,
    ],
  ]);
}
