import { useLocalSearchParams } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import type { RuleSheet } from '@/contract/ruleSheet';
import type { TermName, Terms } from '@/contract/terms';
import { formatMoney } from '@/core/money/money';
import { setPostage } from '@/core/postage/rates';
import { takesTerm, termsTrouble } from '@/core/terms/terms';
import { MoneyField } from '@/parts/trade/MoneyField';
import { NoSuchMarket } from '@/parts/trade/NoSuchMarket';
import { BackTo } from '@/parts/ui/BackTo';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { addTerms, editTerms, removeTerms } from '@/store/items/terms';
import { termsTroubleWords } from '@/wording/check';

import { ChangedHere } from './ChangedHere';

const Opened = z.string().max(60).nullable();

/** A marketplace's terms: several, one of them the default, chosen by owner, haul or kind. */
export function TermsPage() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const name = useCourier((s) => s.markets.find((m) => m.id === market)?.name ?? market);
  const terms = useAttic((s) => s.terms);
  // Which are being changed outlives a reload; what is set in them is kept as it is set.
  const [open, setOpen] = useDraft(`terms:${market}`, Opened, null);
  const isKnown = useCourier((s) => s.markets.some((m) => m.id === market));
  if (!isKnown) return <NoSuchMarket title="Terms" market={market} />;
  const here = Object.values(terms)
    .filter((t) => t.market === market)
    .sort((a, b) => Number(b.isDefault) - Number(a.isDefault) || a.name.localeCompare(b.name, 'en'));
  return (
    <Page title={`Terms of ${name}`} aside={<BackTo path="/connections" />}>
      {here.length === 0 ? (
        <Text tone="soft">
          None yet: buyers pay what the carrier asks. Terms say it once: postage at home and abroad, how fast
          you post, what may come back.
        </Text>
      ) : null}
      {here.map((one) => (
        <Card key={one.id} label={`Terms ${one.name}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Text variant="strong">{one.name}</Text>
              <Text variant="small" tone="soft" figures>
                {one.isDefault ? 'for everything no other terms are for' : 'only where they are chosen'}
              </Text>
            </View>
            <Button
              variant="quiet"
              label={`Change the terms ${one.name}`}
              onPress={() => setOpen(open === one.id ? null : one.id)}
            >
              {open === one.id ? 'Done' : 'Change'}
            </Button>
          </View>
          {open === one.id ? <Editor terms={one} /> : null}
        </Card>
      ))}
      <Button icon="add" onPress={() => setOpen(addTerms(market))}>
        {here.length === 0 ? 'Make the usual terms' : 'Make other terms'}
      </Button>
      <ChangedHere market={market} />
    </Page>
  );
}

const TERMS: readonly [TermName | 'home', string][] = [
  ['home', 'postage at home'],
  ['further', 'further pieces'],
  ['abroad', 'postage abroad'],
  ['handlingDays', 'days until it is posted'],
  ['returnDays', 'sending back'],
  ['payment', 'ways to pay'],
  ['taxBp', 'tax'],
  ['collect', 'fetching in person'],
];

/** What the marketplace takes nothing of, so that nobody thinks buyers read it there. */
function Untold({ sheet }: { sheet: RuleSheet }) {
  const names = TERMS.filter(([id]) => !takesTerm(sheet, id)).map(([, name]) => name);
  if (names.length === 0) return null;
  return (
    <Text variant="small" tone="soft">
      {`${sheet.name} takes nothing of: ${names.join(', ')}.${
        takesTerm(sheet, 'handlingDays') ? '' : ' Packing goes by your days all the same.'
      }`}
    </Text>
  );
}

function Editor({ terms }: { terms: Terms }) {
  const currency = useAttic((s) => s.settings.currency);
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === terms.market));
  const kinds = useKinds();
  const set = (part: Partial<Terms>) => editTerms(terms.id, part);
  /** The control of a term; what the marketplace does not take can't be set, and is named below. */
  const term = (name: TermName | 'home', control: ReactNode) =>
    !sheet || takesTerm(sheet, name) ? control : null;
  const toggled = (list: readonly string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id];
  const row = <T extends string>(
    label: string,
    options: readonly [T, string][],
    value: T,
    choose: (v: T) => void,
  ) => (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {label}
      </Text>
      <ChipRow label={label}>
        {options.map(([id, words]) => (
          <Chip key={id} on={value === id} onPress={() => choose(id)}>
            {words}
          </Chip>
        ))}
      </ChipRow>
    </View>
  );
  const many = (
    label: string,
    all: readonly { id: string; name: string }[],
    chosen: readonly string[],
    choose: (ids: string[]) => void,
  ) =>
    all.length === 0 ? null : (
      <View style={{ gap: 4 }}>
        <Text variant="small" tone="soft">
          {label}
        </Text>
        <ChipRow label={label} radio={false}>
          {all.map(({ id, name }) => (
            <Chip
              key={id}
              role="checkbox"
              on={chosen.includes(id)}
              onPress={() => choose(toggled(chosen, id))}
            >
              {name}
            </Chip>
          ))}
        </ChipRow>
      </View>
    );
  return (
    <View style={{ gap: 10 }}>
      <Field
        label="Name of the terms"
        value={terms.name}
        maxLength={80}
        refuse={(t) => (t.trim() === '' ? 'They need a name.' : null)}
        onChange={(name) => set({ name: name.trim() })}
      />
      {term(
        'home',
        <>
          {row(
            'Postage at home',
            [
              ['carrier', 'As the carrier asks'],
              ['flat', 'One amount'],
              ['free', 'None'],
            ],
            terms.home,
            (home) => set({ home }),
          )}
          {terms.home === 'flat' ? (
            <MoneyField
              label="The one amount"
              value={terms.flat}
              currency={currency}
              emptied="An amount."
              onChange={(flat) => flat !== null && set({ flat })}
            />
          ) : null}
        </>,
      )}
      {term(
        'further',
        <>
          <MoneyField
            label="Each further piece"
            value={terms.further}
            currency={currency}
            emptied="An amount; 0 for none."
            onChange={(further) => further !== null && set({ further })}
          />
          {terms.home === 'flat' ? (
            <Text variant="small" tone="soft" figures>
              {`Three in one parcel: ${formatMoney(setPostage(terms.flat, terms.further, 3), currency)}.`}
            </Text>
          ) : null}
        </>,
      )}
      {term(
        'abroad',
        row(
          'Sent abroad',
          [
            ['none', 'Not at all'],
            ['near', 'To neighbours'],
            ['far', 'Everywhere'],
          ],
          terms.abroad,
          (abroad) => set({ abroad }),
        ),
      )}
      <WholeField
        label="Handling time"
        unit="days"
        value={terms.handlingDays}
        least={0}
        most={60}
        onChange={(handlingDays) => set({ handlingDays })}
      />
      {term(
        'returnDays',
        <WholeField
          label="Returns accepted within"
          unit="days"
          value={terms.returnDays}
          least={0}
          most={365}
          onChange={(returnDays) => set({ returnDays })}
        />,
      )}
      {terms.returnDays > 0
        ? term(
            'returnsPaidBy',
            row(
              'Sending back is paid by',
              [
                ['buyer', 'The buyer'],
                ['seller', 'You'],
              ],
              terms.returnsPaidBy,
              (returnsPaidBy) => set({ returnsPaidBy }),
            ),
          )
        : null}
      {term(
        'payment',
        many(
          'Paid by',
          [
            { id: 'marketplace', name: 'The marketplace’s way' },
            { id: 'transfer', name: 'Transfer' },
            { id: 'cash', name: 'Cash' },
          ],
          terms.payment,
          (payment) => set({ payment: payment as Terms['payment'] }),
        ),
      )}
      {term(
        'taxBp',
        <WholeField
          label="Tax in the price"
          unit="%"
          value={Math.round(terms.taxBp / 100)}
          least={0}
          most={50}
          onChange={(percent) => set({ taxBp: percent * 100 })}
        />,
      )}
      <ChipRow label="More of these terms" radio={false}>
        {!sheet || takesTerm(sheet, 'collect') ? (
          <Chip role="checkbox" on={terms.collect} onPress={() => set({ collect: !terms.collect })}>
            May be fetched in person
          </Chip>
        ) : null}
        <Chip
          role="checkbox"
          on={terms.isDefault}
          onPress={() => !terms.isDefault && set({ isDefault: true })}
        >
          The default
        </Chip>
      </ChipRow>
      {sheet ? <Untold sheet={sheet} /> : null}
      {many('For these kinds, with all below them', kinds.children(null), terms.kinds, (ids) =>
        set({ kinds: ids }),
      )}
      {many('For these hauls', Object.values(hauls), terms.haulIds, (haulIds) => set({ haulIds }))}
      {many('For these owners', Object.values(owners), terms.ownerIds, (ownerIds) => set({ ownerIds }))}
      {(sheet ? termsTrouble(terms, sheet) : []).map((trouble) => (
        <Notice key={trouble.code} tone="caution">
          {termsTroubleWords(trouble)}
        </Notice>
      ))}
      <Button
        variant="quiet"
        icon="remove"
        label={`Remove the terms ${terms.name}`}
        onPress={() => removeTerms(terms.id)}
      >
        Remove them
      </Button>
    </View>
  );
}
