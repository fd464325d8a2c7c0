/** The registry: fields, categories, dictionaries, and reading what is typed into them. */
export { RegistryCommandSchema, runRegistryCommand } from './commands';
export { type DressedValue, dressValues, learnValues, suggestWords } from './dictionary';
export { type Field, type FieldGroup, headerOf, isLong, isNumeric } from './field';
export { habitsOf, readFigure, showColumn, showFigure } from './figures';
export { type Registry, openRegistry } from './openRegistry';
export { ROLE_LABELS } from './roles';
export {
  type Category,
  type DictionaryEntry,
  DictionaryEntrySchema,
  FACT_TYPES,
  type Fact,
  FactSchema,
  LEVELS,
  REMEMBERED,
  type RegistryData,
  RegistryDataSchema,
  emptyRegistry,
  isLanguageTag,
} from './shape';
export { type SizeChart, SizeChartSchema, TERM_KINDS, type Term, type TermKind, TermSchema } from './terms';
export { readTyped } from './typed';
