import { View } from 'react-native';

import type { Sought } from '@/contract/comps';
import type { Thing } from '@/contract/records';
import { countAs } from '@/core/words/count';
import { missingWords, nextBuys, otherNames, titleParts } from '@/core/words/title';
import { Chip, ChipRow } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { together } from '@/store/sought';
import { editThing } from '@/store/things';

/** Offered at once: more would be a list to study. */
const FEW = 7;

/** What a title does not say yet and could: parts of the record, and words that buyers search for. */
export function TitleHelp(props: {
  thing: Thing;
  markets: Readonly<Record<string, readonly Sought[]>>;
  most: number;
}) {
  const { thing, markets, most } = props;
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const sought = together(markets);
  const room = { max: most, counts: 'characters' as const };
  const left = most - countAs(thing.title, 'characters');
  const buys = thing.title === '' ? [] : nextBuys(thing.title, titleParts(thing, kinds, sought), room);
  const fits = buys.filter((b) => b.fits);
  const missing = missingWords(thing.title, sought, thing, kinds);
  const names = thing.title === '' ? [] : otherNames(thing.title, sought, thing, kinds);
  const notSaid = missing.filter((w) => !w.known && !names.some((n) => n.word === w.word)).slice(0, 5);
  const add = (words: string) =>
    editThing(thing.id, 'title', (t) => ({ title: `${t.title.trim()} ${words}`.trim() }));
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  if (buys.length === 0 && names.length === 0 && (notSaid.length === 0 || thing.title === '')) return null;
  return (
    <View style={{ gap: 6 }}>
      {buys.length > 0 ? (
        <>
          <Words kind="small" tone="soft" figures>
            {fits.length > 0
              ? `Room for ${left} more. It could also say`
              : `No room for ${buys
                  .slice(0, FEW)
                  .map((b) => `“${b.text}”`)
                  .join(', ')}.`}
          </Words>
          <ChipRow label="Add to the title" radio={false}>
            {fits.slice(0, FEW).map((buy) => (
              <Chip
                key={buy.from + buy.text}
                role="button"
                on={false}
                label={`Add “${buy.text}” to the title, ${buy.cost} characters`}
                onPress={() => add(buy.text)}
              >
                {`${buy.text} ${buy.cost}`}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {names.length > 0 ? (
        <>
          <Words kind="small" tone="soft">
            Also called, if it is one
          </Words>
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
      {notSaid.length > 0 && thing.title !== '' ? (
        <Words kind="small" tone="soft" figures>
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
        </Words>
      ) : null}
    </View>
  );
}
