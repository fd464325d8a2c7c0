/** What refusals say of files that come and go: sheets, lists and their cells, backups. */

interface Named {
  label: string;
}

/** What was changed while a file was read, so that what was read of it does not hold any more. */
const OVERTAKEN_BY = {
  family: 'a family of it was changed',
  begun: 'a family of the same style code, or the same name and brand, was begun',
  number: 'one of its SKUs or GTINs was given to other goods',
  setup: 'accounts, rules, pairings or what the registry holds were changed',
};

export const FILE_REFUSALS = {
  'sheet.no-json': (p: { file: string }) => `${p.file} is no JSON that can be read. Is it whole?`,
  'sheet.no-text': (p: { file: string }) =>
    `${p.file} is neither a sheet nor text, whatever it is called. Save the list as CSV, XLSX or JSON.`,
  'sheet.no-list': (p: { file: string }) =>
    `${p.file} holds no list: an array of records is wanted, alone or in an object.`,
  'sheet.old-workbook': (p: { file: string }) =>
    `${p.file} is a workbook of the old binary kind. Save it as XLSX or CSV.`,
  'sheet.unknown': (p: { file: string; sheet: string; sheets: string }) =>
    `${p.file} has no sheet "${p.sheet}": ${p.sheets}.`,
  'backup.none': (p: { file: string }) => `${p.file} is no backup of this program. Nothing was changed.`,
  'backup.broken': (p: { file: string }) =>
    `${p.file} is cut off or has a fault. Nothing was changed. Take the backup anew if its source is still there.`,
  'backup.newer': (p: { file: string }) =>
    `${p.file} was made by a newer version of this program. Bring this one up to date first.`,
  'backup.unfit': (p: { file: string; why: string }) =>
    `${p.file} cannot be brought back: ${p.why}. Nothing was changed. Take another backup.`,
  'backup.not-kept': () => 'This data is not kept any more.',
  'file.overtaken': (p: { by: keyof typeof OVERTAKEN_BY }) =>
    `Each time it was read something else was changed before it could be taken in; the last time ` +
    `${OVERTAKEN_BY[p.by]}. Nothing of it was taken in. Take it in again in a moment.`,
  'export.gone': () => 'This file is not kept any more. Take it out again.',
  'list.taken': () => 'This list was taken in already. Undo that in the journal, or read it again.',
  'list.silent': (p: { account: string }) => `${p.account} does not answer. Try again in a while.`,
  'list.nothing-live': (p: { account: string }) => `Nothing stands on ${p.account}.`,
  'list.number-twice': (p: { kind: string; number: string; row: number; family: string }) =>
    `The ${p.kind} ${p.number} stands in row ${p.row} already, with ${p.family}. Each number belongs to one child: give this row its own.`,
  'list.no-good-child': (p: { family: string }) =>
    `None of the children of ${p.family} can be taken in; mend their rows, and it comes with them.`,
  'list.no-child': (p: { number: string }) =>
    p.number === ''
      ? 'It says that a child goes, but neither by its SKU nor by its GTIN which.'
      : `Nobody has the number ${p.number}: nothing goes.`,
  'list.axis-more': (p: Named & { family: string }) =>
    `${p.family} has no axis ${p.label}, and these rows do not say of every child there, by its number, the one value they all have. Add it to the family first, or part these rows from it.`,
  'sheet.none': () => 'No file came with this.',
  'sheet.empty': (p: { file: string }) => `${p.file} has no sheet.`,
  'sheet.cut-off': (p: { file: string }) =>
    `${p.file} is not a whole XLSX file: it is cut off or of another kind. Save it again and bring it back.`,
  'sheet.unreadable': (p: { file: string; line: number | null }) =>
    `${p.file} is no CSV this program can read: there is a fault${p.line === null ? '' : ` in line ${p.line}`}, often a quotation mark that is not closed.`,
  'sheet.too-large': (p: { file: string; rows: number; columns: number; mostRows: number; mostColumns: number }) =>
    `${p.file} has ${p.rows} rows and ${p.columns} columns as far as it was read; ${p.mostRows} and ${p.mostColumns} are taken at most. Bring it in smaller parts.`,
  'sheet.too-slow': (p: { file: string }) =>
    `${p.file} takes too long to read and was left. Bring it in smaller parts.`,
  'sheet.too-heavy': (p: { file: string }) =>
    `${p.file} needs more memory than a sheet is given. Bring it in smaller parts.`,
  'sheet.bomb': (p: { file: string; megabytes: number }) =>
    `${p.file} would be more than ${p.megabytes} MB unpacked and was not read. Save the sheet without pictures and empty rows.`,
  'sheet.no-axis-column': (p: { axes: string; first: string }) =>
    `The file has no column for ${p.axes}. Every axis needs one, such as "Option: ${p.first}".`,
  'cell.sku-missing': () => 'The SKU is missing; orders find the child by it.',
  'cell.twice': () => 'This child stands in the file twice; the first row was taken.',
  'cell.empty': (p: Named) => `${p.label} is empty.`,
  'cell.belongs': (p: { text: string; owner: string }) => `${p.text} belongs to ${p.owner} already.`,
  'file.unknown': () => 'Families leave as json, csv or xlsx.',
};
