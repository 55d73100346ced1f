import MailComposer from 'nodemailer/lib/mail-composer';

import type { PayWay } from './validate';
import type { PaidOrder } from '../kit/orders';
import { euros } from '../kit/service';

/** What a buyer is written once they have ordered. */
export interface OrderMail {
  number: string;
  at: number;
  buyer: PaidOrder['buyer'];
  lines: { name: string; cents: number }[];
  postCents: number;
  way: PayWay;
}

const PAID: Record<PayWay, string> = {
  card: 'Paid by card.',
  transfer: 'Please transfer it; it is sent once it is there.',
  cash: 'To be paid in cash when it is brought.',
};

/** The mail as a file, as RFC 5322 has it; the addresses are of a domain that leads nowhere (RFC 2606). */
export function orderMail({ number, at, buyer, lines, postCents, way }: OrderMail): Promise<Buffer> {
  const total = lines.reduce((sum, l) => sum + l.cents, postCents);
  const text = [
    `Thank you for your order ${number}.`,
    '',
    ...lines.map((l) => `${l.name}: ${euros(l.cents)}`),
    `Postage: ${euros(postCents)}`,
    `Together: ${euros(total)}`,
    '',
    PAID[way],
    '',
    'It goes to:',
    buyer.name,
    ...buyer.lines,
  ];
  return new MailComposer({
    from: { name: 'The shop at Lanternyard', address: 'shop@lanternyard.invalid' },
    to: { name: buyer.name, address: 'buyer@lanternyard.invalid' },
    subject: `Your order ${number}`,
    date: new Date(at),
    messageId: `<${number}@lanternyard.invalid>`,
    text: text.join('\r\n'),
  })
    .compile()
    .build();
}
