/** The seller's own tree of goods. The category decides which axes are suggested first. */
import type { Role } from '../family/shape';

export interface Category {
  id: string;
  department: string;
  label: string;
  /** The axes such goods usually differ by, in the usual order. */
  axes: Role[];
}

export const CATEGORIES: readonly Category[] = [
  { id: 'outerwear/jackets', department: 'Outerwear', label: 'Jackets', axes: ['colour', 'size', 'material'] },
  { id: 'outerwear/smocks', department: 'Outerwear', label: 'Smocks', axes: ['colour', 'size'] },
  { id: 'outerwear/trousers', department: 'Outerwear', label: 'Trousers', axes: ['colour', 'size', 'length'] },
  { id: 'knitwear/socks', department: 'Knitwear', label: 'Socks', axes: ['colour', 'size', 'pack'] },
  { id: 'knitwear/jumpers', department: 'Knitwear', label: 'Jumpers', axes: ['colour', 'size'] },
  { id: 'children/rainwear', department: 'Children', label: 'Rainwear', axes: ['size', 'colour'] },
  { id: 'pets/coats', department: 'Pets', label: 'Dog coats', axes: ['colour', 'length'] },
  { id: 'home/blankets', department: 'Home', label: 'Blankets', axes: ['pattern', 'size'] },
  { id: 'home/mugs', department: 'Home', label: 'Mugs', axes: ['colour', 'volume'] },
  { id: 'home/bags', department: 'Home', label: 'Bags', axes: ['colour', 'volume'] },
];

/** A category by id, or undefined. */
export function categoryOf(id: unknown): Category | undefined {
  return CATEGORIES.find((one) => one.id === id);
}

/** How a role is called on screen. */
export const ROLE_LABELS: Record<Role, string> = {
  colour: 'Colour',
  size: 'Size',
  length: 'Length',
  material: 'Material',
  pattern: 'Pattern',
  pack: 'Pack',
  volume: 'Volume',
  model: 'Fits model',
  other: 'Option',
};
