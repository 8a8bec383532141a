'use client';
import { More } from '../kit/folded';
import type { Terms } from './area-body';
import { pictureSource } from './recorded-lines';
import { Hidden } from '../kit/hidden';
import { WordForm } from '../kit/word-form';

/** Spots from which a picture is taken again on every walk, so that two of them show what changed. */
export function Standpoints({ area, walking, onPicture }: Terms) {
  return (
    <section aria-label="Pictures from the same spot">
      <h2>Pictures from the same spot</h2>
      {area.standpoints.map((spot) => (
        <div key={spot.id} className="check-line d-flex gap-2 align-items-center">
          {spot.last && (
            <img
              src={pictureSource(spot.last.hash, 240)}
              alt={`${area.name}, ${spot.name}, ${spot.last.when}`}
              width={96}
              height={72}
              className="object-fit-cover"
            />
          )}
          <span className="flex-fill">
            {spot.name}
            <span className="d-block small-text soft">{spot.last ? `last ${spot.last.when}` : 'not taken yet'}</span>
          </span>
          <button type="button" className="btn btn-outline-secondary" onClick={() => onPicture(spot.id)}>
            Take it again<Hidden>: {spot.name}</Hidden>
          </button>
        </div>
      ))}
      <More words="A new spot">
        <WordForm
          className="check-line"
          label={`A new standpoint in ${area.name}`}
          placeholder="from the door, towards the window"
          submit="New spot"
          most={60}
          missing="Say where you stand and where you look, so that the next picture is taken from there."
          onKeep={(name) => onPicture(walking.addStandpoint(area.id, name))}
        />
      </More>
    </section>
  );
}
