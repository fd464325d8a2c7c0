/** What each column of an upload sheet is for: how much the channel wants it, its closed list, and what may stand in it, in words. */
import { ownOf } from '../text/own';
import type { Rules } from '../rulebook/shape';
import { fieldSentence } from './rules';

export interface UploadColumn {
  header: string;
  need: 'required' | 'recommended' | 'optional';
  choices: readonly string[];
  text: string;
}

/** Columns that are the same on every channel that takes sheets. */
const COMMON: Record<string, Omit<UploadColumn, 'header'>> = {
  Row: {
    need: 'required',
    choices: ['family', 'child'],
    text: 'Whether the row is of the listing or of one of its children.',
  },
  Do: { need: 'required', choices: ['list', 'revise', 'take down'], text: 'What is done with it.' },
  Key: { need: 'required', choices: [], text: "The listing's key, or the child's SKU." },
  'Of family': { need: 'required', choices: [], text: 'The key of the listing that the row belongs to.' },
  Style: { need: 'optional', choices: [], text: 'The style code.' },
  'Varies by': { need: 'optional', choices: [], text: 'What the axes are about, parted by commas.' },
  'Without GTIN': { need: 'optional', choices: ['yes'], text: 'Sold without a GTIN under an exemption.' },
  Pieces: { need: 'required', choices: [], text: 'Pieces that can be sold.' },
  Plan: { need: 'optional', choices: [], text: 'How the axes were carried over: it is kept as it is.' },
};

/** The columns of a sheet with what is told of each. */
export function uploadColumns(headers: readonly string[], rules: Rules): UploadColumn[] {
  const fields = new Map(rules.fields.map((rule) => [rule.name, rule]));
  return headers.map((header): UploadColumn => {
    const rule = fields.get(header);
    if (rule)
      return {
        header,
        need: rule.need,
        choices: rule.choices ?? (rule.yesNo ? ['yes', 'no'] : []),
        text: fieldSentence(rule),
      };
    const common = ownOf(COMMON, header);
    if (common) return { header, ...common };
    if (header === 'GTIN')
      return {
        header,
        need: rules.identifiers.gtin === 'optional' ? 'optional' : 'required',
        choices: [],
        text: 'The number of the child.',
      };
    if (header.startsWith('Price '))
      return { header, need: 'required', choices: [], text: `In ${rules.price.currency}.` };
    const role = Object.entries(rules.axes.roles).find(([own, named]) => header === `${named?.name ?? own} group`);
    const choices = role?.[1]?.list?.map(({ label }) => label) ?? [];
    return {
      header,
      need: choices.length > 0 ? 'required' : 'optional',
      choices,
      text: choices.length > 0 ? "The channel's own value." : '',
    };
  });
}
