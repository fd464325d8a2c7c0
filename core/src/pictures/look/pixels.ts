/** Pixels as they are looked at: rows from the top, each pixel as its channels one after another. */

export interface Pixels {
  width: number;
  height: number;
  /** 1: how bright, 3: red, green and blue, each from 0 to 255. */
  channels: 1 | 3;
  data: Uint8Array;
}
