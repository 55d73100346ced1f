import { sureCode, type SeenCode } from './barcode';

/** A reader that says these one after the other, and how often it was asked. */
function saying(...texts: readonly (string | null)[]) {
  let asked = 0;
  const look = (): Promise<SeenCode | null> => {
    const text = texts[asked] ?? null;
    asked += 1;
    return Promise.resolve(text === null ? null : { text });
  };
  return { look, asked: () => asked };
}
const none = () => Promise.resolve(null);

describe('a barcode', () => {
  it('counts as soon as two looks say the same', async () => {
    const { look, asked } = saying('1', '1');
    expect(await sureCode(look, none)).toEqual({ text: '1' });
    expect(asked()).toBe(2);
  });
  it.each([
    [['1', '2', '1'], '1'],
    [[null, '2', '2'], '2'],
    [['1', '2', '3'], null],
    [['1'], null],
    [['1', null, null, null, '1'], '1'],
    [[null, null, null, '1', '1'], null],
  ])('of looks that say %j is %s', async (texts, code) =>
    expect((await sureCode(saying(...texts).look, none))?.text ?? null).toBe(code),
  );
  it('set upright, with both halves alike, counts alone, whatever one look said', async () =>
    expect(await sureCode(saying('1').look, () => Promise.resolve({ text: '4' }))).toEqual({ text: '4' }));
  it('in a camera’s frame is looked at twice, and no more', async () => {
    const { look, asked } = saying('1', null, '1');
    expect(await sureCode(look, null)).toBeNull();
    expect(asked()).toBe(2);
  });
});
