/** A registry for the tests of the pages, and functions of the core as they are with it. */
import * as core from '@loom-kin/core';
import * as values from '../src/weave/draftValues';

export const registry = core.openRegistry(core.emptyRegistry());
export const namer: core.Namer = { registry, account: (id) => id };
export const createFamily = (spec: core.CreateFamily) => core.createFamily(registry, spec);
export const runCommand = (family: core.Family, command: core.Command) => core.runCommand(registry, family, command);
export const draftValues = (labels: string[], role: core.Role, before?: values.DraftValue[]) =>
  values.draftValues(registry, labels, role, before);
