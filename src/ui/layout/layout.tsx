'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Removable } from '@/contract/commands/scope';
import type { LayoutView } from '@/contract/views/layout';
import type { Seen } from '@/core/layout/drawing';
import { usualTerms, type PlanFinding } from '@/core/layout/fit/finding';
import { checkArea } from '@/core/layout/plan-fit';
import { OPENING_KINDS, type Shape } from '@/core/layout/shape';
import type { LengthSystem } from '@/core/units/length';
import { JobTabs } from '../shell/job-tabs';
import { PageHead } from '../kit/page';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { useSend } from '../kit/use-send';
import { Drawn } from './drawn';
import { ComputedForIt, Decided, DoesItFit, ItMeasures } from './layout-facts';
import { MoveWall } from './move-wall';
import { ShapeEditor } from './shape-editor';
import { FixtureForm, OpeningForm } from './thing-forms';
import { Things, type OpenThing } from './things';
import { usePulled } from './use-pulled';

/** One area to scale: drawn from what was measured, asked whether everything fits, and what follows from it. */
export function Layout({ view }: { view: LayoutView }) {
  const { area, job, shape } = view;
  const system = job.units;
  const [mode, setMode] = useState<'look' | 'draw' | 'move'>(shape ? 'look' : 'draw');
  const [seen, setSeen] = useState<Seen>();
  const [open, setOpen] = useState<OpenThing>();
  const remove = useRemove();
  const { give } = useSend();
  const { fixtures, pull, latest } = usePulled(view, give);
  const close = (): void => setOpen(undefined);
  const findings: PlanFinding[] = shape
    ? checkArea(shape, view.openings, fixtures, usualTerms(system, area.sleeping, area.atGrade))
    : [];
  const pick = (about: string): void => {
    const picked = /^wall (\d+)$/.exec(about);
    const opening = view.openings.find((kept) => kept.id === about);
    const thing = latest(about);
    if (picked) setSeen(Number(picked[1]) - 1);
    else if (opening) setOpen({ form: 'opening', thing: opening });
    else if (thing) setOpen({ form: 'fixture', thing });
  };
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <p className="mb-1 small-text">
          <Link href={routes.rooms(job.id)} className="soft">
            {job.name}
          </Link>{' '}
          <span className="soft">·</span>{' '}
          <Link href={routes.room(job.id, area.id)} className="soft">
            {area.name}
          </Link>
        </p>
        <LayoutActions area={area} shape={shape} mode={mode} setOpen={setOpen} setMode={setMode} />
        {mode === 'draw' && (
          <ShapeEditor
            key={view.version}
            area={area}
            shape={shape}
            version={view.version}
            system={system}
            onDone={() => setMode('look')}
          />
        )}
        {mode === 'move' && shape?.kind === 'room' && (
          <MoveWall view={view} shape={shape} onDone={() => setMode('look')} />
        )}
        {mode === 'look' && shape && (
          <div className="layout-page">
            <section>
              <Drawn
                view={view}
                shape={shape}
                fixtures={fixtures}
                seen={seen}
                onSee={setSeen}
                onPick={pick}
                onPull={pull}
              />
              <Things view={view} onOpen={setOpen} />
            </section>
            <div>
              <DoesItFit area={area} give={give} findings={findings} shape={shape} />
              <ItMeasures view={view} system={system} />
              <ComputedForIt area={area} view={view} />
              {view.decisions.length > 0 && <Decided view={view} />}
            </div>
          </div>
        )}
        <LayoutPanel open={open} close={close} shape={shape} area={area} system={system} remove={remove} />
      </div>
    </>
  );
}

/** What can be done with the drawing. */
function LayoutActions({
  area,
  shape,
  mode,
  setOpen,
  setMode,
}: {
  area: LayoutView['area'];
  shape: Shape | null;
  mode: 'look' | 'draw' | 'move';
  setOpen: (next: OpenThing | undefined) => void;
  setMode: (next: 'look' | 'draw' | 'move') => void;
}) {
  return (
    <PageHead heading={<>{area.name} to scale</>}>
      <span className="soft">{area.side}</span>
      {shape && mode === 'look' && (
        <span className="push actions no-print">
          {(shape.kind === 'room' || shape.kind === 'face') && (
            <Button onClick={() => setOpen({ form: 'opening' })}>An opening</Button>
          )}
          {shape.kind === 'room' && (
            <>
              <Button variant="outline-secondary" onClick={() => setOpen({ form: 'fixture' })}>
                Furniture or fixture
              </Button>
              <Button variant="outline-secondary" onClick={() => setMode('move')}>
                Move a wall
              </Button>
            </>
          )}
          <Button variant="outline-secondary" onClick={() => setMode('draw')}>
            Measures
          </Button>
          <PrintButton>Print</PrintButton>
        </span>
      )}
    </PageHead>
  );
}

/** The form of an opening or a fixture, beside the drawing. */
function LayoutPanel({
  open,
  close,
  shape,
  area,
  system,
  remove,
}: {
  open: OpenThing | undefined;
  close: () => void;
  shape: Shape | null;
  area: LayoutView['area'];
  system: LengthSystem;
  remove: (of: Removable, id: string, words: string) => void;
}) {
  const drawn = { area: area.id, system, onDone: close };
  const take = (): void => {
    close();
    if (!open?.thing) return;
    const { id, name } = open.thing;
    remove(open.form, id, open.form === 'opening' ? name || OPENING_KINDS[open.thing.kind] : name);
  };
  return (
    <SidePanel title={open ? titleOf(open) : ''} open={open !== undefined} onClose={close}>
      {open && shape && (
        <>
          {open.form === 'opening' ? (
            <OpeningForm {...drawn} shape={shape} {...(open.thing ? { opening: open.thing } : {})} />
          ) : (
            <FixtureForm {...drawn} shape={shape} {...(open.thing ? { thing: open.thing } : {})} />
          )}
          {open.thing && (
            <Button variant="link" className="px-0 mt-2" onClick={take}>
              Take it away
            </Button>
          )}
        </>
      )}
    </SidePanel>
  );
}

const titleOf = ({ form, thing }: OpenThing): string =>
  form === 'opening' ? (thing ? 'Change an opening' : 'An opening') : thing ? 'Change it' : 'A thing in the room';
