/**
 * Scopes: for whom a figure holds. A figure for the account beats one for its language, and that one for everywhere.
 */
import type { Carrier, Figure, Figures } from './shape';

/** The scope of figures that hold for all. */
export const EVERYWHERE = 'everywhere';
/** `everywhere`, `language:de` or `account:fernpost`. */
export type Scope = string;

export const languageScope = (tag: string): Scope => `language:${tag}`;
export const accountScope = (accountId: string): Scope => `account:${accountId}`;

/** Scopes that a reader looks into before `everywhere`, the narrowest first. */
export type Scopes = readonly Scope[];

/** What is looked into for an account that is written in a language. The first language's texts hold everywhere. */
export function scopesOf(account: { id: string; language: string }, firstLanguage: string): Scopes {
  return account.language === firstLanguage
    ? [accountScope(account.id)]
    : [accountScope(account.id), languageScope(account.language)];
}

/** What a scope names: a language's tag or an account's id. */
export function scopeName(scope: Scope): { kind: 'everywhere' | 'language' | 'account'; name: string } {
  const [kind, ...name] = scope.split(':');
  return { kind: kind as 'everywhere' | 'language' | 'account', name: name.join(':') };
}

const NO_FIGURES: Figures = Object.freeze({});

/** The figures of a carrier in one scope. */
export function figuresIn(carrier: Carrier, scope: Scope): Figures {
  return scope === EVERYWHERE ? carrier.fields : (carrier.scoped?.[scope] ?? NO_FIGURES);
}

/** One figure of a carrier in one scope. */
export function figureIn(carrier: Carrier, scope: Scope, key: string): Figure | undefined {
  return scope === EVERYWHERE ? carrier.fields[key] : carrier.scoped?.[scope]?.[key];
}
