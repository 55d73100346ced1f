import { COLOURS } from '@/core/kinds/facts';
import { BUILT_IN } from '@/core/kinds/tree';

import type { Art } from './art';
import { barcodeScene, BARCODE_CLASSES } from './barcodes';
import type { Letters } from './fonts';
import { labelScene } from './labels';
import { digitsIn, prepareBarcodes, saidBy, startReaders } from './readers';
import { atLeast, atMost, type Verdict } from './verdict';

interface Asked {
  from: number;
  /** Pictures of each sort. */
  labels: number;
  boards: number;
  barcodes: number;
  letters: Letters;
}

/** Of what stands on labels and boards how much is proposed, and how much of what is proposed does not. */
export async function readingFigures(art: Art, asked: Asked): Promise<Verdict[]> {
  const readers = await startReaders();
  const measures = BUILT_IN.measures('jumper');
  const count = new Map<string, number>();
  const add = (key: string, by = 1) => count.set(key, (count.get(key) ?? 0) + by);
  const share = (part: string, whole: string) => (count.get(part) ?? 0) / Math.max(1, count.get(whole) ?? 0);
  for (const sort of ['label', 'board'] as const)
    for (let seed = asked.from; seed < asked.from + asked[`${sort}s`]; seed += 1) {
      const { picture, truth, held } = await labelScene(art, sort, seed, asked.letters);
      const read = await readers.read(picture);
      const said = saidBy(read, { measures, units: 'metric', colours: COLOURS });
      const group = sort === 'board' ? 'board' : Math.abs(held.tilt) <= 10 ? 'labelTo10' : 'labelTo20';
      const isSo = (field: string, value: string) =>
        truth[field]?.toLocaleLowerCase('en') === value.toLocaleLowerCase('en');
      for (const field of Object.keys(truth)) {
        add(`${group} facts`);
        if (said.some((s) => s.field === field && isSo(field, s.value))) add(`${group} right`);
      }
      // What is asked as a question is no proposal; care is not counted.
      for (const { field, value } of said.filter((s) => s.doubt === undefined && s.field !== 'fact:care')) {
        add(`${sort} said`);
        if (!isSo(field, value)) add(`${sort} wrong`);
      }
    }
  await readers.stop();
  return [
    atLeast('reading.labels.to10', share('labelTo10 right', 'labelTo10 facts'), 0.9),
    atLeast('reading.labels.to20', share('labelTo20 right', 'labelTo20 facts'), 0.8),
    atMost('reading.labels.wrong', share('label wrong', 'label said'), 0.03),
    atLeast('reading.boards.right', share('board right', 'board facts'), 0.85),
    atMost('reading.boards.wrong', share('board wrong', 'board said'), 0.03),
    ...(await barcodeFigures(art, asked)),
  ];
}

async function barcodeFigures(art: Art, { from, barcodes }: Asked): Promise<Verdict[]> {
  prepareBarcodes();
  let wrong = 0;
  const found: Verdict[] = [];
  for (const sort of BARCODE_CLASSES) {
    let right = 0;
    for (let seed = from; seed < from + barcodes; seed += 1) {
      const { picture, digits } = await barcodeScene(art, sort, seed);
      const said = await digitsIn(picture);
      if (said === digits) right += 1;
      else if (said !== null) wrong += 1;
    }
    found.push(atLeast(`reading.barcodes.${sort}`, right / barcodes, sort === 'blurred' ? 0.6 : 0.95));
  }
  return [...found, atMost('reading.barcodes.wrongDigits', wrong, 0, 'count')];
}
