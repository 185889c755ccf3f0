import { gzipSync } from 'node:zlib';

/** What a browser loads of script before a page can be used, in bytes as it is sent, compressed. */
export async function scriptOf(url: string): Promise<number> {
  const page = await (await fetch(url)).text();
  // Those that only old browsers load are not counted.
  const tags = (page.match(/<script[^>]*>/g) ?? []).filter((tag) => !/nomodule/i.test(tag));
  const scripts = new Set(tags.flatMap((tag) => /src="([^"]+\.js)"/.exec(tag)?.[1] ?? []));
  const weights = [...scripts].map(async (script) => {
    const response = await fetch(new URL(script, url));
    if (!response.ok) throw new Error(`${script} answered ${response.status}`);
    return gzipSync(await response.text()).length;
  });
  return (await Promise.all(weights)).reduce((sum, weight) => sum + weight, 0);
}
