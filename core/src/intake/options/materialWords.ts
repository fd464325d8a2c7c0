/** Words for what goods are made of, and for how they are patterned. Common practice. */
import { foldLetters } from '../../text/letters';

const phrases = (text: string): string[] =>
  text
    .split(',')
    .map((one) => foldLetters(one.trim().replace(/\s+/g, ' ')))
    .filter(Boolean);

/** Some are linings, which go under the same role. */
export const MATERIALS = phrases(`
  cotton, organic cotton, wool, merino, merino wool, lambswool, alpaca, mohair, cashmere, linen, silk, satin, velvet, corduroy, cord, tweed, jersey, flannel, fleece, sherpa,
  mesh, down, quilted, unlined, lined, fleece lined, fleece-lined, waxed cotton, waxed, leather, vegan leather, suede, nubuck, canvas, denim, polyester, recycled polyester, nylon, viscose, bamboo, hemp,
  oak, ash, beech, walnut, birch, pine, teak, wood, wooden, cork, bamboo, steel, stainless steel, silver, sterling silver, gold, rose gold, brass, copper, bronze, titanium, pewter, iron, cast iron, aluminium,
  glass, ceramic, porcelain, stoneware, earthenware, enamel, rubber, silicone, neoprene, felt, softshell, seersucker, poplin, twill, terry, muslin, chiffon, lace,
  baumwolle, wolle, leinen, leder, seide, holz, stahl, glas, edelstahl, coton, laine, lin, cuir, soie, bois, algodón, lana, lino, cuero, seda, madera, cotone, pelle, seta, legno, katoen, wol, linnen, leer
`);

export const PATTERNS = phrases(`
  striped, stripe, stripes, breton stripe, pinstripe, plain, solid, checked, check, chequered, buffalo check, plaid, tartan, gingham, dotted, dots, spot, spots, polka dot, polka dots, spotted, floral, paisley, herringbone, camo,
  camouflage, houndstooth, argyle, fair isle, printed, leopard, zebra, zigzag, chevron, geometric, abstract, ruled, squared, gridded, tie dye, tie-dye, ikat, colour block, color block, windowpane, nordic, waves, anchors, diamonds, ditsy,
  gestreift, kariert, gepunktet, geblümt, gemustert, rayé, à carreaux, à pois, fleuri, a rayas, a cuadros, a righe, a quadri, gestreept, geruit
`);

const METALS = new Set(['gold', 'rosegold', 'silver', 'bronze', 'copper', 'brass', 'pewter']);
/** Whether a value, by its key, is a metal that colours are called after. */
export const isMetal = (key: string): boolean => METALS.has(key);
