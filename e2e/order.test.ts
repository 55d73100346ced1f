import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { house } from './house';
import { openReady } from './listing';
import { jumpersReady } from './world';

const TITLES = ['Gansey of the attic stairs', 'Gansey of the cellar', 'Gansey of the yard'];
const at = house({ world: () => jumpersReady(TITLES) });

const toTheAttic = async (attic: Attic) => {
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
};

it('keeps groups of one’s own, one below the other, filled by hand and by a filter', async () => {
  const attic = await Attic.open(at, PHONE);
  await toTheAttic(attic);
  await attic.press('Groups');
  await attic.fill('Name of a new group', 'Winter');
  await attic.press('Add this group');
  await attic.press('Change the group Winter');
  await attic.fill('Name of a group below it', 'Fair in March');
  await attic.press('Add it below');
  await attic.page.waitForSelector('::-p-aria(Change the group Fair in March)');
  await attic.openThing(TITLES[0]!);
  await attic.press('In the group Winter › Fair in March');
  await attic.openThing(TITLES[2]!);
  await attic.fill('Price', '9');
  await attic.saved();

  await attic.go('Stock');
  await attic.press('More filters');
  await attic.fill('Price up to', '10');
  await attic.sees('1 thing');
  await attic.fill('Keep as a group named', 'Cheap ones');
  await attic.press('Keep these filters as a group');
  await attic.sees('Kept as the group Cheap ones.');
  await attic.press('Show everything again');
  await attic.sees('3 things');
  // The outer group holds what the inner one does.
  await attic.press('Group: Winter');
  await attic.sees('1 thing');
  await attic.sees(TITLES[0]!);
  await attic.press('Group: Cheap ones');
  await attic.sees(TITLES[2]!);
  await attic.seesNot(TITLES[0]!);

  // A group that goes takes nothing with it.
  await toTheAttic(attic);
  await attic.press('Groups');
  await attic.sees('1 thing · fills itself');
  await attic.press('Change the group Winter');
  await attic.press('Remove the group Winter: its things stay');
  await attic.seesNot('Winter\n');
  await attic.sees('Fair in March');
  await attic.press('Undo');
  await attic.page.waitForSelector('::-p-aria(Change the group Winter)');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('shows what the person wants on the sheet, in their order, and never hides what is required', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.page.goto(`${at.server.address}/kinds?at=jumper`);
  await attic.press('Change what shows on the sheet');
  await attic.press('Put Model away');
  await attic.press('Move Colour up');
  await attic.page.waitForSelector('::-p-aria(Put Brand away)[aria-disabled=true]');
  await attic.openThing(TITLES[1]!);
  const fields = () =>
    attic.page.$$eval('#sheet-kind input', (all) => all.map((e) => e.getAttribute('aria-label') ?? ''));
  const labels = await fields();
  expect(labels).not.toContain('Model');
  expect(labels).toContain('Brand');
  await attic.press('Say more: Model');
  await attic.fill('Model', 'gansey');
  await attic.saved();
  await attic.reload();
  // What is known is never out of sight.
  expect(await attic.value('Model')).toBe('gansey');
  await attic.page.close();
});

it('suggests a size elsewhere with its source, and takes it over by a tap', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openThing(TITLES[1]!);
  await attic.press('Counted in: Letters');
  await attic.sees('body girths of EN 13402-3');
  await attic.press('Elsewhere about: chest 94 to 102 cm');
  expect(await attic.value('Size elsewhere, about')).toBe('chest 94 to 102 cm');
  await attic.page.close();
});

it('sells a thing in choices: pieces counted, priced and coded; no marketplace is sent it as one piece', async () => {
  const attic = await Attic.open(at, WIDE);
  await openReady(attic, TITLES[1]!);
  await attic.press('Sell it in choices');
  await attic.fill('Choice 1', 'Piece');
  await attic.fill('To choose from 1', 'mug, plate, bowl, jug');
  await attic.press('Keep these choices');
  for (const piece of ['mug', 'plate', 'bowl', 'jug']) await attic.fill(`In stock: ${piece}`, '4');
  await attic.sees('16 in stock');
  await attic.fill('Price: jug', '61,50');
  await attic.sees('€48.00 to €61.50');
  await attic.sees('YA-0002/4');
  await attic.press('Pictures of jug');
  await attic.press('jug shown in picture 2');
  await attic.sees('1 picture');
  await attic.fill('To choose from 1', 'mug, jug');
  await attic.press('Keep these choices');
  await attic.sees('8 in stock');
  await attic.saved();
  await attic.reload();
  expect(await attic.value('Price: jug')).toBe('61.50');
  await attic.sees('Brackenmoor can’t be sent things in choices yet');
  await attic.press('One of a kind after all');
  await attic.seesNot('can’t be sent things in choices');
  await attic.press('Undo: choices taken away');
  await attic.sees('8 in stock');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
