'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { importOpenings, importShapes } from '@/contract/commands/layout';
import { addManyScope } from '@/contract/commands/scope';
import type { ScopePageView } from '@/contract/views/scope';
import type { CsvProblem } from '@/core/csv';
import { OPENING_CSV_EXAMPLE, readOpeningCsv } from '@/core/layout/opening-csv';
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

/** Lists as CSV: in, with the good lines importable beside the bad ones; out, to be read back. */
export function Lists({ view, onDone }: { view: ScopePageView; onDone: () => void }) {
  const { give, busy } = useSend();
  const [kind, setKind] = useState<Kind>('scope');
  const [read, setRead] = useState<Read>();
  const job = view.job.id;
  const named = new Map(view.areas.map((area) => [area.name.toLowerCase(), area.id]));
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
      const { openings, problems } = readOpeningCsv(text, view.job.units, named);
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
