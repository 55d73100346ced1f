import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { knownValue } from '@/core/reading/proposals';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';
import { lineIsNothing, openLinesOf, sayWhatLineIs, type OpenLine } from '@/store/pictures/taught';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';

import { Crop } from '../pictures/Crop';

/** Facts that lines of labels are about, in this order. */
const ON_LABELS = ['brand', 'size', 'colour', 'material', 'country', 'model', 'styleCode'];

/** Lines that were legible and that nothing was made of: a person can say what they are, once for all. */
export function OpenLines({ item }: { item: Item }) {
  const pictures = usePicturesOf(item);
  const [open, setOpen] = useState(false);
  const lines = openLinesOf(item, pictures);
  const [first] = lines;
  if (!first || item.kind === '') return null;
  if (!open)
    return (
      <Button variant="quiet" onPress={() => setOpen(true)}>
        {plural(lines.length, 'One line was not understood', `${lines.length} lines were not understood`)}
      </Button>
    );
  return (
    <Card label="Not understood">
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>
          What is this?
        </Text>
        <Text tone="soft" figures role="status">
          {plural(lines.length, 'the last one', `${lines.length} to go`)}
        </Text>
      </View>
      <WhatItIs key={first.picture.id + first.line.text} item={item} one={first} />
    </Card>
  );
}

function WhatItIs({ item, one }: { item: Item; one: OpenLine }) {
  const kinds = useKinds();
  const [cannot, setCannot] = useState(false);
  const isFigure = /\d/u.test(one.line.text);
  const measures = isFigure ? kinds.measures(item.kind).map((m) => [`measure:${m.id}`, m.name] as const) : [];
  const facts = ON_LABELS.flatMap((id) => {
    const spec = kinds.fact(item.kind, id) ?? kinds.common.find((f) => f.id === id);
    return spec && !spec.private ? [[`fact:${id}`, spec.label] as const] : [];
  });
  const flaw = isFigure ? [] : [['flaw', 'A flaw'] as const];
  const open = [...measures, ...facts, ...flaw].filter(([id]) => knownValue(item, id) === undefined);
  return (
    <>
      <Crop of={[{ pictureId: one.picture.id, box: one.line.box, laid: null }]} alt="The line" height={90} />
      <Text variant="strong">{`“${one.line.text}”`}</Text>
      <ChipRow label="What the line is" radio={false}>
        {open.map(([field, name]) => (
          <Chip
            key={field}
            role="button"
            on={false}
            label={`It is: ${name}`}
            onPress={() => setCannot(!sayWhatLineIs(item, one, field))}
          >
            {name}
          </Chip>
        ))}
        <Chip role="button" on={false} label="It is nothing" onPress={() => lineIsNothing(item, one)}>
          Nothing
        </Chip>
      </ChipRow>
      {cannot ? <Notice tone="caution">No such length can be made out in it.</Notice> : null}
      <Text variant="small" tone="soft">
        What you say holds for the next of its kind, too.
      </Text>
    </>
  );
}
