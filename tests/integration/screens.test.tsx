import { NO_CURRENCY } from '@/core/units/money';
import { phrase } from '@/core/words/phrase';
import { readFirm, readJob } from '@/server/reading/reading';
import { pathOfFeed } from '@/server/tokens';
import { beforeAll, describe, expect, it } from 'vitest';
import type { ClientShared, CrewShared } from '@/contract/views/news';
import type { RoomsView } from '@/contract/views/job';
import type { Installation } from '@/server/installation';
import { scheduleView } from '@/server/views/board';
import { roomView } from '@/server/views/room';
import { roomsView } from '@/server/views/rooms';
import { Board } from '@/ui/schedule/board';
import { BoardList } from '@/ui/schedule/board-list';
import { ClientPage } from '@/ui/public/client-page';
import { CrewPage } from '@/ui/public/crew-page';
import { Section } from '@/ui/rooms/section';
import { WideLadder } from '@/ui/rooms/wide-ladder';
import type { Walking } from '@/ui/walks/use-walk';
import { Route } from '@/ui/walks/route';
import { walkPack } from '@/server/views/pack';
import { demoId } from '../../demo/seed';
import { areaOf, sharedDemo, signalHouse, TODAY } from '../support/installations';
import { count, html, words } from '../support/read';
import { coordinationView } from '@/server/views/coordination';
import { progressView } from '@/server/views/progress';
import { sequenceView } from '@/server/views/sequence';
import { Coordination } from '@/ui/coordination/coordination';
import { Progress } from '@/ui/schedule/progress';
import { Schedule } from '@/ui/schedule/schedule';
import { Sequence } from '@/ui/sequence/sequence';
import { build } from '../support/synthetic';

let installation: Installation;
beforeAll(() => {
  installation = sharedDemo();
});

const rooms = (job = signalHouse): RoomsView => roomsView(readJob(installation, job));

describe('the section', () => {
  it('draws every area once, and each leads to its page', () => {
    for (const key of ['signal', 'tannery', 'linden', 'dairy']) {
      const view = rooms(demoId(key));
      const areas = [
        ...view.levels.flatMap((level) => level.areas),
        ...view.faces,
        ...view.roofs,
        ...view.ground,
        ...view.outbuildings,
      ];
      const drawn = html(<Section view={view} />);
      for (const area of areas)
        expect(count(drawn, `href="/jobs/${view.job.id}/areas/${area.id}"`), `${view.job.name}, ${area.name}`).toBe(1);
      expect(count(drawn, 'class="name"')).toBe(areas.length);
    }
  });

  it('stands as the house does: roof, then storeys from the top, then the ground with what lies below', () => {
    const read = words(html(<Section view={rooms()} />));
    const order = ['Lantern roof', 'Lantern room', 'Upper', 'Bath', 'Ground', 'Kitchen', 'Yard and drain run'].map(
      (name) => read.indexOf(name),
    );
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order[0]).toBeGreaterThan(-1);
  });

  it('says in words what the ladders show', () => {
    const read = words(html(<Section view={rooms()} />));
    expect(read).toMatch(/Wet room waits: cables\? , 3 of \d+ steps done/);
    expect(read).toContain('Landing lived in, no work');
    expect(read).toMatch(/Day room move duct, tomorrow , 3 of \d+ steps done/);
  });

  it('draws a storey of one room as a part over a whole house, and one alone as a whole', () => {
    expect(count(html(<Section view={rooms()} />), 'storey part')).toBe(1);
    const view = rooms();
    const alone = { ...view, levels: view.levels.filter((level) => level.name === 'Lantern') };
    expect(html(<Section view={alone} />)).not.toContain('storey part');
  });

  it('draws a basement in the ground, and a small storey under another without slopes of a roof', () => {
    const [top, ...rest] = rooms().levels;
    const area = rest[0]?.areas[0] ?? rooms().faces[0]!;
    const small = (id: string, name: string, height: number) => ({ id, name, height, note: '', areas: [area] });
    const drawn = html(
      <Section view={{ ...rooms(), levels: [...rest, small('half', 'Half storey', 0), small('b', 'Basement', -1)] }} />,
    );
    expect(top?.areas.length).toBeGreaterThan(0);
    expect(drawn).not.toContain('storey part');
    expect(drawn.indexOf('>Half storey<')).toBeLessThan(drawn.indexOf('ground-line'));
    expect(drawn.indexOf('>Basement<')).toBeGreaterThan(drawn.indexOf('ground-line'));
  });

  it('is drawn without faces, roof or ground where a job has none', () => {
    const bare = html(<Section view={{ ...rooms(), faces: [], roofs: [], ground: [], outbuildings: [] }} />);
    expect(bare).not.toMatch(/class="flank|class="below/);
    expect(count(bare, 'class="storey ')).toBe(3);
  });
});

describe('the ladder opened wide', () => {
  it('has the first step at its foot, each with its reason or the day it was done', () => {
    const view = roomView(readJob(installation, signalHouse), areaOf('guest'));
    const drawn = html(<WideLadder view={view} />);
    expect(count(drawn, '<li>')).toBe(view.steps.length);
    const read = words(drawn);
    expect(read.indexOf('hand-over')).toBeLessThan(read.indexOf('framing'));
    expect(read.lastIndexOf('protect')).toBeGreaterThan(read.indexOf('shut off services'));
    for (const step of view.steps)
      expect(read, step.label).toContain(
        step.fraction >= 1 ? `seen done ${step.seen ?? ''}` : words(step.reason).trim(),
      );
    expect(count(drawn, 'aria-label="30 %"')).toBe(1);
  });

  it('says so where nothing is to be done', () => {
    expect(
      words(html(<WideLadder view={roomView(readJob(installation, signalHouse), areaOf('landing'))} />)),
    ).toContain('No work is agreed here.');
  });
});

describe('the half-day board', () => {
  const noop = (): void => undefined;
  const board = (by: 'trade' | 'room') =>
    scheduleView(readFirm(installation), { job: signalHouse, by, weeks: 2, shift: 0 }).board;

  it('places every block on its half-days and says what it is', () => {
    const view = board('room');
    const drawn = html(<Board view={view} job={signalHouse} chosen={undefined} onChoose={noop} onMove={noop} />);
    for (const block of view.rows.flatMap((row) => row.blocks)) {
      expect(drawn).toContain(`data-task="${block.task}"`);
      expect(drawn).toContain(`grid-column:${block.start + 1} / ${block.finish + 1}`);
    }
    expect(count(drawn, 'class="piece')).toBe(view.rows.flatMap((row) => row.blocks).length);
    expect(words(drawn)).toMatch(/cut slab, Fri 12 Mar, morning to Mon 15 Mar, morning, they said yes. Why here\?/);
  });

  it('shows a crew’s work elsewhere as what it is: the reason why it is not here', () => {
    const drawn = words(
      html(<Board view={board('trade')} job={signalHouse} chosen={undefined} onChoose={noop} onMove={noop} />),
    );
    expect(drawn).toMatch(/at Tannery Row 9/);
    expect(drawn).toContain('Tannery Row 9, ');
  });

  it('has the same work as a list for one hand, from today on, of this job alone', () => {
    const view = board('trade');
    const read = words(html(<BoardList view={view} job={signalHouse} onChoose={noop} />));
    expect(read).toMatch(/^ ?Tue 9, today/);
    expect(read).not.toContain('Tannery');
    expect(read).toContain('Guest suite · wires');
    expect(read).toContain('· goes on');
    expect(
      words(
        html(
          <BoardList
            view={scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 }).board}
            job={undefined}
            onChoose={noop}
          />,
        ),
      ),
    ).toContain('Tannery Row 9');
  });
});

describe('public pages', () => {
  const shared = {
    firm: 'Harrow & Tern',
    recipient: 'A',
    today: TODAY,
    expiresOn: '2027-04-01',
    acknowledged: null,
    canAcknowledge: true,
    call: { name: 'Maren', phone: '0555 0100' },
    questions: [
      {
        id: 'q',
        name: 'A',
        text: 'May the <b>window</b> stay?',
        when: 'today',
        answer: 'Yes.',
        answered: 'Maren, today',
      },
    ],
    askAbout: [{ id: 'j', name: 'Signal House' }],
  };
  const client: ClientShared = {
    ...shared,
    audience: 'client',
    job: { name: 'Signal House', address: '3 Watch Steps' },
    now: {
      opening: 'About a fifth of the work is done. By the plan of today we finish on Tue 31 Aug.',
      found: ['Day room: an old chimney.'],
      weeks: ['Tue 9 Mar to Fri 12 Mar: the wires inside the walls (Guest suite).'],
      ahead: '',
      meanings: [{ word: 'The wires inside the walls', means: phrase('Cables go in.') }],
    },
    house: { storeys: [{ name: 'Ground floor', rooms: [{ name: 'Kitchen', share: 0.5 }] }], outside: [] },
    tour: [
      {
        ...{ area: 'Kitchen', text: 'steel props' },
        before: { hash: 'abc', when: 'Tue 2 Mar', alt: 'Kitchen, Tue 2 Mar' },
        now: { hash: 'def', when: 'today', alt: 'Kitchen, today' },
      },
    ],
    receipts: [{ key: 'r', text: 'Floor: oak', when: 'yesterday' }],
    updates: [
      { title: 'Second', body: 'b <i>2</i>', when: 'today' },
      { title: 'First', body: 'b 1', when: 'Mon' },
    ],
    household: { gaps: [], off: [] },
    choices: [],
    requests: [],
    decisions: [{ text: 'Oak or cork', by: '2027-04-02' }],
    completion: null,
    statement: null,
    changes: [],
    currency: NO_CURRENCY,
  };
  const crew: CrewShared = {
    ...shared,
    audience: 'crew',
    title: 'Signal House',
    updates: [],
    visits: [],
    begun: [],
    there: [{ key: 'bin', job: 'Signal House', what: 'Bin for rubble', text: 'in the yard, from 07:00 until 09:00' }],
    rooms: [
      {
        area: 'guest',
        name: 'Guest suite',
        job: 'Signal House',
        soon: true,
        papers: [],
        brief: {
          parts: {
            live: [{ id: 'l', of: 'scope', text: 'the bell wire: stays live', note: '', picture: null, whose: null }],
            out: [{ id: 'o', of: 'scope', text: 'the window frames', note: '', picture: null, whose: null }],
            leave: [],
            protect: [
              { id: 'p', of: 'scope', text: 'protect the stair', note: 'with boards', picture: null, whose: null },
            ],
            refit: [],
            work: [{ id: 'w', of: 'scope', text: 'wire eight sockets', note: '', picture: null, whose: null }],
            found: [],
          },
          choices: [{ id: 'c', subject: 'the stop valve', options: ['left', 'right'], answer: '', by: '' }],
        },
      },
    ],
    around: [],
    tonight: [{ key: 'wet', text: 'Bath · tape is still wet or curing: nothing on it before Wed 10 Mar, morning' }],
    cautions: [{ area: 'Kitchen', text: 'bearing wall' }],
    leftovers: [{ area: 'Study', text: 'backing', trade: 'Carpentry' }],
    days: [
      {
        day: TODAY,
        works: [
          {
            crew: 'Halyard Wiring',
            job: 'Signal House',
            address: '3 Watch Steps',
            what: 'Guest suite · wires',
            half: 'from noon',
            licence: { words: 'licence of Petra', missing: false },
            ready: ['Guest suite · pipes'],
            leaves: ['Guest suite · check before cover'],
          },
        ],
      },
    ],
  };

  it('keep every form’s fields apart from those of the others, each under its own label', () => {
    const change = (number: number): ClientShared['changes'][number] => ({
      id: `change-${number}`,
      number,
      places: 'Study',
      title: `a hatch ${number}`,
      why: 'asked for',
      lines: [],
      sum: 42_000,
      tax: 0,
      taxShown: 'apart',
      total: 42_000,
      before: null,
      after: null,
      state: 'sent',
      answered: null,
    });
    const choice = (id: string): ClientShared['choices'][number] => ({
      id,
      what: `the tap ${id}`,
      by: null,
      allowed: null,
      alternatives: ['a', 'b'].map((key) => ({
        id: `${id}-${key}`,
        choice: `tap ${key}`,
        price: null,
        look: '',
        upkeep: '',
        picture: null,
      })),
    });
    const asked = (id: string, kind: 'approval' | 'answer'): ClientShared['requests'][number] => ({
      id,
      kind,
      subject: `the ${id}`,
      by: null,
      waits: [],
    });
    const drawn = html(
      <ClientPage
        view={{
          ...client,
          changes: [change(1), change(2)],
          choices: [choice('one'), choice('two')],
          requests: [asked('colour', 'approval'), asked('height', 'answer')],
          completion: { items: [], areas: [{ id: 'r', name: 'Study', accepted: null }] },
        }}
        token="secret"
      />,
    );
    const ids = [...drawn.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id);
    expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([]);
    const labels = [...drawn.matchAll(/ for="([^"]+)"/g)].map(([, id]) => id);
    expect(labels.length).toBeGreaterThan(14);
    expect(labels.filter((id) => !ids.includes(id))).toEqual([]);
    expect(count(drawn, '>Your name<')).toBe(9);
    expect(words(drawn)).toMatch(/I approve : a hatch 1 .*I decline : a hatch 1 .*I approve : a hatch 2/);
    expect(words(drawn)).toContain('I choose this for the tap two');
  });

  it('let the client acknowledge the newest news alone, and fetch pictures through the link', () => {
    const drawn = html(<ClientPage view={client} token="secret" />);
    expect(count(drawn, 'I have read it')).toBe(1);
    expect(drawn.indexOf('I have read it')).toBeLessThan(drawn.indexOf('First'));
    expect(drawn).toContain('src="/s/secret/pictures/abc?w=640"');
    expect(words(drawn)).toContain('About a fifth of the work is done. By the plan of today we finish on Tue 31 Aug.');
    expect(words(drawn)).toContain('May the &lt;b&gt;window&lt;/b&gt; stay? Maren, today Yes.');
    expect(drawn).toContain('href="tel:05550100"');
    expect(words(drawn)).toContain('Oak or cork by Fri 2 Apr');
    expect(drawn).toContain('b &lt;i&gt;2&lt;/i&gt;');
    expect(words(html(<ClientPage view={{ ...client, acknowledged: 'Elder, today 10:00' }} token="t" />))).toContain(
      'Read by Elder, today 10:00',
    );
  });

  it('say what is safe to say where there is nothing yet', () => {
    const read = words(
      html(
        <ClientPage
          view={{
            ...client,
            updates: [],
            choices: [],
            requests: [],
            decisions: [],
            now: { opening: '', found: [], weeks: [], ahead: '', meanings: [] },
            house: { storeys: [], outside: [] },
            tour: [],
            receipts: [],
          }}
          token="t"
        />,
      ),
    );
    expect(read).not.toMatch(
      /What we wrote|The next two weeks|What we need|Through the house|What you settled|What we found/,
    );
    expect(words(html(<CrewPage view={{ ...crew, days: [], cautions: [], leftovers: [] }} token="t" />))).toContain(
      'No work is planned for you in the next two weeks.',
    );
  });

  it('tell a crew its cautions first, then when, where, after whom and before whom', () => {
    const read = words(html(<CrewPage view={crew} token="t" />));
    const order = [
      'bearing wall',
      'Tue 9 Mar',
      'Guest suite · wires',
      'before you: Guest suite · pipes',
      'after you: Guest suite · check before cover',
      'in the yard, from 07:00 until 09:00',
      'Left to do',
    ].map((part) => read.indexOf(part));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(order[0]).toBeGreaterThan(-1);
    expect(read).toContain('Local code and your own licence decide');
  });
});

describe('the route of a walk', () => {
  it('tells where something is still to be looked at, and ends the walk', () => {
    const pack = walkPack(installation, demoId('signal', 'walk', '2'));
    const areas = pack.areas.map((area) => ({
      ...area,
      open: area.open.map((item) => ({ ...item, verdict: null })),
    }));
    const walking = { pack: { ...pack, areas } } as Walking;
    const read = words(
      html(<Route walking={walking} at={3} finished={false} finishing={false} onGo={() => undefined} />),
    );
    expect(read).toContain('Guest suite Ground');
    expect(read).toContain('1 to look at');
    expect(read).toContain('How the site is left · every evening, last yesterday');
    expect(read).toContain('Begun by mistake? Throw this walk away');
    expect(
      words(html(<Route walking={walking} at={0} finished finishing={false} onGo={() => undefined} />)),
    ).not.toContain('Throw this walk away');
  });
});

describe('the screens of sequence and schedule', () => {
  it('read the order with its times and reasons, the ways of working, the rules, and what has to be there', () => {
    const page = words(
      html(
        <Sequence role="contractor" view={sequenceView(readJob(installation, signalHouse))} />,
        `/jobs/${signalHouse}/sequence`,
      ),
    );
    // This week stands open, later ones are a line; every step has what decides its day.
    expect(page).toMatch(/This week \d+ steps .* gas pipe Boiler cupboard .* Next week \d+ /);
    expect(page).toMatch(/Inside the walls \d+ of \d+/);
    expect(page).toMatch(/\d+ days late: ends .* The order for lantern glazing/);
    expect(page).toMatch(/Smoke and gas alarms, tried .*Done…/);
    expect(page).toMatch(/Cabinets and paint : the usual order/);
    expect(page).toMatch(
      /Crane for the lantern panes for Lantern roof · roof glazing takes 14 days, needed \w{3} \d+ \w{3}: ask by/,
    );
    // What keeps people alive has no switch.
    expect(page).toMatch(/Switch rule 1 /);
    expect(page).not.toMatch(/Switch rule 3 /);
  });

  it('read the desks: what is booked, what to book by when, what the outlook forbids and moved, plant that is broken', () => {
    const page = words(
      html(
        <Coordination
          view={coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed))}
          office
        />,
      ),
    );
    expect(page).toContain(
      'Study · rough inspections Signal House Thu 11 Mar, morning, Port Ellery building office ' +
        'Send a page : Study · rough inspections Cancel',
    );
    expect(page).toMatch(/Yard and drain run · water test Signal House ready \w{3} \d+ Mar, ask Harbour water board/);
    expect(page).toMatch(/Fri 12 Mar morning 4\.2 mm afternoon 9 mm 13 m\/s/);
    expect(page).toMatch(/Boat store · (open roof|tarp ready) Signal House \d+(\.\d)? mm of rain expected Fri 12 Mar/);
    expect(page).toMatch(/Small digger , 1 of it, 5 pieces of work ahead/);
    const lead = words(
      html(
        <Coordination
          view={coordinationView(readFirm(installation), (feed) => pathOfFeed(installation, feed))}
          office={false}
        />,
      ),
    );
    expect(lead).not.toMatch(/Add an office|What counts|Open a calendar/);
  });

  it('read slip against what was agreed, and how good the plan is', () => {
    const page = words(
      html(
        <Progress view={progressView(readJob(installation, signalHouse))} />,
        `/jobs/${signalHouse}/schedule/progress`,
      ),
    );
    expect(page).toMatch(
      /Ends \w{3} \d+ \w{3} Was agreed for \w{3} \d+ \w{3} Promised Sat 25 Sep Weeks left \d+ Work done \d+ %/,
    );
    expect(page).toMatch(/What slipped, and why Work Ends Causes/);
    const view = scheduleView(readFirm(installation), { by: 'trade', weeks: 2, shift: 0 });
    const board = words(html(<Schedule view={view} />, '/schedule'));
    expect(board).toMatch(
      /How good is this plan\? 1 job late, crews travel \d+ times Job Ends Cannot end before Between Against promise Signal House/,
    );
    expect(board).toMatch(/To look at Conflict: /);
    expect(board).toMatch(/all crews/);
  });

  it('say what to do first where there is no plan', () => {
    const { installation: fresh, job } = build({ Room: { works: ['floor'] } });
    expect(
      words(html(<Progress view={progressView(readJob(fresh, job))} />, `/jobs/${job}/schedule/progress`)),
    ).toContain('No plan was kept yet to measure against');
    const desks = words(
      html(<Coordination view={coordinationView(readFirm(fresh), (feed) => pathOfFeed(fresh, feed))} office />),
    );
    expect(desks).toMatch(/None is booked\./);
    expect(desks).toMatch(/No outlook yet: outdoor work is planned as if it stayed dry\./);
  });
});
