import { numberCell } from '../csv-cells';
import { readCsv, refuseCell, type CsvProblem } from '../csv';
import { isWork, WORK_KEYS, worksFor, workFacts, type Work } from '../sequence/works';
import { sameName } from './set-out';
import { AREA_KIND_KEYS, AREA_KINDS, type AreaKind } from './area';
import { isPassageByName, standsOnLevel, type Draft, type DraftArea, type DraftLevel } from './draft-area';

export interface AreaCsv extends Draft {
  problems: CsvProblem[];
}

const COLUMNS = {
  level: false,
  area: true,
  kind: false,
  works: false,
  size: false,
  passage: false,
  beside: false,
  'opens to': false,
};
export const CSV_EXAMPLE =
  'level,area,kind,works,size,passage,beside,opens to\nGround floor,Kitchen,room,kitchen + open-floor,1.2,,Hall,\n' +
  'Upper floor,Bath,wet,bathroom,,,,\n,Front,face,repaint,1,,,\nGround floor,Hall,room,redecorate,1,yes,Kitchen,\n';
const USUAL_HEIGHT: Record<string, number> = {
  cellar: -1,
  basement: -1,
  ground: 0,
  'ground floor': 0,
  upper: 1,
  'upper floor': 1,
  'first floor': 1,
  attic: 2,
  'top floor': 2,
};

/**
 * Reads areas from CSV with a header of level, area, kind, works (joined by `+`), size, passage (yes or no), beside and
 * opens to (names joined by `+`); only `area` must be there.
 * Lines that cannot be meant are told by number and left out; the others are kept, so that one slip loses nothing.
 */
export function readAreaCsv(text: string): AreaCsv {
  const { rows: areas, problems } = readCsv<DraftArea, keyof typeof COLUMNS>(text, { columns: COLUMNS, read: readRow });
  const twice = areas.find(
    (area, index) => areas.findIndex((other) => other.name === area.name && other.level === area.level) < index,
  );
  if (twice) problems.push({ line: 1, message: `“${twice.name}” is named twice on the same level.` });
  for (const { name, beside = [], opensTo = [] } of areas)
    for (const other of [...beside, ...opensTo])
      if (!areas.some((area) => sameName(area.name, other)))
        problems.push({ line: 1, message: `${name}: there is no area “${other}” in this list.` });
  return { levels: levelsOf(areas), areas, problems };
}

function readRow(cells: Record<keyof typeof COLUMNS, string>): DraftArea {
  const name = cells.area;
  if (name === '') refuseCell(undefined, 'The area has no name.');
  if (name.length > 60) refuseCell(undefined, 'The name has more than 60 characters.');
  const kind = kindOf(cells.kind);
  if (!kind)
    return refuseCell(undefined, `“${cells.kind}” is no kind of area; write one of: ${AREA_KIND_KEYS.join(', ')}.`);
  const size = cells.size ? numberCell('size', cells.size) : 1;
  if (!(size > 0 && size <= 20))
    refuseCell(undefined, `“${cells.size}” is no size; 1 is an ordinary room, 20 the most.`);
  return {
    name,
    kind,
    level: standsOnLevel(kind) ? cells.level || 'Ground floor' : null,
    works: worksIn(cells.works, kind),
    size,
    passage: passageIn(cells.passage, name, kind),
    beside: joined(cells.beside),
    opensTo: joined(cells['opens to']),
  };
}

/** Halls and stairs are passages unless it is said otherwise. */
function passageIn(typed: string, name: string, kind: AreaKind): boolean {
  if (typed === '') return isPassageByName(name, kind);
  if (/^(?:yes|y|true|1|x)$/i.test(typed)) return true;
  if (/^(?:no|n|false|0|-)$/i.test(typed)) return false;
  return refuseCell('passage', `“${typed}” is neither yes nor no.`);
}

const joined = (typed: string): string[] =>
  typed
    .split('+')
    .map((one) => one.trim())
    .filter(Boolean);

/** Works joined by `+`; none where nothing is written. */
function worksIn(typed: string, kind: AreaKind): Work[] {
  const works = joined(typed);
  const unknown = works.find((work) => !isWork(work));
  if (unknown !== undefined) refuseCell(undefined, `“${unknown}” is no work; write one of: ${WORK_KEYS.join(', ')}.`);
  const known = works.filter(isWork);
  const odd = known.find((work) => !workFacts(work).kinds.includes(kind));
  if (odd)
    refuseCell(
      undefined,
      `“${odd}” is not done in an area of the kind ${kind}; there can be: ${worksFor(kind).join(', ')}.`,
    );
  return known.length > 0 ? known : ['none'];
}

const kindOf = (text: string): AreaKind | undefined =>
  text === ''
    ? 'room'
    : AREA_KIND_KEYS.find((kind) => kind === text.toLowerCase() || AREA_KINDS[kind] === text.toLowerCase());

/** Levels in the order named, from the ground up; usual names know their height. */
function levelsOf(areas: readonly DraftArea[]): DraftLevel[] {
  const names = [...new Set(areas.flatMap((area) => area.level ?? []))];
  const taken = new Set<number>();
  return names.map((name) => {
    let height = USUAL_HEIGHT[name.toLowerCase()] ?? 0;
    while (taken.has(height)) height += 1;
    taken.add(height);
    return { name, height };
  });
}
