import type { HistoryLine } from '@/contract/views/selections';

/** Every step with its day and who said so, the newest first. */
export function History({ lines }: { lines: readonly HistoryLine[] }) {
  if (lines.length === 0) return <p className="soft mt-2">Nothing yet.</p>;
  return (
    <ul className="lines trail">
      {lines.map((line) => (
        <li key={line.id}>
          <div className="what">
            {line.text}
            <div className="small-text soft">
              {line.when}, {line.who}
              {line.desk ? ' (simulated desk)' : ''}
            </div>
          </div>
        </li>
      ))}
    </ul>
  );
}
