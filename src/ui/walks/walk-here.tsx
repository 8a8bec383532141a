'use client';
import { routes } from '@/contract/routes';
import { useEffect, useState } from 'react';
import type { JobPack, WalkPack } from '@/contract/views/walk';
import { WALK_KINDS, type WalkKind } from '@/core/walks/observation';
import { beginHere, packsHere, walkHere } from '../offline/packs';
import { seenHere } from '../offline/seen';
import { Unsent } from '../offline/unsent';
import { Walk } from './walk';
import { Hidden } from '../kit/hidden';

/** Without a connection: the walk of this address as this device keeps it, or what can be walked from here. */
export function WalkHere() {
  const [walk, setWalk] = useState<WalkPack>();
  const [seen, setSeen] = useState<Awaited<ReturnType<typeof seenHere>>>([]);
  const [kept, setKept] = useState<{ jobs: JobPack[]; walks: WalkPack[] }>();
  useEffect(() => {
    const id = /^\/walk\/([0-9a-f-]{36})/.exec(window.location.pathname)?.[1];
    const look = async (): Promise<void> => {
      const found = id ? await walkHere(id) : undefined;
      if (found) setWalk(found);
      else {
        setKept(await packsHere());
        setSeen(await seenHere());
      }
    };
    void look();
  }, []);
  if (walk) return <Walk pack={walk} />;
  return (
    <div className="walk">
      <header className="walk-top">
        <span>Aftermist</span>
        <Unsent />
      </header>
      <main className="walk-body">
        <h1>No connection</h1>
        {!kept && <p className="soft mt-2">Looking at what this device keeps…</p>}
        {kept && kept.jobs.length + kept.walks.length === 0 && (
          <p className="mt-2">
            Nothing is kept on this device yet. Open Aftermist once with a connection; after that, walks begin and go on
            without one.
          </p>
        )}
        {kept && kept.walks.length > 0 && (
          <>
            <h2>Go on walking</h2>
            <ul className="route">
              {kept.walks.map((walkPack) => (
                <li key={walkPack.walk.id}>
                  <button type="button" onClick={() => window.location.assign(routes.walk(walkPack.walk.id))}>
                    <span className="fw-bold">{walkPack.job.name}</span>
                    <span className="small-text soft">{walkPack.walk.kind} walk</span>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        {kept && kept.jobs.length > 0 && (
          <>
            <h2>Begin a walk</h2>
            {kept.jobs.map((job) => (
              <Begin key={job.job.id} job={job} />
            ))}
          </>
        )}
        {seen.length > 0 && (
          <>
            <h2>As seen last</h2>
            <ul className="route">
              {seen.map(({ path, label }) => (
                <li key={path}>
                  <a href={path}>{label}</a>
                </li>
              ))}
            </ul>
          </>
        )}
        <p className="mt-4">
          <button type="button" className="btn btn-outline-secondary" onClick={() => window.location.reload()}>
            Try the connection again
          </button>
        </p>
      </main>
    </div>
  );
}

function Begin({ job }: { job: JobPack }) {
  const [kind, setKind] = useState<WalkKind>('progress');
  const begin = async (): Promise<void> => {
    const id = await beginHere(job.job.id, kind);
    if (id) window.location.assign(routes.walk(id));
  };
  return (
    <div className="check-line d-flex gap-2 align-items-center">
      <span className="flex-fill fw-bold">{job.job.name}</span>
      <select
        className="form-select w-auto"
        aria-label={`Kind of walk in ${job.job.name}`}
        value={kind}
        onChange={(event) => setKind(event.target.value as WalkKind)}
      >
        {WALK_KINDS.map((entry) => (
          <option key={entry}>{entry}</option>
        ))}
      </select>
      <button type="button" className="btn btn-primary" onClick={() => void begin()}>
        Begin<Hidden> a walk in {job.job.name}</Hidden>
      </button>
    </div>
  );
}
