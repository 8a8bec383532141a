import { ASSEMBLIES } from './catalogue';
import type { Assembly, AssemblyGoods, AssemblyLine } from './assembly';

/** What a firm says otherwise of an assembly that ships, in its place or beside it. */
export interface OwnAssembly {
  key: string;
  /** The key of the one that ships: what it asks, plans and warns of holds for this one too. */
  base: string;
  title: string;
  says: string;
  lines: readonly AssemblyLine[];
  goods: readonly AssemblyGoods[];
}

/** What the firm can set: what ships, with its own in place of it or behind it. */
export function withOwn(own: readonly OwnAssembly[]): Assembly[] {
  const mine = new Map(
    own.flatMap((each) => {
      const base = ASSEMBLIES.find(({ key }) => key === each.base);
      if (!base) return [];
      const { key, title, says, lines, goods } = each;
      return [
        [
          key,
          {
            ...base,
            key,
            base: base.key,
            title,
            says,
            lines,
            goods,
            source: `The firm’s own figures, after “${base.title}”.`,
          },
        ],
      ];
    }),
  );
  const shipped = ASSEMBLIES.map((assembly) => mine.get(assembly.key) ?? assembly);
  return [...shipped, ...[...mine.values()].filter(({ key }) => !ASSEMBLIES.some((each) => each.key === key))];
}

/** What is wrong with it, by the field; undefined where it holds together. */
export function wrongOwn({ base, lines, goods }: OwnAssembly): { field: string; message: string } | undefined {
  const shipped = ASSEMBLIES.find(({ key }) => key === base);
  if (!shipped) return { field: 'base', message: 'There is no such assembly to begin from.' };
  const known = new Set(Object.keys(shipped.asks));
  const unknown = (of: AssemblyLine['of']): boolean => of.some((part) => typeof part === 'string' && !known.has(part));
  const line = lines.findIndex(({ of }) => unknown(of));
  if (line >= 0) return { field: `lines[${line}].of`, message: 'This line goes by something that is not asked.' };
  const keys = lines.map(({ key }) => key);
  const twice = keys.findIndex((key, at) => keys.indexOf(key) !== at);
  if (twice >= 0) return { field: `lines[${twice}].key`, message: 'Two lines have the same name.' };
  const good = goods.findIndex(({ of, line: of_ }) => unknown(of) || !keys.includes(of_));
  return good >= 0
    ? { field: `goods[${good}].line`, message: 'These goods belong to a line that is not there.' }
    : undefined;
}
