import { useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import type { Cause } from '@/core/warnings/warnings';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useMarketName } from '@/store/courier/useMarketName';
import { takeBackWaived } from '@/store/items/warnings';
import { causeWords } from '@/wording/warnings';

/** What was looked at and is let be, with its date; each can be taken back. */
export function Waived({ causes }: { causes: readonly Cause[] }) {
  const name = useMarketName();
  const [open, setOpen] = useState(false);
  const some = causes.filter((cause) => cause.waived.length > 0);
  const many = some.reduce((sum, cause) => sum + cause.waived.length, 0);
  if (many === 0) return null;
  return (
    <Card label="Let be">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text style={{ flex: 1 }}>{plural(many, 'One is let be', `${many} are let be`)}</Text>
        <Button variant="quiet" label="What is let be" onPress={() => setOpen(!open)}>
          {open ? 'Put away' : 'Show'}
        </Button>
      </View>
      {open
        ? some.map((cause) => {
            const { key, waived } = cause;
            const words = causeWords(cause, name);
            return (
              <View key={key} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
                <View style={{ flex: 1 }}>
                  <Text>{words}</Text>
                  <Text variant="small" tone="soft" figures>
                    {`${plural(waived.length, 'one listing', `${waived.length} listings`)}, since ` +
                      exactly(Math.min(...waived.map((w) => w.waivedAt ?? Infinity)))}
                  </Text>
                </View>
                <Button
                  variant="quiet"
                  label={`Look again at: ${words}`}
                  onPress={() => takeBackWaived(waived)}
                >
                  Look again
                </Button>
              </View>
            );
          })
        : null}
    </Card>
  );
}
