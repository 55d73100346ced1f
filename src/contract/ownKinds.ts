import { z } from 'zod';

import { RecordId, ShortText } from './common';

/** A kind of item that the person added to the tree. */
export const OwnKind = z.object({
  id: RecordId,
  /** Another kind's id; null: a root. */
  parent: z.string().max(60).nullable(),
  name: z.string().min(1).max(60),
});
export type OwnKind = z.infer<typeof OwnKind>;

/** A question that the person asks of a kind and all below it, or in place of one of ours. */
export const OwnSpecific = z.object({
  id: RecordId,
  /** Empty: asked of every item. */
  kind: z.string().max(60),
  /** The fact's id; that of one of ours takes its place. */
  fact: z.string().min(1).max(60),
  label: z.string().min(1).max(60),
  type: z.enum(['text', 'number', 'year', 'yesNo']).default('text'),
  unit: z.string().max(12).default(''),
  choices: z.array(z.string().min(1).max(80)).max(200).default([]),
  /** Nothing but the choices is taken. */
  closed: z.boolean().default(false),
  need: z.enum(['required', 'wanted', 'optional']).default('optional'),
  several: z.boolean().default(false),
  /** Never sent, never in public words. */
  private: z.boolean().default(false),
  usual: ShortText.default(''),
});
export type OwnSpecific = z.infer<typeof OwnSpecific>;
