/** Routes: families read, and as files. */
import type { Express } from 'express';
import { endpoints as api, LabelOrderSchema } from '@loom-kin/contract';
import { partsOf } from '@loom-kin/core/bundles';
import { Refusal } from '@loom-kin/core/refusal';
import { accountOf, rulebookOf } from '../../store/readCatalogue';
import { composeLines, type ComposedLine } from '../../dispatch/compose';
import { withAddresses } from '../../channels/transports/pictureAddresses';
import { familyDetail } from '../../families/detail';
import { likeFamilies } from '../../families/likeness';
import { findingCounts } from '../../families/board';
import { listFamilies } from '../../families/list';
import { areLarge, loadFamily } from '../../store/loadFamily';
import { skuPreview } from '../../identifiers/skuPreview';
import { tryConditions } from '../../families/tryConditions';
import { usualFigures } from '../../families/usual';
import { wordsInUse } from '../../families/wordsInUse';
import { FAMILY_FILES } from '../../files/kinds';
import { uploadFile } from '../../channels/transports/uploadFile';
import { itemsOf } from '../../stock/bundles';
import { ledgerOf } from '../../stock/ledger';
import type { Store } from '../../store/store';
import type { Parts } from '../parts';
import { mount, mountDownload } from '../mount';

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
const TYPES = { json: 'application/json', csv: 'text/csv; charset=utf-8', xlsx: XLSX };

export function mountFamilies(app: Express, { store, pool, files, link, pictureAddress }: Parts): void {
  mount(app, api.listFamilies, ({ query }) => listFamilies(store, query));
  mount(app, api.findingCounts, ({ query }) => findingCounts(store, query.account));
  mount(app, api.saidElsewhere, ({ params, body }) => files.saidElsewhere(params.id, body.sentences));
  mount(app, api.bundleItems, ({ params }) => {
    const child = loadFamily(store.database, params.id).children[params.childId];
    if (!child) throw new Refusal('child.unknown', {});
    return itemsOf(store.database, partsOf(child));
  });
  mount(app, api.stockLedger, ({ params }) => {
    if (!loadFamily(store.database, params.id).children[params.childId]) throw new Refusal('child.unknown', {});
    return ledgerOf(store.database, params.id, params.childId);
  });
  mount(app, api.likeFamilies, ({ query }) => likeFamilies(store.database, query));
  mount(app, api.usualFigures, ({ query }) => usualFigures(store.database, query.category, query.except));
  mountDownload(app, api.family, async ({ params: { id } }, response) => {
    const isLarge = areLarge(store.database, [id]);
    response
      .type('json')
      .send(isLarge ? Buffer.from(await files.detail(id)) : JSON.stringify(familyDetail(store.database, id)));
  });
  mount(app, api.tryConditions, ({ body }) => tryConditions(store, body.sets));
  mount(app, api.wordsInUse, ({ params }) => wordsInUse(store, params.id));
  mountDownload(app, api.familySheet, async ({ params: { id, kind: asked } }, response) => {
    const kind = FAMILY_FILES.find((one) => one === asked);
    if (!kind) throw new Refusal('file.unknown', {});
    response.attachment(`${fileNameFor(store, id)}.${kind}`).type(TYPES[kind]);
    response.send(Buffer.from(await files.writeFamily(id, kind)));
  });
  mount(app, api.skuPreview, ({ params, body }) => skuPreview(store, params.id, body.pattern, body.childIds));
  mountDownload(app, api.labels, async ({ params: { id }, body }, response) => {
    const pdf = await files.writeLabels(id, LabelOrderSchema.parse(body));
    response
      .attachment(`${fileNameFor(store, id)}-labels.pdf`)
      .type('application/pdf')
      .send(Buffer.from(pdf));
  });
  mountDownload(app, api.uploadSheet, async ({ params }, response) => {
    const account = accountOf(store.catalogue(), params.account);
    const rulebook = rulebookOf(store.catalogue(), account);
    if (!rulebook) throw new Refusal('channel.unknown', {});
    const { lines } = await composeLines(store, pool, link, {
      familyIds: [params.id],
      accounts: [account.id],
      draft: false,
    });
    const messages = withAddresses(
      lines.flatMap((line) => line.message ?? []),
      pictureAddress,
    );
    if (messages.length === 0) throw nothingToUpload(account.name, lines);
    const { bytes, extension } = await uploadFile(messages, rulebook.rulebook);
    response.attachment(`${fileNameFor(store, params.id)}-${account.id}.${extension}`);
    response.type(TYPES[extension]).send(bytes);
  });
}

/** Why there is no sheet: what holds the lines back, or that nothing differs. */
function nothingToUpload(label: string, lines: readonly ComposedLine[]): Refusal {
  const reasons = lines.flatMap((line) => (line.state === 'held' ? line.reasons.map((reason) => reason.text) : []));
  return reasons.length > 0
    ? new Refusal('upload.held', { label, count: reasons.length, first: reasons[0]! }, { detail: reasons })
    : new Refusal('upload.nothing', { label });
}

const fileNameFor = (store: Store, id: string) =>
  String(loadFamily(store.database, id).fields.styleCode || id).replace(/[^\w-]+/g, '-');
