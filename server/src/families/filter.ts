/** Which families are meant: by words, category, state, finding or route. */
import { and, inArray, sql, type SQL } from 'drizzle-orm';
import { gtin14 } from '@loom-kin/core/identifiers';
import type { FamilyFilter } from '@loom-kin/contract';
import { families } from '../store/schema';
import type { Store } from '../store/store';
import { matchesPhrase } from '../store/searchWords';
import { familiesOnRoute } from './tryConditions';

/** The condition that families which are meant fulfil. */
export function familiesMeant(store: Store, filter: FamilyFilter): SQL {
  const { account, state, finding, category, route } = filter;
  const where: SQL[] = [];
  // Signs that no word has would end the search's own syntax.
  // eslint-disable-next-line no-control-regex
  const words = filter.q.replace(/[\u0000-\u001f]/g, ' ').trim();
  if (words) where.push(matches(words));
  if (category) where.push(inArray(families.category, withBelow(store, category)));
  if (account && state) {
    where.push(
      sql`${families.id} IN (SELECT family_id FROM standings WHERE account = ${account} AND state = ${state})`,
    );
  }
  if (account && finding) {
    const [code = '', key = ''] = finding.split('|');
    where.push(
      sql`${families.id} IN (SELECT family_id FROM findings WHERE account = ${account} AND code = ${code} AND key = ${key})`,
    );
  }
  if (account && route) where.push(among(familiesOnRoute(store, account, route)));
  const retired = filter.retired === 'yes' ? 1 : 0;
  // Whatever else is asked for finds fewer: with a plus the database does not look for it by way of what is not retired.
  where.unshift(where.length > 0 ? sql`+${families.retired} = ${retired}` : sql`${families.retired} = ${retired}`);
  return and(...where)!;
}

/** More ids than a statement takes parameters for: they travel as JSON. */
const among = (ids: readonly string[]): SQL =>
  sql`${families.id} IN (SELECT value FROM json_each(${JSON.stringify(ids)}))`;

const withBelow = ({ catalogue }: Store, category: string): string[] => {
  const { registry } = catalogue();
  const ids = Object.keys(registry.data.categories);
  return [category, ...ids.filter((id) => registry.path(id).some((one) => one.id === category))];
};

/** Three characters and more are found anywhere by trigrams; fewer at the start of a word. */
function matches(words: string): SQL {
  const terms = words.split(/\s+/).slice(0, 6);
  const long = terms.filter((term) => term.length >= 3);
  const short = terms.filter((term) => term.length < 3);
  const found: SQL[] = short.map(
    (term) =>
      sql`(${families.name} LIKE ${`${escapeLike(term)}%`} ESCAPE '!' OR ${families.name} LIKE ${`% ${escapeLike(term)}%`} ESCAPE '!' OR ${families.styleCode} LIKE ${`${escapeLike(term)}%`} ESCAPE '!')`,
  );
  if (long.length > 0) {
    const phrase = long.map((term) => `"${term.replaceAll('"', '""')}"`).join(' ');
    found.push(matchesPhrase(phrase));
  }
  // A GTIN is found in whatever form it is kept.
  if (/^\d{8,14}$/.test(words))
    return sql`(${and(...found)} OR ${families.id} IN (SELECT family_id FROM identifiers WHERE kind = 'gtin' AND value = ${gtin14(words)}))`;
  return and(...found)!;
}

const escapeLike = (text: string) => text.replace(/[!%_]/g, '!$&');
