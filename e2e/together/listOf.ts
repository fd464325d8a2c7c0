/** A list of families of six children. */
export function listOf(name: string, families: number): string {
  const rows = ['Style;Name;Colour;Size;SKU;Price;Stock'];
  for (let family = 0; family < families; family++)
    for (const colour of ['Rust', 'Spruce'])
      for (const size of ['S', 'M', 'L'])
        rows.push(
          `${name}${family};${name} coat ${family};${colour};${size};${name}${family}-${colour}-${size};89.00;3`,
        );
  return rows.join('\n');
}
