/** Words that lead from a name to its options. */

/** Say that a colour follows. */
export const BEFORE_COLOUR_NAMES = new Set('colour color farbe couleur colore kleur farve farge'.split(' '));

/** Say that an option follows, or hold one to the name: they go with it. */
export const LINKS = new Set([
  ...BEFORE_COLOUR_NAMES,
  ...'in mit with en de con di size sizes groesse große grosse gr taille talla taglia maat and und et'.split(' '),
]);
