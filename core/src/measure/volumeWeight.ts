/** Weight by volume: what carriers charge light, bulky parcels by. */

/** Cubic centimetres that count as a kilogram; common practice of parcel carriers, no published source. */
export const VOLUME_DIVISOR = 5000;

/**
 * The volume weight of a parcel.
 * @param length @param width @param height in centimetres
 * @returns grams
 */
export function volumeWeight(length: number, width: number, height: number, divisor = VOLUME_DIVISOR): number {
  return (length * width * height * 1000) / divisor;
}
