import { fieldsOf } from '@/contract/fields';
/** Why the server does not start, in words for the person who started it. No stack helps there. */
export class StartTrouble extends Error {
  constructor(
    readonly code:
      'portTaken' | 'folderHeld' | 'cannotOpen' | 'damaged' | 'locked' | 'readOnly' | 'nothingKept',
    message: string,
  ) {
    super(message);
  }

  /** The exit code, one a sort, so that scripts can tell them apart. */
  get exitCode(): number {
    return { portTaken: 1, folderHeld: 3, cannotOpen: 4, damaged: 5, locked: 6, readOnly: 7, nothingKept: 8 }[
      this.code
    ];
  }
}

/**
 * What an error of the embedded database means; null: something nobody expected.
 *
 * @see https://www.sqlite.org/rescode.html
 */
export function databaseCode(
  error: unknown,
): 'cannotOpen' | 'damaged' | 'locked' | 'readOnly' | 'full' | 'unwritable' | null {
  const { code = '', message = '' } = fieldsOf(error);
  const said = `${String(code)} ${String(message)}`;
  if (/SQLITE_(?:NOTADB|CORRUPT)/u.test(said)) return 'damaged';
  if (/SQLITE_(?:BUSY|LOCKED)/u.test(said)) return 'locked';
  if (/SQLITE_READONLY/u.test(said)) return 'readOnly';
  if (/SQLITE_FULL|ENOSPC/u.test(said)) return 'full';
  if (/SQLITE_IOERR|EFBIG|EIO\b|EROFS|EACCES|EDQUOT/u.test(said)) return 'unwritable';
  if (/SQLITE_CANTOPEN|ConnectionFailed|ENOTDIR|EEXIST|EPERM/u.test(said)) return 'cannotOpen';
  return null;
}
