import { More } from '../kit/folded';
import type { BoardBlock, BoardRow, BoardView } from '@/contract/views/plan';
import { groupBy } from '@/core/group-by';
import { formatDay, mondayOf, type Day } from '@/core/units/day';
import { counted } from '@/core/words/count';
import { StateIcon } from '../kit/state-icon';

const MARKS = {
  held: 'stop',
  'under-way': 'under-way',
  check: 'will-stop',
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
        .map((block) => ({ row, block, begins: block.start >= 2 * index, half: halfOf(block, index) })),
    ),
  }));
  const shown = days.filter((day) => day.worked && day.works.length > 0);
  const folded = (day: Listed) => (
    <More
      key={day.day}
      words={
        <>
          {day.label} <span className="soft">{counted(day.works.length, 'visit')}</span>
        </>
      }
    >
      <DayList day={day} today={view.today} job={job} onChoose={onChoose} />
    </More>
  );
  return (
    <div className="board-list">
      {shown.slice(0, DAYS_OPEN).map((day) => (
        <DayList key={day.day} day={day} today={view.today} job={job} onChoose={onChoose} />
      ))}
      {shown.slice(DAYS_OPEN, DAYS_OPEN + DAYS_LISTED).map(folded)}
      {[...groupBy(shown.slice(DAYS_OPEN + DAYS_LISTED), ({ day }) => mondayOf(day))].map(([monday, week]) => (
        <More
          key={monday}
          words={
            <>
              {`from ${formatDay(week[0]?.day ?? monday)} `} <span className="soft">{counted(week.length, 'day')}</span>
            </>
          }
        >
          {week.map(folded)}
        </More>
      ))}
    </div>
  );
}

/** Today and the day after stand open, each of the next days is a line, then each week. */
const DAYS_OPEN = 2;
const DAYS_LISTED = 5;
/** Visits of one day that are shown before one asks for more. */
const WORKS_OPEN = 6;

interface Listed {
  day: Day;
  label: string;
  works: { row: BoardRow; block: BoardBlock; begins: boolean; half: string }[];
}

function DayList({
  day,
  today,
  job,
  onChoose,
}: {
  day: Listed;
  today: Day;
  job: string | undefined;
  onChoose: (task: string) => void;
}) {
  const drawn = ({ row, block, begins, half }: Listed['works'][number]) => (
    <button key={`${row.id}${block.task}`} type="button" onClick={() => onChoose(block.task)}>
      <StateIcon kind={MARKS[block.tone]} silent /> <span className={begins ? 'fw-bold' : ''}>{block.label}</span>
      <span className="soft small-text d-block">
        {[
          half,
          block.crew || row.name,
          ...(job === undefined ? [block.job] : []),
          ...(begins ? [] : ['goes on']),
          ...(block.tone === 'held' ? ['held'] : []),
        ].join(' · ')}
      </span>
    </button>
  );
  return (
    <section>
      <h2>
        {day.label}
        {day.day === today ? ', today' : ''}
      </h2>
      {day.works.slice(0, WORKS_OPEN).map(drawn)}
      {day.works.length > WORKS_OPEN && (
        <More words={`${day.works.length - WORKS_OPEN} more that day`}>{day.works.slice(WORKS_OPEN).map(drawn)}</More>
      )}
    </section>
  );
}

/** Which half of a day a block takes; nothing where it takes the whole. */
function halfOf({ start, finish }: BoardBlock, index: number): string {
  const [morning, afternoon] = [start <= 2 * index && finish > 2 * index, finish > 2 * index + 1];
  return morning && afternoon ? 'all day' : morning ? 'morning' : 'afternoon';
}
