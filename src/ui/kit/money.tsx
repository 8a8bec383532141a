'use client';
import { createContext, useCallback, useContext, type ReactNode } from 'react';
import { formatMoney, NO_CURRENCY, type Currency } from '@/core/units/money';

const InMoney = createContext<Currency>(NO_CURRENCY);

/** In which money everything below it is counted. */
export const MoneyIn = ({ currency, children }: { currency: Currency; children: ReactNode }) => (
  <InMoney.Provider value={currency}>{children}</InMoney.Provider>
);

export const useCurrency = (): Currency => useContext(InMoney);

/** Says sums in the firm's money. */
export function useMoney(): (minor: number) => string {
  const currency = useCurrency();
  return useCallback((minor) => formatMoney(minor, currency), [currency]);
}

/** A sum, in figures that stand under one another. */
export const Sum = ({ of, bold }: { of: number; bold?: boolean }) => (
  <span className={`mono${bold ? ' fw-bold' : ''}`}>{useMoney()(of)}</span>
);
