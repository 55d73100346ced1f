import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { picturesOf } from '@/core/choices/choices';
import { choicesShown } from '@/core/choices/shown';
import type { Examined } from '@/core/listing/examine';
import { readableValues } from '@/core/mapping/fieldValues';
import { formatMoney } from '@/core/money/money';
import { cleanHtml } from '@/core/words/html';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

interface ViewProps {
  item: Item;
  examined: Examined;
}

/** What buyers there would see: the very pictures and values that are sent, nothing made up for show. */
export function BuyersView({ item, examined }: ViewProps) {
  const c = useColours();
  const { sheet, effective } = examined;
  const { title, tags, search } = effective;
  return (
    <View
      role="group"
      aria-label={`What buyers on ${sheet.name} read`}
      style={{ backgroundColor: c.raised, borderRadius: 8, padding: 10, gap: 8 }}
    >
      <Pictures examined={examined} />
      <Text variant="strong">{title || 'No title yet'}</Text>
      <Text figures>{priceLine(examined)}</Text>
      <Pieces item={item} examined={examined} />
      <Fields examined={examined} />
      <Words examined={examined} />
      {tags.length > 0 && !sheet.tags?.hidden ? (
        <Text variant="small" tone="soft">{`Tags: ${tags.join(' · ')}`}</Text>
      ) : null}
      {search ? (
        <View role="group" aria-label="What search engines show" style={{ gap: 2 }}>
          <Text variant="small" tone="soft">
            What search engines show
          </Text>
          <Text variant="strong">{search.title}</Text>
          <Text variant="small">{search.description}</Text>
          <Text variant="small" tone="soft">{`Keywords: ${search.keywords.join(', ')}`}</Text>
        </View>
      ) : null}
    </View>
  );
}

/** In their order and shape there: the cover large, all others small below it. */
function Pictures({ examined }: { examined: Examined }) {
  const { media, sheet } = examined;
  const [cover, ...rest] = media.pictures;
  if (sheet.photos.max === 0) return null;
  if (!cover)
    return (
      <Text variant="small" tone="soft">
        No picture yet.
      </Text>
    );
  const isSquare = sheet.photos.shape === 'square';
  return (
    <View style={{ gap: 4 }}>
      <PictureView
        id={cover.id}
        alt="Cover"
        size="full"
        whole={!isSquare}
        style={{ width: '100%', aspectRatio: isSquare ? 1 : 4 / 3 }}
      />
      {rest.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4 }}>
          {rest.map((p, i) => (
            <PictureView key={p.id} id={p.id} alt={`Picture ${i + 2}`} style={{ width: 52, height: 52 }} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

function priceLine({ sheet, effective }: Examined): string {
  const { price, postage, condition, auction, choices } = effective;
  const further = choices ? effective.sentTerms?.further : undefined;
  return [
    price === null ? 'no price yet' : `${auction ? 'bids from ' : ''}${formatMoney(price, sheet.currency)}`,
    sheet.handover === 'collect' || postage === null
      ? ''
      : postage === 0
        ? 'postage included'
        : `and ${formatMoney(postage, sheet.currency)} postage`,
    further === undefined ? '' : `each further piece ${formatMoney(further, sheet.currency)}`,
    condition?.label ?? '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What there is to choose, as buyers see it: held back and sold pieces are not among them. */
function Pieces({ item, examined }: ViewProps) {
  const { effective, sheet } = examined;
  const { choices } = effective;
  if (!choices) return null;
  const shown = choicesShown(choices).pieces.filter((p) => p.stock > 0);
  if (choices.options.length === 0)
    return choices.oneAtATime ? null : <Text figures>{`${shown[0]?.stock ?? 0} there`}</Text>;
  return (
    <View role="list" aria-label={`To choose on ${sheet.name}`} style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {choices.options.join(', ')}
      </Text>
      {shown.map((piece) => {
        const known = item.choices?.pieces.find((p) => p.code === piece.code);
        const [picture] = known ? picturesOf(known, item.pictureIds) : [];
        return (
          <View
            key={piece.code}
            role="listitem"
            style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
          >
            {picture ? <PictureView id={picture} alt="" style={{ width: 32, height: 32 }} /> : null}
            <Text style={{ flex: 1 }}>{piece.values.join(', ')}</Text>
            <Text figures>{`${formatMoney(piece.price, sheet.currency)}, ${piece.stock} there`}</Text>
          </View>
        );
      })}
    </View>
  );
}

/** Its fields by the marketplace's own names. */
function Fields({ examined }: { examined: Examined }) {
  const { effective } = examined;
  const named = (effective.category?.specifics ?? []).flatMap((field) => {
    const value = readableValues(field, effective.specifics[field.id] ?? '');
    return value === '' ? [] : [[field.label, value] as const];
  });
  if (named.length === 0) return null;
  return (
    <View style={{ gap: 1 }}>
      {named.map(([label, value]) => (
        <View key={label} style={{ flexDirection: 'row', gap: 8 }}>
          <Text variant="small" tone="soft" style={{ width: 110 }}>
            {label}
          </Text>
          <Text variant="small" style={{ flex: 1 }}>
            {value}
          </Text>
        </View>
      ))}
    </View>
  );
}

function Words({ examined }: { examined: Examined }) {
  const c = useColours();
  const { text } = examined.effective;
  const { markup } = examined.sheet.description;
  const look = { fontFamily: FONT.text, fontSize: 14, lineHeight: '20px', color: c.ink };
  if (!markup)
    return (
      <div data-sent={text} style={{ ...look, whiteSpace: 'pre-wrap' }}>
        {text}
      </div>
    );
  return (
    <div
      data-sent={text}
      style={look}
      // Made of our own text, and cleaned once more by the marketplace's list.
      dangerouslySetInnerHTML={{ __html: cleanHtml(text, markup) }}
    />
  );
}
