/** What would mend a kind of finding in families: worked out from their fits as they are now. */
import { isReady, mendAll, readyRemedy, remedyText, type Finding } from '@loom-kin/core';
import { mendSteps, type Remedies, type Step } from '@loom-kin/contract';
import { accountOf, type Catalogue } from '../catalogue/readCatalogue';
import { loadFamily } from '../families/load';
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
    if (ready.length < alike.length || alike.length === 0) remedies.unready.push({ familyId, name });
    if (ready.length === 0) continue;
    const steps = mendSteps(family, mendAll(ready), `Mend ${ready.length} findings`) as Step[];
    remedies.families.push({ familyId, name, texts: textsOf(ready), steps });
  }
  return remedies;
}

const textsOf = (findings: readonly Finding[]): string[] => [...new Set(findings.map(textOf))];

/** In a list a pairing has to say of what it is. */
function textOf(finding: Finding): string {
  const remedy = readyRemedy(finding)!;
  if (remedy.kind !== 'pairing') return remedyText(remedy);
  return `${'value' in finding.params ? finding.params.value : remedy.pairing.value} ↔ ${remedy.pairing.to}`;
}
