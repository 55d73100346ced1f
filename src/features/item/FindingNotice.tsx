import { View } from 'react-native';

import type { Finding } from '@/core/listing/check';
import type { Examined } from '@/core/listing/examine';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { useAttic } from '@/store/attic';
import { editPlan, editThing } from '@/store/things';

/** One finding of the check, and the press that puts it right where there is one. */
export function FindingNotice(props: { finding: Finding; examined: Examined; onPress?: () => void }) {
  const { finding, examined, onPress } = props;
  const { sheet, plan } = examined;
  const { fix } = finding;
  const put = () => {
    const thing = plan && useAttic.getState().things[plan.thingId];
    if (!fix || !plan || !thing) return;
    if (fix.thing) editThing(thing.id, fix.words, fix.thing);
    if (fix.plan) editPlan(thing.id, sheet.marketplace, fix.words, fix.plan);
  };
  return (
    <View style={{ gap: 4 }}>
      <Notice tone={finding.level === 'blocker' ? 'trouble' : 'caution'} onPress={onPress}>
        {finding.message}
      </Notice>
      {fix && plan ? (
        <Press kind="quiet" label={`${fix.words} (${sheet.name})`} onPress={put}>
          {fix.words}
        </Press>
      ) : null}
    </View>
  );
}
