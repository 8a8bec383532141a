import type { Payload } from '@/contract/commands';
import { sayLogisticMeasure } from '@/core/words/logistic';
import { insert, orNull, update } from '../database/query';
import { handlers, requireAreaOf, requireRow, requireStep, requireVersion } from '../door/handler';
import { jobRow } from '../reading/job';
import { contactFor, placeFor, proposalsOf } from '../reading/proposals';
import { readJob } from '../reading/reading';
import { unprocessable, type Refusal } from '../refusal';

const logisticValues = (
  fields: Pick<
    Payload<'logistic.add'>,
    'label' | 'leadDays' | 'place' | 'fromHour' | 'toHour' | 'howMuch' | 'contact' | 'phone'
  >,
) => ({
  label: fields.label,
  lead_days: fields.leadDays,
  place: fields.place,
  from_hour: fields.fromHour || null,
  to_hour: fields.toHour || null,
  how_much: fields.howMuch,
  contact: fields.contact,
  phone: fields.phone,
});

const notAsked = (field: string): Refusal =>
  unprocessable(
    'not-asked',
    'The works do not ask for this any more; somebody has answered it, or they were changed.',
    field,
  );

/** What has to stand, lie, be allowed or be told before work begins. */
export const logisticHandlers = handlers({
  'logistic.add': (context, { id, job, kind, area, phase, proposal, ...fields }) => {
    requireAreaOf(context, job, area);
    requireStep(context, area, phase, 'phase');
    if (proposal !== '' && !proposalsOf(readJob(context.installation, job)).some(({ key }) => key === proposal))
      throw notAsked('proposal');
    insert(context.db, 'logistic', { id, job, kind, area, phase, proposal, state: 'open', ...logisticValues(fields) });
    context.replan(job, { kind: 'logistic', logistic: id, label: fields.label, what: 'needed', day: null });
  },
  'logistic.change': (context, { id, version, ...fields }) => {
    const was = requireVersion(context, 'logistic', id, version);
    update(context.db, 'logistic', id, logisticValues(fields));
    if (was.lead_days === fields.leadDays && was.label === fields.label) context.planStays(was.job);
    else context.replan(was.job, { kind: 'logistic', logistic: id, label: fields.label, what: 'needed', day: null });
  },
  'logistics.take': (context, { job: id, needed, taken }) => {
    requireRow(context, 'job', id, 'job');
    const job = readJob(context.installation, id);
    const asked = new Map(proposalsOf(job).map((proposal) => [proposal.key, proposal]));
    const { units } = jobRow(job);
    taken.forEach((entry, index) => {
      const proposal = asked.get(entry.proposal);
      if (!proposal) throw notAsked(`taken[${index}].proposal`);
      const { kind, label, area, phase, leadDays, measure } = proposal;
      insert(context.db, 'logistic', {
        ...{ id: entry.id, job: id, kind, label, area, phase, lead_days: leadDays, proposal: entry.proposal },
        ...contactFor(job, proposal),
        place: placeFor(job, kind),
        how_much: measure ? sayLogisticMeasure(measure, units) : '',
        state: needed ? 'open' : 'dropped',
      });
      const what = needed ? 'needed' : 'dropped';
      context.replan(id, { kind: 'logistic', logistic: entry.id, label, what, day: null });
    });
  },
  'logistic.settle': (context, { id, version, state, bookedOn }) => {
    const row = requireVersion(context, 'logistic', id, version);
    update(context.db, 'logistic', id, { state, booked_on: state === 'booked' ? orNull(bookedOn) : null });
    context.replan(row.job, {
      kind: 'logistic',
      logistic: id,
      label: row.label,
      what: state,
      day: state === 'booked' ? orNull(bookedOn) : null,
    });
  },
});
