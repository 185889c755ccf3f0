/**
 * Keeps something of this device for the next time. It is no reason to stop where the browser has no room for it.
 * @returns whether it is kept
 */
export function remember(storage: Storage, key: string, value: string): boolean {
  try {
    storage.setItem(key, value);
    return true;
  } catch (problem) {
    console.warn(`This browser has no room for ${key}.`, problem);
    return false;
  }
}
