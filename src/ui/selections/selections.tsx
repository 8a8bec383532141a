'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useFormContext } from 'react-hook-form';
import { addSelection, importSelections } from '@/contract/commands/selections';
import type { SelectionsView, SelectionView } from '@/contract/views/selections';
import type { CsvProblem } from '@/core/csv';
import { groupBy } from '@/core/group-by';
import {
  readSelectionCsv,
  SELECTION_CSV_EXAMPLE,
  selectionKey,
  type SelectionDraft,
} from '@/core/selections/selection-csv';
import { isComing, isHere } from '@/core/selections/states';
import { TRADES } from '@/core/sequence/trades';
import { JobTabs } from '../shell/job-tabs';
import { CsvEntry } from '../kit/csv-entry';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { useRemembered } from '../kit/use-remembered';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { SelectionFields } from './selection-fields';
import { SelectionGrid } from './selection-grid';
import { SelectionTabs } from './selection-tabs';
import { Means } from '../kit/means';
import { Empty, PageHead } from '../kit/page';

const URGENCY = ['Late', 'In the next two weeks', 'Later', 'On site or fitted'] as const;
const urgencyOf = ({ due }: SelectionView): (typeof URGENCY)[number] =>
  due.late ? 'Late' : due.what === 'settled' ? 'On site or fitted' : due.near ? 'In the next two weeks' : 'Later';

const GROUPINGS = {
  urgency: { label: 'urgency', of: urgencyOf },
  room: { label: 'room', of: (item: SelectionView) => item.area },
  trade: { label: 'trade', of: (item: SelectionView) => TRADES[item.trade] },
  supplier: { label: 'supplier', of: (item: SelectionView) => item.supplier || 'No supplier yet' },
} as const;
type Grouping = keyof typeof GROUPINGS;

const FILTERS = {
  all: { label: 'everything', holds: () => true },
  due: { label: 'what is due', holds: (item: SelectionView) => item.due.late || item.due.near },
  open: { label: 'to decide', holds: (item: SelectionView) => item.due.what === 'decide' },
  order: { label: 'to order', holds: (item: SelectionView) => item.due.what === 'order' },
  coming: { label: 'on its way', holds: (item: SelectionView) => isComing(item.state) },
  here: { label: 'on site', holds: (item: SelectionView) => isHere(item.state) },
  wrong: {
    label: 'not right',
    holds: (item: SelectionView) => (item.found !== null && item.found.verdict !== 'right') || item.follows !== null,
  },
} as const;
type Filter = keyof typeof FILTERS;
const [GROUPING_KEYS, FILTER_KEYS] = [Object.keys(GROUPINGS) as Grouping[], Object.keys(FILTERS) as Filter[]];

/** One table by urgency: what must be decided, ordered or asked after next, and by when; changed where it stands. */
export function Selections({ view }: { view: SelectionsView }) {
  const [asked, setAsked] = useState('');
  const [grouping, setGrouping] = useRemembered<Grouping>('selections-by', 'urgency', GROUPING_KEYS);
  const [filter, setFilter] = useRemembered<Filter>('selections-shown', 'all', FILTER_KEYS);
  const [open, setOpen] = useState<'new' | 'list'>();
  const close = (): void => setOpen(undefined);
  const items = view.selections.filter(FILTERS[filter].holds);
  const groups = [...groupBy(items, GROUPINGS[grouping].of)];
  if (grouping === 'urgency') groups.sort(([a], [b]) => URGENCY.indexOf(a as never) - URGENCY.indexOf(b as never));
  else groups.sort(([a], [b]) => a.localeCompare(b));
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.selection">Selections</Means>}>
          <span className="soft">
            {view.job.counts.selections > 0
              ? `${view.job.counts.selections} need a decision, an order or a call`
              : 'nothing is due in the next two weeks'}
          </span>
          <span className="push actions no-print">
            <PrintButton>Print</PrintButton>
            <Button onClick={() => setOpen('new')} disabled={view.areas.length === 0}>
              Add a selection
            </Button>
          </span>
        </PageHead>
        {view.selections.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nothing chosen yet. Add what takes longest to come first: a window, a stone top, a special tile; or read a
              list. From the plan follows by when it must be decided and ordered.
            </p>
          </Empty>
        )}
        <div className="table-tools no-print">
          <Form.Control
            size="sm"
            type="search"
            placeholder="Search"
            aria-label="Search selections"
            value={asked}
            onChange={(event) => setAsked(event.target.value)}
          />
          <Form.Select
            size="sm"
            aria-label="Show"
            value={filter}
            onChange={(event) => setFilter(event.target.value as Filter)}
          >
            {Object.entries(FILTERS).map(([key, { label }]) => (
              <option key={key} value={key}>
                show {label}
              </option>
            ))}
          </Form.Select>
          <Form.Select
            size="sm"
            aria-label="Group by"
            value={grouping}
            onChange={(event) => setGrouping(event.target.value as Grouping)}
          >
            {Object.entries(GROUPINGS).map(([key, { label }]) => (
              <option key={key} value={key}>
                by {label}
              </option>
            ))}
          </Form.Select>
          <span className="push links">
            <Button size="sm" variant="link" onClick={() => setOpen('list')} disabled={view.areas.length === 0}>
              Read a list
            </Button>
            <a className="btn btn-sm btn-link" href={api.jobFile(view.job.id, 'selections.csv')}>
              As CSV
            </a>
            <a className="btn btn-sm btn-link" href={api.jobFile(view.job.id, 'room-sheets.pdf')}>
              Room sheets
            </a>
            <Link className="btn btn-sm btn-link" href={routes.suppliers()}>
              Suppliers
            </Link>
          </span>
        </div>
        {view.selections.length > 0 && (
          <SelectionGrid
            groups={groups}
            asked={asked}
            today={view.today}
            job={view.job.id}
            suppliers={view.suppliers}
          />
        )}
        <SidePanel
          title={open === 'list' ? 'Read a list of selections' : 'A selection'}
          open={open !== undefined}
          onClose={close}
        >
          {open === 'new' && <NewSelection view={view} onDone={close} />}
          {open === 'list' && <ReadList view={view} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

function NewSelection({ view, onDone }: { view: SelectionsView; onDone: () => void }) {
  const first = view.areas[0];
  return (
    <CommandForm
      kind={addSelection}
      submit="Add"
      onDone={onDone}
      start={() => ({
        id: newId(),
        job: view.job.id,
        area: first?.id ?? '',
        category: '',
        choice: '',
        code: '',
        colour: '',
        finish: '',
        unit: '',
        supplier: '',
        leadLow: 10,
        leadHigh: 14,
        decides: 'client' as const,
        approves: '',
        checkDays: 1,
        acclimatiseDays: 0,
        bufferDays: 2,
        thinkDays: 7,
        note: '',
        codeMeant: false,
        state: 'open' as const,
      })}
    >
      <SelectField name="area" label="Where" options={view.areas.map((area) => [area.id, area.name])} />
      <StepField view={view} />
      <TextField name="category" label="What it is" hint="Like “wall tile” or “tap”." />
      <SelectionFields suppliers={view.suppliers} />
      <div className="form-pair">
        <SelectField
          name="state"
          label="It is"
          options={['open', 'chosen', 'approved', 'ordered', 'confirmed', 'in making', 'shipped', 'on site'].map(
            (state) => [state, state] as const,
          )}
        />
        <TextField name="expectedOn" label="Promised to arrive" type="date" hint="if it is ordered" />
      </div>
    </CommandForm>
  );
}

/** Only steps of the chosen area can need it. */
function StepField({ view }: { view: SelectionsView }) {
  const area = useFormContext().watch('area') as string;
  return (
    <SelectField
      name="phase"
      label="Needed for which step"
      none="choose the step"
      options={(view.areas.find((stepsOf) => stepsOf.id === area)?.phases ?? []).map((step) => [
        step.phase,
        step.label,
      ])}
    />
  );
}

function ReadList({ view, onDone }: { view: SelectionsView; onDone: () => void }) {
  const { give, busy } = useSend();
  const [read, setRead] = useState<{ lines: SelectionDraft[]; problems: CsvProblem[] }>({ lines: [], problems: [] });
  const put = (text: string): void =>
    setRead(
      readSelectionCsv(
        text,
        view.areas.map((area) => ({ id: area.id, name: area.name, phases: area.phases.map((step) => step.phase) })),
        new Set(view.selections.map((item) => selectionKey(item.areaId, item.category))),
      ),
    );
  const keep = (): void => {
    const lines = read.lines.map((line) => ({
      id: newId(),
      ...line,
      checkDays: 1,
      acclimatiseDays: 0,
      bufferDays: 2,
      thinkDays: 7,
      codeMeant: true,
    }));
    void give(
      importSelections,
      { job: view.job.id, lines },
      { text: `${lines.length} ${lines.length === 1 ? 'selection was' : 'selections were'} read.` },
    ).then((ok) => ok && onDone());
  };
  return (
    <CsvEntry
      title="Areas, steps, what, how long"
      what="selections"
      example={SELECTION_CSV_EXAMPLE}
      problems={read.problems}
      onText={put}
    >
      {read.lines.length > 0 && (
        <Button disabled={busy} onClick={keep}>
          Add {read.lines.length} {read.lines.length === 1 ? 'selection' : 'selections'}
        </Button>
      )}
    </CsvEntry>
  );
}
