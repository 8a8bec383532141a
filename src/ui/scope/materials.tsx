'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import type { MaterialsView } from '@/contract/views/scope';
import { groupBy } from '@/core/group-by';
import type { Cut } from '@/core/quantities/cut-list';
import { packWord } from '@/core/scope/materials';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { CutSticks } from '../bench/results';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import type { MaterialLine } from '@/core/scope/materials';
import type { Removable } from '@/contract/commands/scope';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, FoldedBlock, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { useMoney } from '../kit/money';

/** What the whole job needs, in packs and money, by trade or by delivery; and the results it comes from. */
export function Materials({ view }: { view: MaterialsView }) {
  const money = useMoney();
  const [by, setBy] = useState<'trade' | 'delivery'>('trade');
  const remove = useRemove();
  const groups = [
    ...groupBy(view.lines, (line) =>
      by === 'trade'
        ? line.trade
          ? TRADES[line.trade]
          : 'Nobody’s yet'
        : line.needBy
          ? `Needed ${formatDay(line.needBy, view.today)}`
          : 'No day yet',
    ),
  ];
  if (by === 'trade') groups.sort(([a], [b]) => (a < b ? -1 : 1));
  const cuts = view.calculations.filter((calculation) => calculation.calculator === 'cut-list' && calculation.output);
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading="Materials">
          <span className="soft">
            {view.lines.length} lines
            {view.lines.length > 0 && (
              <>
                {view.total === null ? '' : `, ${money(view.total)}`}
                {view.unpriced > 0 ? `, ${view.unpriced} without a price` : ''}
              </>
            )}
          </span>
          <span className="push actions no-print">
            <Link className="btn btn-primary" href={routes.bench()}>
              Compute something
            </Link>
            {view.total !== null && (
              <>
                <a className="btn btn-outline-secondary" href={api.jobFile(view.job.id, 'materials.pdf')}>
                  PDF
                </a>
                <a className="btn btn-outline-secondary" href={api.jobFile(view.job.id, 'materials.csv')}>
                  CSV
                </a>
              </>
            )}
            <PrintButton>Print</PrintButton>
          </span>
        </PageHead>
        {view.problems.map((problem) => (
          <div key={problem.id} className="notice bad">
            <StateIcon kind="stop" />
            <div>
              <Link href={routes.layout(view.job.id, problem.areaId)}>{problem.area}</Link>, {problem.title}:{' '}
              {problem.problem} It is left out of the list.
            </div>
          </div>
        ))}
        {view.calculations.length === 0 ? (
          <Empty>
            <p>
              Nothing is computed for this job yet. Draw a room or a face, then open a calculator on Bench for it and
              keep the result: the list makes itself.
            </p>
            <Link className="btn btn-primary" href={routes.bench()}>
              To Bench
            </Link>
          </Empty>
        ) : (
          <>
            <div className="chips mb-2 no-print" role="group" aria-label="In groups by">
              {(['trade', 'delivery'] as const).map((entry) => (
                <button
                  key={entry}
                  type="button"
                  className="chip"
                  aria-pressed={by === entry}
                  onClick={() => setBy(entry)}
                >
                  by {entry}
                </button>
              ))}
            </div>
            <MaterialsTable by={by} groups={groups} view={view} />
            <BlockHead heading="Computed for it" />
            <ComputedLines view={view} remove={remove} />
            {cuts.map((cut) => (
              <FoldedBlock key={cut.id} heading={`Cut list: ${cut.area}`} says={cut.product}>
                <CutSticks cuts={cut.output?.cuts as Cut[]} system={view.job.units} />
              </FoldedBlock>
            ))}
          </>
        )}
      </div>
    </>
  );
}

/** Every calculation with what it needs. */
function ComputedLines({
  view,
  remove,
}: {
  view: MaterialsView;
  remove: (of: Removable, id: string, words: string) => void;
}) {
  return (
    <Lines>
      {view.calculations.map((calculation) => (
        <Line
          key={calculation.id}
          mark={<StateIcon kind={calculation.problem ? 'stop' : 'checked'} silent />}
          beside={
            <span className="no-print d-flex gap-2 align-items-start">
              <Link
                className="btn btn-link btn-sm p-0"
                href={routes.calculator(calculation.calculator, { kept: calculation.id })}
              >
                Open
                <Hidden>
                  {' '}
                  {calculation.product || calculation.title} in {calculation.area}
                </Hidden>
              </Link>
              <LinkButton
                onClick={() => remove('calculation', calculation.id, `“${calculation.product || calculation.title}”`)}
              >
                Remove
                <Hidden>
                  {' '}
                  {calculation.product || calculation.title} in {calculation.area}
                </Hidden>
              </LinkButton>
            </span>
          }
        >
          <span className="fw-bold">{calculation.area}</span> {calculation.product || calculation.title.toLowerCase()}:{' '}
          {calculation.problem ?? calculation.answer}
          <div className="small-text soft">
            {calculation.title}
            {Object.keys(calculation.fed).length > 0 ? ', follows the drawing' : ''}
          </div>
        </Line>
      ))}
    </Lines>
  );
}

/** Material by where it is needed or bought. */
function MaterialsTable({
  by,
  groups,
  view,
}: {
  by: 'trade' | 'delivery';
  groups: [string, MaterialLine[]][];
  view: MaterialsView;
}) {
  const money = useMoney();
  // Whoever does not see prices is not told that there are none.
  const priced = view.total !== null;
  return (
    <table className="table-lines">
      <thead>
        <tr>
          <th>What</th>
          <th style={{ width: '13%' }} className="text-end">
            How many
          </th>
          {priced && (
            <>
              <th style={{ width: '12%' }} className="text-end">
                One
              </th>
              <th style={{ width: '13%' }} className="text-end">
                All
              </th>
            </>
          )}
          <th style={{ width: '15%' }}>From</th>
          <th style={{ width: '20%' }}>{by === 'trade' ? 'Needed' : 'Whose'}, where</th>
        </tr>
      </thead>
      {groups.map(([head, lines]) => (
        <tbody key={head}>
          <tr>
            <th scope="rowgroup" colSpan={priced ? 6 : 4} className="group-head">
              {head}
            </th>
          </tr>
          {lines.map((line) => (
            <tr
              key={`${line.what}${line.unit}${line.needBy ?? ''}${line.supplier}${line.trade ?? ''}${line.unitPrice ?? ''}`}
            >
              <td className="fw-bold">{line.what}</td>
              <td className="text-end" data-label="How many">
                <span className="mono">{line.quantity}</span> {packWord(line.quantity, line.unit)}
              </td>
              {priced && (
                <>
                  <td className="text-end mono" data-label="One">
                    {line.unitPrice === null ? '' : money(line.unitPrice)}
                  </td>
                  <td className="text-end mono" data-label="All">
                    {line.price === null ? <span className="soon small-text">no price</span> : money(line.price)}
                  </td>
                </>
              )}
              <td data-label="From">{line.supplier}</td>
              <td className="small-text" data-label="Needed, where">
                {by === 'trade'
                  ? line.needBy
                    ? `${formatDay(line.needBy, view.today)} · `
                    : ''
                  : line.trade
                    ? `${TRADES[line.trade].toLowerCase()} · `
                    : ''}
                <span className="soft">{line.areas.join(', ')}</span>
              </td>
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  );
}
