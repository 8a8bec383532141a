'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { LARGEST_PICTURE } from '@/contract/commands/walks';
import type { WalkPack } from '@/contract/views/walk';
import type { WalkKind } from '@/core/walks/observation';
import { ToastProvider, useToast } from '../kit/toast';
import { NotKept } from '../offline/not-kept';
import { Unsent } from '../offline/unsent';
import { LineForm } from './line-form';
import { AddArea } from '../scope/area-making';
import { DeliveryContext } from '../kit/delivery';
import { AlsoCalled } from './also-called';
import { NoArea, useDeliveryHere, useGoTo, VisitAreas } from './visit-areas';
import { VisitLine } from './visit-line';
import { MeasureForm } from './measure-form';
import { AreaBody } from './area-body';
import { Route } from './route';
import { Tell } from './tell';
import { useReaderReady } from './use-reader';
import { useWalk, type Walking as WalkingActs } from './use-walk';
import type { WalkArea } from '@/contract/views/walk';

type Panel = 'line' | 'measure' | 'route' | 'tell' | 'area';

/** Full screen: nothing but the area in hand. */
/** @param at the area with which it opens */
export function Walk({ pack, at }: { pack: WalkPack; at?: string | undefined }) {
  return (
    <ToastProvider>
      <Walking given={pack} first={at} />
    </ToastProvider>
  );
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

/** What each walk is for, in a line under the name of the area. */
const ASKS: Record<WalkKind, string> = {
  scope: 'What is done here, what is not, what stays, what can only be known once it is opened?',
  layout: 'Do the sizes hold? What moves, and why?',
  progress: 'How far is it, what is left, what changed?',
  'close-in': 'Is everything in the wall that must be?',
  completion: 'What is left, and is it put right?',
};

/** Pictures of an area: taken or chosen, each one record; what is too large is said. */
function usePictures(
  record: WalkingActs['record'],
  areaId: string | undefined,
): { input: React.ReactNode; onPicture: (spot?: string) => void } {
  const say = useToast();
  const file = useRef<HTMLInputElement>(null);
  const standpoint = useRef<string>(undefined);
  const onPicture = useCallback((spot?: string) => {
    standpoint.current = spot;
    file.current?.click();
  }, []);
  const keepPictures = useCallback(
    (files: FileList | null, area: string) => {
      const list = [...(files ?? [])];
      const [fit, large] = [
        list.filter((entry) => entry.size <= LARGEST_PICTURE),
        list.filter((entry) => entry.size > LARGEST_PICTURE),
      ];
      fit.forEach((entry, index) =>
        record(
          {
            kind: 'picture',
            area,
            picture: '',
            ...(standpoint.current ? { standpoint: standpoint.current } : {}),
          },
          index < fit.length - 1 ? '' : fit.length === 1 ? 'Picture kept' : `${fit.length} pictures kept`,
          entry,
        ),
      );
      if (large.length > 0)
        say({
          text:
            `${large.map((entry) => entry.name).join(', ')}: a picture has at most ${LARGEST_PICTURE / 1024 / 1024} ` +
            'MB. Take it smaller.',
        });
      standpoint.current = undefined;
    },
    [record, say],
  );

  const input = (
    <input
      ref={file}
      type="file"
      accept="image/*"
      multiple
      className="visually-hidden"
      tabIndex={-1}
      aria-label="Picture of this area"
      onChange={(event) => {
        if (areaId) keepPictures(event.target.files, areaId);
        event.target.value = '';
      }}
    />
  );
  return { input, onPicture };
}

/** A walk by key: areas left and right, steps up and down, what is recorded by its letter. */
function useKeys({
  at,
  go,
  onPicture,
  onward,
  open,
  onEscape,
}: {
  at: number;
  go: (to: number) => void;
  onPicture: () => void;
  onward: () => void;
  open: (which: Panel) => void;
  onEscape: () => void;
}): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const bars = [...document.querySelectorAll<HTMLElement>('.walk [role=slider]')];
      const here = bars.findIndex((bar) => bar === document.activeElement);
      const acts: Record<string, () => void> = {
        ArrowRight: () => go(at + 1),
        ArrowLeft: () => go(at - 1),
        ArrowDown: () => bars[Math.min(bars.length - 1, here + 1)]?.focus(),
        ArrowUp: () => bars[Math.max(0, here - 1)]?.focus(),
        n: () => open('line'),
        t: () => open('tell'),
        m: () => open('measure'),
        p: () => onPicture(),
        Escape: onEscape,
        ...(event.target instanceof HTMLElement && /^(BUTTON|A|SUMMARY)$/.test(event.target.tagName)
          ? {}
          : { Enter: onward }),
      };
      const act = acts[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [at, go, onEscape, onPicture, onward, open]);
}

function Walking({ given, first }: { given: WalkPack; first: string | undefined }) {
  const router = useRouter();
  const walking = useWalk(given);
  useReaderReady();
  const { pack } = walking;
  const [at, setAt] = useState(() => atFirst(given, first));
  const [words, setWords] = useState('');
  const visits = pack.walk.kind === 'scope';
  const delivery = useDeliveryHere(walking);
  const [panel, setPanel] = useState<Panel>();
  const [finishing, setFinishing] = useState(false);
  const area = pack.areas[at];
  const next = pack.areas[at + 1];

  const go = useCallback(
    (to: number) => {
      setPanel(undefined);
      setWords('');
      setAt(Math.max(0, Math.min(pack.areas.length - 1, to)));
      window.scrollTo(0, 0);
    },
    [pack.areas.length],
  );
  const finish = useCallback(async () => {
    setFinishing(true);
    await walking.finish();
    // The route was scrolled to its end; the review begins at its top.
    window.scrollTo(0, 0);
    router.push(routes.review(pack.job.id, pack.walk.id));
  }, [pack.job.id, pack.walk.id, router, walking]);
  const onward = useCallback(() => (next ? go(at + 1) : setPanel('route')), [at, go, next]);
  const open = useCallback((which: Panel) => {
    setPanel(which);
    window.scrollTo(0, 0);
    if (which === 'line') document.querySelector<HTMLElement>('.visit-line input')?.focus();
  }, []);
  const openLine = useCallback(
    (said: string) => {
      setWords(said);
      open('line');
    },
    [open],
  );
  const goTo = useGoTo(pack.areas, go);
  const { input, onPicture } = usePictures(walking.record, area?.id);
  useKeys({ at, go, onPicture, onward, open, onEscape: () => setPanel(undefined) });

  return (
    <div className={visits ? 'walk walk-visit' : 'walk'}>
      <WalkTop pack={pack} />
      <NotKept />
      {visits && <VisitAreas pack={pack} at={at} go={go} onAdd={() => open('area')} />}
      <main className="walk-body">
        {pack.walk.finished && (
          <p className="soft">
            This walk is finished. What you add now still belongs to it.{' '}
            <Link href={routes.review(pack.job.id, pack.walk.id)}>To its review</Link>
          </p>
        )}
        {!area && panel === undefined && <NoArea {...{ pack, visits, open }} />}
        {panel === 'area' && (
          <DeliveryContext value={delivery}>
            <h1>Another area</h1>
            <AddArea job={pack.job.id} levels={pack.levels} onDone={(id) => (id ? goTo(id) : setPanel(undefined))} />
          </DeliveryContext>
        )}
        {area && panel === 'route' && (
          <Route walking={walking} at={at} finished={pack.walk.finished} finishing={finishing} onGo={go} />
        )}
        {area && panel !== 'route' && panel !== 'area' && (
          <DeliveryContext value={delivery}>
            <div className="d-flex align-items-baseline justify-content-between gap-2">
              <h1>{area.name}</h1>
              <button type="button" className="btn btn-link p-0 text-nowrap" onClick={() => setPanel('route')}>
                {at + 1} of {pack.areas.length} · {area.place}
              </button>
            </div>
            <AreaInHand
              {...{ area, walking, panel, words, onPicture, open, openLine }}
              close={() => setPanel(undefined)}
            />
          </DeliveryContext>
        )}
        {!area && panel === 'tell' && <Tell walking={walking} onDone={() => setPanel(undefined)} onLine={openLine} />}
        {input}
      </main>
      {area && (
        <WalkingNav
          onPicture={onPicture}
          open={open}
          panel={panel}
          setPanel={setPanel}
          area={area}
          onward={onward}
          next={next}
          finish={pack.walk.finished ? undefined : () => void finish()}
          finishing={finishing}
        />
      )}
    </div>
  );
}

/** Where the walk opens: at the area that was asked for, else at its first. */
const atFirst = ({ areas }: WalkPack, first: string | undefined): number =>
  Math.max(
    0,
    areas.findIndex(({ id }) => id === first),
  );

interface InHand {
  area: WalkArea;
  walking: WalkingActs;
  panel: Panel | undefined;
  /** What a line begins with. */
  words: string;
  onPicture: (spot?: string) => void;
  open: (which: Panel) => void;
  openLine: (words: string) => void;
  close: () => void;
}

/** The area in hand: what is just being recorded of it, and under it what it asks for. */
function AreaInHand({ area, walking, panel, words, onPicture, open, openLine, close }: InHand) {
  const { walk, job } = walking.pack;
  const visits = walk.kind === 'scope';
  const line = { start: words, area, walking, onTell: () => open('tell') };
  const key = `line ${area.id} ${words}`;
  return (
    <>
      <p className="soft small-text mb-0">
        {walk.kind} walk · {ASKS[walk.kind]}
      </p>
      <AlsoCalled key={`called ${area.id}`} area={area} walking={walking} />
      {visits && panel !== 'tell' && <VisitLine key={key} {...line} />}
      {panel === 'line' && !visits && <LineForm key={key} {...line} onDone={close} />}
      {panel === 'measure' && (
        <MeasureForm key={`measure ${area.id}`} area={area} units={job.units} walking={walking} onDone={close} />
      )}
      {panel === 'tell' ? (
        <Tell here={area.id} walking={walking} onDone={close} onLine={openLine} />
      ) : (
        <AreaBody key={`area ${area.id}`} area={area} walking={walking} kind={walk.kind} onPicture={onPicture} />
      )}
    </>
  );
}

/** Back to the job, and what is not sent. */
function WalkTop({ pack }: { pack: WalkPack }) {
  return (
    <header className="walk-top">
      <Link
        href={pack.walk.kind === 'scope' ? routes.scope(pack.job.id) : routes.rooms(pack.job.id)}
        aria-label={`Leave the walk, back to ${pack.job.name}; it can be gone on with`}
      >
        ‹ {pack.job.name}
      </Link>
      <Unsent />
    </header>
  );
}

/** What is recorded, at the thumb. */
function WalkingNav({
  onPicture,
  open,
  panel,
  setPanel,
  area,
  onward,
  next,
  finish,
  finishing,
}: {
  onPicture: (spot?: string) => void;
  open: (which: Panel) => void;
  panel: Panel | undefined;
  setPanel: (next: Panel | undefined) => void;
  area: WalkArea;
  onward: () => void;
  next: WalkArea | undefined;
  /** Nothing where the walk is finished already. */
  finish: (() => void) | undefined;
  finishing: boolean;
}) {
  return (
    <nav className="thumb" aria-label="Record">
      <button type="button" onClick={() => onPicture()}>
        Picture
      </button>
      <button type="button" onClick={() => open('line')}>
        Line
      </button>
      <button type="button" onClick={() => open('measure')}>
        Measure
      </button>
      <button type="button" onClick={() => open('tell')}>
        Tell
      </button>
      {panel === 'route' && finish ? (
        <button type="button" className="next" disabled={finishing} onClick={finish}>
          {finishing ? 'Sending what was recorded…' : 'Finish the walk'}
        </button>
      ) : panel === 'route' ? (
        <button type="button" className="next" onClick={() => setPanel(undefined)}>
          Back to {area.name}
        </button>
      ) : (
        <button type="button" className="next" onClick={onward}>
          {next ? `Next: ${next.name}` : 'All seen →'}
        </button>
      )}
    </nav>
  );
}
