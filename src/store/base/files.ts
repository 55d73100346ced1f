/** Hands a file to the person, by way of the browser's own saving. */
export function saveFile(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name.replace(/[^\p{L}\p{N}._-]+/gu, '-');
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
