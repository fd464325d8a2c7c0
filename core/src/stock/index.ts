/** Locations, and how many pieces an account is told of. */
export { type Location, MAIN_LOCATION, MOVEMENT_KINDS, type MovementKind, type StockPlaces } from './locations';
export { type StockRule, piecesFor } from './stockRule';
