/** Texts of a workbook that its cells point at. */
import { eachTag, type Part } from './eachTag';
import { unescaped } from './escapes';

/**
 * The shared texts in their order, without formats. How they are spoken is left out (ISO/IEC 29500-1, 18.4.6,
 * phonetic runs).
 */
export async function readSharedTexts(part: Part | null): Promise<string[]> {
  const texts: string[] = [];
  if (!part) return texts;
  const piece = textPieces();
  await eachTag(part, {
    open: piece.open,
    text: piece.text,
    close: (name) => {
      piece.close(name);
      if (name === 'si') texts.push(unescaped(piece.taken()));
    },
  });
  return texts;
}

/** Gathers what stands in the `t` of a text, be it one or a run for each format. */
export function textPieces() {
  let gathered = '';
  let isInText = false;
  let isSpoken = false;
  return {
    open(name: string): void {
      if (name === 't') isInText = !isSpoken;
      else if (name === 'rPh') isSpoken = true;
    },
    text(text: string): void {
      if (isInText) gathered += text;
    },
    close(name: string): void {
      if (name === 't') isInText = false;
      else if (name === 'rPh') isSpoken = false;
    },
    /** What was gathered since this was called last. */
    taken(): string {
      const whole = gathered;
      gathered = '';
      return whole;
    },
  };
}
