var __defProp = Object.defineProperty;
var __export = (target, all) => {
  for (var name in all)
    __defProp(target, name, { get: all[name], enumerable: true });
};

// e2e/zzpl2.mts
import { performance } from "node:perf_hooks";
import { rmSync, mkdirSync as mkdirSync2, readFileSync } from "node:fs";

// server/src/store/database.ts
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import Sqlite from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";

// server/src/folders.ts
import { fileURLToPath } from "node:url";
var MIGRATIONS = fileURLToPath(new URL("../migrations", import.meta.url));
var WEB = fileURLToPath(new URL("../../web/dist", import.meta.url));
var isSource = import.meta.url.endsWith("/src/folders.ts");
var worker = (source, built) => isSource ? { filename: fileURLToPath(new URL(source, import.meta.url)), execArgv: ["--import", "tsx"] } : { filename: fileURLToPath(new URL(built, import.meta.url)) };
var FIT_WORKER = worker("./fits/worker.ts", "./fit-worker.mjs");
var WRITE_WORKER = worker("./changes/worker.ts", "./write-worker.mjs");
var FILE_WORKER = worker("./files/worker.ts", "./file-worker.mjs");
var PICTURE_WORKER = worker("./pictures/worker.ts", "./picture-worker.mjs");

// server/src/store/schema.ts
var schema_exports = {};
__export(schema_exports, {
  THINGS: () => THINGS,
  arrivals: () => arrivals,
  bundleParts: () => bundleParts,
  changeParts: () => changeParts,
  changes: () => changes,
  channels: () => channels,
  dispatchLines: () => dispatchLines,
  dispatches: () => dispatches,
  documents: () => documents,
  due: () => due,
  editions: () => editions,
  families: () => families,
  familyValues: () => familyValues,
  findings: () => findings,
  givenIdentifiers: () => givenIdentifiers,
  heldListings: () => heldListings,
  identifiers: () => identifiers,
  jobs: () => jobs,
  knownNumbers: () => knownNumbers,
  layouts: () => layouts,
  listFamilies: () => listFamilies,
  listRows: () => listRows,
  movements: () => movements,
  pictures: () => pictures,
  sheetRows: () => sheetRows,
  standings: () => standings,
  stockCounts: () => stockCounts
});

// server/src/store/tables/families.ts
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from "drizzle-orm/sqlite-core";
var families = sqliteTable(
  "families",
  {
    id: text().primaryKey(),
    revision: integer().notNull(),
    name: text().notNull(),
    styleCode: text().notNull(),
    brand: text().notNull(),
    category: text().notNull(),
    axes: text().notNull(),
    children: integer().notNull(),
    /** In hundredths of a cent of the seller's currency, for sorting; null without any price. */
    fromPrice: integer(),
    fromPriceText: text(),
    stock: integer().notNull(),
    /** So many children have as few pieces as the seller calls low. */
    low: integer().notNull().default(0),
    picture: text(),
    retired: integer({ mode: "boolean" }).notNull(),
    changedAt: text().notNull(),
    /** The row of its words in the search table. */
    searchRow: integer(),
    doc: text({ mode: "json" }).$type().notNull()
  },
  (table) => [
    index("families_by_name").on(table.retired, table.name),
    // What conditions see of a family, so that they read no whole rows.
    index("families_seen").on(
      ...[table.retired, table.name, table.id, table.revision, table.fromPriceText, table.stock]
    ),
    index("families_by_change").on(table.retired, table.changedAt),
    index("families_by_style").on(table.styleCode),
    uniqueIndex("families_by_search_row").on(table.searchRow)
  ]
);
var identifiers = sqliteTable(
  "identifiers",
  {
    kind: text({ enum: ["sku", "gtin"] }).notNull(),
    /** SKU in capitals; GTIN as 14 digits. */
    value: text().notNull(),
    familyId: text().notNull().references(() => families.id, { onDelete: "cascade" }),
    childId: text().notNull()
  },
  (table) => [primaryKey({ columns: [table.kind, table.value] }), index("identifiers_by_family").on(table.familyId)]
);
var givenIdentifiers = sqliteTable(
  "given_identifiers",
  {
    kind: text({ enum: ["sku", "gtin"] }).notNull(),
    value: text().notNull(),
    childId: text().notNull(),
    /** A number that went back to its block: given out again, unless a child has it or an account was told of it. */
    returned: integer({ mode: "boolean" }).notNull().default(false),
    familyId: text().notNull()
  },
  (table) => [primaryKey({ columns: [table.kind, table.value] })]
);
var familyValues = sqliteTable(
  "family_values",
  {
    familyId: text().notNull().references(() => families.id, { onDelete: "cascade" }),
    role: text().notNull(),
    /** The label as pairings compare it. */
    word: text().notNull()
  },
  (table) => [
    primaryKey({ columns: [table.familyId, table.role, table.word] }),
    index("family_values_by_word").on(table.role, table.word)
  ]
);

// server/src/store/tables/fits.ts
import { index as index2, integer as integer2, primaryKey as primaryKey2, sqliteTable as sqliteTable2, text as text2 } from "drizzle-orm/sqlite-core";
var standings = sqliteTable2(
  "standings",
  {
    familyId: text2().notNull().references(() => families.id, { onDelete: "cascade" }),
    account: text2().notNull(),
    state: text2({ enum: ["fits", "needs", "stopped", "absent"] }).notNull(),
    /** Things to do: findings that stop, and that warn. */
    stops: integer2().notNull(),
    warns: integer2().notNull()
  },
  (table) => [
    primaryKey2({ columns: [table.familyId, table.account] }),
    // Whole rows in order, so that the board counts without a look at the table.
    index2("standings_by_state").on(table.account, table.state, table.familyId)
  ]
);
var findings = sqliteTable2(
  "findings",
  {
    familyId: text2().notNull().references(() => families.id, { onDelete: "cascade" }),
    account: text2().notNull(),
    code: text2().notNull(),
    /** The field or part it is about. */
    key: text2().notNull(),
    severity: text2({ enum: ["stops", "warns", "advises"] }).notNull(),
    count: integer2().notNull(),
    children: integer2().notNull()
  },
  (table) => [
    primaryKey2({ columns: [table.familyId, table.account, table.code, table.key] }),
    index2("findings_by_code").on(
      ...[table.account, table.code, table.key, table.severity, table.familyId, table.children]
    )
  ]
);
var due = sqliteTable2("due", {
  familyId: text2().primaryKey().references(() => families.id, { onDelete: "cascade" }),
  turn: integer2().notNull(),
  /** One of many that one reason made due: what the seller just changed goes before it, and it waits where the re-check is stopped. */
  among: integer2({ mode: "boolean" }).notNull().default(false)
});

// server/src/store/tables/stock.ts
import { index as index3, integer as integer3, primaryKey as primaryKey3, sqliteTable as sqliteTable3, text as text3 } from "drizzle-orm/sqlite-core";
var movements = sqliteTable3(
  "movements",
  {
    id: integer3().primaryKey({ autoIncrement: true }),
    key: text3().notNull().unique(),
    childId: text3().notNull(),
    familyId: text3().notNull().references(() => families.id, { onDelete: "cascade" }),
    location: text3().notNull().default("main"),
    kind: text3().$type().notNull(),
    /** Why, in the seller's words. */
    reason: text3(),
    pieces: integer3().notNull(),
    at: text3().notNull()
  },
  (table) => [index3("movements_by_child").on(table.childId)]
);
var stockCounts = sqliteTable3(
  "stock_counts",
  {
    childId: text3().notNull(),
    location: text3().notNull(),
    familyId: text3().notNull().references(() => families.id, { onDelete: "cascade" }),
    pieces: integer3().notNull()
  },
  (table) => [
    primaryKey3({ columns: [table.childId, table.location] }),
    index3("stock_counts_by_family").on(table.familyId)
  ]
);
var bundleParts = sqliteTable3(
  "bundle_parts",
  {
    familyId: text3().notNull().references(() => families.id, { onDelete: "cascade" }),
    childId: text3().notNull(),
    sku: text3().notNull(),
    /** So many of it are in one set. */
    pieces: integer3().notNull()
  },
  (table) => [
    primaryKey3({ columns: [table.familyId, table.childId, table.sku] }),
    index3("bundle_parts_by_sku").on(table.sku)
  ]
);

// server/src/store/tables/changes.ts
import { index as index4, integer as integer4, primaryKey as primaryKey4, sqliteTable as sqliteTable4, text as text4, uniqueIndex as uniqueIndex2 } from "drizzle-orm/sqlite-core";
var changes = sqliteTable4(
  "changes",
  {
    id: integer4().primaryKey({ autoIncrement: true }),
    /** Given by the sender: the same key twice is the same change. */
    key: text4(),
    /** A digest of what was asked for under the key: something else under it is no repetition. */
    asked: text4(),
    actor: text4().notNull(),
    at: text4().notNull(),
    kind: text4({ enum: ["change", "undo", "redo"] }).notNull(),
    title: text4().notNull(),
    /** done: can be taken back; undone: can be made again; gone: a later change has taken its place. */
    state: text4({ enum: ["done", "undone", "gone"] }).notNull(),
    /** The change that an undo or redo is of. */
    of: integer4()
  },
  (table) => [uniqueIndex2("changes_by_key").on(table.key)]
);
var THINGS = [
  ...["family", "registry", "seller", "account", "pairings", "categoryMap", "stock"],
  ...["rulebook", "routes", "collections"]
];
var changeParts = sqliteTable4(
  "change_parts",
  {
    changeId: integer4().notNull().references(() => changes.id, { onDelete: "cascade" }),
    thing: text4({ enum: THINGS }).notNull(),
    /** The family's id, the account's, the channel's; empty for what there is one of. Stock is filed under its family. */
    thingId: text4().notNull(),
    /** The thing was made by this change. Taken back it goes whole, and is kept in `forward` meanwhile. */
    made: integer4({ mode: "boolean" }).notNull().default(false),
    forward: text4({ mode: "json" }).$type().notNull(),
    inverse: text4({ mode: "json" }).$type().notNull(),
    /** Pieces added per child, for stock. */
    moves: text4({ mode: "json" }).$type().notNull(),
    lines: text4({ mode: "json" }).$type().notNull()
  },
  (table) => [
    primaryKey4({ columns: [table.changeId, table.thing, table.thingId] }),
    index4("change_parts_by_thing").on(table.thing, table.thingId, table.changeId)
  ]
);

// server/src/store/tables/catalogue.ts
import { integer as integer5, primaryKey as primaryKey5, sqliteTable as sqliteTable5, text as text5 } from "drizzle-orm/sqlite-core";
var documents = sqliteTable5(
  "documents",
  {
    thing: text5({ enum: THINGS }).notNull(),
    id: text5().notNull(),
    revision: integer5().notNull(),
    doc: text5({ mode: "json" }).$type().notNull()
  },
  (table) => [primaryKey5({ columns: [table.thing, table.id] })]
);
var pictures = sqliteTable5("pictures", {
  id: text5().primaryKey(),
  facts: text5({ mode: "json" }).$type().notNull(),
  at: text5().notNull()
});
var channels = sqliteTable5("channels", {
  channel: text5().primaryKey(),
  place: integer5().notNull(),
  rulebook: text5({ mode: "json" }).$type().notNull(),
  /** What each account may choose from, as the channel says. */
  choices: text5({ mode: "json" }).$type().notNull(),
  reachable: integer5({ mode: "boolean" }).notNull()
});
var editions = sqliteTable5(
  "editions",
  {
    channel: text5().notNull(),
    version: integer5().notNull(),
    rulebook: text5({ mode: "json" }).$type().notNull(),
    at: text5().notNull()
  },
  (table) => [primaryKey5({ columns: [table.channel, table.version] })]
);
var knownNumbers = sqliteTable5(
  "known_numbers",
  {
    account: text5().notNull(),
    /** GTIN as 14 digits. */
    number: text5().notNull(),
    /** Null where the channel has no entry for it. */
    entry: text5({ mode: "json" }).$type(),
    at: text5().notNull()
  },
  (table) => [primaryKey5({ columns: [table.account, table.number] })]
);

// server/src/store/tables/dispatches.ts
import { index as index5, integer as integer6, primaryKey as primaryKey6, sqliteTable as sqliteTable6, text as text6 } from "drizzle-orm/sqlite-core";
var heldListings = sqliteTable6(
  "held_listings",
  {
    account: text6().notNull(),
    key: text6().notNull(),
    familyId: text6().notNull().references(() => families.id, { onDelete: "cascade" }),
    draft: integer6({ mode: "boolean" }).notNull(),
    page: text6(),
    sentAt: text6().notNull(),
    listing: text6({ mode: "json" }).$type().notNull()
  },
  (table) => [primaryKey6({ columns: [table.account, table.key] }), index5("held_by_family").on(table.familyId)]
);
var dispatches = sqliteTable6("dispatches", {
  id: text6().primaryKey(),
  /** Given by the sender: the same key twice is the same dispatch. */
  key: text6().notNull().unique(),
  at: text6().notNull(),
  state: text6({ enum: ["running", "done", "stopped"] }).notNull(),
  draft: integer6({ mode: "boolean" }).notNull(),
  totals: text6({ mode: "json" }).$type().notNull(),
  notice: text6()
});
var dispatchLines = sqliteTable6(
  "dispatch_lines",
  {
    id: integer6().primaryKey({ autoIncrement: true }),
    dispatchId: text6().notNull().references(() => dispatches.id, { onDelete: "cascade" }),
    account: text6().notNull().default(""),
    familyId: text6().notNull(),
    familyName: text6().notNull(),
    key: text6().notNull(),
    action: text6({ enum: ["list", "revise", "takeDown", "none"] }).notNull(),
    children: integer6().notNull(),
    fee: text6().notNull(),
    state: text6({ enum: ["held", "queued", "sent", "done", "refused", "failed", "stopped"] }).notNull(),
    outcome: text6(),
    reasons: text6({ mode: "json" }).$type().notNull(),
    page: text6(),
    /** What the message holds, in words. */
    what: text6().notNull().default(""),
    /** The key the message was handed over under; another try has another. */
    submission: text6(),
    /** The number of the channel's receipt, once it has taken the line. */
    receipt: text6(),
    message: text6({ mode: "json" }).$type(),
    /** What the channel will hold when it accepts. */
    listing: text6({ mode: "json" }).$type()
  },
  (table) => [index5("lines_by_dispatch").on(table.dispatchId), index5("lines_by_state").on(table.state)]
);

// server/src/store/tables/jobs.ts
import { integer as integer7, primaryKey as primaryKey7, sqliteTable as sqliteTable7, text as text7 } from "drizzle-orm/sqlite-core";
var jobs = sqliteTable7("jobs", {
  id: text7().primaryKey(),
  kind: text7({ enum: ["recheck", "intake", "list", "pictures", "export"] }).notNull(),
  title: text7().notNull(),
  subject: text7().notNull(),
  state: text7({ enum: ["running", "stopped", "done", "failed"] }).notNull(),
  done: integer7().notNull(),
  total: integer7(),
  notice: text7(),
  at: text7().notNull(),
  endedAt: text7(),
  /** What it works on; null where the due list says it. */
  sheet: text7({ mode: "json" }).$type(),
  pictures: text7({ mode: "json" }).$type(),
  list: text7({ mode: "json" }).$type(),
  export: text7({ mode: "json" }).$type()
});
var arrivals = sqliteTable7(
  "arrivals",
  {
    jobId: text7().notNull().references(() => jobs.id, { onDelete: "cascade" }),
    at: integer7().notNull(),
    /** Its name with its folders, or its address. */
    path: text7().notNull(),
    pictureId: text7(),
    /** Why it was not taken. */
    problem: text7(),
    settled: text7({ mode: "json" }).$type()
  },
  (table) => [primaryKey7({ columns: [table.jobId, table.at] })]
);
var sheetRows = sqliteTable7(
  "sheet_rows",
  {
    jobId: text7().notNull().references(() => jobs.id, { onDelete: "cascade" }),
    row: integer7().notNull(),
    verdict: text7({ enum: ["new", "changed", "same", "refused"] }).notNull(),
    doc: text7({ mode: "json" }).$type().notNull()
  },
  (table) => [primaryKey7({ columns: [table.jobId, table.row] })]
);
var listFamilies = sqliteTable7(
  "list_families",
  {
    jobId: text7().notNull().references(() => jobs.id, { onDelete: "cascade" }),
    at: integer7().notNull(),
    /** What is looked for among them. */
    mark: text7({ enum: ["plain", "doubtful", "refused", "single"] }).notNull(),
    doc: text7({ mode: "json" }).$type().notNull()
  },
  (table) => [primaryKey7({ columns: [table.jobId, table.at] })]
);
var listRows = sqliteTable7(
  "list_rows",
  {
    jobId: text7().notNull().references(() => jobs.id, { onDelete: "cascade" }),
    at: integer7().notNull(),
    row: integer7().notNull(),
    verdict: text7().notNull(),
    doc: text7({ mode: "json" }).$type().notNull()
  },
  (table) => [primaryKey7({ columns: [table.jobId, table.at] })]
);

// server/src/store/tables/layouts.ts
import { sqliteTable as sqliteTable8, text as text8 } from "drizzle-orm/sqlite-core";
var layouts = sqliteTable8("layouts", {
  /** The view. */
  id: text8().primaryKey(),
  doc: text8({ mode: "json" }).notNull()
});

// server/src/store/database.ts
function openDatabase(file, migrations = MIGRATIONS) {
  mkdirSync(dirname(file), { recursive: true, mode: 448 });
  const client = new Sqlite(file);
  client.pragma("journal_mode = WAL");
  client.pragma("synchronous = FULL");
  client.pragma("foreign_keys = ON");
  client.pragma("busy_timeout = 5000");
  client.pragma("cache_size = -65536");
  const database2 = drizzle(client, { schema: schema_exports, casing: "snake_case" });
  migrate(database2, { migrationsFolder: migrations });
  return database2;
}

// sheets/src/csv.ts
import { parse as parse2 } from "csv-parse/sync";
import { stringify } from "csv-stringify/sync";
import Papa from "papaparse";

// core/src/index.ts
import { freeze as freeze3 } from "immer";

// core/src/words/counts.ts
function listed(words2, before = "and") {
  return words2.length < 2 ? words2[0] ?? "" : `${words2.slice(0, -1).join(", ")} ${before} ${words2.at(-1)}`;
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
  "list.number-twice": (p) => `The ${p.kind} ${p.number} stands in row ${p.row} already, with ${p.family}. Each number belongs to one child: give this row its own.`,
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
  const open = slabs.findIndex((slab, at2) => slab.upTo === void 0 && at2 < last);
  if (open >= 0) return { at: open, text: "Only the last rate holds for all prices above." };
  if (slabs[last]?.upTo !== void 0) return { at: last, text: "The last rate has to hold for all prices above." };
  const wrong = slabs.findIndex((slab, at2) => at2 > 0 && slab.upTo && new Big(slab.upTo).lte(slabs[at2 - 1].upTo));
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
function plainDigits(text10) {
  if (IS_PLAIN.test(text10)) return text10;
  return text10.replace(new RegExp("\\p{Nd}", "gu"), (digit) => String(digitOf(digit))).replace(/[٫]/g, ".").replace(/[٬，]/g, ",").replace(/[−–]/g, "-");
}
function digitOf(digit) {
  const code = digit.codePointAt(0);
  let zero = code;
  while (code - zero < 9 && new RegExp("\\p{Nd}", "u").test(String.fromCodePoint(zero - 1))) zero -= 1;
  return (code - zero) % 10;
}
function readNumber(text10, habit = {}) {
  const written = plainDigits(text10).trim().replace(/[.,]-{1,2}$/, "");
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
function withoutGaps(text10) {
  if (!/[\s'’ʼ\u00a0\u202f]/.test(text10)) return text10;
  const gaps = text10.replace(/[\s'’ʼ\u00a0\u202f]+/g, " ");
  return /^\d{1,3}( \d{3})+([.,]\d+)?$/.test(gaps) ? gaps.replaceAll(" ", "") : null;
}
var isGrouped = (text10, mark) => text10.split(mark).every((group, at2) => at2 === 0 ? /^\d{1,3}$/.test(group) : /^\d{3}$/.test(group));
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
function isIsbn10(text10) {
  if (!/^\d{9}[\dX]$/.test(text10)) return false;
  const sum = [...text10].reduce((total, mark, at2) => total + (10 - at2) * (mark === "X" ? 10 : Number(mark)), 0);
  return sum % 11 === 0;
}
function isbn13From10(isbn10) {
  const body = "978" + isbn10.slice(0, 9);
  return body + gtinCheckDigit(body);
}
function bareNumber(text10) {
  const named2 = /^\s*['’]?\s*(ISBN(?:-1[03])?|EAN(?:-?\d+)?|UPC(?:-A)?|GTIN(?:-\d+)?)?[:\s]*/i.exec(text10);
  const rest = text10.slice(named2[0].length);
  const compact2 = plainDigits(rest).replace(/[\s\-‐‑–—\u00a0\u202f]/g, "").toUpperCase().replace(/^(\d{7,14})\.0+$/, "$1");
  const hyphens = /[-‐‑–]/.test(rest.trim());
  return { compact: compact2, isbn: hyphens || /^ISBN/i.test(named2[1] ?? "") };
}
function readGtin(text10) {
  if (/^[1-9]\d{12}$/.test(text10) && isGtin(text10) && !isInternal(text10)) return { ok: true, gtin: text10 };
  const { compact: compact2, isbn } = bareNumber(text10);
  if (/^\d+([.,]\d+)?E\+?\d+$/.test(compact2)) return unreadable("gtin.scientific", { text: text10 });
  if (isIsbn10(compact2)) {
    const upc = `00${compact2}`;
    return !isbn && isGtin(upc) ? unreadable("gtin.isbn-or-upc", { digits: compact2 }) : { ok: true, gtin: isbn13From10(compact2) };
  }
  if (!/^\d+$/.test(compact2)) return unreadable("gtin.letters", { text: text10 });
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
  const at2 = rows.findIndex((row) => row.length !== columns.length || row[0] === "");
  if (at2 >= 0)
    check.addIssue({
      code: "custom",
      path: ["rows", at2],
      message: "Each row has a size and a cell for each measure."
    });
  const sizes = rows.map((row) => row[0].toLowerCase());
  const twin = sizes.findIndex((size, nth) => sizes.indexOf(size) !== nth);
  if (twin >= 0)
    check.addIssue({ code: "custom", path: ["rows", twin], message: `${rows[twin][0]} stands twice.` });
});
function sizeChartText({ unit, columns, rows }) {
  const [size, ...measures] = columns;
  const line = (row) => `${row[0]}: ${measures.map((measure2, at2) => [measure2, row[at2 + 1]]).filter(([, cell]) => cell !== "").map(([measure2, cell]) => `${measure2.toLowerCase()} ${cell}${/^[\d.,\s–-]+$/.test(cell) ? ` ${unit}` : ""}`).join(", ")}`;
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

// core/src/money/currency.ts
var OTHER_THAN_TWO = {
  BHD: 3,
  BIF: 0,
  CLF: 4,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  IQD: 3,
  ISK: 0,
  JOD: 3,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  PYG: 0,
  RWF: 0,
  TND: 3,
  UGX: 0,
  UYI: 0,
  UYW: 4,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0
};
function decimalsOf(currency) {
  return OTHER_THAN_TWO[currency] ?? 2;
}
function isCurrency(code) {
  return Intl.supportedValuesOf("currency").includes(code);
}

// core/src/money/amount.ts
var CURRENCY = new RegExp("^(?:[A-Z]{0,3}\\p{Sc}|[A-Z]{3}(?=[\\s\\d-]))\\s*|\\s*(?:\\p{Sc}|[A-Z]{3})$", "gu");
function readAmount(text10, habit = {}) {
  const plain3 = text10.trim().toUpperCase().replace(CURRENCY, "").trim();
  const read2 = readNumber(plain3, habit);
  if (!read2.ok) return read2;
  return /^-?\d{1,12}(\.\d{1,6})?$/.test(read2.number) ? read2 : { ok: false, why: "none" };
}
function toCurrency(amount, currency) {
  return new Big3(amount).round(decimalsOf(currency), Big3.roundHalfUp).toFixed(decimalsOf(currency));
}
function compareAmounts(a, b) {
  return a === b ? 0 : new Big3(a).cmp(b);
}

// core/src/money/surcharge.ts
var surchargeKey = (key) => `${key}+`;
var surchargedKey = (key) => key.endsWith("+") ? key.slice(0, -1) : null;
function readSurcharge(text10, habit = {}) {
  const plain3 = text10.trim().replace(/[−–]/g, "-").replace(/^\+\s*/, "").replace(/^-\s+/, "-");
  const percent = /^(.*\S)\s*%$/.exec(plain3);
  if (!percent) return readAmount(plain3, habit);
  const read2 = readNumber(percent[1], habit);
  return read2.ok ? { ok: true, number: `${read2.number}%` } : read2;
}
function showSurcharge(surcharge) {
  const sign = surcharge.startsWith("-") ? "\u2212" : "+";
  return sign + surcharge.replace(/^-/, "").replace("%", " %");
}
var DECIMALS = 2;
function withSurcharges(amount, surcharges) {
  const base = new Big4(amount);
  const decimals = Math.max(DECIMALS, amount.split(".")[1]?.length ?? 0);
  const sum = surcharges.reduce((total, one) => {
    const more = one.endsWith("%") ? base.times(one.slice(0, -1)).div(100).round(decimals, Big4.roundHalfUp) : new Big4(one);
    return total.plus(more);
  }, base);
  return sum.lt(0) ? "0" : sum.toString();
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
  const words2 = wordsOf(data);
  const fieldsOfCategory = /* @__PURE__ */ new Map();
  function fieldsAt(level, categoryId) {
    const id = category(categoryId)?.id ?? "";
    let known2 = fieldsOfCategory.get(id);
    if (!known2) {
      const above = new Set(path(id).map((one) => one.id));
      const asked = fields.filter(
        (field4) => field4.categories.length === 0 || field4.categories.some((one) => above.has(one))
      );
      const at2 = (wanted) => asked.filter((field4) => field4.levels.includes(wanted));
      fieldsOfCategory.set(id, known2 = { family: at2("family"), value: at2("value"), child: at2("child") });
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
    word: (role, label) => words2.get(role)?.get(foldLabel(label)),
    locations: locationsOf(data),
    languages: data.languages,
    firstLanguage: data.languages[0]
  });
}
function withChoices({ terms, sizeCharts }, field4) {
  if (!field4.chosenOf) return field4;
  const choices = field4.chosenOf === "sizeChart" ? Object.values(sizeCharts).map((chart) => ({ value: chart.id, label: chart.label, says: sizeChartText(chart) })) : Object.values(terms).filter((term) => term.kind === field4.chosenOf).map(({ id, label, text: text10 }) => ({ value: id, label, says: text10 }));
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
  for (let at2 = category; at2 && !path.includes(at2); at2 = at2.parent === null ? void 0 : data.categories[at2.parent])
    path.unshift(at2);
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
  const words2 = /* @__PURE__ */ new Map();
  for (const [role, entries] of Object.entries(data.dictionary)) {
    const bySpelling = /* @__PURE__ */ new Map();
    for (const entry of Object.values(entries))
      for (const synonym of entry.synonyms) bySpelling.set(foldLabel(synonym), entry);
    for (const entry of Object.values(entries)) bySpelling.set(foldLabel(entry.label), entry);
    words2.set(role, bySpelling);
  }
  return words2;
}

// core/src/identifiers/sku.ts
var FORM = /^[A-Za-z0-9][A-Za-z0-9._/-]*$/;
var SKU_MOST = 40;
function readSku(text10, most = SKU_MOST) {
  const sku = text10.trim();
  if (!FORM.test(sku)) return unreadable("sku.form", { text: sku });
  return sku.length > most ? unreadable("sku.long", { text: sku, most }) : { ok: true, figure: sku };
}

// core/src/measure/readDate.ts
var NONE2 = { ok: false, why: "none" };
function readDate(text10, habit = {}, languages = []) {
  const plain3 = text10.trim().replace(/\s+/g, " ");
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
function withMonthName(text10, languages) {
  const words2 = new RegExp("^(?:(\\d{1,2})(?:\\.|st|nd|rd|th)? (?:of |de )?)?(\\p{L}[\\p{L}.]*)(?: (\\d{1,2})(?:\\.|st|nd|rd|th)?)?,? (?:de )?(\\d{4}|\\d{2})$", "u").exec(
    text10
  );
  const [, before, name, after, year] = words2 ?? [];
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
function readLength(text10, assumed = "cm", habit = {}) {
  return readMeasure(text10, LENGTH_WORDS, CENTIMETRES, assumed, habit);
}
function readWeight(text10, assumed = "g", habit = {}) {
  return readMeasure(text10, WEIGHT_WORDS, GRAMS, assumed, habit);
}
var PART = /^\s*(?:([\d.,\s'’\u00a0\u202f]*?\d|[.,]\d+)\s+)?(\d+)\s*\/\s*(\d+)\s*([^\d\s.,][^\d]*?)?(?=\s*\d|\s*$)/;
var PLAIN = /^\s*([\d.,][\d.,\u00a0\u202f]*(?:[\s'’](?=\d{3}(?!\d))\d{3}[\d.,]*)*)\s*([^\d\s.,][^\d]*?)?\.?(?=\s*[\d.]|\s*$)/;
function readMeasure(text10, words2, factors, assumed, habit) {
  let rest = plainDigits(text10).trim();
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
    const unit = word === "" ? parts === 0 && rest === "" ? assumed : void 0 : words2[word];
    if (!unit) return { ok: false, why: "none" };
    if (fraction && Number(match[3]) === 0) return { ok: false, why: "none" };
    const number = readNumber(fraction ? match[1] ?? "0" : match[1], habit);
    if (!number.ok && number.why === "none") return number;
    const more = fraction ? new Big5(match[2]).div(match[3]) : new Big5(0);
    const both = number.ok ? [number.number, number.number] : number.readings;
    doubtful2 ||= !number.ok;
    both.forEach(
      (one, at2) => readings[at2] = readings[at2].plus(new Big5(one).plus(more).times(factors[unit]))
    );
    total = readings[0];
    parts += 1;
    if (parts > 2) return { ok: false, why: "none" };
  }
  if (parts === 0 || total.lt(0)) return { ok: false, why: "none" };
  if (doubtful2) return { ok: false, why: "two", readings: readings.map((one) => one.toString()) };
  return { ok: true, measure: total.round(2, Big5.roundHalfUp).toNumber() };
}

// core/src/family/everyChild.ts
function everyChild(family) {
  return [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)];
}
var childIn = (family, id) => family.children[id] ?? family.shelf[id]?.child;
function touchedChildren(before, after) {
  if (!before) return { was: [], now: everyChild(after) };
  const was = [];
  const now = [];
  for (const id in before.children) if (childIn(after, id) !== before.children[id]) was.push(before.children[id]);
  for (const id in before.shelf) if (childIn(after, id) !== before.shelf[id].child) was.push(before.shelf[id].child);
  for (const id in after.children) if (childIn(before, id) !== after.children[id]) now.push(after.children[id]);
  for (const id in after.shelf) if (childIn(before, id) !== after.shelf[id].child) now.push(after.shelf[id].child);
  return { was, now };
}

// core/src/identifiers/sameness.ts
var IDENTIFIERS = ["sku", "gtin"];
var isIdentifier = (key) => key === "sku" || key === "gtin";
function identityOf(kind, identifier) {
  return kind === "gtin" ? gtin14(identifier) : identifier.toUpperCase();
}
function identifierOwners(family) {
  const owners = /* @__PURE__ */ new Map();
  for (const child of everyChild(family)) {
    for (const kind of IDENTIFIERS) {
      const figure = child.fields[kind];
      if (typeof figure !== "string") continue;
      const key = `${kind}|${identityOf(kind, figure)}`;
      if (!owners.has(key)) owners.set(key, child);
    }
  }
  return owners;
}

// core/src/bundles/parts.ts
var PARTS_MOST = 20;
var EACH_MOST = 999;
var BEFORE = /^(\d{1,4})(?:\s*[×*]\s*|\s+x\s+|\s+)(\S+)$/i;
var AFTER = /^(\S+)(?:\s*[×*]\s*|\s+x\s+)(\d{1,4})$/i;
function readParts(text10) {
  const parts = /* @__PURE__ */ new Map();
  for (const piece of text10.split(/[,;\n]/).filter((one) => one.trim() !== "")) {
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
function bundlePieces(parts, piecesOf2) {
  let least = null;
  for (const { sku, pieces } of parts) {
    const there = piecesOf2(sku);
    if (there === null) continue;
    const sets = Math.max(0, Math.floor((there ?? 0) / pieces));
    least = least === null ? sets : Math.min(least, sets);
  }
  return least;
}

// core/src/wording/composition.ts
import Big6 from "big.js";
var PARTS_AT_MOST = 10;
var PART2 = /^(?:([\d.,]+)\s*%\s*(\S.*)|(\S.*?)\s+([\d.,]+)\s*%)$/;
function readComposition(text10) {
  const pieces = text10.split(/[,;/]\s*(?=\d+(?:[.,]\d+)?\s*%|\D[^,;/]*\d\s*%\s*(?:[,;/]|$))/);
  const parts = [];
  for (const piece of pieces) {
    const match = PART2.exec(piece.trim());
    const share = match && readNumber(match[1] ?? match[4], { decimal: "." });
    if (!match || !share?.ok) return unreadable("figure.composition", { field: "Composition", text: text10 });
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
function isMarkup(text10) {
  return /^\s*<(?:p|div|ul|ol|h[1-6]|blockquote|section|article|table)\b[^>]*>/i.test(text10);
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
      ontext(text10) {
        if (dropped > 0) return;
        if (open.length === 0 && text10.trim() !== "") {
          open.push("p");
          out.push("<p>");
        }
        if (open.length > 0) out.push(escapeText(text10));
      }
    },
    { decodeEntities: true, lowerCaseTags: true }
  );
  parser.end(html);
  while (open.length > 0) out.push(`</${open.pop()}>`);
  return withoutEmpty(out.join("")).trim();
}
var escapeText = (text10) => text10.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");
function withoutEmpty(html) {
  const next = html.replace(/<(p|h3|h4|ul|ol|li|strong|em)>(?:\s|<br>)*<\/\1>/g, "");
  return next === html ? html : withoutEmpty(next);
}
function plainText(text10) {
  if (!isMarkup(text10)) return text10;
  const lines = [""];
  const put2 = (words2) => lines[lines.length - 1] += words2;
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
      ontext: (words2) => void put2(words2.replace(/\s+/g, " "))
    },
    { decodeEntities: true }
  );
  parser.end(text10);
  return lines.map((line) => line.trim()).join("\n").replace(/\n{3,}/g, "\n\n").trim();
}

// core/src/wording/controlMarks.ts
var CONTROL_MARKS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

// core/src/registry/figures.ts
var habitsOf = (cells) => ({ ...habitOf(cells), ...dateHabitOf(cells) });
var good2 = (figure) => ({ ok: true, figure });
function readFigure(registry, field4, text10, source = {}) {
  if (CONTROL_MARKS.test(text10)) return unreadable("figure.marks", { field: field4.label });
  const keepsLines = field4.type === "longtext" || field4.type === "list";
  const trimmed = keepsLines ? text10.trim() : text10.trim().replace(/\s+/g, " ");
  if (trimmed === "") return good2(null);
  return READERS[field4.type](trimmed, field4, source, registry);
}
var READERS = {
  text: readText,
  longtext: readText,
  list: (text10, field4) => readList(text10.split(text10.includes("\n") ? "\n" : /[;,]/), field4),
  money(text10, field4, source) {
    const read2 = readAmount(text10, source);
    if (!read2.ok) return doubtful(read2, field4, text10) ?? unreadable("figure.no-amount", { field: field4.label, text: text10 });
    return read2.number.startsWith("-") ? unreadable("figure.below-zero", { field: field4.label }) : good2(read2.number);
  },
  surcharge(text10, field4, source) {
    const read2 = readSurcharge(text10, source);
    if (!read2.ok) return doubtful(read2, field4, text10) ?? unreadable("figure.no-surcharge", { field: field4.label, text: text10 });
    return /^-?0(\.0*)?%?$/.test(read2.number) ? good2(null) : good2(read2.number);
  },
  weight(text10, field4, source) {
    const read2 = readWeight(text10, source.unit ?? "g", source);
    return readMeasured(read2, field4, text10, "figure.no-weight");
  },
  length(text10, field4, source) {
    const read2 = readLength(text10, source.unit ?? "cm", source);
    return readMeasured(read2, field4, text10, "figure.no-length");
  },
  number(text10, field4, source) {
    const read2 = readNumber(text10, source);
    if (!read2.ok) return doubtful(read2, field4, text10) ?? unreadable("figure.no-number", { field: field4.label, text: text10 });
    return good2(Number(read2.number));
  },
  integer(text10, field4, source) {
    const read2 = readNumber(text10, source);
    const refused = () => unreadable("figure.no-count", { field: field4.label, text: text10, unit: field4.unit ?? "pieces" });
    if (!read2.ok) return doubtful(read2, field4, text10) ?? refused();
    return /^\d{1,9}(\.0+)?$/.test(read2.number) ? good2(Number(read2.number)) : refused();
  },
  yesno(text10, field4) {
    const word = text10.toLowerCase();
    if (["yes", "y", "true", "1", "on", "x"].includes(word)) return good2(true);
    if (["no", "n", "false", "0", "off", "-"].includes(word)) return good2(false);
    return unreadable("figure.no-yes-no", { field: field4.label, text: text10 });
  },
  date(text10, field4, source, registry) {
    const read2 = readDate(text10, source, registry.languages);
    if (read2.ok) return good2(read2.date);
    return doubtful(read2, field4, text10) ?? unreadable("figure.no-date", { field: field4.label, text: text10 });
  },
  choice(text10, field4) {
    const wanted = text10.toLowerCase();
    const choice = field4.choices?.find((one) => one.value === text10 || one.label.toLowerCase() === wanted);
    if (choice) return good2(choice.value);
    const choices = field4.choices?.map((one) => one.label).join(", ") ?? "";
    return unreadable("figure.no-choice", { field: field4.label, text: text10, choices });
  },
  category(text10, _field, _source, registry) {
    const wanted = text10.toLowerCase();
    const found = registry.category(text10) ?? registry.tree.find(({ category }) => registry.pathLabel(category.id).toLowerCase() === wanted)?.category;
    return found ? good2(found.id) : unreadable("category.unknown", { id: text10 });
  },
  composition(text10, field4) {
    const read2 = readComposition(text10);
    return read2.ok ? readText(read2.text, field4) : read2;
  },
  address(text10, field4) {
    const parsed = URL.canParse(text10) ? new URL(text10) : null;
    const isSafe = parsed?.protocol === "https:" && parsed.username === "" && parsed.hostname.includes(".");
    return isSafe ? readText(parsed.href, field4) : unreadable("figure.no-address", { field: field4.label });
  },
  parts(text10, field4) {
    const read2 = readParts(text10);
    return read2.ok ? readText(read2.text, field4) : read2;
  },
  sku: (text10, field4) => readSku(text10, field4.most),
  gtin(text10) {
    const read2 = readGtin(text10);
    return read2.ok ? good2(read2.gtin) : read2;
  },
  stock: (text10, field4, source, registry) => READERS.integer(text10, field4, source, registry),
  pictures: (_text, field4) => unreadable("figure.kind", { field: field4.label, kind: "a list of pictures" })
};
function readText(text10, field4) {
  const most = field4.most ?? Infinity;
  const hasForm = field4.markup === true && isMarkup(text10);
  if (hasForm && text10.length > most * TAGS_AT_MOST)
    return unreadable("figure.too-long", { field: field4.label, length: text10.length, most });
  const clean = hasForm ? cleanMarkup(text10) : text10;
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
function readMeasured(read2, field4, text10, code) {
  if (!read2.ok) return doubtful(read2, field4, text10) ?? unreadable(code, { field: field4.label, text: text10 });
  return read2.measure === 0 ? unreadable(code, { field: field4.label, text: text10 }) : good2(read2.measure);
}
function doubtful(read2, field4, text10) {
  if (read2.why !== "two") return null;
  const [one, other] = read2.readings;
  const code = field4.type === "date" ? "figure.two-days" : "figure.two-readings";
  return unreadable(code, { field: field4.label, text: text10, one, other });
}
var KINDS = {
  list: Array.isArray,
  pictures: Array.isArray,
  yesno: (figure) => typeof figure === "boolean",
  ...Object.fromEntries(
    ["weight", "length", "number", "integer"].map((type) => [type, (figure) => Number.isFinite(figure)])
  )
};
var KIND_WORDS = { list: "a list", pictures: "a list", yesno: "yes or no" };
function checkFigure(registry, field4, figure) {
  const isKind = KINDS[field4.type] ?? ((given) => typeof given === "string");
  if (!isKind(figure)) {
    const kind = KIND_WORDS[field4.type] ?? (KINDS[field4.type] ? "a number" : "text");
    return unreadable("figure.kind", { field: field4.label, kind });
  }
  if (Array.isArray(figure)) return field4.type === "pictures" ? good2(figure) : checkList(figure, field4);
  if (typeof figure === "boolean") return good2(figure);
  if (typeof figure === "number") return readFigure(registry, field4, plainNumber(figure), { decimal: "." });
  if (field4.type === "composition") return readText(figure.trim(), field4);
  return readFigure(registry, field4, figure, { decimal: "." });
}
var PLAIN2 = new Intl.NumberFormat("en", { useGrouping: false, maximumFractionDigits: 12 });
var plainNumber = (figure) => Number.isSafeInteger(figure) ? String(figure) : PLAIN2.format(figure);
function checkList(figure, field4) {
  return figure.some((one) => CONTROL_MARKS.test(one)) ? unreadable("figure.marks", { field: field4.label }) : readList(figure, field4);
}
function showFigure(registry, field4, figure, currency) {
  if (figure === void 0 || figure === null) return "";
  if (currency && field4?.type === "money" && typeof figure === "string") {
    const shown = toCurrency(figure, currency);
    return compareAmounts(shown, figure) === 0 ? shown : figure;
  }
  if (typeof figure === "boolean") return figure ? "yes" : "no";
  if (field4?.type === "surcharge") return showSurcharge(String(figure));
  if (Array.isArray(figure)) return figure.join("\n");
  if (field4?.type === "choice") return field4.choices?.find((one) => one.value === figure)?.label ?? String(figure);
  if (field4?.type === "category") return registry.pathLabel(figure) || String(figure);
  return typeof figure === "number" ? plainNumber(figure) : figure;
}

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
function guessSwatch(name) {
  const words2 = name.toLowerCase().split(/[^a-z]+/).filter(Boolean);
  for (const candidate of [words2.join(""), ...words2.toReversed()]) {
    const trade = TRADE_NAMES[candidate];
    if (trade) return trade;
    if (Object.hasOwn(colorsNamed, candidate)) return formatHex(candidate).toUpperCase();
  }
  return null;
}
var difference = differenceCiede2000();
var measured = converter("lab65");
function measure(colour) {
  const parsed = parse(colour);
  if (!parsed) throw new RangeError(`not a colour: ${colour}`);
  return measured(parsed);
}
function nearestOf(among) {
  const candidates = among.map((colour) => ({ colour, lab: measure(colour.swatch) }));
  return (swatch) => {
    const wanted = measure(swatch);
    let best2 = null;
    for (const { colour, lab } of candidates) {
      const far = difference(wanted, lab);
      if (!best2 || far < best2.difference) best2 = { colour, difference: far };
    }
    return best2;
  };
}

// core/src/identifiers/shortCodes.ts
function shortCodes(labels, used = [], length = 3) {
  const taken2 = new Set(used);
  return labels.map((label) => {
    const candidates = codeCandidates(label, length);
    let code = candidates.find((one) => !taken2.has(one));
    for (let n = 2; code === void 0; n++) {
      const numbered = (candidates[0] ?? "V").slice(0, Math.max(1, length - String(n).length)) + n;
      if (!taken2.has(numbered)) code = numbered;
    }
    taken2.add(code);
    return code;
  });
}
function codeCandidates(label, length) {
  const words2 = label.normalize("NFD").replace(new RegExp("\\p{M}", "gu"), "").toUpperCase().split(/[^A-Z0-9]+/).filter(Boolean);
  const whole = words2.join("");
  if (whole === "") return [];
  if (whole.length <= 4 && /^(\d|X|S$|M$|L$)/.test(whole)) return [whole];
  if (/^\d/.test(whole)) return [whole.slice(0, 6)];
  const consonants = whole[0] + whole.slice(1).replace(/[AEIOU]/g, "");
  const initials = words2.length > 1 ? words2.map((word, at2) => at2 === 0 ? word.slice(0, length - words2.length + 1 || 1) : word[0]).join("") : "";
  return [
    initials.slice(0, length),
    whole.slice(0, length),
    consonants.slice(0, length),
    whole.slice(0, 2) + whole.at(-1)
  ].filter((one) => one.length > 0);
}

// core/src/registry/dictionary.ts
var UNKNOWN_SWATCH = "#B8BDB8";
function dressValues(registry, role, specs, present = []) {
  const taken2 = /* @__PURE__ */ new Set([...present.map((value) => value.code), ...specs.flatMap((spec) => spec.code ?? [])]);
  const known2 = specs.map((spec) => registry.word(role, spec.label));
  const codes = specs.map((spec, at2) => {
    if (spec.code) return spec.code;
    const code = known2[at2]?.code;
    if (code === void 0 || taken2.has(code)) return void 0;
    taken2.add(code);
    return code;
  });
  const made = shortCodes(
    specs.filter((_, at2) => codes[at2] === void 0).map((spec) => spec.label),
    taken2
  );
  return specs.map((spec, at2) => {
    const swatch = spec.swatch ?? known2[at2]?.swatch ?? (role === "colour" ? swatchFor(spec.label) : void 0);
    const code = codes[at2] ?? made.shift();
    return { label: spec.label.trim(), code, ...swatch ? { swatch: swatch.toUpperCase() } : {} };
  });
}
var swatchFor = (label) => guessSwatch(label) ?? UNKNOWN_SWATCH;

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

// core/src/change/difference.ts
import { dequal } from "dequal";

// core/src/change/patch.ts
import { z as z7 } from "zod";
var JsonPatchSchema = z7.array(
  z7.object({ op: z7.enum(["add", "remove", "replace"]), path: z7.string(), value: z7.unknown().optional() })
);
function pointerStep(key) {
  const text10 = String(key);
  return text10.includes("~") || text10.includes("/") ? "/" + text10.replaceAll("~", "~0").replaceAll("/", "~1") : "/" + text10;
}

// core/src/change/difference.ts
var isPlain = (data) => typeof data === "object" && data !== null && !Array.isArray(data);
var holdsThings = (list) => list.every(isPlain);
function difference2(before, after) {
  const forward = [];
  const inverse = [];
  compare("", before, after, forward, inverse);
  return { forward, inverse: inverse.reverse() };
}
function compare(path, a, b, forward, inverse) {
  if (a === b) return;
  if (isPlain(a) && isPlain(b)) compareKeys(path, a, b, forward, inverse);
  else if (Array.isArray(a) && Array.isArray(b) && holdsThings(a) && holdsThings(b))
    compareLists(path, a, b, forward, inverse);
  else if (!dequal(a, b)) {
    forward.push({ op: "replace", path, value: b });
    inverse.push({ op: "replace", path, value: a });
  }
}
function compareKeys(path, a, b, forward, inverse) {
  for (const key of Object.keys(a)) {
    if (a[key] === void 0 || a[key] === b[key]) continue;
    const place = path + pointerStep(key);
    if (b[key] !== void 0) compare(place, a[key], b[key], forward, inverse);
    else {
      forward.push({ op: "remove", path: place });
      inverse.push({ op: "add", path: place, value: a[key] });
    }
  }
  for (const key of Object.keys(b)) {
    if (b[key] === void 0 || a[key] !== void 0) continue;
    const place = path + pointerStep(key);
    forward.push({ op: "add", path: place, value: b[key] });
    inverse.push({ op: "remove", path: place });
  }
}
function compareLists(path, a, b, forward, inverse) {
  const both = Math.min(a.length, b.length);
  for (let at2 = 0; at2 < both; at2++) {
    if (a[at2] !== b[at2]) compare(path + pointerStep(at2), a[at2], b[at2], forward, inverse);
  }
  for (let at2 = both; at2 < b.length; at2++) {
    forward.push({ op: "add", path: path + pointerStep(at2), value: b[at2] });
    inverse.push({ op: "remove", path: path + pointerStep(at2) });
  }
  for (let at2 = a.length - 1; at2 >= both; at2--) {
    forward.push({ op: "remove", path: path + pointerStep(at2) });
    inverse.push({ op: "add", path: path + pointerStep(at2), value: a[at2] });
  }
}

// core/src/identifiers/skuPattern.ts
var MARK_LETTERS = ["capitals", "small", "as-written"];
var FAMILY_MARKS = {
  style: "styleCode",
  brand: "brand",
  model: "modelNumber"
};
var COUNTER = "counter";
var APART = "apart";
function skuMarks(family) {
  const axes = family.axes.map((axis) => markOf(axis.label));
  return [.../* @__PURE__ */ new Set(["style", ...axes, ...Object.keys(FAMILY_MARKS), COUNTER, APART])];
}
function markOf(label) {
  const hyphened = (others) => label.toLowerCase().replace(others, "-").replace(/^-|-$/g, "");
  return hyphened(/[^a-z0-9]+/g) || hyphened(/[^\p{L}\p{N}]+/gu);
}
function readPattern(pattern) {
  return pattern.split(/(\{[^}]*\})/).filter((text10) => text10 !== "").map((text10) => /^\{[^}]*\}$/.test(text10) ? readMark(text10.slice(1, -1)) : text10);
}
function readMark(text10) {
  const colon = text10.indexOf(":");
  const said = { mark: colon < 0 ? text10 : text10.slice(0, colon) };
  for (const word of colon < 0 ? [] : text10.slice(colon + 1).split(",")) {
    const letters = MARK_LETTERS.find((one) => one === word);
    if (/^[1-9]\d?$/.test(word)) said.length = Number(word);
    else if (word === "label") said.label = true;
    else if (letters) said.letters = letters;
    else return { mark: text10 };
  }
  return said;
}
function writePattern(pieces) {
  return pieces.map((piece) => {
    if (typeof piece === "string") return piece;
    const said = [
      piece.length,
      piece.label ? "label" : void 0,
      piece.letters === "capitals" ? void 0 : piece.letters
    ].filter((one) => one !== void 0);
    return `{${piece.mark}${said.length > 0 ? `:${said.join(",")}` : ""}}`;
  }).join("");
}
function unknownMarks(family, pattern) {
  const marks = skuMarks(family);
  return readPattern(pattern).flatMap(
    (piece) => typeof piece === "string" || marks.includes(piece.mark) ? [] : [piece.mark]
  );
}
function renamedMark(pattern, before, after) {
  const mark = markOf(before);
  return writePattern(
    readPattern(pattern).map(
      (piece) => typeof piece !== "string" && piece.mark === mark ? { ...piece, mark: markOf(after) } : piece
    )
  );
}

// core/src/identifiers/housePattern.ts
var AXES = "axes";
var USUAL_HOUSE = `{style}-{${AXES}}`;
function familyPattern(house, axisLabels2) {
  const pieces = readPattern(house || USUAL_HOUSE);
  return writePattern(pieces.flatMap((piece, at2) => expanded(pieces, at2, axisLabels2)));
}
function expanded(pieces, at2, axisLabels2) {
  const piece = pieces[at2];
  if (typeof piece === "string") return [axisLabels2.length === 0 ? withoutSigns(piece, pieces, at2) : piece];
  if (piece.mark !== AXES) return [piece];
  const between = signsAtEnd(pieces[at2 - 1]);
  return axisLabels2.flatMap((label, nth) => [
    ...nth > 0 && between ? [between] : [],
    { ...piece, mark: markOf(label) }
  ]);
}
var signsAtEnd = (piece) => typeof piece === "string" ? /[^\p{L}\p{N}]*$/u.exec(piece)?.[0] ?? "" : "";
function withoutSigns(text10, pieces, at2) {
  const isAxes = (piece) => typeof piece === "object" && piece.mark === AXES;
  if (isAxes(pieces[at2 + 1])) return text10.slice(0, text10.length - signsAtEnd(text10).length);
  return at2 === 1 && isAxes(pieces[0]) ? text10.replace(/^[^\p{L}\p{N}]+/u, "") : text10;
}
function patternAfter(house, pattern, before, after) {
  const own = [house, USUAL_HOUSE].find((one) => familyPattern(one, before) === pattern);
  return own === void 0 ? pattern : familyPattern(own, after);
}

// core/src/family/scope.ts
var EVERYWHERE = "everywhere";
function scopeName(scope) {
  const [kind, ...name] = scope.split(":");
  return { kind, name: name.join(":") };
}
var NO_FIGURES = Object.freeze({});
function figuresIn(carrier, scope) {
  return scope === EVERYWHERE ? carrier.fields : carrier.scoped?.[scope] ?? NO_FIGURES;
}
function figureIn(carrier, scope, key) {
  return scope === EVERYWHERE ? carrier.fields[key] : carrier.scoped?.[scope]?.[key];
}

// core/src/family/weave.ts
var indexes = /* @__PURE__ */ new WeakMap();
function familyIndex(family) {
  const known2 = indexes.get(family);
  if (known2) return known2;
  const index6 = new LazyIndex(family);
  if (Object.isFrozen(family)) indexes.set(family, index6);
  return index6;
}
var LazyIndex = class {
  constructor(family) {
    this.family = family;
  }
  family;
  axes;
  values;
  inOrder;
  crossings;
  onValues;
  onChildren;
  inScopes;
  withSurcharge;
  places;
  allPositions;
  byValue;
  byLabel;
  columns = /* @__PURE__ */ new Map();
  get axisById() {
    return this.axes ??= new Map(this.family.axes.map((axis) => [axis.id, axis]));
  }
  get valueById() {
    return (this.values ??= valuesOf(this.family)).valueById;
  }
  get rank() {
    return (this.values ??= valuesOf(this.family)).rank;
  }
  get woven() {
    return this.inOrder ??= Object.freeze(inWeaveOrder(this.family, this.rank));
  }
  get byCrossing() {
    const { axes, children } = this.family;
    return this.crossings ??= new Map(
      Object.values(children).map((child) => [crossingKey(axes, child.at), child])
    );
  }
  get keysOnValues() {
    return this.onValues ??= keysOf(this.family.axes.flatMap((axis) => axis.values));
  }
  get keysOnChildren() {
    return this.onChildren ??= keysOf(this.woven);
  }
  get keysInScope() {
    return this.inScopes ??= scopedKeys(this.family);
  }
  get surcharged() {
    return this.withSurcharge ??= surchargedIn(this.keysOnValues, this.keysInScope);
  }
  get position() {
    return this.places ??= new Map(this.woven.map((child, at2) => [child.id, at2]));
  }
  get positions() {
    return this.allPositions ??= this.woven.map((_, at2) => at2);
  }
  positionsOf = (valueId) => (this.byValue ??= positionsByValue(this.family, this.woven)).get(valueId) ?? [];
  valueCalled = (axisId, label) => (this.byLabel ??= valuesByLabel(this.family)).get(axisId)?.get(foldLabel(label));
};
function valuesOf({ axes }) {
  const valueById = /* @__PURE__ */ new Map();
  const rank3 = /* @__PURE__ */ new Map();
  for (const { values } of axes)
    values.forEach((value, at2) => {
      valueById.set(value.id, value);
      rank3.set(value.id, at2);
    });
  return { valueById, rank: rank3 };
}
function positionsByValue({ axes }, woven) {
  const byValue = new Map(axes.flatMap((axis) => axis.values.map((value) => [value.id, []])));
  woven.forEach((child, at2) => {
    for (const axis of axes) byValue.get(child.at[axis.id] ?? "")?.push(at2);
  });
  return byValue;
}
var valuesByLabel = ({ axes }) => new Map(axes.map((axis) => [axis.id, new Map(axis.values.map((value) => [foldLabel(value.label), value]))]));
function keysOf(carriers) {
  const keys = /* @__PURE__ */ new Set();
  for (const { fields } of carriers) for (const key in fields) keys.add(key);
  return keys;
}
function scopedKeys(family) {
  const keys = /* @__PURE__ */ new Map();
  const note2 = ({ scoped }) => {
    for (const [scope, figures] of Object.entries(scoped ?? {})) {
      const known2 = keys.get(scope) ?? /* @__PURE__ */ new Set();
      keys.set(scope, known2);
      for (const key of Object.keys(figures)) known2.add(key);
    }
  };
  note2(family);
  family.axes.forEach((axis) => axis.values.forEach(note2));
  for (const id in family.children) if (family.children[id].scoped) note2(family.children[id]);
  return keys;
}
function surchargedIn(onValues, inScopes) {
  const keys = [onValues, ...inScopes.values()].flatMap((one) => [...one]);
  return new Set(keys.map(surchargedKey).filter((key) => key !== null));
}
function inWeaveOrder({ axes, children }, rank3) {
  const woven = Object.values(children).filter((child) => child.woven);
  const weights = Float64Array.from(woven, ({ at: at2 }) => {
    let weight = 0;
    for (const { id, values } of axes) weight = weight * (values.length + 1) + (rank3.get(at2[id] ?? "") ?? -1) + 1;
    return weight;
  });
  const isSorted = weights.every((weight, at2) => at2 === 0 || weights[at2 - 1] <= weight);
  if (isSorted) return woven;
  return Array.from(weights.keys()).sort((a, b) => weights[a] - weights[b] || a - b).map((at2) => woven[at2]);
}
function crossingKey(axes, at2) {
  let key = "";
  for (let nth = 0; nth < axes.length; nth++) key += (nth > 0 ? "|" : "") + (at2[axes[nth].id] ?? "");
  return key;
}
function crossingWithout(at2, axisIds) {
  const left = {};
  for (const id in at2) if (!axisIds.has(id)) left[id] = at2[id];
  return left;
}
function allCrossings(axes) {
  return axes.reduce(
    (rows, axis) => rows.flatMap((row) => axis.values.map((value) => ({ ...row, [axis.id]: value.id }))),
    [{}]
  );
}
function crossingFor(family, labels) {
  const { valueCalled } = familyIndex(family);
  const at2 = {};
  for (const [place, axis] of family.axes.entries()) {
    const value = valueCalled(axis.id, labels[place] ?? "");
    if (!value) return void 0;
    at2[axis.id] = value.id;
  }
  return at2;
}
function childAt(family, labels) {
  const at2 = crossingFor(family, labels);
  return at2 && familyIndex(family).byCrossing.get(crossingKey(family.axes, at2));
}
function childLabels(family, child) {
  const { valueById } = familyIndex(family);
  return family.axes.map((axis) => valueById.get(child.at[axis.id] ?? "")?.label ?? "\u2014");
}
function placeLabel(family, place) {
  if (place.level === "family") return "the family";
  if (place.level === "value") {
    return `everything ${familyIndex(family).valueById.get(place.valueId)?.label ?? "of a value that is gone"}`;
  }
  const child = family.children[place.childId] ?? family.shelf[place.childId]?.child;
  return child ? childLabels(family, child).join(" \xB7 ") || "the only child" : "a child that is gone";
}
function axisOf(family, axisId) {
  const axis = family.axes.find((one) => one.id === axisId);
  if (!axis) throw new Refusal("axis.unknown", {});
  return axis;
}
function valueOf(axis, valueId) {
  const value = axis.values.find((one) => one.id === valueId);
  if (!value) throw new Refusal("value.unknown", { label: axis.label });
  return value;
}
function childOf(family, childId) {
  const child = family.children[childId];
  if (!child) throw new Refusal("child.unknown", {});
  return child;
}

// core/src/family/level.ts
var NOTHING = Object.freeze({ figure: void 0, from: null, scope: EVERYWHERE, beaten: [] });
var FROM_FAMILY = Object.freeze({ level: "family" });
function resolve(family, child, key, scopes = []) {
  const found = inAnyScope(family, key, scopes, (scope) => {
    const own = figureIn(child, scope, key);
    if (own === void 0) return inheritedIn(family, child, key, scope);
    return { figure: own, from: { level: "child", childId: child.id }, scope, beaten: [] };
  });
  return surcharged(family, child, key, scopes, found);
}
function surchargesOf(family, child, key, scopes, base) {
  const all = [...scopes, EVERYWHERE];
  const near = all.slice(0, all.indexOf(base) + 1);
  const { valueById } = familyIndex(family);
  return family.axes.flatMap((axis) => {
    const value = valueById.get(child.at[axis.id] ?? "");
    const scope = value && near.find((one) => figureIn(value, one, surchargeKey(key)) !== void 0);
    if (!value || scope === void 0) return [];
    const surcharge = String(figureIn(value, scope, surchargeKey(key)));
    return [{ place: { level: "value", axisId: axis.id, valueId: value.id }, surcharge }];
  });
}
function surcharged(family, child, key, scopes, found) {
  if (!familyIndex(family).surcharged.has(key) || found.from?.level === "child" || typeof found.figure !== "string") {
    return found;
  }
  const surcharges = surchargesOf(family, child, key, scopes, found.scope);
  if (surcharges.length === 0) return found;
  const figure = withSurcharges(
    found.figure,
    surcharges.map((one) => one.surcharge)
  );
  return { ...found, figure, surcharges };
}
function inAnyScope(family, key, scopes, look) {
  const { keysInScope } = familyIndex(family);
  for (const scope of scopes) {
    const found = keysInScope.get(scope)?.has(key) ? look(scope) : void 0;
    if (found) return found;
  }
  return look(EVERYWHERE) ?? NOTHING;
}
function inheritedIn(family, child, key, scope) {
  const { valueById, keysOnValues } = familyIndex(family);
  let found;
  const some = scope !== EVERYWHERE || keysOnValues.has(key);
  for (let i = some ? family.axes.length - 1 : -1; i >= 0; i--) {
    const axis = family.axes[i];
    const value = valueById.get(child.at[axis.id] ?? "");
    const figure = value && figureIn(value, scope, key);
    if (!value || figure === void 0) continue;
    const place = { level: "value", axisId: axis.id, valueId: value.id };
    if (found) found.beaten.push(place);
    else found = { figure, from: place, scope, beaten: [] };
  }
  if (found) return found;
  const ofFamily = figureIn(family, scope, key);
  return ofFamily === void 0 ? void 0 : { figure: ofFamily, from: FROM_FAMILY, scope, beaten: [] };
}
function figureOf(family, child, key, scopes = []) {
  const { keysInScope, keysOnValues, surcharged: surcharged2 } = familyIndex(family);
  if (surcharged2.has(key)) return resolve(family, child, key, scopes).figure;
  if (scopes.length > 0 && scopes.some((scope) => keysInScope.get(scope)?.has(key))) {
    return resolve(family, child, key, scopes).figure;
  }
  const own = child.fields[key];
  if (own !== void 0) return own;
  return keysOnValues.has(key) ? inheritedIn(family, child, key, EVERYWHERE)?.figure : family.fields[key];
}

// core/src/family/column.ts
var FROM_FAMILY2 = Object.freeze({ level: "family" });
function columnOf(family, key, scopes = []) {
  const index6 = familyIndex(family);
  const concerns = (scope, one) => index6.keysInScope.get(scope)?.has(one) ?? false;
  const used = scopes.filter((scope) => concerns(scope, key) || concerns(scope, surchargeKey(key)));
  const name = `${key}|${used.join("|")}`;
  const known2 = index6.columns.get(name);
  if (known2) return known2;
  const column = makeColumn(family, index6, key, used);
  index6.columns.set(name, column);
  return column;
}
function makeColumn(family, index6, key, scopes) {
  if (index6.surcharged.has(key)) return surchargedColumn(family, index6, key, scopes);
  const isPlain2 = scopes.length === 0 && !index6.keysOnValues.has(key) && !index6.keysOnChildren.has(key);
  return isPlain2 ? familyColumn(family, index6, key) : mixedColumn(family, index6, key, scopes);
}
function familyColumn(family, { positions }, key) {
  const figure = figureIn(family, EVERYWHERE, key);
  const place = figure === void 0 ? null : FROM_FAMILY2;
  const group = { figure, place, scope: EVERYWHERE, members: positions };
  return { groups: positions.length > 0 ? [group] : [], at: () => figure, groupAt: () => group };
}
function mixedColumn(family, index6, key, scopes) {
  const { woven } = index6;
  const origins = [{ figure: void 0, place: null, scope: EVERYWHERE }];
  const originOf = new Int32Array(woven.length);
  const put2 = (figure, place, scope, members) => {
    if (figure === void 0) return;
    const origin = origins.push({ figure, place: place(), scope }) - 1;
    if (members === null) originOf.fill(origin);
    else for (const position of members) originOf[position] = origin;
  };
  for (const scope of [EVERYWHERE, ...scopes.toReversed()]) {
    put2(figureIn(family, scope, key), () => FROM_FAMILY2, scope, null);
    if (scope !== EVERYWHERE || index6.keysOnValues.has(key)) {
      for (const axis of family.axes) {
        for (const value of axis.values) {
          const place = () => ({ level: "value", axisId: axis.id, valueId: value.id });
          put2(figureIn(value, scope, key), place, scope, index6.positionsOf(value.id));
        }
      }
    }
    if (scope === EVERYWHERE && !index6.keysOnChildren.has(key)) continue;
    woven.forEach((child, position) => {
      const figure = figureIn(child, scope, key);
      if (figure !== void 0) put2(figure, () => ({ level: "child", childId: child.id }), scope, [position]);
    });
  }
  const all = groupsOf(origins, originOf);
  return {
    groups: all.filter((group) => group.members.length > 0),
    at: (position) => all[originOf[position]].figure,
    groupAt: (position) => all[originOf[position]]
  };
}
function surchargedColumn(family, { woven }, key, scopes) {
  const groups = /* @__PURE__ */ new Map();
  const groupOf = woven.map((child, position) => {
    const { figure, from: place, scope, surcharges = [] } = resolve(family, child, key, scopes);
    const name = JSON.stringify([place, scope, surcharges.map((one) => one.place.valueId)]);
    const group = groups.get(name) ?? { figure, place, scope, surcharges, members: [] };
    groups.set(name, group);
    group.members.push(position);
    return group;
  });
  return {
    groups: [...groups.values()],
    at: (position) => groupOf[position].figure,
    groupAt: (position) => groupOf[position]
  };
}
function groupsOf(origins, originOf) {
  const members = origins.map(() => []);
  originOf.forEach((origin, position) => members[origin].push(position));
  return origins.map((origin, at2) => ({ ...origin, members: members[at2] }));
}

// core/src/family/draft.ts
function draftOf(family) {
  return {
    ...family,
    axes: [...family.axes],
    children: { ...family.children },
    shelf: { ...family.shelf },
    wishes: { ...family.wishes }
  };
}
function replaceAxis(family, axis) {
  family.axes = family.axes.map((one) => one.id === axis.id ? axis : one);
}
function replaceValue(family, axisId, value) {
  const axis = axisOf(family, axisId);
  replaceAxis(family, { ...axis, values: axis.values.map((one) => one.id === value.id ? value : one) });
}
function replaceChild(family, child) {
  family.children[child.id] = child;
}
function carrierAt(family, place) {
  if (place.level === "family") return family;
  if (place.level === "value") return valueOf(axisOf(family, place.axisId), place.valueId);
  return childOf(family, place.childId);
}
function changeCarrier(family, place, changed) {
  if (place.level === "family") Object.assign(family, changed);
  else if (place.level === "value") {
    const value = valueOf(axisOf(family, place.axisId), place.valueId);
    replaceValue(family, place.axisId, { ...value, ...changed });
  } else replaceChild(family, { ...childOf(family, place.childId), ...changed });
}
function withFigure(carrier, scope, key, figure) {
  const { [key]: _before, ...others } = figuresIn(carrier, scope);
  const figures = figure === null ? others : { ...figuresIn(carrier, scope), [key]: figure };
  if (scope === EVERYWHERE) return { fields: figures, ...carrier.scoped ? { scoped: carrier.scoped } : {} };
  const { [scope]: _scope, ...elsewhere } = carrier.scoped ?? {};
  const scoped = Object.keys(figures).length > 0 ? { ...elsewhere, [scope]: figures } : elsewhere;
  return { fields: carrier.fields, scoped: Object.keys(scoped).length > 0 ? scoped : void 0 };
}

// core/src/axes/alike.ts
function alikeWithout(family, axisId, among) {
  const others = family.axes.filter((axis) => axis.id !== axisId);
  const { valueById } = familyIndex(family);
  const groups = /* @__PURE__ */ new Map();
  for (const child of Object.values(family.children)) {
    if (!child.woven || among && !among.has(child.at[axisId] ?? "")) continue;
    const key = crossingKey(others, child.at);
    const group = groups.get(key);
    if (group) group.push(child);
    else groups.set(key, [child]);
  }
  return [...groups].filter(([, children]) => children.length > 1).map(([key, children]) => ({
    key,
    labels: others.map((axis) => valueById.get(children[0].at[axis.id] ?? "")?.label ?? "\u2014"),
    childIds: children.map((child) => child.id)
  }));
}
function undecidedAmong(family, axisId, groups, keep) {
  const losers = /* @__PURE__ */ new Set();
  const undecided = groups.filter((group) => {
    const chosen = keep.byKey?.[group.key];
    const stays = chosen ?? group.childIds.find((id) => family.children[id].at[axisId] === keep.valueId);
    if (!stays || !group.childIds.includes(stays)) return true;
    for (const id of group.childIds) if (id !== stays) losers.add(id);
    return false;
  });
  return { losers, undecided };
}

// core/src/family/takeId.ts
function takeId(family, kind) {
  const id = kind === "c" ? `${family.id}.c${family.next}` : `${kind}${family.next}`;
  family.next += 1;
  return id;
}

// core/src/axes/keepAsBefore.ts
import { dequal as dequal2 } from "dequal";

// core/src/pictures/picturesOf.ts
function picturesAt(carrier, scopes = []) {
  for (const scope of scopes) {
    const own = figureIn(carrier, scope, "pictures");
    if (Array.isArray(own)) return own;
  }
  return carrier.pictures;
}
function picturesOf(family, child, scopes = []) {
  const { valueById } = familyIndex(family);
  const shown = [...picturesAt(child, scopes)];
  for (const { id } of family.axes) {
    const value = valueById.get(child.at[id] ?? "");
    if (value) shown.push(...picturesAt(value, scopes));
  }
  shown.push(...picturesAt(family, scopes));
  return shown.length > 1 ? [...new Set(shown)] : shown;
}

// core/src/axes/keepAsBefore.ts
function openTurn(before, after) {
  const all = [...inherited(before), ...inherited(after)];
  const concerned = [...new Map(all.map((one) => [one.join("\n"), one])).values()];
  return { before, after, concerned: concerned.sort(([one], [other]) => rank(one) - rank(other)) };
}
var rank = (scope) => scope === EVERYWHERE ? 0 : 1;
function keptAsBefore(turn, was, now) {
  return withPicturesAsBefore(turn, was, withFiguresAsBefore(turn, was, now));
}
function withFiguresAsBefore({ before, after, concerned }, was, now) {
  let kept = now;
  for (const [scope, key] of concerned) {
    const scopes = scope === EVERYWHERE ? [] : [scope];
    const figure = figureOf(before, was, key, scopes);
    if (figure === void 0 || dequal2(figure, figureOf(after, kept, key, scopes))) continue;
    kept = { ...kept, ...withFigure(kept, scope, key, figure) };
  }
  return kept;
}
function inherited(family) {
  const { keysOnValues, keysInScope } = familyIndex(family);
  return [[EVERYWHERE, keysOnValues], ...keysInScope].flatMap(([scope, keys]) => {
    const fields = new Set([...keys].map((key) => surchargedKey(key) ?? key));
    return [...fields].flatMap(
      (key) => key === "pictures" || key === "label" ? [] : [[scope, key]]
    );
  });
}
function withPicturesAsBefore({ before, after }, was, now) {
  const shown = picturesOf(before, was);
  if (dequal2(picturesOf(after, now), shown)) return now;
  const general = new Set(before.pictures);
  const pictures2 = shown.filter((id) => !general.has(id) || was.pictures.includes(id));
  if (pictures2.length > MOST.pictures) throw new Refusal("picture.too-many", { most: MOST.pictures });
  return { ...now, pictures: pictures2 };
}

// core/src/axes/shelf.ts
function shelfKey(was) {
  return JSON.stringify(
    Object.entries(was).map(([axis, value]) => [foldLabel(axis), foldLabel(value)]).sort()
  );
}
function shelve(family, before, childId, axis) {
  const child = before.children[childId];
  const labels = childLabels(before, child);
  family.shelf[childId] = {
    child: takeOver(before, { ...child }, axis),
    was: Object.fromEntries(before.axes.map((one, at2) => [one.label, labels[at2]]))
  };
  delete family.children[childId];
}
function takeOverOnShelf(family, before, axis, gone) {
  for (const [id, shelved] of Object.entries(before.shelf)) {
    const valueId = shelved.child.at[axis.id];
    if (family.shelf[id] !== shelved || valueId === void 0 || !gone.has(valueId)) continue;
    const child = takeOver(before, shelved.child, axis);
    if (child !== shelved.child) family.shelf[id] = { ...shelved, child };
  }
}
function takeOver(before, child, axis) {
  const value = familyIndex(before).valueById.get(child.at[axis.id] ?? "");
  if (!value) return child;
  return withPictures(before, withFiguresOf(before, child, value), value);
}
function withFiguresOf(before, child, value) {
  let now = child;
  for (const scope of [EVERYWHERE, ...Object.keys(value.scoped ?? {})]) {
    for (const key of Object.keys(figuresIn(value, scope))) {
      if (key === "label" || key === "pictures") continue;
      const raised = surchargedKey(key);
      if (raised !== null) {
        now = { ...now, ...raisedBy(before, now, value, raised, scope) };
        continue;
      }
      const holds2 = resolve(before, child, key, scope === EVERYWHERE ? [] : [scope]);
      if (holds2.scope !== scope || holds2.from?.level !== "value" || holds2.from.valueId !== value.id) continue;
      now = { ...now, ...withFigure(now, scope, key, holds2.figure) };
    }
  }
  return now;
}
function raisedBy(before, child, value, key, scope) {
  const holds2 = resolve(before, child, key, scope === EVERYWHERE ? [] : [scope]);
  const isRaised = holds2.surcharges?.some((one) => one.place.valueId === value.id) ?? false;
  return isRaised ? withFigure(child, scope, key, holds2.figure) : {};
}
function withPictures(before, child, value) {
  if (value.pictures.length === 0) return child;
  const shown = picturesOf(before, child);
  const last = shown.findLastIndex((id) => value.pictures.includes(id));
  const pictures2 = [.../* @__PURE__ */ new Set([...shown.slice(0, last + 1), ...child.pictures])];
  if (pictures2.length > MOST.pictures) throw new Refusal("picture.too-many", { most: MOST.pictures });
  return pictures2.join() === child.pictures.join() ? child : { ...child, pictures: pictures2 };
}
function renameOnShelf(family, axis, valueId, label) {
  for (const [id, shelved] of Object.entries(family.shelf)) {
    if (shelved.child.at[axis.id] !== valueId || shelved.was[axis.label] === void 0) continue;
    family.shelf[id] = { ...shelved, was: { ...shelved.was, [axis.label]: label } };
  }
}
function renameAxisOnShelf(family, axis, label) {
  for (const [id, shelved] of Object.entries(family.shelf)) {
    const { [axis.label]: value, ...others } = shelved.was;
    if (value === void 0 || shelved.child.at[axis.id] === void 0) continue;
    family.shelf[id] = { ...shelved, was: { ...others, [label]: value } };
  }
}
function followValue(family, axis, value) {
  const standing = new Set(axis.values.map((one) => one.id));
  for (const [id, shelved] of Object.entries(family.shelf)) {
    const stood = shelved.child.at[axis.id];
    if (foldLabel(shelved.was[axis.label] ?? "") !== foldLabel(value.label) || stood && standing.has(stood)) continue;
    family.shelf[id] = { ...shelved, child: { ...shelved.child, at: { ...shelved.child.at, [axis.id]: value.id } } };
  }
}

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
  ].flatMap(([rank3, words2]) => words2.split(" ").map((word) => [word, rank3]))
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
function readNumber2(text10, fractions) {
  const match = NUMBER.exec(text10.trim());
  if (!match) return null;
  const [, whole, over, under, part, of, thousands, plain3] = match;
  if (whole) return Number(whole) + Number(over) / Number(under);
  if (part) return fractions && Number(of) > 0 ? Number(part) / Number(of) : null;
  if (thousands && !thousands.startsWith("0")) return Number(thousands.replaceAll(",", ""));
  return Number((plain3 ?? thousands).replace(",", "."));
}
var QUANTITY = /^(\d+ \d+\/\d+|\d+\/\d+|\d[\d.,]*|[.,]\d+)[ -]?(fl\.? ?oz\.?|"|'|[\p{L}]+\.?)?(?:[ -]?(?:old|long|wide|tall|packs?|count|ct))?$/u;
function readQuantity(text10, habits) {
  const feet = /^(\d+)(?:'| ?ft\.?) ?(\d+(?:\.\d+)?)(?:"| ?in\.?)?$/.exec(text10);
  if (feet) return { size: Number(feet[1]) * 30.48 + Number(feet[2]) * 2.54, unit: UNITS.get("cm"), zeros: 0 };
  const match = QUANTITY.exec(text10);
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
function readMeasures(text10, habits) {
  const aged = /^(?:age[sd]?|from age) ?:?/.exec(text10)?.[0];
  const plain3 = aged ? text10.slice(aged.length).trim() : text10;
  const sides = plain3.split(/ ?(?:x|by|\*) ?(?=[\d.])/);
  if (sides.length > 4) return null;
  const ranges = sides.map((side) => readRange(side, habits));
  if (ranges.some((range) => range === null)) return null;
  const all = ranges.flatMap(({ quantities }) => quantities);
  const said = all.find(({ unit: unit2 }) => unit2)?.unit ?? (aged ? YEAR : null);
  const unit = said ?? habits.unit;
  const sizes = ranges.flatMap(
    ({ quantities: [low, high], isOpen }) => [low, high ?? low].map(
      (one, at2) => isOpen && at2 === 1 ? Infinity : one.unit ? one.size : one.size * scaleOf(low, high, said, habits)
    )
  );
  const zeros = all[0].zeros;
  const order = sides.length === 1 ? [sizes[0], sizes[1]] : sides.flatMap((_, at2) => [sizes[at2 * 2], sizes[at2 * 2 + 1]]);
  if (unit?.of === "age") return { group: "age", order: [...order.slice(0, 2)] };
  if (unit) return { group: "measure", order };
  return sides.length === 1 ? bareNumbers(order[0], order[1], habits, 0, zeros) : { group: "number", order };
}
var YEAR = { of: "age", factor: 12 };
function scaleOf(low, high, said, { unit }) {
  return (low.unit ?? high?.unit ?? said ?? unit)?.factor ?? 1;
}
function readRange(text10, habits) {
  const isOpen = /\+|(?: and| &| or) (?:up|over|more|above|older)$/.test(text10);
  const plain3 = text10.replace(/ ?\+ ?|(?: and| &| or) (?:up|over|more|above|older)$/g, " ").replace(/ +/g, " ").trim();
  const parts = plain3.split(/ ?- ?(?=[\d.])| to | bis | à /);
  const slashed = parts.length === 1 ? new RegExp("^(\\d+(?:[.,]\\d+)?(?: ?\\p{L}+)?) ?\\/ ?(\\d.*)$", "u").exec(plain3) : null;
  const isFraction = slashed && (habits.fractions || isPart(plain3)) && readQuantity(plain3, habits);
  const ends = slashed && !isFraction ? [slashed[1], slashed[2]] : parts;
  if (ends.length > 2) return null;
  const read2 = ends.map((end) => readQuantity(end, habits));
  if (read2.some((one) => one === null)) return null;
  return { quantities: read2, isOpen };
}
function isPart(text10) {
  const match = new RegExp(`^(\\d+)\\/(\\d+) ?(\\p{L}+|["'])\\.?$`, "u").exec(text10);
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
  let text10 = label.replace(/[½⅓⅔¼¾⅕⅛⅜⅝⅞]/g, (one) => ` ${VULGAR[one]} `).toLowerCase().replace(/[‐-―−]/g, "-").replace(/[×✕]/g, "x").replace(/''|[”“″]/g, '"').replace(/[’‘′]/g, "'").replace(/(\d)er(?=[ -])/g, "$1").replace(/[\s_]+/g, " ").trim();
  let aside = "";
  text10 = text10.replace(/\s*[([]([^)\]]*)[)\]]\s*/g, (_, inside, at2) => {
    if (at2 === 0) return `${inside} `;
    aside = `${aside} ${inside}`.trim();
    return " ";
  });
  text10 = text10.trim().replace(
    /^(?:size|sizes|sz|gr(?:ö|oe)ße|groesse|gr\.|taille|talla|taglia|tg\.|maat|no\.?|nr\.?|n°|#)\s*:?\s*(?=[\p{L}\d])/u,
    ""
  ).replace(/^(?:t|gr)\.?\s+(?=\d)/, "").replace(/^int(?:ernational)?\s+(?=[\p{L}\d])/u, "");
  return { text: text10.replace(/(?<!^one|^free)[ -]size$/, "").trim(), aside };
}
function partWearer(text10) {
  const short = /^y(?=x*[sml]$)/.exec(text10);
  if (short) return { rest: text10.slice(1), wearer: YOUTH - NOBODY };
  for (const [at2, pattern] of WEARERS.entries()) {
    const found = pattern.exec(text10)?.[0];
    const rest = found ? text10.slice(found.length).replace(/^[\s:.-]+/, "") : "";
    if (rest !== "") return { rest, wearer: at2 - NOBODY };
  }
  return { rest: text10, wearer: 0 };
}
var YOUTH = 4;
var NOBODY = 6;

// core/src/size/readSizeLabel.ts
var ONE = /^(?:one[ -]?size(?: fits (?:all|most))?|onesize|os|osfa|o\/s|free size|freesize|einheitsgröße|taille unique|universal|tu|u)$/;
var SYSTEM = /^(eu|eur|uk|gb|us|usa|fr|it|de|jp|au|br|cn|kr|ru|in)\.?[ :]*(?=\d|[x]*[sml]\b)/;
function readSizeLabel(label, habits = NO_HABITS) {
  const { text: text10, aside } = sizeText(label);
  if (text10 === "") return null;
  const { rest, wearer } = partWearer(text10);
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
var padded = (order) => Array.from({ length: PLACES }, (_, at2) => order[at2] ?? 0);
function readPlain(whole, habits) {
  if (ONE.test(whole)) return { group: "one", order: [] };
  const early = /^(?:(pre(?:mie|emie|mature)(?: baby)?)|new ?born|nb|birth|naissance|geburt|neugeborenen?|tiny baby|early baby)$/.exec(
    whole
  );
  if (early) return { group: "age", order: [early[1] || /^(?:tiny|early)/.test(whole) ? -2 : -1] };
  const text10 = whole.replace(SYSTEM, "").replace(/ (?:eu|eur|uk|gb|us|usa|fr|it|de|jp|au)$/, "");
  return readLetters(text10, habits) ?? readToddler(text10) ?? readChildShoe(text10) ?? readWaist(text10) ?? readCup(text10) ?? readPaired(text10) ?? readCut(text10, habits) ?? readPieces(text10) ?? readMeasures(text10, habits) ?? readLimit(text10, habits);
}
var CROSSES = /^(?:(\d{1,2})[ -]?x+|(x+)|(extra(?:[ -]extra)*))?[ -]?(small|medium|large|sml|med|lge|sm|md|lg|s|m|l)$/;
function stepOf(text10, { plus, letters, numbers }) {
  const lone = /^(\d{1,2})x$/.exec(text10);
  if (lone && !plus && !numbers) return 1 + Number(lone[1]);
  const wide = letters ? /^(?:(\d{1,2})(l|s)|(l{2,}|s{2,}))$/.exec(text10) : null;
  if (wide) {
    const crosses2 = wide[1] ? Number(wide[1]) - 1 : wide[3].length - 1;
    return (wide[2] ?? wide[3][0]) === "l" ? 1 + crosses2 : -1 - crosses2;
  }
  const match = CROSSES.exec(text10);
  if (!match) return null;
  const [, counted, crossed, extra, letter] = match;
  const crosses = counted ? Number(counted) : crossed ? crossed.length : extra ? extra.split(/[ -]/).length : 0;
  const base = LETTER_WORDS.get(letter);
  if (base === 0) return crosses === 0 ? 0 : null;
  return base + Math.sign(base) * crosses;
}
function readLetters(text10, habits) {
  const step = stepOf(text10, habits);
  if (step !== null) return { group: "letter", order: [step] };
  const plus = habits.plus ? /^(\d{1,2})x(?:[/-](\d{1,2})x)?$/.exec(text10) : null;
  if (plus) return { group: "plus", order: [(Number(plus[1]) + Number(plus[2] ?? plus[1])) / 2] };
  for (const { index: index6, 0: sign } of text10.matchAll(/ ?[/-] ?| to /g)) {
    const from = stepOf(text10.slice(0, index6), habits);
    const to = stepOf(text10.slice(index6 + sign.length), habits);
    if (from !== null && to !== null && from < to) return { group: "letter", order: [(from + to) / 2] };
  }
  const numbered = /^(.+)\/(\d{1,3})$/.exec(text10);
  const letter = numbered ? stepOf(numbered[1], habits) : null;
  if (letter !== null) return { group: "letter", order: [letter, 0, Number(numbered[2])] };
  const cut = /^(.+?)[ /-]?(t|tall|long|short|petite|regular|reg|p|plus)$/.exec(text10);
  const base = cut ? stepOf(cut[1], habits) : null;
  return base === null ? null : { group: "letter", order: [base, CUTS.get(cut[2])] };
}
function readToddler(text10) {
  const match = /^(\d{1,2})(?: ?t?[/-](\d{1,2}))? ?t$/.exec(text10);
  return match && { group: "age", order: [Number(match[1]) * 12, Number(match[2] ?? match[1]) * 12, TODDLER] };
}
function readChildShoe(text10) {
  const match = /^((?:\d|1[0-3])(?:[.,]5)?) ?[ck]$/.exec(text10);
  return match && { group: "age", order: [Number(match[1].replace(",", ".")) / CHILD_SHOES] };
}
var CHILD_SHOES = 2;
function readWaist(text10) {
  const match = /^w ?(\d+(?:\.\d+)?)(?:[ /x,-]*l ?(\d+(?:\.\d+)?))?$/.exec(text10) ?? /^(\d+(?:\.\d+)?) ?w[ /x,-]+(\d+(?:\.\d+)?) ?l$/.exec(text10);
  if (match) return { group: "number", order: [Number(match[1]), Number(match[2] ?? 0)] };
  const length = /^l ?(\d+)$/.exec(text10);
  return length && { group: "number", order: [Number(length[1])] };
}
function readCup(text10) {
  const match = /^(\d{2,3}) ?-?([a-k]{1,3})(?:[/-]([a-k]{1,3}))?$/.exec(text10);
  if (!match) return null;
  const cup = CUPS.indexOf(match[2]);
  return cup < 0 || Number(match[1]) < SMALLEST_BAND ? null : { group: "number", order: [Number(match[1]), 0, cup, match[3] ? 1 : 0] };
}
var SMALLEST_BAND = 26;
function readPaired(text10) {
  const match = /^(?:m|w|us|uk|eu|men'?s?|women'?s?)? ?(\d[\d. /]*?) ?[/|,-] ?(?:m|w|us|uk|eu|men'?s?|women'?s?) ?(\d[\d. /]*)$/.exec(
    text10
  );
  if (!match) return null;
  const [first, second] = [readNumber2(match[1], true), readNumber2(match[2], true)];
  return first === null || second === null ? null : { group: "number", order: [first, second] };
}
function readCut(text10, habits) {
  const kids = habits.numbers ? /^(\d{1,2})x$/.exec(text10) : null;
  if (kids) return bareNumbers(Number(kids[1]) + 0.5, Number(kids[1]) + 0.5, habits);
  const match = /^(\d{1,3}(?:[.,]\d)?(?: \d\/\d)?)(?:[/-](\d{1,3}))?[ -]?([a-z0-9-]*[a-z][a-z-]*)$/.exec(text10);
  const cut = match ? CUTS.get(match[3]) : void 0;
  if (cut === void 0 || isUnit(match[3], habits)) return null;
  const low = readNumber2(match[1], true);
  return bareNumbers(low, Number(match[2] ?? low), habits, cut);
}
var isUnit = (word, { metres, months, letters, fluid, unit }) => word === "m" && (metres || months) || word === "l" && !letters && fluid || word === "w" && unit?.of === "power";
function readPieces(text10) {
  const counted = /^(?:multi)?(?:pack|set|box|bundle|case|bag|lot|carton) (?:of )?(\d+)$/.exec(text10) ?? /^x ?(\d+)$/.exec(text10) ?? /^(\d+) ?x$/.exec(text10);
  if (counted) return { group: "measure", order: [Number(counted[1])] };
  const word = /^(single|double|triple|twin)(?:[ -]?pack)$/.exec(text10)?.[1];
  return word ? { group: "measure", order: [{ single: 1, double: 2, twin: 2, triple: 3 }[word]] } : null;
}
function readLimit(text10, habits) {
  const match = /^(up to|under|below|less than|max\.?|bis|until|<|over|above|more than|from|ab|>|min\.?) ?(\d.*)$/.exec(
    text10
  );
  const read2 = match && readMeasures(match[2], habits);
  if (!read2) return null;
  const isOver = /^(?:over|above|more|from|ab|>|min)/.test(match[1]);
  return { group: read2.group, order: isOver ? [read2.order[0], Infinity] : [0, read2.order[0]] };
}

// core/src/size/sortSizes.ts
function sortSizes(labels) {
  const keys = sizeOrders(labels);
  return labels.map((label, at2) => ({ label, at: at2, key: keys[at2] })).sort((a, b) => {
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
    known.set(list, orders = new Map(sorted.map((label, at2) => [label, read2[at2]])));
  }
  return labels.map((label) => orders.get(label));
}
function readOrders(labels) {
  const texts = labels.map((label) => sizeText(label).text);
  const scale = SCALES.find((words2) => texts.every((text10) => words2.includes(text10)));
  if (scale && texts.length > 1) return texts.map((text10) => [scale.indexOf(text10)]);
  const sheets = texts.map((text10) => /^([ab])(\d{1,2})$/.exec(text10));
  if (sheets.length > 1 && sheets.every((sheet) => sheet && sheet[1] === sheets[0]?.[1]))
    return sheets.map((sheet) => [-Number(sheet[2])]);
  if (areLetters(texts)) return texts.map((text10) => [text10.charCodeAt(0), text10.length > 1 ? 1 : 0]);
  const orders = ordersOf(labels);
  if (orders.every((order) => order !== null)) return orders;
  const bare = withoutShared(texts);
  const again = bare ? ordersOf(bare) : orders;
  return again.every((order) => order !== null) ? again : orders;
}
function ordersOf(labels) {
  const habits = habitsOf2(labels.map((label) => sizeText(label).text));
  const around = JSON.stringify(habits);
  return labels.map((label) => orderAmong(label, habits, around));
}
var knownAmong = /* @__PURE__ */ new Map();
function orderAmong(label, habits, around) {
  const key = `${label}
${around}`;
  let order = knownAmong.get(key);
  if (order === void 0) {
    if (knownAmong.size >= KNOWN_AT_MOST) knownAmong.clear();
    const read2 = readSizeLabel(label, habits);
    knownAmong.set(key, order = read2 && orderOf(read2));
  }
  return order;
}
function withoutShared(texts) {
  const [first, ...others] = texts;
  if (first === void 0 || others.length === 0) return null;
  const shared = (words2) => words2.map((pattern) => pattern.exec(first)?.[0]).find((word) => word && texts.every((text10) => words2.some((pattern) => pattern.exec(text10)?.[0] === word)));
  const head = shared([/^[\p{L} ./-]*[ ./-]/u, new RegExp("^\\p{L}{1,2}(?=\\d)", "u")]) ?? "";
  const tail = shared([new RegExp("[ ./-]\\p{L}[\\p{L} ]*$", "u"), new RegExp("(?<=\\d)\\p{L}$", "u")]) ?? "";
  if (head + tail === "") return null;
  const bare = texts.map((text10) => text10.slice(head.length, text10.length - tail.length).trim());
  return bare.includes("") ? null : bare;
}
var orderOf = ({ group, order }) => {
  const [wearer = 0, ...rest] = order;
  return [wearer, GROUPS.indexOf(group), ...rest];
};
var areLetters = (texts) => texts.length > 2 && texts.every((text10) => /^[a-z](?: ?1\/2)?$/.test(text10)) && texts.some((text10) => !/^[smlx]/.test(text10));
function compareOrders(a, b) {
  for (let at2 = 0; at2 < Math.max(a.length, b.length); at2++) {
    const [one, other] = [a[at2] ?? 0, b[at2] ?? 0];
    if (one !== other) return one < other ? -1 : 1;
  }
  return 0;
}
function habitsOf2(texts) {
  const has = (pattern) => texts.some((text10) => pattern.test(text10));
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
function unitsIn(text10) {
  const words2 = text10.matchAll(new RegExp(`\\d ?(fl\\.? ?oz|["']|\\p{L}+)`, "gu"));
  return [...words2].flatMap(([, word]) => {
    const plain3 = word.replace(/[. ]/g, "");
    return ["m", "l", "w"].includes(plain3) ? [] : UNITS.get(plain3 === "fl" ? "floz" : plain3) ?? [];
  });
}
function areFractions(texts) {
  if (texts.some((text10) => /\d ?(?:in|inch|inches|ins|")\.?$/.test(text10) || /\d \d+\/\d+/.test(text10))) return true;
  const parts = texts.flatMap((text10) => {
    const match = /^(\d+)\/(\d+)$/.exec(text10);
    return match ? [[Number(match[1]), Number(match[2])]] : [];
  });
  if (parts.length < texts.filter((text10) => text10.includes("/")).length) return false;
  return parts.length > 0 && parts.every(([over, under]) => isFractionOf(over, under)) && parts.some(([over, under]) => under - over > 1 || under === 2);
}

// core/src/axes/sizeOrder.ts
var labelsOf = (values) => values.map((value) => value.label);
function sortBySize(values) {
  const labels = labelsOf(values);
  if (!areSizes(labels)) return [...values];
  const rank3 = new Map(sortSizes(labels).map((label, at2) => [label, at2]));
  return values.toSorted((a, b) => rank3.get(a.label) - rank3.get(b.label));
}
function isSizeOrder(values) {
  return areSizes(labelsOf(values)) && sortBySize(values).every((value, at2) => value === values[at2]);
}

// core/src/axes/weaving.ts
function mindSize(children) {
  if (children > MOST.children) throw new Refusal("family.too-large", { crossings: children, most: MOST.children });
}
var crossingsOf = (sizes) => sizes.reduce((product, size) => product * size, 1);
function weaver(family) {
  const standing = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  const shelf = new Map(Object.values(family.shelf).map((one) => [shelfKey(one.was), one.child.id]));
  const labels = new Map(family.axes.flatMap((axis) => axis.values.map((value) => [value.id, value.label])));
  const put2 = (key, child) => {
    replaceChild(family, child);
    standing.set(key, child);
    return child;
  };
  return (at2) => {
    const key = crossingKey(family.axes, at2);
    const there = standing.get(key);
    if (there) return there.woven ? there : put2(key, { ...there, woven: true });
    const id = shelf.size > 0 ? shelf.get(shelfKey(wasAt(family, labels, at2))) : void 0;
    const shelved = id === void 0 ? void 0 : family.shelf[id];
    if (!shelved) return put2(key, { id: takeId(family, "c"), at: { ...at2 }, woven: true, fields: {}, pictures: [] });
    delete family.shelf[shelved.child.id];
    return put2(key, { ...shelved.child, at: { ...at2 }, woven: true });
  };
}
function wasAt(family, labels, at2) {
  return Object.fromEntries(family.axes.map((axis) => [axis.label, labels.get(at2[axis.id] ?? "") ?? ""]));
}
function weaveValues(family, axis, valueIds, patterns) {
  mindSize(Object.keys(family.children).length + patterns.length * valueIds.length);
  const added = axis.values.filter((value) => valueIds.includes(value.id));
  for (const value of added) followValue(family, axis, value);
  const back = bringBack(family, axis, new Set(valueIds));
  const weave = weaver(family);
  for (const value of added) {
    for (const pattern of patterns) {
      const at2 = { ...pattern, [axis.id]: value.id };
      if (back.size === 0 || !back.has(crossingKey(family.axes, at2))) weave(at2);
    }
  }
}
function bringBack(family, axis, valueIds) {
  const back = /* @__PURE__ */ new Set();
  const valueOfLabel = new Map(
    family.axes.map((one) => [one.label, new Map(one.values.map((value) => [foldLabel(value.label), value.id]))])
  );
  for (const { child, was } of Object.values(family.shelf).reverse()) {
    if (Object.keys(was).length !== family.axes.length || !valueIds.has(child.at[axis.id] ?? "")) continue;
    const at2 = Object.fromEntries(
      family.axes.map((one) => [one.id, valueOfLabel.get(one.label).get(foldLabel(was[one.label] ?? "")) ?? ""])
    );
    const key = crossingKey(family.axes, at2);
    if (Object.values(at2).includes("") || back.has(key)) continue;
    back.add(key);
    replaceChild(family, { ...child, at: at2 });
    delete family.shelf[child.id];
  }
  return back;
}
function setWoven(family, crossings, woven) {
  const { valueById } = familyIndex(family);
  const places = crossings.map((at2) => checkedCrossing(family, valueById, at2));
  if (woven) {
    mindSize(Object.keys(family.children).length + places.length);
    const weave = weaver(family);
    for (const at2 of places) weave(at2);
    return;
  }
  const standing = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  for (const at2 of places) {
    const child = standing.get(crossingKey(family.axes, at2));
    if (child?.woven) replaceChild(family, { ...child, woven: false });
  }
}
function checkedCrossing(family, valueById, at2) {
  const checked = {};
  for (const axis of family.axes) {
    const valueId = at2[axis.id] ?? "";
    if (!valueById.has(valueId) || !axis.values.some((value) => value.id === valueId)) {
      throw new Refusal("value.unknown", { label: axis.label });
    }
    checked[axis.id] = valueId;
  }
  return checked;
}

// core/src/axes/values.ts
function checkedLabel(label, others, place) {
  const trimmed = label.trim().replace(/\s+/g, " ");
  if (trimmed === "") throw new Refusal("value.empty", {}, { place });
  if (CONTROL_MARKS.test(trimmed)) throw new Refusal("value.marks", { place: "The label of a value" }, { place });
  if (trimmed.length > MOST.label) throw new Refusal("value.too-long", { label: trimmed, most: MOST.label }, { place });
  if (others.some((one) => foldLabel(one.label) === foldLabel(trimmed))) {
    throw new Refusal("value.twice", { label: trimmed }, { place });
  }
  return trimmed;
}
function makeValues(registry, family, axis, specs, present) {
  if (present.length + specs.length > MOST.values) {
    throw new Refusal("value.too-many", { label: axis.label, most: MOST.values });
  }
  const folded2 = new Set(present.map((value) => foldLabel(value.label)));
  const checked = specs.map((spec) => {
    const label = checkedLabel(spec.label, folded2.has(foldLabel(spec.label)) ? [spec] : []);
    folded2.add(foldLabel(label));
    return { ...spec, label };
  });
  return dressValues(registry, axis.role, checked, present).map((dressed) => ({
    id: takeId(family, "v"),
    ...dressed,
    fields: {},
    pictures: []
  }));
}
function addValues(registry, family, axisId, specs, weave = true) {
  const axis = axisOf(family, axisId);
  const patterns = weave ? patternsWithout(family, axisId) : [];
  mindSize(Object.keys(family.children).length + patterns.length * specs.length);
  const made = makeValues(registry, family, axis, specs, axis.values);
  const values = [...axis.values, ...made];
  const wider = { ...axis, values: isSizeOrder(axis.values) ? sortBySize(values) : values };
  replaceAxis(family, wider);
  weaveValues(
    family,
    wider,
    made.map((value) => value.id),
    patterns
  );
}
function patternsWithout(family, axisId) {
  const others = family.axes.filter((one) => one.id !== axisId);
  const patterns = /* @__PURE__ */ new Map();
  for (const child of Object.values(family.children)) {
    if (child.woven) patterns.set(crossingKey(others, child.at), child.at);
  }
  if (patterns.size > 0) return [...patterns.values()];
  mindSize(crossingsOf(others.map((axis) => axis.values.length)));
  return allCrossings(others);
}
function removeValues(family, axisId, valueIds) {
  const axis = axisOf(family, axisId);
  valueIds.forEach((id) => valueOf(axis, id));
  const gone = new Set(valueIds);
  const left = axis.values.filter((value) => !gone.has(value.id));
  if (left.length === 0) throw new Refusal("axis.would-be-empty", { label: axis.label });
  const before = Object.freeze(draftOf(family));
  for (const child of Object.values(before.children)) {
    if (gone.has(child.at[axisId])) shelve(family, before, child.id, axis);
  }
  takeOverOnShelf(family, before, axis, gone);
  replaceAxis(family, { ...axis, values: left });
}
function orderValues(family, axisId, valueIds) {
  const axis = axisOf(family, axisId);
  const first = [...new Set(valueIds)].map((id) => valueOf(axis, id));
  const values = [...first, ...axis.values.filter((value) => !first.includes(value))];
  if (values.some((value, at2) => value !== axis.values[at2])) replaceAxis(family, { ...axis, values });
}
function editValue(family, axisId, valueId, edit) {
  const axis = axisOf(family, axisId);
  const value = valueOf(axis, valueId);
  const others = axis.values.filter((one) => one.id !== valueId);
  const place = { level: "value", axisId, valueId };
  const changed = { ...value };
  if (edit.label !== void 0) {
    changed.label = checkedLabel(edit.label, others, place);
    if (changed.label !== value.label) renameOnShelf(family, axis, valueId, changed.label);
  }
  if (edit.code !== void 0) changed.code = checkedCode(edit.code, others, place);
  if (edit.swatch !== void 0) changed.swatch = edit.swatch.toUpperCase();
  replaceValue(family, axisId, changed);
}
function checkedCode(typed, others, place) {
  const code = typed.trim().toUpperCase();
  if (!/^[A-Z0-9]{1,12}$/.test(code)) throw new Refusal("value.code", {}, { place });
  const twin = others.find((one) => one.code === code);
  if (twin) throw new Refusal("value.code-twice", { label: twin.label, code }, { place });
  return code;
}
var sizedAxis = (axis) => ({ ...axis, values: sortBySize(axis.values) });

// core/src/axes/axes.ts
function checkedName(family, label, self) {
  const trimmed = label.trim().replace(/\s+/g, " ");
  if (trimmed === "") throw new Refusal("axis.no-label", {});
  if (CONTROL_MARKS.test(trimmed)) throw new Refusal("value.marks", { place: "The name of an axis" });
  if (family.axes.some((axis) => axis.id !== self && foldLabel(axis.label) === foldLabel(trimmed))) {
    throw new Refusal("axis.twice", { label: trimmed });
  }
  return trimmed;
}
function makeAxis(registry, family, spec) {
  if (family.axes.length >= MOST.axes) throw new Refusal("axis.too-many", {});
  if (spec.values.length === 0) throw new Refusal("axis.empty", {});
  const head = { id: takeId(family, "a"), role: spec.role, label: checkedName(family, spec.label) };
  return sizedAxis({ ...head, values: makeValues(registry, family, head, spec.values, []) });
}
function addAxis(registry, family, spec) {
  const before = Object.values(family.children);
  mindSize(before.length + before.filter((child) => child.woven).length * (spec.values.length - 1));
  const axis = makeAxis(registry, family, spec);
  const wanted = foldLabel((spec.values[spec.existingTake] ?? spec.values[0]).label);
  const kept = axis.values.find((value) => foldLabel(value.label) === wanted);
  family.axes.push(axis);
  const patterns = [];
  for (const child of before) {
    const at2 = { ...child.at, [axis.id]: kept.id };
    replaceChild(family, { ...child, at: at2 });
    if (child.woven) patterns.push(at2);
  }
  const others = axis.values.filter((value) => value !== kept).map((value) => value.id);
  weaveValues(family, axis, others, patterns);
}
function renameAxis(family, axisId, label, role) {
  const axis = axisOf(family, axisId);
  const name = checkedName(family, label, axisId);
  if (name !== axis.label) renameAxisOnShelf(family, axis, name);
  replaceAxis(family, { ...axis, label: name, role: role ?? axis.role });
}
function moveAxis(family, axisId, to) {
  const axis = axisOf(family, axisId);
  const axes = family.axes.filter((one) => one.id !== axisId);
  axes.splice(Math.max(0, Math.min(to, axes.length)), 0, axis);
  const before = Object.freeze(draftOf(family));
  const turn = openTurn(before, Object.freeze({ ...before, axes }));
  for (const child of Object.values(before.children)) {
    const kept = keptAsBefore(turn, child, child);
    if (kept !== child) replaceChild(family, kept);
  }
  for (const [id, shelved] of Object.entries(before.shelf)) {
    const kept = keptAsBefore(turn, shelved.child, shelved.child);
    if (kept !== shelved.child) family.shelf[id] = { ...shelved, child: kept };
  }
  family.axes = axes;
}
function removeAxis(family, axisId, keep) {
  const axis = axisOf(family, axisId);
  const losers = losersWithout(family, axis, keep);
  const before = Object.freeze(draftOf(family));
  const others = family.axes.filter((one) => one.id !== axisId);
  const standing = /* @__PURE__ */ new Set();
  const gone = /* @__PURE__ */ new Set([axisId]);
  const wovenFirst = Object.values(before.children).toSorted((a, b) => Number(b.woven) - Number(a.woven));
  for (const child of wovenFirst) {
    const key = crossingKey(others, child.at);
    if (losers.has(child.id) || standing.has(key)) {
      shelve(family, before, child.id, axis);
      continue;
    }
    standing.add(key);
    replaceChild(family, { ...takeOver(before, child, axis), at: crossingWithout(child.at, gone) });
  }
  takeOverOnShelf(family, before, axis, new Set(axis.values.map((value) => value.id)));
  family.axes = others;
  family.wishes = Object.fromEntries(
    Object.entries(family.wishes).map(([account, wish]) => [account, wishWithout(wish, axisId)])
  );
}
function losersWithout(family, axis, keep) {
  const { losers, undecided } = undecidedAmong(family, axis.id, alikeWithout(family, axis.id), keep);
  if (undecided.length === 0) return losers;
  throw new Refusal("axis.alike", { label: axis.label, groups: undecided.length }, { detail: undecided });
}
function wishWithout(wish, axisId) {
  const named2 = wish.pictureAxis === axisId || [...wish.apart, ...wish.whole].includes(axisId);
  if (!named2) return wish;
  const { pictureAxis, ...rest } = wish;
  return {
    ...rest,
    apart: wish.apart.filter((id) => id !== axisId),
    whole: wish.whole.filter((id) => id !== axisId),
    ...pictureAxis && pictureAxis !== axisId ? { pictureAxis } : {}
  };
}

// core/src/axes/splitAxis.ts
function splitAxis(registry, family, spec) {
  const axis = axisOf(family, spec.axisId);
  mindParts(axis, spec.parts);
  if (family.axes.length >= MOST.axes) throw new Refusal("axis.too-many", {});
  const before = Object.freeze(draftOf(family));
  family.axes = before.axes.filter((one2) => one2 !== axis);
  const [first, second] = [0, 1].map((nth) => {
    const labels = distinct(axis.values.map(({ id }) => spec.parts[id][nth]));
    const made = makeAxis(registry, family, { ...spec.into[nth], values: labels.map((label) => ({ label })) });
    family.axes.push(made);
    return nth === 0 ? { ...made, id: axis.id } : made;
  });
  const one = sideOf(axis, first, spec.parts, 0);
  const sides = [one, sideOf(withoutPlaced(axis, one), second, spec.parts, 1)];
  const axes = before.axes.flatMap((one2) => one2 === axis ? [sides[0].axis, sides[1].axis] : [one2]);
  const turn = openTurn(before, Object.freeze({ ...before, axes }));
  const moved = (child) => {
    const stood = child.at[axis.id] ?? "";
    const ids = [sides[0].valueOf(stood)?.id, sides[1].valueOf(stood)?.id];
    if (ids[0] === void 0 || ids[1] === void 0) return child;
    const at2 = { ...child.at };
    at2[first.id] = ids[0];
    at2[second.id] = ids[1];
    return keptAsBefore(turn, child, { ...child, at: at2 });
  };
  for (const child of Object.values(before.children)) replaceChild(family, moved(child));
  for (const [id, { child, was }] of Object.entries(before.shelf)) {
    const now = moved(child);
    if (now === child || was[axis.label] === void 0) continue;
    const { [axis.label]: _gone, ...rest } = was;
    const labels = sides.map((side) => side.valueOf(child.at[axis.id]).label);
    family.shelf[id] = { child: now, was: { ...rest, [first.label]: labels[0], [second.label]: labels[1] } };
  }
  family.axes = axes;
}
function mindParts(axis, parts) {
  const whole = axis.values.filter(({ id }) => !parts[id] || parts[id].some((part) => part.trim() === ""));
  if (whole.length > 0)
    throw new Refusal("axis.not-parted", { label: axis.label, values: whole.map(({ label }) => label).join(", ") });
  const seen = /* @__PURE__ */ new Map();
  for (const { id, label } of axis.values) {
    const key = parts[id].map(foldLabel).join("\n");
    const twin = seen.get(key);
    if (twin !== void 0) throw new Refusal("axis.parts-alike", { first: twin, second: label });
    seen.set(key, label);
  }
}
var distinct = (labels) => [...new Map(labels.map((label) => [foldLabel(label), label.trim()]).reverse()).values()].reverse();
function sideOf(old, made, parts, nth) {
  const byLabel = new Map(made.values.map((value) => [foldLabel(value.label), value]));
  const target = new Map(old.values.map(({ id }) => [id, byLabel.get(foldLabel(parts[id][nth])).id]));
  const axis = {
    ...made,
    values: made.values.map(
      (value) => withAgreed(
        value,
        old.values.filter(({ id }) => target.get(id) === value.id),
        made.role
      )
    )
  };
  const now = familyValues2(axis);
  return { axis, valueOf: (id) => now.get(target.get(id) ?? "") };
}
var withoutPlaced = (old, side) => ({
  ...old,
  values: old.values.map((value) => {
    const part = side.valueOf(value.id);
    const left = (scope) => Object.fromEntries(Object.entries(figuresIn(value, scope)).filter(([key]) => !(key in figuresIn(part, scope))));
    return {
      ...value,
      fields: left(EVERYWHERE),
      scoped: Object.fromEntries(
        Object.keys(value.scoped ?? {}).map((scope) => [scope, left(scope)])
      ),
      pictures: part.pictures.length > 0 ? [] : value.pictures
    };
  })
});
var familyValues2 = (axis) => new Map(axis.values.map((value) => [value.id, value]));
function withAgreed(part, values, role) {
  const [first, ...others] = values;
  if (!first || others.length === 0) return withSwatch(part, first, role);
  const agrees = (read2) => others.every((value) => JSON.stringify(read2(value)) === JSON.stringify(read2(first)));
  const figures = (scope) => Object.fromEntries(
    Object.entries(figuresIn(first, scope)).filter(
      ([key]) => key !== "label" && agrees((value) => figuresIn(value, scope)[key])
    )
  );
  const scoped = Object.keys(first.scoped ?? {}).map((scope) => [scope, figures(scope)]);
  const kept = scoped.filter(([, held]) => Object.keys(held).length > 0);
  return {
    ...withSwatch(part, agrees((value) => value.swatch) ? first : void 0, role),
    fields: figures(EVERYWHERE),
    pictures: agrees((value) => value.pictures) ? first.pictures : [],
    ...kept.length > 0 ? { scoped: Object.fromEntries(kept) } : {}
  };
}
var withSwatch = (part, from, role) => role === "colour" && from?.swatch ? { ...part, swatch: from.swatch } : part;

// core/src/catalogue/pairings.ts
import { z as z8 } from "zod";
var PairedSchema = z8.union([RoleSchema, z8.string().regex(/^field:[A-Za-z]\w{0,59}$/)]);
var pairedField = (key) => `field:${key}`;
var PairingSchema = z8.object({
  channel: z8.string().max(80),
  role: PairedSchema,
  value: z8.string().min(1).max(120),
  to: z8.string().max(120)
});
var PairingTableSchema = z8.record(PairedSchema, z8.record(z8.string(), z8.string()));
var foldForPairing = (label) => label.trim().toLowerCase().replace(/[\s_-]+/g, " ");

// core/src/identifiers/neverShared.ts
var NEVER_SHARED = ["sku", "gtin", "mpn", "modelNumber", "styleCode"];

// core/src/change/checkIdentifiers.ts
function checkIdentifiers(registry, family, before) {
  const { was, now } = touchedChildren(before, family);
  const had = new Map(was.map((child) => [child.id, child.fields]));
  for (const kind of IDENTIFIERS) {
    const isNew = now.some(({ id, fields }) => fields[kind] !== void 0 && fields[kind] !== had.get(id)?.[kind]);
    if (isNew) unique(registry, family, everyChild(family), kind);
  }
}
function unique(registry, family, children, kind) {
  const first = /* @__PURE__ */ new Map();
  for (const child of children) {
    const figure = child.fields[kind];
    if (typeof figure !== "string") continue;
    const identity = identityOf(kind, figure);
    const twin = first.get(identity);
    if (!twin) first.set(identity, child);
    else if (twin.id !== child.id) throw twice(registry, family, kind, figure, child, twin);
  }
}
function twice(registry, family, kind, figure, child, twin) {
  const shown = showFigure(registry, registry.field(kind), figure);
  const owner = placeLabel(family, { level: "child", childId: twin.id });
  const about = { place: { level: "child", childId: child.id, key: kind } };
  if (kind === "sku") return new Refusal("sku.twice", { sku: shown, owner }, about);
  return new Refusal("gtin.twice", { gtin: shown, owner }, about);
}

// core/src/change/run.ts
import { freeze } from "immer";

// core/src/axes/likeValues.ts
function addValuesLike(registry, family, axisId, specs, like) {
  const before = axisOf(family, axisId);
  const model = valueOf(before, like);
  const siblings2 = Object.values(family.children).filter((child) => child.woven && child.at[axisId] === like);
  mindSize(Object.keys(family.children).length + siblings2.length * specs.length);
  const known2 = /* @__PURE__ */ new Set([...Object.keys(family.children), ...Object.keys(family.shelf)]);
  addValues(registry, family, axisId, specs, false);
  const there = new Set(before.values.map(({ id }) => id));
  const added = axisOf(family, axisId).values.filter(({ id }) => !there.has(id));
  const weave = weaver(family);
  for (const value of added) {
    replaceValue(family, axisId, { ...value, ...copied(value, model) });
    for (const sibling of siblings2) {
      const child = weave({ ...sibling.at, [axisId]: value.id });
      if (!known2.has(child.id)) replaceChild(family, { ...child, ...copied(child, sibling) });
    }
  }
}
var OF_ONE_VALUE = /* @__PURE__ */ new Set(["label", "shortLabel", "nameSuffix", "pictures"]);
function copied(own, from) {
  let now = own;
  for (const scope of [EVERYWHERE, ...Object.keys(from.scoped ?? {})])
    for (const [key, figure] of Object.entries(figuresIn(from, scope)))
      if (!NEVER_SHARED.includes(key) && !OF_ONE_VALUE.has(key))
        now = { ...now, ...withFigure(now, scope, key, figure) };
  return { fields: now.fields, ...now.scoped ? { scoped: now.scoped } : {} };
}

// core/src/family/wishes.ts
function wishesWithout(wishes, gone) {
  const named2 = Object.values(wishes).some((wish) => childrenOf(wish).some(gone));
  if (!named2) return wishes;
  return Object.fromEntries(Object.entries(wishes).map(([account, wish]) => [account, only(wish, (id) => !gone(id))]));
}
var childrenOf = ({ leaveOut, entries = {} }) => [...leaveOut, ...Object.keys(entries)];
function only(wish, isMeant) {
  const { entries, ...rest } = wish;
  const kept = Object.entries(entries ?? {}).filter(([id]) => isMeant(id));
  return {
    ...rest,
    leaveOut: wish.leaveOut.filter(isMeant),
    ...kept.length > 0 ? { entries: Object.fromEntries(kept) } : {}
  };
}

// core/src/axes/joinAxes.ts
function joinAxes(registry, family, spec) {
  const wanted = new Set(spec.axisIds);
  for (const id of wanted) axisOf(family, id);
  const parts = family.axes.filter((axis2) => wanted.has(axis2.id));
  const [first, ...others] = parts;
  if (!first || others.length === 0) throw new Refusal("axis.one", {});
  const before = Object.freeze(draftOf(family));
  family.axes = before.axes.filter((axis2) => !others.includes(axis2));
  const label = checkedName(family, spec.label, first.id);
  const { axis, valueOf: valueOf2 } = joinedAxis(registry, before, family, parts, { ...spec, label });
  family.axes = family.axes.map((one) => one === first ? axis : one);
  const turn = openTurn(before, Object.freeze({ ...before, axes: family.axes }));
  const moved = (child) => {
    const value = valueOf2(child);
    if (!value) return null;
    const at2 = crossingWithout(child.at, wanted);
    at2[first.id] = value.id;
    return keptAsBefore(turn, child, { ...child, at: at2 });
  };
  for (const child of Object.values(before.children)) {
    const now = moved(child);
    if (now) replaceChild(family, now);
    else delete family.children[child.id];
  }
  for (const [id, { child, was }] of Object.entries(before.shelf)) {
    const now = moved(child) ?? onItsOwn(before, child, parts);
    const told = parts.map((part) => was[part.label]);
    const rest = Object.fromEntries(Object.entries(was).filter(([one]) => !parts.some((part) => part.label === one)));
    family.shelf[id] = {
      child: now,
      was: told.includes(void 0) ? was : { ...rest, [label]: told.join(spec.between) }
    };
  }
  family.wishes = wishesWithout(family.wishes, (id) => before.children[id] !== void 0 && !family.children[id]);
  family.wishes = Object.fromEntries(
    Object.entries(family.wishes).map(([account, wish]) => [account, wishJoined(wish, first.id, others)])
  );
}
function onItsOwn(before, child, parts) {
  const alone2 = parts.reduce((now, part) => takeOver(before, now, part), child);
  const isOn = parts.some(({ id }) => id in child.at);
  return isOn ? { ...alone2, at: crossingWithout(child.at, new Set(parts.map(({ id }) => id))) } : alone2;
}
function joinedAxis(registry, before, family, parts, spec) {
  const { valueById, rank: rank3 } = familyIndex(before);
  const keyOf3 = ({ at: at2 }) => parts.map((part) => at2[part.id] ?? "").join("|");
  const found = /* @__PURE__ */ new Map();
  const hold = (child) => {
    const values = parts.map((part) => valueById.get(child.at[part.id] ?? ""));
    if (!values.includes(void 0)) found.set(keyOf3(child), values);
  };
  Object.values(before.children).forEach((child) => (child.woven || isHolding(child)) && hold(child));
  const crossings = parts.reduce((product, { values }) => product * values.length, 1);
  if (found.size === 0 && crossings <= MOST.values) allCrossings(parts).forEach((at2) => hold({ at: at2 }));
  if ((found.size || crossings) > MOST.values)
    throw new Refusal("value.too-many", { label: spec.label, most: MOST.values });
  const inOrder3 = [...found].toSorted(([, a], [, b]) => {
    const at2 = a.findIndex((value, nth) => value !== b[nth]);
    return at2 < 0 ? 0 : rank3.get(a[at2].id) - rank3.get(b[at2].id);
  });
  const labels = [];
  for (const [, values] of inOrder3)
    labels.push({ label: checkedLabel(values.map(({ label }) => label).join(spec.between), labels) });
  const dressed = dressValues(registry, spec.role, labels, []);
  const made = new Map(
    inOrder3.map(([key, values], at2) => [
      key,
      { id: takeId(family, "v"), ...dressed[at2], ...together(values, spec.between) }
    ])
  );
  return {
    axis: { id: parts[0].id, role: spec.role, label: spec.label, values: [...made.values()] },
    valueOf: (child) => made.get(keyOf3(child))
  };
}
var isHolding = ({ fields, scoped, pictures: pictures2 }) => Object.keys(fields).length > 0 || Object.keys(scoped ?? {}).length > 0 || pictures2.length > 0;
function together(values, between) {
  const scopes = [...new Set(values.flatMap(({ scoped: scoped2 }) => Object.keys(scoped2 ?? {})))];
  const inScope = (scope) => Object.assign({}, ...values.map((value) => figuresIn(value, scope)));
  const scoped = scopes.map((scope) => {
    const figures = inScope(scope);
    if (figures.label === void 0) return [scope, figures];
    return [
      scope,
      { ...figures, label: values.map((value) => figuresIn(value, scope).label ?? value.label).join(between) }
    ];
  });
  const swatch = values.find((value) => value.swatch !== void 0)?.swatch;
  const pictures2 = [...new Set(values.flatMap((value) => value.pictures))];
  return {
    fields: inScope(EVERYWHERE),
    pictures: pictures2.length > MOST.pictures ? [] : pictures2,
    ...scoped.length > 0 ? { scoped: Object.fromEntries(scoped) } : {},
    ...swatch ? { swatch } : {}
  };
}
function wishJoined(wish, first, others) {
  const named2 = (ids) => others.some(({ id }) => ids.includes(id));
  const more = (ids) => named2(ids) && !ids.includes(first) ? [...ids, first] : [...ids];
  const whole = { ...wish, apart: more(wish.apart), whole: more(wish.whole) };
  const pictured = others.some(({ id }) => id === wish.pictureAxis) ? { ...whole, pictureAxis: first } : whole;
  return others.reduce((now, { id }) => wishWithout(now, id), pictured);
}

// core/src/axes/mergeValues.ts
function mergeValues(family, axisId, from, into, keep) {
  const axis = axisOf(family, axisId);
  const target = valueOf(axis, into);
  const gone = new Set(from.filter((id) => valueOf(axis, id) !== target));
  if (gone.size === 0) return;
  const groups = alikeWithout(family, axisId, /* @__PURE__ */ new Set([...gone, into]));
  const { losers, undecided } = undecidedAmong(family, axisId, groups, keep);
  if (undecided.length > 0)
    throw new Refusal("value.alike", { label: target.label, groups: undecided.length }, { detail: undecided });
  const before = Object.freeze(draftOf(family));
  const merged = { ...axis, values: axis.values.filter((value) => !gone.has(value.id)) };
  const axes = before.axes.map((one) => one === axis ? merged : one);
  const turn = openTurn(before, Object.freeze({ ...before, axes }));
  const standing = /* @__PURE__ */ new Set();
  const inTurn = Object.values(before.children).filter((child) => gone.has(child.at[axisId]) || child.at[axisId] === into).toSorted((a, b) => rank2(a, into, axisId) - rank2(b, into, axisId));
  for (const child of inTurn) {
    const at2 = { ...child.at, [axisId]: into };
    const key = crossingKey(before.axes, at2);
    if (losers.has(child.id) || standing.has(key)) {
      shelve(family, before, child.id, axis);
      continue;
    }
    standing.add(key);
    if (child.at[axisId] !== into) replaceChild(family, keptAsBefore(turn, child, { ...child, at: at2 }));
  }
  for (const [id, shelved] of Object.entries(before.shelf)) {
    const { child, was } = shelved;
    if (!gone.has(child.at[axisId] ?? "")) continue;
    const now = { ...child, at: { ...child.at, [axisId]: into } };
    const told = was[axis.label] === void 0 ? was : { ...was, [axis.label]: target.label };
    family.shelf[id] = { child: keptAsBefore(turn, child, now), was: told };
  }
  replaceAxis(family, merged);
}
var rank2 = (child, into, axisId) => (child.woven ? 0 : 2) + (child.at[axisId] === into ? 0 : 1);

// core/src/change/setFigures.ts
import { dequal as dequal3 } from "dequal";
function mayStand(registry, place, key) {
  return registry.field(key)?.levels.includes(place.level) ?? false;
}
function setFigure(registry, family, change) {
  const { place, key, scope = EVERYWHERE } = change;
  const carrier = carrierAt(family, place);
  const figure = change.figure === null ? null : checkedFigure(registry, place, key, change.figure, scope);
  if (figure === null) {
    if (key === "name" && scope === EVERYWHERE) throw new Refusal("family.no-name", {}, { place: { ...place, key } });
    if (figureIn(carrier, scope, key) === void 0) return;
  } else if (dequal3(figureIn(carrier, scope, key), figure)) return;
  changeCarrier(family, place, withFigure(carrier, scope, key, figure));
}
function checkedFigure(registry, place, key, figure, scope) {
  const about = { place: { ...place, key } };
  const field4 = registry.field(key);
  if (!field4 || field4.type === "stock") throw new Refusal("field.unknown", { key }, about);
  if (!mayStand(registry, place, key))
    throw new Refusal("field.level", { field: field4.label, level: place.level }, about);
  checkScope(field4, scope, about);
  const read2 = checkFigure(registry, field4, figure);
  if (!read2.ok) throw new Refusal(read2.code, read2.params, about);
  return read2.figure;
}
function checkScope(field4, scope, about) {
  const { kind, name } = scopeName(scope);
  const allowed = kind === "everywhere" ? !field4.onlyScoped && field4.type !== "pictures" : kind === "language" ? field4.translatable : field4.perAccount;
  if (!allowed) throw new Refusal("field.scope", { field: field4.label, scope: name || "everywhere" }, about);
}
function setPictures(family, place, wanted, scope = EVERYWHERE) {
  const carrier = carrierAt(family, place);
  const pictures2 = [...new Set(wanted)];
  if (scope === EVERYWHERE) {
    if (!dequal3(carrier.pictures, pictures2)) changeCarrier(family, place, { pictures: pictures2 });
    return;
  }
  const held = figureIn(carrier, scope, "pictures");
  if (dequal3(held ?? [], pictures2)) return;
  changeCarrier(
    family,
    place,
    withFigure(carrier, scope, "pictures", pictures2.length > 0 ? pictures2 : null)
  );
}

// core/src/pictures/notes.ts
function describePicture(family, { picture, angle, text: text10 }) {
  const { [picture]: before = {}, ...others } = family.pictureNotes ?? {};
  const { angle: oldAngle, texts: oldTexts = {} } = before;
  const kept = angle === void 0 ? oldAngle : angle ?? void 0;
  const { [text10?.language ?? ""]: _before, ...rest } = oldTexts;
  const texts = text10 ? { ...rest, ...text10.text ? { [text10.language]: text10.text } : {} } : oldTexts;
  const note2 = { ...kept ? { angle: kept } : {}, ...Object.keys(texts).length > 0 ? { texts } : {} };
  putNotes(family, Object.keys(note2).length > 0 ? { ...others, [picture]: note2 } : others);
}
function putNotes(family, notes) {
  if (Object.keys(notes).length > 0) family.pictureNotes = notes;
  else delete family.pictureNotes;
}
function replacePicture(family, from, to) {
  const swap = (ids) => [...new Set(ids.map((id) => id === from ? to : id))];
  for (const { place, carrier } of carriersOf(family)) {
    if (carrier.pictures.includes(from)) setPictures(family, place, swap(carrier.pictures));
    for (const [scope, figures] of Object.entries(carrier.scoped ?? {}))
      if (Array.isArray(figures.pictures) && figures.pictures.includes(from))
        setPictures(family, place, swap(figures.pictures), scope);
  }
  for (const [id, shelved] of Object.entries(family.shelf))
    if (shelved.child.pictures.includes(from))
      family.shelf[id] = { ...shelved, child: { ...shelved.child, pictures: swap(shelved.child.pictures) } };
  const { [from]: note2, ...others } = family.pictureNotes ?? {};
  if (note2) putNotes(family, { ...others, [to]: note2 });
}
function* carriersOf(family) {
  yield { place: { level: "family" }, carrier: family };
  for (const axis of family.axes)
    for (const value of axis.values)
      yield { place: { level: "value", axisId: axis.id, valueId: value.id }, carrier: value };
  for (const child of Object.values(family.children))
    yield { place: { level: "child", childId: child.id }, carrier: child };
}

// core/src/change/run.ts
function runCommand(registry, family, command) {
  const draft = draftOf(family);
  for (const one of command.do === "batch" ? command.commands : [command]) apply(registry, draft, one);
  checkIdentifiers(registry, draft, family);
  return changedFrom(family, draft);
}
function changedFrom(before, draft) {
  const { forward, inverse } = difference2(before, draft);
  if (forward.length === 0) return { family: before, forward, inverse };
  return {
    family: freeze({ ...draft, revision: before.revision + 1 }, true),
    forward,
    inverse: inverse.filter((step) => step.path !== "/next")
  };
}
function apply(registry, family, command) {
  switch (command.do) {
    case "setFigures":
      for (const change of command.changes) setFigure(registry, family, change);
      return;
    case "setPictures":
      return setPictures(family, command.place, command.pictures, command.scope);
    case "describePictures":
      return command.notes.forEach((note2) => describePicture(family, note2));
    case "replacePicture":
      return replacePicture(family, command.from, command.to);
    case "addAxis":
      return keepPattern(registry, family, () => addAxis(registry, family, command));
    case "renameAxis":
      return renameInPattern(
        family,
        command.axisId,
        command.label,
        () => renameAxis(family, command.axisId, command.label, command.role)
      );
    case "moveAxis":
      return moveAxis(family, command.axisId, command.to);
    case "removeAxis":
      return keepPattern(registry, family, () => removeAxis(family, command.axisId, command.keep));
    case "joinAxes":
      return keepPattern(registry, family, () => joinAxes(registry, family, command));
    case "splitAxis":
      return keepPattern(registry, family, () => splitAxis(registry, family, command));
    case "mergeValues":
      return mergeValues(family, command.axisId, command.from, command.into, command.keep);
    case "addValues":
      return command.like === void 0 ? addValues(registry, family, command.axisId, command.values, command.weave) : addValuesLike(registry, family, command.axisId, command.values, command.like);
    case "editValue":
      return editValue(family, command.axisId, command.valueId, command);
    case "orderValues":
      return orderValues(family, command.axisId, command.valueIds);
    case "removeValues":
      return removeValues(family, command.axisId, command.valueIds);
    case "setWoven":
      return setWoven(family, command.crossings, command.woven);
    case "setWish":
      for (const id of [...command.wish.leaveOut, ...Object.keys(command.wish.entries ?? {})])
        if (!family.shelf[id]) childOf(family, id);
      family.wishes[command.account] = command.wish;
      return;
    case "setSkuPattern":
      return setSkuPattern(family, command.pattern);
    case "settleSame":
      return settleSame(family, command.signatures, command.settled);
    case "retireFamily":
      family.retired = command.retired;
  }
}
var SETTLED = 500;
function settleSame(family, signatures, settled) {
  const others = (family.settled ?? []).filter((one) => !signatures.includes(one));
  family.settled = settled ? [...others, ...signatures].slice(-SETTLED) : others;
}
function setSkuPattern(family, pattern) {
  const [unknown] = unknownMarks(family, pattern);
  if (unknown !== void 0) throw new Refusal("sku.pattern", { mark: unknown });
  putSkuPattern(family, pattern);
}
function putSkuPattern(family, pattern) {
  if (pattern.length > MOST.pattern) throw new Refusal("sku.pattern-long", { most: MOST.pattern });
  family.skuPattern = pattern;
}
function keepPattern(registry, family, change) {
  const labels = () => family.axes.map((axis) => axis.label);
  const before = labels();
  change();
  family.skuPattern = patternAfter(registry.data.skuPattern, family.skuPattern, before, labels());
}
function renameInPattern(family, axisId, label, rename) {
  const { label: before } = axisOf(family, axisId);
  rename();
  putSkuPattern(family, renamedMark(family.skuPattern, before, label));
}

// core/src/pictures/match/fileWords.ts
var LETTERS = { \u00DF: "ss", \u00F8: "o", \u00E6: "ae", \u0153: "oe", \u0111: "d", \u0142: "l", \u00FE: "th", \u00F0: "d", \u0131: "i" };
function foldLetters(text10) {
  const low = isAscii(text10) ? text10.toLowerCase() : text10.normalize("NFKD").replace(new RegExp("\\p{M}", "gu"), "").toLowerCase().replace(/[ßøæœđłþðı]/g, (letter) => LETTERS[letter]);
  return low.includes("gray") ? low.replaceAll("gray", "grey") : low;
}
function isAscii(text10) {
  for (let at2 = 0; at2 < text10.length; at2++) if (text10.charCodeAt(at2) > 127) return false;
  return true;
}
function compact(text10) {
  const low = foldLetters(text10);
  return /^[a-z0-9]*$/.test(low) ? low : low.replace(/[^\p{L}\p{N}]+/gu, "");
}

// core/src/intake/options/colourWords.ts
import { colorsNamed as colorsNamed2 } from "culori";

// core/src/pictures/match/catalogue.ts
var stemOf = (word) => word.length > 3 && word.endsWith("s") && word.at(-2) !== "s" ? word.slice(0, -1) : word;

// core/src/intake/options/goodsWords.ts
var words = (text10) => new Set(
  text10.trim().split(/\s+/).map((word) => stemOf(foldLetters(word)))
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
var split = (text10) => text10.trim().split(/\s+/).map(foldLetters);
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
var phrases = (text10) => text10.split(",").map((one) => foldLetters(one.trim().replace(/\s+/g, " "))).filter(Boolean);
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
var set = (text10) => new Set(text10.trim().split(/\s+/).map(foldLetters));
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
function chainFrom(tokens, at2) {
  const chain = { numbers: [tokens[at2].text], signs: [], to: at2 + 1 };
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
function readSize(tokens, at2) {
  const token = tokens[at2];
  if (!token) return null;
  if (token.kind === "number") return readSet(tokens, readFromNumber(tokens, at2));
  if (token.kind !== "word") return null;
  return readLetters2(tokens, at2) ?? readNamed(tokens, at2);
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
function readLetters2(tokens, at2) {
  const read2 = readLetter(tokens, at2);
  if (!read2) return null;
  const sign = tokens[read2.to];
  const isJoined = sign?.glued && (sign.text === "/" || sign.text === "-") && tokens[read2.to + 1]?.glued;
  const second = isJoined ? readLetter(tokens, read2.to + 1) : null;
  if (!second) return read2;
  return { ...read2, to: second.to, key: `${read2.key}/${second.key}`, label: `${read2.label}/${second.label}` };
}
function readLetter(tokens, at2) {
  const { text: text10, glued } = tokens[at2];
  const step = glued && tokens[at2 - 1]?.kind === "number" ? null : stepOf2(text10);
  if (step !== null) return letterSize(step, at2 + 1);
  const whole = WORD_SIZES[text10];
  if (whole) return letterSize(stepOf2(whole.toLowerCase()), at2 + 1);
  const written = /^(x+|extra|extraextra)(small|large|sml|lge|lrg)$/.exec(text10);
  if (written) {
    const crosses = written[1].startsWith("x") ? written[1].length : written[1].length / 5;
    return letterSize(stepFrom(crosses, WORD_SIZES[written[2]].toLowerCase()), at2 + 1);
  }
  return readCrosses(tokens, at2);
}
function readCrosses(tokens, at2) {
  let crosses = 0;
  let next = at2;
  for (; tokens[next]?.kind === "word" || crosses > 0 && tokens[next]?.text === "-"; next++) {
    const { text: text10 } = tokens[next];
    if (text10 === "extra") crosses += 1;
    else if (/^x+$/.test(text10)) crosses += text10.length;
    else if (text10 !== "-") break;
  }
  const letter = crosses > 0 ? WORD_SIZES[tokens[next]?.text ?? ""] : void 0;
  if (!letter || letter === "M") return null;
  return letterSize(stepFrom(crosses, letter.toLowerCase()), next + 1);
}
function readNamed(tokens, at2) {
  const { text: text10 } = tokens[at2];
  const next = tokens[at2 + 1];
  if (ONE_SIZES.has(text10)) return oneSize(at2 + 1);
  if (["one", "free", "taille", "talla", "taglia"].includes(text10)) {
    const joined2 = next?.kind === "word" ? next : tokens[at2 + 2];
    if (joined2 && ONE_SIZES.has(text10 + joined2.text)) return oneSize(tokens.indexOf(joined2) + 1, tokens);
  }
  if (text10 === "os" && !next) return oneSize(at2 + 1);
  if (BEFORE_SIZES.has(text10)) return readAfterName(tokens, at2);
  if (SIZE_SYSTEMS.has(text10) && next?.kind === "number") return readSystem(tokens, at2);
  if (text10 === "w" && next?.kind === "number" && next.glued) return readWaist2(tokens, at2);
  if (text10 === "a" && next?.glued && /^[0-7]$/.test(next.text))
    return { to: at2 + 2, role: "size", key: `a${next.text}`, isWeak: false };
  if (text10 === "t" && next?.glued && next.kind === "number" && /^[3-6]\d$/.test(next.text))
    return { to: at2 + 2, role: "size", key: next.text, isWeak: false };
  if (BEFORE_PACKS.has(text10) && OF.has(next?.text ?? "") && tokens[at2 + 2]?.kind === "number")
    return pack(tokens[at2 + 2].text, at2 + 3);
  if (text10 === "x" && next?.glued && next.kind === "number") return pack(next.text, at2 + 2);
  if (BEFORE_AGES.has(text10) && next?.kind === "number") {
    const chain = chainFrom(tokens, at2 + 1);
    const unit = tokens[chain.to];
    const isMonths = unit !== void 0 && MONTHS.has(unit.text);
    const to = unit && (isMonths || YEARS.has(unit.text)) ? chain.to + 1 : chain.to;
    return { to, role: "size", key: ageKey(chain.numbers, isMonths), isWeak: false };
  }
  if (text10 === "newborn") return { to: at2 + 1, role: "size", key: "months0", isWeak: false };
  return null;
}
function oneSize(to, tokens) {
  const fits = tokens?.[to]?.text === "fits" && ["all", "most"].includes(tokens[to + 1]?.text ?? "");
  return { to: fits ? to + 2 : to, role: "size", key: "one", isWeak: false };
}
function readAfterName(tokens, at2) {
  let next = at2 + 1;
  while (tokens[next] && [":", ".", "=", "-"].includes(tokens[next].text) && next < at2 + 3) next += 1;
  const read2 = readSize(tokens, next);
  return read2 && read2.role !== "pack" ? { ...read2, role: "size", isWeak: false } : null;
}
function readSystem(tokens, at2) {
  const chain = chainFrom(tokens, at2 + 1);
  return { to: chain.to, role: "size", key: tokens[at2].text.slice(0, 2) + chain.numbers.join("-"), isWeak: false };
}
function readWaist2(tokens, at2) {
  let next = at2 + 2;
  if (tokens[next] && ["/", "-", ",", "x"].includes(tokens[next].text)) next += 1;
  const length = tokens[next]?.text === "l" && tokens[next + 1]?.glued ? tokens[next + 1] : void 0;
  const waist = tokens[at2 + 1].text;
  if (length?.kind !== "number") return { to: at2 + 2, role: "size", key: waist, isWeak: false };
  return { to: next + 2, role: "size", key: `${waist}/${length.text}`, isWeak: false };
}
function readFromNumber(tokens, at2) {
  const chain = chainFrom(tokens, at2);
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
    const measure2 = readMeasure2(tokens, chain);
    if (measure2) return measure2;
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
function readNumberedLetters(tokens, at2, number) {
  const letters = tokens[at2];
  if (!letters.glued || number.length > 1) return null;
  if (/^x[sl]$/.test(letters.text)) return letterSize(stepFrom(Number(number), letters.text[1]), at2 + 1);
  if (letters.text === "x") {
    const word = tokens[at2 + 1]?.text === "-" ? at2 + 2 : at2 + 1;
    const letter = WORD_SIZES[tokens[word]?.text ?? ""];
    if (letter && letter !== "M") return letterSize(stepFrom(Number(number), letter.toLowerCase()), word + 1);
  }
  return null;
}
function readCup2(tokens, at2, band) {
  const cup = tokens[at2];
  const isBand = band >= 60 && band <= 120 && band % 5 === 0 || band >= 28 && band <= 46 && band % 2 === 0;
  if (!cup.glued || !isBand || !/^(?:[a-h]|aa|dd|ff|gg|hh)$/.test(cup.text)) return null;
  return { to: at2 + 1, role: "size", key: `cup${band}${cup.text}`, isWeak: false };
}
function readSystemBehind(tokens, { numbers, to }) {
  const at2 = tokens[to].kind === "word" && /^(?:[bdmnw]|[2-4]?e{1,4})$/.test(tokens[to].text) ? to + 1 : to;
  const system = tokens[at2]?.text ?? "";
  if (!["us", "usa", "uk", "eu", "eur"].includes(system) || Number(numbers[0]) > 60) return null;
  const width = at2 > to ? tokens[to].text : "";
  return { to: at2 + 1, role: "size", key: `${system.slice(0, 2)}${numbers[0]}${width}`, isWeak: false };
}
function readLeg(tokens, at2, number) {
  const { text: text10, glued } = tokens[at2];
  if (!glued || !Number.isInteger(number) || number < 24 || number > 60 || !/^[rstl]$/.test(text10)) return null;
  const read2 = { to: at2 + 1, key: `${number}${text10}`, isWeak: false };
  return text10 === "l" ? { ...read2, role: "volume", key: `${number * 1e3}ml`, also: "size" } : { ...read2, role: "size" };
}
function readChildShoe2(tokens, { numbers, to }) {
  const { text: text10, glued } = tokens[to];
  const size = Number(numbers[0]);
  if (!glued || size > 13.5 || text10 !== "k" && text10 !== "c" || tokens[to + 1]?.text === "gold") return null;
  return { to: to + 1, role: "size", key: `child${size}`, isWeak: false };
}

// core/src/intake/options/tokens.ts
var OTHER_LETTER = /[\p{L}\p{M}]/u;
var OTHER_NUMBER = new RegExp("\\p{N}", "u");
function kindOf(name, at2) {
  const code = name.charCodeAt(at2);
  if (code < 128) {
    if (code >= 48 && code <= 57) return "digit";
    if (code >= 97 && code <= 122 || code >= 65 && code <= 90) return "letter";
    return code === 32 || code >= 9 && code <= 13 ? "blank" : "sign";
  }
  const sign = name[at2];
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
  const text10 = kind === "word" ? foldLetters(written) : kind === "number" ? written.replace(",", ".") : written;
  tokens.push({ kind, text: text10, from, to, glued });
}
var isApostrophe = (sign) => sign === "'" || sign === "\u2019" || sign === "`";

// core/src/intake/options/readOptions.ts
var LONGEST_KEPT = 5e4;
function openOptionReader(registry) {
  const lexicon = { phrases: phrasesOf(registry), known: /* @__PURE__ */ new Map() };
  const known2 = /* @__PURE__ */ new Map();
  const read2 = (tokens) => readAll(lexicon, tokens);
  return {
    read: read2,
    whole(tokens) {
      const said = tokens.map((token) => token.text).join(" ");
      let found = known2.get(said);
      if (found === void 0) {
        found = wholeOf(read2(tokens), tokens);
        if (known2.size < LONGEST_KEPT) known2.set(said, found);
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
  const between = tokens.filter((_, at2) => !options.some((one) => at2 >= one.from && at2 < one.to));
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
function phrasesOf(registry) {
  const phrases2 = /* @__PURE__ */ new Map();
  const add2 = (text10, role, key = compact(text10), label) => {
    const words2 = foldLetters(text10).split(/[^\p{L}\p{N}]+/u).filter(Boolean);
    if (words2.length === 0) return;
    const list = phrases2.get(words2[0]) ?? [];
    const twin = list.find((one) => one.words.join(" ") === words2.join(" "));
    if (twin) twin.roles = [.../* @__PURE__ */ new Set([...twin.roles, role])];
    else list.push({ words: words2, roles: [role], key, ...label === void 0 ? {} : { label } });
    phrases2.set(words2[0], list);
  };
  for (const role of ROLES) {
    for (const entry of Object.values(registry.data.dictionary[role] ?? {}))
      for (const spelling of [entry.label, ...entry.synonyms])
        if ((spelling.length > 2 || role !== "other") && !isReadSize(role, spelling))
          add2(spelling, role, compact(entry.label), entry.label);
  }
  for (const text10 of MATERIALS) add2(text10, "material");
  for (const text10 of PATTERNS) add2(text10, "pattern");
  for (const list of phrases2.values()) list.sort((a, b) => b.words.length - a.words.length);
  return phrases2;
}
function readAll(lexicon, tokens) {
  const found = [];
  for (let at2 = 0; at2 < tokens.length; ) {
    const option = readAt(lexicon, tokens, at2);
    if (option) {
      found.push(option);
      at2 = option.to;
      const length = option.roles[0] === "size" ? readLengthWord(tokens[at2]) : null;
      if (length) {
        found.push({ from: at2, to: at2 + 1, roles: ["length"], key: length.key, isWeak: false });
        at2 += 1;
      }
    } else at2 += 1;
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
function readAt(lexicon, tokens, at2) {
  const { kind, text: text10 } = tokens[at2];
  if (kind === "sign") return null;
  if (kind === "word" && !mayBegin(lexicon, text10)) return null;
  const phrase = kind === "word" ? phraseAt(lexicon.phrases, tokens, at2) : null;
  const colour = kind === "word" ? colourAt(tokens, at2) : null;
  if (phrase && colour && phrase.to <= colour.to)
    return phrase.to === colour.to ? {
      ...colour,
      ..."label" in phrase ? { label: phrase.label, key: phrase.key } : {},
      roles: union(phrase, colour)
    } : colour;
  if (phrase && colour) {
    const isColour = tokens.slice(at2, phrase.to).every((token) => token.kind === "sign" || colourWord(token.text));
    return isColour ? { ...phrase, roles: union(phrase, colour) } : phrase;
  }
  if (phrase ?? colour) return phrase ?? colour;
  const size = readSize(tokens, at2);
  if (!size) return null;
  const { to, role, also, key, isWeak, label } = size;
  return { from: at2, to, roles: also ? [role, also] : [role], key, isWeak, label };
}
var union = (phrase, colour) => phrase.roles.includes("colour") ? [...phrase.roles] : [...colour.roles, ...phrase.roles];
function phraseAt(phrases2, tokens, at2) {
  for (const phrase of phrases2.get(tokens[at2].text) ?? []) {
    const to = endOf2(phrase.words, tokens, at2);
    if (to !== null) return { from: at2, to, roles: phrase.roles, key: phrase.key, label: phrase.label, isWeak: false };
  }
  return null;
}
function endOf2(words2, tokens, at2) {
  let next = at2;
  for (const [place, word] of words2.entries()) {
    if (place > 0 && tokens[next]?.text === "-") next += 1;
    if (tokens[next]?.text !== word) return null;
    next += 1;
  }
  return next;
}
function colourAt(tokens, at2) {
  let next = at2;
  let end = at2;
  let isPlain2 = false;
  for (; next < tokens.length; next++) {
    const token = tokens[next];
    if (token.kind === "sign") {
      const goesOn2 = token.glued && tokens[next + 1]?.glued && (token.text === "-" || token.text === "/");
      if (next > at2 && goesOn2) continue;
      break;
    }
    const word = token.kind === "word" ? colourWord(token.text) : null;
    if (word === "thing" && end > at2 && MADE_OF.has(token.text)) break;
    if (word) {
      end = next + 1;
      isPlain2 ||= word === "plain";
    } else if (!isBeforeColour(token.text, tokens[next + 1]?.text ?? "") && !(end > at2 && isAfterColour(token.text)))
      break;
    else if (end > at2 && isAfterColour(token.text)) end = next + 1;
  }
  if (end === at2) return null;
  return { from: at2, to: end, roles: ["colour"], key: keyOf(tokens.slice(at2, end)), isWeak: !isPlain2 };
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
  const text10 = cell.trim();
  const plain3 = /^\d+([.,]\d{1,2})?$/.exec(text10);
  if (plain3) return plain3[1] === void 0 ? "whole" : "decimal";
  if (!/\d/.test(text10)) return null;
  const bare = text10.replace(CURRENCY2, "");
  if (!AMOUNT.test(bare)) return null;
  if (bare !== text10) return "money";
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
function openHeaders(registry) {
  const known2 = /* @__PURE__ */ new Map();
  const add2 = (headers, meaning) => {
    for (const header of headers.split(",")) {
      const folded2 = foldHeader(header);
      if (folded2 !== "" && !known2.has(folded2)) known2.set(folded2, meaning);
    }
  };
  for (const field4 of registry.fields) {
    if (field4.type === "pictures" || field4.type === "surcharge" || field4.onlyScoped) continue;
    for (const header of [field4.label, headerOf(field4)]) known2.set(foldHeader(header), { is: "field", key: field4.key });
  }
  for (const [key, headers] of Object.entries(FIELD_HEADERS))
    if (registry.field(key)) add2(headers, { is: "field", key });
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
  const words2 = folded2.split(" ");
  const own = words2.length > 1 && WHOSE.has(words2[0]) ? known2.get(words2.slice(1).join(" ")) : void 0;
  if (own) return { meaning: named(own, header), certainty: 0.8 };
  for (let length = words2.length - 1; length > 0; length--)
    for (const part of [words2.slice(0, length), words2.slice(-length)]) {
      const meant = known2.get(part.join(" "));
      if (meant) return { meaning: named(meant, header), certainty: length / words2.length > 0.5 ? 0.8 : 0.6 };
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
function findTable(table, words2, headerRow) {
  const width = table.slice(0, 2e3).reduce((most, row) => Math.max(most, row.length), 0);
  const header = headerRow === void 0 ? findHeader(table, words2) : headerRow - 1;
  const headerRows = header === null ? [] : headerLines(table, header, words2);
  const { headers, below } = joined(table, headerRows, width);
  const skipped = [];
  const body = [];
  const first = headerRows.length > 0 ? headerRows.at(-1) + 1 : 0;
  for (let at2 = 0; at2 < (headerRows[0] ?? 0); at2++) if (!isEmpty(table[at2])) skipped.push({ at: at2, why: "title" });
  for (let at2 = first; at2 < table.length; at2++) {
    const row = table[at2];
    if (isEmpty(row)) continue;
    const why = reasonToSkip(row, headerRows, table);
    if (why) skipped.push({ at: at2, why });
    else body.push(at2);
  }
  return { headerRows, headers, below, body, skipped };
}
var isEmpty = (row) => row.every((cell) => cell.trim() === "");
function findHeader(table, words2) {
  const rows = table.slice(0, LOOKED_AT).map((row, at2) => ({ at: at2, score: headerScore(row, words2), filled: row.filter((cell) => !isBlank(cell)).length }));
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
    const text10 = cell.trim();
    if (text10 === "") continue;
    filled += 1;
    const meant = text10.length <= 40 ? meaningOf2(text10) : null;
    const said = meant ? JSON.stringify(meant.meaning) : text10;
    if (meant && !seen.has(said)) score += meant.certainty;
    else if (digitsOf(text10) || numberLook(text10) === "decimal" || numberLook(text10) === "money") score -= 1.5;
    else if (!meant && numberLook(text10) !== "whole" && options.whole(tokensOf(text10))?.roles[0] === "size") score += 0.5;
    else if (text10.length > 40) score -= 0.5;
    seen.add(said);
  }
  return filled > 1 ? score : row.length === 1 && score >= 1 ? 2 : 0;
}
function headerLines(table, at2, words2) {
  if (isCaptions(table, at2 - 1, at2, words2)) return [at2 - 1, at2];
  if (isSecondLine(table, at2, words2)) return [at2, at2 + 1];
  return [at2];
}
function isCaptions(table, above, at2, { meaningOf: meaningOf2 }) {
  const row = table[above];
  if (!row) return false;
  const filled = row.flatMap((cell, place) => isBlank(cell) ? [] : [place]);
  const known2 = filled.filter((place) => row[place].trim().length <= 40 && meaningOf2(row[place].trim()));
  const isTitle = filled.length === 1 && filled[0] === 0;
  if (known2.length === 0 || isTitle || filled.some((place) => numberLook(row[place]))) return false;
  const header = table[at2].filter((cell) => !isBlank(cell)).length;
  return new Set(filled.map((place) => row[place].trim())).size < header && known2.length * 2 >= new Set(filled.map((place) => row[place].trim())).size;
}
function isSecondLine(table, at2, { meaningOf: meaningOf2, options }) {
  const head = table[at2];
  const row = table[at2 + 1];
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
var isShort = (text10) => text10 !== "" && text10.length <= 6;
function reasonToSkip(row, headerRows, table) {
  const filled = row.filter((cell) => !isBlank(cell));
  const [first = ""] = filled;
  const header = headerRows.length > 0 ? table[headerRows.at(-1)] : [];
  if (filled.length > 1 && row.every((cell, place) => cell.trim() === (header[place] ?? "").trim())) return "header";
  const words2 = filled.filter((cell) => numberLook(cell) === null);
  if (looksLikeTotal(first) && words2.length <= 2) return "total";
  if (filled.length > 1) return null;
  if (row.length <= 1) return null;
  const text10 = first.trim();
  return text10.length > 60 || /[.!?]$/.test(text10) || /^\*|:\s/.test(text10) ? "note" : numberLook(text10) ? "total" : "section";
}

// core/src/intake/table/shape.ts
import { z as z9 } from "zod";
var MeaningSchema = z9.discriminatedUnion("is", [
  /** A figure of the family or the child, by the registry's key. */
  z9.object({ is: z9.literal("field"), key: z9.string().min(1).max(40) }),
  /** The values of one axis. */
  z9.object({ is: z9.literal("option"), role: RoleSchema, label: z9.string().trim().min(1).max(40) }),
  /** What the options in the column with the same number are called: "Colour". */
  z9.object({ is: z9.literal("optionName"), number: z9.number().int().min(1).max(9) }),
  z9.object({ is: z9.literal("optionValue"), number: z9.number().int().min(1).max(9) }),
  /** Several options in one cell: "Colour: Navy; Size: XL". */
  z9.object({ is: z9.literal("options") }),
  /** A value whose pieces stand in the cells. */
  z9.object({ is: z9.literal("across"), role: RoleSchema, value: z9.string().trim().min(1).max(80) }),
  /** What families are held together by: a code that all rows of one share. */
  z9.object({ is: z9.literal("group") }),
  /** The SKU or number of the parent's row. */
  z9.object({ is: z9.literal("parent") }),
  /** Whether the row is a parent or a child. */
  z9.object({ is: z9.literal("kind") }),
  z9.object({ is: z9.literal("picture") }),
  /** What is done with the row: "delete" takes the child out. */
  z9.object({ is: z9.literal("deed") }),
  z9.object({ is: z9.literal("ignored") })
]);
var ListMappingSchema = z9.object({
  /** Row of the header, from 1; where it is not said it is found. */
  headerRow: z9.number().int().min(1).max(1e3).optional(),
  /** Header → meaning; a header that stands twice is told by its place: "Price#2". */
  columns: z9.record(z9.string().max(200), MeaningSchema).default({}),
  /** The mark before decimals, where it cannot be seen. */
  decimal: z9.enum([".", ","]).optional(),
  /** Taken over from the last list with these headers. */
  remembered: z9.boolean().optional()
});
var NO_MAPPING = { columns: {} };

// core/src/intake/table/contents.ts
var SAMPLE = 400;
function contentsOf(table, rows, at2, { meaningOf: meaningOf2, options }) {
  const step = Math.max(1, Math.floor(rows.length / SAMPLE));
  const cells = [];
  let looked = 0;
  for (let place = 0; place < rows.length; place += place % (2 * step) === 0 && step > 1 ? 1 : step) {
    looked += 1;
    const cell = table[rows[place]][at2];
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
function settleColumns(registry, columns, contents) {
  settleLengths(columns);
  settleOptionPairs(columns, contents);
  settleNames(registry, columns, contents);
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
  columns.forEach((column, at2) => {
    if (isSaid(column.reason)) return;
    const next = columns[at2 + 1];
    const isNames = contents[at2].roleName > 0.9;
    const { meaning } = column;
    if (isNames && meaning.is === "optionValue") column.meaning = { is: "optionName", number: meaning.number };
    if (!isNames || "number" in meaning || !next || contents[at2].distinct > 9) return;
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
function settleNames(registry, columns, contents) {
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
    ({ at: at2, meaning, reason }) => !isSaid(reason) && (meaning.is === "ignored" || meaning.is === "field" && mayBeNames(meaning.key, contents[at2])) && contents[at2].letters > 0.8 && contents[at2].averageLength < 90 && contents[at2].code < 0.6 && contents[at2].picture + contents[at2].address < 0.3
  );
  const [best2] = texts.toSorted((a, b) => nameScore(contents[b.at]) - nameScore(contents[a.at]));
  if (best2 && registry.field("name"))
    Object.assign(best2, { meaning: field2("name"), confidence: 0.6, reason: "content" });
}
var mayBeNames = (key, { code }) => ["description", "shortText"].includes(key) || key === "styleCode" && code < 0.3;
var nameScore = ({ averageWords, uniqueShare, code }) => Math.min(averageWords, 8) + uniqueShare - 3 * code;
function settleCodes(columns, contents) {
  const codes = (key) => columns.filter(({ meaning, reason }) => meaning.is === "field" && meaning.key === key && !isSaid(reason));
  const hasAcross = columns.some(({ meaning }) => meaning.is === "across");
  const skus = codes("sku");
  const styles = codes("styleCode");
  const unique2 = (column) => contents[column.at].uniqueShare;
  if (skus.length === 0 && !columns.some(({ meaning }) => meaning.is === "field" && meaning.key === "sku")) {
    const [own] = styles.filter((column) => unique2(column) > 0.97 && !hasAcross && contents[column.at].filled > 3);
    if (own && styles.length > 1) own.meaning = field2("sku");
  }
  if (skus.length > 1) {
    const best2 = skus.toSorted((a, b) => unique2(b) - unique2(a) || b.confidence - a.confidence)[0];
    for (const column of skus)
      if (column !== best2) column.meaning = unique2(column) < 0.9 && styles.length === 0 ? field2("styleCode") : IGNORED;
  } else if (skus.length === 1 && styles.length === 0 && unique2(skus[0]) < 0.75 && !hasAcross && contents[skus[0].at].filled > 3)
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
      ({ at: at2, meaning, reason }) => meaning.is === "ignored" && reason === "nothing" && contents[at2].filled > 0 && test(contents[at2])
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
  return headers.map((header, at2) => {
    const name = header.trim() === "" ? `Column ${at2 + 1}` : header.trim();
    const time = (times.get(name) ?? 0) + 1;
    times.set(name, time);
    return time === 1 ? name : `${name}#${time}`;
  });
}
function understandColumns(registry, table, found, words2, mapping) {
  const names = columnNames(found.headers);
  const contents = found.headers.map((_, at2) => contentsOf(table, found.body, at2, words2));
  const across = sizesAcross(table, found, contents, words2);
  const guesses = found.headers.map((header, at2) => {
    const chosen = mapping.columns[names[at2]];
    if (chosen) return { meaning: chosen, confidence: 1, reason: mapping.remembered ? "remembered" : "chosen" };
    const value = across.get(at2);
    if (value) return { meaning: value, confidence: 0.95, reason: "both" };
    if (contents[at2].filled === 0) return { meaning: IGNORED2, confidence: 1, reason: "nothing" };
    return guess(words2.meaningOf(header), contents[at2]);
  });
  const columns = guesses.map((one, at2) => ({ at: at2, header: names[at2], ...one }));
  settleColumns(registry, columns, contents);
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
      for (const { at: at2, role, value } of run) across.set(at2, { is: "across", role, value });
    run = [];
  };
  found.below.forEach((header, at2) => {
    const read2 = header === "" ? null : options.whole(tokensOf(header));
    const role = read2?.roles[0];
    const fits = role && role !== "material" && role !== "pattern" && role !== "model" && role !== "other";
    if (!fits || contents[at2].letters > 0.2 || contents[at2].money > 0.2) return close();
    if (run.length > 0 && run[0].role !== role) close();
    run.push({
      at: at2,
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

// core/src/intake/table/howWritten.ts
var ROWS_LOOKED_AT = 5e3;
function howWritten(table, columns, { decimal }) {
  if (decimal) return () => ({ decimal });
  const some = table.slice(0, ROWS_LOOKED_AT);
  const own = new Map(
    columns.flatMap(
      ({ at: at2, meaning }) => meaning.is === "field" ? [[at2, habitsOf(some.map((row) => row[at2] ?? ""))]] : []
    )
  );
  const marks = new Set([...own.values()].flatMap((one) => one.decimal ?? []));
  const common = marks.size === 1 ? { decimal: [...marks][0] } : {};
  return (at2) => ({ ...common, ...own.get(at2) });
}

// core/src/intake/families/nameStems.ts
var LINKS = new Set(
  "in mit with en de con di colour color farbe couleur colore kleur size sizes groesse gro\xDFe grosse gr taille talla taglia maat and und et".split(
    " "
  )
);
function readNames(items, options) {
  const byName = /* @__PURE__ */ new Map();
  for (const item of items) {
    let spans = byName.get(item.name);
    if (!spans) byName.set(item.name, spans = options.read(item.tokens));
    item.read = spans;
    item.spans = spans.slice();
  }
  const said = openSaid(options);
  const repeated = rolesRepeated(items, said);
  const columns = new Set(items.flatMap(({ given }) => given.map(({ axis }) => axis)));
  for (const item of items) {
    settleSaid(item, repeated, said);
    item.spans = item.spans.filter(
      ({ roles, isWeak }) => !columns.has(roles[0]) || repeated.has(roles[0]) && !isWeak
    );
  }
}
function openSaid(options) {
  const known2 = /* @__PURE__ */ new Map();
  return (text10) => {
    let said = known2.get(text10);
    if (!said) {
      const tokens = tokensOf(text10);
      const words2 = tokens.filter((token) => token.kind !== "sign").map((token) => token.text);
      known2.set(text10, said = { words: words2, key: options.whole(tokens)?.key ?? words2.join("") });
    }
    return said;
  };
}
function rolesRepeated(items, said) {
  const counts = /* @__PURE__ */ new Map();
  const step = Math.max(1, Math.floor(items.length / 2e3));
  for (let at2 = 0; at2 < items.length; at2 += step) {
    const item = items[at2];
    for (const { axis, text: text10 } of item.given) {
      const count = counts.get(axis) ?? { there: 0, of: 0 };
      count.of += 1;
      const { words: words2, key } = said(text10);
      if (item.spans.some((span) => span.key === key) || placeOf(words2, item.tokens) !== null) count.there += 1;
      counts.set(axis, count);
    }
  }
  return new Set([...counts].filter(([, { there, of }]) => there >= of * REPEATED).map(([axis]) => axis));
}
var REPEATED = 0.6;
function settleSaid(item, repeated, said) {
  for (const { axis, role, text: text10 } of item.given) {
    const { words: words2, key } = said(text10);
    if (repeated.has(axis)) {
      const span = item.spans.findLast((one) => one.key === key);
      const place = span ? { from: span.from, to: span.to } : placeOf(words2, item.tokens);
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
function placeOf(words2, tokens) {
  if (words2.length === 0) return null;
  for (let from = tokens.length - 1; from >= 0; from--) {
    let at2 = from;
    let word = 0;
    for (; word < words2.length && at2 < tokens.length; at2++) {
      if (tokens[at2].kind === "sign" && word > 0) continue;
      if (tokens[at2].text !== words2[word]) break;
      word += 1;
    }
    if (word === words2.length) return { from, to: at2 };
  }
  return null;
}
var stemWords = (item) => stemOfItem(item).words;
var stemKey = (item) => stemOfItem(item).key;
function stemOfItem(item) {
  const { spans, said, stem } = item;
  if (stem?.spans === spans && stem.said === said.length) return stem;
  const words2 = readStem(item);
  let key = "";
  for (const { text: text10 } of words2) key += stemOf(text10);
  return item.stem = { spans, said: said.length, words: words2, key };
}
function readStem({ tokens, spans, said }) {
  const taken2 = new Uint8Array(tokens.length + 1);
  for (const { from, to } of spans) taken2.fill(1, from, to);
  for (const { from, to } of said) taken2.fill(1, from, to);
  const words2 = [];
  for (let at2 = 0; at2 < tokens.length; at2++) {
    const token = tokens[at2];
    if (taken2[at2] || token.kind === "sign") continue;
    if (LINKS.has(token.text) && leadsToTaken(tokens, taken2, at2)) continue;
    words2.push({ text: token.text, at: at2 });
  }
  return words2;
}
function leadsToTaken(tokens, taken2, at2) {
  for (let next = at2 + 1; next < tokens.length; next++) {
    if (taken2[next]) return true;
    if (tokens[next].kind !== "sign" && !LINKS.has(tokens[next].text)) return false;
  }
  return false;
}
function cleanName({ name, tokens, spans, said }) {
  const words2 = new Set(stemWords({ tokens, spans, said }).map(({ at: at2 }) => at2));
  const cut = [...spans, ...said];
  let text10 = "";
  let end = 0;
  tokens.forEach((token, at2) => {
    const isOut = cut.some(({ from, to }) => at2 >= from && at2 < to) || token.kind !== "sign" && !words2.has(at2);
    if (!isOut) text10 += name.slice(end, token.to);
    else if (end < token.from) text10 += " ";
    end = token.to;
  });
  return text10.replace(/\([\s,/|;:.-]*\)|\[[\s,/|;:.-]*\]/g, " ").replace(/\s+/g, " ").replace(/(?:\s*[-–—,/|;:(·•]\s*)+$/u, "").replace(/^(?:\s*[-–—,/|;:)·•]\s*)+/u, "").replace(/\s+([,;:])/g, "$1").replace(/(?:\s[-–—,/|;:·•])+\s(?=[-–—,/|;:·•]\s)/gu, " ").trim();
}

// core/src/intake/families/givenOptions.ts
function openGiven(columns, { meaningOf: meaningOf2, options }) {
  const axisOf2 = (role, label) => role === "other" ? `other ${compact(label)}` : role;
  const named2 = (name, text10) => {
    const meant = meaningOf2(name)?.meaning;
    const role = meant?.is === "option" ? meant.role : "other";
    return text10.trim() === "" ? null : { axis: axisOf2(role, name), role, label: name.trim(), text: text10.trim() };
  };
  const byLook = (text10) => {
    const tokens = tokensOf(text10);
    const alone2 = options.read(tokens);
    if (alone2.length > 0 && alone2.every(({ roles }) => roles[0] === "colour")) return [plainly("colour", text10.trim())];
    const found = alone2.map((one) => one.roles[0] === "colour" ? withBeside(one, alone2, tokens) : one);
    const given = found.map(
      (one) => plainly(one.roles[0], text10.slice(tokens[one.from].from, tokens[one.to - 1].to))
    );
    if (given.some(({ role }) => role === "colour")) return given;
    const rest = tokens.filter((token, at2) => isWord(token) && !found.some(({ from, to }) => at2 >= from && at2 < to));
    if (rest.length === 0) return given;
    return [plainly("colour", text10.slice(rest[0].from, rest.at(-1).to)), ...given];
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
      for (const { at: at2, meaning } of ofOptions) {
        const text10 = (cells[at2] ?? "").trim();
        if (text10 === "" || text10 === "-" || text10 === "\u2013" || /^n\/a$/i.test(text10)) continue;
        if (meaning.is === "option")
          given.push({ axis: axisOf2(meaning.role, meaning.label), role: meaning.role, label: meaning.label, text: text10 });
        else if (meaning.is === "options") given.push(...readPacked(text10));
        else if (meaning.is === "optionValue") {
          const names = columns.find((one2) => one2.meaning.is === "optionName" && one2.meaning.number === meaning.number);
          const one = named2((names ? cells[names.at] : void 0) || `Option ${meaning.number}`, text10);
          if (one) given.push(one);
        }
      }
      return given.filter(({ axis }, place) => given.findIndex((one) => one.axis === axis) === place);
    },
    across(cells) {
      return goingAcross.flatMap(({ at: at2, meaning }) => {
        if (meaning.is !== "across") return [];
        const text10 = (cells[at2] ?? "").trim();
        if (text10 === "" || /^(?:-|–|n\/a|no|nein|non|x{0})$/i.test(text10)) return [];
        const label = ROLE_LABELS[meaning.role];
        const value = { axis: meaning.role, role: meaning.role, label, text: meaning.value };
        return [{ value, pieces: numberLook(text10) ? text10 : "", column: at2 }];
      });
    }
  };
}
var OPTIONS = /* @__PURE__ */ new Set(["option", "options", "optionValue"]);
var isWord = ({ kind, text: text10 }) => kind === "word" && !LINKS.has(text10);
function withBeside(colour, all, tokens) {
  let { from, to } = colour;
  const isFree = (at2) => isWord(tokens[at2]) && !all.some((one) => one !== colour && at2 >= one.from && at2 < one.to);
  while (from > 0 && isFree(from - 1)) from -= 1;
  while (to < tokens.length && isFree(to)) to += 1;
  return { ...colour, from, to };
}
var plainly = (role, text10) => ({ axis: role, role, label: ROLE_LABELS[role], text: text10 });
function partsOf(cell, byLook, options) {
  const apart = /\s[/|–-]\s|[;|,]/.test(cell) ? /\s+[/|–-]\s+|\s*[;|,]\s*/ : /\//;
  const parts = cell.split(apart).filter((part) => part.trim() !== "");
  if (parts.length < 2) return byLook(cell);
  const read2 = parts.map((part) => ({ part: part.trim(), roles: options.whole(tokensOf(part))?.roles ?? [] }));
  const taken2 = new Set(read2.flatMap(({ roles }) => roles.length === 1 ? roles : []));
  const isTwice = taken2.size < read2.filter(({ roles }) => roles.length === 1).length;
  if (isTwice) return byLook(cell);
  return read2.map(({ part, roles }, at2) => {
    const wanted = roles.length === 1 ? roles[0] : [...roles, "colour"].find((role2) => !taken2.has(role2));
    const role = wanted ?? "other";
    taken2.add(role);
    return { axis: role === "other" ? `other ${at2}` : role, role, label: ROLE_LABELS[role], text: part };
  });
}

// core/src/intake/families/remembered.ts
function remembered(read2) {
  const known2 = /* @__PURE__ */ new Map();
  return (text10) => {
    let found = known2.get(text10);
    if (found === void 0) known2.set(text10, found = read2(text10));
    return found;
  };
}

// core/src/intake/families/rowItems.ts
var DELETES = /^(?:delete|del|remove|löschen|loeschen|supprimer|eliminar|elimina|verwijderen)$/i;
var columnOfField = (columns, key) => columns.find(({ meaning }) => meaning.is === "field" && meaning.key === key);
var columnThat = (columns, is) => columns.find(({ meaning }) => meaning.is === is);
var nameColumn = (columns) => columnOfField(columns, "name") ?? columnOfField(columns, "styleCode");
function rowItems(table, found, columns, words2) {
  const sections = found.skipped.filter((one) => one.why === "section").map((one) => one.at);
  const rows = [...found.body, ...sections].sort((a, b) => a - b);
  const alone2 = new Set(sections.filter((at3) => !goesOn(table, at3, columns)));
  const filled = carryDown(table, rows, alone2, columns);
  const result = { items: [], parents: [], sections: filled.sections.map((at3) => at3 + 1), deletions: [] };
  const text10 = (cells, column) => column ? (cells[column.at] ?? "").trim() : "";
  const at2 = {
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
    at2.parent ? filled.rows.map(({ cells }) => compact(text10(cells, at2.parent))).filter(Boolean) : []
  );
  const ownCodes = new Set(at2.parent && at2.kind ? filled.rows.map(({ cells }) => compact(text10(cells, at2.sku))) : []);
  const givenOf = openGiven(columns, words2);
  const brandKeyOf = remembered(compact);
  const tokensIn = remembered(tokensOf);
  const priceIn = remembered(roughly);
  for (const { place, cells, block, isHead } of filled.rows) {
    const row = place + 1;
    if (DELETES.test(text10(cells, at2.deed))) {
      result.deletions.push({ row, sku: text10(cells, at2.sku), gtin: text10(cells, at2.gtin) });
      continue;
    }
    const item = {
      name: text10(cells, at2.name),
      brand: text10(cells, at2.brand),
      style: text10(cells, at2.style),
      ownCode: text10(cells, at2.sku),
      belongs: text10(cells, at2.parent),
      price: priceIn(text10(cells, at2.price))
    };
    const kind = at2.kind ? kindOf2(text10(cells, at2.kind)) : null;
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
function roughly(text10) {
  const digits = text10.replace(/[^\d.,]/g, "").replace(/[.,](?=\d{3}\b)/g, "").replace(",", ".");
  const number = Number.parseFloat(digits);
  return Number.isFinite(number) ? number : null;
}
function goesOn(table, place, columns) {
  const at2 = table[place].findIndex((cell) => !isBlank(cell));
  const name = nameColumn(columns);
  const above = table[place - 1];
  if (!name || !above || columns.find((one) => one.at === at2)?.meaning.is !== "option") return false;
  return !isBlank(above[at2]) && above.some((cell, other) => other !== at2 && !isBlank(cell));
}
function carryDown(table, rows, alone2, columns) {
  const name = nameColumn(columns);
  const result = { rows: [], sections: [] };
  const isBelow = (place) => name !== void 0 && place !== void 0 && !alone2.has(place) && isBlank(table[place][name.at]);
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
    if (alone2.has(place)) {
      const isHead = isBelow(next) && cells.some((cell, at2) => !isBlank(cell) && (at2 === name?.at || !isBlank(cell)));
      if (!isHead) return void result.sections.push(place);
      block += 1;
      const text10 = cells.find((cell) => !isBlank(cell));
      const moved = cells.slice();
      if (name) moved[name.at] = text10;
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
    for (const { at: at2 } of ofFamily) if (isBlank(full[at2])) full[at2] = head[at2] ?? "";
    if (name) full[name.at] = head[name.at];
    for (const { at: at2 } of options) if (isBlank(full[at2]) && above) full[at2] = above[at2] ?? "";
    for (const { at: at2 } of ofAll) if (isBlank(full[at2])) full[at2] = head[at2] ?? "";
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
  const says = (row, list) => list.some(({ at: at2 }) => !isBlank(row[at2]));
  return !says(cells, options) && !says(cells, across) && (says(next, options) || says(next, across)) && !columnsSay(cells, ofChild);
}
var columnsSay = (cells, columns) => columns.filter(({ at: at2 }) => !isBlank(cells[at2])).length > 1;
function carryOptions(cells, above, name, options) {
  const isSame = name && !isBlank(cells[name.at]) && cells[name.at] === above[name.at];
  const blank = options.filter(({ at: at2 }) => isBlank(cells[at2]));
  if (!isSame || blank.length === 0 || blank.length === options.length) return cells;
  const full = cells.slice();
  for (const { at: at2 } of blank) full[at2] = above[at2] ?? "";
  return full;
}

// core/src/intake/families/readFigures.ts
var KEYS = ["sku", "gtin", "price", "stock"];
function readFigures(registry, table, columns, { families: families2, singles }, mapping) {
  const read2 = { figures: /* @__PURE__ */ new Map(), singleFigures: [], problems: [], mended: [] };
  const written = howWritten(table, columns, mapping);
  const sources = new Map(
    KEYS.flatMap((key) => {
      const column = columnOfField(columns, key);
      return column ? [[key, { column, source: written(column.at) }]] : [];
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
      const text10 = (cells[known3.column.at] ?? "").trim();
      const figure = text10 === "" ? null : readCell2(rows[0], key, known3.column, text10, known3.source);
      if (figure !== null) Object.assign(figures, { [key]: key === "stock" ? Number(figure) : figure });
    }
    return figures;
  }
  const known2 = /* @__PURE__ */ new Map();
  function readOnce(key, text10, work) {
    if (key === "sku" || key === "gtin") return work();
    const id = `${key}|${text10}`;
    let figure = known2.get(id);
    if (!figure) known2.set(id, figure = work());
    return figure;
  }
  function readCell2(row, key, { header }, text10, source) {
    if (key === "stock" && !/\d/.test(text10)) return null;
    const field4 = registry.field(key);
    let figure = readOnce(key, text10, () => readFigure(registry, field4, text10, source));
    if (!figure.ok && figure.code === "gtin.lost-zero") {
      const { right } = figure.params;
      read2.mended.push({ row, column: header, from: text10, to: right });
      figure = { ok: true, figure: right };
    }
    if (!figure.ok) {
      read2.problems.push(problemOf(row, header, figure));
      return null;
    }
    const value = figure.figure;
    if ((key === "sku" || key === "gtin") && typeof value === "string") {
      const id = `${key}|${identityOf(key, value)}`;
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
        const text10 = column ? (table[row - 1][column.at] ?? "").trim() : "";
        if (text10 === "" || key === "sku" && text10 === style) continue;
        read2.problems.push({ row, column: column.header, code: "row.several", text: `${count} ${text10}` });
      }
  }
  for (const family of families2) {
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

// core/src/intake/families/settlement.ts
import { z as z10 } from "zod";
var Row = z10.string().regex(/^\d{1,7}$/);
var Key = z10.string().regex(/^row\d{1,7}$/);
var ListSettlementSchema = z10.object({
  /** Row → group: rows of one group are one family, whatever they look like. */
  groups: z10.record(Row, z10.string().min(1).max(40)).default({}),
  /** Family → its name. */
  names: z10.record(Key, z10.string().trim().min(1).max(200)).default({}),
  /** Family → axis as it was found → what it is called, and what it is about. */
  axes: z10.record(Key, z10.record(z10.string().max(60), z10.object({ label: z10.string().trim().min(1).max(40), role: RoleSchema }))).default({}),
  /** Rows that do not go in. */
  leftOut: z10.array(z10.number().int().min(1)).max(2e5).default([])
});
var NO_SETTLEMENT = { groups: {}, names: {}, axes: {}, leftOut: [] };
var BY_SELLER = "\0";
var isBySeller = ({ belongs }) => belongs.startsWith(BY_SELLER);
function settleRows(items, { groups, leftOut }) {
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
function clusterRows(items) {
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
  words: stemWords(items[0]).map(({ text: text10 }) => text10),
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
  items.forEach((item, at2) => item.spans = item.spans.filter((span) => span !== found[at2]));
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
  const [only2] = numbers;
  const areSizes2 = !hasOther && (areSizeNumbers([...numbers]) || numbers.size === 1 && sizeNumbers.has(only2));
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
      const words2 = parts(item, span).map((token) => token.text);
      const [first] = words2;
      const last = words2.at(-1);
      if (colourWord(first) === "thing" && !isBeforeColour(first) && colourWord(words2[1]))
        add(rests.first, first, words2.slice(1).join(""));
      if (colourWord(last) === "thing" && colourWord(words2.at(-2))) add(rests.last, last, words2.slice(0, -1).join(""));
    }
  const isName = (map, word) => (map.get(word)?.size ?? 0) > 1;
  if (rests.first.size + rests.last.size === 0) return;
  for (const item of items)
    item.spans = item.spans.map((span) => {
      if (!isCompound(item, span)) return span;
      const words2 = parts(item, span);
      if (isName(rests.first, words2[0].text)) return cutTo(item, span, item.tokens.indexOf(words2[1]), span.to);
      if (isName(rests.last, words2.at(-1).text))
        return cutTo(item, span, span.from, item.tokens.indexOf(words2.at(-1)));
      return span;
    });
}
function add(map, key, one) {
  const set2 = map.get(key);
  if (set2) set2.add(one);
  else map.set(key, /* @__PURE__ */ new Set([one]));
}
function cutTo(item, span, from, to) {
  const words2 = item.tokens.slice(from, to).filter((token) => token.kind !== "sign");
  return { ...span, from, to, key: words2.map((token) => token.text).join(""), label: void 0 };
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
  const words2 = stemWords(item);
  const [first, last] = [words2[0]?.at ?? 0, words2.at(-1)?.at ?? 0];
  if (words2.length === 0 || span.from > last) return false;
  if (item.tokens[span.to]?.kind === "sign" && !item.tokens[span.to].glued) return false;
  const others = item.spans.filter((one) => one !== span);
  const stands = span.to <= first ? "before" : "inside";
  const beside = others.some((one) => one.to === span.from || one.from === span.to);
  if (words2.length === 1 && stands === "before") return span.roles[0] !== "colour" || others.length === 0 || !beside;
  return span.roles[0] === "material" && others.length > 0 && !beside;
}

// core/src/intake/families/codeHeads.ts
var partsOf2 = (sku) => sku.toUpperCase().split(/[^\p{L}\p{N}]+/u).filter(Boolean);
function openCodeHeads(groups) {
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
function isCodeOf(code, words2) {
  const letters = words2.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");
  const wanted = code.toLowerCase();
  if (wanted === "" || wanted[0] !== letters[0]) return false;
  let at2 = 0;
  for (const letter of wanted) {
    at2 = letters.indexOf(letter, at2) + 1;
    if (at2 === 0) return false;
  }
  return true;
}

// core/src/intake/families/kinEvidence.ts
var rolesIn = (cluster) => {
  const roles = /* @__PURE__ */ new Map();
  for (const item of cluster.items) {
    for (const { role, text: text10 } of item.given) put(roles, role, compact(text10));
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
function extendsColour({ cluster, filler, at: at2 }) {
  const keys = /* @__PURE__ */ new Set();
  for (const item of cluster.items) {
    const words2 = stemWords(item);
    const last = words2[at2 + filler.length - 1];
    const span = last && item.spans.find((one) => one.from === last.at + 1 && one.roles[0] === "colour");
    if (!span) return false;
    keys.add(span.key);
  }
  return keys.size === 1;
}
function standsAsOption({ cluster, filler, at: at2 }) {
  const isEdge = at2 + filler.length === cluster.words.length;
  return isEdge || cluster.items.every((item) => isBesideSpan(item, at2, filler.length));
}
function isBesideSpan(item, at2, length) {
  const words2 = stemWords(item);
  const first = words2[at2];
  const last = words2[at2 + length - 1];
  if (!first || !last) return false;
  return item.spans.some((span) => span.to === first.at || span.from === last.at + 1);
}
function isSetApart({ cluster, filler, at: at2 }) {
  return cluster.items.every((item) => {
    const words2 = stemWords(item);
    const first = words2[at2];
    const last = words2[at2 + filler.length - 1];
    if (!first || !last) return false;
    const before = item.tokens[first.at - 1];
    return before?.kind === "sign" && !(before.text === "-" && before.glued && item.tokens[first.at].glued);
  });
}
function isPricedAlike(base, { cluster, at: at2 }) {
  const price = middlePrice(base);
  return price !== null && price === middlePrice(cluster) && cluster.words.slice(0, at2).some(isGoods);
}
function clashes(a, b) {
  const crossings = new Set(a.items.map(crossingOf));
  return b.items.some((item) => crossings.has(crossingOf(item)));
}
var crossingOf = (item) => [
  ...item.given.map(({ axis, text: text10 }) => `${axis}=${compact(text10)}`),
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
    ({ cluster, filler, at: at2 }) => at2 + filler.length === cluster.words.length && cluster.words.slice(0, at2).some(isGoods)
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
function joinKin(clusters, heads) {
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
function writtenIn({ name, tokens }, words2) {
  const first = tokens.findIndex((_, at2) => words2.every((word, place) => tokens[at2 + place]?.text === word));
  return first < 0 ? words2.join(" ") : name.slice(tokens[first].from, tokens[first + words2.length - 1].to);
}
function gapGroups(clusters) {
  const groups = /* @__PURE__ */ new Map();
  for (const cluster of clusters) {
    const { words: words2, brand } = cluster;
    push(groups, `${brand}|${words2.join(" ")}`, { cluster, filler: [], at: words2.length });
    const changes2 = words2.map(changesGoods);
    for (let length = 1; length <= Math.min(LONGEST_FILLER, words2.length - 1); length++)
      for (let at2 = 0; at2 + length <= words2.length; at2++) {
        if (changes2.slice(at2, at2 + length).includes(true)) continue;
        const rest = [...words2.slice(0, at2), ...words2.slice(at2 + length)];
        push(groups, `${brand}|${rest.join(" ")}`, { cluster, filler: words2.slice(at2, at2 + length), at: at2 });
      }
  }
  for (const [key, group] of groups) if (group.length < 2) groups.delete(key);
  return groups;
}
function siblings(more, heads, find) {
  const byPlace = /* @__PURE__ */ new Map();
  for (const kin of more) push(byPlace, `${kin.at} ${[...rolesIn(kin.cluster).keys()].sort().join(",")}`, kin);
  return [...byPlace.values()].flatMap((kins) => {
    const distinct2 = [...new Map(kins.map((kin) => [find(kin.cluster), kin])).values()];
    if (distinct2.length < 2) return [];
    const [first] = distinct2;
    const saysGoods = first.cluster.words.some((word) => isGoods(word)) || first.cluster.words.length - first.filler.length > 1;
    if (!saysGoods) return [];
    return partedByCodes(distinct2, heads).filter((family) => family.length > 1 && areSiblings(family, heads));
  });
}
function makeSpans({ cluster, filler, at: at2 }, role) {
  for (const item of cluster.items) {
    const words2 = stemWords(item);
    const first = words2[at2];
    const last = words2[at2 + filler.length - 1];
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
var isBeside = (item) => stemWords(item).some(({ text: text10 }) => isBesideGoods(text10));

// core/src/intake/families/values.ts
function openValues(registry, options) {
  const known2 = /* @__PURE__ */ new Map();
  return (role, text10) => {
    const id = `${role}|${text10}`;
    let said = known2.get(id);
    if (!said) known2.set(id, said = read(registry, options, role, text10));
    return said;
  };
}
function read(registry, options, role, text10) {
  const clean = text10.replace(/\s+/g, " ").trim().replace(ANNOUNCED, "");
  const word = registry.word(role, clean);
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
function labelsOf2(role, said) {
  const spellings = /* @__PURE__ */ new Map();
  const tradeLabels = /* @__PURE__ */ new Map();
  for (const [{ key, text: text10, label }, times] of tally(said)) {
    const counts = spellings.get(key) ?? /* @__PURE__ */ new Map();
    counts.set(text10, (counts.get(text10) ?? 0) + times);
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
function tally(said) {
  const times = /* @__PURE__ */ new Map();
  for (const one of said) times.set(one, (times.get(one) ?? 0) + 1);
  return times;
}
function best(counts) {
  if (counts.size === 1) return counts.keys().next().value;
  const rank3 = (text10) => new RegExp("^\\p{Lu}(?!.*\\p{Lu}{2})", "u").test(text10) ? 2 : new RegExp("\\p{Lu}", "u").test(text10) ? 1 : 0;
  return [...counts].sort(([a, one], [b, other]) => other - one || rank3(b) - rank3(a) || a.localeCompare(b))[0][0];
}
function inOrder(role, labels) {
  if (role === "colour" || role === "pattern" || role === "material") return labels;
  const all = [...labels.values()];
  if (!areSizes(all)) return labels;
  const keyOf3 = new Map([...labels].map(([key, label]) => [label, key]));
  return new Map(sortSizes(all).map((label) => [keyOf3.get(label), label]));
}

// core/src/intake/families/weaves.ts
function weaveRows(items, read2) {
  const axes = /* @__PURE__ */ new Map();
  const roleOf3 = settledRoles(items);
  const strands = items.flatMap((item) => {
    const at2 = /* @__PURE__ */ new Map();
    for (const { axis, role, label, text: text10 } of item.given) {
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true });
      at2.set(axis, read2(role, text10));
    }
    for (const span of item.spans) {
      const role = roleOf3(span);
      if (at2.has(role)) continue;
      if (!axes.has(role)) axes.set(role, { key: role, role, label: ROLE_LABELS[role], isGiven: false });
      at2.set(role, { key: span.key, text: textOf(item, span), label: span.label });
    }
    const places = crossingsListed(item, at2, read2);
    if (item.across.length === 0) return places.map((place) => ({ item, across: null, at: place }));
    return item.across.flatMap((across) => {
      const { axis, role, label, text: text10 } = across.value;
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true });
      return places.map((place) => ({ item, across, at: new Map(place).set(axis, read2(role, text10)) }));
    });
  });
  return { axes: inOrder2([...axes.values()]), strands };
}
var crossingsListed = ({ given }, at2, read2) => given.reduce(
  (places, { axis, role, listed: listed2 }) => listed2 ? places.flatMap((place) => listed2.map((text10) => new Map(place).set(axis, read2(role, text10)))) : places,
  [at2]
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
function areApart(strands, axes) {
  const crossings = /* @__PURE__ */ new Set();
  for (const strand of strands) crossings.add(crossingOf2(strand, axes));
  return crossings.size === strands.length;
}
function axesThatDiffer({ axes, strands }, isUsual) {
  const differing = axes.filter(({ key, role, isGiven }) => {
    const values = /* @__PURE__ */ new Set();
    for (const { at: at2 } of strands) {
      values.add(at2.get(key)?.key ?? "");
      if (values.size > 1) return true;
    }
    const [only2] = values;
    const isAskedFor = (role === "colour" || role === "size") && only2 !== "" && only2 !== "one";
    return isAskedFor && (isGiven || isUsual(role));
  });
  return differing.filter(
    (axis) => !isMinor(axis) || !differing.some((other) => other !== axis && !isMinor(other) && isSaidBy(strands, axis, other))
  );
}
var isMinor = ({ role, isGiven }) => isGiven && (role === "other" || role === "material");
function isSaidBy(strands, axis, other) {
  const said = /* @__PURE__ */ new Map();
  for (const { at: at2 } of strands) {
    const value = at2.get(axis.key)?.key ?? "";
    const by = at2.get(other.key)?.key ?? "";
    if (said.has(by) && said.get(by) !== value) return false;
    said.set(by, value);
  }
  return said.size > 1;
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
    ...columns.map(({ at: at2, header }) => ({
      axis: { key: `column ${at2}`, role: "other", label: header.slice(0, 40), isGiven: true },
      textOf: ({ item }) => (item.cells[at2] ?? "").trim()
    }))
  ];
  for (const { axis, textOf: text10 } of tries) {
    const tells = alike.every((some) => {
      const texts = some.map(text10);
      return texts.every((one) => one !== "" && one.length <= 60) && new Set(texts.map(compact)).size === texts.length;
    });
    const isFew = new Set(strands.map((strand) => compact(text10(strand)))).size <= Math.max(2, strands.length / 2);
    if (!tells || !(isFew || strands.length < 8)) continue;
    for (const strand of strands) {
      const said = text10(strand);
      if (said !== "") strand.at.set(axis.key, { key: compact(said), text: said, label: void 0 });
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
  const words2 = new Map(strands.map((strand) => [strand, stemWords(strand.item)]));
  for (const own of words2.values())
    for (const text10 of new Set(own.map((word) => word.text))) counts.set(text10, (counts.get(text10) ?? 0) + 1);
  return new Map(
    [...words2].map(([strand, own]) => {
      const rest = own.filter(({ text: text10 }) => counts.get(text10) < strands.length);
      const { name, tokens } = strand.item;
      return [strand, rest.map(({ at: at2 }) => name.slice(tokens[at2].from, tokens[at2].to)).join(" ")];
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
  const varying = Array.from({ length }, (_, at2) => at2).filter(
    (at2) => new Set(skus.map((parts) => parts[at2])).size > 1
  );
  if (varying.length === 0 || varying.length > 3 || varying.every((at2) => skus.every((parts) => /^\d{3,}$/.test(parts[at2]))))
    return [];
  const made = [];
  for (const at2 of varying) {
    const codes = [...new Set(skus.map((parts) => parts[at2]))];
    const role = roleOf(codes, [...axes, ...made]);
    const axis = { key: `code ${at2}`, role, label: ROLE_LABELS[role], isGiven: false };
    strands.forEach((strand, place) => {
      const code = skus[place][at2];
      const text10 = role === "colour" ? COLOUR_CODES[code] ?? code : code;
      const size = role === "size" ? readSize(tokensOf(code), 0) : null;
      strand.at.set(axis.key, { key: size?.key ?? text10.toLowerCase(), text: text10, label: size?.label });
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
function buildFamilies(cluster, around, into) {
  const woven = weaveRows(cluster.items, around.read);
  const axes = axesThatDiffer(woven, (role) => around.isUsual(cluster.items, role));
  const isSaid2 = cluster.bonds.some(({ by }) => by === "seller");
  const parts = isSaid2 ? [woven.strands] : partedBySignature(woven.strands, axes, cluster.isGiven);
  if (parts.length > 1) {
    const [main, ...others] = parts.sort((a, b) => b.length - a.length);
    for (const part of others) {
      if (part.every((strand) => isParentRow(strand.item, main))) {
        around.parents.push(...part.map(({ item }) => ({ row: item.row, name: item.name })));
        continue;
      }
      buildFamilies(
        { ...clusterOf(itemsOf(part)), bonds: cluster.bonds },
        { ...around, parents: [], doubts: [] },
        into
      );
      for (const row of new Set(part.map(({ item }) => item.row)))
        around.doubts.push({ row, code: "looksAlike", text: axes.map(({ label }) => label).join(", ") });
    }
    return buildFamilies({ ...cluster, items: itemsOf(main) }, around, into);
  }
  if (woven.strands.length < 2) return single(cluster.items, around, into.singles);
  finish(cluster, woven.strands, axes, around, into);
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
    const together2 = [...parts].filter(([key]) => key === "together").flatMap(([, some]) => some);
    if (together2.length === 0) return [...parts.values()];
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
function finish(cluster, strands, differing, around, into) {
  const axes = [...differing];
  while (axes.length < 6 && !areApart(strands, axes)) {
    const more = axisMore({ axes, strands }, axes, around.spare);
    if (!more) break;
    axes.push(more);
  }
  if (!areApart(strands, axes)) axes.push(...axesOfCodes(strands, axes));
  const children = childrenOf2(strands, axes, into.problems);
  if (children.length < 2) return single(cluster.items, around, into.singles);
  into.families.push(familyOf(cluster, strands, axes, children, around));
}
function childrenOf2(strands, axes, problems) {
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
  return known2(a) === known2(b) || a.cells.every((cell, at2) => cell.trim() === (b.cells[at2] ?? "").trim());
};
function familyOf(cluster, strands, axes, children, around) {
  const labels = axes.map(
    ({ key, role }) => labelsOf2(
      role,
      strands.map((strand) => strand.at.get(key) ?? NONE3)
    )
  );
  const names = axisNames(axes);
  const placeOf3 = (strand) => {
    const place = {};
    axes.forEach(({ key }, at2) => place[names[at2]] = labels[at2].get((strand.at.get(key) ?? NONE3).key));
    return place;
  };
  const rows = [...new Set(children.flatMap((child) => child.rows))].sort((a, b) => a - b);
  const first = strands[0].item;
  const name = around.parents.find((parent) => parent.name !== "")?.name ?? nameOf(strands, axes) ?? (first.style || first.belongs);
  return {
    key: `row${rows[0]}`,
    name,
    brand: first.brand,
    style: styleOf(cluster.items, strands),
    axes: axes.map(({ role }, at2) => ({ label: names[at2], role, values: [...labels[at2].values()] })),
    children: children.map(({ strand, rows: own }) => ({
      rows: own,
      at: placeOf3(strand),
      ...strand.across ? { stockColumn: strand.across.column } : {},
      ...isListing(strand) ? { sharesRow: true } : {}
    })),
    parentRows: around.parents.map(({ row }) => row),
    bonds: bondsOf(cluster, strands, name),
    doubts: around.doubts
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
function nameOf(strands, axes) {
  const roles = new Set(axes.map(({ key }) => key));
  const fromWords = axes.some(({ key }) => key.startsWith("words "));
  const items = itemsOf(strands).slice(0, NAMES_LOOKED_AT);
  if (fromWords) return commonWords(items);
  const counts = /* @__PURE__ */ new Map();
  const said = /* @__PURE__ */ new Map();
  for (const item of items) {
    const spans = item.spans.filter(({ roles: own, key }) => key === "one" || own.some((role) => roles.has(role)));
    const isWhole = spans.length + item.said.length === 0;
    const name = (isWhole ? said.get(item.name) : void 0) ?? cleanName({ ...item, spans });
    if (isWhole) said.set(item.name, name);
    if (name === "") continue;
    const times = (counts.get(name) ?? 0) + 1;
    if (times * 2 > NAMES_LOOKED_AT) return name;
    counts.set(name, times);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
function commonWords(items) {
  const sets = items.map((item) => new Set(stemWords(item).map(({ text: text10 }) => text10)));
  const [first] = items;
  return stemWords(first).filter(({ text: text10 }) => sets.every((set2) => set2.has(text10))).map(({ at: at2 }) => first.name.slice(first.tokens[at2].from, first.tokens[at2].to)).join(" ");
}
function bondsOf(cluster, strands, name) {
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
function joinByStyle(clusters, read2) {
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
  const words2 = new Set(into.words.map(stemOf));
  const isNamed = cluster.words.length > 0 && into.words.length > 0;
  if (isNamed && !cluster.words.some((word) => words2.has(stemOf(word)))) return false;
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
      return new Set(woven.strands.filter(({ item }) => some.has(item)).map(({ at: at2 }) => at2.get(key)?.key ?? ""));
    });
    return values.every((one) => one.size === 1 && !one.has("")) && new Set(values.map((one) => [...one][0])).size === values.length;
  });
  if (!isClash && isColourEach) return [cluster];
  return [...byStyle.values()].map((items) => ({ ...clusterOf(items), bonds: cluster.bonds }));
}

// core/src/intake/families/listedValues.ts
var MOST_CHILDREN = 2e3;
function settleListed(items, options) {
  const lists = openLists(options);
  const times = timesOf(items);
  const listing = axesThatList(items, times, lists);
  for (const item of items) {
    if (!item.given.some(({ text: text10 }) => BETWEEN.test(text10))) continue;
    const isAlone = times.get(nameOf2(item)) === 1;
    const maySay = (one, values) => listing.has(one.axis) || isAlone && values.length >= COLOURS_OF_ONE && !one.text.includes("/");
    const all = valuesListed(item.given, lists, maySay);
    const children = all.reduce((product, one) => product * (one?.length ?? 1), 1);
    if (children === 1 || children > MOST_CHILDREN) continue;
    item.given = item.given.map((one, at2) => all[at2] ? { ...one, listed: all[at2] } : one);
  }
}
function valuesListed(given, lists, maySay) {
  const sure = given.map((one) => lists.sure(one));
  const isLine = sure.some((one) => one !== null);
  return given.map((one, at2) => {
    const likely = sure[at2] ?? lists.likely(one);
    return likely && (sure[at2] || isLine || maySay(one, likely)) ? likely : null;
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
  const likely = ({ role, label, text: text10 }) => role === "material" || isGenericOption(label) ? null : once2(
    others,
    `${role} ${label} ${text10}`,
    () => role === "size" ? lettersBetween(text10, options) : valuesIn(role, several(label), text10, options)
  );
  const sure = (one) => MEASURED2.has(one.role) ? once2(measured2, `${one.role} ${one.text}`, () => sizesIn(one.role, one.text, options)) : null;
  return { likely, sure: (one) => sure(one) ?? (several(one.label) ? likely(one) : null) };
}
var MEASURED2 = /* @__PURE__ */ new Set(["size", "length", "volume", "pack", "other"]);
var MEASURES = ["size", "length"];
function sizesIn(role, text10, options) {
  if (text10.length < 3 || !/[\s,;|/•]/.test(text10) || options.whole(tokensOf(text10))) return null;
  for (const { between, least } of BETWEEN_SIZES) {
    const parts = partsOf4(text10, between);
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
function valuesIn(role, isSeveral, text10, options) {
  const parts = partsOf4(text10, /\s*[;|,\n•]\s*|\s\/\s/);
  if (parts.length < 2 || parts.some((part) => part.length > LONGEST)) return null;
  const known2 = parts.filter((part) => isOf(role, part, options)).length;
  return isSeveral || role === "colour" && known2 * 2 >= parts.length ? parts : null;
}
var LONGEST = 40;
function lettersBetween(text10, options) {
  const ends = text10.split(/\s*(?:[-–—]|\b(?:to|bis|au|al|tot|hasta)\b|\sà\s|\sa\s)\s*/i);
  const [from, to] = ends.map((end) => /^letter(-?\d+)$/.exec(options.whole(tokensOf(end))?.key ?? "")?.[1]);
  if (ends.length !== 2 || from === void 0 || to === void 0 || Number(to) - Number(from) < 2) return null;
  return Array.from({ length: Number(to) - Number(from) + 1 }, (_, at2) => letterLabel(Number(from) + at2));
}
var isOf = (role, text10, options) => options.whole(tokensOf(text10))?.roles.includes(role) ?? false;
var partsOf4 = (text10, between) => [
  ...new Map(
    text10.split(between).filter((part) => part.trim() !== "").map((part) => [compact(part), part.trim()])
  ).values()
];

// core/src/intake/families/settleGiven.ts
function settleGiven(items, options) {
  const texts = /* @__PURE__ */ new Map();
  const taken2 = /* @__PURE__ */ new Set();
  for (const { given } of items)
    for (const { axis, role, label, text: text10 } of given) {
      if (role !== "other" || !isGenericOption(label)) taken2.add(role);
      else texts.set(axis, (texts.get(axis) ?? /* @__PURE__ */ new Set()).add(text10));
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
  for (const text10 of texts)
    for (const role of options.whole(tokensOf(text10))?.roles ?? []) counts.set(role, (counts.get(role) ?? 0) + 1);
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
    const [place, ...others] = items.map((item, at2) => placeOf2(item, spans[at2]));
    const families2 = differing.get(`${role} ${place}`) ?? 0;
    return others.every((other) => other === place) && families2 >= FAMILIES && families2 * 2 >= (all.get(role) ?? 0);
  };
}
var ROLES_ASKED_FOR = ["colour", "size"];
var spanOf = ({ spans }, role) => spans.find(({ roles }) => roles[0] === role);
function placeOf2(item, { from, to }) {
  const words2 = stemWords(item);
  if (words2.every(({ at: at2 }) => at2 < from)) return "after";
  return words2.every(({ at: at2 }) => at2 >= to) ? "before" : "between";
}

// core/src/intake/families/recogniseFamilies.ts
function recogniseFamilies(registry, options, { items, parents }, spare) {
  nameByCodes(items);
  settleListed(items, options);
  readNames(items, options);
  const read2 = openValues(registry, options);
  const byStem = joinByStyle(clusterRows(items), read2);
  const heads = openCodeHeads(byStem.map((cluster) => cluster.items));
  const { clusters, doubts } = joinKin(byStem, heads);
  const isUsual = usualPlaces(clusters);
  const recognised = { families: [], singles: [], problems: [] };
  const { parentsOf, left } = openParents(parents);
  for (const cluster of clusters.sort((a, b) => a.items[0].row - b.items[0].row)) {
    settleGiven(cluster.items, options);
    const around = { read: read2, spare, isUsual, doubts: doubts.get(cluster) ?? [], parents: parentsOf(cluster) };
    buildFamilies(cluster, around, recognised);
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
    bare.forEach((item, at2) => item.style = parts[at2].slice(0, depth).join("-"));
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
function readList2(registry, table, mapping = NO_MAPPING, settlement = NO_SETTLEMENT) {
  const words2 = { meaningOf: headersOf(registry, mapping), options: openOptionReader(registry) };
  const found = findTable(table, words2, mapping.headerRow);
  const columns = understandColumns(registry, table, found, words2, mapping);
  const problems = columnProblems(columns, found.headerRows, found.body.length);
  const rows = rowItems(table, found, columns, words2);
  const spare = columns.filter(({ meaning, header }) => meaning.is === "ignored" && header !== "");
  const settled = { ...rows, items: settleRows(rows.items, settlement) };
  const recognised = recogniseFamilies(registry, words2.options, settled, spare);
  recognised.families = recognised.families.map((family) => settleFamily(family, settlement));
  recognised.singles = recognised.singles.map((single2) => settleSingle(single2, settlement));
  const read2 = readFigures(registry, table, columns, recognised, mapping);
  const sections = new Set(rows.sections);
  return {
    columns,
    headerRows: found.headerRows.map((at2) => at2 + 1),
    skipped: found.skipped.filter(({ at: at2, why }) => why !== "section" || sections.has(at2 + 1)).map(({ at: at2, why }) => ({ row: at2 + 1, why })),
    families: recognised.families,
    singles: recognised.singles,
    figures: read2.figures,
    singleFigures: read2.singleFigures,
    deletions: rows.deletions,
    problems: [...problems, ...recognised.problems, ...read2.problems].sort((a, b) => a.row - b.row),
    mended: read2.mended
  };
}
function headersOf(registry, { columns }) {
  const known2 = openHeaders(registry);
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

// core/src/money/priceRule.ts
import Big7 from "big.js";
import { z as z11 } from "zod";
var Amount = z11.string().regex(/^\d{1,12}(\.\d{1,6})?$/, "This is an amount, such as 4.90.");
var Percent = z11.string().regex(/^\d{1,4}(\.\d{1,4})?$/, "This is a percentage, such as 30.");
var COVERED = ["fees", "shipping"];
var PriceRuleSchema = z11.object({
  from: z11.enum(["price", "cost"]).describe("What the account's price is made of."),
  target: z11.object({ kind: z11.enum(["margin", "markup"]), percent: Percent }).optional().describe("From the cost: what is to be left, in percent of the price without tax or of the cost."),
  change: z11.string().regex(/^-?\d{1,9}(\.\d{1,4})?%?$/).optional().describe("From the price: what is added, in the seller's money or in percent."),
  covers: z11.array(z11.enum(COVERED)).default([]).describe("From the price: what the channel and the way to the buyer take is put on top."),
  multipleOf: Amount.optional().describe("Prices are rounded to multiples of this, in the channel's money."),
  ending: z11.string().regex(/^\d{1,6}$/, "An ending is the last digits, such as 90.").optional(),
  least: Amount.optional().describe("No price is below this, in the channel's money.")
}).refine((rule) => rule.from === "price" || rule.target !== void 0, {
  path: ["target"],
  message: "Say what is to be left: prices are made of the cost."
}).refine((rule) => !(rule.multipleOf && rule.ending), {
  path: ["ending"],
  message: "Prices are multiples already; an ending does not go with that."
});
var CurrencyRateSchema = z11.object({
  rate: z11.string().regex(/^\d{1,9}(\.\d{1,8})?$/, "The rate is a number such as 1.08.").refine((text10) => Number(text10) > 0, "The rate is above zero."),
  /** The day it was entered for, as ISO 8601 writes it. */
  on: z11.iso.date()
});
var CurrencyRatesSchema = z11.record(
  z11.string().refine(isCurrency, "This is no currency code of ISO 4217, such as EUR."),
  CurrencyRateSchema
);
var NO_FEES = { commissionPercent: "0", paymentPercent: "0", paymentFixed: "0", listingFee: "0" };
var NOTHING2 = { ...NO_FEES, shipping: "0", cost: "0" };

// core/src/stock/stockRule.ts
import { z as z12 } from "zod";
var Pieces = z12.number().int().min(0).max(1e6);
var StockRuleSchema = z12.object({
  none: z12.boolean().optional().describe("The channel's own warehouse has the goods: it is told 0."),
  from: z12.array(z12.string().max(40)).min(1).max(50).optional().describe("Pieces at these locations alone count."),
  buffer: Pieces.optional().describe("So many are kept back."),
  share: z12.number().int().min(1).max(100).optional().describe("Of the rest so many percent, rounded down."),
  cap: Pieces.optional().describe("No more than so many.")
});

// core/src/colour/terms.ts
import { colorsNamed as colorsNamed3 } from "culori";
var WORDS = {
  black: "black jet onyx ebony raven coal soot noir obsidian",
  white: "white snow ivory chalk alabaster pearl optic milk ghostwhite",
  grey: "grey gray silver slate ash charcoal graphite anthracite steel pewter granite storm fog smoke cement concrete dove gunmetal marl pebble flint lead mist gainsboro",
  red: "red crimson scarlet ruby cherry burgundy maroon wine bordeaux oxblood brick madder garnet tomato poppy cardinal claret carmine cranberry raspberry firebrick",
  orange: "orange rust terracotta coral tangerine apricot peach pumpkin amber copper signal mandarin papaya ginger",
  yellow: "yellow lemon mustard gold ochre sun saffron canary butter maize honey straw corn banana turmeric goldenrod",
  green: "green olive lime mint sage moss pine spruce forest fern emerald jade khaki bottle kelp seaweed pistachio avocado army hunter basil eucalyptus laurel ivy chartreuse grass leaf juniper",
  turquoise: "turquoise teal aqua cyan petrol lagoon aquamarine verdigris seafoam",
  blue: "blue navy sky midnight cobalt denim indigo azure royal kingfisher sapphire ice cornflower marine ocean ink cerulean ultramarine periwinkle",
  purple: "purple violet lilac lavender plum aubergine eggplant mauve heather lupin amethyst grape orchid mulberry iris thistle berry",
  pink: "pink rose blush fuchsia magenta salmon cerise flamingo bubblegum candy peony carnation watermelon",
  brown: "brown chocolate cocoa coffee caramel camel tan walnut chestnut cognac mocha espresso hazel tobacco mahogany umber sienna bronze taupe cinnamon nutmeg toffee clay russet peru",
  beige: "beige sand dune oat oatmeal ecru cream bone stone natural undyed nude linen wheat biscuit champagne buff fawn parchment vanilla bisque",
  many: "multi multicolour multicoloured multicolor rainbow assorted mixed many"
};
var COLOUR_OF = new Map(
  Object.entries(WORDS).flatMap(
    ([colour, words2]) => words2.split(" ").map((word) => [word, colour])
  )
);
function basicColourOfName(name) {
  const words2 = name.toLowerCase().split(/[^a-z]+/).filter(Boolean);
  for (const word of words2.toReversed()) {
    const colour = COLOUR_OF.get(word);
    if (colour) return colour;
  }
  return null;
}
var CSS_OTHERWISE = {
  ...Object.fromEntries(
    "aliceblue azure mintcream honeydew ghostwhite floralwhite seashell lavenderblush whitesmoke ivory snow".split(" ").map((name) => [name, "white"])
  ),
  orangered: "orange",
  mediumvioletred: "pink",
  palevioletred: "pink"
};
function basicColourOfCss(name) {
  const otherwise = CSS_OTHERWISE[name];
  if (otherwise) return otherwise;
  const endings = [...COLOUR_OF].filter(([word]) => name.endsWith(word));
  return endings.sort((a, b) => b[0].length - a[0].length)[0]?.[1] ?? null;
}
var EXAMPLES = [
  ...Object.entries(TRADE_NAMES).map(([name, swatch]) => ({ colour: COLOUR_OF.get(name) ?? null, swatch })),
  ...Object.keys(colorsNamed3).map((name) => ({ colour: basicColourOfCss(name), swatch: name }))
].flatMap(({ colour, swatch }) => colour ? [{ colour, swatch }] : []);
var nearestExample = nearestOf(EXAMPLES);
function basicColourOfSwatch(swatch) {
  const near = nearestExample(swatch);
  return { colour: near.colour.colour, difference: near.difference };
}

// core/src/catalogue/account.ts
import { z as z13 } from "zod";
var Amount2 = z13.string().regex(/^\d{1,9}(\.\d{1,6})?$/, "This is an amount, such as 4.90.");
var Percent2 = z13.string().regex(/^\d{1,2}(\.\d{1,4})?$/, "This is a percentage below 100, such as 2.9.");
var SellerSchema = z13.object({
  name: z13.string().trim().min(1).max(120),
  /** ISO 4217. */
  currency: z13.string().regex(/^[A-Z]{3}$/),
  taxPercent: z13.string().regex(/^\d{1,3}(\.\d{1,3})?$/).describe("The tax in the seller's prices where no tax code says otherwise."),
  /** Where the seller is: the country whose tax is in the seller's prices. */
  country: CountrySchema.optional(),
  /** Currency → units of it for one of the seller's. */
  rates: CurrencyRatesSchema.optional()
});
var ApprovalSchema = z13.enum(["waiting", "granted", "refused"]);
var AccountSettingsSchema = z13.object({
  /** Units of the channel's currency for one of the seller's. */
  rate: z13.string().regex(/^\d{1,9}(\.\d{1,8})?$/, "The rate is a number such as 1.08.").refine((text10) => Number(text10) > 0, "The rate is above zero."),
  /** Brands the channel lets go without GTINs. */
  exemptBrands: z13.array(z13.string().min(1).max(80)).max(200),
  /** Brand → the only categories of the channel its exemption holds for; in all where it is not named here. */
  exemptOnlyIn: z13.record(z13.string(), z13.array(z13.string())).optional(),
  /** How the seller stands in categories that the channel has to let sellers into. */
  approvals: z13.record(z13.string(), ApprovalSchema).optional(),
  /** Answers to the rulebook's `settings`. */
  answers: z13.record(z13.string(), z13.string().max(200)),
  objective: z13.enum(["listings", "fees"]),
  /** The country whose tax is in the prices there, where it is not the channel's or the seller's. */
  country: CountrySchema.optional(),
  /** What comes off a price there besides what the rulebook says. */
  charges: z13.object({
    paymentPercent: Percent2.optional(),
    /** For each payment, in the channel's currency. */
    paymentFixed: Amount2.optional(),
    /** Sending one piece, in the seller's currency, where a child has no shipping cost of its own. */
    shipping: Amount2.optional(),
    /** So many pieces are sold for one listing fee. */
    pieces: z13.number().int().min(1).max(1e6).optional()
  }).optional(),
  priceRule: PriceRuleSchema.optional(),
  stock: StockRuleSchema.optional()
});
var AccountSchema = z13.object({
  id: z13.string().regex(/^[a-z][a-z0-9-]{0,59}$/),
  channel: z13.string().regex(/^[a-z][a-z0-9-]{0,59}$/),
  /** How it is called on screen: the channel's name, or one that tells it from others there. */
  name: z13.string().trim().min(1).max(60),
  /** The language its listings are written in, as BCP 47 writes it. */
  language: LanguageSchema,
  /** Its place among all accounts. */
  at: z13.number().int().min(0),
  settings: AccountSettingsSchema
});

// core/src/catalogue/categoryMap.ts
import { z as z14 } from "zod";
var CategoryMapSchema = z14.record(z14.string().max(80), z14.string().max(80));

// core/src/catalogue/conditions.ts
import { z as z15 } from "zod";
var COMPARISONS = ["is", "isNot", "contains", "oneOf", "above", "below"];
var Word = z15.string().trim().min(1).max(200);
var ConditionSchema = z15.object({
  key: z15.string().min(1).max(60),
  is: z15.enum(COMPARISONS),
  value: z15.union([Word, z15.number(), z15.boolean(), z15.array(Word).min(1).max(100)])
});
var Match = z15.enum(["all", "any"]);
var ConditionsSchema = z15.object({
  match: Match,
  of: z15.array(z15.union([ConditionSchema, z15.object({ match: Match, of: z15.array(ConditionSchema).min(1).max(20) })])).max(40)
});

// core/src/catalogue/routes.ts
import { z as z16 } from "zod";
var RouteSchema = z16.object({
  id: z16.string().regex(/^[a-z0-9]{1,20}$/),
  name: z16.string().trim().max(80).default(""),
  when: ConditionsSchema,
  /** The channel's category; null: where the seller's category goes anyway. */
  category: z16.string().max(80).nullable(),
  /** Whether a family that comes this way is offered by itself, or waits until the seller says so. */
  offers: z16.boolean()
});
var RoutesSchema = z16.array(RouteSchema).max(200);

// core/src/catalogue/collections.ts
import { z as z17 } from "zod";
var CollectionSchema = z17.object({ name: z17.string().trim().min(1).max(80), when: ConditionsSchema });
var CollectionsSchema = z17.array(CollectionSchema).max(200);

// core/src/pairing/sizes.ts
import Big8 from "big.js";

// core/src/pairing/shoes.ts
var SHOES = {
  eu: { step: 20 / 3, offset: 0 },
  uk: { step: 25.4 / 3, offset: 25 },
  us: { step: 25.4 / 3, offset: 24 }
};
function shoeLast(label) {
  const [, system, size] = /^(eu|uk|us)[ -]?(\d{1,2}(?:[.,]5)?)$/.exec(label) ?? [];
  const how = system === void 0 ? void 0 : SHOES[system];
  return how ? (Number(size.replace(",", ".")) + how.offset) * how.step : null;
}

// core/src/pairing/sizes.ts
var UNITS3 = {
  mm: ["length", "1"],
  cm: ["length", "10"],
  m: ["length", "1000"],
  in: ["length", "25.4"],
  '"': ["length", "25.4"],
  ft: ["length", "304.8"],
  ml: ["volume", "1"],
  cl: ["volume", "10"],
  l: ["volume", "1000"],
  months: ["months", "1"],
  month: ["months", "1"],
  mths: ["months", "1"],
  mo: ["months", "1"],
  years: ["months", "12"],
  year: ["months", "12"],
  yrs: ["months", "12"],
  yr: ["months", "12"],
  y: ["months", "12"]
};
var LETTERS3 = /^(?:(\d+)\s*x|(x*|(?:extra[ -])*))[ -]?(s|m|l|small|medium|large)$/;
var NUMBER2 = "\\d+(?:[.,]\\d+)?";
var MEASURE = new RegExp(`^(${NUMBER2}(?:\\s*[-\u2013/x\xD7]\\s*${NUMBER2})*)\\s*([a-z"]+)?$`);
function sizeMeaning(label) {
  const text10 = label.trim().toLowerCase().replace(/[\s_]+/g, " ");
  if (/^(one size|onesize|os)$/.test(text10)) return { kind: "one", figures: [0], isRange: false };
  const letters = LETTERS3.exec(text10);
  if (letters) return lettersMeaning(letters);
  const shoe = shoeLast(text10);
  if (shoe !== null) return { kind: "shoe", figures: [shoe], isRange: false };
  const measure2 = MEASURE.exec(text10);
  if (!measure2) return null;
  const [kind, factor] = measure2[2] === void 0 ? ["number", "1"] : UNITS3[measure2[2]] ?? [null, "1"];
  if (kind === null) return null;
  const figures = measure2[1].match(new RegExp(NUMBER2, "g")).map((one) => Number(new Big8(one.replace(",", ".")).times(factor)));
  return { kind, figures, isRange: figures.length === 2 && /[-–/]/.test(measure2[1]) };
}
function lettersMeaning([, counted, crosses = "", letter]) {
  const steps = counted ? Number(counted) : crosses.startsWith("e") ? crosses.split(/extra/).length - 1 : crosses.length;
  const sign = { s: -1, m: 0, l: 1 }[letter.charAt(0)];
  if (sign === 0 && steps > 0) return null;
  return { kind: "letters", figures: [sign * (steps + (sign === 0 ? 0 : 1))], isRange: false };
}

// core/src/pairing/list.ts
function openPairingLists({ axes, fields }) {
  const ofRoles = Object.entries(axes.roles).flatMap(
    ([role, rules]) => rules?.list ? [[role, openList(role, rules.list)]] : []
  );
  const ofFields = fields.flatMap((rule) => rule.choices ? [[pairedField(rule.key), choicesOf(rule)]] : []);
  return new Map([...ofRoles, ...ofFields]);
}
var choicesOf = ({ key, choices = [] }) => openList(
  pairedField(key),
  choices.map((label) => ({ label }))
);
function openList(role, list) {
  const entries = list.map(({ label, swatch }) => {
    const word = foldForPairing(label);
    const colour = role === "colour" ? colourOf(label, swatch) : null;
    return { label, word, swatch, colour, size: role === "colour" ? null : sizeMeaning(label) };
  });
  return pairingList(entries);
}
var pairingList = (entries) => ({
  entries,
  byWord: new Map(entries.map((entry) => [entry.word, entry.label])),
  proposed: /* @__PURE__ */ new Map()
});
var colourOf = (label, swatch) => basicColourOfName(label) ?? (swatch ? basicColourOfSwatch(swatch).colour : null);

// core/src/rulebook/shape.ts
import { z as z18 } from "zod";
var Count = z18.number().int().min(0);
var Decimal2 = z18.string().regex(/^\d+(\.\d+)?$/);
var ListEntrySchema = z18.strictObject({
  label: z18.string().min(1),
  swatch: z18.string().regex(/^#[0-9A-Fa-f]{6}$/).optional().describe("For colours: what the channel means by the label.")
});
var RoleRulesSchema = z18.strictObject({
  name: z18.string().optional().describe("What the channel calls an axis of this role."),
  labelAtMost: Count.optional(),
  valuesAtMost: Count.optional(),
  shows: z18.enum(["free", "list"]).default("free").describe("free: the buyer sees the seller's own label; list: the buyer sees the entry of the list."),
  list: z18.array(ListEntrySchema).optional().describe("The channel's own values. Every value of the axis has to be paired to one.")
});
var AxisRulesSchema = z18.strictObject({
  atMost: z18.number().int().min(0).max(6),
  sets: z18.array(z18.array(RoleSchema)).nullable().default(null).describe("The sets of roles that are taken; null: any."),
  valuesAtMost: Count.default(1e3),
  labelAtMost: Count.default(200),
  labelForbids: z18.string().default("").describe("Characters a label may not have."),
  roles: z18.partialRecord(RoleSchema, RoleRulesSchema).default({}),
  alwaysSplit: z18.array(RoleSchema).default([]).describe("Roles of which each value has a listing of its own."),
  order: z18.array(RoleSchema).default([]).describe("The order that the axes have to stand in."),
  pictures: z18.enum(["child", "axis", "firstAxis", "listing"]).default("child").describe(
    "What pictures are tied to: each child, the values of one axis, those of the first, or the listing alone."
  )
});
var FieldRuleSchema = z18.strictObject({
  key: z18.string().describe("The field of the registry."),
  name: z18.string().describe("What the channel calls it."),
  need: z18.enum(["required", "recommended", "optional"]).default("optional"),
  level: z18.enum(["listing", "child"]).default("listing"),
  atLeast: Count.optional().describe("Characters, or entries of a list."),
  atMost: Count.optional().describe("Characters, or entries of a list."),
  entryAtMost: Count.optional().describe("Characters of one entry of a list."),
  pattern: z18.string().optional().describe("A regular expression the text has to match as a whole."),
  patternText: z18.string().optional().describe("The pattern in words."),
  unit: z18.enum(["g", "kg", "oz", "lb", "mm", "cm", "m", "in", "ft"]).optional(),
  decimals: z18.number().int().min(0).max(4).default(0),
  choices: z18.array(z18.string().min(1).max(120)).max(500).optional().describe("The closed list of what may be said; every entry of a list has to be one of them."),
  yesNo: z18.boolean().default(false).describe("Only yes or no may be said."),
  markup: z18.boolean().default(false).describe("A text may have paragraphs, headings, lists and stressed words, as HTML; they are not counted."),
  numberOnly: z18.boolean().default(false).describe("A number alone, without any unit or word."),
  least: Decimal2.optional().describe("For numbers and measures, in the channel's unit."),
  most: Decimal2.optional().describe("For numbers and measures, in the channel's unit."),
  ofOffer: z18.boolean().default(false).describe("Said of the seller's offer: it stays the seller's where a child stands under an entry of the channel.")
});
var RulesSchema = z18.strictObject({
  axes: AxisRulesSchema,
  children: z18.strictObject({ atMost: z18.number().int().min(1) }),
  identifiers: z18.strictObject({
    gtin: z18.enum(["required", "exemptible", "optional"]),
    skuAtMost: Count.default(40),
    entries: z18.enum(["none", "may", "must"]).default("none").describe(
      "Entries of the channel that children are matched to by their GTIN: none has any; may: a child can be offered under one; must: a child whose number has one is offered there or not at all."
    )
  }),
  pictures: z18.strictObject({
    atLeast: Count.default(0),
    atMost: z18.number().int().min(1),
    leastPixels: Count.default(0).describe("The shorter side of every picture."),
    perValue: Count.default(0).describe("So many more for each value of the axis that carries pictures."),
    whiteMain: z18.boolean().default(false),
    allWhite: z18.boolean().default(false).describe("Every picture stands on white."),
    texts: z18.boolean().default(false).describe("A text is taken for each picture, in the account's language, for who cannot see it.")
  }),
  fields: z18.array(FieldRuleSchema).default([]),
  wording: z18.strictObject({ optionValuesInName: z18.boolean().default(true), links: z18.boolean().default(false) }).prefault({}),
  price: z18.strictObject({
    currency: z18.string().refine(isCurrency, "This is no currency code of ISO 4217, such as EUR."),
    taxIncluded: z18.boolean(),
    country: CountrySchema.optional().describe("Whose tax is in the prices, as ISO 3166-1 alpha-2 writes it."),
    least: Decimal2.optional(),
    most: Decimal2.optional(),
    listAbovePrice: z18.boolean().default(false),
    variesBy: z18.enum(["child", "axis", "listing"]).default("child").describe("What prices may differ by: each child, the values of one axis, or the listing alone."),
    multipleOf: Decimal2.optional().describe("Prices are rounded to the nearest multiple of this, such as 10."),
    endings: z18.array(z18.string().regex(/^\d{1,6}$/)).optional().describe("The last digits a price may have, such as 90 for 12.90; prices go to the nearest of them."),
    spreadAtMost: Decimal2.optional().describe("The dearest child is at most this many times the cheapest."),
    taxSlabs: z18.array(z18.strictObject({ upTo: Decimal2.optional(), percent: Decimal2 })).optional().describe("The tax by price: each rate holds up to and with its price, the last for all above.")
  }),
  stock: z18.strictObject({
    least: Count.default(0),
    most: Count.default(1e6),
    variesBy: z18.enum(["child", "axis", "listing"]).default("child").describe("What pieces are counted by: each child, the values of one axis, or the listing alone.")
  }).prefault({}),
  fees: z18.strictObject({
    perListing: Decimal2.default("0"),
    perChild: Decimal2.default("0").describe("For each child of a new listing."),
    perValue: Decimal2.default("0").describe("For each option that a new listing shows."),
    commissionPercent: Decimal2.default("0")
  }).prefault({}),
  approval: z18.strictObject({ needed: z18.boolean().default(false), about: z18.string().optional() }).prefault({}).describe("Whether the channel has to let the seller in first."),
  settings: z18.array(
    z18.strictObject({
      key: z18.string(),
      label: z18.string(),
      help: z18.string().optional(),
      kind: z18.enum(["choice", "money"]).default("choice").describe("choice: one of what the channel offers; money: an amount in the channel's currency."),
      most: Decimal2.optional().describe("The largest amount."),
      multipleOf: Decimal2.optional().describe("Amounts are multiples of this.")
    })
  ).default([]).describe("What the seller has to have set up on the channel first.")
});
var CategoryEntrySchema = z18.strictObject({
  id: z18.string(),
  label: z18.string(),
  takesAnything: z18.boolean().default(false).describe("What has no place of its own goes here."),
  rules: z18.record(z18.string(), z18.record(z18.string(), z18.unknown())).default({}).describe("What differs from the channel's rules, section by section; fields are added by key."),
  fields: z18.array(FieldRuleSchema).default([]).describe("Fields this category asks for beside the channel's.")
});
var RulebookSchema = z18.strictObject({
  format: z18.literal("loom-kin/rulebook"),
  channel: z18.string().regex(/^[a-z][a-z0-9-]*$/),
  name: z18.string(),
  version: z18.number().int().min(1),
  about: z18.string(),
  transport: z18.enum(["sheet", "json"]),
  sheet: z18.strictObject({
    format: z18.enum(["xlsx", "csv"]).default("xlsx"),
    familyRow: z18.boolean().default(true).describe("A row for the listing stands above those of its children."),
    familyRowSays: z18.array(z18.enum(["price", "pieces"])).default([]).describe(
      "What that row says of its children together: their cheapest price, all their pieces. Most leave it empty."
    )
  }).prefault({}).describe("How the upload sheet is made, where the channel takes sheets."),
  drafts: z18.boolean().default(false).describe("Listings can be sent as drafts, not seen by buyers."),
  rules: RulesSchema,
  categories: z18.array(CategoryEntrySchema).min(1)
});

// core/src/rulebook/mergedRules.ts
function mergedRules(rulebook, category) {
  const merged = { ...rulebook.rules };
  for (const [section, changes2] of Object.entries(category.rules)) {
    merged[section] = { ...merged[section], ...changes2 };
  }
  const replaced = new Set(category.fields.map((field4) => field4.key));
  merged.fields = [...rulebook.rules.fields.filter((field4) => !replaced.has(field4.key)), ...category.fields];
  return merged;
}

// core/src/rulebook/pattern.ts
import { RE2JS } from "re2js";
var compilePattern = (pattern) => {
  try {
    const compiled = RE2JS.compile(pattern);
    return { ok: true, test: (text10) => compiled.matches(text10) };
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : "it has a fault" };
  }
};

// core/src/rulebook/openRulebook.ts
function openRulebook(rulebook, registry, compile) {
  const compiled = /* @__PURE__ */ new Map();
  return Object.freeze({
    rulebook,
    registry,
    hasEntries: [rulebook.rules, ...rulebook.categories.map((entry) => mergedRules(rulebook, entry))].some(
      (rules) => (rules.identifiers?.entries ?? "none") !== "none"
    ),
    category(id) {
      const entry = rulebook.categories.find((category) => category.id === id);
      if (!entry) return null;
      let known2 = compiled.get(entry.id);
      if (!known2) {
        const rules = RulesSchema.parse(mergedRules(rulebook, entry));
        const fieldChecks = rules.fields.map((rule) => fieldCheck(rule, registry, compile));
        const lists = openPairingLists(rules);
        known2 = Object.freeze({ id: entry.id, label: entry.label, rules, fieldChecks, lists });
        compiled.set(entry.id, known2);
      }
      return known2;
    }
  });
}
function fieldCheck(rule, registry, compile) {
  const field4 = registry.field(rule.key);
  const check = { rule, field: field4, label: field4?.label ?? rule.name, converted: /* @__PURE__ */ new Map() };
  if (rule.pattern === void 0 || !compile) return check;
  const pattern = compile(rule.pattern);
  return { ...check, hasForm: pattern.ok ? pattern.test : () => false };
}

// core/src/intake/columns.ts
var OPTION_MARK2 = "Option: ";
function sheetFields(registry, category) {
  return registry.fieldsAt("child", category).filter((field4) => field4.type !== "pictures" && !field4.onlyScoped);
}
function sheetColumns(registry, family) {
  return [
    ...family.axes.map((axis) => ({ kind: "option", axisId: axis.id, header: OPTION_MARK2 + axis.label })),
    ...sheetFields(registry, family.fields.category).map((field4) => {
      const header = headerOf(field4);
      return field4.type === "stock" ? { kind: "stock", header } : { kind: "field", field: field4, header };
    })
  ];
}
var foldHeader2 = (header) => header.trim().toLowerCase().replace(/\s+/g, " ");
var UNITS4 = {
  weight: ["g", "kg", "oz", "lb"],
  length: ["mm", "cm", "m", "in", "ft"]
};
function matchColumns(registry, family, headers) {
  const known2 = /* @__PURE__ */ new Map();
  for (const column of sheetColumns(registry, family)) {
    known2.set(foldHeader2(column.header), column);
    if (column.kind === "stock") known2.set("stock", column);
    if (column.kind !== "field") continue;
    for (const name of [column.field.label, column.field.key]) known2.set(foldHeader2(name), column);
    for (const unit of UNITS4[column.field.type] ?? []) {
      known2.set(foldHeader2(`${column.field.label} (${unit})`), { ...column, unit });
    }
  }
  for (const axis of family.axes) {
    const header = foldHeader2(axis.label);
    if (!known2.has(header)) known2.set(header, { kind: "option", axisId: axis.id, header: OPTION_MARK2 + axis.label });
  }
  const taken2 = /* @__PURE__ */ new Set();
  const columns = headers.map((header) => {
    const column = known2.get(foldHeader2(header)) ?? null;
    if (!column || taken2.has(column.header)) return null;
    taken2.add(column.header);
    return column;
  });
  return {
    columns,
    unknown: headers.filter((header, at2) => header.trim() !== "" && columns[at2] === null),
    missingAxes: family.axes.filter((axis) => !taken2.has(OPTION_MARK2 + axis.label)).map((axis) => axis.label)
  };
}

// core/src/intake/readSheet.ts
var TELL_EVERY = 250;
var ALONE = { takenElsewhere: () => null, bound: () => null };
var labelsKey = (labels) => JSON.stringify(labels.map(foldLabel));
function readSheet(registry, family, headers, rows, stock, around = ALONE) {
  const { columns, unknown, missingAxes } = matchColumns(registry, family, headers);
  const [first] = missingAxes;
  if (first !== void 0) throw new Refusal("sheet.no-axis-column", { axes: missingAxes.join(", "), first });
  const sheet = {
    ...{ registry, family, columns, headers, stock, around },
    optionAt: family.axes.map((axis) => columns.findIndex((one) => one?.kind === "option" && one.axisId === axis.id)),
    sources: columns.map((column, at2) => sourceOf(column, rows, at2)),
    owners: new Map([...identifierOwners(family)].map(([key, child]) => [key, child.id])),
    seen: /* @__PURE__ */ new Set()
  };
  const reading = { rows: [], unknownColumns: unknown, stages: [], stock: [] };
  const good3 = [];
  rows.forEach((cells, at2) => {
    if (at2 % TELL_EVERY === 0) around.tell?.(at2);
    if (cells) reading.rows.push(readRow(sheet, cells, at2 + 2, reading.stock, good3));
  });
  const fresh = good3.filter((row) => !row.child?.woven);
  reading.stages = [
    () => valuesAndFigures(family, good3),
    (now) => newCrossings(family, now, fresh),
    (now) => newFigures(now, fresh)
  ];
  return reading;
}
function sourceOf(column, rows, at2) {
  if (column?.kind !== "field") return {};
  const unit = column.unit === void 0 ? {} : { unit: column.unit };
  return { ...unit, ...habitsOf(rows.map((cells) => cells?.[at2] ?? "")) };
}
function readRow(sheet, cells, row, counted, good3) {
  const { family, headers } = sheet;
  const problems = [];
  const refuse = (at2, problem) => {
    problems.push({ column: headers[at2] ?? "", message: unreadableText(problem) });
  };
  const labels = family.axes.map((axis, place) => {
    const at2 = sheet.optionAt[place];
    const label = (cells[at2] ?? "").trim();
    if (label === "") refuse(at2, unreadable("cell.empty", { label: axis.label }));
    return familyIndex(family).valueCalled(axis.id, label)?.label ?? label;
  });
  const child = childAt(family, labels);
  const key = labelsKey(labels);
  if (problems.length === 0 && sheet.seen.has(key)) refuse(0, unreadable("cell.twice", {}));
  const changes2 = [];
  const figures = [];
  let pieces;
  sheet.columns.forEach((column, at2) => {
    const text10 = (cells[at2] ?? "").trim();
    if (column?.kind === "stock" && text10 !== "") {
      const read3 = readPieces2(sheet, text10, child);
      if (!read3.ok) return refuse(at2, read3);
      if (read3.pieces === null) return;
      pieces = read3.pieces;
      const before = child ? String(sheet.stock[child.id] ?? 0) : "";
      changes2.push({ column: headers[at2] ?? "", before, after: String(pieces) });
    }
    if (column?.kind !== "field") return;
    const read2 = readCell(sheet, column, text10, child, { at: at2, key });
    if (!read2) return;
    if ("code" in read2) return refuse(at2, read2);
    figures.push({ key: column.field.key, figure: read2.figure });
    changes2.push({
      column: headers[at2] ?? "",
      before: read2.before,
      after: showFigure(sheet.registry, column.field, read2.figure)
    });
  });
  const name = labels.join(" \xB7 ") || "the only child";
  if (problems.length > 0) return { row, verdict: "refused", child: name, problems, changes: [] };
  sheet.seen.add(key);
  good3.push({ labels, child, figures });
  if (pieces !== void 0) counted.push({ labels, pieces });
  const verdict = !child?.woven ? "new" : changes2.length > 0 ? "changed" : "same";
  return { row, verdict, child: name, problems, changes: changes2 };
}
function readPieces2(sheet, text10, child) {
  const field4 = sheet.registry.field("stock");
  const read2 = readFigure(sheet.registry, field4, text10);
  if (!read2.ok) return read2;
  const pieces = Number(read2.figure);
  return { ok: true, pieces: pieces === (child?.woven ? sheet.stock[child.id] ?? 0 : 0) ? null : pieces };
}
function readCell(sheet, { field: field4 }, text10, child, row) {
  const { registry, family, around } = sheet;
  const standing = child?.woven ? child : void 0;
  const position = standing && familyIndex(family).position.get(standing.id);
  const held = position === void 0 ? void 0 : columnOf(family, field4.key).at(position);
  const before = showFigure(registry, field4, held);
  if (text10 === before.trim()) return null;
  const read2 = readFigure(registry, field4, text10, sheet.sources[row.at]);
  if (!read2.ok) return read2;
  const own = child?.fields[field4.key];
  if (read2.figure === null) {
    if (own === void 0 || !standing) return null;
    if (field4.key === "sku") return unreadable("cell.sku-missing", {});
  } else if (showFigure(registry, field4, read2.figure) === before || isSameAmount(field4, read2.figure, held)) return null;
  if (!isIdentifier(field4.key)) return { figure: read2.figure, before };
  const problem = identifierProblem(sheet, field4.key, read2.figure, text10, child?.id ?? row.key);
  if (problem) return problem;
  const bound = field4.key === "sku" && typeof own === "string" ? around.bound(own) : null;
  return bound ?? { figure: read2.figure, before };
}
var isSameAmount = ({ type }, read2, held) => type === "money" && held !== void 0 && compareAmounts(String(read2), String(held)) === 0;
function identifierProblem(sheet, kind, figure, text10, owner) {
  if (typeof figure !== "string") return null;
  const key = `${kind}|${identityOf(kind, figure)}`;
  const there = sheet.owners.get(key);
  if (there !== void 0 && there !== owner) {
    return unreadable("cell.belongs", { text: text10, owner: placeLabel(sheet.family, { level: "child", childId: there }) });
  }
  const elsewhere = sheet.around.takenElsewhere(kind, figure);
  if (!elsewhere) sheet.owners.set(key, owner);
  return elsewhere;
}
function valuesAndFigures(family, good3) {
  const commands = [];
  family.axes.forEach((axis, place) => {
    const known2 = new Set(axis.values.map((value) => foldLabel(value.label)));
    const fresh = /* @__PURE__ */ new Map();
    for (const { labels } of good3) {
      const folded2 = foldLabel(labels[place]);
      if (!known2.has(folded2) && !fresh.has(folded2)) fresh.set(folded2, labels[place]);
    }
    if (fresh.size > 0) {
      const values = [...fresh.values()].map((label) => ({ label }));
      commands.push({ do: "addValues", axisId: axis.id, values, weave: false });
    }
  });
  const changes2 = good3.flatMap(
    ({ child, figures }) => child?.woven ? figures.map((one) => ({ place: { level: "child", childId: child.id }, ...one })) : []
  );
  if (changes2.length > 0) commands.push({ do: "setFigures", changes: changes2 });
  return commands;
}
function newCrossings(before, now, rows) {
  const wanted = new Set(rows.map((row) => labelsKey(row.labels)));
  const { valueById } = familyIndex(now);
  const uncalled = Object.values(now.children).filter((child) => {
    if (!child.woven || before.children[child.id]?.woven) return false;
    return !wanted.has(labelsKey(now.axes.map((axis) => valueById.get(child.at[axis.id]).label)));
  });
  const missing = rows.flatMap((row) => {
    const at2 = crossingFor(now, row.labels);
    return at2 && !childAt(now, row.labels)?.woven ? [at2] : [];
  });
  const weave = (crossings, woven) => crossings.length > 0 ? [{ do: "setWoven", crossings, woven }] : [];
  return [
    ...weave(
      uncalled.map((child) => ({ ...child.at })),
      false
    ),
    ...weave(missing, true)
  ];
}
function newFigures(now, rows) {
  const changes2 = rows.flatMap((row) => {
    const child = childAt(now, row.labels);
    return child ? row.figures.map((one) => ({ place: { level: "child", childId: child.id }, ...one })) : [];
  });
  return changes2.length > 0 ? [{ do: "setFigures", changes: changes2 }] : [];
}

// core/src/change/createFamily.ts
import { freeze as freeze2 } from "immer";
function createWoven(registry, spec, children) {
  mindSize(children.length);
  const family = begun(registry, spec);
  const { valueCalled } = familyIndex(family);
  for (const { labels, fields } of children) {
    const at2 = {};
    family.axes.forEach((axis, place) => {
      const value = valueCalled(axis.id, labels[place] ?? "");
      if (!value) throw new Refusal("value.unknown", { label: axis.label });
      at2[axis.id] = value.id;
    });
    const id = takeId(family, "c");
    family.children[id] = { id, at: at2, woven: true, fields, pictures: [] };
  }
  checkIdentifiers(registry, family, null);
  return freeze2(family, true);
}
function begun(registry, spec) {
  const family = {
    id: spec.id,
    revision: 1,
    next: 1,
    fields: firstFields(registry, spec),
    pictures: [],
    axes: [],
    children: {},
    shelf: {},
    skuPattern: spec.skuPattern || familyPattern(registry.data.skuPattern, axisLabels(spec)),
    wishes: {},
    retired: false
  };
  for (const axis of spec.axes) family.axes.push(makeAxis(registry, family, axis));
  return family;
}
var axisLabels = ({ axes }) => axes.map((axis) => axis.label);
function firstFields(registry, spec) {
  const place = { level: "family" };
  const fields = {};
  for (const [key, figure] of Object.entries(spec.fields)) {
    const checked = checkedFigure(registry, place, key, figure, EVERYWHERE);
    if (checked !== null) fields[key] = checked;
  }
  if (fields.name === void 0) throw new Refusal("family.no-name", {}, { place: { ...place, key: "name" } });
  return fields;
}

// core/src/words/lists.ts
var DOUBTS = {
  unknownWord: (text10) => `"${text10}" is taken for an option, since it stands where others have one.`,
  looksAlike: (text10) => `Its name is the same, but it has not the same options (${text10}): it is kept apart.`
};
var doubtText = ({ code, text: text10 }) => DOUBTS[code](text10);
var axisAddedText = (label, taken2) => `${label} comes to it; the children that are there are ${taken2}.`;

// core/src/intake/takeReading.ts
function takeReading(registry, held, reading) {
  const family = reading.stages.reduce((now, stage) => {
    const commands = stage(now);
    return commands.length === 0 ? now : runCommand(registry, now, { do: "batch", title: "Take a sheet in", commands }).family;
  }, held);
  const pieces = reading.stock.flatMap(({ labels, pieces: counted }) => {
    const child = childAt(family, labels);
    return child ? [{ childId: child.id, pieces: counted }] : [];
  });
  return { family, pieces };
}

// core/src/intake/becoming/figureColumns.ts
function figureColumns(registry, table, columns, mapping) {
  const written = howWritten(table, columns, mapping);
  return columns.flatMap(({ at: at2, header, meaning }) => {
    if (meaning.is !== "field") return [];
    const field4 = registry.field(meaning.key);
    if (!field4 || field4.type === "pictures") return [];
    const unit = unitIn(header, field4);
    return [{ at: at2, header, field: field4, source: { ...written(at2), ...unit ? { unit } : {} } }];
  });
}
function unitIn(header, { type }) {
  const units2 = type === "weight" ? "kg|g|oz|lb" : type === "length" ? "mm|cm|m|in|ft" : null;
  return units2 === null ? void 0 : new RegExp(`(?:^|[\\s(\\[./])(${units2})[)\\].]?$`, "i").exec(header.trim())?.[1]?.toLowerCase();
}
var sheetHeader = ({ field: field4, source }) => source.unit && (field4.type === "weight" || field4.type === "length") ? `${field4.label} (${source.unit})` : headerOf(field4);
function agreedCell(rows, at2) {
  let agreed = null;
  for (const row of rows) {
    const text10 = (row[at2] ?? "").trim();
    if (text10 === "") continue;
    if (agreed !== null && agreed !== text10) return null;
    agreed = text10;
  }
  return agreed;
}
function familyFigures(registry, columns, rows) {
  const result = { figures: {}, problems: [], taken: /* @__PURE__ */ new Set() };
  for (const column of columns) {
    const { field: field4, at: at2, header, source } = column;
    if (!field4.levels.includes("family") || field4.key === "name") continue;
    const isOnlyThere = !field4.levels.includes("child");
    const text10 = isOnlyThere ? firstCell(rows, at2) : agreedByAll(rows, at2);
    if (text10 === null) continue;
    const read2 = readFigure(registry, field4, text10, source);
    if (read2.ok && read2.figure !== null) {
      result.figures[field4.key] = read2.figure;
      result.taken.add(column);
    } else if (!read2.ok && isOnlyThere) result.problems.push({ column: header, message: unreadableText(read2) });
  }
  return result;
}
var firstCell = (rows, at2) => rows.map((row) => (row[at2] ?? "").trim()).find((text10) => text10 !== "") ?? null;
function agreedByAll(rows, at2) {
  const text10 = (rows[0]?.[at2] ?? "").trim();
  return text10 !== "" && rows.every((row) => (row[at2] ?? "").trim() === text10) ? text10 : null;
}
function familyChanges(registry, held, columns, rows, mayRename) {
  const figures = {};
  const changes2 = [];
  const problems = [];
  for (const { field: field4, at: at2, header, source } of columns) {
    if (field4.levels.includes("child") || !field4.levels.includes("family") || field4.key === "name" && !mayRename)
      continue;
    const text10 = agreedCell(rows, at2);
    if (text10 === null) continue;
    const before = showFigure(registry, field4, held.fields[field4.key]);
    if (text10 === before.trim()) continue;
    const read2 = readFigure(registry, field4, text10, source);
    if (!read2.ok) problems.push({ column: header, message: unreadableText(read2) });
    else if (read2.figure !== null && showFigure(registry, field4, read2.figure) !== before) {
      figures[field4.key] = read2.figure;
      changes2.push({ column: header, before, after: showFigure(registry, field4, read2.figure) });
    }
  }
  return { figures, changes: changes2, problems };
}

// core/src/intake/becoming/pictureAddresses.ts
var pictureColumns = (columns) => columns.filter(({ meaning }) => meaning.is === "picture").map(({ at: at2 }) => at2);
function addressedPictures(table, columns, found, family, labelsOf3) {
  if (columns.length === 0) return [];
  const named2 = /* @__PURE__ */ new Map();
  const illustrated = /* @__PURE__ */ new Set();
  for (const child of found.children) {
    const id = childAt(family, labelsOf3(child))?.id;
    if (id === void 0) continue;
    for (const address of child.rows.flatMap((row) => addressesIn(table[row - 1], columns))) {
      illustrated.add(id);
      named2.set(address, (named2.get(address) ?? /* @__PURE__ */ new Set()).add(id));
    }
  }
  const ofFamily = found.parentRows.flatMap((row) => addressesIn(table[row - 1], columns));
  const placesOf = placeFinder(family, illustrated);
  return [
    ...[...new Set(ofFamily)].map((address) => ({ address, place: { level: "family" } })),
    ...[...named2].flatMap(([address, ids]) => placesOf(ids).map((place) => ({ address, place })))
  ].map((one) => ({ ...one, familyId: family.id }));
}
var addressesIn = (cells, columns) => columns.flatMap((at2) => (cells[at2] ?? "").split(/[\s;|]+|,(?=\s*https?:)/i).filter(looksLikeAddress));
function placeFinder(family, illustrated) {
  const byValue = family.axes.flatMap(
    (axis) => axis.values.map((value) => ({
      place: { level: "value", axisId: axis.id, valueId: value.id },
      ids: [...illustrated].filter((id) => family.children[id].at[axis.id] === value.id)
    }))
  );
  const isOneOf = familyIndex(family).woven.length <= 1;
  return (ids) => {
    if (isOneOf || ids.size > 1 && ids.size === illustrated.size) return [{ level: "family" }];
    const whole = byValue.find((value) => value.ids.length === ids.size && value.ids.every((id) => ids.has(id)));
    return whole ? [whole.place] : [...ids].map((childId) => ({ level: "child", childId }));
  };
}

// core/src/intake/becoming/verdicts.ts
var rowsOf = ({ children }) => [...new Set(children.flatMap(({ rows }) => rows))];
function verdictsOf(family, ofFamily, read2, verdictOf2) {
  const doubts = new Map(family.doubts.map((doubt) => [doubt.row, doubtText(doubt)]));
  const rows = read2.flatMap((one) => {
    const verdict = one.verdict === "refused" ? "refused" : verdictOf2(one);
    const told = { family: family.name, child: one.child, problems: one.problems, changes: one.changes };
    return family.children[one.row - 2].rows.map((row) => ({ row, verdict, ...told }));
  });
  const parents = parentRows(family, ofFamily);
  return [...parents, ...parents.length > 0 ? rows : withFamily(rows, ofFamily)].map((row) => doubted(row, doubts));
}
var parentRows = ({ name, parentRows: rows }, ofFamily) => rows.map((row, at2) => ({
  ...{ row, family: name, child: "", verdict: ofFamily.verdict },
  problems: at2 === 0 ? ofFamily.problems : [],
  changes: at2 === 0 ? ofFamily.changes : []
}));
function withFamily([first, ...others], { verdict, problems, changes: changes2 }) {
  if (!first) return [];
  return [
    {
      ...first,
      verdict: first.verdict === "same" ? verdict : first.verdict,
      problems: [...first.problems, ...problems],
      changes: [...changes2, ...first.changes]
    },
    ...others
  ];
}
function doubted(row, doubts) {
  const doubt = doubts.get(row.row);
  if (doubt === void 0) return row;
  return { ...row, doubt, verdict: row.verdict === "newFamily" ? "doubtful" : row.verdict };
}
var refusedParents = (family) => parentRows(family, {
  ...{ verdict: "refused", changes: [] },
  problems: [{ column: "", message: refusalText("list.no-good-child", { family: family.name }) }]
});
var refusedWhole = (family, message, heldId) => ({
  ...{ key: family.key, heldId },
  rows: [...family.parentRows, ...rowsOf(family)].map((row) => ({
    ...{ row, verdict: "refused", family: family.name, child: "", changes: [] },
    problems: [{ column: "", message }]
  })),
  ...{ changes: [], family: null, pieces: [], pictures: [] }
});

// core/src/intake/becoming/beginFamily.ts
function beginFamily(input, children, family, id) {
  try {
    return begin(input, children, family, id);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return refusedWhole(family, error.message, null);
  }
}
function begin(input, children, family, id) {
  const all = wholeFigures(input, family);
  const columns = children.columnsIn(all.fields.category);
  const reads = readRows(input, children, family, columns);
  const good3 = family.children.filter((_, at2) => reads[at2].problems.length === 0);
  const made = withChildren(family, good3);
  const whole = made === family ? all : wholeFigures(input, made);
  const ofFamily = { verdict: "newFamily", problems: whole.problems, changes: [] };
  const verdicts = reads.map((read2, at2) => verdictOf(read2, at2 + 2, whole.taken));
  const rows = verdictsOf(family, ofFamily, verdicts, () => "newFamily");
  const become = { key: family.key, heldId: null, changes: [], pieces: [], pictures: [] };
  if (good3.length === 0)
    return { ...become, rows: [...refusedParents(family), ...rows.slice(family.parentRows.length)], family: null };
  const goodReads = reads.filter(({ problems }) => problems.length === 0);
  const after = familyOf2(input, made, goodReads, whole, id);
  const labelsOf3 = ({ at: at2 }) => after.axes.map(({ label }) => at2[label] ?? "");
  const pictures2 = addressedPictures(input.table, input.pictureColumns, made, after, labelsOf3);
  return { ...become, rows, family: after, pieces: piecesOf(after, goodReads), pictures: pictures2 };
}
function readRows({ numbers }, children, family, columns) {
  const seen = /* @__PURE__ */ new Set();
  return family.children.map((child) => {
    const read2 = children.read(child, family.axes, columns);
    const crossing = JSON.stringify(read2.labels.map(foldLabel));
    if (seen.has(crossing)) read2.problems.push({ column: "", message: unreadableText(unreadable("cell.twice", {})) });
    if (read2.problems.length > 0) return read2;
    seen.add(crossing);
    numbers.keep(child, family.name);
    return read2;
  });
}
function withChildren(family, children) {
  if (children.length === family.children.length) return family;
  const axes = family.axes.map((axis) => {
    const used = new Set(children.map(({ at: at2 }) => at2[axis.label]));
    return { ...axis, values: axis.values.filter((value) => used.has(value)) };
  });
  return { ...family, axes, children };
}
function wholeFigures({ registry, table, columns }, family) {
  const cellsOf = (rows) => rows.map((row) => table[row - 1]);
  const { figures, problems, taken: taken2 } = familyFigures(registry, columns, cellsOf(rowsOf(family)));
  const ofParents = familyFigures(registry, columns, cellsOf(family.parentRows));
  const style = family.style === "" ? {} : { styleCode: family.style };
  const fields = { ...style, ...ofParents.figures, ...figures, name: family.name };
  return { fields, problems, taken: taken2 };
}
function familyOf2({ registry }, { axes: given }, children, { fields, taken: taken2 }, id) {
  const axes = given.map(({ role, label, values }) => ({
    ...{ role, label },
    values: values.map((value) => ({ label: value }))
  }));
  const own = children.map(({ labels, figures }) => {
    const ownFields = {};
    for (const { column, figure } of figures) if (!taken2.has(column)) ownFields[column.field.key] = figure;
    return { labels, fields: ownFields };
  });
  return createWoven(registry, { id, fields, axes }, own);
}
function verdictOf({ labels, figures, pieces, problems }, row, taken2) {
  const child = labels.join(" \xB7 ") || "the only child";
  if (problems.length > 0) return { row, verdict: "refused", child, problems, changes: [] };
  const changes2 = figures.flatMap(
    ({ column, shown }) => taken2.has(column) ? [] : [{ column: column.header, before: "", after: shown }]
  );
  if (pieces) changes2.push({ column: pieces.header, before: "", after: String(pieces.count) });
  return { row, verdict: "new", child, problems, changes: changes2 };
}
function piecesOf({ children }, reads) {
  const ids = Object.keys(children);
  return reads.flatMap(({ pieces }, at2) => pieces ? [{ childId: ids[at2], pieces: pieces.count }] : []);
}

// core/src/intake/becoming/heldAxes.ts
function matchAxes(held, { axes }) {
  const used = /* @__PURE__ */ new Set();
  const matched = held.axes.map((axis) => {
    const same = axes.find(({ label }) => foldLabel(label) === foldLabel(axis.label) && !used.has(label));
    const alike = axes.filter(({ label, role }) => role === axis.role && !used.has(label));
    const found = same ?? (alike.length === 1 ? alike[0] : void 0);
    if (found) used.add(found.label);
    return found?.label;
  });
  return { matched, more: axes.filter(({ label, values }) => !used.has(label) && values.length > 1) };
}
function ownerOfRow(held, table, columns) {
  const owners = identifierOwners(held);
  const numbers = columns.filter(({ field: field4 }) => field4.key === "sku" || field4.key === "gtin");
  return (row) => numbers.map(
    ({ at: at2, field: field4 }) => owners.get(`${field4.key}|${identityOf(field4.key, (table[row - 1][at2] ?? "").trim())}`)
  ).find((child) => child !== void 0);
}
function withMoreAxes(registry, held, family, ownerOf) {
  const { more } = matchAxes(held, family);
  if (more.length === 0) return { family: held, changes: [] };
  const known2 = family.children.filter(({ rows }) => ownerOf(rows[0]));
  const named2 = new Set(known2.map(({ rows }) => ownerOf(rows[0]).id));
  const areAllNamed = familyIndex(held).woven.every(({ id }) => named2.has(id));
  const added = more.map(({ role, label }) => ({
    ...{ role, label, taken: areAllNamed ? onlyValue(known2, label) : void 0 }
  }));
  const unclear = added.find(({ taken: taken2 }) => taken2 === void 0);
  if (unclear) throw new Refusal("list.axis-more", { family: String(held.fields.name), label: unclear.label });
  const commands = added.map(({ role, label, taken: taken2 }) => ({
    ...{ do: "addAxis", role, label, existingTake: 0 },
    values: [{ label: taken2 }]
  }));
  const change = {
    column: "Axes",
    before: held.axes.map(({ label }) => label).join(", "),
    after: added.map(({ label, taken: taken2 }) => axisAddedText(label, taken2)).join(" ")
  };
  return { family: runCommand(registry, held, { do: "batch", title: "", commands }).family, changes: [change] };
}
function onlyValue(children, axis) {
  const values = new Set(children.map(({ at: at2 }) => at2[axis]));
  return values.size === 1 ? [...values][0] : void 0;
}

// core/src/intake/becoming/changeFamily.ts
function changeFamily(input, family, held, isNamedByKey) {
  const { registry, table, columns } = input;
  try {
    const grown = withMoreAxes(registry, held, family, ownerOfRow(held, table, columns));
    const base = grown.family;
    const labelsOf3 = openLabels(base, matchAxes(base, family), ownerOfRow(base, table, columns));
    const own = columns.filter(({ field: field4 }) => field4.levels.includes("child"));
    const reading = readChildren(input, base, family, own, labelsOf3);
    const cells = [...family.parentRows, ...rowsOf(family)].map((row) => table[row - 1]);
    const told = familyChanges(registry, base, columns, cells, isNamedByKey);
    const whole = { ...told, changes: [...grown.changes, ...told.changes] };
    const { family: taken2, pieces } = takeReading(registry, base, reading);
    const figures = Object.entries(whole.figures).map(([key, figure]) => ({
      place: { level: "family" },
      key,
      figure
    }));
    const after = figures.length === 0 ? taken2 : runCommand(registry, taken2, { do: "setFigures", changes: figures }).family;
    const ofFamily = { ...whole, verdict: whole.changes.length > 0 ? "changed" : "same" };
    return {
      key: family.key,
      heldId: held.id,
      rows: verdictsOf(family, ofFamily, reading.rows, ({ verdict }) => verdict === "new" ? "newChild" : verdict),
      changes: whole.changes,
      family: after === held && pieces.length === 0 ? null : after,
      pieces,
      pictures: addressedPictures(table, input.pictureColumns, family, after, labelsOf3)
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return refusedWhole(family, error.message, held.id);
  }
}
function openLabels(held, { matched }, ownerOf) {
  return ({ rows, at: at2 }) => {
    const child = ownerOf(rows[0]);
    const labels = child ? childLabels(held, child) : [];
    return held.axes.map(
      (_, place) => labels[place] ?? (matched[place] === void 0 ? "" : at2[matched[place]] ?? "")
    );
  };
}
var OF_ONE_CHILD = /* @__PURE__ */ new Set(["sku", "gtin", "stock"]);
function readChildren({ registry, table, mended, around, stock }, held, family, columns, labelsOf3) {
  const ofChild = columns.filter(({ field: field4 }) => field4.levels.includes("child"));
  const isAcross = family.children.some(({ stockColumn }) => stockColumn !== void 0);
  const used = ofChild.filter(({ field: field4 }) => !isAcross || !OF_ONE_CHILD.has(field4.key));
  const headers = [
    ...held.axes.map(({ label }) => `Option: ${label}`),
    ...used.map(sheetHeader),
    ...isAcross ? ["Stock (pieces)"] : []
  ];
  const rows = family.children.map((child) => {
    const row = child.rows[0];
    const cells = table[row - 1];
    const figures = used.map(({ at: at2, field: field4 }) => {
      if (child.sharesRow && OF_ONE_CHILD.has(field4.key)) return "";
      const text10 = mended.get(row)?.get(at2) ?? cells[at2] ?? "";
      return field4.type === "stock" && !/\d/.test(text10) ? "" : text10;
    });
    const pieces = isAcross ? [/\d/.test(cells[child.stockColumn] ?? "") ? cells[child.stockColumn] : ""] : [];
    return [...labelsOf3(child), ...figures, ...pieces];
  });
  const stockHeader = isAcross ? "Stock" : "";
  const own = [...held.axes.map(({ label }) => label), ...used.map(({ header }) => header), stockHeader];
  const named2 = new Map(headers.map((header, at2) => [header, own[at2]]));
  const rename = (told) => ({
    ...told,
    column: named2.get(told.column) ?? told.column
  });
  const reading = readSheet(registry, held, headers, rows, stock, around);
  return {
    ...reading,
    rows: reading.rows.map((row) => ({ ...row, problems: row.problems.map(rename), changes: row.changes.map(rename) }))
  };
}

// core/src/intake/becoming/listNumbers.ts
function openNumbers(table, columns, mended) {
  const places = columns.flatMap(({ at: at2, field: field4 }) => isIdentifier(field4.key) ? [{ at: at2, kind: field4.key }] : []);
  const known2 = /* @__PURE__ */ new Map();
  const owners = /* @__PURE__ */ new Map();
  const keyOf3 = (kind, identity) => `${kind}|${identity}`;
  function of(row) {
    let numbers = known2.get(row);
    if (numbers) return numbers;
    numbers = places.flatMap(({ at: at2, kind }) => {
      const identity = readIdentity(kind, (mended.get(row)?.get(at2) ?? table[row - 1][at2] ?? "").trim());
      return identity === null ? [] : [{ kind, identity }];
    });
    known2.set(row, numbers);
    return numbers;
  }
  return {
    of,
    takenBy(kind, figure) {
      const owner = owners.get(keyOf3(kind, identityOf(kind, figure)));
      return owner ? unreadable("list.number-twice", { kind: kind.toUpperCase(), number: figure, ...owner }) : null;
    },
    keep({ rows, sharesRow, stockColumn }, family) {
      if (sharesRow || stockColumn !== void 0) return;
      for (const { kind, identity } of of(rows[0])) {
        const key = keyOf3(kind, identity);
        if (!owners.has(key)) owners.set(key, { row: rows[0], family });
      }
    }
  };
}
function readIdentity(kind, text10) {
  if (text10 === "") return null;
  if (kind === "sku") return identityOf("sku", text10);
  const read2 = readGtin(text10);
  return read2.ok ? identityOf("gtin", read2.gtin) : null;
}

// core/src/intake/becoming/newChildren.ts
var CHILD2 = { level: "child", childId: "" };
function openNewChildren({ registry, table, columns, mended, numbers, around }) {
  const ofCategory = /* @__PURE__ */ new Map();
  const known2 = /* @__PURE__ */ new Map();
  const stock = registry.field("stock");
  function columnsIn(category) {
    let found = ofCategory.get(category);
    if (!found) {
      const keys = new Set(sheetFields(registry, category).map(({ key }) => key));
      found = columns.filter(({ field: field4 }) => keys.delete(field4.key));
      ofCategory.set(category, found);
    }
    return found;
  }
  function columnsFor({ sharesRow, stockColumn }, ofChild) {
    if (!sharesRow && stockColumn === void 0) return ofChild;
    const common = ofChild.filter(({ field: field4 }) => !isIdentifier(field4.key) && field4 !== stock);
    return stockColumn === void 0 ? common : [...common, { at: stockColumn, header: "Stock", field: stock, source: {} }];
  }
  function textOf2(row, { at: at2, field: field4 }) {
    const text10 = (mended.get(row)?.get(at2) ?? table[row - 1][at2] ?? "").trim();
    return field4 === stock && !/\d/.test(text10) ? "" : text10;
  }
  function readOnce(column, text10) {
    if (isIdentifier(column.field.key)) return readNumber3(column.field.key, column, text10);
    const key = `${column.at}|${text10}`;
    let read2 = known2.get(key);
    if (read2 === void 0) known2.set(key, read2 = readCell2(column, text10));
    return read2;
  }
  function readCell2({ field: field4, source }, text10) {
    const read2 = readFigure(registry, field4, text10, source);
    if (!read2.ok || read2.figure === null) return read2.ok ? null : read2;
    const figure = field4 === stock ? read2.figure : checkedFigure(registry, CHILD2, field4.key, read2.figure, EVERYWHERE);
    return figure === null ? null : { ok: true, figure, shown: showFigure(registry, field4, figure) };
  }
  function readNumber3(kind, column, text10) {
    const read2 = readCell2(column, text10);
    if (!read2?.ok) return read2;
    const number = String(read2.figure);
    return numbers.takenBy(kind, number) ?? around.takenElsewhere(kind, number) ?? read2;
  }
  return {
    columnsIn,
    read(child, axes, ofChild) {
      const row = child.rows[0];
      const labels = axes.map(({ label }) => (child.at[label] ?? "").trim());
      const read2 = { labels, figures: [], pieces: null, problems: [] };
      const refuse = (column, problem) => void read2.problems.push({ column, message: unreadableText(problem) });
      const empty = axes.find((_, place) => labels[place] === "");
      if (empty) refuse(empty.label, unreadable("cell.empty", { label: empty.label }));
      for (const column of columnsFor(child, ofChild)) {
        const text10 = textOf2(row, column);
        const cell = text10 === "" ? null : readOnce(column, text10);
        if (!cell) continue;
        if (!cell.ok) refuse(column.header, cell);
        else if (column.field !== stock) read2.figures.push({ column, figure: cell.figure, shown: cell.shown });
        else if (cell.figure !== 0) read2.pieces = { header: column.header, count: Number(cell.figure) };
      }
      return read2;
    }
  };
}

// core/src/intake/becoming/planList.ts
function planList(registry, table, reading, mapping, shelves, tell = () => void 0) {
  const mended = mendedCells(reading);
  const columns = figureColumns(registry, table, reading.columns, mapping);
  const numbers = openNumbers(table, columns, mended);
  const list = { registry, table, columns, pictureColumns: pictureColumns(reading.columns), mended, numbers };
  const children = openNewChildren({ ...list, around: shelves.outside, stock: {} });
  const families2 = [...reading.families, ...reading.singles.map(singleAsFamily)];
  expectNumbers(shelves, numbers, families2);
  const groupAt = reading.columns.find(({ meaning }) => meaning.is === "group")?.at;
  const taken2 = /* @__PURE__ */ new Map();
  const plans = families2.map((family, done) => {
    if (done % TELL_EVERY2 === 0) tell(done, families2.length);
    const key = groupAt === void 0 ? void 0 : shelves.keyed((table[family.children[0].rows[0] - 1][groupAt] ?? "").trim());
    const id = key ?? findFamily(family, numbers, shelves);
    if (id === void 0) {
      return beginFamily({ ...list, around: shelves.outside, stock: {} }, children, family, shelves.newId());
    }
    const held = shelves.load(id);
    const before = taken2.get(id)?.family ?? held.family;
    const input = { ...list, around: amongRows(held.around, numbers), stock: held.stock };
    const plan = changeFamily(input, family, before, key !== void 0);
    keepNumbers(numbers, family, plan);
    const all = taken2.get(id);
    if (all?.family) all.family = null;
    const merged = plan.family ? { ...plan, pieces: [...all?.pieces ?? [], ...plan.pieces] } : plan;
    if (merged.family) taken2.set(id, merged);
    return merged;
  });
  return [...plans, ...goings(registry, reading, shelves, taken2)];
}
var TELL_EVERY2 = 50;
function singleAsFamily({ rows, name, brand }) {
  return {
    key: `row${rows[0]}`,
    ...{ name, brand, style: "", axes: [], children: [{ rows, at: {} }], parentRows: [], bonds: [], doubts: [] }
  };
}
function expectNumbers(shelves, numbers, families2) {
  const named2 = { sku: [], gtin: [] };
  for (const { children } of families2)
    for (const { rows } of children) for (const { kind, identity } of numbers.of(rows[0])) named2[kind].push(identity);
  for (const kind of IDENTIFIERS) shelves.expect(kind, named2[kind]);
}
var amongRows = (around, numbers) => ({
  ...around,
  takenElsewhere: (kind, figure) => around.takenElsewhere(kind, figure) ?? numbers.takenBy(kind, figure)
});
function keepNumbers(numbers, { children, name }, { rows }) {
  const refused = new Set(rows.filter(({ verdict }) => verdict === "refused").map(({ row }) => row));
  for (const child of children) if (!refused.has(child.rows[0])) numbers.keep(child, name);
}
function findFamily(family, numbers, shelves) {
  const votes = /* @__PURE__ */ new Map();
  for (const { rows, stockColumn, sharesRow } of family.children) {
    if (stockColumn !== void 0 || sharesRow) continue;
    for (const { kind, identity } of numbers.of(rows[0])) {
      const owner = shelves.ownerOf(kind, identity);
      if (owner) votes.set(owner.familyId, (votes.get(owner.familyId) ?? 0) + 1);
    }
  }
  const [most] = [...votes].sort((a, b) => b[1] - a[1]);
  if (most) return most[0];
  return (family.style ? shelves.styled(family.style) : void 0) ?? shelves.named(family.name, family.brand);
}
function mendedCells({ mended, columns }) {
  const cells = /* @__PURE__ */ new Map();
  for (const { row, column, to } of mended) {
    const at2 = columns.find(({ header }) => header === column)?.at;
    if (at2 !== void 0) cells.set(row, (cells.get(row) ?? /* @__PURE__ */ new Map()).set(at2, to));
  }
  return cells;
}
function goings(registry, { deletions }, shelves, taken2) {
  const byFamily = /* @__PURE__ */ new Map();
  const plans = [];
  for (const { row, sku, gtin } of deletions) {
    const identities = [["sku", readIdentity("sku", sku)], ["gtin", readIdentity("gtin", gtin)]];
    const owner = identities.map(([kind, identity]) => identity && shelves.ownerOf(kind, identity)).find((one) => one);
    if (owner) byFamily.set(owner.familyId, [...byFamily.get(owner.familyId) ?? [], { row, childId: owner.childId }]);
    else plans.push(alone(row, sku || gtin));
  }
  for (const [id, going] of byFamily) {
    const plan = taken2.get(id);
    const family = plan?.family ?? shelves.load(id).family;
    const woven = going.filter(({ childId }) => family.children[childId]?.woven);
    const crossings = woven.map(({ childId }) => ({ ...family.children[childId].at }));
    const after = crossings.length === 0 ? family : runCommand(registry, family, { do: "setWoven", crossings, woven: false }).family;
    const rows = going.map(({ row, childId }) => {
      const child = family.children[childId] ?? family.shelf[childId]?.child;
      const isWoven = woven.some((one) => one.childId === childId);
      return {
        ...{ row, verdict: isWoven ? "goes" : "same", family: String(family.fields.name), problems: [], changes: [] },
        child: child ? childLabels(family, child).join(" \xB7 ") : ""
      };
    });
    if (plan) plan.family = null;
    plans.push({
      ...{ key: `gone${id}`, heldId: id },
      rows,
      changes: [],
      family: after === family && !plan ? null : after,
      pieces: plan?.pieces ?? [],
      pictures: []
    });
  }
  return plans;
}
var alone = (row, number) => ({
  ...{ key: `gone${row}`, heldId: null },
  rows: [
    {
      row,
      verdict: "refused",
      family: "",
      child: "",
      problems: [{ column: "", message: refusalText("list.no-child", { number }) }],
      changes: []
    }
  ],
  ...{ changes: [], family: null, pieces: [], pictures: [] }
});

// sheets/src/decodeText.ts
import { decode } from "iconv-lite";
var SAMPLE2 = 4096;
function encodingOf(bytes) {
  const [first, second] = bytes;
  if (first === 255 && second === 254) return "utf-16le";
  if (first === 254 && second === 255) return "utf-16be";
  const sample = bytes.subarray(0, SAMPLE2);
  const zeros = [0, 0];
  sample.forEach((byte, at2) => {
    if (byte === 0) zeros[at2 % 2] += 1;
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
  const { text: text10, delimiter } = withSeparator(decodeText(bytes));
  return (plainRecords(text10, delimiter) ?? mendedRecords(text10, delimiter, fileName)).map((row) => row.map(plain2));
}
function plainRecords(text10, delimiter) {
  const newline = LINE_ENDS.find((end) => text10.includes(end)) ?? "\n";
  const isMixed = text10.replaceAll(newline, "").search(/[\r\n]/) >= 0;
  if (isMixed) return null;
  const { data, errors } = Papa.parse(text10, { delimiter, newline });
  const hasMark = data.some((row) => row.some((cell) => cell.includes('"')));
  if (errors.length > 0 || hasMark && data.some((row) => row.some(isSeveralLines))) return null;
  return text10.endsWith(newline) ? data.slice(0, -1) : data;
}
function mendedRecords(text10, delimiter, fileName) {
  const rest = { text: text10, line: 1 };
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
function withSeparator(text10) {
  const named2 = /^sep=(.)(?:\r\n|\n|\r|$)/i.exec(text10);
  if (named2) return { text: text10.slice(named2[0].length), delimiter: named2[1] };
  const lines = text10.slice(0, 1e5).replace(/"[^"]*"/g, "").split(/\r\n|\n|\r/, LINES_LOOKED_AT).filter((line) => line.trim() !== "");
  const found = [",", ";", "	", "|"].map((mark) => ({ mark, ...usualCells(lines, mark) }));
  found.sort((a, b) => b.lines * Math.min(b.cells, 4) - a.lines * Math.min(a.cells, 4) || b.cells - a.cells);
  return { text: text10, delimiter: found[0].cells > 1 ? found[0].mark : "," };
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
function readRecords(text10, delimiter) {
  const bytes = Buffer.from(text10);
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
var isSeveralLines = (text10) => /[\r\n]./.test(text10);
var Swallowed = class extends Error {
};
var isOpenQuote = (error) => ["CSV_QUOTE_NOT_CLOSED", "CSV_MAX_RECORD_SIZE"].includes(error?.code ?? "");
function firstLine(text10) {
  const match = /\r\n|\n|\r/.exec(text10);
  if (!match) return { line: text10, after: "" };
  return { line: text10.slice(0, match.index), after: text10.slice(match.index + match[0].length) };
}

// sheets/src/json.ts
var COLUMNS_AT_MOST = 400;
var ROWS_AT_MOST = 2e5;
function readJsonTable(text10, fileName) {
  let data;
  try {
    data = JSON.parse(text10.replace(/^\ufeff/, ""));
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
var unescaped = (text10) => text10.replace(/_x([0-9A-Fa-f]{4})_/g, (_whole, digits) => String.fromCharCode(parseInt(digits, 16)));

// sheets/src/lookIntoZip.ts
import { text as text9 } from "node:stream/consumers";
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
var plainText2 = (text10) => text10.replace(/&(amp|lt|gt|quot|apos);/g, (_whole, name) => ENTITIES[name]);
var attribute = (tag, name) => new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)`).exec(tag)?.[1] ?? "";
async function partText(zip, entry) {
  if (!entry || entry.uncompressedSize > NAMES_AT_MOST) return "";
  return text9(await zip.openReadStreamPromise(entry));
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
      read2.set(mine, await readRows2(sheet, fileName));
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
    const column = [...match[1]].reduce((at2, letter) => at2 * 26 + letter.charCodeAt(0) - 64, 0) - 1;
    const [first, last] = [Number(match[2]) - 1, Math.min(Number(match[3]) - 1, rows.length - 1)];
    const text10 = rows[first]?.[column] ?? "";
    for (let at2 = first + 1; at2 <= last; at2++) if (rows[at2][column] === "") rows[at2][column] = text10;
  }
  return rows;
}
async function readRows2(sheet, fileName) {
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
    rows.push(Array.from({ length: row.cellCount }, (_, at2) => cellText2(row.getCell(at2 + 1).value)));
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

// server/src/catalogue/readCatalogue.ts
import { dequal as dequal4 } from "dequal";
import { asc as asc2 } from "drizzle-orm";

// server/src/store/documents.ts
import { and, asc, eq } from "drizzle-orm";
var at = (thing, id) => and(eq(documents.thing, thing), eq(documents.id, id));
function readDocument(database2, schema, thing, id = "") {
  const row = database2.select({ doc: documents.doc }).from(documents).where(at(thing, id)).get();
  return row && schema.parse(row.doc);
}
function readDocuments(database2, schema, thing) {
  const rows = database2.select().from(documents).where(eq(documents.thing, thing)).orderBy(asc(documents.id)).all();
  return Object.fromEntries(rows.map((row) => [row.id, schema.parse(row.doc)]));
}

// server/src/catalogue/readCatalogue.ts
var FIRST_SELLER = { name: "My shop", currency: "EUR", taxPercent: "20" };
function readCatalogue(database2) {
  const registry = openRegistry(readDocument(database2, RegistryDataSchema, "registry") ?? emptyRegistry());
  const accounts = Object.values(readDocuments(database2, AccountSchema, "account")).toSorted((a, b) => a.at - b.at);
  const known2 = readChannels(database2);
  return Object.freeze({
    registry,
    seller: readDocument(database2, SellerSchema, "seller") ?? FIRST_SELLER,
    accounts,
    channels: known2,
    rulebooks: new Map(
      known2.map(({ channel, rulebook }) => [channel, openRulebook(rulebook, registry, compilePattern)])
    ),
    pairings: readDocuments(database2, PairingTableSchema, "pairings"),
    categoryMaps: readDocuments(database2, CategoryMapSchema, "categoryMap"),
    routes: readDocuments(database2, RoutesSchema, "routes"),
    collections: readDocument(database2, CollectionsSchema, "collections") ?? [],
    namer: { registry, account: (id) => accounts.find((one) => one.id === id)?.name ?? id }
  });
}
function readChannels(database2) {
  const inForce = readDocuments(database2, RulebookSchema, "rulebook");
  const versions = /* @__PURE__ */ new Map();
  for (const row of database2.select().from(editions).orderBy(asc2(editions.version)).all())
    versions.set(row.channel, [...versions.get(row.channel) ?? [], row.version]);
  const rows = database2.select().from(channels).orderBy(asc2(channels.place)).all();
  const played = rows.flatMap(({ channel, rulebook: published, choices, reachable }) => {
    const rulebook = inForce[channel];
    if (!rulebook) return [];
    const offered = dequal4(RulebookSchema.parse(published), rulebook) ? null : RulebookSchema.parse(published);
    return [{ channel, rulebook, offered, versions: versions.get(channel) ?? [], choices, reachable, isOwn: false }];
  });
  const names = new Set(rows.map((row) => row.channel));
  const own = Object.entries(inForce).filter(([channel]) => !names.has(channel));
  return [
    ...played,
    ...own.map(([channel, rulebook]) => {
      return { channel, rulebook, offered: null, versions: [], choices: {}, reachable: false, isOwn: true };
    })
  ];
}

// server/src/lists/shelves.ts
import { and as and5, eq as eq6, sql as sql5 } from "drizzle-orm";

// server/src/changes/boundSkus.ts
import { and as and2, eq as eq3, inArray as inArray2 } from "drizzle-orm";

// server/src/families/load.ts
import { eq as eq2, inArray, sql } from "drizzle-orm";
function loadFamily(database2, id) {
  const row = database2.select({ doc: families.doc, revision: families.revision }).from(families).where(eq2(families.id, id)).get();
  if (!row) throw new Refusal("family.unknown", {});
  return freeze3({ ...row.doc, revision: row.revision }, true);
}
function heldOf(database2, familyId) {
  return database2.select().from(heldListings).where(eq2(heldListings.familyId, familyId)).all().map(({ familyId: _family, ...row }) => ({ ...row, structure: row.listing.structure }));
}

// server/src/changes/boundSkus.ts
function boundSkus(database2, namer, familyId) {
  const bound = /* @__PURE__ */ new Map();
  const underWay = database2.select({ account: dispatchLines.account, listing: dispatchLines.listing }).from(dispatchLines).where(and2(eq3(dispatchLines.familyId, familyId), inArray2(dispatchLines.state, ["queued", "sent"]))).all();
  for (const { account, listing } of underWay) {
    for (const { sku } of listing?.offers ?? [])
      bound.set(sku, unreadable("sku.under-way", { sku, account: namer.account(account) }));
  }
  for (const { account, listing } of heldOf(database2, familyId)) {
    for (const { sku } of listing.offers)
      bound.set(sku, unreadable("sku.live", { sku, account: namer.account(account) }));
  }
  return bound;
}

// server/src/families/newFamilyId.ts
import { randomBytes } from "node:crypto";
var LETTERS4 = "23456789abcdefghjkmnpqrstuvwxyz";
var newFamilyId = () => "k" + [...randomBytes(7)].map((byte) => LETTERS4[byte % LETTERS4.length]).join("");

// server/src/stock/ledger.ts
import { and as and4, desc, eq as eq5, sql as sql3 } from "drizzle-orm";

// server/src/stock/bundles.ts
import { and as and3, eq as eq4, inArray as inArray3, sql as sql2 } from "drizzle-orm";
function itemOf(database2, sku) {
  return database2.select({ familyId: identifiers.familyId, childId: identifiers.childId }).from(identifiers).where(and3(eq4(identifiers.kind, "sku"), eq4(identifiers.value, identityOf("sku", sku)))).get();
}
function bundlesOf(database2, familyId) {
  const found = /* @__PURE__ */ new Map();
  const rows = database2.select().from(bundleParts).where(eq4(bundleParts.familyId, familyId)).all();
  for (const { childId, sku, pieces } of rows) found.set(childId, [...found.get(childId) ?? [], { sku, pieces }]);
  return found;
}
function itemFinder(database2) {
  const known2 = /* @__PURE__ */ new Map();
  const goods = /* @__PURE__ */ new Map();
  return (sku) => {
    const key = identityOf("sku", sku);
    const there = known2.get(key);
    if (there !== void 0) return there;
    const at2 = itemOf(database2, key);
    if (at2 && !goods.has(at2.familyId)) goods.set(at2.familyId, loadGoods(database2, at2.familyId));
    const item = at2 ? describe(goods.get(at2.familyId), at2.childId) : null;
    known2.set(key, item);
    return item;
  };
}
function loadGoods(database2, familyId) {
  const places = {};
  const rows = database2.select().from(stockCounts).where(eq4(stockCounts.familyId, familyId)).all();
  for (const { childId, location, pieces } of rows) (places[childId] ??= {})[location] = pieces;
  return { family: loadFamily(database2, familyId), places };
}
function describe({ family, places }, childId) {
  const at2 = familyIndex(family).position.get(childId);
  const counting = at2 === void 0 ? "counted" : columnOf(family, "counting").at(at2) ?? "counted";
  return {
    ...{ sku: String(family.children[childId]?.fields.sku ?? ""), familyId: family.id, childId },
    name: String(family.fields.name),
    places: counting === "counted" ? places[childId] ?? {} : null
  };
}
var sumOf = (places) => Object.values(places).reduce((sum, pieces) => sum + pieces, 0);
function setsOf(parts, find) {
  return bundlePieces(parts, (sku) => {
    const item = find(sku);
    return item ? item.places && sumOf(item.places) : void 0;
  });
}

// server/src/stock/ledger.ts
function loadStock(database2, familyId) {
  const rows = database2.select({ childId: stockCounts.childId, pieces: sql3`sum(${stockCounts.pieces})` }).from(stockCounts).where(eq5(stockCounts.familyId, familyId)).groupBy(stockCounts.childId).all();
  const stock = Object.fromEntries(rows.map((row) => [row.childId, row.pieces]));
  const find = itemFinder(database2);
  for (const [childId, parts] of bundlesOf(database2, familyId)) stock[childId] = setsOf(parts, find) ?? 0;
  return stock;
}

// server/src/lists/numberOwners.ts
import { sql as sql4 } from "drizzle-orm";
var AT_ONCE = 2e4;
function openOwners(database2) {
  const known2 = /* @__PURE__ */ new Map();
  function expect(kind, identities) {
    for (let from = 0; from < identities.length; from += AT_ONCE) {
      const some = identities.slice(from, from + AT_ONCE);
      for (const identity of some) known2.set(`${kind}|${identity}`, void 0);
      const found = database2.all(sql4`
        SELECT i.value, i.family_id AS familyId, i.child_id AS childId, f.name
        FROM json_each(${JSON.stringify(some)}) AS named
        JOIN identifiers AS i ON i.kind = ${kind} AND i.value = named.value
        JOIN families AS f ON f.id = i.family_id`);
      for (const { value, ...owner } of found) known2.set(`${kind}|${value}`, owner);
    }
  }
  function of(kind, identity) {
    const key = `${kind}|${identity}`;
    if (!known2.has(key)) expect(kind, [identity]);
    return known2.get(key);
  }
  const elsewhere = (familyId) => (kind, figure) => {
    const owner = of(kind, identityOf(kind, figure));
    if (!owner || owner.familyId === familyId) return null;
    return kind === "sku" ? unreadable("sku.taken", { sku: figure, owner: owner.name }) : unreadable("gtin.taken", { gtin: figure, owner: owner.name });
  };
  return { expect, of, elsewhere };
}

// server/src/lists/shelves.ts
function openShelves(database2, { namer }) {
  const owners = openOwners(database2);
  const id = { id: families.id };
  const isThere = eq6(families.retired, false);
  const byKey = database2.select(id).from(families).where(eq6(families.id, sql5.placeholder("key"))).prepare();
  const byStyle = database2.select(id).from(families).where(and5(isThere, eq6(families.styleCode, sql5.placeholder("code")))).limit(2).prepare();
  const byName = database2.select(id).from(families).where(and5(isThere, eq6(families.name, sql5.placeholder("name")), eq6(families.brand, sql5.placeholder("brand")))).limit(2).prepare();
  const only2 = (rows) => rows.length === 1 ? rows[0].id : void 0;
  const loaded = /* @__PURE__ */ new Map();
  return {
    expect: owners.expect,
    ownerOf: owners.of,
    keyed: (key) => key === "" ? void 0 : only2(byKey.all({ key })),
    styled: (code) => only2(byStyle.all({ code })),
    named: (name, brand) => only2(byName.all({ name, brand })),
    load(familyId) {
      let held = loaded.get(familyId);
      if (!held) loaded.set(familyId, held = holdFamily(database2, namer, owners, familyId));
      return held;
    },
    outside: { takenElsewhere: owners.elsewhere(""), bound: () => null },
    newId: newFamilyId
  };
}
function holdFamily(database2, namer, owners, familyId) {
  const bound = boundSkus(database2, namer, familyId);
  return {
    family: loadFamily(database2, familyId),
    stock: loadStock(database2, familyId),
    around: { takenElsewhere: owners.elsewhere(familyId), bound: (sku) => bound.get(sku) ?? null }
  };
}

// e2e/zzpl2.mts
rmSync("/tmp/pl/pdb", { recursive: true, force: true });
mkdirSync2("/tmp/pl/pdb");
var database = openDatabase("/tmp/pl/pdb/x.db", "server/migrations");
for (const shape of (process.env.SHAPES ?? "after,columns").split(",")) {
  const table = await readTable(readFileSync(`/tmp/pl/${shape}.csv`), "list.csv");
  const catalogue = readCatalogue(database);
  const reading = readList2(catalogue.registry, table);
  for (let n = 0; n < Number(process.env.N ?? 2); n++) {
    const t = performance.now();
    const shelves = openShelves(database, catalogue);
    const plans = planList(catalogue.registry, table, reading, NO_MAPPING, shelves, () => {
    });
    console.log(shape, "plan", (performance.now() - t).toFixed(0), plans.length, plans.flatMap((p) => p.rows).filter((r) => r.verdict === "refused").length);
  }
}
//# sourceMappingURL=pl2.mjs.map
