/** Digits after the point of a currency (ISO 4217, as the runtime knows it): 2 for EUR, 0 for JPY. */
export const currencyDigits = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2

/** An amount of money as whole minor units. */
export const minorUnits = (amount: number, currency: string): number =>
  Math.round(amount * 10 ** currencyDigits(currency))
