import { describe, expect, it } from 'vitest';
import type { Input } from '@/contract/commands';
import { currencyOf } from '@/core/units/money';
import { queryAll, queryOne } from '@/server/database/query';
import type { Installation } from '@/server/installation';
import { jobPaper } from '@/server/papers/documents';
import { readFirm, readJob } from '@/server/reading/reading';
import { findable } from '@/server/views/find';
import { moneyView } from '@/server/views/money';
import { purchaseOrderView, purchasingView } from '@/server/views/purchasing';
import { MoneyIn } from '@/ui/kit/money';
import { PurchaseOrder } from '@/ui/purchasing/purchase-order';
import { Purchasing } from '@/ui/purchasing/purchasing';
import { demoId } from '../../demo/seed';
import { demoHouse, giveRaw, must, newId } from '../support/installations';
import { LINES, order } from '../support/purchase-commands';
import { read } from '../support/read';

const dairy = demoId('dairy');
const tannery = demoId('tannery');
const TODAY = '2027-03-09';
const { first, second } = LINES;

/** The dairy's order of windows and straps went out. */
function sentOrder(over: Partial<Input<'purchase-order.add'>> = {}) {
  const installation = demoHouse();
  const { id } = order(installation);
  must(installation, 'purchase-order.add', { ...order(installation), ...over });
  must(installation, 'purchase-order.send', { id, version: 1, day: TODAY });
  return { installation, id };
}
const viewOf = (installation: Installation, id: string) => purchaseOrderView(readJob(installation, dairy), id, true);
const linesOf = (installation: Installation, id: string) =>
  viewOf(installation, id).lines.map(({ ordered, came, wentBack, billed, toCome, mismatches }) => ({
    ...{ ordered, came, wentBack, billed, toCome, mismatches },
  }));
const move = (
  installation: Installation,
  id: string,
  kind: 'came' | 'went back',
  ...quantities: (number | undefined)[]
) =>
  must(installation, 'purchase-order.move', {
    ...{ id, kind, day: TODAY },
    lines: [first, second].map((line, at) => ({ line, quantity: quantities[at] })),
  });
const bill = (installation: Installation, purchaseOrder: string, over: Partial<Input<'purchase-order.bill'>>) =>
  must(installation, 'purchase-order.bill', {
    ...{ id: newId(), purchaseOrder, kind: 'bill', number: 'R-1', day: TODAY, lines: [] },
    ...over,
  });
const refused = (installation: Installation, type: string, payload: object) => {
  const answer = giveRaw(installation, type, payload);
  if (answer.status !== 'refused') throw new Error(`${type} was taken`);
  return { field: answer.problem.field, code: answer.problem.code };
};

describe('what is to be ordered', () => {
  it('is what is chosen and what kept results buy, by supplier, until it stands on an order', () => {
    const installation = demoHouse();
    const groups = () => purchasingView(readJob(installation, dairy), true).toOrder;
    const [timber] = groups();
    expect(timber).toMatchObject({ supplier: 'Fathom Timber', late: true });
    expect(timber?.orderBy).toMatch(/^2027-02-/);
    expect(timber?.lines.map(({ text, quantity, unit }) => `${text}: ${quantity} ${unit}`)).toEqual([
      'Workshop windows: Timber, three by two panes: 4 windows',
      'Stud 45 × 95: Sticks of 4200 mm: 6 sticks',
      'Stud 45 × 95: Sticks of 5400 mm: 4 sticks',
      'Larch plank, 180 mm: 44 planks',
    ]);
    const lines = (timber?.lines ?? []).map(
      ({ key: _, area: __, orderBy: ___, needBy: ____, waitsFor: _____, ...line }) => ({
        ...Object.fromEntries(Object.entries(line).filter(([, value]) => value !== null)),
        id: newId(),
      }),
    );
    const id = newId();
    must(installation, 'purchase-order.add', {
      ...{ id, job: dairy, supplier: 'Fathom Timber' },
      lines: lines,
    });
    expect(groups().some(({ supplier }) => supplier === 'Fathom Timber')).toBe(false);
    must(installation, 'purchase-order.cancel', { id, version: 1 });
    expect(groups()[0]?.lines).toHaveLength(4);
  });

  it('has the price of the supplier’s own list, and the pack it was ordered in before', () => {
    const { installation, id } = sentOrder();
    const { id: chosen, supplier } = queryOne<{ id: string; supplier: string }>(
      installation.db,
      `SELECT id, supplier FROM selection WHERE code = 'RB-9'`,
    )!;
    must(installation, 'supplier.prices', {
      supplier,
      lines: [{ code: 'RB-9', name: 'Sheet rubber', unit: 'm²', unitPrice: 3650, leadLow: 10, leadHigh: 20 }],
    });
    // What somebody wrote down of it comes first; here nobody has.
    installation.db.prepare('UPDATE selection SET unit_price = NULL WHERE id = ?').run(chosen);
    const line = () =>
      purchasingView(readJob(installation, tannery), true)
        .toOrder.flatMap(({ lines }) => lines)
        .find(({ selection }) => selection === chosen);
    expect(line()).toMatchObject({ code: 'RB-9', quantity: 48, unitPrice: 3650, perPack: null });
    const before = newId();
    must(installation, 'purchase-order.add', {
      ...{ id: before, job: dairy, supplier: 'Tidewood Floors' },
      lines: [{ id: newId(), code: 'RB-9', text: 'Sheet rubber', quantity: 10, unit: 'm²', perPack: 12 }],
    });
    expect(line()).toMatchObject({ perPack: 12 });
    expect(viewOf(installation, id).order.number).toBe(2);
  });

  it('comes again where the supplier cannot deliver it', () => {
    const { installation, id } = sentOrder();
    const windows = viewOf(installation, id).lines[0]?.selection ?? '';
    must(installation, 'supplier.say', { selection: windows, says: 'cannot', text: 'no timber' });
    expect(viewOf(installation, id).lines[0]).toMatchObject({
      toCome: 0,
      mismatches: ['the supplier cannot deliver it: choose again, and order that'],
    });
    expect(purchasingView(readJob(installation, dairy), true).toOrder[0]?.lines[0]?.selection).toBe(windows);
    const again = newId();
    const [line] = order(installation).lines;
    must(installation, 'purchase-order.add', {
      ...{ id: again, job: dairy, supplier: 'Quayside Boards' },
      lines: [{ ...line!, id: newId(), selection: windows }],
    });
    must(installation, 'purchase-order.send', { id: again, version: 1, day: TODAY });
    expect(viewOf(installation, again).lines[0]).toMatchObject({ toCome: 4, mismatches: [] });
  });
});

describe('an order that went out', () => {
  it('counts what comes in parts, wherever that is said, and what is wrong or missing of it', () => {
    const { installation, id } = sentOrder();
    expect(linesOf(installation, id)[1]).toMatchObject({ ordered: 60, toCome: 60 });
    move(installation, id, 'came', 3, 60);
    expect(linesOf(installation, id)).toEqual([
      { ordered: 4, came: 3, wentBack: 0, billed: 0, toCome: 1, mismatches: [] },
      { ordered: 60, came: 60, wentBack: 0, billed: 0, toCome: 0, mismatches: [] },
    ]);
    // The last one comes by the page of the thing itself, and one of the first three is found broken.
    const rest = queryOne<{ id: string; version: number }>(
      installation.db,
      `SELECT id, version FROM selection WHERE follows_as = 'rest' AND order_number = 'PO 2'`,
    )!;
    must(installation, 'selection.step', { ...rest, to: 'on site', day: TODAY });
    const windows = viewOf(installation, id).lines[0]?.selection ?? '';
    const { version } = queryOne<{ version: number }>(
      installation.db,
      'SELECT version FROM selection WHERE id = @windows',
      {
        windows,
      },
    )!;
    must(installation, 'selection.check', {
      id: windows,
      version,
      verdict: 'damaged',
      quantity: 1,
      text: 'pane cracked',
    });
    expect(linesOf(installation, id)[0]).toMatchObject({ came: 4, wentBack: 0, toCome: 0, mismatches: [] });
    bill(installation, id, { lines: [{ line: first, quantity: 4, amount: 248_000 }] });
    move(installation, id, 'went back', 1);
    expect(linesOf(installation, id)[0]).toMatchObject({
      wentBack: 1,
      mismatches: ['1 window sent back, no credit yet'],
    });
    expect(
      queryOne(installation.db, `SELECT state FROM spare WHERE kind = 'wrong part' AND job = @dairy`, { dairy }),
    ).toEqual({ state: 'gone' });
    bill(installation, id, { kind: 'credit', number: 'C-1', lines: [{ line: first, quantity: 1, amount: 62_000 }] });
    expect(linesOf(installation, id)[0]).toMatchObject({ billed: 3, mismatches: [] });
  });

  it('is on order and then spent on Money, once, with its deposit and its carriage', () => {
    const { installation, id } = sentOrder({ carriage: 5000 });
    const material = () => moneyView(readJob(installation, dairy)).costs.material;
    const before = material();
    // Windows 4 × 620, straps 3 packs at 9, carriage 50.
    expect(before).toMatchObject({ ordered: 248_000 + 2700 + 5000, spent: 0 });
    bill(installation, id, { kind: 'deposit', number: '', other: 40_000 });
    expect(material()).toMatchObject({ ordered: before.ordered - 40_000, spent: 40_000 });
    move(installation, id, 'came', 4, 60);
    bill(installation, id, {
      lines: [
        { line: first, quantity: 4, amount: 248_000 },
        { line: second, quantity: 60, amount: 2700 },
      ],
      other: 5000,
      lessDeposit: 40_000,
    });
    expect(material()).toMatchObject({ ordered: 0, spent: before.ordered, expected: before.expected });
    expect(viewOf(installation, id)).toMatchObject({ billed: before.ordered, toPay: 0, depositLeft: 0 });
    const [entry] = viewOf(installation, id).bills;
    must(installation, 'line.remove', { of: 'purchase-bill', id: entry?.id ?? '' });
    expect(material().spent).toBe(before.ordered - 40_000);
  });

  it('lets go of what never came: it is to be ordered anew, as one thing, however it was split', () => {
    const chosen = ({ db }: Installation) =>
      queryAll<{ state: string; quantity: number }>(
        db,
        `SELECT state, quantity FROM selection WHERE job = @dairy AND category = 'Workshop windows' AND removed = 0`,
        { dairy },
      );
    const toOrder = (installation: Installation) =>
      purchasingView(readJob(installation, dairy), true).toOrder.flatMap(({ lines }) =>
        lines.filter(({ selection }) => selection !== null).map(({ quantity }) => quantity),
      );
    const ended = sentOrder();
    move(ended.installation, ended.id, 'came', 3);
    must(ended.installation, 'purchase-order.end', { id: ended.id, version: 2 });
    expect(chosen(ended.installation)).toEqual([
      { state: 'on site', quantity: 3 },
      { state: 'chosen', quantity: 1 },
    ]);
    expect(toOrder(ended.installation)).toEqual([1]);
    expect(linesOf(ended.installation, ended.id)[0]).toMatchObject({ came: 3, toCome: 0, mismatches: [] });

    const cancelled = sentOrder();
    const windows = viewOf(cancelled.installation, cancelled.id).lines[0]?.selection ?? '';
    must(cancelled.installation, 'supplier.say', {
      ...{ selection: windows, says: 'ships part', quantity: 1, day: '2027-04-01', text: '' },
    });
    expect(chosen(cancelled.installation)).toHaveLength(2);
    must(cancelled.installation, 'purchase-order.cancel', { id: cancelled.id, version: 2 });
    expect(chosen(cancelled.installation)).toEqual([{ state: 'chosen', quantity: 4 }]);
    expect(toOrder(cancelled.installation)).toEqual([4]);
  });

  it('says that more is planned than was ordered once the drawing asks for more', () => {
    const installation = demoHouse();
    const order = demoId('tannery', 'purchase-order', '0');
    const tiles = () => purchaseOrderView(readJob(installation, tannery), order, true).lines[0];
    expect(tiles()).toMatchObject({
      planned: 115,
      ordered: 150,
      mismatches: ['50 tiles billed but not delivered'],
    });
    const kept = demoId('tannery', 'calculation', '1');
    const { version } = queryOne<{ version: number }>(
      installation.db,
      'SELECT version FROM calculation WHERE id = @kept',
      {
        kept,
      },
    )!;
    must(installation, 'calculation.change', {
      ...{
        id: kept,
        version,
        product: 'White gloss, 100 × 200',
        calculator: 'tiles',
        phase: 'tiling',
        unitPrice: 85,
        fed: {},
      },
      input: { area: 4, tileWidth: 200, tileHeight: 100, joint: 2, waste: 0.12 },
    });
    expect(tiles()?.mismatches).toContain(`${(tiles()?.planned ?? 0) - 150} tiles short of what is planned now`);
  });
});

describe('what cannot be meant', () => {
  it('is refused beside its field: a thing twice, what is not chosen or ordered already, days the wrong way round', () => {
    const installation = demoHouse();
    const { id, lines, ...terms } = order(installation);
    const add = (over: object) => refused(installation, 'purchase-order.add', { id, lines, ...terms, ...over });
    expect(add({ lines: [] })).toMatchObject({ field: 'lines' });
    expect(add({ lines: [lines[0], { ...lines[0], id: newId() }] })).toEqual({ field: 'lines[1].text', code: 'twice' });
    expect(add({ lines: [{ ...lines[1], quantity: -3 }] })).toMatchObject({ field: 'lines[0].quantity' });
    expect(add({ lines: [{ ...lines[1], perPack: undefined }] })).toMatchObject({ field: 'lines[0].pricedBy' });
    expect(add({ deliverOn: '2020-01-01' })).toMatchObject({ field: 'deliverOn' });
    const open = queryOne<{ id: string }>(installation.db, `SELECT id FROM selection WHERE choice = ''`)?.id;
    expect(add({ lines: [{ ...lines[0], selection: open }] }).field).toMatch(/^lines\[0\]\./);
    must(installation, 'purchase-order.add', order(installation));
    expect(add({ id: newId() })).toEqual({ field: 'lines[0].text', code: 'on-another-order' });
    expect(refused(installation, 'purchase-order.send', { id, version: 1, day: '2027-03-10' })).toMatchObject({
      field: 'day',
    });
    expect(
      refused(installation, 'purchase-order.move', {
        id,
        kind: 'came',
        day: TODAY,
        lines: [{ line: first, quantity: 1 }],
      }),
    ).toMatchObject({
      code: 'order-state',
    });
  });

  it('is refused of an order that went out: more back than is here, a bill twice, a deposit that nobody paid', () => {
    const { installation, id } = sentOrder();
    const back = { id, kind: 'went back', day: TODAY, lines: [{ line: second, quantity: 5 }] };
    expect(refused(installation, 'purchase-order.move', back)).toEqual({
      field: 'lines[0].quantity',
      code: 'more-than-here',
    });
    bill(installation, id, { other: 900 });
    const bills = (over: object) =>
      refused(installation, 'purchase-order.bill', {
        ...{ id: newId(), purchaseOrder: id, kind: 'bill', number: 'R-2', day: TODAY, other: 100 },
        ...over,
      });
    expect(bills({ number: 'R-1' })).toEqual({ field: 'number', code: 'billed-already' });
    expect(bills({ lessDeposit: 100 })).toEqual({ field: 'lessDeposit', code: 'no-such-deposit' });
    expect(bills({ other: 0 })).toMatchObject({ field: 'number' });
    expect(bills({ kind: 'credit', lines: [{ line: first, quantity: 1, amount: 5 }] })).toEqual({
      field: 'lines[0].quantity',
      code: 'more-than-billed',
    });
    expect(refused(installation, 'purchase-order.cancel', { id, version: 2 })).toMatchObject({ code: 'came-in-part' });
    move(installation, id, 'came', 1);
    expect(
      refused(installation, 'purchase-line.substitute', { line: first, text: 'X', accepts: 'us', reason: 'Y' }),
    ).toEqual({ field: 'text', code: 'came-in-part' });
  });

  it('waits for approvals: an order goes out before them only with a reason', () => {
    const installation = demoHouse();
    const job = demoId('signal');
    const [glazing] = purchasingView(readJob(installation, job), true).toOrder;
    const [line] = glazing?.lines ?? [];
    expect(line?.waitsFor.length).toBeGreaterThan(0);
    const id = newId();
    must(installation, 'purchase-order.add', {
      ...{ id, job, supplier: glazing?.supplier ?? '' },
      lines: [{ id: newId(), selection: line?.selection ?? '', text: 'Panes', quantity: 8, unit: 'panes' }],
    });
    const send = { id, version: 1, day: TODAY };
    expect(refused(installation, 'purchase-order.send', send)).toEqual({ field: 'despite', code: 'not-granted' });
    must(installation, 'purchase-order.send', { ...send, despite: 'they make them by hand' });
  });
});

describe('an order on paper, as a list and on screen', () => {
  it('says codes, packs, prices, day, place, deposit and what may come instead; the list is read by any program', async () => {
    const { installation } = sentOrder({ carriage: 5000 });
    const csv = String((await jobPaper(installation, dairy, 'purchase-order.csv', { version: 2 })).body).split(/\r?\n/);
    expect(csv[1]).toMatch(/^PO 2,Fathom Timber,W-32,Workshop windows,4,windows,,,620.00,for one,2480.00,,2027-04-01,/);
    expect(csv[2]).toContain('Fixing straps,60,straps,3,20,9.00,for a pack,27.00,Frame anchors');
    const pdf = await jobPaper(installation, dairy, 'purchase-order.pdf', { version: 2 });
    expect(String(pdf.body).slice(0, 5)).toBe('%PDF-');
    await expect(jobPaper(installation, tannery, 'purchase-order.pdf', { version: 2 })).rejects.toThrow();
  });

  it('is counted at the lorry by who may see no price: nothing they are handed holds one', () => {
    const { installation, id } = sentOrder({ carriage: 5000 });
    bill(installation, id, { kind: 'deposit', number: '', other: 40_000 });
    const draft = newId();
    must(installation, 'purchase-order.add', {
      ...{ id: draft, job: dairy, supplier: 'Quayside Boards' },
      lines: [{ id: newId(), text: 'Nails', quantity: 1, unit: 'boxes', unitPrice: 61_111 }],
    });
    const job = readJob(installation, dairy);
    const [list, page] = [purchasingView(job, false), purchaseOrderView(job, id, false)];
    for (const sum of ['62000', '248000', '900', '2700', '5000', '40000', '61111', '253'])
      expect(JSON.stringify([list, page])).not.toMatch(new RegExp(`:${sum}`));
    expect(list.orders.map(({ number }) => number)).toEqual([2]);
    expect(() => purchaseOrderView(job, draft, false)).toThrow();
    const seen = read(<PurchaseOrder view={page} />);
    expect(seen).toMatch(/Workshop windows .* 4 windows 0/);
    expect(seen).toContain('It came');
    expect(seen).not.toMatch(/Price|Billed|Cancel the order|PDF/);
  });

  it('is found by the number that its supplier quotes', () => {
    const { installation, id } = sentOrder();
    expect(findable(readFirm(installation))).toContainEqual({
      label: 'PO 2, Fathom Timber, Old Dairy',
      kind: 'order',
      path: `/jobs/${dairy}/selections/orders/${id}`,
    });
  });

  it('shows the worst of a job where it cannot be missed, and what each line came to', () => {
    const installation = demoHouse();
    const inEuro = (page: React.ReactElement) => read(<MoneyIn currency={currencyOf('EUR')}>{page}</MoneyIn>);
    const list = inEuro(<Purchasing view={purchasingView(readJob(installation, tannery), true)} />);
    expect(list).toMatch(/1 order went out, €191\.10 before tax/);
    expect(list).toMatch(
      /PO 1, Shardwell Tile White gloss, 100 × 200 and Tile adhesive, bags of 25 kg 1 thing to look into/,
    );
    const page = inEuro(
      <PurchaseOrder
        view={purchaseOrderView(readJob(installation, tannery), demoId('tannery', 'purchase-order', '0'), true)}
      />,
    );
    expect(page).toMatch(/Wanted Mon 8 Mar; into Stair; taken in by Tobin/);
    expect(page).toMatch(/50 tiles billed but not delivered\. 150 tiles 3 × 50 100 150 €42\.50 a pack €127\.50/);
    expect(page).toMatch(/Bill S-2207, Mon 8 Mar White gloss, .* carriage and other €191\.10/);
  });
});
