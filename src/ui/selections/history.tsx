import type { HistoryLine } from '@/contract/views/selections';
import { Line, Lines } from '../kit/lines';

/** Every step with its day and who said so, the newest first. */
export function History({ lines }: { lines: readonly HistoryLine[] }) {
  if (lines.length === 0) return <p className="soft mt-2">Nothing yet.</p>;
  return (
    <Lines className="trail">
      {lines.map((line) => (
        <Line key={line.id}>
          {line.text}
          <div className="small-text soft">
            {line.when}, {line.who}
            {line.desk ? ' (played by the demo)' : ''}
          </div>
        </Line>
      ))}
    </Lines>
  );
}
