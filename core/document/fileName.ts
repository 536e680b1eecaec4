/** The file name of a hem: its name in plain letters, and an ending. */
export function fileName(hemName: string, ending: string): string {
  const plain = hemName
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .toLowerCase();
  return `${plain || 'hem'}${ending}`;
}
