'use client';
import { useState, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import { reopenAssumption, settleAssumption } from '@/contract/commands/scope';
import type { AssumptionView } from '@/contract/views/scope';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { formatMoney } from '@/core/units/money';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Line } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

const days = (halfDays: number): string =>
  halfDays === 1 ? 'half a day' : `${halfDays / 2} ${halfDays === 2 ? 'day' : 'days'}`;

/** One assumption wherever it matters: what is believed, when it shows itself, what follows if it is wrong. */
export function AssumptionLine({
  assumption,
  today,
  withArea,
  actions,
}: {
  assumption: AssumptionView;
  today: string;
  withArea?: boolean;
  actions?: ReactNode;
}) {
  const { give, busy } = useSend();
  const [found, setFound] = useState('');
  const [open, setOpen] = useState(false);
  const settle = (verdict: 'held' | 'wrong'): void => {
    setOpen(false);
    void give(
      settleAssumption,
      { id: assumption.id, verdict, found: found.trim(), extraId: newId() },
      {
        text:
          verdict === 'held'
            ? 'It held.'
            : assumption.fallbackHalfDays > 0
              ? `Wrong: “${assumption.fallback}” is added to the sequence.`
              : 'Wrong.',
        undo: () => void give(reopenAssumption, { id: assumption.id }, { text: 'It is open again.' }),
      },
    );
  };
  return (
    <Line
      mark={
        <StateIcon kind={assumption.state === 'open' ? 'waiting' : assumption.state === 'held' ? 'done' : 'stop'} />
      }
      beside={
        <span className="no-print d-flex gap-2 align-items-start">
          {assumption.state === 'open' ? (
            <LinkButton aria-expanded={open} onClick={() => setOpen(!open)}>
              Settle<Hidden>: {assumption.text}</Hidden>
            </LinkButton>
          ) : (
            <LinkButton
              disabled={busy}
              onClick={() => void give(reopenAssumption, { id: assumption.id }, { text: 'It is open again.' })}
            >
              Open again<Hidden>: {assumption.text}</Hidden>
            </LinkButton>
          )}
          {actions}
        </span>
      }
    >
      {withArea && <span className="fw-bold">{assumption.area}: </span>}we take it that {assumption.text}
      {assumption.why && <span className="soft">, {assumption.why}</span>}
      <div className="small-text soft">
        {assumption.state === 'open' && (
          <>
            {assumption.shownBy} will show it{assumption.shownOn ? `, ${formatDay(assumption.shownOn, today)}` : ''}. If
            not: {assumption.fallback}, {TRADES[assumption.fallbackTrade].toLowerCase()},{' '}
            {days(assumption.fallbackHalfDays)}
            {assumption.fallbackPrice > 0 ? `, ${formatMoney(assumption.fallbackPrice)}` : ''}.
          </>
        )}
        {assumption.state === 'held' && (
          <>
            It held{assumption.found ? `: ${assumption.found}` : ''}. {assumption.settled}
          </>
        )}
        {assumption.state === 'wrong' && (
          <span className="bad">
            It was wrong{assumption.found ? `: ${assumption.found}` : ''}. {assumption.fallback} is added.{' '}
            <span className="soft">{assumption.settled}</span>
          </span>
        )}
      </div>
      {open && (
        <Form
          className="actions mt-2"
          onSubmit={(event) => {
            event.preventDefault();
            settle('wrong');
          }}
        >
          <Form.Control
            size="sm"
            className="w-auto flex-fill"
            value={found}
            maxLength={300}
            placeholder="What was found?"
            aria-label={`What was found instead of: ${assumption.text}`}
            onChange={(event) => setFound(event.target.value)}
          />
          <Button size="sm" variant="outline-secondary" disabled={busy} onClick={() => settle('held')}>
            It holds
          </Button>
          <Button size="sm" type="submit" disabled={busy}>
            It is wrong
          </Button>
        </Form>
      )}
    </Line>
  );
}
