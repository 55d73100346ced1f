/** The packer, loaded when it is first wanted. */
export async function zipLibrary() {
  const zip = await import('@zip.js/zip.js');
  // Pictures are packed already and texts are few: no worker is worth its start.
  zip.configure({ useWebWorkers: false });
  return zip;
}

/** Puts files together as they are: for pictures, which are packed already. @param files by their paths */
export async function zipped(files: Readonly<Record<string, Blob | string>>): Promise<Blob> {
  const { BlobReader, BlobWriter, TextReader, ZipWriter } = await zipLibrary();
  const writer = new ZipWriter(new BlobWriter('application/zip'));
  for (const [path, file] of Object.entries(files))
    await writer.add(path, typeof file === 'string' ? new TextReader(file) : new BlobReader(file), {
      level: 0,
    });
  return writer.close();
}
