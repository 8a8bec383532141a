'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { WalkPack } from '@/contract/views/walk';
import { SayProvider } from '../kit/said';
import { Unsent } from '../offline/unsent';
import { LineForm } from './line-form';
import { MeasureForm } from './measure-form';
import { AreaBody } from './area-body';
import { Route } from './route';
import { useWalk } from './use-walk';

type Panel = 'line' | 'measure' | 'route';

/** Full screen: nothing but the area in hand. */
export function Walk({ pack }: { pack: WalkPack }) {
  return <SayProvider><Walking pack={pack} /></SayProvider>;
}

const isTyping = (target: EventTarget | null): boolean => target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

function Walking({ pack }: { pack: WalkPack }) {
  const router = useRouter();
  const walking = useWalk(pack);
  const [at, setAt] = useState(0);
  const [panel, setPanel] = useState<Panel>();
  const [finishing, setFinishing] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const area = walking.areas[at];
  const next = walking.areas[at + 1];

  const go = useCallback((to: number) => {
    setPanel(undefined);
    setAt(Math.max(0, Math.min(pack.areas.length - 1, to)));
    window.scrollTo(0, 0);
  }, [pack.areas.length]);
  const finish = useCallback(async () => {
    setFinishing(true);
    await walking.finish();
    // The route was scrolled to its end; the review begins at its top.
    window.scrollTo(0, 0);
    router.push(`/jobs/${pack.job.id}/walks/${pack.walk.id}`);
  }, [pack.job.id, pack.walk.id, router, walking]);
  const onward = useCallback(() => (next ? go(at + 1) : setPanel('route')), [at, go, next]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const bars = [...document.querySelectorAll<HTMLElement>('.walk [role=slider]')];
      const here = bars.findIndex((bar) => bar === document.activeElement);
      const acts: Record<string, () => void> = {
        ArrowRight: () => go(at + 1), ArrowLeft: () => go(at - 1),
        ArrowDown: () => bars[Math.min(bars.length - 1, here + 1)]?.focus(), ArrowUp: () => bars[Math.max(0, here - 1)]?.focus(),
        n: () => setPanel('line'), m: () => setPanel('measure'), p: () => file.current?.click(), Escape: () => setPanel(undefined),
        ...(event.target instanceof HTMLElement && /^(BUTTON|A|SUMMARY)$/.test(event.target.tagName) ? {} : { Enter: onward }),
      };
      const act = acts[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [at, go, onward]);

  return (
    <div className="walk">
      <header className="walk-top">
        <Link href={`/jobs/${pack.job.id}`} aria-label={`Leave the walk, back to ${pack.job.name}; it can be gone on with`}>‹ {pack.job.name}</Link>
        <Unsent />
      </header>
      <main className="walk-body">
        {pack.walk.finished && <p className="soft">This walk is finished. What you add now still belongs to it. <Link href={`/jobs/${pack.job.id}/walks/${pack.walk.id}`}>To its review</Link></p>}
        {!area && <p>This job has no areas yet. <Link href={`/jobs/${pack.job.id}/set-out`}>Set them out first.</Link></p>}
        {area && panel === 'route' && <Route areas={walking.areas} at={at} finished={pack.walk.finished} finishing={finishing} onGo={go} onFinish={() => void finish()} />}
        {area && panel !== 'route' && (
          <>
            <div className="d-flex align-items-baseline justify-content-between gap-2">
              <h1>{area.name}</h1>
              <button type="button" className="btn btn-link p-0 text-nowrap" onClick={() => setPanel('route')}>{at + 1} of {walking.areas.length} · {area.place}</button>
            </div>
            {panel === 'line' && <LineForm key={area.id} area={area} walking={walking} onDone={() => setPanel(undefined)} />}
            {panel === 'measure' && <MeasureForm key={area.id} area={area} units={pack.job.units} walking={walking} onDone={() => setPanel(undefined)} />}
            <AreaBody area={area} walking={walking} />
          </>
        )}
        <input ref={file} type="file" accept="image/*" capture="environment" className="visually-hidden" tabIndex={-1} aria-label="Picture of this area"
          onChange={(event) => {
            const picture = event.target.files?.[0];
            event.target.value = '';
            if (picture && area) walking.record({ kind: 'picture', area: area.id, picture: '' }, 'Picture kept', picture);
          }} />
      </main>
      {area && (
        <nav className="thumb" aria-label="Record">
          <button type="button" onClick={() => file.current?.click()}>Picture</button>
          <button type="button" onClick={() => { setPanel('line'); window.scrollTo(0, 0); }}>Line</button>
          <button type="button" onClick={() => { setPanel('measure'); window.scrollTo(0, 0); }}>Measure</button>
          {panel === 'route' ? <button type="button" className="next" onClick={() => setPanel(undefined)}>Back to {area.name}</button> : <button type="button" className="next" onClick={onward}>{next ? `${next.name} →` : 'All seen →'}</button>}
        </nav>
      )}
    </div>
  );
}
