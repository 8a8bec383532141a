'use client';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { closeFeed, openFeed, readBusy } from '@/contract/commands/schedule';
import type { CoordinationView } from '@/contract/views/coordination';
import type { BusyCalendar } from '@/core/schedule/busy-calendar';
import type { Outcome } from '@/core/problem';
import { TRADES } from '@/core/sequence/trades';
import { formatDay } from '@/core/units/day';
import { askEffect, Effect } from '../kit/effect';
import type { PreviewView } from '@/contract/views/plan';
import { SidePanel } from '../kit/side-panel';
import { useSend, type Give } from '../kit/use-send';
import { officeZone } from '../offline/clock';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { Block, BlockHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

/** Days ahead that a sub's calendar is read for, and how long its reading may take. */
const AHEAD = 400;
const PATIENCE_MS = 6_000;

type Sub = CoordinationView['subs'][number];

/** Subs' own busy times, read in as days away; calendars for programs outside, by job, sub and person. */
export function Calendars({ view, office }: { view: CoordinationView; office: boolean }) {
  const [reading, setReading] = useState<Sub>();
  const { busy, give } = useSend();
  const [target, setTarget] = useState('');
  const chosen = view.targets.find((entry) => `${entry.kind} ${entry.id}` === target);
  return (
    <Block className="mt-4" heading="Calendars of subs">
      <p className="soft small-text mt-2">
        A sub’s own calendar as an .ics file: what keeps them busy counts as away. Titles stay here and go nowhere else.
      </p>
      <BusyCalendars view={view} office={office} setReading={setReading} busy={busy} give={give} />
      {office && (
        <Form.Select
          size="sm"
          className="mt-2 long-field"
          aria-label="Add the calendar of"
          value=""
          onChange={(event) => setReading(view.subs.find((sub) => sub.id === event.target.value))}
        >
          <option value="">add a sub’s calendar …</option>
          {view.subs.map((sub) => (
            <option key={sub.id} value={sub.id}>
              {sub.name}, {TRADES[sub.trade].toLowerCase()}
            </option>
          ))}
        </Form.Select>
      )}
      <BlockHead className="mt-4" heading="Calendars for other programs" />
      <p className="soft small-text mt-2">
        An address that a phone or an office program can follow. Whoever has it sees the dates; a change of the plan is
        a change of the same event, and what falls away is cancelled.
      </p>
      <Lines>
        {view.feeds.map((feed) => (
          <Line
            key={feed.id}
            small
            beside={
              office && (
                <LinkButton
                  disabled={busy}
                  onClick={() =>
                    void give(closeFeed, { id: feed.id }, { text: 'Closed: the address opens nothing any more.' })
                  }
                >
                  Close<Hidden> the calendar of {feed.name}</Hidden>
                </LinkButton>
              )
            }
          >
            <span className="fw-bold">{feed.name}</span>{' '}
            <a href={feed.path} className="d-block text-break">
              {feed.path}
            </a>
            <span className="soft">made {feed.madeAt}</span>
          </Line>
        ))}
      </Lines>
      {office && (
        <div className="actions mt-2">
          <Form.Select
            size="sm"
            className="long-field"
            aria-label="Whose calendar"
            value={target}
            onChange={(event) => setTarget(event.target.value)}
          >
            <option value="">of a job, a sub or a person</option>
            {view.targets.map((entry) => (
              <option key={`${entry.kind} ${entry.id}`} value={`${entry.kind} ${entry.id}`}>
                {entry.name}
              </option>
            ))}
          </Form.Select>
          <Button
            size="sm"
            variant="outline-secondary"
            disabled={busy || !chosen}
            onClick={() =>
              chosen &&
              void give(
                openFeed,
                { id: newId(), kind: chosen.kind, target: chosen.id },
                { text: 'The calendar has its address.' },
              )
            }
          >
            Open a calendar
          </Button>
        </div>
      )}
      <SidePanel
        title={reading ? `Calendar of ${reading.name}` : ''}
        open={reading !== undefined}
        onClose={() => setReading(undefined)}
      >
        {reading && <ReadFile sub={reading} today={view.today} onDone={() => setReading(undefined)} />}
      </SidePanel>
    </Block>
  );
}

/** Whose calendar was read, and when. */
function BusyCalendars({
  view,
  office,
  setReading,
  busy,
  give,
}: {
  view: CoordinationView;
  office: boolean;
  setReading: (sub: CoordinationView['subs'][number] | undefined) => void;
  busy: boolean;
  give: Give;
}) {
  return (
    <Lines>
      {view.subs
        .filter((sub) => sub.source)
        .map((sub) => (
          <Line
            key={sub.id}
            small
            beside={
              office && (
                <span className="text-nowrap">
                  <LinkButton onClick={() => setReading(sub)}>
                    Read<Hidden> the calendar of {sub.name}</Hidden>
                  </LinkButton>
                  {sub.source && (
                    <LinkButton
                      className="ms-2"
                      disabled={busy}
                      onClick={() =>
                        void give(
                          readBusy,
                          { sub: sub.id, name: '', events: 0, halves: [] },
                          { text: `${sub.name}: the calendar is out.` },
                        )
                      }
                    >
                      Take out<Hidden> the calendar of {sub.name}</Hidden>
                    </LinkButton>
                  )}
                </span>
              )
            }
          >
            <span className="fw-bold">{sub.name}</span> <span className="soft">{TRADES[sub.trade].toLowerCase()}</span>
            {sub.source && (
              <div>
                {sub.source.name}, read {sub.source.when}: {sub.busy} busy half-days ahead
              </div>
            )}
          </Line>
        ))}
    </Lines>
  );
}

/** In a thread of its own, and not for ever. */
function readIn(text: string, from: string): Promise<Outcome<BusyCalendar>> {
  return new Promise((resolve) => {
    const worker = new Worker(new URL('./calendar-reader.ts', import.meta.url));
    const end = (outcome: Outcome<BusyCalendar>): void => {
      clearTimeout(patience);
      worker.terminate();
      resolve(outcome);
    };
    const slow = (): void =>
      end({
        ok: false,
        problem: {
          code: 'calendar-endless',
          message:
            'Reading this calendar took too long, and was ended: some rule in it repeats without end. Export the ' +
            'coming months alone.',
        },
      });
    const patience = setTimeout(slow, PATIENCE_MS);
    worker.onmessage = ({ data }: MessageEvent<Outcome<BusyCalendar>>) => end(data);
    worker.onerror = slow;
    worker.postMessage({ text, from, days: AHEAD, zone: officeZone() });
  });
}

function ReadFile({ sub, today, onDone }: { sub: Sub; today: string; onDone: () => void }) {
  const [problem, setProblem] = useState<string>();
  const [read, setRead] = useState<{ name: string; calendar: BusyCalendar }>();
  const [effect, setEffect] = useState<PreviewView>();
  const { busy, give } = useSend();
  const payload = (name: string, calendar: BusyCalendar) => ({
    sub: sub.id,
    name: name.slice(0, 120),
    events: calendar.events,
    halves: calendar.halves,
  });
  const open = async (file: File | undefined): Promise<void> => {
    setRead(undefined);
    setEffect(undefined);
    setProblem(undefined);
    if (!file) return;
    const outcome = await readIn(await file.text(), today);
    if (!outcome.ok) return setProblem(outcome.problem.message);
    setRead({ name: file.name, calendar: outcome.value });
    if (outcome.value.halves.length === 0) return;
    const answer = await askEffect(readBusy, payload(file.name, outcome.value));
    if ('view' in answer) setEffect(answer.view);
  };
  return (
    <>
      <Form.Group controlId="busy-file">
        <Form.Label>The file</Form.Label>
        <Form.Control
          type="file"
          accept=".ics,text/calendar"
          isInvalid={problem !== undefined}
          onChange={(event) => void open((event.target as HTMLInputElement).files?.[0])}
        />
        {problem && (
          <Form.Text className="bad d-block" role="alert">
            {problem}
          </Form.Text>
        )}
      </Form.Group>
      {read && (
        <div className="mt-3">
          <p className="mb-1">
            {read.calendar.events} events, {read.calendar.halves.length} busy half-days in the coming {AHEAD} days.
          </p>
          {read.calendar.left.map((text) => (
            <p key={text} className="soon small-text mb-1">
              Left out: {text}.
            </p>
          ))}
          <ul className="small-text">
            {read.calendar.halves.slice(0, 8).map((half) => (
              <li key={`${half.day}${half.half}`}>
                {formatDay(half.day, today)}, {half.half === 0 ? 'morning' : 'afternoon'}: {half.words}
              </li>
            ))}
            {read.calendar.halves.length > 8 && <li>and {read.calendar.halves.length - 8} more</li>}
          </ul>
          {effect && <Effect view={effect} />}
          <div className="actions">
            <Button
              disabled={busy || read.calendar.halves.length === 0}
              onClick={() =>
                void give(readBusy, payload(read.name, read.calendar), {
                  text: `${sub.name}: the calendar is read; the plan follows.`,
                }).then((kept) => kept && onDone())
              }
            >
              Count them as away
            </Button>
          </div>
        </div>
      )}
    </>
  );
}
