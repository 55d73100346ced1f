import fc from 'fast-check';

import { Picture } from '@/contract/picture';
import { Item } from '@/contract/records';

import { clipFor, picturesFor } from './chosen';
import { blankClipNotes, clipType } from './clipPrivacy';
import { tooLarge } from './fileType';
import { judge, turnedWrong } from './judge';
import { nextShot, shotList } from './shots';
import { seenOf, TwinFinder } from './twins';
import { BUILT_IN } from '../kinds/tree';
import { bytesForItems, COUNTED_ON, PICTURE_BYTES, roomLeft } from '../storage/room';

const EXAM = {
  blur: 0.9,
  laplacian: 90,
  light: 0.86,
  bright: 0.9,
  deep: 0.2,
  blown: 0,
  black: 0,
  grounds: 1.4,
  falloff: 3,
  sure: 0.98,
  box: [0.1, 0.1, 0.8, 0.8] as [number, number, number, number],
  area: 0.4,
  cutOff: [],
  writing: 0,
  outline: {
    rows: [0.4, 0.8],
    columns: [0.4, 0.8],
    rowPieces: [1, 1, 1, 1, 2, 3, 3, 1],
    columnPieces: [1, 1, 1, 1, 1, 1, 1, 1],
  },
  tones: [],
  outlined: true,
  sheet: false,
  ground: null,
  print: '',
};
const picture = (id: string, part: Partial<Picture> = {}) =>
  Picture.parse({
    id,
    itemId: 't',
    origin: 'camera',
    author: 'me',
    addedAt: 0,
    width: 1_600,
    height: 1_600,
    bytes: 9,
    exam: EXAM,
    ...part,
  });
const MADE = { from: 'a', lines: [], plane: null, figures: {} };

describe('which pictures go to a marketplace', () => {
  const ids = (all: Picture[], max: number, shownAtOnce: number) =>
    picturesFor(all, { max, shownAtOnce }).map((p) => p.id);
  it('keeps the person’s order where everything fits', () =>
    expect(ids([picture('a'), picture('b'), picture('c')], 8, 4)).toEqual(['a', 'b', 'c']));
  it('puts no writing on the cover', () =>
    expect(
      ids(
        [picture('w', { exam: { ...EXAM, writing: 12 } }), picture('m', { made: MADE }), picture('c')],
        8,
        4,
      ),
    ).toEqual(['c', 'w', 'm']));
  it('leaves plain details out before flaws and measurements, and shows measurements at once', () => {
    const all = ['a', 'b', 'c', 'd', 'e'].map((id) => picture(id));
    const withMore = [...all, picture('flaw', { shows: 'flaw:f1' }), picture('m', { made: MADE })];
    expect(ids(withMore, 4, 3)).toEqual(['a', 'b', 'm', 'flaw']);
  });
  it('sends nobody else’s pictures unless the person says they may', () => {
    expect(
      ids(
        [
          picture('s', { origin: 'stock' }),
          picture('a'),
          picture('k', { origin: 'copied', sendAnyway: true }),
        ],
        8,
        4,
      ),
    ).toEqual(['a', 'k']);
  });
  it('never sends more than fit, never one twice, and always something when something may be sent', () => {
    const some = fc.record({
      made: fc.boolean(),
      writing: fc.integer({ min: 0, max: 12 }),
      flaw: fc.boolean(),
      origin: fc.constantFrom('camera' as const, 'stock' as const),
    });
    fc.assert(
      fc.property(
        fc.array(some, { maxLength: 14 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 6 }),
        (all, max, at) => {
          const pictures = all.map((p, i) =>
            picture(`p${i}`, {
              origin: p.origin,
              made: p.made ? MADE : null,
              shows: p.flaw ? 'flaw:f' : '',
              exam: { ...EXAM, writing: p.writing },
            }),
          );
          const chosen = picturesFor(pictures, { max, shownAtOnce: at });
          expect(new Set(chosen).size).toBe(chosen.length);
          expect(chosen.length).toBe(Math.min(max, all.filter((p) => p.origin === 'camera').length));
        },
      ),
    );
  });
  it('sends the first clip a marketplace takes', () => {
    const clip = (id: string, seconds: number) => picture(id, { clip: { seconds, type: 'video/webm' } });
    const rules = { maxSeconds: 30, maxBytes: 100 };
    expect(clipFor([clip('long', 40), clip('short', 8)], rules)?.id).toBe('short');
    expect(clipFor([clip('short', 8)], undefined)).toBeNull();
    expect(clipFor([picture('a')], rules)).toBeNull();
  });
});

describe('the shot list', () => {
  const item = (part: Partial<Item> = {}) =>
    Item.parse({ id: 't', code: 'c', author: '', createdAt: 0, updatedAt: 0, ...part });
  it('ticks itself off, lets go of what is skipped, and asks for every flaw', () => {
    const flaw = {
      id: 'f1',
      type: 'moth hole',
      place: 'left cuff',
      severity: 'clear' as const,
      sizeMm: null,
      pictureId: null,
      pin: null,
    };
    const one = item({ kind: 'jumper', flaws: [flaw], skippedShots: ['back'] });
    const list = shotList(one, [picture('a', { shows: 'front' }), picture('m', { made: MADE })], BUILT_IN);
    expect(list.map((s) => [s.id, s.state])).toEqual([
      ['front', 'taken'],
      ['back', 'skipped'],
      ['label', 'open'],
      ['detail:knit', 'open'],
      ['detail:cuffs', 'open'],
      ['flaw:f1', 'open'],
      ['measured', 'taken'],
    ]);
    expect(list.find((s) => s.id === 'flaw:f1')?.name).toBe('Moth hole, left cuff');
    expect(nextShot(list)?.id).toBe('label');
  });
  it('takes a flaw’s own picture for taken', () => {
    const flaw = {
      id: 'f1',
      type: 'chip',
      place: 'rim',
      severity: 'slight' as const,
      sizeMm: null,
      pictureId: 'a',
      pin: null,
    };
    expect(
      shotList(item({ flaws: [flaw] }), [picture('a')], BUILT_IN).find((s) => s.id === 'flaw:f1')?.state,
    ).toBe('taken');
  });
  it('knows what to begin with before the kind is said', () =>
    expect(nextShot(shotList(item(), [], BUILT_IN))?.id).toBe('front'));
});

describe('judging', () => {
  const aspects = (part: Partial<Picture>, setting = {}) =>
    judge(picture('a', part), { cover: true, stance: 'hangs', twin: null, ...setting }).map((f) => f.aspect);
  const exam = (part: object) => ({ exam: { ...EXAM, ...part } });
  it('is silent about a good picture, and about close-ups with no background', () => {
    expect(aspects({})).toEqual([]);
    expect(aspects({ shows: 'label', ...exam({ cutOff: ['top', 'left'], grounds: 9, sure: 0.2 }) })).toEqual(
      [],
    );
  });
  it.each<[string, object, string]>([
    ['blur', exam({ blur: 3 }), 'sharpness'],
    ['a dark room', exam({ bright: 0.4, deep: 0.1 }), 'exposure'],
    ['a night', exam({ bright: 0.2, deep: 0.19 }), 'exposure'],
    ['glare', exam({ blown: 0.4 }), 'exposure'],
    ['a carpet', exam({ grounds: 5 }), 'background'],
    ['a speck', exam({ box: [0.4, 0.4, 0.2, 0.2] }), 'fill'],
    ['a speck on a line of the floor', exam({ box: [0.4, 0.4, 0.2, 0.2], cutOff: ['top'] }), 'fill'],
    ['an edge', exam({ cutOff: ['left'] }), 'cutOff'],
    ['an edge, where no outline could be told', exam({ cutOff: ['left'], area: 0, sure: 0.9 }), 'cutOff'],
    ['few pixels', { width: 420, height: 300 }, 'pixels'],
    ['a strip', { width: 1600, height: 500 }, 'shape'],
    ['a watermark', exam({ writing: 9 }), 'writing'],
    ['uneven light', exam({ falloff: 40 }), 'background'],
  ])('mentions %s', (_, part, aspect) => expect(aspects(part)).toContain(aspect));
  it('mentions writing on the cover only, and a twin', () => {
    expect(aspects(exam({ writing: 9 }), { cover: false })).toEqual([]);
    expect(judge(picture('a'), { cover: false, stance: undefined, twin: { position: 2 } })[0]).toMatchObject({
      code: 'sameAs',
      params: { twin: { position: 2 } },
    });
  });
  it('takes a dark floor for no dark picture, a small picture for no soft one, a banner for no item', () => {
    expect(aspects(exam({ bright: 0.4, deep: 0.35 }))).toEqual([]);
    expect(aspects({ width: 720, height: 720, ...exam({ blur: 2.4 }) })).not.toContain('sharpness');
    expect(aspects({ width: 1_280, height: 960, ...exam({ blur: 2.4 }) })).toContain('sharpness');
    expect(aspects(exam({ writing: 9, cutOff: ['bottom'], sure: 0.7 }))).toEqual(['writing']);
  });
  it('tells tall items that lie, and long ones that stand', () => {
    const lying = { ...EXAM, box: [0.1, 0.3, 0.8, 0.4] as typeof EXAM.box };
    expect(turnedWrong(lying, 'tall')).toBe('onItsSide');
    expect(turnedWrong(lying, 'wide')).toBeNull();
    expect(turnedWrong({ ...EXAM, box: [0.3, 0.1, 0.3, 0.8] }, 'wide')).toBe('onEnd');
    expect(turnedWrong(lying, undefined)).toBeNull();
  });
});

describe('clips', () => {
  const text = (s: string) => [...s].map((c) => c.charCodeAt(0));
  const box = (type: string, content: number[]) => {
    const size = content.length + 8;
    return [(size >> 24) & 255, (size >> 16) & 255, (size >> 8) & 255, size & 255, ...text(type), ...content];
  };
  it('loses the place and the camera’s notes in an MP4, and nothing else', () => {
    // ISO/IEC 14496-12: user data lives in `udta`, here as QuickTime writes a place: ©xyz.
    const place = box('\u00a9xyz', [0, 18, 0, 0, ...text('+51.5000-000.1200/')]);
    const bytes = Uint8Array.from([
      ...box('ftyp', text('isom0000')),
      ...box('moov', [
        ...box('mvhd', text('keep me')),
        ...box('udta', place),
        ...box('trak', box('meta', text('serial 123'))),
      ]),
      ...box('mdat', text('pictures')),
    ]);
    const length = bytes.length;
    expect(clipType(bytes)).toBe('video/mp4');
    expect(blankClipNotes(bytes)).toBe(2);
    const left = String.fromCharCode(...bytes);
    expect(bytes.length).toBe(length);
    expect(left).toContain('keep me');
    expect(left).toContain('pictures');
    expect(left).not.toMatch(/51\.5|serial/u);
    expect(blankClipNotes(bytes)).toBe(0);
  });
  it('loses the tags of a WebM', () => {
    // RFC 8794 and RFC 9559: EBML head, Segment, Tags (1254C367), Cluster-like rest.
    const tags = [0x12, 0x54, 0xc3, 0x67, 0x80 | 16, ...text('GPS 51.5 -000.12')];
    const info = [0x15, 0x49, 0xa9, 0x66, 0x84, 1, 2, 3, 4];
    const bytes = Uint8Array.from([
      0x1a,
      0x45,
      0xdf,
      0xa3,
      0x81,
      0,
      0x18,
      0x53,
      0x80,
      0x67,
      0x80 | (tags.length + info.length),
      ...tags,
      ...info,
    ]);
    expect(clipType(bytes)).toBe('video/webm');
    expect(blankClipNotes(bytes)).toBe(1);
    expect(String.fromCharCode(...bytes)).not.toContain('51.5');
    expect([...bytes.slice(-info.length)]).toEqual(info);
  });
  it('knows pictures in the same container, and never throws or grows on hostile bytes', () => {
    expect(clipType(Uint8Array.from(box('ftyp', text('heic'))))).toBeNull();
    expect(clipType(Uint8Array.from(box('ftyp', text('avif'))))).toBeNull();
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), fc.boolean(), (rest, webm) => {
        const bytes = Uint8Array.from([
          ...(webm ? [0x1a, 0x45, 0xdf, 0xa3] : box('ftyp', text('isom'))),
          ...rest,
        ]);
        blankClipNotes(bytes);
        expect(bytes.length).toBe(rest.length + (webm ? 4 : 12));
      }),
    );
  });
});

describe('room', () => {
  it('holds five hundred items within what browsers give, with room', () => {
    expect(bytesForItems(500)).toBeLessThan(COUNTED_ON * 0.6);
  });
  it('warns in time, and says full only when the browser does', () => {
    expect(roomLeft(1e9, 60e9).level).toBe('plenty');
    expect(roomLeft(1e9, 1e9 + 100 * PICTURE_BYTES)).toEqual({ level: 'soon', pictures: 100 });
    expect(roomLeft(1e9, 1e9 + 3 * PICTURE_BYTES).level).toBe('full');
    expect(roomLeft(9, 1).level).toBe('full');
    // A browser that always reports ten gigabytes more than is taken.
    expect(roomLeft(COUNTED_ON - 1e6, 2 * COUNTED_ON - 1e6).level).toBe('soon');
  });
});

it('takes pictures up to 64 megapixels, and says how many a larger one has', () => {
  expect(tooLarge(8_000, 8_000)).toBeNull();
  expect(tooLarge(10_000, 10_000)).toMatchObject({ code: 'tooManyPixels', params: { pixels: 100_000_000 } });
});

describe('pictures that show the same', () => {
  /** Light falls off to the right; `step` is how much lighter the lower half is. */
  const print = (step: number, colour = 'g') =>
    Array.from({ length: 256 }, (_, i) => {
      const at = Math.round(30 + (i % 16) + (i >= 128 ? step : 0));
      return 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'[at];
    }).join('') + colour.repeat(128);
  const shot = (id: string, of: string, shows: string, step: number, colour?: string) =>
    picture(id, { itemId: of, shows, exam: { ...EXAM, print: print(step, colour) } });
  const found = (own: Picture[], others: Picture[] = []) => {
    const finder = new TwinFinder();
    for (const one of [...own, ...others]) finder.know(one.id, seenOf(one));
    return finder.twinOf(
      own[0]!.id,
      own.map(({ id }) => id),
    );
  };
  it('are of the item itself; front and back may look alike', () => {
    expect(found([shot('a', 't', 'front', 0), shot('b', 't', 'front', 3)])).toBe('b');
    expect(found([shot('a', 't', 'front', 0), shot('b', 't', 'back', 0)])).toBe('b');
    expect(found([shot('a', 't', 'front', 0), shot('b', 't', 'front', 0, 'z')])).toBeNull();
  });
  it('or of another item, a drawing of figures never', () => {
    expect(found([shot('a', 't', '', 0)], [shot('x', 'o', '', 0)])).toBe('x');
    const made = { ...shot('x', 'o', '', 0), made: MADE };
    expect(found([shot('a', 't', '', 0)], [made])).toBeNull();
    expect(found([picture('a', { exam: null })], [shot('x', 'o', '', 0)])).toBeNull();
  });
  it('go by what each is now: another print is compared anew, what is gone is none', () => {
    const finder = new TwinFinder();
    const know = (one: Picture) => finder.know(one.id, seenOf(one));
    know(shot('a', 't', 'front', 0));
    know(shot('b', 't', 'front', 0));
    expect(finder.twinOf('a', ['a', 'b'])).toBe('b');
    know(shot('b', 't', 'front', 0, 'z'));
    expect(finder.twinOf('a', ['a', 'b'])).toBeNull();
    know(shot('b', 't', 'front', 0));
    expect(finder.twinOf('b', ['a', 'b'])).toBe('a');
    finder.know('a', null);
    expect(finder.twinOf('b', ['a', 'b'])).toBeNull();
    expect(finder.size).toBe(1);
  });
});
