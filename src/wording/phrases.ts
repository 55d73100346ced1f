/**
 * Phrases about condition to begin with, for those who have none of their own yet. Common practice of the
 * trade, from memory; said so that they hold of what was looked over, and promise nothing else.
 */
export const STARTING_PHRASES: readonly string[] = [
  'Clean copy with light shelf wear.',
  'Spine creased, pages clean.',
  'A previous owner’s name inside the cover.',
  'Corners a little bumped.',
  'Disc has light marks; not played through.',
  'Box worn at the corners, contents complete.',
  'Light signs of use, as the pictures show.',
  'Some pilling, no holes or stains found.',
  'Washed and ready to wear.',
  'Sold as found; not tested.',
];
