/** Mending findings by their remedies: one, or many alike together. */
import type { Finding } from './finding';
import { addRemedy, emptyMend, isReady, type Mend, type Remedy } from './remedy';

/** The first remedy that needs no answer, or undefined. */
export const readyRemedy = (finding: Finding): Remedy | undefined => finding.remedies.find(isReady);

/** What mends all these findings at once. Wishes for one account are put together, so that none overwrites another. */
export function mendAll(findings: readonly Finding[]): Mend {
  const mend = emptyMend();
  for (const finding of findings) {
    const remedy = readyRemedy(finding);
    if (remedy) addRemedy(mend, remedy);
  }
  return mend;
}

/** Findings of the same code, which one remedy can mend together. */
export function alike(findings: readonly Finding[], one: Finding): Finding[] {
  const kind = readyRemedy(one)?.kind;
  return findings.filter(
    (finding) => finding.code === one.code && finding.key === one.key && readyRemedy(finding)?.kind === kind,
  );
}
