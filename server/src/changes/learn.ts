/** The registry grows by use: new values of axes, brands, makers and collections are proposed for the next family. */
import { dequal } from 'dequal';
import type { Family } from '@loom-kin/core/family';
import {
  REMEMBERED,
  type RegistryData,
  RegistryDataSchema,
  emptyRegistry,
  learnValues,
  openRegistry,
} from '@loom-kin/core/registry';
import type { TouchedFamily } from './work';
import { readDocument, writeDocument } from '../store/documents';
import type { Store } from '../store/store';

/** Most entries that are kept of what was entered before. */
const MOST = 500;

/** Learns from families that were changed. It is no change of its own: taking a change back unlearns nothing. */
export function learnFrom(store: Store, touched: readonly TouchedFamily[]): void {
  // Most changes say nothing new, and the registry is large.
  if (!touched.some(hasNewWords)) return;
  const before = readDocument(store.database, RegistryDataSchema, 'registry') ?? emptyRegistry();
  let data = before;
  for (const one of touched) {
    if (one.before?.axes !== one.now.axes) data = learnValues(openRegistry(data), valuesOf(one.now));
    data = rememberFigures(data, one);
  }
  if (data === before || dequal(data, before)) return;
  writeDocument(store.database, 'registry', '', data);
  store.forgetCatalogue();
}

const hasNewWords = ({ before, now }: TouchedFamily): boolean =>
  before?.axes !== now.axes || REMEMBERED.some((key) => !dequal(now.fields[key], before?.fields[key]));

const valuesOf = (family: Family) =>
  family.axes.flatMap((axis) => axis.values.map((value) => ({ role: axis.role, value })));

function rememberFigures(data: RegistryData, { before, now }: TouchedFamily): RegistryData {
  let next = data;
  for (const key of REMEMBERED) {
    const figure = now.fields[key];
    if (figure === undefined || dequal(figure, before?.fields[key])) continue;
    const fresh = [figure]
      .flat()
      .map(String)
      .filter((label) => label !== '' && label.length <= 80 && !next.remembered[key].includes(label));
    if (fresh.length > 0)
      next = { ...next, remembered: { ...next.remembered, [key]: [...fresh, ...next.remembered[key]].slice(0, MOST) } };
  }
  return next;
}
