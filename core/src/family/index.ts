/** The family: a parent, its axes, and its children over them, with what each child resolves to. */
export { columnOf } from './column';
export type { ColumnGroup, Surcharge } from './columnShape';
export { hasCombination, sharedPairs } from './combination';
export { carrierAt } from './draft';
export { everyChild, touchedChildren } from './everyChild';
export { type FamilyFile, FamilyFileSchema } from './familyFile';
export { foldLabel } from './foldLabel';
export { hasPlace } from './hasPlace';
export { figureOf, fromPrice, heldBefore, resolve } from './level';
export { placeKey } from './placeKey';
export { type Reach, placesFor } from './placesFor';
export {
  EVERYWHERE,
  type Scope,
  type Scopes,
  accountScope,
  figureIn,
  figuresIn,
  languageScope,
  scopeName,
} from './scope';
export {
  type Axis,
  type Carrier,
  type Child,
  type Family,
  FamilySchema,
  type Figure,
  FiguresSchema,
  NO_WISH,
  ROLES,
  type Role,
  RoleSchema,
  ScopeSchema,
  type Value,
  type Wish,
  WishSchema,
} from './shape';
export { type FamilyIndex, childLabels, combinationLabel, familyIndex, placeLabel } from './weave';
export { freeze } from 'immer';
