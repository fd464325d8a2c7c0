/** Fits at the server: for lists and for sending. The open family's are computed in the browser by the same core. */
import { eq } from 'drizzle-orm';
import { computeFit, type Family, type Fit, type LiveListing, type Pairing, type PictureFacts } from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import { readSeller } from '../catalogue/seller';
import { readChannels, readPairings } from '../catalogue/channels';
import { picturesIn } from '../pictures/takePicture';
import type { Database } from '../store/database';
import { fitStates, listings } from '../store/schema';
import { loadStock } from '../families/save';

/** Pictures travel inside as `picture:` and their id; the address is put in when they are sent. */
export const PICTURE_BASE = 'picture:';

/** What holds for every family: read once, used for many. */
export interface FitWorld {
  channels: Channel[];
  pairings: Pairing[];
  seller: ReturnType<typeof readSeller>;
}

export function fitWorld(database: Database): FitWorld {
  return { channels: readChannels(database), pairings: readPairings(database), seller: readSeller(database) };
}

/** What is live of a family, with the channel. */
export function liveOf(
  database: Database,
  familyId: string,
): (LiveListing & { channel: string; draft: boolean; page: string | null; sentAt: string })[] {
  return database
    .select()
    .from(listings)
    .where(eq(listings.familyId, familyId))
    .all()
    .map(({ channel, key, draft, page, sentAt, listing }) => ({
      channel,
      key,
      draft,
      page,
      sentAt,
      structure: listing.structure,
      listing,
    }));
}

/** The fit of a family to each of the given channels, with the plan in force alone. */
export function fitsOf(database: Database, world: FitWorld, family: Family, only?: readonly string[]): Fit[] {
  const stock = loadStock(database, family.id);
  const live = liveOf(database, family.id);
  const facts: Record<string, PictureFacts> = picturesIn(database, family);
  return world.channels
    .filter((channel) => !only || only.includes(channel.channel))
    .map((channel) =>
      computeFit({
        family,
        stock,
        pictures: facts,
        rulebook: channel.rulebook,
        pairings: world.pairings,
        settings: channel.settings,
        seller: world.seller,
        live: live.filter((one) => one.channel === channel.channel),
        pictureBase: PICTURE_BASE,
        plansWanted: 1,
      }),
    );
}

/** Writes how a family stands with every channel. */
export function refreshFits(database: Database, family: Family, world: FitWorld = fitWorld(database)): void {
  for (const fit of fitsOf(database, world, family)) {
    const count = (severity: string) => fit.findings.filter((finding) => finding.severity === severity).length;
    const row = { state: fit.state, stops: count('stops'), warns: count('warns') };
    database
      .insert(fitStates)
      .values({ familyId: family.id, channel: fit.channel, ...row })
      .onConflictDoUpdate({ target: [fitStates.familyId, fitStates.channel], set: row })
      .run();
  }
}
