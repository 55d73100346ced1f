import { useRouter } from 'expo-router';
import { nanoid } from 'nanoid';
import { View } from 'react-native';

import type { Haul } from '@/contract/records';
import { haulCount, haulItems, type Progress } from '@/core/hauls/haul';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { useUnheard } from '@/parts/trade/Calm';
import { FillInButton } from '@/parts/trade/FillInButton';
import { ItemLine } from '@/parts/trade/ItemLine';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { isIsoDay } from '@/store/base/isoDay';
import { useCourier } from '@/store/courier/courierLink';
import { haulStanding } from '@/store/derived/standing';
import { editHaul, putHaulAway, workIn } from '@/store/items/hauls';
import { useKinds } from '@/store/items/kinds';

import { HaulCost } from './HaulCost';
import { HaulReturnsCard } from './HaulReturnsCard';

/** One haul: source, cost and its spreading, its lines, what its items begin with, what it has returned. */
export function HaulBody({ haul }: { haul: Haul }) {
  return (
    <>
      <About haul={haul} />
      <Lines haul={haul} />
      <Returns haul={haul} />
      <HaulCost haul={haul} />
      <Begins haul={haul} />
      <Items haul={haul} />
      <PutAway haul={haul} />
    </>
  );
}

function About({ haul }: { haul: Haul }) {
  const current = useAttic((s) => s.settings.haulId === haul.id);
  const router = useRouter();
  return (
    <Card label="About it">
      <Button
        variant="main"
        icon="camera"
        onPress={() => {
          workIn(haul.id);
          router.navigate('/intake');
        }}
      >
        {current ? 'Go on taking it in' : 'Take items in from it'}
      </Button>
      <Field
        label="Name"
        value={haul.name}
        maxLength={200}
        refuse={(text) => (text.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => editHaul(haul.id, 'name of the haul', { name })}
      />
      <Field
        label="Where from"
        value={haul.source}
        maxLength={400}
        onChange={(source) => editHaul(haul.id, 'source of the haul', { source })}
      />
      <Field
        label="Day"
        value={haul.date}
        maxLength={10}
        hint="Year-month-day"
        figures
        refuse={(text) => (isIsoDay(text) ? null : 'A day, like 2026-11-08.')}
        onChange={(date) => editHaul(haul.id, 'day of the haul', { date })}
      />
      <Field
        label="Note"
        value={haul.note}
        multiline
        onChange={(note) => editHaul(haul.id, 'note on the haul', { note })}
      />
    </Card>
  );
}

/** What one piece of a line was bought at, where that is known. */
function eachWords({ lines }: Haul, id: string, currency: string): string {
  const each = lines.find((l) => l.id === id)?.each ?? null;
  return each === null ? '' : ` · ${formatMoney(each, currency)} each`;
}

function progressWords({ bought, taken, listed, sold, waiting }: Progress): string {
  return `${bought} bought · ${taken} taken in · ${listed} listed · ${sold} sold · ${waiting} waiting`;
}

/** Once all of it is done with it need not be offered any more. */
function PutAway({ haul }: { haul: Haul }) {
  const items = useAttic((s) => s.items);
  const { waiting } = haulCount(haul, Object.values(items));
  if (haul.putAwayAt !== null)
    return (
      <Card label="Put away">
        <Text tone="soft">It is put away: new items are not offered to it.</Text>
        <Button onPress={() => putHaulAway(haul.id, false)}>Take it out again</Button>
      </Card>
    );
  return (
    <Card label="Put it away">
      <Text tone="soft">
        {waiting > 0
          ? `${plural(waiting, 'One piece waits', `${waiting} pieces wait`)} still. What is put away ` +
            'is offered no more; its items stay as they are.'
          : 'All of it is taken in. What is put away is offered no more; its items stay as they are.'}
      </Text>
      <Button variant={waiting > 0 ? 'quiet' : undefined} onPress={() => putHaulAway(haul.id, true)}>
        {waiting > 0 ? 'Put it away all the same' : 'Put it away'}
      </Button>
    </Card>
  );
}

function Lines({ haul }: { haul: Haul }) {
  const items = useAttic((s) => s.items);
  const currency = useAttic((s) => s.settings.currency);
  const standing = haulStanding(useCourier((s) => s.items));
  const unheard = useUnheard();
  const counted = haulCount(haul, Object.values(items), standing);
  return (
    <Card label="What was in it">
      <Text variant="heading">What was in it</Text>
      {counted.lines.length === 1 ? null : (
        <Text tone="soft" figures>
          {progressWords(counted)}
        </Text>
      )}
      {counted.unsaid > 0 ? (
        <Text variant="small" tone="soft">
          {`Of ${plural(counted.unsaid, 'one', `${counted.unsaid}`)} taken in it is not said of ` +
            `which line: say it on ${plural(counted.unsaid, 'its sheet', 'their sheets')}.`}
        </Text>
      ) : null}
      {unheard ? (
        <Text variant="small" tone="soft">
          {unheard}
        </Text>
      ) : null}
      {counted.lines.map((line) => (
        <View key={line.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Text variant="strong">{line.what}</Text>
            <Text variant="small" tone="soft" figures>
              {progressWords(line) + eachWords(haul, line.id, currency)}
            </Text>
          </View>
          <SignButton
            icon="remove"
            label={`Remove the line ${line.what}`}
            onPress={() =>
              editHaul(haul.id, 'line of the haul removed', {
                lines: haul.lines.filter((l) => l.id !== line.id),
              })
            }
          />
        </View>
      ))}
      <NewLine haul={haul} />
    </Card>
  );
}

function Returns({ haul }: { haul: Haul }) {
  const items = useAttic((s) => s.items);
  return <HaulReturnsCard haul={haul} waiting={haulCount(haul, Object.values(items)).waiting} />;
}

function NewLine({ haul }: { haul: Haul }) {
  const [what, setWhat, clearWhat] = useTextDraft(`line:${haul.id}`);
  const [count, setCount, clearCount] = useTextDraft(`count:${haul.id}`, '1');
  return (
    <>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 3 }}>
          <Field
            label="What"
            value={what}
            maxLength={400}
            pause={0}
            placeholder="jumpers"
            onChange={setWhat}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label="How many"
            value={count}
            maxLength={4}
            pause={0}
            figures
            keyboard="number-pad"
            refuse={(text) => (/^[1-9]\d{0,3}$/u.test(text.trim()) ? null : 'A number')}
            onChange={setCount}
          />
        </View>
      </View>
      <Button
        icon="add"
        disabled={what.trim() === ''}
        onPress={() => {
          editHaul(haul.id, 'line of the haul', {
            lines: [...haul.lines, { id: nanoid(8), what: what.trim(), count: Number(count), each: null }],
          });
          clearWhat();
          clearCount();
        }}
      >
        Add this line
      </Button>
    </>
  );
}

function Begins({ haul }: { haul: Haul }) {
  const owners = useAttic((s) => s.owners);
  const kinds = useKinds();
  const put = (part: Partial<Haul['defaults']>) =>
    editHaul(haul.id, 'what its items begin with', { defaults: { ...haul.defaults, ...part } });
  const kind = kinds.get(haul.defaults.kind);
  return (
    <Card label="New items begin with">
      <Text variant="heading">New items begin with</Text>
      <Field
        label="Spot for new items"
        value={haul.defaults.spot}
        maxLength={60}
        onChange={(spot) => put({ spot: spot.trim() })}
      />
      <ChipRow label="Kind of new items">
        <Chip on={!kind} onPress={() => put({ kind: '' })}>
          No kind
        </Chip>
        {[...kinds.children(null), ...(kind && kind.parent !== null ? [kind] : [])].map((k) => (
          <Chip key={k.id} on={kind?.id === k.id} onPress={() => put({ kind: k.id })}>
            {k.name}
          </Chip>
        ))}
      </ChipRow>
      <ChipRow label="Owner of new items">
        <Chip on={haul.defaults.ownerId === null} onPress={() => put({ ownerId: null })}>
          Our own
        </Chip>
        {Object.values(owners).map((o) => (
          <Chip key={o.id} on={haul.defaults.ownerId === o.id} onPress={() => put({ ownerId: o.id })}>
            {o.name}
          </Chip>
        ))}
      </ChipRow>
    </Card>
  );
}

function Items({ haul }: { haul: Haul }) {
  const items = useAttic((s) => s.items);
  const own = haulItems(haul, Object.values(items));
  return (
    <Card label="Its items">
      <Text variant="heading">{plural(own.length, 'One item', `${own.length} items`)}</Text>
      {own.length > 0 ? <FillInButton ids={own.map((t) => t.id)} /> : null}
      {own.map((t) => (
        <ItemLine key={t.id} item={t} />
      ))}
    </Card>
  );
}
