import { enforceAnnounced, NO_FAULTS, setSwitches, type Switches } from './faults';
import { sheetToday } from './service';

const HOUR = 3_600_000;
const sheet = {
  photos: { min: 1, max: 12 },
  categories: [
    { leaf: true, specifics: [{ id: 'size' }] },
    { leaf: false, specifics: [] },
  ],
};
const origin = (s: { categories: readonly { specifics: readonly object[] }[] }) =>
  s.categories.map((c) => c.specifics.length);

describe('rules that are announced', () => {
  let switches: Switches;
  beforeEach(() => {
    switches = { ...NO_FAULTS };
    setSwitches(switches, { asksOrigin: true, fewerPictures: true, rulesInHours: 48 });
  });

  it('are told of beside those of today, which are as they were', () => {
    const today = sheetToday(sheet, switches);
    expect([today.photos.max, origin(today)]).toEqual([12, [1, 0]]);
    expect([today.announced?.rules.photos.max, origin(today.announced?.rules ?? sheet)]).toEqual([6, [2, 0]]);
    expect(today.announced?.from).toBeGreaterThan(Date.now() + 47 * HOUR);
    // Whoever keeps the sheet reads it again, now and when they hold.
    expect(today.version).toBe(NO_FAULTS.rulesVersion + 1);
    expect(today.announced?.rules.version).toBe(today.version + 1);
  });

  it('hold from their moment on', () => {
    const from = switches.announced?.from ?? 0;
    enforceAnnounced(switches, from - 1);
    expect(sheetToday(sheet, switches).photos.max).toBe(12);
    enforceAnnounced(switches, from);
    const then = sheetToday(sheet, switches);
    expect([then.photos.max, origin(then), then.announced]).toEqual([6, [2, 0], undefined]);
  });

  it('are taken back by setting them to hold at once', () => {
    setSwitches(switches, { rulesInHours: 0, asksOrigin: false, fewerPictures: false });
    expect(sheetToday(sheet, switches)).toMatchObject({ photos: { max: 12 } });
    expect(sheetToday(sheet, switches).announced).toBeUndefined();
  });
});
