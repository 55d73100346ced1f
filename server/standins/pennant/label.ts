import JsBarcode from 'jsbarcode';
import { PDFDocument, rgb, StandardFonts, type PDFFont } from 'pdf-lib';

/** Points in a millimetre. */
const MM = 72 / 25.4;
const INK = rgb(0.1, 0.12, 0.16);

export interface Addressed {
  name: string;
  lines: string[];
}

/** The label of a parcel, 100 by 150 mm: to whom, from whom, how heavy, and the number as Code 128. */
export async function labelPdf(part: {
  number: string;
  service: string;
  grams: number;
  to: Addressed;
  from: string;
}): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  const [font, bold] = await Promise.all([
    pdf.embedFont(StandardFonts.Helvetica),
    pdf.embedFont(StandardFonts.HelveticaBold),
  ]);
  const page = pdf.addPage([100 * MM, 150 * MM]);
  const write = (text: string, x: number, y: number, size: number, face: PDFFont = font) =>
    page.drawText(writable(face, text), { x: x * MM, y: y * MM, size, font: face, color: INK });
  write('Pennant Post', 6, 138, 16, bold);
  write(part.service, 6, 131, 11);
  write(`${(part.grams / 1_000).toFixed(2)} kg`, 78, 138, 12, bold);
  write(`From: ${part.from}`, 6, 122, 8);
  write(part.to.name, 6, 104, 15, bold);
  part.to.lines.forEach((line, i) => write(line, 6, 96 - i * 7, 13));
  const drawn: { encodings?: { data: string }[] } = {};
  JsBarcode(drawn, part.number, { format: 'CODE128' });
  const bars = drawn.encodings?.map((e) => e.data).join('') ?? '';
  const width = (88 * MM) / bars.length;
  [...bars].forEach((bar, i) => {
    if (bar === '1')
      page.drawRectangle({ x: 6 * MM + i * width, y: 18 * MM, width, height: 26 * MM, color: INK });
  });
  write(part.number, 30, 10, 13, bold);
  return pdf.save();
}

/** What the font can't write is left out rather than refused. */
function writable(font: PDFFont, text: string): string {
  return [...text]
    .filter((ch) => {
      try {
        font.encodeText(ch);
        return true;
      } catch {
        return false;
      }
    })
    .join('');
}
