/** Amounts of money in words; small, so that pages may load it. */
import type { Money } from '@core/message/params.ts';

const currencySigns: Readonly<Record<string, string>> = {
  EUR: '€',
  GBP: '£',
  USD: '$',
  JPY: '¥',
  INR: '₹',
};
export const currencySign = (currency: string): string => currencySigns[currency] ?? currency;
/** @example moneyText({ amount: 1.2, currency: 'EUR' }) // '1.20 €' */
export const moneyText = ({ amount, currency }: Money): string => `${amount.toFixed(2)} ${currencySign(currency)}`;
