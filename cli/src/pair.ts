/** `loomkin pair`: which of a channel's own values some values most likely are. */
import { guessSwatch } from '@loom-kin/core/colour';
import { pairingReasonText } from '@loom-kin/core/descriptions';
import { ROLES, type Role } from '@loom-kin/core/family';
import { proposePairing } from '@loom-kin/core/pairing';
import { BadInput, categoryOf, checkRulebook, needed, openForChecks, readArgs, readJson, readRegistry } from './input';
import { give } from './output';

const OPTIONS = {
  rulebook: { type: 'string' },
  role: { type: 'string' },
  category: { type: 'string' },
  registry: { type: 'string' },
} as const;

/** 0: each has a likely pairing; 1: some have none, or a doubtful one. */
export function pairCommand(args: readonly string[]): number {
  const { values, positionals } = readArgs(args, OPTIONS);
  const path = needed(values.rulebook, 'rulebook');
  const registry = readRegistry(values.registry);
  const rulebook = checkRulebook(path, readJson(path), registry);
  const role = roleNamed(needed(values.role, 'role'));
  const { lists } = openForChecks(rulebook, registry).category(
    categoryOf(rulebook, values.category ?? rulebook.categories[0]!.id),
  )!;
  const list = lists.get(role);
  if (!list) throw new BadInput(`${rulebook.name} has no list of its own for ${role}.`);
  const told = positionals.map((given) => {
    const [label = '', swatch = guessSwatch(label) ?? undefined] = given.split('=');
    const proposal = proposePairing(role, swatch ? { label, swatch } : { label }, list);
    if (!proposal) return { value: label, to: null };
    return { value: label, to: proposal.to, confidence: proposal.confidence, reason: pairingReasonText(proposal) };
  });
  give(told);
  return told.every((one) => one.to !== null && one.confidence !== 'doubtful') ? 0 : 1;
}

function roleNamed(name: string): Role {
  const role = ROLES.find((one) => one === name);
  if (!role) throw new BadInput(`There is no role ${name}: ${ROLES.join(', ')}.`);
  return role;
}
