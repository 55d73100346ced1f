import { act, fireEvent } from '@testing-library/react';

import { planId } from '@/contract/records';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { editPlan, editItem } from '@/store/items/items';
import { commandsIn, listed, sentDraftsOf, told } from '@/testing/courier';
import { canPress, field, fill, leave, open, press, said, sees, settled, unfold } from '@/testing/page';
import { went } from '@/testing/router';
import { manyItems, market, SHEETS, type Many } from '@/testing/world';

import { ItemSheet } from './ItemSheet';

let many: Many;
beforeEach(async () => {
  many = await manyItems();
});
const item = (title: string) => useAttic.getState().items[many.id(title)]!;
const plan = (title: string, where: string) => useAttic.getState().plans[planId(many.id(title), where)];

/** The sheet of an item, with all of it there. */
async function sheetOf(title: string, options: Parameters<typeof open>[1] = {}) {
  // Sections and what is in them: how they fold is told of below.
  setSettings({ sheetStarts: 'open' });
  const asked = await open(ItemSheet, { params: { id: many.id(title) }, ...options });
  await sees('Where is it best?');
  await settled(250);
  return asked;
}

describe('what it is and how it is', () => {
  it('a flaw is put down in words, changed, and goes', async () => {
    await sheetOf('Ostler');
    await press('Add a flaw');
    await fill('What is wrong', 'stain');
    await fill('Where on the item', 'left cuff');
    await press('Serious');
    await fill('Size of the flaw', '2');
    await press('Keep this flaw');
    expect(item('Ostler').flaws).toHaveLength(2);
    expect(item('Ostler').flaws[1]).toMatchObject({
      type: 'stain',
      place: 'left cuff',
      severity: 'serious',
    });
    await press(/^Remove flaw: .*stain/u);
    expect(item('Ostler').flaws).toHaveLength(1);
  });
  it('words, figures and spot are kept as typed; a slip is told of and not kept', async () => {
    await sheetOf('Ostler');
    await fill('Title', 'Ostler chore coat, waxed');
    await fill('Price', '79.50');
    await fill('Cost', 'abc');
    await sees(/digits only/u);
    await fill('Weight packed', '1700');
    await fill('Spot', 'Rail-08');
    expect(item('Ostler')).toMatchObject({
      title: 'Ostler chore coat, waxed',
      price: 7_950,
      cost: 900,
      weightG: 1_700,
      spot: 'Rail-08',
    });
  });
  it('a field that is emptied stays under the finger, whatever is asked of that kind', async () => {
    editItem(many.id('Ostler'), 'barcode', (t) => ({ facts: { ...t.facts, barcode: '2000000000015' } }));
    await sheetOf('Ostler');
    await fill('Barcode', '');
    await settled(250);
    expect(item('Ostler').facts.barcode).toBeUndefined();
    await fill('Barcode', '2000000000022');
    await settled(250);
    expect(item('Ostler').facts.barcode).toBe('2000000000022');
  });
  it('sold in variations, each piece has its stock', async () => {
    await sheetOf('Marrow');
    await press('Sell it in variations');
    await fill('Option 1', 'Size');
    await fill('Values 1', 'S, M, L');
    // Left half made, it is still there.
    leave();
    await sheetOf('Marrow');
    await press('Keep these variations');
    expect(item('Marrow').choices?.pieces.map((p) => p.values)).toEqual([['S'], ['M'], ['L']]);
    await fill('In stock: M', '3');
    expect(item('Marrow').choices?.pieces[1]?.stock).toBe(3);
    await fill('Hold back of each', '1');
    await fill('Shown at most', '2');
    expect(item('Marrow').choices).toMatchObject({ heldBack: 1, cap: 2 });
  });
  it('three of it, just alike: so many held back, so many shown, and one of a kind again', async () => {
    await sheetOf('Marrow');
    await press('Several of it');
    await fill('How many, with those sold', '3');
    await fill('Hold back', '1');
    await fill('Shown at most', '2');
    const { code } = item('Marrow');
    expect(item('Marrow').choices).toMatchObject({
      options: [],
      pieces: [{ stock: 3, code }],
      heldBack: 1,
      cap: 2,
    });
    await sees('3 in stock');
    await sees('Counted down on Brackenmoor. One at a time on Threadwick');
    await fill('How many, with those sold', 'three');
    await sees('A whole number from 0 to 100000.');
    leave();
    await sheetOf('Marrow');
    // It may become variations, and takes what is known of it along.
    await press('Sell it in variations');
    await fill('Option 1', 'Size');
    await fill('Values 1', 'S, M');
    await press('Keep these variations');
    expect(item('Marrow').choices?.pieces.map((p) => [p.code, p.stock])).toEqual([
      [code, 3],
      [`${code}/1`, 1],
    ]);
    await press('One of a kind after all');
    expect(item('Marrow').choices).toBeNull();
  });
  it('belongs to a haul and an owner, one press each', async () => {
    await sheetOf('Ostler');
    await press('Change haul or owner');
    await press('Mrs Aldous');
    expect(item('Ostler').ownerId).toBe(many.owner);
    await press('Haul fennick');
    expect(item('Ostler').haulId).toBe('haul-1');
  });
});

describe('on a marketplace', () => {
  it('its own words and price stand beside the shared ones until they are given back', async () => {
    await sheetOf('Marrow');
    await unfold('Brackenmoor, all of it');
    await press('Own price on Brackenmoor');
    await fill('Price on Brackenmoor', '41.00');
    expect(plan('Marrow', 'brackenmoor')?.price).toBe(4_100);
    await sees('€36.00');
    await press('Own title on Brackenmoor');
    expect((await field('Title on Brackenmoor')).value.length).toBeGreaterThan(5);
    await press('Own description on Brackenmoor');
    await press(/^Give back own price on Brackenmoor/u);
    expect(plan('Marrow', 'brackenmoor')?.price).toBeNull();
  });
  it('more of it is put away until asked for: fields, tags, terms, paid places, when', async () => {
    await sheetOf('Marrow');
    await press('List it on Oldhollow');
    expect(plan('Marrow', 'oldhollow')?.wanted).toBe(true);
    await unfold('Oldhollow, all of it');
    await press('How it is sold on Oldhollow');
    await press('Auction');
    await fill('Opens at', '15.00');
    await fill('Runs for days', '5');
    await fill('Outright for', '45.00');
    await fill('Relist, times', '2');
    expect(plan('Marrow', 'oldhollow')?.auction).toMatchObject({
      opening: 1_500,
      days: 5,
      outright: 4_500,
      again: 2,
    });
    await press('At a price');
    expect(plan('Marrow', 'oldhollow')?.auction).toBeNull();
    await unfold('Brackenmoor, all of it');
    await press('Fields on Brackenmoor');
    const cloth = 'Material there, Brackenmoor';
    const chip = (name: string) =>
      act(() =>
        [...document.querySelectorAll<HTMLElement>(`[aria-label="${cloth}"] [role=checkbox]`)]
          .find((e) => e.textContent === name)!
          .click(),
      );
    chip('Wool');
    await settled();
    await fill(`${cloth}: of your own`, 'Possum, nettle');
    chip('Silk');
    await settled();
    expect(plan('Marrow', 'brackenmoor')?.specifics.material).toBe('Wool | Possum | Silk');
    chip('Wool');
    await settled();
    expect(plan('Marrow', 'brackenmoor')?.specifics.material).toBe('Possum | Silk');
    await press('Search words on Brackenmoor');
    await fill('Search words on Brackenmoor', 'fisher, winter');
    expect(plan('Marrow', 'brackenmoor')?.tags).toEqual(['fisher', 'winter']);
    await press('Fields on Brackenmoor');
    await press('When on Brackenmoor');
    const times = document.querySelector('[aria-label="When it is sent to Brackenmoor"]');
    expect(times?.querySelectorAll('[role=radio]').length).toBeGreaterThan(2);
    await press('Pictures on Brackenmoor');
    await press(/^Leave out on Brackenmoor/u);
    expect(plan('Marrow', 'brackenmoor')?.pictureIds).toHaveLength(item('Marrow').pictureIds.length - 1);
    await press(/^Send to Brackenmoor too/u);
    await press(/^Earlier on Brackenmoor/u);
    await press('Give back own pictures on Brackenmoor');
    expect(plan('Marrow', 'brackenmoor')?.pictureIds).toBeNull();
  });
  it('two parts written one right after the other are both kept, unchecked in between', async () => {
    await sheetOf('Marrow');
    await press('List it on Oldhollow');
    await unfold('Oldhollow, all of it');
    await press('How it is sold on Oldhollow');
    await press('Auction');
    const days = await field('Runs for days');
    const again = await field('Relist, times');
    act(() => {
      for (const [there, value] of [
        [days, '5'],
        [again, '2'],
      ] as const) {
        there.focus();
        fireEvent.change(there, { target: { value } });
        there.blur();
      }
    });
    await settled();
    expect(plan('Marrow', 'oldhollow')?.auction).toMatchObject({ days: 5, again: 2 });
  });
  it('says what the marketplace said, what waits, and what keeps it from going', async () => {
    told(many.id('Marrow'), {
      listings: [
        listed('brackenmoor', {
          state: 'refused',
          want: 'gone',
          reasons: [{ field: 'description', message: 'It has an address in it.' }],
        }),
        listed('threadwick', {
          state: 'onItsWay',
          doing: 'publish',
          tries: 3,
          trouble: 'It did not answer.',
        }),
      ],
    });
    useCourier.setState({
      markets: SHEETS.map((s) => market(s, s.marketplace === 'brackenmoor' ? { link: 'paused' } : {})),
    });
    await sheetOf('Marrow');
    await unfold('Brackenmoor, all of it');
    await unfold('Threadwick, all of it');
    await sees('Brackenmoor says: It has an address in it.');
    await sees('It did not answer. The courier keeps trying.');
    await sees('Brackenmoor is paused: what you send waits until you go on.');
    await sees('Threadwick asks for size.');
  });
  it('what differs from what is shown is said; it is withdrawn with one press', async () => {
    const id = many.id('Kittiwake');
    const asked = await sheetOf('Kittiwake', {
      answers: { '/drafts/': () => sentDraftsOf(id, { price: 5_100 }) },
    });
    await unfold('Brackenmoor, all of it');
    await sees('Changed here since: what would change there is shown below.');
    await sees('€51.00 → €48.00');
    expect(commandsIn(asked)).toEqual([]);
    await press('Withdraw it from Brackenmoor');
    expect(commandsIn(asked)).toEqual([
      { type: 'withdraw', item: many.id('Kittiwake'), market: 'brackenmoor' },
    ]);
  });
  it('where it is up already nothing goes before old and new were seen', async () => {
    await sheetOf('Kittiwake', { answers: { '/drafts/': () => ({ refused: 'Not now.', status: 503 }) } });
    await sees('What is shown there could not be read: Not now.');
    expect(canPress('Change it on Brackenmoor')).toBe(false);
  });
  it('what it does not go to is named, with why; it can go to one alone', async () => {
    const id = many.id('Blue');
    editItem(id, 'price', { price: 3_200 });
    for (const where of ['brackenmoor', 'lanternyard', 'threadwick', 'nearstile'])
      editPlan(id, where, 'planned', { wanted: true });
    await sheetOf('Blue');
    await sees(/Send to \d of \d/u);
    await sees(/Not to (?:Threadwick|Nearstile): /u);
    await unfold('Lanternyard, all of it');
    expect(canPress('Send only to Lanternyard')).toBe(true);
  });
});

it('a second category is another than the first', async () => {
  await sheetOf('Kittiwake');
  await unfold('Brackenmoor, all of it');
  await press('Paid places on Brackenmoor');
  await press('Second category on Brackenmoor');
  await fill('Find a category on Brackenmoor', 'wear.');
  const offered = () =>
    [...document.querySelectorAll('[role=radio]')].map((e) => e.getAttribute('aria-label') ?? '');
  expect(offered()).toContain('To wear › Shirts and tops');
  expect(offered()).not.toContain('To wear › Knitwear');
});

describe('another like it', () => {
  it('takes along what is chosen, the same way next time, and pictures only when asked', async () => {
    await sheetOf('Kittiwake');
    await press('Another like this');
    await press('What it cost');
    await press('Where it is to be listed');
    await press('Make it');
    const newest = () =>
      Object.values(useAttic.getState().items).sort((a, b) => b.createdAt - a.createdAt)[0];
    const like = item('Kittiwake');
    expect(newest()).toMatchObject({ title: like.title, facts: like.facts, cost: null, pictureIds: [] });
    const wanted = (id: string | undefined) =>
      Object.values(useAttic.getState().plans).filter((p) => p.itemId === id && p.wanted).length;
    expect(wanted(newest()?.id)).toBe(wanted(like.id));
    expect(went.at(-1)).toBe(`/item/${newest()?.id}`);
    const { likeParts } = useAttic.getState().settings;
    expect([likeParts.includes('cost'), likeParts.includes('wanted')]).toEqual([false, true]);
  });
});

describe('at a glance', () => {
  it('a whole item folds to a line a section, and opens with a press; new ones begin open', async () => {
    setSettings({ sheetStarts: null });
    await open(ItemSheet, { params: { id: many.id('Kittiwake') } });
    await sees('Plainly worn · 1 flaw');
    expect(said()).not.toContain('Pit to pit');
    await press('Measurements');
    await field('Pit to pit');
    await press('Open all sections');
    await field('Weight packed');
    expect(useAttic.getState().settings.sheetStarts).toBe('open');
  });
  it('what is missing stands on top, and a press leads to it', async () => {
    setSettings({ sheetStarts: null });
    await open(ItemSheet, { params: { id: many.id('Marrow') } });
    const missing = document.querySelector('[aria-label="What is missing"]');
    expect(missing?.textContent).toContain('asks for size');
    expect(missing?.textContent).toContain('Brackenmoor and Threadwick');
    await press('Kind and specifics');
    expect(said()).not.toContain('Size system');
    await press(/^Put right: .*size/u);
    await sees('Size system');
  });
  it('each marketplace in a line: listed or not, its price and why, what it leaves, its number', async () => {
    told(many.id('Kittiwake'), { listings: [listed('brackenmoor', { remoteId: 'BM-77', price: 5_100 })] });
    setSettings({ sheetStarts: null });
    await open(ItemSheet, { params: { id: many.id('Kittiwake') } });
    await press('All its marketplaces at a glance');
    await sees('€48.00 (shown: €51.00)');
    await press('Brackenmoor at a glance');
    await sees('the shared price');
    await sees('BM-77');
    await press('Listed on Oldhollow');
    expect(plan('Kittiwake', 'oldhollow')?.wanted).toBe(true);
    // What is up comes down only after a second press.
    await press('Listed on Brackenmoor');
    expect(canPress('Take it down from Brackenmoor')).toBe(true);
  });
  it('as a table at the desk', async () => {
    await open(ItemSheet, { params: { id: many.id('Kittiwake') }, wide: true });
    const heads = [...document.querySelectorAll('[role=columnheader]')].map((e) => e.textContent);
    expect(heads).toEqual(
      'Marketplace Listed Price Why Left State Number_there Compared Fees Leaves'
        .split(' ')
        .map((w) => w.replace('_', ' ')),
    );
    await press('To Oldhollow, all of it');
    await sees('It is not planned here');
  });
  it('leads to a card of a section that is folded, too', async () => {
    await open(ItemSheet, { params: { id: many.id('Kittiwake') }, wide: true });
    await press('Marketplaces');
    expect(said()).not.toContain('Where is it best?');
    await press('To Oldhollow, all of it');
    await sees('It is not planned here');
  });
});

describe('what differs on a marketplace', () => {
  it('stands beside what it stands for, and is given back there: tags, fields, terms, pictures', async () => {
    const id = many.id('Kittiwake');
    const { pictureIds } = item('Kittiwake');
    editPlan(id, 'brackenmoor', 'own', {
      wanted: true,
      category: null,
      specifics: { colour: 'Midnight' },
      pictureIds: pictureIds.slice(0, 2),
    });
    editPlan(id, 'oldhollow', 'own', { wanted: true, tags: ['gansey', 'fisher'] });
    await sheetOf('Kittiwake');
    await unfold('Brackenmoor, all of it');
    const own = () => document.querySelector('[aria-label="Own on Brackenmoor"]')?.textContent ?? '';
    expect(own()).toMatch(/Main colour Midnight.*instead of Blue/u);
    expect(own()).toContain('2 pictures in an order of its own');
    await press('Give back own pictures on Brackenmoor');
    await press('Give back own main colour on Brackenmoor');
    expect(plan('Kittiwake', 'brackenmoor')).toMatchObject({ specifics: {}, pictureIds: null });
    expect(own()).toBe('');
    await unfold('Oldhollow, all of it');
    await sees('gansey, fisher');
    await press('Give back own tags on Oldhollow');
    expect(plan('Kittiwake', 'oldhollow')?.tags).toBeNull();
  });
  it('pieces may cost something else there, and others are shown of them', async () => {
    await sheetOf('Marrow');
    await press('Sell it in variations');
    await fill('Option 1', 'Size');
    await fill('Values 1', 'S, M');
    await press('Keep these variations');
    await unfold('Brackenmoor, all of it');
    await press('Pieces on Brackenmoor');
    await fill('Price of M on Brackenmoor', '40.00');
    await fill('Hold back on Brackenmoor', '1');
    const [, m] = item('Marrow').choices!.pieces;
    expect(plan('Marrow', 'brackenmoor')?.pieces).toMatchObject({
      prices: { [m!.code]: 4_000 },
      heldBack: 1,
    });
    await sees(/M \(.*\) €40\.00/u);
    await press('Give back own pieces on Brackenmoor');
    expect(plan('Marrow', 'brackenmoor')?.pieces).toBeNull();
  });
});

it('an item that is removed leaves a page that says where to go; one that is listed can’t be', async () => {
  await sheetOf('Kittiwake');
  await sees('Listed: withdraw it before removing it');
  await sheetOf('Marrow');
  await press('Remove it from the attic');
  await sees('It is not in this attic');
});
