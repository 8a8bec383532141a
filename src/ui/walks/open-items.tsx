'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WalkArea } from '@/contract/views/walk';
import { TRADES } from '@/core/sequence/trades';
import { RECHECK_VERDICTS, type RecheckVerdict, type WalkKind } from '@/core/walks/observation';
import { StateIcon } from '../kit/state-icon';
import type { Terms } from './area-body';
import type { Walking } from './use-walk';

type Item = WalkArea['open'][number];

/** How old it is and how often it was put off. */
function history({ days, putOff, notSeen, worse, since }: Item): string {
  const age = days === 0 ? 'since today' : `${days} ${days === 1 ? 'day' : 'days'} old, since ${since}`;
  return [
    age,
    putOff > 0 ? `put off ${putOff === 1 ? 'once' : `${putOff} times`}` : '',
    notSeen > 0 ? `not seen ${notSeen === 1 ? 'once' : `${notSeen} times`}` : '',
    worse ? 'worse than before' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** What was open last time, first of all; the oldest on top. */
export function OpenItems({ area, walking, kind }: Terms & { kind: WalkKind }) {
  if (area.open.length === 0) return null;
  return (
    <section>
      <h2>{kind === 'completion' ? 'Left over' : 'Open since last time'}</h2>
      {area.open.map((item) => (
        <OpenLine key={item.id} item={item} area={area} walking={walking} proof={kind === 'completion'} />
      ))}
    </section>
  );
}

/** One item with its four verdicts; at the end of a job it is done only with a picture or a word. */
function OpenLine({ item, area, walking, proof }: { item: Item; area: WalkArea; walking: Walking; proof: boolean }) {
  const [asking, setAsking] = useState(false);
  const [words, setWords] = useState('');
  const [picture, setPicture] = useState<File>();
  const [tried, setTried] = useState(false);
  const caution = item.kind === 'caution';
  const label = (verdict: RecheckVerdict): string => (caution && verdict === 'done' ? 'made safe' : verdict);
  const put = (verdict: RecheckVerdict): void => {
    if (verdict === 'done' && proof) return setAsking(true);
    walking.record({ kind: 'recheck', area: area.id, about: item.id, verdict }, `${item.text}: ${label(verdict)}`);
  };
  const close = (event: React.SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (words.trim() === '' && !picture) return;
    walking.record(
      {
        kind: 'recheck',
        area: area.id,
        about: item.id,
        verdict: 'done',
        ...(words.trim() ? { text: words.trim() } : {}),
      },
      `${item.text}: done`,
      picture,
    );
    setAsking(false);
  };
  return (
    <div className="check-line" role="group" aria-label={item.text}>
      <div>
        {caution && <StateIcon kind="hazard" />} {item.text}{' '}
        {item.trade && <span className="soft">· {TRADES[item.trade].toLowerCase()}</span>}
      </div>
      <div className={`small-text ${item.putOff > 0 || item.worse ? 'bad' : 'soft'}`}>{history(item)}</div>
      <div className="verdicts">
        {RECHECK_VERDICTS.map((verdict) => (
          <button
            key={verdict}
            type="button"
            aria-pressed={(asking ? 'done' : item.verdict) === verdict}
            onClick={() => put(verdict)}
          >
            {label(verdict)}
          </button>
        ))}
      </div>
      {asking && (
        <Form className="form-lines mt-2" onSubmit={close}>
          <Form.Control
            autoFocus
            value={words}
            maxLength={600}
            placeholder="How was it put right?"
            aria-label={`How it was put right: ${item.text}`}
            isInvalid={tried && words.trim() === '' && !picture}
            onChange={(event) => setWords(event.target.value)}
          />
          <Form.Control
            type="file"
            accept="image/*"
            capture="environment"
            aria-label={`Picture of it put right: ${item.text}`}
            onChange={(event) => setPicture((event.target as HTMLInputElement).files?.[0])}
          />
          {tried && words.trim() === '' && !picture && (
            <Form.Text className="bad d-block" role="alert">
              A leftover is closed with a picture or a word on how it was put right.
            </Form.Text>
          )}
          <div className="actions">
            <Button type="submit">Save: done</Button>
            <button type="button" className="btn btn-link" onClick={() => setAsking(false)}>
              Cancel
            </button>
          </div>
        </Form>
      )}
    </div>
  );
}
