/** What a listing says, told by what is meant and not by the channel's names for it. */
import type { Fit } from '@loom-kin/core/fit';
import type { Listing } from '@loom-kin/core/listing';
import { plainText } from '@loom-kin/core/wording';

export interface ListingWords {
  name: string;
  brand: string;
  text: string;
  points: string[];
  /** Label and figure of everything else it says once. */
  facts: [label: string, figure: string][];
  searchTitle: string;
  searchText: string;
}

/** As much of a title and of a text as search results commonly show (common practice). */
const SHOWN = { title: 60, text: 155 };
const TOLD = ['name', 'brand', 'description', 'highlights', 'searchTitle', 'searchDescription', 'searchWords'];

export function listingWords(listing: Listing | undefined, fit: Fit): ListingWords {
  const checks = fit.category?.fieldChecks ?? [];
  const fields = listing?.fields ?? {};
  const said = (key: string) => {
    const rule = checks.find((check) => check.rule.key === key)?.rule;
    return rule ? fields[rule.name] : undefined;
  };
  const text = (key: string) => plainText(String(said(key) ?? ''));
  const names = new Set(checks.filter((check) => TOLD.includes(check.rule.key)).map((check) => check.rule.name));
  const facts = Object.entries(fields)
    .filter(([name]) => !names.has(name))
    .map(([name, figure]): [string, string] => [name, shown(figure)]);
  return {
    name: text('name'),
    brand: text('brand'),
    text: text('description'),
    facts,
    points: [said('highlights') ?? []].flat().map(String),
    searchTitle: cut(text('searchTitle') || text('name'), SHOWN.title),
    searchText: cut(text('searchDescription') || text('description'), SHOWN.text),
  };
}

function shown(figure: Listing['fields'][string]): string {
  if (typeof figure === 'boolean') return figure ? 'yes' : 'no';
  return Array.isArray(figure) ? figure.join(', ') : String(figure);
}

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text;
