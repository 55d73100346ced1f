import { Attic } from './attic';
import { PHONE } from './browser';
import { itemPicture, labelPicture } from './pictures';
import { startTestServer } from './testServer';

const at = startTestServer();
const PLANE = 'Vantrell No. 4 smoothing plane, hardwood handles';
const SHOWN = 'The picture that was looked for';

it('on the stall: photographed, it says what it is, would bring, and may cost at most', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Sourcing');
  attic.taps = 0;
  // Boots, photographed anew: another floor, light and turn than any picture the desk has.
  await attic.choose([await itemPicture('boots', 4_243)], 'Photograph it');
  await attic.waitFor(`img[alt="${SHOWN}"]`);
  await attic.sees('Pay at most');
  await attic.sees(/It would sell for about €\d/u);
  await attic.holds('What is it', /boots/iu);
  // With pictures of what sold, each from the desk.
  await attic.waitFor('[role=listitem] img');
  // One to open the camera; pressing its release is the phone’s own.
  expect(attic.taps).toBe(1);
  const before = /about (€[\d.,]+)/u.exec(await attic.text())?.[1];
  await attic.press('What would it bring?');
  await attic.seesNot('Asking the marketplaces…');
  // What the marketplaces say now counts beside what looks like it.
  expect(/about (€[\d.,]+)/u.exec(await attic.text())?.[1]).toBeDefined();
  expect(before).toBeDefined();

  // A care label is like nothing that was ever sold.
  await attic.choose([await labelPicture('care.jpg', ['100 % WOOL', 'SIZE M'])], 'Photograph another');
  await attic.sees('Nothing like it was sold before');
});

it('from intake: kind, words and maker wait to be confirmed, prices are look-alikes', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.choose([await itemPicture('handPlane', 9)]);
  await attic.sees('Saved, 1 picture');
  await attic.looked();
  await attic.press('What is it? Look for its like');
  await attic.sees('% alike');
  await attic.press('Plane', '[aria-label="What it may be"]');
  await attic.press('4 prices to the comparables');
  await attic.sees('marked as look-alikes');
  await attic.press(`Take what is said of ${PLANE}`);
  await attic.sees('to be confirmed');
  await attic.press('Fill in its sheet');
  await attic.sees('found by the picture');
  await attic.sees('said of what looks like it');
});

it('a bad day of the desk is told, and nothing is lost by it', async () => {
  const attic = await Attic.open(at, PHONE);
  await fetch(`${at.server.address}/outside/twinpane/switchboard`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ outageMinutes: 1 }),
  });
  await attic.openItem('YA-0001');
  await attic.press('What is it? Look for its like');
  await attic.sees('The likeness desk:');
  await attic.sees('Nothing else was changed.');
  await attic.sees('found by the picture');
});
