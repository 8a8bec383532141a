import type { BoardView } from '@/contract/views/plan';
import { StateIcon } from '../kit/state-icon';

const MARKS = {
  held: 'stop',
  'under-way': 'under-way',
  check: 'waiting',
  critical: 'not-begun',
  waiting: 'not-begun',
} as const;

/** The board for one hand: day by day, who begins or goes on with what. */
export function BoardList({
  view,
  job,
  onChoose,
}: {
  view: BoardView;
  job: string | undefined;
  onChoose: (task: string) => void;
}) {
  const days = view.days.map((day, index) => ({
    ...day,
    works: view.rows.flatMap((row) =>
      row.blocks
        .filter(
          (block) =>
            (job === undefined || block.jobId === job) &&
            block.start < 2 * index + 2 &&
            block.finish > 2 * index &&
            day.day >= view.today,
        )
        .map((block) => ({ row, block, begins: block.start >= 2 * index })),
    ),
  }));
  return (
    <div className="board-list">
      {days
        .filter((day) => day.worked && day.works.length > 0)
        .map((day) => (
          <section key={day.day}>
            <h2>
              {day.label}
              {day.day === view.today ? ', today' : ''}
            </h2>
            {day.works.map(({ row, block, begins }) => (
              <button key={`${row.id}${block.task}`} type="button" onClick={() => onChoose(block.task)}>
                <StateIcon kind={MARKS[block.tone]} silent />{' '}
                <span className={begins ? 'fw-bold' : ''}>{block.label}</span>
                <span className="soft small-text d-block">
                  {row.name}
                  {job === undefined ? `, ${block.job}` : ''}
                  {begins ? '' : ', goes on'}
                  {block.tone === 'held' ? ', held' : ''}
                </span>
              </button>
            ))}
          </section>
        ))}
    </div>
  );
}
