/** Reading a JSON Schema for a form: what kind of entry a part takes, and what a new one begins as. */

/** As much of JSON Schema (2020-12) as rulebooks use. */
export interface Schema {
  type?: string;
  enum?: string[];
  const?: unknown;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  anyOf?: Schema[];
  additionalProperties?: Schema | boolean;
  propertyNames?: { enum?: string[] };
  default?: unknown;
  description?: string;
}

export type Kind = 'yesno' | 'choice' | 'number' | 'text' | 'words' | 'object' | 'rows' | 'record' | 'other';

/** The schema of what a part is when it is anything: one that may be nothing is entered as what it is otherwise. */
export const realOf = (schema: Schema): Schema => schema.anyOf?.find((one) => one.type !== 'null') ?? schema;

/** How a part is entered. */
export function kindOf(part: Schema): Kind {
  const schema = realOf(part);
  if (schema.enum || schema.const !== undefined) return 'choice';
  if (schema.type === 'boolean') return 'yesno';
  if (schema.type === 'integer' || schema.type === 'number') return 'number';
  if (schema.type === 'string') return 'text';
  if (schema.type === 'array') return schema.items?.type === 'string' ? 'words' : 'rows';
  if (schema.properties) return 'object';
  return typeof schema.additionalProperties === 'object' ? 'record' : 'other';
}

/** What a new part begins as: its default, else as little as it can be. */
export function emptyOf(part: Schema | boolean | undefined): unknown {
  if (typeof part !== 'object') return '';
  if (part.default !== undefined) return structuredClone(part.default);
  const schema = realOf(part);
  if (schema.default !== undefined) return structuredClone(schema.default);
  if (schema.const !== undefined) return schema.const;
  const kind = kindOf(schema);
  if (kind === 'object')
    return Object.fromEntries((schema.required ?? []).map((key) => [key, emptyOf(schema.properties![key])]));
  if (kind === 'rows' || kind === 'words') return [];
  if (kind === 'record') return {};
  if (kind === 'number') return 0;
  return kind === 'yesno' ? false : kind === 'choice' ? schema.enum![0] : '';
}

/** `labelAtMost` as "label at most". */
export const placeLabel = (key: string): string => key.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
