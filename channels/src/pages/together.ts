/** Goods that are sold only together with others: which, and where on the same channel they are. */
import type { Offer } from '../goods';
import type { Shelf } from '../shelves';
import { titleOf } from './words';

/** Where an item is sold on the channel; without an address where it is not. */
export interface SoldItem {
  title: string;
  address?: string;
}
export type WhereSold = (sku: string) => SoldItem;

/** Looks for items among the live listings of a shelf. A SKU means the same in whatever letters. */
export function whereSoldOn(shelf: Shelf, pages: string): WhereSold {
  const items = new Map(
    Object.values(shelf.held).flatMap(({ goods, draft }) =>
      draft
        ? []
        : goods.offers.map((offer): [string, SoldItem] => [
            offer.sku.toLowerCase(),
            {
              title: [titleOf(goods), ...offer.options].join(', '),
              address: pages + encodeURIComponent(goods.key),
            },
          ]),
    ),
  );
  return (sku) => items.get(sku.toLowerCase()) ?? { title: sku };
}

/** SKUs of the items that an offer is sold with and not alone. */
export function onlyWith({ fields }: Offer): string[] {
  const said = fields['Only with'];
  return Array.isArray(said) ? said : [];
}
