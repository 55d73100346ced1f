import { useState } from 'react';
import { View } from 'react-native';

import type { Piece } from '@/contract/choices';
import type { Item } from '@/contract/records';
import { codeTrouble, withoutPiece } from '@/core/choices/choices';
import { counted } from '@/core/language/plural';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';
import { useColours } from '@/theme/theme';
import { typedTrouble } from '@/wording/typed';

/** One of the pieces an item is sold in: its code, how many, its price and pictures; or none of it. */
export function PieceLine(props: { item: Item; piece: Piece; currency: string }) {
  const { item, piece, currency } = props;
  const c = useColours();
  const [pictures, setPictures] = useState(false);
  const sold = useCourier(
    (s) => s.items[item.id]?.pieceSales.filter((p) => p.piece === piece.code).length ?? 0,
  );
  const words = piece.values.join(', ');
  const put = (label: string, part: Partial<Piece>) =>
    editItem(item.id, label, (t) => ({
      choices: t.choices && {
        ...t.choices,
        pieces: t.choices.pieces.map((p) => (p.code === piece.code ? { ...p, ...part } : p)),
      },
    }));
  const own = piece.pictureIds.filter((id) => item.pictureIds.includes(id));
  return (
    <View
      role="group"
      aria-label={`Piece: ${words}`}
      style={{ borderTopWidth: 1, borderColor: c.line, paddingTop: 8, gap: 6 }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="strong">{words}</Text>
          {sold > 0 ? (
            <Text variant="small" tone="soft" figures>
              {`${sold} sold, ${Math.max(0, piece.stock - sold)} left`}
            </Text>
          ) : null}
        </View>
        <Button
          variant="quiet"
          label={`Pictures of ${words}`}
          disabled={item.pictureIds.length === 0}
          onPress={() => setPictures(!pictures)}
        >
          {own.length === 0 ? 'Pictures: shared' : counted(own.length, 'picture')}
        </Button>
      </View>
      <PieceCode
        item={item}
        piece={piece}
        words={words}
        onChange={(code) => put('code of a variation', { code })}
      />
      <StockAndPrice piece={piece} words={words} currency={currency} put={put} />
      {sold === 0 && (item.choices?.pieces.length ?? 0) > 1 ? (
        <Button
          variant="quiet"
          style={{ alignSelf: 'flex-start' }}
          label={`There is no ${words}`}
          onPress={() =>
            editItem(item.id, `${words} taken away`, (t) =>
              t.choices ? { choices: withoutPiece(t.choices, piece.code) } : null,
            )
          }
        >
          There is none of this
        </Button>
      ) : null}
      {pictures ? (
        <OwnPictures
          item={item}
          words={words}
          own={own}
          onChoose={(pictureIds) => put('pictures of a variation', { pictureIds })}
        />
      ) : null}
    </View>
  );
}

function StockAndPrice(props: {
  piece: Piece;
  words: string;
  currency: string;
  put: (label: string, part: Partial<Piece>) => void;
}) {
  const { piece, words, currency, put } = props;
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Field
          label={`In stock: ${words}`}
          value={String(piece.stock)}
          figures
          keyboard="number-pad"
          maxLength={6}
          refuse={(text) => (/^\d{1,5}$/u.test(text.trim()) ? null : 'A whole number, 0 or more.')}
          onChange={(text) => put('stock of a variation', { stock: Number(text.trim()) })}
        />
      </View>
      <View style={{ flex: 1 }}>
        <MoneyField
          label={`Price: ${words}`}
          value={piece.price}
          currency={currency}
          placeholder="the item’s"
          onChange={(price) => put('price of a variation', { price })}
        />
      </View>
    </View>
  );
}

function OwnPictures(props: {
  item: Item;
  words: string;
  own: readonly string[];
  onChoose: (ids: string[]) => void;
}) {
  const { item, words, own, onChoose } = props;
  return (
    <ChipRow label={`Own pictures of ${words}`} radio={false}>
      {item.pictureIds.map((id, i) => (
        <Chip
          key={id}
          role="checkbox"
          on={own.includes(id)}
          label={`${words} shown in picture ${i + 1}`}
          onPress={() => onChoose(own.includes(id) ? own.filter((o) => o !== id) : [...own, id])}
        >
          {`Picture ${i + 1}`}
        </Chip>
      ))}
    </ChipRow>
  );
}

/** The code on each of them: what buyers' orders name it by, so it stays once it was sent anywhere. */
function PieceCode(props: { item: Item; piece: Piece; words: string; onChange: (code: string) => void }) {
  const { item, piece, words, onChange } = props;
  const isOut = useCourier((s) => (s.items[item.id]?.listings.length ?? 0) > 0);
  const { choices } = item;
  if (isOut || !choices)
    return (
      <Text variant="small" tone="soft" figures>
        {piece.code}
      </Text>
    );
  return (
    <Field
      label={`Code: ${words}`}
      value={piece.code}
      maxLength={90}
      refuse={(text) => {
        const trouble = codeTrouble(choices, piece, text);
        return trouble && typedTrouble(trouble);
      }}
      onChange={(text) => {
        if (!codeTrouble(choices, piece, text)) onChange(text.trim());
      }}
    />
  );
}
