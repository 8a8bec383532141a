import type { WalkArea } from '@/contract/views/walk';
import { OPENING_KINDS, wallName } from '@/core/layout/shape';
import type { Layout } from '../reading/layouts';

/** What of a room is drawn and can be measured again, with its size as drawn. */
export function drawnOf({ shape, openings }: Layout): Pick<WalkArea, 'drawn' | 'walls'> {
  if (shape?.kind !== 'room') return { drawn: [], walls: [] };
  return {
    walls: shape.walls.map((_, wall) => wallName(wall)),
    drawn: [
      ...shape.walls.map((wall, index) => ({
        label: `${wallName(index)}, length`,
        of: { what: 'wall' as const, wall: index },
        mm: wall.mm,
      })),
      { label: 'height of the room', of: { what: 'height' as const }, mm: shape.height.mm },
      ...openings.flatMap((opening) =>
        (['width', 'height', 'sill'] as const)
          .filter((side) => side !== 'sill' || opening.kind === 'window')
          .map((side) => ({
            label: `${opening.name || OPENING_KINDS[opening.kind]}, ${side}`,
            of: { what: 'opening' as const, opening: opening.id, side },
            mm: opening[side].mm,
          })),
      ),
    ],
  };
}
