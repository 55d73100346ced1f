import { useState } from 'react';
import { View } from 'react-native';

import { ORIGINS } from '@/contract/picture';
import type { Picture, Thing } from '@/contract/records';
import { isOwn, ORIGIN_WORDS } from '@/core/picture/origin';
import { shotList } from '@/core/picture/shots';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { editPicture } from '@/store/pictures';
import { editThing } from '@/store/things';

import { exactly } from '../shell/time';

/** What a picture shows, where it comes from, who took it and when. */
export function AboutPicture({ thing, picture }: { thing: Thing; picture: Picture }) {
  const [open, setOpen] = useState(false);
  const pictures = useAttic((s) => s.pictures);
  const shots = shotList(
    thing,
    thing.pictureIds.flatMap((id) => pictures[id] ?? []),
    useKinds(),
  ).filter((s) => s.id !== 'measured' || picture.shows === 'measured');
  const shows = shots.find((s) => s.id === picture.shows)?.name;
  const own = isOwn(picture.origin);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Words kind="small" tone="soft" style={{ flex: 1 }}>
          {[
            shows,
            ORIGIN_WORDS[picture.origin],
            own ? '' : picture.sendAnyway ? 'sent all the same' : 'not sent',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Words>
        <Press
          kind="quiet"
          label={open ? 'Close: about this picture' : 'About this picture'}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Done' : 'About it'}
        </Press>
      </View>
      {open ? (
        <>
          <Words kind="small" tone="soft">
            What it shows
          </Words>
          <ChipRow label="What it shows">
            {shots.map((shot) => (
              <Chip
                key={shot.id}
                on={picture.shows === shot.id}
                onPress={() => {
                  editPicture(picture.id, 'what a picture shows', {
                    shows: picture.shows === shot.id ? '' : shot.id,
                  });
                  if (shot.id.startsWith('flaw:'))
                    editThing(thing.id, 'picture of a flaw', (t) => ({
                      flaws: t.flaws.map((f) =>
                        `flaw:${f.id}` === shot.id ? { ...f, pictureId: picture.id } : f,
                      ),
                    }));
                }}
              >
                {shot.name}
              </Chip>
            ))}
          </ChipRow>
          <Words kind="small" tone="soft">
            Where it comes from
          </Words>
          <ChipRow label="Where it comes from">
            {ORIGINS.filter((o) => o !== 'demo' || picture.origin === 'demo').map((origin) => (
              <Chip
                key={origin}
                on={picture.origin === origin}
                onPress={() =>
                  editPicture(picture.id, 'where a picture comes from', { origin, sendAnyway: false })
                }
              >
                {ORIGIN_WORDS[origin]}
              </Chip>
            ))}
          </ChipRow>
          {own ? null : (
            <ChipRow label="Whether it is sent" radio={false}>
              <Chip
                role="checkbox"
                on={picture.sendAnyway}
                onPress={() =>
                  editPicture(picture.id, 'whether a picture is sent', { sendAnyway: !picture.sendAnyway })
                }
              >
                Send it: I have its owner’s leave
              </Chip>
            </ChipRow>
          )}
          <Words kind="small" tone="soft" figures>
            {`${picture.author}, ${exactly(picture.takenAt ?? picture.addedAt)} · ${picture.width} × ${picture.height} · ${Math.round(picture.bytes / 1000)} kB`}
          </Words>
        </>
      ) : null}
    </View>
  );
}
