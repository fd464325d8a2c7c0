/** A registry for the tests of the pages, and functions of the core as they are with it. */
import {
  type Command,
  type CreateFamily,
  createFamily as coreCreateFamily,
  runCommand as coreRunCommand,
} from '@loom-kin/core/change';
import type { Namer } from '@loom-kin/core/descriptions';
import type { Family, Role } from '@loom-kin/core/family';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import * as values from '../src/weave/draftValues';

export const registry = openRegistry(emptyRegistry());
export const namer: Namer = { registry, account: (id) => id };
export const createFamily = (spec: CreateFamily) => coreCreateFamily(registry, spec);
export const runCommand = (family: Family, command: Command) => coreRunCommand(registry, family, command);
export const draftValues = (labels: string[], role: Role, before?: values.DraftValue[]) =>
  values.draftValues(registry, labels, role, before);
