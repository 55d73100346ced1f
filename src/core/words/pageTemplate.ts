import type { PagePart } from '@/contract/pageTemplate';
import type { Item } from '@/contract/records';
import type { Terms } from '@/contract/terms';

import { cleanHtml, escapeHtml, htmlFromText } from './html';
import { CONDITION_LINES, filledFrom, patternView, type PatternView } from './pattern';
import type { KindTree } from '../kinds/tree';
import { sentence } from '../language/sentence';
import type { Units } from '../measure/units';
import { publicTerms } from '../terms/publicTerms';

/** What a page is of, and how it is written. */
export interface PageOf {
  item: Item;
  kinds: KindTree;
  units: Units;
  /** What stands at its head, and what the person wrote of it. */
  title: string;
  story: string;
  terms: Terms | null;
  closing: string;
}

type Row = readonly [label: string, value: string];

/** One part of a page with something to say. */
interface Block {
  heading: string;
  body:
    { type: 'title'; text: string } | { type: 'text'; text: string } | { type: 'rows'; rows: readonly Row[] };
}

const CONDITION = `{{#grade}}
{{grade}}{{#used}}, {{used}}{{/used}}.
{{/grade}}
${CONDITION_LINES}`;

/** The parts of a page that have something to say, in their order. */
function blocksOf(parts: readonly PagePart[], of: PageOf): Block[] {
  const view = patternView(of.item, of.kinds, of.units, of.closing);
  return parts.flatMap(({ part, heading, text }): Block[] => {
    const body = bodyOf(part, text, of, view);
    return body ? [{ heading: heading.trim(), body }] : [];
  });
}

function bodyOf(part: PagePart['part'], text: string, of: PageOf, view: PatternView): Block['body'] | null {
  const words = (said: string): Block['body'] | null =>
    said.trim() === '' ? null : { type: 'text', text: said.trim() };
  const rows = (all: readonly Row[]): Block['body'] | null =>
    all.length === 0 ? null : { type: 'rows', rows: all };
  const filled = (pattern: string, as = (said: string) => said) => {
    const made = filledFrom(pattern, view);
    // A pattern that can't be read says nothing: its editor tells why.
    return words(made.ok ? as(made.text) : '');
  };
  switch (part) {
    case 'heading':
      return of.title === '' ? null : { type: 'title', text: of.title };
    case 'story':
      return words(of.story);
    case 'facts':
      return rows(view.facts.map(({ label, value }) => [sentence(label), value] as const));
    case 'condition':
      return filled(CONDITION, sentence);
    case 'measurements':
      return rows(
        view.measurements.map(
          ({ name, value, around }) =>
            [sentence(name), around ? `${value} (${around} around)` : value] as const,
        ),
      );
    case 'terms':
      return of.terms
        ? words(
            publicTerms(of.terms)
              .map((line) => `- ${sentence(line)}`)
              .join('\n'),
          )
        : null;
    case 'words':
      return filled(text);
  }
}

/**
 * A page as limited HTML: a table for facts where tables are taken, else a list, else lines; headings and
 * bold letters only where they are. Nothing but the marketplace's tags comes out, whatever goes in.
 *
 * @param tags what the marketplace takes
 */
export function pageHtml(parts: readonly PagePart[], of: PageOf, tags: readonly string[]): string {
  const html = blocksOf(parts, of).map(({ heading, body }) => {
    const over = heading === '' ? '' : headed(heading, 'h3', tags);
    if (body.type === 'title') return over + headed(body.text, 'h2', tags);
    return over + (body.type === 'text' ? htmlFromText(body.text, tags) : table(body.rows, tags));
  });
  return cleanHtml(html.join(''), tags);
}

function headed(text: string, tag: 'h2' | 'h3', tags: readonly string[]): string {
  const words = escapeHtml(text);
  if (tags.includes(tag)) return `<${tag}>${words}</${tag}>`;
  return tags.includes('b') ? `<p><b>${words}</b></p>` : `<p>${words}</p>`;
}

function table(rows: readonly Row[], tags: readonly string[]): string {
  const has = (...wanted: string[]) => wanted.every((tag) => tags.includes(tag));
  const label = (words: string) => (has('b') ? `<b>${escapeHtml(words)}</b>` : escapeHtml(words));
  if (has('table', 'tr', 'td')) {
    const cells = rows.map(([l, v]) => `<tr><td>${label(l)}</td><td>${escapeHtml(v)}</td></tr>`);
    return `<table>${cells.join('')}</table>`;
  }
  const lines = rows.map(([l, v]) => `${label(l)}: ${escapeHtml(v)}`);
  return has('ul', 'li')
    ? `<ul>${lines.map((line) => `<li>${line}</li>`).join('')}</ul>`
    : `<p>${lines.join('<br />')}</p>`;
}

/** A page as a person reads it, and as what it holds is checked. */
export function pageText(parts: readonly PagePart[], of: PageOf): string {
  return blocksOf(parts, of)
    .map(({ heading, body }) => {
      const said = body.type === 'rows' ? body.rows.map(([l, v]) => `- ${l}: ${v}`).join('\n') : body.text;
      return heading === '' ? said : `${heading}\n${said}`;
    })
    .join('\n\n');
}
