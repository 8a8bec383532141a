'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { answerItem, LEFT_KINDS, handOver, signOff, takeUpItem } from '@/contract/commands/completion';
import type { CompletionView } from '@/contract/views/walk';
import { TRADE_KEYS, TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { PrintButton } from '../kit/print-button';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { newId } from '../offline/send';
import { StartWalk } from './start-walk';
import { WalkTabs } from './walk-tabs';
import type { Removable } from '@/contract/commands/scope';
import { Hidden } from '../kit/hidden';
import { Block, BlockHead, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type Item = CompletionView['items'][number];
type Open =
  | { form: 'leave' }
  | { form: 'take-up' | 'answer'; item: Item }
  | { form: 'accept'; area: CompletionView['areas'][number] };

/**
 * The end of a job: what is left by trade, parts that come, the client's list, what stays with them, rooms accepted.
 */
export function Completion({ view }: { view: CompletionView }) {
  const [open, setOpen] = useState<Open>();
  const remove = useRemove();
  const close = (): void => setOpen(undefined);
  const left = view.trades.reduce((sum, trade) => sum + trade.lines.length, 0);
  const accepted = view.areas.filter((area) => area.accepted).length;
  const areas = view.areas.map((area) => [area.id, area.name] as const);
  return (
    <>
      <JobTabs job={view.job} />
      <WalkTabs job={view.job.id} />
      <div className="page">
        <PageHead heading={left === 0 ? 'Nothing left over' : `${left} left over`}>
          <span className="soft">
            {accepted} of {view.areas.length} areas accepted
          </span>
          <span className="push actions no-print">
            <StartWalk job={view.job.id} openWalk={view.openWalk} kind="completion" />
            <PrintButton>Print</PrintButton>
          </span>
        </PageHead>
        <div className="columns">
          <div>
            {view.trades.length === 0 && (
              <p className="soft">No leftover is open. A completion walk finds what the eye of the client will find.</p>
            )}
            {view.trades.map((trade) => (
              <Block
                key={trade.trade}
                heading={trade.trade}
                beside={<span className="push small-text soft">{trade.lines.length}</span>}
              >
                <Lines>
                  {trade.lines.map((line) => (
                    <Line
                      key={line.id}
                      mark={<StateIcon kind={line.part ? 'waiting' : 'open'} silent />}
                      beside={<span className="soft small-text text-nowrap">{line.when}</span>}
                    >
                      {line.text} <span className="soft">· {line.area}</span>
                      <div className="small-text soft">
                        {line.days} {line.days === 1 ? 'day' : 'days'} old
                        {line.putOff > 0 ? `, put off ${line.putOff === 1 ? 'once' : `${line.putOff} times`}` : ''}
                        {line.part ? ` · waits for ${line.part}` : ''}
                      </div>
                    </Line>
                  ))}
                </Lines>
              </Block>
            ))}
            {view.parts.length > 0 && (
              <Block heading="Ordered again">
                <Lines>
                  {view.parts.map((part) => (
                    <Line
                      key={part.id}
                      mark={<StateIcon kind="waiting" />}
                      beside={part.due && <span className="soft small-text">{formatDay(part.due, view.today)}</span>}
                    >
                      <Link href={routes.selection(view.job.id, part.id)}>{part.category}</Link>{' '}
                      <span className="soft">
                        · {part.area}, {part.state}
                      </span>
                    </Line>
                  ))}
                </Lines>
              </Block>
            )}
            <ClientList view={view} setOpen={setOpen} />
          </div>
          <div>
            <AcceptedRooms view={view} remove={remove} setOpen={setOpen} />
            <HandedOver setOpen={setOpen} view={view} remove={remove} />
          </div>
        </div>
      </div>
      <CompletionPanel open={open} close={close} view={view} areas={areas} />
    </>
  );
}

/** What is left with the client. */
function HandedOver({
  setOpen,
  view,
  remove,
}: {
  setOpen: (next: Open | undefined) => void;
  view: CompletionView;
  remove: (of: Removable, id: string, words: string) => void;
}) {
  return (
    <>
      <BlockHead heading="Left with the client">
        <Button
          size="sm"
          variant="outline-secondary"
          className="push no-print"
          onClick={() => setOpen({ form: 'leave' })}
        >
          Add
        </Button>
      </BlockHead>
      {view.left.length === 0 && (
        <p className="soft mt-2">Paint codes, keys, spare tiles and kits, manuals: what they need when we are gone.</p>
      )}
      <Lines>
        {view.left.map((thing) => (
          <Line
            key={thing.id}
            mark={<span className="soft small-text">{thing.kind}</span>}
            beside={
              <LinkButton className="no-print" onClick={() => remove('left-with-client', thing.id, thing.text)}>
                Remove<Hidden> {thing.text}</Hidden>
              </LinkButton>
            }
          >
            {thing.text}
            {thing.area && <span className="soft"> · {thing.area}</span>}
          </Line>
        ))}
      </Lines>
    </>
  );
}

/** Rooms that were accepted, and by whom. */
function AcceptedRooms({
  view,
  remove,
  setOpen,
}: {
  view: CompletionView;
  remove: (of: Removable, id: string, words: string) => void;
  setOpen: (next: Open | undefined) => void;
}) {
  return (
    <>
      <BlockHead heading="Accepted, room by room" />
      <Lines>
        {view.areas.map((area) => (
          <Line
            key={area.id}
            mark={<StateIcon kind={area.accepted ? 'checked' : area.open > 0 ? 'open' : 'not-begun'} />}
            beside={
              area.accepted ? (
                <LinkButton
                  className="no-print"
                  onClick={() => remove('sign-off', area.accepted?.id ?? '', `The acceptance of ${area.name}`)}
                >
                  Take back<Hidden> {area.name}</Hidden>
                </LinkButton>
              ) : (
                <Button
                  size="sm"
                  variant="outline-secondary"
                  className="no-print"
                  onClick={() => setOpen({ form: 'accept', area })}
                >
                  Sign off<Hidden> {area.name}</Hidden>
                </Button>
              )
            }
          >
            {area.name}
            {area.accepted ? (
              <div className="small-text soft">
                {area.accepted.name}
                {area.accepted.byClient ? '' : ', with us'}, {area.accepted.when}
                {area.accepted.words ? `: ${area.accepted.words}` : ''}
              </div>
            ) : area.open > 0 ? (
              <div className="small-text soft">{area.open} open</div>
            ) : null}
          </Line>
        ))}
      </Lines>
    </>
  );
}

/** What the client asked for by themselves. */
function ClientList({ view, setOpen }: { view: CompletionView; setOpen: (next: Open | undefined) => void }) {
  return (
    <Block heading="The client’s own list">
      {view.items.length === 0 && (
        <p className="soft mt-2">Nothing yet. On their page, clients write down what they want put right.</p>
      )}
      {!view.openWalk && view.items.some(({ state }) => state === 'asked') && (
        <p className="soft small-text mt-2 mb-0 no-print">Start a walk to take up what is to be put right.</p>
      )}
      <Lines>
        {view.items.map((item) => (
          <Line
            key={item.id}
            mark={<StateIcon kind={item.state === 'asked' ? 'waiting' : 'done'} />}
            beside={
              item.state === 'asked' && (
                <span className="actions no-print">
                  {view.openWalk && (
                    <Button size="sm" variant="outline-secondary" onClick={() => setOpen({ form: 'take-up', item })}>
                      Take up
                    </Button>
                  )}
                  <Button size="sm" variant="link" onClick={() => setOpen({ form: 'answer', item })}>
                    Answer
                  </Button>
                </span>
              )
            }
          >
            {item.text}
            {item.area && <span className="soft"> · {item.area}</span>}
            <div className="small-text soft">
              {item.name}, {item.when}
              {item.state === 'taken up' ? ' · taken up' : item.answer ? ` · answered: ${item.answer}` : ''}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

/** What is written down at the end of a job, beside it. */
function CompletionPanel({
  open,
  close,
  view,
  areas,
}: {
  open: Open | undefined;
  close: () => void;
  view: CompletionView;
  areas: (readonly [string, string])[];
}) {
  return (
    <SidePanel
      title={
        open?.form === 'accept'
          ? `Sign off ${open.area.name}`
          : open?.form === 'leave'
            ? 'Left with the client'
            : 'The client’s list'
      }
      open={open !== undefined}
      onClose={close}
    >
      {open?.form === 'leave' && (
        <CommandForm
          kind={handOver}
          submit="Save"
          onDone={close}
          start={() => ({ id: newId(), job: view.job.id, kind: 'code' as const, text: '' })}
        >
          <SelectField name="kind" label="Kind" options={Object.entries(LEFT_KINDS)} />
          <TextField name="text" label="What it is" hint="wall paint of the study, chalk matt, CM-12" />
          <SelectField name="area" label="Room" options={areas} none="the whole house" />
        </CommandForm>
      )}
      {open?.form === 'accept' && (
        <CommandForm
          kind={signOff}
          submit="Sign off"
          onDone={close}
          start={() => ({ id: newId(), area: open.area.id, name: '', words: '' })}
        >
          <p className="soft">
            {open.area.open > 0
              ? `${open.area.open} still open here; it can be accepted all the same, they stay on the list.`
              : 'The client stands beside you and accepts the room.'}
          </p>
          <TextField name="name" label="Who accepts it" />
          <TextField name="words" label="In their words" rows={2} />
        </CommandForm>
      )}
      {open?.form === 'take-up' && (
        <CommandForm
          kind={takeUpItem}
          submit="Add it to our list"
          onDone={close}
          start={() => ({
            id: open.item.id,
            version: open.item.version,
            observation: newId(),
            walk: view.openWalk ?? '',
            area: open.item.areaId ?? view.areas[0]?.id ?? '',
            trade: 'finish' as const,
          })}
        >
          <p>{open.item.text}</p>
          <SelectField name="area" label="Room" options={areas} />
          <SelectField
            name="trade"
            label="Whose work"
            options={TRADE_KEYS.filter((entry) => entry !== 'nobody').map((entry) => [entry, TRADES[entry]])}
          />
        </CommandForm>
      )}
      {open?.form === 'answer' && (
        <CommandForm
          kind={answerItem}
          submit="Answer"
          onDone={close}
          start={() => ({ id: open.item.id, version: open.item.version, answer: '' })}
        >
          <p>{open.item.text}</p>
          <TextField name="answer" label="The answer they read" rows={2} />
        </CommandForm>
      )}
    </SidePanel>
  );
}
