import { randomBytes } from 'node:crypto';
import Bowser from 'bowser';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { Refusal } from '@/core/calls';
import { addressIn } from '@/server/auth/address';
import { isSecure, named } from '@/server/auth/cookies';
import {
  type Device,
  SIGN_IN_COOKIE,
  SIGN_IN_DAYS,
  signInAs,
  signOut,
  staySignedIn,
  type Teacher,
  teacherOf,
} from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { FOLLOW_COOKIE } from '@/server/follow/limits';

const DEVICE_COOKIE = 'upbeat_device';
const DEVICE_DAYS = 365;
const DAY_SECONDS = 86_400;

const kept = (days: number) => ({
  httpOnly: true,
  sameSite: 'lax' as const,
  secure: isSecure(),
  path: '/',
  maxAge: days * DAY_SECONDS,
});

export async function signInToken(): Promise<string | undefined> {
  return (await cookies()).get(named(SIGN_IN_COOKIE))?.value;
}

/** The browser that asks: how people call it, and what it is known again by; it keeps that from now on. */
export async function thisDevice(): Promise<Device> {
  const jar = await cookies();
  const token = jar.get(named(DEVICE_COOKIE))?.value ?? randomBytes(24).toString('base64url');
  jar.set(named(DEVICE_COOKIE), token, kept(DEVICE_DAYS));
  const agent = (await headers()).get('user-agent')?.slice(0, 400);
  const { browser, os } = agent ? Bowser.parse(agent) : { browser: {}, os: {} };
  const name = [browser.name ?? 'A browser', os.name && `on ${os.name}`].filter(Boolean).join(' ');
  return { name: name.slice(0, 80), token };
}

/** Keeps a sign-in in the browser; the one before it ends. */
export async function keepToken(token: string): Promise<void> {
  const before = await signInToken();
  if (before && before !== token) await signOut(db(), before, now());
  // A day longer, since the server may keep it for the hours of a class.
  (await cookies()).set(named(SIGN_IN_COOKIE), token, kept(SIGN_IN_DAYS + 1));
}

/** Signs in whoever has shown who they are. */
export async function letIn(teacherId: string): Promise<void> {
  await keepToken(await signInAs(db(), teacherId, now(), await thisDevice()));
}

export async function dropToken(): Promise<void> {
  // One of __Host- is dropped only by the same name with the same attributes.
  (await cookies()).set(named(SIGN_IN_COOKIE), '', { ...kept(0), maxAge: 0 });
}

/** What a device shows that follows a class. */
export async function followToken(): Promise<string | undefined> {
  return (await cookies()).get(named(FOLLOW_COOKIE))?.value;
}

const FOLLOW_DAYS = 1;

/** Keeps it, in place of the class that was followed before; null drops it. */
export async function keepFollowToken(token: string | null): Promise<void> {
  const how = token === null ? { ...kept(0), maxAge: 0 } : kept(FOLLOW_DAYS);
  (await cookies()).set(named(FOLLOW_COOKIE), token ?? '', how);
}

/** The signed-in teacher, looked up once a request; null for a stranger. */
export const currentTeacher = cache(async (): Promise<Teacher | null> => {
  const token = await signInToken();
  return token ? teacherOf(db(), token, now()) : null;
});

/**
 * For pages and actions: a stranger is sent to sign in. Whose page acts is told so on it, since what was typed there
 * would be gone; they may sign in beside it and send it again.
 * @throws Refusal `signed-out`
 */
export async function requireTeacher(): Promise<Teacher> {
  const teacher = await currentTeacher();
  if (teacher) return teacher;
  if ((await headers()).has('next-action')) throw new Refusal('signed-out');
  return redirect('/sign-in');
}

/** For pages on which a class is led or shown: the sign-in does not run out in the middle of it. */
export async function requireLeader(): Promise<Teacher> {
  const teacher = await requireTeacher();
  await staySignedIn(db(), (await signInToken()) ?? '', now());
  return teacher;
}

/** Where the request came from, for counting failed sign-ins. */
export async function clientAddress(): Promise<string> {
  const proxies = Number(process.env.UPBEAT_TRUSTED_PROXIES ?? 0);
  const forwarded = (await headers()).get('x-forwarded-for');
  return addressIn(forwarded, Number.isInteger(proxies) ? proxies : 0);
}
