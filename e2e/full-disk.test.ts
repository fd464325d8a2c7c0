/** A disk that is full, and a folder that cannot be written: nothing ends, everything says so, and goes on when there is room. */
import { execFileSync } from 'node:child_process';
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, type FamilyDetail } from '@loom-kin/contract';
import { refused, sellerIn, sheetForm } from './shop';
import { startWorld, until, type World } from './world';

const disk = mkdtempSync(join(tmpdir(), 'loom-kin-disk-'));
const mount = (options: string) =>
  execFileSync('mount', ['-t', 'tmpfs', '-o', options, 'loom-kin', disk], { stdio: 'ignore' });
/** Only who administers the machine can give a folder a disk of its own. */
const isAllowed = (() => {
  try {
    mount('size=64m');
    return true;
  } catch {
    return false;
  }
})();
const ballast = join(disk, 'ballast');
function fillDisk(): void {
  for (const size of [1 << 20, 1 << 12, 1])
    try {
      for (;;) appendFileSync(ballast, Buffer.alloc(size));
    } catch {
      // That is all there was.
    }
}

describe.skipIf(!isAllowed)('a disk', () => {
  let world: World;
  let goods: FamilyDetail;
  const { shopFamily, fresh, run, send } = sellerIn(() => world);
  const price = (figure: string) => ({
    do: 'setFigures' as const,
    changes: [{ place: { level: 'family' as const }, key: 'price', figure }],
  });
  const stateOf = async (id: string) => world.call(api.dispatch, { params: { id } });
  beforeAll(async () => {
    world = await startWorld({ folder: disk, waits: '50,100' });
    goods = await shopFamily();
  }, 300_000);
  afterAll(async () => {
    await world?.end();
    execFileSync('umount', ['-l', disk]);
    rmSync(disk, { recursive: true, force: true });
  });

  it('that is full refuses changes in words, and what is read goes on', async () => {
    fillDisk();
    const { status, problem } = await refused(run(goods, price('111.00')));
    expect([status, problem.code]).toEqual([507, 'server.full']);
    const upload = await refused(world.call(api.startList, { form: sheetForm('Name;SKU\nA;A-1\n', 'list.csv') }));
    expect([upload.status, upload.problem.code]).toEqual([507, 'server.full']);
    expect((await fresh(goods)).family.fields.price).toBe(goods.family.fields.price);
    rmSync(ballast);
    await run(goods, price('112.00'));
  });
  it('that fills while something is sent has it wait, says so, and lets it go on when there is room', async () => {
    await world.mood('own-shop', 'busy');
    const { id } = await send([goods.family.id], ['own-shop']);
    fillDisk();
    await world.mood('own-shop', 'well');
    await until(
      () => stateOf(id),
      ({ notice }) => /no space left on the disk/.test(notice ?? ''),
    );
    expect((await world.call(api.setup)).seller.name).not.toBe('');
    rmSync(ballast);
    const { lines, notice } = await until(
      () => stateOf(id),
      ({ state }) => state === 'done',
    );
    expect([lines.map(({ state }) => state), notice]).toEqual([['done'], null]);
    expect(await world.held('own-shop')).toHaveLength(1);
  });
  it('that is read-only is told when the server starts, with the way out', async () => {
    await world.killServer();
    execFileSync('mount', ['-o', 'remount,ro', disk]);
    await expect(world.startServer()).rejects.toThrow(
      /server ended with 1: The data folder .* cannot be written: its disk is read-only\. Make it writable.*LOOM_KIN_DATA\.\s*$/,
    );
    execFileSync('mount', ['-o', 'remount,rw', disk]);
    await world.startServer();
    expect((await fresh(goods)).family.fields.price).toBe('112.00');
  });
});
