/** Keeping the focus in a sheet while it is open: Tab goes round in it, Esc closes it, and closed it gives the focus back. */
import { nextTick, onMounted, onUnmounted, type Ref } from 'vue';

const FOCUSABLE = 'button, input, select, textarea, a[href], [tabindex="0"]';

/** @returns the listener for keys of the sheet */
export function useFocusWithin(root: Ref<HTMLElement | undefined>, close: () => void): (event: KeyboardEvent) => void {
  const before = document.activeElement as HTMLElement | null;
  const all = () =>
    [...(root.value?.querySelectorAll<HTMLElement>(FOCUSABLE) ?? [])].filter(
      (one) => !one.hasAttribute('disabled') && one.tabIndex >= 0,
    );
  onMounted(async () => {
    await nextTick();
    (root.value?.querySelector<HTMLElement>('[data-first]') ?? all()[0] ?? root.value)?.focus();
  });
  onUnmounted(
    () =>
      void nextTick(() => {
        if (document.activeElement === document.body) before?.focus({ preventScroll: true });
      }),
  );
  return (event) => {
    if (event.key === 'Escape') {
      event.stopPropagation();
      event.preventDefault();
      return close();
    }
    if (event.key !== 'Tab') return;
    const stops = all();
    const edge = event.shiftKey ? stops[0] : stops.at(-1);
    if (document.activeElement !== edge) return;
    event.preventDefault();
    (event.shiftKey ? stops.at(-1) : stops[0])?.focus();
  };
}
