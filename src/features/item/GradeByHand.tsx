import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import type { Thing } from '@/contract/records';
import { bestByHand, derivedGrade, gradeNames, gradeOfThing, mayGrade } from '@/core/condition/grade';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useDraft } from '@/store/drafts';
import { useKinds } from '@/store/kinds';
import { editThing } from '@/store/things';

const HalfGraded = z.object({ wear: z.number().int().min(0).max(5).nullable(), why: z.string() });

/** The grade with its reason; lowered by hand as one likes, raised only by saying why. */
export function GradeByHand({ thing }: { thing: Thing }) {
  const [opened, setOpen] = useState(false);
  const [{ wear, why }, put, clear] = useDraft(`grade:${thing.id}`, HalfGraded, { wear: null, why: '' });
  const open = opened || wear !== null;
  const setWear = (to: number) => put((now) => ({ ...now, wear: to }));
  const setWhy = (words: string) => put((now) => ({ ...now, why: words }));
  const names = gradeNames(thing.kind, useKinds());
  const derived = derivedGrade(thing);
  const grade = gradeOfThing(thing);
  if (!derived || !grade) return null;
  const byHand = thing.gradeByHand !== null && grade.wear !== derived.wear;
  const best = bestByHand(thing);
  const chosen = wear ?? grade.wear;
  const better = chosen < derived.wear;
  const done = (gradeByHand: Thing['gradeByHand']) => {
    editThing(thing.id, 'grade', { gradeByHand });
    setOpen(false);
    clear();
  };
  return (
    <View style={{ gap: 8 }}>
      <Notice tone="info">
        {byHand
          ? `Grade: ${names[grade.wear]}, set by hand (${grade.because}). By the record: ${names[derived.wear]} (${derived.because})`
          : `Grade: ${names[grade.wear]} (${grade.because})`}
      </Notice>
      {open ? (
        <View role="group" aria-label="Grade by hand" style={{ gap: 8 }}>
          <ChipRow label="Grade">
            {names.map((name, i) =>
              i < best ? null : (
                <Chip key={name} on={chosen === i} onPress={() => setWear(i)}>
                  {name}
                </Chip>
              ),
            )}
          </ChipRow>
          {best > 0 ? (
            <Words kind="small" tone="soft">
              {`What is recorded of it allows no better than ${names[best]}.`}
            </Words>
          ) : null}
          {better ? (
            <>
              <Words
                kind="small"
                tone="soft"
              >{`Better than the record says (${derived.because}): say why. Buyers read it.`}</Words>
              <Field label="Why it is better" value={why} maxLength={400} pause={0} onChange={setWhy} />
            </>
          ) : null}
          <View style={{ flexDirection: 'row', gap: 10 }}>
            <Press
              kind="main"
              disabled={!mayGrade(thing, { wear: chosen, why })}
              onPress={() => done(chosen === derived.wear ? null : { wear: chosen, why: better ? why : '' })}
              style={{ flex: 1 }}
            >
              Keep this grade
            </Press>
            <Press
              onPress={() => {
                setOpen(false);
                clear();
              }}
            >
              Cancel
            </Press>
          </View>
        </View>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Press kind="quiet" onPress={() => setOpen(true)}>
            Grade it by hand
          </Press>
          {byHand ? (
            <Press kind="quiet" icon="undo" onPress={() => done(null)}>
              As the record says
            </Press>
          ) : null}
        </View>
      )}
    </View>
  );
}
