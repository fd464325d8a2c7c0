/** Choices of a trade in names ("Whole bean", "Ground"): words that are options only where the same goods have others of the same choice. */
import type { OptionRead } from '../options/shape';
import type { Token } from '../options/tokens';
import { tradeChoiceAt } from '../options/tradeChoices';
import { isWordLeft } from '../options/wordsLeft';
import { codeKey } from './codeKey';
import { cutSpan } from './cutSpan';
import { put } from '../filing';
import type { Item } from './shape';

/** Takes words for choices where no other option has them, or only a part of them, and no word of the name follows. */
export function withChoices(spans: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  let all = spans;
  for (let at = 0; at < tokens.length; at++) {
    const found = tokens[at]!.kind === 'sign' ? null : tradeChoiceAt(tokens, at);
    if (!found) continue;
    const { to, choices } = found;
    const over = all.filter((span) => span.from < to && span.to > at);
    if (over.some((span) => span.from < at || span.to > to || span.to - span.from === to - at)) continue;
    const [key] = choices.values();
    all = [
      ...all.filter((span) => !over.includes(span)),
      { from: at, to, roles: ['other'], key: key!, isWeak: true, choices },
    ];
    at = to - 1;
  }
  if (all === spans) return spans;
  const inOrder = all.toSorted((a, b) => a.from - b.from);
  return inOrder.filter(({ choices, from, to }) => !choices || from === 0 || !isWordLeft(inOrder, tokens, to));
}

/** Settles such words of one stem: they are options of the choice that most rows have several values of, the others go back into the name. */
export function settleChoices(items: readonly Item[]): void {
  if (!items.some(({ spans }) => spans.some(isOpen))) return;
  for (let choice = choiceOf(items); choice !== null; choice = choiceOf(items)) takeChoice(items, choice);
  for (const item of items) if (item.spans.some(isOpen)) item.spans = item.spans.filter((span) => !isOpen(span));
}

const isOpen = ({ choices, axis }: OptionRead): boolean => choices !== undefined && axis === undefined;

/** The choice of which the rows have several values, most of them; null where there is none. */
function choiceOf(items: readonly Item[]): string | null {
  const values = new Map<string, Set<string>>();
  const rows = new Map<string, number>();
  const open = new Set<string>();
  for (const item of items) {
    const own = new Set<string>();
    for (const span of item.spans)
      for (const [choice, key] of valueIn(item, span)?.choices ?? []) {
        put(values, choice, key);
        own.add(choice);
        if (span.choices) open.add(choice);
      }
    for (const choice of own) rows.set(choice, (rows.get(choice) ?? 0) + 1);
  }
  const found = [...open].filter((choice) => values.get(choice)!.size > 1 && !partedByStyle(items, choice));
  return found.sort((a, b) => rows.get(b)! - rows.get(a)!)[0] ?? null;
}

/**
 * The values that a span may be: "Satin" may be what paint is like and "Medium" how firm a pillow is, whatever they are else;
 * "Medium black" may be the medium point of a pen that writes black.
 */
function valueIn({ tokens }: Item, span: OptionRead): ReturnType<typeof tradeChoiceAt> {
  if (span.axis !== undefined) return null;
  if (span.choices) return { to: span.to, choices: span.choices };
  const found = tradeChoiceAt(tokens, span.from);
  if (!found || found.to > span.to) return null;
  return found.to === span.to || span.roles[0] === 'colour' ? found : null;
}

/** Whether style codes, each of several rows, hold the values apart. */
function partedByStyle(items: readonly Item[], choice: string): boolean {
  const byStyle = new Map<string, Set<string>>();
  for (const item of items) {
    const value = item.spans.map((span) => valueIn(item, span)?.choices.get(choice)).find((key) => key !== undefined);
    put(byStyle, codeKey(item.style), value ?? '');
  }
  if (byStyle.has('') || byStyle.size < 2 || byStyle.size === items.length) return false;
  return [...byStyle.values()].every((values) => values.size === 1);
}

/** What all names say is a word of theirs: "Soft Cloud Mattress Firm" is firm. */
function saidByAll(items: readonly Item[], choice: string): ReadonlySet<string> {
  const keysOf = (item: Item) => item.spans.flatMap((span) => valueIn(item, span)?.choices.get(choice) ?? []);
  const [first, ...others] = items.map(keysOf);
  return new Set(first!.filter((key) => others.every((keys) => keys.includes(key))));
}

function takeChoice(items: readonly Item[], choice: string): void {
  const inAll = saidByAll(items, choice);
  for (const item of items) {
    const at = item.spans.findIndex((span) => {
      const key = valueIn(item, span)?.choices.get(choice);
      return key !== undefined && !inAll.has(key);
    });
    if (at < 0) continue;
    const span = item.spans[at]!;
    const { to, choices } = valueIn(item, span)!;
    const value: OptionRead = {
      from: span.from,
      to,
      key: choices.get(choice)!,
      axis: choice,
      roles: ['other'],
      isWeak: false,
    };
    const rest = to < span.to ? [cutSpan(item, span, to, span.to)] : [];
    item.spans = item.spans.toSpliced(at, 1, value, ...rest);
  }
}
