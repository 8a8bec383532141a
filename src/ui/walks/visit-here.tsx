'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { removeLine } from '@/contract/commands/scope';
import type { Removable } from '@/contract/commands/scope';
import { routes } from '@/contract/routes';
import type { WalkArea } from '@/contract/views/walk';
import { fittingAssembly } from '@/core/assemblies/fitting';
import { isEmptyBrief, type BriefLine } from '@/core/scope/brief';
import type { SaidHere } from '@/core/walks/walk-screen';
import { ABOUT_ALL, FINDING_KINDS, type FindingKind } from '@/core/scope/finding';
import { capital } from '@/core/words/letters';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { AssumptionForm } from '../scope/assumption-form';
import { BriefLines } from '../scope/brief';
import { EverythingExcept } from '../scope/everything-except';
import { FINDING_ORDER, FindingForm } from '../scope/finding-form';
import type { Walking } from './use-walk';

type Open = { form: 'finding'; kind: FindingKind } | { form: 'everything' } | { form: 'assumption' };

const titleOf = (open: Open | undefined, area: WalkArea): string => {
  switch (open?.form) {
    case 'finding':
      return `${capital(FINDING_KINDS[open.kind].label)}${ABOUT_ALL.includes(open.kind) ? '' : `, ${area.name}`}`;
    case 'everything':
      return `Everything in ${area.name} except …`;
    default:
      return `Assumption, ${area.name}`;
  }
};

/** The assembly that a line means, where one fits: it brings the goods, the hours and the steps with it. */
function Fits({ line, area, walking }: { line: BriefLine; area: WalkArea; walking: Walking }) {
  const { assemblies, job } = walking.pack;
  if (line.of !== 'scope') return null;
  const fits = fittingAssembly(assemblies, line.text, area.kind);
  if (!fits) return null;
  return (
    <div className="small-text">
      <Link href={routes.assemblies(job.id, area.id, fits.title)}>Set it with its goods and hours: {fits.title}</Link>
    </div>
  );
}

interface Terms {
  area: WalkArea;
  walking: Walking;
  choose: Parameters<typeof BriefLines>[0]['choose'];
}

/** What a first visit writes down of one area: lines of work, findings, assumptions; each with a way back. */
export function VisitHere({ area, walking, choose }: Terms) {
  const [open, setOpen] = useState<Open>();
  const { job, whole } = walking.pack;
  const close = (): void => setOpen(undefined);
  const remove = (of: Removable, id: string, words: string): void => {
    // What was told goes with the record behind it, and can be settled anew among what was said.
    const told = area.recorded.find(({ filed }) => filed?.target === id);
    if (told) walking.unput(area.id, told.id);
    else walking.write(removeLine, { of, id }, `“${words}” was taken away.`);
  };
  const beside = ({ id, of, text }: BriefLine) =>
    of === 'extra' ? null : (
      <LinkButton className="no-print" onClick={() => remove(of, id, text)}>
        Remove<Hidden> {text}</Hidden>
      </LinkButton>
    );
  const told = (said: SaidHere) => (
    <>
      <BriefLines
        brief={said.brief}
        beside={beside}
        under={(line) => (
          <>
            {said.gaps[line.id] && <div className="small-text soon">{said.gaps[line.id]}</div>}
            <Fits line={line} area={area} walking={walking} />
          </>
        )}
        choose={(choice) => (
          <>
            {choose?.(choice)}
            <LinkButton className="no-print" onClick={() => remove('finding', choice.id, choice.subject)}>
              Remove<Hidden> {choice.subject}</Hidden>
            </LinkButton>
          </>
        )}
      />
      {said.forOffice.length > 0 && (
        <Lines>
          {said.forOffice.map((line) => (
            <Line key={line.id} beside={beside(line)}>
              {capital(line.text)} <span className="soft small-text">for the office</span>
            </Line>
          ))}
        </Lines>
      )}
    </>
  );
  const nothing = isEmptyBrief(area.brief) && area.forOffice.length === 0;
  const ofJob = !isEmptyBrief(whole.brief) || whole.forOffice.length > 0;
  return (
    <>
      <section aria-label={`Lines of ${area.name}`}>
        <h2>Written down here</h2>
        {nothing && (
          <p className="soft mt-2 mb-0">
            No scope written for this room yet. Say first what is <em>not</em> included.
          </p>
        )}
        {told(area)}
        <div className="chips mt-2 no-print">
          <button type="button" className="chip" onClick={() => setOpen({ form: 'everything' })}>
            Everything here except …
          </button>
          <Link className="chip" href={routes.assemblies(job.id, area.id)}>
            Set an assembly
          </Link>
          <Link className="chip" href={routes.layout(job.id, area.id)}>
            {area.drawn.length > 0 ? 'To the drawing' : 'Draw it'}
          </Link>
        </div>
      </section>
      <section className="no-print">
        <h2>Something found</h2>
        {FINDING_ORDER.map(([where, kinds]) => (
          <div key={where} className="chips mt-2" role="group" aria-label={where}>
            {kinds.map((kind) => (
              <button key={kind} type="button" className="chip" onClick={() => setOpen({ form: 'finding', kind })}>
                {FINDING_KINDS[kind].label}
              </button>
            ))}
          </div>
        ))}
      </section>
      {ofJob && (
        <FoldedBlock heading="Of the whole job" says="what was written down for no one area">
          {told(whole)}
        </FoldedBlock>
      )}
      <Assumed area={area} onAdd={() => setOpen({ form: 'assumption' })} remove={remove} />
      <SidePanel title={titleOf(open, area)} open={open !== undefined} onClose={close}>
        {open?.form === 'finding' && (
          <FindingForm
            key={open.kind}
            job={job.id}
            area={ABOUT_ALL.includes(open.kind) ? null : area.id}
            kind={open.kind}
            onDone={close}
          />
        )}
        {open?.form === 'everything' && <EverythingExcept job={job.id} area={area} onDone={close} />}
        {open?.form === 'assumption' && (
          <AssumptionForm job={job.id} area={area.id} phases={area.steps} onDone={close} />
        )}
      </SidePanel>
    </>
  );
}

/** What is believed here and not seen. */
function Assumed({
  area,
  onAdd,
  remove,
}: {
  area: WalkArea;
  onAdd: () => void;
  remove: (of: Removable, id: string, words: string) => void;
}) {
  return (
    <section>
      <h2>Assumptions</h2>
      <Lines>
        {area.assumptions.map(({ id, text, fallback, shownBy }) => (
          <Line
            key={id}
            beside={
              <LinkButton className="no-print" onClick={() => remove('assumption', id, text)}>
                Remove<Hidden> {text}</Hidden>
              </LinkButton>
            }
          >
            We assume that {text}
            {fallback && <span className="soft small-text"> · if not: {fallback}</span>}
            {shownBy && <div className="soft small-text">{shownBy} will show it</div>}
          </Line>
        ))}
      </Lines>
      {area.steps.length > 0 ? (
        <LinkButton className="no-print mt-2" onClick={onAdd}>
          Add assumption
        </LinkButton>
      ) : (
        <p className="soft small-text mt-2 mb-0">
          An assumption shows itself at a step: it can be added once what is to be done here is chosen and sent.
        </p>
      )}
    </section>
  );
}
