'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { addProvision, dropProvision } from '@/contract/commands/provision';
import { routes } from '@/contract/routes';
import type { LivingView } from '@/contract/views/living';
import { HOUSEHOLD_NEED_KEYS, HOUSEHOLD_NEEDS } from '@/core/sites/household-needs';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { MoneyField } from '../kit/measure-fields';
import { Block, Empty, PageHead } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { JobTabs } from '../shell/job-tabs';

/** What those who live there have and are without, day by day, and what stands in. */
export function Living({ view }: { view: LivingView }) {
  const { job } = view;
  return (
    <>
      <JobTabs job={job} />
      <div className="page">
        <PageHead heading="Living in">
          <span className="soft">What the household has, is without, and has instead.</span>
          <span className="push actions no-print">
            <Link href={routes.schedule(job.id)} className="btn btn-sm btn-outline-secondary">
              To the board
            </Link>
          </span>
        </PageHead>
        {!view.livedIn && (
          <Empty>
            <p className="mb-0">
              Nobody lives here during the work. Where somebody does, say so when you change the job.
            </p>
          </Empty>
        )}
        {view.livedIn && view.needs.length === 0 && (
          <Empty>
            <p className="mb-0">
              Nobody has said what the household has where. Open a room, change it, and tick what is there: toilet,
              sink, beds. Kitchens and baths that are worked on are known by themselves.
            </p>
          </Empty>
        )}
        {view.livedIn && view.needs.length > 0 && <Shown view={view} />}
      </div>
    </>
  );
}

const WORDS = { there: 'there', instead: 'something instead', gone: 'none' } as const;

function Shown({ view }: { view: LivingView }) {
  return (
    <>
      {view.conflicts.length > 0 && (
        <Block heading="Not to be left like this">
          <Lines>
            {view.conflicts.map(({ text, when, task }) => (
              <Line
                key={text + when}
                mark={<StateIcon kind="stop" />}
                beside={
                  task && (
                    <Link href={routes.slip(view.job.id, { task })} className="btn btn-sm btn-outline-secondary">
                      What can be done?
                    </Link>
                  )
                }
              >
                <span className="fw-bold">{text}</span> <span className="soft">{when}</span>
              </Line>
            ))}
          </Lines>
        </Block>
      )}
      <section className="living" tabIndex={0} aria-label="What is there on each of the next days">
        <div className="living-row head">
          <span />
          {view.days.map(({ day, label }, at) => (
            <span key={day} className="small-text soft">
              {at % 7 === 0 ? label : ''}
            </span>
          ))}
        </div>
        {view.needs.map(({ need, label, where, days }) => (
          <div className="living-row" key={need}>
            <span className="small-text">
              {label} <span className="soft">{where}</span>
            </span>
            {days.map((state, at) => (
              <span
                key={view.days[at]?.day}
                className={state}
                title={`${label}, ${view.days[at]?.label ?? ''}: ${WORDS[state]}`}
              />
            ))}
          </div>
        ))}
      </section>
      <p className="soft small-text">Filled: it is there. Hatched: something stands in for it. Red: there is none.</p>
      <div className="columns">
        <Block heading="What is missing when">
          {view.gaps.length === 0 && (
            <p className="soft small-text mt-2">Nothing the household has is taken by planned work.</p>
          )}
          <Lines className="small-text">
            {view.gaps.map(({ when, text, bare }) => (
              <Line key={text + when} mark={<StateIcon kind={bare ? 'waiting' : 'done'} silent />}>
                <span className="fw-bold">{when}</span>: {text}
              </Line>
            ))}
          </Lines>
        </Block>
        <div>
          <Provisions view={view} />
          <Block heading="Off while somebody works on it">
            {view.off.length === 0 && <p className="soft small-text mt-2">Nothing is planned to be shut off.</p>}
            <Lines className="small-text">
              {view.off.map(({ when, text }) => (
                <Line key={when + text}>
                  <span className="fw-bold">{when}</span>: {text}
                </Line>
              ))}
            </Lines>
          </Block>
        </div>
      </div>
      <p className="soft small-text mt-3">The client reads the same on their page.</p>
    </>
  );
}

function Provisions({ view }: { view: LivingView }) {
  const [open, setOpen] = useState(false);
  const { busy, give } = useSend();
  return (
    <Block
      heading="What stands in"
      beside={
        <LinkButton className="push" onClick={() => setOpen(true)}>
          Add<Hidden> something that stands in</Hidden>
        </LinkButton>
      }
    >
      {view.provisions.length === 0 && (
        <p className="soft small-text mt-2">
          Nothing yet. A fridge in the hall, a hired toilet, a sink in the laundry.
        </p>
      )}
      <Lines className="small-text">
        {view.provisions.map(({ id, text, when }) => (
          <Line
            key={id}
            beside={
              <LinkButton
                disabled={busy}
                onClick={() => void give(dropProvision, { id }, { text: 'It is gone.', back: 'It is there again.' })}
              >
                Remove<Hidden> {text}</Hidden>
              </LinkButton>
            }
          >
            {text} <span className="soft">{when}</span>
          </Line>
        ))}
      </Lines>
      <SidePanel title="What stands in" open={open} onClose={() => setOpen(false)}>
        <CommandForm
          kind={addProvision}
          submit="Keep it"
          onDone={() => setOpen(false)}
          start={() => ({
            ...{ id: newId(), job: view.job.id, need: view.needs[0]?.need ?? ('toilet' as const) },
            ...{ words: '', fromDay: view.today },
          })}
        >
          <SelectField
            name="need"
            label="Stands in for"
            options={HOUSEHOLD_NEED_KEYS.map((need) => [need, HOUSEHOLD_NEEDS[need]] as const)}
          />
          <TextField name="words" label="What it is and where" hint="A fridge in the hall." />
          <div className="form-pair">
            <TextField name="fromDay" label="From" type="date" />
            <TextField name="untilDay" label="Until" type="date" hint="Nothing while it stays." />
          </div>
          <MoneyField name="dayCost" label="A day of it costs us" hint="Its hire, where somebody knows." />
        </CommandForm>
      </SidePanel>
    </Block>
  );
}
