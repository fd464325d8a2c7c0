/** A keystroke until it is shown, and the first view, in the real page. */
import { makeChange } from '@loom-kin/contract';
import { launchBrowser } from '../../e2e/browser/launch';
import { startWorld } from '../../e2e/world';
import { spread, type Figure } from './measure';

export async function browserFigures(): Promise<Figure[]> {
  const world = await startWorld();
  const browser = await launchBrowser();
  try {
    const axis = (role: 'colour' | 'size' | 'material', label: string, count: number) => ({
      role,
      label,
      values: Array.from({ length: count }, (_, at) => ({ label: `${label} ${at}` })),
    });
    const made = await makeChange(world.call, [
      {
        on: 'start',
        family: {
          fields: { name: 'Bench coat', styleCode: 'BNC', category: 'outerwear/jackets', price: '100.00' },
          axes: [axis('colour', 'Colour', 4), axis('size', 'Size', 6), axis('material', 'Lining', 4)],
          off: [],
        },
      },
    ]);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const first: number[] = [];
    for (let at = 0; at < 5; at++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const cold = await context.newPage();
      await cold.goto(world.url);
      await cold.waitForSelector('[data-test=family-row]');
      first.push(await cold.evaluate(() => performance.now()));
      await context.close();
    }
    // The loader names functions by a helper that the page does not have.
    await page.addInitScript('globalThis.__name = (named) => named');
    await page.goto(`${world.url}/families/${made.started[0]}`);
    await page.waitForSelector('[data-test=crossing]');
    await page.waitForSelector('revogr-data .rgCell');
    const frame = await page.evaluate(async () => {
      const taken: number[] = [];
      for (let at = 0; at < 40; at++) {
        const began = performance.now();
        await new Promise(requestAnimationFrame);
        taken.push(performance.now() - began);
      }
      return taken;
    });
    // A price typed for the whole family: until every cell of the grid that follows it shows it.
    const keys = await page.evaluate(async () => {
      const input = document.querySelector<HTMLInputElement>('[data-test=set-price]')!;
      const cell = () =>
        [...document.querySelectorAll('revogr-data .rgCell')].some((one) => one.textContent === `${wanted}.00`);
      const taken: number[] = [];
      let wanted = '';
      for (let at = 0; at < 40; at++) {
        wanted = String(200 + at);
        input.focus();
        input.value = wanted;
        input.dispatchEvent(new Event('input', { bubbles: true }));
        const began = performance.now();
        input.blur();
        while (!cell()) await new Promise(requestAnimationFrame);
        taken.push(performance.now() - began);
      }
      return taken;
    });
    const bare = spread(frame);
    const typed = spread(keys.slice(5));
    const view = spread(first);
    const baseline = 'an empty frame';
    return [
      { what: 'an empty frame', ...bare, baseline, ratio: 1, budget: '—' },
      {
        what: `a price typed until shown, 96 children`,
        ...typed,
        baseline,
        ratio: typed.median / bare.median,
        budget: 'the next frame',
      },
      {
        what: 'the first view of a cold page',
        ...view,
        baseline,
        ratio: view.median / bare.median,
        budget: '≤ 1,500 ms',
      },
    ];
  } finally {
    await browser.close();
    await world.end();
  }
}
