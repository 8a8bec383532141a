import type { CompletionView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { leftoverId } from '@/core/sequence/site';
import { TRADES } from '@/core/sequence/trades';
import { daysBetween, formatDay } from '@/core/units/day';
import { formatSlot } from '@/core/units/slot';
import { countedWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import type { Rows } from '../database/rows';
import { selectionsOf } from './selection';
import { jobHead } from './job-head';
import { clientItemRows, handedOverRows } from '../reading/completion';
import { areaNames } from '../reading/job';
import { planOf, tasksOf } from '../reading/plan';
import { ofJob, type JobReading } from '../reading/reading';
import { carriedOf } from '../reading/standing';
import { lastWalk, signOffRows } from '../reading/walks';
import { whenSeen } from '../words';

/**
 * What is left at the end of a job: leftovers by trade, parts that come, the client's list, what stays with them, rooms
 * accepted.
 */
export function completionView(job: JobReading): CompletionView {
  const { today: now, zone } = job.firm;
  const [plan, tasks, names] = [planOf(job), tasksOf(job), areaNames(job)];
  const open = carriedOf(job).flatMap(({ item, ...since }) => (item.kind === 'remaining' ? [{ item, ...since }] : []));
  const parts = selectionsOf(job).filter(
    (item) => item.follows !== null && item.state !== 'fitted' && item.state !== 'left over',
  );
  const accepted = new Map<string, Rows['sign_off']>(signOffRows(job).map((row) => [row.area, row]));
  return {
    job: jobHead(job),
    today: now,
    openWalk: lastWalk(job).open,
    trades: [...groupBy(open, ({ item }) => item.trade)].map(([trade, list]) => ({
      trade: TRADES[trade],
      lines: list.map(({ item, putOff }) => {
        const task = tasks.get(leftoverId(item.id));
        const part = parts.find(
          (selection) =>
            selection.areaId === item.area && item.text.toLowerCase().includes(selection.category.toLowerCase()),
        );
        return {
          id: item.id,
          area: names.get(item.area) ?? '',
          text: countedWords(item),
          days: daysBetween(dayIn(zone, item.at), now),
          putOff,
          part: part
            ? `${part.category}, ${part.state}${part.expectedOn ? `, there ${formatDay(part.expectedOn, now)}` : ''}`
            : null,
          when: plan && task ? formatSlot(plan.origin, task.start) : 'not planned yet',
        };
      }),
    })),
    parts: parts.map((item) => ({
      id: item.id,
      category: item.category,
      area: item.area,
      state: item.state,
      due: item.expectedOn,
    })),
    items: clientItems(job),
    left: handedOverRows(job).map((row) => ({
      id: row.id,
      kind: row.kind,
      area: row.area ? (names.get(row.area) ?? '') : null,
      text: row.text,
      when: whenSeen(row.at, job.firm),
    })),
    areas: [...names].map(([id, name]) => {
      const row = accepted.get(id);
      return {
        id,
        name,
        open: open.filter(({ item }) => item.area === id).length,
        accepted: row
          ? {
              id: row.id,
              name: row.name,
              words: row.words,
              when: whenSeen(row.at, job.firm),
              byClient: row.by_client === 1,
            }
          : null,
      };
    }),
  };
}

/** The client's own list, what is not answered first. */
export const clientItems = ofJob((job): CompletionView['items'] =>
  clientItemRows(job).map((row) => ({
    id: row.id,
    version: row.version,
    area: row.area === null ? null : (areaNames(job).get(row.area) ?? null),
    areaId: row.area,
    text: row.text,
    name: row.name,
    when: whenSeen(row.at, job.firm),
    state: row.state,
    answer: row.answer,
  })),
);
