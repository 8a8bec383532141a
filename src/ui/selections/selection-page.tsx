'use client';
import { api, routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { changeSelection, stepSelection } from '@/contract/commands/selections';
import type { SelectionPageView } from '@/contract/views/selections';
import { leadWords } from '@/core/selections/lead-words';
import { isComing, isHere, isOrdered, NEXT_STEPS, orderWords, stateWords } from '@/core/selections/states';
import { formatDay, type Day } from '@/core/units/day';
import { JobTabs } from '../shell/job-tabs';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { StateIcon } from '../kit/state-icon';
import { SidePanel } from '../kit/side-panel';
import { useRemove } from '../kit/use-remove';
import { useSend } from '../kit/use-send';
import { Alternatives } from './alternatives';
import { dueTone, dueWords, missedWords } from './due-words';
import { factsOf } from './facts';
import { SelectionFields } from './selection-fields';
import { SelectionTabs } from './selection-tabs';
import { CheckForm, ExpectForm, FitLater, OrderForm, SayForm, StepForm } from './step-forms';
import { History } from './history';
import { Block, PageHead } from '../kit/page';
import { Means } from '../kit/means';
import { Line, Lines } from '../kit/lines';
import { useMoney } from '../kit/money';

type Open = 'change' | 'order' | 'step' | 'check' | 'say' | 'expect';
const TITLES: Record<Open, string> = {
  change: 'Change it',
  order: 'Order it',
  step: 'Change status',
  check: 'Check what came',
  say: 'What the supplier says',
  expect: 'Another day',
};

/**
 * All of one selection: what it is, what is next, why its days are what they are, and everything that happened to it.
 */
export function SelectionPage({ view }: { view: SelectionPageView }) {
  const { item } = view;
  const [open, setOpen] = useState<Open>();
  const take = useRemove();
  const close = (): void => setOpen(undefined);
  return (
    <>
      <JobTabs job={view.job} />
      <SelectionTabs job={view.job.id} />
      <div className="page">
        <PageHead heading={item.category}>
          <span className="soft">
            <Link href={routes.room(view.job.id, item.areaId)}>{item.area}</Link>, for {item.step}
            {item.returnTrip ? ' on a return trip' : ''}
          </span>
          <span className="push actions no-print">
            <Button variant="outline-secondary" onClick={() => setOpen('change')}>
              Change it
            </Button>
            {!isComing(item.state) && (
              <Button variant="link" onClick={() => take('selection', item.id, item.category)}>
                Remove
              </Button>
            )}
          </span>
        </PageHead>
        <Next view={view} onOpen={setOpen} />
        <div className="main-and-aside">
          <div>
            <Facts view={view} />
            <DateExplanation view={view} />
            {!isOrdered(item.state) && <Alternatives view={view} />}
            <Checks view={view} />
          </div>
          <div>
            <Requests view={view} />
            <Block heading="What happened">
              <History lines={view.history} />
            </Block>
          </div>
        </div>
        <SidePanel title={open ? TITLES[open] : ''} open={open !== undefined} onClose={close}>
          {open === 'change' && (
            <CommandForm kind={changeSelection} submit="Save" onDone={close} start={() => factsOf(item)}>
              <div className="form-pair">
                <TextField name="category" label="What it is" />
                <SelectField
                  name="phase"
                  label="Needed for"
                  options={view.steps.map((step) => [step.phase, step.label])}
                />
              </div>
              <SelectionFields suppliers={view.suppliers} calculations={view.calculations} />
            </CommandForm>
          )}
          {open === 'order' && <OrderForm view={view} onDone={close} />}
          {open === 'step' && <StepForm view={view} onDone={close} />}
          {open === 'check' && <CheckForm view={view} onDone={close} />}
          {open === 'say' && <SayForm view={view} onDone={close} />}
          {open === 'expect' && <ExpectForm view={view} onDone={close} />}
        </SidePanel>
      </div>
    </>
  );
}

/** What is next and by when, with the one button for it. */
function Next({ view, onOpen }: { view: SelectionPageView; onOpen: (open: Open) => void }) {
  const { item, today } = view;
  return (
    <section className="next-step">
      <p className={`fs-5 mb-1 ${dueTone(item.due)}`}>
        <StateIcon
          kind={
            item.due.late
              ? 'stop'
              : item.due.what === 'settled'
                ? 'done'
                : isOrdered(item.state)
                  ? 'under-way'
                  : 'waiting'
          }
          silent
        />{' '}
        <Means of={`state.${item.state}`}>{stateWords(item)}</Means>
        {item.due.what === 'settled' ? item.keptAt && `, kept ${item.keptAt}` : `: ${dueWords(item.due, today)}`}
        {missedWords(item.due, today) && <span className="fs-6"> ({missedWords(item.due, today)})</span>}
      </p>
      {item.there && item.there.after > 0 && (
        <p className="bad mb-1">
          It comes {item.there.after} {item.there.after === 1 ? 'day' : 'days'} after its work needs it:{' '}
          {item.there.because}. <Link href={routes.slip(view.job.id, { selection: item.id })}>What can be done?</Link>
        </p>
      )}
      <NextSteps view={view} onOpen={onOpen} />
      {item.follows && !isHere(item.state) && <FitLater view={view} />}
      {view.related.map((entry) => (
        <p key={entry.id} className="mb-0">
          <Link href={routes.selection(view.job.id, entry.id)}>{entry.text}</Link>
        </p>
      ))}
    </section>
  );
}

/** What can be done with it next. */
function NextSteps({ view, onOpen }: { view: SelectionPageView; onOpen: (open: Open) => void }) {
  const { item, today } = view;
  const { give, busy } = useSend();
  const coming = isComing(item.state);
  const steps = NEXT_STEPS[item.state] ?? [];
  const quick = steps.filter(
    (step) =>
      step === 'approved' || (step === 'chosen' && item.choice !== '') || step === 'fitted' || step === 'on site',
  );
  return (
    <div className="actions no-print">
      {item.state === 'open' && <Button onClick={() => onOpen('change')}>Write down what is chosen</Button>}
      {steps.includes('ordered') && (
        <Button onClick={() => onOpen('order')} disabled={item.choice === ''}>
          Order it
        </Button>
      )}
      {quick.map((to) => (
        <Button
          key={to}
          variant={to === 'approved' ? 'outline-secondary' : 'primary'}
          disabled={busy}
          onClick={() =>
            void give(
              stepSelection,
              { id: item.id, version: item.version, to, day: today, note: '', place: '' },
              {
                text: `${item.category}: ${to}.`,
                back: 'Taken back.',
              },
            )
          }
        >
          {
            {
              approved: 'It is approved',
              chosen: 'It is chosen',
              fitted: 'It is fitted',
              'on site': 'It came today',
            }[to as 'approved']
          }
        </Button>
      ))}
      {(item.state === 'on site' || item.state === 'checked') && (
        <Button variant={item.state === 'on site' ? 'primary' : 'outline-secondary'} onClick={() => onOpen('check')}>
          Check what came
        </Button>
      )}
      {coming && (
        <Button variant="outline-secondary" onClick={() => onOpen('say')}>
          The supplier says …
        </Button>
      )}
      {coming && (
        <Button variant="outline-secondary" onClick={() => onOpen('expect')}>
          Another day
        </Button>
      )}
      {(item.state === 'fitted' || item.state === 'checked') && (
        <Link className="btn btn-outline-secondary" href={routes.deliveries(view.job.id, item.id)}>
          Something is left over
        </Link>
      )}
      <Button variant="link" onClick={() => onOpen('step')}>
        Change status
      </Button>
    </div>
  );
}

function Facts({ view }: { view: SelectionPageView }) {
  const money = useMoney();
  const { item, today } = view;
  const day = (value: Day | null): string => (value ? formatDay(value, today) : '');
  const lines: [string, React.ReactNode][] = [
    [
      'Chosen',
      item.choice ? (
        orderWords({ ...item, code: '' })
      ) : (
        <span key="none" className="soft">
          not chosen yet
        </span>
      ),
    ],
    [
      'Code',
      item.code && (
        <span key="code" className="mono">
          {item.code}
        </span>
      ),
    ],
    [
      'How many',
      item.quantity === null ? '' : `${item.quantity} ${item.unit}${item.calculation ? ', follows a kept result' : ''}`,
    ],
    [
      'Price',
      item.unitPrice === null
        ? ''
        : `${money(item.unitPrice)} ` +
          `each${item.quantity === null ? '' : `, ${money(Math.round(item.unitPrice * item.quantity))} in all`}`,
    ],
    [
      'From whom',
      item.supplier
        ? `${item.supplier}, ${leadWords(item.leadLow, item.leadHigh)}`
        : leadWords(item.leadLow, item.leadHigh),
    ],
    [
      'Who decides',
      `${item.decides === 'us' ? 'we' : `the ${item.decides}`}${item.approves ? `, approved by ${item.approves}` : ''}`,
    ],
    [
      'Ordered',
      item.orderedOn
        ? `${day(item.orderedOn)}${item.orderedAs ? ` as ${item.orderedAs}` : ''}${item.orderNumber ? `, order ${item.orderNumber}` : ''}`
        : '',
    ],
    ['Came', day(item.cameOn)],
    ['Stored in', item.keptAt],
    ['Note', item.note],
  ];
  return (
    <Block heading="What it is">
      <div className="facts-and-picture">
        <dl className="facts">
          {lines
            .filter(([, value]) => value !== '' && value !== null)
            .map(([name, value]) => (
              <div key={name}>
                <dt>{name}</dt>
                <dd>{value}</dd>
              </div>
            ))}
        </dl>
        {item.picture && (
          <a href={api.picture(item.picture, 1280)} className="plain">
            <img
              src={api.picture(item.picture, 240)}
              alt={`${item.category}, ${item.choice}`}
              width={200}
              height={150}
              className="object-fit-cover"
            />
          </a>
        )}
      </div>
    </Block>
  );
}

function DateExplanation({ view }: { view: SelectionPageView }) {
  return (
    <Block heading={<Means of="figure.order-by">Why these days</Means>}>
      <ol className="back-from-work">
        {view.explanation.map((line) => (
          <li key={line.text}>{line.href ? <Link href={line.href}>{line.text}</Link> : line.text}</li>
        ))}
      </ol>
      {view.closures.length > 0 && (
        <p className="small-text soft">
          {view.item.supplier} is closed{' '}
          {view.closures
            .map((closure) => `${formatDay(closure.firstDay, view.today)} to ${formatDay(closure.lastDay, view.today)}`)
            .join(', ')}
          .
        </p>
      )}
    </Block>
  );
}

function Checks({ view }: { view: SelectionPageView }) {
  if (view.checks.length === 0) return null;
  return (
    <Block heading={<Means of="state.checked">Checked on site</Means>}>
      <Lines>
        {view.checks.map((check) => (
          <Line
            key={check.id}
            mark={<StateIcon kind={check.good ? 'checked' : 'stop'} silent />}
            beside={
              check.picture && (
                <a href={api.picture(check.picture, 1280)} className="plain">
                  <img
                    src={api.picture(check.picture, 240)}
                    alt={`What was found: ${check.text}`}
                    width={96}
                    height={72}
                    className="object-fit-cover"
                  />
                </a>
              )
            }
          >
            <span className={check.good ? '' : 'bad'}>{check.text}</span>
            <div className="small-text soft">
              {check.when}, {check.by}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}

function Requests({ view }: { view: SelectionPageView }) {
  const { item } = view;
  return (
    <Block
      heading={<Means of="word.request">What holds up its order</Means>}
      beside={
        <Link href={routes.requests(view.job.id)} className="push small-text">
          all of them
        </Link>
      }
    >
      {view.requests.length === 0 && (
        <p className="soft mt-2">
          {item.approves
            ? `${item.approves} approves it; write down under Approvals and answers what was sent.`
            : 'Nothing: it can be ordered once it is chosen.'}
        </p>
      )}
      <Lines>
        {view.requests.map((request) => (
          <Line
            key={request.id}
            mark={
              <StateIcon kind={request.standing === 'answered' ? 'done' : request.late ? 'stop' : 'waiting'} silent />
            }
          >
            <Link href={routes.requests(view.job.id, request.id)}>{request.subject}</Link>
            <div className={`small-text ${request.late ? 'bad' : 'soft'}`}>
              {request.standing}
              {request.standing === 'answered' ? '' : `, expected ${formatDay(request.expected, view.today)}`}
              {request.conditions ? `: ${request.conditions}` : ''}
            </div>
          </Line>
        ))}
      </Lines>
    </Block>
  );
}
