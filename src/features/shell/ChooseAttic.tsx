import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { SessionAnswer } from '@/contract/courier';
import { counted } from '@/core/words/listed';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import type { FoundAttic } from '@/store/attics';
import { goOnWithAttic, openCouriers } from '@/store/opening';

import { agoWords, exactly } from './time';

/** The courier works for an attic that this browser did not have open last: nothing is opened, or written over, unasked. */
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
          : 'The courier does not know this attic (its ledger is new). Nothing of yours is lost: all of it is in this browser.'}
      </Notice>
      {others.map((one, i) => (
        <Card key={one.name} label={`Attic with ${counted(one.things, 'thing')}`}>
          <Words kind="heading">
            {one.name === remembered ? 'The one you had open' : 'Another one found here'}
          </Words>
          <AtticWords attic={one} />
          <Words tone="soft">
            The courier works for it from now on. It asks every marketplace what is listed, and looks after
            that again.
          </Words>
          <Press
            kind={i === 0 ? 'main' : 'plain'}
            disabled={busy}
            label={`Go on with the attic with ${counted(one.things, 'thing')}`}
            onPress={doing(() => goOnWithAttic(one.name))}
          >
            Go on with this attic
          </Press>
        </Card>
      ))}
      {couriers ? (
        <Card label="The courier’s attic">
          <Words kind="heading">The one the courier works for</Words>
          <AtticWords attic={couriers} />
          <Press disabled={busy} onPress={doing(() => openCouriers(session))}>
            Open that one
          </Press>
        </Card>
      ) : (
        <Card label="Something else">
          <Words kind="heading">Something else</Words>
          {session.earlierLedger === null ? null : (
            <Words tone="soft">
              {`An earlier ledger was copied ${exactly(session.earlierLedger)} and is kept on the server. To go on with that one: stop the server, then start it with --restore.`}
            </Words>
          )}
          <Words tone="soft">What is in this browser stays where it is, and is offered again.</Words>
          <View style={{ gap: 8 }}>
            <Press
              disabled={busy}
              onPress={doing(() => openCouriers(session).then(() => router.navigate('/copies')))}
            >
              Read a copy from a file
            </Press>
            <Press kind="quiet" disabled={busy} onPress={doing(() => openCouriers(session))}>
              {session.demo ? 'Begin the demo anew' : 'Begin a new, empty attic'}
            </Press>
          </View>
        </Card>
      )}
    </Page>
  );
}

function AtticWords({ attic }: { attic: FoundAttic }) {
  return (
    <Words figures>
      {`${counted(attic.things, 'thing')}${attic.changedAt > 0 ? `, settings changed ${agoWords(attic.changedAt)}` : ''}`}
    </Words>
  );
}
