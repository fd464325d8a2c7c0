/** Findings about what the seller has not set up for the account yet, or has not been let into. */
import Big from 'big.js';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { makeFinding } from './report';

export function settingFindings(context: CheckContext): Finding[] {
  return [...unanswered(context), ...notLetIn(context)];
}

function unanswered(context: CheckContext): Finding[] {
  const { account, category } = context;
  return category.rules.settings
    .filter((setting) => !isAnswered(setting, account.settings.answers[setting.key]))
    .map((setting) =>
      makeFinding(context, {
        code: 'setting.missing',
        params: { account: account.name, setting: setting.label },
        severity: 'stops',
        key: 'setting',
        about: setting.key,
        rule: 'settings',
      }),
    );
}

type Setting = CheckContext['category']['rules']['settings'][number];

/** Whether an answer is one: an amount within what the channel takes, where an amount is asked for. */
export function isAnswered({ kind, most, multipleOf }: Setting, answer: string | undefined): boolean {
  if (!answer || kind === 'choice') return Boolean(answer);
  if (!/^\d+(\.\d+)?$/.test(answer)) return false;
  const amount = new Big(answer);
  return (most === undefined || amount.lte(most)) && (multipleOf === undefined || amount.mod(multipleOf).eq(0));
}

const APPROVAL_CODE = { waiting: 'approval.waiting', refused: 'approval.refused' } as const;

/** Categories that the channel has to let the seller into. */
function notLetIn(context: CheckContext): Finding[] {
  const { account, category } = context;
  const stands = account.settings.approvals?.[category.id];
  if (!category.rules.approval.needed || stands === 'granted') return [];
  const code = stands ? APPROVAL_CODE[stands] : 'approval.needed';
  return [
    makeFinding(context, {
      code,
      params: { account: account.name, category: category.label },
      ...{ severity: 'stops', key: 'setting', about: `approval ${category.id}`, rule: 'approval.needed' },
      remedies: stands === 'waiting' ? [] : [{ kind: 'approval', account: account.id, category: category.id }],
    }),
  ];
}
