/**
 * How many random cases are tried: as many as shall hold once and again (JOKUL_LONG=1), and enough of them, always the
 * same ones first, wherever all tests run.
 */
export const howMany = (long: number, usual: number): number => (process.env.JOKUL_LONG ? long : usual);
