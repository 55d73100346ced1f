import { TESTED, USES, type Item } from '@/contract/records';

import { cellNo, type CellRead, type StockColumn, type StockRow, type TableWays } from './column';
import { lengthUnit, lengthValue, tableLength, tableWeight, weightUnit, weightValue } from './figures';
import { wordsForUse } from '../../condition/grade';
import { exponentOf, parseMoney } from '../../money/money';
import { changed, type Target } from '../../stock/bulk';
import { groupWords } from '../../stock/groups';
import { sameWord } from '../../words/sameWord';
import { amountValue, type Value } from '../value';

/** Fields that are plain words, with the most characters they take. */
type WordField = 'title' | 'description' | 'included' | 'missing' | 'conditionNote' | 'spot' | 'taxCode';
const LONGEST: Record<WordField, number> = {
  title: 400,
  description: 10_000,
  included: 400,
  missing: 400,
  conditionNote: 10_000,
  spot: 60,
  taxCode: 400,
};

function words(id: WordField, label: string, usual = true): StockColumn {
  const most = LONGEST[id];
  return {
    id,
    label,
    sort: 'words',
    usual,
    of: ({ item }) => item[id],
    read: (said) => {
      const text = said.trim();
      return text.length > most
        ? { ok: false, why: { code: 'tooLong', params: { length: text.length, most } } }
        : { ok: true, part: { [id]: text } };
    },
    clear: () => ({ [id]: '' }),
  };
}

/** One of some words, each standing for a value. */
function oneOf<K extends 'tested' | 'postageBy'>(
  id: K,
  label: string,
  words: readonly (readonly [NonNullable<Item[K]>, string])[],
): StockColumn {
  return {
    id,
    label,
    sort: 'words',
    usual: false,
    of: ({ item }) => words.find(([value]) => value === item[id])?.[1] ?? null,
    read: (said) => {
      const found = words.find(([value, word]) => sameWord(word, said) || value === said);
      if (found) return { ok: true, part: { [id]: found[0] } };
      return { ok: false, why: { code: 'notOneOf', params: { words: words.map(([, word]) => word) } } };
    },
  };
}

function yesNo(id: 'looked' | 'cleaned' | 'smoke' | 'pets' | 'restockable', label: string): StockColumn {
  return {
    id,
    label,
    sort: 'yesNo',
    usual: false,
    of: ({ item }) => item[id],
    read: (said) => {
      const yes = /^(?:yes|y|true|1|x|ja|oui|si|sí)$/iu.test(said.trim());
      const no = /^(?:no|n|false|0|nein|non)$/iu.test(said.trim());
      return yes || no ? { ok: true, part: { [id]: yes } } : cellNo('notYesOrNo');
    },
  };
}

/** What a bulk change can set, by its own rules. */
const setTo =
  (target: Target) =>
  (said: string, item: Item, ways: TableWays): CellRead =>
    changed(item, target, { type: 'set', value: said }, ways);

function amount(id: 'price' | 'cost', label: string, { currency }: TableWays): StockColumn {
  return {
    id,
    label: `${label}, ${currency}`,
    sort: 'amount',
    usual: true,
    of: ({ item }) => amountValue(item[id], exponentOf(currency)),
    read: setTo(id),
    clear: () => ({ [id]: null }),
  };
}

/** Where offers are taken or refused by themselves. */
function offer(id: 'acceptFrom' | 'refuseUnder', label: string, { currency }: TableWays): StockColumn {
  return {
    id,
    label: `${label}, ${currency}`,
    sort: 'amount',
    usual: false,
    of: ({ item }) => amountValue(item.offers?.[id] ?? null, exponentOf(currency)),
    read: (said, item) => {
      const read = parseMoney(said, currency);
      if (!read.ok) return read;
      const before = item.offers ?? { acceptFrom: null, refuseUnder: null };
      return { ok: true, part: { offers: { ...before, [id]: read.amount } } };
    },
  };
}

function side(id: 'lengthMm' | 'widthMm' | 'heightMm', label: string, { units }: TableWays): StockColumn {
  return {
    id: `parcel.${id}`,
    label: `${label}, ${lengthUnit(units)}`,
    sort: 'length',
    usual: false,
    of: ({ item }) => {
      const mm = item.parcel?.[id] ?? null;
      return mm === null ? null : lengthValue(mm, units);
    },
    read: (said, item) => {
      const length = tableLength(said, units);
      if (!length.ok) return length;
      const before = item.parcel ?? { lengthMm: null, widthMm: null, heightMm: null };
      const mm = Math.max(1, Math.round(length.value));
      return mm > 10_000
        ? { ok: false, why: { code: 'lengthTooLong', params: { mostMm: 10_000 } } }
        : { ok: true, part: { parcel: { ...before, [id]: mm } } };
    },
  };
}

/** A name of something kept elsewhere. */
function named(
  id: 'haul' | 'owner',
  label: string,
  of: (row: StockRow) => Value,
  read: NonNullable<StockColumn['read']>,
): StockColumn {
  return { id, label, sort: 'words', usual: id === 'haul', of, read };
}

function belongs(ways: TableWays): StockColumn[] {
  const { hauls, owners, groups } = ways;
  return [
    named(
      'haul',
      'Haul',
      ({ item }) => (item.haulId ? (hauls[item.haulId]?.name ?? null) : null),
      (said) => {
        const haul = Object.values(hauls).find((h) => sameWord(h.name, said));
        return haul ? { ok: true, part: { haulId: haul.id, lineId: null } } : cellNo('noSuchHaul');
      },
    ),
    {
      id: 'line',
      label: 'Bought as',
      sort: 'words',
      usual: false,
      of: ({ item }) =>
        (item.haulId && hauls[item.haulId]?.lines.find((l) => l.id === item.lineId)?.what) || null,
      read: (said, item) => {
        const lines = (item.haulId && hauls[item.haulId]?.lines) || [];
        const line = lines.find((l) => sameWord(l.what, said));
        return line ? { ok: true, part: { lineId: line.id } } : cellNo('noSuchLine');
      },
    },
    named(
      'owner',
      'Consignor',
      ({ item }) => (item.ownerId ? (owners[item.ownerId]?.name ?? null) : null),
      (said) => {
        const owner = Object.values(owners).find((o) => sameWord(o.name, said));
        return owner ? { ok: true, part: { ownerId: owner.id } } : cellNo('noSuchOwner');
      },
    ),
    words('spot', 'Spot'),
    words('taxCode', 'Tax code', false),
    {
      id: 'groups',
      label: 'Groups',
      sort: 'words',
      usual: false,
      of: ({ item }) => item.groupIds.map((g) => groupWords(groups, g)).join('; ') || null,
      read: (said) => {
        const ids = said
          .split(/[;\n]/u)
          .filter((name) => name.trim() !== '')
          .map(
            (name) =>
              Object.values(groups).find(
                (g) => sameWord(groupWords(groups, g.id), name) || sameWord(g.name, name),
              )?.id,
          );
        const known = ids.flatMap((id) => id ?? []);
        return known.length === ids.length
          ? { ok: true, part: { groupIds: [...new Set(known)] } }
          : cellNo('noSuchGroup');
      },
      clear: () => ({ groupIds: [] }),
    },
  ];
}

function condition(): StockColumn[] {
  return [
    {
      id: 'use',
      label: 'Use',
      sort: 'words',
      usual: true,
      of: ({ item }) => (item.use === null ? null : wordsForUse(item.use)),
      read: (said) => {
        const use = usedHow(said);
        return use
          ? { ok: true, part: { use } }
          : { ok: false, why: { code: 'notOneOf', params: { words: USES.map(wordsForUse) } } };
      },
      clear: () => ({ use: null }),
    },
    yesNo('looked', 'Looked over for flaws'),
    words('included', 'Comes with it', false),
    words('missing', 'Missing', false),
    oneOf(
      'tested',
      'Tried out',
      TESTED.map((t) => [t, t]),
    ),
    yesNo('cleaned', 'Cleaned'),
    yesNo('smoke', 'Home with smoke'),
    yesNo('pets', 'Home with pets'),
    words('conditionNote', 'More about its condition', false),
  ];
}

/** Words for how something was used. Common practice. */
const USE_WORDS: readonly [RegExp, (typeof USES)[number]][] = [
  [/^(?:new|brand new|new with tags|unused|never used|sealed|unworn|unread|unplayed|neu|neuf)$/u, 'unused'],
  [/^(?:as new|like new|near new|mint|near mint|tried|wie neu|comme neuf)$/u, 'tried'],
  [/^(?:very good|excellent|light|lightly used|lightly worn|sehr gut|très bon état)$/u, 'light'],
  [/^(?:good|fair|used|regular|worn|gut|gebraucht|bon état)$/u, 'regular'],
  [/^(?:poor|acceptable|hard|well used|well worn|heavily used|akzeptabel)$/u, 'hard'],
];

/** How something was used, in whichever words. */
function usedHow(said: string): (typeof USES)[number] | null {
  const plain = said.trim().toLocaleLowerCase('en');
  return (
    USES.find((use) => use === plain || wordsForUse(use) === plain) ??
    USE_WORDS.find(([pattern]) => pattern.test(plain))?.[1] ??
    null
  );
}

/** How long something may be given, whole days. */
const MOST_DAYS = 3_650;

function selling(ways: TableWays): StockColumn[] {
  return [
    amount('price', 'Price', ways),
    amount('cost', 'Cost', ways),
    {
      id: 'weight',
      label: `Weight packed, ${weightUnit(ways.units)}`,
      sort: 'weight',
      usual: true,
      of: ({ item }) => (item.weightG === null ? null : weightValue(item.weightG, ways.units)),
      read: (said) => {
        const weight = tableWeight(said, ways.units);
        return weight.ok ? { ok: true, part: { weightG: weight.value } } : weight;
      },
      clear: () => ({ weightG: null }),
    },
    side('lengthMm', 'Parcel length', ways),
    side('widthMm', 'Parcel width', ways),
    side('heightMm', 'Parcel height', ways),
    oneOf('postageBy', 'Postage', [
      ['apart', 'apart'],
      ['builtIn', 'in the price'],
    ]),
    yesNo('restockable', 'More can be had'),
    offer('acceptFrom', 'Offers taken from', ways),
    offer('refuseUnder', 'Offers refused under', ways),
    {
      id: 'moreDays',
      label: 'Days given on top',
      sort: 'figure',
      usual: false,
      of: ({ item }) => item.moreDays || null,
      read: (said) =>
        /^\d{1,4}$/u.test(said) && Number(said) <= MOST_DAYS
          ? { ok: true, part: { moreDays: Number(said) } }
          : { ok: false, why: { code: 'wholeUnread', params: { least: 0, most: MOST_DAYS } } },
    },
    {
      id: 'patientFrom',
      label: 'Patience counted from',
      sort: 'moment',
      usual: false,
      of: ({ item }) => (item.patientFrom === null ? null : { moment: ways.toLocal(item.patientFrom) }),
      read: (said) => {
        const at = ways.fromLocal(said);
        return at === null ? cellNo('dateUnread') : { ok: true, part: { patientFrom: at } };
      },
    },
  ];
}

/** What every item has, whatever its kind: what it is called, where it belongs, how it is kept and sold. */
export function ownColumns(ways: TableWays): { first: StockColumn[]; last: StockColumn[] } {
  const { kinds } = ways;
  const names = kinds.all.map((k) => k.name);
  return {
    first: [
      { id: 'code', label: 'Code', sort: 'words', usual: true, of: ({ item }) => item.code },
      {
        id: 'kind',
        label: 'Kind',
        sort: 'words',
        usual: true,
        of: ({ item }) => {
          const name = kinds.get(item.kind)?.name;
          // Of several kinds with one name only the id says which.
          if (!name || names.indexOf(name) !== names.lastIndexOf(name)) return item.kind || null;
          return name;
        },
        read: (said, item, now) => {
          const done = setTo('kind')(said, item, now);
          // What such items usually are is said by who takes one in; a table says it or does not.
          const isSaid = (id: string) => id in item.facts || id in item.parked.facts;
          const facts = Object.entries((done.ok && done.part.facts) || {}).filter(([id]) => isSaid(id));
          return done.ok ? { ok: true, part: { ...done.part, facts: Object.fromEntries(facts) } } : done;
        },
      },
      words('title', 'Title'),
      words('description', 'Description'),
    ],
    last: [...condition(), ...selling(ways), ...belongs(ways)],
  };
}

/** What the attic itself notes of an item: it goes out, and is never taken from a table. */
export function notedColumns(
  ways: TableWays,
  markets: readonly { id: string; name: string }[],
): StockColumn[] {
  return [
    {
      id: 'pictures',
      label: 'Pictures',
      sort: 'words',
      usual: false,
      of: ({ item }) => item.pictureIds.map((_, i) => pictureName(item.code, i)).join('; ') || null,
    },
    { id: 'sold', label: 'Sold', sort: 'figure', usual: true, of: ({ sold }) => sold || null },
    ...markets.map(({ id, name }): StockColumn => ({
      id: `listing:${id}`,
      label: `Listing at ${name}`,
      sort: 'link',
      usual: true,
      of: ({ links }) => (links[id] ? { link: links[id] } : null),
    })),
    { id: 'author', label: 'Taken in by', sort: 'words', usual: false, of: ({ item }) => item.author },
    {
      id: 'createdAt',
      label: 'Taken in',
      sort: 'moment',
      usual: true,
      of: ({ item }) => ({ moment: ways.toLocal(item.createdAt) }),
    },
    {
      id: 'updatedAt',
      label: 'Changed last',
      sort: 'moment',
      usual: false,
      of: ({ item }) => ({ moment: ways.toLocal(item.updatedAt) }),
    },
  ];
}

/** What an item's picture is called among saved ones; places count from nought. */
export function pictureName(code: string, place: number): string {
  return `${code.replace(/[^\p{L}\p{N}._-]+/gu, '-')}-${place + 1}.jpg`;
}
