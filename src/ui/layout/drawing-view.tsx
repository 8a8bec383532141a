'use client';
import { useRef } from 'react';
import type { Point } from '@/core/layout/point';
import type { Drawing, Stroke } from '@/core/layout/stroke';
import { arcPath, INK, pathOf, viewBoxOf } from '@/core/layout/svg';

interface Terms {
  drawing: Drawing;
  label: string;
  /** What is picked out: a wall or the id of a thing. */
  chosen?: string | undefined;
  /** The same room before a wall moved, drawn faint beneath. */
  ghost?: Drawing | undefined;
  onPick?: ((about: string) => void) | undefined;
  /** A thing is pulled by so much, in mm of the drawing; `done` when it is let go. */
  onPull?: (about: string, by: Point, done: boolean) => void;
  pullable?: readonly string[];
}

const shownAt = 640;

/** A plan or elevation to scale, from the same strokes as its files. */
export function DrawingView({ drawing, label, chosen, ghost, onPick, onPull, pullable = [] }: Terms) {
  const pulling = usePulling(onPull, onPick, pullable);
  const px = (drawing.bounds.right - drawing.bounds.left) / shownAt;
  return (
    <svg className="drawing" viewBox={viewBoxOf(drawing)} role="img" aria-label={label} {...pulling}>
      {ghost?.strokes
        .filter((stroke) => stroke.layer === 'walls')
        .map((stroke, index) => (
          <Line key={`ghost${index}`} stroke={stroke} px={px} faint />
        ))}
      {drawing.strokes.map((stroke, index) => (
        <Line
          key={index}
          stroke={stroke}
          px={px}
          chosen={chosen !== undefined && 'about' in stroke && stroke.about === chosen}
          onPick={onPick}
          pull={stroke.about !== undefined && pullable.includes(stroke.about)}
        />
      ))}
    </svg>
  );
}

/** So far a pointer may tremble before it pulls. px */
const TREMBLE = 4;

/** Things that can be pulled over the drawing with a pointer; a tap without a pull picks as before. */
function usePulling(
  onPull: Terms['onPull'],
  onPick: Terms['onPick'],
  pullable: readonly string[],
): React.SVGProps<SVGSVGElement> {
  const held = useRef<{ about: string; from: Point; moved: boolean }>(undefined);
  const at = (event: React.PointerEvent<SVGSVGElement>): Point => {
    const matrix = event.currentTarget.getScreenCTM()?.inverse();
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
    return { x, y: -y };
  };
  if (!onPull) return {};
  const pulledBy = (event: React.PointerEvent<SVGSVGElement>, from: Point): Point => {
    const now = at(event);
    return { x: now.x - from.x, y: now.y - from.y };
  };
  return {
    onPointerDown: (event) => {
      const about = (event.target as Element).getAttribute('data-about');
      if (!about || !pullable.includes(about) || event.button !== 0) return;
      held.current = { about, from: at(event), moved: false };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event) => {
      const { current } = held;
      if (!current) return;
      const scale = event.currentTarget.getScreenCTM()?.a ?? 1;
      const by = pulledBy(event, current.from);
      current.moved ||= Math.hypot(by.x, by.y) * scale > TREMBLE;
      if (current.moved) onPull(current.about, by, false);
    },
    onPointerUp: (event) => {
      const { current } = held;
      held.current = undefined;
      if (!current) return;
      if (current.moved) onPull(current.about, pulledBy(event, current.from), true);
      // A pointer that is held by the drawing taps the drawing, not the thing under it.
      else onPick?.(current.about);
    },
    onPointerCancel: () => {
      if (held.current?.moved) onPull(held.current.about, { x: 0, y: 0 }, true);
      held.current = undefined;
    },
  };
}

function Line({
  stroke,
  px,
  chosen,
  faint,
  onPick,
  pull,
}: {
  stroke: Stroke;
  px: number;
  chosen?: boolean;
  faint?: boolean;
  onPick?: Terms['onPick'];
  pull?: boolean;
}) {
  const pick =
    onPick && stroke.about
      ? {
          onClick: () => onPick(stroke.about ?? ''),
          style: pull ? { cursor: 'grab', touchAction: 'none' } : { cursor: 'pointer' },
          'data-about': stroke.about,
        }
      : {};
  if (stroke.form === 'text') {
    return (
      <text
        x={stroke.at.x}
        y={-stroke.at.y}
        textAnchor="middle"
        dominantBaseline="central"
        fill="currentColor"
        {...(stroke.turn ? { transform: `rotate(${-stroke.turn} ${stroke.at.x} ${-stroke.at.y})` } : {})}
        {...pick}
        style={{ ...('style' in pick ? pick.style : {}), fontSize: `calc(${stroke.height}px * var(--writing, 1))` }}
      >
        {stroke.text}
      </text>
    );
  }
  const ink = INK[stroke.layer];
  const closed = stroke.form === 'path' && stroke.closed;
  const d = stroke.form === 'arc' ? arcPath(stroke) : pathOf(stroke);
  return (
    <>
      <path
        d={d}
        fill={closed && ink.fill ? 'var(--sheet)' : 'none'}
        stroke={faint ? 'var(--mist-line)' : chosen ? 'var(--tide)' : 'currentColor'}
        strokeWidth={(chosen ? ink.width + 2 : faint ? 1.5 : ink.width) * px}
        {...(faint
          ? { strokeDasharray: `${5 * px} ${4 * px}` }
          : ink.dash
            ? {
                strokeDasharray: ink.dash
                  .split(' ')
                  .map((part) => Number(part) * px)
                  .join(' '),
              }
            : {})}
      />
      {/* A wall is thin and a thumb is not. */}
      {onPick && stroke.about && (
        <path d={d} fill={closed ? 'transparent' : 'none'} stroke="transparent" strokeWidth={26 * px} {...pick} />
      )}
    </>
  );
}
