import type { Exam, Picture } from '@/contract/picture';
import { listed } from '@/core/language/listed';

import type { Stance } from '../kinds/spec';
import type { Background } from '../pixels/background';

/** What a finding is about; the screens pick a remedy by it. */
export type Aspect =
  | 'sharpness'
  | 'exposure'
  | 'background'
  | 'fill'
  | 'cutOff'
  | 'pixels'
  | 'shape'
  | 'writing'
  | 'duplicate'
  | 'upright';

export interface PictureFinding {
  aspect: Aspect;
  /** A plain sentence that says what to do. */
  words: string;
  /** The number it rests on, with its unit, for whoever wants to know. */
  number: string;
  /** Certain enough to be said without "perhaps". */
  sure: boolean;
}

/**
 * Where numbers become cautions. Tuned on the demo world's made pictures, spoilt by known amounts
 * (`demo/draw/spoil.ts`): there a sharp picture has a blur of 0.8 to 1, one blurred by 2 pixels 1.8 to 2.6; a
 * plain floor scatters by
 * 1.2 to 1.6 and fills 0.93 of the border or more, floor boards 0.78 to 0.88. The others are common practice.
 */
export const LIMITS = {
  /** σ in pixels at 1 280: above the first perhaps, above the second certainly out of focus. */
  blur: [1.7, 2.6],
  /** Luma below which even the brightest parts are dark. */
  dark: 0.5,
  /** Share of the picture that is pure white on the item. */
  blown: 0.06,
  /** Background: scatter ΔE, share of the border, unevenness of the light in L*. */
  grounds: 2.2,
  border: 0.9,
  falloff: 22,
  /** The item's longer side as a share of the frame: 80 % is common practice. */
  fill: [0.55, 0.985],
  /**
   * Longer side, pixels: 500 is the least a large marketplace takes, 1 600 shows detail (common practice).
   */
  pixels: [500, 1_200],
  /** Longer side over shorter. */
  shape: 1.9,
  /** Letter-like marks in a line. */
  writing: 6,
  /** Distance of fingerprints below which two pictures show the same. */
  duplicate: 0.12,
} as const;

/** Whether a background is plain enough to be left, or its shadow kept. */
export function isPlainGround({ spread, share }: Background): boolean {
  return Math.hypot(...spread) <= LIMITS.grounds && share >= LIMITS.border;
}

export interface Setting {
  cover: boolean;
  stance: Stance | undefined;
  /** Another picture that looks the same: "picture 2", or "a picture of YA-0007". */
  twin: string | null;
}

/**
 * What is worth saying about a picture, the most useful first: what only a new picture puts right comes
 * before what cleaning up can do. Close-ups are left in peace about frame and background.
 */
export function judge(
  picture: Pick<Picture, 'width' | 'height' | 'shows' | 'made'> & { exam: Exam | null },
  setting: Setting,
): PictureFinding[] {
  const { exam } = picture;
  const out: PictureFinding[] = [];
  const say = (aspect: Aspect, words: string, number: string, sure = true) =>
    out.push({ aspect, words, number, sure });
  const long = Math.max(picture.width, picture.height);
  if (long < LIMITS.pixels[0])
    say('pixels', 'Too small: many marketplaces refuse it. Take it again, larger.', `${long} pixels`);
  if (!exam || picture.made) return out;

  if (exam.blur > LIMITS.blur[1])
    say('sharpness', 'Blurred: hold still and take it again.', `edges ${figure(exam.blur)} px wide`);
  else if (exam.blur > LIMITS.blur[0])
    say('sharpness', 'Perhaps not quite sharp: look closely.', `edges ${figure(exam.blur)} px wide`, false);
  if (exam.bright < LIMITS.dark)
    say('exposure', 'Dark: give it more light, or lighten it.', `brightest parts ${percent(exam.bright)}`);
  else if (exam.blown > LIMITS.blown)
    say('exposure', 'Too bright: parts of the item are pure white.', `${percent(exam.blown)} white`);

  const whole = isWhole(picture.shows);
  if (whole && exam.area > 0) {
    const known = exam.sure > 0.6;
    if (exam.cutOff.length > 0)
      say(
        'cutOff',
        `Perhaps cut off at the ${listed(exam.cutOff, 'and')}: show all of it.`,
        `touches ${exam.cutOff.length === 1 ? 'one side' : `${exam.cutOff.length} sides`}`,
        false,
      );
    const fill = Math.max(exam.box[2], exam.box[3]);
    if (known && exam.cutOff.length === 0 && fill < LIMITS.fill[0])
      say('fill', 'Small in the frame: step closer, or crop it.', `fills ${percent(fill)}, 80 % is usual`);
    const turned = turnedWrong(exam, setting.stance);
    if (known && turned) say('upright', turned, 'from its outline', false);
  }
  if (whole && exam.area === 0 && exam.sure > 0.8)
    say('fill', 'Nothing stands out from the background here.', 'no outline found', false);
  if (
    whole &&
    (exam.grounds > LIMITS.grounds || exam.sure < (exam.cutOff.length === 0 ? LIMITS.border : 0.6))
  )
    say(
      'background',
      'Background not plain: lay a sheet under it, or make it white.',
      `scatter ${figure(exam.grounds)} ΔE, ${percent(exam.sure)} of the border`,
      exam.sure < 0.75,
    );
  else if (whole && exam.falloff > LIMITS.falloff)
    say(
      'background',
      'The light is uneven across the picture.',
      `${Math.round(exam.falloff)} L* from side to side`,
    );
  if (setting.cover && exam.writing >= LIMITS.writing)
    say(
      'writing',
      'Perhaps writing beside the item: covers are refused for it.',
      `${exam.writing} marks in a line`,
      false,
    );
  if (setting.twin) say('duplicate', `Almost the same as ${setting.twin}.`, 'by its fingerprint', false);
  if (long >= LIMITS.pixels[0] && long < LIMITS.pixels[1])
    say('pixels', 'Rather small: buyers can’t look closely.', `${long} pixels`);
  const shape = long / Math.min(picture.width, picture.height);
  if (shape > LIMITS.shape)
    say('shape', 'Long and narrow: much of a square stays empty.', `${figure(shape)} to 1`);
  return out;
}

/** Pictures meant to show all of it: those that say nothing else, front and back. */
function isWhole(shows: string): boolean {
  return shows === '' || shows === 'front' || shows === 'back';
}

/**
 * What an outline says about which way is up: sleeves and legs hang down, lamps and books are taller than
 * wide.
 *
 * @returns a sentence, or null when it looks right or can't be told
 */
export function turnedWrong(exam: Exam, stance: Stance | undefined): string | null {
  const { rowPieces, columnPieces } = exam.outline;
  if (!stance || rowPieces.length === 0) return null;
  const [w, h] = [exam.box[2], exam.box[3]];
  if (stance === 'tall') return w > 1.3 * h ? 'It seems to lie on its side: turn it by a quarter.' : null;
  if (stance === 'wide') return h > 1.3 * w ? 'It seems to stand on end: turn it by a quarter.' : null;
  const half = rowPieces.length / 2;
  const split = (pieces: readonly number[]) => pieces.filter((n) => n > 1 && n < 6).length;
  const below = split(rowPieces.slice(half));
  const above = split(rowPieces.slice(0, half));
  const beside = Math.max(split(columnPieces.slice(0, half)), split(columnPieces.slice(half)));
  if (above >= below + 2 && above > beside) return 'It seems to be upside down: turn it by a half.';
  if (beside >= below + 2 && beside > above) return 'It seems to lie on its side: turn it by a quarter.';
  return null;
}

function figure(value: number): string {
  return (Math.round(value * 10) / 10).toFixed(1);
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}
