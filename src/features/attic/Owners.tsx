import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { ENDS, type Owner } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import { Field } from '@/parts/Field';
import { LinkRow } from '@/parts/LinkRow';
import { MoneyField } from '@/parts/MoneyField';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { keepOwner } from '@/store/hauls';

import { BackTo } from '../shell/BackTo';

/** People whose things are sold for them, and what was agreed with each. */
export function Owners() {
  const owners = useAttic((s) => s.owners);
  const things = useAttic((s) => s.things);
  const [name, setName] = useState('');
  const list = Object.values(owners).sort((a, b) => a.name.localeCompare(b.name));
  return (
    <Page title="Consignors" aside={<BackTo path="/attic" />}>
      {list.length === 0 ? (
        <Words tone="soft">Somebody whose things you sell for a share: begin with the name.</Words>
      ) : null}
      {list.map((owner) => (
        <Agreement
          key={owner.id}
          owner={owner}
          things={Object.values(things).filter((t) => t.ownerId === owner.id).length}
        />
      ))}
      <Card label="A new consignor">
        <Field label="Name of a consignor" value={name} maxLength={200} pause={0} onChange={setName} />
        <Press
          icon="add"
          disabled={name.trim() === ''}
          onPress={() => {
            keepOwner({
              name: name.trim(), note: '', tiers: [{ under: null, shareBp: 6_000 }], of: 'afterFees', least: null, days: 90, atEnd: 'back',
            }); // prettier-ignore
            setName('');
          }}
        >
          Add this consignor
        </Press>
      </Card>
    </Page>
  );
}

const END_WORDS = { back: 'Theirs again', given: 'Given away', bought: 'Bought by us' } as const;

function Agreement({ owner, things }: { owner: Owner; things: number }) {
  const router = useRouter();
  const currency = useAttic((s) => s.settings.currency);
  const put = (part: Partial<Owner>) => keepOwner({ ...owner, ...part });
  const tier = (i: number, part: Partial<Owner['tiers'][number]>) =>
    put({ tiers: owner.tiers.map((t, k) => (k === i ? { ...t, ...part } : t)) });
  return (
    <Card label={owner.name}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <Words kind="heading" style={{ flex: 1 }}>
          {owner.name}
        </Words>
        <Words kind="small" tone="soft" figures>
          {things === 1 ? '1 thing' : `${things} things`}
        </Words>
      </View>
      <LinkRow
        words="Statement and balance"
        label={`Statement for ${owner.name}`}
        onPress={() => router.navigate(`/consignor?owner=${owner.id}`)}
      />
      {owner.tiers.map((t, i) => (
        <View key={i} style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
          <View style={{ flex: 1 }}>
            {t.under === null ? (
              <Words tone="soft" figures>
                {i === 0 ? 'At any price' : `From ${formatMoney(owner.tiers[i - 1]?.under ?? 0, currency)}`}
              </Words>
            ) : (
              <MoneyField
                label={`Below, ${i + 1}`}
                value={t.under}
                currency={currency}
                onChange={(under) => under && tier(i, { under })}
              />
            )}
          </View>
          <View style={{ flex: 1 }}>
            <Field
              label={owner.tiers.length > 1 ? `Their share, ${i + 1}` : 'Their share'}
              value={String(t.shareBp / 100)}
              unit="%"
              figures
              keyboard="decimal-pad"
              refuse={(text) => (percent(text) === null ? 'From 0 to 100.' : null)}
              onChange={(text) => tier(i, { shareBp: percent(text) ?? t.shareBp })}
            />
          </View>
          {t.under !== null ? (
            <SignPress
              icon="remove"
              label={`Remove tier ${i + 1}`}
              onPress={() => put({ tiers: owner.tiers.filter((_, k) => k !== i) })}
            />
          ) : null}
        </View>
      ))}
      {owner.tiers.length < 12 ? (
        <Press
          kind="quiet"
          icon="add"
          onPress={() => {
            const last = owner.tiers.filter((t) => t.under !== null).at(-1);
            put({
              tiers: [
                ...owner.tiers.slice(0, -1),
                { under: (last?.under ?? 0) + 10_000, shareBp: owner.tiers.at(-1)?.shareBp ?? 6_000 },
                ...owner.tiers.slice(-1),
              ],
            });
          }}
        >
          Another share below a price
        </Press>
      ) : null}
      <Words kind="small" tone="soft">
        Their share of the price
      </Words>
      <ChipRow label="Share of what">
        <Chip on={owner.of === 'afterFees'} onPress={() => put({ of: 'afterFees' })}>
          After fees
        </Chip>
        <Chip on={owner.of === 'beforeFees'} onPress={() => put({ of: 'beforeFees' })}>
          Before fees
        </Chip>
      </ChipRow>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Never sold below"
            value={owner.least}
            currency={currency}
            onChange={(least) => put({ least })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label="Days it is tried"
            value={String(owner.days)}
            figures
            keyboard="number-pad"
            refuse={(text) =>
              /^[1-9]\d{0,3}$/u.test(text.trim()) && Number(text) <= 3_650 ? null : 'From 1 to 3650.'
            }
            onChange={(text) => put({ days: Number(text) })}
          />
        </View>
      </View>
      <Words kind="small" tone="soft">
        When the days are over
      </Words>
      <ChipRow label="When the days are over">
        {ENDS.map((end) => (
          <Chip key={end} on={owner.atEnd === end} onPress={() => put({ atEnd: end })}>
            {END_WORDS[end]}
          </Chip>
        ))}
      </ChipRow>
    </Card>
  );
}

/** Basis points; null when it is no percentage. */
function percent(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return /^\d{1,3}(?:[.,]\d{1,2})?$/u.test(text.trim()) && value <= 100 ? Math.round(value * 100) : null;
}
