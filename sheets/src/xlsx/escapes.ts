/** Signs in the cells of XLSX that XML cannot hold. */

/**
 * Signs that XML cannot hold are written as `_x` with four digits and `_`, and a text that looks like one has its
 * first sign written so (ISO/IEC 29500-1, 22.9.2.19, ST_Xstring).
 */
export function escaped(text: string): string {
  return (
    text
      .replace(/_(?=x[0-9A-Fa-f]{4}_)/g, '_x005F_')
      // eslint-disable-next-line no-control-regex
      .replace(/[\x00-\x08\x0b-\x1f\ufffe\uffff]/g, (sign) => `_x${hex(sign)}_`)
  );
}
const hex = (sign: string) => sign.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0');
export const unescaped = (text: string) =>
  text.replace(/_x([0-9A-Fa-f]{4})_/g, (_whole, digits: string) => String.fromCharCode(parseInt(digits, 16)));
