import { useId } from 'react';
import type { SmallRoom, SmallSection as Section } from '@/contract/views/today';
import { shapeOf } from './state-icon';

const WIDE = 290;
/** Height from the ridge to the ground, and what is shown under it. */
const TALL = 128;
const UNDER = 34;
const MARK = 14;

interface Placed {
  room: SmallRoom;
  x: number;
  y: number;
  wide: number;
  tall: number;
}

/** Rooms side by side, each as wide as the others. */
const beside = (rooms: readonly SmallRoom[], x: number, y: number, wide: number, tall: number): Placed[] =>
  rooms.map((room, at) => ({ room, x: x + (wide * at) / rooms.length, y, wide: wide / rooms.length, tall }));

const FACE = 11;
const OUTBUILDING = 40;

/** Where everything stands; storeys share the height under the roof. */
function placed({ storeys, roofs, faces, outbuildings, ground }: Section) {
  const above = storeys.filter(({ below }) => !below);
  const cellars = storeys.filter(({ below }) => below);
  const left = faces.filter((_, at) => at % 2 === 0);
  const right = faces.filter((_, at) => at % 2 === 1);
  const most = Math.max(1, ...above.map(({ rooms }) => rooms.length));
  const out = outbuildings.length > 0 ? OUTBUILDING + 10 : 0;
  const from = 14 + FACE * left.length;
  const wide = WIDE - 14 - from - FACE * right.length - out - 8;
  const roof = 30;
  const tall = (TALL - roof) / Math.max(1, above.length);
  const rooms: Placed[] = above.flatMap((storey, at) => {
    // A room or two over a whole house stand as a lantern or a loft over it.
    const share = storey.rooms.length <= 2 && most > 2 && at === 0 ? 0.36 : 1;
    return beside(storey.rooms, from + (wide * (1 - share)) / 2, roof + tall * at, wide * share, tall);
  });
  const bodyAt = above.findIndex((storey, at) => !(storey.rooms.length <= 2 && most > 2 && at === 0));
  const eaves = roof + tall * Math.max(0, bodyAt);
  const crowned = bodyAt > 0;
  return {
    rooms,
    faces: [
      ...beside(left, from - FACE * left.length, eaves, FACE * left.length, TALL - eaves),
      ...beside(right, from + wide, eaves, FACE * right.length, TALL - eaves),
    ],
    roofs: beside(roofs.slice(0, 1), from + wide * 0.4, crowned ? 4 : 8, wide * 0.2, 16),
    outbuildings: beside(outbuildings.slice(0, 1), WIDE - OUTBUILDING - 6, TALL - 36, OUTBUILDING, 36),
    cellars: cellars.flatMap((storey) => beside(storey.rooms, from, TALL + 2, wide, 22)),
    ground: beside(ground, from + wide * 0.5, TALL + 14, WIDE - from - wide * 0.5 - 4, 6),
    body: { from: from - FACE * left.length, to: from + wide + FACE * right.length, eaves, crowned, inner: from, wide },
  };
}

/** The roof, closed at its eaves; over a crown it leans against the walls of what stands up through it. */
function roofPath({ from, to, eaves, crowned, inner, wide }: ReturnType<typeof placed>['body']): string {
  const middle = (from + to) / 2;
  if (!crowned) return `M${from - 6} ${eaves}L${middle - 30} 4H${middle + 30}L${to + 6} ${eaves}Z`;
  const [left, right] = [inner + wide * 0.32, inner + wide * 0.68];
  const slopes = `M${from - 6} ${eaves}L${left} ${eaves - 12}M${right} ${eaves - 12}L${to + 6} ${eaves}`;
  return `${slopes}M${left - 6} 30L${left + 14} 4H${right - 14}L${right + 6} 30Z`;
}

/** The house cut through, small: every bay up out of the mist as far as its work is, what holds it standing in it. */
export function SmallSection({ section, pointAt }: { section: Section; pointAt?: string | undefined }) {
  const mist = useId();
  const at = placed(section);
  const all = [...at.rooms, ...at.faces, ...at.roofs, ...at.outbuildings, ...at.cellars, ...at.ground];
  const held = all.filter(({ room }) => room.held !== null);
  const pointed = all.find(({ room }) => room.id === pointAt);
  return (
    <svg className="small-section" viewBox={`0 0 ${WIDE} ${TALL + UNDER}`} aria-hidden="true">
      <pattern id={mist} width="22" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 3q5.5-3.6 11 0t11 0" fill="none" stroke="var(--mist-line)" strokeWidth=".9" />
      </pattern>
      {all.map((one) => (
        <Bay key={one.room.id} of={one} mist={`url(#${mist})`} />
      ))}
      <path d={roofPath(at.body)} className="wall" />
      {at.outbuildings.map(({ x, y, wide }) => (
        <path key={x} d={`M${x - 3} ${y}L${x + wide / 2} ${y - 12}L${x + wide + 3} ${y}Z`} className="wall" />
      ))}
      <path d={`M0 ${TALL}H${WIDE}`} className="wall ground" />
      {pointed && (
        <path
          d={`M${pointed.x + pointed.wide / 2} ${pointed.y + pointed.tall / 2}V${TALL + UNDER}`}
          className={`leader ${pointed.room.held ?? ''}`}
        />
      )}
      {held.map((one) => (
        <Held key={one.room.id} of={one} />
      ))}
    </svg>
  );
}

function Bay({ of: { room, x, y, wide, tall }, mist }: { of: Placed; mist: string }) {
  const stands = (room.share ?? 0) * tall;
  return (
    <>
      {room.share === null ? (
        <rect x={x} y={y} width={wide} height={tall} fill="var(--sheet)" />
      ) : (
        <>
          <rect x={x} y={y} width={wide} height={tall} fill="var(--mist-ground)" />
          <rect x={x} y={y} width={wide} height={tall - stands} fill={mist} />
          <rect x={x} y={y + tall - stands} width={wide} height={stands} fill="var(--stood)" />
          {room.share > 0 && room.share < 1 && (
            <path d={`M${x} ${y + tall - stands}h${wide}`} stroke="var(--ink)" strokeWidth="2" />
          )}
        </>
      )}
      <rect x={x} y={y} width={wide} height={tall} className="wall" />
    </>
  );
}

/** The board before a bay that is held, on a clear plate: striped where it stops work now, blank where it will. */
function Held({ of: { room, x, y, wide, tall } }: { of: Placed }) {
  const [left, top] = [x + wide / 2 - MARK / 2, y + tall / 2 - MARK / 2];
  return (
    <g transform={`translate(${left} ${top})`} className={room.held ?? ''}>
      <path d="M-2-2h18v18H-2z" fill="var(--sheet)" />
      {shapeOf(room.held ?? 'will-stop')}
    </g>
  );
}
