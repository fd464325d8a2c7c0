/** Pictures brought on their page, as a seller does it. */
import type { Page } from 'playwright-core';
import { until } from '../world';

/** Brings a zip and waits until it is said what becomes of its pictures; that text comes back. */
export async function bringZip(page: Page, url: string, zip: string, told: RegExp): Promise<string> {
  await page.goto(`${url}/pictures`);
  await page.locator('[data-test=bring-files]').setInputFiles(zip);
  await page.waitForURL(/\/pictures\/brought\//);
  return until(
    () => page.locator('[data-test=settle-counts]').innerText(),
    (text) => told.test(text),
  );
}
