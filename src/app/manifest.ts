import type { MetadataRoute } from 'next';

/** What a device needs to keep Up Beat among its applications. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Up Beat',
    short_name: 'Up Beat',
    description: 'Compiles, leads and keeps face yoga classes.',
    start_url: '/follow/again',
    scope: '/',
    display: 'standalone',
    background_color: '#1e1626',
    theme_color: '#1e1626',
    icons: [
      { src: '/icons/up-beat-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/up-beat-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/up-beat-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    shortcuts: [
      { name: 'Follow a class', url: '/follow' },
      { name: 'Lead', url: '/' },
    ],
  };
}
