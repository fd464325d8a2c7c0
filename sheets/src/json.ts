/** A list in JSON as a table: records, records within records, or rows. */
import { Refusal } from '@loom-kin/core/refusal';
import { checkBounds } from './rowSink';

type Json = null | string | number | boolean | Json[] | { [key: string]: Json };
type JsonRecord = { [key: string]: Json };

/**
 * The rows of a list in JSON. An array of arrays is the table as it is. Of records the keys make the first row; a record that holds
 * further records ("variants") gives a row for each of these, with what it says itself in every one. A list may lie in an object beside
 * other things: the longest array of records is it. Throws a Refusal where there is none.
 */
export function readJsonTable(text: string, fileName: string): string[][] {
  const data = parsed(text.replace(/^\ufeff/, '')) ?? parsedLines(text.replace(/^\ufeff/, ''));
  if (data === undefined) throw new Refusal('sheet.no-json', { file: fileName });
  const list = listIn(data);
  if (!list || list.length === 0) throw new Refusal('sheet.no-list', { file: fileName });
  if (list.every(Array.isArray))
    return bounded(
      list.map((row) => (row as Json[]).map(cellText)),
      fileName,
    );
  const records = list.flatMap((record) => (isRecord(record) ? unfold(record) : []));
  const headers = [...new Set(records.flatMap((record) => Object.keys(record)))];
  // A hundred thousand keys would make as many cells of every record.
  checkBounds(fileName, records.length + 1, headers.length);
  return [headers, ...records.map((record) => headers.map((key) => cellText(record[key] ?? null)))];
}

/** What a text says in JSON; undefined where it is none. */
function parsed(text: string): Json | undefined {
  try {
    return JSON.parse(text) as Json;
  } catch {
    return undefined;
  }
}

/** A record in each line, and nothing around them. */
function parsedLines(text: string): Json[] | undefined {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  if (!lines.every((line) => line.trim().startsWith('{'))) return undefined;
  const records = lines.map(parsed);
  return records.includes(undefined) ? undefined : (records as Json[]);
}

const isRecord = (value: Json | undefined): value is JsonRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isRecords = (value: Json | undefined): value is JsonRecord[] =>
  Array.isArray(value) && value.length > 0 && value.every(isRecord);

/** The list in some data: itself, or the longest one that lies in it at its top. */
function listIn(data: Json): Json[] | null {
  if (Array.isArray(data)) return data;
  if (!isRecord(data)) return null;
  const lists = Object.values(data).filter(
    (value): value is Json[] =>
      isRecords(value) || (Array.isArray(value) && value.length > 0 && value.every(Array.isArray)),
  );
  return lists.sort((a, b) => b.length - a.length)[0] ?? null;
}

/** A record as rows: one, or one for each of the records in it. What a record in it says counts before what is around it. */
function unfold(given: JsonRecord): JsonRecord[] {
  const record = withPairs(given);
  const within = Object.entries(record).filter(([, value]) => isRecords(value));
  const [inner] = within.sort((a, b) => (b[1] as Json[]).length - (a[1] as Json[]).length);
  const own = flat(Object.fromEntries(Object.entries(record).filter(([key]) => key !== inner?.[0])));
  if (!inner) return [own];
  return (inner[1] as JsonRecord[]).map((one) => {
    const mine = flat(withPairs(one));
    const renamed = Object.entries(mine).map(
      ([key, value]) => [key in own && key === 'name' ? `${inner[0]} ${key}` : key, value] as const,
    );
    return { ...own, ...Object.fromEntries(renamed) };
  });
}

const NAMES = ['name', 'key', 'label', 'option', 'attribute'];
const VALUES = ['value', 'val', 'text'];

/** Options as pairs ([{ "name": "Colour", "value": "Navy" }]) as one record of them, and no records of their own. */
function withPairs(record: JsonRecord): JsonRecord {
  return Object.fromEntries(
    Object.entries(record).map(([key, value]) => {
      const pairs = isRecords(value) ? value.map(pairOf) : [null];
      return [key, pairs.includes(null) ? value : Object.fromEntries(pairs as [string, Json][])];
    }),
  );
}

function pairOf(record: JsonRecord): [string, Json] | null {
  const keys = Object.keys(record);
  const [name, value] = [NAMES, VALUES].map((words) => keys.find((key) => words.includes(key.toLowerCase())));
  const isPair = name !== undefined && value !== undefined && keys.length === 2 && typeof record[name] === 'string';
  return isPair && !isRecord(record[value]) ? [record[name] as string, record[value]!] : null;
}

/** Records of figures in a record ("price": { "amount": 9 }) as keys of their own. */
function flat(record: JsonRecord): JsonRecord {
  const entries = Object.entries(record).flatMap(([key, value]): [string, Json][] => {
    if (!isRecord(value)) return [[key, value]];
    const isOptions = /(?:options?|attributes?|variants?|variations?|axes)$/i.test(key);
    return Object.entries(value).map(([inner, one]) => [isOptions ? inner : `${key} ${inner}`, one]);
  });
  return Object.fromEntries(entries);
}

function cellText(value: Json): string {
  if (value === null) return '';
  if (Array.isArray(value)) return value.map(cellText).join('; ');
  if (typeof value === 'object')
    return Object.entries(value)
      .map(([key, one]) => `${key}: ${cellText(one)}`)
      .join('; ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return String(value);
}

function bounded(rows: string[][], fileName: string): string[][] {
  checkBounds(
    fileName,
    rows.length,
    rows.reduce((most, row) => Math.max(most, row.length), 0),
  );
  return rows;
}
