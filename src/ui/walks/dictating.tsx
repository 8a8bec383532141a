'use client';
import { useEffect, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { standpointIn, standpointText, writeCaptions, type Cue } from '@/core/narration/captions';
import type { Draft } from '@/core/narration/draft';
import { browserDictation, canHear } from '../devices/browser-dictation';
import { simulatedDictation, spokenWalk, type Dictation } from '../devices/dictation';
import { timeNow } from '../offline/clock';
import { Overheard } from './drafts';
import { beginTelling, namedAreas, type Telling } from './use-reader';
import type { Walking } from './use-walk';

/** What is being told: every word so far, where the teller is, and what was read in it. */
interface Now {
  cues: Cue[];
  room: string | null;
  drafts: Draft[];
}

/** Somebody talks: the room stands large, one tap says that from here on it is another, and what is heard gathers under it. */
function useDictating(here: string | undefined, walking: Walking) {
  const { areas, demo } = walking.pack;
  const start = areas.find((area) => area.id === here)?.name ?? null;
  const [now, setNow] = useState<Now>();
  const [problem, setProblem] = useState<string>();
  const said = useRef<Cue[]>([]);
  const telling = useRef<Telling>(undefined);
  const stop = useRef<() => void>(undefined);
  useEffect(
    () => () => {
      stop.current?.();
    },
    [],
  );
  const hear = (cue: Cue): void => {
    said.current.push(cue);
    telling.current?.tell([cue]);
    setNow((before) => before && { ...before, cues: [...said.current] });
  };
  const end = (): void => {
    telling.current?.stop();
    stop.current = undefined;
    setNow(undefined);
    const cues = said.current.splice(0);
    // A standpoint alone says nothing.
    if (cues.some((cue) => standpointIn(cue.text) === undefined))
      walking.keepNarration(`dictated ${timeNow()}`, writeCaptions(cues));
  };
  const stand = (room: string | null): void => {
    const at = said.current.at(-1)?.end ?? 0;
    hear({ start: at, end: at, text: standpointText(room) });
    setNow((before) => before && { ...before, room });
  };
  const begin = (): void => {
    setProblem(undefined);
    said.current = [];
    setNow({ cues: [], room: start, drafts: [] });
    telling.current = beginTelling(namedAreas(areas), ({ drafts, here: place }) =>
      setNow((before) => before && { ...before, drafts, room: place === undefined ? before.room : place }),
    );
    const ear: Dictation = demo ? simulatedDictation(spokenWalk(areas)) : browserDictation(setProblem);
    if (start !== null) hear({ start: 0, end: 0, text: standpointText(start) });
    const off = ear.listen(hear, end);
    stop.current = off;
  };
  return { now, problem, begin, stand, stop: () => stop.current?.() };
}

export function Dictating({ here, walking }: { here?: string; walking: Walking }) {
  const { areas, demo } = walking.pack;
  const { now, problem, begin, stand, stop } = useDictating(here, walking);
  const [hears, setHears] = useState(demo);
  useEffect(() => setHears(demo || canHear()), [demo]);
  if (!now)
    return (
      <>
        {hears ? (
          <Button variant="outline-secondary" onClick={begin}>
            {demo ? 'Dictate (played by the demo)' : 'Dictate'}
          </Button>
        ) : (
          <p className="soft small-text mb-0">
            This browser cannot hear. Record with the phone’s own dictation or recorder, and drop the text or captions
            here.
          </p>
        )}
        {problem && (
          <p className="bad mt-2 mb-0" role="alert">
            {problem}
          </p>
        )}
      </>
    );
  return (
    <div>
      <p className="soft small-text mb-0">You are telling of</p>
      <p className="telling-room">{now.room ?? 'the job as a whole'}</p>
      <Button variant="outline-secondary" className="mb-2" onClick={stop}>
        Stop
      </Button>
      <p className="soft small-text mb-1">From here on it is …</p>
      <div className="chips telling-rooms" role="group" aria-label="From here on it is">
        {areas.map((area) => (
          <button
            key={area.id}
            type="button"
            className="chip"
            aria-pressed={now.room === area.name}
            onClick={() => stand(area.name)}
          >
            {area.name}
          </button>
        ))}
        <button type="button" className="chip" aria-pressed={now.room === null} onClick={() => stand(null)}>
          the job as a whole
        </button>
      </div>
      <p className="heard mt-2" role="status">
        {now.cues
          .filter((cue) => standpointIn(cue.text) === undefined)
          .slice(-6)
          .map((cue) => cue.text)
          .join(' ')}
      </p>
      <Overheard drafts={now.drafts} walking={walking} />
    </div>
  );
}
