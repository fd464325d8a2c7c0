/** What refusals say of axes and values, of families gathered and left, and of labels. */

interface Named {
  label: string;
}

export const STRUCTURE_REFUSALS = {
  'axis.unknown': () => 'This axis is not in the family any more. Reload the family.',
  'axis.twice': (p: Named) => `There is an axis ${p.label} already.`,
  'axis.too-many': () => 'A family has six axes at most.',
  'axis.empty': () => 'An axis needs at least one value.',
  'axis.no-label': () => 'An axis needs a name.',
  'axis.would-be-empty': (p: Named) => `The axis ${p.label} would have no value left. Remove the axis instead.`,
  'axis.alike': (p: Named & { groups: number }) =>
    `Without ${p.label}, ${p.groups} ${p.groups === 1 ? 'group' : 'groups'} of children would be alike. Say which child of each stays.`,
  'axis.one': () => 'Choose two axes at least to be joined.',
  'axis.not-parted': (p: Named & { values: string }) =>
    `${p.values} on ${p.label} ${p.values.includes(', ') ? 'have' : 'has'} no two parts yet. Write both.`,
  'axis.parts-alike': (p: { first: string; second: string }) =>
    `${p.first} and ${p.second} would be the same on both axes. Merge them first, or write other parts.`,
  'value.alike': (p: Named & { groups: number }) =>
    `On ${p.label}, ${p.groups === 1 ? 'a child stands' : `${p.groups} children stand`} already. Say which of each pair stays.`,
  'gather.no-label': () => 'A child has no label on one of the axes yet. Write what tells it apart.',
  'gather.alike': (p: { labels: string }) =>
    `Two children would be ${p.labels}. Give them other labels, or leave one of them out.`,
  'gather.stale': (p: { family: string }) =>
    `${p.family} was changed meanwhile. Look again what becomes of its children.`,
  'gather.nobody': () => 'Choose two families at least: one that stays, and one that comes into it.',
  'labels.none': () => 'None of these children has a GTIN yet. Give them numbers first.',
  'labels.none-counted': () => 'None of these children has a piece to be labelled. Count them, or print one each.',
  'labels.case': (p: { gtin: string }) =>
    `${p.gtin} is the number of a case: no till reads it, so it has no label here.`,
  'labels.narrow': (p: { least: number }) =>
    `These labels are too narrow: the smallest symbol, ${p.least} %, does not fit with the white beside it. Choose wider ones.`,
  'labels.percent': (p: { percent: number; least: number; most: number }) =>
    `${p.percent} % cannot be printed on these labels: from ${p.least} % to ${p.most} % fits.`,
  'labels.many': (p: { labels: number; most: number }) =>
    `${p.labels} labels are too many at once; ${p.most} are printed. Choose fewer children.`,
  'leave.all': () => 'All children of a family cannot leave it: the last of them is the family.',
  'value.unknown': (p: Named) => `This value is not on the axis ${p.label} any more. Reload the family.`,
  'value.empty': () => 'A value needs a label.',
  'value.too-long': (p: Named & { most: number }) =>
    `"${p.label.slice(0, 40)}…" has ${p.label.length} characters; a label has ${p.most} at most.`,
  'value.too-many': (p: Named & { most: number }) => `The axis ${p.label} would have more than ${p.most} values.`,
  'value.marks': (p: { place: string }) => `${p.place} holds a sign that no text has, such as a NUL character.`,
  'value.twice': (p: Named) => `${p.label} is on this axis already. To make two values one, merge them.`,
  'value.code': () => 'A short code has 1 to 12 letters and digits.',
  'value.code-twice': (p: Named & { code: string }) => `${p.label} has the code ${p.code} already.`,
} as const;
