/** Short codes of values, as SKUs hold them. */

/**
 * Short codes for labels, no two alike: initials or first letters, at most `length` characters, then numbered.
 * @param used codes already taken on the axis.
 */
export function shortCodes(labels: readonly string[], used: Iterable<string> = [], length = 3): string[] {
  const taken = new Set(used);
  return labels.map((label) => {
    const candidates = codeCandidates(label, length);
    let code = candidates.find((one) => !taken.has(one));
    for (let n = 2; code === undefined; n++) {
      const numbered = (candidates[0] ?? 'V').slice(0, Math.max(1, length - String(n).length)) + n;
      if (!taken.has(numbered)) code = numbered;
    }
    taken.add(code);
    return code;
  });
}

function codeCandidates(label: string, length: number): string[] {
  const words = label
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .filter(Boolean);
  const whole = words.join('');
  if (whole === '') return [];
  // Sizes and numbers are their own best code.
  if (whole.length <= 4 && /^(\d|X|S$|M$|L$)/.test(whole)) return [whole];
  if (/^\d/.test(whole)) return [whole.slice(0, 6)];
  const consonants = whole[0] + whole.slice(1).replace(/[AEIOU]/g, '');
  const initials =
    words.length > 1
      ? words.map((word, at) => (at === 0 ? word.slice(0, length - words.length + 1 || 1) : word[0])).join('')
      : '';
  return [
    initials.slice(0, length),
    whole.slice(0, length),
    consonants.slice(0, length),
    whole.slice(0, 2) + whole.at(-1),
  ].filter((one) => one.length > 0);
}
