'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useFormContext } from 'react-hook-form';
import { addSelection, changeSelection, SELECTION_STATES } from '@/contract/commands/sites';
import type { SelectionsView } from '@/contract/views/firm';
import type { SelectionView } from '@/contract/views/job';
import { BUFFER_DAYS, DECIDE_DAYS } from '@/core/selections/order-by';
import { formatDay, type Day } from '@/core/units/day';
import { JobPlaces } from '../frame/job-places';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Mark } from '../kit/mark';
import { Slip } from '../kit/slip';
import { newId } from '../offline/send';

const NEXT = { decide: 'decide by', order: 'order by', arrive: 'arrives', settled: '' } as const;
const GROUPS = [
  { name: 'Late', holds: (item: SelectionView) => item.due.late },
  { name: 'In the next two weeks', holds: (item: SelectionView) => !item.due.late && item.due.near },
  { name: 'Later', holds: (item: SelectionView) => !item.due.late && !item.due.near && item.due.what !== 'settled' },
  { name: 'On site or fitted', holds: (item: SelectionView) => !item.due.late && item.due.what === 'settled' },
] as const;

/** One table by urgency: what must be decided, ordered or asked after next, and by when. */
export function Selections({ view }: { view: SelectionsView }) {
  const [asked, setAsked] = useState('');
  const [open, setOpen] = useState<SelectionView | 'new'>();
  const items = view.selections.filter((item) => `${item.category} ${item.choice} ${item.code} ${item.area} ${item.supplier}`.toLowerCase().includes(asked.toLowerCase()));
  return (
    <>
      <JobPlaces job={view.job} />
      <div className="page">
        <div className="page-head">
          <h1>Selections</h1><span className="soft">{view.job.counts.selections > 0 ? `${view.job.counts.selections} need a decision, an order or a call` : 'nothing is due in the next two weeks'}</span>
          <span className="push actions"><Form.Control size="sm" style={{ width: '12rem' }} placeholder="Search" aria-label="Search selections" value={asked} onChange={(event) => setAsked(event.target.value)} /><Button onClick={() => setOpen('new')} disabled={view.areas.length === 0}>Add a selection</Button></span>
        </div>
        {view.selections.length === 0 && <div className="empty"><p className="mb-0">Nothing chosen yet. Add what takes longest to come first: a window, a stone top, a special tile. From the plan follows by when it must be decided and ordered.</p></div>}
        {GROUPS.map((group) => {
          const list = items.filter(group.holds);
          return list.length > 0 && <Group key={group.name} name={group.name} list={list} today={view.today} job={view.job.id} onOpen={setOpen} />;
        })}
        {view.selections.length > 0 && items.length === 0 && <p className="soft">None is called “{asked}”.</p>}
        <Slip title={open === 'new' ? 'A selection' : (open?.category ?? '')} open={open !== undefined} onClose={() => setOpen(undefined)}>
          {open === 'new' && <NewSelection view={view} onDone={() => setOpen(undefined)} />}
          {open && open !== 'new' && <Details item={open} today={view.today} onDone={() => setOpen(undefined)} />}
        </Slip>
      </div>
    </>
  );
}

function Group({ name, list, today, job, onOpen }: { name: string; list: SelectionView[]; today: Day; job: string; onOpen: (item: SelectionView) => void }) {
  return (
    <section className="mb-4">
      <h2 className="fs-6 fw-bold mb-0">{name}</h2>
      <table className="table-lines">
        <thead><tr><th style={{ width: '32%' }}>What</th><th style={{ width: '20%' }}>Where</th><th style={{ width: '20%' }}>Next</th><th>Needed</th><th>State</th><th><span className="visually-hidden">Change</span></th></tr></thead>
        <tbody>
          {list.map((item) => (
            <tr key={item.id}>
              <td>
                <span className="fw-bold">{item.category}</span> {item.choice || <span className="soft">not chosen</span>} {item.code && <span className="mono">{item.code}</span>}
                {item.note && <div className="small-text soft">{item.note}</div>}
                {item.found && <div className={`small-text ${item.found.startsWith('right') ? 'good' : 'bad'}`}><Mark kind={item.found.startsWith('right') ? 'done' : 'stop'} silent /> on site: {item.found}</div>}
              </td>
              <td><Link href={`/jobs/${job}/areas/${item.areaId}`}>{item.area}</Link></td>
              <td data-label="Next:" className={item.due.late ? 'bad' : item.due.near ? 'soon' : ''}>{item.due.what !== 'settled' && <><Mark kind={item.due.late ? 'stop' : 'waiting'} silent /> {NEXT[item.due.what]} {item.due.day ? formatDay(item.due.day, today) : 'not planned'}</>}</td>
              <td data-label="Needed:">{item.needBy ? formatDay(item.needBy, today) : ''}</td>
              <td data-label="State:">{item.state}{item.supplier && <div className="small-text soft">{item.supplier}, {item.leadDays} days</div>}</td>
              <td><Button size="sm" variant="link" className="p-0" onClick={() => onOpen(item)}>Open<span className="visually-hidden"> {item.category}, {item.area}</span></Button></td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const SHARED = (
  <>
    <TextField name="choice" label="What was chosen" />
    <div className="form-pair"><TextField name="code" label="Code" /><SelectField name="state" label="It is" options={SELECTION_STATES.map((state) => [state, state])} /></div>
    <div className="form-pair"><TextField name="supplier" label="From whom" /><TextField name="leadDays" label="Days to come" type="number" hint="From order to site." /></div>
    <TextField name="expectedOn" label="Promised to arrive" type="date" hint="Once ordered: the work waits for this day." />
    <TextField name="note" label="Note" rows={2} />
  </>
);

function Details({ item, today, onDone }: { item: SelectionView; today: Day; onDone: () => void }) {
  const day = (value: Day | null): string => (value ? formatDay(value, today) : 'not planned');
  return (
    <>
      <h3 className="mt-0">Why these days</h3>
      <p className="small-text">The work that uses it starts {day(item.needBy)}. It takes {item.leadDays} days to come, {BUFFER_DAYS} more are kept for unpacking, checking and sending back, and orders go out on working days: order by {day(item.orderBy)}. Whoever chooses has {DECIDE_DAYS} days before that: decide by {day(item.decideBy)}.</p>
      <CommandForm kind={changeSelection} submit="Keep" onDone={onDone} start={() => ({ id: item.id, version: item.version, choice: item.choice, code: item.code, supplier: item.supplier, leadDays: item.leadDays, state: item.state, note: item.note, ...(item.expectedOn ? { expectedOn: item.expectedOn } : {}) })}>{SHARED}</CommandForm>
    </>
  );
}

function NewSelection({ view, onDone }: { view: SelectionsView; onDone: () => void }) {
  const first = view.areas[0];
  return (
    <CommandForm kind={addSelection} submit="Add" onDone={onDone} start={() => ({ id: newId(), job: view.job.id, area: first?.id ?? '', category: '', choice: '', code: '', supplier: '', leadDays: 14, state: 'open' as const, note: '' })}>
      <SelectField name="area" label="Where" options={view.areas.map((area) => [area.id, area.name])} />
      <StepField view={view} />
      <TextField name="category" label="What it is" hint="Like “wall tile” or “tap”." />
      {SHARED}
    </CommandForm>
  );
}

/** Only steps of the chosen area can need it. */
function StepField({ view }: { view: SelectionsView }) {
  const area = useFormContext().watch('area') as string;
  return <SelectField name="phase" label="Needed for which step" none="choose the step" options={(view.areas.find((one) => one.id === area)?.phases ?? []).map((step) => [step.phase, step.label])} />;
}
