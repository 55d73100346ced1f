import { memo, useState } from 'react';
import { View } from 'react-native';

import { TESTED, type Flaw, type Item } from '@/contract/records';
import { TESTED_WORDS } from '@/core/condition/conditionText';
import { flawWords, gradeNames, gradeOfItem, SEVERITY_NAMES } from '@/core/condition/grade';
import { counted } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { formatLength } from '@/core/measure/units';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { capital } from '@/parts/trade/UndoBar';
import { WearChips } from '@/parts/trade/WearChips';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { change, setSettings, useAttic } from '@/store/attic/attic';
import { editItem, itemWith } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { STARTING_PHRASES } from '@/wording/phrases';

import { FlawForm } from './FlawForm';
import { GradeByHand } from './GradeByHand';

/** Wear, every flaw, what is with it; the grade follows. */
export const ConditionSection = memo(function ConditionSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const grade = gradeOfItem(item);
  const names = gradeNames(item.kind, useKinds());
  return (
    <Section
      name="condition"
      title="Condition"
      blank={!grade}
      summary={[
        grade ? names[grade.wear] : '',
        item.flaws.length > 0 ? counted(item.flaws.length, 'flaw') : '',
      ]
        .filter(Boolean)
        .join(' · ')}
    >
      <WearChips item={item} />
      <Flaws item={item} />
      <More item={item} />
      <GradeByHand item={item} />
      <FieldFindings examined={findings} field="condition" />
    </Section>
  );
});

function Flaws({ item }: { item: Item }) {
  const units = useAttic((s) => s.settings.units);
  const [open, setOpen] = useState<string | null>(null);
  const keep = (flaw: Flaw | null) => {
    setOpen(null);
    if (!flaw) return;
    editItem(item.id, item.flaws.some((f) => f.id === flaw.id) ? 'flaw changed' : 'flaw added', (t) => ({
      flaws: t.flaws.some((f) => f.id === flaw.id)
        ? t.flaws.map((f) => (f.id === flaw.id ? flaw : f))
        : [...t.flaws, flaw],
    }));
  };
  const place = (flaw: Flaw) => {
    const n = flaw.pictureId ? item.pictureIds.indexOf(flaw.pictureId) + 1 : 0;
    return n > 0 ? `${flaw.pin ? 'pinned' : 'shown'} in picture ${n}` : null;
  };
  return (
    <>
      {item.flaws.map((flaw) =>
        open === flaw.id ? (
          <FlawForm key={flaw.id} item={item} before={flaw} onDone={keep} />
        ) : (
          <View key={flaw.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Text variant="strong">{capital(flawWords(flaw))}</Text>
              <Text variant="small" tone="soft" figures>
                {[SEVERITY_NAMES[flaw.severity], flaw.sizeMm && formatLength(flaw.sizeMm, units), place(flaw)]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
            </View>
            <Button
              variant="quiet"
              label={`Change flaw: ${flawWords(flaw)}`}
              onPress={() => setOpen(flaw.id)}
            >
              Change
            </Button>
            <SignButton
              icon="remove"
              label={`Remove flaw: ${flawWords(flaw)}`}
              onPress={() =>
                change(
                  'flaw removed',
                  [itemWith(item, { flaws: item.flaws.filter((f) => f.id !== flaw.id) })],
                  { destructive: true },
                )
              }
            />
          </View>
        ),
      )}
      {open === 'new' ? (
        <FlawForm item={item} before={null} onDone={keep} />
      ) : (
        <Button icon="add" onPress={() => setOpen('new')}>
          Add a flaw
        </Button>
      )}
      {item.flaws.length === 0 && open === null ? (
        <ChipRow label="Checked for flaws" radio={false}>
          <Chip
            role="checkbox"
            on={item.looked}
            onPress={() => editItem(item.id, 'looked over', { looked: !item.looked })}
          >
            Checked for flaws: no flaws
          </Chip>
        </ChipRow>
      ) : null}
    </>
  );
}

/** Parts, trying out, cleaning, the home it comes from, and the person's own words. */
function More({ item }: { item: Item }) {
  const [open, setOpen] = useState(false);
  const { id } = item;
  if (!open && !saysMore(item))
    return (
      <Button variant="quiet" icon="add" onPress={() => setOpen(true)}>
        Parts, testing, cleaning, notes
      </Button>
    );
  const yesNo = (
    label: string,
    key: 'cleaned' | 'smoke' | 'pets',
    words: readonly [yes: string, no: string],
  ) => (
    <ChipRow label={label}>
      {([true, false] as const).map((is) => (
        <Chip
          key={String(is)}
          on={item[key] === is}
          onPress={() => editItem(id, label.toLocaleLowerCase('en'), { [key]: item[key] === is ? null : is })}
        >
          {words[is ? 0 : 1]}
        </Chip>
      ))}
    </ChipRow>
  );
  return (
    <>
      <Field
        label="Included"
        value={item.included}
        maxLength={400}
        placeholder="box, spare button, booklet"
        onChange={(included) => editItem(id, 'what comes with it', { included })}
      />
      <Field
        label="What is missing"
        value={item.missing}
        maxLength={400}
        onChange={(missing) => editItem(id, 'what is missing', { missing })}
      />
      <ChipRow label="Tested">
        {TESTED.map((tested) => (
          <Chip
            key={tested}
            on={item.tested === tested}
            onPress={() => editItem(id, 'tried out', { tested: item.tested === tested ? null : tested })}
          >
            {capital(TESTED_WORDS[tested])}
          </Chip>
        ))}
      </ChipRow>
      {yesNo('Cleaning', 'cleaned', ['Cleaned', 'As it was found'])}
      {yesNo('Smoke', 'smoke', ['From a home with smoke', 'No smoke'])}
      {yesNo('Pets', 'pets', ['From a home with pets', 'No pets'])}
      <Note item={item} />
    </>
  );
}

/** The person's own words, with phrases that were kept for using again. */
function Note({ item }: { item: Item }) {
  const phrases = useAttic((s) => s.settings.phrases);
  // Some come with the app, for as long as there are none of one’s own.
  const offered = phrases.length > 0 ? phrases : STARTING_PHRASES;
  const note = item.conditionNote.trim();
  const set = (conditionNote: string) => editItem(item.id, 'note on its condition', { conditionNote });
  return (
    <View style={{ gap: 8 }}>
      <Field label="Note on its condition" value={item.conditionNote} multiline onChange={set} />
      <ChipRow label={phrases.length > 0 ? 'Saved phrases' : 'Usual phrases'} radio={false}>
        {offered.map((phrase) => (
          <Chip
            key={phrase}
            role="button"
            on={false}
            onPress={() => set(note === '' ? phrase : `${note} ${phrase}`)}
          >
            {phrase}
          </Chip>
        ))}
      </ChipRow>
      {note !== '' && note.length <= 400 ? (
        phrases.includes(note) ? (
          <Button
            variant="quiet"
            icon="remove"
            onPress={() => setSettings({ phrases: phrases.filter((p) => p !== note) })}
          >
            Keep this phrase no longer
          </Button>
        ) : (
          <Button
            variant="quiet"
            icon="add"
            disabled={phrases.length >= 200}
            onPress={() => setSettings({ phrases: [...phrases, note] })}
          >
            Keep as a phrase
          </Button>
        )
      ) : null}
    </View>
  );
}

function saysMore(t: Item): boolean {
  return (
    [t.included, t.missing, t.conditionNote].some((text) => text !== '') ||
    [t.tested, t.cleaned, t.smoke, t.pets].some((answer) => answer !== null)
  );
}
