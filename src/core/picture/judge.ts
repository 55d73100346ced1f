import { NONE, type Coded, type None } from '@/contract/coded';
import type { Exam, Picture } from '@/contract/picture';

import type { Stance } from '../kinds/spec';
import type { Background } from '../pixels/background';
import { EXAM_SIDE } from '../pixels/examine';

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

/** A picture that another one looks like: of the same item by its position, or of another item. */
export type Twin = { position: number } | { itemCode: string };

/**
 * Every finding with the figures it rests on: shares from 0 to 1, lengths in pixels, colours in ΔE and L*.
 */
export interface PictureFindingParams {
  tooSmall: { long: number };
  ratherSmall: { long: number };
  blurred: { edge: number };
  softPerhaps: { edge: number };
  dark: { brightest: number };
  tooBright: { white: number };
  cutOff: { sides: readonly Side[] };
  smallInFrame: { fill: number };
  nothingStandsOut: None;
  onItsSide: None;
  onEnd: None;
  upsideDown: None;
  backgroundNotPlain: { scatter: number; share: number };
  lightUneven: { falloff: number };
  writing: { marks: number };
  sameAs: { twin: Twin };
  narrow: { ratio: number };
}
type Side = Exam['cutOff'][number];
type Turned = 'onItsSide' | 'onEnd' | 'upsideDown';

export type PictureFinding = Coded<PictureFindingParams> & {
  aspect: Aspect;
  /** Certain enough to be said without "perhaps". */
  sure: boolean;
};

const ASPECTS: Record<keyof PictureFindingParams, Aspect> = {
  tooSmall: 'pixels',
  ratherSmall: 'pixels',
  blurred: 'sharpness',
  softPerhaps: 'sharpness',
  dark: 'exposure',
  tooBright: 'exposure',
  cutOff: 'cutOff',
  smallInFrame: 'fill',
  nothingStandsOut: 'fill',
  onItsSide: 'upright',
  onEnd: 'upright',
  upsideDown: 'upright',
  backgroundNotPlain: 'background',
  lightUneven: 'background',
  writing: 'writing',
  sameAs: 'duplicate',
  narrow: 'shape',
};

/**
 * Where numbers become cautions. Tuned on the tuning seeds of `truth/judged.ts`; how often each is right
 * stands in `docs/eyes.md`. The others are common practice.
 */
export const LIMITS = {
  /** σ in pixels at 1 280: above the first perhaps, above the second certainly out of focus. */
  blur: [1.7, 2.6],
  /** The same in the picture's own pixels, below which it is as sharp as they are. */
  softest: 1.55,
  /**
   * Luma that the lighter of item and background reaches, below which it is dark where the darkest parts
   * are deep as well, and below which it is dark anyhow: a dark floor alone does not make a picture dark.
   */
  dark: 0.445,
  deep: 0.3,
  black: 0.29,
  /** Share of the item on which a colour is at its end. */
  blown: 0.27,
  /** Background: scatter ΔE, share of the border, unevenness of the light in L*. */
  grounds: 1.9,
  border: 0.8,
  falloff: 22,
  /** The item's longer side as a share of the frame: 80 % is common practice. */
  fill: 0.55,
  /** The same where part of it seems to lie beyond the border: such a small part is small all the same. */
  cutFill: 0.4,
  /**
   * Longer side, pixels: 500 is the least a large marketplace takes, 1 600 shows detail (common practice).
   */
  pixels: [500, 1_200],
  /** Longer side over shorter. */
  shape: 1.9,
  /** Letter-like marks in a line. */
  writing: 5,
} as const;

/** Scatter and share of the border of a background that is plain enough to be left. */
const PLAIN = { scatter: 2.2, share: 0.9 } as const;

/** Whether a background is plain enough to be left, or its shadow kept. */
export function isPlainGround({ spread, share }: Background): boolean {
  return Math.hypot(...spread) <= PLAIN.scatter && share >= PLAIN.share;
}

export interface Setting {
  cover: boolean;
  stance: Stance | undefined;
  /** Another picture that looks the same. */
  twin: Twin | null;
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
  const say = <C extends keyof PictureFindingParams>(
    code: C,
    params: PictureFindingParams[C],
    sure = true,
  ): unknown =>
    // A code and its params came as a pair; that can't be told once they are apart.
    out.push({ code, params, aspect: ASPECTS[code], sure } as PictureFinding);
  const long = Math.max(picture.width, picture.height);
  if (long < LIMITS.pixels[0]) say('tooSmall', { long });
  if (!exam || picture.made) return out;

  // In pixels of its own: a small picture can't be sharper than its pixels.
  const isSoft = exam.blur * Math.min(1, long / EXAM_SIDE) > LIMITS.softest;
  if (isSoft && exam.blur > LIMITS.blur[1]) say('blurred', { edge: exam.blur });
  else if (isSoft && exam.blur > LIMITS.blur[0]) say('softPerhaps', { edge: exam.blur }, false);
  if (exam.bright < LIMITS.black || (exam.bright < LIMITS.dark && exam.deep < LIMITS.deep))
    say('dark', { brightest: exam.bright });
  else if (exam.blown > LIMITS.blown) say('tooBright', { white: exam.blown });

  const whole = isWhole(picture.shows);
  const isWritten = exam.writing >= LIMITS.writing;
  // A line or a banner along the border is not the item.
  const cutOff = isWritten ? [] : exam.cutOff;
  // What runs in from beyond the border is seen at the border, even where no outline could be told.
  if (whole && cutOff.length > 0) say('cutOff', { sides: cutOff }, false);
  if (whole && exam.area > 0) {
    const known = exam.sure > 0.6;
    const fill = Math.max(exam.box[2], exam.box[3]);
    const least = cutOff.length === 0 ? LIMITS.fill : LIMITS.cutFill;
    if (known && fill < least) say('smallInFrame', { fill });
    const turned = turnedWrong(exam, setting.stance);
    if (known && turned) say(turned, NONE, false);
  }
  if (whole && exam.area === 0 && cutOff.length === 0 && exam.sure > 0.8)
    say('nothingStandsOut', NONE, false);
  if (
    whole &&
    (exam.grounds > LIMITS.grounds || (!isWritten && exam.sure < (cutOff.length === 0 ? LIMITS.border : 0.6)))
  )
    say('backgroundNotPlain', { scatter: exam.grounds, share: exam.sure }, exam.sure < 0.75);
  else if (whole && exam.falloff > LIMITS.falloff) say('lightUneven', { falloff: exam.falloff });
  if (setting.cover && isWritten) say('writing', { marks: exam.writing }, false);
  if (setting.twin) say('sameAs', { twin: setting.twin }, false);
  if (long >= LIMITS.pixels[0] && long < LIMITS.pixels[1]) say('ratherSmall', { long });
  const ratio = long / Math.min(picture.width, picture.height);
  if (ratio > LIMITS.shape) say('narrow', { ratio });
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
 * @returns null when it looks right or can't be told
 */
export function turnedWrong(exam: Exam, stance: Stance | undefined): Turned | null {
  const { rowPieces, columnPieces } = exam.outline;
  if (!stance || rowPieces.length === 0) return null;
  const [w, h] = [exam.box[2], exam.box[3]];
  if (stance === 'tall') return w > 1.3 * h ? 'onItsSide' : null;
  if (stance === 'wide') return h > 1.3 * w ? 'onEnd' : null;
  const half = rowPieces.length / 2;
  const split = (pieces: readonly number[]) => pieces.filter((n) => n > 1 && n < 6).length;
  const below = split(rowPieces.slice(half));
  const above = split(rowPieces.slice(0, half));
  const beside = Math.max(split(columnPieces.slice(0, half)), split(columnPieces.slice(half)));
  if (above >= below + 2 && above > beside) return 'upsideDown';
  if (beside >= below + 2 && beside > above) return 'onItsSide';
  return null;
}
