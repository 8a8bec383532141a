'use client';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { addQuiet, dropQuiet } from '@/contract/commands/quiet';
import type { QuietView, SequenceView } from '@/contract/views/plan';
import { counted } from '@/core/words/count';
import { CheckField, CommandForm, SelectField, TextField, TicksField } from '../kit/form';
import { FormEffect } from '../kit/effect';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { FoldedBlock } from '../kit/page';
import { SidePanel } from '../kit/side-panel';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

type Said = QuietView['said'][number];
type Open = { said?: Said };

/** Times in which the household or the neighbours want quiet; what was said on walks is asked about. */
export function QuietTimes({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<Open>();
  const { busy, give } = useSend();
  const { times, said } = view.quiet;
  const says =
    said.length > 0
      ? `${counted(said.length, 'wish', 'wishes')} to settle`
      : times.length > 0
        ? `${times.length} held`
        : 'none';
  return (
    <FoldedBlock
      heading="Quiet times"
      says={says}
      open={said.length > 0}
      beside={
        <LinkButton className="push" onClick={() => setOpen({})}>
          Add<Hidden> a time of quiet</Hidden>
        </LinkButton>
      }
    >
      {times.length + said.length === 0 && (
        <p className="soft mt-2 small-text">
          None. Say here when the household or a neighbour wants quiet, or on which days nobody works at the boundary.
        </p>
      )}
      <Lines className="small-text">
        {said.map((one) => (
          <Line
            key={one.observation}
            mark={<StateIcon kind="waiting" silent />}
            beside={
              <Button size="sm" variant="outline-secondary" onClick={() => setOpen({ said: one })}>
                Plan around it<Hidden>: {one.text}</Hidden>
              </Button>
            }
          >
            <span className="fw-bold">{one.area}</span>: {one.text}{' '}
            <span className="soft">Said on a walk; nothing is planned around it yet.</span>
          </Line>
        ))}
        {times.map((time) => (
          <Line
            key={time.id}
            beside={
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(dropQuiet, { id: time.id }, { text: 'It holds nothing any more.', back: 'It holds again.' })
                }
              >
                Remove<Hidden> {time.text}</Hidden>
              </LinkButton>
            }
          >
            {time.text} <span className="soft">{time.words}</span>
          </Line>
        ))}
      </Lines>
      <SidePanel title="A time of quiet" open={open !== undefined} onClose={() => setOpen(undefined)}>
        {open && <QuietForm view={view} said={open.said} onDone={() => setOpen(undefined)} />}
      </SidePanel>
    </FoldedBlock>
  );
}

const DAYS = [
  ['1', 'Monday'],
  ['2', 'Tuesday'],
  ['3', 'Wednesday'],
  ['4', 'Thursday'],
  ['5', 'Friday'],
] as const;

function QuietForm({ view, said, onDone }: { view: SequenceView; said: Said | undefined; onDone: () => void }) {
  return (
    <CommandForm
      kind={addQuiet}
      submit="Plan around it"
      onDone={onDone}
      beside={<FormEffect kind={addQuiet} />}
      start={() => ({
        id: newId(),
        job: view.job.id,
        covers: said?.covers ?? ('loud' as const),
        half: said?.half === 0 ? ('0' as const) : said?.half === 1 ? ('1' as const) : ('' as const),
        weekdays: [],
        firstDay: said && said.firstDay > view.today ? said.firstDay : view.today,
        ...(said?.lastDay ? { lastDay: said.lastDay } : {}),
        words: said?.text ?? '',
        ...(said ? { observation: said.observation } : {}),
        meant: false,
      })}
    >
      <SelectField
        name="covers"
        label="What stops"
        options={[
          ['loud', 'loud work'],
          ['all', 'all work'],
        ]}
      />
      <SelectField
        name="area"
        label="Where"
        options={[['', 'the whole job'], ...view.areas.map(({ id, name }) => [id, name] as const)]}
      />
      <SelectField
        name="half"
        label="When in the day"
        options={[
          ['', 'all day'],
          ['0', 'in the morning'],
          ['1', 'in the afternoon'],
        ]}
      />
      <TicksField name="weekdays" label="Only on these days of the week" options={DAYS} />
      <div className="form-pair">
        <TextField name="firstDay" label="From" type="date" />
        <TextField name="lastDay" label="Until" type="date" hint="Nothing for good." />
      </div>
      <TextField name="words" label="What was asked, and by whom" />
      <CheckField name="meant" label="It is meant, though nobody could work there at all" />
    </CommandForm>
  );
}
