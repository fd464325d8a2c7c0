import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areSizes, sortSizes } from '../src/size/sortSizes';

/** Lists of sizes in the manners of shops, each from small to large. The order within a size is common practice. */
const LISTS = `
XS | S | M | L | XL | XXL | 3XL
Klein | Mittel | Groß
Petit | Moyen | Grand
Piccolo | Medio | Grande
Slim | Regular | Wide
Narrow | Medium | Wide | Extra wide
Mini | Small | Medium | Large | Maxi
Half | Full
XXS | XS | S | M | L | XL | 2XL | 3XL | 4XL | 5XL
x-small | small | medium | large | x-large | xx-large
Extra Small | Small | Medium | Large | Extra Large | Extra Extra Large
S | S/M | M | M/L | L | L/XL | XL
XS/S | M/L | XL/XXL
One Size | S/M | L/XL
S | M | L | XL | 1X | 2X | 3X | 4X
0X | 1X | 2X | 3X
L | XL | 2X | 3X
M | L | LL | 3L | 4L
S | M | MT | L | LT | XL | XLT | 2XL | 2XLT
Medium | Medium Tall | Large | Large Tall
S (25 cm) | M (30 cm) | L (35 cm)
S (36-38) | M (40-42) | L (44-46)
XS (4-5) | S (6-7) | M (8-9)
YXS | YS | YM | YL | S | M | L
Youth S | Youth M | Youth L | Adult S | Adult M
Kids S | Kids M | Women S | Women M | Men S | Men M
4 | 6 | 8 | 10 | 12 | S | M | L
2 | 4 | 10 | 12
000 | 00 | 0 | 2 | 4
00 | 0 | 2 | 4 | 6
12 | 14 | 14W | 16 | 16W | 18W
34 | 36 | 38 | 40 | 42
EU 36 | EU 38 | EU 40
DE 36 | DE 38 | DE 100
UK 8 | UK 10 | UK 12
US 2 | US 4 | US 10
Size 8 | Size 10 | Size 12
Gr. 36 | Gr. 38 | Gr. 40
Größe 92 | Größe 98 | Größe 104
86/92 | 98/104 | 110/116
92 | 98 | 104 | 110 | 116 cm
50 | 56 | 62 | 68 | 74
36S | 36R | 38S | 38R | 38L | 40R
38 Short | 38 Regular | 38 Long | 40 Short
42R | 42L | 44R | 44L
15 | 15.5 | 16 | 16.5
15 | 15½ | 16 | 16½
14 1/2 | 15 | 15 1/2 | 16
W28 L30 | W28 L32 | W30 L30 | W30 L32 | W32 L30
W28/L30 | W28/L32 | W30/L30
28x30 | 28x32 | 30x30 | 30x32
28W x 30L | 30W x 30L | 30W x 32L
30/30 | 30/32 | 30/34 | 32/30
W28 | W30 | W32
30A | 32A | 32B | 32C | 34A | 34DD
70A | 70B | 75A | 75B | 75C | 80AA
32D | 32DD | 32E | 32F | 32FF | 32G
34 B | 34 C | 36 B
38 | 38.5 | 39 | 40
38 | 38 2/3 | 39 1/3 | 40
36 ⅔ | 37 ⅓ | 38
EU 38 | EU 38.5 | EU 39
UK 5 | UK 5.5 | UK 6 | UK 10
5 | 5.5 | 6 | 6.5 | 10
5,5 | 6 | 6,5
US 6 / EU 36 | US 7 / EU 37.5 | US 10 / EU 41
M 8 / W 9.5 | M 9 / W 10.5 | M 10 / W 11.5
36/37 | 38/39 | 40/41
35-38 | 39-42 | 43-46
7 N | 7 | 7 W | 8 N | 8
8 | 8 Wide | 8.5 | 8.5 Wide | 9
6 7/8 | 7 | 7 1/8 | 7 1/4
0-3 m | 3-6 m | 6-9 m | 18 m | 2 y
Newborn | 0-3M | 3-6M | 6-12M | 12-18M
Preemie | NB | 0-3 mo | 3-6 mo | 6-9 mo
12M | 12–18M | 18M | 18-24M | 24M
12M | 18M | 24M | 2T | 3T | 4T
2T | 3T | 4T | 5 | 6 | 6X | 7 | 8
4 | 5 | 6 | 6X | 7
6M | 12M | 2Y | 3Y
3 months | 6 months | 1 year | 2 years
0-6 months | 6-12 months | 1-2 years | 2-3 years
Age 3-4 | Age 5-6 | Age 7-8 | Age 11-12
3-4 yrs | 5-6 yrs | 9-10 yrs | 13+ yrs
3/4 | 5/6 | 7/8 | 9/10 | 11/12
2-3Y | 4-5Y | 10-11Y
6 Monate | 12 Monate | 2 Jahre
1-3 m | 3-6 m | 1 an | 2 ans
50 cm | 1 m | 1.5 m
0.8 m | 1.25 m | 1.5 m
6K | 7K | 10K | 13K | 1 | 2
5C | 6C | 10.5C | 1Y | 2Y
S/32 | M/34 | L/36
Cot | Cot Bed | Single
0.25 l | 0.4 l | 1 l
0,33 l | 0,5 l | 1,5 l | 2 l
0.75L | 1.5L | 3L
80 cm | 1 m | 120 cm
10 mm | 2 cm | 3 cm
1 m | 2 m | 10 m
1/4 | 1/2 | 3/4 | 1 in
1/4" | 3/8" | 1/2" | 1"
1/2 in | 3/4 in | 1 1/2 in | 2 in
6" | 8" | 10" | 12"
8 in | 1 ft | 18 in | 2 ft
5 ft | 6 ft | 10 ft
5'6" | 5'10" | 6'0"
2' x 3' | 4' x 6' | 8' x 10'
140 x 190 | 140 × 200 | 160 x 200
140 × 190/200 | 160 × 190/200 | 180 × 190/200
60 x 120 cm | 80 x 120 cm | 80 x 150 cm
0.3 l | 500 ml | 1 l
330 ml | 0.5 L | 1.5 L
8 oz | 12 oz | 1 lb | 2 lb
100 g | 250 g | 1 kg | 2.5 kg
8 fl oz | 16 fl oz | 1 gal
250 ml | 12 oz | 500 ml
2 x 500 ml | 6 x 330 ml | 6 x 500 ml
1 pair | 3 pairs | 10 pairs
Pack of 2 | Pack of 6 | Pack of 12
3-pack | 6-pack | 12-pack
2 pcs | 10 pcs | 100 pcs
Single Pack | 3 Pack | 12 Pack
64 GB | 128 GB | 1 TB
64GB | 500 GB | 1 TB
8 GB | 16GB | 32 GB
5 GB | 6 GB | 10 GB
2 person | 10 person
200lm | 1000 lm
32W 30L | 32W 34L | 34W 32L
up to 5 kg | 5-10 kg | 10-20 kg | over 20 kg
Single | Double | King | Super King
Twin | Twin XL | Full | Queen | King | California King
Short | Regular | Long
Petite | Regular | Tall
Small | Medium | Large | Jumbo
A5 | A4 | A3
J | K | L | L 1/2 | M | N
56 cm | 57-58 cm | 59-60 cm
20 cm | 25 cm | 30 cm | 100 cm
1,000 ml | 1,500 ml | 2,000 ml
Toddler | Youth | Adult
Small / 4 | Medium / 6 | Large / 8
S - 25cm | M - 30cm | L - 35cm
Small-Medium | Large-X-Large
US W5 | US W6 | US W10
C8 | C9 | C10
Little Kid 10.5 | Little Kid 11 | Big Kid 3.5
2A | 4A | 6A | 10A
2T/3T | 4T/5T | 6T
1/2 lb | 1 lb | 5 lb
14.5/32 | 15/32 | 15.5/34
135 x 200 + 80 x 80 | 155 x 220 + 80 x 80
Big 3XL | Big 4XL
Queen size | King size
12-18 m / 80-86 | 18-24 m / 86-92 | 2-3 y / 92-98
1X (14W-16W) | 2X (18W-20W) | 3X (22W-24W)
90 x 190 cm (Single) | 135 x 190 cm (Double) | 150 x 200 cm (King)
30 mL / 1 oz | 50 mL / 1.7 oz | 100 mL / 3.4 oz
7D | 7EE | 8D
`;
const lists = LISTS.trim()
  .split('\n')
  .map((line) => line.split('|').map((label) => label.trim()));

describe('sizes of shops', () => {
  it.each(lists.map((list) => [list.join(', '), list]))('%s', (_, list) => {
    expect(areSizes(list)).toBe(true);
    expect(sortSizes([...list].reverse())).toEqual(list);
    fc.assert(
      fc.property(fc.shuffledSubarray([...list], { minLength: list.length }), (mixed) => {
        expect(sortSizes(mixed)).toEqual(list);
      }),
      { numRuns: 15 },
    );
  });
});

// EN 13402-3 (letter codes, bodice girths, cups by the difference of girths, heights in steps of 4 and 6 cm) and ISO 9407
// (length of the foot in millimetres, in steps of 5, with the width behind it); the lists are from memory.
const STANDARDS = [
  ['EN 13402-3, cups', '60AA | 60A | 60B | 65AA | 65A | 65B | 65C | 65D | 70AA | 70A | 70B | 70E | 70F'],
  ['EN 13402-3, girth of the chest', '70-74 | 74-78 | 78-82 | 82-86 | 86-90 | 90-94 | 94-98 | 98-102 | 102-107'],
  ['EN 13402-3, heights of children', '50 | 56 | 62 | 68 | 74 | 80 | 86 | 92 | 98 | 104 | 110 | 116'],
  ['EN 13402-3, letters', 'XXS | XS | S | M | L | XL | XXL | 3XL | 4XL | 5XL'],
  ['ISO 9407, length', '220 | 225 | 230 | 235 | 240 | 245 | 250 | 255 | 260 | 265'],
  ['ISO 9407, length with its unit', '220 mm | 225 mm | 230 mm | 235 mm | 240 mm'],
  ['ISO 9407, length and width', '240/92 | 245/92 | 245/96 | 250/94 | 250/98 | 255/100'],
].map(([name, list]) => [name!, list!.split(' | ')] as const);

describe('sizes of standards', () => {
  it.each(STANDARDS)('%s', (_, list) => {
    expect(areSizes(list)).toBe(true);
    expect(sortSizes([...list].reverse())).toEqual(list);
    expect(sortSizes([...list].sort())).toEqual(list);
  });
});

describe('what is no size', () => {
  it.each(['Rust', 'Navy blue', 'Lined', 'With hood', 'Model X', 'L-shaped', 'Cotton 100', ''])('%j', (label) => {
    expect(areSizes([label])).toBe(false);
  });
  it('keeps its order behind what is', () => {
    expect(sortSizes(['Custom', 'L', 'Made to measure', 'S'])).toEqual(['S', 'L', 'Custom', 'Made to measure']);
  });
});
