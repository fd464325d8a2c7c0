/** What a column of a list can mean, as it is chosen and said. */
import { ROLES, type Role } from '@loom-kin/core/family';
import { ACROSS_KEYS, type AcrossKey, type Meaning } from '@loom-kin/core/intake';
import { ROLE_LABELS, type Registry } from '@loom-kin/core/registry';

export interface MeaningChoice {
  /** Choices are told apart by it. */
  value: string;
  label: string;
  meaning: Meaning;
}

const choice = (label: string, meaning: Meaning): MeaningChoice => ({ value: keyOf(meaning), label, meaning });

/** Which choice a meaning is: an axis is the same whatever it is called. */
export function keyOf(meaning: Meaning): string {
  if (meaning.is === 'option') return `option ${meaning.role}`;
  if (meaning.is === 'across') return `across ${meaning.role} ${meaning.key ?? 'stock'}`;
  return JSON.stringify(meaning);
}

/** Roles whose values go across the columns of lists, and what stands below them. */
const ACROSS: readonly Role[] = ['size', 'colour'];
const BELOW: Record<AcrossKey, string> = { stock: 'Pieces', price: 'Prices', gtin: 'GTINs', sku: 'SKUs' };
const acrossText = (role: Role, key: AcrossKey): string => `${BELOW[key]} of this ${ROLE_LABELS[role].toLowerCase()}`;

/** All choices, in groups. */
export function meaningChoices(registry: Registry, header: string): { label: string; choices: MeaningChoice[] }[] {
  const fields = registry.fields.filter(
    ({ type, onlyScoped }) => !onlyScoped && type !== 'pictures' && type !== 'surcharge',
  );
  return [
    {
      label: 'Axes',
      choices: ROLES.map((role) =>
        choice(role === 'other' ? 'Another axis' : ROLE_LABELS[role], {
          is: 'option',
          role,
          label: header.slice(0, 40) || ROLE_LABELS[role],
        }),
      ),
    },
    {
      label: 'How rows belong together',
      choices: [
        choice('Several options in a cell', { is: 'options' }),
        choice("The parent's number", { is: 'parent' }),
        choice("The children's SKUs", { is: 'children' }),
        choice('Parent or child', { is: 'kind' }),
        choice('A key that a family has', { is: 'group' }),
        choice('The line of goods', { is: 'line' }),
      ],
    },
    {
      label: 'What stands below a value',
      choices: ACROSS.flatMap((role) =>
        ACROSS_KEYS.map((key) =>
          choice(acrossText(role, key), {
            is: 'across',
            role,
            value: header.slice(0, 80) || '?',
            ...(key === 'stock' ? {} : { key }),
          }),
        ),
      ),
    },
    { label: 'Figures and texts', choices: fields.map(({ key, label }) => choice(label, { is: 'field', key })) },
    {
      label: 'Else',
      choices: [
        choice('Pictures, by address', { is: 'picture' }),
        choice('What is done with the row', { is: 'deed' }),
        choice('Left alone', { is: 'ignored' }),
      ],
    },
  ];
}

/** Whether a meaning is among the choices; what is found in some lists only is said, and not offered everywhere. */
export const isOffered = (meaning: Meaning): boolean =>
  meaning.is === 'across' ? ACROSS.includes(meaning.role) : meaning.is !== 'optionName' && meaning.is !== 'optionValue';

/** What a meaning is called where it is not among the choices. */
export function meaningText(meaning: Meaning): string {
  if (meaning.is === 'optionName') return `Name of option ${meaning.number}`;
  if (meaning.is === 'optionValue') return `Value of option ${meaning.number}`;
  return meaning.is === 'across' ? acrossText(meaning.role, meaning.key ?? 'stock') : meaning.is;
}

/** Why a column is taken for what it is. */
export const REASONS: Record<string, string> = {
  header: 'by its header',
  content: 'by what stands in it',
  both: 'by its header and what stands in it',
  remembered: 'as you said of the last list of this kind',
  headings: 'no column has names, and these lines stand above rows',
  chosen: 'as you said',
  beside: 'by the column beside it',
  nothing: 'nothing is known of it',
  twice: 'another column means the same',
};
