/** Texts: cutting, comparing, counting in words, tables whose keys come from outside. */
export { countryName } from './countryName';
export { capital, children, count, listed } from './counts';
export { languageName } from './languageName';
export { ownOf } from './own';
