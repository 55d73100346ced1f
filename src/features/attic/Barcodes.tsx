import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import { barcodesIn, MOST_BARCODES, MOST_COPIES } from '@/core/catalogue/barcodeList';
import { wordsForUse } from '@/core/condition/grade';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { FillInButton } from '@/parts/trade/FillInButton';
import { BackTo } from '@/parts/ui/BackTo';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useDraft, useTextDraft } from '@/store/attic/drafts';
import { unlessExpected } from '@/store/base/faults';
import { Looked, lookUpList, makeLooked, useListBusy } from '@/store/research/barcodeLists';
import { lineTrouble, typedTrouble } from '@/wording/typed';

/** The longest file taken, bytes. */
const LONGEST_FILE = 200_000;

const Found = z.object({
  refused: z.array(z.object({ text: z.string(), why: z.string() })),
  left: z.array(z.object({ line: z.number(), text: z.string(), why: z.string() })),
  moreLeft: z.number(),
  columns: z.object({ taken: z.array(z.string()), not: z.array(z.string()) }),
  tooMany: z.number(),
});
type Found = z.infer<typeof Found>;
const ReadList = z.object({ list: Found.nullable(), looked: z.array(Looked) });
const NOTHING: z.infer<typeof ReadList> = { list: null, looked: [] };

/** A whole list of barcodes at once: looked up one after the other, then made into items. */
export function Barcodes() {
  const haul = useAttic((s) => (s.settings.haulId ? s.hauls[s.settings.haulId] : undefined));
  const busy = useListBusy((s) => s.busy);
  // What was typed, read and answered outlives leaving and reloading.
  const [text, setText, clearText] = useTextDraft('barcodes');
  const { list, looked, put, clear, read } = useLookedList();
  const [fileTrouble, setFileTrouble] = useState<string | null>(null);
  const [made, setMade] = useState<readonly string[] | null>(null);
  const readAfresh = (words: string) => {
    setMade(null);
    read(words);
  };
  const file = async (files: File[]) => {
    const [first] = files;
    if (!first) return;
    if (first.size > LONGEST_FILE)
      return setFileTrouble(`${first.name} is too long: at most 200 kB. Nothing of it was taken.`);
    setFileTrouble(null);
    const words = await first.text();
    setText(words);
    readAfresh(words);
  };
  const make = (sure: boolean) => {
    setMade(makeLooked(looked, sure));
    clear();
    clearText();
  };

  return (
    <Page title="Barcodes" aside={<BackTo path="/attic" />}>
      <Card label="The list">
        <Text tone="soft">
          {'Paste barcodes, one a line, or a table whose first line names its columns (barcode, ' +
            `quantity, price, cost, condition); or choose a file. Up to ${MOST_BARCODES} at a time. ` +
            `What you make goes ${haul ? `into the haul ${haul.name}` : 'into no haul'}.`}
        </Text>
        <Field
          label="Barcodes"
          value={text}
          multiline
          maxLength={LONGEST_FILE}
          pause={0}
          onChange={setText}
        />
        {fileTrouble ? <Notice tone="trouble">{fileTrouble}</Notice> : null}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          <Button
            variant="main"
            icon="search"
            disabled={busy || text.trim() === ''}
            style={{ flexGrow: 1 }}
            onPress={() => readAfresh(text)}
          >
            Look them up
          </Button>
          <FileButton accept=".txt,.csv,.tsv,text/*" disabled={busy} onFiles={(files) => void file(files)}>
            Choose a file
          </FileButton>
        </View>
        {list ? <WhatWasLeft list={list} none={looked.length === 0 && made === null} /> : null}
      </Card>
      {looked.length > 0 ? (
        <WhatWasFound
          looked={looked}
          onLeave={(i) => put((now) => ({ ...now, looked: now.looked.filter((_, j) => j !== i) }))}
          onMake={make}
        />
      ) : null}
      {made ? (
        <Card label="Made">
          <Text tone="good" role="status">{`${items(made.length)} made. Undo takes all of it back.`}</Text>
          <FillInButton ids={made} main />
        </Card>
      ) : null}
    </Page>
  );
}

/** What was read and answered; it outlives leaving and reloading. */
function useLookedList() {
  const currency = useAttic((s) => s.settings.currency);
  const busy = useListBusy((s) => s.busy);
  const [{ list, looked }, put, clear] = useDraft('barcodes:list', ReadList, NOTHING);
  const ask = (all: readonly Looked[]) =>
    void lookUpList(
      all.filter((l) => l.state === 'waiting').map((l) => l.digits),
      (one) =>
        put((now) => ({
          ...now,
          looked: now.looked.map((l) => (l.digits === one.digits ? { ...l, ...one } : l)),
        })),
    ).catch(unlessExpected('looking up a list'));
  // What was not answered before a reload is asked again.
  const unanswered = !busy && looked.some((l) => l.state === 'waiting');
  useEffect(() => {
    if (unanswered) ask(looked);
    // Asked once when the screen opens; what comes later is asked where it is read.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const read = (words: string) => {
    const { barcodes, refused, left, ...rest } = barcodesIn(words, currency);
    const all = barcodes.map((b): Looked => ({ ...b, state: 'waiting', record: null, why: '' }));
    const told = {
      ...rest,
      refused: refused.map((r) => ({ ...r, why: typedTrouble(r.why) })),
      left: left.map((l) => ({ ...l, why: lineTrouble(l.why) })),
    };
    put({ list: told, looked: all });
    ask(all);
  };
  return { list, looked, put, clear, read };
}

/** Every article with what is known of it, and the items that are made of them. */
function WhatWasFound(props: {
  looked: readonly Looked[];
  onLeave: (place: number) => void;
  onMake: (sure: boolean) => void;
}) {
  const { looked, onLeave, onMake } = props;
  const currency = useAttic((s) => s.settings.currency);
  const busy = useListBusy((s) => s.busy);
  const known = looked.filter((l) => l.record).length;
  const copies = looked.reduce((n, l) => n + l.times, 0);
  return (
    <Card label="What was found">
      <Text variant="heading" figures role="status">
        {busy
          ? `${looked.filter((l) => l.state !== 'waiting').length} of ${looked.length} looked up`
          : `${known} of ${looked.length} known`}
      </Text>
      {looked.map((one, i) => (
        <LookedLine key={`${one.digits} ${i}`} one={one} currency={currency} onLeave={() => onLeave(i)} />
      ))}
      <View style={{ gap: 10 }}>
        <Button variant="main" disabled={busy} onPress={() => onMake(true)}>
          {`All of it is right: make ${items(copies)}`}
        </Button>
        <Button disabled={busy} onPress={() => onMake(false)}>
          {`Make ${items(copies)}, to be confirmed one by one`}
        </Button>
      </View>
    </Card>
  );
}

function items(n: number): string {
  return plural(n, 'one item', `${n} items`);
}

/** So many that are no barcodes are told with why; the others are named. */
const REFUSED_IN_FULL = 8;

/** What of the list was taken and what was not, line by line, so that nothing goes without a word. */
function WhatWasLeft({ list, none }: { list: Found; none: boolean }) {
  const { taken, not } = list.columns;
  const more = list.refused.slice(REFUSED_IN_FULL);
  const told = [
    taken.length > 0 ? `Columns taken: ${taken.join(', ')}.` : '',
    not.length > 0 ? `Not taken: ${not.join(', ')}; put them in on the sheets.` : '',
  ].filter(Boolean);
  return (
    <>
      {none && list.refused.length === 0 ? (
        <Notice tone="caution">No barcode was found in it. What you pasted is still there.</Notice>
      ) : null}
      {told.length > 0 ? <Notice tone="info">{told.join(' ')}</Notice> : null}
      {list.refused.slice(0, REFUSED_IN_FULL).map((r, i) => (
        <Notice key={i} tone="caution">{`${r.text}: ${r.why}`}</Notice>
      ))}
      {more.length > 0 ? (
        <Notice tone="caution">
          {`And ${more.length} more that are no barcodes: ${more.map((r) => r.text).join(', ')}`}
        </Notice>
      ) : null}
      {list.left.map((l, i) => (
        <Text key={i} variant="small" tone="soft">
          {`Line ${l.line}${l.text ? `, “${l.text}”` : ''}: ${l.why}`}
        </Text>
      ))}
      {list.moreLeft > 0 ? (
        <Text variant="small" tone="soft">{`And ${list.moreLeft} more like these.`}</Text>
      ) : null}
      {list.tooMany > 0 ? (
        <Notice tone="caution">
          {`${items(list.tooMany)} more were left: at most ${MOST_BARCODES} articles and ` +
            `${MOST_COPIES} copies at a time.`}
        </Notice>
      ) : null}
    </>
  );
}

function LookedLine(props: { one: Looked; currency: string; onLeave: () => void }) {
  const { one, currency, onLeave } = props;
  return (
    <View style={{ gap: 2 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="strong" numberOfLines={2}>
            {one.record?.title ?? one.digits}
          </Text>
          <Text variant="small" tone="soft" figures>
            {[
              one.record
                ? [one.record.maker, one.record.sort.at(-1), one.digits].filter(Boolean).join(' · ')
                : STATE_WORDS[one.state],
              one.times > 1 ? `${one.times} copies` : '',
              one.price === null ? '' : formatMoney(one.price, currency),
              one.cost === null ? '' : `cost ${formatMoney(one.cost, currency)}`,
              one.use === null ? '' : wordsForUse(one.use),
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </View>
        <ChipRow label={`What to do with ${one.digits}`} radio={false}>
          <Chip role="button" on={false} label={`Leave out ${one.digits}`} onPress={onLeave}>
            Leave out
          </Chip>
        </ChipRow>
      </View>
      {one.why ? <Notice tone="caution">{one.why}</Notice> : null}
    </View>
  );
}

const STATE_WORDS: Record<Looked['state'], string> = {
  waiting: 'waiting',
  known: '',
  unknown: 'no card: kept, to be filled in by hand',
  trouble: 'could not be asked: kept, to be looked up later',
};
