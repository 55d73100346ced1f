import { useState } from 'react';
import { View } from 'react-native';

import type { Research } from '@/contract/records';
import { suggestKinds } from '@/core/kinds/suggest';
import { effectiveListing, askingTerms } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { judgeComps, summarise, USUAL_LIKENESS } from '@/core/price/comps';
import { mayPay } from '@/core/price/profit';
import { takeHomeOf } from '@/core/price/takeHome';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { BackTo } from '@/parts/ui/BackTo';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { blankItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { useSetup } from '@/store/items/setup';
import { askComps } from '@/store/research/research';
import { surenessWords } from '@/wording/price';

/**
 * Sourcing, in the field: what it would sell for and the most to pay. Works on what was asked before, too.
 */
export function Buying() {
  const kinds = useKinds();
  const [what, setWhat] = useTextDraft('buying:what');
  const [brand, setBrand] = useTextDraft('buying:brand');
  const [chosen, setChosen] = useState<string | null>(null);
  const research = useAttic((s) => s.research);
  const { run, busy, trouble } = useAsyncAction();
  const offered = what.trim() === '' ? [] : suggestKinds({ title: what }, kinds, 4).map((s) => s.kind);
  const kind = chosen ?? offered[0] ?? '';
  const id = fieldId(kind, brand);
  const known = research[id] ?? likeIt(research, kind, brand);
  const name = kinds.get(kind)?.titleWords ?? '';
  return (
    <Page title="Sourcing" aside={<BackTo path="/attic" />}>
      <Card label="What is it">
        <Field
          label="What is it"
          value={what}
          pause={0}
          maxLength={120}
          placeholder="waxed jacket"
          onChange={(text) => {
            setWhat(text);
            setChosen(null);
          }}
        />
        <ChipRow label="Kind">
          {offered.map((one) => (
            <Chip key={one} on={one === kind} onPress={() => setChosen(one)}>
              {kinds.get(one)?.name ?? one}
            </Chip>
          ))}
        </ChipRow>
        <Field label="Brand or maker" value={brand} pause={0} maxLength={120} onChange={setBrand} />
        <Button
          variant="main"
          icon="search"
          disabled={busy || kind === ''}
          onPress={() =>
            run(() =>
              askComps({
                id,
                kind,
                words: [name, brand.trim()].filter(Boolean).join(' '),
                brand: brand.trim(),
              }),
            )
          }
        >
          {busy ? 'Asking the marketplaces…' : 'What would it bring?'}
        </Button>
        {trouble ? (
          <Notice tone="caution">
            {known ? `${trouble} Below is what was found out ${agoWords(known.at)}.` : trouble}
          </Notice>
        ) : null}
      </Card>
      {known && kind !== '' ? <Answer kind={kind} research={known} /> : null}
    </Page>
  );
}

function Answer({ kind, research }: { kind: string; research: Research }) {
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const setup = useSetup();
  const { multiples, currency } = setup.settings;
  const { comps, brand, leftOut, byHand, at } = research;
  const summary = summarise(judgeComps(comps, { ...USUAL_LIKENESS, brand, leftOut }, byHand, at));
  const { low, typical, high } = summary;
  const say = (amount: number) => formatMoney(amount, currency);
  if (typical === null || low === null || high === null)
    return (
      <Card label="What it would bring">
        <Text>{surenessWords(summary)}</Text>
      </Card>
    );
  const item = blankItem(kind);
  const homes = sheets.flatMap((sheet) => {
    const terms = askingTerms(effectiveListing(item, undefined, sheet, kinds, setup), sheet);
    if (!terms || (sheet.categories.length > 0 && terms.sale.category === '')) return [];
    const { takeHome } = takeHomeOf({ ...terms.sale, price: typical }, terms.schedule, terms.parents);
    return [{ sheet, takeHome }];
  });
  const best = homes.reduce((most, h) => Math.max(most, h.takeHome), 0);
  return (
    <Card label="What it would bring">
      <Text variant="small" tone="soft">{`Pay at most, for ${multiples.oneOff} times`}</Text>
      <Text variant="title" figures>
        {say(mayPay(typical, best, multiples.oneOff))}
      </Text>
      <Text figures>
        {`It would sell for about ${say(typical)} (${say(low)} to ${say(high)}). ` +
          `${surenessWords(summary)}`}
      </Text>
      <View>
        {homes.map(({ sheet, takeHome }) => (
          <View key={sheet.marketplace} style={{ flexDirection: 'row' }}>
            <Text tone="soft" style={{ flex: 1 }}>
              {sheet.name}
            </Text>
            <Text tone="soft" figures>{`leaves ${say(takeHome)}`}</Text>
          </View>
        ))}
      </View>
      <Text variant="small" tone="soft" figures>
        {`Asked ${agoWords(research.at)}. Light wear and the kind’s usual parcel are taken for granted.`}
      </Text>
    </Card>
  );
}

/** One question in the field has one answer, whenever it is asked. */
function fieldId(kind: string, brand: string): string {
  const name = encodeURIComponent(brand.trim().toLocaleLowerCase('en')).replace(/[^A-Za-z0-9]/gu, '-');
  return `field_${kind}_${name}`.slice(0, 64);
}

/** With no connection: what was asked about an item of the attic like it, the latest first. */
function likeIt(
  research: Readonly<Record<string, Research>>,
  kind: string,
  brand: string,
): Research | undefined {
  const { items } = useAttic.getState();
  const wanted = brand.trim().toLocaleLowerCase('en');
  return Object.values(research)
    .filter(
      (r) => items[r.id]?.kind === kind && (wanted === '' || r.brand.toLocaleLowerCase('en') === wanted),
    )
    .sort((a, b) => b.at - a.at)[0];
}
