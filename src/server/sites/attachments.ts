import { insert, orNull, update } from '../database/query';
import { handlers, personOf, requireAreaOf, requireRow, requireVersion } from '../door/handler';
import { notFound } from '../refusal';

/** Drawings, permits and other papers of a job. */
export const attachmentHandlers = handlers({
  'attachment.add': (context, { id, job, area, request, kind, name, pdf }) => {
    requireRow(context, 'job', job, 'job');
    requireRow(context, 'pdf', pdf, 'pdf');
    if (area) requireAreaOf(context, job, area);
    if (request && requireRow(context, 'request', request, 'request').job !== job)
      throw notFound('request in this job', 'request');
    insert(context.db, 'attachment', {
      ...{ id, job, area: orNull(area), request: orNull(request), kind, name, pdf },
      ...{ added_at: context.at, added_by: personOf(context) },
    });
    context.logFor(job);
  },
  'attachment.change': (context, { id, version, kind, name }) => {
    const { job } = requireVersion(context, 'attachment', id, version);
    update(context.db, 'attachment', id, { kind, name });
    context.logFor(job);
  },
});
