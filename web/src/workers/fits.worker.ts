/** Computes the fits of a family beside the page, so that typing never waits for them. */
import { expose } from 'comlink';
import { computeFit, type Family, type Fit, type PictureFacts } from '@loom-kin/core';
import type { LiveListingRow, Setup } from '@loom-kin/contract';

export interface FitsTask {
  family: Family;
  stock: Record<string, number>;
  pictures: Record<string, PictureFacts>;
  live: LiveListingRow[];
}

let setup: Setup | null = null;

const fits = {
  /** What holds for every family: sent once, kept here. */
  setUp(given: Setup): void {
    setup = given;
  },
  compute(task: FitsTask): Fit[] {
    if (!setup) return [];
    const { pairings, seller } = setup;
    const family = Object.freeze(task.family);
    return setup.channels.map(({ channel, rulebook, settings }) =>
      computeFit({
        ...task,
        family,
        rulebook,
        settings,
        pairings,
        seller,
        live: task.live.filter((one) => one.channel === channel),
        pictureBase: 'picture:',
      }),
    );
  },
};

export type FitsWorker = typeof fits;
expose(fits);
