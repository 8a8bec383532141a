import type { FrameView, HoldView, JobHead, PersonView } from '@/contract/views/job';
import { phaseFacts, type Phase } from '@/core/sequence/phases';
import type { Day } from '@/core/units/day';
import { today } from '../clock';
import { all, one } from '../database/query';
import type { Connection } from '../database/open';
import { newestChange } from '../door/queries';
import { notFound } from '../door/refusal';
import type { House } from '../house';
import type { JobRow } from '../schedule/read-site';
import { selectionsOf } from '../selections/queries';
import { whenSeen } from '../words';

export function frameView(house: House, person: PersonView): FrameView {
  return {
    firm: one<{ name: string }>(house.db, 'SELECT name FROM firm')?.name ?? 'Aftermist',
    person,
    people: house.demo ? all<PersonView>(house.db, 'SELECT id, name, role FROM person ORDER BY rowid') : [],
    jobs: all(house.db, `SELECT id, name, state FROM job WHERE state <> 'closed' ORDER BY position`),
    today: today(house.clock),
    demo: house.demo,
    seq: newestChange(house.db),
    shiftDays: house.clock.shiftDays ?? 0,
  };
}

export function needJob(db: Connection, id: string): JobRow {
  const row = one<JobRow>(db, 'SELECT * FROM job WHERE id = @id', { id });
  if (!row) throw notFound('job');
  return row;
}

export function jobHead(house: House, id: string): JobHead {
  const row = needJob(house.db, id);
  const now = today(house.clock);
  const last = one<{ started_at: string }>(house.db, 'SELECT started_at FROM walk WHERE job = @id AND finished_at IS NOT NULL ORDER BY started_at DESC', { id });
  const open = one<{ id: string }>(house.db, 'SELECT id FROM walk WHERE job = @id AND finished_at IS NULL ORDER BY started_at DESC', { id });
  return {
    id, name: row.name, address: row.address, state: row.state, units: row.units,
    walked: last ? `walked ${whenSeen(last.started_at, now)}` : 'not walked yet',
    openWalk: open?.id ?? null,
    counts: {
      selections: selectionsOf(house, id).filter((item) => item.due.near || item.due.late).length,
      schedule: holdsOf(house.db, id, now).filter((hold) => hold.overdue).length,
      updates: one<{ count: number }>(house.db, `SELECT count(*) AS count FROM job_update WHERE job = @id AND state = 'draft'`, { id })?.count ?? 0,
    },
  };
}

interface HoldRow extends Omit<HoldView, 'phase' | 'areaId' | 'area' | 'overdue' | 'expectedOn' | 'askedOn'> {
  phase: Phase;
  area: string;
  area_name: string;
  expected_on: Day;
  asked_on: Day | null;
}

/** What a job's work waits for, the nearest first. */
export function holdsOf(db: Connection, job: string, now: Day): HoldView[] {
  const rows = all<HoldRow>(db, `SELECT hold.*, area.name AS area_name FROM hold JOIN area ON area.id = hold.area WHERE hold.job = @job AND hold.state = 'open' ORDER BY expected_on, hold.id`, { job });
  return rows.map((row) => ({
    id: row.id, version: row.version, area: row.area_name, areaId: row.area, phase: phaseFacts(row.phase).label, kind: row.kind, label: row.label, text: row.text,
    expectedOn: row.expected_on, askedOn: row.asked_on, overdue: row.expected_on < now,
  }));
}
