import { memo, useEffect, useRef, useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Batch, Item } from '@/contract/records';
import { counted } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { mostLeft } from '@/core/scanning/brings';
import { closedAt } from '@/core/scanning/scan';
import { OutsidePicture } from '@/parts/trade/OutsidePicture';
import { PictureView } from '@/parts/trade/PictureView';
import { rankWords } from '@/parts/trade/rankWords';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { useSetup } from '@/store/items/setup';
import { removeRows } from '@/store/scanning/rows';
import { useScanning } from '@/store/scanning/scan';
import { useColours, useWide } from '@/theme/theme';

import { RowFields } from './RowFields';

/** So many rows are drawn at once; the newest are what is worked on. */
const SHOWN = 40;

/** What was scanned, the newest first. Up and down go from row to row, Enter opens one, Delete removes it. */
export function ScanRows({ rows, batch }: { rows: readonly Item[]; batch: Batch }) {
  const wide = useWide();
  const [more, setMore] = useState(SHOWN);
  const [at, setAt] = useState<string | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  useRowKeys(rows, at, { go: setAt, open: (id) => setOpen(id === open ? null : id) });
  return (
    <Card label="Rows">
      {wide ? (
        <Text variant="small" tone="soft">
          Up and down go from row to row, Enter opens one, Delete removes it.
        </Text>
      ) : null}
      {rows.slice(0, more).map((item) => (
        <View key={item.id}>
          <Row
            item={item}
            batch={batch}
            isAt={item.id === at}
            onPress={() => {
              setAt(item.id);
              setOpen(item.id === open ? null : item.id);
            }}
          />
          {item.id === open ? <RowFields item={item} onDone={() => setOpen(null)} /> : null}
        </View>
      ))}
      {rows.length > more ? (
        <Button variant="quiet" icon="unfold" onPress={() => setMore(more + 4 * SHOWN)}>
          {`Show ${counted(rows.length - more, 'older row')}`}
        </Button>
      ) : null}
    </Card>
  );
}

/** Keys go to the rows while no field is being filled in; the scanner’s own is none while empty. */
function useRowKeys(
  rows: readonly Item[],
  at: string | null,
  act: { go: (id: string) => void; open: (id: string) => void },
): void {
  const now = useRef({ rows, at, act });
  useEffect(() => {
    now.current = { rows, at, act };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { rows: all, at: id, act: does } = now.current;
      if (event.ctrlKey || event.metaKey || event.altKey || isFilledIn(document.activeElement)) return;
      const place = all.findIndex((row) => row.id === id);
      const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
      if (step !== undefined) {
        const next = all[Math.max(0, Math.min(all.length - 1, place + step))];
        if (!next) return;
        event.preventDefault();
        // The next key may come before the page is drawn again.
        now.current.at = next.id;
        does.go(next.id);
        document.querySelector(`[data-row="${next.id}"]`)?.scrollIntoView({ block: 'nearest' });
      } else if (place >= 0 && event.key === 'Delete') {
        event.preventDefault();
        const after = all[place + 1] ?? all[place - 1];
        removeRows(all.slice(place, place + 1));
        if (after) does.go(after.id);
      } else if (place >= 0 && id !== null && event.key === 'Enter' && !isPressed(document.activeElement)) {
        does.open(id);
      }
    };
    // Before the field that scanners type into keeps it to itself.
    document.addEventListener('keydown', onKey, true);
    return () => document.removeEventListener('keydown', onKey, true);
  }, []);
}

function isFilledIn(element: Element | null): boolean {
  if (element instanceof HTMLInputElement) return !element.closest('[data-scan]') || element.value !== '';
  return element?.closest('textarea, select, [contenteditable=true]') != null;
}

/** What Enter presses by itself. */
function isPressed(element: Element | null): boolean {
  return element?.closest('[role=button], [role=link], button, a') != null;
}

const Row = memo(function Row(props: { item: Item; batch: Batch; isAt: boolean; onPress: () => void }) {
  const { item, isAt, onPress } = props;
  const c = useColours();
  return (
    <div data-row={item.id}>
      <Pressable
        role="button"
        aria-label={`Row ${nameOf(item)}, ${item.code}`}
        onPress={onPress}
        style={{
          flexDirection: 'row',
          width: '100%',
          gap: 10,
          minHeight: 64,
          paddingVertical: 6,
          paddingHorizontal: 4,
          borderRadius: 8,
          borderWidth: 2,
          borderColor: isAt ? c.moss : 'transparent',
        }}
      >
        <RowPicture item={item} />
        <View style={{ flex: 1, gap: 1 }}>
          <Text variant="strong">{nameOf(item)}</Text>
          <Text variant="small" tone="soft">
            {whatWords(item)}
          </Text>
          {item.ranks.length > 0 ? (
            <Text variant="small" tone="soft" figures>
              {rankWords(item.ranks)}
            </Text>
          ) : null}
          <RowState {...props} />
        </View>
        <Money item={item} markets={props.batch.defaults.markets} />
      </Pressable>
    </div>
  );
});

const PICTURE = { width: 44, height: 58 };

/** Its own picture, or the one on the product look-up's card. */
function RowPicture({ item }: { item: Item }) {
  const own = item.pictureIds[0];
  if (own) return <PictureView id={own} alt="" style={PICTURE} />;
  return <OutsidePicture of="lookup" name={item.lookedUp?.picture ?? null} size={PICTURE} />;
}

/** Maker, publisher or label, binding or format, group. */
function whatWords({ facts, lookedUp, code }: Item): string {
  const { author, artist, binding, format, year } = facts;
  const by = author ?? artist;
  return [by, lookedUp?.maker, binding ?? format, year, lookedUp?.sort, code].filter(Boolean).join(' · ');
}

/** How its look-up stands, and what keeps it from some marketplaces. */
function RowState({ item, batch }: { item: Item; batch: Batch }) {
  const asking = useScanning((s) => s.asking.includes(item.id));
  const trouble = useScanning((s) => s.troubles[item.id]);
  const sheets = useCourier((s) => s.sheets);
  const closed = closedAt(item.facts.barcode ?? '', sheets);
  const words = asking
    ? 'Looking it up…'
    : trouble
      ? 'Not looked up: the code is kept'
      : item.lookedUp?.found === false
        ? 'Not known to the product look-up: give it a title'
        : item.lookedUp === null && batch.defaults.lookUp
          ? 'Not looked up yet'
          : null;
  return (
    <>
      {words ? (
        <Text variant="small" tone={asking ? 'soft' : 'trouble'}>
          {words}
        </Text>
      ) : null}
      {closed.length > 0 ? (
        <Text variant="small" tone="trouble">{`Closed to you: ${closed.join(', ')}`}</Text>
      ) : null}
    </>
  );
}

/** Price, and what it would leave where it leaves most: of those it is to go to, or of all. */
function Money({ item, markets }: { item: Item; markets: readonly string[] }) {
  const kinds = useKinds();
  const setup = useSetup();
  const sheets = useCourier((s) => s.sheets);
  const owner = useAttic((s) => (item.ownerId ? s.owners[item.ownerId] : undefined));
  const { currency } = setup.settings;
  const say = (amount: number) => formatMoney(amount, currency);
  const some = sheets.filter(({ marketplace }) => markets.length === 0 || markets.includes(marketplace));
  const brings = item.price === null ? null : mostLeft(item, some, kinds, setup, owner ?? null);
  const asNew = item.priceNew ? `new ${formatMoney(item.priceNew.amount, item.priceNew.currency)}` : '';
  return (
    <View style={{ alignItems: 'flex-end', maxWidth: 150 }}>
      <Text variant="strong" figures>
        {item.price === null ? 'No price' : say(item.price)}
      </Text>
      {brings ? (
        <>
          <Text variant="small" tone="soft" figures>{`fees ${say(brings.fees)}`}</Text>
          <Text
            variant="small"
            figures
            tone={brings.profit !== null && brings.profit < 0 ? 'trouble' : 'soft'}
          >
            {brings.profit === null ? `leaves ${say(brings.takeHome)}` : `profit ${say(brings.profit)}`}
          </Text>
          <Text variant="small" tone="soft" style={{ textAlign: 'right' }}>{`on ${brings.market}`}</Text>
        </>
      ) : null}
      {asNew ? (
        <Text variant="small" tone="soft" figures>
          {asNew}
        </Text>
      ) : null}
    </View>
  );
}
