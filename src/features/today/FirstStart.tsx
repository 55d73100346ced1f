import { useRouter } from 'expo-router';
import { z } from 'zod';

import { Settings } from '@/contract/records';
import { listed } from '@/core/language/listed';
import { CurrencyAndUnits } from '@/parts/trade/CurrencyAndUnits';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { AnyOf } from '@/parts/ui/Choices';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { link } from '@/store/courier/connections';
import { useCourier } from '@/store/courier/courierLink';

const Answers = z.object({
  author: z.string().max(120),
  currency: Settings.shape.currency.unwrap(),
  units: Settings.shape.units.unwrap(),
  /** Marketplaces that this person does not sell at. */
  without: z.array(z.string().max(60)).max(100),
});

/** Where inches are what people measure in, as the browser's language tells. */
const usualUnits = () => (/^en-US\b/u.test(navigator.language) ? 'imperial' : 'metric');

/** What a new attic asks once: all of it can be left, and said or changed later. */
export function FirstStart() {
  const router = useRouter();
  const settings = useAttic((s) => s.settings);
  const [answers, setAnswers, clear] = useDraft('first-start', Answers, {
    author: '',
    currency: settings.currency,
    units: usualUnits(),
    without: [],
  });
  const set = (part: Partial<z.infer<typeof Answers>>) => setAnswers((now) => ({ ...now, ...part }));
  const { run, busy, trouble } = useAsyncAction();
  const begin = () =>
    run(async () => {
      for (const market of answers.without) await link(market, { type: 'disconnect' });
      const { author, currency, units } = answers;
      setSettings({
        ...(author.trim() ? { author: author.trim() } : {}),
        currency,
        units,
        begunAt: Date.now(),
      });
      clear();
    });
  const skip = () => {
    setSettings({ begunAt: Date.now() });
    clear();
  };
  return (
    <Page
      title="A new attic"
      aside={
        <Button variant="quiet" disabled={busy} onPress={skip}>
          Skip all of this
        </Button>
      }
    >
      <Card label="From elsewhere">
        <Text variant="heading">Bring one back, or begin</Text>
        <Text tone="soft">
          A copy of an attic, from another browser or computer, brings everything with it: what follows need
          not be answered then.
        </Text>
        <Button icon="attic" onPress={() => router.navigate('/copies')}>
          Bring back a copy
        </Button>
      </Card>
      <Card label="Who works here">
        <Text variant="heading">Who works here?</Text>
        <Field
          label="Your name"
          hint="It stands beside every change; more people can join later."
          value={answers.author}
          maxLength={120}
          onChange={(author) => set({ author })}
        />
      </Card>
      <Card label="Currency and units">
        <Text variant="heading">In what do you count and measure?</Text>
        <CurrencyAndUnits value={answers} onChange={set} mayChange />
      </Card>
      <Places without={answers.without} onChange={(without) => set({ without })} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={busy} onPress={begin}>
        Begin
      </Button>
    </Page>
  );
}

/** Where this person sells: the others are sent nothing, and are out of the way. */
function Places({
  without,
  onChange,
}: {
  without: readonly string[];
  onChange: (without: string[]) => void;
}) {
  const markets = useCourier((s) => s.markets);
  const called = markets.filter((m) => !m.byHand && m.link !== 'off');
  const byHand = markets.filter((m) => m.byHand).map((m) => m.name);
  const chosen = called.map((m) => m.id).filter((id) => !without.includes(id));
  return (
    <Card label="Where you sell">
      <Text variant="heading">Where do you sell?</Text>
      {called.length === 0 ? (
        <Text tone="soft">No marketplace was heard of yet. They can be connected later, too.</Text>
      ) : (
        <AnyOf
          label="Marketplaces"
          options={called.map((m) => [m.id, m.name] as const)}
          chosen={chosen}
          onChoose={(now) => onChange(called.map((m) => m.id).filter((id) => !now.includes(id)))}
        />
      )}
      <Text tone="soft">
        Those you leave out are sent nothing and hidden until you connect them (Stock, The attic,
        Marketplaces).
      </Text>
      {byHand.length > 0 ? (
        <Text tone="soft">{`${listed(byHand, 'and')}: done by hand, whenever you like.`}</Text>
      ) : null}
    </Card>
  );
}
