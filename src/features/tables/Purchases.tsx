import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';

import { counted, plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { takenFor } from '@/core/tables/match';
import {
  MOST_PIECES,
  PURCHASE_FIELDS,
  purchaseCost,
  type BoughtLine,
  type PurchaseField,
} from '@/core/tables/purchases';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { isIsoDay, isoDay } from '@/store/base/isoDay';
import { haulOf } from '@/store/items/hauls';
import { boughtLines, putTableAway, useTableIn } from '@/store/tables/tableIn';
import { useColours } from '@/theme/theme';
import { purchaseTrouble } from '@/wording/tables';
import type { OpenedTable } from '@/workers/tablereader.worker';

import { ColumnLine } from './ColumnLine';

const FIELD_WORDS: Record<PurchaseField, string> = {
  what: 'What it is',
  pieces: 'Pieces',
  cases: 'Cases',
  perCase: 'Pieces a case',
  each: 'Price a piece',
  total: 'Price of the line',
};
const NAMES = PURCHASE_FIELDS.map((id) => ({ id, label: FIELD_WORDS[id] }));

/** A purchase list: a haul with its lines. */
export function Purchases({ opened }: { opened: OpenedTable }) {
  const [fields, setFields] = useState<readonly (PurchaseField | null)[]>(opened.purchase);
  const [open, setOpen] = useState<number | null>(null);
  const set = (place: number, id: string | null) => {
    const field = PURCHASE_FIELDS.find((f) => f === id) ?? null;
    setFields(takenFor(fields, place, field));
    setOpen(null);
  };
  return (
    <>
      <Card label="Columns">
        <Text variant="heading">Columns</Text>
        {opened.matches.map((match, i) => (
          <ColumnLine
            key={i}
            heading={match.heading || `Column ${i + 1}`}
            samples={match.samples}
            field={NAMES.find((n) => n.id === fields[i]) ?? null}
            by={fields[i] === opened.purchase[i] ? 'heading' : 'person'}
            names={NAMES}
            isOpen={open === i}
            onOpen={() => setOpen(open === i ? null : i)}
            onChoose={(id) => set(i, id)}
          />
        ))}
      </Card>
      <TheHaul fields={fields} />
    </>
  );
}

/** What was bought, each line to be put right, and the haul that is made of it. */
function TheHaul({ fields }: { fields: readonly (PurchaseField | null)[] }) {
  const router = useRouter();
  const fileName = useTableIn((s) => s.name);
  const options = useTableIn((s) => s.options);
  const currency = useAttic((s) => s.settings.currency);
  const [lines, setLines] = useState<readonly BoughtLine[]>([]);
  const [name, setName] = useState(fileName.replace(/\.[a-z]+$/iu, '').slice(0, 200));
  const [date, setDate] = useState(() => isoDay(Date.now()));
  useEffect(() => {
    let isWanted = true;
    void boughtLines(fields)
      .then((found) => (isWanted ? setLines(found) : undefined))
      .catch(unlessExpected('reading a purchase list'));
    return () => {
      isWanted = false;
    };
  }, [fields, options]);
  const good = lines.filter((l) => l.troubles.length === 0);
  const cost = purchaseCost(good);
  const pieces = good.reduce((sum, l) => sum + l.count, 0);
  const make = () => {
    const id = haulOf({ name: name.trim(), date, cost, lines: good });
    putTableAway();
    router.replace(`/hauls/${id}`);
  };
  return (
    <Card label="The haul">
      <Text variant="heading" figures>
        {`${counted(good.length, 'line')}, ${counted(pieces, 'piece')}` +
          (cost === null ? '' : `, ${formatMoney(cost, currency)}`)}
      </Text>
      <Field label="Name of the haul" value={name} pause={0} maxLength={200} onChange={setName} />
      <Field
        label="Day"
        value={date}
        pause={0}
        maxLength={10}
        refuse={(text) => (isIsoDay(text) ? null : 'A day, like 2026-11-08.')}
        onChange={setDate}
      />
      {lines.map((line, i) => (
        <BoughtRow
          key={line.line}
          line={line}
          currency={currency}
          onChange={(next) => setLines(lines.map((l, j) => (j === i ? next : l)))}
        />
      ))}
      {good.length < lines.length ? (
        <Notice tone="caution">
          {plural(
            lines.length - good.length,
            'One line is not taken: put it right by a tap, or leave it.',
            `${lines.length - good.length} lines are not taken: put them right by a tap, or leave them.`,
          )}
        </Notice>
      ) : null}
      <Button variant="main" disabled={good.length === 0 || name.trim() === ''} onPress={make}>
        {`Make the haul of ${counted(good.length, 'line')}`}
      </Button>
    </Card>
  );
}

function BoughtRow(props: { line: BoughtLine; currency: string; onChange: (line: BoughtLine) => void }) {
  const { line, currency, onChange } = props;
  const c = useColours();
  const [open, setOpen] = useState(false);
  const [trouble] = line.troubles;
  const put = (part: Partial<BoughtLine>) => {
    const next = { ...line, ...part };
    // All that could not be read was put right, but for what it is.
    next.troubles = next.what.trim() === '' ? line.troubles : [];
    onChange({ ...next, cost: next.each === null ? next.cost : next.each * next.count });
  };
  const money = line.each === null ? '' : ` at ${formatMoney(line.each, currency)}`;
  return (
    <View style={{ borderTopWidth: 1, borderColor: c.line, paddingVertical: 4, gap: 6 }}>
      <Pressable
        role="button"
        aria-label={`Line ${line.line}: ${line.what || 'nothing'}`}
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ minHeight: 44, justifyContent: 'center' }}
      >
        <Text figures numberOfLines={2}>{`${line.count} × ${line.what || '—'}${money}`}</Text>
        {trouble ? (
          <Text variant="small" tone="trouble">
            {`${trouble.text ? `“${trouble.text}”: ` : ''}${purchaseTrouble(trouble.why)}`}
          </Text>
        ) : null}
      </Pressable>
      {open ? (
        <>
          <Field label="What it is" value={line.what} maxLength={400} onChange={(what) => put({ what })} />
          <WholeField
            label="Pieces"
            value={line.count}
            least={1}
            most={MOST_PIECES}
            onChange={(count) => put({ count })}
          />
          <MoneyField
            label="Price a piece"
            currency={currency}
            value={line.each}
            onChange={(each) => put({ each })}
          />
        </>
      ) : null}
    </View>
  );
}
