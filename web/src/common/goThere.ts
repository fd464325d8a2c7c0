/** Going to where a figure is edited: the very field, focused and in view. Read from the registry, so that no list of fields is kept for it. */
import { nextTick } from 'vue';
import { useRouter } from 'vue-router';
import { EVERYWHERE, type Field, type Place, type Scope } from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

export interface There {
  /** Field key, or one of `plan`, `pairing`, `setting`, `category`, `categoryMap`, `rulebook`. */
  key: string;
  place: Place;
  account: string;
  scope?: Scope;
  /** Children the grid is to show, where there is no single place. */
  childIds?: readonly string[];
}

/** Words and facts of the whole family have a page of their own; everything else stands in the inspector. */
export const isOnWordsPage = (field: Field, place: Place): boolean =>
  place.level === 'family' && ['identity', 'wording', 'facts'].includes(field.group);

/** Focuses an element when it has come; gives up after a while. */
async function focusOn(id: string, tries = 40): Promise<void> {
  await nextTick();
  const element = document.getElementById(id);
  if (element) {
    element.closest('details')?.setAttribute('open', '');
    element.scrollIntoView({ block: 'center' });
    (element.matches('input, textarea, select, button')
      ? element
      : element.querySelector<HTMLElement>('input, select, textarea, button')
    )?.focus();
  } else if (tries > 0) requestAnimationFrame(() => void focusOn(id, tries - 1));
}

export function useGoThere(): (there: There) => Promise<void> {
  const router = useRouter();
  const store = useFamily();
  const setup = useSetup();
  return async ({ key, place, account, scope = EVERYWHERE, childIds = [] }) => {
    const params = { id: store.family!.id };
    store.selected = place;
    store.scope = scope;
    if (key === 'setting' || key === 'rulebook' || key === 'categoryMap') {
      const id = { setting: 'account-answers', rulebook: 'account-rules', categoryMap: 'account-categories' }[key];
      await router.push({ name: 'channels', query: { account } });
      return focusOn(id);
    }
    if (key === 'pairing' || key === 'plan') {
      await router.push({ name: 'fit', params: { ...params, account } });
      return focusOn(key === 'pairing' ? 'pairings' : 'plans');
    }
    if (key === 'pictures') {
      await router.push({ name: 'pictures', params });
      return focusOn(trayId(place));
    }
    const field = setup.registry.field(key);
    if (field && isOnWordsPage(field, place)) {
      await router.push({ name: 'words', params });
      return focusOn(`w-${key}`);
    }
    const single = childIds.length === 1 ? childIds[0] : undefined;
    const onChildren = field && !field.levels.includes('family') && place.level === 'family';
    if (onChildren) {
      // A figure of single children: the grid shows those it concerns.
      store.only = childIds.length > 0 ? new Set(childIds) : null;
      store.selected = single ? { level: 'child', childId: single } : place;
      await router.push({ name: 'family', params });
      return focusOn('children-grid');
    }
    await router.push({ name: 'family', params });
    return focusOn(key === 'sku' || key === 'gtin' || key === 'stock' ? 'children-grid' : `i-${key}`);
  };
}

/** The tray of a place on the pictures' page. */
export const trayId = (place: Place): string =>
  place.level === 'family' ? 'tray-family' : `tray-${place.level === 'value' ? place.valueId : place.childId}`;
