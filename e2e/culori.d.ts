declare module 'culori/require' {
  type Colour = Record<string, number | string>;
  export function converter(mode: string): (colour: Colour) => { l: number; a: number; b: number };
  export function differenceCiede2000(): (a: Colour, b: Colour) => number;
}
