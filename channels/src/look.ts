/** Looking at a picture as a channel does: fetched, decoded, measured, a copy kept for the page. */
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { LookAt, Seen } from './goods';

const TRIES = 3;
const PAUSE = 400;

/** What is at an address. Somebody who is slow or cut off is asked again; null when there is nothing to be had. */
async function fetchPatiently(address: string): Promise<Buffer | null> {
  for (let tries = 1; ; tries++) {
    try {
      const answer = await fetch(address, { signal: AbortSignal.timeout(10_000) });
      if (answer.ok) return Buffer.from(await answer.arrayBuffer());
      if (answer.status < 500) return null;
    } catch {
      if (!URL.canParse(address)) return null;
    }
    if (tries === TRIES) return null;
    await new Promise((resume) => setTimeout(resume, PAUSE * tries));
  }
}

/** What was seen at an address, and the small copy shown on buyers' pages. */
export class PictureDesk {
  private readonly seen = new Map<string, { seen: Seen; copy: Buffer }>();

  readonly lookAt: LookAt = async (address) => {
    const known = this.seen.get(address);
    if (known) return known.seen;
    const bytes = await fetchPatiently(address);
    if (!bytes) return null;
    try {
      const picture = sharp(bytes, { limitInputPixels: 60_000_000 });
      const { width = 0, height = 0 } = await picture.metadata();
      const corner = await picture
        .clone()
        .flatten({ background: '#FFFFFF' })
        .resize(32, 32, { fit: 'fill', kernel: 'nearest' })
        .removeAlpha()
        .raw()
        .toBuffer();
      const edge = [0, 31, 31 * 32, 32 * 32 - 1].map((at) => [
        corner[at * 3]!,
        corner[at * 3 + 1]!,
        corner[at * 3 + 2]!,
      ]);
      const white = edge.every((pixel) => pixel.every((part) => part > 240));
      const copy = await picture.clone().resize(560, 560, { fit: 'inside' }).png().toBuffer();
      this.seen.set(address, { seen: { width, height, white }, copy });
      return { width, height, white };
    } catch {
      return null;
    }
  };

  /** The name under which the copy of an address is served. */
  static nameOf(address: string): string {
    return createHash('sha256').update(address).digest('hex').slice(0, 20);
  }

  copyNamed(name: string): Buffer | null {
    for (const [address, { copy }] of this.seen) if (PictureDesk.nameOf(address) === name) return copy;
    return null;
  }
}
