import { pictureRoute } from '@/contract/routes';
import type { ClientShared } from '@/contract/views/news';
import { BeforeAfter } from './before-after';

/** The job from picture to picture, in the order in which it is walked. */
export function Tour({ tour, link }: { tour: ClientShared['tour']; link: string }) {
  if (tour.length === 0) return null;
  return (
    <section aria-label="Through the house">
      <h2>Through the house</h2>
      <ol className="tour">
        {tour.map(({ area, text, before, now }) => (
          <li key={area}>
            <p className="mb-1">
              <span className="fw-bold">{area}.</span> {text}
            </p>
            {before ? (
              <BeforeAfter before={before} now={now} link={link} />
            ) : (
              <figure>
                <a href={pictureRoute(link, now.hash, 1280)} className="plain">
                  <img src={pictureRoute(link, now.hash, 640)} alt={now.alt} loading="lazy" width={640} height={480} />
                </a>
                <figcaption className="small-text soft">{now.when}</figcaption>
              </figure>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
