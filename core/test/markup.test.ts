/** Texts with form: clean whatever they were, and the same words with and without tags. */
import fc from 'fast-check';
import sanitizeHtml from 'sanitize-html';
import { describe, expect, it } from 'vitest';
import { wordingHintText } from '../src/descriptions/wordingHints';
import { wordingHints } from '../src/wording/hints';
import { cleanMarkup, isMarkup, markupOf, plainText } from '../src/wording/markup';
import { nameLikeness } from '../src/wording/nameLikeness';
import { sentencesOf } from '../src/wording/sentences';

const ALLOWED = ['p', 'h3', 'h4', 'ul', 'ol', 'li', 'br', 'strong', 'em'];
/** What is left of a text by another library with the same tags and no attribute. */
const byLibrary = (html: string) => sanitizeHtml(html, { allowedTags: ALLOWED, allowedAttributes: {} });
const plainBreaks = (html: string) => html.replaceAll('<br />', '<br>');

/** Of the Cheat Sheet on XSS filter evasion of OWASP, from memory. */
const ATTACKS = [
  '<SCRIPT SRC=https://x.example/xss.js></SCRIPT>',
  '<IMG SRC="javascript:alert(\'XSS\');">',
  '<IMG SRC=JaVaScRiPt:alert(&quot;XSS&quot;)>',
  '<IMG """><SCRIPT>alert("XSS")</SCRIPT>"\\>',
  '<IMG SRC=/ onerror="alert(String.fromCharCode(88,83,83))"></img>',
  '<a onmouseover="alert(document.cookie)">xxs link</a>',
  '<IMG SRC=&#106;&#97;&#118;&#97;&#115;&#99;&#114;&#105;&#112;&#116;&#58;&#97;&#108;&#101;&#114;&#116;(1)>',
  '<SCRIPT/XSS SRC="https://x.example/xss.js"></SCRIPT>',
  '<BODY onload!#$%&()*~+-_.,:;?@[/|\\]^`=alert("XSS")>',
  '<<SCRIPT>alert("XSS");//\\<</SCRIPT>',
  '<SCRIPT SRC=https://x.example/xss.js?< B >',
  '<iframe src=https://x.example/scriptlet.html <',
  '</TITLE><SCRIPT>alert("XSS");</SCRIPT>',
  '<INPUT TYPE="IMAGE" SRC="javascript:alert(\'XSS\');">',
  '<BODY BACKGROUND="javascript:alert(\'XSS\')">',
  "<svg/onload=alert('XSS')>",
  '<LINK REL="stylesheet" HREF="javascript:alert(\'XSS\');">',
  "<STYLE>@import'https://x.example/xss.css';</STYLE>",
  '<META HTTP-EQUIV="refresh" CONTENT="0;url=javascript:alert(\'XSS\');">',
  '<TABLE><TD BACKGROUND="javascript:alert(\'XSS\')">',
  '<DIV STYLE="background-image: url(javascript:alert(\'XSS\'))">x</DIV>',
  '<BASE HREF="javascript:alert(\'XSS\');//">',
  '<OBJECT TYPE="text/x-scriptlet" DATA="https://x.example/scriptlet.html"></OBJECT>',
  "<!--[if gte IE 4]><SCRIPT>alert('XSS');</SCRIPT><![endif]-->",
  '<p><b onclick=alert(1)>bold</b></p>',
  '<math><mtext></p><img src=x onerror=alert(1)></mtext></math>',
  '<noscript><p title="</noscript><img src=x onerror=alert(1)>"></noscript>',
  '<textarea><p></textarea><img src=x onerror=alert(1)>',
  '&lt;script&gt;alert(1)&lt;/script&gt;',
];

describe('a text with form', () => {
  it.each(ATTACKS)('holds nothing of %s', (attack) => {
    for (const html of [attack, `<p>before</p>${attack}<p>after</p>`, `<p>in ${attack} side</p>`]) {
      const clean = cleanMarkup(html);
      for (const [, tag, rest] of clean.matchAll(/<\/?([a-z0-9]+)([^>]*)>/gi)) {
        expect(ALLOWED).toContain(tag);
        expect(rest).toBe('');
      }
      expect(plainBreaks(byLibrary(clean))).toBe(clean);
    }
  });
  it('keeps what it may have and closes what was left open', () => {
    expect(cleanMarkup('<div class="x">One<br/>two <b>three</div><h1>Four</h1><ul><li>five<li>six</ul>seven')).toBe(
      '<p>One<br>two <strong>three</strong></p><h3>Four</h3><ul><li>five</li><li>six</li></ul><p>seven</p>',
    );
    expect(cleanMarkup('<p> </p><p><em></em></p>')).toBe('');
    expect(cleanMarkup('<ul><li><p>one</p><p>two</p></li></ul>')).toBe('<ul><li>one<br>two</li></ul>');
  });
  it('stays as it is when it is cleaned again, and another library finds nothing to take out', () => {
    const tag = fc.constantFrom(...ALLOWED, 'div', 'script', 'a href="https://x.example"', 'span', 'table', 'B', 'H2');
    const piece = fc.oneof(
      tag.map((one) => `<${one}>`),
      tag.map((one) => `</${one.split(' ')[0]!}>`),
      fc.string({ maxLength: 8 }),
      fc.constantFrom('&amp;', '&lt;', '<', '>', '"', '<!--', '-->', '&#60;', '\n'),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
        const clean = cleanMarkup(pieces.join(''));
        expect(cleanMarkup(clean)).toBe(clean);
        expect(plainBreaks(byLibrary(clean))).toBe(clean);
      }),
      { numRuns: 2000 },
    );
  });
  it('says the same words without it', () => {
    const html =
      '<p>Waxed cotton, <strong>made</strong> to last.</p><ul><li>Hood</li><li>Two pockets</li></ul><p>For a &lt; b.</p>';
    expect(plainText(html)).toBe('Waxed cotton, made to last.\n\n• Hood\n• Two pockets\n\nFor a < b.');
    expect(plainText('<ol><li>one</li><li>two</li></ol>')).toBe('1. one\n2. two');
    expect([isMarkup('a < b and <p>'), isMarkup(' <p>x</p>')]).toEqual([false, true]);
    expect(plainText('a < b\n\nc')).toBe('a < b\n\nc');
  });
  it('is made of plain paragraphs and goes back to them', () => {
    const words = fc.stringMatching(/^[a-z<&>]{1,8}( [a-z<&>]{1,8}){0,3}$/);
    fc.assert(
      fc.property(fc.array(words, { minLength: 1, maxLength: 4 }), (paragraphs) => {
        const text = paragraphs.join('\n\n');
        fc.pre(!isMarkup(text));
        expect(plainText(markupOf(text))).toBe(text);
      }),
    );
  });
});

describe('what is said of a text while it is typed', () => {
  const hints = (text: string, isName = false) =>
    wordingHints(text, { isName, labels: ['Rust', 'XL'] }).map((one) => one.code);
  it.each<[string, boolean, string[]]>([
    ['Storm jacket in waxed cotton', true, []],
    ['Storm jacket Rust XL', true, ['option-values']],
    ['A jacket the colour of Rust', false, []],
    ['AMAZING storm jacket', false, ['shouting']],
    ['NEW AND HOT now', false, ['shouting']],
    ['With a UV filter for the EU', false, []],
    ['See www.skerry.example', false, ['link']],
    ['The best quality at a great price', false, ['empty-praise']],
  ])('of "%s"', (text, isName, codes) => {
    expect(hints(text, isName)).toEqual(codes);
  });
  it('is a whole sentence', () => {
    for (const text of ['AMAZING Rust www.x.example best price'])
      for (const hint of wordingHints(text, { isName: true, labels: ['Rust'] }))
        expect(wordingHintText(hint)).toMatch(/^["\p{Lu}].*\.$/u);
  });
});

describe('sentences', () => {
  it('are what has five words at least, whatever form the text has', () => {
    expect(sentencesOf('<p>Made for many long years. Warm!</p><ul><li>A hood that turns along</li></ul>')).toEqual([
      'Made for many long years',
      'A hood that turns along',
    ]);
    expect(sentencesOf('Short text\nOne two three four five six')).toEqual(['One two three four five six']);
  });
});

describe('names', () => {
  it('are alike with words in another order and a letter less, and not where only the kind of goods is the same', () => {
    const like = nameLikeness('Skerry storm jacket, waxed');
    expect(like('Waxed Skerry storm jaket')).toBeGreaterThan(0.85);
    expect(like('skerry STORM Jacket (waxed)')).toBe(1);
    expect(like('Skerry deck smock')).toBeLessThan(0.6);
    expect(like('')).toBeLessThan(0.1);
  });
});
