import {
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import type { Drawing } from '@/core/layout/stroke';

const LAYERS = { walls: 7, openings: 5, swings: 8, fixtures: 3, ceiling: 6, measures: 2, ground: 1 } as const;

/** A drawing as DXF in mm, each kind of line on a layer of its own. */
export function dxfOf(drawing: Drawing): string {
  const file = new DxfWriter();
  file.setUnits(Units.Millimeters);
  for (const [layer, colour] of Object.entries(LAYERS)) file.addLayer(layer.toUpperCase(), colour, 'CONTINUOUS');
  for (const stroke of drawing.strokes) {
    const layerName = stroke.layer.toUpperCase();
    if (stroke.form === 'path')
      file.addLWPolyline(
        stroke.points.map((point) => ({ point: point2d(point.x, point.y) })),
        { layerName, flags: stroke.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
    else if (stroke.form === 'arc')
      file.addArc(point3d(stroke.centre.x, stroke.centre.y), stroke.radius, stroke.from, stroke.to, { layerName });
    else {
      const at = point3d(stroke.at.x, stroke.at.y);
      file.addText(at, stroke.height, plain(stroke.text), {
        layerName,
        rotation: stroke.turn,
        horizontalAlignment: TextHorizontalAlignment.Center,
        verticalAlignment: TextVerticalAlignment.Middle,
        secondAlignmentPoint: at,
      });
    }
  }
  return file.stringify();
}

/** Readers of DXF expect one line of plain signs. */
const plain = (text: string): string =>
  text
    .replace(/[\r\n]+/g, ' ')
    .replace(/−/g, '-')
    .replace(/×/g, 'x');
