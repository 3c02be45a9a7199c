export const celsiusToFahrenheit = (temperatureC: number): number => temperatureC * 1.8 + 32;
export const fahrenheitToCelsius = (temperatureF: number): number => (temperatureF - 32) / 1.8;
