import { useState } from 'react';
import { View } from 'react-native';

import { ORIGINS } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import { isOwn, ORIGIN_WORDS } from '@/core/picture/origin';
import { shotList } from '@/core/picture/shots';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { editPicture } from '@/store/pictures/pictures';

/** What a picture shows, where it comes from, who took it and when. */
export function AboutPicture({ item, picture }: { item: Item; picture: Picture }) {
  const [open, setOpen] = useState(false);
  const pictures = useAttic((s) => s.pictures);
  const shots = shotList(
    item,
    item.pictureIds.flatMap((id) => pictures[id] ?? []),
    useKinds(),
  ).filter((s) => s.id !== 'measured' || picture.shows === 'measured');
  const shows = shots.find((s) => s.id === picture.shows)?.name;
  const own = isOwn(picture.origin);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="small" tone="soft" style={{ flex: 1 }}>
          {[
            shows,
            ORIGIN_WORDS[picture.origin],
            own ? '' : picture.sendAnyway ? 'sent all the same' : 'not sent',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Text>
        <Button
          variant="quiet"
          label={open ? 'Close: about this picture' : 'About this picture'}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Done' : 'About it'}
        </Button>
      </View>
      {open ? (
        <>
          <Text variant="small" tone="soft">
            What it shows
          </Text>
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
                    editItem(item.id, 'picture of a flaw', (t) => ({
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
          <Text variant="small" tone="soft">
            Where it comes from
          </Text>
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
          <Text variant="small" tone="soft" figures>
            {`${picture.author}, ${exactly(picture.takenAt ?? picture.addedAt)} · ${picture.width} × ${picture.height} · ${Math.round(picture.bytes / 1000)} kB`}
          </Text>
        </>
      ) : null}
    </View>
  );
}
