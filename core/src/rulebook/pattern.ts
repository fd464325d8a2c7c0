/** Patterns of rulebooks, run by an engine whose time grows with the text and never runs away (RE2). */
import { RE2JS } from 're2js';

/** A test of a whole text against a pattern. */
export type PatternTest = (text: string) => boolean;

export type PatternCompiler = (pattern: string) => { ok: true; test: PatternTest } | { ok: false; why: string };

/** Compiles a pattern. What RE2 does not have (back references, looking around) cannot be run. */
export const compilePattern: PatternCompiler = (pattern) => {
  try {
    const compiled = RE2JS.compile(pattern);
    return { ok: true, test: (text) => compiled.matches(text) };
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : 'it has a fault' };
  }
};
