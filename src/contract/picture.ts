import { z } from 'zod';

import { Instant, RecordId } from './common';

/** A share of a picture's width or height. A little outside is allowed: a crop may reach over the edge. */
const Share = z.number().min(-2).max(3);
const Point = z.object({ x: Share, y: Share });
export type Point = z.infer<typeof Point>;

const Rgb = z.tuple([z.number().min(0).max(255), z.number().min(0).max(255), z.number().min(0).max(255)]);

/** What was measured on a picture's pixels; what it means is for the judgement to say. */
export const Exam = z.object({
  /** Width of edges, as the σ of a blur in pixels of a picture of 1 280. */
  blur: z.number().nonnegative(),
  /** Variance of the Laplacian where there is most detail. */
  laplacian: z.number().nonnegative(),
  /** Mean luma of the background, 0 to 1; 0 where none is seen. */
  light: z.number().min(0).max(1),
  /** Luma that the lighter of item and background reaches (a tenth of it exceeds it), 0 to 1. */
  bright: z.number().min(0).max(1),
  /** Luma that only a fiftieth of the picture falls short of, 0 to 1. */
  deep: z.number().min(0).max(1).default(0),
  /** Share of the item on which a colour is at its end; share of the picture that is nearly black. */
  blown: z.number().min(0).max(1),
  black: z.number().min(0).max(1),
  /** Scatter of the background around its own trend, ΔE*ab; how much lighter one part is than another, L*. */
  grounds: z.number().nonnegative(),
  falloff: z.number().nonnegative(),
  /** Share of the border that is background: how far the rest may be believed. */
  sure: z.number().min(0).max(1),
  /** Where the item is: left, top, width, height as shares. All 0 where none was found. */
  box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
  /** Share of the picture that is item. */
  area: z.number().min(0).max(1),
  cutOff: z.array(z.enum(['top', 'right', 'bottom', 'left'])).max(4),
  /** Letter-like marks in the longest line beside the item. */
  writing: z.number().int().nonnegative(),
  outline: z.object({
    rows: z.array(z.number()).max(16),
    columns: z.array(z.number()).max(16),
    rowPieces: z.array(z.number().int()).max(16),
    columnPieces: z.array(z.number().int()).max(16),
  }),
  /** The item's colours as they are seen, sRGB 0 to 255, and their shares of it; the largest first. */
  tones: z
    .array(z.object({ rgb: Rgb, share: z.number().min(0).max(1) }))
    .max(8)
    .default([]),
  /** Whether its outline, and so what its colours are, can be relied on. */
  outlined: z.boolean().default(true),
  /** Whether something with the shape of a card or sheet lies beside something else. */
  sheet: z.boolean().default(false),
  /** The middle colour of what it lies on; null where hardly any of that is seen. */
  ground: Rgb.nullable().default(null),
  /** For finding near-duplicates. */
  print: z.string().max(400),
});
export type Exam = z.infer<typeof Exam>;

/** A finger's stroke on the mask, in shares of the original picture. */
export const Stroke = z.object({
  mode: z.enum(['add', 'remove']),
  /** Share of the picture's longer side. */
  radius: z.number().positive().max(0.5),
  points: z.array(Point).min(1).max(2_000),
});
export type Stroke = z.infer<typeof Stroke>;

/** One step of cleaning up. The original is never touched: steps are replayed on it. */
export const EditStep = z.discriminatedUnion('type', [
  /** Quarters of a turn, clockwise. */
  z.object({ type: z.literal('turn'), quarters: z.union([z.literal(1), z.literal(2), z.literal(3)]) }),
  /** Degrees clockwise, replacing an earlier straightening. */
  z.object({ type: z.literal('straighten'), degrees: z.number().min(-45).max(45) }),
  /** A part of the turned and straightened picture; null gives the whole back. */
  z.object({
    type: z.literal('crop'),
    to: z
      .object({ x: Share, y: Share, w: z.number().positive().max(3), h: z.number().positive().max(3) })
      .nullable(),
  }),
  /** Factors on red, green and blue in linear light; null takes them off. */
  z.object({
    type: z.literal('light'),
    gains: z
      .tuple([z.number().positive().max(8), z.number().positive().max(8), z.number().positive().max(8)])
      .nullable(),
  }),
  z.object({ type: z.literal('white'), shadow: z.enum(['kept', 'dropped']).nullable() }),
  z.object({ type: z.literal('stroke'), stroke: Stroke }),
]);
export type EditStep = z.infer<typeof EditStep>;

/** Flat items of known size that can be laid beside what is measured. */
export const REFERENCES = ['card', 'a4', 'letter'] as const;

/** A line that was drawn to measure, between two points of the original picture. */
export const MeasureLine = z.object({ measure: z.string().max(60), a: Point, b: Point });
export type MeasureLine = z.infer<typeof MeasureLine>;

/** A card or sheet of known size in a picture. */
export const KnownPlane = z.object({
  reference: z.enum(REFERENCES),
  /** Shares of the picture, in order around. */
  corners: z.tuple([Point, Point, Point, Point]),
  /** Standard deviation of each corner, pixels; without, a person set them. */
  sigmas: z.array(z.number().positive().max(100)).length(4).optional(),
});
export type KnownPlane = z.infer<typeof KnownPlane>;

/** How a measurement picture came to be: enough to draw it anew when a figure changes. */
export const Made = z.object({
  from: RecordId,
  lines: z.array(MeasureLine).max(20),
  plane: KnownPlane.nullable(),
  /** The figures it shows now, by measurement. */
  figures: z.record(z.string().max(60), z.string().max(40)),
});
export type Made = z.infer<typeof Made>;

/** No label and no board has more lines, or longer ones. */
export const MOST_READ = { lines: 60, letters: 120 } as const;

/** A line of text as a reader found it in a picture. */
export const ReadLine = z.object({
  text: z.string().max(MOST_READ.letters),
  /** 0 to 100. */
  confidence: z.number().min(0).max(100),
  /** Left, top, width, height as shares of the picture. */
  box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
  /** How tall it is against the others it was read with, where it is not upright in the picture. */
  tall: z.number().optional(),
  /** How sure the least sure of its figures is, 0 to 100, where that is known. */
  weakest: z.number().optional(),
});
export type ReadLine = z.infer<typeof ReadLine>;

/** What each of two readers made of the same lines. */
export const TextRead = z.object({
  page: z.array(ReadLine).max(MOST_READ.lines),
  line: z.array(ReadLine).max(MOST_READ.lines),
});
export type TextRead = z.infer<typeof TextRead>;

/** Where a picture comes from. Only the first three are the seller's own. */
export const ORIGINS = ['camera', 'file', 'demo', 'copied', 'stock'] as const;
export type Origin = (typeof ORIGINS)[number];
/** Longest address a picture is fetched from, characters. */
export const LONGEST_ADDRESS = 2_000;

/** What is known of a picture; its bytes are stored as Blobs under keys of their own. */
export const Picture = z.object({
  id: RecordId,
  itemId: RecordId,
  origin: z.enum(ORIGINS),
  /** Where it was fetched from; null: it came from nowhere on a net. */
  address: z.string().max(LONGEST_ADDRESS).nullable().default(null),
  /** A picture that is not the seller's own is sent all the same: they say they may. */
  sendAnyway: z.boolean().default(false),
  author: z.string().max(120),
  /** From the file's own Exif, when it says. */
  takenAt: Instant.nullable().default(null),
  addedAt: Instant,
  /** Pixels of the picture as it is shown, upright, cleaned up. */
  width: z.number().int().positive(),
  height: z.number().int().positive(),
  /** Of everything stored for it. */
  bytes: z.number().int().positive(),
  /**
   * What it shows: of the shot list (`front`, `label`, `flaw:f1`), or `board`, `barcode`, `detail`; empty:
   * nothing in particular.
   */
  shows: z.string().max(80).default(''),
  /** Who says so: the person, the list that asked for it, or what was seen in it. */
  showsBy: z.enum(['person', 'list', 'sight']).default('person'),
  /** Still to be looked at by itself: what it shows, and what stands in it. */
  awaits: z.boolean().default(false),
  /** What was read in it, to be understood anew when the item turns out to be another; null: nothing was. */
  read: TextRead.nullable().default(null),
  /** The card or sheet beside the item that was made out by itself. */
  beside: KnownPlane.nullable().default(null),
  exam: Exam.nullable().default(null),
  /** What was done to it, in order, and what was taken back and can be done again. */
  steps: z.array(EditStep).max(400).default([]),
  undone: z.array(EditStep).max(400).default([]),
  /** It stands for a clip: the picture is its still. */
  clip: z
    .object({ seconds: z.number().positive().max(61), type: z.enum(['video/webm', 'video/mp4']) })
    .nullable()
    .default(null),
  made: Made.nullable().default(null),
});
export type Picture = z.infer<typeof Picture>;

/**
 * Why a reading is doubtful: shares that don't come to a hundred; a figure outside the kind's usual span; a
 * number without a word, given to a measurement by the order in which it stands; a figure that was read
 * otherwise a second time; a colour that other light, as it may well have been, would make another; words or
 * a unit that were not legible; a line that was laid on the item by itself; a line that is so on other labels
 * of its maker, as the person said.
 */
export const DOUBTS = [
  'sum',
  'unusual',
  'bareNumber',
  'readOtherwise',
  'light',
  'outline',
  'illegible',
  'laid',
  'taught',
  'alike',
] as const;
export type Doubt = (typeof DOUBTS)[number];

/** Something a machine read in a picture or was told, not yet confirmed by a person. Never sent anywhere. */
export const Reading = z.object({
  id: RecordId,
  /** `fact:size`, `measure:chest`, `weight`, `flaw`, `kind`, `title`. */
  field: z.string().max(80),
  /** As it would be stored: the fact's text, millimetres, grams, the flaw's words, the kind's id. */
  value: z.string().min(1).max(400),
  /** Seen in a picture, told by the product look-up, said of what looks like it, or read in words. */
  from: z.enum(['picture', 'productLookup', 'likeness', 'words']).default('picture'),
  /** The words it was read from, and where in the picture they stand. */
  words: z.string().max(400),
  /** Null where the camera read it without a picture being taken. */
  pictureId: RecordId.nullable(),
  box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
  /** As the reader gives it, 0 to 100. */
  confidence: z.number().min(0).max(100),
  /** Why it is doubtful; null where it is not. */
  doubt: z.enum(DOUBTS).nullable().default(null),
  /** The line a length was measured along by itself, and how far it may be off, millimetres. */
  laid: z
    .object({ a: Point, b: Point, plusMinus: z.number().positive().max(5_000) })
    .nullable()
    .default(null),
});
export type Reading = z.infer<typeof Reading>;
