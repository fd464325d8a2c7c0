/** The browser that the pages are tried in: Debian's Chromium, without a monitor and without asking anybody outside. */
import { chromium, type Browser } from 'playwright-core';

export const launchBrowser = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
