/** What the catalogue knows, as far as a list asks for it. */
import type { Family } from '../../family/shape';
import type { IdentifierKind } from '../../identifiers/sameness';
import type { Surroundings } from '../readSheet';

/** A family of the catalogue, with what is around it. */
export interface HeldFamily {
  family: Family;
  stock: Record<string, number>;
  around: Surroundings;
}

/** What the catalogue knows. */
export interface Shelves {
  /** Hears which numbers it will be asked for. */
  expect(kind: IdentifierKind, identities: readonly string[]): void;
  /** Whose a number is. */
  ownerOf(kind: IdentifierKind, identity: string): { familyId: string; childId: string } | undefined;
  /** The one family with a key, a style code, or a name of a brand; undefined where there is none or several. */
  keyed(key: string): string | undefined;
  styled(styleCode: string): string | undefined;
  named(name: string, brand: string): string | undefined;
  load(familyId: string): HeldFamily;
  /** What is around a family that is not there yet. */
  outside: Surroundings;
  newId(): string;
}
