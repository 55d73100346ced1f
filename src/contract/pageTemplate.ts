import { z } from 'zod';

/** What a page of a listing is put together from, where a marketplace takes markup. */
export const PAGE_PARTS = [
  'heading',
  'story',
  'facts',
  'condition',
  'measurements',
  'terms',
  'words',
] as const;
export type PagePartName = (typeof PAGE_PARTS)[number];

/** One part of a page, in an order of the person's own. */
export const PagePart = z.object({
  part: z.enum(PAGE_PARTS),
  /** What stands over it; empty: nothing. Public. */
  heading: z.string().max(80).default(''),
  /** Of `words`: a pattern. */
  text: z.string().max(4_000).default(''),
});
export type PagePart = z.infer<typeof PagePart>;

/** The parts of a page; null: pages hold the description alone. */
export const PageTemplate = z.array(PagePart).min(1).max(20).nullable().default(null);

/** What a page begins with. */
export const FIRST_PAGE: readonly PagePart[] = [
  { part: 'heading', heading: '', text: '' },
  { part: 'story', heading: '', text: '' },
  { part: 'facts', heading: 'The facts', text: '' },
  { part: 'condition', heading: 'Condition', text: '' },
  { part: 'measurements', heading: 'Measured flat', text: '' },
  { part: 'terms', heading: 'Posting and returns', text: '' },
];
