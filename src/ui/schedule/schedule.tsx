'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { BoardBlock, ScheduleView } from '@/contract/views/plan';
import { JobPlaces } from '../frame/job-places';
import { PlanProblem } from '../kit/notice';
import { PrintButton } from '../kit/print-button';
import { Slip } from '../kit/slip';
import { Board } from './board';
import { BoardList } from './board-list';

/** Who is where on which half-day; one tap on anything says why it stands there. */
export function Schedule({ view }: { view: ScheduleView }) {
  const { job, board, shift } = view;
  const [chosen, setChosen] = useState<string | undefined>(view.task ?? undefined);
  const blocks = board.rows.flatMap((row) => row.blocks);
  const block = blocks.find((one) => one.task === chosen);
  const base = job ? `/jobs/${job.id}/schedule` : '/schedule';
  const to = (change: { by?: string; weeks?: number; shift?: number }): string => `${base}?${new URLSearchParams({ by: change.by ?? view.by, weeks: String(change.weeks ?? view.weeks), shift: String(change.shift ?? shift) })}`;
  return (
    <>
      {job && <JobPlaces job={job} />}
      <div className="page">
        <div className="page-head mb-2">
          <h1>{job ? 'Schedule' : 'Schedule, all jobs'}</h1>
          <span className="soft">planned {board.madeAt}{board.cause && `, because ${board.cause}`}</span>
          <span className="push actions no-print">
            {job && <span className="btn-group" role="group" aria-label="Rows are"><Choice href={to({ by: 'trade' })} on={view.by === 'trade'}>by trade</Choice><Choice href={to({ by: 'room' })} on={view.by === 'room'}>by room</Choice></span>}
            <span className="btn-group" role="group" aria-label="Weeks shown"><Choice href={to({ weeks: 2 })} on={view.weeks === 2}>2 weeks</Choice><Choice href={to({ weeks: 3 })} on={view.weeks === 3}>3 weeks</Choice></span>
            <span className="btn-group" role="group" aria-label="Move in time"><Choice href={to({ shift: shift - 1 })}>earlier</Choice><Choice href={to({ shift: 0 })} on={shift === 0}>now</Choice><Choice href={to({ shift: shift + 1 })}>later</Choice></span>
            <PrintButton>Print</PrintButton>
          </span>
        </div>
        <PlanProblem problem={board.problem} />
        {board.rows.length === 0 ? <Empty /> : (
          <>
            <Board view={board} job={job?.id} chosen={chosen} onChoose={setChosen} />
            <BoardList view={board} job={job?.id} onChoose={setChosen} />
            <Legend />
          </>
        )}
        <Slip beside title={block?.label ?? ''} open={block !== undefined} onClose={() => setChosen(undefined)}>
          {block && <WhyHere block={block} because={blocks.find((one) => one.task === block.because)} onChoose={setChosen} />}
        </Slip>
      </div>
    </>
  );
}

function Choice({ href, on, children }: { href: string; on?: boolean; children: React.ReactNode }) {
  return <Link href={href} scroll={false} className={`btn btn-sm btn-outline-secondary ${on ? 'active' : ''}`} {...(on ? { 'aria-current': 'true' as const } : {})}>{children}</Link>;
}

function WhyHere({ block, because, onChoose }: { block: BoardBlock; because: BoardBlock | undefined; onChoose: (task: string) => void }) {
  return (
    <>
      <p className="fs-5 mb-1">{block.when}</p>
      <p className="soft">{block.job}{block.float > 0 ? ` · may slip ${block.float / 2} ${block.float === 2 ? 'day' : 'days'} before it delays the end` : block.tone === 'critical' ? ' · every half-day later here is one later at the end' : ''}</p>
      <h3>Why here?</h3>
      <p className={block.tone === 'held' ? 'bad' : ''}>{block.reason}</p>
      {block.leads && <p><Link href={block.leads} className="btn btn-outline-secondary">Look at what it waits for</Link></p>}
      {because && <Button variant="outline-secondary" onClick={() => onChoose(because.task)}>Look at {because.label}</Button>}
      <p className="mt-3"><Link href={block.area ? `/jobs/${block.jobId}/areas/${block.area}` : `/jobs/${block.jobId}/sequence`}>{block.area ? 'To the room' : 'To the order of the work'}</Link></p>
    </>
  );
}

function Legend() {
  return (
    <ul className="legend" aria-label="What the blocks mean">
      <li><span className="swatch under-way" />under way</li><li><span className="swatch" />planned</li><li><span className="swatch critical" />decides the end</li><li><span className="swatch held" />held: waits for somebody</li><li><span className="swatch check" />inspection, check or cure</li><li><span className="swatch float" />may slip this far</li>
    </ul>
  );
}

function Empty() {
  return <div className="empty"><p className="mb-0">Nothing is planned in these weeks. Look later, or set out the areas of a job and what is to be done there: the first plan follows within seconds.</p></div>;
}
