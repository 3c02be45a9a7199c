/** A few cents more or less: three digits are what anybody goes by, never fewer than whole cents. */
export const sayMoney = (value: number, currency: string): string =>
  `${value.toFixed(value >= 1 || value === 0 ? 2 : 3)} ${currency}`.trim();
