/** Families from files, ready for a fit: checked by the very rules of the program, in a category that leads where it should. */
import { type Account, AccountSettingsSchema, usualSettings } from '@loom-kin/core/catalogue';
import { checkFamily } from '@loom-kin/core/change';
import { type Family, type FamilyFile, FamilyFileSchema, type Wish, everyChild } from '@loom-kin/core/family';
import type { FitInput } from '@loom-kin/core/fit';
import { Refusal } from '@loom-kin/core/refusal';
import { type Registry, openRegistry } from '@loom-kin/core/registry';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { BadInput, checkAs } from './input';

export interface FamilyRead {
  family: Family;
  stock: Record<string, number>;
  registry: Registry;
}

/** The category that goods without one of a known registry stand in. */
const GOODS = 'goods';

/** A family of a file. A category that the registry does not know is made known: rules are asked for by the channel's alone. */
export function readFamily(path: string, data: unknown, registry: Registry): FamilyRead {
  const file = checkAs(path, data, FamilyFileSchema);
  const category = typeof file.family.fields.category === 'string' ? file.family.fields.category : GOODS;
  const known = registry.category(category) ? registry : withCategory(registry, category);
  const fields = { ...file.family.fields, category };
  try {
    const family = checkFamily(known, { ...file.family, fields, revision: 1 });
    return { family, stock: stockOf(file, family), registry: known };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    throw new BadInput(`${path} is no family that can be taken: ${error.message}`);
  }
}

/** A registry that knows a category: without one, what the channel asks for is all that is asked. */
export function withCategory({ data }: Registry, id: string): Registry {
  const category = { id, label: id, parent: null, at: 0, axes: [], retired: false };
  return openRegistry({ ...data, categories: { ...data.categories, [id]: category } });
}

function stockOf(file: FamilyFile, family: Family): Record<string, number> {
  if (file.version === 2) return file.stock;
  const bySku = everyChild(family).map((child) => [child.id, file.stock[String(child.fields.sku)] ?? 0] as const);
  return Object.fromEntries(bySku);
}

/** The account that a fit is computed for, as if the seller had set it up; `settings` says what differs. */
export function accountOn(rulebook: Rulebook, registry: Registry, settings: unknown = {}): Account {
  const given = checkAs('--settings', settings, AccountSettingsSchema.partial());
  return {
    id: rulebook.channel,
    channel: rulebook.channel,
    name: rulebook.name,
    at: 0,
    language: registry.firstLanguage,
    settings: { ...usualSettings(), ...given },
  };
}

/** The seller of a fit without one: prices are those of the channel. */
export const sellerOn = (rulebook: Rulebook): FitInput['seller'] => ({
  name: 'The seller',
  currency: rulebook.rules.price.currency,
  taxPercent: '0',
});

/** The family with wishes for an account. */
export const withWish = (family: Family, account: string, wish: Wish | undefined): Family =>
  wish ? { ...family, wishes: { ...family.wishes, [account]: wish } } : family;
