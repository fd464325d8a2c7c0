/** What leaves as a file: what each is, and how it is called. */
import type { ExportKind } from '@loom-kin/contract';

export const EXPORTS = {
  csv: { name: 'CSV', ending: 'csv', type: 'text/csv; charset=utf-8' },
  xlsx: { name: 'XLSX', ending: 'xlsx', type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' },
  json: { name: 'JSON', ending: 'json', type: 'application/json' },
  jsonld: { name: 'JSON-LD', ending: 'jsonld', type: 'application/ld+json' },
  package: { name: 'a Data Package', ending: 'zip', type: 'application/zip' },
  backup: { name: 'a backup', ending: 'zip', type: 'application/zip' },
} as const satisfies Record<ExportKind | 'backup', { name: string; ending: string; type: string }>;
