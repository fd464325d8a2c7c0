/** Scopes as the page chooses them, with what a reader of that scope looks into. */
import { type Account, accountScopes } from '@loom-kin/core/catalogue';
import { EVERYWHERE, type Scope, type Scopes, placeKey, scopeName } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import type { Field, Registry } from '@loom-kin/core/registry';
import { languageName } from '@loom-kin/core/text';

/** What is looked into where a scope is chosen, the narrowest first. */
export function scopesFor(registry: Registry, accounts: readonly Account[], scope: Scope): Scopes {
  const { kind, name } = scopeName(scope);
  if (kind === 'everywhere') return [];
  const account = accounts.find((one) => one.id === name);
  return kind === 'account' && account ? accountScopes(account, registry.firstLanguage) : [scope];
}

/** A scope as commands name it: none for what holds everywhere. */
export const commandScope = (scope: Scope): Scope | undefined => (scope === EVERYWHERE ? undefined : scope);

/** Whether a field may have a figure in a scope. */
export function mayHold(field: Field, scope: Scope): boolean {
  const { kind } = scopeName(scope);
  if (kind === 'everywhere') return !field.onlyScoped;
  return kind === 'language' ? field.translatable : field.perAccount;
}

/** "everywhere", "in German", "on Quayside". */
export function scopeText(accounts: readonly Account[], scope: Scope): string {
  const { kind, name } = scopeName(scope);
  if (scope === EVERYWHERE) return 'everywhere';
  if (kind === 'language') return `in ${languageName(name)}`;
  return `on ${accounts.find((one) => one.id === name)?.name ?? name}`;
}

/** Whether two places are one. */
export const samePlace = (one: Place, other: Place): boolean => placeKey(one) === placeKey(other);
