import type { BoardView } from '@/contract/views/plan';
import { Means } from '../kit/means';
import { jobsOn } from './board';
import { FEET } from './piece';

/** What blocks look like for what they are; the foot line of each job; the letters that stand for steps, where they do. */
export function BoardLegend({ view, job, codes }: { view: BoardView; job: string | undefined; codes: boolean }) {
  return (
    <>
      <ul className="legend" aria-label="What the blocks mean">
        <li>
          <span className="swatch part-done" />
          done so far
        </li>
        <li>
          <span className="swatch waiting" />
          <Means of="mark.mist">not begun</Means>
        </li>
        <li>
          <span className="swatch critical" />
          <Means of="mark.critical">decides the end</Means>
        </li>
        <li>
          <span className="swatch held" />
          <Means of="mark.held">held: waits for somebody</Means>
        </li>
        <li>
          <span className="swatch check" />
          <Means of="word.check-before-cover">inspection, check or cure</Means>
        </li>
        <li>
          <span className="swatch float" />
          <Means of="mark.slip">may slip this far</Means>
        </li>
        <li>
          <span className="swatch unsaid" />
          <Means of="mark.unconfirmed">not confirmed</Means>
        </li>
        <li>
          <span className="swatch pinned" />
          <Means of="mark.pinned">pinned by hand</Means>
        </li>
        {job === undefined &&
          jobsOn(view).map((name, at) => (
            <li key={name}>
              <span className={`swatch foot-${at % FEET}`} />
              {name}
            </li>
          ))}
      </ul>
      {codes && <Codes view={view} />}
    </>
  );
}

/** The letters on this board, each with the steps that it stands for. */
function Codes({ view }: { view: BoardView }) {
  const names = new Map<string, Set<string>>();
  for (const { code, short } of view.rows.flatMap((row) => row.blocks))
    names.set(code, (names.get(code) ?? new Set()).add(short));
  return (
    <ul className="legend codes" aria-label="What the letters mean">
      {[...names].sort().map(([code, labels]) => (
        <li key={code}>
          <b>{code}</b> {[...labels].join(', ')}
        </li>
      ))}
    </ul>
  );
}
