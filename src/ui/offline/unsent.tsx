'use client';
import { useCallback, useEffect, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { recordWords, KIND_WORDS } from '@/core/walks/record-words';
import type { ObservationKind } from '@/core/walks/observation';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { useOnItsWay } from './on-its-way';
import { flush, forget, onOutbox, retry, waiting, type Waiting } from './outbox';
import { packsHere } from './packs';
import { whoIsHere } from './whose';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';

const GATHER_MS = 120;

/** What waits on this device, kept current; `known` is false until it was looked up, at the start and after each change. */
function useWaiting(): { list: readonly Waiting[]; known: boolean } {
  const [state, setState] = useState<{ list: readonly Waiting[]; known: boolean }>({ list: [], known: false });
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = (): void =>
      void waiting().then(
        (list) => setState({ list, known: timer === undefined }),
        () => undefined,
      );
    // A day's records come and go in bursts: the list is read once for each burst, not once for each record.
    const soon = (): void => {
      setState(({ list }) => ({ list, known: false }));
      timer ??= setTimeout(() => {
        timer = undefined;
        look();
      }, GATHER_MS);
    };
    look();
    void flush();
    const online = (): void => void flush();
    window.addEventListener('online', online);
    const off = onOutbox(soon);
    return () => {
      clearTimeout(timer);
      off();
      window.removeEventListener('online', online);
    };
  }, []);
  return state;
}

const COMMAND_WORDS: Record<string, string> = {
  'walk.start': 'a walk begun',
  'walk.discard': 'a walk thrown away',
  'walk.finish': 'a walk finished',
  'narration.keep': 'a narration',
  'site.close-down': 'how the site was left',
  'standpoint.add': 'a standpoint',
  'finding.answer': 'a choice made on site',
  'draft.drop': 'a draft dropped',
};

const wordsOf = (entry: Waiting): string => {
  const { observation } = entry.command.payload as { observation?: { kind: ObservationKind } };
  return observation
    ? [KIND_WORDS[observation.kind], recordWords(observation)].filter(Boolean).join(': ')
    : (COMMAND_WORDS[entry.command.type] ?? entry.command.type);
};

/** The counter of the top line: all sent, something on its way, or how many records are kept here and why. */
export function Unsent() {
  const { list, known } = useWaiting();
  const moving = useOnItsWay();
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  if (list.length === 0) {
    const all = known && moving === 0;
    return <span className="sent soft">{all ? 'all sent' : moving > 0 ? 'sending' : '…'}</span>;
  }
  const refused = list.filter((entry) => entry.refused);
  return (
    <>
      <button type="button" className="switcher sent" onClick={() => setOpen(true)}>
        <StateIcon kind={refused.length > 0 ? 'stop' : 'waiting'} silent /> {list.length} kept here
      </button>
      <SidePanel title="Kept on this device" open={open} onClose={close}>
        <p className="soft">These records are safe here and are sent in order as soon as there is a connection.</p>
        <Lines>
          {list.map((entry) => (
            <WaitingLine key={entry.id} one={entry} />
          ))}
        </Lines>
        <Button className="mt-3" onClick={() => void flush()}>
          Send now
        </Button>
      </SidePanel>
    </>
  );
}

/**
 * A refused record stays with its reason until somebody settles it: sent again, put into another room, or taken away.
 */
function WaitingLine({ one }: { one: Waiting }) {
  return (
    <Line mark={<StateIcon kind={one.refused ? 'stop' : 'waiting'} />}>
      {wordsOf(one)}
      {one.whose && one.whose.id !== whoIsHere()?.id && (
        <span className="soft"> · waits for {one.whose.name}, who recorded it</span>
      )}
      {one.refused && (
        <>
          <div className="bad">{one.refused.title}</div>
          <div className="actions mt-1">
            <Button size="sm" variant="outline-secondary" onClick={() => void retry(one.order)}>
              Send again
            </Button>
            {one.refused.field === 'observation.area' && <OtherArea one={one} />}
            <Button size="sm" variant="link" onClick={() => void forget(one.order)}>
              Remove<Hidden> {wordsOf(one)}</Hidden>
            </Button>
          </div>
        </>
      )}
    </Line>
  );
}

/** Its room is gone: it goes into another one. */
function OtherArea({ one }: { one: Waiting }) {
  const [areas, setAreas] = useState<{ id: string; label: string }[]>([]);
  useEffect(() => {
    void packsHere().then(
      ({ jobs }) =>
        setAreas(
          jobs.flatMap((job) => job.areas.map((area) => ({ id: area.id, label: `${job.job.name}, ${area.name}` }))),
        ),
      () => undefined,
    );
  }, []);
  return (
    <Form.Select
      size="sm"
      className="long-field"
      aria-label={`Another room for ${wordsOf(one)}`}
      defaultValue=""
      onChange={(event) =>
        void retry(one.order, (payload) => ({
          ...payload,
          observation: { ...(payload['observation'] as object), area: event.target.value },
        }))
      }
    >
      <option value="" disabled>
        put it into…
      </option>
      {areas.map((area) => (
        <option key={area.id} value={area.id}>
          {area.label}
        </option>
      ))}
    </Form.Select>
  );
}
