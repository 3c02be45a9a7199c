import type { ProductForecast } from '@jokul/contracts';

/** The forecast for one oven. */
export const forecastIn = (forecast: ProductForecast | undefined, ovenId: string | undefined) =>
  forecast?.bakes.find(({ ovenIds }) => ovenId !== undefined && ovenIds.includes(ovenId));
