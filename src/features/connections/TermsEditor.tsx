import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import type { TermName, Terms } from '@/contract/terms';
import { formatMoney } from '@/core/money/money';
import { setPostage } from '@/core/postage/rates';
import { takesTerm, termsTrouble } from '@/core/terms/terms';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { AnyOf, OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { editTerms, removeTerms } from '@/store/items/terms';
import { termsTroubleWords } from '@/wording/check';

interface PartProps {
  terms: Terms;
  /** Whether the marketplace takes a term; what it does not take can't be set, and is named below. */
  takes: (name: TermName | 'home') => boolean;
  set: (part: Partial<Terms>) => void;
}

/** What is set in one of a marketplace's terms. */
export function TermsEditor({ terms }: { terms: Terms }) {
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === terms.market));
  const set = (part: Partial<Terms>) => editTerms(terms.id, part);
  const takes = (name: TermName | 'home') => !sheet || takesTerm(sheet, name);
  const part: PartProps = { terms, takes, set };
  return (
    <View style={{ gap: 10 }}>
      <Field
        label="Name of the terms"
        value={terms.name}
        maxLength={80}
        refuse={(t) => (t.trim() === '' ? 'They need a name.' : null)}
        onChange={(name) => set({ name: name.trim() })}
      />
      <Postage {...part} />
      <Days {...part} />
      <Paying {...part} />
      <ChipRow label="More of these terms" radio={false}>
        {takes('collect') ? (
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
      <WhatFor {...part} />
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

function Postage({ terms, takes, set }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const isFlat = terms.home === 'flat';
  return (
    <>
      {takes('home') ? (
        <OneOf
          label="Postage at home"
          options={[
            ['carrier', 'As the carrier asks'],
            ['flat', 'One amount'],
            ['free', 'None'],
          ]}
          value={terms.home}
          onChoose={(home) => set({ home })}
        />
      ) : null}
      {takes('home') && isFlat ? (
        <MoneyField
          label="The one amount"
          value={terms.flat}
          currency={currency}
          emptied="An amount."
          onChange={(flat) => flat !== null && set({ flat })}
        />
      ) : null}
      {takes('further') ? (
        <MoneyField
          label="Each further piece"
          value={terms.further}
          currency={currency}
          emptied="An amount; 0 for none."
          onChange={(further) => further !== null && set({ further })}
        />
      ) : null}
      {takes('further') && isFlat ? (
        <Text variant="small" tone="soft" figures>
          {`Three in one parcel: ${formatMoney(setPostage(terms.flat, terms.further, 3), currency)}.`}
        </Text>
      ) : null}
      {takes('abroad') ? (
        <OneOf
          label="Sent abroad"
          options={[
            ['none', 'Not at all'],
            ['near', 'To neighbours'],
            ['far', 'Everywhere'],
          ]}
          value={terms.abroad}
          onChoose={(abroad) => set({ abroad })}
        />
      ) : null}
    </>
  );
}

function Days({ terms, takes, set }: PartProps) {
  return (
    <>
      <WholeField
        label="Handling time"
        unit="days"
        value={terms.handlingDays}
        least={0}
        most={60}
        onChange={(handlingDays) => set({ handlingDays })}
      />
      {takes('returnDays') ? (
        <WholeField
          label="Returns accepted within"
          unit="days"
          value={terms.returnDays}
          least={0}
          most={365}
          onChange={(returnDays) => set({ returnDays })}
        />
      ) : null}
      {terms.returnDays > 0 && takes('returnsPaidBy') ? (
        <OneOf
          label="Sending back is paid by"
          options={[
            ['buyer', 'The buyer'],
            ['seller', 'You'],
          ]}
          value={terms.returnsPaidBy}
          onChoose={(returnsPaidBy) => set({ returnsPaidBy })}
        />
      ) : null}
    </>
  );
}

function Paying({ terms, takes, set }: PartProps) {
  return (
    <>
      {takes('payment') ? (
        <AnyOf
          label="Paid by"
          options={[
            ['marketplace', 'The marketplace’s way'],
            ['transfer', 'Transfer'],
            ['cash', 'Cash'],
          ]}
          chosen={terms.payment}
          onChoose={(payment) => set({ payment })}
        />
      ) : null}
      {takes('taxBp') ? (
        <WholeField
          label="Tax in the price"
          unit="%"
          value={Math.round(terms.taxBp / 100)}
          least={0}
          most={50}
          onChange={(percent) => set({ taxBp: percent * 100 })}
        />
      ) : null}
    </>
  );
}

/** Kinds, hauls and owners these terms are for; for everything else there is the default. */
function WhatFor({ terms, set }: PartProps) {
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const kinds = useKinds();
  const named = (list: readonly { id: string; name: string }[]) =>
    list.map(({ id, name }) => [id, name] as const);
  return (
    <>
      <AnyOf
        label="For these kinds, with all below them"
        options={named(kinds.children(null))}
        chosen={terms.kinds}
        onChoose={(ids) => set({ kinds: ids })}
      />
      <AnyOf
        label="For these hauls"
        options={named(Object.values(hauls))}
        chosen={terms.haulIds}
        onChoose={(haulIds) => set({ haulIds })}
      />
      <AnyOf
        label="For these owners"
        options={named(Object.values(owners))}
        chosen={terms.ownerIds}
        onChoose={(ownerIds) => set({ ownerIds })}
      />
    </>
  );
}
