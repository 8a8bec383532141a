import { type Path } from '@/contract/routes';
import type { PictureView } from '@/contract/views/job';

/** Where a picture is fetched in a width, in pixels. */
export type PictureSource = (picture: string, width?: number) => Path;

/** Pictures small, each opening large. `source` is where this reader may fetch them. */
export function Pictures({ pictures, source }: { pictures: PictureView[]; source: PictureSource }) {
  return (
    <ul className="pictures">
      {pictures.map((picture) => (
        <li key={`${picture.hash}${picture.when}`}>
          <a href={source(picture.hash, 1280)} className="plain">
            {/* Sized by our own route, which also checks who asks: the framework's loader would go round it. */}
            <img src={source(picture.hash, 240)} alt={picture.alt} loading="lazy" width={240} height={180} />
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
