import { useState } from 'react';
import { View } from 'react-native';

import { MOST_AT_ONCE, USES, type Batch, type BatchDefaults, type BatchPrice } from '@/contract/records';
import { wordsForUse } from '@/core/condition/grade';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { capital } from '@/parts/trade/UndoBar';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { AnyOf, OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { setDefaults } from '@/store/scanning/batches';
import { STARTING_PHRASES } from '@/wording/phrases';

import { BatchKind } from './BatchKind';

/** What all items of the batch begin with: in one line, and to be changed. */
export function BatchBegins({ batch }: { batch: Batch }) {
  const [open, setOpen] = useState(false);
  const words = useBeginsWords(batch.defaults);
  return (
    <View style={{ gap: 10 }}>
      <Text tone="soft" figures>
        {words}
      </Text>
      <View style={{ flexDirection: 'row' }}>
        <Button icon={open ? 'check' : 'retype'} onPress={() => setOpen(!open)}>
          {open ? 'Enough of that' : 'What all begin with'}
        </Button>
      </View>
      {open ? <Fields batch={batch} /> : null}
    </View>
  );
}

function Fields({ batch: { id, defaults } }: { batch: Batch }) {
  const set = (part: Partial<BatchDefaults>) => setDefaults(id, part);
  const currency = useAttic((s) => s.settings.currency);
  return (
    <View style={{ gap: 14 }}>
      <Text variant="small" tone="soft">
        For what is scanned from now on. What is here already stays as it is.
      </Text>
      <BatchKind kind={defaults.kind} onChoose={(kind) => set({ kind })} />
      <ConditionBegins defaults={defaults} set={set} />
      <PriceBegins price={defaults.price} onChange={(price) => set({ price })} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <MoneyField
            label="Cost of one"
            currency={currency}
            value={defaults.cost}
            onChange={(cost) => set({ cost })}
          />
        </View>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <WholeField
            label="Items a scan"
            value={defaults.quantity}
            least={1}
            most={MOST_AT_ONCE}
            onChange={(quantity) => set({ quantity })}
          />
        </View>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <Field
            label="Letters of their codes"
            value={defaults.letters}
            maxLength={8}
            placeholder="as all others"
            refuse={(text) =>
              /^[A-Za-z0-9]*$/u.test(text.trim()) ? null : 'Letters A to Z and figures only.'
            }
            onChange={(text) => set({ letters: text.trim().toUpperCase() })}
          />
        </View>
      </View>
      <SpotBegins defaults={defaults} set={set} />
      <BelongingBegins defaults={defaults} set={set} />
      <WhereBegins defaults={defaults} set={set} />
    </View>
  );
}

interface Part {
  defaults: BatchDefaults;
  set: (part: Partial<BatchDefaults>) => void;
}

function ConditionBegins({ defaults, set }: Part) {
  const own = useAttic((s) => s.settings.phrases);
  const [all, setAll] = useState(false);
  const phrases = own.length > 0 ? own : STARTING_PHRASES;
  return (
    <>
      <OneOf
        label="Wear"
        options={[['', 'Said of each'], ...USES.map((use) => [use, capital(wordsForUse(use))] as const)]}
        value={defaults.use ?? ''}
        onChoose={(use) => set({ use: use === '' ? null : use })}
      />
      <Field
        label="Said of the condition"
        value={defaults.phrase}
        maxLength={1_000}
        multiline
        onChange={(phrase) => set({ phrase })}
      />
      <ChipRow label="Phrases about condition" radio={false}>
        {phrases.slice(0, all ? phrases.length : FEW).map((phrase) => (
          <Chip
            key={phrase}
            role="button"
            on={defaults.phrase.includes(phrase)}
            onPress={() => set({ phrase: toggledPhrase(defaults.phrase, phrase) })}
          >
            {phrase}
          </Chip>
        ))}
        {phrases.length > FEW && !all ? (
          <Chip role="button" on={false} onPress={() => setAll(true)}>
            More phrases
          </Chip>
        ) : null}
      </ChipRow>
    </>
  );
}

const FEW = 3;

/** The words with a phrase more, or without it. */
function toggledPhrase(said: string, phrase: string): string {
  return said.includes(phrase)
    ? said.replace(phrase, '').replace(/\s+/gu, ' ').trim()
    : [said.trim(), phrase].filter(Boolean).join(' ');
}

const PRICES = [
  ['none', 'Later'],
  ['fixed', 'One price'],
  ['ofNew', 'Share of the price new'],
  ['timesCost', 'Times the cost'],
] as const;

function PriceBegins({ price, onChange }: { price: BatchPrice; onChange: (price: BatchPrice) => void }) {
  const currency = useAttic((s) => s.settings.currency);
  const begin = (by: BatchPrice['by']) => {
    if (by === price.by) return;
    if (by === 'fixed') onChange({ by, amount: 500 });
    else if (by === 'ofNew') onChange({ by, shareBp: 4_000 });
    else if (by === 'timesCost') onChange({ by, times: 3 });
    else onChange({ by: 'none' });
  };
  return (
    <View style={{ gap: 8 }}>
      <OneOf label="Price" options={PRICES} value={price.by} onChoose={begin} />
      {price.by === 'fixed' ? (
        <MoneyField
          label="Price of each"
          currency={currency}
          value={price.amount}
          emptied="Choose “Later” for no price."
          onChange={(amount) => amount !== null && onChange({ by: 'fixed', amount })}
        />
      ) : null}
      {price.by === 'ofNew' ? (
        <WholeField
          label="Share of the price new"
          unit="%"
          value={Math.round(price.shareBp / 100)}
          least={1}
          most={200}
          onChange={(share) => onChange({ by: 'ofNew', shareBp: share * 100 })}
        />
      ) : null}
      {price.by === 'timesCost' ? (
        <WholeField
          label="Times the cost"
          value={price.times}
          least={1}
          most={100}
          onChange={(times) => onChange({ by: 'timesCost', times })}
        />
      ) : null}
    </View>
  );
}

function SpotBegins({ defaults, set }: Part) {
  const spots = useAttic((s) => s.spots);
  return (
    <View style={{ gap: 8 }}>
      <OneOf
        label="Where they lie"
        options={[
          ['one', 'One spot for all'],
          ['each', 'Asked of each'],
        ]}
        value={defaults.askSpot ? 'each' : 'one'}
        onChoose={(way) => set(way === 'each' ? { askSpot: true, spot: '' } : { askSpot: false })}
      />
      {defaults.askSpot ? null : (
        <Field label="Spot of all" value={defaults.spot} maxLength={60} onChange={(spot) => set({ spot })} />
      )}
      {defaults.askSpot ? null : (
        <ChipRow label="Spots">
          {Object.values(spots)
            .slice(0, SPOTS_OFFERED)
            .map(({ id, name }) => (
              <Chip key={id} on={defaults.spot === name} onPress={() => set({ spot: name })}>
                {name}
              </Chip>
            ))}
        </ChipRow>
      )}
    </View>
  );
}

const SPOTS_OFFERED = 8;

function BelongingBegins({ defaults, set }: Part) {
  const owners = useAttic((s) => s.owners);
  return (
    <>
      {Object.keys(owners).length > 0 ? (
        <OneOf
          label="Whose"
          options={[['', 'Our own'], ...Object.values(owners).map(({ id, name }) => [id, name] as const)]}
          value={defaults.ownerId ?? ''}
          onChoose={(id) => set({ ownerId: id === '' ? null : id })}
        />
      ) : null}
      <Field
        label="Tax code"
        hint="As your books or your accountant call it. Private."
        value={defaults.taxCode}
        maxLength={40}
        onChange={(taxCode) => set({ taxCode: taxCode.trim() })}
      />
    </>
  );
}

/** Where they are to be listed, by which terms, and who posts them. */
function WhereBegins({ defaults, set }: Part) {
  const sheets = useCourier((s) => s.sheets);
  const terms = useAttic((s) => s.terms);
  const depots = sheets.filter((sheet) => sheet.depot);
  const chosen = sheets.filter(({ marketplace }) => defaults.markets.includes(marketplace));
  return (
    <>
      <AnyOf
        label="Listed on"
        options={sheets.map(({ marketplace, name }) => [marketplace, name] as const)}
        chosen={defaults.markets}
        onChoose={(markets) => set({ markets })}
      />
      {chosen.map(({ marketplace, name }) => {
        const here = Object.values(terms).filter((t) => t.market === marketplace);
        return here.length === 0 ? null : (
          <OneOf
            key={marketplace}
            label={`Terms on ${name}`}
            options={[['', 'The usual'], ...here.map((t) => [t.id, t.name] as const)]}
            value={defaults.termsIds[marketplace] ?? ''}
            onChoose={(id) => {
              const { [marketplace]: _, ...rest } = defaults.termsIds;
              set({ termsIds: id === '' ? rest : { ...rest, [marketplace]: id } });
            }}
          />
        );
      })}
      {depots.length > 0 ? (
        <OneOf
          label="Posted by"
          options={[
            ['', 'Ourselves'],
            ...depots.map(({ marketplace, name }) => [marketplace, `${name}’s depot`] as const),
          ]}
          value={defaults.depot ?? ''}
          onChoose={(market) => set({ depot: market === '' ? null : market })}
        />
      ) : null}
      <OneOf
        label="Each barcode"
        options={[
          ['yes', 'Looked up at once'],
          ['no', 'Only taken in'],
        ]}
        value={defaults.lookUp ? 'yes' : 'no'}
        onChoose={(way) => set({ lookUp: way === 'yes' })}
      />
    </>
  );
}

/** The same in a few words. */
function useBeginsWords(defaults: BatchDefaults): string {
  const kinds = useKinds();
  const { currency } = useAttic((s) => s.settings);
  const owner = useAttic((s) => (defaults.ownerId ? s.owners[defaults.ownerId]?.name : undefined));
  const { price } = defaults;
  const say = (amount: number) => formatMoney(amount, currency);
  const priceWords = {
    none: '',
    fixed: price.by === 'fixed' ? `at ${say(price.amount)}` : '',
    ofNew: price.by === 'ofNew' ? `at ${price.shareBp / 100} % of the price new` : '',
    timesCost: price.by === 'timesCost' ? `at ${price.times} times the cost` : '',
  }[price.by];
  const parts = [
    kinds.get(defaults.kind)?.name,
    defaults.use ? wordsForUse(defaults.use) : '',
    priceWords,
    defaults.cost === null ? '' : `cost ${say(defaults.cost)}`,
    defaults.quantity > 1 ? `${defaults.quantity} a scan` : '',
    defaults.askSpot ? 'spot asked of each' : defaults.spot && `spot ${defaults.spot}`,
    owner && `for ${owner}`,
    defaults.depot ? 'to the depot' : '',
    defaults.lookUp ? 'looked up' : 'not looked up',
  ].filter(Boolean);
  return `Each: ${parts.join(', ')}.`;
}
