/** What a SKU may look like. */
import { unreadable, type Unreadable } from '../refusal/refusal';

/** Letters, digits and - . _ / , a letter or digit first. */
const FORM = /^[A-Za-z0-9][A-Za-z0-9._/-]*$/;

/** Most characters of a SKU. */
export const SKU_MOST = 40;

/** Reads a SKU as typed; blanks around it do not count. */
export function readSku(text: string, most = SKU_MOST): { ok: true; figure: string } | Unreadable {
  const sku = text.trim();
  if (!FORM.test(sku)) return unreadable('sku.form', { text: sku });
  return sku.length > most ? unreadable('sku.long', { text: sku, most }) : { ok: true, figure: sku };
}
