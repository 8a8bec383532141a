import type { PictureView, RoomView, StandpointView } from '@/contract/views/job';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import type { Work } from '@/core/sequence/works';
import { formatDay } from '@/core/units/day';
import { formatSlot } from '@/core/units/slot';
import { ofKind, notWithdrawn, type Observation } from '@/core/walks/observation';
import { conflicts, differenceWords } from '@/core/walks/measured-again';
import { openCautions, openItems } from '@/core/walks/open-items';
import { countedWords, recordWords } from '@/core/walks/record-words';
import { firmTime, type FirmTime } from '../zone';
import { queryAll, queryOne } from '../database/query';
import type { Connection } from '../database/open';
import { notFound } from '../dispatch/refusal';
import type { Installation } from '../installation';
import { readSite, type AreaRow } from '../schedule/read-site';
import { readPlan } from '../schedule/read-plan';
import { selectionsOf } from '../selections/queries';
import { readLayout } from '../layout/read-layout';
import { closeInsOf } from '../walks/close-in';
import { drawnOf } from '../walks/drawn';
import { observationsOf } from '../walks/queries';
import { whenSeen } from '../words';
import { calculationsOf } from '../quantities/queries';
import { assumptionsOf, extrasOf, findingsOf, scopeOf } from '../scope/read-scope';
import { jobHead, requireJob } from './queries';
import { areaViews } from './rooms';

/** The clipboard of one area. */
export function roomView(installation: Installation, job: string, area: string): RoomView {
  const { db } = installation;
  const time = firmTime(installation);
  const now = time.today;
  const row = queryOne<AreaRow>(db, 'SELECT * FROM area WHERE id = @area AND job = @job', { area, job });
  if (!row) throw notFound('area in this job');
  const site = readSite(db, job, now);
  const plan = readPlan(db, { job });
  const view = areaViews(installation, site, plan, now).get(area);
  if (!view) throw notFound('area in this job');
  const seen = notWithdrawn(observationsOf(db, job)).filter((observation) => observation.area === area);
  const tasks = new Map((plan?.tasks ?? []).map((task) => [task.id, task]));
  const crews = new Map((plan?.crewCapacity ?? []).map((crew) => [crew.sub, crew.name]));
  return {
    job: jobHead(installation, job),
    today: now,
    area: {
      ...view,
      version: row.version,
      works: JSON.parse(row.works) as Work[],
      size: row.size,
      passage: row.passage === 1,
      level: queryOne<{ name: string }>(db, 'SELECT name FROM level WHERE id = @id', { id: row.level })?.name ?? null,
    },
    steps: (site.areas.find((room) => room.id === area)?.track ?? []).map((step) => {
      const task = tasks.get(taskId(area, step.phase));
      return {
        phase: step.phase,
        label: phaseFacts(step.phase).label,
        trade: step.trade,
        halfDays: step.halfDays,
        fraction: step.fraction,
        when: !plan || !task || task.state === 'done' ? '' : formatSlot(plan.origin, task.start),
        reason: task?.reason.text ?? '',
        held: task?.reason.held === true,
        seen: step.seen ? formatDay(step.seen.day, now) : null,
        crew: task?.crew ? (crews.get(task.crew) ?? '') : '',
      };
    }),
    open: openItems(seen).map(({ item, putOff, worse }) => ({
      id: item.id,
      text: countedWords(item),
      trade: item.trade,
      putOff,
      worse,
      since: whenSeen(item.at, time),
    })),
    selections: selectionsOf(installation, job).filter((item) => item.areaId === area),
    scope: scopeOf(db, job).filter((item) => item.areaId === area),
    findings: findingsOf(db, job).filter((finding) => finding.area === area),
    assumptions: assumptionsOf(installation, job).filter((assumption) => assumption.areaId === area),
    extras: extrasOf(installation, job).filter((extra) => extra.areaId === area),
    quantities: calculationsOf(db, job, requireJob(db, job).units, area),
    drawn: queryOne(db, 'SELECT 1 FROM shape WHERE area = @area', { area }) !== undefined,
    pictures: picturesOf(db, seen, time),
    remarks: remarksOf(db, seen, time),
    standpoints: standpointViews(db, area, seen, time),
    conflicts: conflicts(ofKind(seen, 'measurement'), drawnOf(readLayout(db, area)).drawn).map(
      ({ id, label, of, measured, drawn }) => ({
        id,
        label,
        of,
        text: differenceWords(measured, drawn, requireJob(db, job).units).text,
      }),
    ),
    called: row.called,
    walls: wallsIn(db, job, area, seen),
  };
}

const REMARKS: ReadonlySet<string> = new Set([
  'note',
  'caution',
  'measurement',
  'surprise',
  'decision',
  'household',
  'order',
  'gate',
  'selection',
]);

/** Pictures among observations, the newest first. */
export function picturesOf(db: Connection, seen: readonly Observation[], time: FirmTime): PictureView[] {
  const names = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM area').map((area) => [area.id, area.name]),
  );
  const taken = new Map(
    queryAll<{ hash: string; taken_at: string }>(
      db,
      'SELECT hash, taken_at FROM picture WHERE taken_at IS NOT NULL',
    ).map((row) => [row.hash, row.taken_at]),
  );
  return ofKind(seen, 'picture')
    .map((picture) => {
      const area = names.get(picture.area) ?? '';
      const when = whenSeen(takenAt(picture.at, taken.get(picture.picture)), time);
      return {
        hash: picture.picture,
        area,
        when,
        text: picture.text ?? null,
        alt: `${area}, ${when}${picture.text ? `: ${picture.text}` : ''}`,
      };
    })
    .reverse();
}

/** A camera's clock that is off by more is not believed. */
const BELIEVED_MS = 14 * 86_400_000;

/** When a picture was taken: as its own file says, where that was shortly before it was kept; else when it was kept. */
function takenAt(kept: string, said: string | undefined): string {
  const before = said === undefined ? -1 : Date.parse(kept) - Date.parse(said);
  return said !== undefined && before >= 0 && before <= BELIEVED_MS ? said : kept;
}

/** Pictures of each spot, the oldest first, with what was drawn on them. */
function standpointViews(db: Connection, area: string, seen: readonly Observation[], time: FirmTime): StandpointView[] {
  const marks = new Map(ofKind(seen, 'marks').map((entry) => [entry.about, entry.marks]));
  return queryAll<{ id: string; name: string }>(
    db,
    'SELECT id, name FROM standpoint WHERE area = @area AND removed = 0 ORDER BY rowid',
    { area },
  ).flatMap(({ id, name }) => {
    const mine = ofKind(seen, 'picture').filter((picture) => picture.standpoint === id);
    const views = picturesOf(db, mine, time).reverse();
    return mine.length > 0
      ? [
          {
            id,
            name,
            pictures: views.map((view, index) => ({ ...view, marks: marks.get(mine[index]?.id ?? '') ?? [] })),
          },
        ]
      : [];
  });
}

function wallsIn(db: Connection, job: string, area: string, seen: readonly Observation[]): RoomView['walls'] {
  const check = closeInsOf(db, job).get(area);
  const things = ofKind(seen, 'in-wall').length;
  return check || things > 0
    ? { open: check?.open.length ?? 0, lines: check?.lines.length ?? 0, closed: check?.closed ?? true, things }
    : null;
}

function remarksOf(db: Connection, seen: readonly Observation[], time: FirmTime): RoomView['remarks'] {
  const people = new Map(
    queryAll<{ id: string; name: string }>(db, 'SELECT id, name FROM person').map((person) => [person.id, person.name]),
  );
  const holds = new Set(openCautions(seen).map((caution) => caution.id));
  return seen
    .flatMap((observation) => {
      if (!REMARKS.has(observation.kind) || (observation.kind === 'caution' && !holds.has(observation.id))) return [];
      return [
        {
          id: observation.id,
          kind: observation.kind,
          text: recordWords(observation),
          when: whenSeen(observation.at, time),
          by: people.get(observation.person) ?? '',
        },
      ];
    })
    .reverse();
}
