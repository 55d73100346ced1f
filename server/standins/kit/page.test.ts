import { html } from 'hono/html';

import { gallery, itemLaidOut, page } from './page';

const LOOK = { ground: '#fff', ink: '#000', accent: '#808', face: 'serif' };

it('each picture leads to itself, large, and back', async () => {
  const text = String(await gallery('/moor', ['a', 'b'], 'Photo'));
  expect([...text.matchAll(/href="#(large-\d)"/gu)].map((m) => m[1])).toEqual(['large-1', 'large-2']);
  expect([...text.matchAll(/id="(large-\d)" href="#pictures"/gu)].map((m) => m[1])).toEqual([
    'large-1',
    'large-2',
  ]);
  expect(text).toContain('alt="Photo 2 of 2"');
});

it('nothing a seller wrote becomes part of a page’s own marks', async () => {
  const evil = '"><script>alert(1)</script>';
  const text = String(
    await page(evil, LOOK, itemLaidOut(gallery('/moor', [evil], evil), html`<h1>${evil}</h1>`)),
  );
  expect(text).not.toContain('<script>');
  expect(text.match(/&lt;script&gt;/gu)?.length).toBeGreaterThanOrEqual(5);
});

it('a service lays its own look over what all share', async () => {
  const text = String(await page('x', { ...LOOK, css: '.own { color: red }' }, html`<p>x</p>`));
  expect(text.indexOf('.own { color: red }')).toBeGreaterThan(text.indexOf('.grid'));
});
