import { expect, type Page } from '@playwright/test';

/** Opens a page of the application and waits until it says what it is. */
export const openAt = async (page: Page, url: string): Promise<void> => {
  await page.goto(url);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
};

/** Presses the button of that name; a text is the whole name. */
export const press = (page: Page, name: string | RegExp): Promise<void> =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
