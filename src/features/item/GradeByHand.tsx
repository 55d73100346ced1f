import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import type { Item } from '@/contract/records';
import { bestByHand, derivedGrade, gradeNames, gradeOfItem, mayGrade } from '@/core/condition/grade';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useDraft } from '@/store/attic/drafts';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { gradeReason } from '@/wording/condition';

const HalfGraded = z.object({ wear: z.number().int().min(0).max(5).nullable(), why: z.string() });

/** What was chosen and not kept yet outlives a reload. */
function useHalfGraded(item: Item) {
  return useDraft(`grade:${item.id}`, HalfGraded, { wear: null, why: '' });
}

/** The grade with its reason; lowered by hand as one likes, raised only by saying why. */
export function GradeByHand({ item }: { item: Item }) {
  const [opened, setOpen] = useState(false);
  const [{ wear }, , clear] = useHalfGraded(item);
  const open = opened || wear !== null;
  const names = gradeNames(item.kind, useKinds());
  const derived = derivedGrade(item);
  const grade = gradeOfItem(item);
  if (!derived || !grade) return null;
  const byHand = item.gradeByHand !== null && grade.wear !== derived.wear;
  const done = (gradeByHand: Item['gradeByHand']) => {
    editItem(item.id, 'grade', { gradeByHand });
    setOpen(false);
    clear();
  };
  return (
    <View style={{ gap: 8 }}>
      <Notice tone="info">
        {byHand
          ? `Grade: ${names[grade.wear]}, set by hand (${gradeReason(grade.because)}). By the ` +
            `record: ${names[derived.wear]} (${gradeReason(derived.because)})`
          : `Grade: ${names[grade.wear]} (${gradeReason(grade.because)})`}
      </Notice>
      {open ? (
        <GradeChoice
          item={item}
          names={names}
          grade={grade.wear}
          derived={derived}
          onKeep={done}
          onCancel={() => {
            setOpen(false);
            clear();
          }}
        />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Button variant="quiet" onPress={() => setOpen(true)}>
            Grade it by hand
          </Button>
          {byHand ? (
            <Button variant="quiet" icon="undo" onPress={() => done(null)}>
              As the record says
            </Button>
          ) : null}
        </View>
      )}
    </View>
  );
}

function GradeChoice(props: {
  item: Item;
  names: readonly string[];
  /** The grade it has now, and the one that follows from the record. */
  grade: number;
  derived: NonNullable<ReturnType<typeof derivedGrade>>;
  onKeep: (byHand: Item['gradeByHand']) => void;
  onCancel: () => void;
}) {
  const { item, names, grade, derived, onKeep, onCancel } = props;
  const [{ wear, why }, put] = useHalfGraded(item);
  const best = bestByHand(item);
  const chosen = wear ?? grade;
  const better = chosen < derived.wear;
  return (
    <View role="group" aria-label="Grade by hand" style={{ gap: 8 }}>
      <ChipRow label="Grade">
        {names.map((name, i) =>
          i < best ? null : (
            <Chip key={name} on={chosen === i} onPress={() => put((now) => ({ ...now, wear: i }))}>
              {name}
            </Chip>
          ),
        )}
      </ChipRow>
      {best > 0 ? (
        <Text variant="small" tone="soft">
          {`What is recorded of it allows no better than ${names[best]}.`}
        </Text>
      ) : null}
      {better ? (
        <>
          <Text
            variant="small"
            tone="soft"
          >{`Better than the record says (${gradeReason(derived.because)}): say why. Buyers read it.`}</Text>
          <Field
            label="Why it is better"
            value={why}
            maxLength={400}
            pause={0}
            onChange={(words) => put((now) => ({ ...now, why: words }))}
          />
        </>
      ) : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Button
          variant="main"
          disabled={!mayGrade(item, { wear: chosen, why })}
          onPress={() => onKeep(chosen === derived.wear ? null : { wear: chosen, why: better ? why : '' })}
          style={{ flex: 1 }}
        >
          Keep this grade
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </View>
    </View>
  );
}
