/** Draws the demo goods: simple shapes in the real colours, on white, so that a swatch and its picture agree. */
import sharp from 'sharp';

export type Figure = 'jacket' | 'smock' | 'trousers' | 'sock' | 'suit' | 'dogcoat' | 'blanket' | 'mug';

const shade = (hex: string, factor: number) =>
  '#' +
  [1, 3, 5]
    .map((at) =>
      Math.min(255, Math.round(parseInt(hex.slice(at, at + 2), 16) * factor))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('');

const FIGURES: Record<Figure, (colour: string, dark: string, light: string, back: boolean) => string> = {
  jacket: (
    c,
    d,
    l,
    back,
  ) => `<path d="M400 290 L520 230 L680 230 L800 290 L960 620 L870 680 L820 560 L830 960 L370 960 L380 560 L330 680 L240 620 Z" fill="${c}"/>
    <path d="M500 235 Q600 130 700 235 Q660 320 600 320 Q540 320 500 235Z" fill="${d}"/>${back ? `<path d="M420 420 H780" stroke="${d}" stroke-width="14"/>` : `<path d="M600 320 V960" stroke="${d}" stroke-width="16"/><path d="M430 760 h120 M650 760 h120" stroke="${d}" stroke-width="14"/><path d="M596 360 V930" stroke="${l}" stroke-width="4" stroke-dasharray="14 10"/>`}`,
  smock: (c, d, l, back) =>
    `<path d="M390 300 L530 240 L670 240 L810 300 L980 640 L880 700 L810 560 L815 940 L385 940 L390 560 L320 700 L220 640 Z" fill="${c}"/><path d="M530 240 Q600 300 670 240 L650 ${back ? 260 : 430} L600 ${back ? 270 : 470} L550 ${back ? 260 : 430}Z" fill="${d}"/><rect x="480" y="680" width="240" height="150" rx="10" fill="none" stroke="${l}" stroke-width="8"/>`,
  trousers: (c, d, l, back) =>
    `<path d="M420 200 H780 L840 1000 H650 L600 460 L550 1000 H360 Z" fill="${c}"/><path d="M420 200 H780 V260 H420Z" fill="${d}"/>${back ? `<path d="M450 330 h110 v110 h-110 Z M640 330 h110 v110 h-110 Z" fill="none" stroke="${d}" stroke-width="10"/>` : `<path d="M600 260 V430" stroke="${l}" stroke-width="8"/>`}`,
  sock: (c, d, l) =>
    `<path d="M480 180 H720 V640 Q720 700 770 740 L900 850 Q950 920 900 970 Q850 1010 770 980 L540 860 Q480 820 480 740 Z" fill="${c}"/><path d="M480 180 H720 V270 H480Z" fill="${d}"/><path d="M800 870 Q860 900 880 960" stroke="${l}" stroke-width="16" fill="none"/>`,
  suit: (c, d, l, back) =>
    `<path d="M440 330 L540 270 L660 270 L760 330 L900 560 L820 620 L750 530 L760 720 L800 1010 H640 L600 760 L560 1010 H400 L440 720 L450 530 L380 620 L300 560 Z" fill="${c}"/><circle cx="600" cy="230" r="90" fill="${d}"/>${back ? `<path d="M540 420 H660 M500 860 H570 M630 860 H700" stroke="${l}" stroke-width="22"/>` : `<path d="M600 300 V720" stroke="${l}" stroke-width="12"/>`}`,
  dogcoat: (c, d, l) =>
    `<path d="M260 480 Q300 380 440 400 L880 420 Q980 440 960 560 L930 760 Q900 820 820 790 L780 690 H420 L390 800 Q330 830 290 770 Z" fill="${c}"/><path d="M260 480 Q230 400 320 360 L420 400 Q330 430 300 520Z" fill="${d}"/><path d="M600 410 V690" stroke="${l}" stroke-width="26"/>`,
  blanket: (c, d, l) =>
    `<rect x="220" y="260" width="760" height="680" fill="${c}"/>${[0, 1, 2, 3, 4].map((n) => `<path d="M${290 + n * 155} 260 V940" stroke="${d}" stroke-width="34"/><path d="M220 ${330 + n * 135} H980" stroke="${l}" stroke-width="18"/>`).join('')}${Array.from({ length: 26 }, (_, n) => `<path d="M${230 + n * 30} 940 v46" stroke="${d}" stroke-width="7"/>`).join('')}`,
  mug: (c, d, l) =>
    `<path d="M330 320 H800 V860 Q800 920 740 920 H390 Q330 920 330 860 Z" fill="${c}"/><path d="M800 430 Q960 430 960 580 Q960 740 800 740" fill="none" stroke="${c}" stroke-width="50"/><ellipse cx="565" cy="320" rx="235" ry="46" fill="${d}"/><ellipse cx="565" cy="320" rx="235" ry="46" fill="none" stroke="${l}" stroke-width="12"/>`,
};

/** How goods are turned for the camera: the first two everywhere, the others where a channel wants more. */
export const VIEWS = ['front', 'back', 'near', 'laid'] as const;
export type View = (typeof VIEWS)[number];

const TURNS: Record<View, string> = {
  front: '',
  back: ' transform="translate(1136 46) scale(-0.9 0.94)"',
  near: ' transform="translate(-150 -150) scale(1.25)"',
  laid: ' transform="rotate(-14 600 600) translate(90 90) scale(0.85)"',
};

/** A picture of 1200 × 1200 pixels as PNG. */
export async function draw(figure: Figure, colour: string, view: View = 'front'): Promise<Buffer> {
  const mark = FIGURES[figure](colour, shade(colour, 0.72), shade(colour, 1.35), view === 'back');
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1200"><rect width="1200" height="1200" fill="#FFFFFF"/><g${TURNS[view]}>${mark}</g></svg>`,
    ),
  )
    .png()
    .toBuffer();
}
