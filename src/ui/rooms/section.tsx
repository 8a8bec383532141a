'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import type { CSSProperties } from 'react';
import type { AreaView, RoomsView } from '@/contract/views/job';
import { Caption, Ladder, RungCell } from '../kit/ladder';
import { Hidden } from '../kit/hidden';
import { StateIcon } from '../kit/state-icon';

const doneOf = (area: AreaView): number => area.rungs.filter((rung) => rung.fraction >= 1).length;
/** What the ladder shows, for those who do not see it. */
const Said = ({ area }: { area: AreaView }) =>
  area.rungs.length === 0 ? null : (
    <Hidden>
      , {doneOf(area)} of {area.rungs.length} steps done
    </Hidden>
  );

/** Its name, with what holds it: the same mark as in the list beside the drawing and on Today. */
const Name = ({ area }: { area: AreaView }) => (
  <span className="name">
    {area.name} {area.held && <StateIcon kind={area.held} />}
  </span>
);

function Place({ area, job, short }: { area: AreaView; job: string; short?: boolean }) {
  return (
    <div className="place">
      <Link href={routes.room(job, area.id)}>
        <Name area={area} />
        <Caption area={area} />
        <Said area={area} />
        <Ladder area={area} {...(short ? { short } : {})} />
      </Link>
    </div>
  );
}

/** Storeys share the height of the screen: fewer of them stand taller. */
const ladderHeight = (storeys: number): number => (storeys <= 2 ? 136 : storeys === 3 ? 112 : 96);
/** Name, caption and floor line of a storey, above its ladders. */
const STOREY_REST = 82;
/** Storeys with this many areas or fewer, over all others, are drawn as a part over a whole house. */
const PART = 2;

/** As high as it is on a screen of 800, and higher with the screen. */
const grown = (height: number): string => `max(${height}px, ${height / 8}vh)`;
/** Width of the widest part that stands up through the roof, as its rooms make it; in rem. */
const crownWide = (parts: RoomsView['levels']): number =>
  Math.max(0, ...parts.map(({ areas }) => areas.length * 7.5 + (areas.length - 1) * 0.6 + 1.5));

/** The job as a cut through the house: roof, storeys between their outside faces, ground line, cellars, drains below. */
export function Section({ view }: { view: RoomsView }) {
  const { faces, roofs, ground, outbuildings, job } = view;
  const used = view.levels.filter((level) => level.areas.length > 0);
  const [levels, cellars] = [used.filter((level) => level.height >= 0), used.filter((level) => level.height < 0)];
  const [left, right] = [faces.filter((_, index) => index % 2 === 0), faces.filter((_, index) => index % 2 === 1)];
  const firstWhole = levels.findIndex((level) => level.areas.length > PART);
  const whole = firstWhole === -1 ? 0 : levels.length - firstWhole;
  const crowned = firstWhole > 0;
  const height = crowned ? 100 : ladderHeight(whole || levels.length);
  const flank = Math.min(330, Math.max(height, (whole || levels.length) * (height + STOREY_REST) - STOREY_REST));
  const style = {
    '--ladder': grown(height),
    '--flank': grown(flank),
    '--crown': `${crownWide(levels.slice(0, Math.max(0, firstWhole)))}rem`,
    '--left': left.length > 0 ? `${left.length * 72}px` : 0,
    '--right': right.length > 0 ? `${right.length * 72}px` : 0,
    '--beside': outbuildings.length > 0 ? `${outbuildings.length * 84}px` : 0,
  } as CSSProperties;
  return (
    <div className="section" style={style}>
      <div className={`above ${crowned ? 'narrow' : ''}`}>
        <RoofLine path={crowned ? 'M0 39.3 14 1h72l14 38.3z' : 'M0 39.3 36 1h28l36 38.3z'} />
        {roofs.map((area) => (
          <Place key={area.id} area={area} job={job.id} />
        ))}
      </div>
      <Flank side="left" areas={left} job={job.id} />
      <div className="storeys">
        {levels.map((level, at) =>
          at < firstWhole ? (
            <div key={level.id} className="part-row">
              <RoofLine side="left" path="M0 39.5 100 6" />
              <RoofLine side="right" path="M100 39.5 0 6" />
              <Storey level={level} job={job.id} part />
            </div>
          ) : (
            <Storey key={level.id} level={level} job={job.id} />
          ),
        )}
      </div>
      <Flank side="right" areas={right} job={job.id} />
      <Flank side="beside" areas={outbuildings} job={job.id} />
      <div className="ground-line" />
      {cellars.length > 0 && (
        <div className="storeys cellars">
          {cellars.map((level) => (
            <Storey key={level.id} level={level} job={job.id} />
          ))}
        </div>
      )}
      {ground.length > 0 && (
        <div className="below">
          {ground.map((area) => (
            <GroundPlace key={area.id} area={area} job={job.id} />
          ))}
        </div>
      )}
    </div>
  );
}

function Storey({ level, job, part }: { level: RoomsView['levels'][number]; job: string; part?: boolean }) {
  return (
    <section className={`storey ${part ? 'part' : ''}`} aria-label={level.name}>
      <header>
        <h2>{level.name}</h2>
        {level.note && <span>{level.note}</span>}
      </header>
      <div className="row-of-areas">
        {level.areas.map((area) => (
          <Place key={area.id} area={area} job={job} short={level.areas.length > 6} />
        ))}
      </div>
    </section>
  );
}

/** A slope of the roof; at one side it leans against the wall of what stands up through it. */
const RoofLine = ({ path, side = '' }: { path: string; side?: 'left' | 'right' | '' }) => (
  <svg className={`roof-line ${side}`} viewBox="0 0 100 40" preserveAspectRatio="none" aria-hidden="true">
    <path d={path} fill="none" stroke="currentColor" strokeWidth="2" vectorEffect="non-scaling-stroke" />
  </svg>
);

function Flank({ side, areas, job }: { side: 'left' | 'right' | 'beside'; areas: AreaView[]; job: string }) {
  if (areas.length === 0) return null;
  return (
    <div className={`flank ${side}`}>
      {areas.map((area) => (
        <Place key={area.id} area={area} job={job} short />
      ))}
    </div>
  );
}

function GroundPlace({ area, job }: { area: AreaView; job: string }) {
  return (
    <div className="place ground-place">
      <Link href={routes.room(job, area.id)}>
        <span>
          <Name area={area} />
          <Caption area={area} />
          <Said area={area} />
        </span>
        <span className="lying" aria-hidden="true">
          {area.rungs.map((rung) => (
            <RungCell key={rung.phase} rung={rung} />
          ))}
        </span>
      </Link>
    </div>
  );
}
