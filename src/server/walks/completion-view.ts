import type { CompletionView } from '@/contract/views/walk';
import { groupBy } from '@/core/group-by';
import { leftoverId } from '@/core/sequence/site';
import { TRADES } from '@/core/sequence/trades';
import { daysBetween, formatDay } from '@/core/units/day';
import { formatSlot } from '@/core/units/slot';
import { notWithdrawn } from '@/core/walks/observation';
import { openItems } from '@/core/walks/open-items';
import { countedWords } from '@/core/walks/record-words';
import { dayIn } from '@/core/units/zone';
import { firmTime, type FirmTime } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import type { Installation } from '../installation';
import { readPlan } from '../schedule/read-plan';
import { selectionsOf } from '../selections/queries';
import { jobHead } from '../sites/queries';
import { whenSeen } from '../words';
import { observationsOf } from './queries';

/**
 * What is left at the end of a job: leftovers by trade, parts that come, the client's list, what stays with them, rooms
 * accepted.
 */
export function completionView(installation: Installation, job: string): CompletionView {
  const { db } = installation;
  const time = firmTime(installation);
  const { today: now, zone } = time;
  const plan = readPlan(db, { job });
  const names = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area WHERE job = @job ORDER BY position', {
      job,
    }).map((area) => [area.id, area.name]),
  );
  const open = openItems(notWithdrawn(observationsOf(db, job)));
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  const parts = selectionsOf(installation, job).filter(
    (item) => item.follows !== null && item.state !== 'fitted' && item.state !== 'left over',
  );
  const accepted = new Map(
    queryAll<{ id: string; area: string; name: string; words: string; at: string; by_client: 0 | 1 }>(
      db,
      'SELECT * FROM sign_off WHERE job = @job AND removed = 0',
      { job },
    ).map((row) => [row.area, row]),
  );
  return {
    job: jobHead(installation, job),
    today: now,
    openWalk:
      queryOne<{ id: string }>(
        db,
        'SELECT id FROM walk WHERE job = @job AND finished_at IS NULL ORDER BY started_at DESC',
        {
          job,
        },
      )?.id ?? null,
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
    items: clientItems(db, job, time),
    left: queryAll<{ id: string; kind: string; area: string | null; text: string; at: string }>(
      db,
      `SELECT id, kind, area, text, at
        FROM handed_over
        WHERE job = @job AND removed = 0
        ORDER BY rowid`,
      { job },
    ).map((row) => ({
      id: row.id,
      kind: row.kind,
      area: row.area ? (names.get(row.area) ?? '') : null,
      text: row.text,
      when: whenSeen(row.at, time),
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
              when: whenSeen(row.at, time),
              byClient: row.by_client === 1,
            }
          : null,
      };
    }),
  };
}

/** The client's own list, what is not answered first. */
export function clientItems(db: Connection, job: string, time: FirmTime): CompletionView['items'] {
  return queryAll<{
    id: string;
    version: number;
    area: string | null;
    area_name: string | null;
    text: string;
    name: string;
    at: string;
    state: 'asked' | 'taken up' | 'answered';
    answer: string;
  }>(
    db,
    `SELECT client_item.*, area.name AS area_name FROM client_item LEFT JOIN area ON area.id = client_item.area
    WHERE client_item.job = @job ORDER BY state <> 'asked', client_item.at DESC`,
    { job },
  ).map((row) => ({
    id: row.id,
    version: row.version,
    area: row.area_name,
    areaId: row.area,
    text: row.text,
    name: row.name,
    when: whenSeen(row.at, time),
    state: row.state,
    answer: row.answer,
  }));
}
