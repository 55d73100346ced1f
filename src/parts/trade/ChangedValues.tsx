import { View } from 'react-native';

import type { ListingDraft } from '@/contract/courier';
import { isAsFound } from '@/core/bringIn/asFound';
import { draftDifferences, type Difference } from '@/core/listing/differences';
import { looseDraft } from '@/core/listing/draft';
import type { Examined } from '@/core/listing/examine';
import { Text } from '@/parts/ui/Text';
import { useColours } from '@/theme/theme';

/** What of a listing would change there; the pictures, where nothing else does. */
export function differencesOf(examined: Examined, before: ListingDraft): Difference[] {
  const { effective, sheet, plan } = examined;
  const found = before.found === true || isAsFound(plan);
  const values = draftDifferences(before, looseDraft(effective, sheet), sheet, found);
  return values.length > 0 ? values : [{ name: 'Pictures', before: null, after: 'as they are here' }];
}

/** Old and new of every value that would change on a marketplace. */
export function ChangedValues({ label, values }: { label: string; values: readonly Difference[] }) {
  const c = useColours();
  const cut = (words: string) => (words.length > 160 ? `${words.slice(0, 160)}…` : words);
  const old = ({ before }: Difference) =>
    before === null ? 'not known' : before === '' ? 'nothing' : cut(before);
  return (
    <View
      role="list"
      aria-label={label}
      style={{ gap: 6, borderLeftWidth: 2, borderColor: c.line, paddingLeft: 10 }}
    >
      {values.map((d) => (
        <View key={d.name} role="listitem">
          <Text variant="small" tone="soft">
            {d.name}
          </Text>
          <Text figures>{`${old(d)} → ${d.after === '' ? 'nothing' : cut(d.after)}`}</Text>
        </View>
      ))}
    </View>
  );
}
