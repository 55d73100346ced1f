import { useState } from 'react';
import { View } from 'react-native';

import { ORIGINS } from '@/contract/picture';
import type { Picture, Item } from '@/contract/records';
import { isForSeller, isOwn, ORIGIN_WORDS } from '@/core/picture/origin';
import { OTHER_SHOTS, shotList } from '@/core/picture/shots';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { editPicture } from '@/store/pictures/pictures';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';

/** What a picture shows, where it comes from, who took it and when. */
export function AboutPicture({ item, picture }: { item: Item; picture: Picture }) {
  const [open, setOpen] = useState(false);
  const shots = shotList(item, usePicturesOf(item), useKinds()).filter(
    (s) => s.id !== 'measured' || picture.shows === 'measured',
  );
  const choices = [...shots.map(({ id, name }) => [id, name] as const), ...OTHER_SHOTS];
  const shows = choices.find(([id]) => id === picture.shows)?.[1];
  const isOpen = isOwn(picture.origin) && !isForSeller(picture);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="small" tone="soft" style={{ flex: 1 }}>
          {[
            shows && picture.showsBy === 'sight' ? `${shows}, as it looks` : shows,
            ORIGIN_WORDS[picture.origin],
            isOpen ? '' : picture.sendAnyway ? 'sent all the same' : 'not sent',
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
      {open ? <Sayings item={item} picture={picture} choices={choices} /> : null}
    </View>
  );
}

/** What can be said of it: what it shows, where it comes from, whether it is sent. */
function Sayings(props: {
  item: Item;
  picture: Picture;
  choices: readonly (readonly [shows: string, name: string])[];
}) {
  const { item, picture, choices } = props;
  const own = isOwn(picture.origin);
  return (
    <>
      <OneOf
        label="What it shows"
        options={choices}
        value={picture.shows}
        onChoose={(shot) => sayWhatItShows(item, picture, shot)}
      />
      <OneOf
        label="Where it comes from"
        options={ORIGINS.filter((o) => o !== 'demo' || picture.origin === 'demo').map((origin) => [
          origin,
          ORIGIN_WORDS[origin],
        ])}
        value={picture.origin}
        onChoose={(origin) =>
          editPicture(picture.id, 'where a picture comes from', { origin, sendAnyway: false })
        }
      />
      {own && !isForSeller(picture) ? null : (
        <ChipRow label="Whether it is sent" radio={false}>
          <Chip
            role="checkbox"
            on={picture.sendAnyway}
            onPress={() =>
              editPicture(picture.id, 'whether a picture is sent', { sendAnyway: !picture.sendAnyway })
            }
          >
            {own ? 'Send it: buyers may see it' : 'Send it: I have its owner’s leave'}
          </Chip>
        </ChipRow>
      )}
      {picture.address === null ? null : (
        <Text variant="small" tone="soft">{`Fetched from ${picture.address}`}</Text>
      )}
      <Text variant="small" tone="soft" figures>
        {`${picture.author}, ${exactly(picture.takenAt ?? picture.addedAt)} · ${picture.width} × ` +
          `${picture.height} · ${Math.round(picture.bytes / 1000)} kB`}
      </Text>
    </>
  );
}

/** Said twice it is taken back; a picture of a flaw is the flaw's own. */
function sayWhatItShows(item: Item, picture: Picture, shot: string): void {
  editPicture(picture.id, 'what a picture shows', {
    shows: picture.shows === shot ? '' : shot,
    showsBy: 'person',
  });
  if (shot.startsWith('flaw:'))
    editItem(item.id, 'picture of a flaw', (t) => ({
      flaws: t.flaws.map((f) => (`flaw:${f.id}` === shot ? { ...f, pictureId: picture.id } : f)),
    }));
}
