'use client';
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { Terms } from './area-body';
import { pictureSource } from './recorded-lines';
import { Hidden } from '../kit/hidden';

/** Spots from which a picture is taken again on every walk, so that two of them show what changed. */
export function Standpoints({ area, walking, onPicture }: Terms) {
  const [name, setName] = useState('');
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
              style={{ objectFit: 'cover' }}
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
      <Form
        className="check-line d-flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          onPicture(walking.addStandpoint(area.id, name.trim()));
          setName('');
        }}
      >
        <Form.Control
          value={name}
          maxLength={60}
          placeholder="from the door, towards the window"
          aria-label={`A new standpoint in ${area.name}`}
          onChange={(event) => setName(event.target.value)}
        />
        <button type="submit" className="btn btn-outline-secondary text-nowrap" disabled={name.trim() === ''}>
          New spot
        </button>
      </Form>
    </section>
  );
}
