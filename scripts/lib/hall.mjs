import { networkInterfaces } from 'node:os';

/** Where Up Beat listens: on this machine only, or for everybody on the same network. */

export const HERE = '127.0.0.1';
export const EVERYBODY = '0.0.0.0';

/**
 * The address of this machine on its network; null where it has none. One of a private network goes first, since that
 * is where a hall is.
 * @param {NodeJS.Dict<import('node:os').NetworkInterfaceInfo[]>} interfaces
 * @returns {string | null}
 */
export function addressOnNetwork(interfaces = networkInterfaces()) {
  const outward = Object.values(interfaces)
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)
    // Such an address was chosen by the machine itself, since nobody gave it one.
    .filter((address) => !address.startsWith('169.254.'));
  const own = /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)/;
  return outward.find((address) => own.test(address)) ?? outward[0] ?? null;
}

/** What it means to listen for everybody, said before anybody can come in. */
export const OPENS = [
  'Everybody on this network can reach Up Beat now: its sign-in page, and classes by their code.',
  'It is plain http: whoever listens on the network can read what is sent, passwords too. Use it on a network',
  'that you trust. docs/running.md shows the way to https.',
].join('\n');
