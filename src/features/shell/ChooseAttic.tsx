import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { SessionAnswer } from '@/contract/courier';
import { counted } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, exactly } from '@/parts/ui/time';
import type { FoundAttic } from '@/store/attic/attics';
import { goOnWithAttic, openCouriers } from '@/store/services/opening';

/**
 * The courier works for an attic that this browser did not have open last: nothing is opened, or written
 * over, unasked.
 */
export function ChooseAttic(props: {
  session: SessionAnswer;
  remembered: string | null;
  found: FoundAttic[];
}) {
  const { session, remembered, found } = props;
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const couriers = found.find((one) => one.name === session.attic);
  const others = found
    .filter((one) => one.name !== session.attic)
    .sort((a, b) => Number(b.name === remembered) - Number(a.name === remembered));
  const doing = (work: () => Promise<unknown>) => () => {
    setBusy(true);
    void work();
  };
  return (
    <Page title="Which attic?">
      <Notice tone="caution">
        {couriers
          ? 'The courier works for another attic than the one this browser had open last.'
          : 'The courier does not know this attic (its ledger is new). Nothing of yours is lost: all ' +
            'of it is in this browser.'}
      </Notice>
      {others.map((one, i) => (
        <Card key={one.name} label={`Attic with ${counted(one.items, 'item')}`}>
          <Text variant="heading">
            {one.name === remembered ? 'The one you had open' : 'Another one found here'}
          </Text>
          <AtticWords attic={one} />
          <Text tone="soft">
            The courier works for it from now on. It asks every marketplace what is listed, and looks after
            that again.
          </Text>
          <Button
            variant={i === 0 ? 'main' : 'plain'}
            disabled={busy}
            label={`Go on with the attic with ${counted(one.items, 'item')}`}
            onPress={doing(() => goOnWithAttic(one.name))}
          >
            Go on with this attic
          </Button>
        </Card>
      ))}
      {couriers ? (
        <Card label="The courier’s attic">
          <Text variant="heading">The one the courier works for</Text>
          <AtticWords attic={couriers} />
          <Button disabled={busy} onPress={doing(() => openCouriers(session))}>
            Open that one
          </Button>
        </Card>
      ) : (
        <Card label="Something else">
          <Text variant="heading">Something else</Text>
          {session.earlierLedger === null ? null : (
            <Text tone="soft">
              {`An earlier ledger was copied ${exactly(session.earlierLedger)} and is kept on the ` +
                'server. To go on with that one: stop the server, then start it with --restore.'}
            </Text>
          )}
          <Text tone="soft">What is in this browser stays where it is, and is offered again.</Text>
          <View style={{ gap: 8 }}>
            <Button
              disabled={busy}
              onPress={doing(() => openCouriers(session).then(() => router.navigate('/copies')))}
            >
              Read a copy from a file
            </Button>
            <Button variant="quiet" disabled={busy} onPress={doing(() => openCouriers(session))}>
              {session.demo ? 'Begin the demo anew' : 'Begin a new, empty attic'}
            </Button>
          </View>
        </Card>
      )}
    </Page>
  );
}

function AtticWords({ attic }: { attic: FoundAttic }) {
  return (
    <Text figures>
      {`${counted(attic.items, 'item')}${
        attic.changedAt > 0 ? `, settings changed ${agoWords(attic.changedAt)}` : ''
      }`}
    </Text>
  );
}
