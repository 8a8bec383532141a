import { readFirm, readJob, readOpenJobs } from '@/server/reading/reading';
import { describe, expect, it } from 'vitest';
import { drawingOf } from '@/core/layout/drawing';
import { CALCULATORS, calculatorNamed } from '@/core/quantities/registry';
import type { Cut } from '@/core/quantities/cut-list';
import { statementDiff } from '@/core/scope/statement';
import type { Installation } from '@/server/installation';
import { layoutView, levelsView } from '@/server/views/layout';
import { benchView, keptCalculation, materialsView } from '@/server/views/quantities';
import { TASKS } from '@/server/threads/tasks';
import { assumptionsView, optionsView, scopeView } from '@/server/views/scope';
import { statementView } from '@/server/views/statement';
import { roomView } from '@/server/views/room';
import { openLink } from '@/server/public/links';
import { sharedView } from '@/server/public/shared';
import { tokenOf } from '@/server/tokens';
import { Bench } from '@/ui/bench/bench';
import { CalculatorPage } from '@/ui/bench/calculator';
import { CutSticks } from '@/ui/bench/results';
import { StatementBody, StatementChanges } from '@/ui/kit/statement-body';
import { DrawingView } from '@/ui/layout/drawing-view';
import { Layout } from '@/ui/layout/layout';
import { RoomPage } from '@/ui/rooms/room-page';
import { Assumptions } from '@/ui/scope/assumptions';
import { Changes } from '@/ui/scope/changes';
import { Levels } from '@/ui/scope/levels';
import { Materials } from '@/ui/scope/materials';
import { Options } from '@/ui/scope/options';
import { Scope } from '@/ui/scope/scope';
import { StatementPage } from '@/ui/scope/statement';
import { FirstVisit } from '@/ui/scope/first-visit';
import { firstVisitView } from '@/server/views/first-visit';
import { ClientPage } from '@/ui/public/client-page';
import { demoId } from '../../demo/seed';
import { areaOf, demoHouse, must, newId } from '../support/installations';
import { count, html, read, words } from '../support/read';

const dairy = demoId('dairy');
const dairyArea = (key: string): string => areaOf(key, 'dairy');

describe('scope by area', () => {
  it('reads line, stance and condition together, with what was found and what is believed there', () => {
    const page = read(<Scope view={scopeView(readJob(demoHouse(), dairy))} />, `/jobs/${dairy}/scope`);
    expect(page).toMatch(
      /strip boards of the lane face, 46 m² cladding and roofing · depends on overlay or strip depends on what is found Change/,
    );
    expect(page).toMatch(
      /damage rot in the lowest boards and the sill beam, 6\.4 m, because of soil against the boards; the soil goes down/,
    );
    expect(page).toContain(
      'we assume that the sheathing behind the old boards is sound , dry where the lamp hole shows it',
    );
    expect(page).toMatch(
      /strip will show it, \w{3} \d+ \w{3}\. If not: replace the sheathing of the lane face, carpentry, 2½ days, 1 840\.00/,
    );
  });

  it('says what a line costs to who may see it, and to nobody else', () => {
    const job = readJob(demoHouse(), demoId('tannery'));
    expect(read(<Scope view={scopeView(job, true)} />)).toMatch(/replace wet boards and insulation, 96 m².*4 521\.60/);
    expect(JSON.stringify(scopeView(job))).not.toContain('452160');
  });

  it('offers the first visit where nothing is written down', () => {
    const installation = demoHouse();
    for (const line of scopeView(readJob(installation, dairy)).areas.flatMap((area) => area.lines))
      must(installation, 'line.remove', { of: 'scope', id: line.id });
    expect(read(<Scope view={scopeView(readJob(installation, dairy))} />)).toContain('Begin the first visit');
  });
});

describe('the first visit', () => {
  it('begins where none was made, is gone on with where one is under way, and lists those that were made', () => {
    const installation = demoHouse();
    const made = firstVisitView(readJob(installation, dairy));
    expect(made).toMatchObject({ open: null, made: [{ id: demoId('dairy', 'walk', '0') }] });
    expect(read(<FirstVisit view={made} area={undefined} />)).toMatch(/Begin the first visit.*Made so far .*finished/);
    const walk = newId();
    must(installation, 'walk.start', { id: walk, job: dairy, kind: 'scope' });
    expect(firstVisitView(readJob(installation, dairy)).open).toBe(walk);
  });
});

describe('assumptions, options, changes', () => {
  it('say of a wrong assumption what was found and which work it added, until that is done', () => {
    const installation = demoHouse();
    const extraId = newId();
    must(installation, 'assumption.settle', {
      id: demoId('dairy', 'assumption', '1'),
      verdict: 'wrong',
      found: 'slate at 60 cm',
      extraId,
    });
    const page = read(<Assumptions view={assumptionsView(readJob(installation, dairy))} />);
    expect(page).toMatch(/It was wrong: slate at 60 cm ?\. break rock by machine is added\./);
    expect(page).toMatch(
      /Added work Drain, lane to yard: break rock by machine ground works and concrete, 3 days, being planned\./,
    );
    must(installation, 'extra.finish', { id: extraId });
    expect(read(<Assumptions view={assumptionsView(readJob(installation, dairy))} />)).toMatch(
      /3 days, done\..*Open again/,
    );
  });

  it('put options side by side and say which is least, and by which reason one was chosen', () => {
    const installation = demoHouse();
    const page = html(<Options view={optionsView(readFirm(installation).job(dairy))} />);
    expect(count(page, 'scope="row"')).toBe(9);
    expect(words(page)).toMatch(/Costs 6 120\.00 least 9 480\.00/);
    expect(words(page)).toMatch(/Cost per year 480\.00 360\.86 least/);
    must(installation, 'options.choose', {
      id: demoId('dairy', 'options', '0'),
      version: 1,
      key: 'strip',
      reason: 'it lasts',
      decisionId: newId(),
    });
    expect(read(<Options view={optionsView(readFirm(installation).job(dairy))} />)).toMatch(
      /Strip and reclad: it lasts Maren, today/,
    );
  });

  it('price a change line by line and tell what it does to the finish', () => {
    const page = read(<Changes view={TASKS.changes(demoHouse(), demoId('tannery'))} />);
    expect(page).toMatch(
      new RegExp(
        String.raw`fit double sockets, chased in wiring, half a day 2 pieces 112\.00 224\.00 ` +
          String.raw`overhead and profit, 15 % 33\.60 tax, 20 % 51\.52 in all 309\.12`,
      ),
    );
    expect(page).toMatch(/The work ends on .* By the plan of today\./);
  });
});

describe('the statement', () => {
  it('stands with what is missing beside it until it is made, and with its name and time once agreed', () => {
    const installation = demoHouse();
    const draft = read(<StatementPage view={statementView(readJob(installation, dairy))} />);
    expect(draft).toContain('as it would be today; no version was made yet');
    expect(draft).toContain('Workshop: an old gas pipe under the window: nobody has proved whether it is live.');
    expect(read(<StatementPage view={statementView(readJob(installation, demoId('tannery')))} />)).toContain(
      'Agreed by Fen of Tannery Row, ',
    );
  });

  it('shows in beside not included, marks with their words, and amounts', () => {
    const { content } = statementView(readJob(demoHouse(), dairy));
    const page = read(<StatementBody content={content} />);
    expect(page).toMatch(
      /Slate roof outside In 40 pieces of spare slates.* take down and refit Not included repair the slates/,
    );
    expect(page).toMatch(/What is allowed for Workshop: 4 pieces of lights over the bench €524\.40/);
    expect(page).toContain('3 m allowed for; more is extra at €204.24 a m');
  });

  it('strikes out what it said before where it says something else', () => {
    const { content } = statementView(readJob(demoHouse(), dairy));
    const [first, ...others] = content.areas;
    if (!first) throw new Error('no area');
    const later = {
      ...content,
      areas: [{ ...first, lines: first.lines.slice(1).map((line) => ({ ...line, note: 'otherwise' })) }, ...others],
    };
    const page = html(<StatementChanges diff={statementDiff(content, later)} against={1} />);
    expect(page).toMatch(/now.*<s>take down and refit two lamps and the post box<\/s>/);
    expect(page).toMatch(/gone.*<s>strip boards of the lane face, 46 m²<\/s>/);
    expect(read(<StatementChanges diff={statementDiff(content, content)} against={1} />)).toContain('Nothing.');
  });

  it('is read on the client’s link, agreed to there once, and offered again by none', () => {
    const installation = demoHouse();
    const link = openLink(installation, tokenOf(installation, demoId('tannery', 'statement', 'link')));
    const view = link && sharedView(installation, link);
    if (view?.audience !== 'client') throw new Error('no client page');
    const page = html(<ClientPage view={view} token="secret" />);
    expect(page).toContain('href="/s/secret/statement.pdf"');
    expect(page).not.toContain('I agree to version');
    expect(
      html(
        <ClientPage
          view={{ ...view, statement: view.statement && { ...view.statement, agreed: null } }}
          token="secret"
        />,
      ),
    ).toContain('I agree to version 1');
  });
});

describe('drawings on screen', () => {
  it('have every wall to be picked, and words for whoever cannot see them', () => {
    const view = layoutView(readJob(demoHouse(), dairy), dairyArea('workshop'));
    if (!view.shape) throw new Error('not drawn');
    const drawing = drawingOf('Workshop', view.shape, view.openings, view.fixtures, 'metric');
    if (!drawing) throw new Error('not drawn');
    const page = html(<DrawingView drawing={drawing} label="the plan" chosen="wall 2" onPick={() => undefined} />);
    expect(page).toContain('role="img" aria-label="the plan"');
    expect(page).toContain('wall 1, 7380 mm');
    expect(count(page, 'stroke="var(--tide)"')).toBe(1);
  });

  it('stand with their findings, the worst first, and with what they measure', () => {
    const installation = demoHouse();
    must(installation, 'fixture.add', {
      id: newId(),
      area: dairyArea('workshop'),
      wall: 2,
      kind: 'other',
      name: 'lathe',
      along: { mm: 400, typed: '400' },
      width: { mm: 900, typed: '900' },
      depth: { mm: 700, typed: '700' },
      front: { mm: 0, typed: '' },
    });
    const page = read(<Layout view={layoutView(readJob(installation, dairy), dairyArea('workshop'))} />);
    expect(page).toMatch(
      /Does it fit.*Yard door swings into lathe\..*Lathe stands before yard door\..*Yard door lets 898 mm pass\./,
    );
    expect(page).toContain('floor 30.95 m²');
    expect(read(<Layout view={layoutView(readJob(installation, dairy), dairyArea('lower'))} />)).toContain(
      'It runs by gravity, with 233 mm to spare at the head.',
    );
    expect(read(<Layout view={layoutView(readJob(installation, dairy), dairyArea('upper'))} />)).toContain(
      'It runs by gravity',
    );
    expect(
      read(<Layout view={layoutView(readJob(installation, demoId('linden')), roomOf(installation, 'linden'))} />),
    ).toContain('Four walls');
  });

  it('of levels keep their words apart and name the datum', () => {
    const page = html(<Levels view={levelsView(readJob(demoHouse(), dairy))} />);
    const places = [...page.matchAll(/<text x="148" y="([\d.]+)"/g)].map((match) => Number(match[1]));
    expect(places).toHaveLength(6);
    expect(places.every((y, index) => index === 0 || y - (places[index - 1] ?? 0) >= 24 - 1e-6)).toBe(true);
    expect(words(page)).toContain('workshop floor, the datum');
    expect(words(page)).toContain(
      'Soil against the lane face is only 60 mm below workshop floor; it should be 150 mm below. Your local code ' +
        'and inspector decide.',
    );
  });
});

/** Some room of a job that nobody has drawn. */
const roomOf = (installation: Installation, job: string): string =>
  (
    installation.db
      .prepare(`SELECT id FROM area WHERE job = ? AND kind = 'room' AND id NOT IN (SELECT area FROM shape)`)
      .get(demoId(job)) as { id: string }
  ).id;

describe('Bench', () => {
  it('lists every calculator once, each leading to its page for the area in hand', () => {
    const page = html(<Bench area="a" />);
    for (const { name } of CALCULATORS) expect(count(page, `href="/bench/${name}?area=a"`), name).toBe(1);
  });

  it('begins with the example, or with what was kept, fed by the drawing', () => {
    const installation = demoHouse();
    const view = benchView(readOpenJobs(installation));
    expect(read(<CalculatorPage name="tiles" view={view} area={undefined} kept={undefined} />)).toMatch(
      /tiles 139 .*How this is computed/,
    );
    const kept = keptCalculation(readOpenJobs(installation), demoId('dairy', 'calculation', '0'));
    const page = html(<CalculatorPage name={kept.calculator} view={view} area={undefined} kept={kept} />);
    expect(page).toMatch(/readOnly="" id="ask-netArea"[^>]*value="23.04"|value="23.04"[^>]*readOnly=""/i);
    expect(words(page)).toContain('Save the change');
  });

  it('is empty in an area that is not drawn (D14): no example stands there as if it were one’s own', () => {
    const installation = demoHouse();
    const view = benchView(readOpenJobs(installation));
    const page = html(
      <CalculatorPage name="sheets" view={view} area={roomOf(installation, 'signal')} kept={undefined} />,
    );
    expect(page).not.toMatch(/id="ask-[^"]*"[^>]*value="[^"]+"/);
    expect(words(page)).toContain('No answer yet.');
    expect(page).toMatch(/<button[^>]*disabled=""[^>]*>Save in an area/);
  });

  it('draws sticks that are cut alike once, each piece in its proportion', () => {
    const list = calculatorNamed('cut-list');
    const outcome = list?.run({
      pieces: [{ length: 1000, count: 6, label: 'rails' }],
      stock: [{ length: 3100 }],
      kerf: 3,
    });
    const cuts = outcome?.ok ? (outcome.value.cuts as Cut[]) : [];
    const page = html(<CutSticks cuts={cuts} system="metric" />);
    expect(count(page, '<li>')).toBe(1);
    expect(count(page, 'flex-grow:1000')).toBe(3);
    expect(words(page)).toMatch(/2 × 3100 mm , left over 94 mm/);
  });
});

describe('materials and rooms', () => {
  it('say what to buy in packs, for when and for whom, and where it comes from', () => {
    const page = read(<Materials view={materialsView(readJob(demoHouse(), dairy))} />);
    expect(page).toMatch(/Larch plank, 180 mm 44 planks 31\.50 1 386\.00 Fathom Timber \w{3} \d+ \w{3} · East gable/);
    expect(page).toMatch(/Facade paint, moss: paint, cans of 10 L 1 can 235\.00/);
    expect(page).toContain('Cut list: Workshop Stud 45 × 95');
  });

  it('carry the room’s quantities and what is believed of it on its own page', () => {
    const page = read(<RoomPage view={roomView(readJob(demoHouse(), dairy), dairyArea('workshop'))} />);
    expect(page).toContain('we assume that the wall to the milk store carries nothing');
    expect(page).toMatch(/Quantities .* Board 12\.5 mm, 1200 × 2600 : 20 sheets/);
    expect(page).toContain('nobody has proved whether it is live');
  });
});
