/** Lists as they are written in tests, and small catalogues for them. */
import type { Family } from '../src/family/shape';
import { identifierOwners, identityOf } from '../src/identifiers/sameness';
import type { Become } from '../src/intake/importPlan/shape';
import type { Shelves } from '../src/intake/importPlan/shelves';
import { unreadable } from '../src/refusal/refusal';
import { freeze } from 'immer';

/** A list whose cells stand between semicolons. */
export const tableOf = (text: string): string[][] =>
  text
    .trim()
    .split('\n')
    .map((line) => line.split(';').map((cell) => cell.trim()));

/** A catalogue that holds nothing yet. */
export const EMPTY_SHELVES: Shelves = {
  expect: () => undefined,
  ownerOf: () => undefined,
  keyed: () => undefined,
  styled: () => undefined,
  named: () => undefined,
  load: (id) => {
    throw new Error(`there is no family ${id}`);
  },
  outside: { takenElsewhere: () => null, bound: () => null },
  newId: () => crypto.randomUUID(),
};

/** A catalogue with these families, as the plans of a list have left them. */
export function shelvesWith(plans: readonly Become[]): Shelves {
  const families = plans.flatMap(({ family }) => (family ? [freeze(family, true)] : []));
  const stock = Object.fromEntries(plans.flatMap(({ pieces }) => pieces.map((one) => [one.childId, one.pieces])));
  const byId = new Map(families.map((family) => [family.id, family]));
  const owners = new Map(
    families.flatMap((family) =>
      [...identifierOwners(family)].map(([key, child]) => [key, { familyId: family.id, childId: child.id }] as const),
    ),
  );
  const only = (is: (family: Family) => boolean) => {
    const found = families.filter(is);
    return found.length === 1 ? found[0]!.id : undefined;
  };
  const around = (familyId: string): Shelves['outside'] => ({
    takenElsewhere(kind, figure) {
      const owner = owners.get(`${kind}|${identityOf(kind, figure)}`);
      return owner && owner.familyId !== familyId
        ? unreadable('sku.taken', { sku: figure, owner: String(byId.get(owner.familyId)!.fields.name) })
        : null;
    },
    bound: () => null,
  });
  return {
    expect: () => undefined,
    ownerOf: (kind, identity) => owners.get(`${kind}|${identity}`),
    keyed: () => undefined,
    styled: (code) => only(({ fields }) => fields.styleCode === code),
    named: (name, brand) => only(({ fields }) => fields.name === name && (fields.brand ?? '') === brand),
    load: (id) => ({ family: byId.get(id)!, stock, around: around(id) }),
    outside: around(''),
    newId: () => crypto.randomUUID(),
  };
}
