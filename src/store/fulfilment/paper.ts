import type { PDFFont, PDFPage } from 'pdf-lib';

import { variationSold } from '@/core/choices/choices';
import type { ConsignorStatement } from '@/core/consign/statement';
import { printable } from '@/core/labels/layout';
import { formatMoney } from '@/core/money/money';
import type { OrderRow } from '@/core/orders/orders';
import { customsLine, promised } from '@/core/orders/packing';
import { useAttic } from '@/store/attic/attic';
import { isoDay } from '@/store/base/isoDay';
import { marketName } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';
import { nameOr } from '@/store/items/names';

import { addressOf } from './orders';

const MM = 72 / 25.4;
const PAGE: [number, number] = [210 * MM, 297 * MM];
const EDGE = 20 * MM;

/** Writes lines down a page, and goes on to another when it is full. */
class Sheet {
  private page: PDFPage;
  private y: number;
  constructor(
    private readonly add: () => PDFPage,
    private readonly font: PDFFont,
    private readonly bold: PDFFont,
  ) {
    this.page = add();
    this.y = PAGE[1] - EDGE;
  }

  line(cells: readonly { text: string; at?: number; right?: boolean }[], size = 10, strong = false): void {
    if (this.y < EDGE) {
      this.page = this.add();
      this.y = PAGE[1] - EDGE;
    }
    const face = strong ? this.bold : this.font;
    for (const { text, at = 0, right } of cells) {
      // The built-in fonts have no sign for some currencies: their letters say the same.
      const words = printable(text.replaceAll('€', 'EUR '));
      const x = EDGE + at * MM - (right ? face.widthOfTextAtSize(words, size) : 0);
      this.page.drawText(words, { x, y: this.y, size, font: face });
    }
    this.y -= size * 1.55;
  }

  text(text: string, size = 10, strong = false): void {
    const words = text.split(/\s+/u);
    const face = strong ? this.bold : this.font;
    let row = '';
    for (const word of words) {
      const next = row ? `${row} ${word}` : word;
      if (row && face.widthOfTextAtSize(printable(next), size) > PAGE[0] - 2 * EDGE) {
        this.line([{ text: row }], size, strong);
        row = word;
      } else row = next;
    }
    this.line([{ text: row }], size, strong);
  }

  gap(mm = 4): void {
    this.y -= mm * MM;
  }
}

async function paper(write: (begin: () => Sheet) => Promise<void> | void): Promise<Blob> {
  const { PDFDocument, StandardFonts } = await import('pdf-lib');
  const file = await PDFDocument.create();
  const font = await file.embedFont(StandardFonts.Helvetica);
  const bold = await file.embedFont(StandardFonts.HelveticaBold);
  await write(() => new Sheet(() => file.addPage(PAGE), font, bold));
  return new Blob([new Uint8Array(await file.save())], { type: 'application/pdf' });
}

/** A slip for each parcel: who gets it, what is in it and was promised; for abroad, what customs is told. */
export function packingSlips(rows: readonly OrderRow[]): Promise<Blob> {
  const { items, settings } = useAttic.getState();
  const kinds = kindsNow();
  return paper(async (begin) => {
    for (const row of rows) {
      const sheet = begin();
      const item = items[row.itemId];
      const to = await addressOf(row);
      const piece = variationSold(item?.choices, row.sale);
      sheet.text('Packing slip', 18, true);
      if (settings.sender) sheet.text(`From ${settings.sender}`);
      sheet.text(`Order ${row.sale.order}, ${marketName(row.sale.market)}, ${isoDay(row.sale.at)}`);
      sheet.gap();
      for (const line of [to?.name ?? '', ...(to?.lines ?? [])]) if (line) sheet.text(line, 13);
      sheet.gap();
      sheet.line(
        [
          { text: nameOr(item, row.sale.order) },
          { text: formatMoney(row.sale.amount, settings.currency), at: 170, right: true },
        ],
        11,
        true,
      );
      if (piece) sheet.text(piece.values.join(', '));
      for (const line of item ? promised(item) : []) sheet.text(line);
      sheet.line([
        { text: 'Postage' },
        { text: formatMoney(row.sale.postage, settings.currency), at: 170, right: true },
      ]);
      if (!item || !to || to.zone === 'inland') continue;
      const kind = kinds.get(item.kind)?.name ?? '';
      const customs = customsLine(item, kind, row.sale.amount, row.record?.weightG ?? item.weightG);
      sheet.gap(8);
      sheet.text('For customs', 14, true);
      sheet.text(
        `${customs.what}. Origin: ${customs.origin}. 1 ` +
          `piece${customs.weightG ? `, ${(customs.weightG / 1_000).toFixed(2)} kg` : ''}.`,
      );
      sheet.text(`Value: ${formatMoney(customs.value, settings.currency)}. Sale of goods. Secondhand.`);
    }
  });
}

const SORT_WORDS = { sold: 'Sold', cameBack: 'Came back', paid: 'Paid' } as const;

/** A consignor's statement, line by line, with the balance. */
export function statementPdf(name: string, period: string, s: ConsignorStatement): Promise<Blob> {
  const { currency, sender } = useAttic.getState().settings;
  const money = (amount: number) => formatMoney(amount, currency);
  return paper((begin) => {
    const sheet = begin();
    sheet.text(`Statement for ${name}`, 18, true);
    sheet.text([period, sender].filter(Boolean).join(' · '));
    sheet.gap();
    const row = (
      a: string,
      b: string,
      price: string,
      costs: string,
      amount: string,
      balance: string,
      strong = false,
    ) =>
      sheet.line(
        [
          { text: a },
          { text: b.slice(0, 46), at: 22 },
          { text: price, at: 112, right: true },
          { text: costs, at: 132, right: true },
          { text: amount, at: 151, right: true },
          { text: balance, at: 170, right: true },
        ],
        9,
        strong,
      );
    row('Day', 'What', 'Price', 'Costs', 'Yours', 'Balance', true);
    row('', 'Carried over', '', '', '', money(s.before));
    for (const l of s.lines)
      row(
        isoDay(l.at),
        `${SORT_WORDS[l.sort]}${l.what ? `: ${l.what}` : ''}`,
        l.price ? money(l.price) : '',
        l.costs ? money(l.costs) : '',
        money(l.amount),
        money(l.balance),
      );
    sheet.gap();
    row('', 'Earned', money(s.sold), '', money(s.earned), '', true);
    row('', 'Paid to you', '', '', money(-s.paid), '', true);
    row('', 'Owed to you', '', '', '', money(s.after), true);
  });
}
