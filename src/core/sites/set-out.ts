import type { Work } from '../sequence/works';
import type { AreaKind } from './area';
import type { HouseholdNeed } from './household-needs';
import { isPassageByName, type Draft, type DraftArea, type DraftLevel } from './draft-area';

interface KnownLevel {
  id: string;
  name: string;
  height: number;
}

/** Areas as they are set out, by ids; beside which others they lie, and to which their wall comes out. */
export interface SetOut {
  levels: (KnownLevel & { note: string })[];
  areas: {
    id: string;
    name: string;
    kind: AreaKind;
    works: Work[];
    size: number;
    passage: boolean;
    livedIn: boolean;
    provides: HouseholdNeed[];
    beside: string[];
    opensTo: string[];
    level?: string;
  }[];
}

/**
 * Makes a draft what the door takes: levels that are not there yet each at a height of their own, areas by their ids.
 * @param known levels that the job has already
 */
export function setOut(draft: Draft, known: readonly KnownLevel[], newId: () => string): SetOut {
  const byName = new Map(known.map((level) => [level.name, level.id]));
  const levels = newLevels(draft, known, newId);
  for (const { name, id } of levels) byName.set(name, id);
  const ids = new Map(draft.areas.map((area) => [area, newId()]));
  const named = (names: readonly string[] = []): string[] =>
    names.flatMap((name) => {
      const other = draft.areas.find((area) => sameName(area.name, name));
      const id = other && ids.get(other);
      return id ? [id] : [];
    });
  return {
    levels: levels.map((level) => ({ ...level, note: '' })),
    areas: draft.areas.map((area) => ({
      id: ids.get(area) ?? newId(),
      name: area.name.trim(),
      kind: area.kind,
      works: area.works,
      size: area.size,
      passage: area.passage ?? isPassageByName(area.name, area.kind),
      livedIn: false,
      provides: [],
      beside: named(area.beside),
      opensTo: named(area.opensTo),
      ...(area.level === null ? {} : { level: byName.get(area.level) ?? '' }),
    })),
  };
}

export const sameName = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase();

function newLevels(draft: Draft, known: readonly KnownLevel[], newId: () => string): KnownLevel[] {
  const taken = new Set(known.map((level) => level.height));
  const wanted = [...new Set(draft.areas.flatMap((area: DraftArea) => area.level ?? []))].filter(
    (name) => !known.some((level) => level.name === name),
  );
  return wanted.map((name) => {
    let height = draft.levels.find((level: DraftLevel) => level.name === name)?.height ?? 0;
    while (taken.has(height)) height += 1;
    taken.add(height);
    return { id: newId(), name, height };
  });
}
