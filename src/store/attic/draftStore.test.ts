import 'fake-indexeddb/auto';

import { waitFor } from '@/testing/patience';

import { Disk } from './disk';
import { DraftStore, useDrafts } from './draftStore';

/** What the next page finds: nothing of this one is left but what was stored or noted. */
async function nextPage(name: string): Promise<Readonly<Record<string, unknown>>> {
  useDrafts.setState({}, true);
  await new DraftStore(new Disk(name), name).open();
  return useDrafts.getState();
}

it('a press just before the page is gone is kept, though the disk was too slow', async () => {
  const disk = new Disk('gone');
  const drafts = new DraftStore(disk, 'gone');
  await drafts.open();
  drafts.set('form', ['one']);
  await drafts.store();
  drafts.set('form', ['one', 'two']);
  // A page that is gone writes no more.
  jest.spyOn(disk, 'write').mockReturnValue(new Promise<never>(() => undefined));
  drafts.leave();
  expect(await nextPage('gone')).toEqual({ form: ['one', 'two'] });
  // It is on the disk then, and noted no more.
  expect(await nextPage('gone')).toEqual({ form: ['one', 'two'] });
  expect(localStorage.getItem('draft:left:gone')).toBeNull();
});

it('what was given up just before does not come back', async () => {
  const disk = new Disk('given up');
  const drafts = new DraftStore(disk, 'given up');
  await drafts.open();
  drafts.set('form', 'typed');
  await drafts.store();
  drafts.set('form', undefined);
  jest.spyOn(disk, 'remove').mockReturnValue(new Promise<never>(() => undefined));
  drafts.leave();
  expect(await nextPage('given up')).toEqual({});
});

it('a page only looked away from leaves no note; a note that is none counts for nothing', async () => {
  const drafts = new DraftStore(new Disk('away'), 'away');
  await drafts.open();
  drafts.set('form', 'typed');
  drafts.leave();
  await drafts.store();
  await waitFor(() => expect(localStorage.getItem('draft:left:away')).toBeNull());
  expect(await nextPage('away')).toEqual({ form: 'typed' });
  localStorage.setItem('draft:left:away', '{"form":7');
  expect(await nextPage('away')).toEqual({ form: 'typed' });
});
