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

/** A file name for a hem: its name in plain letters, and an ending. */
export function fileName(hemName: string, ending: string): string {
  const plain = hemName
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .toLowerCase();
  return `${plain || 'hem'}${ending}`;
}
