import { CURRENCY_CODES } from '@/core/units/money';
import { useInBrowser } from '../kit/use-in-browser';

type Options = readonly (readonly [code: string, words: string])[];

/** A currency by its name in English. */
export const currencyName = (code: string): string =>
  new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code;

const BY_CODE: Options = CURRENCY_CODES.map((code) => [code, code]);
const BY_NAME: Options = CURRENCY_CODES.map((code) => [code, `${currencyName(code)} (${code})`] as const).sort(
  ([, one], [, other]) => (one < other ? -1 : 1),
);

/** All currencies to choose from: by name in a browser; the server, which may call one otherwise, says codes alone. */
export const useCurrencyOptions = (): Options => useInBrowser(() => BY_NAME, BY_CODE);
