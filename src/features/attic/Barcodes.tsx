import { useState } from 'react';
import { View } from 'react-native';

import { barcodesIn, MOST_BARCODES, type BarcodeList } from '@/core/catalogue/barcodeList';
import { Field } from '@/parts/Field';
import { FilePress } from '@/parts/FilePress';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { lookUpList, makeLooked, type Looked } from '@/store/barcodeLists';

import { FillInPress } from '../many/FillInPress';
import { BackTo } from '../shell/BackTo';

/** The longest file taken, bytes. */
const LONGEST_FILE = 200_000;

/** A whole list of barcodes at once: looked up one after the other, then made into things. */
export function Barcodes() {
  const haul = useAttic((s) => (s.settings.haulId ? s.hauls[s.settings.haulId] : undefined));
  const [text, setText] = useState('');
  const [list, setList] = useState<BarcodeList | null>(null);
  const [looked, setLooked] = useState<readonly Looked[]>([]);
  const [busy, setBusy] = useState(false);
  const [fileTrouble, setFileTrouble] = useState<string | null>(null);
  const [made, setMade] = useState<readonly string[] | null>(null);
  const known = looked.filter((l) => l.record).length;
  const copies = looked.reduce((n, l) => n + l.times, 0);

  const read = async (words: string) => {
    const found = barcodesIn(words);
    setList(found);
    setMade(null);
    setLooked(found.barcodes.map((b) => ({ ...b, state: 'waiting', record: null, why: '' })));
    if (found.barcodes.length === 0) return;
    setBusy(true);
    await lookUpList(found.barcodes, (one) =>
      setLooked((all) => all.map((l) => (l.digits === one.digits ? { ...l, ...one } : l))),
    );
    setBusy(false);
  };
  const file = async (files: File[]) => {
    const [first] = files;
    if (!first) return;
    if (first.size > LONGEST_FILE)
      return setFileTrouble(`${first.name} is too long: at most 200 kB. Nothing of it was taken.`);
    setFileTrouble(null);
    const words = await first.text();
    setText(words);
    await read(words);
  };
  const make = (sure: boolean) => {
    setMade(makeLooked(looked, sure));
    setLooked([]);
    setList(null);
    setText('');
  };

  return (
    <Page title="Barcodes" aside={<BackTo path="/attic" />}>
      <Card label="The list">
        <Words tone="soft">
          {`Paste barcodes, one a line, or a table that holds them; or choose a file. Up to ${MOST_BARCODES} at a time. What you make goes ${haul ? `into the haul ${haul.name}` : 'into no haul'}.`}
        </Words>
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
          <Press
            kind="main"
            icon="search"
            disabled={busy || text.trim() === ''}
            style={{ flexGrow: 1 }}
            onPress={() => void read(text)}
          >
            Look them up
          </Press>
          <FilePress accept=".txt,.csv,.tsv,text/*" disabled={busy} onFiles={(files) => void file(files)}>
            Choose a file
          </FilePress>
        </View>
        {list && list.barcodes.length === 0 && list.refused.length === 0 ? (
          <Notice tone="caution">No barcode was found in it. What you pasted is still there.</Notice>
        ) : null}
        {list?.refused.slice(0, 8).map((r) => (
          <Notice key={r.text} tone="caution">{`${r.text}: ${r.why}`}</Notice>
        ))}
        {list && list.left > 0 ? (
          <Notice tone="caution">{`${list.left} more were left: at most ${MOST_BARCODES} at a time.`}</Notice>
        ) : null}
      </Card>
      {looked.length > 0 ? (
        <Card label="What was found">
          <Words kind="heading" figures role="status">
            {busy
              ? `${looked.filter((l) => l.state !== 'waiting').length} of ${looked.length} looked up`
              : `${known} of ${looked.length} known`}
          </Words>
          {looked.map((one) => (
            <LookedLine
              key={one.digits}
              one={one}
              onLeave={() => setLooked(looked.filter((l) => l.digits !== one.digits))}
            />
          ))}
          <View style={{ gap: 10 }}>
            <Press kind="main" disabled={busy} onPress={() => make(true)}>
              {`All of it is right: make ${things(copies)}`}
            </Press>
            <Press disabled={busy} onPress={() => make(false)}>
              {`Make ${things(copies)}, to be confirmed one by one`}
            </Press>
          </View>
        </Card>
      ) : null}
      {made ? (
        <Card label="Made">
          <Words tone="good" role="status">{`${things(made.length)} made. Undo takes all of it back.`}</Words>
          <FillInPress ids={made} main />
        </Card>
      ) : null}
    </Page>
  );
}

function things(n: number): string {
  return n === 1 ? 'one thing' : `${n} things`;
}

function LookedLine({ one, onLeave }: { one: Looked; onLeave: () => void }) {
  return (
    <View style={{ gap: 2 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="strong" numberOfLines={2}>
            {one.record?.title ?? one.digits}
          </Words>
          <Words kind="small" tone="soft" figures>
            {[
              one.record
                ? [one.record.maker, one.record.sort.at(-1), one.digits].filter(Boolean).join(' · ')
                : STATE_WORDS[one.state],
              one.times > 1 ? `${one.times} copies` : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Words>
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
