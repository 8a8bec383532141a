'use client';
import { Link } from '../kit/link';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { routes } from '@/contract/routes';
import type { WalkArea, WalkPack } from '@/contract/views/walk';
import { BRIEF_PART_KEYS } from '@/core/scope/brief';
import type { Delivery } from '../kit/delivery';
import { StateIcon } from '../kit/state-icon';
import type { Walking } from './use-walk';

/** Forms of a walk are kept on this device first; a picture with a finding is a picture of the walk too, to be drawn on. */
export function useDeliveryHere({ pack, record, write }: Walking): Delivery {
  const areas = useRef(pack.areas);
  useEffect(() => {
    areas.current = pack.areas;
  }, [pack.areas]);
  return useMemo(
    () => ({
      deliver: (kind, payload, picture) => {
        const { area, subject } = payload as { area?: string; subject?: string };
        if (picture && area && areas.current.some(({ id }) => id === area))
          record({ kind: 'picture', area, picture: '', ...(subject ? { text: subject } : {}) }, '', picture);
        const command = write(kind, payload, '', picture);
        return Promise.resolve({ ok: true, result: {}, command });
      },
    }),
    [record, write],
  );
}

/** Goes to an area as soon as it is part of the walk. */
export function useGoTo(areas: readonly WalkArea[], go: (at: number) => void): (id: string) => void {
  const [wanted, setWanted] = useState<string>();
  const at = areas.findIndex(({ id }) => id === wanted);
  useEffect(() => {
    if (at === -1) return;
    setWanted(undefined);
    go(at);
  }, [at, go]);
  return setWanted;
}

/** How much was written down of an area. */
const written = ({ brief, forOffice, assumptions }: WalkArea): number =>
  BRIEF_PART_KEYS.reduce((sum, part) => sum + brief.parts[part].length, 0) +
  brief.choices.length +
  forOffice.length +
  assumptions.length;

interface Terms {
  pack: WalkPack;
  at: number;
  go: (at: number) => void;
  onAdd: () => void;
}

/** The areas of a first visit, with how much is written down of each. */
export function VisitAreas({ pack, at, go, onAdd }: Terms) {
  if (pack.areas.length === 0) return null;
  return (
    <nav className="visit-areas no-print" aria-label="Areas of this visit">
      <ol>
        {pack.areas.map((area, index) => (
          <li key={area.id}>
            <button
              type="button"
              onClick={() => go(index)}
              {...(index === at ? { 'aria-current': 'true' as const } : {})}
            >
              <StateIcon kind={written(area) > 0 ? 'done' : 'open'} silent /> <span>{area.name}</span>{' '}
              <span className="soft small-text">{written(area) || ''}</span>
            </button>
          </li>
        ))}
      </ol>
      <Form.Select
        className="visit-choose"
        aria-label="Area of this visit"
        value={at}
        onChange={(event) => go(Number(event.target.value))}
      >
        {pack.areas.map((area, index) => (
          <option key={area.id} value={index}>
            {area.name} · {written(area)} lines
          </option>
        ))}
      </Form.Select>
      <Button size="sm" variant="outline-secondary" onClick={onAdd}>
        Another area
      </Button>
      <Link className="btn btn-sm btn-outline-secondary to-statement" href={routes.statement(pack.job.id)}>
        To the statement
      </Link>
    </nav>
  );
}

/** A walk of a job without areas: a first visit makes them as they are met, or hears of them. */
export const NoArea = ({
  pack,
  visits,
  open,
}: {
  pack: WalkPack;
  visits: boolean;
  open: (which: 'area' | 'tell') => void;
}) =>
  visits ? (
    <>
      <h1>The first visit</h1>
      <p className="mt-2">
        No area yet. Begin with the first outside face as you come up to the house, or tell the walk: the rooms you name
        are offered as areas.
      </p>
      <div className="actions">
        <Button onClick={() => open('area')}>The first area</Button>
        <Button variant="outline-secondary" onClick={() => open('tell')}>
          Tell it
        </Button>
      </div>
    </>
  ) : (
    <p>
      This job has no areas yet. <Link href={routes.areas(pack.job.id)}>Set them out first.</Link>
    </p>
  );
