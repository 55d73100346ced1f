import { barsAcross, EDGE, placesFor, printable, type LabelStock } from '@/core/labels/layout';

export interface Label {
  /** In the barcode and under it; without a barcode when it is more than plain ASCII. */
  code: string;
  name: string;
  /** Large, at the right: where it goes. */
  spot: string;
}

const MM = 72 / 25.4;

/**
 * Labels as a PDF: name, Code 128 barcode, code, spot. What makes it is loaded only when the first labels are
 * wanted.
 *
 * @param used places of the first sheet already used up
 */
export async function labelsPdf(
  labels: readonly Label[],
  stock: LabelStock,
  used = 0,
): Promise<Uint8Array<ArrayBuffer>> {
  const [{ PDFDocument, StandardFonts, rgb }, { code128Widths }] = await Promise.all([
    import('pdf-lib'),
    import('@/core/labels/code128'),
  ]);
  const file = await PDFDocument.create();
  const font = await file.embedFont(StandardFonts.Helvetica);
  const strong = await file.embedFont(StandardFonts.HelveticaBold);
  const fitted = (text: string, size: number, width: number, of = font) => {
    let short = printable(text);
    while (short.length > 1 && of.widthOfTextAtSize(short, size) > width) short = `${short.slice(0, -2)}.`;
    return short;
  };
  const places = placesFor(stock, labels.length, used);
  for (const [i, label] of labels.entries()) {
    const place = places[i];
    if (!place) continue;
    while (file.getPageCount() <= place.page) file.addPage([stock.page.width * MM, stock.page.height * MM]);
    const page = file.getPage(place.page);
    const inner = {
      width: (stock.label.width - 2 * EDGE) * MM,
      height: (stock.label.height - 2 * EDGE) * MM,
    };
    const left = (place.x + EDGE) * MM;
    const top = (stock.page.height - place.y - EDGE) * MM;
    const barHeight = inner.height * 0.42;
    page.drawText(fitted(label.name, 8, inner.width), { x: left, y: top - 8, size: 8, font });
    for (const bar of barsAcross(code128Widths(label.code) ?? [], inner.width))
      page.drawRectangle({
        x: left + bar.left,
        y: top - 13 - barHeight,
        width: bar.width,
        height: barHeight,
        color: rgb(0, 0, 0),
      });
    const spot = fitted(label.spot, 12, inner.width * 0.45, strong);
    const spotWidth = strong.widthOfTextAtSize(spot, 12);
    page.drawText(fitted(label.code, 8, inner.width - spotWidth - 4), {
      x: left,
      y: top - 24 - barHeight,
      size: 8,
      font,
    });
    page.drawText(spot, {
      x: left + inner.width - spotWidth,
      y: top - 26 - barHeight,
      size: 12,
      font: strong,
    });
  }
  return new Uint8Array(await file.save());
}
