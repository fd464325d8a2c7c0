/** What stands beside the open family: its pieces, facts of its pictures, what of it is live, and what channels know of its numbers. */
import { shallowRef } from 'vue';
import type { KnownNumbers } from '@loom-kin/core/listing';
import type { PictureFacts } from '@loom-kin/core/pictures';
import type { FamilyDetail, LiveListingRow, Unconfirmed } from '@loom-kin/contract';
import { api, call } from '../api/api';
import { latest } from '../api/latest';
import type { Count } from './pending';
import { afterCounts, type Pieces } from './pieces';

export function createBeside() {
  const stock = shallowRef<Pieces['stock']>({});
  const stockAt = shallowRef<Pieces['stockAt']>({});
  const pictures = shallowRef<Record<string, PictureFacts>>({});
  const live = shallowRef<LiveListingRow[]>([]);
  const unconfirmed = shallowRef<Unconfirmed[]>([]);
  /** Account → what its channel knows of the family's numbers. */
  const known = shallowRef<Record<string, KnownNumbers>>({});
  const askChannels = latest();

  function putPieces(pieces: Pieces): void {
    stock.value = pieces.stock;
    stockAt.value = pieces.stockAt;
  }
  function putChannels(detail: FamilyDetail): void {
    live.value = detail.live;
    unconfirmed.value = detail.unconfirmed;
    known.value = detail.known;
  }
  function addFacts(facts: readonly PictureFacts[]): void {
    pictures.value = { ...pictures.value, ...Object.fromEntries(facts.map((one) => [one.id, one])) };
  }

  return {
    stock,
    stockAt,
    pictures,
    live,
    unconfirmed,
    known,
    addFacts,
    /** Takes over what the server told; `counts` wait to be stored. */
    takeBeside(detail: FamilyDetail, counts: readonly Count[]): void {
      putPieces(afterCounts(detail, counts));
      pictures.value = { ...pictures.value, ...detail.pictures };
      putChannels(detail);
    },
    /** Shows counted pieces before they are stored. */
    showCounts: (counts: readonly Count[]): void =>
      putPieces(afterCounts({ stock: stock.value, stockAt: stockAt.value }, counts)),
    /** What is live, or known on channels, may have changed: the family has not. */
    refreshChannels: (id: string, isStillOpen: () => boolean): Promise<void> =>
      askChannels(
        () => call(api.family, { params: { id } }).catch(() => null),
        (detail) => {
          if (detail && isStillOpen()) putChannels(detail);
        },
      ),
  };
}
