import type { NeighbourShared } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { PageHead } from '../kit/page';
import { PrintButton } from '../kit/print-button';
import { Ask } from './ask';
import { LetterHead } from './letter-head';
import { SharedUpdates } from './shared-updates';

/** What a neighbour reads: days and hours, what stands outside, whom to call; as it is now. */
export function NeighbourPage({ view, token }: { view: NeighbourShared; token: string }) {
  return (
    <main className="letter">
      <LetterHead view={view} />
      <PageHead heading={view.title}>
        <span className="push">
          <PrintButton>Print</PrintButton>
        </span>
      </PageHead>
      {view.parts.map(({ key, heading, lines }) =>
        heading === '' ? (
          <p key={key}>{lines.map(({ text }) => text).join(' ')}</p>
        ) : (
          <section key={key}>
            <h2>{heading}</h2>
            <ul>
              {lines.map((line) => (
                <li key={line.key}>{line.text}</li>
              ))}
            </ul>
          </section>
        ),
      )}
      <Ask view={view} token={token} />
      <SharedUpdates view={view} token={token} />
      <p className="soft small-text mt-4">
        This page opens until {formatDay(view.expiresOn, view.today)} and always shows the plan of today. Days are a
        plan and move with what is found: those above are the days of now.
      </p>
    </main>
  );
}
