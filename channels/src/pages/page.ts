/** The buyer's page of a listing: choosing an option changes picture, price and stock. */
import { ownOf } from '../own';
import type { Held } from '../shelves';
import { PictureDesk } from '../look';
import { productGroup } from './data';
import { isMarkup, strangeTag } from '../markup';
import { onlyWith, type WhereSold } from './together';
import { sentText, titleOf } from './words';

const escape = (text: unknown) =>
  String(text ?? '').replace(
    /[&<>"']/g,
    (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[mark]!,
  );
/** JSON that cannot end the script element it stands in. */
const inScript = (data: unknown) => JSON.stringify(data).replaceAll('<', '\\u003c');

const STYLE = `
body{margin:0;font:15px/1.5 system-ui,sans-serif;color:#1d1d1b;background:var(--ground)}
header{background:var(--band);color:#fff;padding:12px 32px;font-weight:600;letter-spacing:.02em}
main{display:grid;grid-template-columns:minmax(0,560px) minmax(0,1fr);gap:40px;max-width:1160px;margin:28px auto;padding:0 32px}
img.large{width:100%;aspect-ratio:1;object-fit:contain;background:#fff;border:1px solid #0002}
.row{display:flex;gap:6px;margin-top:8px;flex-wrap:wrap}.row img{width:64px;height:64px;object-fit:contain;background:#fff;border:1px solid #0002;cursor:pointer}
h1{font-size:24px;margin:0 0 4px}.brand{color:#555}.price{font-size:24px;margin:16px 0}.price s{font-size:16px;color:#777;margin-left:8px}
fieldset{border:0;padding:0;margin:0 0 14px}legend{font-weight:600;margin-bottom:6px}
button.option{border:1px solid #0004;background:#fff;padding:7px 12px;margin:0 6px 6px 0;font:inherit;cursor:pointer}
button.option[aria-pressed=true]{outline:2px solid var(--band);outline-offset:-1px}button.option.none{color:#999;border-style:dashed}
.stock{margin:8px 0 18px}.sku{font:13px ui-monospace,monospace;color:#555}.draft{background:#fff3c4;padding:8px 32px}ul{padding-left:18px}.text{white-space:pre-line;margin-top:18px}`;

const LOOKS: Record<string, [string, string]> = {
  quayside: ['#0d4f5c', '#f4f7f7'],
  fernpost: ['#57633a', '#faf8f1'],
  'own-shop': ['#24323a', '#ffffff'],
  'tallow-gate': ['#6b3d20', '#fbf6ee'],
  'norang-hall': ['#8a6d00', '#fffdf2'],
  palmway: ['#1f6b4a', '#f3faf5'],
  loftline: ['#5b2a4f', '#fbf7fa'],
};

/** Runs in the buyer's browser. Plain, since it is the channel's and not the product's. */
const SCRIPT = `
const goods = JSON.parse(document.getElementById('goods').textContent);
const chosen = goods.offers[0] ? [...goods.offers[0].options] : [];
const money = (p) => new Intl.NumberFormat('en', { style: 'currency', currency: goods.currency }).format(p);
const of = (options) => goods.offers.find((offer) => offer.options.every((label, at) => label === options[at]));
const textOf = (src) => ((goods.pictureTexts || []).find((one) => one.picture === src) || { text: '' }).text;
function show() {
  const offer = of(chosen);
  document.querySelectorAll('button.option').forEach((button) => {
    const at = Number(button.dataset.axis);
    button.setAttribute('aria-pressed', String(chosen[at] === button.dataset.label));
    button.classList.toggle('none', !of(chosen.map((label, axis) => axis === at ? button.dataset.label : label)));
  });
  document.getElementById('price').textContent = offer ? money(offer.salePrice || offer.price) : 'Not made in this combination';
  document.getElementById('list').textContent = offer && offer.listPrice ? money(offer.listPrice) : '';
  document.getElementById('stock').textContent = !offer ? '' : offer.stock > 0 ? offer.stock + ' in stock' : 'Sold out';
  const together = document.getElementById('with');
  const others = offer ? offer.onlyWith : [];
  together.hidden = !others.length;
  together.replaceChildren('Sold only together with ', ...others.flatMap((one, at) => { const link = document.createElement(one.address ? 'a' : 'span'); link.textContent = one.title; if (one.address) link.href = one.address; return at ? [' or ', link] : [link]; }));
  document.getElementById('sku').textContent = offer ? offer.sku + (offer.gtin ? ' · ' + offer.gtin : '') + (offer.entry ? ' · an offer under ' + offer.entry : '') : '';
  let own = offer && offer.pictures && offer.pictures.length ? offer.pictures : [];
  if (!own.length) goods.axes.forEach((axis, at) => { const option = axis.options.find((one) => one.label === chosen[at]); if (option && option.pictures && option.pictures.length) own = option.pictures; });
  const all = [...new Set([...own, ...goods.pictures])];
  const large = document.getElementById('large');
  if (all.length) { large.src = all[0]; large.alt = textOf(all[0]); } else large.removeAttribute('src');
  const row = document.getElementById('row');
  row.replaceChildren(...all.slice(0, 9).map((src) => { const img = document.createElement('img'); img.src = src; img.alt = textOf(src); img.onclick = () => { large.src = src; }; return img; }));
}
document.querySelectorAll('button.option').forEach((button) => button.addEventListener('click', () => { chosen[Number(button.dataset.axis)] = button.dataset.label; show(); }));
show();`;

export function buyersPage(
  channel: { id: string; name: string },
  held: Held,
  address: string,
  whereSold: WhereSold,
): string {
  const { goods } = held;
  const copy = (url: string) => `/copies/${PictureDesk.nameOf(url)}.png`;
  const data = {
    ...goods,
    pictures: goods.pictures.map(copy),
    pictureTexts: (goods.pictureTexts ?? []).map((one) => ({ ...one, picture: copy(one.picture) })),
    axes: goods.axes.map((axis) => ({
      ...axis,
      options: axis.options.map((option) => ({ ...option, pictures: (option.pictures ?? []).map(copy) })),
    })),
    offers: goods.offers.map((offer) => ({
      ...offer,
      pictures: (offer.pictures ?? []).map(copy),
      onlyWith: onlyWith(offer).map(whereSold),
    })),
  };
  const prices = goods.offers.map((offer) => Number(offer.price));
  const money = (price: number) =>
    new Intl.NumberFormat('en', { style: 'currency', currency: goods.currency }).format(price);
  const range =
    prices.length === 0
      ? ''
      : Math.min(...prices) === Math.max(...prices)
        ? money(prices[0]!)
        : `${money(Math.min(...prices))} – ${money(Math.max(...prices))}`;
  const title = titleOf(goods);
  const [band, ground] = ownOf(LOOKS, channel.id) ?? ['#333', '#fff'];
  const highlights = goods.fields.Highlights;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escape(title)} · ${escape(channel.name)}</title><link rel="icon" href="data:,">
<style>:root{--band:${band};--ground:${ground}}${STYLE}</style><script type="application/ld+json">${inScript(productGroup(goods, address))}</script></head><body>
<header>${escape(channel.name)}</header>${held.draft ? '<div class="draft">A draft: buyers do not see this page yet.</div>' : ''}${notYet(goods)}
<main><div><img id="large" class="large" alt="${escape(title)}"><div id="row" class="row"></div></div>
<div><div class="brand">${escape(goods.fields.Brand)}</div><h1>${escape(title)}</h1><div class="range">${escape(range)}</div>
<div class="price"><span id="price"></span><s id="list"></s></div>
${goods.axes.map((axis, at) => `<fieldset><legend>${escape(axis.name)}</legend>${axis.options.map((option) => `<button type="button" class="option" data-axis="${at}" data-label="${escape(option.label)}">${escape(option.label)}</button>`).join('')}</fieldset>`).join('')}
<div id="stock" class="stock"></div><div id="with" class="stock" hidden></div><div id="sku" class="sku"></div>
${Array.isArray(highlights) ? `<ul>${highlights.map((one) => `<li>${escape(one)}</li>`).join('')}</ul>` : ''}
<div class="text">${shownText(goods)}</div>${furtherFacts(goods)}</div></main>
<script type="application/json" id="goods">${inScript(data)}</script><script>${SCRIPT}</script></body></html>`;
}

/** Tags are shown as they are where all of them are taken; anything else as text. */
function shownText(goods: Held['goods']): string {
  const text = sentText(goods);
  return isMarkup(text) && strangeTag(text) === null ? text : escape(text);
}

/** What appears on a later day is not shown to buyers before. */
function notYet({ fields }: Held['goods']): string {
  const day = fields['Appears on'];
  const isLater = typeof day === 'string' && day > new Date().toISOString().slice(0, 10);
  return isLater ? `<div class="draft">Buyers see this page from ${escape(day)} on.</div>` : '';
}

/** What some shops say besides, under the text. */
const FURTHER = [
  ...['In the box', 'Size chart', 'Delivery', 'Days until sent', 'Returns', 'Days to return', 'Warranty'],
  ...['Responsible party', 'Flash point °C', 'Video'],
];
function furtherFacts({ fields }: Held['goods']): string {
  const entries = FURTHER.filter((name) => fields[name] !== undefined).map((name) => {
    const said = fields[name];
    const text = Array.isArray(said) ? said.join('\n') : said;
    return `<dt>${escape(name)}</dt><dd style="white-space:pre-line">${escape(text)}</dd>`;
  });
  return entries.length > 0 ? `<dl>${entries.join('')}</dl>` : '';
}

/** The front page of the stand-in service: what every channel holds, and how it feels today. */
export function frontPage(
  channels: readonly {
    id: string;
    name: string;
    mood: string;
    edition: number;
    editions: number;
    listings: { key: string; account?: string | undefined; title: string; children: number; draft: boolean }[];
  }[],
  moods: readonly string[],
): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>The channels</title><link rel="icon" href="data:,"><style>:root{--band:#333;--ground:#fff}${STYLE} table{border-collapse:collapse}td,th{text-align:left;padding:4px 14px 4px 0}</style></head><body>
<header>The channels, played by a stand-in</header><div style="max-width:1000px;margin:24px auto;padding:0 32px">
${channels
  .map(
    (channel) => `<h2>${escape(channel.name)}</h2><form method="post" action="/control">Today it is
<input type="hidden" name="channel" value="${escape(channel.id)}"><select name="mood">${moods.map((mood) => `<option${mood === channel.mood ? ' selected' : ''}>${mood}</option>`).join('')}</select>${channel.editions > 1 ? ` under edition <select name="edition">${Array.from({ length: channel.editions }, (_, at) => `<option${at + 1 === channel.edition ? ' selected' : ''}>${at + 1}</option>`).join('')}</select> of its rules` : ''} <button>Set</button></form>
<table>${channel.listings.map((one) => `<tr><td><a href="/${channel.id}/pages/${encodeURIComponent(one.key)}${one.account ? `?account=${one.account}` : ''}">${escape(one.title)}</a></td><td>${one.children} children</td><td>${one.draft ? 'draft' : 'live'}</td><td class="sku">${escape(one.key)}</td></tr>`).join('') || '<tr><td>Nothing listed.</td></tr>'}</table>`,
  )
  .join('')}
</div></body></html>`;
}
