/** The family that the good rows of a sheet make. */
import { runCommand } from '../change/run';
import { childAt } from '../family/weave';
import type { Family } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import type { SheetReading } from './readSheet';

export interface SheetTaken {
  family: Family;
  pieces: { childId: string; pieces: number }[];
}

/** Runs the stages of a reading one after the other. A family that nothing changes comes back as it is. */
export function takeReading(registry: Registry, held: Family, reading: SheetReading): SheetTaken {
  const family = reading.stages.reduce((now, stage) => {
    const commands = stage(now);
    return commands.length === 0
      ? now
      : runCommand(registry, now, { do: 'batch', title: 'Take a sheet in', commands }).family;
  }, held);
  const pieces = reading.stock.flatMap(({ labels, pieces: counted }) => {
    const child = childAt(family, labels);
    return child ? [{ childId: child.id, pieces: counted }] : [];
  });
  return { family, pieces };
}
