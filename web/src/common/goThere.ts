/** Going to where a figure is edited: the very field, focused and in view, in the scope it is about. */
import { nextTick } from 'vue';
import { useRouter } from 'vue-router';
import { EVERYWHERE, type Scope } from '@loom-kin/core/family';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { leadsTo, type There } from './leadsTo';

/** Focuses the first of some elements that has come; gives up after a while. */
async function focusOn(ids: readonly string[], tries = 40): Promise<void> {
  await nextTick();
  const element = ids.map((id) => document.getElementById(id)).find((one) => one !== null);
  if (element) {
    element.closest('details')?.setAttribute('open', '');
    element.scrollIntoView({ block: 'center' });
    const entry = element.matches('input, textarea, select, button, [tabindex="0"]')
      ? element
      : element.querySelector<HTMLElement>('input, select, textarea, button');
    // A part without an entry, such as a table of rules, is focused itself.
    if (!entry) element.tabIndex = -1;
    (entry ?? element).focus();
  } else if (tries > 0) requestAnimationFrame(() => void focusOn(ids, tries - 1));
}

export function useGoThere(): (there: There & { account: string; scope?: Scope }) => Promise<void> {
  const router = useRouter();
  const store = useFamily();
  const setup = useSetup();
  return async ({ account, scope = EVERYWHERE, ...there }) => {
    const { page, part, focus, selected, only } = leadsTo(setup.registry, there);
    store.scope = scope;
    store.selected = selected;
    if (only) store.only = only.length > 0 ? new Set(only) : null;
    const params = { id: store.family!.id, ...(page === 'fit' ? { account } : {}) };
    if (page === 'setup') await router.push({ name: page });
    else
      await router.push(
        page === 'channels' ? { name: page, query: { account, ...(part ? { part } : {}) } } : { name: page, params },
      );
    const [firstChild] = selected.level === 'child' ? [selected.childId] : (only ?? []);
    if (focus.includes('children-grid') && firstChild) store.aim = { childId: firstChild, columnId: there.key };
    await focusOn(focus);
  };
}
