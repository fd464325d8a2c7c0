/** Keys of a view: named once, so that they work and can be read. */
import { onMounted, onUnmounted } from 'vue';

type Handler = (event: KeyboardEvent) => void;

/** The name of a pressed key: `Ctrl+z`, `Shift+Enter`, `j`. Command counts as Ctrl. */
export function keyName(event: KeyboardEvent): string {
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const shift =
    event.shiftKey && event.key.length > 1
      ? 'Shift+'
      : event.shiftKey && (event.ctrlKey || event.metaKey)
        ? 'Shift+'
        : '';
  return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${shift}${key}`;
}

/** Whether somebody is typing text, so that letters are letters. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (target instanceof HTMLInputElement && ['checkbox', 'radio', 'button'].includes(target.type)) return false;
  return target !== null && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
}

/**
 * Listens while the component is shown. Keys with Ctrl work while typing as well, unless `quietWhileTyping` names
 * them.
 */
export function useKeys(keys: Record<string, Handler>, options: { quietWhileTyping?: string[] } = {}): void {
  const listen = (event: KeyboardEvent) => {
    const name = keyName(event);
    const handler = keys[name];
    if (!handler || event.defaultPrevented) return;
    // A focused button or link is pressed by Enter itself.
    if (
      /^(Shift\+)?Enter$/.test(name) &&
      /^(BUTTON|A|SUMMARY)$/.test((event.target as HTMLElement | null)?.tagName ?? '')
    )
      return;
    if (isTyping(event) && (!name.startsWith('Ctrl+') || options.quietWhileTyping?.includes(name))) return;
    event.preventDefault();
    handler(event);
  };
  onMounted(() => window.addEventListener('keydown', listen));
  onUnmounted(() => window.removeEventListener('keydown', listen));
}
