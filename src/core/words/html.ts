import sanitize from 'sanitize-html';

/** What a marketplace that takes markup takes of it, at the most. No attributes anywhere. */
export const MARKUP = ['p', 'br', 'ul', 'li', 'b'] as const;

/**
 * Plain text in short lines as limited HTML: paragraphs, lists from lines that begin with "- ", nothing else.
 */
export function htmlFromText(text: string, tags: readonly string[] = MARKUP): string {
  const blocks: string[] = [];
  for (const block of text.split(/\n{2,}/u)) {
    const lines = block.split('\n').filter((line) => line.trim() !== '');
    let list: string[] = [];
    let words: string[] = [];
    const flush = () => {
      if (words.length > 0) blocks.push(`<p>${words.join('<br />')}</p>`);
      if (list.length > 0) blocks.push(`<ul>${list.map((item) => `<li>${item}</li>`).join('')}</ul>`);
      words = [];
      list = [];
    };
    for (const line of lines) {
      const item = /^- (.*)$/u.exec(line.trim());
      if (item) {
        if (words.length > 0) flush();
        list.push(escapeHtml(item[1] ?? ''));
      } else {
        if (list.length > 0) flush();
        words.push(escapeHtml(line.trim()));
      }
    }
    flush();
  }
  return cleanHtml(blocks.join(''), tags);
}

/**
 * Markup with nothing in it but these tags, without attributes; scripts, styles and comments go with all they
 * hold.
 */
export function cleanHtml(html: string, tags: readonly string[]): string {
  return sanitize(html, {
    allowedTags: [...tags],
    allowedAttributes: {},
    nonTextTags: [
      'script',
      'style',
      'textarea',
      'noscript',
      'title',
      'option',
      'iframe',
      'svg',
      'math',
      'template',
    ],
    disallowedTagsMode: 'discard',
    enforceHtmlBoundary: false,
  });
}

export function escapeHtml(text: string): string {
  return text.replace(/[&<>"']/gu, (sign) => `&#${sign.codePointAt(0)};`);
}

const BLOCKS = [
  'p',
  'div',
  'li',
  'ul',
  'ol',
  'tr',
  'table',
  'tbody',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'br',
  'section',
  'article',
  'hr',
  'blockquote',
  'dt',
  'dd',
  'dl',
];

/**
 * Words of a page, or of another shop's template, as plain text in short lines: list items begin with "- ",
 * cells of a row stand in one line. Nested tables, inline styles, scripts and tracking pictures leave nothing
 * behind.
 */
export function textFromHtml(html: string): string {
  // After this only these tags are left, well formed and without attributes, so they can be read as text.
  const plain = cleanHtml(html, [...BLOCKS, 'td', 'th']);
  return plain
    .replace(/\s+/gu, ' ')
    .replace(/<li>\s*/gu, '\n- ')
    .replace(/<\/(?:td|th)>\s*<(?:td|th)>/gu, ' ')
    .replace(/<\/?(?:p|div|ul|ol|table|tbody|h[1-6]|section|article|blockquote|hr|dl)(?: \/)?>/gu, '\n\n')
    .replace(/<\/?(?:tr|br|dt|dd)(?: \/)?>/gu, '\n')
    .replace(/<\/li>/gu, '')
    .replace(/<[^>]*>/gu, ' ')
    .replace(/&lt;/gu, '<')
    .replace(/&gt;/gu, '>')
    .replace(/&quot;/gu, '"')
    .replace(/&amp;/gu, '&')
    .replace(/[^\S\n]+/gu, ' ')
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '-')
    .join('\n')
    .replace(/\n{3,}/gu, '\n\n')
    .trim();
}
