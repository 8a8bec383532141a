'use client';
import { routes } from '@/contract/routes';
import Link from 'next/link';
import type { CSSProperties } from 'react';
import type { AreaView, RoomsView } from '@/contract/views/job';
import { Caption, Ladder, RungCell } from '../kit/ladder';
import { Hidden } from '../kit/hidden';

const doneOf = (area: AreaView): number => area.rungs.filter((rung) => rung.fraction >= 1).length;
/** What the ladder shows, for those who do not see it. */
const Said = ({ area }: { area: AreaView }) =>
  area.rungs.length === 0 ? null : (
    <Hidden>
      , {doneOf(area)} of {area.rungs.length} steps done
    </Hidden>
  );

function Place({ area, job, short }: { area: AreaView; job: string; short?: boolean }) {
  return (
    <div className="place">
      <Link href={routes.room(job, area.id)}>
        <span className="name">{area.name}</span>
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
  const style = {
    '--ladder': `${height}px`,
    '--flank': `${Math.min(330, Math.max(height, (whole || levels.length) * (height + STOREY_REST) - STOREY_REST))}px`,
    '--left': left.length > 0 ? `${left.length * 72}px` : 0,
    '--right': right.length > 0 ? `${right.length * 72}px` : 0,
    '--beside': outbuildings.length > 0 ? `${outbuildings.length * 84}px` : 0,
  } as CSSProperties;
  return (
    <div className="section" style={style}>
      <div className={`above ${crowned ? 'narrow' : ''}`}>
        <RoofLine path={crowned ? 'M3 39.5 17 3h66l14 36.5' : 'M0 39.5 36 3h28l36 36.5'} />
        {roofs.map((area) => (
          <Place key={area.id} area={area} job={job.id} />
        ))}
      </div>
      <Flank side="left" areas={left} job={job.id} />
      <div className="storeys">
        {levels.map((level, at) =>
          at < firstWhole ? (
            <div key={level.id} className="part-row">
              <RoofLine path="M0 39.5 37 6M63 6l37 33.5" />
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

const RoofLine = ({ path }: { path: string }) => (
  <svg className="roof-line" viewBox="0 0 100 40" preserveAspectRatio="none" aria-hidden="true">
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
          <span className="name">{area.name}</span>
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
