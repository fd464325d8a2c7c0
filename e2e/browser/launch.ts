/** The browser that the pages are tried in: Debian's Chromium, without a monitor and without asking anybody outside. */
import { chromium, type Browser, type Page } from 'playwright-core';

export const launchBrowser = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });

/** A page as a seller has it, with the clipboard; what goes wrong in it is put to `faults`. */
export async function sellerPage(browser: Browser, faults: string[] = []): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  const page = await context.newPage();
  page.setDefaultTimeout(12_000);
  page.on('pageerror', (error) => faults.push(error.message));
  return page;
}
