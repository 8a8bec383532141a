import type { RecordedObservation } from '@/contract/commands/walks';
import type { Recorded, WalkArea } from '@/contract/views/walk';
import { TRADES } from '@/core/sequence/trades';

/** What a line says of a record; nothing for those that show in a place of their own (progress, checks). */
function lineOf(seen: RecordedObservation, preview: string | undefined): Recorded | undefined {
  switch (seen.kind) {
    case 'remaining':
      return { id: seen.id, kind: seen.kind, text: `${[seen.quantity, seen.unit, seen.text].filter(Boolean).join(' ')} · ${TRADES[seen.trade].toLowerCase()}` };
    case 'note':
    case 'caution':
      return { id: seen.id, kind: seen.kind, text: seen.text };
    case 'measurement':
      return { id: seen.id, kind: seen.kind, text: `${seen.text}: ${seen.typed}` };
    case 'picture':
      return { id: seen.id, kind: seen.kind, text: seen.text ?? 'picture', ...(preview ? { picture: preview } : {}) };
    default:
      return undefined;
  }
}

function recordOnto(area: WalkArea, seen: RecordedObservation, preview: string | undefined): WalkArea {
  switch (seen.kind) {
    case 'progress':
      return { ...area, steps: area.steps.map((step) => (step.phase === seen.phase ? { ...step, fraction: seen.fraction } : step)) };
    case 'recheck':
      return { ...area, open: area.open.map((item) => (item.id === seen.about ? { ...item, verdict: seen.verdict } : item)) };
    case 'selection-check':
      return { ...area, selections: area.selections.map((item) => (item.id === seen.selection ? { ...item, verdict: seen.verdict } : item)) };
    case 'withdrawal':
      return { ...area, recorded: area.recorded.filter((line) => line.id !== seen.about) };
    default: {
      const line = lineOf(seen, preview);
      return line && !area.recorded.some((known) => known.id === line.id) ? { ...area, recorded: [...area.recorded, line] } : area;
    }
  }
}

/**
 * The areas of a walk with what this device recorded since they were fetched: the same view that the server would give.
 * Withdrawn records are as if they had not been.
 */
export function withRecords(areas: readonly WalkArea[], records: readonly RecordedObservation[], previews: ReadonlyMap<string, string>): WalkArea[] {
  const withdrawn = new Set(records.flatMap((seen) => (seen.kind === 'withdrawal' ? [seen.about] : [])));
  return areas.map((area) => records.filter((seen) => seen.area === area.id && !withdrawn.has(seen.id)).reduce((now, seen) => recordOnto(now, seen, previews.get(seen.id)), area));
}
