import type { PartyShared, SharedView } from '@/contract/views/news';
import { Acknowledge } from './acknowledge';

/** What was written to them, the newest open until it is acknowledged, what came before folded away. */
export function SharedUpdates({ view, token }: { view: Exclude<SharedView, PartyShared>; token: string }) {
  const [newest, ...older] = view.updates;
  if (!newest) return null;
  return (
    <section aria-label="What we wrote to you">
      <h2>What we wrote to you</h2>
      <details open={view.acknowledged === null}>
        <summary>
          {newest.title} <span className="soft small-text">{newest.when}</span>
        </summary>
        <div className="update-text">{newest.body}</div>
      </details>
      {view.canAcknowledge && <Acknowledge token={token} recipient={view.recipient} done={view.acknowledged} />}
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
