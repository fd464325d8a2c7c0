/** Texts of goods: markup, compositions, hints. */
export { wordingHints } from './hints';
export { cleanMarkup, markupOf, plainText } from './markup';
export { nameLikeness } from './nameLikeness';
export { sentencesOf } from './sentences';
