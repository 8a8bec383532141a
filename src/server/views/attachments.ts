import type { AttachmentKind } from '@/contract/commands/attachments';
import { routes } from '@/contract/routes';
import type { AttachmentView, SharedAttachment } from '@/contract/views/attachments';
import { groupBy } from '@/core/group-by';
import { seesPaper } from '../files/pdfs';
import { attachmentRows, type AttachmentRow } from '../reading/attachments';
import { areaNames } from '../reading/job';
import { ofJob, type JobReading } from '../reading/reading';
import { requestRows } from '../reading/selections';
import { whenSeen } from '../words';

/** Papers of one place that are called alike are states of one paper, whatever their letters' size. */
const paperOf = ({ area, request, kind, name }: AttachmentRow): string =>
  JSON.stringify([area, request, kind, name.trim().toLowerCase()]);

function placeOf(job: JobReading, { area, request }: AttachmentRow): AttachmentView['place'] {
  if (area !== null) return { name: areaNames(job).get(area) ?? '', path: routes.room(job.id, area) };
  const asked = requestRows(job).find(({ id }) => id === request);
  return asked ? { name: asked.subject, path: routes.requests(job.id, asked.id) } : null;
}

/** A job's papers, each as it counts now with what it replaced behind it; those that were added last come first. */
export const attachmentsOf = ofJob((job): AttachmentView[] =>
  [
    ...groupBy(
      attachmentRows(job)
        .filter(({ kind }) => seesPaper(job.firm.sees, kind))
        .reverse(),
      paperOf,
    ).values(),
  ].flatMap(([newest, ...earlier]) =>
    newest
      ? [
          {
            ...{ id: newest.id, version: newest.version, kind: newest.kind, name: newest.name },
            ...{ pdf: newest.pdf, bytes: newest.bytes, area: newest.area, request: newest.request },
            ...{ when: whenSeen(newest.added_at, job.firm), by: newest.by_name },
            place: placeOf(job, newest),
            earlier: earlier.map(({ id, pdf, added_at }) => ({ id, pdf, when: whenSeen(added_at, job.firm) })),
          },
        ]
      : [],
  ),
);

const shared = ({ kind, name, pdf, bytes, when }: AttachmentView): SharedAttachment => ({
  ...{ kind, name, pdf, bytes, when },
});

/** What whoever works somewhere may open; other papers, an offer or a bill, stay in the office. */
const FOR_CREWS: ReadonlySet<AttachmentKind> = new Set<AttachmentKind>(['drawing', 'permit', 'instructions']);

/** What crews and subs read of an area, or of the whole site where none is named. */
export const papersForCrews = (job: JobReading, area: string | null): SharedAttachment[] =>
  attachmentsOf(job)
    .filter((paper) => paper.request === null && paper.area === area && FOR_CREWS.has(paper.kind))
    .map(shared);

/** What goes with a question to whoever is asked. */
export const papersOfRequest = (job: JobReading, request: string): SharedAttachment[] =>
  attachmentsOf(job)
    .filter((paper) => paper.request === request)
    .map(shared);
