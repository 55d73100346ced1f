import type { HttpBindings } from '@hono/node-server';
import { Hono } from 'hono';

import type { AtticSort } from '@/core/identity/atticSort';
import { ATTIC_TITLES } from '@/wording/attics';

/** Under an icon there is room for a word or two. */
const SHORT: Record<AtticSort, string> = { own: 'Attic', demo: 'Demo attic', trial: 'Trial attic' };

/** Where pictures go that another app on the phone hands over; taken by the service worker. */
const SHARE = '/share';

/**
 * What a phone asks for to put the attic on its home screen (W3C Web Application Manifest), and among the
 * apps that pictures can be handed to (Web Share Target).
 */
export function homeScreen(sort: AtticSort): Hono<{ Bindings: HttpBindings }> {
  const app = new Hono<{ Bindings: HttpBindings }>();
  app.get('/manifest.webmanifest', (c) => {
    c.header('Cache-Control', 'no-cache');
    return c.body(JSON.stringify(manifest(sort)), 200, { 'content-type': 'application/manifest+json' });
  });
  // Only a browser without the service worker asks the server: it has nowhere to put them.
  app.post(SHARE, (c) => c.redirect('/intake?shared=0', 303));
  return app;
}

function manifest(sort: AtticSort) {
  const icon = (src: string, size: number, purpose: 'any' | 'maskable') => ({
    src: `/icons/${src}.png`,
    sizes: `${size}x${size}`,
    type: 'image/png',
    purpose,
  });
  return {
    id: '/',
    name: ATTIC_TITLES[sort],
    short_name: SHORT[sort],
    description: 'Photograph secondhand things, list them on several marketplaces, sell each once.',
    lang: 'en',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#F6F0E4',
    theme_color: '#3F5B3A',
    categories: ['business', 'productivity'],
    icons: [
      icon('attic-192', 192, 'any'),
      icon('attic-512', 512, 'any'),
      icon('attic-maskable-192', 192, 'maskable'),
      icon('attic-maskable-512', 512, 'maskable'),
    ],
    shortcuts: [
      { name: 'Intake', url: '/intake' },
      { name: 'Messages and offers', url: '/talks' },
      { name: 'Packing', url: '/packing' },
    ],
    share_target: {
      action: SHARE,
      method: 'POST',
      enctype: 'multipart/form-data',
      params: { files: [{ name: 'pictures', accept: ['image/*', '.heic', '.heif'] }] },
    },
  };
}
