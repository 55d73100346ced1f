import { copiesAmong, type NamedCopy } from '@/core/copy/kept';
import { BYTES_FOLDER } from '@/core/copy/names';

/** A folder that copies were made in, as a person chose it to read from. */
export interface FolderOfCopies {
  /** The newest first. */
  copies: (NamedCopy & { file: File })[];
  /** Bytes that a copy keeps beside it; null where they are not there. @param file `3f/3fa9….jpg` */
  bytes: (file: string) => (() => Promise<Blob>) | null;
}

/**
 * Of the files of a chosen folder, its copies and what lies beside them, however deep in it they are: the
 * copies that lie with the newest one.
 *
 * @param files each with where it lies in the folder, as browsers tell it (`webkitRelativePath`)
 */
export function folderOfCopies(files: readonly File[]): FolderOfCopies {
  const pathOf = (file: File) => (file.webkitRelativePath === '' ? file.name : file.webkitRelativePath);
  const byPath = new Map(files.map((file) => [pathOf(file), file]));
  const known = [...byPath].flatMap(([path, file]) =>
    copiesAmong([file.name]).map((copy) => ({ ...copy, file, at: path.slice(0, -file.name.length) })),
  );
  const inOrder = new Map(copiesAmong(known.map((k) => k.name)).map((copy, i) => [copy.name, i]));
  known.sort((a, b) => (inOrder.get(a.name) ?? 0) - (inOrder.get(b.name) ?? 0));
  const at = known[0]?.at ?? '';
  return {
    copies: known.filter((copy) => copy.at === at),
    bytes: (path) => {
      const file = byPath.get(`${at}${BYTES_FOLDER}/${path}`);
      return file ? () => Promise.resolve(file) : null;
    },
  };
}
