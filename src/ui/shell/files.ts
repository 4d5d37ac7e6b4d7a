/** Hands a text to the browser as a file to keep. */
export function saveFile(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser needs the address until it has begun to save.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
