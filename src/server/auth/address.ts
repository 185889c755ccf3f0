/**
 * Where a request came from, for counting failed sign-ins. Each proxy adds whom it was asked by to the end of a header;
 * what stands before those that are trusted is what a stranger wrote. Without a proxy all strangers count as one.
 */
export function addressIn(forwarded: string | null, proxies: number): string {
  const named = forwarded?.split(',').map((part) => part.trim()) ?? [];
  return (proxies > 0 && named.at(-proxies)) || 'unknown';
}
