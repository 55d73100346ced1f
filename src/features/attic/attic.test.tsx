import { act } from '@testing-library/react';

import { useAttic } from '@/store/attic/attic';
import { editHaul, workIn } from '@/store/items/hauls';
import { editItem } from '@/store/items/items';
import { listed, told } from '@/testing/courier';
import { canPress, fill, leave, open, press, said, scan, sees } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyItems } from '@/testing/world';

import { Copies } from './Copies';
import { Groups } from './Groups';
import { HaulPage } from './HaulPage';
import { Hauls } from './Hauls';
import { Owners } from './Owners';
import { Patterns } from './Patterns';
import { Setup } from './Setup';
import { Spots } from './Spots';

const state = () => useAttic.getState();
const names = (records: Readonly<Record<string, { name: string }>>) =>
  Object.values(records).map((r) => r.name);

describe('the set-up', () => {
  it('shows the next code as its parts are chosen, and reads a cost in letters', async () => {
    await emptyAttic();
    await open(Setup);
    await fill('Your name', 'Bas Wren');
    await press('Spot, last');
    await press('Separator: .');
    await press('Cost in letters');
    await fill('Cost code word', 'BACKGROUND');
    // 6.50: the sixth, the fifth and the tenth letter.
    await sees('.RGD.A3-12');
    await fill('Read a cost in letters', 'RGD');
    await sees('6.50');
    expect(state().settings.author).toBe('Bas Wren');
  });
  it('says when no barcode is to be asked about, and how prices end', async () => {
    await emptyAttic();
    await open(Setup);
    await press('Only when I ask');
    expect(state().settings.lookUp).toBe(false);
    await fill('Closing words', 'Handling time two days.');
    await press('Prices may end in 99');
    expect(state().settings.priceEndings).toContain(99);
    await press('Hauls');
    await press('Backup copy');
    expect(went).toEqual(['/hauls', '/copies']);
  });
});

describe('hauls', () => {
  it('begin with a name, and lead to their page', async () => {
    await emptyAttic();
    await open(Hauls);
    expect(canPress('Start this haul')).toBe(false);
    await fill('Name of a new haul', 'Church sale');
    await press('Start this haul');
    expect(names(state().hauls)).toEqual(['Church sale']);
  });
  it('keep what was in them, and what new items begin with', async () => {
    const many = await manyItems();
    await open(HaulPage, { params: { id: many.haul } });
    const haul = () => state().hauls[many.haul]!;
    await fill('Where from', 'Harbour car park');
    await fill('Day', '2026-02-31');
    await sees('A day, like 2026-11-08.');
    await fill('Day', '2026-11-01');
    await fill('What', 'A crate of tools');
    await fill('How many', '7');
    await press('Add this line');
    await press('Remove the line crates');
    expect(haul()).toMatchObject({
      source: 'Harbour car park',
      date: '2026-11-01',
      lines: [{ what: 'A crate of tools', count: 7 }],
    });
    await press('Mrs Aldous');
    await fill('Spot for new items', 'Shelf 9');
    expect(haul().defaults).toMatchObject({ ownerId: many.owner, spot: 'Shelf 9' });
    await press('Take items in from it');
    expect(went.at(-1)).toBe('/intake');
  });
  it('count what was bought, taken in, listed, sold and waits, line by line', async () => {
    const many = await manyItems();
    const one = many.id('Kittiwake');
    editHaul(many.haul, 'lines', {
      lines: [
        { id: 'l1', what: 'knitwear', count: 12, each: null },
        { id: 'l2', what: 'lamps', count: 2, each: null },
      ],
    });
    for (const t of Object.values(state().items))
      if (t.haulId === many.haul && t.id !== one) editItem(t.id, 'haul', { haulId: null });
    editItem(one, 'haul', { haulId: many.haul, lineId: null });
    told(one, { listings: [listed('brackenmoor', {})] });
    await open(HaulPage, { params: { id: many.haul } });
    await sees('14 bought · 1 taken in · 1 listed · 0 sold · 13 waiting');
    await sees('Of one taken in it is not said of which line');
    act(() => editItem(one, 'line', { lineId: 'l1' }));
    await sees('12 bought · 1 taken in · 1 listed · 0 sold · 11 waiting');
    expect(said()).not.toContain('it is not said of which line');
  });
  it('are put away when they are done, and offered no more until they are taken out again', async () => {
    const many = await manyItems();
    workIn(many.haul);
    await open(HaulPage, { params: { id: many.haul } });
    await press(/^Put it away/u);
    expect(state().settings.haulId).toBeNull();
    leave();
    await open(Hauls);
    expect(said()).not.toContain('Haul quayside');
    await press('Show 1 put away');
    await sees('Haul quayside');
    await open(HaulPage, { params: { id: many.haul } });
    await press('Take it out again');
    expect(state().hauls[many.haul]?.putAwayAt).toBeNull();
  });
});

describe('spots', () => {
  it('items are moved by scanning, and what is neither spot nor item moves nothing', async () => {
    const many = await manyItems();
    await open(Spots);
    await scan('Scan a spot, then items', 'Box 4');
    await sees('To Box 4');
    await scan('Scan a spot, then items', 'YA-1');
    await scan('Scan a spot, then items', 'who knows');
    await sees('“who knows” is neither a spot nor an item of this attic. Nothing was moved.');
    await scan('Scan a spot, then items', 'YA-2');
    await press('Not YA-2');
    await press(/^Move/u);
    expect(state().items[many.id('Kittiwake')]?.spot).toBe('Box 4');
    expect(state().items[many.id('Ostler')]?.spot).toBe('Rail-07');
  });
  it('say when there is more in them than fits', async () => {
    await manyItems();
    await open(Spots);
    await fill('Name of a new spot', 'Attic window');
    await press('Add this spot');
    expect(names(state().spots)).toContain('Attic window');
    await press('What is in A3-12');
    await sees('Kittiwake');
    await fill('How many fit in A3-12', '1');
    expect(Object.values(state().spots).find((s) => s.name === 'A3-12')?.capacity).toBe(1);
  });
});

it('groups lie below groups, are renamed, and go without their items', async () => {
  await manyItems();
  await open(Groups);
  await fill('Name of a new group', 'Winter fair');
  await press('Add this group');
  await press('Change the group Winter fair');
  await fill('Name of the group', 'Christmas fair');
  await fill('Name of a group below it', 'Table 3');
  await press('Add it below');
  expect(names(state().groups).sort()).toEqual(['Christmas fair', 'Table 3']);
  const inner = Object.values(state().groups).find((g) => g.name === 'Table 3');
  expect(state().groups[inner?.parent ?? '']?.name).toBe('Christmas fair');
});

it('a consignor’s agreement is put down tier by tier', async () => {
  const many = await manyItems();
  await open(Owners);
  const owner = () => state().owners[many.owner]!;
  await fill('Their share', '55');
  expect(owner().tiers).toMatchObject([{ shareBp: 5_500 }]);
  await fill('Their share', '155');
  await sees('From 0 to 100.');
  expect(owner().tiers).toMatchObject([{ shareBp: 5_500 }]);
  await press(/Another share below a price/u);
  expect(owner().tiers).toHaveLength(2);
  await press('Remove tier 1');
  await press('Before fees');
  await press('Given away');
  await fill('Days it is tried', '60');
  await fill('Lowest price', '12.00');
  expect(owner()).toMatchObject({ of: 'beforeFees', atEnd: 'given', days: 60, least: 1_200 });
  await fill('Name of a consignor', 'Mr Pell');
  await press('Add this consignor');
  expect(names(state().owners)).toContain('Mr Pell');
  await press('Statement for Mrs Aldous');
  expect(went.at(-1)).toBe(`/consignor?owner=${many.owner}`);
});

describe('patterns', () => {
  it('begin with a tone, show what they make of real items, and say what is a slip of the pen', async () => {
    await manyItems();
    await open(Patterns);
    await press(/^Begin with the tone/u);
    await fill('Name of the pattern', 'Short and plain');
    await fill('Text of the pattern', '{{brand}}, {{colour}}. {{misspelt}}');
    await sees('Line 1: Nothing is called “misspelt”. It stays empty.');
    await sees(/Of .* it makes:/u);
    const first = said();
    await press(/another|next/iu);
    expect(said()).not.toBe(first);
    await fill('Text of the pattern', '{{#flaws}} no end');
    await sees('“flaws” is opened with {{#flaws}} and never closed.');
    await press(/^For /u);
    await press('Remove the pattern Short and plain');
    expect(Object.keys(state().patterns)).toEqual([]);
  });
  it('take facts by a tap, and what was meant for what was typed', async () => {
    await manyItems();
    await open(Patterns);
    await press(/^Begin with the tone/u);
    await fill('Text of the pattern', 'Made by {{brnad}}');
    await sees('Line 1: Nothing is called “brnad”. Was “brand” meant?');
    await press('Write {{brand}}');
    const text = () => Object.values(state().patterns)[0]?.text ?? '';
    expect(text()).toBe('Made by {{brand}}');
    await press('Put a fact into Text of the pattern');
    await fill('Find a fact', 'colour');
    await press(/^Put in .*colour/iu);
    expect(text()).toMatch(/^Made by \{\{brand\}\}\{\{.*colour\}\}$/u);
    expect(said()).not.toContain('Nothing is called');
  });
  it('put pages together in an order of one’s own, seen at a phone’s width', async () => {
    await manyItems();
    await open(Patterns);
    await press('Put pages together');
    const page = () => document.querySelector('[aria-label="Preview at a phone’s width"]')?.textContent ?? '';
    const parts = () => state().settings.pageParts?.map((p) => p.part);
    expect(page()).toContain('The facts');
    await press('The facts further up');
    expect(parts()?.slice(0, 3)).toEqual(['heading', 'facts', 'story']);
    await press('Leave out: The facts');
    expect(page()).not.toContain('The facts');
    await press('Add: Words of your own');
    await fill('Words of your own', 'Made by {{brand}}.');
    expect(page()).toMatch(/Made by [A-Z]/u);
    await press('Descriptions alone again');
    expect(state().settings.pageParts).toBeNull();
  });
  it('stand in search engines’ words and saved answers, too', async () => {
    await manyItems();
    await open(Patterns);
    await fill('Title for search engines', '{{titel}} here');
    await press('Write {{title}}');
    expect(state().settings.shop.title).toBe('{{title}} here');
    await press('Change the answer Firm price');
    await fill('Text of the answer', 'No, {{buyer}}: ');
    await press('Put a fact into Text of the answer');
    await press('Put in price');
    const own = () => state().settings.savedAnswers;
    expect(own()).toMatchObject([{ id: 'lowest', name: 'Firm price', text: 'No, {{buyer}}: {{price}}' }]);
    // Taken away, the one to begin with is back.
    await press('Remove the answer Firm price');
    expect(own()).toEqual([]);
    expect(said()).toContain('Firm price');
  });
});

describe('a copy to keep', () => {
  it('that is none changes nothing, and says so', async () => {
    await manyItems();
    await open(Copies);
    const input = document.querySelector<HTMLInputElement>('input[type=file]');
    const file = new File(['not a copy'], 'copy.zip', { type: 'application/zip' });
    Object.defineProperty(input, 'files', { configurable: true, value: [file] });
    act(() => void input?.dispatchEvent(new Event('change', { bubbles: true })));
    await sees('This is no copy of an attic, or it was cut short. Nothing was changed.');
  });
});
