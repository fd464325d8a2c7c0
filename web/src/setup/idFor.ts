/** Ids for what the seller sets up. */

/** Letters of the name in small ones, such as none of those taken is. */
export function idFor(label: string, taken: readonly string[]): string {
  const stem =
    label
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 32)
      .replace(/^-+|-+$/g, '') || 'one';
  let id = stem;
  for (let number = 2; taken.includes(id); number += 1) id = `${stem}-${number}`;
  return id;
}
