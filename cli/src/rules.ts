/** `loomkin rules`: a rulebook checked, and said in sentences. */
import { ruleSections } from '@loom-kin/core/descriptions';
import { BadInput, categoryOf, checkRulebook, openForChecks, readArgs, readJson, readRegistry } from './input';
import { give, giveText } from './output';

const OPTIONS = { category: { type: 'string' }, registry: { type: 'string' }, json: { type: 'boolean' } } as const;

export function rulesCommand(args: readonly string[]): number {
  const { values, positionals } = readArgs(args, OPTIONS);
  const [path] = positionals;
  if (path === undefined) throw new BadInput('Name a rulebook: loomkin rules R.json');
  const registry = readRegistry(values.registry);
  const rulebook = checkRulebook(path, readJson(path), registry);
  const category = values.category === undefined ? null : categoryOf(rulebook, values.category);
  const rules = category === null ? rulebook.rules : openForChecks(rulebook, registry).category(category)!.rules;
  const sections = ruleSections(rules);
  if (values.json) {
    give({ channel: rulebook.channel, version: rulebook.version, category, sections });
    return 0;
  }
  const lines = sections.flatMap(({ title, sentences }) => ['', title, ...sentences.map((one) => `  ${one}`)]);
  const categories = rulebook.categories.map((one) => one.label).join(', ');
  giveText(
    [`${rulebook.name}, version ${rulebook.version}`, rulebook.about, `Categories: ${categories}.`, ...lines].join(
      '\n',
    ),
  );
  return 0;
}
