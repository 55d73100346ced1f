import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { CODE_PARTS, CodePattern as CodePatternSchema, type CodePattern } from '@/contract/records';
import { codeFor, costOfLetters } from '@/core/identity/code';
import { formatMoney } from '@/core/money/money';
import { CurrencyAndUnits } from '@/parts/trade/CurrencyAndUnits';
import { TaughtLink } from '@/parts/trade/TaughtLink';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { isNone, setSettings, useAttic } from '@/store/attic/attic';
import { copyFolderTrouble, useCopyFolder } from '@/store/copies/folder';
import { useAtticSort } from '@/store/derived/useAtticSort';

import { WordsAndPrices } from './WordsAndPrices';

/** How this attic is set up: who works here, codes, and the way to hauls, spots, owners and kinds. */
export function Setup() {
  const router = useRouter();
  const author = useAttic((s) => s.settings.author);
  const copiesWords = useCopiesWords();
  const counts = {
    hauls: useAttic((s) => Object.keys(s.hauls).length),
    spots: useAttic((s) => Object.keys(s.spots).length),
    groups: useAttic((s) => Object.keys(s.groups).length),
    owners: useAttic((s) => Object.keys(s.owners).length),
  };
  return (
    <Page title="The attic">
      <WhichOne />
      <Card label="Lists">
        <Text variant="heading">What it is made of</Text>
        <LinkRow words="Hauls" more={String(counts.hauls)} onPress={() => router.navigate('/hauls')} />
        <LinkRow words="Spots" more={String(counts.spots)} onPress={() => router.navigate('/spots')} />
        <LinkRow words="Consignors" more={String(counts.owners)} onPress={() => router.navigate('/owners')} />
        <LinkRow words="Groups" more={String(counts.groups)} onPress={() => router.navigate('/groups')} />
        <TaughtLink />
        <LinkRow
          words="Bring in a table"
          more="stock, barcodes or purchases from elsewhere"
          onPress={() => router.navigate('/bring-table')}
        />
        <LinkRow
          words="Save tables"
          more="stock, sales, books; pictures, a calendar"
          onPress={() => router.navigate('/save-tables')}
        />
        <LinkRow
          words="Marketplaces"
          more="connections, terms, kinds and categories"
          onPress={() => router.navigate('/connections')}
        />
        <LinkRow
          words="Patterns"
          more="how descriptions are written"
          onPress={() => router.navigate('/patterns')}
        />
        <LinkRow
          words="Sourcing"
          more="what it would bring, what to pay"
          onPress={() => router.navigate('/buying')}
        />
        <LinkRow words="Kinds" more="and what is asked of them" onPress={() => router.navigate('/kinds')} />
        <LinkRow words="Backup copy" more={copiesWords} onPress={() => router.navigate('/copies')} />
      </Card>
      <Card label="Who works here">
        <Text variant="heading">Who is working on this device</Text>
        <Field
          label="Your name"
          hint="It stands beside every change in an item’s diary."
          value={author}
          maxLength={120}
          refuse={(text) => (text.trim() === '' ? 'Somebody has to be.' : null)}
          onChange={(text) => setSettings({ author: text.trim() })}
        />
      </Card>
      <CountingAndMeasuring />
      <AtIntake />
      <LookingUp />
      <LookingForItsLike />
      <WordsAndPrices />
      <Codes />
    </Page>
  );
}

/** Of which sort it is, and where it is kept. */
function WhichOne() {
  const sort = useAtticSort();
  if (sort === null) return null;
  return (
    <Text tone="soft">
      {sort === 'own'
        ? 'Your own attic: its items and pictures are in this browser, what the courier needs is on the ' +
          'computer that runs it.'
        : `The ${sort} attic: it is kept apart from your own, and nothing of it is real.`}
    </Text>
  );
}

function CountingAndMeasuring() {
  const settings = useAttic((s) => s.settings);
  const mayChange = useAttic((s) => isNone(s.items) && isNone(s.hauls));
  return (
    <Card label="Currency and units">
      <Text variant="heading">Currency and units</Text>
      <CurrencyAndUnits value={settings} onChange={setSettings} mayChange={mayChange} />
    </Card>
  );
}

/** How it stands with copies, in few words. */
function useCopiesWords(): string {
  const copiedAt = useAttic((s) => s.settings.copiedAt);
  const folder = useCopyFolder((s) => s.folder);
  const said = copiedAt === null ? 'none saved yet' : `saved ${agoWords(copiedAt)}`;
  if (!folder) return said;
  return copyFolderTrouble(folder) === null ? `by themselves, ${said}` : 'no longer by themselves';
}

function AtIntake() {
  const spotAsked = useAttic((s) => s.settings.spotAsked);
  return (
    <Card label="At intake">
      <Text variant="heading">At intake</Text>
      <ChipRow label="Before the next item">
        <Chip on={!spotAsked} onPress={() => setSettings({ spotAsked: false })}>
          Its spot may come later
        </Chip>
        <Chip on={spotAsked} onPress={() => setSettings({ spotAsked: true })}>
          Its spot comes first
        </Chip>
      </ChipRow>
    </Card>
  );
}

function LookingUp() {
  const lookUp = useAttic((s) => s.settings.lookUp);
  return (
    <Card label="Looking up barcodes">
      <Text variant="heading">Looking up barcodes</Text>
      <ChipRow label="When a barcode is read or typed">
        <Chip on={lookUp} onPress={() => setSettings({ lookUp: true })}>
          Look it up by itself
        </Chip>
        <Chip on={!lookUp} onPress={() => setSettings({ lookUp: false })}>
          Only when I ask
        </Chip>
      </ChipRow>
      <Text variant="small" tone="soft">
        What was looked up is marked until you say it is right. Without it, taking items in is a little
        faster.
      </Text>
    </Card>
  );
}

function LookingForItsLike() {
  const findAlike = useAttic((s) => s.settings.findAlike);
  return (
    <Card label="Looking for its like">
      <Text variant="heading">Looking for its like</Text>
      <ChipRow label="When a new item is photographed">
        <Chip on={findAlike} onPress={() => setSettings({ findAlike: true })}>
          Look for its like by itself
        </Chip>
        <Chip on={!findAlike} onPress={() => setSettings({ findAlike: false })}>
          When I ask for it
        </Chip>
      </ChipRow>
      <Text variant="small" tone="soft">
        A small copy of its front, without place, time or camera, goes to the likeness desk. What looks like
        it is shown beside your picture; nothing of it counts before you say so.
      </Text>
    </Card>
  );
}

const PART_WORDS: Record<CodePattern['parts'][number], string> = {
  letters: 'Prefix',
  haul: 'Haul',
  kind: 'Kind',
  describing: 'Brand and model',
  number: 'Running number',
  cost: 'Cost in letters',
  spot: 'Spot, last',
};

/** An item whose code is shown as an example. */
const EXAMPLE = {
  haul: 'Quayside car boot',
  kind: 'Jumper',
  describing: 'Kittiwake Mills gansey',
  cost: 650,
  spot: 'A3-12',
};

/** How codes are put together. What is tapped next stands next; the running number is always there. */
function Codes() {
  const pattern = useAttic((s) => s.settings.codePattern);
  const next = useAttic((s) => s.settings.nextNumber);
  const set = (part: Partial<CodePattern>) => {
    const parsed = CodePatternSchema.safeParse({ ...pattern, ...part });
    if (parsed.success) setSettings({ codePattern: parsed.data });
  };
  const refuseWith = (part: Partial<CodePattern>, why: string) =>
    CodePatternSchema.safeParse({ ...pattern, ...part }).success ? null : why;
  return (
    <Card label="Codes">
      <Text variant="heading">Codes</Text>
      <Text tone="soft">{'The next one, for a jumper bought at 6.50 and put at A3-12, would be'}</Text>
      <Text variant="strong" figures>
        {codeFor(pattern, { ...EXAMPLE, number: next })}
      </Text>
      <CodeParts pattern={pattern} set={set} />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <Field
            label="Prefix"
            value={pattern.letters}
            maxLength={8}
            refuse={(text) => refuseWith({ letters: text.toUpperCase() }, 'One to eight letters or digits.')}
            onChange={(text) => set({ letters: text.toUpperCase() })}
          />
        </View>
        <View style={{ flex: 2 }}>
          <Field
            label="Cost code word"
            value={pattern.costWord}
            maxLength={10}
            hint="Ten different letters, for 1 to 9 and 0"
            refuse={(text) =>
              refuseWith({ costWord: text.toUpperCase() }, 'Ten different letters, or nothing.')
            }
            onChange={(text) => set({ costWord: text.toUpperCase() })}
          />
        </View>
      </View>
      {pattern.costWord === '' ? null : <ReadCost word={pattern.costWord} />}
      <ChipRow label="Separator">
        {(['-', '.', '_'] as const).map((between) => (
          <Chip
            key={between}
            on={pattern.between === between}
            label={`Separator: ${between}`}
            onPress={() => set({ between })}
          >
            {between}
          </Chip>
        ))}
      </ChipRow>
      <Text variant="small" tone="soft">
        Codes already given stay as they are; an item’s sheet offers a new one when its parts have changed.
      </Text>
    </Card>
  );
}

/** The parts there are, those of the code first and in its order. */
function CodeParts({ pattern, set }: { pattern: CodePattern; set: (part: Partial<CodePattern>) => void }) {
  const toggle = (part: CodePattern['parts'][number]) => {
    const rest = pattern.parts.filter((p) => p !== part);
    if (pattern.parts.includes(part)) return set({ parts: rest });
    return set({
      parts:
        rest.at(-1) === 'spot' && part !== 'spot' ? [...rest.slice(0, -1), part, 'spot'] : [...rest, part],
    });
  };
  return (
    <ChipRow label="Parts of a code, in order" radio={false}>
      {[...pattern.parts, ...CODE_PARTS.filter((p) => !pattern.parts.includes(p))].map((part) => (
        <Chip
          key={part}
          role="checkbox"
          on={pattern.parts.includes(part)}
          onPress={() => part !== 'number' && toggle(part)}
        >
          {PART_WORDS[part]}
        </Chip>
      ))}
    </ChipRow>
  );
}

/** What a cost in letters says: for whoever stands before a shelf with a label in the hand. */
function ReadCost({ word }: { word: string }) {
  const currency = useAttic((s) => s.settings.currency);
  const [letters, setLetters] = useState('');
  const cost = costOfLetters(letters.trim().toUpperCase(), word);
  return (
    <Field
      label="Read a cost in letters"
      value={letters}
      maxLength={16}
      pause={0}
      hint={cost === null ? 'Only on this device' : `It cost ${formatMoney(cost, currency)}`}
      refuse={(text) =>
        text.trim() === '' || costOfLetters(text.trim().toUpperCase(), word) !== null
          ? null
          : 'These are not letters of the word.'
      }
      onChange={setLetters}
    />
  );
}
