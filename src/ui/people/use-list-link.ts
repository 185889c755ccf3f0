import { usePathname, useSearchParams } from 'next/navigation';

/** Links to the list as it is shown, with something changed; a change of anything but the page begins at its first. */
export function useListLink() {
  const path = usePathname();
  const params = useSearchParams();
  const query = params.toString();
  return {
    query,
    to: (change: Record<string, string>) => {
      const next = new URLSearchParams(query);
      if (!('page' in change)) next.delete('page');
      for (const [key, value] of Object.entries(change)) {
        if (value === '' || value === 'false') next.delete(key);
        else next.set(key, value);
      }
      return `${path}?${next}`;
    },
  };
}
