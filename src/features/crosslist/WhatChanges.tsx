import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { ListingDraft } from '@/contract/courier';
import type { Thing } from '@/contract/records';
import { draftChanges, draftOf } from '@/core/listing/draft';
import type { Examined } from '@/core/listing/examine';
import { Words } from '@/parts/Words';
import { sentDrafts, useCourier } from '@/store/courierLink';
import { unlessExpected } from '@/store/faults';

/** What will change where, before it goes: for live listings that are to be sent again. */
export function WhatChanges({ thing, ready }: { thing: Thing; ready: readonly Examined[] }) {
  const view = useCourier((s) => s.things[thing.id]);
  const [drafts, setDrafts] = useState<Record<string, ListingDraft>>({});
  const live = ready.filter((e) =>
    view?.listings.some((l) => l.market === e.sheet.marketplace && l.state === 'live'),
  );
  const any = live.length > 0;
  useEffect(() => {
    let there = true;
    if (any)
      void sentDrafts(thing.id)
        .then((found) => there && setDrafts(found))
        // Without an answer there is no list; sending is offered all the same.
        .catch(unlessExpected('comparing with what was sent'));
    return () => {
      there = false;
    };
  }, [any, thing.id, view]);
  if (!any) return null;
  return (
    <View role="list" aria-label="What changes where" style={{ gap: 2 }}>
      {live.map((e) => {
        const before = drafts[e.sheet.marketplace];
        if (!before) return null;
        const changed = draftChanges(before, draftOf(e.effective, e.sheet, before.pictures, before.clip));
        return (
          <Words key={e.sheet.marketplace} role="listitem" tone="soft">
            {`${e.sheet.name}: ${changed.length === 0 ? 'the pictures' : changed.join(', ')}`}
          </Words>
        );
      })}
    </View>
  );
}
