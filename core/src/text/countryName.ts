/** A country's name in English, from the runtime's own table; what is no country is called by its letters. */
export function countryName(code: string): string {
  try {
    return new Intl.DisplayNames('en', { type: 'region', fallback: 'code' }).of(code) ?? code;
  } catch {
    return code;
  }
}
