/**
 * What every refusal says: code → sentence made from its parameters. Checks give codes; only here they become words.
 */

import type { Level } from '../place/place';
import { listed } from '../text/counts';
import { FILE_REFUSALS } from './fileRefusals';
import { STRUCTURE_REFUSALS } from './structureRefusals';

interface Named {
  label: string;
}
interface Cell {
  field: string;
  text: string;
}

export const REFUSALS = {
  'location.twice': (p: Named) => `There is a place ${p.label} already.`,
  'location.main': () => 'The first place stays: give it another name instead.',
  'location.unknown': () => 'There is no such place where pieces are kept.',
  'location.holds': (p: Named & { pieces: number }) =>
    `${p.label} holds ${p.pieces.toLocaleString('en')} pieces. Count them to 0 there, or count them elsewhere, first.`,
  'stock.elsewhere': (p: { where: string; pieces: number; elsewhere: number }) =>
    `${p.where}: ${p.elsewhere} pieces stand at other places than the first, more than the ${p.pieces} counted in all. Count place by place.`,
  'tax.rates': (p: { text: string }) =>
    `"${p.text}" is no tax rate: write "19", or "5 up to 1000, 12" where it depends on the price.`,
  'tax.rates-order': (p: { problem: string }) => `${p.problem} Write such as "5 up to 1000, 12".`,
  'registry.chosen': (p: { families: number; names: readonly string[] }) =>
    `${listed(p.names)}${p.families > p.names.length ? ` and ${p.families - p.names.length} more` : ''} ${p.families === 1 ? 'has' : 'have'} chosen it. Choose another there first.`,
  'registry.unknown': (p: { id: string }) => `${p.id} is not there any more.`,
  'figure.no-address': (p: { field: string }) =>
    `${p.field} is an address on the web that begins with https://, such as https://video.example/jacket.`,
  'condition.list': (p: { field: string }) =>
    `"is one of" goes with a list of values, other comparisons of ${p.field} with one.`,
  'condition.no-number': (p: { field: string }) => `${p.field} is no number: it is neither above nor below anything.`,
  'route.twice': () => 'Two routes have the same id.',
  'collection.all': (p: Named) => `${p.label} has no condition: every family would be in it. Say which are.`,
  'collection.twice': (p: Named) => `There is a collection ${p.label} already.`,
  'rulebook.unknown': (p: { version: number }) => `No rules of version ${p.version} were ever met. Fetch them first.`,
  'rulebook.not-own': (p: { channel: string }) =>
    `${p.channel} publishes its own rules. Give yours another channel id, such as ${p.channel}-own.`,
  'channel.own': (p: Named) =>
    `${p.label} has rules of your own and no connection: download its upload sheet in the family's fit instead.`,
  'family.unknown': () => 'There is no such family.',
  'family.no-name': () => 'A family needs a name.',
  'family.too-large': (p: { crossings: number; most: number }) =>
    `These axes make ${p.crossings.toLocaleString('en')} crossings; ${p.most.toLocaleString('en')} fit into one family.`,
  'family.twin-crossing': (p: { where: string }) => `Two children stand at ${p.where}.`,
  'family.twin-id': (p: { id: string }) => `The id ${p.id} stands twice in the family.`,
  'family.wrong-id': (p: { id: string }) => `"${p.id}" is no id this program gives. Ids have small letters and digits.`,
  'family.next-too-low': (p: { next: number; id: string }) =>
    `The family's next id number is ${p.next}, but ${p.id} is in use: new values would take ids twice.`,
  'family.child-off-axis': (p: { id: string; label: string }) =>
    `The child ${p.id} has no value on the axis ${p.label}.`,
  'family.child-misfiled': (p: { id: string }) => `The child ${p.id} is filed under another id.`,
  'combination.values': () =>
    'Choose options of two axes or more, but not of all: what has one of every axis is a single child.',
  'combination.misfiled': (p: { key: string }) => `The combination ${p.key} is filed under other values.`,
  'family.shelf-stands': (p: { id: string }) => `The child ${p.id} lies on the shelf and stands in the weave as well.`,
  'family.stale': (p: { now: number; seen: number }) =>
    `The family was changed meanwhile: it is at revision ${p.now}, you saw ${p.seen}. It is loaded anew; do it again.`,
  ...STRUCTURE_REFUSALS,
  ...FILE_REFUSALS,
  'child.unknown': () => 'This child is not in the family any more. Reload the family.',
  'field.unknown': (p: { key: string }) => `There is no field "${p.key}".`,
  'field.level': (p: { field: string; level: Level }) =>
    `${p.field} cannot stand on ${{ family: 'the family', value: 'a value', combination: 'several values together', child: 'a child' }[p.level]}.`,
  'field.scope': (p: { field: string; scope: string }) => `${p.field} is one for all; it cannot be set for ${p.scope}.`,
  'figure.too-long': (p: { field: string; length: number; most: number }) =>
    `${p.field} has ${p.length} characters; ${p.most} fit.`,
  'figure.too-many': (p: { field: string; count: number; most: number }) =>
    `${p.field} has ${p.count} entries; ${p.most} fit.`,
  'figure.no-amount': (p: Cell) => `"${p.text}" is no amount. Type a number such as 189.00.`,
  'figure.below-zero': (p: { field: string }) => `${p.field} cannot be below zero.`,
  'figure.no-weight': (p: Cell) => `"${p.text}" is no weight. Type it like 350, 0.35 kg or 12 oz.`,
  'figure.no-length': (p: Cell) => `"${p.text}" is no length. Type it like 35, 350 mm or 14 in.`,
  'figure.no-number': (p: Cell) => `"${p.text}" is no number. Type it like 38 or 2.5, without its unit.`,
  'figure.no-count': (p: Cell & { unit: string }) => `"${p.text}" is no whole number of ${p.unit}.`,
  'figure.two-readings': (p: Cell & { one: string; other: string }) =>
    `"${p.text}" can be read as ${p.one} and as ${p.other}. Type it with a point before decimals and nothing between thousands.`,
  'figure.no-yes-no': (p: Cell) => `"${p.text}" is neither yes nor no.`,
  'figure.no-date': (p: Cell) => `"${p.text}" is no date. Type it like 2027-03-01, 1.3.2027 or 1 March 2027.`,
  'figure.two-days': (p: Cell & { one: string; other: string }) =>
    `"${p.text}" can be ${p.one} and ${p.other}. Type it as year-month-day.`,
  'figure.no-surcharge': (p: Cell) => `"${p.text}" is no surcharge. Type it like +4, -2.50 or +5 %.`,
  'sum.form': (p: Cell) => `"${p.text}" is no sum that can be worked out. Type it like =240+4, +4, -10 % or *1.1.`,
  'sum.nothing': (p: Cell) =>
    `"${p.text}" goes on from a figure, and ${p.field} has none here. Type the figure itself.`,
  'sum.zero': (p: Cell) => `"${p.text}" parts by zero.`,
  'figure.no-choice': (p: Cell & { choices: string }) => `"${p.text}" is not one of: ${p.choices}.`,
  'figure.composition': (p: Cell) =>
    `"${p.text}" is no composition. Write parts with percentages, such as 80 % wool, 20 % nylon.`,
  'figure.composition-sum': (p: { sum: string }) => `The parts add up to ${p.sum} %, not to 100 %.`,
  'figure.composition-parts': (p: { count: number; most: number }) =>
    `A composition of ${p.count} parts: ${p.most} are written at most.`,
  'figure.kind': (p: { field: string; kind: string }) => `${p.field} has to be ${p.kind}.`,
  'figure.marks': (p: { field: string }) => `${p.field} holds a sign that no text has, such as a NUL character.`,
  'sku.form': (p: { text: string }) =>
    `"${p.text}": a SKU has letters, digits and - . _ / and starts with a letter or digit.`,
  'sku.long': (p: { text: string; most: number }) =>
    `"${p.text}" has ${p.text.length} characters; a SKU has ${p.most} at most.`,
  'sku.long-there': (p: { text: string; most: number; account: string }) =>
    `${p.text} has ${p.text.length} characters; ${p.account} takes ${p.most} at most.`,
  'sku.pattern': (p: { mark: string }) => `The pattern has {${p.mark}}, which this family does not have.`,
  'sku.house-mark': (p: { mark: string; marks: string }) =>
    `The pattern has {${p.mark}}, which not every family has. It may have ${p.marks}.`,
  'sku.pattern-empty': (p: { mark: string }) =>
    `The pattern has {${p.mark}}, and the family has none yet: fill it in, or leave the mark out.`,
  'sku.pattern-twice': (p: { sku: string }) =>
    `Two children would be ${p.sku}. Put every axis into the pattern, or give the values codes that differ.`,
  'sku.given-before': (p: { sku: string }) => `${p.sku} belongs to another child, or did once.`,
  'sku.pattern-long': (p: { most: number }) => `The SKU pattern would have more than ${p.most} characters.`,
  'sku.twice': (p: { sku: string; owner: string }) =>
    `SKU ${p.sku} belongs to ${p.owner} already. Each child has its own.`,
  'sku.taken': (p: { sku: string; owner: string }) => `The SKU ${p.sku} belongs to ${p.owner} already.`,
  'sku.used-before': (p: { sku: string; owner: string }) =>
    `${p.sku} was the SKU of ${p.owner} before. Orders of that time find the goods by it, so it is never given to another.`,
  'sku.live': (p: { sku: string; account: string }) =>
    `${p.sku} is listed on ${p.account}: orders come in under it. Take it down there first, then change it.`,
  'sku.under-way': (p: { sku: string; account: string }) =>
    `${p.sku} is on its way to ${p.account}: wait for the answer, or stop the dispatch, then change it.`,
  'gtin.twice': (p: { gtin: string; owner: string }) =>
    `GTIN ${p.gtin} belongs to ${p.owner} already. Each child has its own.`,
  'gtin.taken': (p: { gtin: string; owner: string }) => `The GTIN ${p.gtin} belongs to ${p.owner} already.`,
  'gtin.used-before': (p: { gtin: string; owner: string }) =>
    `${p.gtin} was the GTIN of ${p.owner} before: a number given out stays with what it was given to.`,
  'gtin.scientific': (p: { text: string }) =>
    `"${p.text}" was turned into a power of ten by a spreadsheet and its last digits are lost. Format the column as text and paste it again.`,
  'gtin.letters': (p: { text: string }) => `"${p.text}" is no GTIN: it has 8, 12, 13 or 14 digits and nothing else.`,
  'gtin.length': (p: { digits: string }) => `${p.digits} has ${p.digits.length} digits; a GTIN has 8, 12, 13 or 14.`,
  'gtin.internal': (p: { digits: string; begins: string }) =>
    `${p.digits} begins with ${p.begins} and holds inside one company only; it is not a global number.`,
  'gtin.variable': (p: { digits: string }) =>
    `${p.digits} begins with 9: such numbers stand for goods of varying measure, weighed at the till.`,
  'gtin.zeros': () => 'A GTIN of zeros alone names nothing.',
  'gtin.lost-zero': (p: { digits: string; right: string }) =>
    `${p.digits} has lost ${p.right.length - p.digits.length === 1 ? 'its leading zero' : 'its leading zeros'}: ${p.right} is right.`,
  'gtin.check-digit': (p: { digits: string; wanted: number }) =>
    `${p.digits}: the last digit is ${p.digits.at(-1)}, by the others it must be ${p.wanted}. Look at the number again.`,
  'gtin.isbn-or-upc': (p: { digits: string }) =>
    `${p.digits} can be an ISBN, and a UPC that lost two zeros. Write "ISBN" before it, or the zeros.`,
  'gtin.short-form': (p: { digits: string; whole: string }) =>
    `${p.digits} is the short form of a UPC. Written out it is ${p.whole}: enter that.`,
  'parts.form': (p: { text: string }) =>
    `"${p.text}" is no part of a set: write how many and the SKU, such as "2 × SKJ-RST-M".`,
  'parts.pieces': (p: { sku: string; most: number }) => `Of ${p.sku} a set has 1 to ${p.most} pieces.`,
  'parts.many': (p: { count: number; most: number }) => `A set of ${p.count} items: ${p.most} are kept at most.`,
  'parts.itself': (p: { sku: string }) => `${p.sku} would be a part of itself.`,
  'parts.of-set': (p: { sku: string }) => `${p.sku} is a set itself: name the items that are in it.`,
  'parts.is-part': (p: { sku: string; owner: string }) =>
    `${p.sku} is a part of ${p.owner}: what is in a set cannot be a set itself.`,
  'stock.set': (p: { where: string }) => `${p.where} is a set: its pieces follow from its parts. Count those.`,
  'block.none': () => 'There is no number block. Add one under Setup, or paste the numbers.',
  'block.prefix': (p: { text: string }) => `"${p.text}" is no beginning of numbers: it has 4 to 11 digits.`,
  'block.empty': (p: { count: number; left: number }) =>
    `${p.count} ${p.count === 1 ? 'number is' : 'numbers are'} wanted and ${p.left === 0 ? 'none is' : `${p.left} ${p.left === 1 ? 'is' : 'are'}`} left. Add a block under Setup, or take fewer.`,
  'block.overlaps': (p: Named & { prefix: string }) => `This block overlaps with ${p.label} (${p.prefix}…).`,
  'block.internal': () => 'Numbers that begin so hold inside one company only; no channel takes them.',
  'block.reserved': (p: Named) =>
    `${p.label}: those numbers are set aside already, or the block does not have as many.`,
  'block.no-run': (p: Named & { count: number }) =>
    `${p.label} has no ${p.count} free numbers in a row. Set fewer aside.`,
  'block.no-reservation': () => 'What was set aside is not there any more.',
  'block.none-back': (p: { known: number }) =>
    p.known > 0
      ? `${p.known === 1 ? 'The number has' : `All ${p.known} numbers have`} been told to an account: a number that was out stays with its goods.`
      : 'None of the children has a number of your blocks.',
  'block.unknown': () => 'There is no such number block.',
  'category.unknown': (p: { id: string }) => `There is no category "${p.id}". Add it under Setup first.`,
  'category.twice': (p: Named) => `There is a category ${p.label} in this place already.`,
  'category.circle': (p: Named) => `${p.label} cannot stand under itself.`,
  'fact.built-in': (p: { key: string }) => `"${p.key}" is a field of the program's own. Take another key.`,
  'fact.type-fixed': (p: Named) => `${p.label} has figures already: its kind stays. Retire it and add another fact.`,
  'language.twice': (p: { tag: string }) => `${p.tag} is in the list already.`,
  'language.wrong': (p: { tag: string }) => `"${p.tag}" is no language tag, such as en, de or pt-BR.`,
  'language.used': (p: { tag: string; account: string }) =>
    `${p.account} is written in ${p.tag}. Give the account another language first.`,
  'word.unknown': (p: Named) => `${p.label} is not in the dictionary.`,
  'registry.wrong': (p: { where: string; why: string }) => `The registry file is wrong at ${p.where}: ${p.why}.`,
  'account.unknown': () => 'There is no such account.',
  'account.twice': (p: Named) => `There is an account ${p.label} already.`,
  'account.holds': (p: Named & { listings: number }) =>
    `${p.label} holds ${p.listings} ${p.listings === 1 ? 'listing' : 'listings'}. Take them down first.`,
  'account.last': (p: Named) => `${p.label} is the only account on its channel and stays.`,
  'channel.unknown': () => 'There is no such channel.',
  'channel.silent': () => 'The channel cannot be reached. Its rules stay as they were.',
  'channel.no-category': (p: { id: string }) => `The channel has no category "${p.id}".`,
  'rulebook.wrong': (p: { channel: string; problem: string }) =>
    `The rulebook of ${p.channel} cannot be read: ${p.problem}`,
  'picture.unknown': () => 'There is no such picture.',
  'picture.not-taken-in': () => 'A picture of this change was never taken in.',
  'picture.unreadable': (p: { file: string }) =>
    `${p.file} is no picture this program can read. PNG, JPEG, WebP, AVIF, TIFF and GIF are taken; a drawing is exported as PNG first.`,
  'picture.too-large': (p: { file: string; millions: number }) =>
    `${p.file} has more than ${p.millions} million pixels.`,
  'picture.too-slow': (p: { file: string }) =>
    `${p.file} took more than a minute to read and was left out. Save it anew, as PNG or JPEG.`,
  'picture.too-heavy': (p: { file: string; megabytes: number }) =>
    `${p.file} has more than ${p.megabytes} MB and was left out. Save it smaller, as JPEG for instance.`,
  'picture.path': (p: { file: string }) =>
    `${p.file} points out of the archive and was left out. Pack the folder anew.`,
  'picture.locked': (p: { file: string }) => `${p.file} is locked with a password and was left out.`,
  'picture.in-archive': (p: { file: string }) =>
    `${p.file} is an archive within an archive and was left out. Bring it by itself.`,
  'picture.many-in-archive': (p: { file: string; most: number }) =>
    `${p.file} holds more than ${p.most.toLocaleString('en')} files: the first of them were taken. Bring the others in another archive.`,
  'picture.bomb': (p: { file: string; megabytes: number }) =>
    `${p.file} would be more than ${p.megabytes.toLocaleString('en')} MB unpacked: what came before that was taken.`,
  'picture.archive-broken': (p: { file: string }) =>
    `${p.file} is damaged or was cut off on its way: what could be read of it was taken. Pack or send it anew.`,
  'picture.address': (p: { file: string }) =>
    `${p.file} is no address on the web that begins with https:// or http://.`,
  'picture.address-inside': (p: { file: string }) =>
    `${p.file} lies within a network that is not open to all; only public addresses are fetched.`,
  'picture.address-silent': (p: { file: string; seconds: number }) =>
    `${p.file} did not answer within ${p.seconds} seconds.`,
  'picture.address-refused': (p: { file: string; status: number }) =>
    `${p.file} answered ${p.status}: there is no picture.`,
  'picture.address-failed': (p: { file: string }) => `${p.file} cannot be reached.`,
  'picture.address-type': (p: { file: string; type: string }) =>
    `${p.file} is a ${p.type}, no picture. Take the address of the picture itself.`,
  'picture.address-turns': (p: { file: string }) => `${p.file} leads on from one address to another without an end.`,
  'pictures.none': () => 'There is neither a file nor an address.',
  'pictures.unknown': () => 'These pictures were taken in too long ago, or never. Bring them again.',
  'picture.too-many': (p: { most: number }) => `More than ${p.most} pictures would stand in one place.`,
  'change.unknown': () => 'There is no such change.',
  'undo.nothing': () => 'There is nothing left to take back.',
  'undo.overtaken': (p: { title: string; later: string }) =>
    `"${p.title}" cannot be taken back alone: "${p.later}" came after it and touched the same place. Take that back first.`,
  'undo.sent': (p: Named) => `${p.label} was sent to a channel since. Retire the family instead.`,
  'redo.nothing': () => 'There is nothing to make again.',
  'redo.overtaken': (p: { title: string; later: string }) =>
    `"${p.title}" cannot be made again: "${p.later}" has taken its place.`,
  'patch.root': () => 'A patch may not replace the whole.',
  'patch.misfit': (p: { path: string }) =>
    `This change cannot be taken back: what it touched has changed since (${p.path}).`,
  'key.taken': () => 'This key was used for another change. Load the page anew.',
  'stock.twice': (p: { where: string }) => `${p.where} stands in this count twice.`,
  'stock.not-counted': (p: { where: string }) =>
    `${p.where} is not counted: it is made to order or without limit. Count it again first.`,
  'job.unknown': () => 'There is no such job.',
  'job.not-done': () => 'This job has not ended yet.',
  'job.file-gone': () => 'The file of this job is not kept any more. Choose it again.',
  'job.ended': () => 'This job has ended; there is nothing to stop or to go on with.',
  'upload.held': (p: Named & { count: number; first: string }) =>
    `There is no sheet for ${p.label} while it is held back: ${p.first}${p.count > 1 ? ` And ${p.count - 1} more.` : ''}`,
  'upload.nothing': (p: Named) => `${p.label} holds all of it already: there is nothing to upload.`,
  'dispatch.unknown': () => 'There is no such dispatch.',
  'dispatch.line-unknown': () => 'There is no such line of a dispatch.',
  'dispatch.total-changed': () => 'The total has changed since you agreed to it. Look at it again.',
  'input.wrong': (p: { what: string; where: string; why: string }) =>
    `The ${p.what} is not as it should be${p.where ? ` at ${p.where}` : ''}: ${p.why}`,
  'input.too-large': () => 'This is too large to be taken in at once. Bring it in smaller parts.',
  'input.deep': (p: { most: number }) => `This JSON is nested more than ${p.most} deep: nothing here is.`,
  'input.form': (p: { field: string }) => `The form has a field "${p.field}" that is not asked for.`,
  'input.no-json': () => 'This is no JSON: it is cut off or has a fault.',
  'api.unknown': () => 'There is no such address in the API.',
  'server.silent': () => 'The server does not answer just now. What you typed waits; do this again when it is back.',
  'server.full': () =>
    'There is no space left on the disk. Nothing was changed. Make room, then do this again; work that was under way goes on by itself.',
  'server.busy': () => 'Something else is writing the data just now. Nothing was changed; try again in a moment.',
  'server.read-only': () =>
    'The data folder cannot be written: its disk is read-only, or this user has no right to. Nothing was changed. Make it writable, then do this again.',
  'server.fault': () => 'Something went wrong inside. Nothing was changed; try again.',
} as const;

export type RefusalCode = keyof typeof REFUSALS;
/** The parameters of a code; codes without any take an empty object. */
export type RefusalParams<C extends RefusalCode> = Parameters<(typeof REFUSALS)[C]> extends [infer P] ? P : NoParams;
type NoParams = Record<string, never>;

/** The sentence for a refusal. */
export function refusalText<C extends RefusalCode>(code: C, params: RefusalParams<C>): string {
  return (REFUSALS[code] as (given: RefusalParams<C>) => string)(params);
}
