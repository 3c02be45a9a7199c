import { expect, test } from '@playwright/test';
import { Jokul } from './support/jokul.js';
import { theLine } from './support/line.js';

// Nothing that the line needs stands outside the catalogue of words.
theLine('pseudo');

/** Every text within a value: names of things, which are said as they are. */
const namesIn = (value: unknown): readonly string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(namesIn)
      : [];

test('headings, buttons, labels and columns of every page are in the catalogue, and none is cut', async ({
  page,
}) => {
  const jokul = await Jokul.start();
  try {
    await jokul.setClock('04:10');
    const day = await jokul.api<object>('GET', 'days/2026-11-27');
    const names = [...new Set([...namesIn(await jokul.api('GET', 'bakery')), ...namesIn(day)])]
      .filter((name) => name.length > 1)
      .sort((a, b) => b.length - a.length);
    const outside: string[] = [];
    for (const path of [
      'orders',
      'formula',
      'mix',
      'portion',
      'rest',
      'bake',
      'log',
      'day',
      'week',
      'floor',
      'setup',
    ]) {
      await page.goto(`${jokul.url}/${path}?language=pseudo`);
      await expect(page.locator('h1, h2').first()).toContainText('⟦');
      await page.waitForTimeout(1000);
      const said = await page
        .locator('h1, h2, h3, button, th, label, legend, [role=tab], dt')
        .filter({ visible: true })
        .allInnerTexts();
      const left = said
        // A date is said by the browser's own words for it.
        .map((text) => text.replace(/\b(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?: \d+ [A-Z][a-z]{2})?\b/g, ''))
        .map((text) => names.reduce((rest, name) => rest.replaceAll(name, ''), text))
        // What the core says, and how long something takes.
        .map((text) => text.replace(/‹[^›]*›/g, '').replace(/\d+ (?:min|h|s|d)\b/g, ''))
        // Messages within messages, the innermost first.
        .map((text) => {
          let rest = text;
          while (/⟦[^⟦⟧]*⟧/.test(rest)) rest = rest.replace(/⟦[^⟦⟧]*⟧/g, '');
          return rest;
        })
        .filter((text) => /[A-Za-z]{3}/.test(text));
      for (const text of left) outside.push(`${path}: ${text}`);
      const sideways = await page.evaluate(
        () => document.documentElement.scrollWidth > document.documentElement.clientWidth,
      );
      if (sideways) outside.push(`${path} goes sideways`);
    }
    expect(outside).toEqual([]);
  } finally {
    await jokul.stop();
  }
});
