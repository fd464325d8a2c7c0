/** What would mend a kind of finding in families: worked out from their fits as they are now. */
import { remedyText } from '@loom-kin/core/descriptions';
import { EVERYWHERE, type Family, placeKey } from '@loom-kin/core/family';
import { type Finding, isReady, mendAll, readyRemedy } from '@loom-kin/core/fit';
import { mendSteps, type FigureAsked, type Remedies, type Step } from '@loom-kin/contract';
import { accountOf, type Catalogue } from '../store/readCatalogue';
import { loadFamily } from '../store/loadFamily';
import type { Database } from '../store/database';
import { fitOn, worldOf } from './compute';

export interface Kind {
  account: string;
  code: string;
  key: string;
}

export function remediesOf(
  database: Database,
  catalogue: Catalogue,
  familyIds: readonly string[],
  { account: accountId, code, key }: Kind,
): Remedies {
  const account = accountOf(catalogue, accountId);
  const remedies: Remedies = { families: [], unready: [] };
  for (const familyId of familyIds) {
    const family = loadFamily(database, familyId);
    const name = String(family.fields.name ?? '');
    const { findings } = fitOn(catalogue, worldOf(database, catalogue, family), account).fit;
    const alike = findings.filter((finding) => finding.code === code && finding.key === key);
    const ready = alike.filter((finding) => finding.remedies.some(isReady));
    const left = alike.filter((finding) => !ready.includes(finding));
    if (left.length > 0 || alike.length === 0)
      remedies.unready.push({ familyId, name, asks: askedBy(catalogue, family, left) });
    if (ready.length === 0) continue;
    const steps = mendSteps(family, mendAll(ready), `Mend ${ready.length} findings`) as Step[];
    remedies.families.push({ familyId, name, texts: textsOf(ready), steps });
  }
  return remedies;
}

/** No two families, or children, say the same. Pieces are counted child by child. */
const OWN = new Set(['name', 'sku', 'gtin', 'styleCode']);

/** The one figure that findings ask for: at each of their places, in one scope. Null where they ask for more, or for something else. */
function askedBy({ registry }: Catalogue, { revision }: Family, findings: readonly Finding[]): FigureAsked | null {
  const typed = findings.flatMap(({ remedies, scope }) =>
    remedies.flatMap((remedy) => (remedy.kind === 'figure' ? [{ ...remedy, scope }] : [])),
  );
  const [first] = typed;
  const isOne = typed.every(({ key, scope }) => key === first!.key && scope === first!.scope);
  const type = first && registry.field(first.key)?.type;
  if (!type || !isOne || type === 'stock' || OWN.has(first.key)) return null;
  const places = [...new Map(typed.flatMap((one) => one.places).map((place) => [placeKey(place), place])).values()];
  return { revision, key: first.key, places, ...(first.scope === EVERYWHERE ? {} : { scope: first.scope }) };
}

const textsOf = (findings: readonly Finding[]): string[] => [...new Set(findings.map(textOf))];

/** In a list a pairing has to say of what it is. */
function textOf(finding: Finding): string {
  const remedy = readyRemedy(finding)!;
  if (remedy.kind !== 'pairing') return remedyText(remedy);
  return `${'value' in finding.params ? finding.params.value : remedy.pairing.value} ↔ ${remedy.pairing.to}`;
}
