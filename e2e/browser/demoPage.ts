/** A seller's page on a world with the demo seller, for a file of tests: begun before the first of them, gone after the last. */
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll } from 'vitest';
import { startWorld, type World } from '../world';
import { launchBrowser, sellerPage } from './launch';

export interface DemoPage {
  world: World;
  browser: Browser;
  page: Page;
}

/**
 * @param begun hears of the world and its page before the first test
 * @param faults what goes wrong in the page is put there
 */
export function demoPage(begun: (made: DemoPage) => void | Promise<void>, faults: string[] = []): void {
  let world: World | undefined;
  let browser: Browser | undefined;
  beforeAll(async () => {
    world = await startWorld({ demo: true });
    browser = await launchBrowser();
    await begun({ world, browser, page: await sellerPage(browser, faults) });
  }, 300_000);
  afterAll(async () => {
    await browser?.close();
    await world?.end();
  });
}
