/** Lists, filters and search at the server over 5,000 families with 100,000 children. */
import { join } from 'node:path';
import { boardCounts, boardFindings } from '../../server/src/families/board';
import { listFamilies } from '../../server/src/families/list';
import { tryConditions } from '../../server/src/families/tryConditions';
import { openDatabase } from '../../server/src/store/database';
import { storeOf } from '../../server/src/store/openStore';
import { family } from './given';
import { timed, type Figure } from './measure';

const ACCOUNTS = ['quayside', 'fernpost', 'own-shop', 'tallow-gate', 'norang-hall', 'palmway', 'loftline'];
const CODES = ['picture.missing', 'gtin.missing', 'field.missing', 'price.missing', 'pairing.missing', 'stock.too-low'];

export function listFigures(folder: string): Figure[] {
  const store = storeOf(openDatabase(join(folder, 'bench.db'), 'server/migrations'), folder);
  const client = store.database.$client;
  const doc = JSON.stringify(
    family('LIST', [
      ['colour', 4],
      ['size', 5],
    ]),
  );
  const names = ['storm', 'deck', 'harbour', 'island', 'galley', 'puddle', 'merino', 'north', 'tide', 'skerry'];
  const goods = ['jacket', 'smock', 'trousers', 'blanket', 'mug', 'suit', 'socks', 'coat'];
  const insert = client.prepare(
    'INSERT INTO families (id, revision, name, style_code, brand, category, axes, children, from_price, from_price_text, stock, picture, retired, changed_at, search_row, doc) VALUES (?,1,?,?,?,?,?,20,?,?,?,NULL,0,?,?,?)',
  );
  const fit = client.prepare('INSERT INTO standings (family_id, account, state, stops, warns) VALUES (?,?,?,0,0)');
  const finding = client.prepare(
    'INSERT INTO findings (family_id, account, code, key, severity, count, children) VALUES (?,?,?,?,?,?,?)',
  );
  const identifier = client.prepare('INSERT INTO identifiers (kind, value, family_id, child_id) VALUES (?,?,?,?)');
  const search = client.prepare('INSERT INTO family_words (rowid, words) VALUES (?, ?)');
  const states = ['fits', 'needs', 'stopped', 'absent'];
  client.transaction(() => {
    for (let at = 0; at < 5000; at++) {
      const id = `kb${at}`;
      const name = `${names[at % 10]} ${goods[at % 8]} ${at}`;
      insert.run(
        id,
        name,
        `B${at}`,
        'Skerry Supply',
        'outerwear/jackets',
        'Colour 4 × Size 5',
        at * 100,
        String(at),
        at,
        new Date(at * 1e7).toISOString(),
        at + 1,
        doc,
      );
      for (const [place, account] of ACCOUNTS.entries()) {
        fit.run(id, account, states[(at + place) % 4]);
        for (const [nth, code] of CODES.entries())
          if ((at + place + nth) % 3 === 0) finding.run(id, account, code, 'pictures', 'stops', 1, 20);
      }
      const words = [name, `B${at}`];
      for (let child = 0; child < 20; child++) {
        const gtin = String(9_501_017_000_000 + at * 20 + child);
        identifier.run('sku', `B${at}-C${child}`, id, `${id}.c${child}`);
        identifier.run('gtin', gtin.padStart(14, '0'), id, `${id}.c${child}`);
        words.push(`B${at}-C${child}`, gtin);
      }
      search.run(at + 1, words.join(' \n '));
    }
  })();
  const ask = (more: object) =>
    listFamilies(store, { q: '', retired: 'no', sort: 'name', offset: 0, limit: 60, ...more });
  const base = timed(100, () => client.prepare('SELECT id FROM families LIMIT 60').all());
  const baseline = 'reading 60 ids bare';
  const line = (what: string, more: (at: number) => object): Figure => {
    const taken = timed(80, (at) => ask(more(at)));
    return { what, ...taken, baseline, ratio: taken.median / base.median, budget: 'p95 ≤ 50 ms' };
  };
  const board = (what: string, ask: () => unknown): Figure => {
    const taken = timed(30, ask);
    return { what, ...taken, baseline, ratio: taken.median / base.median, budget: 'p95 ≤ 50 ms' };
  };
  const gone = { account: 'palmway', finding: 'picture.missing|pictures' };
  const dear = { match: 'all' as const, of: [{ key: 'price', is: 'above' as const, value: 2500 }] };
  const figures = [
    { what: 'reading 60 ids bare', ...base, baseline, ratio: 1, budget: '—' },
    line('the first page by name', () => ({})),
    line('page 70, last changed first', () => ({ sort: 'changed', offset: 4200 })),
    line('filter: stopped on an account', () => ({ account: 'quayside', state: 'stopped' })),
    line('search by a word', (at) => ({ q: goods[at % 8]! })),
    line('search by part of an SKU', (at) => ({ q: `B${at * 50}-C1` })),
    line('search by a GTIN', (at) => ({ q: String(9_501_017_000_000 + at * 997) })),
    board('board: counts of 5,000 families on 7 accounts', () => boardCounts(store, { q: '', retired: 'no' })),
    board('board: counts of those with a finding', () => boardCounts(store, { q: '', retired: 'no', ...gone })),
    board('board: findings of all, grouped', () => boardFindings(store, { q: '', retired: 'no' })),
    board('conditions tried on 5,000 families', () => tryConditions(store, [dear])),
    line('board: a page of those with a finding', () => gone),
    line('search by one letter', (at) => ({ q: 'abcdefghij'[at % 10]! })),
  ];
  client.close();
  return figures;
}
