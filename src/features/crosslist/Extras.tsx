import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { AuctionTerms } from '@/contract/courier';
import type { Item } from '@/contract/records';
import type { FeeRule } from '@/contract/ruleSheet';
import type { Examined } from '@/core/listing/examine';
import { tagsName } from '@/core/words/tags';
import { CategoryFinder } from '@/parts/trade/CategoryFinder';
import { MoneyField } from '@/parts/trade/MoneyField';
import { FieldFindings } from '@/parts/trade/Section';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import type { PlanChange } from '@/store/items/items';

import { OwnFields } from './OwnFields';
import { OwnPictures } from './OwnPictures';
import { OwnPieces } from './OwnPieces';
import { StartAt } from './StartAt';
import { withAnswer } from './withAnswer';

/** Sets values at this listing. */
export type SetOwn = (label: string, part: PlanChange) => void;

/**
 * What only some marketplaces know: how it is sold, tags, terms, paid places, when it starts. Put away until
 * asked for.
 */
export function Extras({ item, examined, set }: { item: Item; examined: Examined; set: SetOwn }) {
  const { sheet, laid } = examined;
  const [open, setOpen] = useState<string | null>(laid.plan?.auction ? 'format' : null);
  const paid = sheet.fees.rules.some((r) => r.type === 'promotion' || r.type === 'extra');
  const parts = [
    sheet.photos.max > 0 && item.pictureIds.length > 0 ? ['pictures', 'Pictures'] : null,
    (examined.effective.category?.specifics.length ?? 0) > 0 ? ['fields', 'Fields'] : null,
    item.choices && (sheet.choices || sheet.quantity) ? ['pieces', 'Pieces'] : null,
    sheet.auction ? ['format', 'How it is sold'] : null,
    sheet.tags ? ['tags', tagsName(sheet.tags)] : null,
    sheet.handover === 'post' && !sheet.records ? ['terms', 'Terms'] : null,
    paid ? ['paid', 'Paid places'] : null,
    sheet.byHand ? null : ['start', 'When'],
  ].filter((p): p is [string, string] => p !== null);
  if (parts.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <ChipRow label={`More on ${sheet.name}`} radio={false}>
        {parts.map(([id, name]) => (
          <Chip
            key={id}
            role="button"
            on={open === id}
            label={`${name} on ${sheet.name}`}
            onPress={() => setOpen(open === id ? null : id)}
          >
            {name}
          </Chip>
        ))}
      </ChipRow>
      {open === 'pictures' ? (
        <OwnPictures item={item} examined={examined} onChange={(change) => set('pictures', change)} />
      ) : null}
      {open === 'fields' ? (
        <OwnFields item={item} examined={examined} onChange={(change) => set('fields', change)} />
      ) : null}
      {open === 'pieces' ? (
        <OwnPieces item={item} examined={examined} onChange={(change) => set('pieces', change)} />
      ) : null}
      {open === 'format' ? <Format item={item} examined={examined} set={set} /> : null}
      {open === 'tags' ? <Tags examined={examined} set={set} /> : null}
      {open === 'terms' ? <TermsChoice examined={examined} set={set} /> : null}
      {open === 'paid' ? <Paid item={item} examined={examined} set={set} /> : null}
      {open === 'start' ? (
        <StartAt
          name={sheet.name}
          at={laid.plan?.startAt ?? null}
          onChange={(startAt) => set('when it starts', { startAt })}
        />
      ) : null}
      {(['format', 'tags', 'terms', 'paid'] as const).map((field) =>
        open === field ? null : <FieldFindings key={field} examined={[examined]} field={field} />,
      )}
    </View>
  );
}

/** At a price, or to whoever bids most. */
function Format({ item, examined, set }: { item: Item; examined: Examined; set: SetOwn }) {
  const { sheet, laid } = examined;
  const currency = useAttic((s) => s.settings.currency);
  const auction = laid.plan?.auction ?? null;
  const change = (part: Partial<AuctionTerms>) =>
    set('auction', (now) => (now.auction ? { auction: { ...now.auction, ...part } } : {}));
  const begin = (): AuctionTerms => ({
    opening: Math.max(sheet.auction?.open.min ?? 100, Math.round((item.price ?? 1_000) / 2)),
    outright: item.price,
    days: Math.min(7, sheet.auction?.maxDays ?? 7),
    again: 1,
    becomes: item.price,
  });
  return (
    <View style={{ gap: 8 }}>
      <ChipRow label={`How it is sold on ${sheet.name}`}>
        <Chip on={auction === null} onPress={() => set('at a price', { auction: null })}>
          At a price
        </Chip>
        <Chip on={auction !== null} onPress={() => set('auction', { auction: auction ?? begin() })}>
          Auction
        </Chip>
      </ChipRow>
      {auction ? (
        <>
          <View style={{ flexDirection: 'row', gap: 10 }}>
            <View style={{ flex: 1 }}>
              <MoneyField
                label="Opens at"
                value={auction.opening}
                currency={currency}
                emptied="An auction opens at an amount."
                onChange={(opening) => opening !== null && change({ opening })}
              />
            </View>
            <View style={{ flex: 1 }}>
              <MoneyField
                label="Outright for"
                value={auction.outright}
                currency={currency}
                onChange={(outright) => change({ outright })}
              />
            </View>
          </View>
          <View style={{ flexDirection: 'row', gap: 10 }}>
            <View style={{ flex: 1 }}>
              <WholeField
                label="Runs for days"
                value={auction.days}
                least={1}
                most={60}
                onChange={(days) => change({ days })}
              />
            </View>
            <View style={{ flex: 1 }}>
              <WholeField
                label="Relist, times"
                value={auction.again}
                least={0}
                most={20}
                onChange={(again) => change({ again })}
              />
            </View>
          </View>
          <MoneyField
            label="Then a fixed price of"
            hint="left empty, it is taken down"
            value={auction.becomes}
            currency={currency}
            onChange={(becomes) => change({ becomes })}
          />
        </>
      ) : null}
      <FieldFindings examined={[examined]} field="format" />
    </View>
  );
}

function Tags({ examined, set }: { examined: Examined; set: SetOwn }) {
  const { sheet, plan, effective } = examined;
  const own = plan?.tags ?? null;
  return (
    <View style={{ gap: 6 }}>
      <Field
        label={`${tagsName(sheet.tags)} on ${sheet.name}`}
        value={effective.tags.join(', ')}
        hint={
          `${effective.tags.length} of ${sheet.tags?.max ?? 0}, with commas ` +
          `between${own ? '' : '; written from the facts'}` +
          (sheet.tags?.hidden ? '; for its own search, buyers don’t see them' : '')
        }
        onChange={(text) =>
          set('tags', {
            tags: text
              .split(',')
              .map((tag) => tag.trim().slice(0, 60))
              .filter(Boolean)
              .slice(0, 60),
          })
        }
      />
      <FieldFindings examined={[examined]} field="tags" />
    </View>
  );
}

function TermsChoice({ examined, set }: { examined: Examined; set: SetOwn }) {
  const { sheet, effective } = examined;
  const terms = useAttic((s) => s.terms);
  const here = Object.values(terms).filter((t) => t.market === sheet.marketplace);
  return (
    <View style={{ gap: 6 }}>
      {here.length === 0 ? (
        <Text tone="soft">
          No terms were made for it: the carrier’s postage is charged. Terms are under Marketplaces, in the
          attic’s set-up.
        </Text>
      ) : (
        <ChipRow label={`Terms on ${sheet.name}`}>
          {here.map((t) => (
            <Chip
              key={t.id}
              on={effective.terms?.id === t.id}
              onPress={() => set('terms', { termsId: t.id })}
            >
              {t.name}
            </Chip>
          ))}
        </ChipRow>
      )}
      <FieldFindings examined={[examined]} field="terms" />
    </View>
  );
}

/** Promotion and paid extras, as the sheet sells them. */
function Paid({ item, examined, set }: { item: Item; examined: Examined; set: SetOwn }) {
  const { sheet } = examined;
  const { plan } = examined.laid;
  const extras = plan?.extras ?? {};
  const put = (id: string, value: string | null) =>
    set('paid places', (now) => ({ extras: withAnswer(now.extras, id, value) }));
  return (
    <View style={{ gap: 8 }}>
      {sheet.fees.rules.map((rule) =>
        rule.type === 'promotion' ? (
          <Field
            key={rule.label}
            label={`${rule.label}, per cent`}
            figures
            keyboard="decimal-pad"
            value={plan?.promotionBp ? String(plan.promotionBp / 100) : ''}
            hint={`${rule.minBp / 100} to ${rule.maxBp / 100} % of what it sells for; empty for none`}
            refuse={(text) => (asPercent(text) === null ? 'A number of per cent, or nothing.' : null)}
            onChange={(text) => set('promotion', { promotionBp: asPercent(text) ?? 0 })}
          />
        ) : rule.type === 'extra' ? (
          <Extra
            key={rule.id}
            rule={rule}
            value={extras[rule.id]}
            item={item}
            examined={examined}
            onChange={(v) => put(rule.id, v)}
          />
        ) : null,
      )}
      <FieldFindings examined={[examined]} field="paid" />
    </View>
  );
}

function Extra(props: {
  rule: Extract<FeeRule, { type: 'extra' }>;
  value: string | undefined;
  item: Item;
  examined: Examined;
  onChange: (value: string | null) => void;
}) {
  const { rule, value, item, examined, onChange } = props;
  const { sheet, effective } = examined;
  const first = effective.category?.id;
  // The same category twice is no second one.
  const others = useMemo(
    () => ({ ...sheet, categories: sheet.categories.filter((c) => c.id !== first) }),
    [sheet, first],
  );
  const on = value !== undefined;
  return (
    <View style={{ gap: 6 }}>
      <Chip
        role="checkbox"
        on={on}
        label={`${rule.label} on ${sheet.name}`}
        onPress={() => onChange(on ? null : rule.by === 'day' ? '1' : rule.asks ? '' : 'yes')}
      >
        {rule.label}
      </Chip>
      {on && rule.by === 'day' ? (
        <WholeField
          label={`${rule.label}, days`}
          value={Number(value) || 1}
          least={1}
          most={60}
          onChange={(n) => onChange(String(n))}
        />
      ) : null}
      {on && rule.asks === 'words' ? (
        <Field label={rule.label} value={value} maxLength={200} onChange={onChange} />
      ) : null}
      {on && rule.asks === 'category' ? (
        <CategoryFinder kind={item.kind} sheet={others} chosen={value} onChoose={onChange} />
      ) : null}
    </View>
  );
}

function asPercent(text: string): number | null {
  if (text.trim() === '') return 0;
  const n = Number(text.trim().replace(',', '.'));
  return Number.isFinite(n) && n >= 0 && n <= 100 ? Math.round(n * 100) : null;
}
