import { useState } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import type { AuctionShares, Stencil } from '@/contract/stencil';
import { allPatterns } from '@/core/words/descriptionFor';
import { FollowFields } from '@/parts/trade/FollowFields';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { AnyOf, OneOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { editStencil, removeStencil } from '@/store/items/stencils';

import { StartTime } from './StartTime';

interface PartProps {
  stencil: Stencil;
  sheet: RuleSheet;
  set: (part: Partial<Stencil>) => void;
}

/** What a stencil says, part by part; only what the marketplace takes. */
export function StencilEditor({ stencil, sheet }: { stencil: Stencil; sheet: RuleSheet }) {
  const part: PartProps = { stencil, sheet, set: (changed) => editStencil(stencil.id, changed) };
  return (
    <View style={{ gap: 12 }}>
      <Field
        label="Name of the stencil"
        value={stencil.name}
        maxLength={80}
        refuse={(text) => (text.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => part.set({ name: name.trim() })}
      />
      <WhatFor {...part} />
      {sheet.auction ? <Format {...part} /> : null}
      {sheet.handover === 'post' && !sheet.records ? <TermsOf {...part} /> : null}
      <Offers {...part} />
      <Paid {...part} />
      {sheet.photos.max > 1 ? <PictureOrder {...part} /> : null}
      <Words {...part} />
      {sheet.records ? <Follow {...part} /> : null}
      {sheet.byHand ? null : <StartTime start={stencil.start} onChange={(start) => part.set({ start })} />}
      <Button
        variant="quiet"
        icon="remove"
        label={`Remove the stencil ${stencil.name}`}
        onPress={() => removeStencil(stencil.id)}
      >
        Remove it
      </Button>
    </View>
  );
}

/** The kinds it lies under by itself: the broad ones, and those it was kept for. */
function WhatFor({ stencil, set }: PartProps) {
  const kinds = useKinds();
  const own = stencil.kinds.flatMap((id) => kinds.get(id) ?? []);
  const broad = kinds.children(null);
  const options = [...new Map([...own, ...broad].map((k) => [k.id, k.name])).entries()];
  return (
    <AnyOf
      label="By itself for these kinds, with all below them"
      options={options}
      chosen={stencil.kinds}
      onChoose={(ids) => set({ kinds: ids })}
    />
  );
}

const USUAL_AUCTION: AuctionShares = {
  openingBp: 5_000,
  outrightBp: null,
  days: 7,
  again: 1,
  becomesBp: 10_000,
};

/** An auction by shares of the price, so that it fits items of any price. */
function Format({ stencil, sheet, set }: PartProps) {
  const { format } = stencil;
  const change = (part: Partial<AuctionShares>) => format && set({ format: { ...format, ...part } });
  const most = sheet.auction?.maxDays ?? 60;
  return (
    <View style={{ gap: 8 }}>
      <OneOf
        label="How it is sold"
        options={[
          ['none', 'Not said'],
          ['auction', 'Auction'],
        ]}
        value={format ? 'auction' : 'none'}
        onChoose={(id) =>
          set({ format: id === 'none' ? null : (format ?? { ...USUAL_AUCTION, days: Math.min(7, most) }) })
        }
      />
      {format ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          <Text variant="small" tone="soft" style={{ width: '100%' }}>
            Amounts are shares of each item’s price.
          </Text>
          <Share
            label="Opens at"
            value={format.openingBp}
            onChange={(bp) => bp !== null && change({ openingBp: bp })}
          />
          <Share
            label="Outright for"
            value={format.outrightBp}
            onChange={(outrightBp) => change({ outrightBp })}
          />
          <Share
            label="Then a fixed price of"
            value={format.becomesBp}
            onChange={(becomesBp) => change({ becomesBp })}
          />
          <Narrow>
            <WholeField
              label="Runs for days"
              value={format.days}
              least={1}
              most={most}
              onChange={(days) => change({ days })}
            />
          </Narrow>
          <Narrow>
            <WholeField
              label="Relist, times"
              value={format.again}
              least={0}
              most={20}
              onChange={(again) => change({ again })}
            />
          </Narrow>
        </View>
      ) : null}
    </View>
  );
}

function Narrow({ children }: { children: React.ReactNode }) {
  return <View style={{ flexGrow: 1, flexBasis: 150 }}>{children}</View>;
}

/** A share of the price, per cent; empty where that may be. */
function Share(props: { label: string; value: number | null; onChange: (bp: number | null) => void }) {
  const { label, value, onChange } = props;
  return (
    <Narrow>
      <Field
        label={label}
        unit="%"
        figures
        keyboard="decimal-pad"
        value={value === null ? '' : String(value / 100)}
        refuse={(text) =>
          percentOf(text) === undefined ? 'A number of per cent above 0, or nothing.' : null
        }
        onChange={(text) => {
          const bp = percentOf(text);
          if (bp !== undefined) onChange(bp);
        }}
      />
    </Narrow>
  );
}

/** Basis points; null: nothing was said; undefined: it is no share of a price. */
function percentOf(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const bp = Math.round(Number(text.trim().replace(',', '.')) * 100);
  return bp >= 1 && bp <= 100_000 ? bp : undefined;
}

/** Whether prices follow others' copies of their records, and by which rule. */
function Follow({ stencil, sheet, set }: PartProps) {
  const usual = useAttic((s) => s.settings.priceRule);
  const { follow } = stencil;
  return (
    <View style={{ gap: 8 }}>
      <OneOf
        label="Competing copies"
        options={[
          ['none', 'Not said'],
          ['follow', 'Prices follow them'],
        ]}
        value={follow ? 'follow' : 'none'}
        onChoose={(id) => set({ follow: id === 'none' ? null : (follow ?? usual) })}
      />
      {follow ? (
        <FollowFields
          rule={follow}
          currency={sheet.currency}
          byItself
          onChange={(part) => set({ follow: { ...follow, ...part } })}
        />
      ) : null}
    </View>
  );
}

function TermsOf({ stencil, sheet, set }: PartProps) {
  const terms = useAttic((s) => s.terms);
  const here = Object.values(terms).filter((t) => t.market === sheet.marketplace);
  if (here.length === 0) return null;
  return (
    <OneOf
      label="Terms"
      options={[['', 'Not said'], ...here.map((t) => [t.id, t.name] as const)]}
      value={stencil.termsId ?? ''}
      onChoose={(id) => set({ termsId: id || null })}
    />
  );
}

function Offers({ stencil, set }: PartProps) {
  const { acceptFromBp = null, refuseUnderBp = null } = stencil.offers ?? {};
  const put = (part: Partial<NonNullable<Stencil['offers']>>) => {
    const next = { acceptFromBp, refuseUnderBp, ...part };
    set({ offers: next.acceptFromBp === null && next.refuseUnderBp === null ? null : next });
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
      <Share label="Offers taken from" value={acceptFromBp} onChange={(bp) => put({ acceptFromBp: bp })} />
      <Share
        label="Offers refused under"
        value={refuseUnderBp}
        onChange={(bp) => put({ refuseUnderBp: bp })}
      />
    </View>
  );
}

/** Promotion, and extras that ask for nothing. */
function Paid({ stencil, sheet, set }: PartProps) {
  const rules = sheet.fees.rules;
  const promotion = rules.find((r) => r.type === 'promotion');
  const extras = rules.flatMap((r) => (r.type === 'extra' && !r.asks && r.by !== 'day' ? [r] : []));
  return (
    <>
      {promotion ? (
        <Field
          label={`${promotion.label}, per cent`}
          figures
          keyboard="decimal-pad"
          value={stencil.promotionBp === 0 ? '' : String(stencil.promotionBp / 100)}
          refuse={(text) =>
            (percentOf(text) ?? 0) <= 10_000 && percentOf(text) !== undefined
              ? null
              : 'A number of per cent, or nothing.'
          }
          onChange={(text) => set({ promotionBp: Math.min(10_000, percentOf(text) ?? 0) })}
        />
      ) : null}
      <AnyOf
        label="Paid places"
        options={extras.map((r) => [r.id, r.label] as const)}
        chosen={Object.keys(stencil.extras)}
        onChoose={(ids) => set({ extras: Object.fromEntries(ids.map((id) => [id, 'yes'])) })}
      />
    </>
  );
}

const SHOWN: readonly (readonly [string, string])[] = [
  ['front', 'Front'],
  ['back', 'Back'],
  ['label', 'Label'],
  ['mark', 'Maker’s mark'],
  ['detail', 'Details'],
  ['measured', 'Measurements'],
  ['flaw', 'Flaws'],
];

/** What pictures show, pressed in the order they go. */
function PictureOrder({ stencil, set }: PartProps) {
  const { pictures } = stencil;
  return (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">
        {pictures.length === 0
          ? 'Pictures in the item’s own order; press what goes first, then second …'
          : 'Pictures go in this order, all others after them'}
      </Text>
      <ChipRow label="Order of pictures" radio={false}>
        {SHOWN.map(([id, name]) => {
          const at = pictures.indexOf(id);
          return (
            <Chip
              key={id}
              role="checkbox"
              on={at >= 0}
              onPress={() =>
                set({ pictures: at >= 0 ? pictures.filter((p) => p !== id) : [...pictures, id] })
              }
            >
              {at >= 0 ? `${at + 1} ${name}` : name}
            </Chip>
          );
        })}
      </ChipRow>
    </View>
  );
}

function Words({ stencil, set }: PartProps) {
  const patterns = useAttic((s) => s.patterns);
  const [all, setAll] = useState(stencil.patternId !== null);
  if (!all)
    return (
      <Button variant="quiet" onPress={() => setAll(true)} style={{ alignSelf: 'flex-start' }}>
        A description of its own tone there
      </Button>
    );
  return (
    <OneOf
      label="Description"
      options={[['', 'As everywhere'], ...allPatterns(patterns).map((p) => [p.id, p.name] as const)]}
      value={stencil.patternId ?? ''}
      onChoose={(id) => set({ patternId: id || null })}
    />
  );
}
