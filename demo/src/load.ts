/** Loads the demo seller through the public API, as a seller's own program would. */
import { createClient, endpoints as api, type Client, type FamilyDetail } from '@loom-kin/contract';
import { familyIndex, proposeSkus, type SingleCommand } from '@loom-kin/core';
import { DEMO, PATTERN_COLOURS, type DemoFamily } from './goods';
import { draw } from './draw';

/**
 * Loads everything; `say` is told of each family. Run again after it was broken off it goes on, and makes nothing
 * twice.
 */
export async function loadDemo(base: string, say: (line: string) => void): Promise<void> {
  const call = createClient(base);
  await call(api.setSeller, { body: { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20' } });
  const setup = await call(api.setup);
  if (setup.blocks.length === 0)
    await call(api.addBlock, { body: { label: 'Skerry block', prefix: '95010174', digits: 13 } });
  for (const { channel, settings } of setup.channels) {
    if (channel === 'fernpost')
      await call(api.setChannel, {
        params: { id: channel },
        body: { ...settings, answers: { 'Delivery profile': 'Small parcel, tracked' } },
      });
  }
  for (const goods of DEMO) {
    const made = await loadFamily(call, goods);
    say(`${String(made.family.fields.name)}: ${familyIndex(made.family).woven.length} children`);
    if (goods.fields.styleCode === 'DSM') await sendSmock(call, made.family.id);
  }
}

async function loadFamily(call: Client, goods: DemoFamily): Promise<FamilyDetail> {
  const there = (await call(api.likeFamilies, { query: { styleCode: String(goods.fields.styleCode) } })).find(
    (one) => one.styleCode === goods.fields.styleCode,
  );
  let detail = there
    ? await call(api.family, { params: { id: there.id } })
    : await call(api.createFamily, { body: { fields: goods.fields, axes: goods.axes, off: goods.off ?? [] } });
  const { id } = detail.family;
  const commands: SingleCommand[] = [];
  const proposals = proposeSkus(detail.family, familyIndex(detail.family).woven, detail.family.skuPattern, new Set());
  commands.push({
    do: 'setFigures',
    changes: proposals.map(({ childId, sku }) => ({ place: { level: 'child', childId }, key: 'sku', figure: sku })),
  });
  for (const axis of detail.family.axes) {
    for (const value of axis.values) {
      const figures = goods.onValues?.[value.label];
      if (figures)
        commands.push({
          do: 'setFigures',
          changes: Object.entries(figures).map(([key, figure]) => ({
            place: { level: 'value', axisId: axis.id, valueId: value.id },
            key,
            figure,
          })),
        });
      const colour = value.swatch ?? PATTERN_COLOURS[value.label];
      if (!colour || goods.withoutPicture?.includes(value.label)) continue;
      commands.push({
        do: 'setPictures',
        place: { level: 'value', axisId: axis.id, valueId: value.id },
        pictures: await upload(call, goods, value.label, colour),
      });
    }
  }
  await call(api.run, {
    params: { id },
    body: { revision: detail.family.revision, command: { do: 'batch', title: 'Fill the family', commands } },
  });
  const woven = familyIndex(detail.family).woven;
  detail = await call(api.countStock, {
    params: { id },
    body: {
      key: `demo-count-${id}`,
      counts: woven.map((child, at) => ({ childId: child.id, pieces: goods.pieces[at % goods.pieces.length]! })),
    },
  });
  const bare = woven
    .filter((child) => detail.family.children[child.id]!.fields.gtin === undefined)
    .map((child) => child.id);
  return goods.gtins && bare.length > 0 ? call(api.takeNumbers, { params: { id }, body: { childIds: bare } }) : detail;
}

async function upload(call: Client, goods: DemoFamily, label: string, colour: string): Promise<string[]> {
  const form = new FormData();
  const stem = `${String(goods.fields.styleCode)}_${label.replace(/\s+/g, '-')}`.toLowerCase();
  for (const view of ['front', 'back'] as const)
    form.append(
      'files',
      new Blob([new Uint8Array(await draw(goods.figure, colour, view))], { type: 'image/png' }),
      `${stem}_${view}.png`,
    );
  const taken = await call(api.addPictures, { form });
  return [...new Set(taken.flatMap((one) => one.picture?.id ?? []))];
}

/** The smock is on two channels from the start, so that there is something to watch. */
async function sendSmock(call: Client, id: string): Promise<void> {
  const selection = { familyIds: [id], channels: ['fernpost', 'own-shop'], draft: false };
  const { totals } = await call(api.previewDispatch, { body: selection });
  await call(api.startDispatch, {
    body: {
      ...selection,
      key: `demo-dispatch-${id}`,
      agreed: { listings: totals.listings, takenDown: totals.takenDown, fees: totals.fees },
    },
  });
}
