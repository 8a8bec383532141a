import type { Drawing, Stroke } from '@/core/layout/drawing';
import { arcPath, INK, pathOf, viewBoxOf } from '@/core/layout/svg';

interface Terms {
  drawing: Drawing;
  label: string;
  /** What is picked out: a wall or the id of a thing. */
  chosen?: string | undefined;
  /** The same room before a wall moved, drawn faint beneath. */
  ghost?: Drawing | undefined;
  onPick?: ((about: string) => void) | undefined;
}

const shownAt = 640;

/** A plan or elevation to scale, from the same strokes as its files. */
export function DrawingView({ drawing, label, chosen, ghost, onPick }: Terms) {
  const px = (drawing.bounds.right - drawing.bounds.left) / shownAt;
  return (
    <svg className="drawing" viewBox={viewBoxOf(drawing)} role="img" aria-label={label}>
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
        />
      ))}
    </svg>
  );
}

function Line({
  stroke,
  px,
  chosen,
  faint,
  onPick,
}: {
  stroke: Stroke;
  px: number;
  chosen?: boolean;
  faint?: boolean;
  onPick?: Terms['onPick'];
}) {
  const pick =
    onPick && stroke.about ? { onClick: () => onPick(stroke.about ?? ''), style: { cursor: 'pointer' } } : {};
  if (stroke.form === 'text') {
    return (
      <text
        x={stroke.at.x}
        y={-stroke.at.y}
        fontSize={stroke.height}
        textAnchor="middle"
        dominantBaseline="central"
        fill="currentColor"
        {...(stroke.turn ? { transform: `rotate(${-stroke.turn} ${stroke.at.x} ${-stroke.at.y})` } : {})}
        {...pick}
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
