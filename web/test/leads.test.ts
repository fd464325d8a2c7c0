/** No finding leads nowhere: for every code the page it leads to has the very field, at that place and in that scope. */
import { describe, expect, it } from 'vitest';
import type { FindingCode } from '@loom-kin/core/words';
import { EVERY_FINDING } from '../../core/test/everyFinding';
import { registry } from '../../core/test/sample';
import { isOnWordsPage, leadsTo } from '../src/common/leadsTo';
import { mayHold } from '../src/common/scopes';

const CATEGORY = 'outerwear/jackets';
/** Elements that are no field's. Each is looked for in the running application as well (`e2e/browser/findings.test.ts`). */
const PARTS =
  /^(account-(answers|rules|categories|routes|money|stock)|rates|tax-codes|pairings|entries|plans|facts|children-grid|tray-.+)$/;

describe.each(Object.keys(EVERY_FINDING) as FindingCode[])('%s', (code) => {
  const finding = EVERY_FINDING[code]().findings.find((one) => one.code === code)!;
  it('leads to a field that is edited there, or to a part of the page', () => {
    const { page, focus, selected } = leadsTo(registry, finding);
    const fieldKey = /^[wi]-(.+)$/.exec(focus[0]!)?.[1];
    if (fieldKey === undefined) return expect(focus[0]).toMatch(PARTS);
    const level = page === 'words' ? 'family' : selected.level;
    const field = registry.fieldsAt(level, CATEGORY).find((one) => one.key === fieldKey);
    expect(field && isOnWordsPage(field, selected)).toBe(page === 'words');
    expect(field && mayHold(field, finding.scope)).toBe(true);
  });
});
