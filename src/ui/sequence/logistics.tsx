'use client';
import { useState } from 'react';
import { settleLogistic } from '@/contract/commands/schedule';
import type { LogisticView, ProposalView, SequenceView } from '@/contract/views/plan';
import { formatDay } from '@/core/units/day';
import { sayPlaceAndHours } from '@/core/words/logistic';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Folded } from '../kit/folded';
import { Line, Lines } from '../kit/lines';
import { Means } from '../kit/means';
import { LinkButton } from '../kit/link-button';
import { Phone } from '../kit/phone';
import { BookLogistic, ChangeLogistic, NewLogistic } from './logistic-form';
import { Proposals } from './proposals';

type Open = { form: 'new'; proposal?: ProposalView } | { form: 'change' | 'book'; logistic: LogisticView };

/** What has to stand, lie, be allowed or be told before the work it serves, with the day by which to ask. */
export function Logistics({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<Open>();
  const close = (): void => setOpen(undefined);
  return (
    <Block
      heading={<Means of="word.logistic">What has to be there</Means>}
      beside={
        <LinkButton className="push" disabled={view.areas.length === 0} onClick={() => setOpen({ form: 'new' })}>
          Add
        </LinkButton>
      }
    >
      {view.logistics.length === 0 && view.proposals.length === 0 && (
        <p className="soft mt-2 small-text">
          Nothing yet: bins, scaffold, a crane, a permit to park, a word to the neighbours.
        </p>
      )}
      <Folded of={byUrgency(view.logistics)} shown={SHOWN}>
        {(logistic) => <LogisticLine key={logistic.id} logistic={logistic} today={view.today} onOpen={setOpen} />}
      </Folded>
      <Proposals view={view} onTake={(proposal) => setOpen({ form: 'new', proposal })} />
      <NotNeeded view={view} />
      <SidePanel title={titleOf(open)} open={open !== undefined} onClose={close}>
        {open?.form === 'new' && <NewLogistic view={view} proposal={open.proposal} onDone={close} />}
        {open?.form === 'change' && <ChangeLogistic logistic={open.logistic} onDone={close} />}
        {open?.form === 'book' && <BookLogistic logistic={open.logistic} today={view.today} onDone={close} />}
      </SidePanel>
    </Block>
  );
}

/** What is shown before one asks for more. */
const SHOWN = 2;

/** What is there already comes last; what is late comes first. */
const byUrgency = (logistics: readonly LogisticView[]): LogisticView[] => {
  const rank = ({ state, late }: LogisticView): number => (state === 'here' ? 2 : late ? 0 : 1);
  return [...logistics].sort((one, other) => rank(one) - rank(other));
};

const titleOf = (open: Open | undefined): string =>
  open === undefined || open.form === 'new' ? (open?.proposal?.label ?? 'What has to be there') : open.logistic.label;

interface LineTerms {
  logistic: LogisticView;
  today: string;
  onOpen: (open: Open) => void;
}

function LogisticLine({ logistic, today, onOpen }: LineTerms) {
  const { busy, give } = useSend();
  const { id, version, label, state } = logistic;
  return (
    <Line
      small
      beside={
        <span className="text-nowrap">
          {state !== 'here' && (
            <>
              <LinkButton className="me-2" onClick={() => onOpen({ form: 'change', logistic })}>
                Change<Hidden>: {label}</Hidden>
              </LinkButton>
              <LinkButton className="me-2" onClick={() => onOpen({ form: 'book', logistic })}>
                {state === 'open' ? 'Booked' : 'Other day'}
                <Hidden>: {label}</Hidden>
              </LinkButton>
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(settleLogistic, { id, version, state: 'here' }, { text: `${label} is there.` })
                }
              >
                It is there<Hidden>: {label}</Hidden>
              </LinkButton>
            </>
          )}
        </span>
      }
    >
      <span className="fw-bold">{label}</span> for {logistic.step}
      <div className={logistic.late ? 'bad' : 'soft'}>{standing(logistic, today)}</div>
      <Known logistic={logistic} />
    </Line>
  );
}

/** How much, where, when in the day, and whom to call. */
function Known({ logistic }: { logistic: LogisticView }) {
  const { howMuch, contact, phone } = logistic;
  const known = [howMuch, sayPlaceAndHours(logistic)].filter(Boolean);
  if (known.length === 0 && !contact && !phone) return null;
  return (
    <div className="soft">
      {known.map((text) => (
        <div key={text}>{text}</div>
      ))}
      {(contact || phone) && (
        <div>
          Call {contact} <Phone number={phone} />
        </div>
      )}
    </div>
  );
}

/** What somebody said is not needed here, and may be after all. */
function NotNeeded({ view }: { view: SequenceView }) {
  const { busy, give } = useSend();
  if (view.notNeeded.length === 0) return null;
  return (
    <details className="small-text mt-2">
      <summary>Not needed here: {view.notNeeded.length}</summary>
      <Lines>
        {view.notNeeded.map(({ id, version, label, step }) => (
          <Line
            key={id}
            small
            beside={
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(settleLogistic, { id, version, state: 'open' }, { text: `${label} is needed.` })
                }
              >
                Needed after all<Hidden>: {label}</Hidden>
              </LinkButton>
            }
          >
            {label} for {step}
          </Line>
        ))}
      </Lines>
    </details>
  );
}

function standing(logistic: LogisticView, today: string): string {
  if (logistic.state === 'here') return 'is there';
  const needed = logistic.neededBy ? `, needed ${formatDay(logistic.neededBy, today)}` : '';
  if (logistic.state === 'booked' && logistic.bookedOn)
    return `booked for ${formatDay(logistic.bookedOn, today)}${needed}`;
  const takes = `takes ${logistic.leadDays} ${logistic.leadDays === 1 ? 'day' : 'days'}${needed}`;
  if (!logistic.askBy) return takes;
  return `${takes}: ${logistic.late ? 'ask at once, the step waits for it' : `ask by ${formatDay(logistic.askBy, today)}`}`;
}
