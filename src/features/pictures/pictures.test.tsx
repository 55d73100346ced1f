import { fireEvent, render, screen, within } from '@testing-library/react';

import { Picture, Item } from '@/contract/records';
import { BUILT_IN } from '@/core/kinds/tree';
import { shotList } from '@/core/picture/shots';
import { change, openAttic, useAttic } from '@/store/attic/attic';
import { addItem, editItem } from '@/store/items/items';
import { addReadings } from '@/store/pictures/readings';
import { EXAM } from '@/testing/exam';

import { AboutPicture } from './AboutPicture';
import { FindingLine } from './FindingLine';
import { Readings } from './Readings';
import { currentShot, ShotList } from './ShotList';

let n = 0;
let id = '';
const item = () => useAttic.getState().items[id]!;

beforeEach(async () => {
  await openAttic(`pictures-ui-${(n += 1)}`);
  id = addItem();
  editItem(id, 'kind', { kind: 'jumper' });
});

const aPicture = (part: Partial<Picture> = {}) => {
  const record = Picture.parse({
    id: 'p1',
    itemId: id,
    origin: 'file',
    author: 'Bas',
    addedAt: 1,
    width: 1600,
    height: 1600,
    bytes: 9,
    exam: EXAM,
    ...part,
  });
  change('picture', [
    { collection: 'pictures', id: 'p1', record },
    { collection: 'items', id, record: { ...item(), pictureIds: ['p1'] } },
  ]);
  return record;
};

function List({ of }: { of: Item }) {
  const shots = shotList(of, [], BUILT_IN);
  return <ShotList item={of} shots={shots} current={currentShot(shots, null)} onChoose={() => undefined} />;
}

it('says what to take now, and skips it', () => {
  const { rerender } = render(<List of={item()} />);
  expect(screen.getByText('Now: Front')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Skip: Front' }));
  rerender(<List of={item()} />);
  expect(screen.getByText('Now: Back')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Front: skipped' })).toBeTruthy();
});

it('says when the list is done', () => {
  editItem(id, 'skip', { skippedShots: shotList(item(), [], BUILT_IN).map((s) => s.id) });
  render(<List of={item()} />);
  expect(screen.getByText('Everything on the list is taken')).toBeTruthy();
  expect(screen.queryByText('Skip')).toBeNull();
});

it('keeps to one line under a picture, and tells the rest with its numbers on a tap', () => {
  const picture = aPicture();
  render(<FindingLine item={item()} picture={picture} />);
  expect(screen.getByText('Blurred: hold still and take it again.')).toBeTruthy();
  expect(screen.queryByText(/Background not plain/u)).toBeNull();
  fireEvent.click(screen.getByRole('button'));
  expect(screen.getByText(/Background not plain/u)).toBeTruthy();
  expect(screen.getByText('edges 3.1 px wide')).toBeTruthy();
});

it('calls a picture fine only once it was looked at and compared with the others', async () => {
  const { rerender } = render(<FindingLine item={item()} picture={aPicture({ exam: null })} />);
  expect(screen.getByText('Not looked at yet.')).toBeTruthy();
  const exam = { ...EXAM, blur: 1, grounds: 1, sure: 0.98, falloff: 1 };
  rerender(<FindingLine item={item()} picture={aPicture({ exam })} />);
  expect(screen.getByText('Comparing it with your other pictures …')).toBeTruthy();
  expect(await screen.findByText('Nothing to put right.')).toBeTruthy();
});

it('marks somebody else’s picture as not sent, until the person says they may', () => {
  const picture = aPicture();
  const { rerender } = render(<AboutPicture item={item()} picture={picture} />);
  fireEvent.click(screen.getByRole('button', { name: 'About this picture' }));
  fireEvent.click(screen.getByRole('radio', { name: 'A stock picture' }));
  const now = () => useAttic.getState().pictures.p1!;
  rerender(<AboutPicture item={item()} picture={now()} />);
  expect(screen.getByText(/not sent/u)).toBeTruthy();
  fireEvent.click(screen.getByRole('checkbox'));
  rerender(<AboutPicture item={item()} picture={now()} />);
  expect(screen.getByText(/sent all the same/u)).toBeTruthy();
  // Own again: the leave is forgotten with it.
  fireEvent.click(screen.getByRole('radio', { name: 'My own file' }));
  expect(now()).toMatchObject({ origin: 'file', sendAnyway: false });
});

describe('readings', () => {
  const read = (field: string, value: string) =>
    addReadings(id, null, [{ field, value, words: value, box: [0, 0, 1, 1], confidence: 80 }]);
  const show = () => render(<Readings itemId={item().id} />);

  it('count for nothing before a person says they are right', () => {
    read('fact:size', 'M');
    read('measure:chest', '540');
    expect(item().facts.size).toBeUndefined();
    const { rerender } = show();
    fireEvent.click(screen.getByRole('button', { name: 'Right: Size on the label M' }));
    rerender(<Readings itemId={item().id} />);
    fireEvent.click(screen.getByRole('button', { name: 'Right: Pit to pit 54 cm' }));
    expect(item()).toMatchObject({ facts: { size: 'M' }, measurements: { chest: 540 }, readings: [] });
  });
  it('are confirmed one by one where they are doubtful, with why', () => {
    addReadings(id, null, [
      { field: 'fact:size', value: 'M', words: 'M', box: [0, 0, 1, 1], confidence: 80 },
      { field: 'weight', value: '540', words: '540 g', box: [0, 0, 1, 1], confidence: 80 },
      {
        field: 'measure:chest',
        value: '240',
        words: '24',
        box: [0, 0, 1, 1],
        confidence: 80,
        doubt: 'unusual',
      },
    ]);
    show();
    expect(screen.getByText(/unusual for such a thing/u)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Right: all of it' }));
    expect(item()).toMatchObject({ facts: { size: 'M' }, weightG: 540, measurements: {} });
    expect(item().readings).toHaveLength(1);
  });
  it('of two colours are one answer; in odd light it is asked by itself', () => {
    addReadings(id, null, [
      {
        field: 'fact:colour',
        value: 'Navy and cream',
        words: 'its colour',
        box: [0, 0, 1, 1],
        confidence: 60,
        doubt: 'light',
      },
    ]);
    show();
    expect(screen.getByText(/the light may have coloured it/u)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Right: Colour Navy and cream' }));
    expect(item().facts.colour).toBe('Navy and cream');
  });
  it('of flaws are several, each with its place', () => {
    read('flaw', 'small hole at the cuff');
    read('flaw', 'stain on the hem');
    show();
    fireEvent.click(screen.getByRole('button', { name: 'Right: Flaw small hole at the cuff' }));
    expect(item().flaws).toMatchObject([{ type: 'small hole', place: 'cuff', severity: 'slight' }]);
    expect(item().readings).toMatchObject([{ value: 'stain on the hem' }]);
  });
  it('are dropped with one press, and say what they would replace', () => {
    editItem(id, 'size', { facts: { size: 'L' } });
    read('fact:size', 'M');
    show();
    const group = screen.getByRole('group', { name: /to be confirmed/u });
    expect(within(group).getByText('Size on the label, instead of L')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Drop: Size on the label M' }));
    expect(item()).toMatchObject({ facts: { size: 'L' }, readings: [] });
  });
  it('are not asked twice, nor for what is known already', () => {
    editItem(id, 'brand', { facts: { brand: 'kittiwake mills' } });
    expect(read('fact:brand', 'Kittiwake Mills')).toBe(0);
    expect(read('fact:size', 'M')).toBe(1);
    expect(read('fact:size', 'M')).toBe(0);
    expect(read('fact:size', 'S')).toBe(1);
    const first = item().readings[0]!;
    show();
    fireEvent.click(screen.getByRole('button', { name: 'Right: Size on the label M' }));
    // Confirming one answers the question: its rivals go with it.
    expect(item().readings).toEqual([]);
    expect(first.pictureId).toBeNull();
  });
});
