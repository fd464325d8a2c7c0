/** How roles of axes are called on screen. */
import type { Role } from '../family/shape';

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
