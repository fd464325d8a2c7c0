/** The text that stands for a picture where it cannot be seen: what the seller wrote, else one made of name, value and angle. */
import { ownOf } from '../text/own';
import { figureIn, languageScope } from '../family/scope';
import type { Carrier, Family } from '../family/shape';
import type { Place } from '../place/place';
import { isAngle, type Angle } from './angles';
import { placesOfPicture } from './notes';
import { familyIndex } from '../family/weave';

/** Angles as they are said in a text (common practice); a language that is not here says none. */
const SAID: Record<string, Partial<Record<Angle, string>>> = {
  en: {
    front: 'front',
    worn: 'worn',
    back: 'back',
    side: 'side',
    top: 'from above',
    bottom: 'from below',
    inside: 'inside',
    detail: 'detail',
    flat: 'laid flat',
    pack: 'packaging',
    chart: 'size chart',
    scene: 'in use',
  },
  de: {
    front: 'von vorn',
    worn: 'getragen',
    back: 'von hinten',
    side: 'von der Seite',
    top: 'von oben',
    bottom: 'von unten',
    inside: 'Innenseite',
    detail: 'Detail',
    flat: 'flach gelegt',
    pack: 'Verpackung',
    chart: 'Größentabelle',
    scene: 'im Einsatz',
  },
  fr: {
    front: 'de face',
    worn: 'porté',
    back: 'de dos',
    side: 'de côté',
    top: 'vu du dessus',
    bottom: 'vu du dessous',
    inside: 'intérieur',
    detail: 'détail',
    flat: 'à plat',
    pack: 'emballage',
    chart: 'guide des tailles',
    scene: 'en situation',
  },
  es: {
    front: 'de frente',
    worn: 'puesto',
    back: 'por detrás',
    side: 'de lado',
    top: 'desde arriba',
    bottom: 'desde abajo',
    inside: 'interior',
    detail: 'detalle',
    flat: 'extendido',
    pack: 'embalaje',
    chart: 'tabla de tallas',
    scene: 'en uso',
  },
  it: {
    front: 'davanti',
    worn: 'indossato',
    back: 'dietro',
    side: 'di lato',
    top: 'dall’alto',
    bottom: 'dal basso',
    inside: 'interno',
    detail: 'dettaglio',
    flat: 'disteso',
    pack: 'confezione',
    chart: 'tabella taglie',
    scene: 'in uso',
  },
  nl: {
    front: 'voorkant',
    worn: 'gedragen',
    back: 'achterkant',
    side: 'zijkant',
    top: 'van boven',
    bottom: 'van onderen',
    inside: 'binnenkant',
    detail: 'detail',
    flat: 'plat gelegd',
    pack: 'verpakking',
    chart: 'maattabel',
    scene: 'in gebruik',
  },
};

/** A figure in a language, else in the first one. */
function inLanguage(carrier: Carrier, key: string, language: string): string {
  const figure = figureIn(carrier, languageScope(language), key) ?? carrier.fields[key];
  return typeof figure === 'string' ? figure : '';
}

/** A text for a picture: "Skerry storm jacket, Rust, back". @param language a tag such as `de`; what is not written in it is said in the first language */
export function proposedText(
  family: Family,
  picture: string,
  language: string,
  angle: Angle | null = saidAngle(family, picture),
): string {
  const { valueById } = familyIndex(family);
  const labels = placesOfPicture(family, picture).flatMap((place) => {
    if (place.level === 'family') return [];
    const ids = place.level === 'value' ? [place.valueId] : valuesAt(family, place);
    return [ids.map((id) => inLanguage(valueById.get(id)!, 'label', language) || valueById.get(id)!.label).join(' ')];
  });
  const said = angle ? ownOf(SAID, language.split('-')[0]!)?.[angle] : undefined;
  const options = labels.length <= 3 ? labels.join(' / ') : '';
  return [inLanguage(family, 'name', language), options, said ?? ''].filter(Boolean).join(', ');
}

/** The value ids of a child or a combination, in the order of the axes. */
function valuesAt(family: Family, place: Extract<Place, { level: 'child' | 'combination' }>): string[] {
  const at = place.level === 'child' ? family.children[place.childId]!.at : place.at;
  return family.axes.flatMap(({ id }) => at[id] ?? []);
}

function saidAngle(family: Family, picture: string): Angle | null {
  const angle = family.pictureNotes?.[picture]?.angle;
  return angle && isAngle(angle) ? angle : null;
}

/** What stands for a picture in a language: the seller's text there, else the proposed one. */
export const textOfPicture = (
  family: Family,
  picture: string,
  language: string,
  angle: Angle | null = saidAngle(family, picture),
): string => family.pictureNotes?.[picture]?.texts?.[language] ?? proposedText(family, picture, language, angle);
