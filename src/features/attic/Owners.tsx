import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { ENDS, type Owner } from '@/contract/records';
import { counted } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Button, SignButton } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { ListDetail } from '@/parts/ui/ListDetail';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { keepOwner } from '@/store/items/hauls';
import { useWide } from '@/theme/theme';

/** People whose items are sold for them, and what was agreed with each; at a desk one beside the list. */
export function Owners() {
  const wide = useWide();
  const owners = useAttic((s) => s.owners);
  const items = useAttic((s) => s.items);
  const list = Object.values(owners)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((owner) => ({
      owner,
      items: Object.values(items).filter((t) => t.ownerId === owner.id).length,
    }));
  if (wide) return <OwnersDesk list={list} />;
  return (
    <Page title="Consignors" back="/attic">
      {list.length === 0 ? <NobodyYet /> : null}
      {list.map((one) => (
        <Agreement key={one.owner.id} {...one} />
      ))}
      <NewOwner />
    </Page>
  );
}

function OwnersDesk({ list }: { list: readonly { owner: Owner; items: number }[] }) {
  const router = useRouter();
  const { owner: id } = useLocalSearchParams<{ owner?: string }>();
  const here = list.find((one) => one.owner.id === id) ?? list[0];
  return (
    <ListDetail
      title="Consignors"
      back="/attic"
      lines={list.map(({ owner, items }) => ({
        id: owner.id,
        name: owner.name,
        words: owner.name,
        more: counted(items, 'item'),
      }))}
      here={here?.owner.id ?? null}
      onHere={(next) => router.setParams({ owner: next })}
      above={<NewOwner />}
    >
      {here ? <Agreement key={here.owner.id} {...here} /> : <NobodyYet />}
    </ListDetail>
  );
}

function NobodyYet() {
  return <Text tone="soft">Somebody whose items you sell for a share: begin with the name.</Text>;
}

function NewOwner() {
  const [name, setName] = useState('');
  return (
    <Card label="A new consignor">
      <Field label="Name of a consignor" value={name} maxLength={200} pause={0} onChange={setName} />
      <Button
        icon="add"
        disabled={name.trim() === ''}
        onPress={() => {
          keepOwner({
            name: name.trim(),
            note: '',
            tiers: [{ under: null, shareBp: 6_000 }],
            of: 'afterFees',
            least: null,
            days: 90,
            atEnd: 'back',
          });
          setName('');
        }}
      >
        Add this consignor
      </Button>
    </Card>
  );
}

const END_WORDS = { back: 'Theirs again', given: 'Given away', bought: 'Bought by us' } as const;

function Agreement({ owner, items }: { owner: Owner; items: number }) {
  const router = useRouter();
  const currency = useAttic((s) => s.settings.currency);
  const put = (part: Partial<Owner>) => keepOwner({ ...owner, ...part });
  return (
    <Card label={owner.name}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <Text variant="heading" style={{ flex: 1 }}>
          {owner.name}
        </Text>
        <Text variant="small" tone="soft" figures>
          {counted(items, 'item')}
        </Text>
      </View>
      <LinkRow
        words="Statement and balance"
        label={`Statement for ${owner.name}`}
        onPress={() => router.navigate(`/consignor?owner=${owner.id}`)}
      />
      <Shares owner={owner} put={put} />
      <OneOf
        label="Their share of the price"
        options={[
          ['afterFees', 'After fees'],
          ['beforeFees', 'Before fees'],
        ]}
        value={owner.of}
        onChoose={(of) => put({ of })}
      />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Lowest price"
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
      <OneOf
        label="When the days are over"
        options={ENDS.map((end) => [end, END_WORDS[end]])}
        value={owner.atEnd}
        onChoose={(atEnd) => put({ atEnd })}
      />
    </Card>
  );
}

/** Shares by price, the last one above all of them. */
function Shares({ owner, put }: { owner: Owner; put: (part: Partial<Owner>) => void }) {
  const { tiers } = owner;
  const another = () => {
    const last = tiers.filter((t) => t.under !== null).at(-1);
    const next = { under: (last?.under ?? 0) + 10_000, shareBp: tiers.at(-1)?.shareBp ?? 6_000 };
    put({ tiers: [...tiers.slice(0, -1), next, ...tiers.slice(-1)] });
  };
  return (
    <>
      {tiers.map((_, i) => (
        <Share
          key={i}
          tiers={tiers}
          place={i}
          onChange={(part) => put({ tiers: tiers.map((t, k) => (k === i ? { ...t, ...part } : t)) })}
          onRemove={() => put({ tiers: tiers.filter((__, k) => k !== i) })}
        />
      ))}
      {tiers.length < 12 ? (
        <Button variant="quiet" icon="add" onPress={another}>
          Another share below a price
        </Button>
      ) : null}
    </>
  );
}

type Tier = Owner['tiers'][number];

function Share(props: {
  tiers: readonly Tier[];
  place: number;
  onChange: (part: Partial<Tier>) => void;
  onRemove: () => void;
}) {
  const { tiers, place: i, onChange, onRemove } = props;
  const currency = useAttic((s) => s.settings.currency);
  const t = tiers[i];
  if (!t) return null;
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
      <View style={{ flex: 1 }}>
        {t.under === null ? (
          <Text tone="soft" figures>
            {i === 0 ? 'At any price' : `From ${formatMoney(tiers[i - 1]?.under ?? 0, currency)}`}
          </Text>
        ) : (
          <MoneyField
            label={`Below, ${i + 1}`}
            value={t.under}
            currency={currency}
            onChange={(under) => under && onChange({ under })}
          />
        )}
      </View>
      <View style={{ flex: 1 }}>
        <Field
          label={tiers.length > 1 ? `Their share, ${i + 1}` : 'Their share'}
          value={String(t.shareBp / 100)}
          unit="%"
          figures
          keyboard="decimal-pad"
          refuse={(text) => (percent(text) === null ? 'From 0 to 100.' : null)}
          onChange={(text) => onChange({ shareBp: percent(text) ?? t.shareBp })}
        />
      </View>
      {t.under !== null ? (
        <SignButton icon="remove" label={`Remove tier ${i + 1}`} onPress={onRemove} />
      ) : null}
    </View>
  );
}

/** Basis points; null when it is no percentage. */
function percent(text: string): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return /^\d{1,3}(?:[.,]\d{1,2})?$/u.test(text.trim()) && value <= 100 ? Math.round(value * 100) : null;
}
