import Form from 'next/form';
import { Link } from '../kit/link';
import { routes } from '@/contract/routes';
import type { ToldView } from '@/contract/views/news';
import { Line, Lines } from '../kit/lines';
import { PageHead } from '../kit/page';
import { PastLinks } from '../kit/past-links';
import { StateIcon } from '../kit/state-icon';

/** Who was told what and when, over all jobs, word for word. */
export function Told({ view }: { view: ToldView }) {
  return (
    <div className="page">
      <PageHead heading="Who was told what" />
      <Form action={routes.told()} className="told-find no-print">
        <label htmlFor="told-to">Name or address</label>
        <input
          key={view.to}
          id="told-to"
          name="to"
          type="search"
          className="form-control"
          list="told-names"
          defaultValue={view.to}
          maxLength={80}
        />
        <datalist id="told-names">
          {view.names.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <button type="submit" className="btn btn-outline-secondary">
          Look up
        </button>
        {view.to && <Link href={routes.told()}>Everybody</Link>}
      </Form>
      {view.messages.length === 0 && (
        <p className="soft mt-3">{view.to ? `Nothing was sent to “${view.to}”.` : 'Nothing was sent yet.'}</p>
      )}
      <Lines>
        {view.messages.map((message) => (
          <Line key={message.id} mark={<StateIcon kind={message.failed ? 'stop' : 'done'} silent />}>
            <span className="fw-bold">{message.recipient}</span> <span className="soft">{message.address}</span>{' '}
            <span className="soft small-text">{message.when}</span>
            <div className="small-text">
              <Link href={routes.news(message.jobId)}>{message.jobName}</Link> ·{' '}
              <span className={message.failed ? 'bad' : 'soft'}>{message.came}</span>
            </div>
            <details>
              <summary>{message.title}</summary>
              <div className="update-text plain small-text mt-1">{message.body}</div>
            </details>
          </Line>
        ))}
      </Lines>
      <PastLinks past={view.past} page={routes.told(view.to)} />
    </div>
  );
}
