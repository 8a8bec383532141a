import type { AreaKind } from '../sites/area';
import type { Assembly } from './assembly';

/** What an assembly is known by where it is not at hand as a whole. */
export interface AssemblySign {
  key: string;
  title: string;
  kinds: readonly AreaKind[];
  /** The things that its title names, in small letters. */
  things: readonly string[];
  /** What is done in it. */
  verbs: readonly string[];
}

const SAYS_NOTHING = new Set(
  'a an and or the of in out to with below against new anew from strip take put open becomes into'.split(' '),
);
/** These bring a thing, whatever it is. */
const BRINGS = ['install', 'replace', 'put in', 'build', 'add', 'make', 'rebuild', 'renew'];

const wordsOf = (text: string): string[] => text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
const isSame = (one: string, other: string): boolean => one.startsWith(other) || other.startsWith(one);

/** How an assembly is told from others. */
export const signOf = ({ key, title, kinds, lines }: Assembly): AssemblySign => ({
  ...{ key, title, kinds },
  things: wordsOf(title).filter((word) => !SAYS_NOTHING.has(word)),
  verbs: [...new Set([...lines.map(({ verb }) => verb.toLowerCase()), ...BRINGS])],
});

/**
 * The assembly that a line of work means: one of its kind of area that does the same and whose every thing is named.
 * @param line as it reads: “replace three windows”
 * @returns the one that names most; undefined where none fits
 */
export function fittingAssembly(
  signs: readonly AssemblySign[],
  line: string,
  kind: AreaKind,
): AssemblySign | undefined {
  const said = wordsOf(line);
  const text = line.toLowerCase();
  return signs
    .filter(
      ({ kinds, verbs, things }) =>
        kinds.includes(kind) &&
        verbs.some((verb) => text.startsWith(`${verb} `)) &&
        things.length > 0 &&
        things.every((thing) => said.some((word) => isSame(word, thing))),
    )
    .sort((a, b) => b.things.length - a.things.length)[0];
}
