import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { findingKey, type Finding } from '@/core/listing/findings';
import { FindingNotice } from '@/parts/trade/FindingNotice';
import { sectionOf } from '@/parts/trade/goTo';
import { ListingSigns } from '@/parts/trade/ListingSigns';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useExamined } from '@/store/courier/examining';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { editPlan, wantEverywhere } from '@/store/items/items';

import { AskedThere } from '../crosslist/OwnValues';
import { SendBar } from '../crosslist/SendBar';

/** Where it goes, what is asked there, and the sending: all that is left once the pictures are confirmed. */
export function ListIt({ item }: { item: Item }) {
  const router = useRouter();
  const used = useUsedSheets();
  const currency = useAttic((s) => s.settings.currency);
  const plans = useAttic((s) => s.plans);
  const view = useCourier((s) => s.items[item.id]);
  const examined = useExamined(item).filter((e) => used.some((s) => s.marketplace === e.sheet.marketplace));
  const wanted = examined.filter((e) => e.plan?.wanted);
  const fits = examined.filter((e) => !e.findings.some(isElsewhere)).map((e) => e.sheet);
  const names = fits.map((s) => s.name);
  return (
    <Card label="Where it goes">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>
          Where it goes
        </Text>
        <ListingSigns
          itemId={item.id}
          view={view}
          plans={plans}
          sheets={used}
          currency={currency}
          size={25}
        />
      </View>
      <ChipRow label="Marketplaces it goes to" radio={false}>
        {names.length > 1 && wanted.length < names.length ? (
          <Chip
            role="button"
            on={false}
            label={`To all ${names.length} that take it`}
            onPress={() =>
              wantEverywhere(
                item.id,
                fits.map((s) => s.marketplace),
              )
            }
          >
            {`All ${names.length} that take it`}
          </Chip>
        ) : null}
        {examined.map(({ sheet, plan }) => (
          <Chip
            key={sheet.marketplace}
            role="checkbox"
            on={plan?.wanted ?? false}
            label={`List it on ${sheet.name}`}
            onPress={() =>
              editPlan(item.id, sheet.marketplace, `where it goes: ${sheet.name}`, { wanted: !plan?.wanted })
            }
          >
            {sheet.name}
          </Chip>
        ))}
      </ChipRow>
      {wanted.map((e) => (
        <AskedThere key={e.sheet.marketplace} item={item} examined={e} />
      ))}
      {shared(wanted).map(({ finding, of }) => (
        <FindingNotice
          key={findingKey(finding)}
          finding={finding}
          examined={of}
          onPress={() => router.navigate(`/item/${item.id}?at=${finding.field}`)}
        />
      ))}
      <SendBar item={item} examined={examined} />
      <Button variant="quiet" onPress={() => router.navigate(`/item/${item.id}`)}>
        The whole sheet
      </Button>
    </Card>
  );
}

/** Nothing a person could answer: the marketplace has no place for such an item. */
function isElsewhere({ code }: Finding): boolean {
  return [
    'categoryUnknown',
    'barcodeMissing',
    'barcodeUnknown',
    'recordClosed',
    'conditionNotTaken',
  ].includes(code);
}

/** What stands against it that is not asked above, the same of several marketplaces once. */
function shared(wanted: readonly Examined[]): { finding: Finding; of: Examined }[] {
  const said = new Map<string, { finding: Finding; of: Examined }>();
  for (const of of wanted)
    for (const finding of of.findings)
      if (finding.level === 'blocker' && !isAskedAbove(finding))
        said.set(findingKey(finding), { finding, of });
  return [...said.values()];
}

/** What these marketplaces ask stands right above, price and use further up. */
function isAskedAbove({ field, code }: Finding): boolean {
  return field.startsWith('answer:') || code === 'specificNotListed' || code === 'specificMissing'
    ? sectionOf(field) === 'markets'
    : code === 'priceMissing' || code === 'useMissing' || code === 'kindMissing';
}
