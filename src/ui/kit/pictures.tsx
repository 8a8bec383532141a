import { More } from './folded';
import { pictureRoute } from '@/contract/routes';
import type { PictureView } from '@/contract/views/job';
import { counted } from '@/core/words/count';

interface Terms {
  pictures: readonly PictureView[];
  /** What somebody outside was sent, who fetches them by it. */
  link?: string;
}

/** Pictures small, each opening large; beyond so many the rest is one press away. */
export function Pictures({ pictures, link, shown = pictures.length }: Terms & { shown?: number }) {
  const of = link === undefined ? {} : { link };
  return (
    <>
      <Wall pictures={pictures.slice(0, shown)} {...of} />
      {pictures.length > shown && (
        <More words={counted(pictures.length - shown, 'more picture')}>
          <Wall pictures={pictures.slice(shown)} {...of} />
        </More>
      )}
    </>
  );
}

function Wall({ pictures, link }: Terms) {
  return (
    <ul className="pictures">
      {pictures.map((picture) => (
        <li key={`${picture.hash}${picture.when}`}>
          <a href={pictureRoute(link, picture.hash, 1280)} className="plain">
            {/* Sized by our own route, which also checks who asks: the framework's loader would go round it. */}
            <img
              src={pictureRoute(link, picture.hash, 240)}
              alt={picture.alt}
              loading="lazy"
              width={240}
              height={180}
            />
            <span className="small-text d-block">
              {picture.area}
              <span className="soft"> · {picture.when}</span>
            </span>
          </a>
          {picture.text && <span className="small-text soft">{picture.text}</span>}
        </li>
      ))}
    </ul>
  );
}
