import { memo } from 'react';

import type { Thing } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { loadSheets, useCourier } from '@/store/courierLink';

import { Section } from '../item/Section';
import { BestPlace } from '../price/BestPlace';
import { useDo } from '../shell/useDo';
import { MarketCard } from './MarketCard';
import { SendBar } from './SendBar';

/** Everything about selling this thing somewhere: what to send where, what it would bring, and sending it. */
export const Marketplaces = memo(function Marketplaces({
  thing,
  examined,
}: {
  thing: Thing;
  examined: readonly Examined[];
}) {
  const missing = useCourier((s) => s.sheetsMissing);
  const { run, trouble } = useDo();
  return (
    <Section name="markets" title="Marketplaces">
      {examined.length === 0 && missing.length === 0 ? (
        <Words tone="soft">The rule sheets are being read…</Words>
      ) : null}
      {missing.map((m) => (
        <Notice key={m.market} tone="caution">{`The rules of ${m.name} could not be read: ${m.why}`}</Notice>
      ))}
      {missing.length > 0 ? <Press onPress={() => run(loadSheets)}>Read the rules again</Press> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <BestPlace thing={thing} examined={examined} />
      {examined.map((e) => (
        <MarketCard key={e.sheet.marketplace} thing={thing} examined={e} />
      ))}
      <SendBar thing={thing} examined={examined} />
    </Section>
  );
});
