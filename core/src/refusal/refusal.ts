/**
 * A change that cannot be made, or a file that cannot be taken: a closed code with parameters; its sentence comes
 * from `words`.
 */
import { refusalText, type RefusalCode, type RefusalParams } from './refusalText';
import type { Place } from '../place/place';

/** What a refusal may tell beside its sentence. */
export interface RefusalAbout {
  /** Where, when it is one place; with the field's key when it is one field. */
  place?: (Place & { key?: string }) | undefined;
  /** More for the page that asked, such as the groups of children that would be alike. */
  detail?: unknown;
}

export class Refusal<C extends RefusalCode = RefusalCode> extends Error {
  readonly place: RefusalAbout['place'];
  readonly detail: unknown;

  constructor(
    readonly code: C,
    readonly params: RefusalParams<C>,
    about: RefusalAbout = {},
  ) {
    super(refusalText(code, params));
    this.name = 'Refusal';
    this.place = about.place;
    this.detail = about.detail;
  }
}

/** A reading that did not succeed, as data: what `Refusal` is when it is thrown. */
export interface Unreadable<C extends RefusalCode = RefusalCode> {
  ok: false;
  code: C;
  params: RefusalParams<C>;
}

/** Makes a reading that did not succeed. */
export function unreadable<C extends RefusalCode>(code: C, params: RefusalParams<C>): Unreadable<C> {
  return { ok: false, code, params };
}

/** The sentence of a reading that did not succeed. */
export function unreadableText(reading: Pick<Unreadable, 'code' | 'params'>): string {
  return refusalText(reading.code, reading.params);
}
