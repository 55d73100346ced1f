import { strFromU8, strToU8, unzipSync, zipSync, type UnzipOptions, type Zippable } from 'fflate';

/**
 * What readers and writers of spreadsheets pack with, in the app: at once, since they run in a worker. Their
 * own way starts more workers from the text of functions, which a bundle has changed: nobody would answer.
 * `metro.config.js` puts it in their place.
 */
type Done<T> = (error: Error | null, result: T | null) => void;

export { strFromU8, strToU8, unzipSync, zipSync };

export function zip(files: Zippable, done: Done<Uint8Array>): void {
  done(null, zipSync(files));
}

export function unzip(
  file: Uint8Array,
  options: UnzipOptions | Done<Record<string, Uint8Array>>,
  then?: Done<Record<string, Uint8Array>>,
): void {
  // Options may be left out.
  const [asked, done] = typeof options === 'function' ? [{}, options] : [options, then];
  try {
    done?.(null, unzipSync(file, asked));
  } catch (error) {
    done?.(error instanceof Error ? error : new Error(String(error)), null);
  }
}
