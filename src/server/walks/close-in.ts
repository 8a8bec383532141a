import { insert } from '../database/query';
import { handlers, requireRow, personOf } from '../door/handler';
import { unprocessable } from '../refusal';
import { closeInsOf } from '../reading/close-ins';
import { readJob } from '../reading/reading';

export const closeInHandlers = handlers({
  'close-in.sign': (context, { id, area, name, reason }) => {
    const { job } = requireRow(context, 'area', area, 'area');
    const check = closeInsOf(readJob(context.installation, job)).get(area);
    if (!check) throw unprocessable('no-close-in', 'No walls are closed in this area.', 'area');
    if (check.open.length === 0)
      throw unprocessable('nothing-open', 'Every line is settled; there is nothing to answer for.', 'area');
    insert(context.db, 'close_in_sign', {
      id,
      job,
      area,
      name,
      reason,
      lines: JSON.stringify(check.open.map((line) => line.key)),
      signed_at: context.at,
      person: personOf(context),
    });
    context.replan(job, { kind: 'signed', area, place: check.name, name });
  },
});
