import { pictureRoute } from '@/contract/routes';
import type { PictureView } from '@/contract/views/job';

/** Pictures small, each opening large. `link` is what somebody outside was sent, who fetches them by it. */
export function Pictures({ pictures, link }: { pictures: PictureView[]; link?: string }) {
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
