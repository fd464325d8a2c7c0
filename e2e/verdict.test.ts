/**
 * The product's verdict against the stand-ins', who check by code of their own, on many random families: nothing the
 * product lets go may be refused, and what a stand-in refuses the product must have stopped. Listings travel as they
 * really do: messages as JSON, upload sheets as XLSX or CSV written by one library call and read back by the stand-in.
 */
import { stringify } from 'csv-stringify/sync';
import ExcelJs from 'exceljs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingText } from '@loom-kin/core/descriptions';
import { familyIndex } from '@loom-kin/core/family';
import { computeWithContext, projectListings } from '@loom-kin/core/fit';
import { type Listing, type UploadSheet, listingMessage, uploadSheet } from '@loom-kin/core/listing';
import { type Rulebook, compilePattern, openRulebook, rulesForSheet } from '@loom-kin/core/rulebook';
import { PLAYED } from '../channels/src/checks';
import { judge } from '../channels/src/entries';
import { GoodsSchema, type Goods } from '../channels/src/goods';
import { withEntries } from './anyEntries';
import { anyGoods, build, inputFor, looking, registry, rulebooks } from './anyGoods';
import { rounds } from './howMuch';

/** Families that are tried. */
const RUNS = rounds(120, 480);

const opened = rulebooks.map((rulebook) => openRulebook(rulebook, registry, compilePattern));

async function fileOf({ headers, rows }: UploadSheet, { sheet }: Rulebook): Promise<Buffer> {
  if (sheet.format === 'csv') return Buffer.from(stringify([headers, ...rows]));
  const book = new ExcelJs.Workbook();
  const page = book.addWorksheet('Upload');
  page.addRow(headers);
  rows.forEach((row) => page.addRow(row));
  return Buffer.from(await book.xlsx.writeBuffer());
}

/** The goods as the stand-in gets them. */
async function delivered(rulebook: Rulebook, listing: Listing): Promise<Goods> {
  const message = listingMessage(undefined, listing)!;
  if (rulebook.transport === 'json') return GoodsSchema.parse(JSON.parse(JSON.stringify(listing)));
  const sheet = uploadSheet([message], rulesForSheet(rulebook), rulebook.sheet);
  // A listing without children has no rows where there are none for the family.
  if (sheet.rows.length === 0) return GoodsSchema.parse(listing);
  const [read] = await PLAYED.find((one) => one.id === rulebook.channel)!.readSheet!(await fileOf(sheet, rulebook));
  expect(read!.reasons).toEqual([]);
  if (read!.message.action !== 'list') throw new Error('not a listing');
  return read!.message.listing;
}
describe('the verdict of the product and of the stand-ins', () => {
  it('agree on hundreds of random families', async () => {
    const tally: Record<string, number> = {};
    let underTaken = 0;
    await fc.assert(
      fc.asyncProperty(anyGoods, async (goods) => {
        const built = build(goods);
        const dice = () => goods.seed.next().value as number;
        const lookAt = looking(built.pictures);
        for (const [at, rulebook] of rulebooks.entries()) {
          const played = PLAYED[at]!;
          const { family, known, entries } = played.entries
            ? withEntries(built.family, played.id, dice)
            : { family: built.family, known: {}, entries: new Map() };
          const input = { ...inputFor({ ...built, family }, goods, opened[at]!), known };
          const { fit, context } = computeWithContext(input);
          const listings = context ? projectListings(context) : [];
          const reasons = [];
          for (const listing of listings)
            reasons.push(...(await judge(played, await delivered(rulebook, listing), lookAt, entries)));
          const refused = reasons.length > 0;
          const stops = fit.findings.filter((finding) => finding.severity === 'stops');
          if (fit.state === 'absent') continue;
          const isUnder = listings.some((listing) => listing.offers.some((offer) => offer.entry !== undefined));
          if (isUnder && !refused) underTaken += 1;
          tally[
            `${rulebook.channel} ${fit.state === 'stopped' ? 'stopped' : 'let go'}, ${refused ? 'refused' : 'taken'}`
          ] =
            (tally[
              `${rulebook.channel} ${fit.state === 'stopped' ? 'stopped' : 'let go'}, ${refused ? 'refused' : 'taken'}`
            ] ?? 0) + 1;
          if (fit.state !== 'stopped') {
            expect(reasons).toEqual([]);
            expect(listings.flatMap((listing) => listing.offers.map((offer) => offer.sku)).sort()).toEqual(
              familyIndex(family)
                .woven.map((child) => child.fields.sku)
                .sort(),
            );
          } else if (
            listings.length > 0 &&
            !stops.some((finding) => /^(sku\.missing|price\.missing|field\.differs|plan\.)/.test(finding.code))
          ) {
            // Nor is the product stricter than the channel: what it stops would have been refused.
            expect({ refused, stops: stops.map((finding) => findingText(finding, family)) }).toEqual({
              refused: true,
              stops: stops.map((finding) => findingText(finding, family)),
            });
          }
        }
      }),
      { numRuns: RUNS },
    );
    console.log(JSON.stringify(tally), `${underTaken} with offers under entries taken`);
    expect(underTaken).toBeGreaterThan(RUNS / 40);
    const onEach = (verdict: string) => PLAYED.map(({ id }) => tally[`${id} ${verdict}`] ?? 0);
    expect(Math.max(...onEach('let go, refused'))).toBe(0);
    // The sample has to hold what is taken and what is refused, or it tells nothing; of few families a strict channel may take none.
    expect(onEach('let go, taken').filter(Boolean).length).toBeGreaterThanOrEqual(rounds(4, PLAYED.length));
    expect(Math.min(...onEach('stopped, refused'))).toBeGreaterThan(3);
  }, 240_000);
});
