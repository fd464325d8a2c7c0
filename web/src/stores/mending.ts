/** Mending findings of the open family: by remedies that are changes, and by asking a channel. */
import type { Command } from '@loom-kin/core/change';
import type { Family } from '@loom-kin/core/family';
import { type Finding, type Mend, type Remedy, addRemedy, emptyMend, mendAll } from '@loom-kin/core/fit';
import { mendCommand, mendSteps, type StepInput } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useSetup } from './setup';

export interface MendingContext {
  family(): Family | null;
  /** A gesture that only the server can do. */
  ask(steps: (now: Family) => StepInput[], title?: string): Promise<boolean>;
  /** A command that is run here and sent. */
  run(command: Command): boolean;
}

export function createMending({ family, ask, run }: MendingContext) {
  const setup = useSetup();

  async function makeMend(mend: Mend, count: number): Promise<void> {
    const title = count === 1 ? undefined : `Mend ${count} findings`;
    const said = title ?? 'Mend a finding';
    const command = mendCommand(mend, said);
    const asks = mend.pairings.length + mend.categories.length + mend.facts.length;
    // What is the family's alone is shown at once.
    if (asks + mend.numbersFor.length + mend.skusFor.length > 0) await ask((now) => mendSteps(now, mend, said), title);
    else if (command) run(command);
  }

  /** The channel is asked to let the account in; its answer comes when it comes. */
  async function askToBeLetIn({ account, category }: Remedy & { kind: 'approval' }): Promise<void> {
    try {
      await call(api.askApproval, { params: { id: account }, body: { category } });
      await setup.reload();
      say(`${setup.accountName(account)} has been asked.`);
    } catch (error) {
      tell(error);
    }
  }

  /** The channel of an account is asked which of the family's numbers it has entries for. What it says is shown when it is heard of. */
  async function askEntries(account: string): Promise<void> {
    const now = family();
    if (!now) return;
    try {
      await call(api.askEntries, { params: { id: account }, body: { familyId: now.id } });
      say(`${setup.accountName(account)} has been asked.`);
    } catch (error) {
      tell(error);
    }
  }

  return {
    askEntries,
    /** Applies the remedies of findings together: one change and one undo, whatever their number. */
    mend: (findings: readonly Finding[]) => makeMend(mendAll(findings), findings.length),
    /** Applies one remedy the seller chose. */
    apply(remedy: Remedy): Promise<void> {
      if (remedy.kind === 'approval') return askToBeLetIn(remedy);
      if (remedy.kind === 'askEntries') return askEntries(remedy.account);
      const mend = emptyMend();
      addRemedy(mend, remedy);
      return makeMend(mend, 1);
    },
  };
}
