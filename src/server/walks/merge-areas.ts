import { workFacts, type Work } from '@/core/sequence/works';
import { countNaming, dropNaming, moveNaming, namingAreas } from '../database/belongings';
import type { Connection } from '../database/open';
import { execute, insert, queryOne } from '../database/query';
import type { Rows } from '../database/rows';
import { handlers, requireRow, requireVersion, wordFor, type PlanContext } from '../door/handler';
import { unprocessable } from '../refusal';
import { recalculateArea } from '../quantities/recalculate';
import { layTrack, switchOnce } from '../sequence/lay-track';
import { dropDrawing } from '../layout/drawing';
import { dropPinsIn } from '../schedule/pins';
import { dropRings } from '../sequence/own-links';
import { changeArea, dropArea } from '../sites/areas';
import { moveRecords } from './write';

/** What was set down when an area was set out, and goes with it; whatever else names an area was recorded or agreed. */
const SET_DOWN: ReadonlySet<string> = new Set([
  'step',
  'step_part',
  'shape',
  'opening',
  'fixture',
  'beside',
  'shared_wall',
  'scope_item',
  'assembly',
  'finding',
  'assumption',
  'calculation',
  'option_set',
  'hold',
  'own_link',
  'gate_end',
  'logistic',
  'rule_switch',
  'school_choice',
  'standpoint',
  'request_wait',
  'level_mark',
  'way_in',
  'large_piece',
]);

/** Of these only some are more than that. */
const RECORDED: Readonly<Record<string, string>> = {
  // Added work that was done, or that the client agreed to.
  extra_work: `state = 'done' OR change_order IS NOT NULL`,
};

/** Refuses to remove an area of which something was recorded: that would be lost. */
function needNothingRecorded({ db }: PlanContext, area: Rows['area']): void {
  const held = namingAreas(db).flatMap((naming) => {
    const count = SET_DOWN.has(naming.table) ? 0 : countNaming(db, naming, area.id, RECORDED[naming.table]);
    return count > 0
      ? [`${count} × ${naming.table === 'observation' ? 'record of walks' : wordFor(naming.table)}`]
      : [];
  });
  if (held.length === 0) return;
  throw unprocessable(
    'recorded-there',
    `Something was recorded or ordered for ${area.name}: ${[...new Set(held)].join(', ')}. Merge it into another ` +
      'area, so that nothing is lost.',
    'id',
  );
}

/** What people call it besides, with the name of what became part of it. */
const calledToo = (into: Rows['area'], from: Rows['area']): string =>
  [...new Set([...into.called.split(';'), from.name, ...from.called.split(';')].map((name) => name.trim()))]
    .filter((name) => name !== '' && name !== into.name)
    .join('; ')
    .slice(0, 200);

/** The area that one is part of now: a device may still record for one that was merged while it was without a signal. */
export const areaNow = (db: Connection, area: string): string =>
  queryOne<{ now: string }>(db, 'SELECT into_area AS now FROM area_merged WHERE id = @area', { area })?.now ?? area;

export const mergeAreaHandlers = handlers({
  'area.remove': (context, { id, version }) => {
    const area = requireVersion(context, 'area', id, version);
    needNothingRecorded(context, area);
    dropNaming(context.db, id);
    dropPinsIn(context.db, area.job, id);
    dropArea(context.db, id);
    switchOnce(context.installation, area.job);
    context.replan(area.job, { kind: 'area', area: id, place: area.name, what: 'removed' });
  },
  'area.merge': (context, { from, version, into }) => {
    const { db } = context;
    const gone = requireVersion(context, 'area', from, version);
    const stays = requireRow(context, 'area', into, 'into');
    if (from === into || gone.job !== stays.job)
      throw unprocessable('not-the-same-job', 'Choose another area of the same job.', 'into');
    // The drawing that is there stays; a drawing of both would be neither.
    if (queryOne(db, 'SELECT 1 FROM shape WHERE area = @into', { into })) dropDrawing(db, from);
    const records = JSON.stringify(moveRecords(db, from, into));
    moveNaming(db, from, into, new Set(['observation', 'area_merged']));
    dropRings(db);
    dropPinsIn(db, gone.job, from);
    execute(db, 'UPDATE area_merged SET into_area = @into WHERE into_area = @from', { from, into });
    insert(db, 'area_merged', { id: from, job: gone.job, name: gone.name, into_area: into, records });
    dropArea(db, from);
    const both = [...new Set([...worksOf(stays), ...worksOf(gone)])];
    changeArea(db, into, {
      works: JSON.stringify(both.filter((work) => workFacts(work).kinds.includes(stays.kind))),
      size: Math.min(20, stays.size + gone.size),
      called: calledToo(stays, gone),
    });
    layTrack(context.installation, into);
    recalculateArea(context, into);
    context.replan(gone.job, { kind: 'merged', area: into, place: stays.name, from: gone.name });
  },
});

const worksOf = ({ works }: Rows['area']): Work[] => JSON.parse(works) as Work[];
