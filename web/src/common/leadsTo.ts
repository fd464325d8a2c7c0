/** Where a finding leads: the page and the element there that mends it. Read from the registry, so that no list of fields is kept for it. */
import { placeKey } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import type { Field, Registry } from '@loom-kin/core/registry';

/** What is gone to. */
export interface There {
  /** Field key, or one of `plan`, `pairing`, `setting`, `label`, `categoryMap`, `rulebook`, `fact`, `entries`. */
  key: string;
  place: Place;
  /** Children the grid is to show, where there is no single place. */
  childIds?: readonly string[];
}

export interface Destination {
  /** Name of the route. */
  page: 'channels' | 'setup' | 'fit' | 'pictures' | 'words' | 'family';
  /** The part of the page, where it has several. */
  part?: string;
  /** Ids of elements to focus: the first that is there. */
  focus: readonly string[];
  /** What is selected in weave, grid and inspector. */
  selected: Place;
  /** The children that the grid shows alone. */
  only?: readonly string[];
}

/** Words and facts of the whole family have a page of their own; everything else stands in the inspector. */
export const isOnWordsPage = (field: Field, place: Place): boolean =>
  place.level === 'family' && ['identity', 'wording', 'facts'].includes(field.group);

/** Parts of a family or account that are no fields. */
const PARTS: Record<string, Pick<Destination, 'page' | 'part' | 'focus'>> = {
  setting: { page: 'channels', part: 'setup', focus: ['account-answers'] },
  rulebook: { page: 'channels', part: 'rules', focus: ['account-rules'] },
  categoryMap: { page: 'channels', part: 'categories', focus: ['account-categories'] },
  route: { page: 'channels', part: 'routes', focus: ['account-routes'] },
  pairing: { page: 'fit', focus: ['pairings'] },
  entries: { page: 'fit', focus: ['entries', 'plans'] },
  rate: { page: 'setup', focus: ['rates'] },
  taxCodes: { page: 'setup', focus: ['tax-codes'] },
  stockRule: { page: 'channels', part: 'stock', focus: ['account-stock'] },
  priceRule: { page: 'channels', part: 'money', focus: ['account-money'] },
  fact: { page: 'setup', focus: ['facts'] },
  plan: { page: 'fit', focus: ['plans', 'left-out'] },
};
/** Fields that are typed in the grid, whatever their place. */
const IN_GRID = ['sku', 'gtin', 'stock'];

/** Where a finding, or whatever else is about a field and a place, leads. */
export function leadsTo(registry: Registry, { key, place, childIds = [] }: There): Destination {
  const part = PARTS[key];
  if (part) return { ...part, selected: place };
  if (key === 'pictures') return { page: 'pictures', focus: [trayId(place)], selected: place };
  const field = registry.field(key);
  // What is chosen among things set up once is set up first.
  if (field?.chosenOf && field.choices?.length === 0)
    return { page: 'setup', focus: [field.chosenOf === 'sizeChart' ? 'size-charts' : 'terms'], selected: place };
  if (field && isOnWordsPage(field, place)) return { page: 'words', focus: [`w-${key}`], selected: place };
  const onChildren = field && !field.levels.includes('family') && place.level === 'family';
  if (onChildren) {
    // A figure of single children: the grid shows those it concerns.
    const [single] = childIds;
    const selected: Place = childIds.length === 1 ? { level: 'child', childId: single! } : place;
    return { page: 'family', focus: ['children-grid'], selected, only: childIds };
  }
  return { page: 'family', focus: [IN_GRID.includes(key) ? 'children-grid' : `i-${key}`], selected: place };
}

/** The tray of a place on the pictures' page. */
export const trayId = (place: Place): string => `tray-${placeKey(place)}`;
