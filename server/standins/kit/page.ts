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
}

type Html = HtmlEscapedString | Promise<HtmlEscapedString>;

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

/** A visitor's page in the service's own look. Everything put into it is escaped. */
export function page(title: string, look: Look, body: Html) {
  return html`<!doctype html>
    <html lang="en">
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>${title}</title>
        <style>
          ${raw(`
          body { margin: 0; background: ${look.ground}; color: ${look.ink}; font: 17px/1.5 ${look.face}; }
          main { max-width: 860px; margin: 0 auto; padding: 16px; }
          header { background: ${look.accent}; color: #fff; padding: 14px 16px;
            font-size: 22px; letter-spacing: .04em; }
          header a { color: inherit; text-decoration: none; }
          h1 { font-size: 24px; line-height: 1.25; margin: 14px 0 6px; }
          .price { font-size: 26px; font-variant-numeric: tabular-nums; }
          .words { white-space: pre-wrap; }
          .strip { display: flex; gap: 8px; overflow-x: auto; }
          .strip img { height: 300px; border-radius: 4px; }
          .grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 14px; }
          .grid img { width: 100%; aspect-ratio: 1; object-fit: cover; border-radius: 4px; }
          .grid a { color: inherit; text-decoration: none; }
          dl { display: grid; grid-template-columns: max-content 1fr; gap: 2px 16px; }
          dt { opacity: .75; } dd { margin: 0; }
          button { font: inherit; min-height: 48px; padding: 0 26px; border: 0; border-radius: 4px;
            background: ${look.accent}; color: #fff; }
          .note { border-left: 4px solid ${look.accent}; padding: 6px 14px; margin: 14px 0; }
          label { display: block; margin: 10px 0; } input[type=number] { font: inherit; width: 7em; }`)}
        </style>
      </head>
      <body>
        ${body}
      </body>
    </html>`;
}
