'use client';
import { useState } from 'react';
import type { WalkArea } from '@/contract/views/walk';
import { CHECK_VERDICTS, type CheckVerdict } from '@/core/walks/observation';
import { StateIcon } from '../kit/state-icon';
import { WordForm } from '../kit/word-form';
import type { Terms } from './area-body';
import type { Walking } from './use-walk';

/** The check before the walls are closed, line by line; what is open holds the cover back. */
export function Checks({ area, walking }: Terms) {
  // What is open stands first; the order is settled when the area is entered, so that no line moves under the thumb.
  const [order] = useState(
    () =>
      new Map(
        [...area.checks]
          .sort((a, b) => Number(isSettled(a)) - Number(isSettled(b)))
          .map((line, index) => [line.key, index]),
      ),
  );
  const open = area.checks.filter((line) => line.state === 'open' || line.state === 'not looked at').length;
  return (
    <section aria-label="Before the walls are closed">
      <h2>
        Before the walls are closed · {open === 0 ? 'every line settled' : `${open} of ${area.checks.length} open`}
      </h2>
      {[...area.checks]
        .sort((a, b) => (order.get(a.key) ?? 0) - (order.get(b.key) ?? 0))
        .map((line) => (
          <CheckLine key={line.key} line={line} area={area} walking={walking} />
        ))}
    </section>
  );
}

const isSettled = (line: WalkArea['checks'][number]): boolean => line.state === 'right' || line.state === 'not here';

function CheckLine({ line, area, walking }: { line: WalkArea['checks'][number]; area: WalkArea; walking: Walking }) {
  const [asking, setAsking] = useState(false);
  const item = line.key.startsWith('left:') ? line.key.slice('left:'.length) : undefined;
  const put = (verdict: CheckVerdict, text?: string): void => {
    // A leftover that is right is done, there and everywhere else.
    if (item && verdict === 'right')
      walking.record(
        { kind: 'recheck', area: area.id, about: item, verdict: 'done', ...(text ? { text } : {}) },
        `${line.text}: right`,
      );
    else
      walking.record(
        { kind: 'check', area: area.id, line: line.key, verdict, ...(text ? { text } : {}) },
        `${line.text}: ${verdict}`,
      );
    setAsking(false);
  };
  return (
    <div className="check-line" role="group" aria-label={line.text}>
      <div>
        <StateIcon
          kind={
            line.state === 'right' || line.state === 'not here' ? 'checked' : line.state === 'open' ? 'stop' : 'open'
          }
          silent
        />{' '}
        {line.text}
      </div>
      <div className="small-text soft">
        {line.because}
        {line.said ? ` · ${line.said}` : ''}
      </div>
      <div className="verdicts">
        {CHECK_VERDICTS.map((verdict) => (
          <button
            key={verdict}
            type="button"
            aria-pressed={(asking ? 'open' : line.state) === verdict}
            onClick={() => (verdict === 'open' ? setAsking(true) : put(verdict))}
          >
            {verdict}
          </button>
        ))}
      </div>
      {asking && (
        <WordForm
          focus
          label={`What is missing: ${line.text}`}
          placeholder="What is missing?"
          submit="Save: open"
          most={600}
          onKeep={(words) => put('open', words)}
        />
      )}
    </div>
  );
}
