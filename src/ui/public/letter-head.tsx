import type { SharedView } from '@/contract/views/news';

/** Whose page it is, and how they are reached: nobody should have to look for a number. */
export const LetterHead = ({ view }: { view: SharedView }) => (
  <header className="letter-head">
    <p className="soft mb-0">
      {view.firm}, for {view.recipient}
    </p>
    <p className="actions mb-0 no-print">
      {view.call.phone && (
        <a className="btn btn-outline-secondary" href={`tel:${view.call.phone.replace(/[^\d+]/g, '')}`}>
          Call {view.call.name}
        </a>
      )}
      <a className="btn btn-outline-secondary" href="#ask">
        Ask a question
      </a>
    </p>
    <p className="d-none d-print-block small-text mb-0">
      {[view.call.name, view.call.phone].filter(Boolean).join(', ')}
    </p>
  </header>
);
