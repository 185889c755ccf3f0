import { parse } from 'cookie';

/** Whether people reach this server by https, as it is set. */
export const isSecure = (): boolean => process.env.UPBEAT_URL?.startsWith('https:') ?? false;

/** By https a name that no other site and no plain connection can set. */
export const named = (name: string): string => (isSecure() ? `__Host-${name}` : name);

/**
 * What a request shows under one of our names (RFC 6265, 4.2).
 * @param header all its cookies, as they came
 */
export const cookieIn = (header: string | null | undefined, name: string): string | undefined =>
  parse(header ?? '')[named(name)];
