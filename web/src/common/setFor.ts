/** Setting a figure where several children, a value or the family are meant: as typed, as a sum from what each has, or as a surcharge. */
import type { FigureChange } from '@loom-kin/core/change';
import {
  EVERYWHERE,
  type Family,
  type Figure,
  type Scope,
  type Scopes,
  familyIndex,
  figuresIn,
  heldBefore,
  resolve,
} from '@loom-kin/core/family';
import { isSum } from '@loom-kin/core/measure';
import { surchargeKey } from '@loom-kin/core/money';
import type { Place } from '@loom-kin/core/place';
import { unreadableText } from '@loom-kin/core/refusal';
import { type Field, type Registry, readFigure, readTyped } from '@loom-kin/core/registry';
import { commandScope } from './scopes';

export interface SetContext {
  registry: Registry;
  family: Family;
  currency: string;
  scope: Scope;
  /** What is looked into for the scope. */
  scopes: Scopes;
}

export type SetReading = { ok: true; changes: FigureChange[] } | { ok: false; problem: string };

/** Whether a text typed for a field of values is a surcharge that stays: "+4" or "-5 %". */
export function isSurcharge(registry: Registry, field: Field, text: string): boolean {
  return registry.field(surchargeKey(field.key)) !== undefined && /^[+\-−–][^~]*$/.test(text.trim()) && isSum(text);
}

/**
 * The changes that set a text at some places. On values "+4" is a surcharge: what the value had of its own is given back, so that it is added
 * to what holds below.
 */
export function setFor(ground: SetContext, places: readonly Place[], field: Field, text: string): SetReading {
  const changes: FigureChange[] = [];
  for (const place of places) {
    const read = readAt(ground, place, field, text);
    if (!read.ok) return read;
    changes.push(...read.changes);
  }
  return { ok: true, changes };
}

function readAt(ground: SetContext, place: Place, field: Field, text: string): SetReading {
  const { registry, currency, scope } = ground;
  const to = (key: string, figure: Figure | null): FigureChange => ({ place, key, figure, scope: commandScope(scope) });
  if (place.level === 'value' && isSurcharge(registry, field, text)) {
    const surcharge = registry.field(surchargeKey(field.key))!;
    const read = readFigure(registry, surcharge, text);
    if (!read.ok) return { ok: false, problem: unreadableText(read) };
    return { ok: true, changes: [to(surcharge.key, read.figure), to(field.key, null)] };
  }
  const read = readTyped(registry, field, text, { held: heldAt(ground, place, field), currency });
  if (!read.ok) return { ok: false, problem: unreadableText(read) };
  return { ok: true, changes: [to(field.key, read.figure)] };
}

function heldAt({ family, scope, scopes }: SetContext, place: Place, { key }: Field): Figure | undefined {
  if (place.level === 'child') {
    const child = family.children[place.childId];
    return child && resolve(family, child, key, scopes).figure;
  }
  const carrier = place.level === 'value' ? familyIndex(family).valueById.get(place.valueId) : family;
  const own = carrier && figuresIn(carrier, scope ?? EVERYWHERE)[key];
  return own ?? heldBefore(family, place, key, scopes).figure;
}
