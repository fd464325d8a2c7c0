/** `loomkin check`: every family of a folder on every channel of it. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { CategoryMapSchema, RoutesSchema } from '@loom-kin/core/catalogue';
import { findingText } from '@loom-kin/core/descriptions';
import { type FitState, STATES, computeFit, createPlannerMemory } from '@loom-kin/core/fit';
import { PairingTableSchema } from '@loom-kin/core/pairing';
import type { Registry } from '@loom-kin/core/registry';
import type { OpenRulebook } from '@loom-kin/core/rulebook';
import { accountOn, readFamily, sellerOn, withCategory, type FamilyRead } from './family';
import { BadInput, checkAs, checkRulebook, openForChecks, readArgs, readJson, readRegistry } from './input';
import { give, say } from './output';

/** Families between two lines of progress. */
const TELL_EVERY = 100;

interface Folder {
  registry: Registry;
  families: { path: string; data: unknown }[];
  rulebooks: OpenRulebook[];
  categoryMaps: Record<string, z.infer<typeof CategoryMapSchema>>;
  pairings: Record<string, z.infer<typeof PairingTableSchema>>;
  routes: Record<string, z.infer<typeof RoutesSchema>>;
}

/** 0: nothing is stopped; 1: something is, or a family file cannot be taken. */
export function checkCommand(args: readonly string[]): number {
  const { positionals } = readArgs(args, {});
  const [path] = positionals;
  if (path === undefined) throw new BadInput('Name a folder: loomkin check FOLDER');
  const folder = readFolder(path);
  const channels = Object.fromEntries(
    folder.rulebooks.map(({ rulebook }) => [rulebook.channel, Object.fromEntries(STATES.map((state) => [state, 0]))]),
  ) as Record<string, Record<FitState, number>>;
  const findings = new Map<
    string,
    { channel: string; code: string; families: number; children: number; example: string }
  >();
  const memory = createPlannerMemory();
  const refused: { path: string; problem: string }[] = [];
  folder.families.forEach(({ path: file, data }, at) => {
    const read = readOr(
      () => readFamily(file, data, folder.registry),
      (problem) => refused.push({ path: file, problem }),
    );
    if (!read) return;
    for (const rulebook of folder.rulebooks) {
      const { channel } = rulebook.rulebook;
      const fit = fitOn(folder, rulebook, read, memory);
      channels[channel]![fit.state] += 1;
      const told = new Set<string>();
      for (const finding of fit.findings) {
        const key = `${channel}|${finding.code}`;
        const there = findings.get(key) ?? {
          channel,
          code: finding.code,
          families: 0,
          children: 0,
          example: findingText(finding, read.family),
        };
        if (!told.has(key)) there.families += 1;
        told.add(key);
        there.children += finding.childIds.length;
        findings.set(key, there);
      }
    }
    if ((at + 1) % TELL_EVERY === 0) say(`${at + 1} of ${folder.families.length} families`);
  });
  const sorted = [...findings.values()].sort((a, b) => b.families - a.families || a.code.localeCompare(b.code));
  give({ format: 'loom-kin/check', version: 1, families: folder.families.length, refused, channels, findings: sorted });
  for (const { problem } of refused) say(problem);
  return refused.length > 0 || Object.values(channels).some((states) => states.stopped > 0) ? 1 : 0;
}

/** One bad file is told, and the others are checked all the same. */
function readOr(read: () => FamilyRead, refuse: (problem: string) => void): FamilyRead | null {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    refuse(error.message);
    return null;
  }
}

function fitOn(
  folder: Folder,
  rulebook: OpenRulebook,
  read: FamilyRead,
  memory: ReturnType<typeof createPlannerMemory>,
) {
  const { channel } = rulebook.rulebook;
  return computeFit({
    family: read.family,
    stock: read.stock,
    rulebook,
    memory,
    live: [],
    plansWanted: 1,
    account: accountOn(rulebook.rulebook, folder.registry),
    seller: sellerOn(rulebook.rulebook),
    pictures: {},
    pairings: folder.pairings[channel] ?? {},
    categories: folder.categoryMaps[channel] ?? {},
    routes: folder.routes[channel] ?? [],
  });
}

/** Files are known by their format, wherever they lie in the folder. */
function readFolder(path: string): Folder {
  const files = jsonFiles(path).map((file) => ({ path: file, data: readJson(file) }));
  const ofFormat = (format: string) =>
    files.filter(({ data }) => (data as { format?: unknown } | null)?.format === format);
  const named = (name: string) => files.find((file) => file.path === join(path, name));
  const families = ofFormat('loom-kin/family');
  const registry = knowing(readRegistry(named('registry.json')?.path), families);
  const books = ofFormat('loom-kin/rulebook');
  if (families.length === 0) throw new BadInput(`There is no family file in ${path}.`);
  if (books.length === 0) throw new BadInput(`There is no rulebook in ${path}.`);
  const rulebooks = newest(books.map((file) => openForChecks(checkRulebook(file.path, file.data, registry), registry)));
  const tables = <S extends z.ZodType>(name: string, schema: S) => {
    const file = named(name);
    return file ? checkAs(file.path, file.data, z.record(z.string(), schema)) : {};
  };
  return {
    registry,
    families,
    rulebooks,
    categoryMaps: tables('categoryMap.json', CategoryMapSchema) as Folder['categoryMaps'],
    pairings: tables('pairings.json', PairingTableSchema) as Folder['pairings'],
    routes: tables('routes.json', RoutesSchema) as Folder['routes'],
  };
}

/** Of several editions of a channel's rules the newest counts. */
function newest(rulebooks: readonly OpenRulebook[]): OpenRulebook[] {
  const byChannel = new Map<string, OpenRulebook>();
  for (const one of rulebooks) {
    const { channel, version } = one.rulebook;
    const there = byChannel.get(channel)?.rulebook.version ?? 0;
    if (there > 0) say(`${channel} has rules of version ${there} and ${version}: the newer count.`);
    if (version > there) byChannel.set(channel, one);
  }
  return [...byChannel.values()];
}

/** The registry with every category that a family stands in. */
function knowing(registry: Registry, families: Folder['families']): Registry {
  const used = families.map(
    ({ data }) => (data as { family?: { fields?: { category?: unknown } } }).family?.fields?.category,
  );
  const unknown = new Set(used.filter((id): id is string => typeof id === 'string' && !registry.category(id)));
  return [...unknown].reduce(withCategory, registry);
}

function jsonFiles(path: string): string[] {
  if (!statSync(path, { throwIfNoEntry: false })?.isDirectory()) throw new BadInput(`${path} is no folder.`);
  const names = readdirSync(path, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.json'));
  return names.sort().map((name) => join(path, name));
}
