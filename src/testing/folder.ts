/** A folder in memory that behaves like those a browser keeps (File System Standard), with faults to try. */
export interface TriedFolder {
  handle: FileSystemDirectoryHandle;
  /** What lies in it, by where: `attic-pictures/3f/….jpg`. */
  files: Map<string, Uint8Array>;
  /** The drive: what becomes of bytes that are written, or what is thrown. */
  drive: { onWrite: (bytes: Uint8Array, path: string) => Uint8Array };
}

const notFound = () => new DOMException('A requested file or directory could not be found', 'NotFoundError');

export function folderInMemory(): TriedFolder {
  const files = new Map<string, Uint8Array>();
  const drive: TriedFolder['drive'] = { onWrite: (bytes) => bytes };

  const file = (path: string) => ({
    kind: 'file',
    name: path.split('/').at(-1),
    getFile: () => Promise.resolve(new File([bytesOf(files.get(path)).slice()], path)),
    createWritable: () => {
      const parts: BlobPart[] = [];
      return Promise.resolve(
        new WritableStream<BlobPart>({
          write: (part) => void parts.push(part),
          // Only what is closed stands there.
          close: async () => {
            const written = new Uint8Array(await new Blob(parts).arrayBuffer());
            files.set(path, drive.onWrite(written, path));
          },
        }),
      );
    },
  });

  const directory = (prefix: string): unknown => {
    const within = () => [...files.keys()].filter((path) => path.startsWith(prefix));
    const names = () => [...new Set(within().map((path) => path.slice(prefix.length).split('/')[0] ?? ''))];
    return {
      kind: 'directory',
      name: prefix,
      getDirectoryHandle: (name: string) => Promise.resolve(directory(`${prefix}${name}/`)),
      getFileHandle: (name: string, { create = false } = {}) => {
        if (!files.has(prefix + name) && !create) return Promise.reject(notFound());
        if (!files.has(prefix + name)) files.set(prefix + name, new Uint8Array());
        return Promise.resolve(file(prefix + name));
      },
      removeEntry: (name: string) =>
        files.delete(prefix + name) ? Promise.resolve() : Promise.reject(notFound()),
      async *keys() {
        yield* names();
        await Promise.resolve();
      },
      async *entries() {
        for (const name of names())
          yield [name, { kind: files.has(prefix + name) ? 'file' : 'directory', name }];
        await Promise.resolve();
      },
    };
  };
  // As much of it as is used: the real one is tried in the browser.
  return { handle: directory('') as FileSystemDirectoryHandle, files, drive };
}

function bytesOf(bytes: Uint8Array | undefined): Uint8Array<ArrayBuffer> {
  if (!bytes) throw notFound();
  return new Uint8Array(bytes);
}
