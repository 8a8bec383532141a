import type { InferType } from 'yup';
import { addOptions } from '@/contract/commands/scope';
import type { Option } from '@/core/scope/option';
import { type Work } from '@/core/sequence/works';
import { insert, update } from '../database/query';
import {
  handlers,
  requireRow,
  requireAreaOf,
  requireVersion,
  requireStep,
  type CommandContext,
  personOf,
} from '../door/handler';
import { unprocessable } from '../refusal';
import { restoreLines, rewriteLines } from './rewrite-lines';
import { checkWorks, setWorks } from '../sites/commands';
import { recordDecision } from '../sites/decisions';

type Fields = Pick<InferType<typeof addOptions.schema>, 'phase' | 'options' | 'lines'>;

function check(context: CommandContext, area: string, { phase, options, lines }: Fields): void {
  const row = requireRow(context, 'area', area, 'area');
  requireStep(context, area, phase);
  lines.forEach((id, index) => {
    if (requireRow(context, 'scope_item', id, `lines[${index}]`).area !== area)
      throw unprocessable('line-elsewhere', 'This line of scope is of another area.', `lines[${index}]`);
  });
  options.forEach((option, index) => {
    if (options.findIndex((other) => other.key === option.key) < index)
      throw unprocessable('named-twice', 'Two of them have the same key.', `options[${index}].key`);
    checkWorks(row.kind, option.works, `options[${index}].works`);
  });
}

export const optionHandlers = handlers({
  'options.add': (context, { id, job, area, phase, subject, lines, options }) => {
    requireAreaOf(context, job, area);
    check(context, area, { phase, options, lines });
    insert(context.db, 'option_set', {
      ...{ id, job, area, phase, subject },
      lines: JSON.stringify(lines),
      options: JSON.stringify(options),
    });
    context.logFor(job);
  },
  'options.change': (context, { id, version, phase, subject, lines, options }) => {
    const row = requireVersion(context, 'option_set', id, version);
    if (row.chosen)
      throw unprocessable('chosen-already', 'A choice was made; take it back to change what there is to choose.', 'id');
    check(context, row.area, { phase, options, lines });
    update(context.db, 'option_set', id, {
      phase,
      subject,
      lines: JSON.stringify(lines),
      options: JSON.stringify(options),
    });
    context.logFor(row.job);
  },
  'options.choose': (context, { id, version, key, reason, decisionId }) => {
    const row = requireVersion(context, 'option_set', id, version);
    const option = (JSON.parse(row.options) as Option[]).find((entry) => entry.key === key);
    if (!option) throw unprocessable('no-such-option', 'This is not one of the options.', 'key');
    const area = requireRow(context, 'area', row.area, 'area');
    update(context.db, 'option_set', id, {
      chosen: key,
      reason,
      chosen_at: context.at,
      chosen_by: personOf(context),
      works_before: row.works_before ?? area.works,
    });
    recordDecision(context, {
      id: decisionId,
      job: row.job,
      area: row.area,
      subject: `${area.name}: ${row.subject}: ${option.name}`,
      reason,
    });
    if (option.works.length > 0) setWorks(context, area, option.works, 'key');
    rewriteLines(context, row, option);
    context.replan(row.job, { kind: 'option', area: row.area, subject: row.subject, chosen: option.name });
  },
  'options.unchoose': (context, { id, version }) => {
    const row = requireVersion(context, 'option_set', id, version);
    if (!row.chosen) throw unprocessable('not-chosen', 'No choice was made yet.', 'id');
    const area = requireRow(context, 'area', row.area, 'area');
    if (row.works_before) setWorks(context, area, JSON.parse(row.works_before) as Work[], 'id');
    restoreLines(context, id);
    update(context.db, 'option_set', id, {
      chosen: null,
      reason: '',
      chosen_at: null,
      chosen_by: null,
      works_before: null,
    });
    context.replan(row.job, { kind: 'option', area: row.area, subject: row.subject, chosen: null });
  },
});
