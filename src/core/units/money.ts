import { halfUp } from './rounding';

/**
 * The firm's money. Sums are kept in hundredths of its unit, also where it has none: such a currency only ever holds
 * whole hundreds, so that choosing another one changes no figure.
 */
export interface Currency {
  /** Three letters of ISO 4217; empty where none was chosen. */
  code: string;
  sign: string;
  /** The smallest sum that can be paid, in hundredths. */
  step: 1 | 100;
}

/** Where nobody has chosen one: figures stand without a sign. */
export const NO_CURRENCY: Currency = { code: '', sign: '', step: 1 };

/** Currencies in use that have hundredths or no smaller part; those of thousandths are not offered. Source: ISO 4217. */
export const CURRENCY_CODES: readonly string[] = (
  'AED AFN ALL AMD ANG AOA ARS AUD AWG AZN BAM BBD BDT BIF BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CLP CNY ' +
  'COP CRC CUP CVE CZK DJF DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GNF GTQ GYD HKD HNL HTG HUF IDR ' +
  'ILS INR IRR ISK JMD JPY KES KGS KHR KMF KRW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR ' +
  'MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN PYG QAR RON RSD RUB RWF SAR SBD SCR SDG SEK SGD ' +
  'SHP SLE SOS SRD SSP STN SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH UGX USD UYU UZS VES VND VUV WST XAF XCD XOF ' +
  'XPF YER ZAR ZMW'
).split(' ');
/** Currencies without a smaller part. Source: ISO 4217. */
const WHOLE = new Set('BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX VND VUV XAF XOF XPF'.split(' '));

/** @param code three letters, or null where none was chosen */
export function currencyOf(code: string | null): Currency {
  if (code === null || !CURRENCY_CODES.includes(code)) return NO_CURRENCY;
  const parts = new Intl.NumberFormat('en', { style: 'currency', currency: code, currencyDisplay: 'narrowSymbol' });
  const sign = parts.formatToParts(0).find((part) => part.type === 'currency')?.value ?? code;
  return { code, sign, step: WHOLE.has(code) ? 100 : 1 };
}

/** A sum stays in one line. */
const UNBROKEN = '\u00a0';

/** `€1 240.50`, `CHF 1 240.50`, `¥1 240`; a price of one keeps its hundredths also where sums have none. */
export function formatMoney(minor: number, { sign, step }: Currency): string {
  const whole = Math.trunc(Math.abs(minor) / 100);
  const part = Math.abs(minor) % 100;
  const figures = whole.toString().replace(/\B(?=(\d{3})+$)/g, UNBROKEN);
  const text = step === 100 && part === 0 ? figures : `${figures}.${String(part).padStart(2, '0')}`;
  return `${minor < 0 ? '−' : ''}${sign}${/\p{L}$/u.test(sign) ? UNBROKEN : ''}${text}`;
}

/** The nearest sum that can be paid, half up as invoices are. */
export const roundMoney = (amount: number, { step }: Pick<Currency, 'step'>): number => halfUp(amount / step) * step;
