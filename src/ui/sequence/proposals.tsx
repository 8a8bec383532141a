'use client';
import { takeLogistics } from '@/contract/commands/schedule';
import type { ProposalView, SequenceView } from '@/contract/views/plan';
import { formatDay } from '@/core/units/day';
import { Hidden } from '../kit/hidden';
import { Folded } from '../kit/folded';
import { Line } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

/** What is shown before one asks for more: what is to be asked at once first. */
const SHOWN = 1;

interface Terms {
  view: SequenceView;
  /** Opens it as a form, to be added with more than is known. */
  onTake: (proposal: ProposalView) => void;
}

/** What the works ask for and nobody has answered: it holds nothing until it is added. */
export function Proposals({ view, onTake }: Terms) {
  const { busy, give } = useSend();
  const { proposals } = view;
  const answer = (taken: readonly ProposalView[], needed: boolean, text: string): void =>
    void give(
      takeLogistics,
      { job: view.job.id, needed, taken: taken.map(({ key }) => ({ id: newId(), proposal: key })) },
      { text, back: 'Taken back.' },
    );
  if (proposals.length === 0) return null;
  return (
    <section aria-label="The work asks for">
      <h3 className="d-flex align-items-baseline fs-6 mt-3 mb-0">
        The work asks for
        <LinkButton
          className="ms-auto small-text"
          disabled={busy}
          onClick={() => answer(proposals, true, `${proposals.length} added.`)}
        >
          Add all {proposals.length}
        </LinkButton>
      </h3>
      <Folded of={[...proposals].sort((one, other) => Number(other.late) - Number(one.late))} shown={SHOWN}>
        {(proposal) => (
          <Line
            key={proposal.key}
            small
            beside={
              <span className="text-nowrap">
                <LinkButton className="me-2" onClick={() => onTake(proposal)}>
                  Add<Hidden>: {proposal.label}</Hidden>
                </LinkButton>
                <LinkButton
                  disabled={busy}
                  onClick={() => answer([proposal], false, `${proposal.label}: not needed here.`)}
                >
                  Not needed<Hidden>: {proposal.label}</Hidden>
                </LinkButton>
              </span>
            }
          >
            {proposal.label}, first for {proposal.step}
            <div className={proposal.late ? 'bad' : 'soft'}>
              {proposal.howMuch && <div>{proposal.howMuch}</div>}
              {when(proposal, view.today)}
            </div>
          </Line>
        )}
      </Folded>
    </section>
  );
}

function when({ neededBy, askBy, late, leadDays }: ProposalView, today: string): string {
  const takes = `usually takes ${leadDays} ${leadDays === 1 ? 'day' : 'days'}`;
  if (!neededBy || !askBy) return takes;
  return `needed ${formatDay(neededBy, today)}, ${takes}: ${late ? 'ask at once' : `ask by ${formatDay(askBy, today)}`}`;
}
