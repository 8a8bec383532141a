'use client';
import { api } from '@/contract/routes';
import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { importOpenings, importShapes } from '@/contract/commands/layout';
import { addManyScope } from '@/contract/commands/scope';
import type { ScopePageView } from '@/contract/views/scope';
import type { CsvProblem } from '@/core/csv';
import { OPENING_CSV_EXAMPLE, readOpeningCsv, type DrawnArea } from '@/core/layout/opening-csv';
import type { Opening } from '@/core/layout/shape';
import { readShapeCsv, SHAPE_CSV_EXAMPLE } from '@/core/layout/shape-csv';
import { readScopeCsv, SCOPE_CSV_EXAMPLE } from '@/core/scope/scope-csv';
import { CsvEntry } from '../kit/csv-entry';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { BlockHead } from '../kit/page';
import { Lines } from '../kit/lines';

interface Read {
  problems: CsvProblem[];
  count: number;
  take: () => Promise<boolean>;
}

const KINDS = { scope: 'lines of scope', shapes: 'walls and sections', openings: 'openings' } as const;
type Kind = keyof typeof KINDS;
const EXAMPLES: Record<Kind, string> = {
  scope: SCOPE_CSV_EXAMPLE,
  shapes: SHAPE_CSV_EXAMPLE,
  openings: OPENING_CSV_EXAMPLE,
};

/** What is drawn of the job, read from its own lists once openings are to be held against it. */
function useDrawn(view: ScopePageView, asked: boolean): ReadonlyMap<string, DrawnArea> | undefined {
  const [drawn, setDrawn] = useState<ReadonlyMap<string, DrawnArea>>();
  const { id, units } = view.job;
  useEffect(() => {
    if (!asked) return;
    const named = new Map(view.areas.map((area) => [area.name.toLowerCase(), area.id]));
    const list = async (file: string): Promise<string> => (await fetch(api.jobFile(id, file))).text();
    void Promise.all([list('walls-and-sections.csv'), list('openings.csv')]).then(
      ([walls, holes]) => {
        const { openings } = readOpeningCsv(holes, units, named);
        const of = (area: string): Opening[] =>
          openings.flatMap((opening, at) => (opening.area === area ? [{ ...opening, id: `drawn ${at}` }] : []));
        const { shapes } = readShapeCsv(walls, units, named);
        setDrawn(new Map(shapes.map(({ area, shape }) => [area, { shape, openings: of(area) }])));
      },
      // Without them the door still holds every line against its wall.
      () => setDrawn(undefined),
    );
  }, [asked, id, units, view.areas]);
  return drawn;
}

/** Lists as CSV: in, with the good lines importable beside the bad ones; out, to be read back. */
export function Lists({ view, onDone }: { view: ScopePageView; onDone: () => void }) {
  const { give, busy } = useSend();
  const [kind, setKind] = useState<Kind>('scope');
  const [read, setRead] = useState<Read>();
  const job = view.job.id;
  const named = new Map(view.areas.map((area) => [area.name.toLowerCase(), area.id]));
  const drawn = useDrawn(view, kind === 'openings');
  const readers: Record<Kind, (text: string) => Read> = {
    scope: (text) => {
      const { lines, problems } = readScopeCsv(text, named);
      return {
        problems,
        count: lines.length,
        take: () =>
          give(
            addManyScope,
            { job, lines: lines.map((line) => ({ id: newId(), ...line })) },
            { text: `${lines.length} lines were taken in.` },
          ),
      };
    },
    shapes: (text) => {
      const { shapes, problems } = readShapeCsv(text, view.job.units, named);
      return {
        problems,
        count: shapes.length,
        take: () =>
          give(
            importShapes,
            { job, shapes: shapes.map(({ area, shape }) => ({ area, shape: shape as never })) },
            { text: `${shapes.length} areas are drawn.` },
          ),
      };
    },
    openings: (text) => {
      const { openings, problems } = readOpeningCsv(text, view.job.units, named, drawn);
      return {
        problems,
        count: openings.length,
        take: () =>
          give(
            importOpenings,
            { job, openings: openings.map((opening) => ({ id: newId(), ...opening })) },
            { text: `${openings.length} openings were taken in.` },
          ),
      };
    },
  };
  const turn = (next: Kind): void => {
    setKind(next);
    setRead(undefined);
  };
  return (
    <>
      <div className="chips mb-3" role="group" aria-label="Which list">
        {(Object.keys(KINDS) as Kind[]).map((entry) => (
          <button key={entry} type="button" className="chip" aria-pressed={kind === entry} onClick={() => turn(entry)}>
            {KINDS[entry]}
          </button>
        ))}
      </div>
      <CsvEntry
        key={kind}
        title={`In: ${KINDS[kind]}`}
        what={kind}
        example={EXAMPLES[kind]}
        problems={read?.problems ?? []}
        onText={(text) => setRead(readers[kind](text))}
      >
        {read && read.count > 0 && (
          <Button
            disabled={busy}
            onClick={() =>
              void read.take().then((taken) => {
                if (taken) onDone();
              })
            }
          >
            Take {read.problems.length > 0 ? `the ${read.count} good` : read.count}{' '}
            {read.count === 1 ? 'line' : 'lines'}
          </Button>
        )}
      </CsvEntry>
      <BlockHead heading="Out, as CSV" />
      <Lines>
        <li>
          <a className="what" href={api.jobFile(job, 'scope.csv')}>
            lines of scope
          </a>
        </li>
        <li>
          <a className="what" href={api.jobFile(job, 'walls-and-sections.csv')}>
            walls and sections
          </a>
        </li>
        <li>
          <a className="what" href={api.jobFile(job, 'openings.csv')}>
            openings
          </a>
        </li>
        <li>
          <a className="what" href={api.jobFile(job, 'materials.csv')}>
            materials
          </a>
        </li>
      </Lines>
    </>
  );
}
