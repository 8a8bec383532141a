'use client';
import { api } from '@/contract/routes';
import type { KeptFixture, KeptOpening, LayoutView } from '@/contract/views/layout';
import { OPENING_KINDS } from '@/core/layout/shape';
import { standsOnFloor } from '@/core/layout/tape-marks';
import { formatLength } from '@/core/units/length';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

/** What is opened beside the drawing: a new opening or thing, or one that is there. */
export type OpenThing = { form: 'opening'; thing?: KeptOpening } | { form: 'fixture'; thing?: KeptFixture };

/** What is set into the walls and stands in the room, each to be changed. */
export function Things({ view, onOpen }: { view: LayoutView; onOpen: (open: OpenThing) => void }) {
  const say = (mm: number): string => formatLength(mm, view.job.units);
  const onFloor = view.fixtures.filter(standsOnFloor);
  const part = view.shape?.kind === 'face' ? 'section' : 'wall';
  if (view.openings.length + view.fixtures.length === 0) return null;
  return (
    <Lines>
      {view.openings.map((opening) => (
        <Line
          key={opening.id}
          beside={
            <LinkButton className="no-print" onClick={() => onOpen({ form: 'opening', thing: opening })}>
              Change<Hidden> {opening.name || OPENING_KINDS[opening.kind]}</Hidden>
            </LinkButton>
          }
        >
          {opening.count > 1 ? `${opening.count} × ` : ''}
          {opening.name || OPENING_KINDS[opening.kind]}{' '}
          <span className="mono">
            {say(opening.width.mm)} × {say(opening.height.mm)}
          </span>
          <div className="small-text soft">
            {opening.name ? `${OPENING_KINDS[opening.kind]}, ` : ''}
            {part} {opening.wall + 1}
            {opening.along ? `, ${say(opening.along.mm)} from the left` : ', place not given'}
            {opening.sill.mm > 0 ? `, sill ${say(opening.sill.mm)}` : ''}
          </div>
        </Line>
      ))}
      {view.fixtures.map((fixture) => (
        <Line
          key={fixture.id}
          beside={
            <span className="no-print d-flex gap-3">
              {standsOnFloor(fixture) && (
                <a
                  className="small-text"
                  href={api.areaFile(view.area.id, `full-size-${onFloor.indexOf(fixture) + 1}.pdf`)}
                >
                  Full size<Hidden> {fixture.name}</Hidden>
                </a>
              )}
              <LinkButton onClick={() => onOpen({ form: 'fixture', thing: fixture })}>
                Change<Hidden> {fixture.name}</Hidden>
              </LinkButton>
            </span>
          }
        >
          {fixture.name}{' '}
          <span className="mono">
            {say(fixture.width.mm)} × {say(fixture.depth.mm)}
          </span>
          <div className="small-text soft">
            {part} {fixture.wall + 1}, {say(fixture.along.mm)} from the left
            {fixture.away.mm > 0 ? `, ${say(fixture.away.mm)} out from it` : ''}
            {fixture.bottom.mm > 0 ? `, ${say(fixture.bottom.mm)} over the floor` : ''}
            {fixture.front.mm > 0 ? `, ${say(fixture.front.mm)} free in front` : ''}
          </div>
        </Line>
      ))}
    </Lines>
  );
}
