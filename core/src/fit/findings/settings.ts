/** Findings about what the seller has not set up for the account yet. */
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { makeFinding } from './report';

export function settingFindings(context: CheckContext): Finding[] {
  const { account, category } = context;
  return category.rules.settings
    .filter((setting) => !account.settings.answers[setting.key])
    .map((setting) =>
      makeFinding(context, {
        code: 'setting.missing',
        params: { account: account.name, setting: setting.label },
        ...{ severity: 'stops', key: 'setting', about: setting.key, rule: 'settings' },
      }),
    );
}
