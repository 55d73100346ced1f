import { execFile } from 'node:child_process';
import { promisify } from 'node:util';

import type { Truth } from './truth';

let truth: Truth;

beforeAll(async () => {
  const run = promisify(execFile);
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'demo/truth.ts'], {
    maxBuffer: 9_000_000,
  });
  truth = JSON.parse(stdout) as Truth;
}, 1_800_000);

const mean = (all: number[]) => all.reduce((s, v) => s + v, 0) / all.length;

describe('the mask against the sheet each item was drawn on', () => {
  // Goals set for whitening: mean intersection over union.
  it('covers at least 0.95 on plain light backgrounds', () =>
    expect(mean(truth.overlap.plain ?? [])).toBeGreaterThanOrEqual(0.95));
  it('covers at least 0.90 on uneven ones', () =>
    expect(mean(truth.overlap.uneven ?? [])).toBeGreaterThanOrEqual(0.9));
  it('finds nothing where nothing lies', () => expect(truth.empty).toBe(0));
});

describe('the examination of pictures spoilt on purpose', () => {
  it('has nothing to say about a good one', () => expect(truth.said.good).toEqual([]));
  it.each([
    ['blurred', 'sharpness'],
    ['dark', 'exposure'],
    ['cut off', 'cutOff'],
    ['cluttered', 'background'],
    ['on floor boards', 'background'],
    ['watermarked', 'writing'],
    ['upside down', 'upright'],
    ['on its side', 'upright'],
    ['far away', 'fill'],
  ])('notices one that is %s', (how, aspect) => expect(truth.said[how]).toContain(aspect));

  it('measures a blur as wide as it was made', () => {
    const sharp = truth.blur[0]!.found;
    expect(sharp).toBeLessThan(1.5);
    for (const { sigma, found } of truth.blur.slice(1)) {
      // Blurs add as squares; a picture of 1 000 counts 1.28 pixels for each of its own.
      const expected = Math.hypot(sigma * 1.28, sharp);
      expect(found / expected).toBeGreaterThan(0.8);
      expect(found / expected).toBeLessThan(1.25);
    }
  });
  it('tells a second take from another item', () => {
    expect(truth.twins.again).toBeLessThan(0.5);
    expect(truth.twins.other).toBeGreaterThan(1);
  });
});

describe('measuring beside a reference', () => {
  it('finds corners to half a pixel and the tilt to two degrees', () => {
    for (const l of truth.lengths) {
      expect(l.corner).toBeLessThan(0.5);
      expect(Math.abs(l.foundTilt - l.tilt)).toBeLessThan(2);
    }
  });
  it('is right within 1 % or 3 mm, up to a tilt of 35°', () => {
    expect(truth.lengths).toHaveLength(15);
    for (const { scene, mm, truth: right } of truth.lengths)
      expect({
        scene,
        right,
        off: Math.max(0, Math.abs(mm - right) - Math.max(3, right * 0.01)),
      }).toMatchObject({ off: 0 });
  });
  it('knows how far it may be off, and says something by it', () => {
    for (const { scene, mm, truth: right, plusMinus } of truth.lengths) {
      expect(plusMinus).toBeGreaterThan(Math.abs(mm - right));
      // A small card, far aside, with a soft shadow along it, says little and knows it.
      expect(plusMinus).toBeLessThan(right * (scene.startsWith('a card, tilted') ? 0.11 : 0.06));
    }
  });
  it('finds no sheet where none lies', () => expect(truth.noSheet).toBe(true));
  it('warns of a tilt beyond 35°, of a small reference, and of lines far from it', () => {
    const tilted = truth.warnings.find((w) => w.code === 'tilted');
    expect(tilted?.params.degrees).toBeCloseTo(45, -1);
    expect(truth.warnings.map((w) => w.code)).toEqual(
      expect.arrayContaining(['referenceSmall', 'farFromReference']),
    );
  });
});
