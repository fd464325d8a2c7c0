/** Taking families in from files: sheets with a verdict for every row, family files whole. */
import { crossingFor, crossingKey, familyIndex, FamilySchema, gtin14, readSheet, Refusal } from '@loom-kin/core';
import type { FamilyFile, IntakeReport } from '@loom-kin/contract';
import { eq } from 'drizzle-orm';
import { inTransaction, type Database } from '../store/database';
import { families } from '../store/schema';
import { loadFamily, loadStock } from '../families/save';
import { liveOf } from '../fits/fits';
import { readChannel } from '../catalogue/channels';
import { countStock, replaceFamily, run, takeInFamily } from '../changes/run';
import { readCsv } from './csv';
import { readXlsx } from './xlsx';

/** Rows of a file: XLSX by its first bytes, else CSV. */
export async function readTable(bytes: Buffer, fileName: string): Promise<string[][]> {
  const isZip = bytes.subarray(0, 2).toString('latin1') === 'PK';
  if (!isZip && /\.xlsx$/i.test(fileName))
    throw new Refusal(
      'sheet.unreadable',
      `${fileName} is not a whole XLSX file: it is cut off or of another kind. Save it again and bring it back.`,
    );
  return isZip ? readXlsx(bytes, fileName) : readCsv(bytes, fileName);
}

/** Reads a sheet into a family; with `apply` what is good of it is done, as one change and one count of stock. */
export function takeSheet(database: Database, familyId: string, table: string[][], apply: boolean): IntakeReport {
  const before = loadFamily(database, familyId);
  const [headers = [], ...rows] = table;
  const owner = database.$client.prepare(
    'SELECT f.name FROM identifiers i JOIN families f ON f.id = i.family_id WHERE i.kind = ? AND i.value = ? AND i.family_id <> ?',
  );
  const listed = new Map(
    liveOf(database, familyId).flatMap(({ channel, listing }) =>
      listing.offers.map((offer) => [offer.sku, channel] as const),
    ),
  );
  const good = readSheet(before, headers, rows, loadStock(database, familyId), {
    takenElsewhere: (kind, figure) =>
      (
        owner.get(kind, kind === 'sku' ? figure.toUpperCase() : gtin14(figure), familyId) as
          { name: string } | undefined
      )?.name ?? null,
    listedOn: (sku) => (listed.has(sku) ? readChannel(database, listed.get(sku)!).rulebook.name : null),
  });
  if (good.problem) throw new Refusal('sheet.columns', good.problem);
  const report: IntakeReport = {
    familyId,
    applied: false,
    counts: { new: 0, changed: 0, same: 0, refused: 0 },
    rows: good.rows,
    unknownColumns: good.unknownColumns,
  };
  for (const row of good.rows) report.counts[row.verdict] += 1;
  if (!apply) return report;
  inTransaction(database, () => {
    let family = before;
    if (good.commands.length > 0)
      family = run(database, familyId, family.revision, {
        do: 'batch',
        title: 'Take a sheet in',
        commands: good.commands,
      });
    const afterwards = good.afterwards(family);
    if (afterwards.length > 0)
      family = run(database, familyId, family.revision, {
        do: 'batch',
        title: 'Take new children of a sheet in',
        commands: afterwards,
      });
    const counts = good.stock.flatMap(({ labels, pieces }) => {
      const at = crossingFor(family, labels);
      const child = at && familyIndex(family).byCrossing.get(crossingKey(family.axes, at));
      return child ? [{ childId: child.id, pieces }] : [];
    });
    if (counts.length > 0) countStock(database, familyId, `sheet:${familyId}:${family.revision}`, counts);
  });
  return { ...report, applied: true };
}

/** A family as a file. */
export function familyFile(database: Database, id: string): FamilyFile {
  const { revision: _revision, ...family } = loadFamily(database, id);
  const held = loadStock(database, id);
  const stock = Object.fromEntries(
    Object.values(family.children).flatMap((child) =>
      typeof child.fields.sku === 'string' ? [[child.fields.sku, held[child.id] ?? 0]] : [],
    ),
  );
  return { format: 'loom-kin/family', version: 1, family, stock };
}

/** Takes a family file in: a family that is not there is made, one that is there is brought to what the file says. */
export function takeFamilyFile(database: Database, file: FamilyFile): IntakeReport {
  const there = database.select({ id: families.id }).from(families).where(eq(families.id, file.family.id)).get();
  const children = Object.values(file.family.children).filter((child) => child.woven);
  const verdict = (kind: 'new' | 'changed' | 'same'): IntakeReport => ({
    familyId: file.family.id,
    applied: kind !== 'same',
    rows: [],
    unknownColumns: [],
    counts: { new: 0, changed: 0, same: 0, refused: 0, [kind]: children.length },
  });
  return inTransaction(database, () => {
    const before = there ? loadFamily(database, file.family.id) : null;
    const family = before
      ? replaceFamily(database, before, FamilySchema.parse({ ...file.family, revision: before.revision }))
      : takeInFamily(database, FamilySchema.parse({ ...file.family, revision: 1 }));
    const bySku = new Map(Object.values(family.children).map((child) => [child.fields.sku, child.id]));
    const held = loadStock(database, family.id);
    const counts = Object.entries(file.stock).flatMap(([sku, pieces]) => {
      const childId = bySku.get(sku);
      return childId && (held[childId] ?? 0) !== pieces ? [{ childId, pieces }] : [];
    });
    if (counts.length > 0) countStock(database, family.id, `file:${family.id}:${family.revision}`, counts);
    if (!before) return verdict('new');
    return verdict(family === before && counts.length === 0 ? 'same' : 'changed');
  });
}
