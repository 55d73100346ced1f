import { useState } from 'react';
import { View } from 'react-native';

import type { Find } from '@/contract/likeness';
import type { Research } from '@/contract/records';
import { suggestKinds } from '@/core/kinds/suggest';
import { kindOfFind, kindsFound, lookAlikes } from '@/core/likeness/finds';
import { effectiveListing, askingTerms } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { judgeComps, summarise, USUAL_LIKENESS } from '@/core/price/comps';
import { mayPay } from '@/core/price/profit';
import { takeHomeOf } from '@/core/price/takeHome';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
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
import { askComps, putLookAlikes } from '@/store/research/research';
import { surenessWords } from '@/wording/price';

import { forgetLikeNothing, LooksLikeIt, OnTheStall, useOnTheStall } from './OnTheStall';

/**
 * Sourcing, in the field: what it would sell for and the most to pay. Works on what was asked before, too.
 */
export function Buying() {
  const question = useQuestion();
  const { kind, known } = question;
  const { isAsking, isLikeNothing, finds } = useOnTheStall();
  const isByPicture = finds.length > 0;
  // What another picture or other words were answered with says nothing of the one at hand.
  const answer =
    known && kind !== '' && !isAsking && !isLikeNothing ? <Answer kind={kind} research={known} /> : null;
  return (
    <Page title="Sourcing" back="/attic">
      <Card label="By its picture">
        <OnTheStall kind={kind} onFound={question.found} onKind={(one, finds) => question.goBy(one, finds)} />
      </Card>
      {isByPicture ? answer : null}
      <LooksLikeIt onTake={question.isLike} />
      <Card label="What is it">
        <InWords question={question} />
      </Card>
      {isByPicture ? null : answer}
    </Page>
  );
}

type Question = ReturnType<typeof useQuestion>;

/** What is asked about: by its words, or by what looks like it. */
function useQuestion() {
  const kinds = useKinds();
  const [what, setWhat] = useTextDraft('buying:what');
  const [brand, setBrand] = useTextDraft('buying:brand');
  const [chosen, setChosen] = useState<string | null>(null);
  const research = useAttic((s) => s.research);
  const currency = useAttic((s) => s.settings.currency);
  const named = what.trim() === '' ? [] : suggestKinds({ title: what }, kinds, 4).map((s) => s.kind);
  const offered = chosen === null ? named : [...new Set([chosen, ...named])];
  const kind = offered[0] ?? '';
  const id = fieldId(kind, brand);
  const wordsOf = (one: string) => kinds.get(one)?.titleWords ?? '';
  /** What looks like it and is of that kind is what its price goes by, until marketplaces are asked. */
  const goBy = (one: string, finds: readonly Find[], maker = brand) => {
    setChosen(one);
    const same = finds.filter((find) => kindOfFind(find, kinds) === one);
    putLookAlikes(fieldId(one, maker), lookAlikes(same, currency), wordsOf(one), maker.trim());
  };
  return {
    what,
    brand,
    offered,
    kind,
    known: research[id] ?? likeIt(research, kind, brand),
    setWhat: (text: string) => {
      forgetLikeNothing();
      setWhat(text);
      setChosen(null);
    },
    setBrand,
    choose: setChosen,
    goBy,
    found: (finds: readonly Find[]) => {
      const [first] = kindsFound(finds, kinds);
      if (!first) return;
      setWhat(wordsOf(first.kind));
      // The maker of the last one is not this one’s.
      setBrand('');
      goBy(first.kind, finds, '');
    },
    isLike: (find: Find, finds: readonly Find[]) => {
      const own = kindOfFind(find, kinds);
      setBrand(find.maker);
      if (own !== null) goBy(own, finds, find.maker);
    },
    ask: () => {
      forgetLikeNothing();
      return askComps({
        id,
        kind,
        words: [wordsOf(kind), brand.trim()].filter(Boolean).join(' '),
        brand: brand.trim(),
      });
    },
  };
}

function InWords({ question }: { question: Question }) {
  const kinds = useKinds();
  const { what, brand, offered, kind, known } = question;
  const { run, busy, trouble } = useAsyncAction();
  return (
    <>
      <Field
        label="What is it"
        value={what}
        pause={0}
        maxLength={120}
        placeholder="waxed jacket"
        onChange={question.setWhat}
      />
      <ChipRow label="Kind">
        {offered.map((one) => (
          <Chip key={one} on={one === kind} onPress={() => question.choose(one)}>
            {kinds.get(one)?.name ?? one}
          </Chip>
        ))}
      </ChipRow>
      <Field label="Brand or maker" value={brand} pause={0} maxLength={120} onChange={question.setBrand} />
      <Button variant="main" icon="search" disabled={busy || kind === ''} onPress={() => run(question.ask)}>
        {busy ? 'Asking the marketplaces…' : 'What would it bring?'}
      </Button>
      {trouble ? (
        <Notice tone="caution">
          {known ? `${trouble} Below is what was found out ${agoWords(known.at)}.` : trouble}
        </Notice>
      ) : null}
    </>
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
        {`${basisWords(research)} Light wear and the kind’s usual parcel are taken for granted.`}
      </Text>
    </Card>
  );
}

/** Whom it was asked of, and when. */
function basisWords({ comps, at }: Research): string {
  const isByLook = comps.length > 0 && comps.every(({ alike }) => alike !== undefined);
  return isByLook
    ? `By what looks like it, found ${agoWords(at)}; the marketplaces were not asked.`
    : `Asked ${agoWords(at)}.`;
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
