/** Language tags against the examples of RFC 5646, Appendix A (from memory), and against a library that reads them. */
import { parse } from 'bcp-47';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isLanguageTag } from '../src/registry/shape';
import { languageName } from '../src/text/languageName';

describe('a language tag', () => {
  it.each([
    ...['de', 'fr', 'ja', 'zh-Hant', 'zh-Hans', 'sr-Cyrl', 'yue-HK', 'cmn-Hans-CN', 'sr-Latn-RS', 'sl-rozaj'],
    ...['sl-nedis', 'de-CH-1901', 'sl-IT-nedis', 'hy-Latn-IT-arevela', 'de-DE', 'en-US', 'es-419', 'de-CH-x-phonebk'],
    ...['az-Arab-x-AZE-derbend', 'en-US-u-islamcal', 'zh-CN-a-myext-x-private', 'en-a-myext-b-another'],
  ])('is one: %s', (tag) => {
    expect(isLanguageTag(tag)).toBe(true);
    expect(parse(tag).language).not.toBeNull();
  });
  it('that names a language below another is written by its own tag, as Unicode writes it', () => {
    expect([isLanguageTag('zh-yue-HK'), isLanguageTag('yue-HK')]).toEqual([false, true]);
  });
  it.each(['de-419-DE', 'a-DE', 'ar-a-aaa-b-bbb-a-ccc', 'e', 'english language', 'de_AT', '', '-de', 'de-', 'de--AT'])(
    'is none: %s',
    (tag) => {
      expect(isLanguageTag(tag)).toBe(false);
    },
  );
  it('of language, script and region is read alike by the library, however its letters are written', () => {
    const letters = (least: number, most: number) => fc.stringMatching(new RegExp(`^[a-zA-Z]{${least},${most}}$`));
    const region = fc.oneof(letters(2, 2), fc.stringMatching(/^\d{3}$/));
    const part = fc.option(letters(4, 4), { nil: null });
    fc.assert(
      fc.property(letters(2, 3), part, fc.option(region, { nil: null }), (language, script, where) => {
        const tag = [language, script, where].filter((one) => one !== null).join('-');
        expect(isLanguageTag(tag)).toBe(parse(tag).language !== null);
      }),
    );
  });
  it('has a name, where it is known', () => {
    expect([languageName('de'), languageName('pt-BR'), languageName('qqq')]).toEqual([
      'German',
      'Brazilian Portuguese',
      'qqq',
    ]);
  });
});
