import { More } from '../kit/folded';
import type { BoardView } from '@/contract/views/plan';
import type { Explained } from '@/core/words/meanings';
import { Means } from '../kit/means';
import { jobsOn } from './board';
import { FEET } from './piece';

const SWATCHES: readonly { look: string; words: string; of?: Explained }[] = [
  { look: 'part-done', words: 'done so far' },
  { look: 'waiting', words: 'not begun', of: 'mark.mist' },
  { look: 'critical', words: 'decides the end', of: 'mark.critical' },
  { look: 'held', words: 'held: waits for somebody', of: 'mark.held' },
  { look: 'check', words: 'inspection, check or cure', of: 'word.check-before-cover' },
  { look: 'float', words: 'may slip this far', of: 'mark.slip' },
  { look: 'unsaid', words: 'not confirmed', of: 'mark.unconfirmed' },
  { look: 'pinned', words: 'pinned by hand', of: 'mark.pinned' },
];

/** What blocks look like for what they are; the foot line of each job; the letters that stand for steps, where they do. */
export function BoardLegend({ view, job, codes }: { view: BoardView; job: string | undefined; codes: boolean }) {
  return (
    <div className="board-legend">
      <ul className="legend" aria-label="What the blocks mean">
        {SWATCHES.map(({ look, words, of }) => (
          <li key={look}>
            <span className={`swatch ${look}`} />
            {of ? <Means of={of}>{words}</Means> : words}
          </li>
        ))}
        {job === undefined &&
          jobsOn(view).map((name, at) => (
            <li key={name}>
              <span className={`swatch foot-${at % FEET}`} />
              {name}
            </li>
          ))}
      </ul>
      {codes && <Codes view={view} />}
    </div>
  );
}

/** The letters on this board, each with the steps that it stands for. */
function Codes({ view }: { view: BoardView }) {
  const names = new Map<string, Set<string>>();
  for (const { code, short } of view.rows.flatMap((row) => row.blocks))
    names.set(code, (names.get(code) ?? new Set()).add(short));
  return (
    <More words="What the letters mean">
      <ul className="legend codes">
        {[...names].sort().map(([code, labels]) => (
          <li key={code}>
            <b>{code}</b> {[...labels].join(', ')}
          </li>
        ))}
      </ul>
    </More>
  );
}
