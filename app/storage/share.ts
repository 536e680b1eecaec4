/** The share sheet of the device, where there is one that takes files. */

export const canShare = (file: File): boolean =>
  typeof navigator.share === 'function' && navigator.canShare?.({ files: [file] }) === true;

/** Opens the share sheet. It is no fault when the person closes it again. */
export async function shareFile(file: File, title: string): Promise<void> {
  try {
    await navigator.share({ files: [file], title });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return;
    throw error;
  }
}
