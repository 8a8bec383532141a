import type { Drawing, Layer, Stroke } from './stroke';

/** Ink by layer, the same on screen and on paper: never colour alone, so widths and dashes differ too. */
export const INK: Record<Layer, { width: number; dash?: string; fill?: true }> = {
  walls: { width: 4 },
  openings: { width: 2, fill: true },
  swings: { width: 1, dash: '4 3' },
  fixtures: { width: 1.5, fill: true },
  ceiling: { width: 1.5, dash: '7 3 2 3' },
  measures: { width: 0.75, dash: '2 3' },
  ground: { width: 1.5, dash: '9 4' },
};

/** Radians of an arc as an SVG path, y turned down. */
export function arcPath({ centre, radius, from, to }: Extract<Stroke, { form: 'arc' }>): string {
  const at = (degrees: number): string =>
    `${(centre.x + radius * Math.cos((degrees * Math.PI) / 180)).toFixed(1)} ` +
    (-(centre.y + radius * Math.sin((degrees * Math.PI) / 180))).toFixed(1);
  return `M${at(from)}A${radius.toFixed(1)} ${radius.toFixed(1)} 0 ${to - from > 180 ? 1 : 0} 0 ${at(to)}`;
}

export const pathOf = ({ points, closed }: Extract<Stroke, { form: 'path' }>): string =>
  `M${points.map((point) => `${point.x.toFixed(1)} ${(-point.y).toFixed(1)}`).join('L')}${closed ? 'Z' : ''}`;
export const viewBoxOf = ({ bounds }: Drawing): string =>
  `${bounds.left.toFixed(1)} ${(-bounds.top).toFixed(1)} ${(bounds.right - bounds.left).toFixed(1)} ` +
  (bounds.top - bounds.bottom).toFixed(1);

const escapeXml = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** A drawing as an SVG file by itself, black on white, in mm; `width` in px is what it is shown at. */
export function svgOf(drawing: Drawing, width = 900): string {
  const span = drawing.bounds.right - drawing.bounds.left;
  const height = (width * (drawing.bounds.top - drawing.bounds.bottom)) / span;
  // Strokes are as wide on paper whatever the scale.
  const px = span / width;
  const strokes = drawing.strokes.map((stroke) => {
    const ink = INK[stroke.layer];
    if (stroke.form === 'text') {
      const turn = `rotate(${(-stroke.turn).toFixed(2)} ${stroke.at.x.toFixed(1)} ${(-stroke.at.y).toFixed(1)})`;
      return (
        `<text x="${stroke.at.x.toFixed(1)}" y="${(-stroke.at.y).toFixed(1)}" ` +
        `font-size="${stroke.height.toFixed(1)}" text-anchor="middle" ` +
        `dominant-baseline="middle"${stroke.turn ? ` transform="${turn}"` : ''}>${escapeXml(stroke.text)}</text>`
      );
    }
    const dash = ink.dash
      ? ` stroke-dasharray="${ink.dash
          .split(' ')
          .map((part) => (Number(part) * px).toFixed(1))
          .join(' ')}"`
      : '';
    return (
      `<path d="${stroke.form === 'arc' ? arcPath(stroke) : pathOf(stroke)}" ` +
      `fill="${ink.fill && stroke.form === 'path' && stroke.closed ? '#fff' : 'none'}" stroke="#000" ` +
      `stroke-width="${(ink.width * px).toFixed(1)}"${dash}/>`
    );
  });
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height.toFixed(0)}" ` +
    `viewBox="${viewBoxOf(drawing)}" font-family="Archivo, Helvetica, Arial, ` +
    `sans-serif"><title>${escapeXml(drawing.title)}</title>${strokes.join('')}</svg>\n`
  );
}
