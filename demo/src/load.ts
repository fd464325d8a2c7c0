/** Loads the demo seller through the public API, as a seller's own program would. */
import {
  createClient,
  endpoints as api,
  makeChange,
  type Client,
  type FamilyDetail,
  type StepInput,
} from '@loom-kin/contract';
import type { SingleCommand } from '@loom-kin/core/change';
import { childLabels, familyIndex } from '@loom-kin/core/family';
import { proposeSkus } from '@loom-kin/core/identifiers';
import { DEMO, PATTERN_COLOURS, type DemoFamily } from './goods/index';
import categoryMaps from '../data/categoryMap.json' with { type: 'json' };
import { draw, VIEWS, type View } from './draw';
import { addGermanShop } from './germanShop';
import { setUpSeller } from './setUp';

/** Loads everything; `say` is told of each family. Run again after it was broken off it goes on, and makes nothing twice. */
export async function loadDemo(base: string, say: (line: string) => void): Promise<void> {
  const call = createClient(base);
  await setUpSeller(call);
  await addGermanShop(call);
  const { blocks } = await call(api.setup);
  if (blocks.length === 0)
    await makeChange(call, [
      {
        on: 'registry',
        command: {
          do: 'setNumberBlock',
          block: { id: 'skerry', label: 'Skerry block', prefix: '95010174', digits: 13 },
        },
      },
    ]);
  for (const goods of DEMO) {
    const made = await loadFamily(call, goods);
    say(`${String(made.family.fields.name)}: ${familyIndex(made.family).woven.length} children`);
    if (goods.fields.styleCode === 'DSM') await sendSmock(call, made.family.id);
  }
}

async function loadFamily(call: Client, goods: DemoFamily): Promise<FamilyDetail> {
  const { fields, axes, off = [] } = goods;
  const like = await call(api.likeFamilies, { query: { styleCode: String(fields.styleCode) } });
  const there = like.find((one) => one.styleCode === fields.styleCode);
  const id = there?.id ?? (await makeChange(call, [{ on: 'start', family: { fields, axes, off } }])).started[0]!;
  const detail = await call(api.family, { params: { id } });
  const key = `demo-fill-${id}`;
  if (detail.keys.includes(key)) return detail;
  const { family } = detail;
  const { woven } = familyIndex(family);
  const numbered = woven.flatMap((child) => {
    const gtin = goods.numbers?.[childLabels(family, child).join(' · ')];
    return gtin && child.fields.gtin === undefined ? [{ child, gtin }] : [];
  });
  const ofBlock = woven.filter(
    (child) => child.fields.gtin === undefined && !numbered.some((one) => one.child === child),
  );
  const bare = goods.gtins ? ofBlock : [];
  const counts = woven.map((child, at) => ({ childId: child.id, pieces: piecesAt(goods.pieces, at) }));
  const shed = (goods.inShed ?? []).flatMap((pieces, at) =>
    pieces > 0 ? [{ childId: woven[at]!.id, location: 'quay-shed', pieces }] : [],
  );
  const commands = await fillingOf(call, goods, family);
  if (numbered.length > 0)
    commands.push({
      do: 'setFigures',
      changes: numbered.map(({ child, gtin }) => ({
        place: { level: 'child', childId: child.id },
        key: 'gtin',
        figure: gtin,
      })),
    });
  const steps: StepInput[] = [
    {
      on: 'family',
      familyId: id,
      revision: family.revision,
      command: { do: 'batch', title: 'Fill the family', commands },
    },
    { on: 'stock', familyId: id, counts },
    ...(shed.length > 0
      ? [{ on: 'stock' as const, familyId: id, kind: 'received' as const, reason: 'from the maker', counts: shed }]
      : []),
    ...(bare.length > 0 ? [{ on: 'numbers' as const, familyId: id, childIds: bare.map((child) => child.id) }] : []),
  ];
  await makeChange(call, steps, { title: 'Fill the family', key });
  return call(api.family, { params: { id } });
}

/** SKUs by the pattern, figures on values, pictures. */
async function fillingOf(call: Client, goods: DemoFamily, family: FamilyDetail['family']): Promise<SingleCommand[]> {
  const bare = familyIndex(family).woven.filter((child) => child.fields.sku === undefined);
  const { accounts } = await call(api.setup);
  const isThere = (id: string) => accounts.some((account) => account.id === id);
  const proposals = proposeSkus(family, bare, family.skuPattern, () => false);
  const commands: SingleCommand[] = proposals.map(({ childId, sku }) => ({
    do: 'setFigures',
    changes: [{ place: { level: 'child', childId }, key: 'sku', figure: sku }],
  }));
  for (const [account, figures] of Object.entries(goods.onAccounts ?? {})) {
    if (!isThere(account)) continue;
    const changes = Object.entries(figures).map(([key, figure]) => ({
      ...{ place: { level: 'family' as const }, key, figure, scope: `account:${account}` as const },
    }));
    commands.push({ do: 'setFigures', changes });
  }
  for (const [key, figure] of Object.entries(goods.inGerman ?? {}))
    commands.push({ do: 'setFigures', changes: [{ place: { level: 'family' }, key, figure, scope: 'language:de' }] });
  for (const axis of family.axes) {
    for (const value of axis.values) {
      const place = { level: 'value' as const, axisId: axis.id, valueId: value.id };
      const label = goods.labelsInGerman?.[value.label];
      if (label)
        commands.push({ do: 'setFigures', changes: [{ place, key: 'label', figure: label, scope: 'language:de' }] });
      const figures = Object.entries(goods.onValues?.[value.label] ?? {});
      if (figures.length > 0) {
        commands.push({ do: 'setFigures', changes: figures.map(([key, figure]) => ({ place, key, figure })) });
      }
      const colour = axis.role === 'colour' ? value.swatch : PATTERN_COLOURS[value.label];
      if (!colour || goods.withoutPicture?.includes(value.label)) continue;
      const inStudio = isThere(MORE_PICTURES) && takesMore(String(goods.fields.category));
      const pictures = await upload(call, goods, { label: value.label, colour, views: inStudio ? VIEWS : FEW_VIEWS });
      commands.push({ do: 'setPictures', place, pictures: pictures.slice(0, FEW_VIEWS.length) });
      if (inStudio) commands.push({ do: 'setPictures', place, pictures, scope: `account:${MORE_PICTURES}` });
    }
  }
  return commands;
}

/** The account of a channel that wants four pictures; others are sent two. */
const MORE_PICTURES = 'loftline';
const FEW_VIEWS = VIEWS.slice(0, 2);
const takesMore = (category: string) => category in categoryMaps[MORE_PICTURES];

interface Shoot {
  label: string;
  colour: string;
  views: readonly View[];
}

async function upload(call: Client, goods: DemoFamily, { label, colour, views }: Shoot): Promise<string[]> {
  const form = new FormData();
  const stem = `${String(goods.fields.styleCode)}_${label.replace(/\s+/g, '-')}`.toLowerCase();
  for (const view of views) {
    const png = new Uint8Array(await draw(goods.figure, colour, view));
    form.append('files', new Blob([png], { type: 'image/png' }), `${stem}_${view}.png`);
  }
  const taken = await call(api.addPictures, { form });
  return [...new Set(taken.flatMap((one) => one.picture?.id ?? []))];
}

/** The smock is on two accounts from the start, so that there is something to watch. */
async function sendSmock(call: Client, id: string): Promise<void> {
  const selection = { familyIds: [id], accounts: ['fernpost', 'own-shop'], draft: false };
  const { listings, takenDown, fees } = (await call(api.previewDispatch, { body: selection })).totals;
  const agreed = { listings, takenDown, fees };
  await call(api.startDispatch, { body: { ...selection, key: `demo-dispatch-${id}`, agreed } });
}

/** Pieces of a child: those of its place in the row, a few more or fewer from the second time round, so that no two colours are alike. */
function piecesAt(row: readonly number[], at: number): number {
  const pieces = row[at % row.length]!;
  const round = Math.floor(at / row.length);
  return round === 0 || pieces === 0 ? pieces : Math.max(1, pieces + ((round * round * 5 + at * 11) % 9) - 4);
}
