/** A small general tree of categories, offered to a seller who has none yet. */
import type { Role } from '../family/shape';
import type { Category } from './shape';

const BRANCHES: readonly [
  id: string,
  label: string,
  leaves: readonly [id: string, label: string, axes: readonly Role[]][],
][] = [
  [
    'clothing',
    'Clothing',
    [
      ['tops', 'Tops', ['colour', 'size']],
      ['trousers', 'Trousers', ['colour', 'size', 'length']],
      ['outerwear', 'Outerwear', ['colour', 'size', 'material']],
      ['hosiery', 'Socks and tights', ['colour', 'size', 'pack']],
      ['nightwear', 'Nightwear', ['colour', 'size']],
    ],
  ],
  [
    'footwear',
    'Footwear',
    [
      ['shoes', 'Shoes', ['colour', 'size']],
      ['boots', 'Boots', ['colour', 'size']],
    ],
  ],
  [
    'accessories',
    'Accessories',
    [
      ['bags', 'Bags', ['colour', 'volume']],
      ['hats', 'Hats and gloves', ['colour', 'size']],
      ['jewellery', 'Jewellery', ['material', 'size']],
    ],
  ],
  [
    'household',
    'Household',
    [
      ['textiles', 'Textiles', ['pattern', 'size']],
      ['tableware', 'Tableware', ['colour', 'volume']],
    ],
  ],
  ['animals', 'For animals', [['coats', 'Coats and collars', ['colour', 'length']]]],
];

/** The tree as categories of a registry. */
export function generalTree(): Record<string, Category> {
  const tree: Record<string, Category> = {};
  BRANCHES.forEach(([id, label, leaves], at) => {
    tree[id] = { id, label, parent: null, at, axes: [], retired: false };
    leaves.forEach(([leaf, name, axes], place) => {
      const leafId = `${id}/${leaf}`;
      tree[leafId] = { id: leafId, label: name, parent: id, at: place, axes: [...axes], retired: false };
    });
  });
  return tree;
}
