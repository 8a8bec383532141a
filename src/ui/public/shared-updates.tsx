import type { SharedView } from '@/contract/views/news';
import { Acknowledge } from './acknowledge';

/** What was written to them, the newest open and to be acknowledged, what came before folded away. */
export function SharedUpdates({ view, token }: { view: SharedView; token: string }) {
  const [newest, ...older] = view.updates;
  if (!newest) return null;
  return (
    <section aria-label="What we wrote to you">
      <h2>What we wrote to you</h2>
      <article>
        <h3>
          {newest.title} <span className="soft small-text">{newest.when}</span>
        </h3>
        <div className="update-text">{newest.body}</div>
        {view.canAcknowledge && <Acknowledge token={token} recipient={view.recipient} done={view.acknowledged} />}
      </article>
      {older.map((update) => (
        <details key={update.when + update.title}>
          <summary>
            {update.title} <span className="soft small-text">{update.when}</span>
          </summary>
          <div className="update-text">{update.body}</div>
        </details>
      ))}
    </section>
  );
}
