import type { Page } from '@playwright/test';
import type axe from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

type Axe = typeof axe;

const script = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What keeps somebody out of a page as it is now; empty where nothing does. There are no frames, and what
 * passes is not wanted: looking for either would take most of the time.
 * @param only rules by name; those of WCAG 2 A and AA where left out
 */
export const keptOut = async (page: Page, only?: readonly string[]): Promise<readonly string[]> => {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(script);
  return page.evaluate(
    async (rules) => {
      const { axe: checker } = globalThis as unknown as { axe: Axe };
      const { violations } = await checker.run(
        { include: [['html']], exclude: [['.apexcharts-canvas']] },
        {
          resultTypes: ['violations'],
          runOnly: rules
            ? { type: 'rule', values: [...rules] }
            : { type: 'tag', values: ['wcag2a', 'wcag2aa'] },
          preload: false,
        },
      );
      return violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html.slice(0, 120)}`);
    },
    only && [...only],
  );
};
