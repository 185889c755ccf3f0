'use client';

import clsx from 'clsx';
import { House, LogOut, Mic, SunMoon, UserRound } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { startTransition, useState } from 'react';
import { Link } from './link';
import { Logo } from './logo';
import { Menu, MenuEntry, MenuLink, MenuWords } from './menu';
import type { Leaving } from './sign-out';
import { toastOfAct } from './toast-of-act';
import { NOT_FETCHED, usePart } from './use-part';

/** What stands in the header, and what else belongs to it. */
const PLACES: readonly { href: string; name: string; also?: string }[] = [
  { href: '/', name: 'Today' },
  { href: '/calendar', name: 'Calendar' },
  { href: '/classes', name: 'Classes' },
  { href: '/moves', name: 'Moves' },
  { href: '/people', name: 'People', also: '/insights' },
];

export interface StudioHeaderProps {
  studioName: string;
  teacherName: string;
  owner: boolean;
  /** Changes between the theme for the day and the one for dim rooms. */
  switchTheme: () => Promise<void>;
}

export function StudioHeader({ studioName, teacherName, owner, switchTheme }: StudioHeaderProps) {
  const path = usePathname();
  const { leaving, SignOut, leave, stay, failed } = useLeaving();
  return (
    <header className="no-print border-base-300 flex flex-wrap items-center gap-x-6 gap-y-2 border-b px-4 py-2.5 sm:px-6">
      <Link href="/" className="font-display flex items-center gap-2 text-xl font-bold">
        <Logo />
        Up Beat
      </Link>
      <nav
        aria-label="Main"
        className="flex flex-wrap gap-1 max-sm:order-3 max-sm:w-full max-sm:justify-between max-sm:gap-x-0.5"
      >
        {PLACES.map(({ href, name, also }) => {
          const here =
            href === '/' ? path === '/' : path.startsWith(href) || (also && path.startsWith(also));
          return (
            <Link
              key={href}
              href={href}
              aria-current={here ? 'page' : undefined}
              className={clsx(
                'rounded-lg px-3 py-1.5 max-sm:px-1.5 max-sm:text-sm',
                here ? 'bg-base-200 font-semibold' : 'quiet hover:bg-base-200',
              )}
            >
              {name}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex items-center gap-3">
        <Menu
          trigger={
            <button type="button" className="btn btn-ghost btn-sm font-normal">
              <span className="text-sm max-sm:hidden">{studioName}</span>
              <span
                aria-hidden
                className="bg-secondary text-secondary-content grid size-8 place-items-center rounded-full text-sm font-semibold"
              >
                {teacherName
                  .split(' ')
                  .map((part) => part[0])
                  .join('')
                  .slice(0, 2)}
              </span>
              <span className="sr-only">Account of {teacherName}</span>
            </button>
          }
        >
          <MenuWords>
            {teacherName}
            <br />
            {studioName}
          </MenuWords>
          <MenuLink>
            <Link href="/voice">
              <Mic size={16} aria-hidden /> Your voice
            </Link>
          </MenuLink>
          <MenuLink>
            <Link href="/account">
              <UserRound size={16} aria-hidden /> Your account
            </Link>
          </MenuLink>
          {owner && (
            <MenuLink>
              <Link href="/studio">
                <House size={16} aria-hidden /> Your studio
              </Link>
            </MenuLink>
          )}
          <MenuEntry act={() => startTransition(() => switchTheme().catch(toastOfAct))}>
            <SunMoon size={16} aria-hidden /> Day or night look
          </MenuEntry>
          <MenuEntry act={() => leave('here')}>
            <LogOut size={16} aria-hidden /> Sign out
          </MenuEntry>
          <MenuEntry act={() => leave('everywhere')}>Sign out on all devices</MenuEntry>
        </Menu>
        {leaving && SignOut && <SignOut leaving={leaving} onStay={stay} />}
      </div>
      {failed && (
        <p role="alert" className="text-error w-full">
          You are still signed in. {NOT_FETCHED}
        </p>
      )}
    </header>
  );
}

const loadSignOut = () => import('./sign-out');

/** Signing out looks for what is not stored yet; what that takes is fetched when somebody leaves. */
function useLeaving() {
  const [leaving, setLeaving] = useState<Leaving | null>(null);
  const { part, failed, fetchPart } = usePart(loadSignOut);
  const leave = (where: Leaving) => {
    setLeaving(where);
    void fetchPart();
  };
  return { leaving, leave, stay: () => setLeaving(null), SignOut: part?.SignOut, failed };
}
