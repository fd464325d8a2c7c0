/** From where a picture shows its goods. Words, in several languages, are common practice. */

const WORDS = {
  front:
    'front frontal frontview frt vorne vorn vorderseite vorderansicht avant devant face delante frente davanti fronte voor voorkant main hero haupt cover packshot f',
  worn: 'worn model onmodel body getragen porte puesto indossato gedragen look',
  back: 'back backview bk rear hinten rueckseite ruckseite rueckansicht arriere dos detras espalda atras dietro retro achterkant achter b',
  side: 'side sideview seite seitlich profil profile cote lado lato zijkant left right links rechts gauche droite izquierda derecha sinistra destra',
  top: 'top above oben dessus arriba sopra boven',
  bottom: 'bottom sole unten sohle dessous semelle suela abajo sotto zool onder',
  inside: 'inside interior lining inner innen innenseite futter interieur dentro interno binnenkant',
  detail:
    'detail details detailed closeup close macro zoom nah nahaufnahme dettaglio detalle label tag swatch fabric stoff',
  flat: 'flat flatlay lay liegend plat piano plano',
  pack: 'pack packaging box verpackung emballage embalaje confezione verpakking',
  chart: 'chart sizechart sizeguide measurements masstabelle groessentabelle tabla tabella maattabel',
  scene: 'scene lifestyle life ambient ambiente mood outdoor insitu context szene campaign group gruppe family',
} as const;
export type Angle = keyof typeof WORDS;

/** In the order pictures are shown in, where nothing else says it. */
export const ANGLES = Object.keys(WORDS) as Angle[];

export const ANGLE_LABELS: Record<Angle, string> = {
  front: 'Front',
  worn: 'Worn',
  back: 'Back',
  side: 'Side',
  top: 'From above',
  bottom: 'From below',
  inside: 'Inside',
  detail: 'Detail',
  flat: 'Laid flat',
  pack: 'Packaging',
  chart: 'Size chart',
  scene: 'In use',
};

const ANGLE_OF = new Map(ANGLES.flatMap((angle) => WORDS[angle].split(' ').map((word) => [word, angle] as const)));

/** The angle that a word in small letters says; undefined where it says none. */
export const angleOfWord = (word: string): Angle | undefined => ANGLE_OF.get(word);
export const isAngle = (text: string): text is Angle => Object.hasOwn(WORDS, text);

/** Angles that show no option: what says one of them and no value is of the whole family. */
export const OF_THE_WHOLE: ReadonlySet<Angle> = new Set(['chart', 'scene', 'pack']);
