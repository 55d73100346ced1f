declare module 'exifr/dist/lite.esm.mjs' {
  import exifr from 'exifr';

  export default exifr;
}
