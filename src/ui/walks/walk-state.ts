import type { RecordedObservation } from '@/contract/commands/walks';
import type { Recorded, WalkArea } from '@/contract/views/walk';
import { recordWords } from '@/core/walks/record-words';

function recordOnto(area: WalkArea, seen: RecordedObservation, preview: string | undefined): WalkArea {
  switch (seen.kind) {
    case 'progress':
      return {
        ...area,
        steps: area.steps.map((step) => (step.phase === seen.phase ? { ...step, fraction: seen.fraction } : step)),
      };
    case 'recheck':
      return {
        ...area,
        open: area.open.map((item) => (item.id === seen.about ? { ...item, verdict: seen.verdict } : item)),
        checks: seen.verdict === 'done' ? checked(area, `left:${seen.about}`, 'right', '') : area.checks,
      };
    case 'selection-check':
      return {
        ...area,
        selections: area.selections.map((item) =>
          item.id === seen.selection ? { ...item, verdict: seen.verdict } : item,
        ),
      };
    case 'check':
      return { ...area, checks: checked(area, seen.line, seen.verdict, seen.text ?? '') };
    case 'marks':
      return {
        ...area,
        recorded: area.recorded.map((line) => (line.id === seen.about ? { ...line, marks: seen.marks } : line)),
      };
    case 'withdrawal':
      return { ...area, recorded: area.recorded.filter((line) => line.id !== seen.about) };
    default: {
      const text = recordWords(seen);
      if (text === '' || area.recorded.some((known) => known.id === seen.id)) return area;
      const line: Recorded = {
        id: seen.id,
        kind: seen.kind,
        text,
        ...(seen.kind === 'picture' && preview ? { picture: preview } : {}),
      };
      const spots =
        seen.kind === 'picture' && seen.standpoint && preview
          ? area.standpoints.map((spot) =>
              spot.id === seen.standpoint ? { ...spot, last: { hash: preview, when: 'just now' } } : spot,
            )
          : area.standpoints;
      return { ...area, recorded: [...area.recorded, line], standpoints: spots };
    }
  }
}

const checked = (
  area: WalkArea,
  key: string,
  state: WalkArea['checks'][number]['state'],
  said: string,
): WalkArea['checks'] => area.checks.map((line) => (line.key === key ? { ...line, state, said } : line));

/**
 * The areas of a walk with what this device recorded since they were fetched: the same view that the server would give.
 * Withdrawn records are as if they had not been.
 */
export function withRecords(
  areas: readonly WalkArea[],
  records: readonly RecordedObservation[],
  previews: ReadonlyMap<string, string>,
): WalkArea[] {
  const withdrawn = new Set(records.flatMap((seen) => (seen.kind === 'withdrawal' ? [seen.about] : [])));
  const byArea = new Map<string, RecordedObservation[]>();
  for (const seen of records)
    if (!withdrawn.has(seen.id)) byArea.set(seen.area, [...(byArea.get(seen.area) ?? []), seen]);
  // An area without a new record stays the very same object: nothing of it is drawn again.
  return areas.map((area) =>
    (byArea.get(area.id) ?? []).reduce((now, seen) => recordOnto(now, seen, previews.get(seen.id)), area),
  );
}
