import '@fontsource-variable/bricolage-grotesque';
import '@fontsource-variable/figtree';
import './meanwhile.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { FaceLook } from '@/ui/kit/face-dial/face-look';
import { NotRunning } from '@/ui/kit/not-running';
import { Ready } from '@/ui/kit/ready';
import { Toaster } from '@/ui/kit/toaster';
import './globals.css';
import { askedLanguage } from './follow/language';
import { THEME_COOKIE } from './theme';

export const metadata: Metadata = {
  title: { default: 'Up Beat', template: '%s · Up Beat' },
  description: 'Compiles, leads and keeps face yoga classes.',
  other: { google: 'notranslate' },
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Pages carry a nonce of their own, so none may be rendered at build time.
  await connection();
  const night = (await cookies()).get(THEME_COOKIE)?.value === 'night';
  return (
    // What a browser translates it replaces, and what changes afterwards is shown beside it or not at all: a side, a count.
    <html lang="en" translate="no" data-theme={night ? 'upbeat-night' : 'upbeat-day'}>
      <body>
        {children}
        <NotRunning language={await askedLanguage()} />
        <Toaster />
        <FaceLook />
        <Ready />
      </body>
    </html>
  );
}
