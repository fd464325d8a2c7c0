/** What options leave of a name. */
import type { OptionRead } from './shape';
import type { Token } from './tokens';

/** Whether a word stands at a place that no option takes. */
export const isWordLeft = (options: readonly OptionRead[], tokens: readonly Token[], at: number): boolean =>
  tokens[at]?.kind === 'word' && !options.some(({ from, to }) => at >= from && at < to);
