import { readFirm, readJob, readOpenJobs } from '@/server/reading/reading';
import { pattern } from '@/core/pattern';
import { describe, expect, it } from 'vitest';
import type { DeliveryView, RequestView, SelectionView, SelectionsView } from '@/contract/views/selections';
import { deliveriesView } from '@/server/views/deliveries';
import { suppliersView } from '@/server/views/suppliers';
import { requestsView, selectionPage, selectionsView } from '@/server/views/selections';
import { todayView } from '@/server/views/today';
import { byWords, dueTone, dueWords, missedWords } from '@/ui/selections/due-words';
import { Deliveries } from '@/ui/selections/deliveries';
import { factsOf } from '@/ui/selections/facts';
import { Requests } from '@/ui/selections/requests';
import { SelectionPage } from '@/ui/selections/selection-page';
import { Selections } from '@/ui/selections/selections';
import { Suppliers } from '@/ui/selections/suppliers';
import { Today } from '@/ui/today/today';
import { changeSelection } from '@/contract/commands/selections';
import { demoId } from '../../demo/seed';
import { demoHouse, give, must, newId, signalHouse, TODAY } from '../support/installations';
import { count, html, read } from '../support/read';
import { build } from '../support/synthetic';

const chosen = (area: string, category: string, job = 'signal'): string => demoId(job, 'selection', area, category);
const GLAZING = chosen('lroof', 'Lantern glazing');

describe('the table of selections', () => {
  const view = (): SelectionsView => selectionsView(readJob(demoHouse(), signalHouse));

  it('reads a line as it matters: what, where, chosen, how many, from whom, how long, next, needed, state', () => {
    const page = read(<Selections view={view()} />, `/jobs/${signalHouse}/selections`);
    expect(page).toMatch(
      pattern(
        '',
        'Lantern glazing waits for the association waits for the designer Lantern roof roof glazing Eight curved ' +
          'panes, laminated, clear LG-8 8 panes Lumen Curve Works 140 to 154 days order at once ',
        String.raw`1\d\d days late needed \w{3} \d+ \w{3} chosen`,
      ),
    );
    expect(page).toMatch(/On site or fitted 1 Wall tiles/);
    expect(page.search(/Late \d Lantern/)).toBeLessThan(page.indexOf('In the next two weeks'));
    // One cell in hand, to be come to by Tab: the first that can be changed.
    const drawn = html(<Selections view={view()} />);
    expect(count(drawn, 'tabindex="0"')).toBe(1);
    expect(drawn).toMatch(/data-cell="[^"]+:choice"[^>]*tabindex="0"/);
    expect(drawn).toMatch(/role="grid"[^>]*aria-label="Selections"/);
  });

  it('offers no change where there is none: what follows a kept result, the day of what is not ordered', () => {
    const base = view();
    const [first] = base.selections;
    const with_ = (over: Partial<SelectionView>): string =>
      html(<Selections view={{ ...base, selections: [{ ...(first as SelectionView), ...over }] }} />);
    const fixed = (drawn: string, column: string): boolean =>
      new RegExp(`data-cell="[^"]+:${column}"[^>]*aria-readonly="true"`).test(drawn);
    expect(fixed(with_({ calculation: newId() }), 'quantity')).toBe(true);
    expect(fixed(with_({ calculation: null }), 'quantity')).toBe(false);
    expect(fixed(with_({ state: 'chosen' }), 'next')).toBe(true);
    expect(fixed(with_({ state: 'confirmed' }), 'next')).toBe(false);
    expect(with_({ follows: { id: newId(), as: 'rest' } })).toContain('the rest');
    expect(with_({ found: { verdict: 'wrong', text: 'ordered as A, but came as B' } })).toContain('but came as B');
  });

  it('says what to do first where nothing is chosen, and where nothing is set out', () => {
    const built = build({ Room: { works: ['kitchen'] } });
    expect(read(<Selections view={selectionsView(readJob(built.installation, built.job))} />)).toContain(
      'Add what takes longest to come first',
    );
    const bare = build({});
    expect(html(<Selections view={selectionsView(readJob(bare.installation, bare.job))} />)).toMatch(
      /<button[^>]*disabled=""[^>]*>Add a selection/,
    );
  });
});

describe('the words of a date', () => {
  it('ask for what can still be done', () => {
    const due = { what: 'order', day: '2027-03-20', late: false, near: true } as const;
    expect(dueWords(due, TODAY)).toBe('order by Sat 20 Mar');
    expect(dueWords({ ...due, day: '2027-03-01' }, TODAY)).toBe('order at once');
    expect(missedWords({ ...due, day: '2027-03-01' }, TODAY)).toBe('should have been ordered by Mon 1 Mar');
    expect(dueWords({ ...due, what: 'decide', day: '2026-12-01' }, TODAY)).toBe('decide at once');
    expect(dueWords({ ...due, what: 'arrive', day: '2027-03-01' }, TODAY)).toBe('was to come Mon 1 Mar');
    expect(missedWords({ ...due, what: 'arrive', day: '2027-03-01' }, TODAY)).toBe('');
    expect(dueWords({ ...due, day: null }, TODAY)).toBe('order by: not planned');
    expect(dueWords({ ...due, what: 'settled', day: null }, TODAY)).toBe('');
    expect([dueTone({ ...due, late: true }), dueTone(due), dueTone({ ...due, near: false })]).toEqual([
      'bad',
      'soon',
      '',
    ]);
    expect([byWords('2027-03-20', TODAY), byWords('2026-03-20', TODAY)]).toEqual(['by Sat 20 Mar', 'at once']);
  });
});

describe('one selection', () => {
  it('tells its days back from the work, and offers the step that is next', () => {
    const installation = demoHouse();
    const page = read(<SelectionPage view={selectionPage(readJob(installation, signalHouse), GLAZING)} />);
    expect(page).toMatch(/chosen ?: order at once \( ?should have been ordered by Fri \d+ Oct 2026 ?\)/);
    expect(page).toMatch(
      /Needed on site by \w{3} \d+ \w{3}: Lantern roof · roof glazing would start \w{3} \d+ \w{3} if /,
    );
    expect(page).toContain('if everything that was chosen were there; 1 day to unpack and look before that.');
    expect(page).toMatch(/The order waits for the association \(curved glazing of the lantern\), expected Mon 29 Mar/);
    expect(page).toContain('Lumen Curve Works is closed Thu 22 Apr to Wed 5 May');
    for (const [id, job, offered, not] of [
      [GLAZING, 'signal', ['Order it', 'It is approved'], ['Check what came', 'The supplier says …']],
      [
        chosen('bath', 'Bath tiles'),
        'signal',
        ['Write down what is chosen', 'Choose Sage glazed, 4" by 12"'],
        ['Order it'],
      ],
      [
        chosen('wet', 'Shower valve'),
        'signal',
        ['The supplier says …', 'Another day', 'It came today'],
        ['Order it', 'Remove'],
      ],
      [
        chosen('wet', 'Wall tiles'),
        'signal',
        ['It is fitted', 'Something is left over', 'Check what came'],
        ['The supplier says …'],
      ],
    ] as const) {
      const buttons = read(<SelectionPage view={selectionPage(readJob(installation, demoId(job)), id)} />);
      for (const one of offered) expect(buttons, id).toContain(one);
      for (const one of not) expect(buttons, id).not.toContain(one);
    }
  });

  it('is sent back whole when one of its facts is changed', () => {
    const installation = demoHouse();
    for (const item of selectionsView(readJob(installation, signalHouse)).selections) {
      const facts = factsOf(item);
      expect(changeSelection.schema.isValidSync(facts, { strict: true }), item.category).toBe(true);
      const answer = give(installation, 'selection.change', facts);
      expect(answer).toMatchObject({ status: 'applied' });
      const [now] = selectionsView(readJob(installation, signalHouse)).selections.filter(
        (selection) => selection.id === item.id,
      );
      expect({ ...now, version: 0, needBy: 0, orderBy: 0, orderLatest: 0, decideBy: 0, due: 0, there: 0 }).toEqual({
        ...item,
        version: 0,
        needBy: 0,
        orderBy: 0,
        orderLatest: 0,
        decideBy: 0,
        due: 0,
        there: 0,
      });
    }
  });
});

describe('approvals and answers', () => {
  const shown = (over: Partial<RequestView>): string => {
    const view = requestsView(readJob(demoHouse(), signalHouse));
    const [first] = view.requests;
    return read(<Requests view={{ ...view, requests: [{ ...(first as RequestView), ...over }] }} />);
  };

  it('say where each stands and what can be done about it', () => {
    expect(shown({})).toContain('Sent Thu 25 Feb: elevation and glass sample. Expected Mon 29 Mar, needed at once.');
    expect(shown({ overdue: true, named: '2027-03-05', remindedOn: '2027-03-08' })).toContain(
      'They should have answered on Fri 5 Mar; ask after it, needed at once, reminded Mon 8 Mar.',
    );
    expect(shown({ standing: 'to send', sentOn: null, sendBy: '2027-03-20', neededBy: '2027-04-20' })).toContain(
      'Not sent. To be sent by Sat 20 Mar: it takes 21 to 32 days, needed by Tue 20 Apr.',
    );
    expect(shown({ standing: 'waits for another', afterText: 'the drawing', neededBy: null })).toContain(
      'it comes after the drawing. It takes 21 to 32 days, so Mon 29 Mar at the earliest, nothing planned waits ' +
        'for it.',
    );
    expect(shown({ standing: 'refused', outcome: 'refused', conditions: 'too bright' })).toMatch(
      /Not granted\. What waits for it stands still until it is asked anew[\s\S]*too bright/,
    );
    expect(
      shown({
        standing: 'answered',
        outcome: 'conditions',
        conditions: 'clear glass',
        answeredBy: 'Odo',
        expected: '2027-03-08',
      }),
    ).toMatch(/Granted by Odo, Mon 8 Mar\. On condition: clear glass/);
    expect(shown({ standing: 'to send', party: 'client' })).toContain('Ask on their page');
    expect(shown({ standing: 'waits for another' })).not.toContain('They answered');
    expect(html(<Requests view={requestsView(readJob(demoHouse(), signalHouse))} />)).toMatch(
      /href="mailto:\?subject=curved%20glazing[^"]*Without%20it%20this%20stands%20still/,
    );
  });
});

describe('deliveries and suppliers', () => {
  it('show what comes, where it fits, what stands where, and what a supplier said', () => {
    const installation = demoHouse();
    const page = read(<Deliveries view={deliveriesView(readJob(installation, signalHouse))} left={undefined} />);
    expect(page).toMatch(
      /Mon 22 Mar, morning into Boat store, on bearers along the north wall .*cladding boards, 704 sq ft Seaward face/,
    );
    expect(page).toContain('heaviest piece 137 lb, 2 people, bundles opened on the lorry, boards carried by two');
    expect(page).toMatch(/Boat store free (after|until) \w{3} \d+ Mar sage tiles, one opened box/);
    expect(page).toMatch(
      /boat store, on battens 190 sq ft of oak boards of the old day room floor kept for use again, from Day room/,
    );
    const view = deliveriesView(readJob(installation, signalHouse));
    const [first] = view.deliveries;
    expect(
      read(
        <Deliveries
          view={{
            ...view,
            deliveries: [{ ...(first as DeliveryView), state: 'came', cameOn: '2027-03-08', warnings: [] }],
          }}
          left={undefined}
        />,
      ),
    ).toContain('Came Mon 8 Mar');
    const suppliers = read(<Suppliers view={suppliersView(readOpenJobs(installation))} />);
    expect(suppliers).toMatch(
      /Saltbox Cabinets office@saltbox\.example .*Closed Sat 8 May to Fri 14 May: stock-taking/,
    );
    expect(suppliers).toMatch(
      pattern(
        '',
        'Kitchen cabinets, 5 cabinets, Kitchen Tannery Row 9 in making, comes Sat 13 Mar, needed Thu 11 Mar: 2 days late ' +
          'yesterday 19:00: comes Sat 13 Mar instead of Thu 4 Mar: the maker’s press broke down',
      ),
    );
    expect(suppliers).toMatch(/Lumen Curve Works .*the demo plays their answers/);
  });

  it('say what to do first where there is nothing', () => {
    const built = build({ Room: { works: ['kitchen'] } });
    expect(read(<Deliveries view={deliveriesView(readJob(built.installation, built.job))} left={undefined} />)).toMatch(
      /No delivery has its day yet[\s\S]*Nothing stands on the site/,
    );
    expect(read(<Suppliers view={suppliersView(readOpenJobs(built.installation))} />)).toContain(
      'Whoever is named in a selection becomes one',
    );
    expect(read(<Requests view={requestsView(readJob(built.installation, built.job))} />)).toContain(
      'Nothing is asked for.',
    );
  });
});

describe('the first page', () => {
  it('leads from each date to the selection or the request it is about', () => {
    const installation = demoHouse();
    must(installation, 'request.answer', {
      id: demoId('signal', 'request', 'association'),
      version: 2,
      outcome: 'granted',
      answeredOn: TODAY,
    });
    const page = html(<Today view={todayView(readFirm(installation))} heard={[]} cares={[]} />);
    expect(page).toContain(`href="/jobs/${signalHouse}/selections/${GLAZING}"`);
    expect(page).toContain(`href="/jobs/${signalHouse}/selections/requests#${demoId('signal', 'request', 'frame')}"`);
    expect(read(<Today view={todayView(readFirm(installation))} heard={[]} cares={[]} />)).toMatch(
      /Decide .*The designer \(measured drawing of the lantern’s frame\) ?, to be sent Signal House/,
    );
  });
});
