'use client';
import { useState } from 'react';
import { pictureRoute } from '@/contract/routes';
import type { TourPicture } from '@/contract/views/news';

/**
 * The same spot as it was and as it is, with a line to pull between the two. Without a script both stand halved, and each
 * opens whole.
 */
export function BeforeAfter({ before, now, link }: { before: TourPicture; now: TourPicture; link: string }) {
  const [at, setAt] = useState(50);
  return (
    <figure className="before-after">
      <div className="before-after-pictures">
        <img src={pictureRoute(link, now.hash, 640)} alt={now.alt} loading="lazy" width={640} height={480} />
        <img
          src={pictureRoute(link, before.hash, 640)}
          alt={before.alt}
          loading="lazy"
          width={640}
          height={480}
          style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}
        />
        <span className="before-after-line" style={{ insetInlineStart: `${at}%` }} aria-hidden="true" />
      </div>
      <input
        type="range"
        className="no-print"
        min={0}
        max={100}
        value={at}
        aria-label={`How much of ${before.alt} is shown`}
        onChange={(event) => setAt(Number(event.target.value))}
      />
      <figcaption className="small-text soft">
        <a href={pictureRoute(link, before.hash, 1280)}>{before.when}</a>
        <a className="push" href={pictureRoute(link, now.hash, 1280)}>
          {now.when}
        </a>
      </figcaption>
    </figure>
  );
}
