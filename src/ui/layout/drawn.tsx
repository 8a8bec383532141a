'use client';
import { api } from '@/contract/routes';
import type { KeptFixture, LayoutView } from '@/contract/views/layout';
import { drawingOf, type Seen } from '@/core/layout/drawing';
import type { Point } from '@/core/layout/point';
import type { Shape } from '@/core/layout/shape';
import { DrawingView } from './drawing-view';

/** The drawing, seen as one chooses, with its files. */
export function Drawn({
  view,
  shape,
  fixtures,
  seen,
  onSee,
  onPick,
  onPull,
}: {
  view: LayoutView;
  shape: Shape;
  fixtures: readonly KeptFixture[];
  seen: Seen | undefined;
  onSee: (next: Seen | undefined) => void;
  onPick: (about: string) => void;
  onPull: (about: string, by: Point, done: boolean) => void;
}) {
  const { area, job } = view;
  const wall = typeof seen === 'number' ? seen : undefined;
  const drawing = drawingOf(area.name, shape, view.openings, fixtures, job.units, seen);
  const sheet = wall !== undefined ? `wall-${wall + 1}` : seen === 'ceiling' ? 'ceiling' : 'drawing';
  return (
    <>
      {shape.kind === 'room' && (
        <div className="chips mb-2 no-print" role="group" aria-label="Seen as">
          <button type="button" className="chip" aria-pressed={seen === undefined} onClick={() => onSee(undefined)}>
            plan
          </button>
          <button type="button" className="chip" aria-pressed={seen === 'ceiling'} onClick={() => onSee('ceiling')}>
            ceiling
          </button>
          {shape.walls.map((_, index) => (
            <button
              key={index}
              type="button"
              className="chip"
              aria-pressed={wall === index}
              onClick={() => onSee(index)}
            >
              wall {index + 1}
            </button>
          ))}
        </div>
      )}
      <div className="sheet">
        {drawing && (
          <DrawingView
            drawing={drawing}
            label={`${drawing.title}, to scale`}
            onPick={onPick}
            {...(seen === undefined ? { onPull, pullable: view.fixtures.map(({ id }) => id) } : {})}
          />
        )}
      </div>
      <p className="small-text mt-2 no-print">
        <a href={api.areaFile(area.id, `${sheet}.svg`)}>SVG</a> ·{' '}
        <a href={api.areaFile(area.id, `${sheet}.dxf`)}>DXF</a>
        {shape.kind === 'room' && (
          <>
            {' '}
            · <a href={api.areaFile(area.id, 'tape-marks.pdf')}>Tape marks (PDF)</a>
            <span className="soft"> · pull a thing to move it, or tap it to type</span>
          </>
        )}
        {shape.kind === 'run' && <span className="soft"> · heights are drawn ten times</span>}
      </p>
    </>
  );
}
