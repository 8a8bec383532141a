'use client';
import { addAreas } from '@/contract/commands/sites';
import { readCaptions } from '@/core/narration/captions';
import { roomsNamed, type RoomNamed } from '@/core/narration/rooms-named';
import { standsOnLevel } from '@/core/sites/draft-area';
import { newId } from '../offline/send';
import { namedAreas } from './use-reader';
import type { Walking } from './use-walk';

/** Rooms that were named and are no areas yet: one tap makes one, and what was said of it finds its place. */
export function RoomsNamed({ walking }: { walking: Walking }) {
  const { areas, narrations, levels, job } = walking.pack;
  const cues = narrations.flatMap(({ text }) => {
    const captions = readCaptions(text);
    return captions.ok ? captions.value.cues : [];
  });
  const named = roomsNamed(cues, namedAreas(areas));
  if (named.length === 0) return null;
  const add = (rooms: readonly RoomNamed[]): void => {
    const ground = levels[0] ?? { id: newId(), name: 'Ground floor' };
    const made = rooms.some(({ kind }) => standsOnLevel(kind)) && levels.length === 0;
    walking.write(
      addAreas,
      {
        job: job.id,
        levels: made ? [{ ...ground, height: 0, note: '' }] : [],
        areas: rooms.map(({ name, kind }) => ({
          ...{ id: newId(), name, kind, works: ['none'], size: 1, passage: false, livedIn: false },
          ...{ provides: [], beside: [], opensTo: [] },
          ...(standsOnLevel(kind) ? { level: ground.id } : {}),
        })),
      },
      rooms.length === 1 ? `${rooms[0]?.name ?? ''} is an area now.` : `${rooms.length} areas were added.`,
    );
  };
  return (
    <section className="mt-3" aria-label="Named, and no area yet">
      <h2>Named, and no area yet</h2>
      <div className="chips mt-2">
        {named.map((room) => (
          <button key={room.name} type="button" className="chip" onClick={() => add([room])}>
            Add {room.name}
          </button>
        ))}
        {named.length > 1 && (
          <button type="button" className="chip" onClick={() => add(named)}>
            Add all {named.length}
          </button>
        )}
      </div>
    </section>
  );
}
