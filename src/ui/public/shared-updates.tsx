import type { SharedView } from '@/contract/views/news';
import { Acknowledge } from './acknowledge';

/** What was sent so far, the newest first; that one can be acknowledged. */
export function SharedUpdates({ view, token }: { view: SharedView; token: string }) {
  return view.updates.map((update, index) => (
    <article key={update.when + update.title}>
      <h2>{update.title}</h2>
      <div className="update-text">{update.body}</div>
      {index === 0 && view.canAcknowledge && (
        <Acknowledge token={token} recipient={view.recipient} done={view.acknowledged} />
      )}
    </article>
  ));
}
