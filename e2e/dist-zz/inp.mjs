// e2e/zzin.mts
import { performance } from "node:perf_hooks";
import Sqlite from "better-sqlite3";
import { parse as parse3 } from "csv-parse/sync";
import { stringify as stringify2 } from "csv-stringify/sync";
import { rmSync, existsSync, readFileSync, writeFileSync } from "node:fs";
import { createHash } from "node:crypto";

// core/src/words/counts.ts
function listed(words3, before = "and") {
  return words3.length < 2 ? words3[0] ?? "" : `${words3.slice(0, -1).join(", ")} ${before} ${words3.at(-1)}`;
}

// core/src/words/structureRefusals.ts
var STRUCTURE_REFUSALS = {
  "axis.unknown": () => "This axis is not in the family any more. Reload the family.",
  "axis.twice": (p) => `There is an axis ${p.label} already.`,
  "axis.too-many": () => "A family has six axes at most.",
  "axis.empty": () => "An axis needs at least one value.",
  "axis.no-label": () => "An axis needs a name.",
  "axis.would-be-empty": (p) => `The axis ${p.label} would have no value left. Remove the axis instead.`,
  "axis.alike": (p) => `Without ${p.label}, ${p.groups} ${p.groups === 1 ? "group" : "groups"} of children would be alike. Say which child of each stays.`,
  "axis.one": () => "Choose two axes at least to be joined.",
  "axis.not-parted": (p) => `${p.values} on ${p.label} ${p.values.includes(", ") ? "have" : "has"} no two parts yet. Write both.`,
  "axis.parts-alike": (p) => `${p.first} and ${p.second} would be the same on both axes. Merge them first, or write other parts.`,
  "value.alike": (p) => `On ${p.label}, ${p.groups === 1 ? "a child stands" : `${p.groups} children stand`} already. Say which of each pair stays.`,
  "gather.no-label": () => "A child has no label on one of the axes yet. Write what tells it apart.",
  "gather.alike": (p) => `Two children would be ${p.labels}. Give them other labels, or leave one of them out.`,
  "gather.stale": (p) => `${p.family} was changed meanwhile. Look again what becomes of its children.`,
  "gather.nobody": () => "Choose two families at least: one that stays, and one that comes into it.",
  "labels.none": () => "None of these children has a GTIN yet. Give them numbers first.",
  "labels.none-counted": () => "None of these children has a piece to be labelled. Count them, or print one each.",
  "labels.case": (p) => `${p.gtin} is the number of a case: no till reads it, so it has no label here.`,
  "labels.narrow": (p) => `These labels are too narrow: the smallest symbol, ${p.least} %, does not fit with the white beside it. Choose wider ones.`,
  "labels.percent": (p) => `${p.percent} % cannot be printed on these labels: from ${p.least} % to ${p.most} % fits.`,
  "labels.many": (p) => `${p.labels} labels are too many at once; ${p.most} are printed. Choose fewer children.`,
  "leave.all": () => "All children of a family cannot leave it: the last of them is the family.",
  "value.unknown": (p) => `This value is not on the axis ${p.label} any more. Reload the family.`,
  "value.empty": () => "A value needs a label.",
  "value.too-long": (p) => `"${p.label.slice(0, 40)}\u2026" has ${p.label.length} characters; a label has ${p.most} at most.`,
  "value.too-many": (p) => `The axis ${p.label} would have more than ${p.most} values.`,
  "value.marks": (p) => `${p.place} holds a sign that no text has, such as a NUL character.`,
  "value.twice": (p) => `${p.label} is on this axis already. To make two values one, merge them.`,
  "value.code": () => "A short code has 1 to 12 letters and digits.",
  "value.code-twice": (p) => `${p.label} has the code ${p.code} already.`
};

// core/src/words/refusals.ts
var REFUSALS = {
  "location.twice": (p) => `There is a place ${p.label} already.`,
  "location.main": () => "The first place stays: give it another name instead.",
  "location.unknown": () => "There is no such place where pieces are kept.",
  "location.holds": (p) => `${p.label} holds ${p.pieces.toLocaleString("en")} pieces. Count them to 0 there, or count them elsewhere, first.`,
  "stock.elsewhere": (p) => `${p.where}: ${p.elsewhere} pieces stand at other places than the first, more than the ${p.pieces} counted in all. Count place by place.`,
  "tax.rates": (p) => `"${p.text}" is no tax rate: write "19", or "5 up to 1000, 12" where it depends on the price.`,
  "tax.rates-order": (p) => `${p.problem} Write such as "5 up to 1000, 12".`,
  "registry.chosen": (p) => `${listed(p.names)}${p.families > p.names.length ? ` and ${p.families - p.names.length} more` : ""} ${p.families === 1 ? "has" : "have"} chosen it. Choose another there first.`,
  "registry.unknown": (p) => `${p.id} is not there any more.`,
  "figure.no-address": (p) => `${p.field} is an address on the web that begins with https://, such as https://video.example/jacket.`,
  "condition.list": (p) => `"is one of" goes with a list of values, other comparisons of ${p.field} with one.`,
  "condition.no-number": (p) => `${p.field} is no number: it is neither above nor below anything.`,
  "route.twice": () => "Two routes have the same id.",
  "collection.all": (p) => `${p.label} has no condition: every family would be in it. Say which are.`,
  "collection.twice": (p) => `There is a collection ${p.label} already.`,
  "rulebook.unknown": (p) => `No rules of version ${p.version} were ever met. Fetch them first.`,
  "rulebook.not-own": (p) => `${p.channel} publishes its own rules. Give yours another channel id, such as ${p.channel}-own.`,
  "channel.own": (p) => `${p.label} has rules of your own and no connection: download its upload sheet in the family's fit instead.`,
  "family.unknown": () => "There is no such family.",
  "family.no-name": () => "A family needs a name.",
  "family.too-large": (p) => `These axes make ${p.crossings.toLocaleString("en")} crossings; ${p.most.toLocaleString("en")} fit into one family.`,
  "family.twin-crossing": (p) => `Two children stand at ${p.where}.`,
  "family.twin-id": (p) => `The id ${p.id} stands twice in the family.`,
  "family.wrong-id": (p) => `"${p.id}" is no id this program gives. Ids have small letters and digits.`,
  "family.next-too-low": (p) => `The family's next id number is ${p.next}, but ${p.id} is in use: new values would take ids twice.`,
  "family.child-off-axis": (p) => `The child ${p.id} has no value on the axis ${p.label}.`,
  "family.child-misfiled": (p) => `The child ${p.id} is filed under another id.`,
  "family.shelf-stands": (p) => `The child ${p.id} lies on the shelf and stands in the weave as well.`,
  "family.stale": (p) => `The family was changed meanwhile: it is at revision ${p.now}, you saw ${p.seen}. It is loaded anew; do it again.`,
  ...STRUCTURE_REFUSALS,
  "child.unknown": () => "This child is not in the family any more. Reload the family.",
  "field.unknown": (p) => `There is no field "${p.key}".`,
  "field.level": (p) => `${p.field} cannot stand on ${{ family: "the family", value: "a value", child: "a child" }[p.level]}.`,
  "field.scope": (p) => `${p.field} is one for all; it cannot be set for ${p.scope}.`,
  "figure.too-long": (p) => `${p.field} has ${p.length} characters; ${p.most} fit.`,
  "figure.too-many": (p) => `${p.field} has ${p.count} entries; ${p.most} fit.`,
  "figure.no-amount": (p) => `"${p.text}" is no amount. Type a number such as 189.00.`,
  "figure.below-zero": (p) => `${p.field} cannot be below zero.`,
  "figure.no-weight": (p) => `"${p.text}" is no weight. Type it like 350, 0.35 kg or 12 oz.`,
  "figure.no-length": (p) => `"${p.text}" is no length. Type it like 35, 350 mm or 14 in.`,
  "figure.no-number": (p) => `"${p.text}" is no number. Type it like 38 or 2.5, without its unit.`,
  "figure.no-count": (p) => `"${p.text}" is no whole number of ${p.unit}.`,
  "figure.two-readings": (p) => `"${p.text}" can be read as ${p.one} and as ${p.other}. Type it with a point before decimals and nothing between thousands.`,
  "figure.no-yes-no": (p) => `"${p.text}" is neither yes nor no.`,
  "figure.no-date": (p) => `"${p.text}" is no date. Type it like 2027-03-01, 1.3.2027 or 1 March 2027.`,
  "figure.two-days": (p) => `"${p.text}" can be ${p.one} and ${p.other}. Type it as year-month-day.`,
  "figure.no-surcharge": (p) => `"${p.text}" is no surcharge. Type it like +4, -2.50 or +5 %.`,
  "sum.form": (p) => `"${p.text}" is no sum that can be worked out. Type it like =240+4, +4, -10 % or *1.1.`,
  "sum.nothing": (p) => `"${p.text}" goes on from a figure, and ${p.field} has none here. Type the figure itself.`,
  "sum.zero": (p) => `"${p.text}" parts by zero.`,
  "figure.no-choice": (p) => `"${p.text}" is not one of: ${p.choices}.`,
  "figure.composition": (p) => `"${p.text}" is no composition. Write parts with percentages, such as 80 % wool, 20 % nylon.`,
  "figure.composition-sum": (p) => `The parts add up to ${p.sum} %, not to 100 %.`,
  "figure.composition-parts": (p) => `A composition of ${p.count} parts: ${p.most} are written at most.`,
  "figure.kind": (p) => `${p.field} has to be ${p.kind}.`,
  "figure.marks": (p) => `${p.field} holds a sign that no text has, such as a NUL character.`,
  "sku.form": (p) => `"${p.text}": a SKU has letters, digits and - . _ / and starts with a letter or digit.`,
  "sku.long": (p) => `"${p.text}" has ${p.text.length} characters; a SKU has ${p.most} at most.`,
  "sku.long-there": (p) => `${p.text} has ${p.text.length} characters; ${p.account} takes ${p.most} at most.`,
  "sku.pattern": (p) => `The pattern has {${p.mark}}, which this family does not have.`,
  "sku.house-mark": (p) => `The pattern has {${p.mark}}, which not every family has. It may have ${p.marks}.`,
  "sku.pattern-empty": (p) => `The pattern has {${p.mark}}, and the family has none yet: fill it in, or leave the mark out.`,
  "sku.pattern-twice": (p) => `Two children would be ${p.sku}. Put every axis into the pattern, or give the values codes that differ.`,
  "sku.given-before": (p) => `${p.sku} belongs to another child, or did once.`,
  "sku.pattern-long": (p) => `The SKU pattern would have more than ${p.most} characters.`,
  "sku.twice": (p) => `SKU ${p.sku} belongs to ${p.owner} already. Each child has its own.`,
  "sku.taken": (p) => `The SKU ${p.sku} belongs to ${p.owner} already.`,
  "sku.used-before": (p) => `${p.sku} was the SKU of ${p.owner} before. Orders of that time find the goods by it, so it is never given to another.`,
  "sku.live": (p) => `${p.sku} is listed on ${p.account}: orders come in under it. Take it down there first, then change it.`,
  "sku.under-way": (p) => `${p.sku} is on its way to ${p.account}: wait for the answer, or stop the dispatch, then change it.`,
  "gtin.twice": (p) => `GTIN ${p.gtin} belongs to ${p.owner} already. Each child has its own.`,
  "gtin.taken": (p) => `The GTIN ${p.gtin} belongs to ${p.owner} already.`,
  "gtin.used-before": (p) => `${p.gtin} was the GTIN of ${p.owner} before: a number given out stays with what it was given to.`,
  "gtin.scientific": (p) => `"${p.text}" was turned into a power of ten by a spreadsheet and its last digits are lost. Format the column as text and paste it again.`,
  "gtin.letters": (p) => `"${p.text}" is no GTIN: it has 8, 12, 13 or 14 digits and nothing else.`,
  "gtin.length": (p) => `${p.digits} has ${p.digits.length} digits; a GTIN has 8, 12, 13 or 14.`,
  "gtin.internal": (p) => `${p.digits} begins with ${p.begins} and holds inside one company only; it is not a global number.`,
  "gtin.variable": (p) => `${p.digits} begins with 9: such numbers stand for goods of varying measure, weighed at the till.`,
  "gtin.zeros": () => "A GTIN of zeros alone names nothing.",
  "gtin.lost-zero": (p) => `${p.digits} has lost ${p.right.length - p.digits.length === 1 ? "its leading zero" : "its leading zeros"}: ${p.right} is right.`,
  "gtin.check-digit": (p) => `${p.digits}: the last digit is ${p.digits.at(-1)}, by the others it must be ${p.wanted}. Look at the number again.`,
  "gtin.isbn-or-upc": (p) => `${p.digits} can be an ISBN, and a UPC that lost two zeros. Write "ISBN" before it, or the zeros.`,
  "gtin.short-form": (p) => `${p.digits} is the short form of a UPC. Written out it is ${p.whole}: enter that.`,
  "parts.form": (p) => `"${p.text}" is no part of a set: write how many and the SKU, such as "2 \xD7 SKJ-RST-M".`,
  "parts.pieces": (p) => `Of ${p.sku} a set has 1 to ${p.most} pieces.`,
  "parts.many": (p) => `A set of ${p.count} items: ${p.most} are kept at most.`,
  "parts.itself": (p) => `${p.sku} would be a part of itself.`,
  "parts.of-set": (p) => `${p.sku} is a set itself: name the items that are in it.`,
  "parts.is-part": (p) => `${p.sku} is a part of ${p.owner}: what is in a set cannot be a set itself.`,
  "stock.set": (p) => `${p.where} is a set: its pieces follow from its parts. Count those.`,
  "block.none": () => "There is no number block. Add one under Setup, or paste the numbers.",
  "block.prefix": (p) => `"${p.text}" is no beginning of numbers: it has 4 to 11 digits.`,
  "block.empty": (p) => `${p.count} ${p.count === 1 ? "number is" : "numbers are"} wanted and ${p.left === 0 ? "none is" : `${p.left} ${p.left === 1 ? "is" : "are"}`} left. Add a block under Setup, or take fewer.`,
  "block.overlaps": (p) => `This block overlaps with ${p.label} (${p.prefix}\u2026).`,
  "block.internal": () => "Numbers that begin so hold inside one company only; no channel takes them.",
  "block.reserved": (p) => `${p.label}: those numbers are set aside already, or the block does not have as many.`,
  "block.no-run": (p) => `${p.label} has no ${p.count} free numbers in a row. Set fewer aside.`,
  "block.no-reservation": () => "What was set aside is not there any more.",
  "block.none-back": (p) => p.known > 0 ? `${p.known === 1 ? "The number has" : `All ${p.known} numbers have`} been told to an account: a number that was out stays with its goods.` : "None of the children has a number of your blocks.",
  "block.unknown": () => "There is no such number block.",
  "category.unknown": (p) => `There is no category "${p.id}". Add it under Setup first.`,
  "category.twice": (p) => `There is a category ${p.label} in this place already.`,
  "category.circle": (p) => `${p.label} cannot stand under itself.`,
  "fact.built-in": (p) => `"${p.key}" is a field of the program's own. Take another key.`,
  "fact.type-fixed": (p) => `${p.label} has figures already: its kind stays. Retire it and add another fact.`,
  "language.twice": (p) => `${p.tag} is in the list already.`,
  "language.wrong": (p) => `"${p.tag}" is no language tag, such as en, de or pt-BR.`,
  "language.used": (p) => `${p.account} is written in ${p.tag}. Give the account another language first.`,
  "word.unknown": (p) => `${p.label} is not in the dictionary.`,
  "registry.wrong": (p) => `The registry file is wrong at ${p.where}: ${p.why}.`,
  "account.unknown": () => "There is no such account.",
  "account.twice": (p) => `There is an account ${p.label} already.`,
  "account.holds": (p) => `${p.label} holds ${p.listings} ${p.listings === 1 ? "listing" : "listings"}. Take them down first.`,
  "account.last": (p) => `${p.label} is the only account on its channel and stays.`,
  "channel.unknown": () => "There is no such channel.",
  "channel.silent": () => "The channel cannot be reached. Its rules stay as they were.",
  "channel.no-category": (p) => `The channel has no category "${p.id}".`,
  "rulebook.wrong": (p) => `The rulebook of ${p.channel} cannot be read: ${p.problem}`,
  "picture.unknown": () => "There is no such picture.",
  "picture.not-taken-in": () => "A picture of this change was never taken in.",
  "picture.unreadable": (p) => `${p.file} is no picture this program can read. PNG, JPEG, WebP, AVIF, TIFF and GIF are taken; a drawing is exported as PNG first.`,
  "picture.too-large": (p) => `${p.file} has more than ${p.millions} million pixels.`,
  "picture.too-slow": (p) => `${p.file} took more than a minute to read and was left out. Save it anew, as PNG or JPEG.`,
  "picture.too-heavy": (p) => `${p.file} has more than ${p.megabytes} MB and was left out. Save it smaller, as JPEG for instance.`,
  "picture.path": (p) => `${p.file} points out of the archive and was left out. Pack the folder anew.`,
  "picture.locked": (p) => `${p.file} is locked with a password and was left out.`,
  "picture.in-archive": (p) => `${p.file} is an archive within an archive and was left out. Bring it by itself.`,
  "picture.many-in-archive": (p) => `${p.file} holds more than ${p.most.toLocaleString("en")} files: the first of them were taken. Bring the others in another archive.`,
  "picture.bomb": (p) => `${p.file} would be more than ${p.megabytes.toLocaleString("en")} MB unpacked: what came before that was taken.`,
  "picture.archive-broken": (p) => `${p.file} is damaged or was cut off on its way: what could be read of it was taken. Pack or send it anew.`,
  "picture.address": (p) => `${p.file} is no address on the web that begins with https:// or http://.`,
  "picture.address-inside": (p) => `${p.file} lies within a network that is not open to all; only public addresses are fetched.`,
  "picture.address-silent": (p) => `${p.file} did not answer within ${p.seconds} seconds.`,
  "picture.address-refused": (p) => `${p.file} answered ${p.status}: there is no picture.`,
  "picture.address-failed": (p) => `${p.file} cannot be reached.`,
  "picture.address-type": (p) => `${p.file} is a ${p.type}, no picture. Take the address of the picture itself.`,
  "picture.address-turns": (p) => `${p.file} leads on from one address to another without an end.`,
  "pictures.none": () => "There is neither a file nor an address.",
  "pictures.unknown": () => "These pictures were taken in too long ago, or never. Bring them again.",
  "picture.too-many": (p) => `More than ${p.most} pictures would stand in one place.`,
  "change.unknown": () => "There is no such change.",
  "undo.nothing": () => "There is nothing left to take back.",
  "undo.overtaken": (p) => `"${p.title}" cannot be taken back alone: "${p.later}" came after it and touched the same place. Take that back first.`,
  "undo.sent": (p) => `${p.label} was sent to a channel since. Retire the family instead.`,
  "redo.nothing": () => "There is nothing to make again.",
  "redo.overtaken": (p) => `"${p.title}" cannot be made again: "${p.later}" has taken its place.`,
  "patch.root": () => "A patch may not replace the whole.",
  "patch.misfit": (p) => `This change cannot be taken back: what it touched has changed since (${p.path}).`,
  "key.taken": () => "This key was used for another change. Load the page anew.",
  "stock.twice": (p) => `${p.where} stands in this count twice.`,
  "stock.not-counted": (p) => `${p.where} is not counted: it is made to order or without limit. Count it again first.`,
  "sheet.no-json": (p) => `${p.file} is no JSON that can be read. Is it whole?`,
  "sheet.no-list": (p) => `${p.file} holds no list: an array of records is wanted, alone or in an object.`,
  "sheet.old-workbook": (p) => `${p.file} is a workbook of the old binary kind. Save it as XLSX or CSV.`,
  "sheet.unknown": (p) => `${p.file} has no sheet "${p.sheet}": ${p.sheets}.`,
  "backup.none": (p) => `${p.file} is no backup of this program. Nothing was changed.`,
  "backup.broken": (p) => `${p.file} is cut off or has a fault. Nothing was changed. Take the backup anew if its source is still there.`,
  "backup.newer": (p) => `${p.file} was made by a newer version of this program. Bring this one up to date first.`,
  "export.gone": () => "This file is not kept any more. Take it out again.",
  "list.taken": () => "This list was taken in already. Undo that in the journal, or read it again.",
  "list.silent": (p) => `${p.account} does not answer. Try again in a while.`,
  "list.nothing-live": (p) => `Nothing stands on ${p.account}.`,
  "list.no-good-child": (p) => `None of the children of ${p.family} can be taken in; mend their rows, and it comes with them.`,
  "list.no-child": (p) => p.number === "" ? "It says that a child goes, but neither by its SKU nor by its GTIN which." : `Nobody has the number ${p.number}: nothing goes.`,
  "list.axis-more": (p) => `${p.family} has no axis ${p.label}, and these rows do not say of every child there, by its number, the one value they all have. Add it to the family first, or part these rows from it.`,
  "sheet.none": () => "No file came with this.",
  "sheet.empty": (p) => `${p.file} has no sheet.`,
  "sheet.cut-off": (p) => `${p.file} is not a whole XLSX file: it is cut off or of another kind. Save it again and bring it back.`,
  "sheet.unreadable": (p) => `${p.file} is no CSV this program can read: there is a fault${p.line === null ? "" : ` in line ${p.line}`}, often a quotation mark that is not closed.`,
  "sheet.too-large": (p) => `${p.file} has ${p.rows} rows and ${p.columns} columns; ${p.mostRows} and ${p.mostColumns} are read.`,
  "sheet.too-slow": (p) => `${p.file} takes too long to read and was left. Bring it in smaller parts.`,
  "sheet.too-heavy": (p) => `${p.file} needs more memory than a sheet is given. Bring it in smaller parts.`,
  "sheet.bomb": (p) => `${p.file} would be more than ${p.megabytes} MB unpacked and was not read. Save the sheet without pictures and empty rows.`,
  "sheet.no-axis-column": (p) => `The file has no column for ${p.axes}. Every axis needs one, such as "Option: ${p.first}".`,
  "job.unknown": () => "There is no such job.",
  "job.not-done": () => "This job has not ended yet.",
  "job.file-gone": () => "The file of this job is not kept any more. Choose it again.",
  "job.ended": () => "This job has ended; there is nothing to stop or to go on with.",
  "cell.sku-missing": () => "The SKU is missing; orders find the child by it.",
  "cell.twice": () => "This child stands in the file twice; the first row was taken.",
  "cell.empty": (p) => `${p.label} is empty.`,
  "cell.belongs": (p) => `${p.text} belongs to ${p.owner} already.`,
  "file.unknown": () => "Families leave as json, csv or xlsx.",
  "dispatch.unknown": () => "There is no such dispatch.",
  "dispatch.line-unknown": () => "There is no such line of a dispatch.",
  "dispatch.total-changed": () => "The total has changed since you agreed to it. Look at it again.",
  "input.wrong": (p) => `The ${p.what} is not as it should be${p.where ? ` at ${p.where}` : ""}: ${p.why}`,
  "input.too-large": () => "This is too large to be taken in at once. Bring it in smaller parts.",
  "input.form": (p) => `The form has a field "${p.field}" that is not asked for.`,
  "input.no-json": () => "This is no JSON: it is cut off or has a fault.",
  "api.unknown": () => "There is no such address in the API.",
  "server.silent": () => "The server does not answer just now. What you typed waits; do this again when it is back.",
  "server.fault": () => "Something went wrong inside. Nothing was changed; try again."
};
function refusalText(code, params) {
  return REFUSALS[code](params);
}

// core/src/refusal.ts
var Refusal = class extends Error {
  constructor(code, params, about = {}) {
    super(refusalText(code, params));
    this.code = code;
    this.params = params;
    this.name = "Refusal";
    this.place = about.place;
    this.detail = about.detail;
  }
  code;
  params;
  place;
  detail;
};
function unreadable(code, params) {
  return { ok: false, code, params };
}
function unreadableText(reading) {
  return refusalText(reading.code, reading.params);
}

// core/src/registry/shape.ts
import { z as z6 } from "zod";

// core/src/family/shape.ts
import { z } from "zod";
var ROLES = ["colour", "size", "length", "material", "pattern", "pack", "volume", "model", "other"];
var RoleSchema = z.enum(ROLES);
var FigureSchema = z.union([
  z.string().max(2e4),
  z.number(),
  z.boolean(),
  z.array(z.string().max(500)).max(60)
]);
var FiguresSchema = z.record(z.string(), FigureSchema);
var IdSchema = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/, "An id has letters, digits, points and hyphens.");
var MOST = {
  pictures: 60,
  values: 200,
  axes: 6,
  children: 2e4,
  label: 80,
  axisLabel: 40,
  pattern: 200
};
var PictureIdsSchema = z.array(IdSchema).max(MOST.pictures);
var LabelSchema = z.string().regex(/^[^\u0000-\u001f\u007f]*\S[^\u0000-\u001f\u007f]*$/, "A label has at least one letter, and no line breaks.");
var ScopeSchema = z.string().regex(/^(language|account):[A-Za-z0-9][A-Za-z0-9._-]{0,79}$/);
var ScopedFiguresSchema = z.record(ScopeSchema, FiguresSchema);
var ValueSchema = z.object({
  id: IdSchema,
  label: LabelSchema.max(MOST.label),
  /** Short code used in SKUs and, as a last resort, in shortened labels. */
  code: z.string().regex(/^[A-Za-z0-9]{0,12}$/),
  /** `#RRGGBB`, for colours only. */
  swatch: z.string().regex(/^#[0-9A-Fa-f]{6}$/).optional(),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema
});
var AxisSchema = z.object({
  id: IdSchema,
  role: RoleSchema,
  label: LabelSchema.max(MOST.axisLabel),
  values: z.array(ValueSchema).max(MOST.values)
});
var ChildSchema = z.object({
  id: IdSchema,
  /** Axis id → value id; every axis of the family has an entry. */
  at: z.record(z.string(), z.string()),
  /** False: the crossing does not exist at present. What it held is kept. */
  woven: z.boolean(),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema
});
var ShelvedChildSchema = z.object({
  child: ChildSchema,
  /** Axis label → value label at the time it left. */
  was: z.record(z.string(), z.string())
});
var PictureNoteSchema = z.object({
  angle: z.string().max(20).optional(),
  /** Language → the text that stands for the picture. */
  texts: z.record(z.string().max(80), z.string().max(500)).optional()
});
var WishSchema = z.object({
  /** Signature of the plan the seller chose; re-computed when the family changes. */
  chosen: z.string().max(400).optional(),
  /** Axes that must not be joined to another. */
  apart: z.array(IdSchema).default([]),
  /** Axes that must not be split over several listings. */
  whole: z.array(IdSchema).default([]),
  /** The axis that should carry the pictures. */
  pictureAxis: IdSchema.optional(),
  /** How options share pictures where the account takes fewer of them than there are options; not said: they do not. */
  combine: z.enum(["names", "letters"]).optional(),
  /** Children not offered on this account. */
  leaveOut: z.array(IdSchema).default([]),
  /** Child → the entry of the channel it is offered under; null: it is other goods than the channel's entry of its number. */
  entries: z.record(IdSchema, z.string().min(1).max(80).nullable()).optional(),
  /** Whether the family is offered on the account at all. Where nothing is said its route decides, if it came by one. */
  offered: z.boolean().optional()
});
var NO_WISH = Object.freeze({ apart: [], whole: [], leaveOut: [] });
var FamilySchema = z.object({
  id: IdSchema,
  revision: z.number().int().min(0),
  /** The next free id number; it never goes back, so that an id is never used twice. */
  next: z.number().int().min(1),
  fields: FiguresSchema,
  scoped: ScopedFiguresSchema.optional(),
  pictures: PictureIdsSchema,
  /** What is said of pictures, wherever they stand. */
  pictureNotes: z.record(IdSchema, PictureNoteSchema).optional(),
  axes: z.array(AxisSchema).max(MOST.axes),
  children: z.record(z.string(), ChildSchema),
  shelf: z.record(z.string(), ShelvedChildSchema),
  skuPattern: z.string().max(MOST.pattern),
  wishes: z.record(z.string(), WishSchema),
  retired: z.boolean(),
  /** The family it was copied from. */
  copiedFrom: IdSchema.optional(),
  /** Signatures of what is still the same and is right so. */
  settled: z.array(z.string().max(200)).max(500).optional()
});
var PlaceSchema = z.discriminatedUnion("level", [
  z.object({ level: z.literal("family") }),
  z.object({ level: z.literal("value"), axisId: IdSchema, valueId: IdSchema }),
  z.object({ level: z.literal("child"), childId: IdSchema })
]);

// core/src/money/tax.ts
import Big from "big.js";
import { z as z2 } from "zod";
var Decimal = z2.string().regex(/^\d{1,12}(\.\d{1,6})?$/, "This is a number, such as 1000 or 12.5.");
var TaxSlabSchema = z2.object({ upTo: Decimal.optional(), percent: Decimal });
var CountrySchema = z2.string().regex(/^[A-Z]{2}$/, "A country has two letters, such as DE or IN.");
var TaxRatesSchema = z2.array(TaxSlabSchema).min(1).max(10).superRefine((slabs, check) => {
  const problem = slabProblem(slabs);
  if (problem) check.addIssue({ code: "custom", path: [problem.at, "upTo"], message: problem.text });
});
function slabProblem(slabs) {
  const last = slabs.length - 1;
  const open = slabs.findIndex((slab, at) => slab.upTo === void 0 && at < last);
  if (open >= 0) return { at: open, text: "Only the last rate holds for all prices above." };
  if (slabs[last]?.upTo !== void 0) return { at: last, text: "The last rate has to hold for all prices above." };
  const wrong = slabs.findIndex((slab, at) => at > 0 && slab.upTo && new Big(slab.upTo).lte(slabs[at - 1].upTo));
  return wrong > 0 ? { at: wrong, text: "The prices have to rise from rate to rate." } : null;
}
var TaxCodeSchema = z2.object({
  code: z2.string().regex(/^\d{2,12}$/, "A tax code has 2 to 12 digits."),
  label: z2.string().trim().min(1).max(120),
  rates: z2.record(CountrySchema, TaxRatesSchema),
  retired: z2.boolean().default(false)
});

// core/src/identifiers/block.ts
import { z as z3 } from "zod";

// core/src/measure/readNumber.ts
import Big2 from "big.js";
var NONE = { ok: false, why: "none" };
var IS_PLAIN = /^[\x00-\x7f]*$/;
function plainDigits(text2) {
  if (IS_PLAIN.test(text2)) return text2;
  return text2.replace(new RegExp("\\p{Nd}", "gu"), (digit) => String(digitOf(digit))).replace(/[٫]/g, ".").replace(/[٬，]/g, ",").replace(/[−–]/g, "-");
}
function digitOf(digit) {
  const code = digit.codePointAt(0);
  let zero = code;
  while (code - zero < 9 && new RegExp("\\p{Nd}", "u").test(String.fromCodePoint(zero - 1))) zero -= 1;
  return (code - zero) % 10;
}
function readNumber(text2, habit = {}) {
  const written = plainDigits(text2).trim().replace(/[.,]-{1,2}$/, "");
  const bare = /^(-?)((?:\d[\d.,\s'’ʼ\u00a0\u202f]*)?\d|[.,]\d+)[.,]?$/.exec(written);
  if (!bare) return NONE;
  const digits = withoutGaps(bare[2]);
  if (digits === null) return NONE;
  const sign = bare[1];
  const marks = digits.replace(/\d/g, "");
  if (marks === "") return good(sign, digits, "");
  const last = marks.at(-1);
  const other = last === "." ? "," : ".";
  if (marks.includes(other)) {
    const [whole2, decimals2, ...more] = digits.split(last);
    return more.length === 0 && isGrouped(whole2, other) ? good(sign, whole2.replaceAll(other, ""), decimals2) : NONE;
  }
  if (marks.length > 1) return isGrouped(digits, last) ? good(sign, digits.replaceAll(last, ""), "") : NONE;
  const [whole, decimals] = digits.split(last);
  const mayGroup = decimals.length === 3 && /^[1-9]\d{0,2}$/.test(whole) && whole !== "";
  if (!mayGroup || habit.decimal === last) return good(sign, whole, decimals);
  if (habit.decimal === other) return good(sign, whole + decimals, "");
  return { ok: false, why: "two", readings: [`${sign}${whole}${decimals}`, `${sign}${whole}.${decimals}`] };
}
function withoutGaps(text2) {
  if (!/[\s'’ʼ\u00a0\u202f]/.test(text2)) return text2;
  const gaps = text2.replace(/[\s'’ʼ\u00a0\u202f]+/g, " ");
  return /^\d{1,3}( \d{3})+([.,]\d+)?$/.test(gaps) ? gaps.replaceAll(" ", "") : null;
}
var isGrouped = (text2, mark) => text2.split(mark).every((group, at) => at === 0 ? /^\d{1,3}$/.test(group) : /^\d{3}$/.test(group));
var NOISE = 10;
function good(sign, whole, decimals) {
  if (whole.length > 15) return NONE;
  const number = `${sign}${whole || "0"}${decimals ? `.${decimals}` : ""}`;
  return { ok: true, number: decimals.length < NOISE ? number : new Big2(number).prec(12).toString() };
}
function habitOf(cells) {
  const seen = /* @__PURE__ */ new Set();
  for (const cell of cells) {
    const number = /[-\d.,'’\s]*\d[\d.,'’\s]*/.exec(plainDigits(cell))?.[0].trim() ?? "";
    const marks = number.replace(/[^.,]/g, "");
    if (marks === "") continue;
    const reading = readNumber(number);
    if (!reading.ok) continue;
    const last = marks.at(-1);
    if (reading.number.includes(".")) seen.add(last);
    else if (marks.length > 1) seen.add(last === "." ? "," : ".");
  }
  return seen.size === 1 ? { decimal: [...seen][0] } : {};
}

// core/src/identifiers/gtin.ts
function gtinCheckDigit(body) {
  let sum = 0;
  for (let i = body.length - 1, weight = 3; i >= 0; i--, weight = 4 - weight) sum += Number(body[i]) * weight;
  return (10 - sum % 10) % 10;
}
function isGtin(digits) {
  return /^(\d{8}|\d{12}|\d{13}|\d{14})$/.test(digits) && gtinCheckDigit(digits.slice(0, -1)) === Number(digits.at(-1));
}
function gtin14(digits) {
  return digits.padStart(14, "0");
}
function isIsbn10(text2) {
  if (!/^\d{9}[\dX]$/.test(text2)) return false;
  const sum = [...text2].reduce((total, mark, at) => total + (10 - at) * (mark === "X" ? 10 : Number(mark)), 0);
  return sum % 11 === 0;
}
function isbn13From10(isbn10) {
  const body = "978" + isbn10.slice(0, 9);
  return body + gtinCheckDigit(body);
}
function bareNumber(text2) {
  const named2 = /^\s*['’]?\s*(ISBN(?:-1[03])?|EAN(?:-?\d+)?|UPC(?:-A)?|GTIN(?:-\d+)?)?[:\s]*/i.exec(text2);
  const rest = text2.slice(named2[0].length);
  const compact2 = plainDigits(rest).replace(/[\s\-‐‑–—\u00a0\u202f]/g, "").toUpperCase().replace(/^(\d{7,14})\.0+$/, "$1");
  const hyphens = /[-‐‑–]/.test(rest.trim());
  return { compact: compact2, isbn: hyphens || /^ISBN/i.test(named2[1] ?? "") };
}
function readGtin(text2) {
  if (/^[1-9]\d{12}$/.test(text2) && isGtin(text2) && !isInternal(text2)) return { ok: true, gtin: text2 };
  const { compact: compact2, isbn } = bareNumber(text2);
  if (/^\d+([.,]\d+)?E\+?\d+$/.test(compact2)) return unreadable("gtin.scientific", { text: text2 });
  if (isIsbn10(compact2)) {
    const upc = `00${compact2}`;
    return !isbn && isGtin(upc) ? unreadable("gtin.isbn-or-upc", { digits: compact2 }) : { ok: true, gtin: isbn13From10(compact2) };
  }
  if (!/^\d+$/.test(compact2)) return unreadable("gtin.letters", { text: text2 });
  if (/^0+$/.test(compact2)) return unreadable("gtin.zeros", {});
  const whole = upcFromShort(compact2);
  if (whole && !(isGtin(compact2) && !isInternal(compact2)))
    return unreadable("gtin.short-form", { digits: compact2, whole });
  if (isGtin(compact2)) return readWhole(compact2);
  const right = ["0", "00"].map((zeros) => zeros + compact2).find((one) => [8, 12].includes(one.length) && isGtin(one));
  if (right && compact2.length !== 8) return unreadable("gtin.lost-zero", { digits: compact2, right });
  if (![8, 12, 13, 14].includes(compact2.length)) return unreadable("gtin.length", { digits: compact2 });
  return unreadable("gtin.check-digit", { digits: compact2, wanted: gtinCheckDigit(compact2.slice(0, -1)) });
}
function readWhole(digits) {
  if (digits.length === 14 && digits.startsWith("9")) return unreadable("gtin.variable", { digits });
  if (!isInternal(digits)) return { ok: true, gtin: digits };
  const begins = digits.length === 12 ? digits.slice(0, 1) : digits.replace(/^0(?=\d{13})/, "").slice(0, 2);
  return unreadable("gtin.internal", { digits, begins });
}
function isInternal(digits) {
  if (digits.length === 8) return /^[02]/.test(digits);
  const thirteen = digits.length === 14 ? digits.slice(1) : digits.padStart(13, "0");
  return /^(02|04|2)/.test(thirteen);
}
function upcFromShort(digits) {
  const match = /^([01])(\d)(\d)(\d)(\d)(\d)(\d)(\d)$/.exec(digits);
  if (!match) return null;
  const [, system, a, b, c, d, e, last, check] = match;
  const body = last <= "2" ? `${a}${b}${last}0000${c}${d}${e}` : last === "3" ? `${a}${b}${c}00000${d}${e}` : last === "4" ? `${a}${b}${c}${d}00000${e}` : `${a}${b}${c}${d}${e}0000${last}`;
  const whole = `${system}${body}${check}`;
  return isGtin(whole) ? whole : null;
}

// core/src/identifiers/block.ts
var ReservationSchema = z3.object({
  id: z3.string().min(1).max(40),
  label: z3.string().trim().min(1).max(60),
  /** The place of the first in the block, from 0. */
  from: z3.number().int().min(0),
  count: z3.number().int().min(1).max(1e5)
});
var NumberBlockSchema = z3.object({
  id: z3.string().min(1),
  label: z3.string().trim().min(1).max(60),
  /** All digits that every number of the block begins with. */
  prefix: z3.string().regex(/^\d{4,11}$/, "The prefix has 4 to 11 digits."),
  /** How long the finished numbers are. */
  digits: z3.union([z3.literal(12), z3.literal(13)]),
  reserved: z3.array(ReservationSchema).max(200).default([])
});

// core/src/stock/locations.ts
import { z as z4 } from "zod";
var LocationSchema = z4.object({
  id: z4.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/),
  label: z4.string().trim().min(1).max(60)
});
var MAIN_LOCATION = Object.freeze({ id: "main", label: "Stock room" });

// core/src/registry/terms.ts
import { z as z5 } from "zod";
var Id = z5.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/);
var Label = z5.string().trim().min(1).max(80);
var TERM_KINDS = ["delivery", "payment", "return", "party"];
var TermSchema = z5.object({
  id: Id,
  kind: z5.enum(TERM_KINDS),
  label: Label,
  /** What channels and buyers are told. */
  text: z5.string().trim().min(1).max(1e3)
});
var Cell = z5.string().trim().max(40);
var SizeChartSchema = z5.object({
  id: Id,
  label: Label,
  /** In which the measures are. */
  unit: z5.string().trim().max(12).default("cm"),
  columns: z5.array(Cell.min(1)).min(2).max(20),
  rows: z5.array(z5.array(Cell)).min(1).max(60)
}).superRefine(({ columns, rows }, check) => {
  const at = rows.findIndex((row) => row.length !== columns.length || row[0] === "");
  if (at >= 0)
    check.addIssue({
      code: "custom",
      path: ["rows", at],
      message: "Each row has a size and a cell for each measure."
    });
  const sizes = rows.map((row) => row[0].toLowerCase());
  const twin = sizes.findIndex((size, nth) => sizes.indexOf(size) !== nth);
  if (twin >= 0)
    check.addIssue({ code: "custom", path: ["rows", twin], message: `${rows[twin][0]} stands twice.` });
});
function sizeChartText({ unit, columns, rows }) {
  const [size, ...measures] = columns;
  const line = (row) => `${row[0]}: ${measures.map((measure, at) => [measure, row[at + 1]]).filter(([, cell]) => cell !== "").map(([measure, cell]) => `${measure.toLowerCase()} ${cell}${/^[\d.,\s–-]+$/.test(cell) ? ` ${unit}` : ""}`).join(", ")}`;
  return [`${size}:`, ...rows.map(line)].join("\n");
}

// core/src/registry/shape.ts
var Label2 = z6.string().trim().min(1).max(80);
var CategoryIdSchema = z6.string().regex(/^[a-z0-9][a-z0-9/-]{0,79}$/);
var CategorySchema = z6.object({
  id: CategoryIdSchema,
  label: Label2,
  /** The category it stands under; null at the top. */
  parent: CategoryIdSchema.nullable(),
  /** Its place among its siblings. */
  at: z6.number().int().min(0),
  /** The axes such goods usually differ by, in the usual order. */
  axes: z6.array(RoleSchema).max(6),
  /** Not offered for new families any more. Families that are in it stay. */
  retired: z6.boolean().default(false)
});
var LEVELS = ["family", "value", "child"];
var FACT_TYPES = [
  "text",
  "longtext",
  "number",
  "weight",
  "length",
  "yesno",
  "choice",
  "list",
  "date",
  "composition"
];
var FactSchema = z6.object({
  key: z6.string().regex(/^[a-z][A-Za-z0-9]{0,39}$/, "A key has letters and digits and begins with a small letter."),
  label: Label2,
  type: z6.enum(FACT_TYPES),
  levels: z6.array(z6.enum(LEVELS)).min(1).max(3),
  categories: z6.array(CategoryIdSchema).max(100).default([]),
  /** Written once for every language. */
  translatable: z6.boolean().default(false),
  /** For numbers: what is counted or measured. */
  unit: z6.string().trim().min(1).max(12).optional(),
  /** For choices: the closed list. */
  choices: z6.array(z6.object({ value: z6.string().min(1).max(60), label: Label2 })).max(200).optional(),
  /** Most characters of a text, or entries of a list. */
  most: z6.number().int().min(1).max(5e3).optional(),
  help: z6.string().max(200).optional(),
  retired: z6.boolean().default(false)
}).refine((fact) => fact.type !== "choice" || (fact.choices?.length ?? 0) > 0, {
  path: ["choices"],
  message: "A choice needs at least one entry to choose from."
});
var DictionaryEntrySchema = z6.object({
  label: Label2,
  code: z6.string().regex(/^[A-Z0-9]{1,12}$/, "A short code has 1 to 12 letters and digits."),
  swatch: z6.string().regex(/^#[0-9A-Fa-f]{6}$/).optional(),
  /** Other spellings of the same value. */
  synonyms: z6.array(Label2).max(40).default([]),
  /** Size system, such as EU or UK. */
  system: z6.string().trim().min(1).max(20).optional()
});
var LanguageSchema = z6.string().max(35).refine((tag) => isLanguageTag(tag), "This is no language tag, such as en, de or pt-BR.");
var REMEMBERED = ["brand", "maker", "collections"];
var RegistryDataSchema = z6.object({
  categories: z6.record(z6.string(), CategorySchema),
  facts: z6.record(z6.string(), FactSchema),
  /** Role → folded label → entry. */
  dictionary: z6.partialRecord(RoleSchema, z6.record(z6.string(), DictionaryEntrySchema)),
  /** The first is the one that texts are written in to begin with. */
  languages: z6.array(LanguageSchema).min(1).max(40),
  remembered: z6.record(z6.enum(REMEMBERED), z6.array(Label2).max(500)),
  /** Code → its rates by country. */
  taxCodes: z6.record(z6.string(), TaxCodeSchema).default({}),
  /** Where pieces are kept, the first being where they are when nobody says; none: one place without a name. */
  locations: z6.array(LocationSchema).max(50).default([]),
  /** Blocks of GTINs, the first with room being the one that numbers are taken from. */
  numberBlocks: z6.array(NumberBlockSchema).max(100).default([]),
  /** What SKU patterns of new families are made of; empty for the usual one. */
  skuPattern: z6.string().trim().max(120).default(""),
  terms: z6.record(z6.string(), TermSchema).default({}),
  sizeCharts: z6.record(z6.string(), SizeChartSchema).default({})
});
function emptyRegistry() {
  return {
    categories: {},
    facts: {},
    dictionary: {},
    languages: ["en"],
    remembered: { brand: [], maker: [], collections: [] },
    taxCodes: {},
    locations: [],
    numberBlocks: [],
    skuPattern: "",
    terms: {},
    sizeCharts: {}
  };
}
function isLanguageTag(tag) {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

// core/src/registry/field.ts
function headerOf(field4) {
  return field4.unit ? `${field4.label} (${field4.unit})` : field4.label;
}

// core/src/family/foldLabel.ts
var REMEMBERED2 = 2e4;
var folded = /* @__PURE__ */ new Map();
function foldLabel(label) {
  const known2 = folded.get(label);
  if (known2 !== void 0) return known2;
  if (folded.size >= REMEMBERED2) folded.clear();
  const form = label.normalize("NFC").trim().replace(/\s+/g, " ").toLowerCase();
  folded.set(label, form);
  return form;
}

// core/src/money/surcharge.ts
import Big4 from "big.js";

// core/src/money/amount.ts
import Big3 from "big.js";
var CURRENCY = new RegExp("^(?:[A-Z]{0,3}\\p{Sc}|[A-Z]{3}(?=[\\s\\d-]))\\s*|\\s*(?:\\p{Sc}|[A-Z]{3})$", "gu");
function readAmount(text2, habit = {}) {
  const plain3 = text2.trim().toUpperCase().replace(CURRENCY, "").trim();
  const read2 = readNumber(plain3, habit);
  if (!read2.ok) return read2;
  return /^-?\d{1,12}(\.\d{1,6})?$/.test(read2.number) ? read2 : { ok: false, why: "none" };
}

// core/src/money/surcharge.ts
var surchargeKey = (key) => `${key}+`;
function readSurcharge(text2, habit = {}) {
  const plain3 = text2.trim().replace(/[−–]/g, "-").replace(/^\+\s*/, "").replace(/^-\s+/, "-");
  const percent = /^(.*\S)\s*%$/.exec(plain3);
  if (!percent) return readAmount(plain3, habit);
  const read2 = readNumber(percent[1], habit);
  return read2.ok ? { ok: true, number: `${read2.number}%` } : read2;
}

// core/src/registry/builtIn.ts
var ALL = ["family", "value", "child"];
var FAMILY = ["family"];
var CHILD = ["child"];
function field(key, label, type, levels, group, more = {}) {
  return {
    key,
    label,
    type,
    levels,
    group,
    translatable: false,
    perAccount: true,
    onlyScoped: false,
    isFact: false,
    categories: [],
    ...more
  };
}
var surchargesOn = (...fields) => fields.map(
  ([key, label]) => field(surchargeKey(key), `${label} surcharge`, "surcharge", ["value"], "price", {
    help: `Added to the ${label.toLowerCase()} that holds below: "+4" or "+5 %". It stays when that moves.`
  })
);
var ONE_FOR_ALL = { perAccount: false };
var TEXT = { translatable: true };
var BUILT_IN_FIELDS = [
  field("name", "Name", "text", FAMILY, "identity", {
    ...TEXT,
    most: 200,
    help: "Without option values: those are added per child."
  }),
  field("brand", "Brand", "text", FAMILY, "identity", { most: 80 }),
  field("styleCode", "Style code", "text", FAMILY, "identity", {
    ...ONE_FOR_ALL,
    most: 24,
    help: "The root of every child SKU."
  }),
  field("category", "Category", "category", FAMILY, "identity", {
    ...ONE_FOR_ALL,
    help: "By what the goods are mainly for: it decides the facts asked for and where they go."
  }),
  field("maker", "Maker", "text", FAMILY, "identity", { most: 80 }),
  field("modelNumber", "Model number", "text", FAMILY, "identity", { most: 60 }),
  field("taxCode", "Tax code", "text", FAMILY, "identity", { most: 12, help: "Customs number, digits only." }),
  field("sku", "SKU", "sku", CHILD, "identifiers", {
    ...ONE_FOR_ALL,
    most: 40,
    help: "Unique over the whole catalogue."
  }),
  field("gtin", "GTIN", "gtin", CHILD, "identifiers", {
    ...ONE_FOR_ALL,
    help: "8, 12, 13 or 14 digits, or an ISBN; the last digit checks the others."
  }),
  field("listPrice", "List price", "money", ALL, "price", {
    help: "The recommended price, shown struck through. It must be above the price."
  }),
  field("price", "Price", "money", ALL, "price", { help: "What the buyer pays, tax included." }),
  field("cost", "Cost", "money", ALL, "price", { help: "What a piece costs you, without tax." }),
  field("stock", "Stock", "stock", CHILD, "stock", { ...ONE_FOR_ALL, unit: "pieces" }),
  field("counting", "Counting", "choice", ALL, "stock", {
    ...ONE_FOR_ALL,
    choices: [
      { value: "counted", label: "Counted" },
      { value: "toOrder", label: "Made to order" },
      { value: "unlimited", label: "Without limit" }
    ],
    unset: "counted",
    help: "What is made to order or without limit has no pieces to count: channels are sent as many as they take."
  }),
  field("weight", "Weight", "weight", ALL, "delivery", {
    unit: "g",
    help: 'With packing. "0.35 kg", "12 oz" and "2 lb 3 oz" are understood.'
  }),
  field("packageLength", "Pack length", "length", ALL, "delivery", { unit: "cm" }),
  field("packageWidth", "Pack width", "length", ALL, "delivery", { unit: "cm" }),
  field("packageHeight", "Pack height", "length", ALL, "delivery", { unit: "cm" }),
  field("onSale", "For sale", "yesno", ALL, "price", { unset: "yes" }),
  field("gtinExempt", "GTIN exempt", "yesno", ALL, "identifiers", {
    unset: "no",
    help: "Sold without a GTIN under an exemption."
  }),
  ...surchargesOn(["listPrice", "List price"], ["price", "Price"], ["cost", "Cost"]),
  field("salePrice", "Sale price", "money", ALL, "price", { help: "Needs both a start and an end date." }),
  field("saleFrom", "Sale from", "date", ALL, "price"),
  field("saleUntil", "Sale until", "date", ALL, "price"),
  field("shippingCost", "Shipping cost", "money", ALL, "price", {
    help: "What sending one piece costs you, where it is not the same for all on an account."
  }),
  field("lowStock", "Low from", "integer", ALL, "stock", {
    ...ONE_FOR_ALL,
    unit: "pieces",
    help: "At so many pieces or fewer the stock is marked as low."
  }),
  field("leadDays", "Lead time", "integer", ALL, "delivery", { unit: "days" }),
  field("parts", "Parts of the set", "parts", CHILD, "stock", {
    ...ONE_FOR_ALL,
    most: 1e3,
    help: 'For items that are sold as a set: "2 \xD7 SKJ-RST-M, 1 \xD7 GMG-CHK". Their pieces follow from those of the parts.'
  }),
  field("soldWith", "Only with", "list", ALL, "delivery", {
    most: 10,
    help: "SKUs of items that it is sold with and not alone, one a line."
  }),
  field("orderLeast", "Least in an order", "integer", ALL, "delivery", { unit: "pieces" }),
  field("orderMost", "Most in an order", "integer", ALL, "delivery", { unit: "pieces" }),
  field("orderMultiple", "Orders in steps of", "integer", ALL, "delivery", {
    unit: "pieces",
    help: "For trade buyers: 6 lets 6, 12, 18 be ordered."
  }),
  field("returnDays", "Returns within", "integer", ALL, "delivery", { unit: "days" }),
  field("boxContents", "In the box", "list", ALL, "delivery", {
    ...TEXT,
    most: 20,
    help: 'What a buyer unpacks, one a line: "2 \xD7 sock", "1 \xD7 tin of wax".'
  }),
  field("availableFrom", "Appears on", "date", ALL, "price", { help: "Not shown to buyers before this day." }),
  field("mpn", "Maker part no.", "text", CHILD, "identifiers", { most: 60 }),
  field("condition", "Condition", "choice", ["family", "child"], "identifiers", {
    choices: [
      { value: "new", label: "New" },
      { value: "refurbished", label: "Made good again" },
      { value: "used", label: "Used" }
    ]
  }),
  field("label", "Label", "text", ["value"], "wording", {
    ...TEXT,
    onlyScoped: true,
    most: 80,
    help: "How the value is called in another language, or on one account."
  }),
  field("shortLabel", "Short label", "text", ["value"], "wording", {
    ...TEXT,
    most: 40,
    help: "Used where a channel has less room than the label needs, before anything is shortened by rule."
  }),
  field("nameSuffix", "Name suffix", "text", ["value", "child"], "wording", {
    ...TEXT,
    most: 80,
    help: "Put after the name where the value or child needs more than its options."
  }),
  field("shortText", "Short text", "longtext", ALL, "wording", { ...TEXT, most: 400 }),
  field("description", "Description", "longtext", ALL, "wording", { ...TEXT, most: 5e3, markup: true }),
  field("highlights", "Highlights", "list", ALL, "wording", { ...TEXT, most: 8, help: "Short points, one a line." }),
  field("searchWords", "Search words", "list", FAMILY, "wording", { ...TEXT, most: 20 }),
  field("searchTitle", "Search title", "text", FAMILY, "wording", { ...TEXT, most: 120 }),
  field("searchDescription", "Search description", "longtext", FAMILY, "wording", { ...TEXT, most: 320 }),
  field("composition", "Composition", "composition", ALL, "facts", {
    ...TEXT,
    most: 200,
    help: 'Such as "80 % wool, 20 % nylon": parts add up to 100 %.'
  }),
  field("care", "Care", "text", ALL, "facts", { ...TEXT, most: 200 }),
  field("wearer", "For whom", "choice", FAMILY, "facts", {
    choices: [
      { value: "women", label: "Women" },
      { value: "men", label: "Men" },
      { value: "anyone", label: "Anyone" },
      { value: "children", label: "Children" },
      { value: "dogs", label: "Dogs" },
      { value: "home", label: "The home" }
    ]
  }),
  field("madeIn", "Made in", "text", FAMILY, "facts", { most: 60 }),
  field("sizeChart", "Size chart", "choice", FAMILY, "facts", { chosenOf: "sizeChart" }),
  field("certification", "Certification", "list", ALL, "facts", {
    most: 10,
    help: "Marks and certificates, one a line."
  }),
  field("responsible", "Responsible party", "choice", FAMILY, "facts", {
    chosenOf: "party",
    help: "Who answers for the goods where they are sold: trader or importer."
  }),
  field("flashPoint", "Flash point", "number", ALL, "facts", {
    unit: "\xB0C",
    lowest: true,
    help: "Of several materials the lowest counts."
  }),
  field("warranty", "Warranty", "text", FAMILY, "facts", { ...TEXT, most: 200, help: '"None" is an answer too.' }),
  field("video", "Video", "address", FAMILY, "facts", { most: 500, help: "Its address on the web." }),
  field("customsText", "Customs description", "text", FAMILY, "facts", {
    most: 120,
    help: "What the goods are, for a customs form, in a few plain words."
  }),
  field("deliveryTerms", "Delivery terms", "choice", FAMILY, "facts", { chosenOf: "delivery" }),
  field("paymentTerms", "Payment terms", "choice", FAMILY, "facts", { chosenOf: "payment" }),
  field("returnTerms", "Return terms", "choice", FAMILY, "facts", { chosenOf: "return" }),
  field("collections", "Collections", "list", FAMILY, "facts", { most: 12 }),
  field("tags", "Tags", "list", FAMILY, "facts", {
    ...ONE_FOR_ALL,
    most: 30,
    help: "Words of your own to sort families by; no channel sees them."
  }),
  field("pictures", "Pictures", "pictures", ALL, "pictures", { help: "The first is the main one." })
];

// core/src/registry/openRegistry.ts
function openRegistry(data) {
  const facts = Object.values(data.facts);
  const builtIn = BUILT_IN_FIELDS.map((field4) => withChoices(data, field4));
  const byKey = new Map([...builtIn, ...facts.map(fieldOfFact)].map((field4) => [field4.key, field4]));
  const retired = new Set(facts.filter((fact) => fact.retired).map((fact) => fact.key));
  const fields = [...byKey.values()].filter(
    (field4) => !retired.has(field4.key) && !(field4.chosenOf && field4.choices?.length === 0)
  );
  const category = (id) => typeof id === "string" && Object.hasOwn(data.categories, id) ? data.categories[id] : void 0;
  const path = (id) => pathTo(data, category(id));
  const words3 = wordsOf(data);
  const fieldsOfCategory = /* @__PURE__ */ new Map();
  function fieldsAt(level, categoryId) {
    const id = category(categoryId)?.id ?? "";
    let known2 = fieldsOfCategory.get(id);
    if (!known2) {
      const above = new Set(path(id).map((one) => one.id));
      const asked = fields.filter(
        (field4) => field4.categories.length === 0 || field4.categories.some((one) => above.has(one))
      );
      const at = (wanted) => asked.filter((field4) => field4.levels.includes(wanted));
      fieldsOfCategory.set(id, known2 = { family: at("family"), value: at("value"), child: at("child") });
    }
    return known2[level];
  }
  return Object.freeze({
    data,
    fields,
    field: (key) => byKey.get(key),
    category,
    path,
    pathLabel: (id) => path(id).map((one) => one.label).join(" \u203A "),
    tree: treeOf(data),
    fieldsAt,
    word: (role, label) => words3.get(role)?.get(foldLabel(label)),
    locations: locationsOf(data),
    languages: data.languages,
    firstLanguage: data.languages[0]
  });
}
function withChoices({ terms, sizeCharts }, field4) {
  if (!field4.chosenOf) return field4;
  const choices = field4.chosenOf === "sizeChart" ? Object.values(sizeCharts).map((chart) => ({ value: chart.id, label: chart.label, says: sizeChartText(chart) })) : Object.values(terms).filter((term) => term.kind === field4.chosenOf).map(({ id, label, text: text2 }) => ({ value: id, label, says: text2 }));
  return { ...field4, choices };
}
function locationsOf({ locations }) {
  return locations.some((one) => one.id === MAIN_LOCATION.id) ? locations : [MAIN_LOCATION, ...locations];
}
function fieldOfFact(fact) {
  return {
    key: fact.key,
    label: fact.label,
    type: fact.type,
    levels: levelsOf(fact),
    group: "facts",
    translatable: fact.translatable,
    perAccount: true,
    onlyScoped: false,
    isFact: true,
    categories: fact.categories,
    unit: fact.unit ?? { weight: "g", length: "cm" }[fact.type],
    choices: fact.choices,
    most: fact.most ?? MOST2[fact.type],
    help: fact.help
  };
}
function levelsOf(fact) {
  return fact.levels.includes("value") && !fact.levels.includes("child") ? [...fact.levels, "child"] : fact.levels;
}
var MOST2 = { text: 200, longtext: 5e3, list: 40, composition: 200 };
function pathTo(data, category) {
  const path = [];
  for (let at = category; at && !path.includes(at); at = at.parent === null ? void 0 : data.categories[at.parent])
    path.unshift(at);
  return path;
}
function treeOf(data) {
  const below = /* @__PURE__ */ new Map();
  for (const category of Object.values(data.categories)) {
    if (!category.retired) below.set(category.parent, [...below.get(category.parent) ?? [], category]);
  }
  const walk = (parent, depth) => (below.get(parent) ?? []).toSorted((a, b) => a.at - b.at || a.label.localeCompare(b.label)).flatMap((category) => [{ category, depth, isLeaf: !below.has(category.id) }, ...walk(category.id, depth + 1)]);
  return walk(null, 0);
}
function wordsOf(data) {
  const words3 = /* @__PURE__ */ new Map();
  for (const [role, entries] of Object.entries(data.dictionary)) {
    const bySpelling = /* @__PURE__ */ new Map();
    for (const entry of Object.values(entries))
      for (const synonym of entry.synonyms) bySpelling.set(foldLabel(synonym), entry);
    for (const entry of Object.values(entries)) bySpelling.set(foldLabel(entry.label), entry);
    words3.set(role, bySpelling);
  }
  return words3;
}

// core/src/identifiers/sku.ts
var FORM = /^[A-Za-z0-9][A-Za-z0-9._/-]*$/;
var SKU_MOST = 40;
function readSku(text2, most = SKU_MOST) {
  const sku = text2.trim();
  if (!FORM.test(sku)) return unreadable("sku.form", { text: sku });
  return sku.length > most ? unreadable("sku.long", { text: sku, most }) : { ok: true, figure: sku };
}

// core/src/measure/readDate.ts
var NONE2 = { ok: false, why: "none" };
function readDate(text2, habit = {}, languages = []) {
  const plain3 = text2.trim().replace(/\s+/g, " ");
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]00:00(?::00)?(?:\.0+)?Z?)?$/.exec(plain3);
  if (iso) return asDay(iso[1], iso[2], iso[3]);
  const numbers = /^(\d{1,2})([./-]) ?(\d{1,2})\2 ?(\d{4}|\d{2})$/.exec(plain3);
  if (numbers) return inEitherOrder(numbers, habit);
  return withMonthName(plain3, languages);
}
function inEitherOrder([, first, mark, second, year], { dayFirst }) {
  const before = asDay(fullYear(year), second, first);
  const after = asDay(fullYear(year), first, second);
  if (mark === "." || dayFirst === true) return before;
  if (dayFirst === false) return after;
  if (!before.ok) return after;
  if (!after.ok || after.date === before.date) return before;
  return { ok: false, why: "two", readings: [before.date, after.date] };
}
function withMonthName(text2, languages) {
  const words3 = new RegExp("^(?:(\\d{1,2})(?:\\.|st|nd|rd|th)? (?:of |de )?)?(\\p{L}[\\p{L}.]*)(?: (\\d{1,2})(?:\\.|st|nd|rd|th)?)?,? (?:de )?(\\d{4}|\\d{2})$", "u").exec(
    text2
  );
  const [, before, name, after, year] = words3 ?? [];
  const day = before ?? after;
  if (!name || !year || day === void 0 || before !== void 0 && after !== void 0) return NONE2;
  const month = monthCalled(name, languages);
  return month === null ? NONE2 : asDay(fullYear(year), String(month), day);
}
var foldMonth = (name) => name.toLowerCase().replaceAll(".", "");
function monthCalled(name, languages) {
  const wanted = foldMonth(name);
  for (const language of [...languages, "en"]) {
    for (const style of ["long", "short"]) {
      const format = new Intl.DateTimeFormat(language, { month: style, day: "numeric", timeZone: "UTC" });
      for (let month = 0; month < 12; month++) {
        const parts = format.formatToParts(Date.UTC(2027, month, 1));
        const known2 = foldMonth(parts.find((part) => part.type === "month")?.value ?? "");
        if (known2 === wanted || wanted.length === 3 && known2.startsWith(wanted)) return month + 1;
      }
    }
  }
  return null;
}
var fullYear = (year) => year.length === 2 ? `20${year}` : year;
function asDay(year, month, day) {
  const date = `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`;
  const there = /* @__PURE__ */ new Date(`${date}T00:00:00Z`);
  return !Number.isNaN(there.getTime()) && there.toISOString().slice(0, 10) === date ? { ok: true, date } : NONE2;
}
function dateHabitOf(cells) {
  const seen = /* @__PURE__ */ new Set();
  for (const cell of cells) {
    const [, first, , second] = /^(\d{1,2})([/-])(\d{1,2})\2\d/.exec(cell.trim()) ?? [];
    if (first && second && Number(first) > 12 !== Number(second) > 12) seen.add(Number(first) > 12);
  }
  return seen.size === 1 ? { dayFirst: [...seen][0] } : {};
}

// core/src/measure/units.ts
import Big5 from "big.js";
var CENTIMETRES = { mm: "0.1", cm: "1", m: "100", in: "2.54", ft: "30.48" };
var GRAMS = { g: "1", kg: "1000", oz: "28.349523125", lb: "453.59237" };
var LENGTH_WORDS = {
  ...{ mm: "mm", millimetre: "mm", millimetres: "mm", millimeter: "mm", millimeters: "mm" },
  ...{ cm: "cm", centimetre: "cm", centimetres: "cm", centimeter: "cm", centimeters: "cm" },
  ...{ m: "m", metre: "m", metres: "m", meter: "m", meters: "m" },
  ...{ in: "in", inch: "in", inches: "in", '"': "in", "\u201D": "in", "\u2033": "in", "''": "in" },
  ...{ ft: "ft", foot: "ft", feet: "ft", "'": "ft", "\u2019": "ft", "\u2032": "ft" }
};
var WEIGHT_WORDS = {
  ...{ g: "g", gr: "g", gram: "g", grams: "g", gramme: "g", grammes: "g" },
  ...{ kg: "kg", kgs: "kg", kilo: "kg", kilos: "kg", kilogram: "kg", kilograms: "kg" },
  ...{ oz: "oz", ounce: "oz", ounces: "oz" },
  ...{ lb: "lb", lbs: "lb", pound: "lb", pounds: "lb" }
};
function readLength(text2, assumed = "cm", habit = {}) {
  return readMeasure(text2, LENGTH_WORDS, CENTIMETRES, assumed, habit);
}
function readWeight(text2, assumed = "g", habit = {}) {
  return readMeasure(text2, WEIGHT_WORDS, GRAMS, assumed, habit);
}
var PART = /^\s*(?:([\d.,\s'’\u00a0\u202f]*?\d|[.,]\d+)\s+)?(\d+)\s*\/\s*(\d+)\s*([^\d\s.,][^\d]*?)?(?=\s*\d|\s*$)/;
var PLAIN = /^\s*([\d.,][\d.,\u00a0\u202f]*(?:[\s'’](?=\d{3}(?!\d))\d{3}[\d.,]*)*)\s*([^\d\s.,][^\d]*?)?\.?(?=\s*[\d.]|\s*$)/;
function readMeasure(text2, words3, factors, assumed, habit) {
  let rest = plainDigits(text2).trim();
  let total = new Big5(0);
  let parts = 0;
  const readings = [new Big5(0), new Big5(0)];
  let doubtful2 = false;
  while (rest !== "") {
    const fraction = PART.exec(rest);
    const match = fraction ?? PLAIN.exec(rest);
    if (!match || match[0].length === 0) return { ok: false, why: "none" };
    rest = rest.slice(match[0].length).trim();
    const word = (match.at(-1) ?? "").trim().replace(/\.$/, "").toLowerCase();
    const unit = word === "" ? parts === 0 && rest === "" ? assumed : void 0 : words3[word];
    if (!unit) return { ok: false, why: "none" };
    if (fraction && Number(match[3]) === 0) return { ok: false, why: "none" };
    const number = readNumber(fraction ? match[1] ?? "0" : match[1], habit);
    if (!number.ok && number.why === "none") return number;
    const more = fraction ? new Big5(match[2]).div(match[3]) : new Big5(0);
    const both = number.ok ? [number.number, number.number] : number.readings;
    doubtful2 ||= !number.ok;
    both.forEach(
      (one, at) => readings[at] = readings[at].plus(new Big5(one).plus(more).times(factors[unit]))
    );
    total = readings[0];
    parts += 1;
    if (parts > 2) return { ok: false, why: "none" };
  }
  if (parts === 0 || total.lt(0)) return { ok: false, why: "none" };
  if (doubtful2) return { ok: false, why: "two", readings: readings.map((one) => one.toString()) };
  return { ok: true, measure: total.round(2, Big5.roundHalfUp).toNumber() };
}

// core/src/identifiers/sameness.ts
function identityOf(kind, identifier) {
  return kind === "gtin" ? gtin14(identifier) : identifier.toUpperCase();
}

// core/src/bundles/parts.ts
var PARTS_MOST = 20;
var EACH_MOST = 999;
var BEFORE = /^(\d{1,4})(?:\s*[×*]\s*|\s+x\s+|\s+)(\S+)$/i;
var AFTER = /^(\S+)(?:\s*[×*]\s*|\s+x\s+)(\d{1,4})$/i;
function readParts(text2) {
  const parts = /* @__PURE__ */ new Map();
  for (const piece of text2.split(/[,;\n]/).filter((one) => one.trim() !== "")) {
    const part = readPart(piece.trim());
    if (!part) return unreadable("parts.form", { text: piece.trim() });
    const read2 = readSku(part.sku, SKU_MOST);
    if (!read2.ok) return read2;
    const key = identityOf("sku", part.sku);
    const there = parts.get(key);
    parts.set(key, { sku: there?.sku ?? part.sku, pieces: (there?.pieces ?? 0) + part.pieces });
  }
  const all = [...parts.values()];
  const wrong = all.find(({ pieces }) => pieces < 1 || pieces > EACH_MOST);
  if (wrong) return unreadable("parts.pieces", { sku: wrong.sku, most: EACH_MOST });
  if (all.length > PARTS_MOST) return unreadable("parts.many", { count: all.length, most: PARTS_MOST });
  return { ok: true, parts: all, text: partsText(all) };
}
function readPart(piece) {
  const before = BEFORE.exec(piece);
  if (before) return { sku: before[2], pieces: Number(before[1]) };
  const after = AFTER.exec(piece);
  if (after) return { sku: after[1], pieces: Number(after[2]) };
  return /\s/.test(piece) ? null : { sku: piece, pieces: 1 };
}
var partsText = (parts) => parts.map(({ sku, pieces }) => `${pieces} \xD7 ${sku}`).join(", ");

// core/src/wording/composition.ts
import Big6 from "big.js";
var PARTS_AT_MOST = 10;
var PART2 = /^(?:([\d.,]+)\s*%\s*(\S.*)|(\S.*?)\s+([\d.,]+)\s*%)$/;
function readComposition(text2) {
  const pieces = text2.split(/[,;/]\s*(?=\d+(?:[.,]\d+)?\s*%|\D[^,;/]*\d\s*%\s*(?:[,;/]|$))/);
  const parts = [];
  for (const piece of pieces) {
    const match = PART2.exec(piece.trim());
    const share = match && readNumber(match[1] ?? match[4], { decimal: "." });
    if (!match || !share?.ok) return unreadable("figure.composition", { field: "Composition", text: text2 });
    parts.push({ percent: share.number, material: (match[2] ?? match[3]).trim() });
  }
  if (parts.length > PARTS_AT_MOST)
    return unreadable("figure.composition-parts", { count: parts.length, most: PARTS_AT_MOST });
  const sum = parts.reduce((total, part) => total.plus(part.percent), new Big6(0));
  if (!sum.eq(100)) return unreadable("figure.composition-sum", { sum: sum.toString() });
  return { ok: true, parts, text: parts.map((part) => `${part.percent} % ${part.material}`).join(", ") };
}

// core/src/wording/markup.ts
import { Parser } from "htmlparser2";
var TAGS = {
  ...{ p: "p", div: "p", section: "p", article: "p", blockquote: "p", address: "p" },
  ...{ h1: "h3", h2: "h3", h3: "h3", h4: "h4", h5: "h4", h6: "h4" },
  ...{ ul: "ul", ol: "ol", li: "li", br: "br", strong: "strong", b: "strong", em: "em", i: "em" }
};
var DROPPED = /* @__PURE__ */ new Set([
  ...["script", "style", "template", "noscript", "iframe", "object", "embed", "svg", "math", "head", "title"],
  ...["textarea", "select", "xmp", "noembed", "noframes", "plaintext", "applet", "audio", "video", "canvas"]
]);
var BLOCKS = /* @__PURE__ */ new Set(["p", "h3", "h4", "ul", "ol", "li"]);
function isMarkup(text2) {
  return /^\s*<(?:p|div|ul|ol|h[1-6]|blockquote|section|article|table)\b[^>]*>/i.test(text2);
}
function cleanMarkup(html) {
  const out = [];
  const open = [];
  let dropped = 0;
  const close = (tag) => {
    while (open.includes(tag)) {
      const last = open.pop();
      out.push(`</${last}>`);
      if (last === tag) return;
    }
  };
  const parser = new Parser(
    {
      onopentagname(name) {
        if (DROPPED.has(name)) dropped += 1;
        const tag = TAGS[name];
        if (dropped > 0 || !tag) return;
        if (tag === "br") return void out.push("<br>");
        if (tag === "li" && !open.includes("ul") && !open.includes("ol")) return;
        if (tag === "p" && open.includes("li")) {
          if (out.at(-1) !== "<li>") out.push("<br>");
          return;
        }
        if (BLOCKS.has(tag)) for (const one of ["p", "h3", "h4"]) close(one);
        if (tag === "li" && open.at(-1) === "li") close("li");
        open.push(tag);
        out.push(`<${tag}>`);
      },
      onclosetag(name) {
        if (DROPPED.has(name)) dropped = Math.max(0, dropped - 1);
        const tag = TAGS[name];
        if (dropped === 0 && tag && tag !== "br") close(tag);
      },
      ontext(text2) {
        if (dropped > 0) return;
        if (open.length === 0 && text2.trim() !== "") {
          open.push("p");
          out.push("<p>");
        }
        if (open.length > 0) out.push(escapeText(text2));
      }
    },
    { decodeEntities: true, lowerCaseTags: true }
  );
  parser.end(html);
  while (open.length > 0) out.push(`</${open.pop()}>`);
  return withoutEmpty(out.join("")).trim();
}
var escapeText = (text2) => text2.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
function withoutEmpty(html) {
  const next = html.replace(/<(p|h3|h4|ul|ol|li|strong|em)>(?:\s|<br>)*<\/\1>/g, "");
  return next === html ? html : withoutEmpty(next);
}
function plainText(text2) {
  if (!isMarkup(text2)) return text2;
  const lines = [""];
  const put2 = (words3) => lines[lines.length - 1] += words3;
  const lists = [];
  const parser = new Parser(
    {
      onopentagname(name) {
        if (name === "ul" || name === "ol") lists.push({ isOrdered: name === "ol", at: 0 });
        if (name === "br") lines.push("");
        if (name === "li") {
          const list = lists.at(-1);
          lines.push(list?.isOrdered ? `${list.at += 1}. ` : "\u2022 ");
        } else if (BLOCKS.has(name) && lines.at(-1) !== "") lines.push("", "");
      },
      onclosetag(name) {
        if (name === "ul" || name === "ol") lists.pop();
        if (name === "p" || name === "h3" || name === "h4" || name === "ul" || name === "ol") lines.push("", "");
      },
      ontext: (words3) => void put2(words3.replace(/\s+/g, " "))
    },
    { decodeEntities: true }
  );
  parser.end(text2);
  return lines.map((line) => line.trim()).join("\n").replace(/\n{3,}/g, "\n\n").trim();
}

// core/src/wording/controlMarks.ts
var CONTROL_MARKS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

// core/src/registry/figures.ts
var habitsOf = (cells) => ({ ...habitOf(cells), ...dateHabitOf(cells) });
var good2 = (figure) => ({ ok: true, figure });
function readFigure(registry2, field4, text2, source = {}) {
  if (CONTROL_MARKS.test(text2)) return unreadable("figure.marks", { field: field4.label });
  const keepsLines = field4.type === "longtext" || field4.type === "list";
  const trimmed = keepsLines ? text2.trim() : text2.trim().replace(/\s+/g, " ");
  if (trimmed === "") return good2(null);
  return READERS[field4.type](trimmed, field4, source, registry2);
}
var READERS = {
  text: readText,
  longtext: readText,
  list: (text2, field4) => readList(text2.split(text2.includes("\n") ? "\n" : /[;,]/), field4),
  money(text2, field4, source) {
    const read2 = readAmount(text2, source);
    if (!read2.ok) return doubtful(read2, field4, text2) ?? unreadable("figure.no-amount", { field: field4.label, text: text2 });
    return read2.number.startsWith("-") ? unreadable("figure.below-zero", { field: field4.label }) : good2(read2.number);
  },
  surcharge(text2, field4, source) {
    const read2 = readSurcharge(text2, source);
    if (!read2.ok) return doubtful(read2, field4, text2) ?? unreadable("figure.no-surcharge", { field: field4.label, text: text2 });
    return /^-?0(\.0*)?%?$/.test(read2.number) ? good2(null) : good2(read2.number);
  },
  weight(text2, field4, source) {
    const read2 = readWeight(text2, source.unit ?? "g", source);
    return readMeasured(read2, field4, text2, "figure.no-weight");
  },
  length(text2, field4, source) {
    const read2 = readLength(text2, source.unit ?? "cm", source);
    return readMeasured(read2, field4, text2, "figure.no-length");
  },
  number(text2, field4, source) {
    const read2 = readNumber(text2, source);
    if (!read2.ok) return doubtful(read2, field4, text2) ?? unreadable("figure.no-number", { field: field4.label, text: text2 });
    return good2(Number(read2.number));
  },
  integer(text2, field4, source) {
    const read2 = readNumber(text2, source);
    const refused = () => unreadable("figure.no-count", { field: field4.label, text: text2, unit: field4.unit ?? "pieces" });
    if (!read2.ok) return doubtful(read2, field4, text2) ?? refused();
    return /^\d{1,9}(\.0+)?$/.test(read2.number) ? good2(Number(read2.number)) : refused();
  },
  yesno(text2, field4) {
    const word = text2.toLowerCase();
    if (["yes", "y", "true", "1", "on", "x"].includes(word)) return good2(true);
    if (["no", "n", "false", "0", "off", "-"].includes(word)) return good2(false);
    return unreadable("figure.no-yes-no", { field: field4.label, text: text2 });
  },
  date(text2, field4, source, registry2) {
    const read2 = readDate(text2, source, registry2.languages);
    if (read2.ok) return good2(read2.date);
    return doubtful(read2, field4, text2) ?? unreadable("figure.no-date", { field: field4.label, text: text2 });
  },
  choice(text2, field4) {
    const wanted = text2.toLowerCase();
    const choice = field4.choices?.find((one) => one.value === text2 || one.label.toLowerCase() === wanted);
    if (choice) return good2(choice.value);
    const choices = field4.choices?.map((one) => one.label).join(", ") ?? "";
    return unreadable("figure.no-choice", { field: field4.label, text: text2, choices });
  },
  category(text2, _field, _source, registry2) {
    const wanted = text2.toLowerCase();
    const found = registry2.category(text2) ?? registry2.tree.find(({ category }) => registry2.pathLabel(category.id).toLowerCase() === wanted)?.category;
    return found ? good2(found.id) : unreadable("category.unknown", { id: text2 });
  },
  composition(text2, field4) {
    const read2 = readComposition(text2);
    return read2.ok ? readText(read2.text, field4) : read2;
  },
  address(text2, field4) {
    const parsed = URL.canParse(text2) ? new URL(text2) : null;
    const isSafe = parsed?.protocol === "https:" && parsed.username === "" && parsed.hostname.includes(".");
    return isSafe ? readText(parsed.href, field4) : unreadable("figure.no-address", { field: field4.label });
  },
  parts(text2, field4) {
    const read2 = readParts(text2);
    return read2.ok ? readText(read2.text, field4) : read2;
  },
  sku: (text2, field4) => readSku(text2, field4.most),
  gtin(text2) {
    const read2 = readGtin(text2);
    return read2.ok ? good2(read2.gtin) : read2;
  },
  stock: (text2, field4, source, registry2) => READERS.integer(text2, field4, source, registry2),
  pictures: (_text, field4) => unreadable("figure.kind", { field: field4.label, kind: "a list of pictures" })
};
function readText(text2, field4) {
  const most = field4.most ?? Infinity;
  const hasForm = field4.markup === true && isMarkup(text2);
  if (hasForm && text2.length > most * TAGS_AT_MOST)
    return unreadable("figure.too-long", { field: field4.label, length: text2.length, most });
  const clean = hasForm ? cleanMarkup(text2) : text2;
  const { length } = plainText(clean);
  if (length <= most) return good2(clean === "" ? null : clean);
  return unreadable("figure.too-long", { field: field4.label, length, most });
}
var TAGS_AT_MOST = 4;
function readList(parts, field4) {
  const entries = [...new Set(parts.map((one) => one.trim()).filter(Boolean))];
  const most = field4.most ?? Infinity;
  if (entries.length <= most) return good2(entries.length > 0 ? entries : null);
  return unreadable("figure.too-many", { field: field4.label, count: entries.length, most });
}
function readMeasured(read2, field4, text2, code) {
  if (!read2.ok) return doubtful(read2, field4, text2) ?? unreadable(code, { field: field4.label, text: text2 });
  return read2.measure === 0 ? unreadable(code, { field: field4.label, text: text2 }) : good2(read2.measure);
}
function doubtful(read2, field4, text2) {
  if (read2.why !== "two") return null;
  const [one, other] = read2.readings;
  const code = field4.type === "date" ? "figure.two-days" : "figure.two-readings";
  return unreadable(code, { field: field4.label, text: text2, one, other });
}
var KINDS = {
  list: Array.isArray,
  pictures: Array.isArray,
  yesno: (figure) => typeof figure === "boolean",
  ...Object.fromEntries(
    ["weight", "length", "number", "integer"].map((type) => [type, (figure) => Number.isFinite(figure)])
  )
};
var PLAIN2 = new Intl.NumberFormat("en", { useGrouping: false, maximumFractionDigits: 12 });

// core/src/colour/name.ts
import { colorsNamed, converter, differenceCiede2000, formatHex, parse } from "culori";
var TRADE_NAMES = {
  rust: "#A4502B",
  ochre: "#C58A1C",
  mustard: "#C9971C",
  spruce: "#24483C",
  moss: "#5B6B3A",
  pine: "#2A4B3B",
  sage: "#9CAA8B",
  midnight: "#1B2540",
  ink: "#202A3A",
  storm: "#5A6772",
  slate: "#56626C",
  granite: "#7B7F80",
  pewter: "#8E9296",
  ash: "#B4B7B4",
  charcoal: "#3B3F43",
  graphite: "#46494C",
  fog: "#C9CECF",
  sand: "#D2BE98",
  dune: "#CBB48C",
  oat: "#DDD0B4",
  ecru: "#E3D9C3",
  cream: "#F3EAD3",
  chalk: "#F1EFE7",
  bone: "#E6DFCF",
  stone: "#B8AE9C",
  clay: "#B4694A",
  brick: "#94412F",
  madder: "#A9362B",
  cherry: "#A3182F",
  wine: "#6B1D32",
  berry: "#7E2348",
  plum: "#5B2A52",
  heather: "#94799B",
  lupin: "#6C62A8",
  kelp: "#4C5325",
  seaweed: "#3C5043",
  lagoon: "#1F7A83",
  petrol: "#14525E",
  kingfisher: "#0E7FA6",
  sky: "#8CC0DE",
  ice: "#D3E7EC",
  denim: "#3F5C83",
  cobalt: "#1F4EA3",
  lemon: "#F0DC4B",
  sun: "#F4BD2A",
  signal: "#F2641D",
  apricot: "#F0A96B",
  blush: "#E7BDB3",
  rose: "#D98A96",
  chocolate: "#4B2E20",
  cocoa: "#5A3B2B",
  caramel: "#B5773E",
  camel: "#BE935A",
  tan: "#C69C6D",
  walnut: "#5C432E",
  mint: "#AEDCC4",
  lime: "#A6C83A",
  bottle: "#12402F",
  forest: "#22482F",
  fern: "#4F7B43",
  oxblood: "#5A1A20",
  natural: "#E5DCC6",
  undyed: "#E7E0CE"
};
var difference = differenceCiede2000();
var measured = converter("lab65");

// core/src/registry/roles.ts
var ROLE_LABELS = {
  colour: "Colour",
  size: "Size",
  length: "Length",
  material: "Material",
  pattern: "Pattern",
  pack: "Pack",
  volume: "Volume",
  model: "Fits model",
  other: "Option"
};

// core/src/size/sizeReading.ts
var GROUPS = ["one", "age", "number", "letter", "plus", "measure"];
var NO_HABITS = {
  ...{ metres: false, months: false, letters: false, fluid: false, fractions: false },
  ...{ plus: false, years: false, numbers: false, unit: null }
};
function bareNumbers(low, high, { years }, cut = 0, zeros = 0) {
  if (years && low <= OLDEST_CHILD) return { group: "age", order: [low * 12, high * 12, PLAIN3, cut] };
  return { group: "number", order: [low, high - low, cut, zeros] };
}
var OLDEST_CHILD = 20;
var TODDLER = 1;
var PLAIN3 = 2;

// core/src/size/sizeWords.ts
var units = (of, all) => Object.entries(all).flatMap(
  ([names, factor]) => names.split(" ").map((name) => [name, { of, factor }])
);
var UNITS = new Map([
  ...units("length", {
    mm: 0.1,
    "cm cms": 1,
    dm: 10,
    "metre metres meter meters mtr mtrs": 100,
    'in ins inch inches zoll "': 2.54,
    "ft foot feet '": 30.48,
    "yd yds yard yards": 91.44,
    km: 1e5
  }),
  ...units("mass", {
    mg: 1e-3,
    "g gr gm gram grams gramm": 1,
    "kg kgs kilo kilos kilogram kilograms": 1e3,
    "lb lbs pound pounds": 453.59237,
    "oz ounce ounces": 28.349523125
  }),
  ...units("volume", {
    "ml millilitre millilitres milliliter milliliters": 1,
    cl: 10,
    dl: 100,
    "ltr litre litres liter liters": 1e3,
    floz: 29.5735295625,
    "pt pint pints": 473.176473,
    "qt quart quarts": 946.352946,
    "gal gallon gallons": 3785.411784
  }),
  ...units("age", {
    "day days": 1 / 30.4375,
    "week weeks wk wks": 7 / 30.4375,
    "mo mos mth mths month months monat monate mois mes meses mesi maanden mnd": 1,
    "y yr yrs year years jahr jahre ans an a\xF1os anni jaar yo": 12
  }),
  ...units("data", { mb: 1, gb: 1e3, tb: 1e6 }),
  ...units("power", { w: 1, watt: 1, watts: 1, kw: 1e3 }),
  ...units("pieces", {
    "pack packs pk pks pcs pc piece pieces count ct pair pairs pr roll rolls sheet sheets bag bags set sets bottle bottles can cans box boxes st\xFCck stk tablets capsules servings tier tiers seater person persons people drawer drawers light lights": 1,
    "dozen dz": 12
  })
]);
var LETTER_WORDS = new Map(
  Object.entries({ s: -1, sm: -1, sml: -1, small: -1, m: 0, md: 0, med: 0, medium: 0, l: 1, lg: 1, lge: 1, large: 1 })
);
var CUPS = [
  "aaa",
  "aa",
  "a",
  "b",
  "c",
  "d",
  "dd",
  "ddd",
  "e",
  "ee",
  "f",
  "ff",
  "g",
  "gg",
  "h",
  "hh",
  "i",
  "j",
  "jj",
  "k",
  "kk"
];
var CUTS = new Map([
  ...[
    [-4, "xxs xx-short"],
    [-3, "xs x-short extra-short xnarrow x-narrow"],
    [-2, "petite p narrow n slim sl"],
    [-1, "s short kurz"],
    [0, "r reg regular standard medium m d normal"],
    [1, "l long lang w wide husky h plus"],
    [2, "t tall xl x-long xlong extra-long ww xw x-wide e"],
    [3, "xxl xt x-tall 2e ee"],
    [4, "3e eee"],
    [5, "4e xxw"]
  ].flatMap(([rank, words3]) => words3.split(" ").map((word) => [word, rank]))
]);
var WEARERS = [
  /^(?:baby|infant|newborn)(?:'?s)?\b/,
  /^toddler(?:'?s)?\b/,
  /^little kids?\b/,
  /^big kids?\b/,
  /^(?:kid|kids|child|children|boy|boys|girl|girls|junior|juniors|youth)(?:'?s)?\b/,
  /^teens?(?:'?s)?\b/,
  /^(?:women|womens|ladies|lady|woman)(?:'?s)?\b/,
  /^(?:men|mens|man|gents)(?:'?s)?\b/,
  /^(?:adult|adults|unisex)(?:'?s)?\b/
];
var SCALES = [
  ["petite", "short", "regular", "long", "tall", "extra long"],
  ["narrow", "standard", "wide", "extra wide"],
  ["slim", "regular", "relaxed", "loose"],
  [
    "crib",
    "toddler",
    "cot",
    "cot bed",
    "single",
    "twin",
    "twin xl",
    "large single",
    "small double",
    "full",
    "double",
    "queen",
    "king",
    "super king",
    "superking",
    "emperor",
    "california king",
    "cal king"
  ],
  [
    "sample",
    "travel",
    "mini",
    "petite",
    "small",
    "regular",
    "standard",
    "medium",
    "full",
    "large",
    "grand",
    "family",
    "jumbo",
    "giant",
    "mega"
  ],
  ["baby", "toddler", "kids", "child", "youth", "junior", "teen", "ladies", "women", "men", "adult"],
  ["xx-short", "x-short", "short", "regular", "long", "x-long", "xx-long"],
  ["standard", "queen", "king"],
  ["mini", "midi", "maxi"],
  ["short", "medium", "long"],
  ["half", "single", "double", "triple", "quadruple"],
  ["low", "mid", "high"],
  ["light", "medium", "heavy"]
];

// core/src/size/readMeasures.ts
var NUMBER = /^(?:(\d+) (\d+)\/(\d+)|(\d+)\/(\d+)|(\d{1,3}(?:,\d{3})+)|(\d*[.,]?\d+))$/;
function readNumber2(text2, fractions) {
  const match = NUMBER.exec(text2.trim());
  if (!match) return null;
  const [, whole, over, under, part, of, thousands, plain3] = match;
  if (whole) return Number(whole) + Number(over) / Number(under);
  if (part) return fractions && Number(of) > 0 ? Number(part) / Number(of) : null;
  if (thousands && !thousands.startsWith("0")) return Number(thousands.replaceAll(",", ""));
  return Number((plain3 ?? thousands).replace(",", "."));
}
var QUANTITY = /^(\d+ \d+\/\d+|\d+\/\d+|\d[\d.,]*|[.,]\d+)[ -]?(fl\.? ?oz\.?|"|'|[\p{L}]+\.?)?(?:[ -]?(?:old|long|wide|tall|packs?|count|ct))?$/u;
function readQuantity(text2, habits) {
  const feet = /^(\d+)(?:'| ?ft\.?) ?(\d+(?:\.\d+)?)(?:"| ?in\.?)?$/.exec(text2);
  if (feet) return { size: Number(feet[1]) * 30.48 + Number(feet[2]) * 2.54, unit: UNITS.get("cm"), zeros: 0 };
  const match = QUANTITY.exec(text2);
  if (!match) return null;
  const unit = match[2] ? unitCalled(match[2], habits) : null;
  if (unit === void 0) return null;
  const number = readNumber2(match[1], true);
  if (number === null) return null;
  const leading = /^0+(?=0$)/.exec(match[1])?.[0].length ?? 0;
  return { size: number * (unit?.factor ?? 1), unit, zeros: -leading };
}
function unitCalled(word, { metres, fluid }) {
  const plain3 = word.replace(/[. ]/g, "");
  if (plain3 === "m") return metres ? { of: "length", factor: 100 } : { of: "age", factor: 1 };
  if (plain3 === "l") return { of: "volume", factor: 1e3 };
  if (fluid && /^(?:oz|ounces?)$/.test(plain3)) return UNITS.get("floz");
  return UNITS.get(plain3);
}
function readMeasures(text2, habits) {
  const aged = /^(?:age[sd]?|from age) ?:?/.exec(text2)?.[0];
  const plain3 = aged ? text2.slice(aged.length).trim() : text2;
  const sides = plain3.split(/ ?(?:x|by|\*) ?(?=[\d.])/);
  if (sides.length > 4) return null;
  const ranges = sides.map((side) => readRange(side, habits));
  if (ranges.some((range) => range === null)) return null;
  const all = ranges.flatMap(({ quantities }) => quantities);
  const said2 = all.find(({ unit: unit2 }) => unit2)?.unit ?? (aged ? YEAR : null);
  const unit = said2 ?? habits.unit;
  const sizes = ranges.flatMap(
    ({ quantities: [low, high], isOpen }) => [low, high ?? low].map(
      (one, at) => isOpen && at === 1 ? Infinity : one.unit ? one.size : one.size * scaleOf(low, high, said2, habits)
    )
  );
  const zeros = all[0].zeros;
  const order = sides.length === 1 ? [sizes[0], sizes[1]] : sides.flatMap((_, at) => [sizes[at * 2], sizes[at * 2 + 1]]);
  if (unit?.of === "age") return { group: "age", order: [...order.slice(0, 2)] };
  if (unit) return { group: "measure", order };
  return sides.length === 1 ? bareNumbers(order[0], order[1], habits, 0, zeros) : { group: "number", order };
}
var YEAR = { of: "age", factor: 12 };
function scaleOf(low, high, said2, { unit }) {
  return (low.unit ?? high?.unit ?? said2 ?? unit)?.factor ?? 1;
}
function readRange(text2, habits) {
  const isOpen = /\+|(?: and| &| or) (?:up|over|more|above|older)$/.test(text2);
  const plain3 = text2.replace(/ ?\+ ?|(?: and| &| or) (?:up|over|more|above|older)$/g, " ").replace(/ +/g, " ").trim();
  const parts = plain3.split(/ ?- ?(?=[\d.])| to | bis | à /);
  const slashed = parts.length === 1 ? new RegExp("^(\\d+(?:[.,]\\d+)?(?: ?\\p{L}+)?) ?\\/ ?(\\d.*)$", "u").exec(plain3) : null;
  const isFraction = slashed && (habits.fractions || isPart(plain3)) && readQuantity(plain3, habits);
  const ends = slashed && !isFraction ? [slashed[1], slashed[2]] : parts;
  if (ends.length > 2) return null;
  const read2 = ends.map((end) => readQuantity(end, habits));
  if (read2.some((one) => one === null)) return null;
  return { quantities: read2, isOpen };
}
function isPart(text2) {
  const match = new RegExp(`^(\\d+)\\/(\\d+) ?(\\p{L}+|["'])\\.?$`, "u").exec(text2);
  const unit = match && UNITS.get(match[3]);
  return Boolean(unit && unit.of !== "age" && isFractionOf(Number(match[1]), Number(match[2])));
}
var isFractionOf = (over, under) => over < under && [2, 3, 4, 8, 16, 32].includes(under);

// core/src/size/sizeText.ts
var VULGAR = {
  ...{ "\xBD": "1/2", "\u2153": "1/3", "\u2154": "2/3", "\xBC": "1/4", "\xBE": "3/4", "\u2155": "1/5", "\u215B": "1/8", "\u215C": "3/8" },
  ...{ "\u215D": "5/8", "\u215E": "7/8" }
};
function sizeText(label) {
  let text2 = label.replace(/[½⅓⅔¼¾⅕⅛⅜⅝⅞]/g, (one) => ` ${VULGAR[one]} `).toLowerCase().replace(/[‐-―−]/g, "-").replace(/[×✕]/g, "x").replace(/''|[”“″]/g, '"').replace(/[’‘′]/g, "'").replace(/(\d)er(?=[ -])/g, "$1").replace(/[\s_]+/g, " ").trim();
  let aside = "";
  text2 = text2.replace(/\s*[([]([^)\]]*)[)\]]\s*/g, (_, inside, at) => {
    if (at === 0) return `${inside} `;
    aside = `${aside} ${inside}`.trim();
    return " ";
  });
  text2 = text2.trim().replace(
    /^(?:size|sizes|sz|gr(?:ö|oe)ße|groesse|gr\.|taille|talla|taglia|tg\.|maat|no\.?|nr\.?|n°|#)\s*:?\s*(?=[\p{L}\d])/u,
    ""
  ).replace(/^(?:t|gr)\.?\s+(?=\d)/, "").replace(/^int(?:ernational)?\s+(?=[\p{L}\d])/u, "");
  return { text: text2.replace(/(?<!^one|^free)[ -]size$/, "").trim(), aside };
}
function partWearer(text2) {
  const short = /^y(?=x*[sml]$)/.exec(text2);
  if (short) return { rest: text2.slice(1), wearer: YOUTH - NOBODY };
  for (const [at, pattern] of WEARERS.entries()) {
    const found = pattern.exec(text2)?.[0];
    const rest = found ? text2.slice(found.length).replace(/^[\s:.-]+/, "") : "";
    if (rest !== "") return { rest, wearer: at - NOBODY };
  }
  return { rest: text2, wearer: 0 };
}
var YOUTH = 4;
var NOBODY = 6;

// core/src/size/readSizeLabel.ts
var ONE = /^(?:one[ -]?size(?: fits (?:all|most))?|onesize|os|osfa|o\/s|free size|freesize|einheitsgröße|taille unique|universal|tu|u)$/;
var SYSTEM = /^(eu|eur|uk|gb|us|usa|fr|it|de|jp|au|br|cn|kr|ru|in)\.?[ :]*(?=\d|[x]*[sml]\b)/;
function readSizeLabel(label, habits = NO_HABITS) {
  const { text: text2, aside } = sizeText(label);
  if (text2 === "") return null;
  const { rest, wearer } = partWearer(text2);
  const read2 = readPlain(rest, habits);
  if (read2) return withMore(read2, wearer, aside, habits);
  const parted = /^(.+?)(?: ?[:,;|+] ?| [-/] )(.+)$/.exec(rest);
  const first = parted && readPlain(parted[1], habits);
  return first && withMore(first, wearer, parted[2], habits);
}
function withMore({ group, order }, wearer, aside, habits) {
  const more = aside === "" ? [] : readPlain(aside, habits)?.order ?? [];
  return { group, order: [wearer, ...padded(order), ...more] };
}
var PLACES = 6;
var padded = (order) => Array.from({ length: PLACES }, (_, at) => order[at] ?? 0);
function readPlain(whole, habits) {
  if (ONE.test(whole)) return { group: "one", order: [] };
  const early = /^(?:(pre(?:mie|emie|mature)(?: baby)?)|new ?born|nb|birth|naissance|geburt|neugeborenen?|tiny baby|early baby)$/.exec(
    whole
  );
  if (early) return { group: "age", order: [early[1] || /^(?:tiny|early)/.test(whole) ? -2 : -1] };
  const text2 = whole.replace(SYSTEM, "").replace(/ (?:eu|eur|uk|gb|us|usa|fr|it|de|jp|au)$/, "");
  return readLetters(text2, habits) ?? readToddler(text2) ?? readChildShoe(text2) ?? readWaist(text2) ?? readCup(text2) ?? readPaired(text2) ?? readCut(text2, habits) ?? readPieces(text2) ?? readMeasures(text2, habits) ?? readLimit(text2, habits);
}
var CROSSES = /^(?:(\d{1,2})[ -]?x+|(x+)|(extra(?:[ -]extra)*))?[ -]?(small|medium|large|sml|med|lge|sm|md|lg|s|m|l)$/;
function stepOf(text2, { plus, letters, numbers }) {
  const lone = /^(\d{1,2})x$/.exec(text2);
  if (lone && !plus && !numbers) return 1 + Number(lone[1]);
  const wide = letters ? /^(?:(\d{1,2})(l|s)|(l{2,}|s{2,}))$/.exec(text2) : null;
  if (wide) {
    const crosses2 = wide[1] ? Number(wide[1]) - 1 : wide[3].length - 1;
    return (wide[2] ?? wide[3][0]) === "l" ? 1 + crosses2 : -1 - crosses2;
  }
  const match = CROSSES.exec(text2);
  if (!match) return null;
  const [, counted, crossed, extra, letter] = match;
  const crosses = counted ? Number(counted) : crossed ? crossed.length : extra ? extra.split(/[ -]/).length : 0;
  const base = LETTER_WORDS.get(letter);
  if (base === 0) return crosses === 0 ? 0 : null;
  return base + Math.sign(base) * crosses;
}
function readLetters(text2, habits) {
  const step = stepOf(text2, habits);
  if (step !== null) return { group: "letter", order: [step] };
  const plus = habits.plus ? /^(\d{1,2})x(?:[/-](\d{1,2})x)?$/.exec(text2) : null;
  if (plus) return { group: "plus", order: [(Number(plus[1]) + Number(plus[2] ?? plus[1])) / 2] };
  for (const { index, 0: sign } of text2.matchAll(/ ?[/-] ?| to /g)) {
    const from = stepOf(text2.slice(0, index), habits);
    const to = stepOf(text2.slice(index + sign.length), habits);
    if (from !== null && to !== null && from < to) return { group: "letter", order: [(from + to) / 2] };
  }
  const numbered = /^(.+)\/(\d{1,3})$/.exec(text2);
  const letter = numbered ? stepOf(numbered[1], habits) : null;
  if (letter !== null) return { group: "letter", order: [letter, 0, Number(numbered[2])] };
  const cut = /^(.+?)[ /-]?(t|tall|long|short|petite|regular|reg|p|plus)$/.exec(text2);
  const base = cut ? stepOf(cut[1], habits) : null;
  return base === null ? null : { group: "letter", order: [base, CUTS.get(cut[2])] };
}
function readToddler(text2) {
  const match = /^(\d{1,2})(?: ?t?[/-](\d{1,2}))? ?t$/.exec(text2);
  return match && { group: "age", order: [Number(match[1]) * 12, Number(match[2] ?? match[1]) * 12, TODDLER] };
}
function readChildShoe(text2) {
  const match = /^((?:\d|1[0-3])(?:[.,]5)?) ?[ck]$/.exec(text2);
  return match && { group: "age", order: [Number(match[1].replace(",", ".")) / CHILD_SHOES] };
}
var CHILD_SHOES = 2;
function readWaist(text2) {
  const match = /^w ?(\d+(?:\.\d+)?)(?:[ /x,-]*l ?(\d+(?:\.\d+)?))?$/.exec(text2) ?? /^(\d+(?:\.\d+)?) ?w[ /x,-]+(\d+(?:\.\d+)?) ?l$/.exec(text2);
  if (match) return { group: "number", order: [Number(match[1]), Number(match[2] ?? 0)] };
  const length = /^l ?(\d+)$/.exec(text2);
  return length && { group: "number", order: [Number(length[1])] };
}
function readCup(text2) {
  const match = /^(\d{2,3}) ?-?([a-k]{1,3})(?:[/-]([a-k]{1,3}))?$/.exec(text2);
  if (!match) return null;
  const cup = CUPS.indexOf(match[2]);
  return cup < 0 || Number(match[1]) < SMALLEST_BAND ? null : { group: "number", order: [Number(match[1]), 0, cup, match[3] ? 1 : 0] };
}
var SMALLEST_BAND = 26;
function readPaired(text2) {
  const match = /^(?:m|w|us|uk|eu|men'?s?|women'?s?)? ?(\d[\d. /]*?) ?[/|,-] ?(?:m|w|us|uk|eu|men'?s?|women'?s?) ?(\d[\d. /]*)$/.exec(
    text2
  );
  if (!match) return null;
  const [first, second] = [readNumber2(match[1], true), readNumber2(match[2], true)];
  return first === null || second === null ? null : { group: "number", order: [first, second] };
}
function readCut(text2, habits) {
  const kids = habits.numbers ? /^(\d{1,2})x$/.exec(text2) : null;
  if (kids) return bareNumbers(Number(kids[1]) + 0.5, Number(kids[1]) + 0.5, habits);
  const match = /^(\d{1,3}(?:[.,]\d)?(?: \d\/\d)?)(?:[/-](\d{1,3}))?[ -]?([a-z0-9-]*[a-z][a-z-]*)$/.exec(text2);
  const cut = match ? CUTS.get(match[3]) : void 0;
  if (cut === void 0 || isUnit(match[3], habits)) return null;
  const low = readNumber2(match[1], true);
  return bareNumbers(low, Number(match[2] ?? low), habits, cut);
}
var isUnit = (word, { metres, months, letters, fluid, unit }) => word === "m" && (metres || months) || word === "l" && !letters && fluid || word === "w" && unit?.of === "power";
function readPieces(text2) {
  const counted = /^(?:multi)?(?:pack|set|box|bundle|case|bag|lot|carton) (?:of )?(\d+)$/.exec(text2) ?? /^x ?(\d+)$/.exec(text2) ?? /^(\d+) ?x$/.exec(text2);
  if (counted) return { group: "measure", order: [Number(counted[1])] };
  const word = /^(single|double|triple|twin)(?:[ -]?pack)$/.exec(text2)?.[1];
  return word ? { group: "measure", order: [{ single: 1, double: 2, twin: 2, triple: 3 }[word]] } : null;
}
function readLimit(text2, habits) {
  const match = /^(up to|under|below|less than|max\.?|bis|until|<|over|above|more than|from|ab|>|min\.?) ?(\d.*)$/.exec(
    text2
  );
  const read2 = match && readMeasures(match[2], habits);
  if (!read2) return null;
  const isOver = /^(?:over|above|more|from|ab|>|min)/.test(match[1]);
  return { group: read2.group, order: isOver ? [read2.order[0], Infinity] : [0, read2.order[0]] };
}

// core/src/size/sortSizes.ts
function sortSizes(labels) {
  const keys = sizeOrders(labels);
  return labels.map((label, at) => ({ label, at, key: keys[at] })).sort((a, b) => {
    if (!a.key || !b.key) return a.key ? -1 : b.key ? 1 : a.at - b.at;
    return compareOrders(a.key, b.key) || a.at - b.at;
  }).map((one) => one.label);
}
var areSizes = (labels) => sizeOrders(labels).every((order) => order !== null);
var known = /* @__PURE__ */ new Map();
var KNOWN_AT_MOST = 5e3;
function sizeOrders(labels) {
  const sorted = labels.toSorted();
  const list = sorted.join("\n");
  let orders = known.get(list);
  if (!orders) {
    if (known.size >= KNOWN_AT_MOST) known.clear();
    const read2 = readOrders(sorted);
    known.set(list, orders = new Map(sorted.map((label, at) => [label, read2[at]])));
  }
  return labels.map((label) => orders.get(label));
}
function readOrders(labels) {
  const texts = labels.map((label) => sizeText(label).text);
  const scale = SCALES.find((words3) => texts.every((text2) => words3.includes(text2)));
  if (scale && texts.length > 1) return texts.map((text2) => [scale.indexOf(text2)]);
  const sheets = texts.map((text2) => /^([ab])(\d{1,2})$/.exec(text2));
  if (sheets.length > 1 && sheets.every((sheet) => sheet && sheet[1] === sheets[0]?.[1]))
    return sheets.map((sheet) => [-Number(sheet[2])]);
  if (areLetters(texts)) return texts.map((text2) => [text2.charCodeAt(0), text2.length > 1 ? 1 : 0]);
  const orders = ordersOf(labels);
  if (orders.every((order) => order !== null)) return orders;
  const bare = withoutShared(texts);
  const again = bare ? ordersOf(bare) : orders;
  return again.every((order) => order !== null) ? again : orders;
}
function ordersOf(labels) {
  const habits = habitsOf2(labels.map((label) => sizeText(label).text));
  return labels.map((label) => {
    const read2 = readSizeLabel(label, habits);
    return read2 && orderOf(read2);
  });
}
function withoutShared(texts) {
  const [first, ...others] = texts;
  if (first === void 0 || others.length === 0) return null;
  const shared = (words3) => words3.map((pattern) => pattern.exec(first)?.[0]).find((word) => word && texts.every((text2) => words3.some((pattern) => pattern.exec(text2)?.[0] === word)));
  const head = shared([/^[\p{L} ./-]*[ ./-]/u, new RegExp("^\\p{L}{1,2}(?=\\d)", "u")]) ?? "";
  const tail = shared([new RegExp("[ ./-]\\p{L}[\\p{L} ]*$", "u"), new RegExp("(?<=\\d)\\p{L}$", "u")]) ?? "";
  if (head + tail === "") return null;
  const bare = texts.map((text2) => text2.slice(head.length, text2.length - tail.length).trim());
  return bare.includes("") ? null : bare;
}
var orderOf = ({ group, order }) => {
  const [wearer = 0, ...rest] = order;
  return [wearer, GROUPS.indexOf(group), ...rest];
};
var areLetters = (texts) => texts.length > 2 && texts.every((text2) => /^[a-z](?: ?1\/2)?$/.test(text2)) && texts.some((text2) => !/^[smlx]/.test(text2));
function compareOrders(a, b) {
  for (let at = 0; at < Math.max(a.length, b.length); at++) {
    const [one, other] = [a[at] ?? 0, b[at] ?? 0];
    if (one !== other) return one < other ? -1 : 1;
  }
  return 0;
}
function habitsOf2(texts) {
  const has = (pattern) => texts.some((text2) => pattern.test(text2));
  const units2 = texts.flatMap(unitsIn);
  const isOf2 = (what) => units2.some((unit) => unit.of === what);
  const isAge = isOf2("age") || has(/^new ?born$|^nb$|^age|\d ?t$|^\d+ ?- ?\d+ ?m$/);
  const isVolume = isOf2("volume") || has(/^[0-5]?[.,]\d+ ?l$/);
  const isLength = isOf2("length") || has(/^\d*[.,]\d+ ?m$/);
  const measured2 = [...new Set(units2.filter((unit) => unit.of !== "age"))];
  return {
    metres: isLength && !isAge,
    months: isAge,
    letters: has(/^(?:x*[sml]|x*-?(?:small|large)|medium)$/) && !isVolume,
    fluid: isVolume,
    fractions: areFractions(texts),
    plus: has(/^[01]x$/),
    years: isAge && has(/^\d{1,2}$|^\d{1,2} ?[/-] ?\d{1,2}$/),
    numbers: has(/^[4-9]$|^1\d$/),
    unit: measured2.length === 1 ? measured2[0] : null
  };
}
function unitsIn(text2) {
  const words3 = text2.matchAll(new RegExp(`\\d ?(fl\\.? ?oz|["']|\\p{L}+)`, "gu"));
  return [...words3].flatMap(([, word]) => {
    const plain3 = word.replace(/[. ]/g, "");
    return ["m", "l", "w"].includes(plain3) ? [] : UNITS.get(plain3 === "fl" ? "floz" : plain3) ?? [];
  });
}
function areFractions(texts) {
  if (texts.some((text2) => /\d ?(?:in|inch|inches|ins|")\.?$/.test(text2) || /\d \d+\/\d+/.test(text2))) return true;
  const parts = texts.flatMap((text2) => {
    const match = /^(\d+)\/(\d+)$/.exec(text2);
    return match ? [[Number(match[1]), Number(match[2])]] : [];
  });
  if (parts.length < texts.filter((text2) => text2.includes("/")).length) return false;
  return parts.length > 0 && parts.every(([over, under]) => isFractionOf(over, under)) && parts.some(([over, under]) => under - over > 1 || under === 2);
}

// core/src/pictures/match/fileWords.ts
var LETTERS = { \u00DF: "ss", \u00F8: "o", \u00E6: "ae", \u0153: "oe", \u0111: "d", \u0142: "l", \u00FE: "th", \u00F0: "d", \u0131: "i" };
function foldLetters(text2) {
  const low = isAscii(text2) ? text2.toLowerCase() : text2.normalize("NFKD").replace(new RegExp("\\p{M}", "gu"), "").toLowerCase().replace(/[ßøæœđłþðı]/g, (letter) => LETTERS[letter]);
  return low.includes("gray") ? low.replaceAll("gray", "grey") : low;
}
function isAscii(text2) {
  for (let at = 0; at < text2.length; at++) if (text2.charCodeAt(at) > 127) return false;
  return true;
}
function compact(text2) {
  const low = foldLetters(text2);
  return /^[a-z0-9]*$/.test(low) ? low : low.replace(/[^\p{L}\p{N}]+/gu, "");
}

// core/src/intake/options/colourWords.ts
import { colorsNamed as colorsNamed2 } from "culori";

// core/src/pictures/match/catalogue.ts
var stemOf = (word) => word.length > 3 && word.endsWith("s") && word.at(-2) !== "s" ? word.slice(0, -1) : word;

// core/src/intake/options/goodsWords.ts
var words = (text2) => new Set(
  text2.trim().split(/\s+/).map((word) => stemOf(foldLetters(word)))
);
var GOODS = words(`
  jkt trs shrt jmpr swtr jacket coat parka anorak smock gilet vest waistcoat blazer suit shirt tshirt tee top blouse tunic polo jumper sweater pullover cardigan hoodie
  sweatshirt fleece trousers pants jeans shorts leggings chino skirt dress gown dungarees overall jumpsuit romper onesie bodysuit pyjama pajama
  nightdress robe bathrobe underwear boxer brief bra knickers sock tights stocking shoe boot sandal slipper trainer sneaker clog loafer
  wellington wellie hat cap beanie bonnet balaclava scarf shawl snood glove mitten belt tie braces bag tote rucksack backpack pouch purse wallet
  satchel holdall duffel apron towel blanket throw quilt duvet pillow cushion cover sheet curtain rug mat tablecloth napkin runner mug cup bowl
  plate jug teapot kettle pan pot tray board bottle flask tumbler glass vase candle lamp lantern lampshade frame mirror clock basket box tin
  stool chair table bench shelf hook peg leash lead collar harness bed toy ball ring necklace bracelet earring pendant brooch watch
  case phone charger cable stand holder notebook diary pen pencil card print poster sticker soap balm cream lotion shampoo perfume oil
  wax polish brush comb umbrella tent tarp rope line buoy knife spoon fork yarn wool fabric thread button kit set helmet goggles
  swimsuit bikini trunks wetsuit rashguard poncho cape legwarmer gaiter sling carrier bib swaddle sleepsuit puddlesuit playsuit
  jacke mantel hemd bluse hose jeans rock kleid pullover strickjacke m\xFCtze hut schal handschuh socke strumpf schuh stiefel tasche rucksack
  decke kissen handtuch tasse becher teller schale sch\xFCssel weste anzug shirt leine halsband
  veste manteau chemise pantalon jupe robe pull bonnet chapeau \xE9charpe gant chaussette chaussure botte sac couverture coussin serviette tasse
  chaqueta abrigo camisa pantal\xF3n falda vestido jersey gorro sombrero bufanda guante calcet\xEDn zapato bota bolso manta taza
  giacca cappotto camicia pantaloni gonna vestito maglione cappello sciarpa guanto calza scarpa stivale borsa coperta tazza
  jas broek jurk trui muts sjaal handschoen sok schoen laars tas deken mok
`);
var BESIDE_GOODS = words(`
  kit care gift giftbox gifts box refill spare spares replacement repair accessory accessories sample swatch voucher giftcard card hanger
  bundle starter cleaner cleaning wash spray proofer cover carrier case strap buckle lining liner insert lace laces button buttons patch patches pattern
  sleeve stand mount lid coaster manual booklet catalogue display
  pflegeset geschenkbox ersatz ersatzteil zubeh\xF6r muster gutschein recharge coffret cadeau entretien regalo recambio cura ricambio
`);
var OTHER_GOODS = words(`
  men mens man women womens woman ladies lady kid kids child children childrens boy boys girl girls baby babies toddler junior youth teen adult unisex
  infant dog dogs cat cats pet pro lite light plus max mini midi maxi deluxe premium basic classic original new old ii iii iv mk2 mk3 v2 v3 gen
  long short tall petite slim regular relaxed wide sleeveless hooded lined unlined longsleeve shortsleeve cropped oversized heavy lightweight
  herren damen kinder jungen m\xE4dchen baby homme femme enfant fille gar\xE7on hombre mujer ni\xF1o ni\xF1a uomo donna bambino heren dames
  xl summer winter spring autumn indoor outdoor travel home
`);
var stemmed = (word) => stemOf(word);
var isGoods = (word) => GOODS.has(stemmed(word));
var isBesideGoods = (word) => BESIDE_GOODS.has(stemmed(word));
var isOtherGoods = (word) => OTHER_GOODS.has(stemmed(word));
var changesGoods = (word) => isGoods(word) || isBesideGoods(word) || isOtherGoods(word);

// core/src/intake/options/colourWords.ts
var split = (text2) => text2.trim().split(/\s+/).map(foldLetters);
var PLAIN4 = split(`
  black white grey gray red blue green yellow orange brown pink purple beige navy burgundy maroon turquoise teal olive khaki charcoal
  anthracite ivory crimson scarlet violet lilac magenta fuchsia cyan indigo cobalt mustard ochre terracotta taupe ecru aubergine
  multicolour multicolor multicoloured aqua azure chartreuse mauve lavender peach coral salmon offwhite petrol
  nvy blk wht gry blu grn brn bge pnk olv khk chr
  schwarz wei\xDF weiss grau rot blau gr\xFCn gruen gelb braun rosa lila t\xFCrkis tuerkis dunkelblau hellblau bordeaux anthrazit silbern
  noir noire blanc blanche gris grise rouge bleu bleue vert verte jaune marron turquoise ecru bordeaux kaki
  negro negra blanco blanca rojo roja azul amarillo amarilla naranja morado marr\xF3n granate celeste
  nero nera bianco bianca rosso rossa blu giallo gialla arancione marrone grigio grigia verde viola azzurro
  oliv creme bordo ecrue caqui turquesa burdeos granata fucsia
  zwart wit rood blauw groen geel oranje bruin grijs paars roze
  svart vit r\xF6d bl\xE5 gr\xF6n gul brun gr\xE5 lila rosa czarny bia\u0142y czerwony niebieski zielony \u017C\xF3\u0142ty szary br\u0105zowy r\xF3\u017Cowy preto branco vermelho
`);
var ALSO_THINGS = split(`
  storm stone sand sun ice sky forest bottle ocean fog smoke cement concrete dove lead mist pearl snow chalk coal soot jet raven cherry brick
  poppy wine tomato copper signal honey corn butter maize straw moss fern grass leaf army hunter ivy rose candy heather berry orchid
  plum grape thistle chocolate coffee cocoa caramel camel tan walnut chestnut oat oatmeal dune bone cream linen wheat biscuit natural nude denim
  mint lime pine slate clay steel silver gold bronze brass marine royal spruce kelp seaweed lagoon kingfisher apricot blush cobalt ruby
  emerald jade amber ginger papaya pumpkin saffron canary lemon banana turmeric sage basil eucalyptus laurel juniper pistachio avocado
  midnight denim sapphire cornflower ink periwinkle lupin amethyst mulberry iris flamingo bubblegum peony carnation watermelon
  raspberry strawberry cranberry blueberry mahogany umber sienna cinnamon nutmeg toffee tobacco mocha espresso cognac hazel
  vanilla champagne parchment fawn buff flint pebble graphite granite pewter gunmetal ash dusk dawn rust russet oxblood madder garnet claret
  cardinal cinder shadow sunset sunrise glacier lichen bracken gorse heath peat sorrel damson quince fennel nettle hemlock
  senf flieder natur moutarde sable corail lavande sapin panna ruggine senape sabbia cammello oliva mostaza arena crudo zand roest mosterd
  rainbow assorted mixed multi transparent clear undyed ebony onyx
`);
var BEFORE_COLOURS = new Set(
  split(`
  dark light deep pale bright soft dusty off burnt washed faded vintage hot baby royal navy neon pastel metallic matte heather heathered
  mottled melange warm cool true classic electric powder dull medium mid
  rose forest bottle sky ice sea midnight steel stone racing hunter army moss mint lime grass apple sage
  dunkel hell mittel tief clair fonce pale oscuro claro chiaro scuro donker licht mork ljus
`)
);
var AFTER_COLOURS = new Set(
  split(
    "fonce foncee clair claire marine melange marl heather claro oscuro chiaro scuro marino mel chine pastel notte nuit ciel canard roi sauge casse"
  )
);
var ENDINGS = split("blau grau gr\xFCn rot gelb braun rosa weiss schwarz blauw grijs groen blue green grey white");
var plain = /* @__PURE__ */ new Set([...PLAIN4, ...Object.keys(colorsNamed2).map(foldLetters)]);
var things = /* @__PURE__ */ new Set([...ALSO_THINGS, ...Object.keys(TRADE_NAMES)]);
for (const word of things) if (!PLAIN4.includes(word)) plain.delete(word);
function colourWord(word) {
  if (plain.has(word)) return "plain";
  if (things.has(word)) return isGoods(word) ? null : "thing";
  const ending = ENDINGS.find((one) => word.length > one.length + 2 && word.endsWith(one));
  return ending ? "plain" : null;
}
var isBeforeColour = (word, next) => BEFORE_COLOURS.has(word) && (word !== "bottle" || next === void 0 || next === "green");
var isAfterColour = (word) => AFTER_COLOURS.has(word);

// core/src/intake/options/materialWords.ts
var phrases = (text2) => text2.split(",").map((one) => foldLetters(one.trim().replace(/\s+/g, " "))).filter(Boolean);
var MATERIALS = phrases(`
  cotton, organic cotton, wool, merino, merino wool, lambswool, alpaca, mohair, cashmere, linen, silk, satin, velvet, corduroy, cord, tweed, jersey, flannel, fleece, sherpa,
  mesh, down, quilted, unlined, lined, fleece lined, fleece-lined, waxed cotton, waxed, leather, vegan leather, suede, nubuck, canvas, denim, polyester, recycled polyester, nylon, viscose, bamboo, hemp,
  oak, ash, beech, walnut, birch, pine, teak, wood, wooden, cork, bamboo, steel, stainless steel, silver, sterling silver, gold, rose gold, brass, copper, bronze, titanium, pewter, iron, cast iron, aluminium,
  glass, ceramic, porcelain, stoneware, earthenware, enamel, rubber, silicone, neoprene, felt, softshell, seersucker, poplin, twill, terry, muslin, chiffon, lace,
  baumwolle, wolle, leinen, leder, seide, holz, stahl, glas, edelstahl, coton, laine, lin, cuir, soie, bois, algod\xF3n, lana, lino, cuero, seda, madera, cotone, pelle, seta, legno, katoen, wol, linnen, leer
`);
var PATTERNS = phrases(`
  striped, stripe, stripes, breton stripe, pinstripe, plain, solid, checked, check, chequered, buffalo check, plaid, tartan, gingham, dotted, dots, polka dot, polka dots, spotted, floral, paisley, herringbone, camo,
  camouflage, houndstooth, argyle, fair isle, printed, leopard, zebra, zigzag, chevron, geometric, abstract, tie dye, tie-dye, ikat, colour block, color block, windowpane, nordic, waves, anchors, diamonds, ditsy,
  gestreift, kariert, gepunktet, gebl\xFCmt, gemustert, ray\xE9, \xE0 carreaux, \xE0 pois, fleuri, a rayas, a cuadros, a righe, a quadri, gestreept, geruit
`);

// core/src/intake/options/sizeWords.ts
var set = (text2) => new Set(text2.trim().split(/\s+/).map(foldLetters));
var BEFORE_SIZES = set(
  "size sizes sz gr gr\xF6\xDFe grosse groesse taille talla taglia maat storlek rozmiar tamanho str storrelse pointure waist"
);
var SIZE_SYSTEMS = set("eu eur uk us usa it fr de jp jpn br");
var WORD_SIZES = {
  small: "S",
  medium: "M",
  large: "L",
  klein: "S",
  mittel: "M",
  gross: "L",
  sml: "S",
  sm: "S",
  med: "M",
  lge: "L",
  lrg: "L",
  lg: "L"
};
var ONE_SIZES = set(
  "onesize einheitsgr\xF6\xDFe einheitsgroesse onesizefitsall unisize freesize tailleunique tallaunica tagliaunica"
);
var UNITS2 = {
  mm: ["length", "mm"],
  cm: ["length", "cm"],
  m: ["length", "m"],
  metre: ["length", "m"],
  metres: ["length", "m"],
  meter: ["length", "m"],
  in: ["length", "in"],
  inch: ["length", "in"],
  inches: ["length", "in"],
  '"': ["length", "in"],
  "\u201D": ["length", "in"],
  "\u2033": ["length", "in"],
  ft: ["length", "ft"],
  foot: ["length", "ft"],
  feet: ["length", "ft"],
  ml: ["volume", "ml"],
  cl: ["volume", "cl"],
  dl: ["volume", "dl"],
  l: ["volume", "l"],
  ltr: ["volume", "l"],
  litre: ["volume", "l"],
  litres: ["volume", "l"],
  liter: ["volume", "l"],
  liters: ["volume", "l"],
  floz: ["volume", "fl oz"],
  g: ["size", "g"],
  gr: ["size", "g"],
  gram: ["size", "g"],
  grams: ["size", "g"],
  kg: ["size", "kg"],
  oz: ["size", "oz"],
  lb: ["size", "lb"],
  lbs: ["size", "lb"]
};
var MONTHS = set("months month mths mth mo mos monate monat mois meses mesi maanden");
var YEARS = set("years year yrs yr y jahre jahr ans an a\xF1os anni jaar");
var BEFORE_AGES = set("age ages aged alter");
var PACKS = set(
  "pack packs pk pcs pc pieces piece pairs pair set stk st\xFCck stuck paar pack pi\xE8ces piezas pezzi stuks er-pack ct count"
);
var BEFORE_PACKS = set("pack set box lot bundle pkg paquete confezione");
var OF = set("of de von da a di");

// core/src/intake/options/measuredSizes.ts
function readPack(tokens, { numbers, to }) {
  let next = to;
  if (tokens[next]?.text === "er" && tokens[next].glued) next += 1;
  if (tokens[next]?.text === "-") next += 1;
  if (tokens[next]?.text === "x" && tokens[next].glued && !tokens[next + 1]) return pack(numbers[0], next + 1);
  return PACKS.has(tokens[next]?.text ?? "") && !numbers[0].includes(".") ? pack(numbers[0], next + 1) : null;
}
var pack = (number, to) => ({
  to,
  role: "pack",
  key: `pack${Number(number)}`,
  isWeak: false
});
function readAge(tokens, chain) {
  const unit = tokens[chain.to];
  const isMonths = MONTHS.has(unit.text) || unit.text === "m" && unit.glued && (chain.numbers.length === 2 || [0, 3, 6, 9, 12, 18, 24, 36].includes(Number(chain.numbers[0])));
  const isYears = YEARS.has(unit.text) || unit.text === "t" && unit.glued && chain.numbers[0].length === 1;
  if (!isMonths && !isYears) return null;
  const hasOld = tokens[chain.to + 1]?.text === "old";
  const read2 = { to: chain.to + (hasOld ? 2 : 1), key: ageKey(chain.numbers, isMonths), isWeak: false };
  return unit.text === "m" && chain.numbers.length === 1 ? { ...read2, role: "size", also: "length" } : { ...read2, role: "size" };
}
var ageKey = (numbers, isMonths) => (isMonths ? "months" : "years") + numbers.join("-");
var FACTORS = {
  ...{ mm: ["mm", 1], cm: ["mm", 10], m: ["mm", 1e3], in: ["mm", 25.4], ft: ["mm", 304.8] },
  ...{ ml: ["ml", 1], cl: ["ml", 10], dl: ["ml", 100], l: ["ml", 1e3], "fl oz": ["floz", 1] },
  ...{ g: ["g", 1], kg: ["g", 1e3], oz: ["oz", 1], lb: ["oz", 16] }
};
function readMeasure2(tokens, chain) {
  const isOunces = tokens[chain.to].text === "fl" && tokens[chain.to + 1]?.text === "oz";
  const unit = UNITS2[isOunces ? "floz" : tokens[chain.to].text];
  if (!unit) return null;
  const [role, written] = unit;
  const [smallest, factor] = FACTORS[written];
  const measured2 = chain.numbers.map((number) => Math.round(Number(number) * factor * 1e3) / 1e3);
  const key = `${measured2.join(chain.signs[0] === "-" || chain.signs[0] === "\u2013" ? "-" : "\xD7")}${smallest}`;
  return { to: chain.to + (isOunces ? 2 : 1), role: chain.numbers.length > 1 ? "size" : role, key, isWeak: false };
}

// core/src/intake/options/sizeParts.ts
function chainFrom(tokens, at) {
  const chain = { numbers: [tokens[at].text], signs: [], to: at + 1 };
  for (; ; ) {
    const sign = tokens[chain.to];
    const number = tokens[chain.to + 1];
    if (!sign || number?.kind !== "number" || !["-", "\u2013", "/", "x", "\xD7"].includes(sign.text)) return chain;
    const isRange = "-\u2013/".includes(sign.text);
    if (isRange && !sign.glued && number.text.length > 3) return chain;
    if (isRange && !sign.glued && Number(number.text) <= Number(chain.numbers.at(-1))) return chain;
    chain.numbers.push(number.text);
    chain.signs.push(sign.text);
    chain.to += 2;
  }
}

// core/src/intake/options/readSize.ts
var LETTERS2 = /^(x{0,6})([sml])$/;
var LENGTHS = /* @__PURE__ */ new Set(["short", "regular", "long", "tall", "petite", "reg", "xlong", "xshort"]);
function readSize(tokens, at) {
  const token = tokens[at];
  if (!token) return null;
  if (token.kind === "number") return readSet(tokens, readFromNumber(tokens, at));
  if (token.kind !== "word") return null;
  return readLetters2(tokens, at) ?? readNamed(tokens, at);
}
var mayBeginSize = (word) => LETTERS2.test(word) || word in WORD_SIZES || /^(?:x+|extra|xl?)/.test(word) || ONE_SIZES.has(word) || ["one", "free", "os", "w", "t", "a", "newborn"].includes(word) || BEFORE_SIZES.has(word) || SIZE_SYSTEMS.has(word) || BEFORE_PACKS.has(word) || BEFORE_AGES.has(word);
function readLengthWord(token) {
  if (token?.kind !== "word" || !LENGTHS.has(token.text)) return null;
  return { to: 0, role: "length", key: token.text === "reg" ? "regular" : token.text, isWeak: false };
}
function letterSize(step, to) {
  return { to, role: "size", key: `letter${step}`, label: letterLabel(step), isWeak: false };
}
function letterLabel(step) {
  if (step === 0) return "M";
  const crosses = Math.abs(step) - 1;
  const letter = step < 0 ? "S" : "L";
  return crosses > 3 || step < 0 && crosses > 2 ? `${crosses}X${letter}` : "X".repeat(crosses) + letter;
}
function stepOf2(word) {
  const match = LETTERS2.exec(word);
  return match && stepFrom(match[1].length, match[2]);
}
var stepFrom = (crosses, letter) => letter === "m" ? crosses === 0 ? 0 : null : letter === "s" ? -1 - crosses : 1 + crosses;
function readLetters2(tokens, at) {
  const read2 = readLetter(tokens, at);
  if (!read2) return null;
  const sign = tokens[read2.to];
  const isJoined = sign?.glued && (sign.text === "/" || sign.text === "-") && tokens[read2.to + 1]?.glued;
  const second = isJoined ? readLetter(tokens, read2.to + 1) : null;
  if (!second) return read2;
  return { ...read2, to: second.to, key: `${read2.key}/${second.key}`, label: `${read2.label}/${second.label}` };
}
function readLetter(tokens, at) {
  const { text: text2, glued } = tokens[at];
  const step = glued && tokens[at - 1]?.kind === "number" ? null : stepOf2(text2);
  if (step !== null) return letterSize(step, at + 1);
  const whole = WORD_SIZES[text2];
  if (whole) return letterSize(stepOf2(whole.toLowerCase()), at + 1);
  const written = /^(x+|extra|extraextra)(small|large|sml|lge|lrg)$/.exec(text2);
  if (written) {
    const crosses = written[1].startsWith("x") ? written[1].length : written[1].length / 5;
    return letterSize(stepFrom(crosses, WORD_SIZES[written[2]].toLowerCase()), at + 1);
  }
  return readCrosses(tokens, at);
}
function readCrosses(tokens, at) {
  let crosses = 0;
  let next = at;
  for (; tokens[next]?.kind === "word" || crosses > 0 && tokens[next]?.text === "-"; next++) {
    const { text: text2 } = tokens[next];
    if (text2 === "extra") crosses += 1;
    else if (/^x+$/.test(text2)) crosses += text2.length;
    else if (text2 !== "-") break;
  }
  const letter = crosses > 0 ? WORD_SIZES[tokens[next]?.text ?? ""] : void 0;
  if (!letter || letter === "M") return null;
  return letterSize(stepFrom(crosses, letter.toLowerCase()), next + 1);
}
function readNamed(tokens, at) {
  const { text: text2 } = tokens[at];
  const next = tokens[at + 1];
  if (ONE_SIZES.has(text2)) return oneSize(at + 1);
  if (["one", "free", "taille", "talla", "taglia"].includes(text2)) {
    const joined2 = next?.kind === "word" ? next : tokens[at + 2];
    if (joined2 && ONE_SIZES.has(text2 + joined2.text)) return oneSize(tokens.indexOf(joined2) + 1, tokens);
  }
  if (text2 === "os" && !next) return oneSize(at + 1);
  if (BEFORE_SIZES.has(text2)) return readAfterName(tokens, at);
  if (SIZE_SYSTEMS.has(text2) && next?.kind === "number") return readSystem(tokens, at);
  if (text2 === "w" && next?.kind === "number" && next.glued) return readWaist2(tokens, at);
  if (text2 === "a" && next?.glued && /^[0-7]$/.test(next.text))
    return { to: at + 2, role: "size", key: `a${next.text}`, isWeak: false };
  if (text2 === "t" && next?.glued && next.kind === "number" && /^[3-6]\d$/.test(next.text))
    return { to: at + 2, role: "size", key: next.text, isWeak: false };
  if (BEFORE_PACKS.has(text2) && OF.has(next?.text ?? "") && tokens[at + 2]?.kind === "number")
    return pack(tokens[at + 2].text, at + 3);
  if (text2 === "x" && next?.glued && next.kind === "number") return pack(next.text, at + 2);
  if (BEFORE_AGES.has(text2) && next?.kind === "number") {
    const chain = chainFrom(tokens, at + 1);
    const unit = tokens[chain.to];
    const isMonths = unit !== void 0 && MONTHS.has(unit.text);
    const to = unit && (isMonths || YEARS.has(unit.text)) ? chain.to + 1 : chain.to;
    return { to, role: "size", key: ageKey(chain.numbers, isMonths), isWeak: false };
  }
  if (text2 === "newborn") return { to: at + 1, role: "size", key: "months0", isWeak: false };
  return null;
}
function oneSize(to, tokens) {
  const fits = tokens?.[to]?.text === "fits" && ["all", "most"].includes(tokens[to + 1]?.text ?? "");
  return { to: fits ? to + 2 : to, role: "size", key: "one", isWeak: false };
}
function readAfterName(tokens, at) {
  let next = at + 1;
  while (tokens[next] && [":", ".", "=", "-"].includes(tokens[next].text) && next < at + 3) next += 1;
  const read2 = readSize(tokens, next);
  return read2 && read2.role !== "pack" ? { ...read2, role: "size", isWeak: false } : null;
}
function readSystem(tokens, at) {
  const chain = chainFrom(tokens, at + 1);
  return { to: chain.to, role: "size", key: tokens[at].text.slice(0, 2) + chain.numbers.join("-"), isWeak: false };
}
function readWaist2(tokens, at) {
  let next = at + 2;
  if (tokens[next] && ["/", "-", ",", "x"].includes(tokens[next].text)) next += 1;
  const length = tokens[next]?.text === "l" && tokens[next + 1]?.glued ? tokens[next + 1] : void 0;
  const waist = tokens[at + 1].text;
  if (length?.kind !== "number") return { to: at + 2, role: "size", key: waist, isWeak: false };
  return { to: next + 2, role: "size", key: `${waist}/${length.text}`, isWeak: false };
}
function readFromNumber(tokens, at) {
  const chain = chainFrom(tokens, at);
  const unit = tokens[chain.to];
  const isSingle = chain.numbers.length === 1;
  if (unit?.kind === "word" || unit?.kind === "sign") {
    const read2 = isSingle ? readNumberedLetters(tokens, chain.to, chain.numbers[0]) ?? readPack(tokens, chain) : null;
    if (read2) return read2;
    const cup = isSingle ? readCup2(tokens, chain.to, Number(chain.numbers[0])) : null;
    if (cup) return cup;
    const leg = isSingle ? readLeg(tokens, chain.to, Number(chain.numbers[0])) ?? readChildShoe2(tokens, chain) : null;
    if (leg) return leg;
    const suffixed = isSingle ? readSystemBehind(tokens, chain) : null;
    if (suffixed) return suffixed;
    const age = readAge(tokens, chain);
    if (age) return age;
    const measure = readMeasure2(tokens, chain);
    if (measure) return measure;
  }
  if (chain.numbers.some(
    (number) => number.replace(".5", "").length > 3 || number.includes(".") !== number.endsWith(".5")
  ))
    return null;
  if (isSingle) return { to: chain.to, role: "size", key: chain.numbers[0], isWeak: true };
  const isPair = chain.signs.some((sign) => sign === "x" || sign === "\xD7");
  if (chain.numbers.length > 2) return null;
  return { to: chain.to, role: "size", key: chain.numbers.join(isPair ? "/" : "-"), isWeak: false };
}
function readSet(tokens, first) {
  if (first?.role !== "size" || tokens[first.to]?.text !== "+" || tokens[first.to + 1]?.kind !== "number") return first;
  const second = readFromNumber(tokens, first.to + 1);
  if (second?.role !== "size" || second.isWeak || first.isWeak) return first;
  return { ...second, key: `${first.key}+${second.key}` };
}
function readNumberedLetters(tokens, at, number) {
  const letters = tokens[at];
  if (!letters.glued || number.length > 1) return null;
  if (/^x[sl]$/.test(letters.text)) return letterSize(stepFrom(Number(number), letters.text[1]), at + 1);
  if (letters.text === "x") {
    const word = tokens[at + 1]?.text === "-" ? at + 2 : at + 1;
    const letter = WORD_SIZES[tokens[word]?.text ?? ""];
    if (letter && letter !== "M") return letterSize(stepFrom(Number(number), letter.toLowerCase()), word + 1);
  }
  return null;
}
function readCup2(tokens, at, band) {
  const cup = tokens[at];
  const isBand = band >= 60 && band <= 120 && band % 5 === 0 || band >= 28 && band <= 46 && band % 2 === 0;
  if (!cup.glued || !isBand || !/^(?:[a-h]|aa|dd|ff|gg|hh)$/.test(cup.text)) return null;
  return { to: at + 1, role: "size", key: `cup${band}${cup.text}`, isWeak: false };
}
function readSystemBehind(tokens, { numbers, to }) {
  const at = tokens[to].kind === "word" && /^(?:[bdmnw]|[2-4]?e{1,4})$/.test(tokens[to].text) ? to + 1 : to;
  const system = tokens[at]?.text ?? "";
  if (!["us", "usa", "uk", "eu", "eur"].includes(system) || Number(numbers[0]) > 60) return null;
  const width = at > to ? tokens[to].text : "";
  return { to: at + 1, role: "size", key: `${system.slice(0, 2)}${numbers[0]}${width}`, isWeak: false };
}
function readLeg(tokens, at, number) {
  const { text: text2, glued } = tokens[at];
  if (!glued || !Number.isInteger(number) || number < 24 || number > 60 || !/^[rstl]$/.test(text2)) return null;
  const read2 = { to: at + 1, key: `${number}${text2}`, isWeak: false };
  return text2 === "l" ? { ...read2, role: "volume", key: `${number * 1e3}ml`, also: "size" } : { ...read2, role: "size" };
}
function readChildShoe2(tokens, { numbers, to }) {
  const { text: text2, glued } = tokens[to];
  const size = Number(numbers[0]);
  if (!glued || size > 13.5 || text2 !== "k" && text2 !== "c" || tokens[to + 1]?.text === "gold") return null;
  return { to: to + 1, role: "size", key: `child${size}`, isWeak: false };
}

// core/src/intake/options/tokens.ts
var OTHER_LETTER = /[\p{L}\p{M}]/u;
var OTHER_NUMBER = new RegExp("\\p{N}", "u");
function kindOf(name, at) {
  const code = name.charCodeAt(at);
  if (code < 128) {
    if (code >= 48 && code <= 57) return "digit";
    if (code >= 97 && code <= 122 || code >= 65 && code <= 90) return "letter";
    return code === 32 || code >= 9 && code <= 13 ? "blank" : "sign";
  }
  const sign = name[at];
  if (OTHER_LETTER.test(sign)) return "letter";
  if (OTHER_NUMBER.test(sign)) return "numeral";
  return /\s/.test(sign) ? "blank" : "sign";
}
function tokensOf(name) {
  const tokens = [];
  let end = -1;
  for (let from = 0; from < name.length; ) {
    const sign = kindOf(name, from);
    if (sign === "blank") {
      from += 1;
      continue;
    }
    const to = endOf(name, from, sign);
    addToken(tokens, name.slice(from, to), sign, from, to, from === end);
    end = to;
    from = to;
  }
  return tokens;
}
function endOf(name, from, sign) {
  let to = from + 1;
  if (sign === "letter") while (to < name.length && kindOf(name, to) === "letter") to += 1;
  if (sign !== "digit") return to;
  while (to < name.length && kindOf(name, to) === "digit") to += 1;
  const isMark = name[to] === "." || name[to] === ",";
  if (!isMark || to + 1 >= name.length || kindOf(name, to + 1) !== "digit") return to;
  to += 2;
  while (to < name.length && kindOf(name, to) === "digit") to += 1;
  return to;
}
function addToken(tokens, written, sign, from, to, glued) {
  const before = tokens.at(-1);
  if (glued && (written === "s" || written === "S") && before && isApostrophe(before.text) && tokens.length > 1) {
    tokens.pop();
    const owner = tokens.at(-1);
    owner.text += "s";
    owner.to = to;
    return;
  }
  const kind = sign === "letter" || sign === "numeral" ? "word" : sign === "digit" ? "number" : "sign";
  const text2 = kind === "word" ? foldLetters(written) : kind === "number" ? written.replace(",", ".") : written;
  tokens.push({ kind, text: text2, from, to, glued });
}
var isApostrophe = (sign) => sign === "'" || sign === "\u2019" || sign === "`";

// core/src/intake/options/readOptions.ts
var LONGEST_KEPT = 5e4;
function openOptionReader(registry2) {
  const lexicon = { phrases: phrasesOf(registry2), known: /* @__PURE__ */ new Map() };
  const known2 = /* @__PURE__ */ new Map();
  const read2 = (tokens) => readAll(lexicon, tokens);
  return {
    read: read2,
    whole(tokens) {
      const said2 = tokens.map((token) => token.text).join(" ");
      let found = known2.get(said2);
      if (found === void 0) {
        found = wholeOf(read2(tokens), tokens);
        if (known2.size < LONGEST_KEPT) known2.set(said2, found);
      }
      return found;
    }
  };
}
function wholeOf(options, tokens) {
  const [first, ...more] = options;
  const isAll = first && first.from === 0 && first.to === tokens.length;
  if (isAll) return first;
  const isColours = first && [first, ...more].every((one) => one.roles.includes("colour"));
  const between = tokens.filter((_, at) => !options.some((one) => at >= one.from && at < one.to));
  if (!isColours || !between.every((token) => JOINS.has(token.text))) return null;
  return {
    ...first,
    from: 0,
    to: tokens.length,
    roles: ["colour"],
    key: keyOf(tokens),
    isWeak: false,
    label: void 0
  };
}
var MADE_OF = new Set(MATERIALS);
var JOINS = /* @__PURE__ */ new Set(["/", "&", "+", "and", "und", "et", "y", "e", "en", "with", "-"]);
function isReadSize(role, spelling) {
  if (role === "colour" || role === "material" || role === "pattern") return false;
  const tokens = tokensOf(spelling);
  return readSize(tokens, 0)?.to === tokens.length;
}
function phrasesOf(registry2) {
  const phrases2 = /* @__PURE__ */ new Map();
  const add2 = (text2, role, key = compact(text2), label) => {
    const words3 = foldLetters(text2).split(/[^\p{L}\p{N}]+/u).filter(Boolean);
    if (words3.length === 0) return;
    const list = phrases2.get(words3[0]) ?? [];
    const twin = list.find((one) => one.words.join(" ") === words3.join(" "));
    if (twin) twin.roles = [.../* @__PURE__ */ new Set([...twin.roles, role])];
    else list.push({ words: words3, roles: [role], key, ...label === void 0 ? {} : { label } });
    phrases2.set(words3[0], list);
  };
  for (const role of ROLES) {
    for (const entry of Object.values(registry2.data.dictionary[role] ?? {}))
      for (const spelling of [entry.label, ...entry.synonyms])
        if ((spelling.length > 2 || role !== "other") && !isReadSize(role, spelling))
          add2(spelling, role, compact(entry.label), entry.label);
  }
  for (const text2 of MATERIALS) add2(text2, "material");
  for (const text2 of PATTERNS) add2(text2, "pattern");
  for (const list of phrases2.values()) list.sort((a, b) => b.words.length - a.words.length);
  return phrases2;
}
function readAll(lexicon, tokens) {
  const found = [];
  for (let at = 0; at < tokens.length; ) {
    const option = readAt(lexicon, tokens, at);
    if (option) {
      found.push(option);
      at = option.to;
      const length = option.roles[0] === "size" ? readLengthWord(tokens[at]) : null;
      if (length) {
        found.push({ from: at, to: at + 1, roles: ["length"], key: length.key, isWeak: false });
        at += 1;
      }
    } else at += 1;
  }
  return found;
}
function mayBegin({ phrases: phrases2, known: known2 }, word) {
  let may = known2.get(word);
  if (may === void 0) {
    may = phrases2.has(word) || colourWord(word) !== null || isBeforeColour(word) || mayBeginSize(word);
    if (known2.size < LONGEST_KEPT) known2.set(word, may);
  }
  return may;
}
function readAt(lexicon, tokens, at) {
  const { kind, text: text2 } = tokens[at];
  if (kind === "sign") return null;
  if (kind === "word" && !mayBegin(lexicon, text2)) return null;
  const phrase = kind === "word" ? phraseAt(lexicon.phrases, tokens, at) : null;
  const colour = kind === "word" ? colourAt(tokens, at) : null;
  if (phrase && colour && phrase.to <= colour.to)
    return phrase.to === colour.to ? {
      ...colour,
      ..."label" in phrase ? { label: phrase.label, key: phrase.key } : {},
      roles: union(phrase, colour)
    } : colour;
  if (phrase && colour) {
    const isColour = tokens.slice(at, phrase.to).every((token) => token.kind === "sign" || colourWord(token.text));
    return isColour ? { ...phrase, roles: union(phrase, colour) } : phrase;
  }
  if (phrase ?? colour) return phrase ?? colour;
  const size = readSize(tokens, at);
  if (!size) return null;
  const { to, role, also, key, isWeak, label } = size;
  return { from: at, to, roles: also ? [role, also] : [role], key, isWeak, label };
}
var union = (phrase, colour) => phrase.roles.includes("colour") ? [...phrase.roles] : [...colour.roles, ...phrase.roles];
function phraseAt(phrases2, tokens, at) {
  for (const phrase of phrases2.get(tokens[at].text) ?? []) {
    const to = endOf2(phrase.words, tokens, at);
    if (to !== null) return { from: at, to, roles: phrase.roles, key: phrase.key, label: phrase.label, isWeak: false };
  }
  return null;
}
function endOf2(words3, tokens, at) {
  let next = at;
  for (const [place, word] of words3.entries()) {
    if (place > 0 && tokens[next]?.text === "-") next += 1;
    if (tokens[next]?.text !== word) return null;
    next += 1;
  }
  return next;
}
function colourAt(tokens, at) {
  let next = at;
  let end = at;
  let isPlain = false;
  for (; next < tokens.length; next++) {
    const token = tokens[next];
    if (token.kind === "sign") {
      const goesOn2 = token.glued && tokens[next + 1]?.glued && (token.text === "-" || token.text === "/");
      if (next > at && goesOn2) continue;
      break;
    }
    const word = token.kind === "word" ? colourWord(token.text) : null;
    if (word === "thing" && end > at && MADE_OF.has(token.text)) break;
    if (word) {
      end = next + 1;
      isPlain ||= word === "plain";
    } else if (!isBeforeColour(token.text, tokens[next + 1]?.text ?? "") && !(end > at && isAfterColour(token.text)))
      break;
    else if (end > at && isAfterColour(token.text)) end = next + 1;
  }
  if (end === at) return null;
  return { from: at, to: end, roles: ["colour"], key: keyOf(tokens.slice(at, end)), isWeak: !isPlain };
}
var keyOf = (tokens) => tokens.filter((token) => token.kind !== "sign").map((token) => token.text).join("");

// core/src/intake/table/cells.ts
var isBlank = (cell) => cell === void 0 || cell.trim() === "";
function digitsOf(cell) {
  const bare = cell.replace(/^['’]/, "").replace(/[\s-]/g, "").replace(/\.0+$/, "");
  return /^\d{7,14}$/.test(bare) ? bare : null;
}
function looksLikeGtin(cell) {
  const digits = digitsOf(cell);
  if (digits === null) return false;
  return isGtin(digits) || isGtin(digits.padStart(12, "0")) || isGtin(digits.padStart(13, "0"));
}
var looksLikeAddress = (cell) => /^https?:\/\/\S+$/i.test(cell.trim());
var looksLikePicture = (cell) => /\.(jpe?g|png|webp|gif|tiff?|avif)([?#]\S*)?$/i.test(cell.trim());
var CURRENCY2 = new RegExp("^(?:\\p{Sc}|[A-Z]{2,3}(?=[\\s\\d\\p{Sc}])\\s?\\p{Sc}?)?\\s*|\\s*(?:\\p{Sc}|[A-Z]{3})$", "gu");
var AMOUNT = /^-?\d{1,3}(?:[.,\s'’]\d{3})*(?:[.,]\d{1,2})?$|^-?\d+(?:[.,]\d{1,2})?$|^\d+,-+$/;
function numberLook(cell) {
  const text2 = cell.trim();
  const plain3 = /^\d+([.,]\d{1,2})?$/.exec(text2);
  if (plain3) return plain3[1] === void 0 ? "whole" : "decimal";
  if (!/\d/.test(text2)) return null;
  const bare = text2.replace(CURRENCY2, "");
  if (!AMOUNT.test(bare)) return null;
  if (bare !== text2) return "money";
  return /[.,]\d{1,2}$|,-+$/.test(bare) ? "decimal" : "whole";
}
var PARENT_WORDS = new Set(
  "parent family master main product base group style parentproduct hauptartikel vater elternartikel eltern pere principal padre configurable model p".split(
    " "
  )
);
var CHILD_WORDS = new Set(
  "child variant variation sku item option kind variante unterartikel enfant hijo declinaison variacion figlio simple v c".split(
    " "
  )
);
function kindOf2(cell) {
  const word = foldLetters(cell).replace(/[^\p{L}]/gu, "");
  return PARENT_WORDS.has(word) ? "parent" : CHILD_WORDS.has(word) ? "child" : null;
}
var TOTAL = /^(?:grand |sub-?)?(?:total|totals|sum|summe|gesamt|gesamtsumme|zwischensumme|totale|somme|suma|totaal|subtotal|razem)\b/i;
var looksLikeTotal = (cell) => TOTAL.test(cell.trim());
var PAIR = /^\s*["'{]?\s*([\p{L}][\p{L} /-]{0,24}?)["']?\s*[:=]\s*["']?([^:=]{1,200}?)["'}]?\s*$/u;
function namedOptions(cell) {
  return pairsIn(cell.split(BETWEEN_PAIRS).flatMap((part) => part.split("|"))) ?? pairsIn(cell.split(BETWEEN_PAIRS));
}
var BETWEEN_PAIRS = /[;\n]|,(?=\s*["']?[\p{L}][\p{L} /-]*["']?\s*[:=])|\/(?=\s*[\p{L}][\p{L} -]*\s*[:=])/u;
function pairsIn(parts) {
  const pairs = parts.filter((part) => part.trim() !== "").map((part) => PAIR.exec(part));
  if (pairs.length === 0 || pairs.some((pair) => !pair)) return null;
  return pairs.map((pair) => ({ name: pair[1].trim(), value: pair[2].trim() }));
}

// core/src/intake/table/headerWords.ts
var FIELD_HEADERS = {
  name: `name, artikel, product name, product, title, item, item name, item title, article, article name, product title, family, family name, bezeichnung, artikelbezeichnung, artikelname, produktname, produkt, produktbezeichnung, titel,
    d\xE9signation, nom, nom du produit, produit, libell\xE9, intitul\xE9, nombre, nombre del producto, producto, art\xEDculo, denominaci\xF3n, nome, nome prodotto, prodotto, articolo, denominazione, naam, productnaam, omschrijving, artikelomschrijving, nazwa, nome do produto, ben\xE4mning, style name, goods, model name`,
  brand: "brand, brand name, label, marke, hersteller marke, marque, marca, merk, m\xE4rke, marka, trade mark, house",
  maker: "maker, manufacturer, hersteller, fabricant, fabricante, produttore, fabrikant, producer",
  styleCode: `style code, style, style no, style number, style id, style ref, model code, model no, model number, modellnummer, modell-nr, modellcode, modell nr, r\xE9f\xE9rence mod\xE8le, code mod\xE8le, c\xF3digo modelo, codice modello, modelcode, family code,
    product code, base sku, root sku, group id, product id, product group id, handle, model, modell, mod\xE8le, modelo, modello`,
  category: "category, product category, department, kategorie, warengruppe, produktgruppe, cat\xE9gorie, rayon, categor\xEDa, categoria, reparto, categorie, kategoria, section, product type",
  sku: `sku, sku code, variant sku, child sku, seller sku, article no, article number, article code, item no, item number, item code, art no, art nr, artikelnummer, artikelnr, artikel-nr, art.-nr., artikel nr, bestellnummer, r\xE9f\xE9rence, r\xE9f, ref, r\xE9f\xE9rence article,
    code article, referencia, c\xF3digo, codigo, referencia art\xEDculo, codice, codice articolo, riferimento, artikelcode, indeks, stock code, our code, part no, part number, order code, variant code, supplier ref, reference, code`,
  gtin: "gtin, ean, ean code, ean13, ean-13, ean 13, barcode, bar code, upc, upc-a, upc code, isbn, gencod, code-barres, code barres, c\xF3digo de barras, codigo de barras, codice a barre, streepjescode, strichcode, kod kreskowy, gtin-13, gtin/ean, ean/upc, ean/gtin",
  price: `price, retail, retail price, sale price incl tax, selling price, unit price, price incl. vat, price inc vat, gross price, shop price, our price, vk, vk-preis, verkaufspreis, preis, bruttopreis, preis brutto, endpreis, prix, prix ttc, prix de vente, precio, pvp, precio de venta,
    prezzo, prezzo al pubblico, prezzo di vendita, prijs, verkoopprijs, pris, cena, pre\xE7o, price eur, price gbp, price usd, price (eur), price (gbp), price (usd), price \u20AC, price \xA3, amount`,
  listPrice: "list price, rrp, srp, msrp, recommended price, recommended retail price, uvp, uvp brutto, prix conseill\xE9, ppc, prix public, precio recomendado, pvpr, prezzo consigliato, adviesprijs, full price, compare price, was price, catalogue price",
  cost: `cost, cost price, wholesale, wholesale price, trade price, net price, purchase price, buying price, ek, ek-preis, einkaufspreis, nettopreis, ek netto, preis netto, h\xE4ndlerpreis, prix d'achat, prix net, prix ht, pa ht, prix de gros, coste, precio de coste, precio neto,
    costo, prezzo di acquisto, prezzo netto, inkoopprijs, inkoop, whs, dealer price, unit cost`,
  stock: `stock, stk, qty, quantity, pieces, pcs, units, on hand, in stock, available, availability, inventory, stock level, stock qty, bestand, lagerbestand, menge, st\xFCck, anzahl, verf\xFCgbar, quantit\xE9, qt\xE9, disponible, existencias, cantidad, unidades, giacenza, quantit\xE0, pezzi, disponibilit\xE0, voorraad, aantal, stan, lager`,
  weight: "weight, gross weight, net weight, gewicht, poids, peso, massa, weight g, weight kg, waga, vikt, item weight",
  description: "description, long description, product description, beschreibung, langbeschreibung, produktbeschreibung, text, langtext, description longue, descriptif, descripci\xF3n, descrizione, beschrijving, opis, beskrivning, details",
  shortText: "short text, short description, kurztext, kurzbeschreibung, description courte, descripci\xF3n corta, summary",
  madeIn: "made in, country of origin, origin, country, herkunftsland, ursprungsland, herkunft, pays d\u2019origine, origine, pays, pa\xEDs de origen, pa\xEDs, paese di origine, land van herkomst",
  composition: "composition, materials, fibre content, fabric content, zusammensetzung, materialzusammensetzung, composici\xF3n, composizione, samenstelling, fabric composition",
  care: "care, care instructions, washing, pflege, pflegehinweise, entretien, cuidados, lavado, cura, wasvoorschrift",
  wearer: "for whom, gender, geschlecht, zielgruppe, genre, g\xE9nero, genere, geslacht, sex, target group",
  taxCode: "tax code, customs code, hs code, commodity code, tariff, tariff code, zolltarifnummer, code douanier, c\xF3digo arancelario, codice doganale, hsn, hts",
  mpn: "mpn, maker part no, manufacturer part number, herstellernummer, hersteller-nr, r\xE9f\xE9rence fabricant",
  packageLength: "pack length, package length, box length, packl\xE4nge",
  packageWidth: "pack width, package width, box width, breite",
  packageHeight: "pack height, package height, box height, h\xF6he",
  highlights: "highlights, bullet points, bullets, key points, merkmale",
  searchWords: "search words, keywords, tags for search, suchbegriffe, mots-cl\xE9s, palabras clave, parole chiave, zoekwoorden",
  collections: "collection, collections, season, saison, kollektion, saisonname, colecci\xF3n, collezione, collectie",
  tags: "tags, labels, schlagworte, schlagw\xF6rter, \xE9tiquettes, etiquetas",
  modelNumber: "model number of maker"
};
var ROLE_HEADERS = {
  colour: "colour, color, couleurs, colores, colori, kleuren, colours, colors, shade, farbe, farben, farbname, farbbezeichnung, couleur, coloris, color nombre, colore, kleur, f\xE4rg, kolor, cor, colourway, colorway, colourways, colorways, colour name, color name, colour description, color description, colour desc, color desc, tint, hue",
  size: `size, sizes, gr\xF6\xDFe, gr\xF6\xDFen, tailles, tallas, taglie, maten, gr, groesse, gr\xF6sse, gr, konfektionsgr\xF6\xDFe, schuhgr\xF6\xDFe, taille, pointure, talla, tama\xF1o, taglia, misura, numero, maat, storlek, rozmiar, tamanho, age, age size, clothing size, shoe size, waist, bundweite, weite, size name,
    dimensions, ma\xDFe, masse, abmessungen, format, dimensioni, dimensiones, afmetingen, weight size, cup, ring size, age range, alter`,
  length: "length, lengths, inseam, leg, leg length, inside leg, back length, l\xE4nge, schrittl\xE4nge, beinl\xE4nge, longueur, largo, lunghezza, lengte, sleeve length, leg size, r\xFCckenl\xE4nge, strap length",
  material: "material, fabric, lining, materialausf\xFChrung, stoff, futter, mati\xE8re, doublure, materiale, tessuto, tela, tejido, forro, fodera, stof, voering, metal, wood, finish material, leather, shell, filling, f\xFCllung",
  pattern: "pattern, patterns, print, prints, design, designs, motif, muster, dessin, motiv, motivo, estampado, fantasia, stampa, patroon, theme, artwork",
  pack: "pack, units per pack, pieces in pack, st\xFCck pro pack, pack size, pieces per pack, pack of, packung, packungsgr\xF6\xDFe, st\xFCck pro packung, lot, conditionnement, paquete, confezione, verpakking, set size, bundle size, quantity per pack, count, multipack",
  volume: "volume, capacity, inhalt, fassungsverm\xF6gen, f\xFCllmenge, contenance, capacit\xE9, capacidad, volumen, capacit\xE0, contenuto, inhoud, contents",
  model: "fits, fits model, device, compatible with, for model, passend f\xFCr, ger\xE4t, compatible avec, pour mod\xE8le, para modelo, per modello, voor model, vehicle, phone model",
  other: "finish, finishes, scent, scents, fragrance, fragrances, flavour, flavor, flavours, flavors, taste, option, variant option, duft, geschmack, parfum, go\xFBt, sabor, aroma, profumo, gusto, geur, smaak, ausf\xFChrung, fit, width, widths, d\xFCfte, parfums, weite, cut, hand, side, edition, wick, grade, strength, type of lid, shape, form"
};
var OTHER_HEADERS = [
  [
    { is: "options" },
    "options, option, variant, variants, variation, variations, attributes, attribute, variante, varianten, merkmale variante, auspr\xE4gung, d\xE9clinaison, d\xE9clinaisons, variantes, atributos, attributi, opties, variant name, variation name, specification, variant title, selection"
  ],
  [
    { is: "parent" },
    "parent, parent sku, parent code, parent id, parent ref, parent item, parent no, belongs to, of family, master, master sku, master code, main item, hauptartikel, vaterartikel, elternartikel, parent article, article parent, r\xE9f\xE9rence parent, sku parent, padre, art\xEDculo padre, articolo padre, hoofdartikel, variant of, child of"
  ],
  [
    { is: "kind" },
    "row type, record type, kind, line type, level, item type, parent/child, relation, zeilentyp, artikeltyp, type de ligne, row, is parent, role, type"
  ],
  [
    { is: "picture" },
    "picture, pictures, image, images, photo, photos, image url, image link, main image, picture address, bild, bilder, bild-url, foto, fotos, photo url, imagen, im\xE1genes, immagine, immagini, afbeelding, afbeeldingen, zdj\u0119cie, image address, pictures addresses"
  ],
  [{ is: "deed" }, "action, deed, do, delete, aktion, l\xF6schen, supprimer"],
  [{ is: "group" }, "family key, family id"]
];
var foldHeader = (header) => foldLetters(header).replace(/#/g, " no ").replace(/[^\p{L}\p{N}]+/gu, " ").trim();
function openHeaders(registry2) {
  const known2 = /* @__PURE__ */ new Map();
  const add2 = (headers, meaning) => {
    for (const header of headers.split(",")) {
      const folded2 = foldHeader(header);
      if (folded2 !== "" && !known2.has(folded2)) known2.set(folded2, meaning);
    }
  };
  for (const field4 of registry2.fields) {
    if (field4.type === "pictures" || field4.type === "surcharge" || field4.onlyScoped) continue;
    for (const header of [field4.label, headerOf(field4)]) known2.set(foldHeader(header), { is: "field", key: field4.key });
  }
  for (const [key, headers] of Object.entries(FIELD_HEADERS))
    if (registry2.field(key)) add2(headers, { is: "field", key });
  for (const [role, headers] of Object.entries(ROLE_HEADERS))
    for (const header of [ROLE_LABELS[role], ...headers.split(",")])
      add2(header, { is: "option", role, label: ROLE_LABELS[role] });
  for (const [meaning, headers] of OTHER_HEADERS) add2(headers, meaning);
  const remembered2 = /* @__PURE__ */ new Map();
  return (header) => {
    let found = remembered2.get(header);
    if (found === void 0) remembered2.set(header, found = meaningOf(known2, header));
    return found;
  };
}
var WHOSE = new Set(
  "variant variante item product produkt produit producto prodotto article artikel articulo articolo style child goods model".split(
    " "
  )
);
var OPTION_MARK = /^option:\s+(.+)$/i;
var VALUE = /^(?:value|values|wert|valeur|valor|valore|waarde)\s*(\d)$/;
var GENERIC = "option|attribute|variant|variante|variation|merkmal|attribut|attributo|eigenschaft|axis|property|opcion|opzione|optie|choice|auspragung|ausfuhrung";
var NUMBERED = new RegExp(
  `^(?:${GENERIC})\\s*(\\d)?\\s*(name|label|title|key|type|value|values|wert|valeur|valor|valore)?\\s*(\\d)?$`
);
var isGenericOption = (header) => NUMBERED.test(foldHeader(header));
function meaningOf(known2, header) {
  const marked = OPTION_MARK.exec(header.trim());
  if (marked) {
    const meant = known2.get(foldHeader(marked[1]));
    const role = meant?.is === "option" ? meant.role : "other";
    return { meaning: { is: "option", role, label: marked[1].trim() }, certainty: 1 };
  }
  const folded2 = foldHeader(header);
  const valued = VALUE.exec(folded2);
  if (valued) return { meaning: { is: "optionValue", number: Number(valued[1]) }, certainty: 1 };
  const numbered = NUMBERED.exec(folded2);
  const number = Number(numbered?.[1] ?? numbered?.[3] ?? 0);
  if (numbered && number > 0) {
    const isName = /name|label|title|key|type/.test(numbered[2] ?? "") || folded2.startsWith("axis");
    return { meaning: { is: isName ? "optionName" : "optionValue", number }, certainty: 1 };
  }
  const whole = known2.get(folded2);
  if (whole) return { meaning: named(whole, header), certainty: 1 };
  const several = severalIn(known2, header);
  if (several) return { meaning: named(several, header), certainty: 1 };
  const words3 = folded2.split(" ");
  const own = words3.length > 1 && WHOSE.has(words3[0]) ? known2.get(words3.slice(1).join(" ")) : void 0;
  if (own) return { meaning: named(own, header), certainty: 0.8 };
  for (let length = words3.length - 1; length > 0; length--)
    for (const part of [words3.slice(0, length), words3.slice(-length)]) {
      const meant = known2.get(part.join(" "));
      if (meant) return { meaning: named(meant, header), certainty: length / words3.length > 0.5 ? 0.8 : 0.6 };
    }
  return null;
}
function severalIn(known2, header) {
  const parts = header.split(/[/&+,|]|\s(?:and|und|et|y|e|en)\s/i).map((part) => known2.get(foldHeader(part)));
  const options = parts.filter((meaning) => meaning?.is === "option");
  const roles = new Set(options.map(({ role }) => role));
  if (parts.length < 2 || options.length < parts.length || roles.size < options.length) return null;
  if ([...roles].every((role) => role === "size" || role === "length")) return null;
  return [...roles].every((role) => role === "colour" || role === "pattern") ? options.find(({ role }) => role === "colour") : { is: "options" };
}
function named(meaning, header) {
  if (meaning.is !== "option") return meaning;
  const label = header.trim().replace(/\s+/g, " ").replace(/\s(?:name|description|desc\.?)$/i, "").slice(0, 40);
  return label === "" ? meaning : { ...meaning, label };
}

// core/src/intake/table/findTable.ts
var LOOKED_AT = 60;
function findTable(...a){ const t=performance.now(); const d=(globalThis.DP??={})["findTable"]??=0; globalThis.DP.findTable++; try { return findTable__(...a); } finally { globalThis.DP.findTable--; if(globalThis.DP.findTable===0) (globalThis.PH??={})["findTable"]=((globalThis.PH??={})["findTable"]??0)+performance.now()-t; } }
function findTable__(table, words3, headerRow) {
  const width = table.slice(0, 2e3).reduce((most, row) => Math.max(most, row.length), 0);
  const header = headerRow === void 0 ? findHeader(table, words3) : headerRow - 1;
  const headerRows = header === null ? [] : headerLines(table, header, words3);
  const { headers, below } = joined(table, headerRows, width);
  const skipped = [];
  const body = [];
  const first = headerRows.length > 0 ? headerRows.at(-1) + 1 : 0;
  for (let at = 0; at < (headerRows[0] ?? 0); at++) if (!isEmpty(table[at])) skipped.push({ at, why: "title" });
  for (let at = first; at < table.length; at++) {
    const row = table[at];
    if (isEmpty(row)) continue;
    const why = reasonToSkip(row, headerRows, table);
    if (why) skipped.push({ at, why });
    else body.push(at);
  }
  return { headerRows, headers, below, body, skipped };
}
var isEmpty = (row) => row.every((cell) => cell.trim() === "");
function findHeader(table, words3) {
  const rows = table.slice(0, LOOKED_AT).map((row, at) => ({ at, score: headerScore(row, words3), filled: row.filter((cell) => !isBlank(cell)).length }));
  const best2 = Math.max(...rows.map(({ score }) => score), 0);
  if (best2 < 1.9) return null;
  const near = rows.filter(({ score }) => score >= 1.9 && score >= best2 - 0.5);
  return near.toSorted((a, b) => b.filled - a.filled || a.at - b.at)[0].at;
}
function headerScore(row, { meaningOf: meaningOf2, options }) {
  let score = 0;
  let filled = 0;
  const seen = /* @__PURE__ */ new Set();
  for (const cell of row) {
    const text2 = cell.trim();
    if (text2 === "") continue;
    filled += 1;
    const meant = text2.length <= 40 ? meaningOf2(text2) : null;
    const said2 = meant ? JSON.stringify(meant.meaning) : text2;
    if (meant && !seen.has(said2)) score += meant.certainty;
    else if (digitsOf(text2) || numberLook(text2) === "decimal" || numberLook(text2) === "money") score -= 1.5;
    else if (!meant && numberLook(text2) !== "whole" && options.whole(tokensOf(text2))?.roles[0] === "size") score += 0.5;
    else if (text2.length > 40) score -= 0.5;
    seen.add(said2);
  }
  return filled > 1 ? score : row.length === 1 && score >= 1 ? 2 : 0;
}
function headerLines(table, at, words3) {
  if (isCaptions(table, at - 1, at, words3)) return [at - 1, at];
  if (isSecondLine(table, at, words3)) return [at, at + 1];
  return [at];
}
function isCaptions(table, above, at, { meaningOf: meaningOf2 }) {
  const row = table[above];
  if (!row) return false;
  const filled = row.flatMap((cell, place) => isBlank(cell) ? [] : [place]);
  const known2 = filled.filter((place) => row[place].trim().length <= 40 && meaningOf2(row[place].trim()));
  const isTitle = filled.length === 1 && filled[0] === 0;
  if (known2.length === 0 || isTitle || filled.some((place) => numberLook(row[place]))) return false;
  const header = table[at].filter((cell) => !isBlank(cell)).length;
  return new Set(filled.map((place) => row[place].trim())).size < header && known2.length * 2 >= new Set(filled.map((place) => row[place].trim())).size;
}
function isSecondLine(table, at, { meaningOf: meaningOf2, options }) {
  const head = table[at];
  const row = table[at + 1];
  if (!row) return false;
  const filled = row.flatMap((cell, place) => isBlank(cell) ? [] : [place]);
  if (filled.length < 2 || filled.includes(0)) return false;
  const isData = (cell) => digitsOf(cell) !== null || ["decimal", "money"].includes(numberLook(cell) ?? "");
  if (filled.some((place) => isData(row[place]))) return false;
  const sizes = filled.filter((place) => options.whole(tokensOf(row[place]))?.roles[0] === "size");
  const known2 = filled.filter((place) => meaningOf2(row[place]) !== null);
  if (sizes.length + known2.length < filled.length * 0.6) return false;
  const under = filled.filter(
    (place) => isBlank(head[place]) || head[place] === head[place - 1] || head[place] === head[place + 1]
  );
  return under.length >= filled.length - 2 && under.length > 0;
}
function joined(table, rows, width) {
  const cell = (row, place) => (table[row]?.[place] ?? "").trim().replace(/\s+/g, " ");
  const places = Array.from({ length: width }, (_, place) => place);
  if (rows.length === 0) return { headers: places.map(() => ""), below: places.map(() => "") };
  const last = rows.at(-1);
  const below = places.map((place) => cell(last, place));
  if (rows.length === 1) return { headers: below, below };
  let caption = "";
  const headers = places.map((place) => {
    const above = cell(rows[0], place);
    const under = below[place];
    if (above !== "") caption = above;
    else if (under === "") caption = "";
    const top = above !== "" || isShort(under) ? above !== "" ? above : caption : "";
    return top === "" || foldHeader(top) === foldHeader(under) ? under || top : under === "" ? top : `${top} ${under}`;
  });
  return { headers, below };
}
var isShort = (text2) => text2 !== "" && text2.length <= 6;
function reasonToSkip(row, headerRows, table) {
  const filled = row.filter((cell) => !isBlank(cell));
  const [first = ""] = filled;
  const header = headerRows.length > 0 ? table[headerRows.at(-1)] : [];
  if (filled.length > 1 && row.every((cell, place) => cell.trim() === (header[place] ?? "").trim())) return "header";
  const words3 = filled.filter((cell) => numberLook(cell) === null);
  if (looksLikeTotal(first) && words3.length <= 2) return "total";
  if (filled.length > 1) return null;
  if (row.length <= 1) return null;
  const text2 = first.trim();
  return text2.length > 60 || /[.!?]$/.test(text2) || /^\*|:\s/.test(text2) ? "note" : numberLook(text2) ? "total" : "section";
}

// core/src/intake/table/shape.ts
import { z as z7 } from "zod";
var MeaningSchema = z7.discriminatedUnion("is", [
  /** A figure of the family or the child, by the registry's key. */
  z7.object({ is: z7.literal("field"), key: z7.string().min(1).max(40) }),
  /** The values of one axis. */
  z7.object({ is: z7.literal("option"), role: RoleSchema, label: z7.string().trim().min(1).max(40) }),
  /** What the options in the column with the same number are called: "Colour". */
  z7.object({ is: z7.literal("optionName"), number: z7.number().int().min(1).max(9) }),
  z7.object({ is: z7.literal("optionValue"), number: z7.number().int().min(1).max(9) }),
  /** Several options in one cell: "Colour: Navy; Size: XL". */
  z7.object({ is: z7.literal("options") }),
  /** A value whose pieces stand in the cells. */
  z7.object({ is: z7.literal("across"), role: RoleSchema, value: z7.string().trim().min(1).max(80) }),
  /** What families are held together by: a code that all rows of one share. */
  z7.object({ is: z7.literal("group") }),
  /** The SKU or number of the parent's row. */
  z7.object({ is: z7.literal("parent") }),
  /** Whether the row is a parent or a child. */
  z7.object({ is: z7.literal("kind") }),
  z7.object({ is: z7.literal("picture") }),
  /** What is done with the row: "delete" takes the child out. */
  z7.object({ is: z7.literal("deed") }),
  z7.object({ is: z7.literal("ignored") })
]);
var ListMappingSchema = z7.object({
  /** Row of the header, from 1; where it is not said it is found. */
  headerRow: z7.number().int().min(1).max(1e3).optional(),
  /** Header → meaning; a header that stands twice is told by its place: "Price#2". */
  columns: z7.record(z7.string().max(200), MeaningSchema).default({}),
  /** The mark before decimals, where it cannot be seen. */
  decimal: z7.enum([".", ","]).optional(),
  /** Taken over from the last list with these headers. */
  remembered: z7.boolean().optional()
});
var NO_MAPPING = { columns: {} };

// core/src/intake/table/contents.ts
var SAMPLE = 400;
function contentsOf(table, rows, at, { meaningOf: meaningOf2, options }) {
  const step = Math.max(1, Math.floor(rows.length / SAMPLE));
  const cells = [];
  let looked = 0;
  for (let place = 0; place < rows.length; place += place % (2 * step) === 0 && step > 1 ? 1 : step) {
    looked += 1;
    const cell = table[rows[place]][at];
    if (!isBlank(cell)) cells.push(cell.trim());
  }
  const count = (test) => cells.length === 0 ? 0 : cells.filter(test).length / cells.length;
  const folded2 = new Set(cells.map((cell) => foldLetters(cell)));
  return {
    ...{ filled: cells.length, looked, distinct: folded2.size },
    uniqueShare: cells.length === 0 ? 0 : folded2.size / cells.length,
    gtin: count(looksLikeGtin),
    picture: count((cell) => cell.split(/[\s,;|]+/).every(looksLikePicture)),
    address: count(looksLikeAddress),
    money: count((cell) => numberLook(cell) === "money" || numberLook(cell) === "decimal"),
    number: count((cell) => numberLook(cell) !== null),
    named: count((cell) => cell.length < 300 && namedOptions(cell) !== null),
    kind: count((cell) => kindOf2(cell) !== null),
    percent: count((cell) => /\d\s*%/.test(cell)),
    roleName: count(
      (cell) => cell.length < 30 && meaningOf2(cell)?.meaning.is === "option" && meaningOf2(cell).certainty === 1
    ),
    code: count((cell) => /^[\p{L}\d][\p{L}\d._/-]*$/u.test(cell) && /\d|[-_/]|^[A-Z]+$/.test(cell)),
    letters: count((cell) => new RegExp("\\p{L}{2}", "u").test(cell)),
    averageLength: average(cells.map((cell) => cell.length)),
    averageWords: average(cells.map((cell) => cell.split(/\s+/).length)),
    ...optionsAmong([...folded2].slice(0, 200), options)
  };
}
var average = (numbers) => numbers.length === 0 ? 0 : numbers.reduce((sum, one) => sum + one, 0) / numbers.length;
var kindsOf = (roles) => roles.size - (roles.has("colour") && roles.has("pattern") ? 1 : 0);
function optionsAmong(cells, options) {
  const counts = /* @__PURE__ */ new Map();
  let several = 0;
  for (const cell of cells) {
    if (cell.length > 80) continue;
    const tokens = tokensOf(cell);
    const whole = options.whole(tokens);
    if (whole) {
      whole.roles.forEach((role, place) => counts.set(role, (counts.get(role) ?? 0) + (place === 0 ? 1 : 0.9)));
    } else {
      const found = options.read(tokens);
      const roles = new Set(found.flatMap((one) => one.roles.slice(0, 1)));
      const taken2 = found.reduce((sum, one) => sum + one.to - one.from, 0);
      const signs = tokens.filter((token) => token.kind === "sign").length;
      if (taken2 + signs < tokens.length) continue;
      const [role] = roles;
      if (kindsOf(roles) > 1) several += 1;
      else if (role) counts.set(role, (counts.get(role) ?? 0) + 1);
    }
  }
  const [best2] = ROLES.filter((role) => counts.has(role)).sort((a, b) => counts.get(b) - counts.get(a));
  return {
    role: best2 && cells.length > 0 ? { role: best2, share: Math.min(1, counts.get(best2) / cells.length) } : null,
    several: cells.length === 0 ? 0 : several / cells.length
  };
}

// core/src/intake/table/settleColumns.ts
var IGNORED = { is: "ignored" };
var field2 = (key) => ({ is: "field", key });
var isSaid = (reason) => reason === "chosen" || reason === "remembered";
function settleColumns(registry2, columns, contents) {
  settleLengths(columns);
  settleOptionPairs(columns, contents);
  settleNames(registry2, columns, contents);
  settleCodes(columns, contents);
  settleTwins(columns);
  settleLeftOver(columns, contents);
  settleTotals(columns);
}
function settleLengths(columns) {
  const hasSides = columns.some(({ meaning }) => meaning.is === "field" && /^package(Width|Height)$/.test(meaning.key));
  if (!hasSides) return;
  for (const column of columns)
    if (column.meaning.is === "option" && column.meaning.role === "length" && !isSaid(column.reason))
      column.meaning = field2("packageLength");
}
function settleOptionPairs(columns, contents) {
  let number = Math.max(0, ...columns.map(({ meaning }) => "number" in meaning ? meaning.number : 0));
  columns.forEach((column, at) => {
    if (isSaid(column.reason)) return;
    const next = columns[at + 1];
    const isNames = contents[at].roleName > 0.9;
    const { meaning } = column;
    if (isNames && meaning.is === "optionValue") column.meaning = { is: "optionName", number: meaning.number };
    if (!isNames || "number" in meaning || !next || contents[at].distinct > 9) return;
    number += 1;
    Object.assign(column, { meaning: { is: "optionName", number }, confidence: 0.9, reason: "content" });
    Object.assign(next, { meaning: { is: "optionValue", number }, confidence: 0.9, reason: "beside" });
  });
  for (const column of columns) {
    const { meaning } = column;
    if (meaning.is !== "optionValue") continue;
    const isNamed = columns.some((one) => one.meaning.is === "optionName" && one.meaning.number === meaning.number);
    if (isNamed) continue;
    const { role } = contents[column.at];
    column.meaning = role && role.share > 0.5 ? { is: "option", role: role.role, label: ROLE_LABELS[role.role] } : { is: "option", role: "other", label: column.header.slice(0, 40) };
  }
}
function settleNames(registry2, columns, contents) {
  const named2 = columns.filter(({ meaning }) => meaning.is === "field" && meaning.key === "name");
  const chosen = named2.find((column) => isSaid(column.reason));
  if (named2.length > 1) {
    const best3 = chosen ?? named2.toSorted((a, b) => nameScore(contents[b.at]) - nameScore(contents[a.at]))[0];
    for (const column of named2) {
      if (column === best3) continue;
      const { code, uniqueShare } = contents[column.at];
      column.meaning = code > 0.8 ? field2(uniqueShare > 0.9 ? "sku" : "styleCode") : IGNORED;
      column.confidence = 0.5;
    }
  }
  if (named2.length > 0) return;
  const texts = columns.filter(
    ({ at, meaning, reason }) => !isSaid(reason) && (meaning.is === "ignored" || meaning.is === "field" && mayBeNames(meaning.key, contents[at])) && contents[at].letters > 0.8 && contents[at].averageLength < 90 && contents[at].code < 0.6 && contents[at].picture + contents[at].address < 0.3
  );
  const [best2] = texts.toSorted((a, b) => nameScore(contents[b.at]) - nameScore(contents[a.at]));
  if (best2 && registry2.field("name"))
    Object.assign(best2, { meaning: field2("name"), confidence: 0.6, reason: "content" });
}
var mayBeNames = (key, { code }) => ["description", "shortText"].includes(key) || key === "styleCode" && code < 0.3;
var nameScore = ({ averageWords, uniqueShare, code }) => Math.min(averageWords, 8) + uniqueShare - 3 * code;
function settleCodes(columns, contents) {
  const codes = (key) => columns.filter(({ meaning, reason }) => meaning.is === "field" && meaning.key === key && !isSaid(reason));
  const hasAcross = columns.some(({ meaning }) => meaning.is === "across");
  const skus = codes("sku");
  const styles = codes("styleCode");
  const unique = (column) => contents[column.at].uniqueShare;
  if (skus.length === 0 && !columns.some(({ meaning }) => meaning.is === "field" && meaning.key === "sku")) {
    const [own] = styles.filter((column) => unique(column) > 0.97 && !hasAcross && contents[column.at].filled > 3);
    if (own && styles.length > 1) own.meaning = field2("sku");
  }
  if (skus.length > 1) {
    const best2 = skus.toSorted((a, b) => unique(b) - unique(a) || b.confidence - a.confidence)[0];
    for (const column of skus)
      if (column !== best2) column.meaning = unique(column) < 0.9 && styles.length === 0 ? field2("styleCode") : IGNORED;
  } else if (skus.length === 1 && styles.length === 0 && unique(skus[0]) < 0.75 && !hasAcross && contents[skus[0].at].filled > 3)
    skus[0].meaning = field2("styleCode");
}
function settleTwins(columns) {
  const best2 = /* @__PURE__ */ new Map();
  for (const column of columns) {
    const { meaning } = column;
    if (meaning.is === "ignored" || meaning.is === "picture") continue;
    const key = meaning.is === "option" ? `option ${meaning.role} ${meaning.role === "other" ? meaning.label : ""}` : JSON.stringify(meaning);
    const before = best2.get(key);
    if (!before) best2.set(key, column);
    else {
      const isBetter = column.confidence > before.confidence && !isSaid(before.reason);
      const [winner, loser] = isBetter ? [column, before] : [before, column];
      best2.set(key, winner);
      const isOption = meaning.is === "option" && meaning.role !== "other";
      loser.meaning = isOption ? { ...meaning, role: "other", label: loser.header.slice(0, 40) } : IGNORED;
      if (!isOption || loser.header.replace(/#\d+$/, "") === winner.header) loser.reason = "twice";
      loser.confidence = 0.4;
    }
  }
}
function settleLeftOver(columns, contents) {
  const has = (key) => columns.some(({ meaning }) => meaning.is === "field" && meaning.key === key);
  const give = (key, confidence, test) => {
    if (has(key)) return;
    const column = columns.find(
      ({ at, meaning, reason }) => meaning.is === "ignored" && reason === "nothing" && contents[at].filled > 0 && test(contents[at])
    );
    if (column) Object.assign(column, { meaning: field2(key), confidence, reason: "content" });
  };
  const recommended = columns.find(
    ({ meaning, reason }) => meaning.is === "field" && meaning.key === "listPrice" && !isSaid(reason)
  );
  if (recommended && !has("price")) Object.assign(recommended, { meaning: field2("price"), confidence: 0.75 });
  give("sku", 0.6, (one) => one.code > 0.9 && one.uniqueShare > 0.95 && one.number < 0.5 && one.averageLength >= 4);
  give("price", 0.5, (one) => one.money > 0.7);
  give("stock", 0.4, (one) => one.number > 0.9 && one.money < 0.1 && one.averageLength < 5);
}
function settleTotals(columns) {
  if (!columns.some(({ meaning }) => meaning.is === "across")) return;
  for (const column of columns)
    if (column.meaning.is === "field" && column.meaning.key === "stock" && !isSaid(column.reason))
      column.meaning = IGNORED;
}

// core/src/intake/table/understandColumns.ts
var IGNORED2 = { is: "ignored" };
var field3 = (key) => ({ is: "field", key });
function columnNames(headers) {
  const times = /* @__PURE__ */ new Map();
  return headers.map((header, at) => {
    const name = header.trim() === "" ? `Column ${at + 1}` : header.trim();
    const time = (times.get(name) ?? 0) + 1;
    times.set(name, time);
    return time === 1 ? name : `${name}#${time}`;
  });
}
function understandColumns(...a){ const t=performance.now(); const d=(globalThis.DP??={})["understandColumns"]??=0; globalThis.DP.understandColumns++; try { return understandColumns__(...a); } finally { globalThis.DP.understandColumns--; if(globalThis.DP.understandColumns===0) (globalThis.PH??={})["understandColumns"]=((globalThis.PH??={})["understandColumns"]??0)+performance.now()-t; } }
function understandColumns__(registry2, table, found, words3, mapping) {
  const names = columnNames(found.headers);
  const contents = found.headers.map((_, at) => contentsOf(table, found.body, at, words3));
  const across = sizesAcross(table, found, contents, words3);
  const guesses = found.headers.map((header, at) => {
    const chosen = mapping.columns[names[at]];
    if (chosen) return { meaning: chosen, confidence: 1, reason: mapping.remembered ? "remembered" : "chosen" };
    const value = across.get(at);
    if (value) return { meaning: value, confidence: 0.95, reason: "both" };
    if (contents[at].filled === 0) return { meaning: IGNORED2, confidence: 1, reason: "nothing" };
    return guess(words3.meaningOf(header), contents[at]);
  });
  const columns = guesses.map((one, at) => ({ at, header: names[at], ...one }));
  settleColumns(registry2, columns, contents);
  return columns;
}
function guess(header, contents) {
  if (header) {
    const agreed = agree(header.meaning, contents, header.certainty);
    if (agreed) return { ...agreed, confidence: Math.min(1, agreed.confidence * header.certainty) };
  }
  return guessByContents(contents) ?? { meaning: IGNORED2, confidence: 0.3, reason: "nothing" };
}
function agree(meaning, contents, certainty) {
  const by = (confidence, reason = "header", other = meaning) => ({
    meaning: other,
    confidence,
    reason
  });
  if (meaning.is === "option") {
    if (contents.percent > 0.5) return by(0.9, "both", field3("composition"));
    if (contents.averageLength > 60) return null;
    const isSeveral = contents.several > (meaning.role === "other" ? 0.3 : 0.5);
    if (contents.named > 0.6 || isSeveral) return by(0.9, "both", { is: "options" });
    const isKnown = contents.role && contents.role.share > 0.5;
    return by(isKnown ? 0.98 : 0.85, isKnown ? "both" : "header");
  }
  if (meaning.is === "options") {
    if (contents.named > 0.5 || contents.several > 0.3) return by(0.95, "both");
    if (contents.role && contents.role.share >= 0.5)
      return by(0.85, "content", { is: "option", role: contents.role.role, label: ROLE_LABELS[contents.role.role] });
    return by(0.6);
  }
  if (meaning.is === "kind") return contents.kind > 0.7 ? by(0.95, "both") : null;
  if (meaning.is !== "field") return by(0.9);
  switch (meaning.key) {
    case "gtin":
      return contents.gtin > 0.5 ? by(1, "both") : contents.code + contents.number > 0.5 || contents.gtin > 0 ? by(0.8) : null;
    case "price":
    case "listPrice":
    case "cost":
    case "stock":
      return contents.number > 0.6 ? by(0.98, "both") : contents.number > 0.2 ? by(0.7) : null;
    case "styleCode":
    case "sku":
      return certainty === 1 || contents.code + contents.number > 0.5 ? by(0.9) : null;
    case "description":
    case "name":
      return contents.letters > 0.3 ? by(0.9) : contents.code > 0.8 ? by(0.5, "header", field3("sku")) : by(0.6);
    default:
      return by(0.9);
  }
}
function guessByContents(contents) {
  const by = (meaning, confidence) => ({ meaning, confidence, reason: "content" });
  if (contents.gtin > 0.8 && contents.averageLength > 7) return by(field3("gtin"), 0.9);
  if (contents.picture > 0.7) return by({ is: "picture" }, 0.9);
  if (contents.address > 0.7) return by(IGNORED2, 0.6);
  if (contents.named > 0.7) return by({ is: "options" }, 0.9);
  if (contents.several > 0.6) return by({ is: "options" }, 0.8);
  if (contents.role && contents.role.share > 0.6 && contents.number < 0.5 && contents.averageWords < 4)
    return by({ is: "option", role: contents.role.role, label: ROLE_LABELS[contents.role.role] }, 0.75);
  return null;
}
function sizesAcross(table, found, contents, { options }) {
  const across = /* @__PURE__ */ new Map();
  let run = [];
  const close = () => {
    const isSure = run.length >= 3 || run.length === 2 && run.every((one) => !one.isWeak);
    if (isSure && isCounted(
      table,
      found,
      run.map((one) => one.at)
    ))
      for (const { at, role, value } of run) across.set(at, { is: "across", role, value });
    run = [];
  };
  found.below.forEach((header, at) => {
    const read2 = header === "" ? null : options.whole(tokensOf(header));
    const role = read2?.roles[0];
    const fits = role && role !== "material" && role !== "pattern" && role !== "model" && role !== "other";
    if (!fits || contents[at].letters > 0.2 || contents[at].money > 0.2) return close();
    if (run.length > 0 && run[0].role !== role) close();
    run.push({
      at,
      role,
      value: header.replace(/^(?:size|gr\.?|größe|taille|talla|taglia|maat)\s+/i, ""),
      isWeak: read2.isWeak
    });
  });
  close();
  return across;
}
function isCounted(table, found, places) {
  const rows = found.body.slice(0, 200);
  let filled = 0;
  let counted = 0;
  for (const row of rows)
    for (const place of places) {
      const cell = table[row][place];
      if (isBlank(cell)) continue;
      filled += 1;
      if (numberLook(cell) === "whole" || /^\s*(?:[xX✓✔•-]|yes|ja|oui|sí|si|n\/a)\s*$/.test(cell)) counted += 1;
    }
  return filled > 0 && counted / filled > 0.9;
}

// core/src/intake/families/nameStems.ts
var LINKS = new Set(
  "in mit with en de con di colour color farbe couleur colore kleur size sizes groesse gro\xDFe grosse gr taille talla taglia maat and und et".split(
    " "
  )
);
function readNames(...a){ const t=performance.now(); const d=(globalThis.DP??={})["readNames"]??=0; globalThis.DP.readNames++; try { return readNames__(...a); } finally { globalThis.DP.readNames--; if(globalThis.DP.readNames===0) (globalThis.PH??={})["readNames"]=((globalThis.PH??={})["readNames"]??0)+performance.now()-t; } }
function readNames__(items, options) {
  const byName = /* @__PURE__ */ new Map();
  for (const item of items) {
    let spans = byName.get(item.name);
    if (!spans) byName.set(item.name, spans = options.read(item.tokens));
    item.read = spans;
    item.spans = spans.slice();
  }
  const said2 = openSaid(options);
  const repeated = rolesRepeated(items, said2);
  const columns = new Set(items.flatMap(({ given }) => given.map(({ axis }) => axis)));
  for (const item of items) {
    settleSaid(item, repeated, said2);
    item.spans = item.spans.filter(
      ({ roles, isWeak }) => !columns.has(roles[0]) || repeated.has(roles[0]) && !isWeak
    );
  }
}
function openSaid(options) {
  const known2 = /* @__PURE__ */ new Map();
  return (text2) => {
    let said2 = known2.get(text2);
    if (!said2) {
      const tokens = tokensOf(text2);
      const words3 = tokens.filter((token) => token.kind !== "sign").map((token) => token.text);
      known2.set(text2, said2 = { words: words3, key: options.whole(tokens)?.key ?? words3.join("") });
    }
    return said2;
  };
}
function rolesRepeated(items, said2) {
  const counts = /* @__PURE__ */ new Map();
  const step = Math.max(1, Math.floor(items.length / 2e3));
  for (let at = 0; at < items.length; at += step) {
    const item = items[at];
    for (const { axis, text: text2 } of item.given) {
      const count = counts.get(axis) ?? { there: 0, of: 0 };
      count.of += 1;
      const { words: words3, key } = said2(text2);
      if (item.spans.some((span) => span.key === key) || placeOf(words3, item.tokens) !== null) count.there += 1;
      counts.set(axis, count);
    }
  }
  return new Set([...counts].filter(([, { there, of }]) => there >= of * REPEATED).map(([axis]) => axis));
}
var REPEATED = 0.6;
function settleSaid(item, repeated, said2) {
  for (const { axis, role, text: text2 } of item.given) {
    const { words: words3, key } = said2(text2);
    if (repeated.has(axis)) {
      const span = item.spans.findLast((one) => one.key === key);
      const place = span ? { from: span.from, to: span.to } : placeOf(words3, item.tokens);
      if (place) {
        item.said.push(place);
        item.spans = item.spans.filter((one) => one.to <= place.from || one.from >= place.to);
      }
    }
    item.spans = item.spans.filter(
      (one) => !one.roles.includes(role) || one.roles.length > 1 && one.roles[0] !== role
    );
  }
  for (const { value } of item.across.slice(0, 1)) item.spans = item.spans.filter((one) => one.roles[0] !== value.role);
}
function placeOf(words3, tokens) {
  if (words3.length === 0) return null;
  for (let from = tokens.length - 1; from >= 0; from--) {
    let at = from;
    let word = 0;
    for (; word < words3.length && at < tokens.length; at++) {
      if (tokens[at].kind === "sign" && word > 0) continue;
      if (tokens[at].text !== words3[word]) break;
      word += 1;
    }
    if (word === words3.length) return { from, to: at };
  }
  return null;
}
var stemWords = (item) => stemOfItem(item).words;
var stemKey = (item) => stemOfItem(item).key;
function stemOfItem(item) {
  const { spans, said: said2, stem } = item;
  if (stem?.spans === spans && stem.said === said2.length) return stem;
  const words3 = readStem(item);
  let key = "";
  for (const { text: text2 } of words3) key += stemOf(text2);
  return item.stem = { spans, said: said2.length, words: words3, key };
}
function readStem({ tokens, spans, said: said2 }) {
  const taken2 = new Uint8Array(tokens.length + 1);
  for (const { from, to } of spans) taken2.fill(1, from, to);
  for (const { from, to } of said2) taken2.fill(1, from, to);
  const words3 = [];
  for (let at = 0; at < tokens.length; at++) {
    const token = tokens[at];
    if (taken2[at] || token.kind === "sign") continue;
    if (LINKS.has(token.text) && leadsToTaken(tokens, taken2, at)) continue;
    words3.push({ text: token.text, at });
  }
  return words3;
}
function leadsToTaken(tokens, taken2, at) {
  for (let next = at + 1; next < tokens.length; next++) {
    if (taken2[next]) return true;
    if (tokens[next].kind !== "sign" && !LINKS.has(tokens[next].text)) return false;
  }
  return false;
}
function cleanName({ name, tokens, spans, said: said2 }) {
  const words3 = new Set(stemWords({ tokens, spans, said: said2 }).map(({ at }) => at));
  const cut = [...spans, ...said2];
  let text2 = "";
  let end = 0;
  tokens.forEach((token, at) => {
    const isOut = cut.some(({ from, to }) => at >= from && at < to) || token.kind !== "sign" && !words3.has(at);
    if (!isOut) text2 += name.slice(end, token.to);
    else if (end < token.from) text2 += " ";
    end = token.to;
  });
  return text2.replace(/\([\s,/|;:.-]*\)|\[[\s,/|;:.-]*\]/g, " ").replace(/\s+/g, " ").replace(/(?:\s*[-–—,/|;:(·•]\s*)+$/u, "").replace(/^(?:\s*[-–—,/|;:)·•]\s*)+/u, "").replace(/\s+([,;:])/g, "$1").replace(/(?:\s[-–—,/|;:·•])+\s(?=[-–—,/|;:·•]\s)/gu, " ").trim();
}

// core/src/intake/families/givenOptions.ts
function openGiven(columns, { meaningOf: meaningOf2, options }) {
  const axisOf = (role, label) => role === "other" ? `other ${compact(label)}` : role;
  const named2 = (name, text2) => {
    const meant = meaningOf2(name)?.meaning;
    const role = meant?.is === "option" ? meant.role : "other";
    return text2.trim() === "" ? null : { axis: axisOf(role, name), role, label: name.trim(), text: text2.trim() };
  };
  const byLook = (text2) => {
    const tokens = tokensOf(text2);
    const alone = options.read(tokens);
    if (alone.length > 0 && alone.every(({ roles }) => roles[0] === "colour")) return [plainly("colour", text2.trim())];
    const found = alone.map((one) => one.roles[0] === "colour" ? withBeside(one, alone, tokens) : one);
    const given = found.map(
      (one) => plainly(one.roles[0], text2.slice(tokens[one.from].from, tokens[one.to - 1].to))
    );
    if (given.some(({ role }) => role === "colour")) return given;
    const rest = tokens.filter((token, at) => isWord(token) && !found.some(({ from, to }) => at >= from && at < to));
    if (rest.length === 0) return given;
    return [plainly("colour", text2.slice(rest[0].from, rest.at(-1).to)), ...given];
  };
  const packed = /* @__PURE__ */ new Map();
  const readPacked = (cell) => {
    let read2 = packed.get(cell);
    if (!read2) {
      const pairs = namedOptions(cell);
      read2 = pairs ? pairs.flatMap(({ name, value }) => named2(name, value) ?? []) : partsOf(cell, byLook, options);
      packed.set(cell, read2);
    }
    return read2;
  };
  const ofOptions = columns.filter(({ meaning }) => OPTIONS.has(meaning.is));
  const goingAcross = columns.filter(({ meaning }) => meaning.is === "across");
  return {
    options(cells) {
      const given = [];
      for (const { at, meaning } of ofOptions) {
        const text2 = (cells[at] ?? "").trim();
        if (text2 === "" || text2 === "-" || text2 === "\u2013" || /^n\/a$/i.test(text2)) continue;
        if (meaning.is === "option")
          given.push({ axis: axisOf(meaning.role, meaning.label), role: meaning.role, label: meaning.label, text: text2 });
        else if (meaning.is === "options") given.push(...readPacked(text2));
        else if (meaning.is === "optionValue") {
          const names = columns.find((one2) => one2.meaning.is === "optionName" && one2.meaning.number === meaning.number);
          const one = named2((names ? cells[names.at] : void 0) || `Option ${meaning.number}`, text2);
          if (one) given.push(one);
        }
      }
      return given.filter(({ axis }, place) => given.findIndex((one) => one.axis === axis) === place);
    },
    across(cells) {
      return goingAcross.flatMap(({ at, meaning }) => {
        if (meaning.is !== "across") return [];
        const text2 = (cells[at] ?? "").trim();
        if (text2 === "" || /^(?:-|–|n\/a|no|nein|non|x{0})$/i.test(text2)) return [];
        const label = ROLE_LABELS[meaning.role];
        const value = { axis: meaning.role, role: meaning.role, label, text: meaning.value };
        return [{ value, pieces: numberLook(text2) ? text2 : "", column: at }];
      });
    }
  };
}
var OPTIONS = /* @__PURE__ */ new Set(["option", "options", "optionValue"]);
var isWord = ({ kind, text: text2 }) => kind === "word" && !LINKS.has(text2);
function withBeside(colour, all, tokens) {
  let { from, to } = colour;
  const isFree = (at) => isWord(tokens[at]) && !all.some((one) => one !== colour && at >= one.from && at < one.to);
  while (from > 0 && isFree(from - 1)) from -= 1;
  while (to < tokens.length && isFree(to)) to += 1;
  return { ...colour, from, to };
}
var plainly = (role, text2) => ({ axis: role, role, label: ROLE_LABELS[role], text: text2 });
function partsOf(cell, byLook, options) {
  const apart = /\s[/|–-]\s|[;|,]/.test(cell) ? /\s+[/|–-]\s+|\s*[;|,]\s*/ : /\//;
  const parts = cell.split(apart).filter((part) => part.trim() !== "");
  if (parts.length < 2) return byLook(cell);
  const read2 = parts.map((part) => ({ part: part.trim(), roles: options.whole(tokensOf(part))?.roles ?? [] }));
  const taken2 = new Set(read2.flatMap(({ roles }) => roles.length === 1 ? roles : []));
  const isTwice = taken2.size < read2.filter(({ roles }) => roles.length === 1).length;
  if (isTwice) return byLook(cell);
  return read2.map(({ part, roles }, at) => {
    const wanted = roles.length === 1 ? roles[0] : [...roles, "colour"].find((role2) => !taken2.has(role2));
    const role = wanted ?? "other";
    taken2.add(role);
    return { axis: role === "other" ? `other ${at}` : role, role, label: ROLE_LABELS[role], text: part };
  });
}

// core/src/intake/families/remembered.ts
function remembered(read2) {
  const known2 = /* @__PURE__ */ new Map();
  return (text2) => {
    let found = known2.get(text2);
    if (found === void 0) known2.set(text2, found = read2(text2));
    return found;
  };
}

// core/src/intake/families/rowItems.ts
var DELETES = /^(?:delete|del|remove|löschen|loeschen|supprimer|eliminar|elimina|verwijderen)$/i;
var columnOfField = (columns, key) => columns.find(({ meaning }) => meaning.is === "field" && meaning.key === key);
var columnThat = (columns, is) => columns.find(({ meaning }) => meaning.is === is);
var nameColumn = (columns) => columnOfField(columns, "name") ?? columnOfField(columns, "styleCode");
function rowItems(...a){ const t=performance.now(); const d=(globalThis.DP??={})["rowItems"]??=0; globalThis.DP.rowItems++; try { return rowItems__(...a); } finally { globalThis.DP.rowItems--; if(globalThis.DP.rowItems===0) (globalThis.PH??={})["rowItems"]=((globalThis.PH??={})["rowItems"]??0)+performance.now()-t; } }
function rowItems__(table, found, columns, words3) {
  const sections = found.skipped.filter((one) => one.why === "section").map((one) => one.at);
  const rows = [...found.body, ...sections].sort((a, b) => a - b);
  const alone = new Set(sections.filter((at2) => !goesOn(table, at2, columns)));
  const filled = carryDown(table, rows, alone, columns);
  const result = { items: [], parents: [], sections: filled.sections.map((at2) => at2 + 1), deletions: [] };
  const text2 = (cells, column) => column ? (cells[column.at] ?? "").trim() : "";
  const at = {
    name: columnOfField(columns, "name"),
    brand: columnOfField(columns, "brand"),
    style: columnOfField(columns, "styleCode"),
    sku: columnOfField(columns, "sku"),
    price: columnOfField(columns, "price") ?? columnOfField(columns, "cost") ?? columnOfField(columns, "listPrice"),
    parent: columnThat(columns, "parent") ?? columnThat(columns, "group"),
    kind: columnThat(columns, "kind"),
    deed: columnThat(columns, "deed"),
    gtin: columnOfField(columns, "gtin")
  };
  const referred = new Set(
    at.parent ? filled.rows.map(({ cells }) => compact(text2(cells, at.parent))).filter(Boolean) : []
  );
  const ownCodes = new Set(at.parent && at.kind ? filled.rows.map(({ cells }) => compact(text2(cells, at.sku))) : []);
  const givenOf = openGiven(columns, words3);
  const brandKeyOf = remembered(compact);
  const tokensIn = remembered(tokensOf);
  const priceIn = remembered(roughly);
  for (const { place, cells, block, isHead } of filled.rows) {
    const row = place + 1;
    if (DELETES.test(text2(cells, at.deed))) {
      result.deletions.push({ row, sku: text2(cells, at.sku), gtin: text2(cells, at.gtin) });
      continue;
    }
    const item = {
      name: text2(cells, at.name),
      brand: text2(cells, at.brand),
      style: text2(cells, at.style),
      ownCode: text2(cells, at.sku),
      belongs: text2(cells, at.parent),
      price: priceIn(text2(cells, at.price))
    };
    const kind = at.kind ? kindOf2(text2(cells, at.kind)) : null;
    const refs = referred.size === 0 ? [] : [item.ownCode, item.style, item.name].filter((ref) => ref !== "" && referred.has(compact(ref)));
    const pointsElsewhere = item.belongs !== "" && compact(item.belongs) !== compact(item.ownCode);
    const isCalledParent = kind === "parent" && !(pointsElsewhere && ownCodes.has(compact(item.belongs)));
    const isParent = isHead || isCalledParent || !pointsElsewhere && refs.length > 0;
    const given = givenOf.options(cells);
    const across = givenOf.across(cells);
    if (isParent && across.length === 0 && (given.length === 0 || kind === "parent" || refs.length > 0)) {
      const own = kind === "parent" ? [item.ownCode, item.style, item.belongs, item.name].filter(Boolean) : refs;
      result.parents.push({ row, name: item.name, refs: own.map(compact), block });
      continue;
    }
    result.items.push({
      row,
      cells,
      ...item,
      brandKey: brandKeyOf(item.brand),
      block,
      given,
      across,
      tokens: tokensIn(item.name),
      spans: [],
      read: [],
      said: []
    });
  }
  return result;
}
function roughly(text2) {
  const digits = text2.replace(/[^\d.,]/g, "").replace(/[.,](?=\d{3}\b)/g, "").replace(",", ".");
  const number = Number.parseFloat(digits);
  return Number.isFinite(number) ? number : null;
}
function goesOn(table, place, columns) {
  const at = table[place].findIndex((cell) => !isBlank(cell));
  const name = nameColumn(columns);
  const above = table[place - 1];
  if (!name || !above || columns.find((one) => one.at === at)?.meaning.is !== "option") return false;
  return !isBlank(above[at]) && above.some((cell, other) => other !== at && !isBlank(cell));
}
function carryDown(...a){ const t=performance.now(); const d=(globalThis.DP??={})["carryDown"]??=0; globalThis.DP.carryDown++; try { return carryDown__(...a); } finally { globalThis.DP.carryDown--; if(globalThis.DP.carryDown===0) (globalThis.PH??={})["carryDown"]=((globalThis.PH??={})["carryDown"]??0)+performance.now()-t; } }
function carryDown__(table, rows, alone, columns) {
  const name = nameColumn(columns);
  const result = { rows: [], sections: [] };
  const isBelow = (place) => name !== void 0 && place !== void 0 && !alone.has(place) && isBlank(table[place][name.at]);
  const options = columns.filter(
    ({ meaning }) => ["option", "optionValue", "optionName", "options"].includes(meaning.is)
  );
  const ofFamily = columns.filter(({ meaning }) => meaning.is === "field" && CARRIED.has(meaning.key));
  const ofAll = columns.filter(({ meaning }) => meaning.is === "field" && HELD.has(meaning.key));
  let head = null;
  let above = null;
  let block = 0;
  rows.forEach((place, order) => {
    const cells = table[place];
    const next = rows[order + 1];
    if (alone.has(place)) {
      const isHead = isBelow(next) && cells.some((cell, at) => !isBlank(cell) && (at === name?.at || !isBlank(cell)));
      if (!isHead) return void result.sections.push(place);
      block += 1;
      const text2 = cells.find((cell) => !isBlank(cell));
      const moved = cells.slice();
      if (name) moved[name.at] = text2;
      head = above = moved;
      result.rows.push({ place, cells: moved, block, isHead: true });
      return;
    }
    if (!isBelow(place) || !head) {
      const startsBlock = isBelow(next);
      if (startsBlock) block += 1;
      const isHead = startsBlock && isHeadAlone(cells, table[next], options, columns);
      head = startsBlock ? cells : null;
      const full2 = above && !startsBlock ? carryOptions(cells, above, name, options) : cells;
      above = full2;
      result.rows.push({ place, cells: full2, block: startsBlock ? block : null, isHead });
      return;
    }
    const full = cells.slice();
    for (const { at } of ofFamily) if (isBlank(full[at])) full[at] = head[at] ?? "";
    if (name) full[name.at] = head[name.at];
    for (const { at } of options) if (isBlank(full[at]) && above) full[at] = above[at] ?? "";
    for (const { at } of ofAll) if (isBlank(full[at])) full[at] = head[at] ?? "";
    above = full;
    result.rows.push({ place, cells: full, block, isHead: false });
  });
  return result;
}
var CARRIED = /* @__PURE__ */ new Set([
  "name",
  "brand",
  "styleCode",
  "category",
  "maker",
  "description",
  "shortText",
  "madeIn",
  "composition",
  "taxCode",
  "collections",
  "wearer",
  "care"
]);
var HELD = /* @__PURE__ */ new Set(["price", "listPrice", "cost", "weight"]);
function isHeadAlone(cells, next, options, columns) {
  const ofChild = columns.filter(
    ({ meaning }) => meaning.is === "field" && ["sku", "gtin", "stock"].includes(meaning.key)
  );
  const across = columns.filter(({ meaning }) => meaning.is === "across");
  const says = (row, list) => list.some(({ at }) => !isBlank(row[at]));
  return !says(cells, options) && !says(cells, across) && (says(next, options) || says(next, across)) && !columnsSay(cells, ofChild);
}
var columnsSay = (cells, columns) => columns.filter(({ at }) => !isBlank(cells[at])).length > 1;
function carryOptions(cells, above, name, options) {
  const isSame = name && !isBlank(cells[name.at]) && cells[name.at] === above[name.at];
  const blank = options.filter(({ at }) => isBlank(cells[at]));
  if (!isSame || blank.length === 0 || blank.length === options.length) return cells;
  const full = cells.slice();
  for (const { at } of blank) full[at] = above[at] ?? "";
  return full;
}

// core/src/intake/families/readFigures.ts
var KEYS = ["sku", "gtin", "price", "stock"];
function readFigures(...a){ const t=performance.now(); const d=(globalThis.DP??={})["readFigures"]??=0; globalThis.DP.readFigures++; try { return readFigures__(...a); } finally { globalThis.DP.readFigures--; if(globalThis.DP.readFigures===0) (globalThis.PH??={})["readFigures"]=((globalThis.PH??={})["readFigures"]??0)+performance.now()-t; } }
function readFigures__(registry2, table, columns, { families, singles }, mapping) {
  const read2 = { figures: /* @__PURE__ */ new Map(), singleFigures: [], problems: [], mended: [] };
  const sources = new Map(
    KEYS.flatMap((key) => {
      const column = columnOfField(columns, key);
      return column ? [[key, { column, source: sourceOf(table, column, mapping) }]] : [];
    })
  );
  const owners = /* @__PURE__ */ new Map();
  function figuresOf({ rows, stockColumn, sharesRow }) {
    const figures = {};
    const cells = table[rows[0] - 1];
    for (const key of KEYS) {
      const known3 = key === "stock" && stockColumn !== void 0 ? { column: columns[stockColumn], source: {} } : sources.get(key);
      const isOfRow = key === "stock" ? sharesRow && stockColumn === void 0 : key !== "price";
      if (!known3 || isOfRow && (sharesRow || stockColumn !== void 0)) continue;
      const text2 = (cells[known3.column.at] ?? "").trim();
      const figure = text2 === "" ? null : readCell(rows[0], key, known3.column, text2, known3.source);
      if (figure !== null) Object.assign(figures, { [key]: key === "stock" ? Number(figure) : figure });
    }
    return figures;
  }
  const known2 = /* @__PURE__ */ new Map();
  function readOnce(key, text2, work) {
    if (key === "sku" || key === "gtin") return work();
    const id = `${key}|${text2}`;
    let figure = known2.get(id);
    if (!figure) known2.set(id, figure = work());
    return figure;
  }
  function readCell(row, key, { header }, text2, source) {
    if (key === "stock" && !/\d/.test(text2)) return null;
    const field4 = registry2.field(key);
    let figure = readOnce(key, text2, () => readFigure(registry2, field4, text2, source));
    if (!figure.ok && figure.code === "gtin.lost-zero") {
      const { right } = figure.params;
      read2.mended.push({ row, column: header, from: text2, to: right });
      figure = { ok: true, figure: right };
    }
    if (!figure.ok) {
      read2.problems.push(problemOf(row, header, figure));
      return null;
    }
    const value = figure.figure;
    if ((key === "sku" || key === "gtin") && typeof value === "string") {
      const id = `${key}|${key === "gtin" ? gtin14(value) : compact(value)}`;
      const before = owners.get(id);
      if (before !== void 0 && before !== row) {
        read2.problems.push({ row, column: header, code: `${key}.twice`, text: String(before) });
        return null;
      }
      owners.set(id, row);
    }
    return value;
  }
  function tellShared({ children, style }) {
    const rows = /* @__PURE__ */ new Map();
    for (const { rows: own, sharesRow } of children) if (sharesRow) rows.set(own[0], (rows.get(own[0]) ?? 0) + 1);
    for (const [row, count] of rows)
      for (const key of ["sku", "gtin", "stock"]) {
        const column = sources.get(key)?.column;
        const text2 = column ? (table[row - 1][column.at] ?? "").trim() : "";
        if (text2 === "" || key === "sku" && text2 === style) continue;
        read2.problems.push({ row, column: column.header, code: "row.several", text: `${count} ${text2}` });
      }
  }
  for (const family of families) {
    tellShared(family);
    read2.figures.set(family.key, family.children.map(figuresOf));
  }
  for (const { rows } of singles) read2.singleFigures.push(figuresOf({ rows }));
  return read2;
}
var problemOf = (row, column, figure) => ({
  row,
  column,
  code: figure.code,
  text: unreadableText(figure)
});
function sourceOf(table, { at }, { decimal }) {
  if (decimal) return { decimal };
  return habitsOf(table.slice(0, 5e3).map((row) => row[at] ?? ""));
}

// core/src/intake/families/settlement.ts
import { z as z8 } from "zod";
var Row = z8.string().regex(/^\d{1,7}$/);
var Key = z8.string().regex(/^row\d{1,7}$/);
var ListSettlementSchema = z8.object({
  /** Row → group: rows of one group are one family, whatever they look like. */
  groups: z8.record(Row, z8.string().min(1).max(40)).default({}),
  /** Family → its name. */
  names: z8.record(Key, z8.string().trim().min(1).max(200)).default({}),
  /** Family → axis as it was found → what it is called, and what it is about. */
  axes: z8.record(Key, z8.record(z8.string().max(60), z8.object({ label: z8.string().trim().min(1).max(40), role: RoleSchema }))).default({}),
  /** Rows that do not go in. */
  leftOut: z8.array(z8.number().int().min(1)).max(2e5).default([])
});
var NO_SETTLEMENT = { groups: {}, names: {}, axes: {}, leftOut: [] };
var BY_SELLER = "\0";
var isBySeller = ({ belongs }) => belongs.startsWith(BY_SELLER);
function settleRows(...a){ const t=performance.now(); const d=(globalThis.DP??={})["settleRows"]??=0; globalThis.DP.settleRows++; try { return settleRows__(...a); } finally { globalThis.DP.settleRows--; if(globalThis.DP.settleRows===0) (globalThis.PH??={})["settleRows"]=((globalThis.PH??={})["settleRows"]??0)+performance.now()-t; } }
function settleRows__(items, { groups, leftOut }) {
  const out = new Set(leftOut);
  return items.filter(({ row }) => !out.has(row)).map((item) => {
    const group = groups[item.row];
    return group === void 0 ? item : { ...item, belongs: BY_SELLER + group, style: "", block: null };
  });
}
var settleSingle = (single2, { names }) => ({
  ...single2,
  name: names[`row${single2.rows[0]}`] ?? single2.name
});
function settleFamily(family, { names, axes }) {
  const wanted = axes[family.key];
  const name = names[family.key] ?? family.name;
  if (!wanted) return name === family.name ? family : { ...family, name };
  const labels = /* @__PURE__ */ new Map();
  const used = new Set(family.axes.filter(({ label }) => !wanted[label]).map(({ label }) => label.toLowerCase()));
  const renamed = family.axes.map((axis) => {
    const to = wanted[axis.label];
    const label = to && !used.has(to.label.toLowerCase()) ? to.label : axis.label;
    used.add(label.toLowerCase());
    labels.set(axis.label, label);
    return { ...axis, label, role: to?.role ?? axis.role };
  });
  return {
    ...family,
    name,
    axes: renamed,
    children: family.children.map((child) => ({
      ...child,
      at: Object.fromEntries(Object.entries(child.at).map(([label, value]) => [labels.get(label) ?? label, value]))
    }))
  };
}

// core/src/intake/families/clusters.ts
function clusterRows(...a){ const t=performance.now(); const d=(globalThis.DP??={})["clusterRows"]??=0; globalThis.DP.clusterRows++; try { return clusterRows__(...a); } finally { globalThis.DP.clusterRows--; if(globalThis.DP.clusterRows===0) (globalThis.PH??={})["clusterRows"]=((globalThis.PH??={})["clusterRows"]??0)+performance.now()-t; } }
function clusterRows__(items) {
  const given = /* @__PURE__ */ new Map();
  const soft = [];
  for (const item of items) {
    const key = isBySeller(item) ? item.belongs : compact(item.belongs);
    if (key === "") soft.push(item);
    else push(given, key, item);
  }
  const groups = /* @__PURE__ */ new Map();
  for (const item of soft) push(groups, keyOf2(item), item);
  const numbers = sizeNumbersOf([...groups.values()]);
  let looked = groups.keys();
  for (let round = 0; round < 3; round++) {
    const changed = /* @__PURE__ */ new Set();
    for (const key of [...looked]) {
      const some = groups.get(key);
      if (!some || !settleSpans(some, numbers)) continue;
      groups.delete(key);
      for (const item of some) {
        const next = keyOf2(item);
        changed.add(next);
        push(groups, next, item);
      }
    }
    if (changed.size === 0) break;
    looked = changed;
  }
  const clusters = [...groups.values()].map(clusterOf);
  const held = [...given.values()].map((some) => {
    settleSpans(some, numbers);
    const bond = isBySeller(some[0]) ? { by: "seller" } : { by: "parent", ref: some[0].belongs };
    return { ...clusterOf(some), isGiven: true, bonds: [bond] };
  });
  return [...held, ...clusters];
}
var clusterOf = (items) => ({
  items,
  brand: items[0].brandKey,
  words: stemWords(items[0]).map(({ text: text2 }) => text2),
  isGiven: false,
  bonds: []
});
function push(map, key, one) {
  const list = map.get(key);
  if (list) list.push(one);
  else map.set(key, [one]);
}
var keyOf2 = (item) => {
  const stem = stemKey(item);
  return `${item.brandKey}|${stem === "" ? `#${compact(item.style)}#${item.name === "" ? item.row : ""}` : stem}`;
};
function settleSpans(items, sizeNumbers) {
  if (items.every(({ spans }) => spans.length === 0)) return false;
  const before = items.reduce((sum, item) => sum + taken(item), 0);
  settleRoles(items);
  putBackNumbers(items, sizeNumbers);
  parseCompounds(items);
  putBackLeading(items);
  keepOneOfRole(items, "colour");
  keepOneOfRole(items, "material");
  keepOneOfRole(items, "pattern");
  keepOneOfRole(items, "size");
  putBackWhatGoodsAre(items);
  return items.reduce((sum, item) => sum + taken(item), 0) !== before;
}
var taken = ({ spans }) => spans.reduce((sum, one) => sum + one.to - one.from, 0);
function settleRoles(items) {
  if (items.every(({ spans }) => spans.every(({ roles }) => roles.length === 1))) return;
  const certain = /* @__PURE__ */ new Map();
  for (const { spans } of items)
    for (const { roles } of spans) if (roles.length === 1) certain.set(roles[0], (certain.get(roles[0]) ?? 0) + 1);
  for (const item of items) {
    if (item.spans.every(({ roles }) => roles.length === 1)) continue;
    const taken2 = new Set(item.spans.flatMap(({ roles }) => roles.length === 1 ? roles : []));
    item.spans = item.spans.map((span) => {
      if (span.roles.length === 1) return span;
      const free = span.roles.filter((role2) => !taken2.has(role2));
      const [role = span.roles.at(-1)] = free.toSorted((a, b) => (certain.get(b) ?? 0) - (certain.get(a) ?? 0));
      taken2.add(role);
      return { ...span, roles: [role] };
    });
  }
}
function putBackLeading(items) {
  const leads = (item, span) => span.isWeak && span.roles[0] === "colour" && span.from < (stemWords(item).at(-1)?.at ?? 0);
  const found = items.map((item) => item.spans.find((span) => leads(item, span)));
  if (!found[0] || found.some((span) => span?.key !== found[0].key)) return;
  items.forEach((item, at) => item.spans = item.spans.filter((span) => span !== found[at]));
}
var isBareNumber = (span) => span.isWeak && span.roles[0] === "size";
var NUMBERED2 = new Set("no nr number model mk vol type version v series level part style art item".split(" "));
function numbersIn(items) {
  const numbers = /* @__PURE__ */ new Set();
  let hasOther = false;
  for (const { spans } of items)
    for (const span of spans) {
      if (isBareNumber(span)) numbers.add(Number(span.key));
      else if (span.roles[0] === "size") hasOther = true;
    }
  return { numbers, hasOther };
}
function sizeNumbersOf(groups) {
  return new Set(
    groups.flatMap((items) => {
      const { numbers, hasOther } = numbersIn(items);
      return !hasOther && areSizeNumbers([...numbers]) ? [...numbers] : [];
    })
  );
}
function putBackNumbers(items, sizeNumbers) {
  const { numbers, hasOther } = numbersIn(items);
  if (numbers.size === 0) return;
  const [only] = numbers;
  const areSizes2 = !hasOther && (areSizeNumbers([...numbers]) || numbers.size === 1 && sizeNumbers.has(only));
  for (const item of items)
    item.spans = item.spans.filter(
      (span) => !isBareNumber(span) || areSizes2 && !NUMBERED2.has(item.tokens[span.from - 1]?.text ?? "")
    );
}
function areSizeNumbers(numbers) {
  if (numbers.length < 2) return false;
  const all = (test) => numbers.every(test);
  return all((one) => one >= 14 && one <= 62) || numbers.length > 2 && all((one) => one <= 24) || all((one) => one >= 4 && one <= 24 && one % 2 === 0) || all((one) => one >= 44 && one <= 188 && [2, 8].includes(one % 6) && one % 2 === 0) || all((one) => one >= 60 && one <= 130 && one % 5 === 0);
}
function parseCompounds(items) {
  if (items.every(({ spans }) => spans.every((span) => span.to - span.from < 2))) return;
  const rests = { first: /* @__PURE__ */ new Map(), last: /* @__PURE__ */ new Map() };
  const parts = (item, span) => item.tokens.slice(span.from, span.to).filter((token) => token.kind === "word");
  const isCompound = (item, span) => span.roles[0] === "colour" && parts(item, span).length > 1;
  for (const item of items)
    for (const span of item.spans) {
      if (!isCompound(item, span)) continue;
      const words3 = parts(item, span).map((token) => token.text);
      const [first] = words3;
      const last = words3.at(-1);
      if (colourWord(first) === "thing" && !isBeforeColour(first) && colourWord(words3[1]))
        add(rests.first, first, words3.slice(1).join(""));
      if (colourWord(last) === "thing" && colourWord(words3.at(-2))) add(rests.last, last, words3.slice(0, -1).join(""));
    }
  const isName = (map, word) => (map.get(word)?.size ?? 0) > 1;
  if (rests.first.size + rests.last.size === 0) return;
  for (const item of items)
    item.spans = item.spans.map((span) => {
      if (!isCompound(item, span)) return span;
      const words3 = parts(item, span);
      if (isName(rests.first, words3[0].text)) return cutTo(item, span, item.tokens.indexOf(words3[1]), span.to);
      if (isName(rests.last, words3.at(-1).text))
        return cutTo(item, span, span.from, item.tokens.indexOf(words3.at(-1)));
      return span;
    });
}
function add(map, key, one) {
  const set2 = map.get(key);
  if (set2) set2.add(one);
  else map.set(key, /* @__PURE__ */ new Set([one]));
}
function cutTo(item, span, from, to) {
  const words3 = item.tokens.slice(from, to).filter((token) => token.kind !== "sign");
  return { ...span, from, to, key: words3.map((token) => token.text).join(""), label: void 0 };
}
function keepOneOfRole(items, role) {
  const ofRole = (item) => item.spans.filter((span) => span.roles[0] === role);
  if (items.every(({ spans }) => spans.length < 2)) return;
  const several = items.filter((item) => ofRole(item).length > 1);
  if (several.length === 0) return;
  const firsts = new Set(several.map((item) => ofRole(item)[0].key));
  const lasts = new Set(several.map((item) => ofRole(item).at(-1).key));
  for (const item of several) {
    const spans = ofRole(item);
    const sure = spans.filter((span) => !span.isWeak);
    const kept = sure.length === 1 && spans.length > 1 && role === "colour" && firsts.size === lasts.size ? sure[0] : firsts.size > lasts.size ? spans[0] : spans.at(-1);
    item.spans = item.spans.filter((span) => span === kept || span.roles[0] !== role);
  }
}
function putBackWhatGoodsAre(items) {
  for (const role of ["material", "pattern", "colour"]) {
    const mayBe = (span) => span.roles[0] === role && (role !== "colour" || span.isWeak);
    if (!items.some(({ spans }) => spans.some(mayBe))) continue;
    const found = items.flatMap((item) => item.spans.filter(mayBe).map((span) => ({ item, span })));
    if (found.length === 0 || new Set(found.map(({ span }) => span.key)).size < 2) continue;
    if (role === "colour" && items.some((item) => item.spans.some((span) => span.roles[0] === "colour" && !span.isWeak)))
      continue;
    for (const { item, span } of found)
      if (isPartOfName(item, span)) item.spans = item.spans.filter((one) => one !== span);
  }
}
function isPartOfName(item, span) {
  const words3 = stemWords(item);
  const [first, last] = [words3[0]?.at ?? 0, words3.at(-1)?.at ?? 0];
  if (words3.length === 0 || span.from > last) return false;
  if (item.tokens[span.to]?.kind === "sign" && !item.tokens[span.to].glued) return false;
  const others = item.spans.filter((one) => one !== span);
  const stands = span.to <= first ? "before" : "inside";
  const beside = others.some((one) => one.to === span.from || one.from === span.to);
  if (words3.length === 1 && stands === "before") return span.roles[0] !== "colour" || others.length === 0 || !beside;
  return span.roles[0] === "material" && others.length > 0 && !beside;
}

// core/src/intake/families/codeHeads.ts
var partsOf2 = (sku) => sku.toUpperCase().split(/[^\p{L}\p{N}]+/u).filter(Boolean);
function openCodeHeads(...a){ const t=performance.now(); const d=(globalThis.DP??={})["openCodeHeads"]??=0; globalThis.DP.openCodeHeads++; try { return openCodeHeads__(...a); } finally { globalThis.DP.openCodeHeads--; if(globalThis.DP.openCodeHeads===0) (globalThis.PH??={})["openCodeHeads"]=((globalThis.PH??={})["openCodeHeads"]??0)+performance.now()-t; } }
function openCodeHeads__(groups) {
  const depths = /* @__PURE__ */ new Map();
  for (const group of groups) {
    if (group.length < 3) continue;
    const skus = group.map((item) => partsOf2(item.ownCode));
    if (skus.some((parts) => parts.length < 2)) continue;
    const first = skus[0];
    if (skus.some((parts) => parts.length !== first.length)) continue;
    let depth = 0;
    while (depth < first.length && skus.every((parts) => parts[depth] === first[depth])) depth += 1;
    if (depth === 0 || depth === first.length) continue;
    const key = `${first.length}/${depth}`;
    depths.set(key, (depths.get(key) ?? 0) + group.length);
  }
  const best2 = /* @__PURE__ */ new Map();
  for (const [key, count] of depths) {
    const [length, depth] = key.split("/").map(Number);
    const before = best2.get(length);
    if (!before || count > before.count * 3 || depth < before.depth && count * 3 > before.count)
      best2.set(length, { depth, count });
  }
  return {
    headOf(item) {
      const parts = partsOf2(item.ownCode);
      return parts.slice(0, best2.get(parts.length)?.depth ?? 0).join("-");
    }
  };
}
function isCodeOf(code, words3) {
  const letters = words3.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
  const wanted = code.toLowerCase();
  if (wanted === "" || wanted[0] !== letters[0]) return false;
  let at = 0;
  for (const letter of wanted) {
    at = letters.indexOf(letter, at) + 1;
    if (at === 0) return false;
  }
  return true;
}

// core/src/intake/families/kinEvidence.ts
var rolesIn = (cluster) => {
  const roles = /* @__PURE__ */ new Map();
  for (const item of cluster.items) {
    for (const { role, text: text2 } of item.given) put(roles, role, compact(text2));
    for (const span of item.spans) put(roles, span.roles[0], span.key);
    for (const { value } of item.across) put(roles, value.role, compact(value.text));
  }
  return roles;
};
function put(map, key, one) {
  const set2 = map.get(key);
  if (set2) set2.add(one);
  else map.set(key, /* @__PURE__ */ new Set([one]));
}
function roleMissing(base, other) {
  const has = rolesIn(other);
  const missing = [...rolesIn(base).keys()].filter((role) => !has.has(role));
  return missing.length === 1 ? missing[0] : null;
}
function fitsInto(base, kin, heads) {
  if (base === kin.cluster) return false;
  const evidence = codesSay([base, kin.cluster], heads, [kin]);
  if (evidence === "against" || !pricesAgree(base, kin.cluster)) return false;
  const roles = rolesIn(kin.cluster);
  const baseRoles = rolesIn(base);
  const extended = extendsColour(kin);
  if (extended && sameSet(roles, baseRoles)) return evidence === "for" || !clashes(base, kin.cluster);
  const missing = roleMissing(base, kin.cluster);
  if (!missing || [...roles.keys()].some((role) => !baseRoles.has(role))) return false;
  if (!["colour", "pattern", "material", "other", "model"].includes(missing)) return false;
  const isBare = roles.size === 0;
  return evidence === "for" || standsAsOption(kin) && (!isBare || isSetApart(kin) || isPricedAlike(base, kin));
}
var sameSet = (a, b) => a.size === b.size && [...a.keys()].every((key) => b.has(key));
function extendsColour({ cluster, filler, at }) {
  const keys = /* @__PURE__ */ new Set();
  for (const item of cluster.items) {
    const words3 = stemWords(item);
    const last = words3[at + filler.length - 1];
    const span = last && item.spans.find((one) => one.from === last.at + 1 && one.roles[0] === "colour");
    if (!span) return false;
    keys.add(span.key);
  }
  return keys.size === 1;
}
function standsAsOption({ cluster, filler, at }) {
  const isEdge = at + filler.length === cluster.words.length;
  return isEdge || cluster.items.every((item) => isBesideSpan(item, at, filler.length));
}
function isBesideSpan(item, at, length) {
  const words3 = stemWords(item);
  const first = words3[at];
  const last = words3[at + length - 1];
  if (!first || !last) return false;
  return item.spans.some((span) => span.to === first.at || span.from === last.at + 1);
}
function isSetApart({ cluster, filler, at }) {
  return cluster.items.every((item) => {
    const words3 = stemWords(item);
    const first = words3[at];
    const last = words3[at + filler.length - 1];
    if (!first || !last) return false;
    const before = item.tokens[first.at - 1];
    return before?.kind === "sign" && !(before.text === "-" && before.glued && item.tokens[first.at].glued);
  });
}
function isPricedAlike(base, { cluster, at }) {
  const price = middlePrice(base);
  return price !== null && price === middlePrice(cluster) && cluster.words.slice(0, at).some(isGoods);
}
function clashes(a, b) {
  const crossings = new Set(a.items.map(crossingOf));
  return b.items.some((item) => crossings.has(crossingOf(item)));
}
var crossingOf = (item) => [
  ...item.given.map(({ axis, text: text2 }) => `${axis}=${compact(text2)}`),
  ...item.spans.map((span) => `${span.roles[0]}=${span.key}`)
].sort().join("|");
function codesSay(clusters, heads, kins) {
  const styles = new Set(clusters.flatMap(({ items }) => items.map((item) => compact(item.style))));
  if (!styles.has("")) {
    if (styles.size === 1) return "for";
    if (!kins.some(({ filler, cluster }) => cluster.items.some((item) => endsInCode(item.style, filler))))
      return "against";
  }
  const found = new Set(clusters.flatMap(({ items }) => items.map((item) => heads.headOf(item))));
  if (found.has("")) return "none";
  if (found.size === 1) return "for";
  const areCodes = kins.every(
    ({ filler, cluster }) => cluster.items.every((item) => endsInCode(heads.headOf(item), filler))
  );
  return areCodes ? "for" : "against";
}
var endsInCode = (code, filler) => {
  const last = code.split(/[^\p{L}\p{N}]+/u).at(-1) ?? "";
  return last.length > 1 && isCodeOf(last, filler.join(" "));
};
var FARTHEST = 1.9;
function pricesAgree(a, b) {
  const [one, other] = [middlePrice(a), middlePrice(b)];
  return one === null || other === null || Math.max(one, other) / Math.min(one, other) <= FARTHEST;
}
function middlePrice({ items }) {
  const prices = items.flatMap(({ price }) => price && price > 0 ? [price] : []).sort((x, y) => x - y);
  return prices[Math.floor(prices.length / 2)] ?? null;
}
function partedByCodes(kins, heads) {
  const parts = /* @__PURE__ */ new Map();
  for (const kin of kins) {
    const item = kin.cluster.items[0];
    const style = compact(item.style);
    const code = style !== "" ? style : heads.headOf(item);
    const bare = endsInCode(style !== "" ? item.style : code, kin.filler) ? (style !== "" ? item.style : code).replace(/[^\p{L}\p{N}]*[\p{L}\p{N}]+$/u, "") : code;
    push(parts, compact(bare), kin);
  }
  return [...parts.values()];
}
function areSiblings(kins, heads) {
  const clusters = kins.map(({ cluster }) => cluster);
  const evidence = codesSay(clusters, heads, kins);
  if (evidence === "against") return false;
  if (!clusters.every((cluster) => pricesAgree(clusters[0], cluster))) return false;
  if (evidence === "for") return true;
  if (rolesIn(clusters[0]).has("colour")) return false;
  const isTail = kins.every(
    ({ cluster, filler, at }) => at + filler.length === cluster.words.length && cluster.words.slice(0, at).some(isGoods)
  );
  if (kins.every(isSetApart)) return true;
  if (!isTail) return false;
  const sets = clusters.map((cluster) => new Set(cluster.items.map(crossingOf)));
  const isWoven = clusters.every(({ items }) => items.length > 1) && sets.every((set2) => overlap(set2, sets[0]) >= 0.5);
  return isWoven;
}
function overlap(a, b) {
  const shared = [...a].filter((one) => b.has(one)).length;
  return shared / Math.min(a.size, b.size);
}

// core/src/intake/families/kin.ts
var LONGEST_FILLER = 3;
function joinKin(...a){ const t=performance.now(); const d=(globalThis.DP??={})["joinKin"]??=0; globalThis.DP.joinKin++; try { return joinKin__(...a); } finally { globalThis.DP.joinKin--; if(globalThis.DP.joinKin===0) (globalThis.PH??={})["joinKin"]=((globalThis.PH??={})["joinKin"]??0)+performance.now()-t; } }
function joinKin__(clusters, heads) {
  const joined2 = /* @__PURE__ */ new Map();
  const doubts = /* @__PURE__ */ new Map();
  const find = (cluster) => {
    const to = joined2.get(cluster);
    return to ? find(to) : cluster;
  };
  const join = (into, from) => {
    const [a, b] = [find(into), find(from)];
    if (a === b) return;
    a.items.push(...b.items);
    a.bonds = [...a.bonds, ...b.bonds.filter((bond) => !a.bonds.some((one) => one.by === bond.by))];
    joined2.set(b, a);
  };
  const soft = clusters.filter(
    ({ isGiven, items }) => !isGiven && !items.every(({ given, spans }) => given.length > 0 && spans.length === 0)
  );
  const settled = /* @__PURE__ */ new Set();
  const groups = [...gapGroups(soft).values()].sort((a, b) => b.length - a.length);
  for (const group of groups) {
    const whole = group.filter(({ filler }) => filler.length === 0);
    const more = group.filter(({ cluster, filler }) => filler.length > 0 && !settled.has(cluster));
    for (const kin of more) {
      const base = whole.find(({ cluster }) => fitsInto(cluster, kin, heads));
      if (base && find(base.cluster) !== find(kin.cluster)) {
        const role = roleMissing(base.cluster, kin.cluster) ?? "colour";
        makeSpans(kin, role);
        settled.add(kin.cluster);
        note(doubts, kin);
        join(base.cluster, kin.cluster);
      }
    }
    const left = more.filter(({ cluster }) => !joined2.has(cluster) && !settled.has(cluster));
    for (const family of siblings(left, heads, find)) {
      const role = rolesIn(family[0].cluster).has("colour") ? "other" : "colour";
      for (const kin of family) {
        makeSpans(kin, role);
        settled.add(kin.cluster);
        note(doubts, kin);
      }
      for (const kin of family.slice(1)) join(family[0].cluster, kin.cluster);
    }
  }
  for (const [cluster, some] of [...doubts]) {
    const to = find(cluster);
    if (to === cluster) continue;
    doubts.set(to, [...doubts.get(to) ?? [], ...some]);
    doubts.delete(cluster);
  }
  return { clusters: clusters.filter((cluster) => !joined2.has(cluster)), doubts };
}
function note(doubts, { cluster, filler }) {
  const rows = cluster.items.map(({ row }) => ({
    row,
    code: "unknownWord",
    text: writtenIn(cluster.items[0], filler)
  }));
  doubts.set(cluster, [...doubts.get(cluster) ?? [], ...rows]);
}
function writtenIn({ name, tokens }, words3) {
  const first = tokens.findIndex((_, at) => words3.every((word, place) => tokens[at + place]?.text === word));
  return first < 0 ? words3.join(" ") : name.slice(tokens[first].from, tokens[first + words3.length - 1].to);
}
function gapGroups(clusters) {
  const groups = /* @__PURE__ */ new Map();
  for (const cluster of clusters) {
    const { words: words3, brand } = cluster;
    push(groups, `${brand}|${words3.join(" ")}`, { cluster, filler: [], at: words3.length });
    const changes = words3.map(changesGoods);
    for (let length = 1; length <= Math.min(LONGEST_FILLER, words3.length - 1); length++)
      for (let at = 0; at + length <= words3.length; at++) {
        if (changes.slice(at, at + length).includes(true)) continue;
        const rest = [...words3.slice(0, at), ...words3.slice(at + length)];
        push(groups, `${brand}|${rest.join(" ")}`, { cluster, filler: words3.slice(at, at + length), at });
      }
  }
  for (const [key, group] of groups) if (group.length < 2) groups.delete(key);
  return groups;
}
function siblings(more, heads, find) {
  const byPlace = /* @__PURE__ */ new Map();
  for (const kin of more) push(byPlace, `${kin.at} ${[...rolesIn(kin.cluster).keys()].sort().join(",")}`, kin);
  return [...byPlace.values()].flatMap((kins) => {
    const distinct = [...new Map(kins.map((kin) => [find(kin.cluster), kin])).values()];
    if (distinct.length < 2) return [];
    const [first] = distinct;
    const saysGoods = first.cluster.words.some((word) => isGoods(word)) || first.cluster.words.length - first.filler.length > 1;
    if (!saysGoods) return [];
    return partedByCodes(distinct, heads).filter((family) => family.length > 1 && areSiblings(family, heads));
  });
}
function makeSpans({ cluster, filler, at }, role) {
  for (const item of cluster.items) {
    const words3 = stemWords(item);
    const first = words3[at];
    const last = words3[at + filler.length - 1];
    if (!first || !last) continue;
    const colour = item.spans.find((span2) => span2.from === last.at + 1 && span2.roles[0] === "colour");
    if (colour) {
      item.spans = item.spans.map(
        (span2) => span2 === colour ? { ...span2, from: first.at, key: filler.join("") + span2.key, label: void 0, isWeak: false } : span2
      );
      continue;
    }
    const known2 = item.read.find((span2) => span2.from === first.at && span2.to === last.at + 1);
    const span = known2 ?? { from: first.at, to: last.at + 1, roles: [role], key: filler.join(""), isWeak: false };
    item.spans = [...item.spans, span].sort((a, b) => a.from - b.from);
  }
}
var isBeside = (item) => stemWords(item).some(({ text: text2 }) => isBesideGoods(text2));

// core/src/intake/families/values.ts
function openValues(registry2, options) {
  const known2 = /* @__PURE__ */ new Map();
  return (role, text2) => {
    const id = `${role}|${text2}`;
    let said2 = known2.get(id);
    if (!said2) known2.set(id, said2 = read(registry2, options, role, text2));
    return said2;
  };
}
function read(registry2, options, role, text2) {
  const clean = text2.replace(/\s+/g, " ").trim().replace(ANNOUNCED, "");
  const word = registry2.word(role, clean);
  const whole = options.whole(tokensOf(clean));
  const isSize = role !== "colour" && whole !== null && MEASURED.has(whole.roles[0]);
  if (isSize) return { key: whole.key, text: clean, label: word?.label ?? whole.label };
  if (role === "size" && ONE_SIZE.test(clean)) return { key: "one", text: clean, label: word?.label };
  if (word) return { key: compact(word.label), text: clean, label: word.label };
  if (whole?.roles.includes(role)) return { key: whole.key, text: clean, label: whole.label };
  return { key: compact(clean) || foldLabel(clean), text: clean, label: void 0 };
}
var ONE_SIZE = /^(?:unique|unica|única|unico|único|uni|universal|tu|os|one)$/i;
var MEASURED = /* @__PURE__ */ new Set(["size", "length", "volume", "pack"]);
var ANNOUNCED = /^(?:size|gr\.?|größe|taille|talla|taglia|maat)\s*[:.]?\s+(?=\S)/i;
function labelsOf(...a){ const t=performance.now(); const d=(globalThis.DP??={})["labelsOf"]??=0; globalThis.DP.labelsOf++; try { return labelsOf__(...a); } finally { globalThis.DP.labelsOf--; if(globalThis.DP.labelsOf===0) (globalThis.PH??={})["labelsOf"]=((globalThis.PH??={})["labelsOf"]??0)+performance.now()-t; } }
function labelsOf__(role, said2) {
  const spellings = /* @__PURE__ */ new Map();
  const tradeLabels = /* @__PURE__ */ new Map();
  for (const [{ key, text: text2, label }, times] of tally(said2)) {
    const counts = spellings.get(key) ?? /* @__PURE__ */ new Map();
    counts.set(text2, (counts.get(text2) ?? 0) + times);
    spellings.set(key, counts);
    if (label !== void 0) tradeLabels.set(key, label);
  }
  const isLettered = [...tradeLabels].some(([key, label]) => spellings.get(key).has(label)) || role !== "size";
  const labels = /* @__PURE__ */ new Map();
  const used = /* @__PURE__ */ new Set();
  for (const [key, counts] of spellings) {
    const trade = tradeLabels.get(key);
    const wanted = trade !== void 0 && isLettered ? trade : best(counts);
    const label = used.has(foldLabel(wanted)) ? best(counts) : wanted;
    used.add(foldLabel(label));
    labels.set(key, label);
  }
  return inOrder(role, labels);
}
function tally(said2) {
  const times = /* @__PURE__ */ new Map();
  for (const one of said2) times.set(one, (times.get(one) ?? 0) + 1);
  return times;
}
function best(counts) {
  if (counts.size === 1) return counts.keys().next().value;
  const rank = (text2) => new RegExp("^\\p{Lu}(?!.*\\p{Lu}{2})", "u").test(text2) ? 2 : new RegExp("\\p{Lu}", "u").test(text2) ? 1 : 0;
  return [...counts].sort(([a, one], [b, other]) => other - one || rank(b) - rank(a) || a.localeCompare(b))[0][0];
}
function inOrder(role, labels) {
  if (role === "colour" || role === "pattern" || role === "material") return labels;
  const all = [...labels.values()];
  if (!areSizes(all)) return labels;
  const keyOf3 = new Map([...labels].map(([key, label]) => [label, key]));
  return new Map(sortSizes(all).map((label) => [keyOf3.get(label), label]));
}

// core/src/intake/families/weaves.ts
function weaveRows(...a){ const t=performance.now(); const d=(globalThis.DP??={})["weaveRows"]??=0; globalThis.DP.weaveRows++; try { return weaveRows__(...a); } finally { globalThis.DP.weaveRows--; if(globalThis.DP.weaveRows===0) (globalThis.PH??={})["weaveRows"]=((globalThis.PH??={})["weaveRows"]??0)+performance.now()-t; } }
function weaveRows__(items, read2) {
  const axes = /* @__PURE__ */ new Map();
  const roleOf3 = settledRoles(items);
  const strands = items.flatMap((item) => {
    const at = /* @__PURE__ */ new Map();
    for (const { axis, role, label, text: text2 } of item.given) {
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true });
      at.set(axis, read2(role, text2));
    }
    for (const span of item.spans) {
      const role = roleOf3(span);
      if (at.has(role)) continue;
      if (!axes.has(role)) axes.set(role, { key: role, role, label: ROLE_LABELS[role], isGiven: false });
      at.set(role, { key: span.key, text: textOf(item, span), label: span.label });
    }
    const places = crossingsListed(item, at, read2);
    if (item.across.length === 0) return places.map((place) => ({ item, across: null, at: place }));
    return item.across.flatMap((across) => {
      const { axis, role, label, text: text2 } = across.value;
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true });
      return places.map((place) => ({ item, across, at: new Map(place).set(axis, read2(role, text2)) }));
    });
  });
  return { axes: inOrder2([...axes.values()]), strands };
}
var crossingsListed = ({ given }, at, read2) => given.reduce(
  (places, { axis, role, listed: listed2 }) => listed2 ? places.flatMap((place) => listed2.map((text2) => new Map(place).set(axis, read2(role, text2)))) : places,
  [at]
);
var inOrder2 = (axes) => [
  ...axes.filter((axis) => axis.isGiven),
  ...axes.filter((axis) => !axis.isGiven)
];
function textOf({ name, tokens }, span) {
  let first = span.from;
  if (BEFORE_SIZES.has(tokens[first].text)) first += 1;
  while (first > span.from && tokens[first]?.kind === "sign") first += 1;
  return name.slice(tokens[Math.min(first, span.to - 1)].from, tokens[span.to - 1].to);
}
function settledRoles(items) {
  if (items.every(({ spans }) => spans.every(({ roles }) => roles.length === 1))) return ({ roles }) => roles[0];
  const counts = /* @__PURE__ */ new Map();
  for (const { spans } of items)
    for (const span of spans)
      for (const role of span.roles) {
        const keys = counts.get(role) ?? /* @__PURE__ */ new Set();
        counts.set(role, keys.add(span.key));
      }
  const certain = new Set(
    items.flatMap(({ spans }) => spans.filter(({ roles }) => roles.length === 1).map(({ roles }) => roles[0]))
  );
  return ({ roles }) => {
    if (roles.length === 1) return roles[0];
    const ranked = roles.toSorted((a, b) => counts.get(b).size - counts.get(a).size);
    return roles.every((role) => !certain.has(role)) ? roles[0] : ranked[0];
  };
}
function crossingOf2(strand, axes) {
  let crossing = "";
  for (const { key } of axes) crossing += `${strand.at.get(key)?.key ?? ""}|`;
  return crossing;
}
function areApart(...a){ const t=performance.now(); const d=(globalThis.DP??={})["areApart"]??=0; globalThis.DP.areApart++; try { return areApart__(...a); } finally { globalThis.DP.areApart--; if(globalThis.DP.areApart===0) (globalThis.PH??={})["areApart"]=((globalThis.PH??={})["areApart"]??0)+performance.now()-t; } }
function areApart__(strands, axes) {
  const crossings = /* @__PURE__ */ new Set();
  for (const strand of strands) crossings.add(crossingOf2(strand, axes));
  return crossings.size === strands.length;
}
function axesThatDiffer(...a){ const t=performance.now(); const d=(globalThis.DP??={})["axesThatDiffer"]??=0; globalThis.DP.axesThatDiffer++; try { return axesThatDiffer__(...a); } finally { globalThis.DP.axesThatDiffer--; if(globalThis.DP.axesThatDiffer===0) (globalThis.PH??={})["axesThatDiffer"]=((globalThis.PH??={})["axesThatDiffer"]??0)+performance.now()-t; } }
function axesThatDiffer__({ axes, strands }, isUsual) {
  const differing = axes.filter(({ key, role, isGiven }) => {
    const values = /* @__PURE__ */ new Set();
    for (const { at } of strands) {
      values.add(at.get(key)?.key ?? "");
      if (values.size > 1) return true;
    }
    const [only] = values;
    const isAskedFor = (role === "colour" || role === "size") && only !== "" && only !== "one";
    return isAskedFor && (isGiven || isUsual(role));
  });
  return differing.filter(
    (axis) => !isMinor(axis) || !differing.some((other) => other !== axis && !isMinor(other) && isSaidBy(strands, axis, other))
  );
}
var isMinor = ({ role, isGiven }) => isGiven && (role === "other" || role === "material");
function isSaidBy(strands, axis, other) {
  const said2 = /* @__PURE__ */ new Map();
  for (const { at } of strands) {
    const value = at.get(axis.key)?.key ?? "";
    const by = at.get(other.key)?.key ?? "";
    if (said2.has(by) && said2.get(by) !== value) return false;
    said2.set(by, value);
  }
  return said2.size > 1;
}
function axisMore({ strands }, axes, columns) {
  const byCrossing = /* @__PURE__ */ new Map();
  for (const strand of strands) {
    const key = crossingOf2(strand, axes);
    const some = byCrossing.get(key);
    if (some) some.push(strand);
    else byCrossing.set(key, [strand]);
  }
  const alike = [...byCrossing.values()].filter((some) => some.length > 1);
  if (alike.length === 0) return null;
  const rest = restOfNames(strands);
  const tries = [
    { axis: wordAxis(axes), textOf: (strand) => rest.get(strand) },
    ...columns.map(({ at, header }) => ({
      axis: { key: `column ${at}`, role: "other", label: header.slice(0, 40), isGiven: true },
      textOf: ({ item }) => (item.cells[at] ?? "").trim()
    }))
  ];
  for (const { axis, textOf: text2 } of tries) {
    const tells = alike.every((some) => {
      const texts = some.map(text2);
      return texts.every((one) => one !== "" && one.length <= 60) && new Set(texts.map(compact)).size === texts.length;
    });
    const isFew = new Set(strands.map((strand) => compact(text2(strand)))).size <= Math.max(2, strands.length / 2);
    if (!tells || !(isFew || strands.length < 8)) continue;
    for (const strand of strands) {
      const said2 = text2(strand);
      if (said2 !== "") strand.at.set(axis.key, { key: compact(said2), text: said2, label: void 0 });
    }
    return axis;
  }
  return null;
}
var wordAxis = (axes) => {
  const role = axes.some((axis) => axis.role === "colour") ? "other" : "colour";
  return { key: `words ${role}`, role, label: ROLE_LABELS[role], isGiven: false };
};
function restOfNames(strands) {
  const counts = /* @__PURE__ */ new Map();
  const words3 = new Map(strands.map((strand) => [strand, stemWords(strand.item)]));
  for (const own of words3.values())
    for (const text2 of new Set(own.map((word) => word.text))) counts.set(text2, (counts.get(text2) ?? 0) + 1);
  return new Map(
    [...words3].map(([strand, own]) => {
      const rest = own.filter(({ text: text2 }) => counts.get(text2) < strands.length);
      const { name, tokens } = strand.item;
      return [strand, rest.map(({ at }) => name.slice(tokens[at].from, tokens[at].to)).join(" ")];
    })
  );
}

// core/src/intake/families/codeAxes.ts
var COLOUR_CODES = {
  ...{
    BLK: "Black",
    BK: "Black",
    WHT: "White",
    WH: "White",
    NVY: "Navy",
    NAV: "Navy",
    GRY: "Grey",
    GRE: "Grey",
    RED: "Red",
    BLU: "Blue",
    GRN: "Green"
  },
  ...{
    YEL: "Yellow",
    ORG: "Orange",
    ORA: "Orange",
    BRN: "Brown",
    BRO: "Brown",
    BGE: "Beige",
    BEI: "Beige",
    PNK: "Pink",
    PUR: "Purple",
    TAN: "Tan",
    OLV: "Olive",
    OLI: "Olive"
  },
  ...{
    KHA: "Khaki",
    CHR: "Charcoal",
    CHA: "Charcoal",
    RST: "Rust",
    RUS: "Rust",
    BUR: "Burgundy",
    CRM: "Cream",
    TEL: "Teal",
    TEA: "Teal",
    IVO: "Ivory",
    MUS: "Mustard",
    SND: "Sand",
    SAN: "Sand"
  }
};
var partsOf3 = (sku) => sku.toUpperCase().split(/[^\p{L}\p{N}]+/u).filter(Boolean);
function axesOfCodes(strands, axes) {
  const crossings = new Set(strands.map((strand) => crossingOf2(strand, axes)));
  if (crossings.size === strands.length || strands.length < 2) return [];
  const skus = strands.map(({ item }) => partsOf3(item.ownCode));
  const length = skus[0].length;
  if (length < 2 || skus.some((parts) => parts.length !== length)) return [];
  const varying = Array.from({ length }, (_, at) => at).filter(
    (at) => new Set(skus.map((parts) => parts[at])).size > 1
  );
  if (varying.length === 0 || varying.length > 3 || varying.every((at) => skus.every((parts) => /^\d{3,}$/.test(parts[at]))))
    return [];
  const made = [];
  for (const at of varying) {
    const codes = [...new Set(skus.map((parts) => parts[at]))];
    const role = roleOf(codes, [...axes, ...made]);
    const axis = { key: `code ${at}`, role, label: ROLE_LABELS[role], isGiven: false };
    strands.forEach((strand, place) => {
      const code = skus[place][at];
      const text2 = role === "colour" ? COLOUR_CODES[code] ?? code : code;
      const size = role === "size" ? readSize(tokensOf(code), 0) : null;
      strand.at.set(axis.key, { key: size?.key ?? text2.toLowerCase(), text: text2, label: size?.label });
    });
    made.push(axis);
  }
  return made;
}
function roleOf(codes, axes) {
  const free = (role) => !axes.some((axis) => axis.role === role);
  const areSizes2 = codes.every((code) => readSize(tokensOf(code), 0)?.to === tokensOf(code).length);
  if (areSizes2 && free("size")) return "size";
  return free("colour") && codes.every((code) => new RegExp("^\\p{L}{2,4}$", "u").test(code)) ? "colour" : "other";
}

// core/src/intake/families/buildFamilies.ts
function buildFamilies(...a){ const t=performance.now(); const d=(globalThis.DP??={})["buildFamilies"]??=0; globalThis.DP.buildFamilies++; try { return buildFamilies__(...a); } finally { globalThis.DP.buildFamilies--; if(globalThis.DP.buildFamilies===0) (globalThis.PH??={})["buildFamilies"]=((globalThis.PH??={})["buildFamilies"]??0)+performance.now()-t; } }
function buildFamilies__(cluster, around2, into) {
  const woven = weaveRows(cluster.items, around2.read);
  const axes = axesThatDiffer(woven, (role) => around2.isUsual(cluster.items, role));
  const isSaid2 = cluster.bonds.some(({ by }) => by === "seller");
  const parts = isSaid2 ? [woven.strands] : partedBySignature(woven.strands, axes, cluster.isGiven);
  if (parts.length > 1) {
    const [main, ...others] = parts.sort((a, b) => b.length - a.length);
    for (const part of others) {
      if (part.every((strand) => isParentRow(strand.item, main))) {
        around2.parents.push(...part.map(({ item }) => ({ row: item.row, name: item.name })));
        continue;
      }
      buildFamilies(
        { ...clusterOf(itemsOf(part)), bonds: cluster.bonds },
        { ...around2, parents: [], doubts: [] },
        into
      );
      for (const row of new Set(part.map(({ item }) => item.row)))
        around2.doubts.push({ row, code: "looksAlike", text: axes.map(({ label }) => label).join(", ") });
    }
    return buildFamilies({ ...cluster, items: itemsOf(main) }, around2, into);
  }
  if (woven.strands.length < 2) return single(cluster.items, around2, into.singles);
  finish(cluster, woven.strands, axes, around2, into);
}
var itemsOf = (strands) => [...new Set(strands.map(({ item }) => item))];
function single(items, { parents }, singles) {
  const [first] = items;
  const rows = [...new Set([...items, ...parents].map(({ row }) => row))];
  singles.push({ rows, name: first.name || first.style || first.ownCode, brand: first.brand });
}
function partedBySignature(strands, axes, isGiven) {
  const parts = /* @__PURE__ */ new Map();
  for (const strand of strands) {
    const has = axes.filter(({ key }) => strand.at.has(key)).map(({ key }) => key);
    const isApart = !isGiven || has.length === 0 && axes.length > 0 && (isBeside(strand.item) || isEmptyOf(strand.item));
    push(parts, isApart ? has.join("|") : "together", strand);
  }
  if (isGiven && parts.size > 1) {
    const together = [...parts].filter(([key]) => key === "together").flatMap(([, some]) => some);
    if (together.length === 0) return [...parts.values()];
  }
  return [...parts.values()];
}
var isEmptyOf = ({ given, spans, across }) => given.length + spans.length + across.length === 0;
function isParentRow(item, main) {
  if (!isEmptyOf(item) || isBeside(item) || main.length < 2) return false;
  const begins = item.ownCode !== "" && main.every((strand) => strand.item.ownCode.toUpperCase().startsWith(item.ownCode.toUpperCase()));
  const hasNone = item.ownCode === "" && main.every((strand) => strand.item.ownCode !== "");
  const isSum = item.ownCode === "" && main.every(({ across, item: other }) => across !== null && other.name === item.name);
  return begins || hasNone || isSum;
}
function finish(cluster, strands, differing, around2, into) {
  const axes = [...differing];
  while (axes.length < 6 && !areApart(strands, axes)) {
    const more = axisMore({ axes, strands }, axes, around2.spare);
    if (!more) break;
    axes.push(more);
  }
  if (!areApart(strands, axes)) axes.push(...axesOfCodes(strands, axes));
  const children = childrenOf(strands, axes, into.problems);
  if (children.length < 2) return single(cluster.items, around2, into.singles);
  into.families.push(familyOf(cluster, strands, axes, children, around2));
}
function childrenOf(...a){ const t=performance.now(); const d=(globalThis.DP??={})["childrenOf"]??=0; globalThis.DP.childrenOf++; try { return childrenOf__(...a); } finally { globalThis.DP.childrenOf--; if(globalThis.DP.childrenOf===0) (globalThis.PH??={})["childrenOf"]=((globalThis.PH??={})["childrenOf"]??0)+performance.now()-t; } }
function childrenOf__(strands, axes, problems) {
  const children = /* @__PURE__ */ new Map();
  for (const strand of strands) {
    const key = crossingOf2(strand, axes);
    const before = children.get(key);
    if (!before) {
      children.set(key, { strand, rows: [strand.item.row] });
      continue;
    }
    const { row } = strand.item;
    if (before.rows.includes(row)) continue;
    before.rows.push(row);
    if (!isSameRow(before.strand.item, strand.item))
      problems.push({ row, code: "child.twice", text: String(before.rows[0]) });
  }
  return [...children.values()];
}
var isSameRow = (a, b) => {
  const known2 = (item) => compact(item.ownCode);
  return known2(a) === known2(b) || a.cells.every((cell, at) => cell.trim() === (b.cells[at] ?? "").trim());
};
function familyOf(...a){ const t=performance.now(); const d=(globalThis.DP??={})["familyOf"]??=0; globalThis.DP.familyOf++; try { return familyOf__(...a); } finally { globalThis.DP.familyOf--; if(globalThis.DP.familyOf===0) (globalThis.PH??={})["familyOf"]=((globalThis.PH??={})["familyOf"]??0)+performance.now()-t; } }
function familyOf__(cluster, strands, axes, children, around2) {
  const labels = axes.map(
    ({ key, role }) => labelsOf(
      role,
      strands.map((strand) => strand.at.get(key) ?? NONE3)
    )
  );
  const names = axisNames(axes);
  const placeOf3 = (strand) => {
    const place = {};
    axes.forEach(({ key }, at) => place[names[at]] = labels[at].get((strand.at.get(key) ?? NONE3).key));
    return place;
  };
  const rows = [...new Set(children.flatMap((child) => child.rows))].sort((a, b) => a - b);
  const first = strands[0].item;
  const name = around2.parents.find((parent) => parent.name !== "")?.name ?? nameOf(strands, axes) ?? (first.style || first.belongs);
  return {
    key: `row${rows[0]}`,
    name,
    brand: first.brand,
    style: styleOf(cluster.items, strands),
    axes: axes.map(({ role }, at) => ({ label: names[at], role, values: [...labels[at].values()] })),
    children: children.map(({ strand, rows: own }) => ({
      rows: own,
      at: placeOf3(strand),
      ...strand.across ? { stockColumn: strand.across.column } : {},
      ...isListing(strand) ? { sharesRow: true } : {}
    })),
    parentRows: around2.parents.map(({ row }) => row),
    bonds: bondsOf(cluster, strands, name),
    doubts: around2.doubts
  };
}
var isListing = ({ item }) => item.given.some(({ listed: listed2 }) => listed2 !== void 0);
function styleOf([first, ...others], strands) {
  if (first.style === "" && others.length === 0 && strands.some(isListing)) return first.ownCode;
  return others.every(({ style }) => compact(style) === compact(first.style)) ? first.style : "";
}
var NONE3 = { key: "", text: "Standard", label: "Standard" };
function axisNames(axes) {
  const used = /* @__PURE__ */ new Set();
  return axes.map(({ label }) => {
    let name = label;
    for (let time = 2; used.has(name.toLowerCase()); time++) name = `${label} ${time}`;
    used.add(name.toLowerCase());
    return name;
  });
}
var NAMES_LOOKED_AT = 7;
function nameOf(...a){ const t=performance.now(); const d=(globalThis.DP??={})["nameOf"]??=0; globalThis.DP.nameOf++; try { return nameOf__(...a); } finally { globalThis.DP.nameOf--; if(globalThis.DP.nameOf===0) (globalThis.PH??={})["nameOf"]=((globalThis.PH??={})["nameOf"]??0)+performance.now()-t; } }
function nameOf__(strands, axes) {
  const roles = new Set(axes.map(({ key }) => key));
  const fromWords = axes.some(({ key }) => key.startsWith("words "));
  const items = itemsOf(strands).slice(0, NAMES_LOOKED_AT);
  if (fromWords) return commonWords(items);
  const counts = /* @__PURE__ */ new Map();
  const said2 = /* @__PURE__ */ new Map();
  for (const item of items) {
    const spans = item.spans.filter(({ roles: own, key }) => key === "one" || own.some((role) => roles.has(role)));
    const isWhole = spans.length + item.said.length === 0;
    const name = (isWhole ? said2.get(item.name) : void 0) ?? cleanName({ ...item, spans });
    if (isWhole) said2.set(item.name, name);
    if (name === "") continue;
    const times = (counts.get(name) ?? 0) + 1;
    if (times * 2 > NAMES_LOOKED_AT) return name;
    counts.set(name, times);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
function commonWords(items) {
  const sets = items.map((item) => new Set(stemWords(item).map(({ text: text2 }) => text2)));
  const [first] = items;
  return stemWords(first).filter(({ text: text2 }) => sets.every((set2) => set2.has(text2))).map(({ at }) => first.name.slice(first.tokens[at].from, first.tokens[at].to)).join(" ");
}
function bondsOf(...a){ const t=performance.now(); const d=(globalThis.DP??={})["bondsOf"]??=0; globalThis.DP.bondsOf++; try { return bondsOf__(...a); } finally { globalThis.DP.bondsOf--; if(globalThis.DP.bondsOf===0) (globalThis.PH??={})["bondsOf"]=((globalThis.PH??={})["bondsOf"]??0)+performance.now()-t; } }
function bondsOf__(cluster, strands, name) {
  const bonds = [...cluster.bonds];
  const items = itemsOf(strands);
  const stems = new Set(items.map(stemKey));
  const isBlock = items.length > 1 && items[0].block !== null && items.every(({ block }) => block === items[0].block);
  if (isBlock) bonds.push({ by: "blank" });
  if (stems.size === 1 && items.length > 1) bonds.push({ by: "name", name });
  if (strands.some(({ across }) => across)) bonds.push({ by: "across" });
  return bonds;
}

// core/src/intake/families/byStyle.ts
function joinByStyle(...a){ const t=performance.now(); const d=(globalThis.DP??={})["joinByStyle"]??=0; globalThis.DP.joinByStyle++; try { return joinByStyle__(...a); } finally { globalThis.DP.joinByStyle--; if(globalThis.DP.joinByStyle===0) (globalThis.PH??={})["joinByStyle"]=((globalThis.PH??={})["joinByStyle"]??0)+performance.now()-t; } }
function joinByStyle__(clusters, read2) {
  const held = clusters.filter((cluster) => cluster.isGiven);
  const soft = clusters.filter((cluster) => !cluster.isGiven).flatMap((cluster) => splitByStyle(cluster, read2));
  const rows = soft.reduce((sum, { items }) => sum + items.length, 0);
  const styles = new Set(soft.flatMap(({ items }) => items.map(({ style }) => compact(style))).filter(Boolean));
  if (styles.size === 0 || styles.size > rows * 0.9) return [...held, ...soft];
  const owner = /* @__PURE__ */ new Map();
  const kept = [];
  for (const cluster of soft.toSorted((a, b) => b.items.length - a.items.length)) {
    const keys = stylesOf(cluster.items);
    const into = keys.map((key) => owner.get(key)).find((one) => one !== void 0 && belongsTo(cluster, one));
    if (into) {
      into.items.push(...cluster.items);
      into.isGiven = true;
    } else kept.push(cluster);
    for (const key of keys) if (!owner.has(key)) owner.set(key, into ?? cluster);
  }
  for (const cluster of kept) {
    const keys = stylesOf(cluster.items);
    if (keys.length === 1 && cluster.items.length > 1 && cluster.items.every(({ style }) => style !== ""))
      cluster.bonds = [...cluster.bonds, { by: "style", code: cluster.items[0].style }];
  }
  return [...held, ...kept];
}
var stylesOf = (items) => [
  ...new Set(items.flatMap((item) => item.style === "" ? [] : [`${item.brandKey}|${compact(item.style)}`]))
];
function belongsTo(cluster, into) {
  const words3 = new Set(into.words.map(stemOf));
  const isNamed = cluster.words.length > 0 && into.words.length > 0;
  if (isNamed && !cluster.words.some((word) => words3.has(stemOf(word)))) return false;
  const isOther = cluster.items.some(isBeside) && !into.items.some(isBeside);
  const hasOptions = cluster.items.some(({ spans, given }) => spans.length + given.length > 0);
  return !isOther || hasOptions;
}
function splitByStyle(cluster, read2) {
  const byStyle = /* @__PURE__ */ new Map();
  for (const item of cluster.items) push(byStyle, compact(item.style), item);
  if (byStyle.size < 2 || byStyle.has("") || byStyle.size > cluster.items.length * 0.9) return [cluster];
  const woven = weaveRows(cluster.items, read2);
  const crossings = new Set(woven.strands.map((strand) => crossingOf2(strand, woven.axes)));
  const isClash = crossings.size < woven.strands.length;
  const isColourEach = woven.axes.some(({ key }) => {
    const values = [...byStyle.values()].map((items) => {
      const some = new Set(items);
      return new Set(woven.strands.filter(({ item }) => some.has(item)).map(({ at }) => at.get(key)?.key ?? ""));
    });
    return values.every((one) => one.size === 1 && !one.has("")) && new Set(values.map((one) => [...one][0])).size === values.length;
  });
  if (!isClash && isColourEach) return [cluster];
  return [...byStyle.values()].map((items) => ({ ...clusterOf(items), bonds: cluster.bonds }));
}

// core/src/intake/families/listedValues.ts
var MOST_CHILDREN = 2e3;
function settleListed(...a){ const t=performance.now(); const d=(globalThis.DP??={})["settleListed"]??=0; globalThis.DP.settleListed++; try { return settleListed__(...a); } finally { globalThis.DP.settleListed--; if(globalThis.DP.settleListed===0) (globalThis.PH??={})["settleListed"]=((globalThis.PH??={})["settleListed"]??0)+performance.now()-t; } }
function settleListed__(items, options) {
  const lists = openLists(options);
  const times = timesOf(items);
  const listing = axesThatList(items, times, lists);
  for (const item of items) {
    if (!item.given.some(({ text: text2 }) => BETWEEN.test(text2))) continue;
    const isAlone = times.get(nameOf2(item)) === 1;
    const maySay = (one, values) => listing.has(one.axis) || isAlone && values.length >= COLOURS_OF_ONE && !one.text.includes("/");
    const all = valuesListed(item.given, lists, maySay);
    const children = all.reduce((product, one) => product * (one?.length ?? 1), 1);
    if (children === 1 || children > MOST_CHILDREN) continue;
    item.given = item.given.map((one, at) => all[at] ? { ...one, listed: all[at] } : one);
  }
}
function valuesListed(given, lists, maySay) {
  const sure = given.map((one) => lists.sure(one));
  const isLine = sure.some((one) => one !== null);
  return given.map((one, at) => {
    const likely = sure[at] ?? lists.likely(one);
    return likely && (sure[at] || isLine || maySay(one, likely)) ? likely : null;
  });
}
var nameOf2 = ({ brandKey, name }) => `${brandKey} ${name}`;
function timesOf(items) {
  const times = /* @__PURE__ */ new Map();
  for (const item of items) times.set(nameOf2(item), (times.get(nameOf2(item)) ?? 0) + 1);
  return times;
}
var COLOURS_OF_ONE = 3;
var SEVERAL = new Set(
  `colours colors colourways colorways shades sizes lengths widths fits prints designs scents fragrances flavours flavors packs volumes models finishes
  farben grossen groessen langen dufte couleurs tailles pointures longueurs motifs parfums colores tallas largos colori taglie misure lunghezze kleuren maten lengtes
  cores tamanhos kolory rozmiary available lieferbar verfugbar disponibles disponibili disponible beschikbaar range`.split(
    /\s+/
  )
);
var saysSeveral = (header) => foldLetters(header).split(/[^\p{L}]+/u).some((word) => SEVERAL.has(word));
var BETWEEN = /[\s,;|/•–—-]/;
function axesThatList(items, times, lists) {
  const counts = /* @__PURE__ */ new Map();
  if (times.size < items.length * NAMES_OF_THEIR_OWN) return /* @__PURE__ */ new Set();
  for (const { given } of items)
    for (const one of given) {
      const count = counts.get(one.axis) ?? { listed: 0, of: 0 };
      counts.set(one.axis, { listed: count.listed + Number(lists.likely(one) !== null), of: count.of + 1 });
    }
  return new Set([...counts].filter(([, { listed: listed2, of }]) => listed2 > 1 && listed2 * 2 > of).map(([axis]) => axis));
}
var NAMES_OF_THEIR_OWN = 0.9;
function openLists(options) {
  const several = remembered(saysSeveral);
  const measured2 = /* @__PURE__ */ new Map();
  const others = /* @__PURE__ */ new Map();
  const once2 = (known2, key, read2) => {
    let found = known2.get(key);
    if (found === void 0) known2.set(key, found = read2());
    return found;
  };
  const likely = ({ role, label, text: text2 }) => role === "material" || isGenericOption(label) ? null : once2(
    others,
    `${role} ${label} ${text2}`,
    () => role === "size" ? lettersBetween(text2, options) : valuesIn(role, several(label), text2, options)
  );
  const sure = (one) => MEASURED2.has(one.role) ? once2(measured2, `${one.role} ${one.text}`, () => sizesIn(one.role, one.text, options)) : null;
  return { likely, sure: (one) => sure(one) ?? (several(one.label) ? likely(one) : null) };
}
var MEASURED2 = /* @__PURE__ */ new Set(["size", "length", "volume", "pack", "other"]);
var MEASURES = ["size", "length"];
function sizesIn(role, text2, options) {
  if (text2.length < 3 || !/[\s,;|/•]/.test(text2) || options.whole(tokensOf(text2))) return null;
  for (const { between, least } of BETWEEN_SIZES) {
    const parts = partsOf4(text2, between);
    const isMeasured = (part) => isOf(role, part, options) || MEASURES.some((one) => isOf(one, part, options));
    if (parts.length >= least && parts.every(isMeasured)) return parts;
  }
  return null;
}
var BETWEEN_SIZES = [
  { between: /\s*[;|\n•]\s*/, least: 2 },
  { between: /\s*,\s+|,(?!\d)|(?<!\d),/, least: 2 },
  { between: /\s+\/\s+/, least: 2 },
  ...[/\s*\/\s*/, /,/, /\s+[-–]\s+/, /\s+/].map((between) => ({ between, least: 3 }))
];
function valuesIn(role, isSeveral, text2, options) {
  const parts = partsOf4(text2, /\s*[;|,\n•]\s*|\s\/\s/);
  if (parts.length < 2 || parts.some((part) => part.length > LONGEST)) return null;
  const known2 = parts.filter((part) => isOf(role, part, options)).length;
  return isSeveral || role === "colour" && known2 * 2 >= parts.length ? parts : null;
}
var LONGEST = 40;
function lettersBetween(text2, options) {
  const ends = text2.split(/\s*(?:[-–—]|\b(?:to|bis|au|al|tot|hasta)\b|\sà\s|\sa\s)\s*/i);
  const [from, to] = ends.map((end) => /^letter(-?\d+)$/.exec(options.whole(tokensOf(end))?.key ?? "")?.[1]);
  if (ends.length !== 2 || from === void 0 || to === void 0 || Number(to) - Number(from) < 2) return null;
  return Array.from({ length: Number(to) - Number(from) + 1 }, (_, at) => letterLabel(Number(from) + at));
}
var isOf = (role, text2, options) => options.whole(tokensOf(text2))?.roles.includes(role) ?? false;
var partsOf4 = (text2, between) => [
  ...new Map(
    text2.split(between).filter((part) => part.trim() !== "").map((part) => [compact(part), part.trim()])
  ).values()
];

// core/src/intake/families/settleGiven.ts
function settleGiven(...a){ const t=performance.now(); const d=(globalThis.DP??={})["settleGiven"]??=0; globalThis.DP.settleGiven++; try { return settleGiven__(...a); } finally { globalThis.DP.settleGiven--; if(globalThis.DP.settleGiven===0) (globalThis.PH??={})["settleGiven"]=((globalThis.PH??={})["settleGiven"]??0)+performance.now()-t; } }
function settleGiven__(items, options) {
  const texts = /* @__PURE__ */ new Map();
  const taken2 = /* @__PURE__ */ new Set();
  for (const { given } of items)
    for (const { axis, role, label, text: text2 } of given) {
      if (role !== "other" || !isGenericOption(label)) taken2.add(role);
      else texts.set(axis, (texts.get(axis) ?? /* @__PURE__ */ new Set()).add(text2));
    }
  const roles = /* @__PURE__ */ new Map();
  for (const [axis, some] of texts) {
    const role = roleOf2([...some], options, taken2);
    if (!role) continue;
    roles.set(axis, role);
    taken2.add(role);
  }
  if (roles.size === 0) return;
  for (const item of items)
    item.given = item.given.map((one) => {
      const role = roles.get(one.axis);
      return role ? { ...one, axis: role, role, label: ROLE_LABELS[role] } : one;
    });
}
function roleOf2(texts, options, taken2) {
  const counts = /* @__PURE__ */ new Map();
  for (const text2 of texts)
    for (const role of options.whole(tokensOf(text2))?.roles ?? []) counts.set(role, (counts.get(role) ?? 0) + 1);
  const free = ROLES.filter(
    (role) => role !== "other" && !taken2.has(role) && (counts.get(role) ?? 0) * 2 > texts.length
  );
  return free.sort((a, b) => counts.get(b) - counts.get(a))[0] ?? null;
}

// core/src/intake/families/usualPlaces.ts
var FAMILIES = 2;
function usualPlaces(clusters) {
  const differing = /* @__PURE__ */ new Map();
  const all = /* @__PURE__ */ new Map();
  const count = (counts, key) => counts.set(key, (counts.get(key) ?? 0) + 1);
  for (const { items } of clusters)
    for (const role of ROLES_ASKED_FOR) {
      const spans = items.map((item) => spanOf(item, role));
      if (items.length < 2 || spans.includes(void 0)) continue;
      count(all, role);
      const isDiffering = new Set(spans.map((span) => span.key)).size > 1;
      if (isDiffering) count(differing, `${role} ${placeOf2(items[0], spans[0])}`);
    }
  return (items, role) => {
    const spans = items.map((item) => spanOf(item, role));
    if (spans.includes(void 0)) return false;
    const [place, ...others] = items.map((item, at) => placeOf2(item, spans[at]));
    const families = differing.get(`${role} ${place}`) ?? 0;
    return others.every((other) => other === place) && families >= FAMILIES && families * 2 >= (all.get(role) ?? 0);
  };
}
var ROLES_ASKED_FOR = ["colour", "size"];
var spanOf = ({ spans }, role) => spans.find(({ roles }) => roles[0] === role);
function placeOf2(item, { from, to }) {
  const words3 = stemWords(item);
  if (words3.every(({ at }) => at < from)) return "after";
  return words3.every(({ at }) => at >= to) ? "before" : "between";
}

// core/src/intake/families/recogniseFamilies.ts
function recogniseFamilies(...a){ const t=performance.now(); const d=(globalThis.DP??={})["recogniseFamilies"]??=0; globalThis.DP.recogniseFamilies++; try { return recogniseFamilies__(...a); } finally { globalThis.DP.recogniseFamilies--; if(globalThis.DP.recogniseFamilies===0) (globalThis.PH??={})["recogniseFamilies"]=((globalThis.PH??={})["recogniseFamilies"]??0)+performance.now()-t; } }
function recogniseFamilies__(registry2, options, { items, parents }, spare) {
  nameByCodes(items);
  settleListed(items, options);
  readNames(items, options);
  const read2 = openValues(registry2, options);
  const byStem = joinByStyle(clusterRows(items), read2);
  const heads = openCodeHeads(byStem.map((cluster) => cluster.items));
  const { clusters, doubts } = joinKin(byStem, heads);
  const isUsual = usualPlaces(clusters);
  const recognised = { families: [], singles: [], problems: [] };
  const { parentsOf, left } = openParents(parents);
  for (const cluster of clusters.sort((a, b) => a.items[0].row - b.items[0].row)) {
    settleGiven(cluster.items, options);
    const around2 = { read: read2, spare, isUsual, doubts: doubts.get(cluster) ?? [], parents: parentsOf(cluster) };
    buildFamilies(cluster, around2, recognised);
  }
  for (const { row, name } of left()) recognised.singles.push({ rows: [row], name, brand: "" });
  return recognised;
}
function nameByCodes(items) {
  const bare = items.filter(({ name, style, belongs }) => name === "" && style === "" && belongs === "");
  if (bare.length < 2 || bare.length < items.length / 2) return;
  const parts = bare.map(
    ({ ownCode }) => ownCode.toUpperCase().split(/[^\p{L}\p{N}]+/u).filter(Boolean)
  );
  const longest = Math.max(...parts.map((one) => one.length));
  for (let depth = 1; depth < longest; depth++) {
    const heads = new Set(parts.map((one) => one.slice(0, depth).join("-")));
    const isPrefix = heads.size === 1 && longest - depth > 2;
    if (isPrefix || heads.size > bare.length / 1.5) continue;
    bare.forEach((item, at) => item.style = parts[at].slice(0, depth).join("-"));
    return;
  }
}
function openParents(parents) {
  const byRef = /* @__PURE__ */ new Map();
  const byBlock = /* @__PURE__ */ new Map();
  for (const parent of parents) {
    for (const ref of parent.refs) byRef.set(ref, [...byRef.get(ref) ?? [], parent]);
    if (parent.block !== null) byBlock.set(parent.block, [...byBlock.get(parent.block) ?? [], parent]);
  }
  const taken2 = /* @__PURE__ */ new Set();
  const parentsOf = ({ items }) => {
    const found = /* @__PURE__ */ new Set();
    for (const { belongs, block, style } of items) {
      for (const ref of [belongs, style])
        for (const parent of byRef.get(compact(ref)) ?? []) if (ref !== "") found.add(parent);
      for (const parent of block === null ? [] : byBlock.get(block) ?? []) found.add(parent);
    }
    const mine = [...found].filter((parent) => !taken2.has(parent));
    for (const parent of mine) taken2.add(parent);
    return mine.map(({ row, name }) => ({ row, name }));
  };
  return { parentsOf, left: () => parents.filter((parent) => !taken2.has(parent)) };
}

// core/src/intake/families/readList.ts
function readList2(registry2, table, mapping = NO_MAPPING, settlement = NO_SETTLEMENT) {
  const words3 = { meaningOf: headersOf(registry2, mapping), options: openOptionReader(registry2) };
  const found = findTable(table, words3, mapping.headerRow);
  const columns = understandColumns(registry2, table, found, words3, mapping);
  const problems = columnProblems(columns, found.headerRows, found.body.length);
  const rows = rowItems(table, found, columns, words3);
  const spare = columns.filter(({ meaning, header }) => meaning.is === "ignored" && header !== "");
  const settled = { ...rows, items: settleRows(rows.items, settlement) };
  const recognised = recogniseFamilies(registry2, words3.options, settled, spare);
  recognised.families = recognised.families.map((family) => settleFamily(family, settlement));
  recognised.singles = recognised.singles.map((single2) => settleSingle(single2, settlement));
  const read2 = readFigures(registry2, table, columns, recognised, mapping);
  const sections = new Set(rows.sections);
  return {
    columns,
    headerRows: found.headerRows.map((at) => at + 1),
    skipped: found.skipped.filter(({ at, why }) => why !== "section" || sections.has(at + 1)).map(({ at, why }) => ({ row: at + 1, why })),
    families: recognised.families,
    singles: recognised.singles,
    figures: read2.figures,
    singleFigures: read2.singleFigures,
    deletions: rows.deletions,
    problems: [...problems, ...recognised.problems, ...read2.problems].sort((a, b) => a.row - b.row),
    mended: read2.mended
  };
}
function headersOf(registry2, { columns }) {
  const known2 = openHeaders(registry2);
  return (header) => {
    const meaning = Object.hasOwn(columns, header) ? columns[header] : void 0;
    return meaning ? { meaning, certainty: 1 } : known2(header);
  };
}
function columnProblems(columns, headerRows, rows) {
  const row = (headerRows.at(-1) ?? 0) + 1;
  const problems = columns.filter(({ reason }) => reason === "twice").map(({ header }) => ({ row, column: header.replace(/#\d+$/, ""), code: "column.twice", text: "" }));
  if (rows === 0) problems.push({ row, code: "list.no-rows", text: "" });
  else if (!columnOfField(columns, "name")) problems.push({ row, code: "list.no-name", text: "" });
  return problems;
}

// sheets/src/csv.ts
import { parse as parse2 } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import Papa from "papaparse";

// sheets/src/decodeText.ts
import { decode } from "iconv-lite";
var SAMPLE2 = 4096;
function encodingOf(bytes) {
  const [first, second] = bytes;
  if (first === 255 && second === 254) return "utf-16le";
  if (first === 254 && second === 255) return "utf-16be";
  const sample = bytes.subarray(0, SAMPLE2);
  const zeros = [0, 0];
  sample.forEach((byte, at) => {
    if (byte === 0) zeros[at % 2] += 1;
  });
  const many = sample.length / 8;
  if (zeros[1] > many && zeros[0] < many / 8) return "utf-16le";
  if (zeros[0] > many && zeros[1] < many / 8) return "utf-16be";
  return isUtf8(bytes) ? "utf-8" : "windows-1252";
}
function decodeText(bytes) {
  return decode(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length), encodingOf(bytes));
}
function isUtf8(bytes) {
  try {
    new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

// sheets/src/csv.ts
function plain2(cell) {
  return /^'+[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell;
}
var LINE_ENDS = ["\r\n", "\n", "\r"];
var LONE_MARKS_AT_MOST = 100;
function readCsv(bytes, fileName) {
  const { text: text2, delimiter } = withSeparator(decodeText(bytes));
  return (plainRecords(text2, delimiter) ?? mendedRecords(text2, delimiter, fileName)).map((row) => row.map(plain2));
}
function plainRecords(text2, delimiter) {
  const newline = LINE_ENDS.find((end) => text2.includes(end)) ?? "\n";
  const isMixed = text2.replaceAll(newline, "").search(/[\r\n]/) >= 0;
  if (isMixed) return null;
  const { data, errors } = Papa.parse(text2, { delimiter, newline });
  const hasMark = data.some((row) => row.some((cell) => cell.includes('"')));
  if (errors.length > 0 || hasMark && data.some((row) => row.some(isSeveralLines))) return null;
  return text2.endsWith(newline) ? data.slice(0, -1) : data;
}
function mendedRecords(text2, delimiter, fileName) {
  const rest = { text: text2, line: 1 };
  const rows = [];
  for (let lone = 0; rest.text !== ""; lone += 1) {
    const { good: good3, broken } = readRecords(rest.text, delimiter);
    rows.push(...good3);
    if (broken === null) break;
    if (lone >= LONE_MARKS_AT_MOST) throw new Refusal("sheet.unreadable", { file: fileName, line: rest.line });
    const { line, after } = firstLine(rest.text.slice(broken));
    rows.push(line.split(delimiter));
    rest.text = after;
    rest.line = rows.length + 1;
  }
  return rows;
}
var LINES_LOOKED_AT = 30;
function withSeparator(text2) {
  const named2 = /^sep=(.)(?:\r\n|\n|\r|$)/i.exec(text2);
  if (named2) return { text: text2.slice(named2[0].length), delimiter: named2[1] };
  const lines = text2.slice(0, 1e5).replace(/"[^"]*"/g, "").split(/\r\n|\n|\r/, LINES_LOOKED_AT).filter((line) => line.trim() !== "");
  const found = [",", ";", "	", "|"].map((mark) => ({ mark, ...usualCells(lines, mark) }));
  found.sort((a, b) => b.lines * Math.min(b.cells, 4) - a.lines * Math.min(a.cells, 4) || b.cells - a.cells);
  return { text: text2, delimiter: found[0].cells > 1 ? found[0].mark : "," };
}
function usualCells(lines, mark) {
  const counts = /* @__PURE__ */ new Map();
  for (const line of lines) {
    const cells = line.split(mark).length;
    if (cells > 1) counts.set(cells, (counts.get(cells) ?? 0) + 1);
  }
  const [best2] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0]);
  return best2 ? { cells: best2[0], lines: best2[1] } : { cells: 1, lines: 0 };
}
function readRecords(text2, delimiter) {
  const bytes = Buffer.from(text2);
  const good3 = [];
  let end = 0;
  const options = { delimiter, record_delimiter: [...LINE_ENDS], relax_column_count: true, max_record_size: 1e6 };
  const swallows = (record) => {
    if (!isSeveralLines(record)) return false;
    try {
      parse2(record, options);
      return false;
    } catch {
      return true;
    }
  };
  try {
    parse2(bytes, {
      ...options,
      relax_quotes: true,
      on_record: (record, context) => {
        if (record.some(isSeveralLines) && swallows(bytes.subarray(end, context.bytes).toString()))
          throw new Swallowed();
        good3.push(record);
        end = context.bytes;
        return null;
      }
    });
    return { good: good3, broken: null };
  } catch (error) {
    if (!(error instanceof Swallowed) && !isOpenQuote(error)) throw error;
    return { good: good3, broken: bytes.subarray(0, end).toString().length };
  }
}
var isSeveralLines = (text2) => /[\r\n]./.test(text2);
var Swallowed = class extends Error {
};
var isOpenQuote = (error) => ["CSV_QUOTE_NOT_CLOSED", "CSV_MAX_RECORD_SIZE"].includes(error?.code ?? "");
function firstLine(text2) {
  const match = /\r\n|\n|\r/.exec(text2);
  if (!match) return { line: text2, after: "" };
  return { line: text2.slice(0, match.index), after: text2.slice(match.index + match[0].length) };
}

// sheets/src/json.ts
var COLUMNS_AT_MOST = 400;
var ROWS_AT_MOST = 2e5;
function readJsonTable(text2, fileName) {
  let data;
  try {
    data = JSON.parse(text2.replace(/^\ufeff/, ""));
  } catch {
    throw new Refusal("sheet.no-json", { file: fileName });
  }
  const list = listIn(data);
  if (!list || list.length === 0) throw new Refusal("sheet.no-list", { file: fileName });
  if (list.every(Array.isArray))
    return bounded(
      list.map((row) => row.map(cellText)),
      fileName
    );
  const records = list.flatMap((record) => isRecord(record) ? unfold(record) : []);
  const headers = [...new Set(records.flatMap((record) => Object.keys(record)))];
  return bounded([headers, ...records.map((record) => headers.map((key) => cellText(record[key] ?? null)))], fileName);
}
var isRecord = (value) => typeof value === "object" && value !== null && !Array.isArray(value);
var isRecords = (value) => Array.isArray(value) && value.length > 0 && value.every(isRecord);
function listIn(data) {
  if (Array.isArray(data)) return data;
  if (!isRecord(data)) return null;
  const lists = Object.values(data).filter(
    (value) => isRecords(value) || Array.isArray(value) && value.length > 0 && value.every(Array.isArray)
  );
  return lists.sort((a, b) => b.length - a.length)[0] ?? null;
}
function unfold(record) {
  const within = Object.entries(record).filter(([, value]) => isRecords(value));
  const [inner] = within.sort((a, b) => b[1].length - a[1].length);
  const own = flat(Object.fromEntries(Object.entries(record).filter(([key]) => key !== inner?.[0])));
  if (!inner) return [own];
  return inner[1].map((one) => {
    const mine = flat(one);
    const renamed = Object.entries(mine).map(
      ([key, value]) => [key in own && key === "name" ? `${inner[0]} ${key}` : key, value]
    );
    return { ...own, ...Object.fromEntries(renamed) };
  });
}
function flat(record) {
  const entries = Object.entries(record).flatMap(([key, value]) => {
    if (!isRecord(value)) return [[key, value]];
    const isOptions = /^(?:options?|attributes?|variants?|axes)$/i.test(key);
    return Object.entries(value).map(([inner, one]) => [isOptions ? inner : `${key} ${inner}`, one]);
  });
  return Object.fromEntries(entries);
}
function cellText(value) {
  if (value === null) return "";
  if (Array.isArray(value)) return value.map(cellText).join("; ");
  if (typeof value === "object")
    return Object.entries(value).map(([key, one]) => `${key}: ${cellText(one)}`).join("; ");
  if (typeof value === "boolean") return value ? "yes" : "no";
  return String(value);
}
function bounded(rows, fileName) {
  const columns = rows.reduce((most, row) => Math.max(most, row.length), 0);
  if (rows.length > ROWS_AT_MOST || columns > COLUMNS_AT_MOST)
    throw new Refusal("sheet.too-large", {
      file: fileName,
      rows: rows.length,
      columns,
      mostRows: ROWS_AT_MOST,
      mostColumns: COLUMNS_AT_MOST
    });
  return rows;
}

// sheets/src/readXlsx.ts
import { Readable } from "node:stream";
import ExcelJs from "exceljs";

// sheets/src/escapes.ts
var unescaped = (text2) => text2.replace(/_x([0-9A-Fa-f]{4})_/g, (_whole, digits) => String.fromCharCode(parseInt(digits, 16)));

// sheets/src/lookIntoZip.ts
import { text } from "node:stream/consumers";
import { fromBufferPromise } from "yauzl";
var MEGABYTE = 1024 * 1024;
var UNPACKED_AT_MOST = 400 * MEGABYTE;
var NAMES_AT_MOST = 2 * MEGABYTE;
var PARTS_AT_MOST2 = 5e3;
async function lookIntoZip(bytes, fileName) {
  try {
    const zip = await fromBufferPromise(bytes, { lazyEntries: true });
    const parts = await directoryOf(zip, fileName);
    const relations = await partText(zip, parts.get("xl/_rels/workbook.xml.rels"));
    const targets = new Map(
      [...relations.matchAll(/<(?:\w+:)?Relationship\s[^>]*>/g)].map(([tag]) => [
        attribute(tag, "Id"),
        attribute(tag, "Target")
      ])
    );
    const tags = (await partText(zip, parts.get("xl/workbook.xml"))).matchAll(/<(?:\w+:)?sheet\s[^>]*>/g);
    const sheets = [...tags].flatMap(([tag]) => {
      const target = targets.get(attribute(tag, "\\w+:id")) ?? "";
      const part = /sheet(\d+)\.xml$/.exec(target)?.[1];
      if (part === void 0) return [];
      const entry = parts.get(`xl/${target.replace(/^\/?(?:xl\/)?/, "")}`);
      return [
        {
          name: plainText2(attribute(tag, "name")),
          id: attribute(tag, "sheetId"),
          part,
          merged: () => mergedAreas(zip, entry)
        }
      ];
    });
    if (sheets.length > 0) return sheets;
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal("sheet.cut-off", { file: fileName });
  }
  throw new Refusal("sheet.empty", { file: fileName });
}
async function directoryOf(zip, fileName) {
  const parts = /* @__PURE__ */ new Map();
  let unpacked = 0;
  for await (const entry of zip.eachEntry()) {
    unpacked += entry.uncompressedSize;
    if (unpacked > UNPACKED_AT_MOST || parts.size >= PARTS_AT_MOST2)
      throw new Refusal("sheet.bomb", { file: fileName, megabytes: UNPACKED_AT_MOST / MEGABYTE });
    parts.set(entry.fileName, entry);
  }
  return parts;
}
var AREAS_AT_MOST = 5e4;
async function mergedAreas(zip, entry) {
  if (!entry) return [];
  const areas = [];
  let rest = "";
  for await (const chunk of await zip.openReadStreamPromise(entry)) {
    rest += chunk.toString("latin1");
    for (const [tag] of rest.matchAll(/<(?:\w+:)?mergeCell\s[^>]*>/g))
      if (areas.length < AREAS_AT_MOST) areas.push(attribute(tag, "ref"));
    const open = rest.lastIndexOf("<");
    rest = rest.indexOf(">", open) < 0 ? rest.slice(open) : "";
  }
  return areas;
}
var ENTITIES = { amp: "&", lt: "<", gt: ">", quot: '"', apos: "'" };
var plainText2 = (text2) => text2.replace(/&(amp|lt|gt|quot|apos);/g, (_whole, name) => ENTITIES[name]);
var attribute = (tag, name) => new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)`).exec(tag)?.[1] ?? "";
async function partText(zip, entry) {
  if (!entry || entry.uncompressedSize > NAMES_AT_MOST) return "";
  return text(await zip.openReadStreamPromise(entry));
}

// sheets/src/readXlsx.ts
var ROWS_AT_MOST2 = 2e5;
var COLUMNS_AT_MOST2 = 400;
var CELLS_AT_MOST = 4e6;
async function readXlsx(bytes, fileName, wanted) {
  const sheets = await lookIntoZip(bytes, fileName);
  const named2 = wanted === void 0 ? void 0 : sheets.find(({ name }) => name.toLowerCase() === wanted.toLowerCase());
  if (wanted !== void 0 && !named2)
    throw new Refusal("sheet.unknown", {
      file: fileName,
      sheet: wanted,
      sheets: sheets.map(({ name }) => name).join(", ")
    });
  const reader = new ExcelJs.stream.xlsx.WorkbookReader(Readable.from([bytes]), {
    ...{ worksheets: "emit", sharedStrings: "cache", styles: "cache", hyperlinks: "ignore", entries: "ignore" }
  });
  const read2 = /* @__PURE__ */ new Map();
  try {
    for await (const sheet of reader) {
      const { id } = sheet;
      const mine = sheets.find((one) => typeof id === "number" ? String(id) === one.id : id === one.part);
      if (!mine || named2 && mine !== named2) continue;
      read2.set(mine, await readRows(sheet, fileName));
      if (mine === named2 || mine === sheets[0] && isTable(read2.get(mine))) break;
    }
    const chosen = named2 ?? sheets.find((one) => isTable(read2.get(one) ?? [])) ?? sheets[0];
    const rows = read2.get(chosen);
    if (rows) return filledDown(rows, await chosen.merged());
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal("sheet.cut-off", { file: fileName });
  }
  throw new Refusal("sheet.empty", { file: fileName });
}
var isTable = (rows) => rows.filter((row) => row.filter((cell) => cell !== "").length > 1).length > 1;
function filledDown(rows, areas) {
  for (const area of areas) {
    const match = /^([A-Z]+)(\d+):[A-Z]+(\d+)$/.exec(area);
    if (!match) continue;
    const column = [...match[1]].reduce((at, letter) => at * 26 + letter.charCodeAt(0) - 64, 0) - 1;
    const [first, last] = [Number(match[2]) - 1, Math.min(Number(match[3]) - 1, rows.length - 1)];
    const text2 = rows[first]?.[column] ?? "";
    for (let at = first + 1; at <= last; at++) if (rows[at][column] === "") rows[at][column] = text2;
  }
  return rows;
}
async function readRows(sheet, fileName) {
  const rows = [];
  let columns = 0;
  let cells = 0;
  for await (const row of sheet) {
    columns = Math.max(columns, row.cellCount);
    cells += row.cellCount;
    if (row.number > ROWS_AT_MOST2 || columns > COLUMNS_AT_MOST2 || cells > CELLS_AT_MOST) {
      const most = { mostRows: ROWS_AT_MOST2, mostColumns: COLUMNS_AT_MOST2 };
      throw new Refusal("sheet.too-large", { file: fileName, rows: row.number, columns, ...most });
    }
    while (rows.length < row.number - 1) rows.push([]);
    rows.push(Array.from({ length: row.cellCount }, (_, at) => cellText2(row.getCell(at + 1).value)));
  }
  return rows.map((row) => row.length === columns ? row : [...row, ...Array(columns - row.length).fill("")]);
}
function cellText2(value) {
  if (value === null || value === void 0) return "";
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value === "object") {
    if ("richText" in value) return unescaped(value.richText.map((part) => part.text).join(""));
    if ("result" in value) return cellText2(value.result);
    if ("text" in value) return unescaped(String(value.text));
    return "";
  }
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return unescaped(value);
  return Number.isInteger(value) && Math.abs(value) >= 1e11 ? value.toFixed(0) : String(value);
}

// sheets/src/readTable.ts
var OLD_WORKBOOK = Buffer.from([208, 207, 17, 224]);
async function readTable(bytes, fileName, choice = {}) {
  const isZip = bytes.subarray(0, 2).toString("latin1") === "PK";
  if (!isZip && /\.xls[xm]$/i.test(fileName)) throw new Refusal("sheet.cut-off", { file: fileName });
  if (bytes.subarray(0, 4).equals(OLD_WORKBOOK)) throw new Refusal("sheet.old-workbook", { file: fileName });
  if (isZip) return readXlsx(bytes, fileName, choice.sheet);
  if (/\.json$/i.test(fileName)) return readJsonTable(decodeText(bytes), fileName);
  return readCsv(bytes, fileName);
}

// sheets/src/writeCsv.ts
import { once } from "node:events";

// sheets/src/writeXlsx.ts
import { PassThrough } from "node:stream";
import { buffer } from "node:stream/consumers";
import ExcelJs2 from "exceljs";

// e2e/messy/messyGoods.ts
var SHAPES = [
  "columns",
  // colour and size in columns, the name the same
  "repeated",
  // in columns, and in the name as well
  "after",
  // in the name, after the goods
  "before",
  "between",
  "dashes",
  // set apart by signs
  "brackets",
  "parents",
  // parent rows with references
  "blank",
  // names once above their rows
  "packed",
  // "Colour: Navy; Size: XL" in a cell
  "slashed",
  // "Navy / XL" in a cell
  "across",
  // sizes across the columns
  "acrossTwo",
  // with captions above
  "styles",
  // a style code; names differ in their words
  "codes",
  // the stem of SKUs and names with unknown colours
  "paired",
  // columns of option names and values
  "lines",
  // a row a family, colours and sizes listed in cells
  "linesOfColours"
  // a row a colour, sizes listed in a cell
];
function chance(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = state + 1831565813 >>> 0;
    let t = state;
    t = Math.imul(t ^ t >>> 15, t | 1);
    t ^= t + Math.imul(t ^ t >>> 7, t | 61);
    return ((t ^ t >>> 14) >>> 0) / 4294967296;
  };
  const int = (most) => Math.floor(next() * most);
  const pick = (list) => list[int(list.length)];
  const some = (list, count) => {
    const left = list.slice();
    return Array.from({ length: Math.min(count, left.length) }, () => left.splice(int(left.length), 1)[0]);
  };
  const shuffled = (list) => some(list, list.length);
  return { next, int, pick, some, shuffled, likely: (share) => next() < share };
}
var words2 = (text2) => text2.split(",").map((one) => one.trim());
var FIRST = words2(
  "Harbour, Storm, Tarn, Fell, Cove, Quay, Merrow, Skerry, Lantern, Bothy, Cairn, Firth, Gull, Heron, Otter, Pebble Beach, North Shore, Sandbar, Wharf, Anchor, Rosewood, Old Mill, Silver Birch, Blackwater, Redcliff"
);
var KINDS2 = words2("rain, wool, deck, work, knitted, everyday, padded, ribbed, travel, garden, evening, coastal");
var GOODS2 = [
  {
    goods: words2("Jacket, Smock, Parka, Shirt, Jumper, Cardigan, Trousers, Gilet, Hoodie, Dress, Skirt, T-Shirt"),
    axes: [["colour", "size"], ["colour", "size"], ["size"], ["colour"]]
  },
  { goods: words2("Boots, Clogs, Sandals, Trainers"), axes: [["colour", "size"], ["size"]] },
  {
    goods: words2("Socks, Tights"),
    axes: [
      ["colour", "size", "pack"],
      ["colour", "size"]
    ]
  },
  { goods: words2("Mug, Bowl, Jug, Flask"), axes: [["colour", "volume"], ["colour"], ["volume"]] },
  { goods: words2("Blanket, Throw, Rug, Tablecloth"), axes: [["pattern", "size"], ["colour", "size"], ["pattern"]] },
  { goods: words2("Dog Coat, Lead, Collar"), axes: [["colour", "length"], ["length"]] },
  { goods: words2("Cushion, Tote Bag, Apron, Beanie, Scarf"), axes: [["colour"], ["pattern"], ["colour", "material"]] }
];
var BESIDE = words2("Care Kit, Gift Box, Repair Patch, Gift Card, Spare Buckle, Storage Bag");
var COLOURS = words2(
  "Navy, Black, White, Red, Olive, Rust, Mustard, Teal, Forest Green, Sky Blue, Burnt Orange, Dusty Rose, Heather Grey, Off White, Charcoal, Sand, Moss, Ochre, Petrol, Plum, Bottle Green, Midnight, Ecru, Burgundy, Light Grey, Dark Brown, Navy/White, Royal Blue, Stone, Lilac, Mint"
);
var UNKNOWN = words2(
  "Gannet, Tidewater, Sea Holly, Selkie, Marram, Bladderwrack, Lugworm, Guillemot, Tormentil, Samphire"
);
var SIZES = [
  words2("XS, S, M, L, XL, XXL"),
  words2("36, 37, 38, 39, 40, 41, 42"),
  words2("34, 36, 38, 40, 42, 44"),
  words2("8, 10, 12, 14, 16"),
  words2("92, 98, 104, 110, 116"),
  words2("35-38, 39-42, 43-46"),
  words2("2-3 years, 4-5 years, 6-7 years"),
  words2("UK 8, UK 10, UK 12, UK 14")
];
var FORMATS = words2("130 x 180 cm, 140 x 200 cm, 150 x 220 cm");
var VOLUMES = words2("250 ml, 350 ml, 500 ml, 0.75 l");
var LENGTHS2 = words2("30 cm, 35 cm, 40 cm, 45 cm, 50 cm");
var PACKS2 = words2("1-pack, 3-pack, 5-pack");
var PATTERNS2 = words2("Striped, Plain, Checked, Herringbone, Floral, Tartan");
var MATERIALS2 = words2("Cotton, Linen, Wool, Fleece, Canvas");
var SPELLED = {
  XS: ["XS", "X-Small", "xs", "Extra Small"],
  S: ["S", "Small", "s"],
  M: ["M", "Medium", "m"],
  L: ["L", "Large", "l"],
  XL: ["XL", "X-Large", "xl", "Extra Large"],
  XXL: ["XXL", "2XL", "XX-Large"]
};
var HEADERS = {
  name: words2("Name, Product, Title, Article, Bezeichnung, Produktname, D\xE9signation, Nombre, Description of goods"),
  colour: words2("Colour, Color, Farbe, Couleur, COLOUR NAME, Shade, Colore"),
  size: words2("Size, Gr\xF6\xDFe, Taille, Talla, SIZE, Maat"),
  pack: words2("Pack, Pack size, Packung"),
  volume: words2("Volume, Capacity, Inhalt, Contenance"),
  length: words2("Length, Back length, L\xE4nge"),
  pattern: words2("Pattern, Design, Muster"),
  material: words2("Material, Fabric, Stoff"),
  sku: words2("SKU, Article no, Artikelnummer, Item code, R\xE9f."),
  gtin: words2("EAN, GTIN, Barcode, EAN-13"),
  price: words2("Price, RRP incl VAT, VK, Prix, Price EUR"),
  stock: words2("Stock, Qty, Bestand, On hand"),
  brand: words2("Brand, Marke, Marque"),
  style: words2("Style, Style code, Model no, Modell"),
  parent: words2("Parent, Parent SKU, Belongs to"),
  packed: words2("Options, Variant, Attributes, Variante")
};
function valuesFor(by, role, colours, sizes) {
  const count = 2 + by.int(3);
  switch (role) {
    case "colour":
      return by.some(colours, count);
    case "size":
      return sizes.slice(0, 2 + by.int(sizes.length - 1));
    case "pack":
      return PACKS2.slice(0, 2);
    case "volume":
      return VOLUMES.slice(0, count);
    case "length":
      return LENGTHS2.slice(0, count);
    case "pattern":
      return by.some(PATTERNS2, count);
    default:
      return by.some(MATERIALS2, count);
  }
}
var codeOf = (text2) => text2.toUpperCase().replace(/[^A-Z0-9]/g, "").slice(0, 3);
function makeFamilies(by, shape, count) {
  const used = /* @__PURE__ */ new Set();
  const brands = words2("Skerry Supply, Merrow & Daughters, Tarnside");
  const families = [];
  const colours = shape === "codes" ? [...by.some(COLOURS, 8), ...by.some(UNKNOWN, 5)] : ["columns", "styles", "parents"].includes(shape) ? [...COLOURS, ...UNKNOWN] : COLOURS;
  while (families.length < count) {
    const group = by.pick(GOODS2);
    const goods = by.pick(group.goods);
    const name = [by.pick(FIRST), ...by.likely(0.4) ? [by.pick(KINDS2)] : [], goods].join(" ");
    if (used.has(name)) continue;
    used.add(name);
    const isClothing = group === GOODS2[0];
    const sizes = group === GOODS2[1] ? SIZES[1] : group === GOODS2[2] ? SIZES[5] : isClothing ? by.pick([SIZES[0], SIZES[0], SIZES[2], SIZES[3], SIZES[4], SIZES[6], SIZES[7]]) : FORMATS;
    const axes = ["across", "acrossTwo", "lines", "linesOfColours"].includes(shape) ? ["colour", "size"] : [...by.pick(group.axes)];
    const initials = name.split(" ").map((word) => word[0]).join("").toUpperCase();
    const brand = by.pick(brands);
    const style = `${initials}${100 + families.length}`;
    const make = (ofBrand, ofStyle) => {
      const values = axes.map((role) => valuesFor(by, role, colours, sizes));
      const crossings = values.reduce(
        (all, some) => all.flatMap((one) => some.map((value) => [...one, value])),
        [[]]
      );
      const woven = crossings.filter(() => by.likely(0.93));
      const children = (woven.length > 1 ? woven : crossings).map((at) => ({
        at: at.map((value, place) => ({ role: axes[place], value })),
        sku: [ofStyle, ...at.map(codeOf)].join("-"),
        gtin: gtinOf(by)
      }));
      const differ = axes.filter((_, place) => new Set(children.map((child) => child.at[place].value)).size > 1);
      families.push({
        name,
        brand: ofBrand,
        style: ofStyle,
        price: (9 + by.int(190) + 0.9).toFixed(2),
        axes: differ,
        children
      });
    };
    make(brand, style);
    if (by.likely(0.08) && ["columns", "repeated", "dashes", "packed"].includes(shape))
      make(
        brands.find((one) => one !== brand),
        `${style}B`
      );
  }
  return families.filter((family) => family.axes.length > 0);
}
function gtinOf(by) {
  const body = `950${Array.from({ length: 9 }, () => by.int(10)).join("")}`;
  return body + gtinCheckDigit(body);
}

// e2e/messy/rowsOfSeveral.ts
function linesSheet(by, families, header, isByColour) {
  const between = by.pick([", ", "; ", " | ", "/", " / "]);
  const betweenColours = between === "/" ? ", " : between;
  const several = by.pick([true, true, false]);
  const shown = families.map((family) => {
    const colours = [...new Set(family.children.map((child) => child.at[0].value))].filter(
      (one) => !one.includes("/")
    );
    const sizes = [...new Set(family.children.map((child) => child.at[1].value))];
    const listed2 = sizes.length > 2 ? sizes : [...sizes, ...LONGER.filter((one) => !sizes.includes(one))];
    const rows = isByColour ? colours : [colours.join(betweenColours)];
    return {
      ...family,
      children: rows.map((value) => ({
        at: [
          { role: "colour", value },
          { role: "size", value: listed2.join(between) }
        ],
        sku: "",
        gtin: ""
      })),
      axes: colours.length > 1 ? ["colour", "size"] : ["size"]
    };
  });
  const lines = shown.flatMap(
    (family, at) => family.children.map((child) => ({
      cells: [family.style, family.name, child.at[0].value, child.at[1].value, family.price],
      family: at
    }))
  );
  const heads = several ? by.pick([
    ["Colours", "Sizes"],
    ["Farben", "Gr\xF6\xDFen"],
    ["Colourways", "Sizes available"]
  ]) : [header("colour"), header("size")];
  return { headers: [[header("style"), header("name"), ...heads, header("price")]], lines, families: shown };
}
var LONGER = ["3XL", "4XL"];
function acrossSheet(by, families, header, isTwo) {
  const sizes = by.pick([SIZES[0], SIZES[1], SIZES[2]]);
  const shown = families.map((family) => {
    const colours = [...new Set(family.children.map((child) => child.at[0].value))];
    return {
      ...family,
      children: colours.map((value) => ({ at: [{ role: "colour", value }], sku: "", gtin: "" })),
      axes: colours.length > 1 ? ["colour", "size"] : ["size"]
    };
  });
  const lines = shown.flatMap(
    (family, at) => family.children.map((child) => ({
      cells: [
        family.style,
        family.name,
        child.at[0].value,
        ...sizes.map((_, place) => place < 2 || by.likely(0.8) ? String(by.int(40)) : ""),
        family.price
      ],
      family: at
    }))
  );
  const head = [header("style"), header("name"), header("colour"), ...sizes, header("price")];
  if (!isTwo) return { headers: [head], lines, families: shown };
  const captions = ["", "", "", header("size"), ...sizes.slice(1).map(() => ""), ""];
  return { headers: [captions, head], lines, families: shown };
}

// e2e/messy/messyLayouts.ts
var spelled = (by, { role, value }) => {
  if (role === "size" && SPELLED[value] && by.likely(0.25)) return by.pick(SPELLED[value]);
  if (role === "colour" && by.likely(0.15))
    return by.pick([value.toUpperCase(), value.toLowerCase(), value.replace("Grey", "Gray")]);
  return value;
};
var rolesOf = (families) => [
  ...new Set(families.flatMap((family) => family.children[0].at.map(({ role }) => role)))
];
function nameLayout(nameOf3, withBrand = false) {
  return (by, families, header) => {
    const lines = families.flatMap(
      (family, at) => family.children.map((child) => ({
        cells: [
          child.sku,
          nameOf3(by, family, child),
          ...withBrand ? [family.brand] : [],
          child.gtin,
          family.price,
          String(by.int(60))
        ],
        family: at
      }))
    );
    for (const family of by.some(families, 3))
      lines.push({
        cells: [
          `${family.style}X-1`,
          `${family.name} ${by.pick(BESIDE)}`,
          ...withBrand ? [family.brand] : [],
          gtinOf(by),
          "4.90",
          "12"
        ],
        family: null
      });
    return {
      headers: [
        [
          header("sku"),
          header("name"),
          ...withBrand ? [header("brand")] : [],
          header("gtin"),
          header("price"),
          header("stock")
        ]
      ],
      lines,
      families
    };
  };
}
function columnLayout(nameOf3, withStyle) {
  return (by, families, header) => {
    const roles = rolesOf(families);
    const lines = families.flatMap(
      (family, at) => family.children.map((child) => {
        const options = roles.map((role) => {
          const one = child.at.find((value) => value.role === role);
          return one ? spelled(by, one) : "";
        });
        return {
          cells: [
            nameOf3(by, family, child),
            ...withStyle ? [family.style] : [],
            family.brand,
            ...options,
            child.sku,
            child.gtin,
            family.price,
            String(by.int(60))
          ],
          family: at
        };
      })
    );
    for (const family of by.some(families, 3))
      lines.push({
        cells: [
          `${family.name} ${by.pick(BESIDE)}`,
          ...withStyle ? [`${family.style}X`] : [],
          family.brand,
          ...roles.map(() => ""),
          `${family.style}X-1`,
          gtinOf(by),
          "4.90",
          "12"
        ],
        family: null
      });
    return {
      headers: [
        [
          header("name"),
          ...withStyle ? [header("style")] : [],
          header("brand"),
          ...roles.map(header),
          header("sku"),
          header("gtin"),
          header("price"),
          header("stock")
        ]
      ],
      lines,
      families
    };
  };
}
var said = (by, child, between = " ") => child.at.map((one) => spelled(by, one)).join(between);
var LAYOUTS = {
  columns: columnLayout((_by, family) => family.name, false),
  repeated: columnLayout(
    (_by, family, child) => `${family.name} ${child.at.map(({ value }) => value).join(" ")}`,
    false
  ),
  after: nameLayout((by, family, child) => `${family.name} ${said(by, child)}`),
  before: nameLayout((by, family, child) => {
    const [first, ...rest] = child.at;
    return [spelled(by, first), family.name, ...rest.map((one) => spelled(by, one))].join(" ");
  }),
  between: nameLayout((by, family, child) => {
    const parts = family.name.split(" ");
    const [first, ...rest] = child.at;
    return [...parts.slice(0, -1), spelled(by, first), parts.at(-1), ...rest.map((one) => spelled(by, one))].join(" ");
  }),
  dashes: nameLayout((by, family, child) => `${family.name} - ${said(by, child, " - ")}`, true),
  brackets: nameLayout((by, family, child) => `${family.name} (${said(by, child, ", ")})`),
  parents(by, families, header) {
    const roles = rolesOf(families);
    const lines = families.flatMap((family, at) => [
      { cells: [family.style, "", family.name, ...roles.map(() => ""), "", ""], family: at, isParent: true },
      ...family.children.map((child) => ({
        cells: [
          child.sku,
          family.style,
          by.likely(0.5) ? family.name : `${family.name} ${said(by, child)}`,
          ...roles.map((role) => child.at.find((one) => one.role === role)?.value ?? ""),
          child.gtin,
          family.price
        ],
        family: at
      }))
    ]);
    return {
      headers: [
        [header("sku"), header("parent"), header("name"), ...roles.map(header), header("gtin"), header("price")]
      ],
      lines,
      families
    };
  },
  blank(by, families, header) {
    const roles = rolesOf(families);
    const headFirst = by.likely(0.4);
    const lines = families.flatMap((family, at) => {
      const rows = family.children.map((child, place) => ({
        cells: [
          !headFirst && place === 0 ? family.name : "",
          !headFirst && place === 0 ? family.brand : "",
          ...roles.map((role, order) => {
            const value = child.at.find((one) => one.role === role)?.value ?? "";
            const above = family.children[place - 1]?.at.find((one) => one.role === role)?.value;
            return order === 0 && value === above && family.axes.length > 1 ? "" : value;
          }),
          child.sku,
          child.gtin,
          family.price
        ],
        family: at
      }));
      return headFirst ? [
        { cells: [family.name, family.brand, ...roles.map(() => ""), "", "", ""], family: at, isParent: true },
        ...rows
      ] : rows;
    });
    return {
      headers: [
        [header("name"), header("brand"), ...roles.map(header), header("sku"), header("gtin"), header("price")]
      ],
      lines,
      families,
      isOrdered: true
    };
  },
  packed(by, families, header) {
    const mark = by.pick(["; ", " | ", ", "]);
    const equals = by.pick([": ", "=", ":"]);
    const lines = families.flatMap(
      (family, at) => family.children.map((child) => ({
        cells: [
          family.name,
          family.brand,
          child.at.map((one) => `${HEADERS[one.role][0]}${equals}${spelled(by, one)}`).join(mark),
          child.sku,
          family.price
        ],
        family: at
      }))
    );
    return {
      headers: [[header("name"), header("brand"), header("packed"), header("sku"), header("price")]],
      lines,
      families
    };
  },
  slashed(by, families, header) {
    const lines = families.flatMap(
      (family, at) => family.children.map((child) => ({
        cells: [family.name, said(by, child, " / "), child.sku, family.price],
        family: at
      }))
    );
    return { headers: [[header("name"), header("packed"), header("sku"), header("price")]], lines, families };
  },
  across: (by, families, header) => acrossSheet(by, families, header, false),
  acrossTwo: (by, families, header) => acrossSheet(by, families, header, true),
  lines: (by, families, header) => linesSheet(by, families, header, false),
  linesOfColours: (by, families, header) => linesSheet(by, families, header, true),
  styles(by, families, header) {
    const wording = (family, child) => {
      const parts = family.name.split(" ");
      return by.pick([
        family.name,
        `${family.name} ${child.at[0].value}`,
        `${parts.at(-1)} ${parts.slice(0, -1).join(" ")}`,
        family.name.toUpperCase()
      ]);
    };
    return columnLayout((_by, family, child) => wording(family, child), true)(by, families, header);
  },
  codes: nameLayout(
    (by, family, child) => `${family.name} ${child.at.map((one) => one.role === "colour" ? one.value : spelled(by, one)).join(" ")}`
  ),
  paired(by, families, header) {
    const lines = families.flatMap(
      (family, at) => family.children.map((child) => {
        const pairs = [0, 1, 2].flatMap((place) => {
          const one = child.at[place];
          return one ? [HEADERS[one.role][0], spelled(by, one)] : ["", ""];
        });
        return { cells: [child.sku, family.name, ...pairs, family.price], family: at };
      })
    );
    const names = by.pick([
      ["Option 1 name", "Option 1 value", "Option 2 name", "Option 2 value", "Option 3 name", "Option 3 value"],
      ["Attribute 1", "Value 1", "Attribute 2", "Value 2", "Attribute 3", "Value 3"]
    ]);
    return { headers: [[header("sku"), header("name"), ...names, header("price")]], lines, families };
  }
};

// e2e/messy/messyLists.ts
function messyList(shape, seed, count = 12) {
  const by = chance(seed * 31 + SHAPES.indexOf(shape));
  const families = makeFamilies(by, shape, count);
  const header = (key) => by.pick(HEADERS[key] ?? [key]);
  const sheet = LAYOUTS[shape](by, families, header);
  return around(by, shape, sheet);
}
function around(by, shape, { headers, lines, families, isOrdered }) {
  const isScattered = !isOrdered && by.likely(0.5);
  const ordered = isScattered ? by.shuffled(lines) : lines;
  const table = [];
  const width = headers[0].length;
  const row = (first) => [first, ...Array(width - 1).fill("")];
  if (by.likely(0.4)) table.push(row(by.pick(["Spring list 2026", "Preisliste Herbst", "Order form"])), row(""));
  table.push(...headers);
  const rowsOf = /* @__PURE__ */ new Map();
  const singles = [];
  for (const { cells, family, isParent } of ordered) {
    table.push(cells);
    if (family === null) singles.push(table.length);
    else if (!isParent) rowsOf.set(family, [...rowsOf.get(family) ?? [], table.length]);
  }
  if (by.likely(0.3)) table.push(row(""), ["Total", ...Array(width - 2).fill(""), "12345.00"]);
  if (by.likely(0.3)) table.push(row("All prices without obligation, see our terms of trade."));
  return {
    shape,
    table,
    families: families.flatMap(({ name, axes }, at) => rowsOf.has(at) ? [{ name, axes, rows: rowsOf.get(at) }] : []),
    singles
  };
}

// e2e/zzin.mts
var ROWS = 1e5;
function largeList(shape) {
  const table = [];
  for (let seed = 1; table.length < ROWS; seed++) {
    const { table: rows, families } = messyList(shape, seed, 60);
    const nameOf3 = new Map(families.flatMap(({ rows: own, name }, at) => own.map((row) => [row, { name, word: wordFor(seed * 61 + at) }])));
    const header = Math.min(...nameOf3.keys()) - 2;
    if (table.length === 0) table.push(rows[header]);
    for (const [row, { name, word }] of nameOf3) table.push(rows[row - 1].map((cell) => cell.replace(name, `${word} ${name}`)));
  }
  return stringify2(table.slice(0, ROWS));
}
function wordFor(number) {
  let word = "";
  for (let rest = number, at = 0; at < 3; at++, rest = Math.floor(rest * 7 / 3) + 13) word += "bdfgklmnprstvz"[rest % 14] + "aeiou"[(rest >> 2) % 5];
  return word.charAt(0).toUpperCase() + word.slice(1);
}
function insertBare(rows) {
  rmSync("/tmp/pl/bare.db", { force: true });
  rmSync("/tmp/pl/bare.db-wal", { force: true });
  rmSync("/tmp/pl/bare.db-shm", { force: true });
  const database = new Sqlite("/tmp/pl/bare.db");
  database.pragma("journal_mode = WAL");
  database.pragma("synchronous = FULL");
  database.exec("CREATE TABLE rows (at INTEGER PRIMARY KEY, doc TEXT NOT NULL)");
  const insert = database.prepare("INSERT INTO rows VALUES (?, ?)");
  database.transaction(() => rows.forEach((row, at) => insert.run(at, JSON.stringify(row))))();
  database.close();
}
var registry = openRegistry(emptyRegistry());
for (const shape of (process.env.SHAPES ?? "after,columns").split(",")) {
  const file = `/tmp/pl/${shape}.csv`;
  if (!existsSync(file)) writeFileSync(file, largeList(shape));
  const csv = readFileSync(file, "utf8");
  for (let n = 0; n < Number(process.env.N ?? 3); n++) {
    const s = performance.now();
    let bare = 0;
    if (!process.env.NOBARE) {
      insertBare(parse3(csv, { relax_column_count: true }));
      bare = performance.now() - s;
    }
    const t0 = performance.now();
    const table = await readTable(Buffer.from(csv), "list.csv");
    const t1 = performance.now();
    const reading = readList2(registry, table);
    const t2=performance.now(); console.log(Object.entries(globalThis.PH).map(([k,v])=>k+" "+v.toFixed(0)).join(", ")); globalThis.PH={};
    const text2 = JSON.stringify([reading.families, reading.singles, [...reading.figures], reading.problems, reading.skipped, reading.mended]);
    console.log(shape, "bare", bare.toFixed(0), "table", (t1 - t0).toFixed(0), "read", (t2 - t1).toFixed(0), "ratio", ((t2 - t0) / bare).toFixed(2), createHash("sha1").update(text2).digest("hex").slice(0, 10), text2.length, process.memoryUsage().rss >> 20);
  }
}
