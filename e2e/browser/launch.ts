/** The browser that the pages are tried in: Debian's Chromium, without a monitor and without asking anybody outside. */
import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core';

/** A browser that cannot be closed in peace once anything went wrong inside of a page: nobody may have looked at the message there. */
export async function launchBrowser(): Promise<Browser> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const faults: string[] = [];
  const [newContext, newPage, close] = [browser.newContext, browser.newPage, browser.close].map((one) =>
    one.bind(browser),
  ) as [Browser['newContext'], Browser['newPage'], Browser['close']];
  const watched = (context: BrowserContext) => {
    context.on('weberror', (one) => faults.push(String(one.error().stack ?? one.error())));
    context.on('console', (one) => {
      // What the page says of its own accord; that a request was refused the browser says by itself.
      if (one.type() === 'error' && /^[A-Z]\w*Error\b/.test(one.text())) faults.push(one.text());
    });
    return context;
  };
  browser.newContext = async (options) => watched(await newContext(options));
  browser.newPage = async (options) => {
    const page = await newPage(options);
    watched(page.context());
    return page;
  };
  browser.close = async (options) => {
    await close(options);
    if (faults.length > 0) throw new Error(`Something went wrong in a page: ${[...new Set(faults)].join('\n')}`);
  };
  return browser;
}

/** A page as a seller has it, with the clipboard; what goes wrong in it is put to `faults`. */
export async function sellerPage(browser: Browser, faults: string[] = []): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  const page = await context.newPage();
  page.setDefaultTimeout(30_000);
  page.on('pageerror', (error) => faults.push(error.message));
  return page;
}
