/** What holds for all families: accounts, routes, collections, category maps. */
export {
  type Account,
  AccountSchema,
  type AccountSettings,
  AccountSettingsSchema,
  ApprovalSchema,
  type Seller,
  SellerSchema,
  accountScopes,
  usualSettings,
} from './account';
export { type AccountMoney, taxAtHome } from './accountMoney';
export { type CategoryMap, CategoryMapSchema, mappedCategory } from './categoryMap';
export { type Collection, CollectionsSchema, inItsCollections } from './collections';
export {
  type Comparison,
  type Condition,
  type Conditions,
  ConditionsSchema,
  type Sorted,
  conditionProblem,
  conditionsTest,
  isWritten,
  sortedOf,
} from './conditions';
export { type Route, type Routes, RoutesSchema, destinationOf } from './routes';
