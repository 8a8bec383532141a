'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import type { StandpointView } from '@/contract/views/job';
import { AnnotatedPicture } from './annotated-picture';

/**
 * Pictures from one spot over the walks: a strip of all of them, and any two laid over each other with a line to pull
 * across.
 */
export function Compare({ spot }: { spot: StandpointView }) {
  const last = spot.pictures.length - 1;
  const [pair, setPair] = useState<readonly [number, number]>([0, Math.max(0, last)]);
  const [cut, setCut] = useState(50);
  const [before, after] = [spot.pictures[pair[0]], spot.pictures[pair[1]]];
  if (!before || !after) return null;
  // The one that was chosen last stays; the other becomes the earlier or the later of the two.
  const choose = (at: number): void =>
    setPair(([, late]) => (at < late ? [at, late] : at > late ? [late, at] : [Math.max(0, at - 1), at]));
  return (
    <figure className="compare">
      <figcaption className="fw-bold">{spot.name}</figcaption>
      {spot.pictures.length > 1 && (
        <>
          <div className="pair" style={{ '--cut': `${cut}%` } as React.CSSProperties}>
            <img src={api.picture(before.hash, 640)} alt={before.alt} />
            <img className="over" src={api.picture(after.hash, 640)} alt={after.alt} />
            <span className="line" aria-hidden="true" />
            <span className="when first">{before.when}</span>
            <span className="when second">{after.when}</span>
          </div>
          <input
            type="range"
            className="form-range"
            min={0}
            max={100}
            value={cut}
            aria-label={`${spot.name}: before on the left, after on the right`}
            onChange={(event) => setCut(Number(event.target.value))}
          />
        </>
      )}
      <div className="filmstrip" role="group" aria-label={`All pictures of: ${spot.name}`}>
        {spot.pictures.map((picture, index) => (
          <button
            key={picture.hash + picture.when}
            type="button"
            aria-pressed={index === pair[0] || index === pair[1]}
            onClick={() => choose(index)}
          >
            <AnnotatedPicture
              source={api.picture(picture.hash, 240)}
              alt={picture.alt}
              marks={picture.marks}
              width={120}
              height={90}
            />
            <span className="small-text d-block">{picture.when}</span>
          </button>
        ))}
      </div>
    </figure>
  );
}
