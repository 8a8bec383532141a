'use client';
import { routes } from '@/contract/routes';
import { Link } from '../kit/link';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { addSupplier, changeSupplier, closeSupplier, readPrices, reopenSupplier } from '@/contract/commands/selections';
import type { SuppliersView } from '@/contract/views/selections';
import type { CsvProblem } from '@/core/csv';
import { PRICE_CSV_EXAMPLE, readPriceCsv, type PriceLine } from '@/core/selections/price-csv';
import { formatDay, type Day } from '@/core/units/day';
import { CheckField, CommandForm, TextField } from '../kit/form';
import { CsvEntry } from '../kit/csv-entry';
import { StateIcon } from '../kit/state-icon';
import { Phone } from '../kit/phone';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { BlockHead, Empty, PageHead } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { useIsDemo } from '../shell/demo';
import { LinkButton } from '../kit/link-button';

type Supplier = SuppliersView['suppliers'][number];
type Open = { form: 'new' } | { form: 'change' | 'close' | 'prices'; supplier: Supplier };
const TITLES: Record<Open['form'], string> = {
  new: 'A supplier',
  change: 'Change it',
  close: 'Closed days',
  prices: 'Their list of prices and days',
};

/** From whom things come: their closed days, their lists, what is on order over all jobs and what they said of it. */
export function Suppliers({ view }: { view: SuppliersView }) {
  const [open, setOpen] = useState<Open>();
  const [asked, setAsked] = useState('');
  const close = (): void => setOpen(undefined);
  const shown = view.suppliers.filter((supplier) => supplier.name.toLowerCase().includes(asked.toLowerCase()));
  const orders = view.suppliers.reduce((sum, supplier) => sum + supplier.orders.length, 0);
  return (
    <div className="page">
      <PageHead heading="Suppliers">
        <span className="soft">
          {orders === 0 ? 'nothing is on order' : `${orders} orders on their way, over all jobs`}
        </span>
        <span className="push actions no-print">
          <Form.Control
            size="sm"
            className="mid-field"
            type="search"
            placeholder="Search"
            aria-label="Search suppliers"
            value={asked}
            onChange={(event) => setAsked(event.target.value)}
          />
          <Button onClick={() => setOpen({ form: 'new' })}>Add a supplier</Button>
        </span>
      </PageHead>
      {view.suppliers.length === 0 && (
        <Empty>
          <p className="mb-0">
            No supplier yet. Whoever is named in a selection becomes one; their closed days and their lists then count
            in every date.
          </p>
        </Empty>
      )}
      {shown.map((supplier) => (
        <One key={supplier.id} supplier={supplier} today={view.today} onOpen={setOpen} />
      ))}
      <SidePanel title={open ? TITLES[open.form] : ''} open={open !== undefined} onClose={close}>
        {open?.form === 'new' && (
          <CommandForm
            kind={addSupplier}
            submit="Add"
            onDone={close}
            start={() => ({ id: newId(), name: '', email: '', phone: '', note: '', desk: false })}
          >
            <Fields />
          </CommandForm>
        )}
        {open?.form === 'change' && (
          <CommandForm
            kind={changeSupplier}
            submit="Save"
            onDone={close}
            start={() => ({
              id: open.supplier.id,
              version: open.supplier.version,
              name: open.supplier.name,
              email: open.supplier.email,
              phone: open.supplier.phone,
              note: open.supplier.note,
              desk: open.supplier.desk,
            })}
          >
            <Fields />
          </CommandForm>
        )}
        {open?.form === 'close' && (
          <CommandForm
            kind={closeSupplier}
            submit="Save"
            onDone={close}
            start={() => ({ supplier: open.supplier.id, firstDay: view.today, lastDay: view.today, why: '' })}
          >
            <div className="form-pair">
              <TextField name="firstDay" label="From" type="date" />
              <TextField name="lastDay" label="To" type="date" />
            </div>
            <TextField name="why" label="Why" />
          </CommandForm>
        )}
        {open?.form === 'prices' && <Prices supplier={open.supplier} onDone={close} />}
      </SidePanel>
    </div>
  );
}

function Fields() {
  const isDemo = useIsDemo();
  return (
    <>
      <TextField name="name" label="Name" />
      <TextField name="email" label="E-mail for orders" type="email" />
      <TextField name="phone" label="Telephone" type="tel" />
      <TextField name="note" label="Note" rows={2} />
      {isDemo && <CheckField name="desk" label="The demo plays their answers" />}
    </>
  );
}

function One({ supplier, today, onOpen }: { supplier: Supplier; today: Day; onOpen: (open: Open) => void }) {
  const { give, busy } = useSend();
  return (
    <article className="request">
      <BlockHead heading={supplier.name}>
        <span className="soft small-text">
          {[
            supplier.email,
            supplier.prices > 0 && `${supplier.prices} lines in their list, read ${supplier.pricesRead ?? ''}`,
            supplier.desk && 'the demo plays their answers',
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <Phone number={supplier.phone} />
        <span className="push d-flex gap-3 no-print">
          <LinkButton onClick={() => onOpen({ form: 'prices', supplier })}>
            Read their list<Hidden> of {supplier.name}</Hidden>
          </LinkButton>
          <LinkButton onClick={() => onOpen({ form: 'close', supplier })}>
            Closed days<Hidden> of {supplier.name}</Hidden>
          </LinkButton>
          <LinkButton onClick={() => onOpen({ form: 'change', supplier })}>
            Change<Hidden> {supplier.name}</Hidden>
          </LinkButton>
        </span>
      </BlockHead>
      {supplier.note && <p className="soft mb-1 mt-2">{supplier.note}</p>}
      {supplier.closures.map((closure) => (
        <p key={closure.firstDay} className="small-text mb-0 mt-1">
          Closed {formatDay(closure.firstDay, today)} to {formatDay(closure.lastDay, today)}
          {closure.why ? `: ${closure.why}` : ''}{' '}
          <LinkButton
            className="align-baseline no-print"
            disabled={busy}
            onClick={() =>
              void give(
                reopenSupplier,
                { supplier: supplier.id, firstDay: closure.firstDay },
                {
                  text: 'They are not closed then; every date follows.',
                  back: 'They are closed then.',
                },
              )
            }
          >
            Take out<Hidden> {formatDay(closure.firstDay)}</Hidden>
          </LinkButton>
        </p>
      ))}
      {supplier.orders.length === 0 && <p className="soft small-text mb-0 mt-1">Nothing is on order.</p>}
      <Lines>
        {supplier.orders.map((order) => (
          <Line key={order.id} mark={<StateIcon kind={order.after > 0 ? 'stop' : 'under-way'} silent />}>
            <Link href={routes.selection(order.job, order.id)}>{order.text}</Link>{' '}
            <span className="soft">{order.jobName}</span>
            <div className={`small-text ${order.after > 0 ? 'bad' : 'soft'}`}>
              {order.state}
              {order.expectedOn ? `, comes ${formatDay(order.expectedOn, today)}` : ', no day confirmed'}
              {order.needBy ? `, needed ${formatDay(order.needBy, today)}` : ''}
              {order.after > 0 ? `: ${order.after} ${order.after === 1 ? 'day' : 'days'} late` : ''}
            </div>
            {order.words
              .filter((word) => word.desk || word.text.includes('instead of'))
              .map((word) => (
                <div key={word.id} className="small-text">
                  {word.when}: {word.text}
                </div>
              ))}
          </Line>
        ))}
      </Lines>
    </article>
  );
}

function Prices({ supplier, onDone }: { supplier: Supplier; onDone: () => void }) {
  const { give, busy } = useSend();
  const [read, setRead] = useState<{ lines: PriceLine[]; problems: CsvProblem[] }>({ lines: [], problems: [] });
  return (
    <>
      <p className="soft small-text">
        It takes the place of the list before. What is not ordered yet and has one of these codes follows it, price and
        days.
      </p>
      <CsvEntry
        title={supplier.name}
        what="prices"
        example={PRICE_CSV_EXAMPLE}
        problems={read.problems}
        onText={(text) => setRead(readPriceCsv(text))}
      >
        {read.lines.length > 0 && (
          <Button
            disabled={busy}
            onClick={() =>
              void give(
                readPrices,
                { supplier: supplier.id, lines: read.lines },
                { text: `${read.lines.length} lines were read; every date follows.` },
              ).then((ok) => ok && onDone())
            }
          >
            Take {read.lines.length} {read.lines.length === 1 ? 'line' : 'lines'}
          </Button>
        )}
      </CsvEntry>
    </>
  );
}
