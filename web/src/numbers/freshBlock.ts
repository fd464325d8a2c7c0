/** A number block as typed: blanks and hyphens in a prefix are how people read it. */
import type { NumberBlockSchema } from '@loom-kin/core/identifiers';
import type { z } from 'zod';

/** What the schema is to read; it says what is wrong. */
export function freshBlock(typed: string, digits: 12 | 13, label = ''): z.input<typeof NumberBlockSchema> {
  const prefix = typed.replace(/[\s-]/g, '');
  return { id: `b${digits}-${prefix}`, label: label.trim() || `Block ${prefix}`, prefix, digits };
}
