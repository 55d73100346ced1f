import { hashOf } from './hash';
import { inStep, isUntouched, writtenAnew } from './inStep';
import { anItem } from '../../../e2e/anItem';

const now = { title: 'Ardent jumper', description: 'A jumper.' };

describe('words that follow the facts', () => {
  it('are written where there are none, and again when the facts change', () => {
    const first = { ...anItem(), ...inStep(anItem(), now) };
    expect(first).toMatchObject(now);
    const second = inStep(first, { title: 'Ardent navy jumper', description: 'A jumper.' });
    expect(second?.title).toBe('Ardent navy jumper');
    expect(inStep(first, now)).toBeNull();
  });
  it('never take the place of a person’s own', () => {
    const own = { ...anItem(), ...inStep(anItem(), now), title: 'Grandfather’s gansey' };
    expect(inStep(own, { title: 'Another', description: 'Another.' })).toMatchObject({
      title: 'Grandfather’s gansey',
      description: 'Another.',
    });
    expect(isUntouched(own, 'title')).toBe(false);
    // Unless the person says so.
    const anew = { ...own, ...writtenAnew(own, { title: 'Ardent jumper' }) };
    expect(isUntouched(anew, 'title')).toBe(true);
  });
  it('stay as they are where they can’t be written', () => {
    expect(inStep(anItem(), { title: '', description: null })).toBeNull();
  });
});

it('hashes as FNV-1a does', () => {
  // The 32-bit test vectors of its authors: "" 811c9dc5, "a" e40c292c, "foobar" bf9cf968.
  expect(['', 'a', 'foobar'].map((text) => hashOf(text).slice(0, 8))).toEqual([
    '811c9dc5',
    'e40c292c',
    'bf9cf968',
  ]);
});
