/** Gives bytes to the person as a file. */
export function download(name: string, bytes: Uint8Array, type: string): void {
  const url = URL.createObjectURL(new Blob([bytes as Uint8Array<ArrayBuffer>], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser reads the address after this turn.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
