import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { labelCode } from '@/core/identity/code';
import { HeadBar } from '@/parts/HeadBar';
import { HouseFront } from '@/parts/HouseFront';
import { PictureView } from '@/parts/PictureView';
import { SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { undo, useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';

import { BackTo } from '../shell/BackTo';
import { agoWords } from '../shell/time';

/** Always in sight: cover, title, house front, whether it is saved, and undo. */
export function SheetHead({ thing }: { thing: Thing }) {
  const kinds = useKinds();
  const last = useAttic((s) => s.journal.at(-1));
  const currency = useAttic((s) => s.settings.currency);
  const plans = useAttic((s) => s.plans);
  const view = useCourier((s) => s.things[thing.id]);
  const sheets = useCourier((s) => s.sheets);
  return (
    <HeadBar>
      <BackTo path="/stock" />
      <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Words
          kind="strong"
          numberOfLines={2}
          role="heading"
          aria-level={1}
          style={{ fontSize: 15, lineHeight: 19 }}
        >
          {thing.title || kinds.get(thing.kind)?.name || 'A new thing'}
        </Words>
        <Saved code={labelCode(thing.code, thing.spot)} />
      </View>
      <HouseFront
        thingId={thing.id}
        view={view}
        plans={plans}
        sheets={sheets}
        currency={currency}
        size={30}
      />
      <SignPress
        icon="undo"
        label={last ? `Undo: ${last.label}` : 'Nothing to undo'}
        disabled={!last}
        onPress={() => undo()}
      />
    </HeadBar>
  );
}

function Saved({ code }: { code: string }) {
  const savedAt = useAttic((s) => s.savedAt);
  const [, again] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => again((n) => n + 1), 15_000);
    return () => clearInterval(timer);
  }, []);
  return (
    <Words kind="small" tone="soft" figures numberOfLines={2}>
      {`${code} · `}
      <Words kind="small" tone={savedAt === null ? 'soft' : 'good'} role="status">
        {savedAt === null ? 'Saving…' : `Saved ${agoWords(savedAt)}`}
      </Words>
    </Words>
  );
}
