import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { OutLine } from '@/core/outgoing/lines';
import { ChangedValues, differencesOf } from '@/parts/trade/ChangedValues';
import { toggled } from '@/parts/trade/toggled';
import { Button, Chip } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { beginRound } from '@/store/courier/outgoing';
import { examine } from '@/store/courier/sending';
import { useSentDrafts } from '@/store/derived/useSentDrafts';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { nameOf } from '@/store/items/names';

import { TITLES } from './titles';
import { useOutLines } from './useOutLines';

const keyOf = ({ item, market }: Pick<OutLine, 'item' | 'market'>) => `${item} ${market}`;

/** What is up and changed since, old and new, value by value: nothing of it goes before it was shown. */
export function Revising({ list }: { list: readonly Item[] }) {
  const router = useRouter();
  const sheets = useUsedSheets();
  const lines = useOutLines('revise', list, sheets);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const changed = useMemo(() => lines.filter((l) => l.deed === 'resend'), [lines]);
  const asked = lines.filter((l) => l.says === 'asked').length;
  const items = useMemo(() => [...new Set(changed.map((l) => l.item))], [changed]);
  const sent = useSentDrafts(items);
  const going = changed.filter((l) => !out.has(keyOf(l)) && sent.drafts[l.item]?.[l.market]);
  const begin = () => {
    beginRound('revise', going, []);
    router.replace('/underway');
  };
  return (
    <Page title={TITLES.revise(list.length)} back="/stock">
      <Text role="status" tone="soft" figures>
        {asked > 0
          ? `Being checked: ${asked} to go…`
          : changed.length === 0
            ? 'Nothing of what is up was changed here since it was sent.'
            : `${changed.length} of what is up would change.`}
      </Text>
      {items.map((id) => {
        const item = list.find((t) => t.id === id);
        return item ? (
          <Card key={id} label={`What changes of ${nameOf(item)}`}>
            <Text variant="strong">{nameOf(item)}</Text>
            {changed
              .filter((l) => l.item === id)
              .map((line) => (
                <Changing
                  key={line.market}
                  item={item}
                  sheet={sheets.find((s) => s.marketplace === line.market)}
                  before={sent.drafts[id]?.[line.market]}
                  on={!out.has(keyOf(line))}
                  onToggle={() => setOut((now) => toggled(now, keyOf(line)))}
                />
              ))}
          </Card>
        ) : null;
      })}
      {sent.trouble ? (
        <Notice tone="trouble">
          {`What is shown there could not be read: ${sent.trouble} What would change there is left out.`}
        </Notice>
      ) : null}
      <Button variant="main" icon="send" disabled={going.length === 0} onPress={begin}>
        {`Change ${going.length}`}
      </Button>
    </Page>
  );
}

function Changing(props: {
  item: Item;
  sheet: RuleSheet | undefined;
  before: Parameters<typeof differencesOf>[1] | undefined;
  on: boolean;
  onToggle: () => void;
}) {
  const { item, sheet, before, on, onToggle } = props;
  const values = useMemo(
    () => (sheet && before ? differencesOf(examine(item, sheet), before) : []),
    [item, sheet, before],
  );
  if (!sheet) return null;
  const { name } = sheet;
  return (
    <View style={{ gap: 6, opacity: on ? 1 : 0.5 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text style={{ flex: 1 }}>{name}</Text>
        <Chip role="checkbox" on={on} label={`Change ${nameOf(item)} on ${name}`} onPress={onToggle}>
          {on ? 'Goes' : 'Left out'}
        </Chip>
      </View>
      {before ? (
        <ChangedValues label={`What changes of ${nameOf(item)} on ${name}`} values={values} />
      ) : (
        <Text variant="small" tone="soft">
          What is shown there is being read…
        </Text>
      )}
    </View>
  );
}
