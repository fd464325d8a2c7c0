/** What is set up once and chosen: what channels are told of it; facts of which the lowest counts; addresses. */
import { describe, expect, it } from 'vitest';
import { runCommand as runWith } from '../src/change/run';
import { unreadableText } from '../src/refusal/refusal';
import { type RegistryCommand, runRegistryCommand } from '../src/registry/commands';
import { readFigure } from '../src/registry/figures';
import { openRegistry } from '../src/registry/openRegistry';
import type { RegistryData } from '../src/registry/shape';
import { SizeChartSchema, sizeChartText } from '../src/registry/terms';
import { fitInput, fitWithListings, registry } from './sample';
import { wholeJacket } from './whole';

const CHART = SizeChartSchema.parse({
  id: 'coats',
  label: 'Coats',
  columns: ['Size', 'Chest', 'Fits'],
  rows: [
    ['S', '96–100', 'close'],
    ['M', '104', ''],
  ],
});
const set = (data: RegistryData, ...commands: RegistryCommand[]) =>
  commands.reduce((now, command) => runRegistryCommand(now, command).data, data);

describe('what is set up once', () => {
  const data = set(
    registry.data,
    { do: 'setSizeChart', chart: CHART },
    { do: 'setTerm', term: { id: 'parcel', kind: 'delivery', label: 'Parcel', text: 'Sent in three days.' } },
  );
  const own = openRegistry(data);
  const { family, ...given } = wholeJacket();
  const lining = family.axes[2]!;
  const told = () => {
    const place = { level: 'family' as const };
    const onLining = (at: number, figure: number) => ({
      place: { level: 'value' as const, axisId: lining.id, valueId: lining.values[at]!.id },
      key: 'flashPoint',
      figure,
    });
    const changes = [
      { place, key: 'sizeChart', figure: 'coats' },
      { place, key: 'deliveryTerms', figure: 'parcel' },
      onLining(0, 61),
      onLining(1, 55.5),
    ];
    const after = runWith(own, family, { do: 'setFigures', changes }).family;
    return fitWithListings(fitInput(after, 'own-shop', { ...given, registry: own }));
  };
  it('is told as what it says; of several flash points the lowest is told', () => {
    const { listings, findings } = told();
    expect(findings.filter((one) => one.severity === 'stops')).toEqual([]);
    expect(listings[0]!.fields).toMatchObject({
      'Size chart': 'Size:\nS: chest 96–100 cm, fits close\nM: chest 104 cm',
      Delivery: 'Sent in three days.',
      'Flash point °C': 55.5,
    });
  });
  it('is not asked for where there is none, and cannot be chosen', () => {
    const keys = (one: typeof own) => one.fieldsAt('family', 'outerwear/jackets').map((field) => field.key);
    expect(keys(registry)).not.toContain('sizeChart');
    expect(keys(own)).toEqual(expect.arrayContaining(['sizeChart', 'deliveryTerms']));
    expect(keys(own)).not.toContain('paymentTerms');
    expect(readFigure(own, own.field('sizeChart')!, 'Coats')).toEqual({ ok: true, figure: 'coats' });
    expect(readFigure(own, own.field('sizeChart')!, 'Hats').ok).toBe(false);
  });
  it('a chart has a cell for every measure and each size once', () => {
    const read = (rows: string[][]) => SizeChartSchema.safeParse({ ...CHART, rows }).error?.issues[0]?.path;
    expect(read([['S', '96']])).toEqual(['rows', 0]);
    expect(
      read([
        ['S', '96', ''],
        ['s', '98', ''],
      ]),
    ).toEqual(['rows', 1]);
    expect(read([['', '96', '']])).toEqual(['rows', 0]);
    expect(sizeChartText(CHART).split('\n')).toHaveLength(3);
  });
  it('what is gone is not taken away twice', () => {
    expect(() => set(data, { do: 'removeTerm', id: 'post' })).toThrow();
    expect(set(data, { do: 'removeTerm', id: 'parcel' }).terms).toEqual({});
  });
});

describe('a text with form', () => {
  const { family, ...given } = wholeJacket();
  const html = '<p>A jacket for <strong>foul</strong> weather.</p><ul><li>Hood that turns with the head</li></ul>';
  const place = { level: 'family' as const };
  const withText = (figure: string) =>
    runWith(registry, family, { do: 'setFigures', changes: [{ place, key: 'description', figure }] }).family;
  const on = (channel: string, text: string) => fitWithListings(fitInput(withText(text), channel, given));
  it('goes out as it is where form is taken, and as its words where it is not', () => {
    expect(on('own-shop', html).listings[0]!.fields.Text).toBe(html);
    expect(on('quayside', html).listings[0]!.fields.Text).toBe(
      'A jacket for foul weather.\n\n• Hood that turns with the head',
    );
  });
  it('is counted by its letters', () => {
    const short = on('own-shop', '<p>Warm <strong>and</strong></p><ul><li>dry</li></ul>');
    const at = short.findings.findIndex((one) => one.code === 'field.too-short');
    expect(short.texts[at]).toMatch(/^Description has 11 characters/);
  });
});

describe('an address', () => {
  const read = (text: string) => {
    const reading = readFigure(registry, registry.field('video')!, text);
    return reading.ok ? reading.figure : unreadableText(reading);
  };
  it('is one on the web, over a safe line', () => {
    expect(read('https://video.example/jacket')).toBe('https://video.example/jacket');
    expect(read('HTTPS://Video.Example/a b')).toBe('https://video.example/a%20b');
    for (const text of [
      'http://video.example/x',
      'javascript:alert(1)',
      'video',
      'https://a:b@video.example/',
      'https://localhost/',
    ])
      expect(read(text)).toContain('begins with https://');
  });
});
