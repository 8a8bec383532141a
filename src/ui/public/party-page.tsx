import { publicRoutes } from '@/contract/routes';
import type { PartyShared } from '@/contract/views/news';
import { formatDay } from '@/core/units/day';
import { sayBy } from '@/core/words/day';
import { SharedPapers } from '../attachments/shared-papers';
import { Line, Lines } from '../kit/lines';
import { PageHead } from '../kit/page';
import { PrintButton } from '../kit/print-button';
import { Sheet } from '../kit/sheet';
import { AnswerRequest } from './answer-form';
import { Ask } from './ask';
import { LetterHead } from './letter-head';

/** What an engineer, an office or an association reads: one question or one visit, with pictures, measures, drawings. */
export function PartyPage({ view, token }: { view: PartyShared; token: string }) {
  return (
    <main className="letter">
      <LetterHead view={view} />
      <PageHead heading={view.heading}>
        <span className="push">
          <PrintButton>Print</PrintButton>
        </span>
      </PageHead>
      <p>
        {view.job.name}
        {view.job.address && (
          <>
            , <a href={`geo:0,0?q=${encodeURIComponent(view.job.address)}`}>{view.job.address}</a>
          </>
        )}
        . {view.when}
      </p>
      <Asked view={view} token={token} />
      <SharedPapers papers={view.papers} token={token} />
      {view.areas.map((area) => (
        <Area key={area.id} area={area} token={token} />
      ))}
      <Ask view={view} token={token} />
      <p className="soft small-text mt-4">
        This page opens until {formatDay(view.expiresOn, view.today)}. Measures are as they were taken on site; check
        what your work depends on. What is decided here is yours to decide: nothing on this page is a calculation.
      </p>
    </main>
  );
}

function Asked({ view, token }: { view: PartyShared; token: string }) {
  const { asked, waits } = view;
  if (!asked) return null;
  return (
    <Sheet className="mb-3">
      {asked.settled === null ? (
        <>
          <p className="mb-1">
            <span className="fw-bold">{asked.kind === 'approval' ? 'Do you approve this?' : 'We need your word.'}</span>
            {asked.by ? ` Needed ${sayBy(asked.by, view.today)}.` : ''}
            {waits.length > 0 ? ` Without it this stands still: ${waits.join(', ')}.` : ''}
          </p>
          <AnswerRequest token={token} recipient={view.recipient} request={asked} />
        </>
      ) : (
        <p className="mb-0">
          <span className="fw-bold">Answered:</span> {asked.settled}. Thank you.
        </p>
      )}
    </Sheet>
  );
}

function Area({ area, token }: { area: PartyShared['areas'][number]; token: string }) {
  return (
    <section aria-label={area.name}>
      <h2>{area.name}</h2>
      <p className="small-text mb-1">
        {area.done.length > 0 ? `Finished there: ${area.done.join(', ')}.` : 'Nothing is finished there yet.'}{' '}
        <a href={publicRoutes.sheet(token, area.id)}>Sheet of the room with its drawings (PDF)</a>
      </p>
      {area.measures.length > 0 && (
        <Lines className="small-text">
          {area.measures.map(({ text, when }) => (
            <Line key={text + when} beside={<span className="soft text-nowrap">{when}</span>}>
              {text}
            </Line>
          ))}
        </Lines>
      )}
      {area.pictures.length > 0 && (
        <ul className="pictures">
          {area.pictures.map(({ hash, when, alt }) => (
            <li key={hash + when}>
              <a href={publicRoutes.picture(token, hash, 1280)} className="plain">
                <img src={publicRoutes.picture(token, hash, 640)} alt={alt} loading="lazy" width={640} height={480} />
              </a>
              <span className="small-text soft">{when}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
