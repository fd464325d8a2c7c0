/** A seller for the tests of the API: makes families that fit the own shop, changes them, sends them. */
import sharp from 'sharp';
import type { Command } from '@loom-kin/core/change';
import { familyIndex } from '@loom-kin/core/family';
import {
  endpoints as api,
  makeChange,
  Refused,
  type BodyOf,
  type Dispatch,
  type FamilyDetail,
  type IntakeReport,
  type StepInput,
} from '@loom-kin/contract';
import { until, type World } from './world';

const AXES = [
  { role: 'colour' as const, label: 'Colour', values: [{ label: 'Rust', swatch: '#A4502B' }, { label: 'Spruce' }] },
  { role: 'size' as const, label: 'Size', values: [{ label: 'S' }, { label: 'M' }, { label: 'L' }] },
];
let number = 0;

/** The helpers, all working in the world that is there when they are called. */
export function sellerIn(world: () => World) {
  const call: World['call'] = (...asked) => world().call(...asked);
  const change = (steps: StepInput[], more: Parameters<typeof makeChange>[2] = {}) =>
    makeChange(world().call, steps, more);
  const detailOf = (id: string) => call(api.family, { params: { id } });
  /** Runs a command on the revision of a detail; the revision after it. */
  async function run(
    { family }: FamilyDetail,
    command: Command,
    key?: string,
  ): Promise<{ revision: number; notices: string[] }> {
    const { id: familyId, revision } = family;
    const done = await change([{ on: 'family', familyId, revision, command }], key ? { key } : {});
    return { revision: done.revisions[familyId]!, notices: done.notices };
  }
  async function startFamily(family: Extract<StepInput, { on: 'start' }>['family']): Promise<FamilyDetail> {
    return detailOf((await change([{ on: 'start', family }])).started[0]!);
  }
  /** Counts pieces; what the family has then. */
  async function count(
    { family }: FamilyDetail,
    counts: { childId: string; pieces: number }[],
    key?: string,
  ): Promise<FamilyDetail> {
    await change([{ on: 'stock', familyId: family.id, counts }], key ? { key } : {});
    return detailOf(family.id);
  }
  /** Adds a block of numbers; its id. */
  async function addBlock(prefix: string, digits: 12 | 13 = 13): Promise<string> {
    const block = { id: `b${prefix}`, label: `Block ${prefix}`, prefix, digits };
    await change([{ on: 'registry', command: { do: 'setNumberBlock', block } }]);
    return block.id;
  }
  async function takeNumbers({ family }: FamilyDetail, childIds: string[], blockId?: string): Promise<FamilyDetail> {
    await change([{ on: 'numbers', familyId: family.id, childIds, ...(blockId ? { blockId } : {}) }]);
    return detailOf(family.id);
  }
  /** Takes the family's newest change back, as Ctrl Z does, or makes it again. */
  async function stepBack(kind: 'undo' | 'redo', id: string): Promise<FamilyDetail> {
    const step = (await detailOf(id))[kind];
    await call(api[kind], { params: { id: step?.id ?? 0 }, body: { key: crypto.randomUUID() } });
    return detailOf(id);
  }
  const undo = (id: string) => stepBack('undo', id);
  const redo = (id: string) => stepBack('redo', id);

  /** A family that fits the own shop, with SKUs, price and five pieces of each of its six children. */
  async function shopFamily(
    more: Record<string, string | number | boolean | string[]> = {},
    axes: Extract<StepInput, { on: 'start' }>['family']['axes'] = AXES,
  ): Promise<FamilyDetail> {
    const code = `T${++number}`;
    const fields = {
      name: `Test coat ${code}`,
      brand: 'Skerry Supply',
      styleCode: code,
      category: 'outerwear/jackets',
      price: '100.00',
      weight: 500,
      description: 'A coat to try things with, and nothing else.',
      collections: ['Tests'],
      ...more,
    };
    const made = await startFamily({ axes, off: [], fields });
    const { id } = made.family;
    const children = familyIndex(made.family).woven;
    const skus = children.map((child, at) => ({
      place: { level: 'child' as const, childId: child.id },
      key: 'sku',
      figure: `${code}-${at}`,
    }));
    await run(made, {
      do: 'batch',
      title: 'Fill',
      commands: [
        { do: 'setPictures', place: { level: 'family' }, pictures: [await takeWhitePicture()] },
        { do: 'setFigures', changes: skus },
      ],
    });
    return count(
      { ...made, family: { ...made.family, id } },
      children.map((child) => ({ childId: child.id, pieces: 5 })),
    );
  }
  /** A white picture; others where other numbers are given. */
  async function takeWhitePicture(other = 0): Promise<string> {
    const size = 1000 + other;
    const png = await sharp({ create: { width: size, height: size, channels: 3, background: '#ffffff' } })
      .png()
      .toBuffer();
    const form = new FormData();
    form.append('files', new Blob([new Uint8Array(png)]), 'coat.png');
    return (await call(api.addPictures, { form }))[0]!.picture!.id;
  }

  const fresh = (detail: FamilyDetail) => call(api.family, { params: { id: detail.family.id } });
  const setPrice = (detail: FamilyDetail, at: number, figure: string): Command => ({
    do: 'setFigures',
    changes: [{ place: { level: 'child', childId: familyIndex(detail.family).woven[at]!.id }, key: 'price', figure }],
  });

  /** Agrees to what the preview says, and sends. */
  async function send(
    familyIds: string[],
    accounts: string[],
    key: string = crypto.randomUUID(),
    draft = false,
  ): Promise<Dispatch> {
    const { totals } = await call(api.previewDispatch, { body: { familyIds, accounts, draft } });
    return call(api.startDispatch, {
      body: {
        familyIds,
        accounts,
        draft,
        key,
        agreed: { listings: totals.listings, takenDown: totals.takenDown, fees: totals.fees },
      },
    });
  }
  const ended = (id: string) =>
    until(
      () => call(api.dispatch, { params: { id } }),
      (one) => one.state === 'done' && one.lines.every((line) => !['queued', 'sent'].includes(line.state)),
    );
  /** Brings a sheet, waits for its job, and gives the report; throws what its job failed with. */
  async function bringSheet(id: string, form: FormData, apply: 'yes' | 'no' = 'no'): Promise<IntakeReport> {
    const begun = await call(api.readSheet, { params: { id }, query: { apply }, form });
    const job = await until(
      () => call(api.job, { params: { id: begun.id } }),
      (one) => one.state !== 'running',
    );
    if (job.state !== 'done') throw new Refused(422, { code: `job.${job.state}`, message: job.notice ?? '' });
    return call(api.sheetReport, { params: { id: job.id } });
  }
  return {
    bringSheet,
    change,
    run,
    startFamily,
    count,
    addBlock,
    takeNumbers,
    undo,
    redo,
    shopFamily,
    takeWhitePicture,
    fresh,
    setPrice,
    send,
    ended,
  };
}

/** The refusal a request ends with; an error when it was not refused. */
export async function refused(work: Promise<unknown>): Promise<Refused> {
  try {
    await work;
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error('nothing was refused');
}

/** A file as a form sends it. */
export function sheetForm(bytes: BlobPart, name: string): FormData {
  const form = new FormData();
  form.append('file', new Blob([bytes]), name);
  return form;
}

/** A file that is taken out. */
export async function takenOut(world: World, body: BodyOf<typeof api.startExport>): Promise<Uint8Array> {
  const { id } = await world.call(api.startExport, { body });
  const { notice } = await until(
    () => world.call(api.job, { params: { id } }),
    ({ state }) => state !== 'running',
    60,
  );
  if (notice !== null) throw new Error(notice);
  const answer = await fetch(`${world.url}/api/exports/${id}/file`);
  if (answer.status !== 200) throw new Error(await answer.text());
  return new Uint8Array(await answer.arrayBuffer());
}
