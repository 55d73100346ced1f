import { View } from 'react-native';

import type { SearchedWord } from '@/contract/comps';
import type { Item } from '@/contract/records';
import { countAs } from '@/core/words/count';
import { missingWords, nextBuys, otherNames, titleParts } from '@/core/words/title';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { together } from '@/store/research/searchDemand';

/** Offered at once: more would be a list to study. */
const FEW = 7;

/** What a title does not say yet and could: parts of the record, and words that buyers search for. */
export function TitleHelp(props: {
  item: Item;
  markets: Readonly<Record<string, readonly SearchedWord[]>>;
  most: number;
}) {
  const { item, markets, most } = props;
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const sought = together(markets);
  const room = { max: most, counts: 'characters' as const };
  const left = most - countAs(item.title, 'characters');
  const buys = item.title === '' ? [] : nextBuys(item.title, titleParts(item, kinds, sought), room);
  const missing = missingWords(item.title, sought, item, kinds);
  const names = item.title === '' ? [] : otherNames(item.title, sought, item, kinds);
  const notSaid = missing.filter((w) => !w.known && !names.some((n) => n.word === w.word)).slice(0, 5);
  const add = (words: string) =>
    editItem(item.id, 'title', (t) => ({ title: `${t.title.trim()} ${words}`.trim() }));
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  if (buys.length === 0 && names.length === 0 && (notSaid.length === 0 || item.title === '')) return null;
  return (
    <View style={{ gap: 6 }}>
      {buys.length > 0 ? <RoomFor buys={buys} left={left} onAdd={add} /> : null}
      {names.length > 0 ? (
        <>
          <Text variant="small" tone="soft">
            Also called, if it is one
          </Text>
          <ChipRow label="Also called" radio={false}>
            {names.slice(0, FEW).map(({ word, count }) => (
              <Chip
                key={word}
                role="button"
                on={false}
                label={`It is one: add “${word}” to the title`}
                onPress={() => add(word)}
              >
                {count > 0 ? `${word} ${count}` : word}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {notSaid.length > 0 && item.title !== '' ? (
        <Text variant="small" tone="soft" figures>
          {`Searched too, if it is true of it: ${notSaid
            .map(
              (w) =>
                `${w.word} (${Object.entries(markets)
                  .flatMap(([market, words]) => {
                    const here = words.find((x) => x.word === w.word);
                    return here ? `${nameOf(market)} ${here.count}` : [];
                  })
                  .join(', ')})`,
            )
            .join('; ')}.`}
        </Text>
      ) : null}
    </View>
  );
}

/** What else the title has room for, and how many characters are left. */
function RoomFor(props: { buys: ReturnType<typeof nextBuys>; left: number; onAdd: (words: string) => void }) {
  const { buys, left, onAdd } = props;
  const fits = buys.filter((b) => b.fits);
  return (
    <>
      <Text variant="small" tone="soft" figures>
        {fits.length > 0
          ? `Room for ${left} more. It could also say`
          : `No room for ${buys
              .slice(0, FEW)
              .map((b) => `“${b.text}”`)
              .join(', ')}.`}
      </Text>
      <ChipRow label="Add to the title" radio={false}>
        {fits.slice(0, FEW).map((buy) => (
          <Chip
            key={buy.from + buy.text}
            role="button"
            on={false}
            label={`Add “${buy.text}” to the title, ${buy.cost} characters`}
            onPress={() => onAdd(buy.text)}
          >
            {`${buy.text} ${buy.cost}`}
          </Chip>
        ))}
      </ChipRow>
    </>
  );
}
