'use client';
import { sayPercent } from '@/core/units/format-quantity';
import { setHourRate, setMoney } from '@/contract/commands/money';
import type { Role } from '@/contract/command';
import type { FirmView } from '@/contract/views/firm';
import { TAX_SHOWN, type TaxShown } from '@/core/money/price';
import { TRADES } from '@/core/sequence/trades';
import { currencyName, useCurrencyOptions } from './currency-options';
import { CommandForm, SelectField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Folded } from '../kit/folded';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { MoneyField, PercentField } from '../kit/measure-fields';
import { Sum } from '../kit/money';
import { Block } from '../kit/page';
import { TRADE_OPTIONS } from '../scope/line-fields';

/** In which money the firm counts, and what it adds. */
export function FirmMoney({
  money,
  role,
  onOpen,
}: {
  money: NonNullable<FirmView['money']>;
  role: Role;
  onOpen: () => void;
}) {
  return (
    <Block
      heading="Money"
      beside={
        role === 'contractor' && (
          <LinkButton className="push" onClick={onOpen}>
            Change<Hidden> the firm’s money</Hidden>
          </LinkButton>
        )
      }
    >
      <Lines>
        <Line>
          {money.currency === '' ? (
            <span className="soon">No currency chosen: sums stand without a sign.</span>
          ) : (
            `${currencyName(money.currency)}, ${money.currency}`
          )}
        </Line>
        <Line>
          Overhead and profit {sayPercent(money.markup)}, tax {sayPercent(money.taxRate)}
        </Line>
        <Line>Clients read prices {TAX_SHOWN[money.taxShown]}</Line>
        {money.tripCost !== null && <Line beside={<Sum of={money.tripCost} />}>A crew comes once more</Line>}
      </Lines>
    </Block>
  );
}

/** What an hour of each trade costs the firm. */
export function HoursRates({ hours, onOpen }: { hours: FirmView['hours']; onOpen: () => void }) {
  return (
    <Block
      heading="What an hour costs"
      beside={
        <LinkButton className="push" onClick={onOpen}>
          Set a rate
        </LinkButton>
      }
    >
      {hours.length === 0 && (
        <p className="soft mt-2">
          Nobody has said. Work is priced by its hours at the rate of its trade, before overhead and tax.
        </p>
      )}
      <Folded of={hours} shown={RATES_SHOWN}>
        {({ trade, perHour }) => (
          <Line key={trade} beside={<Sum of={perHour} />}>
            {TRADES[trade]}
          </Line>
        )}
      </Folded>
    </Block>
  );
}

/** Rates that are shown before one asks for more. */
const RATES_SHOWN = 8;

export function MoneyForm({ view, onDone }: { view: FirmView; onDone: () => void }) {
  const currencies = useCurrencyOptions();
  return (
    <CommandForm kind={setMoney} submit="Save" onDone={onDone} start={() => ({ ...view.money })}>
      <SelectField name="currency" label="Currency" none="choose" options={currencies} />
      <PercentField name="markup" label="Overhead and profit, %" hint="On top of what work and goods cost the firm." />
      <PercentField name="taxRate" label="Tax, %" hint="On both. Whether it applies is the tax office’s to say." />
      <SelectField
        name="taxShown"
        label="Clients read prices"
        options={(Object.keys(TAX_SHOWN) as TaxShown[]).map((key) => [key, TAX_SHOWN[key]])}
      />
      <MoneyField
        name="tripCost"
        label="A crew that comes once more costs"
        hint="The way there and back and setting up; it counts where answers to a slip are compared."
      />
    </CommandForm>
  );
}

export const HourForm = ({ view, onDone }: { view: FirmView; onDone: () => void }) => (
  <CommandForm
    kind={setHourRate}
    submit="Save"
    onDone={onDone}
    start={() => ({
      trade: TRADE_OPTIONS.find(([trade]) => !view.hours.some((rate) => rate.trade === trade))?.[0] ?? 'carpentry',
      perHour: null,
    })}
  >
    <SelectField name="trade" label="Trade" options={TRADE_OPTIONS} />
    <MoneyField name="perHour" label="An hour costs us" hint="Before overhead and tax; left empty, the rate goes." />
  </CommandForm>
);
