/** A seller's hands in a real page: what is pressed and typed is counted as it is done. */
import type { Locator, Page } from 'playwright-core';

export interface Gestures {
  clicks: number;
  /** Letters, figures and signs typed; pasted ones are not. */
  characters: number;
  /** Keys that are no text: Enter, Tab, arrows. */
  keys: number;
  pastes: number;
}

export function handsOn(page: Page) {
  const done: Gestures = { clicks: 0, characters: 0, keys: 0, pastes: 0 };
  const find = (name: string): Locator => page.locator(`[data-test="${name}"]`).first();
  const at = (where: string | Locator): Locator => (typeof where === 'string' ? find(where) : where);
  return {
    done,
    find,
    async click(where: string | Locator): Promise<void> {
      await at(where).click();
      done.clicks += 1;
    },
    /** Types where the focus is. */
    async type(text: string): Promise<void> {
      await page.keyboard.type(text);
      done.characters += text.length;
    },
    async key(name: string, times = 1): Promise<void> {
      for (let nth = 0; nth < times; nth++) await page.keyboard.press(name);
      done.keys += times;
    },
    /** Goes to an entry by a click and types into it. */
    async enter(where: string | Locator, text: string): Promise<void> {
      await this.click(where);
      await this.type(text);
    },
    /** Goes on with Tab until an entry has the focus. */
    async tabTo(name: string, most = 14): Promise<void> {
      for (let nth = 0; nth < most; nth++) {
        await this.key('Tab');
        if (await find(name).evaluate((entry) => entry === document.activeElement)) return;
      }
      throw new Error(`Tab does not lead to ${name}`);
    },
    async paste(text: string): Promise<void> {
      await page.evaluate((pasted) => navigator.clipboard.writeText(pasted), text);
      await page.keyboard.press('Control+v');
      done.pastes += 1;
    },
    /** Chooses of a list: open it, and the entry. */
    async choose(where: string | Locator, label: string): Promise<void> {
      await at(where).selectOption({ label });
      done.clicks += 2;
    },
    /** Drops files: one gesture. */
    async drop(where: Locator, files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> {
      await where.setInputFiles(files);
      done.clicks += 1;
    },
  };
}

export type Hands = ReturnType<typeof handsOn>;
