'use client';
import { useRef, useState } from 'react';
import { changeFixture } from '@/contract/commands/layout';
import type { KeptFixture, LayoutView } from '@/contract/views/layout';
import { dragged } from '@/core/layout/drag';
import type { Point } from '@/core/layout/point';
import { outlineOf } from '@/core/layout/room-outline';
import type { Give } from '../kit/use-send';

/**
 * Things of the room as they are, or where one is held while it is pulled over the plan. Let go it is kept there: the
 * next pull begins where the last one ended, though the page has not heard of it yet.
 */
export function usePulled(view: LayoutView, give: Give) {
  const { shape, job } = view;
  const [held, setHeld] = useState<KeptFixture>();
  const letGo = useRef(new Map<string, KeptFixture>());
  const sending = useRef<Promise<unknown>>(Promise.resolve());
  const newest = (thing: KeptFixture, mine: KeptFixture | undefined): KeptFixture =>
    mine?.id === thing.id && mine.version >= thing.version ? mine : thing;
  const pull = (about: string, by: Point, done: boolean): void => {
    const thing = latest(about);
    const outline = shape?.kind === 'room' ? outlineOf(shape, job.units) : undefined;
    if (!thing || shape?.kind !== 'room' || !outline?.ok) return;
    const next = { ...thing, ...dragged(shape, outline.value.corners, thing, by, job.units) };
    setHeld(next);
    if (!done || (next.along.mm === thing.along.mm && next.away.mm === thing.away.mm)) return;
    letGo.current.set(about, { ...next, version: thing.version + 1 });
    const told = { text: `${thing.name} was moved.`, back: `${thing.name} is back where it was.` };
    sending.current = sending.current
      .then(() => give(changeFixture, next, told))
      .then((taken) => {
        if (taken) return;
        letGo.current.delete(about);
        setHeld(undefined);
      });
  };
  const latest = (about: string): KeptFixture | undefined => {
    const shown = view.fixtures.find(({ id }) => id === about);
    return shown && newest(shown, letGo.current.get(about));
  };
  return { fixtures: view.fixtures.map((thing) => newest(thing, held)), pull, latest };
}
