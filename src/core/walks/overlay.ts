import type { AreaId } from '../ids';
import type { RecordedObservation } from './observation';
import { recordWords } from './record-words';
import { overlayVisit, VISIT_CHANGES, type VisitChange } from './overlay-visit';
import type { NarrationView, Recorded, WalkArea, WalkScreen } from './walk-screen';

/** A change of a walk's screen: the command that makes it, with what the screen shows of it. */
export type WalkChange =
  | VisitChange
  | { type: 'undo'; payload: { command: string } }
  | { type: 'observation.record'; payload: { observation: RecordedObservation } }
  | { type: 'assumption.settle'; payload: { id: string; verdict: 'held' | 'wrong' } }
  | { type: 'finding.answer'; payload: { id: string; answer?: string | undefined; name?: string | undefined } }
  | { type: 'assumption.reopen' | 'extra.finish' | 'extra.reopen'; payload: { id: string } }
  | { type: 'standpoint.add'; payload: { id: string; area: AreaId; name: string } }
  | { type: 'narration.keep'; payload: { id: string; walk: string; name: string; text: string } }
  | { type: 'draft.drop' | 'draft.restore'; payload: { narration: string; draft: string } }
  | { type: 'site.close-down'; payload: { walk?: string | null | undefined; bin?: number | null | undefined } };

const CHANGES = new Set<string>([
  'undo',
  ...VISIT_CHANGES,
  'observation.record',
  'assumption.settle',
  'finding.answer',
  'assumption.reopen',
  'extra.finish',
  'extra.reopen',
  'standpoint.add',
  'narration.keep',
  'draft.drop',
  'draft.restore',
  'site.close-down',
] satisfies WalkChange['type'][]);

/** Whether a command changes what a walk shows. */
export const isWalkChange = (command: { type: string; payload: unknown }): command is WalkChange =>
  CHANGES.has(command.type);

/** How a record is shown beside its words. */
interface Shown {
  /** Where its picture is, while it has no address of its own. */
  picture?: string;
  /** Who recorded it, where that was somebody else. */
  by?: string;
}

/** The one of that id changed; a list without it stays the very same, and nothing of it is drawn again. */
function changed<Item extends { id: string }>(list: Item[], id: string, change: (item: Item) => Item): Item[] {
  return list.some((item) => item.id === id) ? list.map((item) => (item.id === id ? change(item) : item)) : list;
}

const checked = (
  area: WalkArea,
  key: string,
  state: WalkArea['checks'][number]['state'],
  said: string,
): WalkArea['checks'] => area.checks.map((line) => (line.key === key ? { ...line, state, said } : line));

/**
 * An area with what one record says of itself: its own line, its marks, or the verdict on what it looks at. Server and
 * device both build a walk's records with this.
 */
export function recordedOnto(area: WalkArea, seen: RecordedObservation, shown: Shown = {}): WalkArea {
  switch (seen.kind) {
    case 'recheck':
      return { ...area, open: changed(area.open, seen.about, (item) => ({ ...item, verdict: seen.verdict })) };
    case 'selection-check':
      return {
        ...area,
        selections: changed(area.selections, seen.selection, (item) => ({ ...item, verdict: seen.verdict })),
      };
    case 'marks':
      return { ...area, recorded: changed(area.recorded, seen.about, (line) => ({ ...line, marks: seen.marks })) };
    case 'withdrawal':
      return { ...area, recorded: area.recorded.filter((line) => line.id !== seen.about) };
    default: {
      const text = recordWords(seen);
      if (text === '' || area.recorded.some((known) => known.id === seen.id)) return area;
      const picture = seen.kind === 'picture' ? (shown.picture ?? seen.picture) : '';
      const line: Recorded = {
        id: seen.id,
        kind: seen.kind,
        text,
        ...(shown.by === undefined ? {} : { by: shown.by }),
        ...(picture ? { picture } : {}),
      };
      return { ...area, recorded: [...area.recorded, line] };
    }
  }
}

/** What the server works out from all records of a job and a device can only take over: how far a step is, what a check says. */
function followedBy(area: WalkArea, seen: RecordedObservation, shown: Shown): WalkArea {
  if (seen.kind === 'progress')
    return {
      ...area,
      steps: area.steps.map((step) => (step.phase === seen.phase ? { ...step, fraction: seen.fraction } : step)),
    };
  if (seen.kind === 'check') return { ...area, checks: checked(area, seen.line, seen.verdict, seen.text ?? '') };
  if (seen.kind === 'recheck' && seen.verdict === 'done')
    return { ...area, checks: checked(area, `left:${seen.about}`, 'right', '') };
  const picture = seen.kind === 'picture' ? (shown.picture ?? seen.picture) : '';
  if (seen.kind === 'picture' && seen.standpoint && picture)
    return {
      ...area,
      standpoints: changed(area.standpoints, seen.standpoint, (spot) => ({
        ...spot,
        last: { hash: picture, when: 'just now' },
      })),
    };
  return area;
}

function recordOver<Screen extends WalkScreen>(screen: Screen, seen: RecordedObservation, shown: Shown): Screen {
  const areas = changed(screen.areas, seen.area, (area) => followedBy(recordedOnto(area, seen, shown), seen, shown));
  const said = 'said' in seen ? seen.said : undefined;
  if (!said) return { ...screen, areas };
  return {
    ...screen,
    areas,
    narrations: changed(screen.narrations, said.narration, (narration) => ({
      ...narration,
      accepted: [...narration.accepted.filter((draft) => draft !== said.draft), said.draft],
    })),
  };
}

/** Every area; those that do not hold the thing stay the very same. */
const inAreas = <Screen extends WalkScreen>(
  screen: Screen,
  list: 'assumptions' | 'extras',
  id: string,
  change: (area: WalkArea) => WalkArea,
): Screen => ({
  ...screen,
  areas: screen.areas.map((area) => (area[list].some((item) => item.id === id) ? change(area) : area)),
});

const settled = <Screen extends WalkScreen>(screen: Screen, id: string, state: 'open' | 'held' | 'wrong'): Screen =>
  inAreas(screen, 'assumptions', id, (area) => ({
    ...area,
    assumptions: changed(area.assumptions, id, (assumption) => ({ ...assumption, state })),
  }));

/** A choice left to the site is made by whoever stands there, or open again. */
const chosen = <Screen extends WalkScreen>(screen: Screen, id: string, answer: string, by: string): Screen => ({
  ...screen,
  areas: screen.areas.map((area) => {
    const choices = changed(area.brief.choices, id, (choice) => ({ ...choice, answer, by: answer ? by : '' }));
    return choices === area.brief.choices ? area : { ...area, brief: { ...area.brief, choices } };
  }),
});

const finished = <Screen extends WalkScreen>(screen: Screen, id: string, done: boolean): Screen =>
  inAreas(screen, 'extras', id, (area) => ({
    ...area,
    extras: changed(area.extras, id, (extra) => ({ ...extra, done })),
  }));

const told = ({ id, name, text }: { id: string; name: string; text: string }): NarrationView => ({
  id,
  name,
  text,
  recording: null,
  dropped: [],
  accepted: [],
});

/**
 * A walk's screen with one change laid over it: the same that the server gives once it has the change. A change that is
 * in the screen already changes nothing, so that it may be laid over twice.
 */
export function overlay<Screen extends WalkScreen>(screen: Screen, change: WalkChange, shown: Shown = {}): Screen {
  const { type, payload } = change;
  switch (type) {
    case 'observation.record':
      return recordOver(screen, payload.observation, shown);
    case 'assumption.settle':
      return settled(screen, payload.id, payload.verdict);
    case 'assumption.reopen':
      return settled(screen, payload.id, 'open');
    case 'finding.answer':
      return chosen(screen, payload.id, payload.answer ?? '', payload.name ?? '');
    case 'extra.finish':
    case 'extra.reopen':
      return finished(screen, payload.id, type === 'extra.finish');
    case 'standpoint.add':
      return {
        ...screen,
        areas: changed(screen.areas, payload.area, (area) =>
          area.standpoints.some((spot) => spot.id === payload.id)
            ? area
            : { ...area, standpoints: [...area.standpoints, { id: payload.id, name: payload.name, last: null }] },
        ),
      };
    case 'narration.keep':
      return screen.narrations.some((narration) => narration.id === payload.id)
        ? screen
        : { ...screen, narrations: [...screen.narrations, told(payload)] };
    case 'draft.drop':
    case 'draft.restore':
      return {
        ...screen,
        narrations: changed(screen.narrations, payload.narration, (narration) => {
          const others = narration.dropped.filter((draft) => draft !== payload.draft);
          return { ...narration, dropped: type === 'draft.drop' ? [...others, payload.draft] : others };
        }),
      };
    case 'site.close-down':
      return { ...screen, left: { when: 'just now', bin: payload.bin ?? null } };
    // What waited before it was left out by `laidOver`; what was answered already the server takes back.
    case 'undo':
      return screen;
    default:
      return overlayVisit(screen, change, shown.picture);
  }
}

/** The walk that a change is of; undefined where it is of the job, whatever walk is open. */
export function walkOf({ type, payload }: WalkChange): string | undefined {
  if (type === 'observation.record') return payload.observation.walk;
  return type === 'narration.keep' ? payload.walk : undefined;
}

/** A change that waits on a device: its command's id, and where its picture is meanwhile. */
export type Pending = WalkChange & { picture?: string; command?: string };

/** A screen with all that waits laid over it, in order; what was recorded and taken back while waiting is as if it had not been. */
export function laidOver<Screen extends WalkScreen>(screen: Screen, pending: readonly Pending[]): Screen {
  const withdrawn = new Set(
    pending.flatMap((change) =>
      change.type === 'observation.record' && change.payload.observation.kind === 'withdrawal'
        ? [change.payload.observation.about]
        : [],
    ),
  );
  const undone = new Set(pending.flatMap((change) => (change.type === 'undo' ? [change.payload.command] : [])));
  return pending
    .filter(({ command }) => command === undefined || !undone.has(command))
    .filter((change) => change.type !== 'observation.record' || !withdrawn.has(change.payload.observation.id))
    .reduce((now, change) => overlay(now, change, change.picture ? { picture: change.picture } : {}), screen);
}
