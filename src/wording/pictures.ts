import type { Wording } from '@/contract/coded';
import { listed } from '@/core/language/listed';
import { counted, plural } from '@/core/language/plural';
import {
  REFERENCE_SIZES,
  type PlaneWarning,
  type PlaneWarningParams,
  type Reference,
} from '@/core/measure/plane';
import type { SheetDoubt } from '@/core/measure/sheet/findSheet';
import type { AddressTrouble, AddressTroubleParams } from '@/core/picture/address';
import type { PictureTrouble, PictureTroubleParams } from '@/core/picture/fileType';
import type { PictureFinding, PictureFindingParams, Twin } from '@/core/picture/judge';

import { worded } from './worded';

const figure = (value: number) => (Math.round(value * 10) / 10).toFixed(1);
const percent = (share: number) => `${Math.round(share * 100)} %`;
const twinWords = (twin: Twin) =>
  'position' in twin ? `picture ${twin.position}` : `a picture of ${twin.itemCode}`;

/** What is worth saying about a picture and what to do, in a line. */
const FINDINGS: Wording<PictureFindingParams> = {
  tooSmall: () => 'Too small: many marketplaces refuse it. Take it again, larger.',
  ratherSmall: () => 'Rather small: buyers can’t look closely.',
  blurred: () => 'Blurred: hold still and take it again.',
  softPerhaps: () => 'Perhaps not quite sharp: look closely.',
  dark: () => 'Dark: give it more light, or lighten it.',
  tooBright: () => 'Too bright: parts of the item have lost their detail.',
  cutOff: ({ sides }) => `Perhaps cut off at the ${listed(sides, 'and')}: show all of it.`,
  smallInFrame: () => 'Small in the frame: step closer, or crop it.',
  nothingStandsOut: () => 'Nothing stands out from the background here.',
  onItsSide: () => 'It seems to lie on its side: turn it by a quarter.',
  onEnd: () => 'It seems to stand on end: turn it by a quarter.',
  upsideDown: () => 'It seems to be upside down: turn it by a half.',
  backgroundNotPlain: () => 'Background not plain: lay a sheet under it, or make it white.',
  lightUneven: () => 'The light is uneven across the picture.',
  writing: () => 'Perhaps writing beside the item: covers are refused for it.',
  sameAs: ({ twin }) => `Almost the same as ${twinWords(twin)}.`,
  narrow: () => 'Long and narrow: much of a square stays empty.',
};

/** The figure each rests on, with its unit, for whoever wants to know. */
const FIGURES: Wording<PictureFindingParams> = {
  tooSmall: ({ long }) => counted(long, 'pixel'),
  ratherSmall: ({ long }) => counted(long, 'pixel'),
  blurred: ({ edge }) => `edges ${figure(edge)} px wide`,
  softPerhaps: ({ edge }) => `edges ${figure(edge)} px wide`,
  dark: ({ brightest }) => `brightest parts ${percent(brightest)}`,
  tooBright: ({ white }) => `${percent(white)} of it lost`,
  cutOff: ({ sides }) => `touches ${plural(sides.length, 'one side', `${sides.length} sides`)}`,
  smallInFrame: ({ fill }) => `fills ${percent(fill)}, 80 % is usual`,
  nothingStandsOut: () => 'no outline found',
  onItsSide: () => 'from its outline',
  onEnd: () => 'from its outline',
  upsideDown: () => 'from its outline',
  backgroundNotPlain: ({ scatter, share }) =>
    `scatter ${figure(scatter)} ΔE, ${percent(share)} of the border`,
  lightUneven: ({ falloff }) => `${Math.round(falloff)} L* from side to side`,
  writing: ({ marks }) => `${counted(marks, 'mark')} in a line`,
  sameAs: () => 'by its fingerprint',
  narrow: ({ ratio }) => `${figure(ratio)} to 1`,
};

const TROUBLE: Wording<PictureTroubleParams> = {
  empty: () => 'The file is empty.',
  notPicture: () => 'This is not a picture.',
  damaged: () => 'The picture is damaged and can’t be read.',
  fileTooLarge: ({ size, most }) =>
    `The file has ${Math.round(size / 1_000_000)} MB; up to ${most / 1_000_000} are read here.`,
  tooLong: ({ long, most }) => `It is ${counted(long, 'pixel')} long; up to ${most} can be read here.`,
  tooManyPixels: ({ pixels, most }) =>
    `It has ${Math.round(pixels / 1_000_000)} megapixels; up to ${most / 1_000_000} can be read ` +
    'here. Save a smaller copy, or set the camera to fewer.',
  tooManyPasses: () => 'The picture is made of more passes than any camera makes. It was not read.',
  readerMissing: () =>
    'The reader for HEIC pictures could not be loaded. Try again when the server is there.',
  clipTooLarge: ({ most }) => `The clip is over ${most / 1_000_000} MB: make it shorter or smaller.`,
  clipTooLong: ({ seconds, most }) =>
    `The clip is ${Math.round(seconds)} seconds long; at most ${most} are kept.`,
  clipUnplayable: () => 'The clip can’t be played here: save it as MP4 or WebM.',
};

export const pictureFindingWords = (finding: PictureFinding): string => worded(FINDINGS, finding);
export const pictureFindingFigure = (finding: PictureFinding): string => worded(FIGURES, finding);
export const pictureTroubleWords = (trouble: PictureTrouble): string => worded(TROUBLE, trouble);

/** Why no picture came from an address, and what to do. */
const ADDRESS: Wording<AddressTroubleParams> = {
  notAnAddress: () => 'That is no address of a picture: one begins with https:// or http://.',
  notWeb: ({ scheme }) => `Pictures are fetched by https or http, not by “${scheme}”.`,
  withPassword: () => 'A name or password stands in the address: take it out. Nothing was fetched.',
  privatePlace: ({ host }) => `${host} is on this machine or inside a house: nothing is fetched from there.`,
  notFound: ({ host }) => `Nobody is found under ${host}.`,
  noAnswer: ({ host }) => `${host} did not answer to the end. Try again.`,
  answered: ({ host, status }) => `${host} has no picture for us there: it answered ${status}.`,
  movedOn: ({ most }) => `It leads on and on: after ${most} moves it was left.`,
  page: ({ host }) => `${host} has a page there: take the address of the picture itself.`,
  larger: ({ most }) => `The picture has more than ${most / 1_000_000} MB: it was not fetched.`,
};

export const addressTroubleWords = (trouble: AddressTrouble): string =>
  worded({ ...TROUBLE, ...ADDRESS }, trouble);

const PLANE: Wording<PlaneWarningParams> = {
  referenceSmall: ({ reference }) =>
    `The ${referenceName(reference)} is small in the picture: come closer, or lay a larger sheet beside it.`,
  tilted: ({ degrees }) => `Tilted by about ${Math.round(degrees)}°: hold the camera straight above.`,
  cutPicture: () =>
    'The corners fit only if the picture was cut, or if one of them is off: look at each. The figures ' +
    'are less certain.',
  farFromReference: ({ reference }) =>
    `Part of a line is far from the ${referenceName(reference)}: lay it nearer, flat on the same surface.`,
};
const DOUBTS: Record<SheetDoubt, string> = {
  small: 'it is small in the picture',
  sides: 'an edge of it can’t be followed all along',
  goesOn: 'its edges go on beyond its corners, as those of tiles do',
  shape: 'its proportions don’t fit',
  look: 'it does not look like plain paper',
  rival: 'something else looks as much like it',
};

/** Said instead of a figure. @param doubts null when nothing like it was made out */
export function unsureSheet(reference: Reference, doubts: readonly SheetDoubt[] | null): string {
  const name = referenceName(reference);
  if (!doubts)
    return (
      `No ${name} was made out. Drag the four corners onto it, or lay it flat and apart from the item ` +
      'and take the picture again.'
    );
  const why = [...new Set(doubts)].map((doubt) => DOUBTS[doubt]).join('; ');
  return `Not sure that this is the ${name}: ${why}. Drag the corners onto it.`;
}

/** Why nothing can be measured by four corners. */
export const sheetTrouble = (trouble: 'noSheet' | 'eitherWay'): string =>
  trouble === 'noSheet'
    ? 'These four can’t be the corners of such a sheet: drag them to its corners, in order around.'
    : 'From here its longer side could as well be its shorter one: take the picture from further above.';

const referenceName = (reference: Reference) => REFERENCE_SIZES[reference].name.toLocaleLowerCase('en');

/** What speaks against trusting a measurement, and what to do. */
export const planeWarning = (warning: PlaneWarning): string => worded(PLANE, warning);
