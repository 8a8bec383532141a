'use client';
import { Link } from '../kit/link';
import { Button } from 'react-bootstrap';
import { setPin } from '@/contract/commands/schedule';
import { NOBODY_TOLD, remindVisits, tellVisits } from '@/contract/commands/visits';
import { api, routes } from '@/contract/routes';
import type { MovedView, MovedVisit } from '@/contract/views/visits';
import type { PayloadOf } from '@/contract/command';
import { reachOf } from '@/core/news/address';
import { counted, listed } from '@/core/words/count';
import { newSending } from '../kit/new-sending';
import { Hidden } from '../kit/hidden';
import { Block } from '../kit/page';
import { Folded, More } from '../kit/folded';
import { Line } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Phone } from '../kit/phone';
import { StateIcon } from '../kit/state-icon';
import { useSend } from '../kit/use-send';
import { useIsDemo } from '../shell/demo';

type Telling = PayloadOf<typeof tellVisits>;

/** Who is told at once. */
type Told = Pick<MovedView, 'concerned' | 'ends' | 'offices' | 'neighbours'>;
const NONE: Told = { concerned: [], ends: [], offices: [], neighbours: [] };

const peopleIn = ({ concerned, ends, offices, neighbours }: Told): number =>
  concerned.length + ends.length + offices.length + neighbours.length;

/** Everything of theirs as one word to each; who has no address is told by telephone. */
function tellingOf({ concerned, ends, offices, neighbours }: Told, linksUntil: string, texts: boolean): Telling {
  return {
    visits: concerned.flatMap(({ visits }) => visits.map(({ task, day, half }) => ({ task, day, half }))),
    subs: concerned.flatMap(({ crew, sub, name, ...reached }) => {
      const address = reachOf(reached, texts);
      return sub && address ? [{ sub: crew, ...newSending(name, address, linksUntil) }] : [];
    }),
    byHour: false,
    ends: ends.map(({ job, day }) => ({ job, day })),
    clients: ends.flatMap(({ job, client, email }) =>
      email ? [{ job, ...newSending(client || 'the client', email, linksUntil) }] : [],
    ),
    offices: offices.map(({ inspection, off }) => ({ inspection, off })),
    officeLetters: offices.flatMap(({ inspection, office, email, pageUntil }) =>
      email ? [{ inspection, ...newSending(office, email, pageUntil) }] : [],
    ),
    near: neighbours.map(({ job }) => ({ job })),
    neighbours: neighbours.flatMap(({ people }) =>
      people.flatMap(({ id, name, ...reached }) => {
        const address = reachOf(reached, texts);
        return address ? [{ neighbour: id, ...newSending(name, address, linksUntil) }] : [];
      }),
    ),
  };
}

/** What is said once it is done: to whom a message goes, and whom one has to call. */
function toldWords({ subs, clients, officeLetters, neighbours, near }: Telling, all: number): string {
  const others = subs.length + clients.length + officeLetters.length;
  const messages = others + neighbours.length;
  const calls = all - near.length - others;
  return [
    messages > 0 ? `${counted(messages, 'message goes', 'messages go')} out.` : '',
    calls > 0 ? `${counted(calls, 'person', 'people')} without an address: told by you.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** Visits of one sub that are shown before one asks for more. */
const VISITS_SHOWN = 1;
/** Whom is shown before one asks for more, those whose promise cannot be kept first. */
const PEOPLE_SHOWN = 2;

function MovedLines({ visits }: { visits: MovedView['concerned'][number]['visits'] }) {
  const line = (visit: (typeof visits)[number], at: number) => (
    <MovedLine key={visit.task} visit={visit} sameCause={visit.cause === visits[at - 1]?.cause} />
  );
  return (
    <>
      {visits.slice(0, VISITS_SHOWN).map(line)}
      {visits.length > VISITS_SHOWN && (
        <More words={`${visits.length - VISITS_SHOWN} more`}>
          {visits.slice(VISITS_SHOWN).map((visit, at) => line(visit, at + VISITS_SHOWN))}
        </More>
      )}
    </>
  );
}

/** What moved since people were told, because of what, and who has to hear of it; one act tells them. */
export function Moved({
  view,
  linksUntil,
  shown = PEOPLE_SHOWN,
}: {
  view: MovedView;
  linksUntil: string;
  shown?: number;
}) {
  const { busy, give } = useSend();
  const texts = useIsDemo();
  const { concerned, ends } = view;
  const all: Told = { ...view, ends: ends.filter(({ inLetter }) => !inLetter) };
  const people = peopleIn(all);
  if (peopleIn(view) === 0) return null;
  const tell = (some: Partial<Told>): void => {
    const who = { ...NONE, ...some };
    const telling = tellingOf(who, linksUntil, texts);
    void give(tellVisits, telling, { text: toldWords(telling, peopleIn(who)) });
  };
  const visits = concerned.reduce((sum, one) => sum + one.visits.length, 0);
  const conflicts = concerned.flatMap((one) => one.visits.filter(({ conflict }) => conflict));
  const lines = linesOf(view, { busy, tell });
  return (
    <Block
      heading={<span id="moved">What moved</span>}
      beside={
        people > 0 && (
          <Button size="sm" className="push no-print" disabled={busy} onClick={() => tell(all)}>
            {people === 1 ? 'Tell them' : `Tell all ${people}`}
          </Button>
        )
      }
    >
      <p className="small-text soft mt-2 mb-1">
        {visits > 0 && `${counted(visits, 'visit')} on another day than people go by. `}
        {conflicts.length > 0 && `${counted(conflicts.length, 'promise')} that cannot be kept, to be settled.`}
      </p>
      <Folded small of={lines} shown={shown}>
        {(line) => line}
      </Folded>
      <p className="small-text soft mt-2 mb-0">
        {whoHasNoAddress(view, texts)}What moves back before it is told is told to nobody.
      </p>
    </Block>
  );
}

interface Tell {
  busy: boolean;
  tell: (some: Partial<Told>) => void;
}

const hasConflict = ({ visits }: MovedView['concerned'][number]): boolean => visits.some(({ conflict }) => conflict);

/** Whom it concerns, a line each: subs whose promise cannot be kept first, then clients, offices and neighbours. */
function linesOf({ concerned, ends, offices, neighbours }: MovedView, { busy, tell }: Tell): React.ReactElement[] {
  return [
    ...[...concerned]
      .sort((one, other) => Number(hasConflict(other)) - Number(hasConflict(one)))
      .map((one) => (
        <Line
          key={one.crew}
          mark={<StateIcon kind={hasConflict(one) ? 'stop' : 'waiting'} silent />}
          beside={<TellOne who={one.name} busy={busy} onTell={() => tell({ concerned: [one] })} />}
        >
          <span className="fw-bold">{one.name}</span> <Phone number={one.phone} />{' '}
          {one.sub && (
            <a className="no-print" href={api.workOrder(one.visits[0]?.jobId ?? '', one.crew)}>
              Work order (PDF)<Hidden> of {one.name}</Hidden>
            </a>
          )}
          <MovedLines visits={one.visits} />
        </Line>
      )),
    ...ends.map((end) => (
      <Line
        key={end.job}
        mark={<StateIcon kind={end.later ? 'stop' : 'waiting'} silent />}
        beside={
          end.inLetter ? (
            <Link href={routes.news(end.job, 'client')} className="no-print text-nowrap">
              Their letter<Hidden> for {end.client || `the client of ${end.name}`}</Hidden>
            </Link>
          ) : (
            <TellOne
              who={`${end.client || 'the client'} of ${end.name}`}
              busy={busy}
              onTell={() => tell({ ends: [end] })}
            />
          )
        }
      >
        <span className="fw-bold">{end.client || 'The client'}</span>: {end.name} ends {end.to},{' '}
        {end.later ? 'later' : 'earlier'} than the {end.from} they were told.
        {end.inLetter && <span className="soft"> It stands in the letter that waits for them.</span>}
      </Line>
    )),
    ...offices.map((office) => (
      <Line
        key={office.inspection}
        mark={<StateIcon kind={office.off ? 'stop' : 'waiting'} silent />}
        beside={<TellOne who={office.office} busy={busy} onTell={() => tell({ offices: [office] })} />}
      >
        <span className="fw-bold">{office.office}</span> <Phone number={office.phone} /> {office.job}, {office.what}:{' '}
        {office.off ? 'the plan does not reach that day.' : 'told that it is off, and the plan keeps it again.'}
      </Line>
    )),
    ...neighbours.map((street) => (
      <Line
        key={street.job}
        mark={<StateIcon kind="waiting" silent />}
        beside={
          <TellOne who={`the neighbours of ${street.name}`} busy={busy} onTell={() => tell({ neighbours: [street] })} />
        }
      >
        <span className="fw-bold">Neighbours of {street.name}</span>: {street.lines.join(' ')}
      </Line>
    )),
  ];
}

/** Who comes in the next two weeks and was not asked yet, and who was and has not answered: one act asks them all. */
export function Unasked({ view, linksUntil }: { view: MovedView; linksUntil: string }) {
  const { busy, give } = useSend();
  const texts = useIsDemo();
  const { unasked, unanswered } = view;
  if (unasked.length + unanswered.length === 0) return null;
  const ask = (who: MovedView['unasked']): void => {
    const asking: Telling = {
      ...NOBODY_TOLD,
      visits: who.flatMap(({ visits }) => visits),
      subs: who.flatMap(({ crew, name, ...reached }) => {
        const address = reachOf(reached, texts);
        return address ? [{ sub: crew, ...newSending(name, address, linksUntil) }] : [];
      }),
    };
    void give(tellVisits, asking, { text: toldWords(asking, who.length) });
  };
  const remindable = unanswered.flatMap(({ crew, name, ...reached }) => {
    const address = reachOf(reached, texts);
    return address ? [{ sub: crew, ...newSending(name, address, linksUntil) }] : [];
  });
  const remind = () =>
    void give(
      remindVisits,
      { subs: remindable },
      { text: `${counted(remindable.length, 'reminder goes', 'reminders go')} out.` },
    );
  return (
    <Block
      heading="To ask"
      beside={
        unasked.length > 1 && (
          <Button
            size="sm"
            variant="outline-secondary"
            className="push no-print"
            disabled={busy}
            onClick={() => ask(unasked)}
          >
            Ask all {unasked.length}
          </Button>
        )
      }
    >
      <Folded small of={unasked} shown={PEOPLE_SHOWN}>
        {(one) => (
          <Line
            key={one.crew}
            mark={<StateIcon kind="unconfirmed" silent />}
            beside={<TellOne word="Ask" who={one.name} busy={busy} onTell={() => ask([one])} />}
          >
            <span className="fw-bold">{one.name}</span> <Phone number={one.phone} />{' '}
            {counted(one.visits.length, 'visit')} in the next two weeks, the first {one.first}
          </Line>
        )}
      </Folded>
      {unanswered.length > 0 && (
        <p className="small-text soft mt-2 mb-0">
          Asked, and no answer yet: {listed(unanswered.map(({ name }) => name))}.{' '}
          {remindable.length > 0 && (
            <LinkButton className="no-print" disabled={busy} onClick={remind}>
              Ask {remindable.length === 1 ? 'them' : 'all of them'} once more
            </LinkButton>
          )}
        </p>
      )}
    </Block>
  );
}

const TellOne = ({
  word = 'Tell',
  who,
  busy,
  onTell,
}: {
  word?: string;
  who: string;
  busy: boolean;
  onTell: () => void;
}) => (
  <Button
    size="sm"
    variant="outline-secondary"
    className="no-print align-self-start"
    disabled={busy}
    aria-label={`${word} ${who}`}
    onClick={onTell}
  >
    {word}
  </Button>
);

/** From when to when, what they had said to it, and what it is because of, unless the line before says the same. */
function MovedLine({ visit, sameCause }: { visit: MovedVisit; sameCause: boolean }) {
  return (
    <div>
      <Link href={routes.schedule(visit.jobId, { task: visit.task })} scroll={false}>
        {visit.job}, {visit.label}
      </Link>
      : {visit.from} → <span className="text-nowrap">{visit.to}</span> <span className="bad">{heldWords(visit)}</span>{' '}
      <WhyMoved visit={visit} sameCause={sameCause} /> {visit.wish && <Wish visit={visit} wish={visit.wish} />}
      <Link href={routes.slip(visit.jobId, { task: visit.task })} className="no-print">
        What can be done?<Hidden> about {visit.label}</Hidden>
      </Link>
    </div>
  );
}

/** What it is because of; what holds it to its new day is one press away where the cause says enough. */
function WhyMoved({ visit: { cause, reason }, sameCause }: { visit: MovedVisit; sameCause: boolean }) {
  if (sameCause || !cause) return <span className="soft">{reason}</span>;
  return (
    <>
      <span className="soft">{cause}</span>{' '}
      {reason && (
        <details className="in-line">
          <summary className="soft">Why that day?</summary>
          {reason}
        </details>
      )}
    </>
  );
}

/** The day on which they could come instead: one press sets the visit to it. */
function Wish({ visit, wish }: { visit: MovedVisit; wish: NonNullable<MovedVisit['wish']> }) {
  const { busy, give } = useSend();
  const isThere = visit.day === wish.day && visit.half === wish.half;
  return (
    <>
      They could come {wish.words}.{' '}
      {!isThere && (
        <LinkButton
          className="no-print"
          disabled={busy}
          onClick={() =>
            void give(
              setPin,
              { task: visit.task, day: wish.day, half: wish.half, reason: 'the day on which they can come' },
              { text: `Set to ${wish.words}.`, back: 'As before.' },
            )
          }
        >
          Set it to that day<Hidden> for {visit.label}</Hidden>
        </LinkButton>
      )}{' '}
    </>
  );
}

function heldWords({ said, saidBy, conflict }: MovedVisit): string {
  if (said === 'confirmed') return `They had said yes (${saidBy}).`;
  if (said === 'declined') return `They said no (${saidBy}).`;
  return conflict ? 'It was set for the next few days.' : '';
}

function whoHasNoAddress({ concerned, ends, offices, neighbours }: Told, texts: boolean): string {
  const names = [
    ...concerned.flatMap(({ name, sub, ...reached }) => (sub && !reachOf(reached, texts) ? [name] : [])),
    ...ends.flatMap(({ client, email }) => (email ? [] : [client || 'the client'])),
    ...offices.flatMap(({ office, email }) => (email ? [] : [office])),
    ...neighbours.flatMap(({ people }) => people.flatMap((one) => (reachOf(one, texts) ? [] : [one.name]))),
  ];
  return names.length > 0 ? `No address is known of ${listed(names)}: call them first. ` : '';
}
