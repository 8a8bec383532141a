'use client';
import { useCallback, useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { Mark } from '../kit/mark';
import { Slip } from '../kit/slip';
import { flush, forget, onOutbox, waiting, type Waiting } from './outbox';

/** What waits on this device, kept current. */
export function useWaiting(): Waiting[] {
  const [list, setList] = useState<Waiting[]>([]);
  useEffect(() => {
    const look = (): void => void waiting().then(setList, () => undefined);
    look();
    void flush();
    const online = (): void => void flush();
    window.addEventListener('online', online);
    const off = onOutbox(look);
    return () => {
      off();
      window.removeEventListener('online', online);
    };
  }, []);
  return list;
}

const wordsOf = (one: Waiting): string => {
  const payload = one.command.payload as { observation?: { kind?: string; text?: string } };
  return [payload.observation?.kind ?? one.command.type, payload.observation?.text].filter(Boolean).join(': ');
};

/** The counter of the top line: all sent, or how many records are kept here and why. */
export function Unsent() {
  const list = useWaiting();
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  if (list.length === 0) return <span className="sent soft"><span className="words">all sent</span> <Mark kind="done" /></span>;
  const refused = list.filter((one) => one.refused);
  return (
    <>
      <button type="button" className="switcher sent" onClick={() => setOpen(true)}>
        <Mark kind={refused.length > 0 ? 'stop' : 'waiting'} silent /> {list.length} kept here
      </button>
      <Slip title="Kept on this device" open={open} onClose={close}>
        <p className="soft">These records are safe here and are sent in order as soon as there is a connection.</p>
        <ul className="lines">
          {list.map((one) => (
            <li key={one.id}>
              <Mark kind={one.refused ? 'stop' : 'waiting'} />
              <div className="what">
                {wordsOf(one)}
                {one.refused && <div className="bad">{one.refused.title}</div>}
              </div>
              {one.refused && <Button size="sm" variant="outline-secondary" onClick={() => void forget(one.order)}>Take away</Button>}
            </li>
          ))}
        </ul>
        <Button className="mt-3" onClick={() => void flush()}>Send now</Button>
      </Slip>
    </>
  );
}
