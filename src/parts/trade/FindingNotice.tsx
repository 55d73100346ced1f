import { View } from 'react-native';

import type { Finding } from '@/core/listing/check';
import type { Examined } from '@/core/listing/examine';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { useAttic } from '@/store/attic/attic';
import { editPlan, editItem } from '@/store/items/items';

/** One finding of the check, and the press that puts it right where there is one. */
export function FindingNotice(props: { finding: Finding; examined: Examined; onPress?: () => void }) {
  const { finding, examined, onPress } = props;
  const { sheet, plan } = examined;
  const { fix } = finding;
  const put = () => {
    const item = plan && useAttic.getState().items[plan.itemId];
    if (!fix || !plan || !item) return;
    if (fix.item) editItem(item.id, fix.words, fix.item);
    if (fix.plan) editPlan(item.id, sheet.marketplace, fix.words, fix.plan);
  };
  return (
    <View style={{ gap: 4 }}>
      <Notice tone={finding.level === 'blocker' ? 'trouble' : 'caution'} onPress={onPress}>
        {finding.message}
      </Notice>
      {fix && plan ? (
        <Button variant="quiet" label={`${fix.words} (${sheet.name})`} onPress={put}>
          {fix.words}
        </Button>
      ) : null}
    </View>
  );
}
