/** The sentences of a text that say something: what stands in many families word for word is specific to none. */
import { plainText } from './markup';

/** Fewer words are a label, not a sentence. */
const WORDS = 5;
/** So many sentences of a text are looked at. */
const MOST = 40;

/** Sentences of at least five words, without the mark at their end, each once. */
export function sentencesOf(text: string): string[] {
  const parts = plainText(text)
    .split(/(?<=[.!?。])\s+|\n+/u)
    .map((one) =>
      one
        .replace(/^[•\d.\s]+/, '')
        .replace(/[.!?。\s]+$/u, '')
        .trim(),
    )
    .filter((one) => one.split(/\s+/).length >= WORDS);
  return [...new Set(parts)].slice(0, MOST);
}
