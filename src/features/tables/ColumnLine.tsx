import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';
import type { FieldName } from '@/workers/tablereader.worker';

/** What many tables say, offered before a person looks for anything else. */
const USUAL = [
  'code',
  'fact:barcode',
  'title',
  'description',
  'kind',
  'use',
  'price',
  'cost',
  'spot',
  'times',
];
/** How many fields are offered at a time. */
const OFFERED = 14;

const BY_WORDS = {
  heading: 'by its heading',
  content: 'by what stands in it',
  remembered: 'as last time',
  person: 'as you said',
} as const;

interface ColumnLineProps {
  heading: string;
  samples: readonly string[];
  field: FieldName | null;
  by: keyof typeof BY_WORDS | null;
  names: readonly FieldName[];
  isOpen: boolean;
  onOpen: () => void;
  onChoose: (id: string | null) => void;
}

/** One column of the file, with three things that stand in it, and what it is taken for. */
export function ColumnLine(props: ColumnLineProps) {
  const { heading, samples, field, by, isOpen, onOpen } = props;
  const c = useColours();
  return (
    <View style={{ borderTopWidth: 1, borderColor: c.line, paddingVertical: 6, gap: 6 }}>
      <Pressable
        role="button"
        aria-label={`${heading}: ${field ? field.label : 'left out'}`}
        aria-expanded={isOpen}
        onPress={onOpen}
        style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 }}
      >
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="strong" numberOfLines={1}>
            {heading}
          </Text>
          <Text variant="small" tone="soft" figures numberOfLines={1}>
            {samples.join(' · ') || 'empty'}
          </Text>
        </View>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="strong" tone={field ? 'good' : 'soft'} numberOfLines={1}>
            {field ? field.label : 'left out'}
          </Text>
          {field && by ? (
            <Text variant="small" tone="soft">
              {BY_WORDS[by]}
            </Text>
          ) : null}
        </View>
        <Icon name="unfold" colour={c.soft} size={20} />
      </Pressable>
      {isOpen ? <FieldChoice {...props} /> : null}
    </View>
  );
}

function FieldChoice({ heading, names, field, onChoose }: ColumnLineProps) {
  const [words, setWords] = useState('');
  const wanted = words.trim().toLocaleLowerCase('en');
  const found =
    wanted === ''
      ? names.filter((n) => USUAL.includes(n.id) || names.length <= OFFERED || n.id === field?.id)
      : names.filter((n) => n.label.toLocaleLowerCase('en').includes(wanted));
  return (
    <>
      {names.length > OFFERED ? (
        <Field label={`Find what ${heading} is`} value={words} pause={0} maxLength={60} onChange={setWords} />
      ) : null}
      <ChipRow label={`What ${heading} is`}>
        <Chip on={field === null} onPress={() => onChoose(null)}>
          Left out
        </Chip>
        {found.slice(0, OFFERED).map((n) => (
          <Chip key={n.id} on={n.id === field?.id} onPress={() => onChoose(n.id)}>
            {n.label}
          </Chip>
        ))}
      </ChipRow>
    </>
  );
}
