/** Lines that are no goods wherever they stand: rules between header and rows, units and demands below the header. */
import { foldLetters } from '../../text/letters';

/** A rule of a table written in signs: "---", ":---:", "=====". */
export const isRule = (row: readonly string[]): boolean => {
  const filled = row.map((cell) => cell.trim()).filter(Boolean);
  return filled.length > 0 && filled.every((cell) => /^:?[-=_–—*]{2,}:?$|^[-=_–—]$/.test(cell));
};

/** What stands below headers to say what their cells are in, or whether they have to be filled; common practice. */
const NOTES = new Set(
  `g gr gram grams kg oz lb lbs mm cm m in inch inches ft ml cl l eur euro euros gbp usd chf sek dkk nok pln % pcs pieces pc units stk stuck number no text integer decimal date url
  list choice dropdown picklist text freetext code value values fromlist
  required optional mandatory recommended pflicht pflichtfeld obligatoire optionnel facultatif obligatorio opcional obbligatorio facoltativo verplicht optioneel yes/no y/n
  incl.vat excl.vat inclvat exclvat ttc ht netto brutto net gross`.split(/\s+/),
);

/** Whether a line below a header says of each column what its cells are in: "g", "EUR", "required", "(from the list)". */
export const isNotesLine = (row: readonly string[]): boolean => {
  const filled = row.map((cell) => cell.trim()).filter(Boolean);
  const areAside = filled.length > 1 && filled.every((cell) => /^(?:\(.*\)|\[.*\]|<.*>)$/.test(cell));
  return filled.length > 0 && (areAside || filled.every(isNote));
};

function isNote(cell: string): boolean {
  const bare = foldLetters(cell)
    .replace(/[()[\]*]/g, '')
    .replaceAll(' ', '');
  return (
    NOTES.has(bare) ||
    /^[€£$¥]$/.test(bare) ||
    /^(?:max\.?|upto)?\d+(?:characters|chars|zeichen|signs|digits|ziffern)$/.test(bare)
  );
}
