import type { InferType } from 'yup';
import { addOptions, changeOptions, chooseOption, unchooseOption } from '@/contract/commands/scope';
import type { Option } from '@/core/scope/option';
import { type Work } from '@/core/sequence/works';
import type { AreaKind } from '@/core/sites/area';
import { insert, update } from '../database/query';
import { handler, need, needAreaOf, needVersion, needStep, type Handler, type Visit } from '../door/handler';
import { unfit } from '../door/refusal';
import { checkWorks, setWorks } from '../sites/commands';
import { personOf, recordDecision } from './decisions';

interface OptionRow {
  job: string;
  area: string;
  subject: string;
  options: string;
  chosen: string | null;
  works_before: string | null;
  version: number;
}

type Fields = Pick<InferType<typeof addOptions.schema>, 'phase' | 'options'>;

function check(visit: Visit, area: string, { phase, options }: Fields): void {
  const row = need<{ kind: AreaKind }>(visit, 'area', area, 'area');
  needStep(visit, area, phase);
  options.forEach((option, at) => {
    if (options.findIndex((other) => other.key === option.key) < at)
      throw unfit('named-twice', 'Two of them have the same key.', `options[${at}].key`);
    checkWorks(row.kind, option.works, `options[${at}].works`);
  });
}

export const optionHandlers: Handler[] = [
  handler(addOptions, (visit, { id, job, area, phase, subject, options }) => {
    needAreaOf(visit, job, area);
    check(visit, area, { phase, options });
    insert(visit.db, 'option_set', { id, job, area, phase, subject, options: JSON.stringify(options) });
    visit.touches(job);
  }),
  handler(changeOptions, (visit, { id, version, phase, subject, options }) => {
    const row = needVersion<OptionRow>(visit, 'option_set', id, version);
    if (row.chosen)
      throw unfit('chosen-already', 'A choice was made; take it back to change what there is to choose.', 'id');
    check(visit, row.area, { phase, options });
    update(visit.db, 'option_set', id, { phase, subject, options: JSON.stringify(options) });
    visit.touches(row.job);
  }),
  handler(chooseOption, (visit, { id, version, key, reason, decisionId }) => {
    const row = needVersion<OptionRow>(visit, 'option_set', id, version);
    const option = (JSON.parse(row.options) as Option[]).find((one_) => one_.key === key);
    if (!option) throw unfit('no-such-option', 'This is not one of the options.', 'key');
    const area = need<{ id: string; name: string; kind: AreaKind; size: number; works: string }>(
      visit,
      'area',
      row.area,
      'area',
    );
    update(visit.db, 'option_set', id, {
      chosen: key,
      reason,
      chosen_at: visit.at,
      chosen_by: personOf(visit),
      works_before: row.works_before ?? area.works,
    });
    recordDecision(visit, {
      id: decisionId,
      job: row.job,
      area: row.area,
      subject: `${area.name}: ${row.subject}: ${option.name}`,
      reason,
    });
    if (option.works.length > 0) setWorks(visit, area, option.works, 'key');
    visit.mark(row.job, `${row.subject}: ${option.name} was chosen`);
  }),
  handler(unchooseOption, (visit, { id, version }) => {
    const row = needVersion<OptionRow>(visit, 'option_set', id, version);
    if (!row.chosen) throw unfit('not-chosen', 'No choice was made yet.', 'id');
    const area = need<{ id: string; kind: AreaKind; size: number }>(visit, 'area', row.area, 'area');
    if (row.works_before) setWorks(visit, area, JSON.parse(row.works_before) as Work[], 'id');
    update(visit.db, 'option_set', id, {
      chosen: null,
      reason: '',
      chosen_at: null,
      chosen_by: null,
      works_before: null,
    });
    visit.mark(row.job, `${row.subject} is open again`);
  }),
];
