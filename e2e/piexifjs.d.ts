declare module 'piexifjs' {
  interface Piexif {
    ImageIFD: { Orientation: number; Make: number };
    ExifIFD: { DateTimeOriginal: number };
    GPSIFD: { GPSLatitudeRef: number; GPSLatitude: number; GPSLongitudeRef: number; GPSLongitude: number };
    dump(exif: Record<string, Record<number, unknown>>): string;
    insert(exif: string, jpeg: string): string;
  }
  const piexif: Piexif;
  export default piexif;
}
