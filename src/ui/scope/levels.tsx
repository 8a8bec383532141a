'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { addLevelMark, changeLevelMark } from '@/contract/commands/layout';
import type { LevelsView } from '@/contract/views/layout';
import { LEVEL_KINDS } from '@/core/fit/levels';
import { formatLength } from '@/core/units/length';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { LengthField } from '../kit/measure-fields';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { newId } from '../offline/send';
import { ScopeTabs } from './scope-tabs';
import { useRemove } from '../kit/use-remove';
import { Hidden } from '../kit/hidden';
import { Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';

type Entry = LevelsView['marks'][number];
const HEIGHT = 420;
const LABEL = 24;

/** Floors, ground, footings, steps and inverts against one datum, drawn to scale on one staff. */
export function Levels({ view }: { view: LevelsView }) {
  const [open, setOpen] = useState<Entry | 'new'>();
  const remove = useRemove();
  const close = (): void => setOpen(undefined);
  const { units } = view.job;
  const say = (mm: number): string => (mm === 0 ? '±0' : `${mm < 0 ? '−' : '+'}${formatLength(Math.abs(mm), units)}`);
  const fields = (
    <>
      <TextField name="name" label="What it is" hint="like “workshop floor” or “gully in the yard”" />
      <SelectField name="kind" label="Kind" options={Object.entries(LEVEL_KINDS)} />
      <LengthField name="level" label="Against the datum" system={units} signed hint="Under it with a minus." />
    </>
  );
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} />
      <div className="page">
        <PageHead heading={<Means of="word.fall">Levels</Means>}>
          <span className="soft">against one datum: choose a floor that stays and call it nought</span>
          <span className="push no-print">
            <Button onClick={() => setOpen('new')}>A level</Button>
          </span>
        </PageHead>
        {view.marks.length === 0 && (
          <Empty>
            <p className="mb-0">
              No level yet. Begin with the floor that stays as the datum, at 0, then the ground outside, the gully, the
              footing you dug up.
            </p>
          </Empty>
        )}
        {view.problems.map((text) => (
          <div key={text} className="notice bad">
            <StateIcon kind="stop" />
            <div>{text} Your local code and inspector decide.</div>
          </div>
        ))}
        {view.marks.length > 0 && (
          <div className="main-and-aside">
            <Staff marks={view.marks} say={say} />
            <Lines>
              {view.marks.map((mark) => (
                <Line
                  key={mark.id}
                  mark={
                    <span className="mono text-end" style={{ minWidth: '6.5rem' }}>
                      {say(mark.mm)}
                    </span>
                  }
                  beside={
                    <span className="no-print d-flex gap-2">
                      <LinkButton onClick={() => setOpen(mark)}>
                        Change<Hidden> {mark.name}</Hidden>
                      </LinkButton>
                      <LinkButton onClick={() => remove('level', mark.id, mark.name)}>
                        Remove<Hidden> {mark.name}</Hidden>
                      </LinkButton>
                    </span>
                  }
                >
                  {mark.name} <span className="soft small-text">{LEVEL_KINDS[mark.kind]}</span>
                </Line>
              ))}
            </Lines>
          </div>
        )}
        <SidePanel title={open === 'new' ? 'A level' : 'Change a level'} open={open !== undefined} onClose={close}>
          {open === 'new' && (
            <CommandForm
              kind={addLevelMark}
              submit="Save"
              onDone={close}
              start={() => ({ id: newId(), job: view.job.id, name: '', kind: 'floor' as const })}
            >
              {fields}
            </CommandForm>
          )}
          {open && open !== 'new' && (
            <CommandForm
              kind={changeLevelMark}
              submit="Save"
              onDone={close}
              start={() => ({
                id: open.id,
                version: open.version,
                name: open.name,
                kind: open.kind,
                level: { mm: open.mm, typed: open.typed },
              })}
            >
              {fields}
            </CommandForm>
          )}
        </SidePanel>
      </div>
    </>
  );
}

/** Words at least a line apart, from the top down. */
const apart = (rows: { mark: Entry; y: number }[]): { mark: Entry; y: number; words: number }[] =>
  rows.reduce<{ mark: Entry; y: number; words: number }[]>(
    (placed, row) => [...placed, { ...row, words: Math.max(row.y, (placed.at(-1)?.words ?? -Infinity) + LABEL) }],
    [],
  );

/** To scale; where levels lie close together their words move apart and a line leads back. */
function Staff({ marks, say }: { marks: Entry[]; say: (mm: number) => string }) {
  const [top, bottom] = [Math.max(0, ...marks.map((mark) => mark.mm)), Math.min(0, ...marks.map((mark) => mark.mm))];
  const scale = (HEIGHT - 2 * LABEL) / Math.max(1, top - bottom);
  const at = (mm: number): number => LABEL + (top - mm) * scale;
  const rows = apart([...marks].sort((a, b) => b.mm - a.mm).map((mark) => ({ mark, y: at(mark.mm) })));
  const height = Math.max(HEIGHT, (rows.at(-1)?.words ?? 0) + LABEL);
  return (
    <svg
      className="staff"
      viewBox={`0 0 460 ${height}`}
      role="img"
      aria-label={`Levels from ${say(top)} down to ${say(bottom)}`}
    >
      <line x1="18" x2="18" y1={LABEL / 2} y2={at(bottom) + LABEL / 2} stroke="currentColor" strokeWidth="1" />
      <path d={`M0 ${at(0)}l8 -7v14z`} fill="var(--tide)">
        <title>datum</title>
      </path>
      {rows.map(({ mark, y, words }) => (
        <g key={mark.id}>
          <path
            d={`M10 ${y}h70L120 ${words}h20`}
            fill="none"
            stroke="currentColor"
            strokeWidth={mark.kind === 'floor' ? 2.5 : 1.25}
            {...(mark.kind === 'ground'
              ? { strokeDasharray: '7 3' }
              : mark.kind === 'invert'
                ? { strokeDasharray: '2 3' }
                : {})}
          />
          <text x="148" y={words + 4} fontSize="13" fill="currentColor">
            <tspan fontFamily="var(--mono)">{say(mark.mm)}</tspan> {mark.name}
            {mark.mm === 0 ? ', the datum' : ''}
          </text>
        </g>
      ))}
    </svg>
  );
}
