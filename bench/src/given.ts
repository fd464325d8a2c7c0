/** Families, rulebooks and all else that a fit is measured on. */
import { readFileSync, readdirSync } from 'node:fs';
import { usualSettings } from '@loom-kin/core/catalogue';
import {
  type Command,
  type CreateFamily,
  createFamily as createWith,
  runCommand as runWith,
} from '@loom-kin/core/change';
import { type Family, type Role, familyIndex } from '@loom-kin/core/family';
import { type FitInput, createPlannerMemory } from '@loom-kin/core/fit';
import type { PictureFacts } from '@loom-kin/core/pictures';
import { RegistryDataSchema, emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { type OpenRulebook, compilePattern, openRulebook, readRulebook } from '@loom-kin/core/rulebook';

const json = (path: string): unknown => JSON.parse(readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8'));
const registry = openRegistry({
  ...emptyRegistry(),
  ...RegistryDataSchema.partial().parse(json('demo/data/registry.json')),
});
export const categoryMaps = json('demo/data/categoryMap.json') as Record<string, Record<string, string>>;
const createFamily = (spec: CreateFamily) => createWith(registry, spec);
export const runCommand = (family: Family, command: Command) => runWith(registry, family, command);

export const rulebooks = (): OpenRulebook[] =>
  readdirSync(new URL('../../channels/rulebooks', import.meta.url)).map((name) => {
    const read = readRulebook(json(`channels/rulebooks/${name}`), registry);
    if (!read.ok) throw new Error(read.problems.map((one) => one.text).join(' '));
    return openRulebook(read.rulebook, registry, compilePattern);
  });

/** A family over axes of the given sizes, with SKUs, prices, weights and a picture per first value. */
export function family(id: string, sizes: [Role, number][], childrenAtMost = Infinity): Family {
  const axes = sizes.map(([role, count], axis) => ({
    role,
    label: `Axis ${axis}`,
    values: Array.from({ length: count }, (_, at) => ({ label: `${role} ${at}` })),
  }));
  let made = createFamily({
    id,
    fields: {
      name: `Bench ${id}`,
      brand: 'Skerry Supply',
      styleCode: id,
      category: 'outerwear/jackets',
      price: '50.00',
      weight: 500,
      description: 'Made to be measured, and for nothing else at all in the world.',
    },
    axes,
    off: [],
  });
  const all = familyIndex(made).woven;
  if (all.length > childrenAtMost)
    made = runCommand(made, {
      do: 'setWoven',
      crossings: all.slice(childrenAtMost).map((child) => child.at),
      woven: false,
    }).family;
  const figures = familyIndex(made).woven.map((child, at) => ({
    place: { level: 'child' as const, childId: child.id },
    key: 'sku',
    figure: `${id}-${at}`,
  }));
  const first = made.axes[0];
  return runCommand(made, {
    do: 'batch',
    title: '',
    commands: [
      { do: 'setFigures', changes: figures },
      ...(first?.values.map((value) => ({
        do: 'setPictures' as const,
        place: { level: 'value' as const, axisId: first.id, valueId: value.id },
        pictures: [`p-${value.id}`],
      })) ?? []),
    ],
  }).family;
}

/** One memory for all, as a worker keeps it. */
const memory = createPlannerMemory();

export function inputs(one: Family, books: OpenRulebook[]): FitInput[] {
  const pictures: Record<string, PictureFacts> = Object.fromEntries(
    one.axes.flatMap((axis) =>
      axis.values.flatMap((value) =>
        value.pictures.map((id) => [id, { id, fileName: id, width: 1200, height: 1200, whiteBackground: true }]),
      ),
    ),
  );
  const stock = Object.fromEntries(Object.keys(one.children).map((id) => [id, 5]));
  return books.map((rulebook) => {
    const { channel, name } = rulebook.rulebook;
    const settings = usualSettings();
    return {
      family: one,
      stock,
      pictures,
      rulebook,
      account: { id: channel, channel, name, language: 'en', at: 0, settings },
      pairings: {},
      categories: categoryMaps[channel] ?? {},
      live: [],
      memory,
      seller: { name: 'S', currency: 'EUR', taxPercent: '20' },
    };
  });
}
