/** Local storage, which can be read before anything is shown. A browser may deny it. */
export function localStore(): Storage | null {
  try {
    return window.localStorage;
  } catch {
    return null;
  }
}
