/**
 * Long texts with a little form: paragraphs, headings, lists, strong and stressed words. A text may be plain, or hold these and nothing
 * else: whatever comes from outside is read and written anew from what was understood, so that nothing else can be in it.
 */
import { ownOf } from '../text/own';
import { Parser } from 'htmlparser2';

/** Tags that stand in a text, and what others mean. */
const TAGS: Record<string, string> = {
  p: 'p',
  div: 'p',
  section: 'p',
  article: 'p',
  blockquote: 'p',
  address: 'p',
  h1: 'h3',
  h2: 'h3',
  h3: 'h3',
  h4: 'h4',
  h5: 'h4',
  h6: 'h4',
  ul: 'ul',
  ol: 'ol',
  li: 'li',
  br: 'br',
  strong: 'strong',
  b: 'strong',
  em: 'em',
  i: 'em',
};
/** Tags whose content is no text. */
const DROPPED = new Set([
  ...['script', 'style', 'template', 'noscript', 'iframe', 'object', 'embed', 'svg', 'math', 'head', 'title'],
  ...['textarea', 'select', 'xmp', 'noembed', 'noframes', 'plaintext', 'applet', 'audio', 'video', 'canvas'],
]);
const BLOCKS = new Set(['p', 'h3', 'h4', 'ul', 'ol', 'li']);

/** Whether a text is one with form. Plain texts may hold "<" as well. */
export function isMarkup(text: string): boolean {
  return /^\s*<(?:p|div|ul|ol|h[1-6]|blockquote|section|article|table)\b[^>]*>/i.test(text);
}

/**
 * A text with form, clean: known tags without attributes, properly closed; everything else is left out, its words kept.
 * @param html text with tags, from anywhere
 */
export function cleanMarkup(html: string): string {
  const out: string[] = [];
  const open: string[] = [];
  let dropped = 0;
  const close = (tag: string) => {
    while (open.includes(tag)) {
      const last = open.pop()!;
      out.push(`</${last}>`);
      if (last === tag) return;
    }
  };
  const parser = new Parser(
    {
      onopentagname(name) {
        if (DROPPED.has(name)) dropped += 1;
        const tag = ownOf(TAGS, name);
        if (dropped > 0 || !tag) return;
        if (tag === 'br') return void out.push('<br>');
        if (tag === 'li' && !open.includes('ul') && !open.includes('ol')) return;
        // An entry of a list is a paragraph already; a second one in it begins a line.
        if (tag === 'p' && open.includes('li')) {
          if (out.at(-1) !== '<li>') out.push('<br>');
          return;
        }
        // A paragraph or heading ends where the next block begins; an entry of a list where the next entry does.
        if (BLOCKS.has(tag)) for (const one of ['p', 'h3', 'h4']) close(one);
        if (tag === 'li' && open.at(-1) === 'li') close('li');
        open.push(tag);
        out.push(`<${tag}>`);
      },
      onclosetag(name) {
        if (DROPPED.has(name)) dropped = Math.max(0, dropped - 1);
        const tag = ownOf(TAGS, name);
        if (dropped === 0 && tag && tag !== 'br') close(tag);
      },
      ontext(text) {
        if (dropped > 0) return;
        // Words between blocks are a paragraph.
        if (open.length === 0 && text.trim() !== '') {
          open.push('p');
          out.push('<p>');
        }
        if (open.length > 0) out.push(escapeText(text));
      },
    },
    { decodeEntities: true, lowerCaseTags: true },
  );
  parser.end(html);
  while (open.length > 0) out.push(`</${open.pop()!}>`);
  return withoutEmpty(out.join('')).trim();
}

const escapeText = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/** Without blocks and stresses that hold nothing. */
function withoutEmpty(html: string): string {
  const next = html.replace(/<(p|h3|h4|ul|ol|li|strong|em)>(?:\s|<br>)*<\/\1>/g, '');
  return next === html ? html : withoutEmpty(next);
}

/** The words of a text, with or without form: what channels get that take no form, and what is counted there. */
export function plainText(text: string): string {
  if (!isMarkup(text)) return text;
  const lines: string[] = [''];
  const put = (words: string) => (lines[lines.length - 1] += words);
  const lists: { isOrdered: boolean; at: number }[] = [];
  const parser = new Parser(
    {
      onopentagname(name) {
        if (name === 'ul' || name === 'ol') lists.push({ isOrdered: name === 'ol', at: 0 });
        if (name === 'br') lines.push('');
        if (name === 'li') {
          const list = lists.at(-1);
          lines.push(list?.isOrdered ? `${(list.at += 1)}. ` : '• ');
        } else if (BLOCKS.has(name) && lines.at(-1) !== '') lines.push('', '');
      },
      onclosetag(name) {
        if (name === 'ul' || name === 'ol') lists.pop();
        if (name === 'p' || name === 'h3' || name === 'h4' || name === 'ul' || name === 'ol') lines.push('', '');
      },
      ontext: (words) => void put(words.replace(/\s+/g, ' ')),
    },
    { decodeEntities: true },
  );
  parser.end(text);
  return lines
    .map((line) => line.trim())
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();
}

/** Signs written for pages, and tags that say how words look. */
const OF_PAGES = /&(?:#\d+|#x[\da-f]+|[a-z]+\d*);|<\/?(?:b|i|u|em|strong|span|font|small|sup|sub|br|p|div)\b[^<>]*>/i;

/** A line that was written for a page, as it is read there: "Salt & Pepper" for "Salt &amp; Pepper", "Polo" for "<b>Polo</b>". */
export function lineAsRead(text: string): string {
  if (!OF_PAGES.test(text)) return text;
  const words: string[] = [];
  const parser = new Parser({
    ontext: (part) => void words.push(part),
    onopentagname: (name) => void (name === 'br' && words.push(' ')),
  });
  parser.end(text);
  return words.join('').replace(/\s+/g, ' ').trim();
}

/** The letters of a text alone, without what parts its blocks: what is counted where a text may have form. */
export function lettersOf(text: string): string {
  if (!isMarkup(text)) return text;
  const words: string[] = [];
  const parser = new Parser({ ontext: (part) => void words.push(part) }, { decodeEntities: true });
  parser.end(text);
  return words.join('');
}

/** A plain text with form: its paragraphs. */
export function markupOf(text: string): string {
  if (isMarkup(text)) return text;
  return text
    .split(/\n{2,}/)
    .filter((one) => one.trim() !== '')
    .map((one) => `<p>${escapeText(one.trim()).replaceAll('\n', '<br>')}</p>`)
    .join('');
}
