/** What is done or said for each kind of a union, in a table by the word that tells its kinds apart. */

/** The members of a union that are, or may be, of a kind. */
type Member<Union, Tag extends keyof Union, Kind> = Union extends unknown
  ? Kind extends Union[Tag]
    ? Union
    : never
  : never;

/** Kind → what is done with one of that kind. `Rest` is whatever else is given to each of them. */
export type ByKind<Union, Tag extends keyof Union, Result, Rest extends unknown[] = []> = {
  readonly [Kind in Union[Tag] & string]: (one: Member<Union, Tag, Kind>, ...rest: Rest) => Result;
};

/**
 * Does what a table says for the kind of one member of a union.
 * @param tag the property that tells the kinds apart, such as `code`
 */
export function byKind<Union, Tag extends keyof Union, Result, Rest extends unknown[]>(
  table: ByKind<Union, Tag, Result, Rest>,
  tag: Tag,
  one: Union,
  ...rest: Rest
): Result {
  // The table has an entry for each kind, and each takes members of that kind: the compiler cannot follow that.
  const work = table[one[tag] as Union[Tag] & string] as (one: Union, ...rest: Rest) => Result;
  return work(one, ...rest);
}
