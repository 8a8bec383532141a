import { Button } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { Mark } from '../kit/mark';

/** Where the walk leads, what was recorded where, and its end. */
export function Route({ areas, at, finished, finishing, onGo, onFinish }: { areas: WalkArea[]; at: number; finished: boolean; finishing: boolean; onGo: (at: number) => void; onFinish: () => void }) {
  return (
    <>
      <h1>The walk</h1>
      <ul className="route mt-2">
        {areas.map((area, index) => {
          const open = area.open.filter((item) => item.verdict === null).length;
          return (
            <li key={area.id}>
              <button type="button" onClick={() => onGo(index)} {...(index === at ? { 'aria-current': 'true' as const } : {})}>
                <span className={index === at ? 'fw-bold' : ''}>{area.name} <span className="soft small-text">{area.place}</span></span>
                <span className="small-text soft">{[open > 0 ? `${open} to look at` : '', area.recorded.length > 0 ? `${area.recorded.length} recorded` : ''].filter(Boolean).join(' · ')} {open > 0 && <Mark kind="waiting" silent />}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {!finished && (
        <div className="form-panel">
          <p>Everything seen? Then comes the review: what changed, what it does to the plan, and the news ready to send.</p>
          <Button onClick={onFinish} disabled={finishing}>{finishing ? 'Sending what was recorded…' : 'Finish the walk'}</Button>
          {finishing && <p className="soft small-text mt-2 mb-0">Without a connection it stays here and is finished as soon as there is one.</p>}
        </div>
      )}
    </>
  );
}
