/** Files out of the browser and into it. */

/** Offers text as a file to keep. */
export function saveFile(name: string, text: string, type: string): void {
  saveBlob(name, new Blob([text], { type }));
}

/** Offers anything as a file to keep. */
export function saveBlob(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
