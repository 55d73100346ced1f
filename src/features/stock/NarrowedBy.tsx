import { useMemo } from 'react';
import { View } from 'react-native';

import { SENT, type StockFilter } from '@/contract/groups';
import { AnyOf } from '@/parts/ui/Choices';
import { DayField } from '@/parts/ui/MomentField';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';

import { Choice } from './Choice';

interface Part {
  filter: StockFilter;
  put: (part: Partial<StockFilter>) => void;
}

/** How long it has been here: days from and to, both in. */
const AGES = {
  week: { ageFrom: null, ageTo: 7 },
  month: { ageFrom: null, ageTo: 30 },
  quarter: { ageFrom: 31, ageTo: 90 },
  half: { ageFrom: 91, ageTo: 180 },
  year: { ageFrom: 181, ageTo: 365 },
  more: { ageFrom: 366, ageTo: null },
} as const;
type Age = keyof typeof AGES;
const AGE_WORDS: readonly (readonly [Age, string])[] = [
  ['week', 'A week at most'],
  ['month', '30 days at most'],
  ['quarter', '31 to 90 days'],
  ['half', '91 to 180 days'],
  ['year', '181 to 365 days'],
  ['more', 'Over a year'],
];

/** By when it came in, how long that is ago, when it was bought, and who entered it. */
export function NarrowedByTime({ filter, put }: Part) {
  const items = useAttic((s) => s.items);
  const authors = useMemo(() => [...new Set(Object.values(items).map((t) => t.author))].sort(), [items]);
  const age = AGE_WORDS.find(
    ([id]) => AGES[id].ageFrom === filter.ageFrom && AGES[id].ageTo === filter.ageTo,
  );
  return (
    <>
      <Choice
        label="Here for"
        now={age?.[0] ?? null}
        none={null}
        choices={AGE_WORDS}
        onChoose={(id) => put(id === null ? { ageFrom: null, ageTo: null } : AGES[id])}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        <DayField label="Added since" value={filter.addedFrom} onChange={(addedFrom) => put({ addedFrom })} />
        <DayField
          label="Bought from"
          value={filter.boughtFrom}
          onChange={(boughtFrom) => put({ boughtFrom })}
        />
        <DayField label="Bought up to" value={filter.boughtTo} onChange={(boughtTo) => put({ boughtTo })} />
      </View>
      {authors.length > 1 ? (
        <Choice
          label="Entered by"
          now={filter.author}
          none={null}
          choices={authors.map((name) => [name, name])}
          onChoose={(author) => put({ author })}
        />
      ) : null}
    </>
  );
}

const SENT_WORDS: Record<(typeof SENT)[number], string> = {
  changed: 'Changed since it was sent',
  broughtIn: 'Brought in',
};

/** By where it is listed and where not, and how its listings stand beside what is known here. */
export function NarrowedByPlace({ filter, put }: Part) {
  const sheets = useCourier((s) => s.sheets);
  const markets = sheets.map((s) => [s.marketplace, s.name] as const);
  return (
    <>
      <AnyOf
        label="Listed on"
        options={markets}
        chosen={filter.listedOn}
        onChoose={(listedOn) =>
          put({ listedOn, notListedOn: filter.notListedOn.filter((m) => !listedOn.includes(m)) })
        }
      />
      <AnyOf
        label="Not listed on"
        options={markets}
        chosen={filter.notListedOn}
        onChoose={(notListedOn) =>
          put({ notListedOn, listedOn: filter.listedOn.filter((m) => !notListedOn.includes(m)) })
        }
      />
      <Choice
        label="Its listings"
        now={filter.sent}
        none={null}
        choices={SENT.map((id) => [id, SENT_WORDS[id]])}
        onChoose={(sent) => put({ sent })}
      />
    </>
  );
}
