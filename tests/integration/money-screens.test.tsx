import { describe, expect, it } from 'vitest';
import { currencyOf } from '@/core/units/money';
import type { Installation } from '@/server/installation';
import { readJob } from '@/server/reading/reading';
import { assembliesView } from '@/server/views/assemblies';
import { firmView } from '@/server/views/firm';
import { moneyView } from '@/server/views/money';
import { pricesView } from '@/server/views/prices';
import { Assemblies } from '@/ui/assemblies/assemblies';
import { Settings } from '@/ui/firm/settings';
import { MoneyIn } from '@/ui/kit/money';
import { Money } from '@/ui/money/money';
import { Prices } from '@/ui/money/prices';
import type { ReactElement } from 'react';
import { demoId } from '../../demo/seed';
import { demoHouse, emptyHouse, must, newId } from '../support/installations';
import { read } from '../support/read';

const dairy = demoId('dairy');
const tannery = demoId('tannery');
const inEuro = (page: ReactElement): string => read(<MoneyIn currency={currencyOf('EUR')}>{page}</MoneyIn>);
const prices = (installation: Installation, job: string): string =>
  inEuro(<Prices view={pricesView(readJob(installation, job))} />);
const money = (installation: Installation, job: string): string =>
  inEuro(<Money view={moneyView(readJob(installation, job))} />);

describe('prices', () => {
  it('say of each line how it is priced and what that comes to, and what it all comes to', () => {
    const page = prices(demoHouse(), tannery);
    expect(page).toMatch(
      /replace wet boards and insulation, 96 m².* Hours for one m², at €42\.00 €4 521\.60 52\.8 hours/,
    );
    expect(page).toMatch(/repair rotten sills only if it is found; not in the sum/);
    expect(page).toMatch(
      /What it costs us €5 405\.40 Overhead and profit, 15 % €810\.81 Tax, 20 % €1 243\.24 The client pays/,
    );
    expect(page).toContain('The statement shows the price of every line');
  });

  it('name what is missing, and where it is put right', () => {
    const installation = demoHouse();
    expect(prices(installation, demoId('signal'))).toMatch(/take down and refit the iron stove .* whose work it is/);
    must(installation, 'rate.set-hour', { trade: 'board' });
    expect(prices(installation, tannery)).toContain('Nobody has said what an hour of board and tape costs');
    expect(prices(installation, dairy)).toContain('paid by the way that is chosen under Options');
  });

  it('of a job without lines lead to the first visit', () => {
    const installation = demoHouse();
    const job = newId();
    must(installation, 'job.open', { id: job, name: 'New', units: 'metric', startDay: '2027-04-05' });
    expect(prices(installation, job)).toContain('Nothing to price yet: lines come from the first visit.');
  });
});

describe('the money of a job', () => {
  it('shows what is agreed, paid, due, spent and left in words as well as bars', () => {
    const page = money(demoHouse(), tannery);
    expect(page).toMatch(/€7 459\.45 agreed with version 1/);
    expect(page).toMatch(/Paid €5 221\.62 paid by the client €2 500\.00 due now €2 721\.62/);
    expect(page).toMatch(
      /Costs €6 452\.79 spent €4 431\.10 ordered, not paid for €748\.00 expected to come €1 273\.69/,
    );
    expect(page).toMatch(
      /1 assumption still open, which would cost €720\.00 if it is wrong; by how sure we are, €360\.00/,
    );
    expect(page).toMatch(/Bathroom tiles, Bathroom chosen, but no line of scope and no allowance covers it/);
    expect(page).toMatch(/Bill of the board crew Wed 3 Mar, work, Shop €1 960\.00/);
  });

  it('says of what was found otherwise whether it is in a change, and never that it is settled before it is', () => {
    const installation = demoHouse();
    const damage = demoId('dairy', 'finding', '0');
    must(installation, 'finding.measure', { id: damage, found: 5.5 });
    expect(money(installation, dairy)).toMatch(
      /rot in the lowest boards and the sill beam found 5\.5 m, 3 m allowed for; seen by Maren \+€370\.00 Make it a change/,
    );
    must(installation, 'change.draft', { id: newId(), of: 'finding', from: damage });
    expect(money(installation, dairy)).toMatch(/seen by Maren change 1, draft in a change/);
    expect(money(installation, dairy)).toMatch(/4 pieces of lights over the bench €380\.00 allowed; nothing .* open/);
  });

  it('of a job that nobody has priced claims nothing', () => {
    const installation = demoHouse();
    const job = newId();
    must(installation, 'job.open', { id: job, name: 'New', units: 'metric', startDay: '2027-04-05' });
    const page = money(installation, job);
    expect(page).toContain('no price yet');
    expect(page).toContain('€0.00 paid; nothing due now');
    expect(page).toContain('No steps yet');
  });
});

describe('assemblies', () => {
  it('are those of the area, each with the sentence that means it; what was set stands beside them with its cautions', () => {
    const installation = demoHouse();
    const back = demoId('dairy', 'area', 'back');
    must(installation, 'assembly.set', { id: newId(), area: back, assembly: 'repointing', answers: { face: 12 } });
    const page = inEuro(<Assemblies view={assembliesView(readJob(installation, dairy), back)} />);
    expect(page).toContain('Repoint a wall “Rake these joints out and point them anew”');
    expect(page).not.toContain('New kitchen');
    expect(page).toMatch(/Set on this job .*Repoint a wall , Meadow face rake out the joints, 12 m²; repoint in lime/);
    expect(page).toContain('Grinding mortar makes silica dust');
  });

  it('of a job without areas lead to where they are set out', () => {
    const installation = demoHouse();
    const job = newId();
    must(installation, 'job.open', { id: job, name: 'New', units: 'metric', startDay: '2027-04-05' });
    expect(inEuro(<Assemblies view={assembliesView(readJob(installation, job))} />)).toContain('No area yet');
  });
});

describe('the money of the firm', () => {
  it('is said to the contractor and the office, and to no lead; an empty house is asked for its currency', () => {
    const installation = demoHouse();
    const page = inEuro(<Settings view={firmView(installation, { role: 'contractor' })} role="office" />);
    expect(page).toMatch(/Euro, EUR Overhead and profit 15 %, tax 20 % Clients read prices with the tax in them/);
    expect(page).toMatch(/Carpentry €46\.00/);
    expect(inEuro(<Settings view={firmView(installation, { role: 'lead' })} role="lead" />)).not.toMatch(
      /Overhead|€46\.00/,
    );
    const empty = emptyHouse();
    must(
      empty,
      'firm.found',
      { name: 'F', personId: newId(), ownerName: 'O', email: 'o@f.example', password: 'long enough for it' },
      { kind: 'founder' },
    );
    expect(read(<Settings view={firmView(empty, { role: 'contractor' })} role="contractor" />)).toContain(
      'No currency chosen',
    );
  });
});
