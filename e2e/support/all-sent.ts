import { expect, type Page } from '@playwright/test';

/** The server has what was pressed: a page that is closed before takes its device, and so its presses, with it. */
export const allSent = (page: Page): Promise<void> =>
  expect(page.locator('header .lucide-cloud-off')).toHaveCount(0);
