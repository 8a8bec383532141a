import type { AreaKind, Inclusion } from '../sites/area';
import type { Trade } from '../sequence/trades';
import {
  BRIEF_PART_KEYS,
  findingInBrief,
  scopeInBrief,
  type Brief,
  type BriefFinding,
  type BriefLine,
} from '../scope/brief';
import { ABOUT_ALL, findingGap, type FindingKind } from '../scope/finding';
import type { Recorded, SaidHere, WalkArea, WalkScreen } from './walk-screen';

/** A line of scope as it is sent. */
interface SentLine {
  stance: Inclusion;
  verb: string;
  subject: string;
  quantity?: number | null | undefined;
  unit?: string | null | undefined;
  trade?: Trade | null | undefined;
  dependsOn?: string | undefined;
  place?: string | undefined;
}

/** A finding as it is sent: what is not said stays open. */
interface SentFinding {
  kind: FindingKind;
  subject: string;
  quantity?: number | null | undefined;
  unit?: string | undefined;
  need?: string | undefined;
  live?: boolean | undefined;
  trade?: Trade | null | undefined;
  place?: string | undefined;
  cause?: string | undefined;
  remedy?: string | undefined;
  leadDays?: number | undefined;
  options?: string[] | undefined;
}

/** What a first visit writes down, as it is sent. */
export type VisitChange =
  | { type: 'scope.add'; payload: SentLine & { id: string; area: string } }
  | { type: 'scope.add-many'; payload: { lines: (SentLine & { id: string; area: string })[] } }
  | { type: 'finding.add'; payload: SentFinding & { id: string; job: string; area?: string | null | undefined } }
  | { type: 'assumption.add'; payload: { id: string; area: string; text: string; fallback: string } }
  | { type: 'line.remove'; payload: { id: string } }
  | {
      type: 'areas.add';
      payload: {
        job: string;
        levels: { id: string; name: string }[];
        areas: { id: string; name: string; kind: AreaKind; level?: string | null | undefined }[];
      };
    }
  | { type: 'area.call'; payload: { id: string; name: string; known?: boolean | undefined } }
  | {
      type: 'observation.file';
      payload: {
        about: string;
        filedAs: string;
        target: string;
        line?: SentLine | undefined;
        finding?: SentFinding | undefined;
      };
    }
  | { type: 'observation.unfile'; payload: { about: string } };

export const VISIT_CHANGES = [
  'scope.add',
  'scope.add-many',
  'finding.add',
  'assumption.add',
  'line.remove',
  'areas.add',
  'area.call',
  'observation.file',
  'observation.unfile',
] as const satisfies VisitChange['type'][];

const NOTHING: Brief['parts'] = { live: [], out: [], leave: [], protect: [], refit: [], work: [], found: [] };
/** A place of which nothing was said yet. */
export const nothingSaid = (): SaidHere => ({ brief: { parts: { ...NOTHING }, choices: [] }, forOffice: [], gaps: {} });

const withLine = (brief: Brief, part: keyof Brief['parts'], line: BriefLine): Brief =>
  brief.parts[part].some(({ id }) => id === line.id)
    ? brief
    : { ...brief, parts: { ...brief.parts, [part]: [...brief.parts[part], line] } };

function withScope<Place extends SaidHere>(place: Place, id: string, sent: SentLine): Place {
  const { part, line } = scopeInBrief({
    ...{ id, stance: sent.stance, verb: sent.verb, subject: sent.subject, kept: 'kept' },
    quantity: sent.quantity ?? null,
    unit: sent.unit ?? null,
    trade: sent.trade ?? null,
    dependsOn: sent.dependsOn ?? '',
    place: sent.place ?? '',
  });
  return { ...place, brief: withLine(place.brief, part, line) };
}

const findingOf = (id: string, sent: SentFinding, picture: string | undefined): BriefFinding => ({
  ...{ id, area: null, kind: sent.kind, subject: sent.subject, kept: 'kept', picture: picture ?? null },
  ...{ quantity: sent.quantity ?? null, unit: sent.unit ?? '', need: sent.need ?? '', live: sent.live ?? null },
  ...{ trade: sent.trade ?? null, place: sent.place ?? '', cause: sent.cause ?? '', remedy: sent.remedy ?? '' },
  ...{ leadDays: sent.leadDays ?? null, options: sent.options ?? [], answer: '', answeredBy: '' },
  ...{ allowed: null, found: null, foundBy: '', unitPrice: null },
});

/** A finding beside what was said already: among what a crew is told, or what the office has to do with. */
function withFinding<Place extends SaidHere>(before: Place, finding: BriefFinding): Place {
  const { part, line } = findingInBrief(finding);
  const gap = findingGap(finding);
  const place = gap && !before.gaps[line.id] ? { ...before, gaps: { ...before.gaps, [line.id]: gap } } : before;
  if (part) return { ...place, brief: withLine(place.brief, part, line) };
  if (finding.kind !== 'site-choice')
    return place.forOffice.some(({ id }) => id === line.id)
      ? place
      : { ...place, forOffice: [...place.forOffice, line] };
  const { id, subject, options } = finding;
  if (place.brief.choices.some((choice) => choice.id === id)) return place;
  const choices = [...place.brief.choices, { id, subject, options, answer: '', by: '' }];
  return { ...place, brief: { ...place.brief, choices } };
}

const without = <Item extends { id: string }>(list: Item[], id: string): Item[] =>
  list.some((item) => item.id === id) ? list.filter((item) => item.id !== id) : list;

/** Without a line, a finding or a choice; a place that does not hold it stays the very same. */
function saidWithout<Place extends SaidHere>(place: Place, id: string): Place {
  const { parts, choices } = place.brief;
  const holds =
    choices.some((choice) => choice.id === id) ||
    place.forOffice.some((line) => line.id === id) ||
    BRIEF_PART_KEYS.some((part) => parts[part].some((line) => line.id === id));
  if (!holds) return place;
  const kept = Object.fromEntries(BRIEF_PART_KEYS.map((part) => [part, without(parts[part], id)])) as Brief['parts'];
  return {
    ...place,
    forOffice: without(place.forOffice, id),
    gaps: Object.fromEntries(Object.entries(place.gaps).filter(([of]) => of !== id)),
    brief: { parts: kept, choices: without(choices, id) },
  };
}

const areaWithout = (area: WalkArea, id: string): WalkArea => {
  const said = saidWithout(area, id);
  const assumptions = without(area.assumptions, id);
  const selections = without(area.selections, id);
  return assumptions === area.assumptions && selections === area.selections
    ? said
    : { ...said, assumptions, selections };
};

/** Without what was written down by mistake, wherever it stands. */
function screenWithout<Screen extends WalkScreen>(screen: Screen, id: string): Screen {
  return {
    ...screen,
    whole: saidWithout(screen.whole, id),
    areas: screen.areas.map((area) => areaWithout(area, id)),
  };
}

const assumed = (area: WalkArea, id: string, text: string, fallback: string): WalkArea =>
  area.assumptions.some((one) => one.id === id)
    ? area
    : { ...area, assumptions: [...area.assumptions, { id, text, fallback, shownBy: '', state: 'open' }] };

/** An area as it is met on the visit: nothing is known of it yet but its name. */
const bareArea = (id: string, name: string, kind: AreaKind, place: string): WalkArea => ({
  ...{ id: id, name, kind, place, called: [], steps: [], open: [], selections: [] },
  ...{ assumptions: [], extras: [], checks: [], closed: false, standpoints: [], drawn: [], walls: [] },
  ...{ accepted: null, recorded: [] },
  ...nothingSaid(),
});

function areasAdded<Screen extends WalkScreen>(
  screen: Screen,
  { job, levels, areas }: Extract<VisitChange, { type: 'areas.add' }>['payload'],
): Screen {
  if (job !== screen.job.id) return screen;
  const all = [
    ...screen.levels,
    ...levels.flatMap(({ id, name }) => (screen.levels.some((level) => level.id === id) ? [] : [{ id, name }])),
  ];
  const known = new Set<string>(screen.areas.map(({ id }) => id));
  const fresh = areas
    .filter(({ id }) => !known.has(id))
    .map(({ id, name, kind, level }) =>
      bareArea(id, name, kind, all.find((entry) => entry.id === level)?.name ?? 'outside'),
    );
  return { ...screen, levels: all, areas: [...screen.areas, ...fresh] };
}

/** What a record was put among: there it stands now, and the record says so. */
function filed<Screen extends WalkScreen>(
  screen: Screen,
  { about, filedAs, target, line, finding }: Extract<VisitChange, { type: 'observation.file' }>['payload'],
): Screen {
  const found = filedAs === 'finding' && finding ? findingOf(target, finding, undefined) : undefined;
  const ofJob = found !== undefined && ABOUT_ALL.includes(found.kind);
  const marked = (record: Recorded): Recorded =>
    record.id === about ? { ...record, filed: { as: filedAs, target } } : record;
  const put = (area: WalkArea): WalkArea => {
    const record = area.recorded.find(({ id }) => id === about);
    if (!record) return area;
    const now = { ...area, recorded: area.recorded.map(marked) };
    if (filedAs === 'scope' && line) return withScope(now, target, line);
    if (found && !ofJob) return withFinding(now, found);
    return filedAs === 'assumption' ? assumed(now, target, record.text, '') : now;
  };
  const isHere = screen.areas.some(({ recorded }) => recorded.some(({ id }) => id === about));
  const whole = isHere && found && ofJob ? withFinding(screen.whole, found) : screen.whole;
  return { ...screen, whole, areas: screen.areas.map(put) };
}

function unfiled<Screen extends WalkScreen>(screen: Screen, about: string): Screen {
  const record = screen.areas.flatMap(({ recorded }) => recorded).find(({ id }) => id === about);
  if (!record?.filed) return screen;
  const now = screenWithout(screen, record.filed.target);
  const { filed: _, ...plain } = record;
  const unmarked = (each: Recorded): Recorded => (each.id === about ? plain : each);
  return { ...now, areas: now.areas.map((area) => ({ ...area, recorded: area.recorded.map(unmarked) })) };
}

/** One area changed; every other stays the very same. */
const inArea = <Screen extends WalkScreen>(
  screen: Screen,
  id: string,
  change: (area: WalkArea) => WalkArea,
): Screen => ({ ...screen, areas: screen.areas.map((area) => (area.id === id ? change(area) : area)) });

const calledNow = (called: string[], name: string, known: boolean): string[] => {
  const others = called.filter((each) => each !== name);
  return known ? [...others, name] : others;
};

/** A walk’s screen with what a first visit wrote down laid over it; twice the same changes nothing more. */
export function overlayVisit<Screen extends WalkScreen>(
  screen: Screen,
  change: VisitChange,
  picture: string | undefined,
): Screen {
  const { type, payload } = change;
  switch (type) {
    case 'scope.add':
      return inArea(screen, payload.area, (area) => withScope(area, payload.id, payload));
    case 'scope.add-many':
      return payload.lines.reduce(
        (now, line) => inArea(now, line.area, (area) => withScope(area, line.id, line)),
        screen,
      );
    case 'finding.add': {
      const finding = findingOf(payload.id, payload, picture);
      if (payload.area) return inArea(screen, payload.area, (area) => withFinding(area, finding));
      return payload.job === screen.job.id ? { ...screen, whole: withFinding(screen.whole, finding) } : screen;
    }
    case 'assumption.add':
      return inArea(screen, payload.area, (area) => assumed(area, payload.id, payload.text, payload.fallback));
    case 'line.remove':
      return screenWithout(screen, payload.id);
    case 'areas.add':
      return areasAdded(screen, payload);
    case 'area.call':
      return inArea(screen, payload.id, (area) => ({
        ...area,
        called: calledNow(area.called, payload.name, payload.known ?? true),
      }));
    case 'observation.file':
      return filed(screen, payload);
    case 'observation.unfile':
      return unfiled(screen, payload.about);
    default:
      return type satisfies never;
  }
}
