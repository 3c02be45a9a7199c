const rule = new Intl.PluralRules('en', { type: 'ordinal' });
const endings: Readonly<Partial<Record<Intl.LDMLPluralRule, string>>> = { one: 'st', two: 'nd', few: 'rd' };

/** 3rd, 13th, 22nd. */
export const ordinal = (n: number): string => `${n}${endings[rule.select(n)] ?? 'th'}`;
