/** GTINs of blocks and SKUs by patterns, over the API: taken, set aside, given back; what stands against them. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { familyIndex } from '@loom-kin/core/family';
import { gtin14, isGtin } from '@loom-kin/core/identifiers';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld();
});
afterAll(() => world?.end());
const { addBlock, change, ended, fresh, send, shopFamily, takeNumbers, undo, redo } = sellerIn(() => world);

const woven = ({ family }: FamilyDetail) => familyIndex(family).woven;
const idsOf = (detail: FamilyDetail) => woven(detail).map((child) => child.id);
const numbersOf = (detail: FamilyDetail) =>
  woven(detail).flatMap(({ fields: { gtin } }) => (typeof gtin === 'string' ? [gtin] : []));
const blockNow = async (id: string) => (await world.call(api.setup)).blocks.find((one) => one.id === id)!;
const journal = async () => (await world.call(api.journal, { query: {} }))[0]!.title;

describe('blocks of numbers', () => {
  it('none that overlaps, none that holds inside one company only', async () => {
    await addBlock('95011016');
    expect((await refused(addBlock('950110161'))).message).toContain('overlaps with Block 95011016');
    expect((await refused(addBlock('2001'))).message).toContain('inside one company only');
    expect((await refused(addBlock('95O1'))).message).toContain('4 to 11 digits');
    expect(await journal()).toBe('Change a number block');
  });
  it('used up they say how many are left; what is left can be taken; the next block goes on', async () => {
    const small = await addBlock('95019999999');
    const [one, two] = [await shopFamily(), await shopFamily()];
    await takeNumbers(one, idsOf(one), small);
    expect(await blockNow(small)).toMatchObject({ size: 10, used: 6, free: 4 });
    expect((await refused(takeNumbers(two, idsOf(two), small))).message).toContain(
      '6 numbers are wanted and 4 are left',
    );
    expect(numbersOf(await fresh(two))).toEqual([]);
    const some = await takeNumbers(two, idsOf(two).slice(0, 4), small);
    expect(numbersOf(some)).toHaveLength(4);
    expect(await blockNow(small)).toMatchObject({ free: 0, next: null });
    await change([{ on: 'registry', command: { do: 'removeNumberBlock', id: small } }]);
    expect(numbersOf(await fresh(one)).every(isGtin)).toBe(true);
  });
  it('several families take their numbers in one change', async () => {
    const [one, two] = [await shopFamily(), await shopFamily()];
    await change(
      [one, two].map((each) => ({ on: 'numbers' as const, familyId: each.family.id, childIds: idsOf(each) })),
    );
    const all = [...numbersOf(await fresh(one)), ...numbersOf(await fresh(two))].map(gtin14);
    expect(new Set(all).size).toBe(12);
  });
  it('are set aside, passed by and taken from, and let go again', async () => {
    const id = await addBlock('9501888880');
    await change([{ on: 'setAside', blockId: id, label: 'Printed labels', count: 40 }]);
    expect(await journal()).toBe('Set 40 numbers aside for Printed labels');
    const [part] = (await blockNow(id)).reserved;
    const usual = await takeNumbers(await shopFamily(), [], id).catch(() => null);
    expect(usual).toBeNull();
    const [one, two] = [await shopFamily(), await shopFamily()];
    const passed = await takeNumbers(one, idsOf(one), id);
    expect(numbersOf(passed)[0]).toMatch(/^950188888040\d$/);
    await change([{ on: 'numbers', familyId: two.family.id, blockId: id, reservedId: part!.id, childIds: idsOf(two) }]);
    expect(numbersOf(await fresh(two))[0]).toMatch(/^950188888000\d$/);
    expect(await blockNow(id)).toMatchObject({ free: 54, reserved: [{ label: 'Printed labels', left: 34 }] });
    const tooMany = change([{ on: 'setAside', blockId: id, label: 'More', count: 60 }]);
    expect((await refused(tooMany)).message).toContain('has no 60 free numbers in a row');
    const { reserved: _gone, size: _size, used: _used, free: _free, next: _next, ...block } = await blockNow(id);
    await change([{ on: 'registry', command: { do: 'setNumberBlock', block } }]);
    expect(await blockNow(id)).toMatchObject({ free: 88, reserved: [] });
  });
  it('take numbers back that nobody was told of; undone they are the children’s again', async () => {
    const id = await addBlock('9501777770');
    const one = await shopFamily();
    const before = numbersOf(await takeNumbers(one, idsOf(one), id));
    await change([{ on: 'numbersBack', familyId: one.family.id, childIds: idsOf(one).slice(0, 2) }]);
    expect(await blockNow(id)).toMatchObject({ used: 4, next: before[0] });
    expect(numbersOf(await undo(one.family.id))).toEqual(before);
    expect((await blockNow(id)).used).toBe(6);
    await redo(one.family.id);
    const other = await shopFamily();
    expect(numbersOf(await takeNumbers(other, idsOf(other).slice(0, 2), id))).toEqual(before.slice(0, 2));
    const again = await refused(undo(one.family.id));
    expect(again.message).toContain(`belongs to ${String(other.family.fields.name)} already`);
  });
  it('take back the number of a child that came from another family', async () => {
    const id = await addBlock('9501555550');
    const one = await shopFamily();
    const numbered = await takeNumbers(one, idsOf(one), id);
    const { revision } = numbered.family;
    const childIds = idsOf(numbered).slice(0, 1);
    const { started } = await change([{ on: 'leave', familyId: one.family.id, revision, childIds }]);
    const alone = await world.call(api.family, { params: { id: started[0]! } });
    await change([{ on: 'numbersBack', familyId: alone.family.id, childIds: idsOf(alone) }]);
    expect(await blockNow(id)).toMatchObject({ used: 5, next: numbersOf(numbered)[0] });
  });
  it('leave a number that an account was told of where it is, and say so', async () => {
    const id = await addBlock('9501666660');
    const one = await shopFamily();
    await takeNumbers(one, idsOf(one), id);
    await ended((await send([one.family.id], ['own-shop'])).id);
    const back = change([{ on: 'numbersBack', familyId: one.family.id, childIds: idsOf(one) }]);
    expect((await refused(back)).message).toContain('All 6 numbers have been told to an account');
    expect(numbersOf(await fresh(one))).toHaveLength(6);
  });
});
