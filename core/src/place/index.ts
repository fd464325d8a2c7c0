/** Where something stands in a family, by ids. */
export { type Place, PlaceSchema } from './place';
