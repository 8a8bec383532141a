'use client';
import Link from 'next/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { addScope, changeScope } from '@/contract/commands/sites';
import type { ScopeListView } from '@/contract/views/firm';
import type { ScopeView } from '@/contract/views/job';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { STANCE_KEYS, STANCES, type Stance } from '@/core/sites/area';
import { JobPlaces } from '../frame/job-places';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { PrintButton } from '../kit/print-button';
import { Slip } from '../kit/slip';
import { StanceMark } from '../kit/stance-mark';
import { newId } from '../offline/send';

/** What was agreed and what was not, by area, with its stance beside every line. */
export function Scope({ view }: { view: ScopeListView }) {
  const [open, setOpen] = useState<ScopeView | 'new'>();
  const [only, setOnly] = useState<Stance>();
  const lines = view.areas.flatMap((area) => area.lines);
  const areas = view.areas.map((area) => ({ ...area, lines: area.lines.filter((line) => !only || line.stance === only) })).filter((area) => area.lines.length > 0);
  return (
    <>
      <JobPlaces job={view.job} />
      <div className="page">
        <div className="page-head">
          <h1>What was agreed</h1><span className="soft">{lines.length} lines in {view.areas.filter((area) => area.lines.length > 0).length} areas</span>
          <span className="push actions no-print"><Button onClick={() => setOpen('new')} disabled={view.areas.length === 0}>Add a line</Button><PrintButton>Print</PrintButton></span>
        </div>
        <div className="chips mb-2 no-print" role="group" aria-label="Show only one stance">
          <button type="button" className="chip" aria-pressed={!only} onClick={() => setOnly(undefined)}>all</button>
          {STANCE_KEYS.map((stance) => {
            const count = lines.filter((line) => line.stance === stance).length;
            return count > 0 && <button key={stance} type="button" className="chip" aria-pressed={only === stance} onClick={() => setOnly(stance)}><StanceMark stance={stance} /> {count}</button>;
          })}
        </div>
        {lines.length === 0 && <div className="empty"><p className="mb-0">Nothing is written down yet. Begin with what is <em>not</em> included in each room: that is what is forgotten first. For example: not included, “paint the ceiling”, main bedroom.</p></div>}
        <div className="columns">
          {areas.map((area) => (
            <section key={area.id}>
              <div className="block-head mt-0"><h2><Link href={`/jobs/${view.job.id}/areas/${area.id}`}>{area.name}</Link></h2></div>
              <ul className="lines">
                {area.lines.map((line) => (
                  <li key={line.id}>
                    <div className="what">
                      {line.verb} {line.subject}{line.quantity ? `, ${line.quantity} ${line.unit ?? ''}` : ''}
                      <div className="small-text soft">{[line.trade ? TRADES[line.trade].toLowerCase() : '', line.dependsOn ? `depends on ${line.dependsOn}` : ''].filter(Boolean).join(' · ')}</div>
                    </div>
                    <span className="small-text"><StanceMark stance={line.stance} /></span>
                    <Button size="sm" variant="link" className="p-0 no-print" onClick={() => setOpen(line)}>Change<span className="visually-hidden"> {line.subject}</span></Button>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </div>
        <Slip title={open === 'new' ? 'One more line' : 'Change a line'} open={open !== undefined} onClose={() => setOpen(undefined)}>
          {open === 'new' && (
            <CommandForm kind={addScope} submit="Add" onDone={() => setOpen(undefined)} start={() => ({ id: newId(), job: view.job.id, area: view.areas[0]?.id ?? '', stance: 'in' as const, verb: '', subject: '', dependsOn: '' })}>
              <SelectField name="area" label="Where" options={view.areas.map((area) => [area.id, area.name])} />
              <LineFields />
            </CommandForm>
          )}
          {open && open !== 'new' && (
            <CommandForm kind={changeScope} submit="Keep" onDone={() => setOpen(undefined)} start={() => ({ id: open.id, version: open.version, stance: open.stance, verb: open.verb, subject: open.subject, dependsOn: open.dependsOn, ...(open.quantity === null ? {} : { quantity: open.quantity }), ...(open.unit === null ? {} : { unit: open.unit }), ...(open.trade === null ? {} : { trade: open.trade }) })}>
              <LineFields />
            </CommandForm>
          )}
        </Slip>
      </div>
    </>
  );
}

function LineFields() {
  return (
    <>
      <SelectField name="stance" label="How it stands" options={STANCE_KEYS.map((stance) => [stance, STANCES[stance]])} />
      <div className="form-pair"><TextField name="verb" label="What happens" hint="like “replace”" /><TextField name="subject" label="to what" hint="like “both windows”" /></div>
      <div className="form-pair"><TextField name="quantity" label="How much" type="number" /><TextField name="unit" label="Unit" hint="m, m², pieces" /></div>
      <SelectField name="trade" label="Whose work" none="not said" options={TRADE_KEYS.filter((trade) => trade !== 'nobody').map((trade) => [trade, TRADES[trade]])} />
      <TextField name="dependsOn" label="Depends on" hint="Where it can only be known once something is opened." />
    </>
  );
}
