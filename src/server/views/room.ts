import type { PastPlace } from '@/contract/past';
import type { PictureView, RoomView, StandpointView } from '@/contract/views/job';
import { phaseFacts } from '@/core/sequence/phases';
import { taskId } from '@/core/sequence/site';
import type { Work } from '@/core/sequence/works';
import { formatTime } from '@/core/units/date-words';
import { formatDay, type Day } from '@/core/units/day';
import { formatSlot } from '@/core/units/slot';
import { dayIn, timeIn } from '@/core/units/zone';
import { inOrderSeen, ofKind, type Observation, type ObservationKind, type Of } from '@/core/walks/observation';
import { conflicts, differenceWords } from '@/core/walks/measured-again';
import { countedWords, recordWords } from '@/core/walks/record-words';
import { isHeld } from '@/core/schedule/reasons';
import { sayReason } from '@/core/words/reason';
import { notFound } from '../refusal';
import { calculationsOf } from './quantities';
import { assumptionsOf, briefIn, extrasOf, findingsOf, scopeOf } from './scope-parts';
import { selectionsOf } from './selection';
import { closeInsOf } from '../reading/close-ins';
import { personNames } from '../reading/firm';
import { areaNames, areaRow, areaRows, jobRow, levelRows, neighboursOf } from '../reading/job';
import { layoutOf } from '../reading/layouts';
import { planOf, tasksOf } from '../reading/plan';
import type { JobReading } from '../reading/reading';
import { marksOn, picturesFrom, takenAtOf } from '../reading/pictures';
import { newestIn } from '../reading/records';
import { carriedOf, inWallsOf, recordsThat } from '../reading/standing';
import { pastShown } from '../reading/past';
import { needsOf, siteOf } from '../reading/site';
import { standpointRows } from '../reading/walks';
import { drawnOf } from './drawn';
import { whenSeen } from '../words';
import { attachmentsOf } from './attachments';
import { jobHead } from './job-head';
import { areaViews } from './rooms';

/** How much of a room's past is on its page at once; what was before is a page further back. */
const SHOWN = { pictures: 12, remarks: 20, ofEachSpot: 8 };

/** The clipboard of one area. @param before a place in the past: its pictures and remarks from before it */
export function roomView(job: JobReading, area: string, before?: PastPlace): RoomView {
  const row = areaRow(job, area);
  const { units } = jobRow(job);
  const plan = planOf(job);
  const view = areaViews(job).get(area);
  if (!view) throw notFound('area in this job');
  const tasks = tasksOf(job);
  const crews = new Map((plan?.crewCapacity ?? []).map((crew) => [crew.sub, crew.name]));
  const past = pastOf(job, area, before);
  const measured = recordsThat(job, 'measurement').filter((record) => record.area === area);
  return {
    job: jobHead(job),
    today: job.firm.today,
    area: {
      ...view,
      version: row.version,
      works: JSON.parse(row.works) as Work[],
      size: row.size,
      passage: row.passage === 1,
      level: row.level_name,
      levelId: row.level,
      provides: needsOf(job, area),
    },
    steps: (siteOf(job).areas.find((room) => room.id === area)?.track ?? []).map((step) => {
      const task = tasks.get(taskId(area, step.phase));
      return {
        phase: step.phase,
        label: phaseFacts(step.phase).label,
        trade: step.trade,
        halfDays: step.halfDays,
        fraction: step.fraction,
        when: !plan || !task || task.state === 'done' ? '' : formatSlot(plan.origin, task.start),
        reason: task ? sayReason(task.reason, job.firm.today) : '',
        held: task !== undefined && isHeld(task.reason),
        seen: step.seen ? formatDay(step.seen.day, job.firm.today) : null,
        crew: task?.crew ? (crews.get(task.crew) ?? '') : '',
      };
    }),
    open: carriedOf(job).flatMap(({ item, putOff, worse }) =>
      item.kind === 'remaining' && item.area === area
        ? [
            {
              id: item.id,
              text: countedWords(item),
              trade: item.trade,
              putOff,
              worse,
              since: whenSeen(item.at, job.firm),
            },
          ]
        : [],
    ),
    selections: selectionsOf(job).filter((item) => item.areaId === area),
    scope: scopeOf(job).filter((item) => item.areaId === area),
    findings: findingsOf(job).filter((finding) => finding.area === area),
    assumptions: assumptionsOf(job).filter((assumption) => assumption.areaId === area),
    extras: extrasOf(job).filter((extra) => extra.areaId === area),
    quantities: calculationsOf(job, area),
    drawn: layoutOf(job, area).shape !== null,
    pictures: pictureViews(job, past.pictures),
    remarks: remarkViews(job, past.remarks),
    past: pastShown(before, past.earlier),
    standpoints: standpointViews(job, area),
    conflicts: conflicts(measured, drawnOf(layoutOf(job, area)).drawn).map(
      ({ id, label, of, measured: mm, drawn }) => ({
        id,
        label,
        of,
        text: differenceWords(mm, drawn, units).text,
      }),
    ),
    attachments: attachmentsOf(job).filter((paper) => paper.area === area),
    levels: [...levelRows(job)].reverse().map(({ id, name }) => ({ id, name })),
    neighbours: {
      all: areaRows(job).flatMap(({ id, name, level }) => (level !== null && id !== area ? [{ id, name }] : [])),
      ...neighboursOf(job, area),
    },
    brief: briefIn(job, area),
    called: row.called,
    walls: wallsIn(job, area),
  };
}

const REMARKS: readonly ObservationKind[] = [
  'note',
  'measurement',
  'surprise',
  'decision',
  'household',
  'order',
  'gate',
  'selection',
];

/** A room's newest pictures and remarks, and from when on those before them were seen, where there are any. */
function pastOf(
  job: JobReading,
  area: string,
  before: PastPlace | undefined,
): { pictures: Of<'picture'>[]; remarks: Observation[]; earlier: PastPlace | null } {
  const { db } = job.firm;
  const pictures = ofKind(newestIn(db, area, ['picture'], SHOWN.pictures + 1, before), 'picture');
  const remarks = newestIn(db, area, REMARKS, SHOWN.remarks + 1, before);
  // A caution is said however old it is, until it was made safe.
  const cautions = carriedOf(job).flatMap(({ item }) =>
    item.kind === 'caution' && item.area === area ? [item as Observation] : [],
  );
  // Of the two lists the one that goes back less far: from there on nothing is left out of either.
  const cut = [
    pictures.length > SHOWN.pictures ? pictures[SHOWN.pictures - 1] : undefined,
    remarks.length > SHOWN.remarks ? remarks[SHOWN.remarks - 1] : undefined,
  ].flatMap((record) => record ?? []);
  const [last] = cut.sort((a, b) => inOrderSeen(b, a));
  return {
    pictures: pictures.slice(0, SHOWN.pictures),
    remarks: [...cautions, ...remarks.slice(0, SHOWN.remarks)].sort((a, b) => inOrderSeen(b, a)),
    earlier: last ? { at: last.at, id: last.id } : null,
  };
}

/** Pictures as they are shown, in the order given. @param under the day under which they stand: its own say the hour alone */
export function pictureViews(job: JobReading, pictures: readonly Of<'picture'>[], under?: Day): PictureView[] {
  const names = areaNames(job);
  const taken = takenAtOf(
    job.firm.db,
    pictures.map((picture) => picture.picture),
  );
  return pictures.map((picture) => {
    const area = names.get(picture.area) ?? '';
    const at = takenAt(picture.at, taken.get(picture.picture));
    const { zone } = job.firm;
    const when = dayIn(zone, at) === under ? formatTime(timeIn(zone, at)) : whenSeen(at, job.firm);
    return {
      hash: picture.picture,
      area,
      when,
      text: picture.text ?? null,
      alt: `${area}, ${when}${picture.text ? `: ${picture.text}` : ''}`,
    };
  });
}

/** A camera's clock that is off by more is not believed. */
const BELIEVED_MS = 14 * 86_400_000;

/** When a picture was taken: as its own file says, where that was shortly before it was kept; else when it was kept. */
function takenAt(kept: string, said: string | undefined): string {
  const before = said === undefined ? -1 : Date.parse(kept) - Date.parse(said);
  return said !== undefined && before >= 0 && before <= BELIEVED_MS ? said : kept;
}

/** Pictures of each spot, the oldest first, with what was drawn on them. */
function standpointViews(job: JobReading, area: string): StandpointView[] {
  const spots = standpointRows(job).filter((spot) => spot.area === area);
  if (spots.length === 0) return [];
  const taken = picturesFrom(
    job.firm.db,
    spots.map(({ id }) => id),
    SHOWN.ofEachSpot,
  );
  const marks = marksOn(
    job.firm.db,
    taken.map(({ id }) => id),
  );
  return spots.flatMap(({ id, name }) => {
    const mine = taken.filter((picture) => picture.standpoint === id);
    return mine.length > 0
      ? [
          {
            id,
            name,
            pictures: pictureViews(job, mine).map((view, index) => ({
              ...view,
              marks: marks.get(mine[index]?.id ?? '') ?? [],
            })),
          },
        ]
      : [];
  });
}

function wallsIn(job: JobReading, area: string): RoomView['walls'] {
  const check = closeInsOf(job).get(area);
  const things = inWallsOf(job).get(area)?.length ?? 0;
  return check || things > 0
    ? { open: check?.open.length ?? 0, lines: check?.lines.length ?? 0, closed: check?.closed ?? true, things }
    : null;
}

function remarkViews(job: JobReading, remarks: readonly Observation[]): RoomView['remarks'] {
  const people = personNames(job.firm);
  return remarks.map((record) => ({
    id: record.id,
    kind: record.kind,
    text: recordWords(record),
    when: whenSeen(record.at, job.firm),
    by: people.get(record.person) ?? '',
  }));
}
