'use client';
import { sayMeasure } from '@/core/quantities/measured';
import { api, routes } from '@/contract/routes';
import Link from 'next/link';
import { useRef, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { changeFixture, describeArea } from '@/contract/commands/layout';
import type { KeptOpening, KeptFixture, LayoutView } from '@/contract/views/layout';
import { dragged } from '@/core/layout/drag';
import { drawingOf, planOf, wallElevation, type Drawing } from '@/core/layout/drawing';
import type { Point } from '@/core/layout/point';
import { outlineOf } from '@/core/layout/room-outline';
import { MEASURES, type Measure } from '@/core/layout/measures';
import { usualTerms, type PlanFinding } from '@/core/layout/fit/finding';
import { checkArea } from '@/core/layout/plan-fit';
import { standsOnFloor } from '@/core/layout/tape-marks';
import { OPENING_KINDS } from '@/core/layout/shape';
import { formatLength, type LengthSystem } from '@/core/units/length';
import { JobTabs } from '../shell/job-tabs';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { useSend, type Give } from '../kit/use-send';
import { useRemove } from '../kit/use-remove';
import { DrawingView } from './drawing-view';
import { MoveWall } from './move-wall';
import { ShapeEditor } from './shape-editor';
import { OpeningForm, FixtureForm } from './thing-forms';
import type { Shape } from '@/core/layout/shape';
import type { AreaKind } from '@/core/sites/area';
import type { Phase } from '@/core/sequence/phases';
import type { Trade } from '@/core/sequence/trades';
import type { Removable } from '@/contract/commands/scope';
import { Hidden } from '../kit/hidden';
import { Block, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type Open = { form: 'opening'; thing?: KeptOpening } | { form: 'fixture'; thing?: KeptFixture };

/** One area to scale: drawn from what was measured, asked whether everything fits, and what follows from it. */
export function Layout({ view }: { view: LayoutView }) {
  const { area, job, shape } = view;
  const system = job.units;
  const [mode, setMode] = useState<'look' | 'draw' | 'move'>(shape ? 'look' : 'draw');
  const [seen, setSeen] = useState<Seen>();
  const [open, setOpen] = useState<Open>();
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

type Seen = number | 'ceiling' | undefined;

/**
 * Things of the room as they are, or where one is held while it is pulled over the plan. Let go it is kept there: the
 * next pull begins where the last one ended, though the page has not heard of it yet.
 */
function usePulled(view: LayoutView, give: Give) {
  const { shape, job } = view;
  const [held, setHeld] = useState<KeptFixture>();
  const letGo = useRef(new Map<string, KeptFixture>());
  const sending = useRef<Promise<unknown>>(Promise.resolve());
  const newest = (thing: KeptFixture, mine: KeptFixture | undefined): KeptFixture =>
    mine?.id === thing.id && mine.version >= thing.version ? mine : thing;
  const pull = (about: string, by: Point, done: boolean): void => {
    const thing = latest(about);
    const outline = shape?.kind === 'room' ? outlineOf(shape, job.units) : undefined;
    if (!thing || shape?.kind !== 'room' || !outline?.ok) return;
    const next = { ...thing, ...dragged(shape, outline.value.corners, thing, by, job.units) };
    setHeld(next);
    if (!done || (next.along.mm === thing.along.mm && next.away.mm === thing.away.mm)) return;
    letGo.current.set(about, { ...next, version: thing.version + 1 });
    const told = { text: `${thing.name} was moved.`, back: `${thing.name} is back where it was.` };
    sending.current = sending.current
      .then(() => give(changeFixture, next, told))
      .then((taken) => {
        if (taken) return;
        letGo.current.delete(about);
        setHeld(undefined);
      });
  };
  const latest = (about: string): KeptFixture | undefined => {
    const shown = view.fixtures.find(({ id }) => id === about);
    return shown && newest(shown, letGo.current.get(about));
  };
  return { fixtures: view.fixtures.map((thing) => newest(thing, held)), pull, latest };
}

/** The drawing, seen as one chooses, with its files. */
function Drawn({
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
  seen: Seen;
  onSee: (next: Seen) => void;
  onPick: (about: string) => void;
  onPull: (about: string, by: Point, done: boolean) => void;
}) {
  const { area, job } = view;
  const wall = typeof seen === 'number' ? seen : undefined;
  const drawing = drawnAs(area.name, shape, view.openings, fixtures, job.units, seen);
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
            label={`${area.name}${wall === undefined ? '' : `, wall ${wall + 1} from inside`}, to scale`}
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

/** The plan, its ceiling, one wall from inside, or whatever else shows most of a shape. */
const drawnAs = (
  name: string,
  shape: Shape,
  openings: readonly KeptOpening[],
  fixtures: readonly KeptFixture[],
  system: LengthSystem,
  seen: Seen,
): Drawing | undefined =>
  shape.kind !== 'room' || seen === undefined
    ? drawingOf(name, shape, openings, fixtures, system)
    : seen === 'ceiling'
      ? planOf(name, shape, openings, fixtures, system, 'ceiling')
      : wallElevation(name, shape, openings, fixtures, seen, system);

/** What can be done with the drawing. */
function LayoutActions({
  area,
  shape,
  mode,
  setOpen,
  setMode,
}: {
  area: {
    id: string;
    name: string;
    kind: AreaKind;
    side: string;
    sleeping: boolean;
    atGrade: boolean;
    phases: { phase: Phase; label: string; trade: Trade }[];
  };
  shape: Shape | null;
  mode: 'look' | 'draw' | 'move';
  setOpen: (next: Open | undefined) => void;
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

/** Decided. */
function Decided({ view }: { view: LayoutView }) {
  return (
    <Block heading="Decided">
      <Lines>
        {view.decisions.map((decision) => (
          <Line key={decision.id} mark={<StateIcon kind="done" silent />}>
            {decision.subject}
            <div className="small-text soft">
              {decision.reason} · {decision.by}, {decision.when}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** Computed for it. */
function ComputedForIt({
  area,
  view,
}: {
  area: {
    id: string;
    name: string;
    kind: AreaKind;
    side: string;
    sleeping: boolean;
    atGrade: boolean;
    phases: { phase: Phase; label: string; trade: Trade }[];
  };
  view: LayoutView;
}) {
  return (
    <Block
      heading="Computed for it"
      beside={
        <Link className="push small-text no-print" href={routes.bench(area.id)}>
          open Bench
        </Link>
      }
    >
      {view.calculations.length === 0 && <p className="soft mt-2">Nothing yet.</p>}
      <Lines>
        {view.calculations.map((calculation) => (
          <Line key={calculation.id} mark={<StateIcon kind={calculation.problem ? 'stop' : 'done'} silent />}>
            <Link href={routes.calculator(calculation.calculator, { kept: calculation.id })}>
              {calculation.product || calculation.title}
            </Link>
            : {calculation.problem ?? calculation.answer}
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** It measures. */
function ItMeasures({ view, system }: { view: LayoutView; system: 'metric' | 'imperial' }) {
  return (
    <Block heading="It measures">
      <Lines className="small-text">
        {(Object.keys(view.measures) as Measure[]).flatMap((measure) => {
          const value = view.measures[measure];
          if (typeof value !== 'number' || value <= 0) return [];
          const { dimension, label } = MEASURES[measure];
          return [
            <li key={measure}>
              <span className="what soft">{label}</span>
              <span className="mono">
                {dimension === 'length' ? formatLength(value, system) : sayMeasure(measure, value, system)}
              </span>
            </li>,
          ];
        })}
      </Lines>
    </Block>
  );
}

/** Does it fit. */
function DoesItFit({
  area,
  give,
  findings,
  shape,
}: {
  area: {
    id: string;
    name: string;
    kind: AreaKind;
    side: string;
    sleeping: boolean;
    atGrade: boolean;
    phases: { phase: Phase; label: string; trade: Trade }[];
  };
  give: Give;
  findings: PlanFinding[];
  shape: Shape;
}) {
  return (
    <Block heading="Does it fit">
      {area.kind !== 'face' && area.kind !== 'roof' && area.kind !== 'ground' && (
        <Form.Check
          id="sleeping"
          className="mt-2 no-print"
          label="Somebody sleeps here"
          checked={area.sleeping}
          onChange={(event) =>
            void give(describeArea, { id: area.id, side: area.side, sleeping: event.target.checked })
          }
        />
      )}
      {findings.length === 0 && (
        <p className="soft mt-2">
          {shape.kind === 'roof'
            ? 'Nothing to ask of a roof by its plan.'
            : 'Nothing to ask yet: set doors, windows and what is to stand here.'}
        </p>
      )}
      <Lines>
        {(['bad', 'ask', 'good'] as const).flatMap((tone) =>
          findings
            .filter((finding) => finding.tone === tone)
            .map((finding) => (
              <Line
                key={finding.key}
                mark={<StateIcon kind={tone === 'bad' ? 'stop' : tone === 'ask' ? 'waiting' : 'done'} />}
              >
                {finding.text}
              </Line>
            )),
        )}
      </Lines>
    </Block>
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
  open: Open | undefined;
  close: () => void;
  shape: Shape | null;
  area: {
    id: string;
    name: string;
    kind: AreaKind;
    side: string;
    sleeping: boolean;
    atGrade: boolean;
    phases: { phase: Phase; label: string; trade: Trade }[];
  };
  system: 'metric' | 'imperial';
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

const titleOf = ({ form, thing }: Open): string =>
  form === 'opening' ? (thing ? 'Change an opening' : 'An opening') : thing ? 'Change it' : 'A thing in the room';

function Things({ view, onOpen }: { view: LayoutView; onOpen: (open: Open) => void }) {
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
