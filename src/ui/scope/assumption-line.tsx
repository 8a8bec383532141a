'use client';
import { useState, type ReactNode } from 'react';
import { draftChange } from '@/contract/commands/changes';
import { probeAssumption, reopenAssumption, settleAssumption } from '@/contract/commands/scope';
import type { AssumptionView } from '@/contract/views/scope';
import { weigh } from '@/core/scope/bearing-signs';
import { capital } from '@/core/words/letters';
import { TRADE_OPTIONS } from './line-fields';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { CommandForm, SelectField, SubmitAs, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { useToast } from '../kit/toast';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { daysOf } from '@/core/words/count';
import { Line } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { useMoney } from '../kit/money';

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
  const money = useMoney();
  const { give, busy } = useSend();
  const say = useToast();
  const [open, setOpen] = useState(false);
  const settled = (verdict: 'held' | 'wrong'): void => {
    setOpen(false);
    const added = assumption.fallbackHalfDays > 0 ? `: “${assumption.fallback}” is added to the sequence` : '';
    say({
      text: verdict === 'held' ? 'It held.' : `Wrong${added}.`,
      undo: () => void give(reopenAssumption, { id: assumption.id }, { text: 'It is open again.' }),
    });
  };
  return (
    <Line
      mark={
        <StateIcon kind={assumption.state === 'open' ? 'waiting' : assumption.state === 'held' ? 'checked' : 'stop'} />
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
      {withArea && <span className="fw-bold">{assumption.area}: </span>}we assume that {assumption.text}
      {assumption.why && <span className="soft">, {assumption.why}</span>}
      <div className="small-text soft">
        {assumption.state === 'open' && (
          <>
            {assumption.shownBy} will show it{assumption.shownOn ? `, ${formatDay(assumption.shownOn, today)}` : ''}. If
            not: {assumption.fallback}, {TRADES[assumption.fallbackTrade].toLowerCase()},{' '}
            {daysOf(assumption.fallbackHalfDays)}
            {assumption.fallbackPrice > 0 ? `, ${money(assumption.fallbackPrice)}` : ''}.
          </>
        )}
        {assumption.state === 'open' && <Probable assumption={assumption} />}
        {assumption.state === 'held' && (
          <>
            It held{assumption.found ? `: ${assumption.found}` : ''}. {assumption.settled}
          </>
        )}
        {assumption.state === 'wrong' && (
          <span className="bad">
            It was wrong{assumption.found ? `: ${assumption.found}` : ''}. {assumption.fallback} is added.{' '}
            <span className="soft">{assumption.settled}</span>{' '}
            {assumption.change === null ? (
              <LinkButton
                className="no-print"
                disabled={busy}
                onClick={() =>
                  void give(
                    draftChange,
                    { id: newId(), of: 'assumption', from: assumption.id },
                    { text: 'A draft change holds it now, with its price and days: send it from Changes.' },
                  )
                }
              >
                Make it a change<Hidden>: {assumption.text}</Hidden>
              </LinkButton>
            ) : (
              <span className="soft">Change {assumption.change} pays for it.</span>
            )}
          </span>
        )}
      </div>
      {open && (
        <CommandForm
          kind={settleAssumption}
          about={assumption.id}
          className="mt-2"
          start={() => ({ id: assumption.id, found: '', extraId: newId() })}
          submit={
            <>
              <SubmitAs name="verdict" value="wrong">
                It is wrong
              </SubmitAs>
              <SubmitAs name="verdict" value="held" variant="outline-secondary">
                It holds
              </SubmitAs>
            </>
          }
          onDone={({ verdict }) => settled(verdict)}
        >
          <TextField name="found" label="What was found" />
        </CommandForm>
      )}
    </Line>
  );
}

/** How sure it is, what was seen, and the small opening that would settle it before it is relied on. */
function Probable({ assumption }: { assumption: AssumptionView }) {
  const [open, setOpen] = useState(false);
  const { carries, not, next } = weigh(assumption.signs);
  const seen = [
    assumption.sure === null ? '' : `${assumption.sure} % sure`,
    carries.length > 0 ? `may carry: ${carries.join(', ')}` : '',
    not.length > 0 ? `may not: ${not.join(', ')}` : '',
    assumption.signs.length > 0 && next ? `quickest to look at next: ${next.look}, ${next.minutes} minutes` : '',
  ].filter(Boolean);
  return (
    <>
      {seen.length > 0 && <div>{capital(seen.join('; '))}.</div>}
      {assumption.signs.length > 0 && (
        <div className="soon">What carries is an engineer’s to say before it is cut.</div>
      )}
      {assumption.probed ? (
        <div>A small opening is planned before anything is begun there.</div>
      ) : open ? (
        <CommandForm
          kind={probeAssumption}
          className="mt-2"
          about={assumption.text}
          submit="Plan it"
          onDone={() => setOpen(false)}
          start={() => ({
            id: assumption.id,
            extraId: newId(),
            text: next && assumption.signs.length > 0 ? next.look : 'open a small hole and look',
            trade: 'carpentry' as const,
          })}
          beside={<LinkButton onClick={() => setOpen(false)}>Cancel</LinkButton>}
        >
          <TextField name="text" label="What is opened or looked at" />
          <SelectField name="trade" label="Who looks" options={TRADE_OPTIONS} />
        </CommandForm>
      ) : (
        <LinkButton className="no-print d-block" onClick={() => setOpen(true)}>
          Plan a small opening<Hidden>: {assumption.text}</Hidden>
        </LinkButton>
      )}
    </>
  );
}
