import { group } from 'd3-array';
import { View } from 'react-native';

import type { PagePart } from '@/contract/pageTemplate';
import type { Item } from '@/contract/records';
import { listed } from '@/core/language/listed';
import { MARKUP } from '@/core/words/html';
import { pageHtml } from '@/core/words/pageTemplate';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { FONT, useColours } from '@/theme/theme';

/** As wide as most buyers see it. */
const PHONE = 360;

/** The page of a real item, as wide as a phone, by each list of what is taken. */
export function PagePreview({ item, parts }: { item: Item; parts: readonly PagePart[] }) {
  const c = useColours();
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const closing = useAttic((s) => s.settings.closingWords);
  const terms = useAttic((s) => Object.values(s.terms).find((t) => t.isDefault) ?? null);
  const takers = useTakers();
  const page = { item, kinds, units, title: item.title, story: item.description, terms, closing };
  return (
    <View
      role="group"
      aria-label="Preview at a phone’s width"
      style={{ gap: 6, width: PHONE, maxWidth: '100%' }}
    >
      {takers.map(({ names, markup }) => (
        <View key={names} style={{ gap: 6 }}>
          <Text variant="small" tone="soft">
            {names === ''
              ? 'On a phone, where lists and bold letters are taken:'
              : `On a phone, at ${names}:`}
          </Text>
          <div
            style={{
              padding: 12,
              border: `1px solid ${c.line}`,
              borderRadius: 10,
              overflowWrap: 'anywhere',
              fontFamily: FONT.text,
              fontSize: 14,
              lineHeight: '20px',
              color: c.ink,
            }}
            // Made of our own text, by the list of what is taken.
            dangerouslySetInnerHTML={{ __html: pageHtml(parts, page, markup) }}
          />
        </View>
      ))}
    </View>
  );
}

/** Which marketplaces take markup, those together that take the same; unnamed while none is known. */
function useTakers(): readonly { names: string; markup: readonly string[] }[] {
  const sheets = useCourier((s) => s.sheets);
  const taking = sheets.flatMap(({ name, description: { markup } }) => (markup ? [{ name, markup }] : []));
  const alike = [...group(taking, ({ markup }) => [...markup].sort().join(' ')).values()];
  if (alike.length === 0) return [{ names: '', markup: MARKUP }];
  return alike.map((some) => ({
    names: listed(
      some.map((s) => s.name),
      'and',
    ),
    markup: some[0]?.markup ?? MARKUP,
  }));
}
