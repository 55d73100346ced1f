import '@/contract/noEval';

import { expose } from 'comlink';

import type { Mapping } from '@/contract/mapping';
import {
  planId,
  type OwnKind,
  type OwnSpecific,
  type Pattern,
  type Picture,
  type Plan,
  type Settings,
  type Item,
} from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { Stencil } from '@/contract/stencil';
import type { Terms } from '@/contract/terms';
import { treeWith } from '@/core/kinds/own';
import type { KindTree } from '@/core/kinds/tree';
import { cellOf, examineListing, type CellCheck, type Examined } from '@/core/listing/examine';
import { NO_OTHER_LISTINGS, type OtherListings } from '@/core/listing/otherListings';

/** What the page knows and the worker has to: everything at first, then what changed. */
export interface CheckNews {
  sheets?: RuleSheet[];
  settings?: Settings;
  kinds?: OwnKind[];
  specifics?: OwnSpecific[];
  mappings?: Mapping[];
  terms?: Terms[];
  stencils?: Stencil[];
  patterns?: Pattern[];
  beside?: OtherListings;
  /** By id; null: gone. */
  items?: [string, Item | null][];
  plans?: [string, Plan | null][];
  pictures?: [string, Picture | null][];
}

/** An item to look at, and the fingerprints of what is shown of it now, by marketplace. */
export interface CheckWish {
  id: string;
  prints: Record<string, string>;
}

const items = new Map<string, Item>();
const plans = new Map<string, Plan>();
const pictures = new Map<string, Picture>();
let sheets: RuleSheet[] = [];
let settings: Settings | null = null;
let mappings: Mapping[] = [];
let terms: Terms[] = [];
let stencils: Stencil[] = [];
let patterns: Record<string, Pattern> = {};
let beside: OtherListings = NO_OTHER_LISTINGS;
let own: { kinds: OwnKind[]; specifics: OwnSpecific[] } = { kinds: [], specifics: [] };
let tree: KindTree = treeWith([], []);

function put<T>(to: Map<string, T>, changes: [string, T | null][] = []): void {
  for (const [id, record] of changes)
    if (record === null) to.delete(id);
    else to.set(id, record);
}

export interface CheckWorker {
  take(news: CheckNews): void;
  /** The check of items on all marketplaces; those the worker does not know are left out. */
  check(wishes: readonly CheckWish[], now: number): [string, CellCheck[]][];
  /** One item as it is being worked on, on every sheet, in the sheets' order. */
  examine(one: OneItem, now: number): ExaminedThere[];
}

/** An item with all that is its own. */
export interface OneItem {
  item: Item;
  plans: Plan[];
  pictures: Picture[];
}

/** Without what the page has itself: copying a rule sheet at every keystroke would be the dearest part. */
export type ExaminedThere = Omit<Examined, 'sheet' | 'plan'> & { market: string };

const worker: CheckWorker = {
  take(news) {
    sheets = news.sheets ?? sheets;
    settings = news.settings ?? settings;
    mappings = news.mappings ?? mappings;
    terms = news.terms ?? terms;
    stencils = news.stencils ?? stencils;
    if (news.patterns) patterns = Object.fromEntries(news.patterns.map((p) => [p.id, p]));
    beside = news.beside ?? beside;
    if (news.kinds || news.specifics) {
      own = { kinds: news.kinds ?? own.kinds, specifics: news.specifics ?? own.specifics };
      tree = treeWith(own.kinds, own.specifics);
    }
    put(items, news.items);
    put(plans, news.plans);
    put(pictures, news.pictures);
  },
  check(wishes, now) {
    if (!settings) return [];
    const setup = { settings, mappings, terms, stencils, patterns, now };
    return wishes.flatMap(({ id, prints }): [string, CellCheck[]][] => {
      const item = items.get(id);
      if (!item) return [];
      const pictureOf = (p: string) => pictures.get(p);
      const cells = sheets.map((sheet) => {
        const plan = plans.get(planId(id, sheet.marketplace));
        const examined = examineListing(item, plan, sheet, pictureOf, tree, setup, beside);
        const rules = sheet.announced?.rules;
        const announced = rules
          ? // Records are not announced: they stay as they are.
            examineListing(item, plan, { ...rules, records: sheet.records }, pictureOf, tree, setup, beside)
          : null;
        return cellOf(examined, prints[sheet.marketplace] ?? null, announced);
      });
      return [[id, cells]];
    });
  },
  examine(one, now) {
    if (!settings) return [];
    const setup = { settings, mappings, terms, stencils, patterns, now };
    return sheets.map((sheet) => {
      const plan = one.plans.find((p) => p.market === sheet.marketplace);
      const pictureOf = (id: string) => one.pictures.find((p) => p.id === id);
      const {
        sheet: _,
        plan: __,
        ...rest
      } = examineListing(one.item, plan, sheet, pictureOf, tree, setup, beside);
      return { market: sheet.marketplace, ...rest };
    });
  },
};

expose(worker);
