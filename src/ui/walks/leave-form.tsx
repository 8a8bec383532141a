'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { LEFT_ITEM_KEYS, LEFT_ITEMS, LEFT_RHYTHMS, type LeftItem } from '@/core/walks/housekeeping';
import type { Walking } from './use-walk';

type Said = Partial<Record<LeftItem, { state: 'well' | 'not well'; text: string }>>;

/** How the site is left: each line well or not, what is not well in words, how full the bin is. */
export function LeaveForm({ walking }: { walking: Walking }) {
  const { left, job } = walking.pack;
  const [said, setSaid] = useState<Said>({});
  const [bin, setBin] = useState<number>();
  const [tried, setTried] = useState(false);
  const [done, setDone] = useState(false);
  const say = (item: LeftItem, state: 'well' | 'not well'): void =>
    setSaid({ ...said, [item]: { state, text: said[item]?.text ?? '' } });
  const items = LEFT_ITEM_KEYS.flatMap((item) => {
    const one = said[item];
    return one ? [{ item, ...one }] : [];
  });
  const vague = items.filter((item) => item.state === 'not well' && item.text.trim() === '').map((item) => item.item);
  const keep = (): void => {
    setTried(true);
    if (items.length === 0 || vague.length > 0) return;
    walking.leave({ items, note: '', ...(bin === undefined ? {} : { bin }) });
    setDone(true);
  };
  if (done)
    return (
      <section>
        <h2>How the site is left</h2>
        <p className="mt-2 mb-0 good">Saved.</p>
      </section>
    );
  return (
    <section aria-label="How the site is left">
      <h2>
        How the site is left · {LEFT_RHYTHMS[job.leaves]}
        {left ? `, last ${left.when}` : ''}
      </h2>
      {LEFT_ITEM_KEYS.map((item) => (
        <div key={item} className="check-line" role="group" aria-label={LEFT_ITEMS[item]}>
          <div>{LEFT_ITEMS[item]}</div>
          <div className="verdicts">
            {(['well', 'not well'] as const).map((state) => (
              <button
                key={state}
                type="button"
                aria-pressed={said[item]?.state === state}
                onClick={() => say(item, state)}
              >
                {state === 'well' ? 'OK' : 'not OK'}
              </button>
            ))}
          </div>
          {said[item]?.state === 'not well' && (
            <>
              <Form.Control
                className="mt-2"
                value={said[item].text}
                maxLength={200}
                aria-label={`What is not OK: ${LEFT_ITEMS[item]}`}
                placeholder="What is not OK?"
                isInvalid={tried && vague.includes(item)}
                onChange={(event) => setSaid({ ...said, [item]: { state: 'not well', text: event.target.value } })}
              />
              {tried && vague.includes(item) && (
                <Form.Text className="bad d-block" role="alert">
                  Say what is not OK, so that somebody can put it right.
                </Form.Text>
              )}
            </>
          )}
        </div>
      ))}
      <div className="check-line">
        <Form.Label htmlFor="bin-level" className="mb-1">
          How full the bin is: {bin === undefined ? 'not said' : `${Math.round(bin * 100)} %`}
          {left?.bin !== null && left !== null ? `, was ${Math.round(left.bin * 100)} %` : ''}
        </Form.Label>
        <Form.Range
          id="bin-level"
          min={0}
          max={10}
          step={1}
          value={bin === undefined ? Math.round((left?.bin ?? 0) * 10) : bin * 10}
          className="for-thumbs"
          onChange={(event) => setBin(Number(event.target.value) / 10)}
        />
      </div>
      {tried && items.length === 0 && (
        <p className="bad mb-2" role="alert">
          Look at one thing at least.
        </p>
      )}
      <Button className="mt-2" onClick={keep}>
        Save how it is left
      </Button>
    </section>
  );
}
