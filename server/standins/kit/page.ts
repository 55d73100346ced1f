import type { HttpBindings } from '@hono/node-server';
import type { Context, Hono } from 'hono';
import { html, raw } from 'hono/html';
import type { HtmlEscapedString } from 'hono/utils/html';

export type ServiceApp = Hono<{ Bindings: HttpBindings }>;

export interface Look {
  ground: string;
  ink: string;
  accent: string;
  face: string;
  /** What makes its pages its own: laid over what all services share. */
  css?: string;
}

export type Html = HtmlEscapedString | Promise<HtmlEscapedString>;

/** How one service shows its pages: its look, and its head over each. */
export interface Pages {
  show(title: string, main: Html): Html;
  /** A page that says one thing. */
  note(heading: string, words?: string): Html;
  /** What is shown while the whole service is out. */
  closed(c: Context): Response | Promise<Response>;
}

export function pagesOf(look: Look, head: Html, shut: { heading: string; words?: string }): Pages {
  const show = (title: string, main: Html) =>
    page(
      title,
      look,
      html`${head}
        <main>${main}</main>`,
    );
  const note = (heading: string, words?: string) =>
    show(
      heading,
      html`<h1>${heading}</h1>
        ${words === undefined ? '' : html`<p>${words}</p>`}`,
    );
  return { show, note, closed: (c) => c.html(note(shut.heading, shut.words), 503) };
}

/** What all services' pages share; each lays its own over it. */
const shared = ({ ground, ink, accent, face }: Look) => `
  * { box-sizing: border-box; }
  body { margin: 0; background: ${ground}; color: ${ink}; font: 17px/1.5 ${face}; --accent: ${accent};
    --line: color-mix(in srgb, ${ink} 22%, transparent); --round: 6px; --paper: #fff; }
  main { max-width: 1080px; margin: 0 auto; padding: 16px; }
  header { background: var(--accent); color: #fff; padding: 14px 16px; font-size: 22px;
    letter-spacing: .04em; }
  header a { color: inherit; text-decoration: none; }
  h1 { font-size: 26px; line-height: 1.2; margin: 14px 0 6px; }
  h2 { font-size: 20px; line-height: 1.25; margin: 28px 0 10px; }
  .price { font-size: 28px; font-variant-numeric: tabular-nums; margin: 4px 0; }
  .soft { opacity: .78; margin: 2px 0; }
  .words { white-space: pre-wrap; max-width: 68ch; margin: 18px 0; }
  .grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 16px; }
  .grid img { width: 100%; aspect-ratio: 1; object-fit: cover; border-radius: var(--round); display: block;
    margin-bottom: 6px; }
  .grid a { color: inherit; text-decoration: none; line-height: 1.35; }
  .grid a:hover { text-decoration: underline; }
  .item { display: grid; gap: 8px 32px; }
  .item .said > :first-child { margin-top: 0; }
  .strip { display: flex; gap: 8px; overflow-x: auto; scroll-snap-type: x mandatory;
    scrollbar-width: thin; scrollbar-color: var(--line) transparent; }
  .strip a { flex: none; width: 88%; scroll-snap-align: start; cursor: zoom-in; }
  .strip a:only-child { width: 100%; }
  .strip img { display: block; width: 100%; height: min(100vw, 400px); object-fit: contain;
    background: color-mix(in srgb, ${ink} 6%, transparent); border-radius: var(--round); }
  .large { position: fixed; inset: 0; z-index: 9; display: none; place-items: center; cursor: zoom-out;
    background: rgb(0 0 0 / .88); }
  .large:target { display: grid; }
  .large img { max-width: 96vw; max-height: 94vh; }
  video { max-width: 100%; margin-top: 8px; border-radius: var(--round); }
  dl { display: grid; grid-template-columns: max-content 1fr; gap: 4px 18px; margin: 18px 0; }
  dt { opacity: .75; } dd { margin: 0; }
  form { display: grid; gap: 12px; margin: 16px 0; }
  label { display: grid; gap: 4px; font-size: 15px; }
  label:has([type=radio]) { grid-template-columns: auto 1fr; align-items: center; font-size: inherit; }
  input, select, textarea { font: inherit; font-size: 17px; color: inherit; background: var(--paper);
    border: 1px solid var(--line); border-radius: var(--round); padding: 9px 12px; width: 100%;
    min-height: 46px; }
  [type=radio] { width: 20px; min-height: 20px; }
  [type=hidden] { display: none; }
  button { font: inherit; min-height: 50px; padding: 0 26px; border: 0; border-radius: var(--round);
    background: var(--accent); color: #fff; cursor: pointer; }
  form.ask button { background: none; color: inherit; border: 1px solid currentColor; }
  .note { border-left: 4px solid var(--accent); padding: 8px 14px; margin: 14px 0;
    background: color-mix(in srgb, ${accent} 9%, transparent); }
  :focus-visible { outline: 3px solid var(--accent); outline-offset: 2px; }
  @media (min-width: 860px) {
    main { padding: 28px 24px 60px; }
    .grid { grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 24px; }
    .item { grid-template-columns: minmax(0, 1.2fr) minmax(320px, 1fr); align-items: start; }
    .item .pictures { position: sticky; top: 20px; }
    .strip { flex-wrap: wrap; overflow: visible; }
    .strip a { width: 100px; }
    .strip a:first-child { width: 100%; }
    .strip img { height: 100px; object-fit: cover; }
    .strip a:first-child img { height: min(62vh, 540px); object-fit: contain; }
  }
  @media (prefers-reduced-motion: no-preference) { .large:target img { animation: grow .16s; } }
  @keyframes grow { from { transform: scale(.94); opacity: .4; } }`;

/**
 * Pictures in a row; each fills the page when it is pressed, and goes back when it is pressed again.
 *
 * @param noun what one is called there: "Photo"
 */
export function gallery(base: string, ids: readonly string[], noun: string): Html {
  return html`<div class="strip" id="pictures">
      ${ids.map(
        (p, i) =>
          html`<a href="#large-${i + 1}"
            ><img src="${base}/picture/${p}" alt="${noun} ${i + 1} of ${ids.length}"
          /></a>`,
      )}
    </div>
    ${ids.map(
      (p, i) =>
        html`<a class="large" id="large-${i + 1}" href="#pictures" aria-label="Back to the page"
          ><img src="${base}/picture/${p}" alt="${noun} ${i + 1}, large" loading="lazy"
        /></a>`,
    )}`;
}

/** A piece's own picture, small beside its name; nothing where all of the listing's show it. */
export function pieceShown(base: string, ids: readonly string[], shownIn: readonly number[] = []): Html | '' {
  const [first] = shownIn.flatMap((i) => ids[i] ?? []);
  return first
    ? html`<img src="${base}/picture/${first}" alt="" width="44" height="44" style="object-fit: cover" />`
    : '';
}

/** One item: its pictures beside what is said of it, and below each other on a narrow page. */
export function itemLaidOut(pictures: Html | '', said: Html): Html {
  return html`<div class="item">
    <div class="pictures">${pictures}</div>
    <div class="said">${said}</div>
  </div>`;
}

/** A visitor's page in the service's own look. Everything put into it is escaped. */
export function page(title: string, look: Look, body: Html) {
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${title}</title>
        <style>
          ${raw(shared(look) + (look.css ?? ''))}
        </style>
      </head>
      <body>
        ${body}
      </body>
    </html>`;
}
