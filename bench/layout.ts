import { planOf } from '@/core/layout/room-plan';
import { usualTerms } from '@/core/layout/fit/finding';
import { checkPlan } from '@/core/layout/plan-fit';
import { svgOf } from '@/core/layout/svg';
import { measured, usualFixture, type Fixture, type Opening, type RoomShape } from '@/core/layout/shape';
import { figure, inTurn, median, type Figure } from './measure';

const THINGS = 40;

/** A room of twelve walls: an L with a bay, sixteenths of an inch in it, and things all round and on both heights. */
function room(): { shape: RoomShape; openings: Opening[]; fixtures: Fixture[] } {
  const sides: [number, number][] = [
    [9001.6, 90],
    [2400, 90],
    [900, -90],
    [1200, -90],
    [900, 90],
    [3600, 90],
    [3001.6, -45],
    [1000, 45],
    [1500, 45],
  ];
  const closing: [number, number][] = [
    [1000, -45],
    [3085.8, 90],
    [7200, 90],
  ];
  const walls = [...sides, ...closing].map(([mm, turn]) => ({ ...measured(mm), turn }));
  const fixtures = Array.from({ length: THINGS }, (_, at): Fixture => ({
    ...usualFixture('cabinet'),
    ...{ id: `t${at}`, kind: 'cabinet', name: `cabinet ${at}`, wall: at % walls.length },
    along: measured(80 + Math.floor(at / walls.length) * 620),
    width: measured(600),
    depth: measured(at % 3 === 0 ? 350 : 600),
    bottom: measured(at % 3 === 0 ? 1400 : 0),
    away: measured(at % 7 === 0 ? 1300 : 0),
    front: measured(900),
    hinge: at % 2 === 0 ? 'left' : 'right',
    handle: measured(35),
  }));
  const openings = [0, 1, 5, 10, 11].map((wall, at): Opening => ({
    ...{ id: `o${at}`, wall, kind: at % 2 === 0 ? 'door' : 'window', name: `opening ${at}`, count: 1, clear: null },
    ...{ width: measured(850), height: measured(1200), sill: measured(at % 2 === 0 ? 0 : 900), along: measured(1500) },
    hinge: 'left',
    opensIn: true,
  }));
  return { shape: { kind: 'room', height: measured(2600), spread: true, walls }, openings, fixtures };
}

/** Judging a full room against drawing it, from its walls to its picture. */
export async function layoutFigures(): Promise<Figure[]> {
  const { shape, openings, fixtures } = room();
  const terms = usualTerms('imperial', true, false);
  const pictured = (): string => {
    const drawn = planOf('Room', shape, openings, fixtures, 'imperial');
    if (!drawn) throw new Error('The room does not hold together.');
    return svgOf(drawn);
  };
  const [judging = [], drawing = []] = await inTurn(200, [
    () => checkPlan(shape, openings, fixtures, terms),
    () => pictured(),
  ]);
  const name = `judging a room of ${shape.walls.length} walls and ${THINGS} things`;
  return [figure(name, median(judging), 'ms', 'drawing it', median(drawing))];
}
