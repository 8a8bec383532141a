'use client';
import { api } from '@/contract/routes';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { useFormContext } from 'react-hook-form';
import type { ProblemDocument } from '@/contract/command';
import type { KnownKind } from '@/contract/commands';
import type { PreviewView } from '@/contract/views/plan';
import { counted } from '@/core/words/count';
import { commandOf } from '../offline/send';
import { Notice } from './notice';

type Answer = { view: PreviewView } | { problem: string; field?: string };

/** Asks what a command would do to the plan; nothing is changed. */
export async function askEffect(kind: KnownKind, payload: unknown): Promise<Answer> {
  try {
    const response = await fetch(api.preview(), {
      method: 'POST',
      body: JSON.stringify(commandOf(kind.type, payload)),
      headers: { 'content-type': 'application/json' },
    });
    if (response.ok) return { view: (await response.json()) as PreviewView };
    const { title, field } = (await response.json()) as ProblemDocument;
    return { problem: title, ...(field ? { field } : {}) };
  } catch {
    return { problem: 'No connection: the effect could not be looked at.' };
  }
}

const days = (count: number): string => `${Math.abs(count)} worked ${Math.abs(count) === 1 ? 'day' : 'days'}`;

/** What would change: ends of jobs, trips, work that comes and goes. */
export function Effect({ view }: { view: PreviewView }) {
  const moved = view.jobs.filter((job) => job.days !== 0);
  if (view.problem) return <Notice bad>{view.problem}</Notice>;
  return (
    <div className="effect" role="status">
      <ul className="mb-1">
        {moved.length === 0 && <li>No job would end on another day.</li>}
        {moved.map((job) => (
          <li key={job.id} className={job.days > 0 ? 'bad' : 'good'}>
            <span className="fw-bold">{job.name}</span> would end {job.to} instead of {job.from}, {days(job.days)}{' '}
            {job.days > 0 ? 'later' : 'sooner'}.
          </li>
        ))}
        <li>
          {view.trips === 0
            ? 'As many trips as now.'
            : `${Math.abs(view.trips)} ${Math.abs(view.trips) === 1 ? 'trip' : 'trips'} ` +
              `${view.trips > 0 ? 'more' : 'fewer'}.`}
        </li>
        {view.told.map((one) => (
          <li key={one.name}>
            <span className="fw-bold">{one.name}</span> would have to be told:{' '}
            {one.visits.map((visit) => (
              <span key={visit.label + visit.from} className={visit.confirmed ? 'bad d-block' : 'd-block'}>
                {visit.job}, {visit.label}: {visit.from} → {visit.to}
                {visit.confirmed && ', and they had said yes'}
              </span>
            ))}
          </li>
        ))}
        {view.others > 0 && (
          <li>{counted(view.others, 'later visit moves', 'later visits move')}, of which nobody was told yet.</li>
        )}
        {view.added.length > 0 && <li>Adds: {view.added.join(', ')}.</li>}
        {view.gone.length > 0 && <li>Falls away: {view.gone.join(', ')}.</li>}
        {view.broken.map((text) => (
          <li key={text} className="bad">
            Would lie open too long: {text}.
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Beside the button of a form: what what is typed would do. What the door would refuse stands beside its field. */
export function FormEffect({ kind }: { kind: KnownKind }) {
  const form = useFormContext();
  const [answer, setAnswer] = useState<Answer>();
  const [asking, setAsking] = useState(false);
  const look = async (): Promise<void> => {
    if (!(await form.trigger())) return;
    setAsking(true);
    const given = await askEffect(kind, form.getValues());
    setAsking(false);
    if ('problem' in given && given.field) form.setError(given.field, { message: given.problem });
    setAnswer(given);
  };
  return (
    <div>
      <Button variant="outline-secondary" onClick={() => void look()} disabled={asking}>
        {asking ? 'Placing all work…' : 'What would it do?'}
      </Button>
      {answer &&
        ('view' in answer ? <Effect view={answer.view} /> : !answer.field && <Notice bad>{answer.problem}</Notice>)}
    </div>
  );
}
