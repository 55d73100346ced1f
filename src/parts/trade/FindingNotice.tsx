import { View } from 'react-native';

import type { Examined } from '@/core/listing/examine';
import type { Finding } from '@/core/listing/findings';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { useAttic } from '@/store/attic/attic';
import { editPlan, editItem } from '@/store/items/items';
import { findingWords, fixWords } from '@/wording/check';

/** One finding of the check, and the press that puts it right where there is one. */
export function FindingNotice(props: { finding: Finding; examined: Examined; onPress?: () => void }) {
  const { finding, examined, onPress } = props;
  const { sheet, plan } = examined;
  const { fix } = finding;
  const does = fix ? fixWords(fix) : '';
  const put = () => {
    const item = plan && useAttic.getState().items[plan.itemId];
    if (!fix || !plan || !item) return;
    if (fix.item) editItem(item.id, does, fix.item);
    if (fix.plan) editPlan(item.id, sheet.marketplace, does, fix.plan);
  };
  return (
    <View style={{ gap: 4 }}>
      <Notice tone={finding.level === 'blocker' ? 'trouble' : 'caution'} onPress={onPress}>
        {findingWords(finding)}
      </Notice>
      {fix && plan ? (
        <Button variant="quiet" label={`${does} (${sheet.name})`} onPress={put}>
          {does}
        </Button>
      ) : null}
    </View>
  );
}
