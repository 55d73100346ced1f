import type { AddressTroubleParams } from '@/core/picture/address';
import type { PictureTroubleParams } from '@/core/picture/fileType';
import type { PictureFinding, PictureFindingParams } from '@/core/picture/judge';

import {
  addressTroubleWords,
  pictureFindingFigure,
  pictureFindingWords,
  pictureTroubleWords,
} from './pictures';

const SAID: { [C in keyof PictureFindingParams]: [PictureFindingParams[C], string, string] } = {
  tooSmall: [{ long: 400 }, 'Too small: many marketplaces refuse it. Take it again, larger.', '400 pixels'],
  ratherSmall: [{ long: 900 }, 'Rather small: buyers can’t look closely.', '900 pixels'],
  blurred: [{ edge: 3.14 }, 'Blurred: hold still and take it again.', 'edges 3.1 px wide'],
  softPerhaps: [{ edge: 2 }, 'Perhaps not quite sharp: look closely.', 'edges 2.0 px wide'],
  dark: [{ brightest: 0.3 }, 'Dark: give it more light, or lighten it.', 'brightest parts 30 %'],
  tooBright: [{ white: 0.2 }, 'Too bright: parts of the item have lost their detail.', '20 % of it lost'],
  cutOff: [
    { sides: ['top', 'left'] },
    'Perhaps cut off at the top and left: show all of it.',
    'touches 2 sides',
  ],
  smallInFrame: [{ fill: 0.4 }, 'Small in the frame: step closer, or crop it.', 'fills 40 %, 80 % is usual'],
  nothingStandsOut: [{}, 'Nothing stands out from the background here.', 'no outline found'],
  onItsSide: [{}, 'It seems to lie on its side: turn it by a quarter.', 'from its outline'],
  onEnd: [{}, 'It seems to stand on end: turn it by a quarter.', 'from its outline'],
  upsideDown: [{}, 'It seems to be upside down: turn it by a half.', 'from its outline'],
  backgroundNotPlain: [
    { scatter: 5, share: 0.8 },
    'Background not plain: lay a sheet under it, or make it white.',
    'scatter 5.0 ΔE, 80 % of the border',
  ],
  lightUneven: [{ falloff: 40.4 }, 'The light is uneven across the picture.', '40 L* from side to side'],
  writing: [{ marks: 1 }, 'Perhaps writing beside the item: covers are refused for it.', '1 mark in a line'],
  sameAs: [{ twin: { position: 2 } }, 'Almost the same as picture 2.', 'by its fingerprint'],
  narrow: [{ ratio: 3.2 }, 'Long and narrow: much of a square stays empty.', '3.2 to 1'],
};

it.each(Object.entries(SAID))('%s', (code, [params, words, figure]) => {
  const finding = { code, params, aspect: 'fill', sure: true } as PictureFinding;
  expect(pictureFindingWords(finding)).toBe(words);
  expect(pictureFindingFigure(finding)).toBe(figure);
  // It stands on one line of a phone's page.
  expect(words.length).toBeLessThan(75);
});

it('names a picture of another item, and one side', () => {
  const finding = (code: string, params: object) =>
    ({ code, params, aspect: 'fill', sure: false }) as PictureFinding;
  expect(pictureFindingWords(finding('sameAs', { twin: { itemCode: 'YA-0007' } }))).toBe(
    'Almost the same as a picture of YA-0007.',
  );
  expect(pictureFindingFigure(finding('cutOff', { sides: ['top'] }))).toBe('touches one side');
});

const TROUBLE: { [C in keyof PictureTroubleParams]: [PictureTroubleParams[C], string] } = {
  empty: [{}, 'The file is empty.'],
  notPicture: [{}, 'This is not a picture.'],
  damaged: [{}, 'The picture is damaged and can’t be read.'],
  fileTooLarge: [{ size: 61e6, most: 60e6 }, 'The file has 61 MB; up to 60 are read here.'],
  tooLong: [{ long: 40_000, most: 30_000 }, 'It is 40000 pixels long; up to 30000 can be read here.'],
  tooManyPixels: [
    { pixels: 100e6, most: 64e6 },
    'It has 100 megapixels; up to 64 can be read here. Save a smaller copy, or set the camera to fewer.',
  ],
  tooManyPasses: [{}, 'The picture is made of more passes than any camera makes. It was not read.'],
  readerMissing: [
    {},
    'The reader for HEIC pictures could not be loaded. Try again when the server is there.',
  ],
  clipTooLarge: [{ most: 120e6 }, 'The clip is over 120 MB: make it shorter or smaller.'],
  clipTooLong: [{ seconds: 70.4, most: 60 }, 'The clip is 70 seconds long; at most 60 are kept.'],
  clipUnplayable: [{}, 'The clip can’t be played here: save it as MP4 or WebM.'],
};

const ADDRESS: { [C in keyof AddressTroubleParams]: [AddressTroubleParams[C], RegExp] } = {
  notAnAddress: [{}, /begins with https:\/\/ or http:\/\//u],
  notWeb: [{ scheme: 'ftp' }, /not by “ftp”/u],
  withPassword: [{}, /Nothing was fetched/u],
  privatePlace: [{ host: '10.0.0.1' }, /^10\.0\.0\.1 .*nothing is fetched from there/u],
  notFound: [{ host: 'a.example' }, /under a\.example/u],
  noAnswer: [{ host: 'a.example' }, /Try again/u],
  answered: [{ host: 'a.example', status: 404 }, /it answered 404/u],
  movedOn: [{ most: 3 }, /after 3 moves/u],
  page: [{ host: 'a.example' }, /the address of the picture itself/u],
  larger: [{ most: 20e6 }, /more than 20 MB/u],
};

it.each(Object.entries(ADDRESS))('an address: %s', (code, [params, words]) =>
  expect(addressTroubleWords({ code, params } as Parameters<typeof addressTroubleWords>[0])).toMatch(words),
);

it('an address that has no picture is told as a file is', () =>
  expect(addressTroubleWords({ code: 'notPicture', params: {} })).toBe('This is not a picture.'));

it.each(Object.entries(TROUBLE))('a file: %s', (code, [params, words]) =>
  expect(pictureTroubleWords({ code, params } as Parameters<typeof pictureTroubleWords>[0])).toBe(words),
);
