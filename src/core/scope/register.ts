import { isSameThing, lineThing, type BriefScope } from './brief';
import { keptThing, type Finding } from './finding';

/** What is protected, taken down to be fitted again, or kept for use again: one register of each, whoever wrote it down. */
export const REGISTERS = {
  protect: 'Protected',
  refit: 'To be fitted again',
  salvage: 'Kept for use again',
} as const;
export type Register = keyof typeof REGISTERS;

export interface RegisterEntry {
  register: Register;
  /** A line of scope, or a finding of the first visit. */
  of: 'scope' | 'finding';
  id: string;
  version: number;
  area: string | null;
  what: string;
  /** Where it is kept, or with what it is protected; empty where nobody has said. */
  place: string;
  kept: 'kept' | 'back' | 'gone';
}

type Line = BriefScope & { version: number; areaId: string };
type Found = Finding & { version: number; kept: RegisterEntry['kept'] };

/** A line and a finding of the same thing in the same area are one thing, taken down once. */
const isSame = (line: Line, finding: Found): boolean =>
  line.stance === 'refit' &&
  finding.kind === 'refit' &&
  line.areaId === finding.area &&
  isSameThing(line.subject, finding.subject);

/** Every entry, in the order written; those that are over stand in it too. */
export function registerOf(lines: readonly Line[], findings: readonly Found[]): RegisterEntry[] {
  return [
    ...lines.flatMap((line): RegisterEntry[] =>
      (line.stance === 'protect' || line.stance === 'refit') && !findings.some((finding) => isSame(line, finding))
        ? [
            {
              ...{ register: line.stance, of: 'scope', id: line.id, version: line.version, area: line.areaId },
              ...{ what: lineThing(line), place: line.place, kept: line.kept },
            },
          ]
        : [],
    ),
    ...findings.flatMap((finding): RegisterEntry[] =>
      finding.kind === 'refit' || finding.kind === 'salvage'
        ? [
            {
              ...{ register: finding.kind, of: 'finding', id: finding.id, version: finding.version },
              ...{ area: finding.area, place: finding.place, kept: finding.kept },
              what: keptThing(finding),
            },
          ]
        : [],
    ),
  ];
}

/** Where an entry is now, in words. */
export const KEPT_WORDS: Record<Register, Record<RegisterEntry['kept'], string>> = {
  protect: { kept: 'on', back: 'taken off', gone: 'gone' },
  refit: { kept: 'kept', back: 'back in place', gone: 'gone' },
  salvage: { kept: 'kept', back: 'used again', gone: 'gone' },
};
