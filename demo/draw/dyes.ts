/** A colour as items have it: in the light, in the shade, and as people call it. */
export interface Dye {
  word: string;
  /** As the kinds' question about colours has it. */
  answer: string;
  light: string;
  dark: string;
}

const dye = (word: string, answer: string, light: string, dark: string): Dye => ({
  word,
  answer,
  light,
  dark,
});

export const NAVY = dye('navy', 'Navy', '#33476b', '#182440');
export const OLIVE = dye('olive', 'Olive', '#6b6a3c', '#3a3b1e');
export const RUST = dye('rust', 'Rust', '#a9572f', '#6b2f16');
export const CREAM = dye('cream', 'Cream', '#efe6d0', '#cbbb97');
export const GREY = dye('grey', 'Grey', '#8d9196', '#55595e');
export const GREEN = dye('bottle green', 'Green', '#3f6b53', '#1e3a2b');
export const RED = dye('brick red', 'Red', '#a83f36', '#691d1a');
export const BLUE = dye('sea blue', 'Blue', '#5585b3', '#2a527c');
export const BROWN = dye('chestnut brown', 'Brown', '#8a5a33', '#4a2b14');
export const BLACK = dye('black', 'Black', '#45413f', '#1b1918');
export const MUSTARD = dye('mustard', 'Yellow', '#d0a33a', '#8f6a17');
export const ROSE = dye('dusty rose', 'Pink', '#d39c9c', '#a16060');
export const TAN = dye('tan', 'Tan', '#c08a52', '#7d5226');
export const BRASS = dye('brass', 'Brass', '#dbb75c', '#6e4f14');
export const SILVER = dye('silver', 'Silver', '#d5d8dc', '#7f858c');
export const WHITE = dye('white', 'White', '#f6f3e9', '#d3cdbb');
