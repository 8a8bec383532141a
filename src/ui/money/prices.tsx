'use client';
import { Link } from '../kit/link';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { priceScope, setJobMoney } from '@/contract/commands/money';
import { routes } from '@/contract/routes';
import type { PricedLine, PricesView } from '@/contract/views/money';
import { linePrice, PRICE_WAYS, PRICE_WAY_KEYS, type MissingPrice, type PriceWay } from '@/core/money/line-price';
import { TAX_SHOWN } from '@/core/money/price';
import { figure, sayPercent } from '@/core/units/format-quantity';
import { TRADES } from '@/core/sequence/trades';
import { CommandForm, SelectField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { Means } from '../kit/means';
import { HoursField, MoneyField, PercentField } from '../kit/measure-fields';
import { Sum, useCurrency, useMoney } from '../kit/money';
import { Notice } from '../kit/notice';
import { Block, Empty, FoldedBlock, PageHead } from '../kit/page';
import { Sheet } from '../kit/sheet';
import { SidePanel } from '../kit/side-panel';
import { ScopeTabs } from '../scope/scope-tabs';
import { JobTabs } from '../shell/job-tabs';

/** Areas that stand open before one asks for more. */
const AREAS_OPEN = 4;

/** What an area comes to, and how much of it has no price yet. */
function sumOf({ lines, others }: PricesView['areas'][number], money: (amount: number) => string): string {
  const net = [...lines, ...others].reduce((sum, one) => sum + one.net, 0);
  const without = lines.filter(({ missing }) => missing.length > 0).length;
  return `${money(net)}${without > 0 ? `, ${without} without a price` : ''}`;
}

/** What each line costs, and what the job is sold for. */
export function Prices({ view }: { view: PricesView }) {
  const money = useMoney();
  const [open, setOpen] = useState(false);
  const none = view.areas.length + view.others.length === 0;
  return (
    <>
      <JobTabs job={view.job} />
      <ScopeTabs job={view.job.id} counts={view.counts} />
      <div className="page">
        <PageHead heading={<Means of="word.price">Prices</Means>}>
          <span className="soft">
            {view.price.net === 0 ? 'nothing has a price yet' : `${money(view.client.total)}, everything included`}
            {view.missing > 0 && view.price.net !== 0 ? `; ${view.missing} still without a price` : ''}
          </span>
        </PageHead>
        {view.terms.currency.code === '' && (
          <Notice>
            The firm has no currency yet, so sums stand without a sign.{' '}
            <Link href={routes.settings()}>Choose it in Settings.</Link>
          </Notice>
        )}
        {view.withoutRate.length > 0 && (
          <Notice bad>
            Nobody has said what an hour of {view.withoutRate.map((trade) => TRADES[trade].toLowerCase()).join(', ')}{' '}
            costs; it counts nothing so far. <Link href={routes.settings()}>Say it in Settings.</Link>
          </Notice>
        )}
        <div className="main-and-aside prices-page">
          <div>
            {none && (
              <Empty>
                <p>Nothing to price yet: lines come from the first visit.</p>
                <Link className="btn btn-primary" href={routes.firstVisit(view.job.id)}>
                  To the first visit
                </Link>
              </Empty>
            )}
            {view.areas.map((area, at) => {
              const lines = (
                <>
                  {area.lines.length > 0 && <PriceLines job={view.job.id} place={area.name} lines={area.lines} />}
                  <Others entries={area.others} />
                </>
              );
              return at < AREAS_OPEN ? (
                <Block key={area.id} heading={area.name}>
                  {lines}
                </Block>
              ) : (
                <FoldedBlock key={area.id} heading={area.name} says={sumOf(area, money)}>
                  {lines}
                </FoldedBlock>
              );
            })}
            {view.others.length > 0 && (
              <Block heading="The whole job">
                <Others entries={view.others} />
              </Block>
            )}
          </div>
          <PriceSum view={view} onOpen={() => setOpen(true)} />
        </div>
        <SidePanel title="How prices are made" open={open} onClose={() => setOpen(false)}>
          {open && <TermsForm view={view} onDone={() => setOpen(false)} />}
        </SidePanel>
      </div>
    </>
  );
}

const KINDS = { damage: 'damage allowed for', allowance: 'allowance', option: 'chosen', line: '' } as const;

/** What is priced elsewhere and stands in the sum. */
const Others = ({ entries }: { entries: PricesView['others'] }) => (
  <Lines>
    {entries.map((entry) => (
      <Line key={entry.key} beside={<Sum of={entry.net} />}>
        {entry.text} <span className="small-text soft">{KINDS[entry.kind]}</span>
      </Line>
    ))}
  </Lines>
);

const startOf = ({ id, version, way, unitPrice, hours }: PricedLine) => ({ id, version, way, unitPrice, hours });

/** The lines of one area in a form of their own; it begins anew once another version of a line is there. */
const PriceLines = ({ job, place, lines }: { job: string; place: string; lines: PricedLine[] }) => (
  <CommandForm
    key={lines.map(({ id, version }) => `${id}${version}`).join()}
    kind={priceScope}
    about={place}
    className="price-form"
    submit={
      <button type="submit" className="btn btn-outline-secondary btn-sm">
        Save prices<Hidden> of {place}</Hidden>
      </button>
    }
    start={() => ({ job, lines: lines.map(startOf) })}
  >
    {lines.map((line, index) => (
      <PriceLine key={line.id} line={line} index={index} />
    ))}
  </CommandForm>
);

const MISSING: Record<MissingPrice, string> = {
  price: 'no price',
  quantity: 'no quantity',
  material: 'goods without a price',
  trade: 'whose work it is',
  rate: 'no rate for an hour',
};

/** One line: what it is, how it is priced, what that comes to while it is typed. */
function PriceLine({ line, index }: { line: PricedLine; index: number }) {
  const [money, currency] = [useMoney(), useCurrency()];
  const at = `lines.${index}`;
  const [way, unitPrice, hours] = useWatch({ name: [`${at}.way`, `${at}.unitPrice`, `${at}.hours`] }) as [
    PriceWay | '' | null,
    number | null,
    number | null,
  ];
  const known = (value: number | null | undefined): number | null =>
    typeof value === 'number' && !Number.isNaN(value) ? value : null;
  const price = linePrice({ way: way || null, unitPrice: known(unitPrice), hours: known(hours) }, line, currency);
  const each = line.quantity === null ? '' : ` for one ${line.unit.replace(/s$/, '')}`;
  return (
    <fieldset className="price-line">
      <legend>
        {line.text}
        {line.conditional && <span className="small-text soft"> only if it is found; not in the sum</span>}
        {line.bought !== null && line.bought > 0 && (
          <span className="small-text soft"> goods {money(line.bought)}</span>
        )}
      </legend>
      {line.byOption ? (
        <p className="soft small-text mb-0">paid by the way that is chosen under Options</p>
      ) : (
        <>
          <SelectField
            name={`${at}.way`}
            label="Priced by"
            none="not yet"
            options={PRICE_WAY_KEYS.map((key) => [key, PRICE_WAYS[key]])}
          />
          {way === 'unit' && <MoneyField name={`${at}.unitPrice`} label={`Price${each}`} />}
          {way === 'sum' && <MoneyField name={`${at}.unitPrice`} label="Sum" />}
          {way === 'parts' && <MoneyField name={`${at}.unitPrice`} label={`Material${each}`} />}
          {way === 'parts' && (
            <HoursField
              name={`${at}.hours`}
              label={`Hours${each}${line.perHour === null ? '' : `, at ${money(line.perHour)}`}`}
            />
          )}
          <output className="mono">
            {price.missing.length > 0 ? (
              <span className={`small-text ${way ? 'bad' : 'soon'}`}>
                {price.missing.map((what) => MISSING[what]).join(', ')}
              </span>
            ) : (
              money(price.net)
            )}
            {price.hours > 0 && <span className="d-block small-text soft">{figure(price.hours, 1)} hours</span>}
          </output>
        </>
      )}
    </fieldset>
  );
}

/** What it all comes to, for the firm and for the client. */
function PriceSum({ view, onOpen }: { view: PricesView; onOpen: () => void }) {
  const { price, client, terms } = view;
  return (
    <aside>
      <Sheet>
        <h2 className="mt-0">In all</h2>
        <Lines>
          <Line beside={<Sum of={price.net} />}>What it costs us</Line>
          <Line beside={<Sum of={price.markup} />}>Overhead and profit, {sayPercent(terms.markup)}</Line>
          <Line beside={<Sum of={price.tax} />}>Tax, {sayPercent(terms.taxRate)}</Line>
          <Line beside={<Sum of={client.total} bold />}>
            <span className="fw-bold">The client pays</span>
          </Line>
        </Lines>
        <p className="small-text soft mt-2 mb-2">
          Clients read sums {TAX_SHOWN[terms.taxShown]}. The statement shows{' '}
          {view.pricesShown === 'line'
            ? 'the price of every line'
            : view.pricesShown === 'area'
              ? 'a sum for each room'
              : 'one sum'}
          ; what it costs us and what we add to it stands on no paper.
        </p>
        <LinkButton onClick={onOpen}>Change how prices are made</LinkButton>
      </Sheet>
    </aside>
  );
}

const TermsForm = ({ view, onDone }: { view: PricesView; onDone: () => void }) => (
  <CommandForm
    kind={setJobMoney}
    submit="Save"
    onDone={onDone}
    start={() => ({
      job: view.job.id,
      ...view.own,
      pricesShown: view.pricesShown,
    })}
  >
    <p className="mb-0 soft">Left empty, this job takes what is set in Settings.</p>
    <PercentField name="markup" label="Overhead and profit on this job, %" />
    <PercentField name="taxRate" label="Tax on this job, %" />
    <SelectField
      name="pricesShown"
      label="The statement shows"
      options={[
        ['line', 'the price of every line'],
        ['area', 'a sum for each room'],
        ['total', 'one sum for the job'],
      ]}
    />
    <div className="form-pair">
      <MoneyField
        name="lateCost"
        label="A day late costs"
        hint="What was agreed, or a household elsewhere; by calendar days."
      />
      <MoneyField
        name="siteCost"
        label="A day of site costs"
        hint="What is hired and who is there anyway; by worked days."
      />
    </div>
  </CommandForm>
);
