import { join } from 'node:path';
import { createWorker, OEM, PSM, type Worker as TextReader } from 'tesseract.js';

import type { ReadLine } from '@/contract/picture';
import { graymapOf } from '@/core/pixels/graymap';
import type { Plane } from '@/core/pixels/pixels';

const DATA = join(__dirname, '../node_modules/@tesseract.js-data/eng/4.0.0_best_int');

/** The reader of text that the pages use, in this process. */
export async function startEngine(): Promise<TextReader> {
  const reader = await createWorker('eng', OEM.LSTM_ONLY, {
    langPath: DATA,
    cacheMethod: 'none',
    gzip: true,
  });
  await reader.setParameters({ tessedit_pageseg_mode: PSM.AUTO, user_defined_dpi: '300' });
  return reader;
}

export async function linesIn(reader: TextReader, { width, height, data }: Plane): Promise<ReadLine[]> {
  const file = Buffer.from(graymapOf({ width, height, data }));
  const { data: page } = await reader.recognize(file, {}, { text: true, blocks: true });
  return (page.blocks ?? []).flatMap((b) =>
    b.paragraphs.flatMap((p) =>
      p.lines.map(({ text, confidence, bbox }): ReadLine => ({
        text: text.trim(),
        confidence,
        box: [bbox.x0 / width, bbox.y0 / height, (bbox.x1 - bbox.x0) / width, (bbox.y1 - bbox.y0) / height],
      })),
    ),
  );
}
