declare module 'color-diff' {
  interface Lab {
    L: number;
    a: number;
    b: number;
  }
  export function rgb_to_lab(colour: { R: number; G: number; B: number }): Lab;
  /** CIEDE2000. */
  export function diff(one: Lab, other: Lab): number;
}
