import { group } from 'd3-array';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { CategoryFinder, CategoryLine } from '@/parts/trade/CategoryFinder';
import { PictureView } from '@/parts/trade/PictureView';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';
import { decideCategories } from '@/store/items/mappings';
import { useWide } from '@/theme/theme';
import { categoryReason } from '@/wording/kinds';

import { OneForAll } from './OneForAll';
import { keyOf, type There } from './useThere';

/** Pictures of so many of a kind remind of what it is about. */
const SHOWN = 5;

/** What has to be looked at: a kind at a time, its marketplaces side by side. */
export function Doubtful(props: {
  list: readonly Item[];
  there: readonly There[];
  onAnswered: (one: There) => void;
}) {
  const { list, there, onAnswered } = props;
  const wide = useWide();
  const kinds = useKinds();
  const cards = [...group(there, (t) => t.kind)].map(([kind, markets]) => {
    const name = kinds.get(kind)?.name ?? kind;
    const of = list.filter((item) => item.kind === kind);
    return (
      // As wide as its marketplaces beside each other; kinds asked of one alone share a row.
      <View
        key={kind}
        style={wide ? { flexGrow: 1, flexBasis: Math.min(3, markets.length) * 320 } : undefined}
      >
        <Card label={`To decide: ${name}`}>
          <Text variant="heading">{name}</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 6 }}>
            {of.slice(0, SHOWN).map((item) => (
              <PictureView key={item.id} id={item.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
            ))}
            <Text variant="small" tone="soft" figures>
              {plural(of.length, 'one item', `${of.length} items`)}
            </Text>
          </View>
          <View style={wide ? { flexDirection: 'row', flexWrap: 'wrap', gap: 16 } : { gap: 16 }}>
            {markets.map((one) => (
              <View
                key={keyOf(one)}
                style={wide ? { flexBasis: 300, flexGrow: 1, maxWidth: 420 } : undefined}
              >
                <OneMarket there={one} name={name} onAnswered={() => onAnswered(one)} />
              </View>
            ))}
          </View>
        </Card>
      </View>
    );
  });
  return (
    <>
      <OneForAll there={there} />
      {wide ? <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>{cards}</View> : cards}
    </>
  );
}

function OneMarket({ there, name, onAnswered }: { there: There; name: string; onAnswered: () => void }) {
  const { kind, market, sheet, items, candidates, own, found, state } = there;
  const [finding, setFinding] = useState(false);
  const [only, setOnly] = useState(false);
  const those = plural(items.length, 'Only this one', `Only these ${items.length}`);
  const small = name.toLocaleLowerCase('en');
  const isSaidByAll = own.length === 1 && own[0]?.items.length === items.length;
  const chosen = state === 'decided' || isSaidByAll ? there.category : null;
  const choose = (category: string) => {
    onAnswered();
    setFinding(false);
    decideCategories([{ market, kind, category, items, only }]);
  };
  const whyOf = (id: string) => {
    const said = own.find((o) => o.category === id)?.items.length ?? 0;
    if (said > 0) return plural(said, 'one listing says so', `${said} listings say so`);
    return found?.id === id ? categoryReason(found.why) : null;
  };
  // What was found elsewhere stands with the others once it is chosen.
  const offered = [...new Set([...candidates, ...(chosen ? [chosen] : [])])];
  return (
    <View role="group" aria-label={`${name} on ${sheet.name}`} style={{ gap: 6 }}>
      <Text variant="strong" figures>
        {`${sheet.name} · ${plural(items.length, 'one item', `${items.length} items`)}`}
      </Text>
      <ChipRow label={`How far it holds, ${name} on ${sheet.name}`}>
        <Chip on={!only} label={`For every ${small} on ${sheet.name}`} onPress={() => setOnly(false)}>
          For the kind
        </Chip>
        <Chip on={only} label={`${those}, ${small} on ${sheet.name}`} onPress={() => setOnly(true)}>
          {those}
        </Chip>
      </ChipRow>
      {finding ? (
        <CategoryFinder kind={kind} sheet={sheet} chosen={chosen} onChoose={choose} />
      ) : (
        <>
          {offered.length === 0 ? <Text tone="soft">Nothing there goes by its name.</Text> : null}
          <View role="radiogroup" aria-label={`Where ${name} goes on ${sheet.name}`} style={{ gap: 4 }}>
            {offered.flatMap((id) => {
              const category = sheet.categories.find((c) => c.id === id);
              return category ? (
                <CategoryLine
                  key={id}
                  sheet={sheet}
                  category={category}
                  chosen={chosen}
                  more={whyOf(id)}
                  onChoose={choose}
                />
              ) : (
                []
              );
            })}
          </View>
          <Button
            variant="quiet"
            icon="search"
            label={`Find another for ${name} on ${sheet.name}`}
            onPress={() => setFinding(true)}
          >
            Find another
          </Button>
        </>
      )}
    </View>
  );
}
