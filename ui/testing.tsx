import { renderToStaticMarkup } from 'react-dom/server';

/** What a reader finds on a part of a page: its text alone, by single spaces, with apostrophes as they are typeset. */
export const textOf = (part: React.ReactElement): string =>
  renderToStaticMarkup(part)
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x27;/g, '’')
    .replace(/\s+/g, ' ')
    .trim();
